"""What stays out at a place where one works, and where the rest goes: by what is done there and how often."""

from collections.abc import Iterator

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import Category

TOOLS: frozenset[Category] = frozenset({"appliance", "device", "utensils", "board", "tableware"})
"""Kinds that are there to work with, not to be looked at."""

SELDOM = {"rarely": "it is used rarely", "not-since": "it was not used since it was put there"}


class Stay(Struct, frozen=True):
    """One thing of a working place: ``where`` it belongs (``""`` where it stays), and why; None is not known."""

    item: Item
    stays: bool | None
    where: str
    why: str


def stays_out(plan: Plan, arrangement: Arrangement) -> tuple[Stay, ...]:
    """Return what stays out and what goes away, of what one works with in a look and of what its tasks take.

    What stays comes first, then what is not known, then what goes.
    """
    order = {True: 0, None: 1, False: 2}
    return tuple(sorted(_stays(plan, arrangement), key=lambda one: (order[one.stays], one.item.label)))


def _stays(plan: Plan, arrangement: Arrangement) -> Iterator[Stay]:
    tasks: dict[str, list[str]] = {}
    for task in arrangement.piece.tasks:
        for identifier in task.items:
            tasks.setdefault(identifier, []).append(task.name)
    here = {placed.item.id for placed in arrangement.placed_items}
    for item in plan.stash:
        often = item.use.often if item.use is not None else ""
        is_daily = often == "daily" or "daily-use" in item.traits
        is_worked_with = item.category in TOOLS or bool(often) or is_daily
        if item.id in tasks:
            missing = "" if item.id in here else ", and is not there yet"
            yield Stay(item, True, "", f"it is used for {listed(tasks[item.id])}{missing}")
        elif item.id in here and "moved-before-use" in item.traits:
            yield Stay(item, False, _home(item, "aside"), "it is moved before the place is used")
        elif item.id not in here or not is_worked_with:
            continue
        elif is_daily:
            yield Stay(item, True, "", "it is used daily")
        elif often == "weekly":
            yield Stay(item, False, _home(item, "a cupboard within reach"), "it is used weekly")
        elif often:
            yield Stay(item, False, _home(item, "the store"), SELDOM[often])
        else:
            yield Stay(item, None, "", "how often it is used is not told")


def _home(item: Item, else_to: str) -> str:
    box = f"box {item.box}" if item.box else ""
    return item.returns_to or box or item.room or else_to
