"""Restyle: the fewest carries, in an order in which nothing is in the way, checked against trying everything."""

import random
from itertools import combinations

import pytest
from msgspec.structs import replace

from builders import case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.proposals.restyle import Restyle, restyle

CASE = case_of(2)


def look_of(items: tuple[Item, ...], *placements: Placement) -> Arrangement:
    return Arrangement(CASE, {item.id: item for item in items}, Look(id="look", piece="case", placements=placements))


def kinds(told: Restyle) -> list[tuple[str, str]]:
    return [(carry.kind, carry.item) for carry in told.carries]


BOX = thing("box", "box", traits=("lidded",))
VASE, JUG, BOWL = thing("vase", room="hall"), thing("jug", room="kitchen"), thing("bowl", "bowl", room="study")


def test_the_same_look_asks_for_nothing() -> None:
    look = look_of((VASE,), put("vase"))
    assert restyle(look, look_of((VASE,), put("vase", x=408.0))).carries == ()
    assert "Nothing is to be carried" in restyle(look, look).summary


def test_what_comes_and_goes_is_told_with_its_rooms() -> None:
    told = restyle(look_of((VASE, JUG), put("vase")), look_of((VASE, JUG), put("jug", "a2", x=300.0)))
    assert kinds(told) == [("take away", "vase"), ("bring", "jug")]
    assert told.goes_to == (("the hall", ("vase",)),)
    assert told.comes_from == (("the kitchen", ("jug",)),)
    assert told.carries[1].sentence == (
        "Bring the jug from the kitchen; set it onto a2, 240 mm from the left end, 90 mm from the front."
    )


def test_what_is_of_another_season_goes_to_store_and_what_is_borrowed_goes_home() -> None:
    wreath = replace(VASE, season=("winter",))
    lent = replace(JUG, status="borrowed", returns_to="the neighbour")
    told = restyle(
        look_of((wreath, lent), put("vase", x=200.0), put("jug", x=500.0)), look_of((wreath, lent)), "spring"
    )
    assert dict(told.goes_to) == {"store": ("vase",), "the neighbour": ("jug",)}


def test_nothing_stands_on_what_must_leave() -> None:
    items = (BOX, VASE)
    told = restyle(look_of(items, put("box"), put("vase", on="box")), look_of(items, put("vase", "a2", x=200.0)))
    assert kinds(told) == [("move", "vase"), ("take away", "box")]
    back = restyle(look_of(items, put("vase", "a2", x=200.0)), look_of(items, put("box"), put("vase", on="box")))
    assert kinds(back) == [("bring", "box"), ("move", "vase")]


def test_who_takes_anothers_place_waits_for_it() -> None:
    told = restyle(
        look_of((VASE, JUG), put("vase", x=200.0), put("jug", x=500.0)),
        look_of((VASE, JUG), put("vase", x=500.0), put("jug", "a2", x=500.0)),
    )
    assert kinds(told) == [("move", "jug"), ("move", "vase")]
    assert told.set_aside == ()


def test_of_two_that_change_places_the_lighter_is_set_aside_once() -> None:
    items = (replace(VASE, mass=4.0), replace(JUG, mass=1.0))
    told = restyle(
        look_of(items, put("vase", x=200.0), put("jug", x=500.0)),
        look_of(items, put("vase", x=500.0), put("jug", x=200.0)),
    )
    assert told.set_aside == ("jug",)
    assert kinds(told) == [("set aside", "jug"), ("move", "vase"), ("move", "jug")]
    assert told.summary == "Three carries, one thing set aside on the way."
    assert told.carries[1].sentence == "Move the vase onto a1, 440 mm from the left end, 90 mm from the front."


def test_what_lies_on_a_tray_goes_with_it() -> None:
    tray = thing("tray", "tray")
    items = (tray, BOWL)
    before = look_of(items, put("tray", x=200.0), put("bowl", x=200.0, on="tray"))
    after = look_of(items, put("tray", "a2", x=500.0), put("bowl", "a2", x=500.0, on="tray"))
    assert kinds(restyle(before, after)) == [("move", "tray")]


def test_a_thing_under_which_its_own_carrier_comes_is_lifted_first() -> None:
    items = (BOX, VASE)
    told = restyle(look_of(items, put("vase")), look_of(items, put("box"), put("vase", on="box")))
    assert kinds(told) == [("set aside", "vase"), ("bring", "box"), ("move", "vase")]


def random_looks(seed: int) -> tuple[Arrangement, Arrangement]:
    rng = random.Random(seed)
    items = tuple(thing(f"t{n}", width=110.0, depth=110.0, mass=1.0) for n in range(rng.randint(3, 6)))
    spots = [(ledge, 70.0 + 125 * n) for ledge in ("a1", "a2") for n in range(3)]

    def some() -> Arrangement:
        placed = [item for item in items if rng.random() < 0.85]
        where = rng.sample(spots, len(placed))
        return look_of(items, *(put(one.id, ledge, x=x) for one, (ledge, x) in zip(placed, where, strict=True)))

    return some(), some()


def fewest_asides(before: Arrangement, after: Arrangement) -> int:
    """Try every set of things to set aside, smallest first, with all orders that one could carry in."""
    was = {s.item.id: s for s in before.placed_items}
    now = {s.item.id: s for s in after.placed_items}
    same = {i for i in was.keys() & now.keys() if (was[i].ledge.id, was[i].x) == (now[i].ledge.id, now[i].x)}
    moving = sorted((was.keys() & now.keys()) - same)

    def overlaps(one: PlacedItem, two: PlacedItem) -> bool:
        return one.ledge.id == two.ledge.id and abs(one.x - two.x) < (one.width + two.width) / 2 - 2

    def works(aside: set[str]) -> bool:
        gone = {i for i in was if i not in now} | aside
        waiting = set(moving) | {i for i in now if i not in was}
        placed_item = {i: was[i] for i in was if i not in gone}
        while waiting:
            ready = [i for i in waiting if not any(overlaps(now[i], s) for j, s in placed_item.items() if j != i)]
            if not ready:
                return False
            for i in ready[:1]:
                waiting.discard(i)
                placed_item[i] = now[i]
        return True

    for count in range(len(moving) + 1):
        if any(works(set(some)) for some in combinations(moving, count)):
            return count
    raise AssertionError("all set aside always works")


@pytest.mark.parametrize("seed", range(60))
def test_as_few_as_can_be_are_set_aside_and_nothing_is_ever_in_the_way(seed: int) -> None:
    before, after = random_looks(seed)
    told = restyle(before, after)
    assert len(told.set_aside) == fewest_asides(before, after)
    placed_item = {s.item.id: s for s in before.placed_items}
    target = {s.item.id: s for s in after.placed_items}
    for carry in told.carries:
        placed_item.pop(carry.item, None)
        if carry.kind in ("move", "bring"):
            new = target[carry.item]
            for other in placed_item.values():
                apart = abs(new.x - other.x) >= (new.width + other.width) / 2 - 2
                assert apart or new.ledge.id != other.ledge.id
            placed_item[carry.item] = new
    assert {i: (s.ledge.id, s.x) for i, s in placed_item.items()} == {
        i: (s.ledge.id, s.x) for i, s in target.items()
    }  # fmt: skip
    set_down = [carry.item for carry in told.carries if carry.kind in ("move", "bring")]
    assert len(set_down) == len(set(set_down))


def test_forty_moves_in_rings_are_solved() -> None:
    items = tuple(thing(f"t{n:02}", width=36.0, depth=60.0) for n in range(40))
    spots = [(ledge, 20.0 + 39 * n) for ledge in ("a1", "a2") for n in range(20)]
    turned = spots[1:20] + spots[:1] + spots[21:] + spots[20:21]

    def all_at(places: list[tuple[str, float]]) -> Arrangement:
        return look_of(items, *(put(one.id, ledge, x=x) for one, (ledge, x) in zip(items, places, strict=True)))

    told = restyle(all_at(spots), all_at(turned))
    # Two rings of twenty, each opened at one thing.
    assert len(told.set_aside) == 2
    assert len(told.carries) == 42
