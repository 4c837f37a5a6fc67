"""All commands together, and the window where there is none."""

import argparse
import sys
from collections.abc import Callable, Sequence
from pathlib import Path

from jolly_ledge import __version__
from jolly_ledge.cli import judging, keeping, proposing, wanting, writing
from jolly_ledge.cli.command import Command
from jolly_ledge.model.errors import JollyLedgeError

BAD_INPUT = 2
COMMANDS: tuple[Command, ...] = (
    *judging.COMMANDS, *proposing.COMMANDS, *wanting.COMMANDS, *writing.COMMANDS, *keeping.COMMANDS
)  # fmt: skip
BY_NAME: dict[str, Command] = {command.name: command for command in COMMANDS}
DEMO = "demo"
NAMES = (*BY_NAME, DEMO)
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
    for command in COMMANDS:
        command.add_arguments(commands.add_parser(command.name, help=command.help))
    commands.add_parser(DEMO, help="open the demo, Vesper Row")
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
        if not arguments or (arguments[0] not in NAMES and not arguments[0].startswith("-")):
            if len(arguments) > 1:
                return _fail(f"“{arguments[0]}” is no command; the commands are {', '.join(NAMES)}.")
            return open_window(Path(arguments[0]) if arguments else None, False)
        chosen = parser().parse_args(arguments)
        if chosen.command == DEMO:
            return open_window(None, True)
        return BY_NAME[chosen.command].run(chosen) or 0
    except JollyLedgeError as error:
        return _fail(str(error))
    except BrokenPipeError:
        # Whoever read the output has seen enough; nothing is wrong.
        sys.stderr.close()
    return 0


def _fail(sentence: str) -> int:
    print(f"jolly-ledge: {' '.join(sentence.split())}", file=sys.stderr)
    return BAD_INPUT
