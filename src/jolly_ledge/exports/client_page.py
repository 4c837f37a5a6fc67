"""A page with two to five versions, for the client to choose from."""

from jolly_ledge.exports.export import Export, Options, file_stem
from jolly_ledge.model.plan import Plan


def _made(plan: Plan, options: Options, suffix: str) -> bytes:
    from jolly_ledge.drawing.client_sheet import client_page
    from jolly_ledge.drawing.paper import PAPERS
    from jolly_ledge.render.export import pdf_bytes, ready_to_render

    page = client_page(plan, list(options.looks), PAPERS[options.paper])
    ready_to_render()
    return pdf_bytes((page,), plan.name or "Versions")


def _named(plan: Plan, options: Options) -> str:
    return f"{file_stem(plan, options)} versions"


EXPORT = Export("client", "the page for the client", (".pdf",), ("looks", "paper"), _made, _named, of_a_look=True)
