"""Things in one place, height by height."""

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.bodies import in_one_place
from jolly_ledge.model.item import Item

LAMP = thing("lamp", "lamp", width=300.0, height=380.0, depth=300.0)
URN = thing("urn", width=220.0, height=260.0, depth=220.0, silhouette="urn")
DISH = thing("dish", "bowl", width=80.0, height=30.0, depth=80.0)
BLOCK = thing("block", "box", width=90.0, height=60.0, depth=90.0)
TALL_BLOCK = thing("tower", "box", width=90.0, height=330.0, depth=90.0)


def meet(one: Item, other: Item, away: float) -> bool:
    places = (put(one.id, x=300.0, z=150.0), put(other.id, x=300.0 + away, z=150.0))
    arrangement = arranged((one, other), places, case_of(1))
    first, second = (arrangement.by_id[item.id] for item in (one, other))
    assert in_one_place(first, second) == in_one_place(second, first)
    return in_one_place(first, second)


@pytest.mark.parametrize(
    ("one", "other", "away", "expected"),
    [
        (LAMP, BLOCK, 130.0, False),
        (LAMP, TALL_BLOCK, 130.0, True),
        (LAMP, BLOCK, 60.0, True),
        (LAMP, DISH, 120.0, False),
        (URN, BLOCK, 150.0, False),
        (BLOCK, TALL_BLOCK, 85.0, True),
        (BLOCK, TALL_BLOCK, 91.0, False),
    ],
)
def test_a_low_thing_has_room_under_a_shade(one: Item, other: Item, away: float, expected: bool) -> None:
    assert meet(one, other, away) is expected


def test_two_urns_meet_at_their_widest() -> None:
    twin = thing("twin", width=220.0, height=260.0, depth=220.0, silhouette="urn")
    assert meet(URN, twin, 215.0)
    assert not meet(URN, twin, 221.0)
