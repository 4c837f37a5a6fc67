"""From version 5 to version 6: a thing may tell another finish, what of it is painted, its outlets, places on it."""

from typing import Any


def lift(plan: dict[str, Any]) -> dict[str, Any]:
    """Return a version 6 plan; the plan given stays as it is."""
    return {**plan, "version": 6}
