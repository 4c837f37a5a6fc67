"""From version 4 to version 5: a piece may tell its tasks, its limits and its door; what was told stays."""

from typing import Any


def lift(plan: dict[str, Any]) -> dict[str, Any]:
    """Return a version 5 plan; the plan given stays as it is."""
    return {**plan, "version": 5}
