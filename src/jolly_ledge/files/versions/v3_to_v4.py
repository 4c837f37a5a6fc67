"""From version 3 to version 4: a thing may tell its use and its cord, a socket its outlets; what was told stays."""

from typing import Any


def lift(plan: dict[str, Any]) -> dict[str, Any]:
    """Return a version 4 plan; the plan given stays as it is."""
    return {**plan, "version": 4}
