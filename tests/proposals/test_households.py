"""Proposals for invented households: nothing a stylist would send back, on any kind of furniture and any stash."""

from random import Random
from statistics import mean

import pytest
from msgspec.structs import replace

from builders import plan_of, thing
from household_faults import faults_of, leads_in_common, share_in_groups
from households import ROOMS, household
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Fixture, Ledge, Piece
from jolly_ledge.model.words import FULLNESSES
from jolly_ledge.proposals.composing.clear_places import is_inside
from jolly_ledge.proposals.composing.composition import Composition, composed, placements_of
from jolly_ledge.proposals.composing.fullness import suiting, things_in, things_wanted
from jolly_ledge.proposals.composing.layering import layered
from jolly_ledge.proposals.composing.liking import liking_of
from jolly_ledge.proposals.composing.refining import MOVES
from jolly_ledge.proposals.composing.schemes import groups_for
from jolly_ledge.proposals.composing.spread import covers, spread
from jolly_ledge.proposals.composing.tables import FROM_ALL_SIDES
from jolly_ledge.proposals.composing.topping import topped_up
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.low import without_empty_glass
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of, stops_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.proposals.thing import Thing

STEPS = 14
LARGE_STASH = 60
ENOUGH_RICH = 3


@pytest.mark.parametrize("seed", range(1, 4))
@pytest.mark.parametrize("start", ROOMS)
def test_nothing_is_sent_back(start: str, seed: int) -> None:
    plan, manner = household(start, seed)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    (one,) = proposals([problem], seed, steps=STEPS).found
    arrangement = problem.resolve(one.look.placements)
    assert not list(faults_of(problem, arrangement))
    assert one.is_valid
    assert one.look.placements


def test_a_household_is_the_same_each_time_and_half_of_it_lies_about() -> None:
    one, manner = household("console", 3)
    assert household("console", 3) == (one, manner)
    assert household("console", 4)[0].stash != one.stash
    assert 20 <= len(one.stash) <= 150


def test_layered_ledges_hold_groups() -> None:
    shares = []
    for start in ("bookcase", "wall-shelves", "hutch", "console", "mantel"):
        for seed in range(1, 9):
            plan, manner = household(start, seed)
            if len(plan.stash) >= LARGE_STASH:
                problem = problem_of(plan, plan.pieces[0].id, replace(manner, fullness="layered"))
                found = proposals([problem], seed, steps=STEPS).found[0]
                shares.append(share_in_groups(problem.resolve(found.look.placements)))
    assert len(shares) >= 8
    assert mean(shares) >= 0.7


@pytest.mark.parametrize("start", ["bookcase", "console", "coffee-table", "hutch"])
def test_each_fullness_holds_more_than_the_one_before(start: str) -> None:
    plan = next(plan for seed in range(20) if len((plan := household(start, seed)[0]).stash) > 100)
    counts = []
    for fullness in FULLNESSES:
        problem = problem_of(plan, plan.pieces[0].id, Manner(fullness=fullness))
        found = [one for number in range(40) if (one := composed(problem, number)) is not None]
        wanted = {ledge.id: things_wanted(found[0].stock, ledge) for ledge in found[0].stock.ledges}
        best = sorted(found, key=liking_of)[-8:]
        counts.append(mean(things_in(group for ledge, group in one.groups if wanted[ledge.id]) for one in best))
        assert 0.75 * sum(wanted.values()) <= counts[-1] <= 1.25 * sum(wanted.values())
    assert counts[0] < counts[1] < counts[2]


@pytest.mark.parametrize("start", ["wall-shelves", "console", "mantel", "coffee-table", "counter"])
def test_two_looks_of_one_run_share_little_and_lead_with_something_else(start: str) -> None:
    rich = 0
    for seed in range(1, 7):
        plan, manner = household(start, seed)
        problem = problem_of(plan, plan.pieces[0].id, manner)
        stock = Stock(problem, Random(seed))
        wanted = sum(things_wanted(stock, ledge) for ledge in stock.ledges)
        if len(suiting(stock)) < 1.5 * wanted or rich == ENOUGH_RICH:
            continue
        rich += 1
        looks = [problem.resolve(one.look.placements) for one in proposals([problem] * 2, seed, steps=90).found]
        first, second = ({placed.item.id for placed in one.placed_items} for one in looks)
        assert first
        assert second
        assert len(first & second) <= 0.5 * min(len(first), len(second))
        assert not leads_in_common(stock, *looks)
    assert rich


@pytest.mark.parametrize("start", ["coffee-table", "coffee-table-round", "coffee-table-oval", "dining-table", "island"])
def test_what_is_composed_on_a_table_stands_inside_its_rim_without_being_thinned(start: str) -> None:
    plan = next(plan for seed in range(20) if len((plan := household(start, seed)[0]).stash) > 80)
    problem = problem_of(plan, plan.pieces[0].id, Manner(fullness="abundant"))
    stock = Stock(problem, Random(3))
    (ledge,) = (one for one in stock.ledges if stock.roles[one.id] in FROM_ALL_SIDES)
    groups = without_empty_glass(groups_for(stock, ledge, (), 1, ()))
    wanted = things_wanted(stock, ledge)
    groups = topped_up(stock, ledge, layered(stock, ledge, groups, (), wanted), (), wanted)
    assert things_in(groups) >= 0.6 * wanted
    assert all(is_inside(ledge, member) for group in groups for member in group if member.stands)
    collisions = [kind for kind, _ in stops_of(problem.resolve(placements_of([(ledge, one) for one in groups])))]
    assert "collision" not in collisions
    assert "overhang" not in collisions


def test_nothing_massive_rises_high_on_a_table() -> None:
    for seed in range(1, 5):
        plan, manner = household("coffee-table", seed)
        problem = problem_of(plan, plan.pieces[0].id, manner)
        found = proposals([problem], seed, steps=20).found[0]
        for placed in problem.resolve(found.look.placements).visible:
            assert placed.item.category not in ("vessel", "sculpture") or placed.height <= 260.0


@pytest.mark.parametrize("start", ["console", "sideboard", "mantel", "nightstand"])
def test_no_picture_leans_before_a_picture_and_nothing_swamps_a_top(start: str) -> None:
    seen = 0
    for seed in range(1, 9):
        plan, manner = household(start, seed)
        problem = problem_of(plan, plan.pieces[0].id, manner)
        for number in range(4):
            composition = composed(problem, number)
            if composition is None:
                continue
            pictures = [one for one in problem.piece.fixtures if one.kind in ("art", "mirror", "tv")]
            for ledge, group in composition.groups:
                top = composition.stock.roles[ledge.id] == "top"
                for member in group if top else ():
                    seen += 1
                    thing = member.thing
                    if member.pose == "leaning":
                        for one in pictures:
                            left, right = one.left - ledge.left, one.right - ledge.left
                            assert covers(member, left, right, one.floor - ledge.floor) == 0.0
                    if thing.category == "lamp":
                        assert thing.height <= 1.05 * composition.stock.frame(ledge)
                    if start == "nightstand" and thing.category in ("vessel", "sculpture", "plant"):
                        assert thing.width <= 0.42 * ledge.width
    assert seen > 40


def test_what_would_stand_before_a_picture_moves_to_its_side() -> None:
    ledge = Ledge(id="top", left=0.0, floor=1100.0, width=1500.0, depth=220.0)
    art = Fixture(kind="art", left=450.0, floor=1250.0, width=600.0, height=450.0)
    piece = Piece(id="m", kind="mantel", width=1500.0, height=1100.0, depth=220.0, ledges=(ledge,), fixtures=(art,))
    urn = thing("urn", width=150.0, height=420.0, depth=150.0)
    stock = Stock(problem_of(plan_of((urn, thing("jar")), (), piece), "m", Manner()), Random(1))
    group = Group("worthy", ledge.depth)
    group.set_down(stock.things["urn"])
    (moved,) = spread(stock, ledge, [group], 1)
    assert moved.right < 450.0 or moved.left > 1050.0
    low = Group("low", ledge.depth)
    low.set_down(Thing(thing("dish", "bowl", width=150.0, height=60.0, depth=150.0)))
    (kept,) = spread(stock, ledge, [low], 1)
    assert 300.0 < kept.left < 1050.0


@pytest.mark.parametrize("seed", [1, 3, 4])
def test_nothing_is_set_or_moved_behind_a_bar(seed: int) -> None:
    plan, manner = household("cabinet", seed)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    assert any(fixture.kind == "bar" for fixture in problem.piece.fixtures)

    def behind_bars(one: Composition) -> list[str]:
        return [fault for fault in faults_of(problem, problem.resolve(one.placements)) if "behind a bar" in fault]

    moved = 0
    for number in range(10):
        composition = composed(problem, number)
        if composition is None:
            continue
        assert not behind_bars(composition)
        rng = Random(number)
        for move in MOVES:
            for _ in range(3):
                after = move(composition, rng)
                if after is not None:
                    moved += 1
                    assert not behind_bars(after)
    assert moved > 20
