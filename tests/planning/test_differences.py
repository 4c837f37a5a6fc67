"""What differs between two looks, in words."""

from typing import Any

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.planning.differences import differences

ITEMS = (thing("urn"), thing("jar"), thing("tray", "tray"), thing("book", "book"))
URN = put("urn", x=300.0)


def told(before: tuple[Any, ...], after: tuple[Any, ...]) -> tuple[str, ...]:
    return differences(arranged(ITEMS, before), arranged(ITEMS, after))


@pytest.mark.parametrize(
    ("after", "said"),
    [
        ((URN,), ()),
        ((replace(URN, x=310.0),), ()),
        ((replace(URN, x=500.0),), ("The urn stands 20 cm farther right.",)),
        ((replace(URN, x=100.0, z=160.0),), ("The urn stands 20 cm farther left.",)),
        ((replace(URN, z=100.0),), ("The urn stands 5 cm farther forward.",)),
        ((replace(URN, ledge="a2"),), ("The urn is on a2 instead of on a1.",)),
        ((replace(URN, turn=90.0),), ("The urn is turned.",)),
        ((URN, put("jar", x=600.0)), ("Brings the jar.",)),
        ((), ("Leaves out the urn.",)),
        ((put("jar", x=300.0),), ("Brings the jar.", "Leaves out the urn.")),
    ],
)
def test_each_change_is_named(after: tuple[Any, ...], said: tuple[str, ...]) -> None:
    assert told((URN,), after) == said


def test_hosts_and_poses_are_named() -> None:
    tray = put("tray", x=500.0)
    assert told((URN, tray), (replace(URN, x=500.0, on="tray"), tray)) == ("The urn is on the tray instead of on a1.",)
    assert told((put("book"),), (put("book", pose="flat"),)) == ("The book lies flat (before: stands).",)


def test_on_another_piece_it_is_told_which_ledge_goes_where_and_what_looks_larger() -> None:
    here, other = case_of(), replace(case_of(), id="other", ledges=(replace(case_of().ledges[0], clearance=240.0),))
    urn, bowl = thing("urn", height=200.0), thing("bowl", "bowl", height=60.0)
    first = arranged((urn, bowl), (put("urn"), put("bowl", "a2")), here)
    second = arranged((urn, bowl), (put("urn"), put("bowl", x=600.0)), other)
    assert differences(first, second) == (
        "All of it came along.",
        "From a1 to a1: the urn.",
        "From a2 to a1: the bowl.",
        "The urn looks larger: it fills 83 % of the height instead of 50 %.",
        "The bowl looks larger: it fills 25 % of the height instead of 15 %.",
    )
    without = arranged((urn,), (put("urn"),), other)
    assert differences(first, without)[0] == "Leaves out the bowl."
