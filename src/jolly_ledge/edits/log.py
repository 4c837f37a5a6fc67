"""Edits of the log of a look: its lines and its photographs, and bringing an old look back."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.look import LogEntry, Look, LookPhoto
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.revival import revived
from jolly_ledge.model.value import checked
from jolly_ledge.model.words import Season


class AddLogEntry(BaseEdit, frozen=True):
    """Write a line into the log of a look; a status it tells is the look's from then on."""

    look: str
    entry: LogEntry
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Note on {self.name or self.look}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the line at the end of the log."""
        entry = checked(self.entry)
        return change_look(
            plan, self.look,
            lambda look: replace(look, log=(*look.log, entry), status=entry.status or look.status),
        )  # fmt: skip


class RemoveLogEntry(BaseEdit, frozen=True):
    """Take a line out of the log of a look."""

    look: str
    index: int
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Strike a line of {self.name or self.look}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the line; raise EditError where there is none."""

        def strike(look: Look) -> Look:
            if not 0 <= self.index < len(look.log):
                raise EditError(f"The log of {look.label} has no such line any more; choose one that is shown.")
            return replace(look, log=(*look.log[: self.index], *look.log[self.index + 1 :]))

        return change_look(plan, self.look, strike)


class AddLookPhoto(BaseEdit, frozen=True):
    """Lay a photograph beside a look, or tell more of one that is there."""

    look: str
    photo: LookPhoto
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Photograph of {self.name or self.look}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the photograph; one of that name is replaced."""
        photo = checked(self.photo)

        def lay(look: Look) -> Look:
            names = [one.name for one in look.photos]
            if photo.name in names:
                return replace(look, photos=tuple(photo if one.name == photo.name else one for one in look.photos))
            return replace(look, photos=(*look.photos, photo))

        return change_look(plan, self.look, lay)


class RemoveLookPhoto(BaseEdit, frozen=True):
    """Take a photograph away from a look."""

    look: str
    photo: str
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Take a photograph from {self.name or self.look}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the photograph."""
        return change_look(
            plan, self.look,
            lambda look: replace(look, photos=tuple(one for one in look.photos if one.name != self.photo)),
        )  # fmt: skip


class BringBack(BaseEdit, frozen=True):
    """Begin a new look that is as an old one was, with what is still owned."""

    look: str
    name: str
    date: str = ""
    season: Season | None = None

    @property
    def label(self) -> str:
        """What it does."""
        return f"Bring back {self.name}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the new look at the end; what was replaced or is missing stands in its note."""
        old = plan.look(self.look)
        back = revived(plan, old)
        name = f"{old.label}, again"
        note = "\n".join(part for part in (f"As it was in {old.label}.", *back.told) if part)
        fresh = replace(
            old, id=fresh_id(name, {look.id for look in plan.looks}), name=name, placements=back.placements, note=note,
            date=self.date, season=self.season or old.season, status="idea", takes_down="", log=(), photos=(),
            placed=(), votes=(), waved_off=(), proposal=0,
        )  # fmt: skip
        return replace(plan, looks=(*plan.looks, checked(fresh)))
