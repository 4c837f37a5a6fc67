"""From the words after the program's name to a command, or to the window where there is none."""

import sys
from collections.abc import Callable, Sequence
from pathlib import Path

from jolly_ledge.cli.failing import fail
from jolly_ledge.model.errors import JollyLedgeError

DEMO, PLAN_SUFFIX = "demo", ".ledge"
OpenWindow = Callable[[Path | None, bool], int]


def run(arguments: Sequence[str], open_window: OpenWindow) -> int:
    """Run one command; return the exit status: 0 for success, 2 for bad input, 3 where what must be there is left out.

    Parameters
    ----------
    arguments : sequence of str
        The words after the program's name.
    open_window : callable
        Opens the window with a path or with the demo; returns its exit status.
    """
    words = list(arguments)
    try:
        if words in ([], [DEMO]) or (len(words) == 1 and words[0].lower().endswith(PLAN_SUFFIX)):
            # The window does not wait for the commands: they bring with them what writes drawings and sheets.
            is_demo = words == [DEMO]
            return open_window(Path(words[0]) if words and not is_demo else None, is_demo)
        return _run_command(words, open_window)
    except JollyLedgeError as error:
        return fail(str(error))
    except BrokenPipeError:
        # Whoever read the output has seen enough; nothing is wrong.
        sys.stderr.close()
    return 0


def _run_command(words: list[str], open_window: OpenWindow) -> int:
    from jolly_ledge.cli.commands import BY_NAME, NAMES, parser

    if words[0] not in NAMES and not words[0].startswith("-"):
        if len(words) > 1:
            return fail(f"“{words[0]}” is no command; the commands are {', '.join(NAMES)}.")
        return open_window(Path(words[0]), False)
    chosen = parser().parse_args(words)
    return open_window(None, True) if chosen.command == DEMO else BY_NAME[chosen.command].run(chosen) or 0
