"""Edits of the stash."""

from collections.abc import Callable, Iterable

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, with_one
from jolly_ledge.edits.placements import without_placements
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.families import Families
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.phrases import counted, listed
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import changed, checked
from jolly_ledge.model.words import TRAITS, Sense, Trait, plain


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


class TakeOverItems(BaseEdit, frozen=True):
    """Take things over from a table: those with a known id replace what is there, the others are added."""

    items: tuple[Item, ...]

    @property
    def label(self) -> str:
        """What it does."""
        return f"Take over {counted(len(self.items), 'thing')} from a table"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the things."""
        incoming = {item.id: checked(item) for item in self.items}
        known = {item.id for item in plan.stash}
        kept = tuple(incoming.get(item.id, item) for item in plan.stash)
        return replace(plan, stash=kept + tuple(item for key, item in incoming.items() if key not in known))


NAMES_OF_FIELDS = {
    "silhouette": "the form", "stems": "the count of stems", "guessed": "the guesses", "repaint": "the paint",
    "sense": "the sense of the set", "borrowed_from": "the lender", "returns_to": "the place of return",
    "return_by": "the day of return", "season": "the seasons", "obsolete_by": "the successor",
    "gone": "the whereabouts", "may_be": "the leave to paint", "meant_for": "the destinations",
    "part_painted": "what is masked", "refinish": "the other finish", "kept": "the places kept on it",
    "original_price": "the price of the original", "photo": "the photograph",
}  # fmt: skip
"""What is changed, in words, where the name of a field with an article does not say it."""


def _named_fields(changes: Iterable[tuple[str, object]]) -> str:
    return listed([NAMES_OF_FIELDS.get(field, f"the {field}") for field, _ in changes])


class ChangeItem(BaseEdit, frozen=True):
    """Change some fields of one thing."""

    item: str
    changes: tuple[tuple[str, object], ...]
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Change {_named_fields(self.changes)} of {self.name or self.item}"

    @property
    def merge_key(self) -> str | None:
        """Changes of the same field of one thing, one after another, are one step."""
        return f"item {self.item} {'+'.join(field for field, _ in self.changes)}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the thing changed."""
        plan.item(self.item)
        return replace(plan, stash=with_one(plan.stash, self.item, lambda item: changed(item, **dict(self.changes))))


class ChangeItems(BaseEdit, frozen=True):
    """Change the same fields of several things, in one step."""

    items: tuple[str, ...]
    changes: tuple[tuple[str, object], ...]

    @property
    def label(self) -> str:
        """What it does."""
        return f"Change {_named_fields(self.changes)} of {counted(len(self.items), 'thing')}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the things changed."""
        return with_items(plan, self.items, lambda item: changed(item, **dict(self.changes)))


class ToggleTrait(BaseEdit, frozen=True):
    """Give several things a trait, or take it from them."""

    items: tuple[str, ...]
    trait: Trait
    on: bool

    @property
    def label(self) -> str:
        """What it does."""
        verb = "Mark" if self.on else "Unmark"
        things = "a thing" if len(self.items) == 1 else f"{len(self.items)} things"
        return f"{verb} {things} as {plain(self.trait)}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the trait set; the order of traits stays that of the list."""

        def change(item: Item) -> Item:
            traits = set(item.traits) | {self.trait} if self.on else set(item.traits) - {self.trait}
            return changed(item, traits=tuple(known for known in TRAITS if known in traits))

        return with_items(plan, self.items, change)


class JoinSet(BaseEdit, frozen=True):
    """Say that several things belong together: a set, or a pair when they are two."""

    items: tuple[str, ...]
    name: str

    @property
    def label(self) -> str:
        """What it does."""
        return f"Join {counted(len(self.items), 'thing')} as {self.name}" if self.name else "Part a set"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the set's name on every thing, and its sense; no name parts them."""
        known = [item.sense for item in plan.stash if item.set == self.name and item.sense]
        joined = {item.sense for item in plan.stash if item.id in self.items}
        sense = (known[0] if known else joined.pop() if len(joined) == 1 else "") if self.name else ""
        return with_items(plan, self.items, lambda item: changed(item, set=self.name, sense=sense))


class TellSense(BaseEdit, frozen=True):
    """Tell what the members of a set are to each other; without a sense they only bear a name together."""

    set: str
    sense: Sense

    @property
    def label(self) -> str:
        """What it does."""
        return f"Take {self.set} as a {self.sense}" if self.sense else f"Take {self.set} as single things"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the sense on every member; raise EditError where the set has none."""
        members = tuple(item.id for item in plan.stash if item.set == self.set)
        if not self.set or not members:
            raise EditError(f"There is no set “{self.set}”; join things first.")
        return with_items(plan, members, lambda item: changed(item, sense=self.sense))


class MergeItems(BaseEdit, frozen=True):
    """Make duplicates one thing that is there once; looks keep it where any of them stood."""

    kept: str
    gone: tuple[str, ...]
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Merge {len(self.gone) + 1} entries of {self.name or self.kept}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with one thing for all; what it did not know it learns from the others."""
        kept = plan.item(self.kept)
        for identifier in self.gone:
            kept = _completed(kept, plan.item(identifier))
        looks = tuple(self._merged(look) for look in plan.looks)
        stash = with_one(
            tuple(item for item in plan.stash if item.id not in self.gone), self.kept, lambda _: checked(kept)
        )
        return replace(plan, stash=stash, looks=looks)

    def _merged(self, look: Look) -> Look:
        placed = [p for p in look.placements if p.item == self.kept or p.item in self.gone]
        if not placed:
            return look
        stays = next((p for p in placed if p.item == self.kept), placed[0])
        fewer = without_placements(look, [p.id for p in placed if p.id != stays.id])
        placements = tuple(replace(p, item=self.kept) if p.id == stays.id else p for p in fewer.placements)
        return replace(fewer, placements=placements)


def _completed(kept: Item, other: Item) -> Item:
    """Return a thing with what it leaves open filled from another, and the longer of two lists of traits."""
    known = {
        name: getattr(other, name)
        for name in ("name", "mass", "material", "room", "price", "mouth", "note", "photo", "set", "borrowed_from")
        if getattr(kept, name) in (None, "") and getattr(other, name) not in (None, "")
    }
    traits = tuple(trait for trait in TRAITS if trait in kept.traits or trait in other.traits)
    return replace(kept, traits=traits, **known)


class ChangeFamilies(BaseEdit, frozen=True):
    """Merge or split colour families by hand."""

    families: Families
    label: str

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with these families made by hand."""
        return replace(plan, families=tuple(checked(family) for family in self.families))


def with_items(plan: Plan, identifiers: tuple[str, ...], change: Callable[[Item], Item]) -> Plan:
    """Return the plan with several things changed; raise EditError where one is not there."""
    for identifier in identifiers:
        plan.item(identifier)
    chosen = set(identifiers)
    return replace(plan, stash=tuple(change(item) if item.id in chosen else item for item in plan.stash))


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


class RemoveItems(BaseEdit, frozen=True):
    """Take things out of the stash and out of every look."""

    items: tuple[str, ...]
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Remove {self.name or self.items[0]}" if len(self.items) == 1 else f"Remove {len(self.items)} things"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the things; what stood on them goes back to the stash."""
        for identifier in self.items:
            plan.item(identifier)
        gone = set(self.items)
        looks = []
        for look in plan.looks:
            ids = [placement.id for placement in look.placements if placement.item in gone]
            looks.append(without_placements(look, ids) if ids else look)
        stash = tuple(item for item in plan.stash if item.id not in gone)
        return replace(plan, stash=stash, looks=tuple(looks))
