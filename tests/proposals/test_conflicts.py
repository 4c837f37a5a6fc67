"""What must be there finds its place, and what cannot be is told with the smallest set of things at fault."""

import time
from random import Random

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.measures.wishes import hear
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Wish
from jolly_ledge.proposals.conflicts import cannot_be, conflicts_in, smallest_conflict
from jolly_ledge.proposals.placement_search import settle
from jolly_ledge.proposals.problem import Problem, problem_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.proposals.requirements import requirements_of

MUST = ("must-keep",)
JARS = tuple(thing(f"jar{n}", height=150.0 + 20 * n) for n in range(6))


def broad(name: str, width: float, **changes: object) -> Item:
    return thing(name, "box", width=width, height=200.0, depth=200.0, traits=MUST, **changes)


def asked(stash: tuple[Item, ...], piece: Piece, base: tuple[Placement, ...] = ()) -> Problem:
    plan = plan_of(stash, base, piece)
    return problem_of(plan, "case", Manner(), plan.looks[0] if base else None)


def test_things_that_just_fit_are_packed() -> None:
    # Three on one shelf of 800 mm with five millimetres between.
    stash = (broad("harp", 300.0), broad("trunk", 270.0), broad("chest", 200.0), *JARS)
    problem = asked(stash, case_of(1))
    found, to_the_end = settle(problem, requirements_of(problem))
    assert to_the_end
    assert found is not None
    assert {placement.item for placement in found} == {"harp", "trunk", "chest"}
    assert problem.can_stand(problem.resolve(found))


@pytest.mark.parametrize(
    ("widths", "named", "unnamed"),
    [
        ((500.0, 400.0), ("harp", "trunk"), ()),
        ((500.0, 400.0, 60.0), ("harp", "trunk"), ("small",)),
        ((420.0, 300.0, 290.0), ("harp", "trunk", "small"), ()),
    ],
    ids=["two", "two of three", "only all three"],
)
def test_the_smallest_set_in_conflict_is_named(
    widths: tuple[float, ...], named: tuple[str, ...], unnamed: tuple[str, ...]
) -> None:
    things = tuple(broad(name, width) for name, width in zip(("harp", "trunk", "small"), widths, strict=False))
    problem = asked((*things, *JARS), case_of(1))
    (sentence,) = conflicts_in(problem)
    assert all(f"the {name}" in sentence.lower() for name in named)
    assert not any(name in sentence for name in unnamed)
    assert sentence.endswith(".")
    assert "do not go there together" in sentence


@pytest.mark.parametrize("seed", range(40))
def test_a_conflict_needs_each_of_its_parts(seed: int) -> None:
    """Whatever is left out of a conflict, the rest finds its place: the set that is named is as small as can be."""
    rng = Random(seed)
    count = rng.randint(2, 6)
    things = tuple(broad(f"chest{n}", rng.uniform(120.0, 460.0)) for n in range(count))
    lock = thing("lock", "box", width=rng.uniform(100.0, 400.0), height=150.0, depth=rng.choice((90.0, 280.0)))
    locks = (put("lock", x=rng.uniform(200.0, 600.0), locked=True),) if rng.random() < 0.6 else ()
    wishes = (Wish(kind="centred", items=("chest0",)), Wish(kind="centred", items=("chest1",)))
    piece = case_of(1, wishes=wishes if rng.random() < 0.4 else ())
    problem = asked((*things, lock, *JARS), piece, locks)
    requirements = requirements_of(problem)
    found, to_the_end = settle(problem, requirements)
    if found is not None or not to_the_end:
        # A search that is cut short blames nobody.
        assert conflicts_in(problem) == ()
        return
    parts = smallest_conflict(problem, requirements)
    assert cannot_be(problem, parts)
    for part in parts:
        rest = [other for other in parts if other is not part]
        assert not cannot_be(problem, rest)


def test_what_parts_two_is_brought_where_there_is_one_ledge() -> None:
    wish = Wish(kind="apart", items=("urn", "bust"))
    stash = (thing("urn", traits=MUST), thing("bust", "sculpture", traits=MUST), thing("jar", width=140.0))
    problem = asked(stash, case_of(1, wishes=(wish,)))
    assert conflicts_in(problem) == ()
    (one,) = proposals([problem], 1, steps=20).found
    assert one.is_valid
    along = {placement.item: placement.x or 0.0 for placement in one.look.placements}
    assert min(along["urn"], along["bust"]) < along["jar"] < max(along["urn"], along["bust"])
    # With nothing at hand to part them, both are named.
    (sentence,) = conflicts_in(asked(stash[:2], case_of(1, wishes=(wish,))))
    assert "the urn" in sentence.lower()
    assert "the bust" in sentence.lower()


@pytest.mark.parametrize(
    "under",
    [
        thing("salver", "tray"),
        thing("oak board", "board", width=300.0, height=220.0, depth=18.0),
        thing("linen mat", "textile", width=300.0, height=6.0, depth=260.0),
    ],
    ids=lambda item: item.category,
)
def test_what_lies_under_a_thing_is_brought_where_it_is_wished(under: Item) -> None:
    wish = Wish(kind="underlaid", items=("kettle",))
    problem = asked((thing("kettle", "object", width=160.0, depth=160.0), *JARS, under), case_of(1, wishes=(wish,)))
    (one,) = proposals([problem], 1, steps=20).found
    arrangement = problem.resolve(one.look.placements)
    assert one.is_valid
    assert arrangement.by_id["kettle"].placement.host == under.id
    assert all(heard.met for heard in hear(arrangement))


def test_a_wish_for_something_under_is_told_where_nothing_is_at_hand() -> None:
    wish = Wish(kind="underlaid", items=("kettle",))
    problem = asked((thing("kettle", "object"), *JARS), case_of(1, wishes=(wish,)))
    (sentence,) = conflicts_in(problem)
    assert sentence.startswith("The kettle must be on Case (with something under), and finds no place there")


def test_a_lock_that_leaves_no_room_is_named_and_no_other() -> None:
    locks = (put("wide", x=400.0, locked=True), put("jar0", "a1", x=60.0, locked=True))
    stash = (thing("wide", "box", width=500.0, depth=280.0, height=150.0), broad("trunk", 400.0), *JARS)
    (sentence,) = conflicts_in(asked(stash, case_of(1), locks))
    assert sentence.startswith("The trunk must be on Case, and the wide stays where it is and leaves no room;")
    assert "jar0" not in sentence


def test_wishes_in_conflict_are_told() -> None:
    wish = (Wish(kind="centred", items=("urn",)), Wish(kind="centred", items=("bust",)))
    stash = (thing("urn", width=300.0, depth=260.0), thing("bust", "box", width=300.0, depth=260.0), *JARS)
    (sentence,) = conflicts_in(asked(stash, case_of(1, wishes=wish)))
    assert "in the middle" in sentence
    assert conflicts_in(asked(stash, case_of(2, wishes=wish))) == ()


def test_a_wish_that_no_ledge_serves_is_told() -> None:
    wish = Wish(kind="only-on", items=("tall",), ledges=("a2",))
    piece = case_of(2, wishes=(wish,))
    low = replace(piece.ledges[1], clearance=150.0)
    piece = replace(piece, ledges=(piece.ledges[0], low))
    problem = asked((thing("tall", height=300.0), *JARS), piece)
    (sentence,) = conflicts_in(problem)
    assert "fits on none of the ledges it is wished on" in sentence
    (one,) = proposals([problem], 1, steps=5).found
    assert not one.is_valid
    assert one.left_out == (sentence,)
    assert one.look.placements


def test_locks_in_each_others_place_are_told() -> None:
    locks = (put("jar4", x=300.0, locked=True), put("jar5", x=320.0, locked=True))
    with pytest.raises(EditError) as told:
        asked(JARS, case_of(1), locks)
    assert "jar4" in str(told.value)
    assert "jar5" in str(told.value)
    assert "unlock one" in str(told.value)
    # What merely stands so is the look's own affair.
    loose = tuple(replace(lock, locked=False) for lock in locks)
    assert asked(JARS, case_of(1), loose).fixed == ()


def test_a_hopeless_crowd_does_not_search_for_ever() -> None:
    crowd = tuple(broad(f"trunk{n}", 150.0 + 7 * n) for n in range(14))
    begun = time.monotonic()
    assert all("trunk" in sentence for sentence in conflicts_in(asked(crowd, case_of(2))))
    assert time.monotonic() - begun < 60


@pytest.mark.parametrize(
    ("wish", "more"),
    [
        (Wish(kind="centred", items=("jar5",)), ()),
        (Wish(kind="mirrored", items=("twin1", "twin2")), (thing("twin1"), thing("twin2"))),
        (Wish(kind="together", items=("jar0", "jar1")), (thing("salver", "tray", width=300.0, depth=240.0),)),
        (Wish(kind="only-on", items=("jar2", "jar3"), ledges=("a2",)), ()),
    ],
    ids=lambda value: value.kind if isinstance(value, Wish) else "",
)
def test_what_is_called_for_by_a_wish_is_there_as_wished(wish: Wish, more: tuple[Item, ...]) -> None:
    problem = asked((*JARS, *more), case_of(2, wishes=(wish,)))
    for one in proposals([problem] * 2, 3, steps=30).found:
        assert one.is_valid
        assert set(wish.items) <= {placement.item for placement in one.look.placements}
        assert all(heard.met for heard in hear(problem.resolve(one.look.placements)))


def test_out_of_sight_is_left_out_or_hidden_where_it_must_be_there() -> None:
    wish = Wish(kind="out-of-sight", items=("router",))
    router = thing("router", "device", width=150.0, height=40.0, depth=120.0)
    piece, chest = case_of(2, wishes=(wish,)), thing("chest", "box", width=300.0, traits=("lidded",))
    (left_out,) = proposals([asked((*JARS, router, chest), piece)], 1, steps=30).found
    assert "router" not in {placement.item for placement in left_out.look.placements}
    problem = asked((*JARS, replace(router, traits=MUST), chest), piece)
    (one,) = proposals([problem], 1, steps=30).found
    assert problem.resolve(one.look.placements).by_id["router"].hidden


def test_stems_must_find_a_vessel() -> None:
    stems = thing("twigs", "stems", traits=MUST)
    (one,) = proposals([asked((*JARS, stems), case_of(2))], 1, steps=30).found
    inside = next(placement for placement in one.look.placements if placement.item == "twigs")
    assert inside.inside is not None


def test_proposals_of_one_number_for_two_pieces_never_share_a_thing() -> None:
    first, second = case_of(1), replace(case_of(1), id="other", name="Other")
    stash = tuple(thing(f"jar{n:02}", height=140.0 + 9 * n, width=70.0 + 5 * n) for n in range(20))
    plan = replace(plan_of(stash, (), first), pieces=(first, second), looks=())
    for piece in ("case", "other"):
        problems = [problem_of(plan, piece, Manner(), number=number) for number in (1, 2, 3)]
        found = proposals(problems, 1, steps=40).found
        fresh = tuple(replace(one.look, id=f"{piece}-{one.look.proposal}") for one in found)
        plan = replace(plan, looks=(*plan.looks, *fresh))
    used = {look.id: {placement.item for placement in look.placements} for look in plan.looks}
    for number in (1, 2, 3):
        assert used[f"case-{number}"].isdisjoint(used[f"other-{number}"])
    # What only another number took is free.
    assert any(used[f"case-{one}"] & used[f"other-{two}"] for one in (1, 2, 3) for two in (1, 2, 3))


def test_what_stands_in_the_last_look_of_another_piece_is_left_there() -> None:
    other = replace(case_of(1), id="other")
    looks = (
        Look(id="old", piece="other", placements=(put("jar0"),)),
        Look(id="now", piece="other", placements=(put("jar1"),)),
    )
    plan = replace(plan_of(JARS), pieces=(case_of(2), other), looks=looks)
    known = {item.id for item in problem_of(plan, "case", Manner()).candidates}
    assert "jar1" not in known
    assert "jar0" in known


def test_a_picture_is_hung_over_a_top_and_what_must_hang_does() -> None:
    wall = Ledge(id="w", left=0.0, floor=800.0, width=1400.0, depth=40.0, surface="wall")
    top = Ledge(id="top", left=0.0, floor=800.0, width=1400.0, depth=380.0)
    piece = Piece(id="case", kind="console", width=1400.0, height=800.0, depth=380.0, ledges=(top, wall))
    art = thing("etching", "art", width=900.0, height=600.0, depth=20.0)
    cloth = thing("cloth", "hanging", width=500.0, height=600.0, depth=20.0, traits=MUST)
    low = tuple(
        thing(f"low{number}", category, width=width, height=height, depth=width)
        for number, (category, width, height) in enumerate((
            ("bowl", 200.0, 70.0), ("box", 180.0, 90.0), ("object", 90.0, 60.0), ("candle", 70.0, 120.0),
            ("bowl", 120.0, 50.0), ("object", 70.0, 110.0),
        ))
    )  # fmt: skip
    for stash in ((*JARS, *low, art), (*JARS, *low, cloth)):
        problem = asked(stash, piece)
        (one,) = proposals([problem], 2, steps=30).found
        hung = [placement for placement in one.look.placements if placement.pose == "hung"]
        assert [placement.item for placement in hung] == [stash[-1].id]
        assert one.is_valid


def test_what_has_a_cord_stands_near_the_socket() -> None:
    socket = Fixture(kind="socket", left=700.0, floor=960.0, width=80.0, height=80.0)
    piece = case_of(3, fixtures=(socket,))
    lamp = thing("lamp", "lamp", height=330.0, width=200.0, depth=200.0, traits=("must-keep", "corded"))
    problem = asked((*JARS, lamp), piece)
    found, _ = settle(problem, requirements_of(problem))
    assert found is not None
    assert found[0].ledge == "a3"


def test_what_is_of_other_seasons_stays_away_and_what_is_of_this_one_is_welcome() -> None:
    wreath = thing("wreath", "object", width=200.0, height=180.0, season=("winter",))
    gourds = tuple(thing(f"gourd{n}", "object", width=100.0 + n, height=90.0, season=("autumn",)) for n in range(3))
    plan = plan_of((*JARS, wreath, *gourds), (put("wreath", x=200.0), put("jar0", x=500.0)), case_of(2))
    problem = problem_of(plan, "case", Manner(), plan.looks[0], stay=0.5, season="autumn")
    assert "wreath" not in {item.id for item in problem.candidates}
    (one,) = proposals([problem], 1, steps=150).found
    items = {placement.item for placement in one.look.placements}
    assert "wreath" not in items
    assert items & {"gourd0", "gourd1", "gourd2"}
    locked = plan_of(plan.stash, (put("wreath", x=200.0, locked=True),), case_of(2))
    kept = problem_of(locked, "case", Manner(), locked.looks[0], season="autumn")
    assert [placement.item for placement in kept.fixed] == ["wreath"]
