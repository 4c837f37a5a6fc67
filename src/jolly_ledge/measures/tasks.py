"""What the tasks of a piece and its limits ask for, and whether a look does so."""

from collections.abc import Iterator

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.distance import A_SEAT
from jolly_ledge.geometry.tasks import Way, ways_of
from jolly_ledge.measures.wishes import Heard, hear
from jolly_ledge.model.phrases import counted, listed, verb
from jolly_ledge.model.words import plain

TURNS_FREE = 1
"""The hand may turn once: there and back."""


def tasks_heard(arrangement: Arrangement) -> Iterator[Heard]:
    """Yield what every task asks for that stands in a look, and every limit that applies to it."""
    for way in ways_of(arrangement):
        if way.legs:
            yield _in_reach(way, arrangement)
            if len(way.legs) > 2:
                yield _in_order(way)
    yield from limits_heard(arrangement)


def _in_reach(way: Way, arrangement: Arrangement) -> Heard:
    ids = tuple(leg.placed.id for leg in way.legs)
    if not way.too_far:
        return Heard(ids, True, "")
    worst = max(way.too_far, key=lambda leg: leg.far or 0.0)
    at = way.legs.index(worst)
    before = way.legs[at - 1].placed.item.label if at else _point(way.task.near, arrangement)
    said = (
        f"For {way.task.name} the {worst.placed.item.label} stands {round((worst.far or 0.0) / 10)} cm from the "
        f"{before}; draw it within {round(way.task.within / 10)} cm."
    )
    return Heard((worst.placed.id,), False, said)


def _in_order(way: Way) -> Heard:
    names = [f"the {leg.placed.item.label}" for leg in way.legs]
    said = f"For {way.task.name} the hand turns back {counted(way.turns, 'time')}; stand {listed(names)} in this order."
    return Heard(tuple(leg.placed.id for leg in way.legs), way.turns <= TURNS_FREE, said)


def _point(near: str, arrangement: Arrangement) -> str:
    named = next((one.item.label for one in arrangement.placed_items if one.item.id == near), None)
    return named or (A_SEAT if near == A_SEAT else plain(near))


def insisted(arrangement: Arrangement) -> Iterator[Heard]:
    """Yield what no proposal goes against: the wishes and the limits. How a task runs is bettered, not insisted on."""
    yield from hear(arrangement)
    yield from limits_heard(arrangement)


def limits_heard(arrangement: Arrangement) -> Iterator[Heard]:
    """Yield every limit of the piece for a kind of which something stands in a look."""
    for category, most in arrangement.piece.limits:
        there = [one for one in arrangement.visible if one.item.category == category]
        if there:
            ids, over = tuple(one.id for one in there), len(there) - most
            names = listed([f"the {one.item.label}" for one in there])
            said = (
                f"{arrangement.piece.label} is to bear {most or 'none'} of the kind {plain(category)} at the most, and "
                f"{names} {verb(ids, 'stands', 'stand')} there; put {counted(over, 'thing')} away."
            )
            yield Heard(ids, over <= 0, said)
