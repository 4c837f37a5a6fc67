"""Wires the command line, the core and the window."""

import gc
import sys
from pathlib import Path

from jolly_ledge.cli import main as command_line


def open_window(path: Path | None, demo: bool) -> int:
    """Open the window; the toolkit is imported only now.

    Garbage is not collected until the first picture is seen: while hundreds of classes are made, a
    collection finds nothing and costs a tenth of the start.
    """
    gc.disable()
    from jolly_ledge.app.lean_imports import import_leanly

    import_leanly()
    from jolly_ledge.app.application import run

    return run(path, demo=demo)


def main() -> int:
    """Run the program."""
    return command_line.run(sys.argv[1:], open_window)


if __name__ == "__main__":
    sys.exit(main())
