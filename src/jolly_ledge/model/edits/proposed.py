"""Proposed looks become looks of the plan."""

from msgspec.structs import replace

from jolly_ledge.model.edits.edit import BaseEdit, FreshIds
from jolly_ledge.model.look import Look
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import checked


class AddProposals(BaseEdit, frozen=True):
    """Take proposed looks over, at the end and under ids of their own."""

    looks: tuple[Look, ...]

    @property
    def label(self) -> str:
        """What it does."""
        return f"Take {counted(len(self.looks), 'proposal')} over"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the looks; raise EditError for a piece that is not in it."""
        ids = FreshIds(look.id for look in plan.looks)
        added = []
        for look in self.looks:
            plan.piece(look.piece)
            added.append(checked(replace(look, id=ids.fresh(look.id))))
        return replace(plan, looks=(*plan.looks, *added))
