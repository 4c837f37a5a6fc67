"""What is to be bought, on pages or as a table: for all looks, or for some."""

from jolly_ledge.exports.export import Export, Options
from jolly_ledge.model.plan import Plan


def _made(plan: Plan, options: Options, suffix: str) -> bytes:
    from jolly_ledge.planning.shopping import shopping_list

    told = shopping_list(plan, options.looks or None)
    if suffix == ".csv":
        from jolly_ledge.files.shopping_csv import shopping_to_csv

        return shopping_to_csv(told, plan.currency).encode()
    from jolly_ledge.drawing.paper import PAPERS
    from jolly_ledge.drawing.shopping_sheet import shopping_pages
    from jolly_ledge.render.export import pdf_bytes, ready_to_render

    ready_to_render()
    return pdf_bytes(shopping_pages(plan, told, options.unit, PAPERS[options.paper]), "To be bought")


def _named(plan: Plan, options: Options) -> str:
    return f"{plan.name or 'To be bought'} - to be bought"


EXPORT = Export("shopping", "the shopping list", (".pdf", ".csv"), ("looks", "unit", "paper"), _made, _named)
