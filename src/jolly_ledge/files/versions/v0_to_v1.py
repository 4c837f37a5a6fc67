"""From the trial format (version 0) to version 1.

Version 0 called the stash ``items``, gave colours as bare strings and wrote ``shelf`` for
``ledge`` in placements.
"""

from typing import Any


def lift(plan: dict[str, Any]) -> dict[str, Any]:
    """Return a version 1 plan; the plan given stays as it is."""
    lifted = {key: value for key, value in plan.items() if key != "items"}
    lifted["version"] = 1
    if "items" in plan:
        lifted["stash"] = [_item(item) for item in plan["items"]]
    if "looks" in plan:
        lifted["looks"] = [
            {**look, "placements": [_placement(placement) for placement in look.get("placements", [])]}
            for look in plan["looks"]
        ]
    return lifted


def _item(item: dict[str, Any]) -> dict[str, Any]:
    if "colour" not in item:
        return item
    rest = {key: value for key, value in item.items() if key != "colour"}
    return {**rest, "colours": [[item["colour"], 1.0]]}


def _placement(placement: dict[str, Any]) -> dict[str, Any]:
    return {("ledge" if key == "shelf" else key): value for key, value in placement.items()}
