"""Another thing takes the place of one, with what stands on it or in it; another group takes the place of a group."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look, with_one
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.geometry.leaning import lean_z
from jolly_ledge.geometry.pose import extent
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import checked
from jolly_ledge.model.words import BOOK_CATEGORIES, WALL_CATEGORIES, Pose


class ExchangeThing(BaseEdit, frozen=True):
    """Let a thing of the stash stand where another one stands; guests, group and lock stay."""

    look: str
    placement: str
    item: str
    name: str = ""
    new_name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Exchange {self.name or self.placement} for {self.new_name or self.item}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the other thing there; raise EditError where it is in the look already."""
        look = plan.look(self.look)
        old = look.placement(self.placement)
        if any(placement.item == self.item for placement in look.placements):
            raise EditError(f"{self.new_name or self.item} stands in this look already; choose another thing.")
        new = self._in_its_place(plan, old)
        return change_look(
            plan, self.look, lambda look: replace(look, placements=with_one(look.placements, old.id, lambda _: new))
        )

    def _in_its_place(self, plan: Plan, old: Placement) -> Placement:
        items = {item.id: item for item in plan.stash}
        item, before = items.get(self.item), items[old.item]
        if item is None:
            raise EditError(f"{self.item} is not in the stash; choose a thing that is.")
        pose: Pose = old.pose
        if old.pose not in ("hung", "draped"):
            alike = item.category == before.category or {item.category, before.category} <= WALL_CATEGORIES
            leans = item.category in WALL_CATEGORIES and old.host is None
            pose = old.pose if alike else "leaning" if leans else "flat" if item.category == "book" else "upright"
            if pose == "spine-in" and item.category not in BOOK_CATEGORIES:
                pose = "upright"
        new = replace(old, item=item.id, pose=pose)
        piece = plan.piece(plan.look(self.look).piece)
        ledge = next(ledge for ledge in piece.ledges if ledge.id == old.ledge)
        if new.x is None or new.z is None or old.host is not None:
            return checked(new)
        size = extent(item, pose, new.turn)
        return checked(replace(new, **self._within(plan, ledge, new, size.width, size.depth)))

    def _within(self, plan: Plan, ledge: Ledge, new: Placement, width: float, depth: float) -> dict[str, float]:
        """Return where it stands: as the other one did, but within the ends and the depth of the ledge."""
        half, deep = min(width, ledge.width) / 2, min(depth, ledge.depth) / 2
        x = min(max(new.x or 0.0, half), ledge.width - half)
        z = min(max(new.z or 0.0, deep), ledge.depth - deep)
        if new.pose == "leaning":
            others = [one for one in arrange(plan, plan.look(self.look)).visible if one.id != self.placement]
            z = lean_z(ledge, x, width, depth, others)
        return {"x": x, "z": z}


class ExchangeGroup(BaseEdit, frozen=True):
    """Let a group of the stash stand where another one stands; a name that all of the old group bore stays."""

    look: str
    gone: tuple[str, ...]
    come: tuple[Placement, ...]
    name: str = ""
    new_name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Exchange {self.name or 'a group'} for {self.new_name or 'another'}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the other group there.

        Raises
        ------
        EditError
            What goes is not in the look or carries what stays, or what comes stands there already.
        """
        look = plan.look(self.look)
        old = tuple(look.placement(identifier) for identifier in self.gone)
        left = tuple(placement for placement in look.placements if placement.id not in self.gone)
        if any(placement.host in self.gone for placement in left):
            raise EditError(f"Something that stays stands on {self.name or 'the group'}; take it along, or off first.")
        if {placement.item for placement in left} & {placement.item for placement in self.come}:
            raise EditError("Something of the new group stands in this look already; choose another group.")
        names = {placement.vignette for placement in old}
        vignette = names.pop() if len(names) == 1 else None
        return change_look(plan, self.look, lambda look: self._with_the_new(look, left, vignette))

    def _with_the_new(self, look: Look, left: tuple[Placement, ...], vignette: str | None) -> Look:
        ids = FreshIds(placement.id for placement in left)
        fresh = {placement.id: ids.fresh(placement.id) for placement in self.come}
        come = tuple(
            checked(
                replace(
                    placement, id=fresh[placement.id], vignette=vignette,
                    on=fresh.get(placement.on or ""), inside=fresh.get(placement.inside or ""),
                )
            )
            for placement in self.come
        )  # fmt: skip
        return replace(look, placements=(*left, *come))
