"""Whole looks from groups: sound, of what belongs, within the spans, different from each other, and how they are liked."""

from collections import Counter
from collections.abc import Iterator
from itertools import combinations, product
from random import Random
from statistics import mean

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.model.belonging import welcome
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Wish
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.starts.gallery import STARTS, Start, begin
from jolly_ledge.model.words import WALL_CATEGORIES, Fullness
from jolly_ledge.proposals.composing import liking
from jolly_ledge.proposals.composing.composition import Composition, composed, placements_of, recomposed
from jolly_ledge.proposals.composing.counting import nearer_the_count
from jolly_ledge.proposals.composing.crowning import crowned
from jolly_ledge.proposals.composing.fullness import things_in
from jolly_ledge.proposals.composing.liking import liking_of
from jolly_ledge.proposals.composing.members import BELOW_THE_LEAD, enlarged, member_exchanged
from jolly_ledge.proposals.composing.pool import OF_A_FORM, GroupPool, grade_of
from jolly_ledge.proposals.composing.refining import MOVES, Move, shifted
from jolly_ledge.proposals.composing.regrouping import carried, group_exchanged, merged, split
from jolly_ledge.proposals.composing.spread import spans_of
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import Problem, problem_of, stops_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.proposals.thing import Thing

FROM_THE_HOUSE = [start for start in STARTS if any(not ledge.is_wall for ledge in begin(start, set()).ledges)]


def problem_for(start: Start, demo: Plan) -> Problem:
    """Return the problem of a piece of the gallery with all things of the demo at hand."""
    piece = replace(begin(start, set()), id="case")
    stash = tuple(replace(item, meant_for=(), gone=False) for item in demo.stash)
    return problem_of(replace(plan_of(stash, (), piece), looks=()), "case", Manner())


def composition_of(problem: Problem, seed: int = 1) -> Composition:
    found = next(one for number in range(20) if (one := composed(problem, seed + number)) is not None)
    assert found is not None
    return found


@pytest.mark.parametrize("start", FROM_THE_HOUSE, ids=lambda start: start.id)
def test_every_kind_of_furniture_gets_a_look_of_groups(start: Start, demo: Plan) -> None:
    problem = problem_for(start, demo)
    composition = composition_of(problem)
    arrangement = problem.resolve(composition.placements)
    assert not stops_of(arrangement)
    assert problem.can_stand(arrangement)
    assert set(arrangement.awaited) == {item for item, _ in problem.impossible}
    ids = [placement.item for placement in composition.placements]
    assert len(ids) == len(set(ids))
    must = {item.id for item in problem.required}
    for ledge, group in composition.groups:
        for member in group:
            if member.stands and member.thing.id not in must:
                assert welcome(member.thing.item, problem.piece, ledge) > 0, member.thing.item.label


@pytest.mark.parametrize("seed", range(4))
def test_most_ledges_of_a_case_hold_groups(seed: int, demo: Plan) -> None:
    start = next(start for start in STARTS if begin(start, set()).kind == "bookcase")
    composition = composition_of(problem_for(start, demo), seed * 100)
    of_two = {ledge.id for ledge, group in composition.groups if len(group.members) >= 2}
    assert len(of_two) >= 0.7 * len(composition.stock.ledges)


def test_the_same_seed_composes_the_same(demo: Plan) -> None:
    problem = problem_for(FROM_THE_HOUSE[0], demo)
    assert composition_of(problem, 3).placements == composition_of(problem, 3).placements
    assert composition_of(problem, 3).placements != composition_of(problem, 4).placements


def test_one_ledge_anew_leaves_the_others(demo: Plan) -> None:
    problem = problem_for(next(s for s in STARTS if begin(s, set()).kind == "bookcase"), demo)
    before, rng, seen = composition_of(problem), Random(2), 0
    for _ in range(12):
        after = recomposed(before, rng)
        if after is None:
            continue
        seen += 1
        assert problem.is_valid(problem.resolve(after.placements))
        changed = {p.ledge for p in set(after.placements) ^ set(before.placements)}
        assert len(changed) <= 3
    assert seen >= 6


def test_a_shift_moves_one_group_as_a_whole(demo: Plan) -> None:
    problem = problem_for(next(s for s in STARTS if begin(s, set()).kind == "bookcase"), demo)
    before, rng, seen = composition_of(problem), Random(2), 0
    old = {placement.id: placement for placement in before.placements}
    for _ in range(30):
        after = shifted(before, rng)
        if after is None:
            continue
        seen += 1
        moved = [(p, old[p.id]) for p in after.placements if p != old[p.id]]
        assert len({round(new.x - was.x, 3) for new, was in moved if new.x is not None and was.x is not None}) == 1
        group = next(group for _, group in before.groups if moved[0][0].item in group.ids)
        assert {new.item for new, _ in moved} <= group.ids
    assert seen >= 5


def jars(count: int) -> tuple[Item, ...]:
    return tuple(thing(f"jar{n}", height=140.0 + 25 * n, width=90.0, depth=90.0) for n in range(count))


def crowded_at_one_end(seed: int) -> Composition:
    """Return four jars in one group at the left of a shelf and one at the right, over a bare shelf."""
    problem = problem_of(plan_of(jars(7), (), case_of(2)), "case", Manner())
    stock = Stock(problem, Random(seed))
    ledge = stock.ledges[1]
    group, alone = Group("anchored", ledge.depth), Group("worthy", ledge.depth)
    for number in (3, 2, 1, 0):
        group.set_down(stock.things[f"jar{number}"], "back", 1, 0.0)
    alone.set_down(stock.things["jar4"], "back")
    groups = ((ledge, group.shift(60.0 - group.left)), (ledge, alone.shift(700.0)))
    return Composition(stock, groups, placements_of(groups), GroupPool())


def tried(move: Move, demo: Plan) -> Iterator[tuple[Composition, Composition]]:
    """Yield compositions of a bookcase, a mantel and one shelf before and after a move, as often as it can be made."""
    for kind, seed in product(("bookcase", "mantel", "shelf"), range(4)):
        before = crowded_at_one_end(seed) if kind == "shelf" else composition_of(kind_problem(demo, kind), seed)
        rng = Random(seed)
        for _ in range(20):
            after = move(before, rng)
            if after is not None:
                yield before, after


def kind_problem(demo: Plan, kind: str) -> Problem:
    return problem_for(next(s for s in STARTS if begin(s, set()).kind == kind), demo)


@pytest.mark.parametrize("move", [one for one in MOVES if one is not crowned], ids=lambda move: move.__name__)
def test_every_move_of_groups_gives_what_can_stand(demo: Plan, move: Move) -> None:
    seen = 0
    for before, after in tried(move, demo):
        seen += 1
        problem = before.stock.problem
        assert problem.is_valid(problem.resolve(after.placements))
        assert after.placements != before.placements
        gone = {p.item for p in before.placements} - {p.item for p in after.placements}
        if move in (member_exchanged, enlarged):
            assert len(gone) == 1
        elif move is not group_exchanged:
            assert not gone
    assert seen >= 3


def test_what_is_enlarged_shows_more_and_leaves_the_lead_to_the_lead(demo: Plan) -> None:
    for before, after in tried(enlarged, demo):
        was, group = (
            next(group for _, group in one.groups if group.ids not in {known.ids for _, known in other.groups})
            for one, other in ((before, after), (after, before))
        )
        old, new = (
            next(member for member in one if member.thing.id not in other.ids)
            for one, other in ((was, group), (group, was))
        )
        assert new.thing.area > 1.1 * old.thing.area
        assert old.height == was.height or new.height <= BELOW_THE_LEAD * was.height


def test_a_group_that_is_carried_stands_whole_on_another_ledge(demo: Plan) -> None:
    for before, after in tried(carried, demo):
        was, now = ({p.item: p.ledge for p in one.placements} for one in (before, after))
        moved = {item for item in was if was[item] != now[item]}
        assert moved in [set(group.ids) for _, group in before.groups]


def test_merging_makes_one_of_two_and_splitting_two_of_one(demo: Plan) -> None:
    for move, step in ((merged, -1), (split, 1)):
        for before, after in tried(move, demo):
            assert len(after.groups) == len(before.groups) + step
            assert {p.item for p in after.placements} == {p.item for p in before.placements}


def test_a_group_is_exchanged_for_one_with_another_lead(demo: Plan) -> None:
    for before, after in tried(group_exchanged, demo):
        kept = {group.ids for _, group in before.groups} & {group.ids for _, group in after.groups}
        (gone,) = (group for _, group in before.groups if group.ids not in kept)
        (new,) = (group for _, group in after.groups if group.ids not in kept)
        assert gone.anchor.thing.id not in new.ids


def test_groups_keep_to_the_spans_between_bars_and_what_stays() -> None:
    bar = Fixture(kind="bar", left=380.0, floor=100.0, width=60.0, height=380.0)
    problem = problem_of(plan_of(jars(9), (), case_of(1, fixtures=(bar,))), "case", Manner())
    stock = Stock(problem, Random(1))
    assert spans_of(stock, stock.ledges[0]) == [(0.0, 352.0), (428.0, 800.0)]
    for seed in range(8):
        composition = composed(problem, seed)
        assert composition is not None
        for _, group in composition.groups:
            assert group.foot_right <= 352.0 or group.foot_left >= 428.0


def test_under_a_bar_across_an_opening_things_are_lower() -> None:
    bar = Fixture(kind="bar", left=20.0, floor=300.0, width=800.0, height=20.0)
    problem = problem_of(plan_of(jars(9), (), case_of(1, fixtures=(bar,))), "case", Manner())
    composition = composition_of(problem)
    assert composition.stock.frame(composition.stock.ledges[0]) == 190.0
    assert max(group.height for _, group in composition.groups) <= 190.0


def test_what_is_locked_stays_and_groups_keep_clear_of_it() -> None:
    kept = put("jar8", x=400.0, locked=True)
    plan = plan_of(jars(9), (kept,), case_of(1))
    problem = problem_of(plan, "case", Manner(), plan.looks[0])
    composition = composition_of(problem)
    assert kept in composition.placements
    assert composition.groups
    for _, group in composition.groups:
        assert group.foot_right < 355.0 or group.foot_left > 445.0


@pytest.mark.parametrize("kind", ["together", "mirrored", "centred"])
def test_particular_wishes_come_first(kind: str) -> None:
    wish = Wish(kind=kind, items=("jar0", "jar1"))  # type: ignore[arg-type]
    salver = thing("salver", "tray", width=420.0, depth=200.0)
    problem = problem_of(plan_of((*jars(9), salver), (), case_of(2, wishes=(wish,))), "case", Manner())
    (found,) = proposals([problem], 1, steps=20).found
    assert found.is_valid, found.left_out
    assert {"jar0", "jar1"} <= {placement.item for placement in found.look.placements}


def test_sixty_that_must_be_there_stand_or_are_told() -> None:
    books = tuple(
        thing(f"novel{n}", "book", width=30.0, height=220.0 + n % 5 * 10, depth=160.0, traits=("must-keep",))
        for n in range(60)
    )
    problem = problem_of(plan_of(books, (), case_of(3)), "case", Manner())
    (found,) = proposals([problem], 1, steps=2).found
    there = {placement.item for placement in found.look.placements}
    assert there == {book.id for book in books} or found.left_out
    assert not stops_of(problem.resolve(found.look.placements))


def test_looks_of_one_run_share_little_and_have_other_leads(demo: Plan) -> None:
    start = next(start for start in STARTS if begin(start, set()).kind == "console")
    problem = problem_for(start, demo)
    found = [one.look.placements for one in proposals([problem] * 3, 1, steps=120).found]
    for one, other in combinations(({p.item for p in placements} for placements in found), 2):
        assert len(one & other) <= 0.5 * min(len(one), len(other))
    size = {item.id: item.width * item.height for item in demo.stash if not item.is_book}
    leads = [max((p.item for p in placements if p.item in size), key=lambda one: size[one]) for placements in found]
    assert len(set(leads)) == 3


@pytest.mark.parametrize("count", [1, 2])
def test_next_to_nothing_still_gives_a_sound_look(count: int) -> None:
    problem = problem_of(plan_of(jars(count), (), case_of(1)), "case", Manner())
    (found,) = proposals([problem], 1, steps=10).found
    assert found.is_valid
    assert 1 <= len(found.look.placements) <= count


def test_where_nothing_belongs_one_sentence_says_so() -> None:
    hubs = tuple(thing(f"hub{n}", "device") for n in range(5))
    with pytest.raises(EditError, match=r"belongs on Case by itself.*meant for it"):
        problem_of(plan_of(hubs, (), case_of(1)), "case", Manner())
    meant = tuple(replace(hub, meant_for=("case",)) for hub in hubs)
    assert problem_of(plan_of(meant, (), case_of(1)), "case", Manner()).candidates


def liked(groups: tuple[Group, ...], piece: Piece, items: tuple[Item, ...]) -> float:
    """Return how groups on the first ledge of a piece are liked."""
    problem = problem_of(plan_of(items, (), piece), "case", Manner())
    stock = Stock(problem, Random(1))
    ledge = piece.ledges[0]
    placed = tuple((ledge, group) for group in groups)
    return liking_of(Composition(stock, placed, placements_of(placed), GroupPool()))


def group_at(x: float, *things: Item, form: str = "anchored", depth: float = 300.0) -> Group:
    group = Group(form, depth)
    for item in things:
        group.set_down(Thing(item), "back", overlap=0.0)
    return group.shift(x - (group.left + group.right) / 2)


def test_an_empty_end_costs_on_a_wide_top() -> None:
    top = Ledge(id="top", left=0, floor=800, width=1500, depth=350)
    piece = case_of(1, kind="console", width=1500.0, height=800.0, ledges=(top,))
    items = jars(6)
    both = (group_at(200.0, *items[:3]), group_at(1300.0, *items[3:]))
    one_side = (group_at(200.0, *items[:3]), group_at(800.0, *items[3:]))
    assert liked(both, piece, items) > liked(one_side, piece, items)


def test_a_ledge_of_pairs_only_reads_as_scattered(monkeypatch: pytest.MonkeyPatch) -> None:
    case, items = case_of(1), jars(6)
    pairs = tuple(group_at(150.0 + 250.0 * number, *items[2 * number : 2 * number + 2]) for number in range(3))
    threes = (group_at(180.0, *items[:3]), group_at(620.0, *items[3:]))
    with_cost = liked(threes, case, items), liked(pairs, case, items)
    monkeypatch.setattr(liking, "SCATTERED", 0.0)
    assert with_cost[0] == liked(threes, case, items)
    assert with_cost[1] < liked(pairs, case, items)


def test_what_stands_before_a_mirror_costs() -> None:
    top = Ledge(id="top", left=0, floor=800, width=1500, depth=350)
    mirror = Fixture(kind="mirror", left=500.0, floor=850.0, width=500.0, height=500.0)
    piece = case_of(1, kind="console", width=1500.0, height=800.0, ledges=(top,), fixtures=(mirror,))
    items = jars(6)
    clear = (group_at(200.0, *items[:3]), group_at(1300.0, *items[3:]))
    before = (group_at(700.0, *items[:3]), group_at(1300.0, *items[3:]))
    assert liked(clear, piece, items) > liked(before, piece, items) + 0.5


def test_look_alike_leads_beside_each_other_cost() -> None:
    twins = (thing("one", height=300.0), thing("two", height=300.0))
    other = thing("three", "plant", height=300.0, width=120.0)
    case = case_of(1)
    alike_ones = liked((group_at(150.0, twins[0]), group_at(600.0, twins[1])), case, (*twins, other))
    different = liked((group_at(150.0, twins[0]), group_at(600.0, other)), case, (*twins, other))
    assert different > alike_ones + 0.3


def test_an_empty_clear_vessel_costs_and_an_empty_tray_too() -> None:
    clear, solid = thing("vase", height=250.0, finish="clear"), thing("urn", height=250.0, finish="matt")
    case = case_of(1)
    alone = {one: liked((group_at(400.0, one),), case, (clear, solid)) for one in (clear, solid)}
    assert alone[solid] > alone[clear] + 0.7
    tray = thing("salver", "tray", width=300.0, depth=200.0, height=20.0)
    laid = Group("tray", 300.0)
    under = laid.set_down(Thing(tray))
    items = (tray, *jars(3))
    bare = liked((laid.copy(),), case, items)
    for number, along in enumerate((-80.0, 80.0)):
        laid.put_into(Thing(items[1 + number]), under, along)
    assert liked((laid,), case, items) > bare + 0.5


def test_pictures_lean_and_nothing_of_the_wall_stands_on_a_table(demo: Plan) -> None:
    for start in FROM_THE_HOUSE:
        problem = problem_for(start, demo)
        for ledge, group in composition_of(problem).groups:
            for member in group:
                if member.thing.category in WALL_CATEGORIES:
                    assert role_of(problem.piece, ledge) not in ("table", "island", "floor", "hearth")
                    assert member.pose in ("leaning", "upright")


def test_good_groups_are_kept_for_each_size_of_ledge(demo: Plan) -> None:
    problem = problem_of(demo, "alcove", Manner())
    stock, pool = Stock(problem, Random(1)), GroupPool()
    ledge = problem.open_ledges[1]
    first = pool.groups_within(stock, ledge, set(), ledge.width)
    again = pool.groups_within(stock, ledge, set(), ledge.width)
    assert [group.ids for group in again] == [group.ids for group in first]
    assert not {id(group) for group in again} & {id(group) for group in first}, "copies: who takes one moves it"
    grades = [grade_of(stock, ledge, group) for group in first]
    assert grades[0] > mean(grades) > grades[-1]
    forms = Counter(group.form for group in first)
    assert len(forms) >= 5
    assert max(forms.values()) <= OF_A_FORM


def test_what_comes_from_the_pool_is_narrow_and_not_in_use(demo: Plan) -> None:
    problem = problem_of(demo, "alcove", Manner())
    stock, pool = Stock(problem, Random(1)), GroupPool()
    ledge = problem.open_ledges[1]
    all_of_them = pool.groups_within(stock, ledge, set(), ledge.width)
    used = all_of_them[0].ids
    half = pool.groups_within(stock, ledge, used, ledge.width / 2)
    assert 0 < len(half) < len(all_of_them)
    assert not any(group.ids & used or group.width > ledge.width / 2 for group in half)
    mine = {thing.id: thing for thing in stock.pool}
    assert all(member.thing is mine[member.thing.id] for group in half for member in group)


@pytest.mark.parametrize("side", [1, -1], ids=["too-few", "too-many"])
def test_a_composition_off_its_number_comes_nearer_to_it(demo: Plan, side: int) -> None:
    start = next(one for one in STARTS if one.id == "console")
    free = tuple(replace(item, traits=tuple(one for one in item.traits if one != "must-keep")) for item in demo.stash)
    full = composition_of(problem_for(start, replace(demo, stash=free)))
    fullness: Fullness = "abundant" if side > 0 else "airy"
    problem = replace(full.stock.problem, manner=Manner(fullness=fullness))
    off = replace(full, stock=Stock(problem, Random(1)))
    count, rng = things_in(group for _, group in off.groups), Random(3)
    found = [one for _ in range(30) if (one := nearer_the_count(off, rng)) is not None]
    assert found
    for one in found:
        assert side * (things_in(group for _, group in one.groups) - count) > 0
        assert problem.can_stand(problem.resolve(one.placements))
