"""Books of a row in another order, between the same ends."""

from itertools import pairwise

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.geometry.rows import Order, in_order, row_of
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan

WORDS: dict[Order, str] = {"height": "by height", "hue": "by hue", "name": "by name"}


class SortRow(BaseEdit, frozen=True):
    """Sort the row of upright books that a placement stands in, from its left end; what lies on them goes along."""

    look: str
    placement: str
    order: Order

    @property
    def label(self) -> str:
        """What it does."""
        return f"Sort the row {WORDS[self.order]}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the row sorted; raise EditError where there is no row or a book of it is locked."""
        look = plan.look(self.look)
        row = row_of(arrange(plan, look), look.placement(self.placement).id)
        if not row:
            raise EditError("Only books that stand side by side in a row can be sorted; choose one of them.")
        locked = [one for one in row if one.placement.locked]
        if locked:
            raise EditError(f"The {locked[0].item.label} is locked; unlock it to sort its row.")
        gaps = [max(after.left - before.right, 0.0) for before, after in pairwise(row)]
        moved: dict[str, float] = {}
        left = row[0].left
        for one, gap in zip(in_order(row, self.order), (*gaps, 0.0), strict=True):
            moved[one.id] = left - one.left
            left += one.width + gap
        return change_look(plan, self.look, lambda look: _moved(look, moved))


def _moved(look: Look, moved: dict[str, float]) -> Look:
    """Return a look with things, and all they carry, moved along."""
    known = dict(moved)
    for _ in look.placements:
        carried = {p.id: known[p.host] for p in look.placements if p.host in known and p.id not in known}
        if not carried:
            break
        known |= carried
    placements = tuple(
        replace(p, x=p.x + known[p.id]) if p.id in known and p.x is not None else p for p in look.placements
    )
    return replace(look, placements=placements)
