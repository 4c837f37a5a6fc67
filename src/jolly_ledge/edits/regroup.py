"""Things dragged together, or to another group of the line-up: which edit that is."""

from jolly_ledge.edits.items import ChangeFamilies, ChangeItems, JoinSet
from jolly_ledge.model.families import lead_of, members, merged, name_of, stash_families
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.set_names import set_name
from jolly_ledge.model.stash_order import NO_ROOM, NO_SET, Sorting
from jolly_ledge.model.words import CATEGORIES, plain

Regrouping = ChangeItems | JoinSet | ChangeFamilies


def joined_with(plan: Plan, ids: tuple[str, ...], over: str) -> JoinSet:
    """Return the edit by which things join another one: its set if it has one, else a fresh set or pair."""
    together = (*ids, over)
    items = tuple(plan.item(identifier) for identifier in together)
    taken = frozenset(item.set for item in plan.stash)
    return JoinSet(items=together, name=items[-1].set or set_name(items, taken))


def moved_to_group(plan: Plan, ids: tuple[str, ...], sorting: Sorting, title: str) -> Regrouping | None:
    """Return the edit by which things become members of a group, None for groups that are measured (heights)."""
    if sorting == "room":
        return ChangeItems(items=ids, changes=(("room", "" if title == NO_ROOM else title),))
    if sorting == "set":
        return JoinSet(items=ids, name="" if title == NO_SET else title)
    if sorting == "kind":
        category = next((known for known in CATEGORIES if plain(known).capitalize() == title), None)
        return ChangeItems(items=ids, changes=(("category", category),)) if category else None
    return _moved_to_family(plan, ids, title) if sorting == "family" else None


def renamed_group(plan: Plan, sorting: Sorting, title: str, name: str) -> Regrouping | None:
    """Return the edit by which a room, a set or a colour family is called otherwise, for all its things at once.

    None for groups that nobody has named: heights and kinds, and what is in no room or set.
    """
    if sorting == "room" and title != NO_ROOM:
        ids = tuple(item.id for item in plan.stash if item.room == title)
        return ChangeItems(items=ids, changes=(("room", name),))
    if sorting == "set" and title != NO_SET:
        return JoinSet(items=tuple(item.id for item in plan.stash if item.set == title), name=name)
    if sorting == "family":
        families = plan.families
        leaders = tuple(colour for colour, _ in stash_families(plan.stash, families))
        leader = next(colour for colour in leaders if name_of(colour, families).capitalize() == title)
        group = members(lead_of(leader, families), plan.stash, leaders, families)
        return ChangeFamilies(families=merged(families, group, (), name), label=f"Call the family {name}")
    return None


def _moved_to_family(plan: Plan, ids: tuple[str, ...], title: str) -> Regrouping | None:
    families = plan.families
    leaders = tuple(colour for colour, _ in stash_families(plan.stash, families))
    leader = next((colour for colour in leaders if name_of(colour, families).capitalize() == title), None)
    if leader is None:
        return None
    named = name_of(leader, families)
    colours = tuple(plan.item(identifier).main_colour for identifier in ids)
    group = members(lead_of(leader, families), plan.stash, leaders, families)
    return ChangeFamilies(families=merged(families, group, colours, named), label=f"Count them among the {named}")
