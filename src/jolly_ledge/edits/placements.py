"""Edits of one look: what stands where, on what, in which pose."""

from collections.abc import Iterable

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look, with_one
from jolly_ledge.geometry.arrangement import arrange, stash_index
from jolly_ledge.geometry.landing import Spot
from jolly_ledge.geometry.leaning import lean_z
from jolly_ledge.geometry.pose import extent
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import changed, checked
from jolly_ledge.model.words import Pose


def carried_by(look: Look, placement_id: str) -> tuple[Placement, ...]:
    """Return all that stands on or in a placement, however deep."""
    found: list[Placement] = []
    level = {placement_id}
    while level:
        above = [placement for placement in look.placements if placement.host in level]
        found += above
        level = {placement.id for placement in above}
    return tuple(found)


def without_placements(look: Look, ids: Iterable[str]) -> Look:
    """Return the look without some placements and all they carry."""
    gone: set[str] = set()
    for identifier in ids:
        gone.add(identifier)
        gone |= {placement.id for placement in carried_by(look, identifier)}
    return replace(look, placements=tuple(p for p in look.placements if p.id not in gone))


class PlaceItem(BaseEdit, frozen=True):
    """Bring a thing from the stash to a spot."""

    look: str
    item: str
    spot: Spot
    pose: Pose = "upright"
    turn: float = 0.0
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Place {self.name or self.item}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the thing placed."""
        return change_look(plan, self.look, self._placed)

    def _placed(self, look: Look) -> Look:
        placement = Placement(
            id=fresh_id(self.item, {placement.id for placement in look.placements}),
            item=self.item,
            ledge=self.spot.ledge,
            x=self.spot.x,
            z=None if self.pose == "hung" else self.spot.z,
            y=(self.spot.y or 0.0) if self.pose == "hung" else None,
            on=self.spot.on,
            pose=self.pose,
            turn=self.turn,
        )
        return replace(look, placements=(*look.placements, checked(placement)))


class MovePlacement(BaseEdit, frozen=True):
    """Move a placed thing, with all it carries, to a spot."""

    look: str
    placement: str
    spot: Spot
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Move {self.name or self.placement}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the thing moved."""
        return change_look(plan, self.look, self._moved)

    def _moved(self, look: Look) -> Look:
        moving = look.placement(self.placement)
        if moving.locked:
            raise EditError(f"“{self.name or self.placement}” is locked; unlock it to move it.")
        carried = {placement.id for placement in carried_by(look, self.placement)}
        if self.spot.on in carried or self.spot.on == self.placement:
            raise EditError("A thing cannot stand on what it carries; put it on the ledge or on another thing.")
        dx = self.spot.x - (moving.x if moving.x is not None else self.spot.x)
        dz = self.spot.z - (moving.z if moving.z is not None else self.spot.z)
        placements = []
        for placement in look.placements:
            if placement.id == self.placement:
                placements.append(self._at_spot(placement))
            elif placement.id in carried:
                placements.append(
                    checked(
                        replace(
                            placement,
                            ledge=self.spot.ledge,
                            x=None if placement.x is None else placement.x + dx,
                            z=None if placement.z is None else placement.z + dz,
                        )
                    )
                )
            else:
                placements.append(placement)
        return replace(look, placements=tuple(placements))

    def _at_spot(self, placement: Placement) -> Placement:
        pose: Pose = "upright" if placement.pose == "draped" else placement.pose
        if self.spot.y is not None:
            return checked(
                replace(
                    placement,
                    ledge=self.spot.ledge,
                    x=self.spot.x,
                    y=self.spot.y,
                    z=None,
                    pose="hung",
                    on=None,
                )
            )
        if pose == "hung":
            pose = "upright"
        return checked(
            replace(
                placement,
                ledge=self.spot.ledge,
                x=self.spot.x,
                z=self.spot.z,
                y=None,
                on=self.spot.on,
                inside=None,
                pose=pose,
            )
        )


class ReturnToStash(BaseEdit, frozen=True):
    """Take placed things, and what they carry, back to the stash."""

    look: str
    placements: tuple[str, ...]
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Put back {self.name or counted(len(self.placements), 'thing')}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the placements."""
        return change_look(plan, self.look, lambda look: without_placements(look, self.placements))


class ChangePlacement(BaseEdit, frozen=True):
    """Turn, lay, lean, lock, or group placed things."""

    look: str
    placements: tuple[str, ...]
    changes: tuple[tuple[str, object], ...]
    label: str

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the placements changed."""

        def change(look: Look) -> Look:
            placements = look.placements
            for identifier in self.placements:
                look.placement(identifier)
                placements = with_one(
                    placements,
                    identifier,
                    lambda placement: changed(placement, **dict(self.changes)),
                )
            return replace(look, placements=placements)

        return change_look(plan, self.look, change)


class SetPose(BaseEdit, frozen=True):
    """Stand, lay, lean or turn the pages out; what leans goes back to the wall."""

    look: str
    placements: tuple[str, ...]
    pose: Pose
    label: str

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the poses set; raise EditError for what hangs on a wall."""
        stash = stash_index(plan.stash)
        now = arrange(plan, plan.look(self.look))
        piece = now.piece

        def posed(placement: Placement) -> Placement:
            if placement.pose == "hung":
                raise EditError("What hangs on the wall has no other pose there; carry it to a ledge first.")
            z = placement.z
            if self.pose == "leaning" and placement.host is None:
                size = extent(stash[placement.item], self.pose, placement.turn)
                others = [placed for placed in now.placed_items if placed.id not in self.placements]
                z = lean_z(piece.ledge(placement.ledge), placement.x or 0.0, size.width, size.depth, others)
            return changed(placement, pose=self.pose, z=z)

        def change(look: Look) -> Look:
            placements = look.placements
            for identifier in self.placements:
                look.placement(identifier)
                placements = with_one(placements, identifier, posed)
            return replace(look, placements=placements)

        return change_look(plan, self.look, change)


class PutInside(BaseEdit, frozen=True):
    """Put a placed thing, or one from the stash, inside a placed container."""

    look: str
    item: str
    host: str
    name: str = ""
    host_name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Put {self.name or self.item} inside {self.host_name or self.host}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the thing inside its host."""

        def put(look: Look) -> Look:
            host = look.placement(self.host)
            present = next((p for p in look.placements if p.item == self.item), None)
            carried = {p.id for p in carried_by(look, present.id)} if present else set()
            if present is not None and (host.id == present.id or host.id in carried):
                raise EditError("A thing cannot go inside what it carries; put it on the ledge or into another thing.")
            inside = Placement(
                id=present.id if present else fresh_id(self.item, {p.id for p in look.placements}),
                item=self.item,
                ledge=host.ledge,
                inside=self.host,
                x=host.x,
                z=host.z,
            )
            if present:
                return replace(look, placements=with_one(look.placements, present.id, lambda _: inside))
            return replace(look, placements=(*look.placements, inside))

        return change_look(plan, self.look, put)
