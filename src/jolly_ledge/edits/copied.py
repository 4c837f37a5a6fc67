"""Things of one look set down in another look of the same piece, just as they stand."""

from collections.abc import Collection

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look
from jolly_ledge.edits.placements import carried_by
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import checked


def with_guests(look: Look, ids: Collection[str]) -> tuple[Placement, ...]:
    """Return placements of a look with all that stands on them or in them, in the order of the look."""
    taken = {*ids, *(guest.id for identifier in ids for guest in carried_by(look, identifier))}
    return tuple(placement for placement in look.placements if placement.id in taken)


class SetDownCopies(BaseEdit, frozen=True):
    """Set down what was copied from another look, as it stood there."""

    look: str
    placements: tuple[Placement, ...]
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Set down {self.name or 'what was copied'}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the things in the look.

        Raises
        ------
        EditError
            The look is of another piece, some of them stand in it already, or what carries one was not copied.
        """
        look = plan.look(self.look)
        piece = plan.piece(look.piece)
        if not {placement.ledge for placement in self.placements} <= {ledge.id for ledge in piece.ledges}:
            raise EditError(f"These things stand on another piece than {piece.label}; choose a look of that piece.")
        names = {item.id: item.label for item in plan.stash}
        here = {placement.item for placement in look.placements}
        twice = [names[placement.item] for placement in self.placements if placement.item in here]
        if twice:
            raise EditError(f"Already in this look: {listed(twice)}; put them back there, then set the copies down.")
        return change_look(plan, self.look, lambda one: self._with_copies(one, names))

    def _with_copies(self, look: Look, names: dict[str, str]) -> Look:
        ids = FreshIds(placement.id for placement in look.placements)
        new = {placement.id: ids.fresh(placement.item) for placement in self.placements}
        copies = []
        for placement in self.placements:
            if placement.host is not None and placement.host not in new:
                raise EditError(f"The {names[placement.item]} stands on something that was not copied; take it along.")
            copies.append(
                checked(
                    replace(
                        placement, id=new[placement.id], locked=False,
                        on=new[placement.on] if placement.on else None,
                        inside=new[placement.inside] if placement.inside else None,
                    )
                )
            )  # fmt: skip
        return replace(look, placements=(*look.placements, *copies))
