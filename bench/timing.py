"""How long an action takes."""

import time
from collections.abc import Callable


def milliseconds(action: Callable[[], object]) -> float:
    """Return how long an action takes, in milliseconds."""
    start = time.perf_counter()
    action()
    return (time.perf_counter() - start) * 1000
