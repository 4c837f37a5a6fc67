"""Writing for others: the exports of the register, each as a command."""

import argparse
import sys
from pathlib import Path

from jolly_ledge.cli.command import Command, add_json, add_look, add_out, add_paper, add_plan, add_unit, say
from jolly_ledge.exports.export import Options, write_export
from jolly_ledge.exports.register import BY_ID
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.plan import Plan

SHEET, DRAW, CLIENT, ROOM, SHOPPING, LABELS, CALENDAR, STASH = (
    BY_ID[name] for name in ("sheet", "draw", "client", "room", "shopping", "labels", "calendar", "stash")
)


def _opened(path: Path) -> Plan:
    from jolly_ledge.files.plan_file import open_plan

    return open_plan(path)[0]


def _ask_sheet(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    add_look(command)
    add_unit(command)
    add_paper(command)
    add_out(command, SHEET)


def _sheet(chosen: argparse.Namespace) -> None:
    plan = _opened(chosen.plan)
    options = Options(looks=(plan.look(chosen.look),), unit=chosen.unit, paper=chosen.paper)
    print(f"Wrote {write_export(SHEET, plan, options, chosen.out)}")


def _ask_draw(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    add_look(command)
    command.add_argument("--size", type=int, default=2000, metavar="PIXELS", help="the longer side (16 to 12000)")
    command.add_argument("--scale", type=float, metavar="N", help="draw at 1:N instead, 300 dots to the inch")
    add_out(command, DRAW)


def _draw(chosen: argparse.Namespace) -> None:
    plan = _opened(chosen.plan)
    options = Options(looks=(plan.look(chosen.look),), pixels=chosen.size, scale=chosen.scale)
    print(f"Wrote {write_export(DRAW, plan, options, chosen.out)}")


def _ask_room(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    add_look(command)
    add_out(command, ROOM)


def _room(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan

    plan, file = open_plan(chosen.plan)
    options = Options(looks=(plan.look(chosen.look),), photos=file.photos)
    print(f"Wrote {write_export(ROOM, plan, options, chosen.out)}")


def _ask_client(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    command.add_argument("looks", nargs="+", metavar="LOOK")
    add_paper(command)
    add_out(command, CLIENT)


def _client(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan

    plan, file = open_plan(chosen.plan)
    looks = tuple(plan.look(look) for look in chosen.looks)
    options = Options(looks=looks, paper=chosen.paper, photos=file.photos)
    print(f"Wrote {write_export(CLIENT, plan, options, chosen.out)}")


def _ask_shopping(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    command.add_argument("--look", action="append", metavar="ID", help="for this look only; may be told again")
    add_unit(command)
    add_paper(command)
    add_json(command)
    add_out(command, SHOPPING, required=False, said="write it instead of printing it")


def _shopping(chosen: argparse.Namespace) -> None:
    from jolly_ledge.planning.shopping import shopping_list
    from jolly_ledge.texts.money import shopping

    plan = _opened(chosen.plan)
    looks = tuple(plan.look(look) for look in chosen.look or ())
    if chosen.out is None:
        say(*shopping(plan, shopping_list(plan, looks or None)), chosen.json)
        return
    options = Options(looks=looks, unit=chosen.unit, paper=chosen.paper)
    print(f"Wrote {write_export(SHOPPING, plan, options, chosen.out)}")


def _ask_labels(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    command.add_argument("kind", choices=("cords", "boxes"))
    add_paper(command)
    for name, usual, said in (("columns", 2, "labels across"), ("rows", 7, "labels down"), ("skip", 0, "used up")):
        command.add_argument(f"--{name}", type=int, default=usual, metavar="N", help=said)
    for name, figure, said in (("left", 4.7, "left margin"), ("top", 15.1, "upper margin"), ("gap-across", 2.5, "gap"),
                               ("gap-down", 0.0, "gap")):  # fmt: skip
        command.add_argument(f"--{name}", type=float, default=figure, metavar="MM", help=said)
    add_out(command, LABELS)


def _labels(chosen: argparse.Namespace) -> None:
    from jolly_ledge.drawing.labels import LabelSheet
    from jolly_ledge.drawing.paper import PAPERS

    plan = _opened(chosen.plan)
    sheet = LabelSheet("as told", PAPERS[chosen.paper], chosen.columns, chosen.rows, chosen.left, chosen.top,
                       chosen.gap_across, chosen.gap_down)  # fmt: skip
    options = Options(labels=chosen.kind, sheet=sheet, skip=chosen.skip)
    print(f"Wrote {write_export(LABELS, plan, options, chosen.out)}")


def _ask_calendar(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    add_out(command, CALENDAR)


def _calendar(chosen: argparse.Namespace) -> None:
    from jolly_ledge.planning.due import senseless_dates

    plan = _opened(chosen.plan)
    for said in senseless_dates(plan):
        print(said, file=sys.stderr)
    print(f"Wrote {write_export(CALENDAR, plan, Options(), chosen.out)}")


def write_stash(plan: Plan, path: Path) -> None:
    """Write the stash of a plan, and say so."""
    written = write_export(STASH, plan, Options(), path)
    print(f"Wrote {counted(len(plan.stash), 'thing')} to {written}")


COMMANDS = (
    Command("sheet", "write the placing sheet as PDF or CSV", _ask_sheet, _sheet),
    Command("draw", "draw a look as PNG, SVG or DXF", _ask_draw, _draw),
    Command("room", "draw a look into the photograph of its empty piece, as PNG or JPEG", _ask_room, _room),
    Command("client", "write a page with two to five versions for the client, as PDF", _ask_client, _client),
    Command("shopping", "tell what is to be bought, what it costs and what is left", _ask_shopping, _shopping),
    Command("labels", "write labels for cords or boxes as a PDF sheet", _ask_labels, _labels),
    Command("calendar", "write what is due as a calendar file", _ask_calendar, _calendar),
)
