"""Edits of what is done about cautions."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Answer
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import checked


class AnswerCaution(BaseEdit, frozen=True):
    """Say what is done about a caution, by whom and since when; an earlier answer to the same goes."""

    look: str
    answer: Answer
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Answer “{self.name or self.answer.caution}”"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the answer; raise EditError without a measure or a name."""
        if not self.answer.measure.strip():
            raise EditError("An answer needs a measure; write what is done about it.")
        if not self.answer.by.strip():
            raise EditError("An answer needs a name; write who sees to it.")
        answer = checked(self.answer)
        return change_look(
            plan,
            self.look,
            lambda look: replace(look, answers=(*(a for a in look.answers if a.state != answer.state), answer)),
        )


class TakeBackAnswer(BaseEdit, frozen=True):
    """Take the answer to a caution back."""

    look: str
    state: str
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Take back the answer to “{self.name or 'a caution'}”"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the answer."""
        return change_look(
            plan, self.look, lambda look: replace(look, answers=tuple(a for a in look.answers if a.state != self.state))
        )
