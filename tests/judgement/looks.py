"""Looks that were composed by hand, kept to hold the judgement against; they are not adjusted to it."""

from pathlib import Path

from msgspec import Struct

from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan

FOLDER = Path(__file__).parent / "looks"


class Composed(Struct, frozen=True):
    """A composed look with its plan, and looks of the same stash that were put below it."""

    name: str
    plan: Plan
    look: Look
    worse: tuple[Look, ...]

    @property
    def arrangement(self) -> Arrangement:
        """The composed look, resolved."""
        return arrange(self.plan, self.look)


def composed_looks() -> list[Composed]:
    """Return all of them, by name."""
    found = []
    for path in sorted(FOLDER.glob("*.json")):
        plan = plan_from_json(path.read_bytes())
        worse = tuple(look for look in plan.looks if look.id != "composed")
        found.append(Composed(path.stem, plan, plan.look("composed"), worse))
    return found
