"""All commands together, and how their words are read."""

import argparse

from jolly_ledge import __version__
from jolly_ledge.cli import judging, keeping, proposing, wanting, writing
from jolly_ledge.cli.command import Command
from jolly_ledge.cli.failing import fail
from jolly_ledge.cli.main import DEMO

COMMANDS: tuple[Command, ...] = (
    *judging.COMMANDS, *proposing.COMMANDS, *wanting.COMMANDS, *writing.COMMANDS, *keeping.COMMANDS
)  # fmt: skip
BY_NAME: dict[str, Command] = {command.name: command for command in COMMANDS}
NAMES = (*BY_NAME, DEMO)


class _Parser(argparse.ArgumentParser):
    """Says one clear line on bad input instead of a usage text."""

    def error(self, message: str) -> "None":  # type: ignore[override]
        raise SystemExit(fail(f"{message}; see “jolly-ledge --help”."))


def parser() -> argparse.ArgumentParser:
    """Return the parser of all commands."""
    top = _Parser(
        prog="jolly-ledge",
        description="Plan the arrangement of shelves, mantels and tables before anything is carried.",
        epilog="Without a command the window opens, with PLAN if one is given: jolly-ledge [PLAN].",
    )
    top.add_argument("--version", action="version", version=f"jolly-ledge {__version__}")
    commands = top.add_subparsers(dest="command", metavar="COMMAND", parser_class=_Parser)
    for command in COMMANDS:
        command.add_arguments(commands.add_parser(command.name, help=command.help))
    commands.add_parser(DEMO, help="open the demo, Vesper Row")
    return top
