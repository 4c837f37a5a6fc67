"""Edits of the stash."""

from msgspec.structs import replace

from jolly_ledge.model.edits.edit import BaseEdit, fresh_id, with_one
from jolly_ledge.model.edits.placements import without_placements
from jolly_ledge.model.item import Item
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import changed, checked


class AddItems(BaseEdit, frozen=True):
    """Add things to the stash."""

    items: tuple[Item, ...]

    @property
    def label(self) -> str:
        """What it does."""
        return f"Add {self.items[0].label}" if len(self.items) == 1 else f"Add {len(self.items)} things"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the things at the end of its stash."""
        return replace(plan, stash=plan.stash + tuple(checked(item) for item in self.items))


class ChangeItem(BaseEdit, frozen=True):
    """Change some fields of one thing."""

    item: str
    changes: tuple[tuple[str, object], ...]
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        words = ", ".join(field.replace("_", " ") for field, _ in self.changes)
        return f"Change {words} of {self.name or self.item}"

    @property
    def merge_key(self) -> str | None:
        """Changes of the same field of one thing, one after another, are one step."""
        return f"item {self.item} {'+'.join(field for field, _ in self.changes)}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the thing changed."""
        plan.item(self.item)
        return replace(plan, stash=with_one(plan.stash, self.item, lambda item: changed(item, **dict(self.changes))))


class DuplicateItem(BaseEdit, frozen=True):
    """Add a second thing like one that is there."""

    item: str
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Duplicate {self.name or self.item}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the copy right behind its original."""
        original = plan.item(self.item)
        copy = replace(original, id=fresh_id(original.id, {item.id for item in plan.stash}))
        index = plan.stash.index(original) + 1
        return replace(plan, stash=(*plan.stash[:index], copy, *plan.stash[index:]))


class RemoveItem(BaseEdit, frozen=True):
    """Take a thing out of the stash and out of every look."""

    item: str
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Remove {self.name or self.item}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the thing; what stood on it goes back to the stash."""
        plan.item(self.item)
        looks = []
        for look in plan.looks:
            ids = [placement.id for placement in look.placements if placement.item == self.item]
            looks.append(without_placements(look, ids) if ids else look)
        stash = tuple(item for item in plan.stash if item.id != self.item)
        return replace(plan, stash=stash, looks=tuple(looks))
