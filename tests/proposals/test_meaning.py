"""Looks by chance, and what a score means among them."""

from random import Random

import pytest
from hypothesis import given
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from households import household
from jolly_ledge.model.look import Manner
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.chance_looks import Chance, anything, chance_looks, exchanged, other_choice, shuffled
from jolly_ledge.proposals.meaning import BEST, Meaning, chance_scores, meaning_of, standing_of
from jolly_ledge.proposals.problem import Problem, problem_of
from judgement.looks import Composed, composed_looks

LOOKS = [look for look in composed_looks() if look.plan.pieces[0].build != "hanging-rail"]


def problem_for(plan: Plan, piece: str, manner: Manner) -> Problem:
    return problem_of(replace(plan, looks=()), piece, manner)


@pytest.mark.parametrize("make", [shuffled, exchanged, other_choice], ids=lambda make: make.__name__)
@pytest.mark.parametrize("look", LOOKS[::5], ids=lambda look: look.name)
def test_chance_looks_can_be_built_and_are_repeatable(make: Chance, look: Composed) -> None:
    problem, base = problem_for(look.plan, look.look.piece, look.look.manner), look.arrangement
    one, two = (chance_looks(problem, base, make, 3, 5) for _ in range(2))
    assert one == two
    for placements in one:
        resolved = problem.resolve(placements)
        assert problem.has_room(resolved)
        if make is not other_choice:
            assert {p.item for p in placements} == {p.item for p in base.look.placements}


def test_a_shuffle_keeps_stacks_and_locks() -> None:
    items = (thing("pile", "book-stack"), thing("knob", "object", width=60.0, height=50.0, depth=60.0), thing("jar"))
    placed = (put("pile", x=300.0), put("knob", x=300.0, on="pile"), put("jar", x=600.0, locked=True))
    look = arranged(items, placed, case_of(2))
    problem = problem_of(Plan(pieces=(case_of(2),), stash=items), "case", Manner())
    for seed in range(6):
        found = shuffled(problem, look, Random(seed))
        assert found is not None
        by_id = {placement.id: placement for placement in found}
        assert by_id["jar"] == placed[2]
        assert by_id["knob"].on == "pile"
        pile, knob = by_id["pile"], by_id["knob"]
        assert (knob.x or 0.0) - (pile.x or 0.0) == pytest.approx(0.0)


def test_an_empty_look_has_no_chance() -> None:
    look = arranged((), (), case_of(1))
    problem = problem_of(Plan(pieces=(case_of(1),), stash=(thing("jar"),)), "case", Manner())
    assert [make(problem, look, Random(1)) for make in (shuffled, exchanged, other_choice)] == [None, None, None]


ANCHORS = st.lists(st.floats(0.02, 0.98), min_size=4, max_size=4, unique=True)


@given(ANCHORS, st.floats(0, 1), st.floats(0, 1))
def test_what_is_shown_rises_with_the_score(scores: list[float], one: float, two: float) -> None:
    inner = tuple(zip(sorted(scores), (10.0, 30.0, 60.0, BEST), strict=True))
    meaning = Meaning(((0.0, 0.0), *inner, (1.0, 100.0)))
    low, high = sorted((one, two))
    assert 0.0 <= meaning.shown(low) <= meaning.shown(high) <= 100.0
    if high - low > 1e-6:
        assert meaning.shown(low) < meaning.shown(high)


def test_chance_reads_thirty_and_the_best_found_much_more() -> None:
    plan, manner = household("console", 8)
    problem = problem_for(plan, plan.pieces[0].id, manner)
    meaning = meaning_of(problem, count=40)
    scores = chance_scores(problem, 40)
    assert meaning.shown(scores[20]) == pytest.approx(30.0, abs=4.0)
    raw = [score for score, _ in meaning.anchors]
    assert raw == sorted(raw)
    assert len(set(raw)) == len(raw)
    assert problem.has_room(problem.resolve(anything(problem, Random(3))))


def test_a_composed_look_stands_well_among_chance() -> None:
    look = next(one for one in LOOKS if one.name == "console-2")
    problem = problem_for(look.plan, look.look.piece, look.look.manner)
    stands = standing_of(problem, look.arrangement, meaning_of(problem, count=30))
    assert stands.placing is not None
    assert stands.choice is not None
    assert min(stands.placing, stands.choice) >= 0.8
    assert stands.shown > 60.0
    assert [sentence.split(":")[0] for sentence in stands.sentences] == ["Placing", "Choice"]
