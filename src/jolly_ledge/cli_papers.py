"""The commands that put something on paper or into a file for others."""

import argparse
import json
import sys
from collections.abc import Callable

from jolly_ledge.model.errors import JollyLedgeError


def sheet_command(chosen: argparse.Namespace) -> None:
    """Write the placing sheet."""
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.geometry.arrangement import arrange

    plan, _ = open_plan(chosen.plan)
    arrangement = arrange(plan, plan.look(chosen.look))
    if chosen.out.suffix.lower() == ".csv":
        from jolly_ledge.files.atomic import write_atomically
        from jolly_ledge.files.sheet_csv import sheet_to_csv
        from jolly_ledge.planning.working_order import working_order

        write_atomically(chosen.out, sheet_to_csv(working_order(arrangement)).encode())
    else:
        from jolly_ledge.drawing.paper import PAPERS
        from jolly_ledge.drawing.sheet import sheet_pages
        from jolly_ledge.render.export import ready_to_render, save_sheet

        ready_to_render()
        pages = sheet_pages(plan, arrangement.look, chosen.unit, PAPERS[chosen.paper])
        save_sheet(pages, plan.name or "Placing sheet", chosen.out)
    print(f"Wrote {chosen.out}")


def draw_command(chosen: argparse.Namespace) -> None:
    """Draw a look."""
    from jolly_ledge.drawing.look import look_picture
    from jolly_ledge.files.atomic import write_atomically
    from jolly_ledge.files.dxf import look_to_dxf
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.geometry.arrangement import arrange
    from jolly_ledge.render.export import pixels_at, ready_to_render, save_picture

    if not 16 <= chosen.size <= 12_000:
        raise JollyLedgeError("The size runs from 16 to 12000 pixels; choose one in that range.")
    plan, _ = open_plan(chosen.plan)
    arrangement = arrange(plan, plan.look(chosen.look))
    if chosen.out.suffix.lower() == ".dxf":
        write_atomically(chosen.out, look_to_dxf(arrangement).encode())
    else:
        picture = look_picture(arrangement)
        ready_to_render()
        size = chosen.size if chosen.scale is None else pixels_at(picture, chosen.scale)
        save_picture(picture, chosen.out, size, chosen.scale)
    print(f"Wrote {chosen.out}")


def client_command(chosen: argparse.Namespace) -> None:
    """Write the page for the client."""
    from jolly_ledge.drawing.client_sheet import client_page
    from jolly_ledge.drawing.paper import PAPERS
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.render.export import ready_to_render, save_sheet

    plan, _ = open_plan(chosen.plan)
    page = client_page(plan, [plan.look(look) for look in chosen.looks], PAPERS[chosen.paper])
    ready_to_render()
    save_sheet((page,), plan.name or "Versions", chosen.out)
    print(f"Wrote {chosen.out}")


def shopping_command(chosen: argparse.Namespace) -> None:
    """Tell or write the shopping list."""
    from jolly_ledge.drawing.paper import PAPERS
    from jolly_ledge.drawing.shopping_sheet import shopping_pages
    from jolly_ledge.files.atomic import write_atomically
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.files.shopping_csv import shopping_to_csv
    from jolly_ledge.planning.shopping import shopping_list
    from jolly_ledge.render.export import ready_to_render, save_sheet
    from jolly_ledge.report_money import shopping

    plan, _ = open_plan(chosen.plan)
    told = shopping_list(plan, [plan.look(look) for look in chosen.look] if chosen.look else None)
    if chosen.out is None:
        value, text = shopping(plan, told)
        print(json.dumps(value, ensure_ascii=False, indent=1) if chosen.json else text)
        return
    if chosen.out.suffix.lower() == ".csv":
        write_atomically(chosen.out, shopping_to_csv(told, plan.currency).encode())
    else:
        ready_to_render()
        save_sheet(shopping_pages(plan, told, chosen.unit, PAPERS[chosen.paper]), "To be bought", chosen.out)
    print(f"Wrote {chosen.out}")


def labels_command(chosen: argparse.Namespace) -> None:
    """Write labels."""
    from datetime import date

    from jolly_ledge.drawing.labels import LabelSheet, cord_labels, label_pages, storage_labels
    from jolly_ledge.drawing.paper import PAPERS
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.render.export import ready_to_render, save_sheet

    plan, _ = open_plan(chosen.plan)
    labels = cord_labels(plan) if chosen.kind == "cords" else storage_labels(plan, date.today().year)
    if not labels:
        lacking = "a thing with a cord" if chosen.kind == "cords" else "a thing that is told to be in a box"
        raise JollyLedgeError(f"“{chosen.plan}” holds no {lacking.removeprefix('a ')}; there is nothing to label.")
    sheet = LabelSheet("as told", PAPERS[chosen.paper], chosen.columns, chosen.rows, chosen.left, chosen.top,
                       chosen.gap_across, chosen.gap_down)  # fmt: skip
    pages = label_pages(labels, sheet, chosen.skip)
    ready_to_render()
    save_sheet(pages, "Labels", chosen.out)
    print(f"Wrote {len(labels)} labels to {chosen.out}")


def calendar_command(chosen: argparse.Namespace) -> None:
    """Write what is due."""
    from datetime import date

    from jolly_ledge.files.atomic import write_atomically
    from jolly_ledge.files.calendar_file import due_to_calendar
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.planning.due import due_dates, senseless_dates

    plan, _ = open_plan(chosen.plan)
    found = due_dates(plan, date.today())
    for said in senseless_dates(plan):
        print(said, file=sys.stderr)
    write_atomically(chosen.out, due_to_calendar(found, plan.name))
    print(f"Wrote {len(found)} dates to {chosen.out}")


PAPER_COMMANDS: dict[str, Callable[[argparse.Namespace], None]] = {
    "sheet": sheet_command,
    "draw": draw_command,
    "client": client_command,
    "shopping": shopping_command,
    "labels": labels_command,
    "calendar": calendar_command,
}
