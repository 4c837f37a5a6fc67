"""A group on a table moves to the nearest place inside the rim and clear of others, if there is one."""

import math
from itertools import product
from random import Random

import pytest

from builders import thing
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.clear_places import INTO_COUNTS, RIM_MM, STEPS_MM, is_inside, moved_clear
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.thing import Thing

SHAPES = ("rectangle", "ellipse")


def top(shape: str, width: float = 1000.0, depth: float = 700.0) -> Ledge:
    return Ledge(id="top", left=0.0, floor=400.0, width=width, depth=depth, shape=shape)  # type: ignore[arg-type]


def group_at(*places: tuple[float, float, float, bool]) -> Group:
    """Return a group of things: middle along and in depth, size, whether round from above (mm)."""
    group = Group("cluster", 700.0)
    for number, (x, z, size, is_round) in enumerate(places):
        kind = "vessel" if is_round else "box"
        one = Thing(thing(f"thing-{number}-{x:.0f}-{z:.0f}", kind, width=size, depth=size, height=size))
        group.members.append(Member(one, "upright", x, z))
    return group


def corners_are_inside(ledge: Ledge, member: Member) -> bool:
    """Tell by points on its edge whether a thing keeps to the rim of a round top."""
    rim = min(RIM_MM, 0.04 * ledge.width)
    half, deep = ledge.width / 2 - rim, ledge.depth / 2 - rim
    points = [
        (member.x + side * member.width / 2, member.z + into * member.depth / 2)
        for side, into in product((-1, 1), (-1, 1))
    ]
    return all(math.hypot((x - ledge.width / 2) / half, (z - ledge.depth / 2) / deep) <= 1 for x, z in points)


@pytest.mark.parametrize("seed", range(6))
def test_what_is_square_is_inside_a_round_top_when_its_corners_are(seed: int) -> None:
    rng, ledge, found = Random(seed), top("ellipse"), set()
    for _ in range(200):
        (member,) = group_at((rng.uniform(0, 1000), rng.uniform(0, 700), 140.0, False)).members
        assert is_inside(ledge, member) == corners_are_inside(ledge, member)
        found.add(is_inside(ledge, member))
    assert found == {True, False}


@pytest.mark.parametrize("shape", SHAPES)
@pytest.mark.parametrize("seed", range(8))
def test_the_place_is_the_nearest_of_all_there_are(shape: str, seed: int) -> None:
    rng, ledge = Random(seed), top(shape)

    def anywhere() -> tuple[float, float, float, bool]:
        return rng.uniform(150, 850), rng.uniform(120, 580), rng.uniform(60, 240), rng.random() < 0.5

    others = [group_at(anywhere()) for _ in range(5)]
    x, z, size, is_round = anywhere()
    places = ((x, z, size, is_round), (x + 150, z + 20, 70.0, True))
    clear = [
        math.hypot(along, INTO_COUNTS * into)
        for along, into in product(STEPS_MM, STEPS_MM)
        if all(
            is_inside(ledge, member) and all(other.is_clear(member) for other in others)
            for member in group_at(*places).shift(along, into)
        )
    ]  # fmt: skip
    group = group_at(*places)
    assert moved_clear(ledge, group, others) == bool(clear)
    moved = group.members[0].x - x, group.members[0].z - z
    assert math.hypot(moved[0], INTO_COUNTS * moved[1]) == pytest.approx(min(clear, default=0.0), abs=1e-9)
    assert group.members[1].x - group.members[0].x == pytest.approx(150)


@pytest.mark.parametrize("shape", SHAPES)
def test_where_no_place_is_near_a_group_stays_as_it_was(shape: str) -> None:
    group = group_at((500.0, 350.0, 200.0, False))
    assert not moved_clear(top(shape), group, [group_at((500.0, 350.0, 560.0, False))])
    assert (group.members[0].x, group.members[0].z) == (500.0, 350.0)
