"""What every command tells of itself, and what all of them share."""

import argparse
import json
from collections.abc import Callable
from pathlib import Path
from typing import Any

from msgspec import Struct

from jolly_ledge.exports.export import Export


class Command(Struct, frozen=True):
    """One command: its name, what it is for, its arguments, and what it does.

    ``run`` returns the exit status, None for success.
    """

    name: str
    help: str
    add_arguments: Callable[[argparse.ArgumentParser], None]
    run: Callable[[argparse.Namespace], int | None]


def add_plan(command: argparse.ArgumentParser, name: str = "plan", metavar: str = "PLAN") -> None:
    """Ask for a plan."""
    command.add_argument(name, type=Path, metavar=metavar)


def add_look(command: argparse.ArgumentParser) -> None:
    """Ask for a look."""
    command.add_argument("--look", metavar="ID", required=True)


def add_unit(command: argparse.ArgumentParser, said: str | None = None) -> None:
    """Ask in which unit lengths are told."""
    command.add_argument("--unit", choices=("cm", "mm", "in"), default="cm", help=said)


def add_paper(command: argparse.ArgumentParser) -> None:
    """Ask on which paper it goes."""
    command.add_argument("--paper", choices=("a4", "letter"), default="a4")


def add_json(command: argparse.ArgumentParser) -> None:
    """Offer JSON instead of words."""
    command.add_argument("--json", action="store_true", help="print JSON")


def add_out(
    command: argparse.ArgumentParser, export: Export, *, required: bool = True, said: str | None = None
) -> None:
    """Ask for the file an export is written to."""
    name = "FILE" + "|".join(export.suffixes)
    command.add_argument("-o", "--out", type=Path, required=required, metavar=name, help=said)


def print_json(value: Any) -> None:
    """Print a value as JSON."""
    print(json.dumps(value, ensure_ascii=False, indent=1))


def say(value: Any, text: str, as_json: bool) -> None:
    """Print a value as JSON, or the text that says the same."""
    if as_json:
        print_json(value)
    else:
        print(text)
