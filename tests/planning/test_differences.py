"""What differs between two looks, in words."""

from typing import Any

import pytest
from msgspec.structs import replace

from builders import arranged, put, thing
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
