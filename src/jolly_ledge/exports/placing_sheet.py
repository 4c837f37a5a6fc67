"""The placing sheet, on pages for a helper or as a table."""

from jolly_ledge.exports.export import Export, Options, file_stem
from jolly_ledge.model.plan import Plan


def _made(plan: Plan, options: Options, suffix: str) -> bytes:
    if suffix == ".csv":
        from jolly_ledge.files.sheet_csv import sheet_to_csv
        from jolly_ledge.geometry.arrangement import arrange
        from jolly_ledge.planning.working_order import working_order

        return sheet_to_csv(working_order(arrange(plan, options.look))).encode()
    from jolly_ledge.drawing.paper import PAPERS
    from jolly_ledge.drawing.sheet import sheet_pages
    from jolly_ledge.render.export import pdf_bytes, ready_to_render

    ready_to_render()
    return pdf_bytes(sheet_pages(plan, options.look, options.unit, PAPERS[options.paper]), plan.name or "Placing sheet")


EXPORT = Export("sheet", "the sheet", (".pdf", ".csv"), ("looks", "unit", "paper"), _made, file_stem, of_a_look=True)
