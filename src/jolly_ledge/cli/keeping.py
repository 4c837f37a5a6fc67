"""What is kept: where things are, what changed, the stash, the plan format, and photographs to practise on."""

import argparse
import json
import sys
from pathlib import Path

from jolly_ledge.cli.command import Command, add_json, add_look, add_plan, add_unit, print_json, say
from jolly_ledge.cli.writing import STASH, write_stash
from jolly_ledge.model.errors import JollyLedgeError


def _ask_where(command: argparse.ArgumentParser) -> None:
    command.add_argument("text", metavar="WORDS", help="such as urn, or brass; empty for all")
    command.add_argument("plans", nargs="+", type=Path, metavar="PLAN")
    add_json(command)


def _where(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.planning.whereabouts import over_all

    clients = []
    for path in chosen.plans:
        plan, _ = open_plan(path)
        clients.append((plan.name or path.stem, plan))
    found = over_all(clients, chosen.text)
    if chosen.json:
        print_json(
            [{"client": one.client, "item": one.item.id, "name": one.item.label, "look": one.look or None,
              "said": one.said, "due": one.due or None, "return_by": one.item.return_by or None}
             for one in found]
        )  # fmt: skip
        return
    lines = [f"{one.client}: the {one.item.label} {one.said}{f'; {one.due}' if one.due else ''}" for one in found]
    print("\n".join(lines) or f"Nothing answers to “{chosen.text}”.")


def _ask_changes(command: argparse.ArgumentParser) -> None:
    add_plan(command, "first", "PLAN_BEFORE")
    add_plan(command, "second", "PLAN_NOW")
    add_json(command)


def _changes(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.planning.plan_differences import plan_differences

    said = plan_differences(open_plan(chosen.first)[0], open_plan(chosen.second)[0])
    say(list(said), "\n".join(said) or "They are alike.", chosen.json)


def _ask_stash(command: argparse.ArgumentParser) -> None:
    command.add_argument("direction", choices=("export", "import"))
    add_plan(command)
    add_plan(command, "table", "FILE" + "|".join(STASH.suffixes))
    add_unit(command, "of bare figures in a foreign table")
    command.add_argument("--twins", action="store_true", help="take over what looks like a thing that is there, too")
    command.add_argument("--dry-run", action="store_true", help="say what an import would do, row by row")


def _stash(chosen: argparse.Namespace) -> None:
    from jolly_ledge.edits.items import TakeOverItems
    from jolly_ledge.files.mapping import import_rows
    from jolly_ledge.files.plan_file import open_plan, save_plan
    from jolly_ledge.model.plan import check_references

    plan, file = open_plan(chosen.plan)
    if chosen.direction == "export":
        write_stash(plan, chosen.table)
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
        raise JollyLedgeError(f"No row of “{chosen.table}” can be read; nothing is changed, so look at its headings.")
    changed = TakeOverItems(items=items).apply(plan)
    check_references(changed)
    save_plan(changed, file)
    added = len(changed.stash) - len(plan.stash)
    print(f"Added {added} and changed {len(items) - added} things in {chosen.plan}")


def _ask_photograph(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    add_look(command)
    command.add_argument("--seed", type=int, default=1, help="of the grain and of how rough the corner marks are")
    command.add_argument("-o", "--out", type=Path, required=True, metavar="FILE.jpg")


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


def _ask_schema(command: argparse.ArgumentParser) -> None:
    command.add_argument("-o", "--out", type=Path, metavar="FILE.json", help="write it there instead of printing it")


def _schema(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.atomic import write_atomically
    from jolly_ledge.files.schema import plan_schema

    if chosen.out is None:
        print_json(plan_schema())
        return
    write_atomically(chosen.out, json.dumps(plan_schema(), indent=1).encode())
    print(f"Wrote {chosen.out}")


COMMANDS = (
    Command("where", "tell where things are, over the plans of several clients", _ask_where, _where),
    Command("changes", "tell what changed from one version of a plan to another", _ask_changes, _changes),
    Command("stash", "export or import the stash as CSV or JSON", _ask_stash, _stash),
    Command("schema", "print the plan format as a JSON Schema, for programs that write plans", _ask_schema, _schema),
    Command("photograph", "photograph a look with the simulated camera, to practise on", _ask_photograph, _photograph),
)
