"""The chain of steps from any older version to the newest."""

from collections.abc import Callable
from typing import Any

from jolly_ledge.files.errors import PlanFileError
from jolly_ledge.files.versions import v0_to_v1, v1_to_v2, v2_to_v3, v3_to_v4, v4_to_v5, v5_to_v6
from jolly_ledge.model.plan import VERSION

STEPS: dict[int, Callable[[dict[str, Any]], dict[str, Any]]] = {
    0: v0_to_v1.lift,
    1: v1_to_v2.lift,
    2: v2_to_v3.lift,
    3: v3_to_v4.lift,
    4: v4_to_v5.lift,
    5: v5_to_v6.lift,
}
"""From a version to the next."""


def migrated(plan: dict[str, Any]) -> dict[str, Any]:
    """Lift a decoded plan of an older version to the newest.

    Raises
    ------
    PlanFileError
        The plan does not have the shape its version tells.
    """
    version = plan["version"]
    while version < VERSION:
        try:
            plan = STEPS[version](plan)
        except (KeyError, TypeError, AttributeError) as error:
            raise PlanFileError(
                f"The plan tells version {version} but does not have its shape; open an earlier copy."
            ) from error
        version += 1
    return plan
