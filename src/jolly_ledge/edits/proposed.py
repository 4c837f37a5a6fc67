"""Proposed looks become looks of the plan."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import checked


class AddProposals(BaseEdit, frozen=True):
    """Take proposed looks over, at the end and under ids of their own, with things that come with them."""

    looks: tuple[Look, ...]
    items: tuple[Item, ...] = ()

    @property
    def label(self) -> str:
        """What it does."""
        if self.items:
            return f"Take {self.items[0].label}"
        return f"Take {counted(len(self.looks), 'proposal')} over"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the looks; raise EditError for a piece that is not in it."""
        ids = FreshIds(look.id for look in plan.looks)
        added = []
        for look in self.looks:
            plan.piece(look.piece)
            added.append(checked(replace(look, id=ids.fresh(look.id))))
        stash = (*plan.stash, *(checked(item) for item in self.items)) if self.items else plan.stash
        return replace(plan, looks=(*plan.looks, *added), stash=stash)
