"""Edits of what people think: votes and remarks on a look, tastes that are kept for a client."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Manner, Vote
from jolly_ledge.model.plan import Plan, Taste
from jolly_ledge.model.value import checked


class CastVote(BaseEdit, frozen=True):
    """Write down what somebody thinks of a look; a second vote of the same person takes the place of the first."""

    look: str
    vote: Vote
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Vote of {self.vote.who} on {self.name or self.look}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the vote; raise EditError where nobody is named."""
        if not self.vote.who.strip():
            raise EditError("A vote needs a name; write whose it is first.")
        vote = checked(self.vote)
        return change_look(
            plan,
            self.look,
            lambda look: replace(look, votes=(*(known for known in look.votes if known.who != vote.who), vote)),
        )


class TakeBackVote(BaseEdit, frozen=True):
    """Take somebody's vote on a look back."""

    look: str
    who: str

    @property
    def label(self) -> str:
        """What it does."""
        return f"Take back what {self.who} said"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the vote."""
        return change_look(
            plan, self.look, lambda look: replace(look, votes=tuple(v for v in look.votes if v.who != self.who))
        )


class KeepTaste(BaseEdit, frozen=True):
    """Keep a manner as somebody's taste; one kept under the same name before goes."""

    name: str
    manner: Manner

    @property
    def label(self) -> str:
        """What it does."""
        return f"Keep the taste of {self.name}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the taste; raise EditError without a name."""
        name = self.name.strip()
        if not name:
            raise EditError("A taste needs a name; write whose it is first.")
        taste = checked(Taste(name=name, manner=self.manner))
        return replace(plan, tastes=(*(known for known in plan.tastes if known.name != name), taste))


class ForgetTaste(BaseEdit, frozen=True):
    """Forget somebody's taste; looks made in it keep their manner."""

    name: str

    @property
    def label(self) -> str:
        """What it does."""
        return f"Forget the taste of {self.name}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the taste."""
        return replace(plan, tastes=tuple(known for known in plan.tastes if known.name != self.name))
