"""A thing is raised on books or boxes from the stash."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import checked
from jolly_ledge.model.words import WALL_CATEGORIES


class RaiseOnRisers(BaseEdit, frozen=True):
    """Set things from the stash under a placed one, the first at the bottom; books lie flat."""

    look: str
    placement: str
    risers: tuple[str, ...]
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Raise {self.name or self.placement}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the thing raised; raise EditError where it cannot be."""
        items = [plan.item(riser) for riser in self.risers]
        flat = {item.id for item in items if item.category == "book" or item.category in WALL_CATEGORIES}
        return change_look(plan, self.look, lambda look: self._raised(look, flat))

    def _raised(self, look: Look, flat: set[str]) -> Look:
        raised = look.placement(self.placement)
        if raised.locked or raised.inside is not None or raised.x is None or raised.z is None:
            raise EditError(f"“{self.name or self.placement}” cannot be raised where it is; unlock it or take it out.")
        ids = FreshIds(placement.id for placement in look.placements)
        under: list[Placement] = []
        host = raised.on
        for riser in self.risers:
            new = Placement(
                id=ids.fresh(riser), item=riser, ledge=raised.ledge, x=raised.x, z=raised.z,
                pose="flat" if riser in flat else "upright", on=host,
            )  # fmt: skip
            under.append(checked(new))
            host = new.id
        moved = checked(replace(raised, on=host))
        others = tuple(moved if placement.id == raised.id else placement for placement in look.placements)
        return replace(look, placements=(*others, *under))
