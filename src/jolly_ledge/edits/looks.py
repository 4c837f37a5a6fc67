"""Edits of looks as wholes, and of the manner they are made in."""

from decimal import Decimal

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.look import Look, Manner, Placement, WavedOff
from jolly_ledge.model.plan import Household, Plan
from jolly_ledge.model.value import changed, checked


class AddLook(BaseEdit, frozen=True):
    """Begin an empty look of a piece."""

    piece: str
    name: str
    manner: Manner = Manner()

    @property
    def label(self) -> str:
        """What it does."""
        return f"Begin {self.name}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the look at the end."""
        plan.piece(self.piece)
        identifier = fresh_id(self.name, {look.id for look in plan.looks})
        look = checked(Look(id=identifier, piece=self.piece, name=self.name, manner=self.manner))
        return replace(plan, looks=(*plan.looks, look))


class DuplicateLook(BaseEdit, frozen=True):
    """Make a second version of a look."""

    look: str
    name: str = ""
    original: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Duplicate {self.original or self.look}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the copy right behind its original."""
        original = plan.look(self.look)
        name = self.name or f"{original.label}, again"
        # What was done belongs to the original; a version begins as an idea.
        copy = replace(
            original, id=fresh_id(name, {look.id for look in plan.looks}), name=name, status="idea", log=(), photos=(),
            placed=(),
        )  # fmt: skip
        index = plan.looks.index(original) + 1
        return replace(plan, looks=(*plan.looks[:index], copy, *plan.looks[index:]))


class CarryLook(BaseEdit, frozen=True):
    """Set the things of a look up on another piece, as a look of that."""

    look: str
    piece: str
    placements: tuple[Placement, ...]
    name: str = ""
    original: str = ""
    onto: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Carry {self.original or self.look} over to {self.onto or self.piece}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the new look at the end, an idea in the manner of the other."""
        original, piece = plan.look(self.look), plan.piece(self.piece)
        name = self.name or f"{original.label}, carried over"
        look = Look(
            id=fresh_id(name, {look.id for look in plan.looks}), piece=piece.id, name=name, manner=original.manner,
            placements=self.placements,
        )  # fmt: skip
        return replace(plan, looks=(*plan.looks, checked(look)))


class ChangeLook(BaseEdit, frozen=True):
    """Change the name, note, date or manner of a look."""

    look: str
    changes: tuple[tuple[str, object], ...]
    label: str

    @property
    def merge_key(self) -> str | None:
        """Typing in one field is one step."""
        return f"look {self.look} {'+'.join(field for field, _ in self.changes)}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the look changed."""
        return change_look(plan, self.look, lambda look: changed(look, **dict(self.changes)))


class WaveOff(BaseEdit, frozen=True):
    """Decide against a finding, with a reason; it stays decided in this look."""

    look: str
    reading: str
    placements: tuple[str, ...]
    reason: str = ""
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Wave off {self.name or self.reading}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the finding waved off; a second time changes the reason."""
        waved = WavedOff(reading=self.reading, placements=tuple(sorted(self.placements)), reason=self.reason)

        def change(look: Look) -> Look:
            kept = tuple(
                known
                for known in look.waved_off
                if known.reading != waved.reading or known.placements != waved.placements
            )
            return replace(look, waved_off=(*kept, checked(waved)))

        return change_look(plan, self.look, change)


class BringFindingsBack(BaseEdit, frozen=True):
    """Hear again what was waved off in a look."""

    look: str

    @property
    def label(self) -> str:
        """What it does."""
        return "Bring waved-off findings back"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with nothing waved off in the look."""
        return change_look(plan, self.look, lambda look: replace(look, waved_off=()))


class RemoveLook(BaseEdit, frozen=True):
    """Take a look out of the plan."""

    look: str
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Remove {self.name or self.look}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the look; the last look of a piece stays."""
        gone = plan.look(self.look)
        if len(plan.looks_of(gone.piece)) < 2:
            raise EditError(f"“{gone.label}” is the only look of this piece; begin another before removing it.")
        return replace(plan, looks=tuple(look for look in plan.looks if look.id != self.look))


class ChangeHousehold(BaseEdit, frozen=True):
    """Change who lives with the pieces."""

    household: Household
    is_typing: bool = False

    @property
    def label(self) -> str:
        """What it does."""
        return "Change the household"

    @property
    def merge_key(self) -> str | None:
        """Typing is one step, a choice is a step of its own."""
        return "household" if self.is_typing else None

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the household."""
        return replace(plan, household=checked(self.household))


class SetBudget(BaseEdit, frozen=True):
    """Tell what may be spent, and in which currency where that is told; None takes it back."""

    budget: Decimal | None
    currency: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return "Set the budget" if self.budget is not None else "Take the budget back"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the budget; raise EditError below nought."""
        try:
            return replace(plan, budget=self.budget, currency=self.currency or plan.currency)
        except ValueError as error:
            raise EditError("A budget is nought or more; type a number such as 120.") from error


class SetCurrency(BaseEdit, frozen=True):
    """Tell in which currency the prices of the plan are; nothing takes it back."""

    currency: str
    label: str = "Set the currency"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with its currency."""
        return replace(plan, currency=self.currency)


class RenamePlan(BaseEdit, frozen=True):
    """Give the plan a name."""

    name: str

    @property
    def label(self) -> str:
        """What it does."""
        return "Rename the plan"

    @property
    def merge_key(self) -> str | None:
        """Typing is one step."""
        return "plan name"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with its name."""
        return replace(plan, name=self.name)
