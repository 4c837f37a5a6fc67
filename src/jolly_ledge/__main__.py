"""Wires the command line, the core and the window."""

import sys
from pathlib import Path

from jolly_ledge import cli


def open_window(path: Path | None, demo: bool) -> int:
    """Open the window; the toolkit is imported only now."""
    from jolly_ledge.app.application import run

    return run(path, demo=demo)


def main() -> int:
    """Run the program."""
    return cli.run(sys.argv[1:], open_window)


if __name__ == "__main__":
    sys.exit(main())
