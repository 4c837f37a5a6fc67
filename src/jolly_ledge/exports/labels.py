"""Labels to stick on cords and boxes."""

from jolly_ledge.exports.export import Export, Options
from jolly_ledge.model.errors import ExportError
from jolly_ledge.model.plan import Plan


def _made(plan: Plan, options: Options, suffix: str) -> bytes:
    from jolly_ledge.drawing.labels import SHEETS, cord_labels, label_pages, storage_labels
    from jolly_ledge.render.export import pdf_bytes, ready_to_render

    labels = cord_labels(plan) if options.labels == "cords" else storage_labels(plan, options.today.year)
    if not labels:
        lacking = "thing with a cord" if options.labels == "cords" else "thing that is told to be in a box"
        raise ExportError(f"There is no {lacking} in the stash; add one first, then label it.")
    pages = label_pages(labels, options.sheet or SHEETS[0], options.skip)
    ready_to_render()
    return pdf_bytes(pages, "Labels")


def _named(plan: Plan, options: Options) -> str:
    return f"{plan.name or 'Labels'} - {options.labels}"


EXPORT = Export("labels", "the labels", (".pdf",), ("labels", "sheet", "skip", "today"), _made, _named)
