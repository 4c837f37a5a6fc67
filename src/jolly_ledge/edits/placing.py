"""Edits made while a look is built in the room: ticked off, and where a thing was found to stand."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look, with_one
from jolly_ledge.model.deviation import Deviation
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import LogEntry, Look, Placement
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import changed


class TickOff(BaseEdit, frozen=True):
    """Say that some things of a look stand, or that they do not after all."""

    look: str
    placements: tuple[str, ...]
    placed: bool = True
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Tick off {self.name}" if self.placed else f"Take back {self.name}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the ticks, in the order of the look; raise EditError where a thing is not in it."""

        def tick(look: Look) -> Look:
            known = [placement.id for placement in look.placements]
            for identifier in self.placements:
                if identifier not in known:
                    raise EditError(f"There is no “{identifier}” in {look.label}; choose a thing that stands there.")
            ticked = set(look.placed) | set(self.placements) if self.placed else set(look.placed) - set(self.placements)
            return replace(look, placed=tuple(identifier for identifier in known if identifier in ticked))

        return change_look(plan, self.look, tick)


class FindElsewhere(BaseEdit, frozen=True):
    """Keep in the plan where a thing really stands, and note it in the log."""

    look: str
    placement: str
    found: Deviation
    said: str
    name: str = ""
    date: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Found {self.name} {self.said}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the thing moved; raise EditError where it cannot be moved so."""

        def shift(placement: Placement) -> Placement:
            moves: dict[str, float] = {}
            for field, by in (("x", self.found.along), ("z", self.found.across), ("y", self.found.upward)):
                if not by:
                    continue
                before = getattr(placement, field)
                if before is None:
                    raise EditError(
                        f"The {self.name or placement.id} goes where its carrier goes; say it of what carries it."
                        if field != "y" else f"The {self.name or placement.id} stands; only what hangs is moved up."
                    )  # fmt: skip
                moves[field] = before + by
            return changed(placement, **moves)

        def note(look: Look) -> Look:
            look.placement(self.placement)
            entry = LogEntry(date=self.date, text=f"{self.name or self.placement} found {self.said}")
            return replace(look, placements=with_one(look.placements, self.placement, shift), log=(*look.log, entry))

        return change_look(plan, self.look, note)
