"""Exchange in place: what could stand in the very spot of a thing, the best of it first."""

import math
from collections.abc import Iterator
from random import Random

from msgspec import Struct

from jolly_ledge.edits.exchange import ExchangeThing
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, arrange
from jolly_ledge.geometry.landing import holds
from jolly_ledge.model.belonging import welcome
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.hue_family import hue_family
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import BOOK_CATEGORIES, WALL_CATEGORIES, plain
from jolly_ledge.proposals.groups.vessels import stems_suit
from jolly_ledge.proposals.problem import stops_of
from jolly_ledge.proposals.thing import LOUD, Thing, choose_palette
from jolly_ledge.readings.register import assess

MOST_TRIED, MOST_OFFERED = 18, 9
"""So many are read as wholes, and so many offered: enough to step through."""

SAME_SIZE, PALETTE_SHARE, LIKENESS_SHARE = 0.12, 0.12, 0.05
NEVER_EXCHANGED = frozenset({"stems", "utensils", "hanging"})


class Exchange(Struct, frozen=True):
    """One other thing in the spot: what it is beside the one that stands there, the edit, how the whole changes."""

    item: Item
    said: str
    edit: ExchangeThing
    look: Look
    gain: float

    @property
    def sentence(self) -> str:
        """What comes, and how it differs."""
        return f"{self.item.label}: {listed([self.said])}"


def exchanges(plan: Plan, look: Look, placement_id: str, most: int = MOST_OFFERED) -> tuple[Exchange, ...]:
    """Return the best other things for the spot of a placed one, the best first; none where nothing goes there.

    What comes is at hand, belongs there, and can stand with all that the other one carries or holds. What is
    locked is not exchanged.
    """
    before = arrange(plan, look)
    placed = before.by_id[placement_id]
    if placed.placement.locked:
        return ()
    at_first, forbidden = assess(before).score, stops_of(before)
    things = [Thing(one.item) for one in before.visible]
    for thing in things:
        thing.welcome = {placed.ledge.id: 1.0}
    palette = choose_palette(things, look.manner, Random(0))
    found: list[tuple[float, Exchange]] = []
    for item in suiting_in_place(plan, before, placed):
        edit = ExchangeThing(
            look=look.id, placement=placement_id, item=item.id, name=placed.item.label, new_name=item.label
        )
        try:
            changed = edit.apply(plan)
        except JollyLedgeError:
            continue
        after = arrange(changed, changed.look(look.id))
        if stops_of(after) - forbidden:
            continue
        gain = assess(after).score - at_first
        thing = Thing(item)
        rank = gain + PALETTE_SHARE * palette.fit(thing) - LIKENESS_SHARE * (thing.loud >= LOUD)
        exchange = Exchange(item, difference(item, placed.item), edit, changed.look(look.id), gain)
        found.append((rank, exchange))
    found.sort(key=lambda pair: (-pair[0], pair[1].item.id))
    return tuple(exchange for _, exchange in found[:most])


def difference(new: Item, old: Item) -> str:
    """Return in which ways a thing differs from another: size, colour, finish, kind.

    >>> from jolly_ledge.model.item import Item
    >>> jar = Item(id="jar", category="vessel", width=120, height=200, depth=120, colours=(("#26282b", 1.0),))
    >>> difference(Item(id="a", category="bowl", width=260, height=90, depth=260, colours=(("#f1eee8", 1.0),)), jar)
    'lower, wider, white, a bowl'
    """
    ways: list[str] = []
    for ratio, less, more in (
        (new.height / old.height, "lower", "taller"), (new.width / old.width, "narrower", "wider"),
    ):  # fmt: skip
        if ratio < 1 - SAME_SIZE:
            ways.append(less)
        elif ratio > 1 + SAME_SIZE:
            ways.append(more)
    hue = hue_family(new.main_colour)
    if hue != hue_family(old.main_colour):
        ways.append(hue)
    if new.finish != old.finish:
        ways.append(new.finish)
    if new.category != old.category:
        kind = plain(new.category)
        ways.append(f"an {kind}" if kind[0] in "aeiou" else f"a {kind}")
    return ", ".join(ways[:4]) or "much the same"


def suiting_in_place(plan: Plan, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Item]:
    """Yield what is at hand and could be there, what is nearest in size and kind first."""
    look = arrangement.look
    taken = {p.item for other in plan.looks if other.piece != look.piece for p in other.placements}
    taken |= {placement.item for placement in look.placements}
    guests = [one.item for one in arrangement.placed_items if one.placement.inside == placed.id]
    carried = any(one.placement.on == placed.id for one in arrangement.placed_items)
    old = placed.item
    if old.category in NEVER_EXCHANGED:
        others = [item for item in plan.stash if item.category == old.category]
    else:
        others = [item for item in plan.stash if item.category not in NEVER_EXCHANGED]
    free = [
        item for item in others
        if item.id not in taken and item.is_at_hand and "hide" not in item.traits
        and (not item.meant_for or look.piece in item.meant_for)
        and welcome(item, arrangement.piece, placed.ledge) > 0
        and (placed.placement.pose != "hung" or item.category in WALL_CATEGORIES)
        and all(_takes(item, guest) for guest in guests)
        and (not carried or item.category in BOOK_CATEGORIES | {"box", "tray"} or item.category == old.category)
    ]  # fmt: skip

    def far(item: Item) -> float:
        """Return how far a thing is from the one that stands there: half the size counts as another kind."""
        size = abs(math.log2(item.height / old.height)) + abs(math.log2(item.width / old.width))
        return size + (item.category != old.category)

    yield from sorted(free, key=lambda item: (far(item), item.id))[:MOST_TRIED]


def _takes(item: Item, guest: Item) -> bool:
    """Tell whether a thing holds what the other one held: stems want a vessel of their proportions."""
    if guest.category == "stems":
        return stems_suit(Thing(item), Thing(guest), None) > 0
    return holds(item, guest)
