"""Restyle: from one look to another with the fewest carries, in an order in which nothing is in the way.

Every thing that changes is carried once. Only where things wait for each other's place in a ring must one of them be
set aside; as few as can be are: the smallest set of things that opens every ring, solved exactly.
"""

from collections.abc import Iterable
from typing import Literal

import networkx as nx
import numpy as np
from msgspec import Struct
from scipy.optimize import Bounds, LinearConstraint, milp

from jolly_ledge.cautions.space import collision
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.lengths import LengthUnit, format_length
from jolly_ledge.model.phrases import capital, counted

CARRIED_ALONG = frozenset({"tray", "box", "basket", "bowl", "vessel"})
"""What lies in or on one of these goes with it when it lies there in both looks."""

HARDLY_MOVED_MM = 15.0
"""A nudge is no carry; it comes with the last touch."""

HEAVY = 0.001
"""Of two rings that can be opened at either of two things, the lighter one is set aside."""

Kind = Literal["take away", "set aside", "move", "bring"]


class Carry(Struct, frozen=True):
    """One step: what is done with which thing, and in words where from and where to."""

    kind: Kind
    item: str
    sentence: str


class Restyle(Struct, frozen=True):
    """The steps, and what they come to: what goes to which room, what comes from where."""

    carries: tuple[Carry, ...]
    set_aside: tuple[str, ...]
    goes_to: tuple[tuple[str, tuple[str, ...]], ...]
    comes_from: tuple[tuple[str, tuple[str, ...]], ...]

    @property
    def summary(self) -> str:
        """What it comes to, in one sentence."""
        if not self.carries:
            return "Nothing is to be carried: both looks are the same."
        aside = f", {counted(len(self.set_aside), 'thing')} set aside on the way" if self.set_aside else ""
        said = f"{capital(counted(len(self.carries), 'carry', 'carries'))}{aside}"
        for word, rooms in (("back to", self.goes_to), ("from", self.comes_from)):
            things = sum(len(names) for _, names in rooms)
            if things:
                said += f"; {counted(things, 'thing')} {word} {counted(len(rooms), 'room')}"
        return f"{said}."


class _Change(Struct, frozen=True):
    """A thing that changes, with what goes along with it."""

    item: Item
    was: PlacedItem | None
    now: PlacedItem | None


def restyle(before: Arrangement, after: Arrangement, season: str = "", unit: LengthUnit = "mm") -> Restyle:
    """Return the shortest way from one look to another of the same piece.

    Parameters
    ----------
    before, after : Arrangement
    season : str
        What is told to be of another season only goes to store instead of to its room.
    unit : str
        Of the tape figures in the sentences.

    Notes
    -----
    A thing waits for those that stand in its new place and those that stand on it to have left, and for what is to
    carry it to be there. To set a thing aside parts its leaving from its arriving. The fewest things that open every
    ring of waiting (a feedback vertex set) are found by integer programming with one constraint for every ring, rings
    being added until none is left, which is exact.
    """
    changes = _changes(before, after)
    waits = _waits(changes, before, after)
    aside = _set_aside(changes, waits)
    return _told(changes, _in_order(changes, waits, aside), aside, before, after, season, unit)


def _changes(before: Arrangement, after: Arrangement) -> dict[str, _Change]:
    was = {placed.item.id: placed for placed in before.placed_items}
    now = {placed.item.id: placed for placed in after.placed_items}
    changes: dict[str, _Change] = {}
    for identifier in sorted({*was, *now}):
        old, new = was.get(identifier), now.get(identifier)
        if old is None or new is None or not (_stays(old, new, before, after) or _goes_along(old, new, before, after)):
            known = new or old
            assert known is not None
            changes[identifier] = _Change(known.item, old, new)
    return changes


def _host(placed: PlacedItem, look: Arrangement) -> PlacedItem | None:
    return look.by_id.get(placed.placement.host or "")


def _same_host(old: PlacedItem, new: PlacedItem, before: Arrangement, after: Arrangement) -> bool:
    one, two = _host(old, before), _host(new, after)
    return (one.item.id if one else "") == (two.item.id if two else "")


def _stays(old: PlacedItem, new: PlacedItem, before: Arrangement, after: Arrangement) -> bool:
    same_way = (old.placement.pose, old.placement.turn) == (new.placement.pose, new.placement.turn)
    if old.ledge.id != new.ledge.id or not same_way or not _same_host(old, new, before, after):
        return False
    return max(abs(old.x - new.x), abs(old.z - new.z), abs(old.bottom - new.bottom)) <= HARDLY_MOVED_MM


def _goes_along(old: PlacedItem, new: PlacedItem, before: Arrangement, after: Arrangement) -> bool:
    """Tell whether a thing lies in or on the same tray, box or vessel in both looks and goes where that goes."""
    one, two = _host(old, before), _host(new, after)
    if one is None or two is None or one.item.id != two.item.id or one.item.category not in CARRIED_ALONG:
        return False
    if old.placement.inside or new.placement.inside:
        return bool(old.placement.inside) is bool(new.placement.inside)
    along = abs((old.x - one.x) - (new.x - two.x)) <= HARDLY_MOVED_MM
    across = abs((old.z - one.z) - (new.z - two.z)) <= HARDLY_MOVED_MM
    return along and across and one.placement.turn == two.placement.turn


class _Wait(Struct, frozen=True):
    """A thing waits, before it can leave or before it can arrive, for another to have left or to be there."""

    who: str
    phase: Literal["leave", "arrive"]
    other: str
    until: Literal["left", "there"]


def _waits(changes: dict[str, _Change], before: Arrangement, after: Arrangement) -> tuple[_Wait, ...]:
    waits: list[_Wait] = []
    for identifier, change in changes.items():
        if change.was is not None:
            on_it = [other for other in before.placed_items if other.placement.host == change.was.id]
            waits += [_Wait(identifier, "leave", o.item.id, "left") for o in on_it if o.item.id in changes]
        if change.now is not None:
            host = _host(change.now, after)
            if host is not None and host.item.id in changes:
                waits.append(_Wait(identifier, "arrive", host.item.id, "there"))
            there = [other.item.id for other in _in_the_way(change.now, before)]
            waits += [_Wait(identifier, "arrive", other, "left") for other in there if other in changes]
    return tuple(waits)


def _in_the_way(now: PlacedItem, before: Arrangement) -> Iterable[PlacedItem]:
    """Yield what stands where a thing is to stand, and what stands above it there."""
    for other in before.by_ledge.get(now.ledge.id, ()):
        if other.item.id == now.item.id or other.placement.inside or now.placement.inside:
            continue
        width = min(now.right, other.right) - max(now.left, other.left)
        deep = min(now.back, other.back) - max(now.front, other.front)
        high = min(now.top, other.top) - max(now.bottom, other.bottom)
        if width > 0 and deep > 0 and high > 0 and _collide(now, other):
            yield other


def _collide(first: PlacedItem, second: PlacedItem) -> bool:
    """Tell whether two things would be in one place; two round ones only where their circles meet."""
    return any(True for _ in collision(_Pair({first.ledge.id: (first, second)})))  # type: ignore[arg-type]


class _Pair:
    """Two things as the caution about collisions looks at them."""

    def __init__(self, by_ledge: dict[str, tuple[PlacedItem, ...]]) -> None:
        self.by_ledge = by_ledge


def _set_aside(changes: dict[str, _Change], waits: tuple[_Wait, ...]) -> tuple[str, ...]:
    """Return the fewest things to set aside so that nobody waits in a ring."""
    movable = [identifier for identifier, change in changes.items() if change.was and change.now]
    index = {identifier: number for number, identifier in enumerate(movable)}
    costs = np.array([1 + HEAVY * _mass(changes[identifier].item) for identifier in movable])
    rows: list[np.ndarray] = []
    aside: set[str] = set()
    while ring := _ring(waits, aside):
        # What is waited for to leave, and itself waits to arrive: to set it aside opens the ring there.
        opens = {
            one.other for one, following in zip(ring, [*ring[1:], ring[0]], strict=True)
            if one.until == "left" and following.phase == "arrive"
        } & index.keys()  # fmt: skip
        row = np.zeros(len(movable))
        row[[index[identifier] for identifier in opens]] = 1
        rows.append(row)
        solved = milp(
            costs, integrality=np.ones(len(movable)), bounds=Bounds(0, 1),
            constraints=LinearConstraint(np.array(rows), lb=np.ones(len(rows))),
        )  # fmt: skip
        if solved.x is None:
            raise EditError("These two looks stand each on the other's things; empty a ledge first, then change over.")
        aside = {identifier for identifier, number in index.items() if solved.x[number] > 0.5}
    return tuple(sorted(aside))


def _mass(item: Item) -> float:
    return item.mass if item.mass is not None else item.width * item.height * item.depth * 1e-6


def _ring(waits: tuple[_Wait, ...], aside: set[str]) -> list[_Wait]:
    """Return waits that go round in a ring, the one for the other; empty where there is none."""
    graph = nx.MultiDiGraph()
    for wait in waits:
        at_other = "leave" if wait.until == "left" else "arrive"
        here = (wait.who, wait.phase if wait.who in aside else "")
        there = (wait.other, at_other if wait.other in aside else "")
        graph.add_edge(here, there, wait=wait)
    try:
        ring = nx.find_cycle(graph)
    except nx.NetworkXNoCycle:
        return []
    return [graph.edges[edge]["wait"] for edge in ring]


def _in_order(changes: dict[str, _Change], waits: tuple[_Wait, ...], aside: tuple[str, ...]) -> list[tuple[str, bool]]:
    """Return the things in the order in which they are carried, those set aside twice (first with True).

    Whatever leaves goes first, from the top down, then what only moves, then what comes, what is hindmost before.
    """
    left: set[str] = set()
    there: set[str] = set()
    order: list[tuple[str, bool]] = []
    waiting = set(changes)

    def rank(identifier: str) -> tuple[int, float, float, str]:
        change = changes[identifier]
        known = change.now or change.was
        assert known is not None
        kind = 0 if change.now is None else 1 if change.was is not None else 2
        return (kind, -known.ledge.floor, -known.z, identifier)

    def is_free(identifier: str, *phases: str) -> bool:
        return all(
            wait.other in (left if wait.until == "left" else there)
            for wait in waits
            if wait.who == identifier and wait.phase in phases
        )

    while waiting:
        # What was set aside has left already; the others leave and arrive in one go.
        ready = [one for one in waiting if is_free(one, "arrive", *(() if one in left else ("leave",)))]
        if ready:
            first = min(ready, key=rank)
            waiting.discard(first)
            left.add(first)
            there.add(first)
            order.append((first, False))
        else:
            lifted = min((one for one in aside if one not in left and is_free(one, "leave")), key=rank)
            left.add(lifted)
            order.append((lifted, True))
    return order


def _told(
    changes: dict[str, _Change],
    order: list[tuple[str, bool]],
    aside: tuple[str, ...],
    before: Arrangement,
    after: Arrangement,
    season: str,
    unit: LengthUnit,
) -> Restyle:
    carries: list[Carry] = []
    goes: dict[str, list[str]] = {}
    comes: dict[str, list[str]] = {}
    for identifier, is_lifted in order:
        change = changes[identifier]
        name = f"the {change.item.label}"
        if is_lifted and change.was is not None:
            carries.append(
                Carry("set aside", identifier, f"Set {name} aside for a moment, from {_at(change.was, before)}.")
            )
        elif change.now is None and change.was is not None:
            room = _room_for(change.item, season)
            goes.setdefault(room, []).append(change.item.label)
            carries.append(Carry("take away", identifier, f"Take {name} from {_at(change.was, before)} to {room}."))
        elif change.now is not None and change.was is None:
            room = f"the {change.item.room}" if change.item.room else "a room not told"
            comes.setdefault(room, []).append(change.item.label)
            carries.append(
                Carry("bring", identifier, f"Bring {name} from {room}; set it {_to(change.now, after, unit)}.")
            )
        elif change.now is not None:
            carries.append(Carry("move", identifier, f"Move {name} {_to(change.now, after, unit)}."))
    return Restyle(
        tuple(carries), aside,
        tuple((room, tuple(names)) for room, names in sorted(goes.items())),
        tuple((room, tuple(names)) for room, names in sorted(comes.items())),
    )  # fmt: skip


def _room_for(item: Item, season: str) -> str:
    if item.status == "borrowed":
        return item.returns_to or item.borrowed_from or "whom it was borrowed from"
    if season and item.season and season not in item.season:
        return "store"
    return f"the {item.room}" if item.room else "a room not told"


def _at(placed: PlacedItem, look: Arrangement) -> str:
    host = _host(placed, look)
    return f"the {host.item.label}, {placed.ledge.label}" if host is not None else placed.ledge.label


def _to(placed: PlacedItem, look: Arrangement, unit: LengthUnit) -> str:
    host = _host(placed, look)
    if host is not None:
        word = "into" if placed.placement.inside else "onto"
        return f"{word} the {host.item.label}, {placed.ledge.label}"
    from_left = format_length(placed.left - placed.ledge.left, unit)
    hangs = placed.placement.pose == "hung"
    front = "" if hangs else f", {format_length(max(placed.front, 0.0), unit)} from the front"
    return f"onto {placed.ledge.label}, {from_left} from the left end{front}"
