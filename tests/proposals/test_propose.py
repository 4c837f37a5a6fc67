"""Proposed looks: complete, different, repeatable; locks, wishes and must-haves are kept; conflicts are told."""

from itertools import combinations
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.edits.proposed import AddProposals
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.measures.wishes import hear
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Wish
from jolly_ledge.model.plan import Household, Plan, check_references
from jolly_ledge.model.starts.gallery import STARTS, begin
from jolly_ledge.proposals.objective import overlap, pairs_of
from jolly_ledge.proposals.problem import Problem, problem_of, stops_of
from jolly_ledge.proposals.proposal import Progress, Proposals
from jolly_ledge.proposals.propose import proposals, propose
from jolly_ledge.readings.register import assess

STEPS = 40
STASH: tuple[Item, ...] = (
    *(thing(f"jar{n}", height=150.0 + 30 * n, width=90.0 + 8 * n, colours=(("#2d6f73", 1.0),)) for n in range(5)),
    *(thing(f"bowl{n}", "bowl", width=150.0 + 20 * n) for n in range(3)),
    *(thing(f"frame{n}", "frame", height=200.0 + 40 * n) for n in range(3)),
    *(thing(f"stack{n}", "book-stack") for n in range(2)),
    *(thing(f"atlas{n}", "book", height=280.0 + 20 * n) for n in range(2)),
    thing("chest", "box", traits=("lidded",)),
    thing("fern", "plant"),
)


def asked(stash: tuple[Item, ...] = STASH, piece: Piece | None = None, base: Any = None, **more: Any) -> Problem:
    plan = plan_of(stash, (), piece)
    return problem_of(plan, "case", Manner(), base, **more)


def sound(problem: Problem, look: Look) -> None:
    """Check that a look can be built and leaves nothing out."""
    plan = replace(problem.plan, looks=(look,))
    check_references(plan)
    arrangement = arrange(plan, look)
    assert stops_of(arrangement) <= problem.tolerated
    placed = [placement.item for placement in look.placements]
    assert len(placed) == len(set(placed))
    assert {item.id for item in problem.required} <= set(placed)
    assert all(heard.met for heard in hear(arrangement))


def test_looks_are_complete_and_different() -> None:
    problem = asked(piece=case_of(3))
    found = proposals([problem] * 3, 1, steps=STEPS).found
    assert len(found) == 3
    for one in found:
        assert one.is_valid
        sound(problem, one.look)
        assert one.assessment.score == assess(problem.resolve(one.look.placements)).score
        assert len(one.look.placements) >= 3
        assert {step.placement for step in one.story} == {placement.id for placement in one.look.placements}
    assert [one.look.proposal for one in found] == [1, 2, 3]
    for first, second in combinations(found, 2):
        assert overlap(pairs_of(first.look.placements), pairs_of(second.look.placements)) <= 0.6


def test_the_same_seed_gives_the_same_looks_and_another_gives_others() -> None:
    problem = asked()
    one, again, other = (proposals([problem] * 1, seed, steps=STEPS).found[0].look for seed in (3, 3, 4))
    assert one == again
    assert one != other


def test_more_steps_never_make_it_worse() -> None:
    problem = asked(piece=case_of(2))
    worth = [
        proposals([problem] * 1, 2, steps=steps, strategy="annealing").found[0].assessment.score for steps in (1, 120)
    ]
    assert worth[1] > worth[0]


def test_progress_is_told_and_a_cancel_ends_it_at_once() -> None:
    problem = asked()
    asked_times = 0

    def is_cancelled() -> bool:
        nonlocal asked_times
        asked_times += 1
        return asked_times > 5

    told = list(propose([problem] * 3, 1, steps=1_000, is_cancelled=is_cancelled))
    assert isinstance(told[0], Progress)
    last = told[-1]
    assert isinstance(last, Proposals)
    assert (last.status, asked_times, len(last.found)) == ("cancelled", 6, 1)


def test_time_ends_it() -> None:
    last = proposals([asked()] * 2, 1, seconds=0.2)
    assert last.status == "time limit"
    assert len(last.found) == 2


def test_what_is_locked_stays() -> None:
    placements = (put("jar4", x=200.0, locked=True), put("bowl0", "a2", x=500.0))
    base = plan_of(STASH, placements).looks[0]
    problem = asked(base=base)
    for one in proposals([problem] * 2, 1, steps=STEPS).found:
        assert placements[0] in one.look.placements
        sound(problem, one.look)


def test_one_ledge_is_finished_and_the_others_stay() -> None:
    placements = (put("jar4", x=200.0), put("stack0", "a2", x=300.0), put("jar0", "a2", x=300.0, on="stack0"))
    base = plan_of(STASH, placements).looks[0]
    problem = asked(base=base, only_ledge="a1")
    (one,) = proposals([problem] * 1, 1, steps=STEPS).found
    assert [p for p in one.look.placements if p.ledge == "a2"] == list(placements[1:])
    assert any(p.ledge == "a1" for p in one.look.placements)


def test_what_stays_near_a_look_keeps_most_of_it_but_nothing_that_cannot_stand() -> None:
    # Two things in one place: one of them has to go.
    placements = (put("jar4", x=200.0), put("jar3", x=210.0), put("stack0", "a2", x=300.0), put("jar0", "a2", x=300.0, on="stack0"),
                  put("frame0", "a2", x=600.0, z=287.0, pose="leaning"))  # fmt: skip
    base = plan_of(STASH, placements).looks[0]
    problem = asked((*STASH, thing("clock", traits=("must-keep",))), base=base, stay=0.8)
    (one,) = proposals([problem], 1, steps=STEPS).found
    sound(problem, one.look)
    kept = pairs_of(one.look.placements) & pairs_of(placements)
    assert len(kept) >= 0.6 * len(placements)


def test_what_must_be_there_is_there_and_what_is_hidden_is_hidden() -> None:
    must = (
        thing("clock", traits=("must-keep",)),
        thing("remote", "device", width=60.0, height=30.0, depth=150.0, traits=("must-keep", "hide")),
    )
    problem = asked((*STASH, *must))
    (one,) = proposals([problem] * 1, 1, steps=STEPS).found
    sound(problem, one.look)
    resolved = problem.resolve(one.look.placements)
    assert resolved.by_id["remote"].hidden
    assert resolved.by_id["clock"].placement.host is None or not resolved.by_id["clock"].hidden


@pytest.mark.parametrize(
    "wish",
    [Wish(kind="only-on", items=("jar0", "jar1"), ledges=("a2",)), Wish(kind="never-on", items=("fern",), ledges=("a1",)),
     Wish(kind="apart", items=("jar0", "jar1", "jar2"))],
    ids=lambda wish: wish.kind,
)  # fmt: skip
def test_wishes_are_hard(wish: Wish) -> None:
    problem = asked(piece=case_of(2, wishes=(wish,)))
    for one in proposals([problem] * 2, 5, steps=STEPS).found:
        sound(problem, one.look)


def test_a_toddler_is_heeded() -> None:
    stash = (*STASH, *(thing(f"knife{n}", traits=("sharp",), height=260.0) for n in range(4)))
    plan = replace(plan_of(stash, (), case_of(2)), household=Household(toddler=True))
    problem = problem_of(plan, "case", Manner())
    (one,) = proposals([problem] * 1, 1, steps=STEPS).found
    assert not any(placement.item.startswith("knife") for placement in one.look.placements)


def test_things_of_other_pieces_and_wanted_ones_are_left_alone() -> None:
    other = replace(case_of(), id="other")
    plan = plan_of(STASH)
    look = Look(id="there", piece="other", placements=(put("jar0"),))
    stash = (*plan.stash, thing("dear", status="to-buy"), thing("theirs", meant_for=("other",)))
    plan = replace(plan, pieces=(*plan.pieces, other), looks=(*plan.looks, look), stash=stash)
    problem = problem_of(plan, "case", Manner())
    assert {"jar0", "dear", "theirs"}.isdisjoint(item.id for item in problem.candidates)


@pytest.mark.parametrize(
    ("stash", "said"),
    [
        ((), "gather things"),
        ((thing("giant", height=900.0, width=900.0, depth=900.0),), "gather things"),
        ((thing("harp", height=900.0, width=700.0, depth=500.0, traits=("must-keep",)),), "harp must be there and fits on no"),
    ],
)  # fmt: skip
def test_what_cannot_be_is_told_in_one_sentence(stash: tuple[Item, ...], said: str) -> None:
    with pytest.raises(EditError, match=said):
        asked(stash)


def test_one_impossible_thing_drops_no_other_and_is_told_first() -> None:
    router = thing("router", "device", width=400.0, traits=("must-keep", "hide"))
    harp = thing("harp", height=900.0, width=700.0, depth=500.0, traits=("must-keep",))
    must = tuple(replace(item, traits=("must-keep",)) for item in STASH[:3])
    for stash in ((router, *must), (harp, *must)):
        (one,) = proposals([asked((*stash, *STASH[3:]))], 1, steps=10).found
        assert not one.is_valid
        assert len(one.left_out) == 1
        assert stash[0].id in one.left_out[0]
        assert {item.id for item in must} <= {placement.item for placement in one.look.placements}


def test_a_bowl_finds_its_place_on_a_round_top_and_stays_inside_the_rim() -> None:
    top = Ledge(id="a1", left=0, floor=420, width=700, depth=700, shape="ellipse")
    piece = replace(case_of(), kind="coffee-table", width=700.0, height=420.0, depth=700.0, ledges=(top,))
    bowl = thing("bowl", "bowl", width=420.0, depth=420.0, traits=("must-keep",))
    chest = thing("chest", "box", width=200.0, depth=150.0, height=90.0, traits=("must-keep",))
    for must in (
        (bowl,),
        (bowl, thing("cup", "tableware", width=90.0, depth=90.0, traits=("must-keep",))),
        (chest, bowl),
    ):
        (one,) = proposals([asked(must, piece)], 1, steps=5).found
        assert one.is_valid, one.left_out
        resolved = asked(must, piece).resolve(one.look.placements)
        assert not stops_of(resolved)


def test_what_does_not_fit_beside_each_other_on_a_round_top_is_not_called_a_conflict() -> None:
    top = Ledge(id="a1", left=0, floor=420, width=500, depth=500, shape="ellipse")
    piece = replace(case_of(), kind="coffee-table", width=500.0, height=420.0, depth=500.0, ledges=(top,))
    bowls = tuple(thing(f"bowl{n}", "bowl", width=300.0, depth=300.0, traits=("must-keep",)) for n in range(2))
    (one,) = proposals([asked(bowls, piece)], 1, steps=5).found
    assert not one.is_valid
    assert "left out" in one.left_out[-1]
    assert "do not go there together" not in " ".join(one.left_out)
    assert len(one.look.placements) == 1


def test_things_centred_by_one_wish_stand_about_the_middle_together() -> None:
    wish = Wish(kind="centred", items=("jar0", "jar1"))
    problem = asked(STASH, case_of(1, wishes=(wish,)))
    (one,) = proposals([problem], 1, steps=10).found
    assert one.is_valid, one.left_out
    at = problem.resolve(one.look.placements).by_id
    left, right = sorted((at["jar0"], at["jar1"]), key=lambda placed_item: placed_item.left)
    assert left.right <= right.left
    assert (left.left + right.right) / 2 == pytest.approx(20 + 400, abs=0.05 * 800)


def test_what_is_hidden_and_wished_together_goes_into_something_shut() -> None:
    wish = Wish(kind="together", items=("remote", "router"))
    hide = ("must-keep", "hide")
    things = (
        thing("remote", "device", width=50.0, height=20.0, depth=160.0, traits=hide),
        thing("router", "device", width=150.0, height=40.0, depth=120.0, traits=hide),
        thing("salver", "tray", width=400.0, depth=260.0),
        thing("chest", "basket", width=300.0, height=180.0, depth=250.0),
    )
    problem = asked((*STASH, *things), case_of(2, wishes=(wish,)))
    (one,) = proposals([problem], 1, steps=10).found
    assert one.is_valid, one.left_out
    assert {p.inside for p in one.look.placements if p.item in ("remote", "router")} == {"chest"}


def test_things_are_hung_from_a_rail() -> None:
    rail = begin(next(start for start in STARTS if start.id == "hanging-rail"), set())
    rail = replace(rail, id="case")
    towels = tuple(thing(f"towel{n}", "textile", width=180.0 + 20 * n, height=400.0, depth=20.0) for n in range(5))
    problem = asked(towels, rail)
    (one,) = proposals([problem], 1, steps=10).found
    assert {placement.pose for placement in one.look.placements} == {"hung"}
    hung = sum(towels[int(placement.item[-1])].width for placement in one.look.placements)
    assert hung >= 0.75 * rail.ledges[0].width
    assert not stops_of(problem.resolve(one.look.placements))
    jars = tuple(replace(jar, traits=("must-keep",)) for jar in STASH[:1])
    with pytest.raises(EditError, match="fits on no ledge"):
        asked(jars, rail)


@pytest.mark.parametrize("seed", [1, 2, 3])
def test_what_is_long_and_broad_carries_a_rail_and_falls_from_an_end(seed: int) -> None:
    rail = replace(begin(next(start for start in STARTS if start.id == "hanging-rail"), set()), id="case")
    coat = thing("coat", "textile", width=440.0, height=760.0, depth=30.0)
    cloths = tuple(thing(f"cloth{n}", "textile", width=150.0 + 20 * n, height=300.0, depth=20.0) for n in range(8))
    problem = asked((*cloths, coat), rail)
    one, other = proposals([problem] * 2, seed, steps=60).found
    row = sorted(problem.resolve(one.look.placements).placed_items, key=lambda placed: placed.x)
    assert "coat" in (row[0].item.id, row[-1].item.id)
    assert len(row) >= 3
    # It led this look, so that others lead the next.
    assert "coat" not in {placement.item for placement in other.look.placements}


def test_watts_in_the_way_are_told_as_watts() -> None:
    socket = Fixture(kind="socket", left=400.0, floor=110.0, width=80.0, height=80.0, watts=2_300.0)
    corded = ("must-keep", "corded")
    heaters = tuple(
        thing(f"heater{n}", "appliance", width=150.0, height=200.0, depth=150.0, traits=corded, watts=1_800.0)
        for n in range(2)
    )
    (one,) = proposals([asked((*heaters, *STASH), case_of(1, fixtures=(socket,)))], 1, steps=5).found
    assert not one.is_valid
    assert "3600 W together" in one.left_out[0]
    assert "2300 W" in one.left_out[0]


def test_a_crowded_ledge_is_not_asked_to_bring_more() -> None:
    crates = tuple(thing(f"crate{n}", "box", width=370.0, height=390.0, depth=260.0) for n in range(2))
    look = arranged(crates, (put("crate0", x=190.0), put("crate1", x=600.0)), case_of(1), fullness="abundant")
    found = [finding for finding in assess(look).findings if finding.asks]
    assert {finding.asks for finding in found} <= {"less"} or {finding.asks for finding in found} <= {"more"}


def test_proposals_are_taken_over_in_one_step_under_fresh_ids(demo: Plan) -> None:
    looks = tuple(Look(id="first-try", piece="alcove", name=f"Proposal {n}") for n in (1, 2))
    edit = AddProposals(looks=looks)
    added = edit.apply(demo).looks[len(demo.looks) :]
    assert [look.name for look in added] == ["Proposal 1", "Proposal 2"]
    assert len({look.id for look in (*demo.looks, *added)}) == len(demo.looks) + 2
    assert edit.label == "Take two proposals over"
    with pytest.raises(EditError, match="no piece"):
        AddProposals(looks=(Look(id="x", piece="nowhere"),)).apply(demo)


sizes = st.floats(30.0, 420.0)
anything = st.builds(
    lambda number, category, width, height, depth, mass, traits: thing(
        f"t{number}", category, width=width, height=height, depth=depth, mass=mass, traits=traits
    ),
    st.integers(0, 40),
    st.sampled_from(["vessel", "bowl", "book", "frame", "box", "book-stack", "plant", "sculpture", "tray"]),
    sizes,
    sizes,
    sizes,
    st.one_of(st.none(), st.floats(0.1, 12.0)),
    st.sampled_from([(), ("fragile",), ("rolls",), ("must-keep",), ("sharp",)]),
)


@settings(max_examples=25, deadline=None)
@given(st.lists(anything, min_size=1, max_size=12, unique_by=lambda item: item.id), st.integers(0, 99))
def test_no_proposal_ever_collides_overhangs_doubles_or_drops(stash: list[Item], seed: int) -> None:
    try:
        problem = asked(tuple(stash))
    except EditError:
        return
    (one,) = proposals([problem] * 1, seed, steps=12).found
    resolved = problem.resolve(one.look.placements)
    assert not stops_of(resolved)
    placed = [placement.item for placement in one.look.placements]
    assert len(placed) == len(set(placed))
    must = {item.id for item in problem.required} | {item.id for item, _ in problem.impossible}
    assert one.is_valid is (must <= set(placed))
    assert bool(one.left_out) is not one.is_valid
