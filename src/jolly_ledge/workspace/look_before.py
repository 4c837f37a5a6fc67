"""How the look before the one in hand reads: what the number is told against."""

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings.register import assess
from jolly_ledge.workspace.workspace import Workspace


class LookBefore:
    """Reads the look before the one in hand in the list, and keeps what it read: most changes leave that look alone."""

    def __init__(self, workspace: Workspace) -> None:
        self._workspace = workspace
        self._kept: tuple[Plan, float] | None = None

    def read(self) -> tuple[str, float] | None:
        """Return its name and its raw score, None where none comes before or that one is empty."""
        workspace = self._workspace
        if not workspace.look_id:
            return None
        looks = workspace.plan.looks_of(workspace.piece_id)
        index = [look.id for look in looks].index(workspace.look_id)
        if index == 0:
            return None
        earlier = looks[index - 1]
        if not earlier.placements:
            return None
        read_with = replace(workspace.plan, looks=(earlier,))
        if self._kept is None or self._kept[0] != read_with:
            self._kept = read_with, assess(arrange(workspace.plan, earlier)).score
        return earlier.label, self._kept[1]
