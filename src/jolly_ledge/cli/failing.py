"""How a command says that it cannot do what it was asked for."""

import sys

BAD_INPUT = 2


def fail(sentence: str) -> int:
    """Say one clear line; return the exit status for bad input."""
    print(f"jolly-ledge: {' '.join(sentence.split())}", file=sys.stderr)
    return BAD_INPUT
