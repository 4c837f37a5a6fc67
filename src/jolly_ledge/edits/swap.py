"""Two things change places."""

from jolly_ledge.edits.edit import BaseEdit
from jolly_ledge.edits.placements import MovePlacement
from jolly_ledge.geometry.landing import Spot
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Placement
from jolly_ledge.model.plan import Plan


class SwapPlacements(BaseEdit, frozen=True):
    """Let two placed things, each with all it carries, change places."""

    look: str
    first: str
    second: str
    first_name: str = ""
    second_name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Swap {self.first_name or self.first} and {self.second_name or self.second}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the two in each other's place; raise EditError where one cannot be moved."""
        look = plan.look(self.look)
        one, other = look.placement(self.first), look.placement(self.second)
        if self.first == self.second or one.host is not None or other.host is not None:
            raise EditError("Two things that stand on a ledge can change places; choose two such things.")
        there = MovePlacement(look=self.look, placement=self.first, spot=_spot(other), name=self.first_name)
        back = MovePlacement(look=self.look, placement=self.second, spot=_spot(one), name=self.second_name)
        return back.apply(there.apply(plan))


def _spot(placement: Placement) -> Spot:
    if placement.x is None or placement.z is None:
        raise EditError("What hangs or lies over something cannot change places; move it by hand.")
    return Spot(ledge=placement.ledge, x=placement.x, z=placement.z)
