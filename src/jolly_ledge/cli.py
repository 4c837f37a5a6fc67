"""The command line: the same core without a window."""

import argparse
import json
import sys
from collections.abc import Callable, Sequence
from pathlib import Path

from jolly_ledge import __version__
from jolly_ledge.cli_papers import PAPER_COMMANDS
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.words import SEASONS

BAD_INPUT, LEFT_OUT = 2, 3
MOST_PROPOSALS, LONGEST = 9, 100_000
COMMANDS = (
    "review", "compare", "mend", "propose", "wanted", "restyle", "stems", "sheet", "draw", "client", "shopping",
    "labels", "calendar", "where", "changes", "stash", "photograph", "demo",
)  # fmt: skip
OpenWindow = Callable[[Path | None, bool], int]


class _Parser(argparse.ArgumentParser):
    """Says one clear line on bad input instead of a usage text."""

    def error(self, message: str) -> "None":  # type: ignore[override]
        raise SystemExit(_fail(f"{message}; see “jolly-ledge --help”."))


def parser() -> argparse.ArgumentParser:
    """Return the parser of all commands."""
    top = _Parser(
        prog="jolly-ledge",
        description="Plan the arrangement of shelves, mantels and tables before anything is carried.",
        epilog="Without a command the window opens, with PLAN if one is given: jolly-ledge [PLAN].",
    )
    top.add_argument("--version", action="version", version=f"jolly-ledge {__version__}")
    commands = top.add_subparsers(dest="command", metavar="COMMAND", parser_class=_Parser)

    command = commands.add_parser("review", help="read a look: readings, findings, cautions")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("--look", metavar="ID", help="the look to read; all looks without it")
    command.add_argument("--every", action="store_true", help="all looks; as JSON always a list")
    command.add_argument("--meaning", action="store_true", help="try chance looks, and tell how it stands among them")
    command.add_argument("--json", action="store_true", help="print JSON")

    command = commands.add_parser("compare", help="tell which of two looks reads better, and by what")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("first", metavar="LOOK_A")
    command.add_argument("second", metavar="LOOK_B")
    command.add_argument("--json", action="store_true", help="print JSON")

    command = commands.add_parser("mend", help="tell the best few single moves for a finding of a look")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("--look", metavar="ID", required=True)
    command.add_argument("--finding", metavar="ID", help="such as height-rhythm-1; all findings without it")
    command.add_argument("--json", action="store_true", help="print JSON")

    command = commands.add_parser("propose", help="propose several different looks of a piece")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("--piece", metavar="ID", required=True)
    command.add_argument("--fullness", choices=("airy", "layered", "abundant"), help="as in the last look without it")
    command.add_argument("--figure", choices=("peaks", "weave", "mirrored"), help="as in the last look without it")
    command.add_argument(
        "--from",
        dest="base",
        metavar="LOOK",
        help="begin with a look: what is locked in it stays; the last look without it",
    )
    command.add_argument("--afresh", action="store_true", help="begin with nothing: no lock holds")
    command.add_argument("--ledge", metavar="ID", help="arrange this ledge only; the rest of --from stays")
    command.add_argument("--finish", action="store_true", help="all that stands in --from stays, what lacks is added")
    command.add_argument("--stay", type=float, default=0.0, metavar="SHARE", help="share of --from that stays (0 to 1)")
    command.add_argument("--season", choices=SEASONS, help="leave out what is told to be of other seasons only")
    command.add_argument("--each", choices=("fullness", "figure", "mood"), default="", help="one look in each of these")
    command.add_argument("--count", type=int, default=3, metavar="N", help="how many looks (1 to 9)")
    command.add_argument("--seed", type=int, default=1, metavar="S", help="the same seed and steps give the same looks")
    command.add_argument("--seconds", type=float, metavar="T", help="time for all of them")
    command.add_argument("--steps", type=int, metavar="K", help="changes tried for each look")
    command.add_argument("--json", action="store_true", help="print JSON")
    command.add_argument("-o", "--out", type=Path, required=True, metavar="OUT", help="the plan with the looks added")

    command = commands.add_parser("wanted", help="tell what is not owned and would help a look most")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("--look", metavar="ID", required=True)
    command.add_argument("--found", metavar="LINE", help="a thing found in a shop, in a line: tell whether it suits")
    command.add_argument("--instead-of", metavar="ITEM", help="tell what comes closest to a dear thing and costs less")
    command.add_argument("--unit", choices=("cm", "mm", "in"), default="cm", help="of bare figures in the line")
    command.add_argument("--json", action="store_true", help="print JSON")

    command = commands.add_parser("restyle", help="tell the fewest carries from one look to another of the same piece")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("first", metavar="LOOK_NOW")
    command.add_argument("second", metavar="LOOK_THEN")
    command.add_argument("--season", choices=SEASONS, default="", help="what is of another season goes to store")
    command.add_argument("--unit", choices=("cm", "mm", "in"), default="cm")
    command.add_argument("--json", action="store_true", help="print JSON")

    command = commands.add_parser(
        "stems", help="tell how stems stand in a vessel: how many, how high, where they are cut"
    )
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("--vessel", metavar="ITEM", required=True)
    command.add_argument("--stems", metavar="ITEM", help="the bunch, from the stash")
    command.add_argument("--look", metavar="ID", help="the look the vessel stands in: its board keeps the tips down")
    command.add_argument("--json", action="store_true", help="print JSON")

    command = commands.add_parser("sheet", help="write the placing sheet as PDF or CSV")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("--look", metavar="ID", required=True)
    command.add_argument("--unit", choices=("cm", "mm", "in"), default="cm")
    command.add_argument("--paper", choices=("a4", "letter"), default="a4")
    command.add_argument("-o", "--out", type=Path, required=True, metavar="FILE.pdf|.csv")

    command = commands.add_parser("draw", help="draw a look as PNG, SVG or DXF")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("--look", metavar="ID", required=True)
    command.add_argument("--size", type=int, default=2000, metavar="PIXELS", help="the longer side (16 to 12000)")
    command.add_argument("--scale", type=float, metavar="N", help="draw at 1:N instead, 300 dots to the inch")
    command.add_argument("-o", "--out", type=Path, required=True, metavar="FILE.png|.svg|.dxf")

    command = commands.add_parser("client", help="write a page with two to five versions for the client, as PDF")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("looks", nargs="+", metavar="LOOK")
    command.add_argument("--paper", choices=("a4", "letter"), default="a4")
    command.add_argument("-o", "--out", type=Path, required=True, metavar="FILE.pdf")

    command = commands.add_parser("shopping", help="tell what is to be bought, what it costs and what is left")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("--look", action="append", metavar="ID", help="for this look only; may be told again")
    command.add_argument("--unit", choices=("cm", "mm", "in"), default="cm")
    command.add_argument("--paper", choices=("a4", "letter"), default="a4")
    command.add_argument("--json", action="store_true", help="print JSON")
    command.add_argument("-o", "--out", type=Path, metavar="FILE.pdf|.csv", help="write it instead of printing it")

    command = commands.add_parser("labels", help="write labels for cords or boxes as a PDF sheet")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("kind", choices=("cords", "boxes"))
    command.add_argument("--paper", choices=("a4", "letter"), default="a4")
    for name, usual, said in (("columns", 2, "labels across"), ("rows", 7, "labels down"), ("skip", 0, "used up")):
        command.add_argument(f"--{name}", type=int, default=usual, metavar="N", help=said)
    for name, figure, said in (("left", 4.7, "left margin"), ("top", 15.1, "upper margin"), ("gap-across", 2.5, "gap"),
                               ("gap-down", 0.0, "gap")):  # fmt: skip
        command.add_argument(f"--{name}", type=float, default=figure, metavar="MM", help=said)
    command.add_argument("-o", "--out", type=Path, required=True, metavar="FILE.pdf")

    command = commands.add_parser("calendar", help="write what is due as a calendar file")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("-o", "--out", type=Path, required=True, metavar="FILE.ics")

    command = commands.add_parser("where", help="tell where things are, over the plans of several clients")
    command.add_argument("text", metavar="WORDS", help="such as urn, or brass; empty for all")
    command.add_argument("plans", nargs="+", type=Path, metavar="PLAN")
    command.add_argument("--json", action="store_true", help="print JSON")

    command = commands.add_parser("changes", help="tell what changed from one version of a plan to another")
    command.add_argument("first", type=Path, metavar="PLAN_BEFORE")
    command.add_argument("second", type=Path, metavar="PLAN_NOW")
    command.add_argument("--json", action="store_true", help="print JSON")

    command = commands.add_parser("stash", help="export or import the stash as CSV or JSON")
    command.add_argument("direction", choices=("export", "import"))
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("table", type=Path, metavar="FILE.csv|.json")
    command.add_argument("--unit", choices=("cm", "mm", "in"), default="cm", help="of bare figures in a foreign table")
    command.add_argument("--twins", action="store_true", help="take over what looks like a thing that is there, too")
    command.add_argument("--dry-run", action="store_true", help="say what an import would do, row by row")

    command = commands.add_parser("photograph", help="photograph a look with the simulated camera, to practise on")
    command.add_argument("plan", type=Path, metavar="PLAN")
    command.add_argument("--look", metavar="ID", required=True)
    command.add_argument("--seed", type=int, default=1, help="of the grain and of how rough the corner marks are")
    command.add_argument("-o", "--out", type=Path, required=True, metavar="FILE.jpg")

    commands.add_parser("demo", help="open the demo, Vesper Row")
    return top


def run(arguments: Sequence[str], open_window: OpenWindow) -> int:
    """Run one command; return the exit status: 0 for success, 2 for bad input, 3 where what must be there is left out.

    Parameters
    ----------
    arguments : sequence of str
        The words after the program's name.
    open_window : callable
        Opens the window with a path or with the demo; returns its exit status.
    """
    try:
        if not arguments or (arguments[0] not in COMMANDS and not arguments[0].startswith("-")):
            if len(arguments) > 1:
                return _fail(f"“{arguments[0]}” is no command; the commands are {', '.join(COMMANDS)}.")
            return open_window(Path(arguments[0]) if arguments else None, False)
        chosen = parser().parse_args(arguments)
        if chosen.command == "demo":
            return open_window(None, True)
        return _ACTIONS[chosen.command](chosen) or 0
    except JollyLedgeError as error:
        return _fail(str(error))
    except BrokenPipeError:
        # Whoever read the output has seen enough; nothing is wrong.
        sys.stderr.close()
    return 0


def _fail(sentence: str) -> int:
    print(f"jolly-ledge: {' '.join(sentence.split())}", file=sys.stderr)
    return BAD_INPUT


def _review(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.report import review, review_text

    plan, _ = open_plan(chosen.plan)
    looks = [plan.look(chosen.look)] if chosen.look and not chosen.every else list(plan.looks)
    if not looks:
        raise JollyLedgeError(f"“{chosen.plan}” holds no look to review; begin one in the window first.")
    found = [review(plan, look, meaning=chosen.meaning) for look in looks]
    if chosen.json:
        one = not chosen.every and (chosen.look or len(found) == 1)
        print(json.dumps(found[0] if one else found, ensure_ascii=False, indent=1))
    else:
        print("\n\n".join(review_text(one, look.label) for one, look in zip(found, looks, strict=True)))


def _compare(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.report import compare, compare_text

    plan, _ = open_plan(chosen.plan)
    found = compare(plan, plan.look(chosen.first), plan.look(chosen.second))
    print(json.dumps(found, ensure_ascii=False, indent=1) if chosen.json else compare_text(found, plan))


def _mend(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.report import mend, mend_text

    plan, _ = open_plan(chosen.plan)
    found = mend(plan, plan.look(chosen.look), chosen.finding)
    print(json.dumps(found, ensure_ascii=False, indent=1) if chosen.json else mend_text(found))


def _propose(chosen: argparse.Namespace) -> int:
    from jolly_ledge.edits.proposed import AddProposals
    from jolly_ledge.files.plan_file import PlanFile, open_plan, save_plan
    from jolly_ledge.report import proposed, proposed_text

    if not 1 <= chosen.count <= MOST_PROPOSALS:
        raise JollyLedgeError(
            f"From 1 to {MOST_PROPOSALS} looks can be proposed at once; choose a count in that range."
        )
    for name, told in (("seconds", chosen.seconds), ("steps", chosen.steps)):
        if told is not None and not 0 < told <= LONGEST:
            raise JollyLedgeError(f"--{name} runs from above 0 to {LONGEST}; choose a figure in that range.")
    if not 0 <= chosen.stay <= 1:
        raise JollyLedgeError("--stay is a share from 0 to 1; choose a figure in that range.")
    plan, file = open_plan(chosen.plan)
    found = proposed(
        plan, chosen.piece, chosen.fullness, chosen.figure, chosen.base, chosen.ledge, count=chosen.count,
        seed=chosen.seed, seconds=chosen.seconds, steps=chosen.steps, each=chosen.each, finish=chosen.finish,
        stay=chosen.stay, season=chosen.season, afresh=chosen.afresh,
    )  # fmt: skip
    added = AddProposals(looks=tuple(one.look for one in found)).apply(plan)
    save_plan(added, PlanFile(chosen.out, photos=file.photos), overwrite_changes=True)
    names = [look.id for look in added.looks[len(plan.looks) :]]
    told_of = proposed_text(found, names)
    print(json.dumps(told_of[0], ensure_ascii=False, indent=1) if chosen.json else told_of[1])
    return 0 if all(one.is_valid for one in found) else LEFT_OUT


def _wanted(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.report_wanted import found_thing, instead_of, what_is_wanted

    plan, _ = open_plan(chosen.plan)
    look = plan.look(chosen.look)
    if chosen.found is not None:
        told = found_thing(plan, look, chosen.found, chosen.unit)
    elif chosen.instead_of is not None:
        told = instead_of(plan, look, chosen.instead_of)
    else:
        told = what_is_wanted(plan, look)
    print(json.dumps(told.value, ensure_ascii=False, indent=1) if chosen.json else told.text)


def _restyle(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.report_wanted import change_over

    plan, _ = open_plan(chosen.plan)
    told = change_over(plan, plan.look(chosen.first), plan.look(chosen.second), chosen.season, chosen.unit)
    print(json.dumps(told.value, ensure_ascii=False, indent=1) if chosen.json else told.text)


def _stems(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.report_wanted import stems_for

    plan, _ = open_plan(chosen.plan)
    look = plan.look(chosen.look) if chosen.look is not None else None
    told = stems_for(plan, chosen.vessel, chosen.stems, look)
    print(json.dumps(told.value, ensure_ascii=False, indent=1) if chosen.json else told.text)


def _where(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.planning.whereabouts import over_all

    clients = []
    for path in chosen.plans:
        plan, _ = open_plan(path)
        clients.append((plan.name or path.stem, plan))
    found = over_all(clients, chosen.text)
    if chosen.json:
        values = [{"client": one.client, "item": one.item.id, "name": one.item.label, "look": one.look or None,
                   "said": one.said, "due": one.due or None, "return_by": one.item.return_by or None}
                  for one in found]  # fmt: skip
        print(json.dumps(values, ensure_ascii=False, indent=1))
        return
    lines = [f"{one.client}: the {one.item.label} {one.said}{f'; {one.due}' if one.due else ''}" for one in found]
    print("\n".join(lines) or f"Nothing answers to “{chosen.text}”.")


def _changes(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.planning.plan_differences import plan_differences

    said = plan_differences(open_plan(chosen.first)[0], open_plan(chosen.second)[0])
    print(json.dumps(list(said), ensure_ascii=False, indent=1) if chosen.json else "\n".join(said) or "They are alike.")


def _stash(chosen: argparse.Namespace) -> None:
    from jolly_ledge.edits.items import TakeOverItems
    from jolly_ledge.files.mapping import import_rows
    from jolly_ledge.files.plan_file import open_plan, save_plan
    from jolly_ledge.files.table import write_list
    from jolly_ledge.model.plan import check_references

    plan, file = open_plan(chosen.plan)
    if chosen.direction == "export":
        write_list(chosen.table, plan.stash)
        print(f"Wrote {counted(len(plan.stash), 'thing')} to {chosen.table}")
        return
    rows = import_rows(chosen.table, plan.stash, chosen.unit)
    taken = {"add", "change", "twin"} if chosen.twins else {"add", "change"}
    for row in rows:
        if chosen.dry_run or row.doing in ("refuse", "twin"):
            print(f"row {row.number}: {row.doing}: {row.sentence}", file=sys.stdout if chosen.dry_run else sys.stderr)
    if chosen.dry_run:
        return
    items = tuple(row.item for row in rows if row.doing in taken and row.item is not None)
    if not items and any(row.doing == "refuse" for row in rows):
        raise JollyLedgeError(f"No row of “{chosen.table}” can be read; nothing is changed.")
    changed = TakeOverItems(items=items).apply(plan)
    check_references(changed)
    save_plan(changed, file)
    added = len(changed.stash) - len(plan.stash)
    print(f"Added {added} and changed {len(items) - added} things in {chosen.plan}")


def _photograph(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.atomic import write_atomically
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.geometry.arrangement import arrange
    from jolly_ledge.photos.image import jpeg_bytes
    from jolly_ledge.render.export import ready_to_render
    from jolly_ledge.render.practice_photos import practice_photo

    plan, _ = open_plan(chosen.plan)
    ready_to_render()
    pixels, corners = practice_photo(arrange(plan, plan.look(chosen.look)), chosen.seed, empty=False)
    write_atomically(chosen.out, jpeg_bytes(pixels))
    marks = ", ".join(f"({x:.0f}, {y:.0f})" for x, y in corners)
    print(f"Wrote {chosen.out}; the piece's corners lie near {marks}")


_ACTIONS: dict[str, Callable[[argparse.Namespace], int | None]] = {
    **PAPER_COMMANDS,
    "review": _review,
    "compare": _compare,
    "mend": _mend,
    "propose": _propose,
    "wanted": _wanted,
    "restyle": _restyle,
    "stems": _stems,
    "where": _where,
    "changes": _changes,
    "stash": _stash,
    "photograph": _photograph,
}
