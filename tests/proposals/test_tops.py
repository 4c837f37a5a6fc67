"""Tops: few, larger groups; a counter keeps one free stretch and something green; nothing stands before a fire."""

from collections.abc import Iterator
from random import Random
from statistics import mean
from types import ModuleType

import pytest
from msgspec.structs import replace

from builders import thing
from households import household
from jolly_ledge.measures.counts import UNDER_A_PICTURE, recommended
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Fixture, Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.starts.tops import coffee_table, mantel
from jolly_ledge.model.words import Category, FixtureKind
from jolly_ledge.proposals.composing import liking, liking_of_tables
from jolly_ledge.proposals.composing.composition import Composition, composed
from jolly_ledge.proposals.composing.liking import (
    ON_THE_FLOOR,
    liking_by_ledge,
    liking_of,
    too_many_of_a_kind,
    twin_finds,
)
from jolly_ledge.proposals.composing.liking_of_a_group import CRUMBS, HIDES, liking_of_a_group
from jolly_ledge.proposals.composing.liking_of_spacing import without_a_rest
from jolly_ledge.proposals.composing.pool import GroupPool
from jolly_ledge.proposals.composing.refining import refined
from jolly_ledge.proposals.composing.schemes import groups_borne
from jolly_ledge.proposals.composing.tables import on_a_table
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.trays import tray_set
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.thing import Thing


def compositions(start: str, seed: int, throws: int) -> Iterator[Composition]:
    """Yield what is composed for a household, and what comes of it after a few moves."""
    plan, manner = household(start, seed)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    for number in range(throws):
        found = composed(problem, number)
        rng = Random(number)
        for _ in range(12):
            if found is not None:
                yield found
                found = refined(found, rng) or found


@pytest.mark.parametrize("seed", [31, 32])
def test_nothing_stands_before_a_fire(seed: int) -> None:
    low = 0
    for found in compositions("mantel", seed, 8):
        fire = next(fixture for fixture in found.stock.piece.fixtures if fixture.kind == "firebox")
        for ledge, group in found.groups:
            if ledge.floor < fire.floor + fire.height:
                low += 1
                assert ledge.left + group.right <= fire.left + 10 or ledge.left + group.left >= fire.right - 10
    assert low


def test_one_large_thing_beside_a_fire_is_liked_better_than_a_bare_hearth() -> None:
    """A hearth is parted by its fire as a shelf is by a bar, but it need not be filled on both sides."""
    piece = mantel()
    crock = thing("crock", width=230.0, depth=230.0, height=400.0, traits=frozenset({"lidded"}))
    stock = Stock(problem_of(Plan(pieces=(piece,), stash=(crock,)), piece.id, Manner()), Random(1))
    hearth = next(ledge for ledge in stock.ledges if stock.roles[ledge.id] == "hearth")
    group = Group("worthy", hearth.depth)
    group.set_down(stock.things["crock"], "middle")
    group.shift(30.0 - group.left)
    beside, bare = (
        liking_by_ledge(Composition(stock, groups, (), GroupPool()))[hearth.id]
        for groups in (((hearth, group),), ())
    )  # fmt: skip
    assert beside + ON_THE_FLOOR > bare


def test_a_counter_without_a_cooktop_keeps_one_stretch_free_and_shows_something_green() -> None:
    plan, manner = household("counter", 3)
    (piece,) = plan.pieces
    problem = problem_of(plan, piece.id, manner)
    assert any(item.category == "plant" for item in problem.candidates)
    found = [one for number in range(40) if (one := composed(problem, number)) is not None]
    with_green = [one for one in found if any(member.thing.green for _, group in one.groups for member in group)]
    assert len(with_green) > len(found) / 4
    best = max(found, key=liking_of)
    assert best in with_green


@pytest.mark.parametrize(("width", "fullness", "most"), [(900, "airy", 2), (1200, "layered", 3), (2400, "layered", 4)])
def test_a_wider_top_bears_more_groups(width: float, fullness: str, most: int) -> None:
    ledge = Ledge(id="top", left=0, floor=800, width=width, depth=400)
    assert groups_borne(ledge, fullness) == most  # type: ignore[arg-type]


def stock_of(*items: Item, kind: str = "coffee-table", width: float = 1200.0, depth: float = 620.0) -> Stock:
    """Return a stock for a bare top of one ledge."""
    top = Ledge(id="a1", left=0.0, floor=420.0, width=width, depth=depth)
    piece = Piece(id="t", kind=kind, width=width, height=420.0, depth=depth, ledges=(top,), viewed_from="around")  # type: ignore[arg-type]
    plan = Plan(name="Test", pieces=(piece,), stash=items)
    return Stock(problem_of(plan, "t", Manner()), Random(2))


ON_A_TRAY = (
    thing("vase", height=215.0, width=185.0, depth=185.0), thing("box", "box", width=120.0, height=60.0, depth=110.0),
    thing("stone", "object", width=100.0, height=62.0, depth=90.0),
)  # fmt: skip


@pytest.mark.parametrize(("depth", "gathers"), [(330.0, True), (360.0, False)])
def test_a_tray_may_take_most_of_the_depth_of_its_group(depth: float, *, gathers: bool) -> None:
    stock = stock_of(thing("tray", "tray", width=470.0, depth=depth, height=16.0), *ON_A_TRAY)
    near = replace(stock.ledges[0], depth=400.0)
    group = tray_set(stock, near, set(), width=520.0)
    assert (group is not None) is gathers
    if group is not None:
        assert {member.thing.id for member in group} >= {"tray", "vase"}


def test_two_things_share_a_tray_where_both_have_room_on_it() -> None:
    tray = thing("tray", "tray", width=395.0, depth=282.0, height=42.0)
    vase, bowl = (
        thing("vase", height=162.0, width=135.0, depth=135.0),
        thing("bowl", "bowl", height=124.0, width=162.0, depth=162.0),
    )
    stock = stock_of(tray, vase, bowl)
    group = tray_set(stock, replace(stock.ledges[0], depth=400.0), set(), width=520.0)
    assert group is not None
    assert {member.thing.id for member in group} == {"tray", "vase", "bowl"}


def test_what_is_gathered_on_a_tray_is_liked_on_a_low_table() -> None:
    plan, manner = household("coffee-table-oval", 1)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    found = [one for number in range(60) if (one := composed(problem, number)) is not None]
    gathered = [one for one in found if any(m.thing.category == "tray" for _, group in one.groups for m in group)]
    assert 0 < len(gathered) < len(found)
    for one in gathered:
        tray = next(m.thing for _, group in one.groups for m in group if m.thing.category == "tray")
        liked, tray.category = liking_of(one), "object"
        # The same things at the same places, and nothing of them gathers.
        assert liking_of(one) < liked
        tray.category = "tray"


def test_low_tables_on_which_more_is_seen_are_liked_the_better(monkeypatch: pytest.MonkeyPatch) -> None:
    plan, manner = household("coffee-table-oval", 1)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    found = [one for number in range(60) if (one := composed(problem, number)) is not None]

    def seen(one: Composition) -> float:
        return sum(m.width * m.height for _, group in one.groups for m in group)

    def gained() -> float:
        """Return how much better the fuller half is liked than the barer."""
        for one in found:
            one.stock.liked.clear()
        ordered = sorted(found, key=seen)
        half = len(found) // 2
        return mean(map(liking_of, ordered[half:])) - mean(map(liking_of, ordered[:half]))

    asked = gained()
    monkeypatch.setattr(liking_of_tables, "SEEN_ON_A_TABLE", dict.fromkeys(("airy", "layered", "abundant"), 0.0))
    assert asked > gained() + 0.05


def test_groups_along_a_top_leave_one_clear_rest() -> None:
    stock = stock_of(*(thing(f"vase-{n}", height=300.0, width=150.0, depth=150.0) for n in range(3)))
    ledge = stock.ledges[0]

    def set_at(*lefts: float) -> list[Group]:
        groups = []
        for one, left in zip(stock.pool, lefts, strict=True):
            groups.append(Group("worthy", ledge.depth))
            groups[-1].members.append(Member(one, "upright", left + one.width / 2, 100.0))
        return groups

    wide = ledge.width
    evenly, rested = set_at(0.02 * wide, 0.2 * wide, 0.38 * wide), set_at(0.02 * wide, 0.2 * wide, 0.6 * wide)
    assert without_a_rest(ledge, evenly) > 0.3
    assert without_a_rest(ledge, rested) == 0.0
    assert without_a_rest(ledge, evenly[:2]) == 0.0


@pytest.mark.parametrize(
    ("categories", "over"),
    [
        (("vessel", "vessel", "bowl"), 0), (("vessel", "vessel", "vessel"), 1), (("bowl",) * 4, 2),
        (("book-stack",) * 3, 0), (("candle",) * 3, 0), (("object", "object", "object", "vessel", "vessel"), 1),
    ],
)  # fmt: skip
def test_a_third_of_one_kind_is_too_many_on_a_top(categories: tuple[Category, ...], over: int) -> None:
    things = [Thing(thing(f"t{n}", category)) for n, category in enumerate(categories)]
    groups = []
    for number, one in enumerate(things):
        groups.append(Group("worthy", 400.0))
        groups[-1].members.append(Member(one, "upright", 100.0 * number, 100.0))
    assert too_many_of_a_kind(groups) == over
    of_a_set = [Thing(replace(one.item, set="cups", sense="service")) for one in things]
    for group, one in zip(groups, of_a_set, strict=True):
        group.members[0].thing = one
    assert too_many_of_a_kind(groups) == 0


@pytest.mark.parametrize("kind", ["art", "mirror", "tv"])
def test_what_hangs_over_a_top_takes_the_place_of_things_on_it(kind: FixtureKind) -> None:
    top = replace(household("console", 1)[0].pieces[0], fixtures=())
    ledge = next(ledge for ledge in top.ledges if role_of(top, ledge) == "top")
    over = Fixture(kind=kind, left=ledge.left + 100, floor=ledge.floor + 400, width=500, height=500)
    bears = recommended(top, ledge, "layered")
    assert recommended(replace(top, fixtures=(over,)), ledge, "layered") == pytest.approx(UNDER_A_PICTURE * bears)
    aside = replace(over, left=ledge.right + 50)
    assert recommended(replace(top, fixtures=(aside,)), ledge, "layered") == bears


def test_a_high_opening_takes_what_is_too_tall_for_the_others() -> None:
    low, high = 260.0, 420.0
    shelves = tuple(
        Ledge(id=f"s{n}", left=0.0, floor=200.0 + 450 * n, width=1200.0, depth=320.0, clearance=clearance)
        for n, clearance in enumerate((high, low, low))
    )
    piece = Piece(id="h", kind="hutch", width=1200.0, height=1600.0, depth=340.0, ledges=shelves)
    tall = tuple(thing(f"tall{n}", height=330.0 + 20 * n, width=150.0) for n in range(3))
    usual = tuple(thing(f"usual{n}", height=180.0 + 6 * n, width=130.0) for n in range(12))
    problem = problem_of(Plan(name="Test", pieces=(piece,), stash=(*tall, *usual)), "h", Manner())
    found = [one for number in range(30) if (one := composed(problem, number)) is not None]
    used = [sum(member.thing.id.startswith("tall") for _, group in one.groups for member in group) for one in found]
    assert mean(used) > 1.5


@pytest.mark.parametrize(
    ("behind", "before", "is_hidden"),
    [("vessel", 180.0, True), ("vessel", 100.0, False), ("frame", 180.0, False)],
)
def test_before_what_is_round_only_what_is_low_stands(behind: Category, before: float, is_hidden: bool) -> None:
    back = thing("back", behind, width=180.0, height=240.0, depth=30.0)
    front = thing("front", "object", width=100.0, height=before, depth=60.0)
    stock = stock_of(back, front, kind="console")

    def liked(overlap: float) -> float:
        group = Group("anchored", 300.0)
        group.set_down(stock.things["back"], "back")
        group.set_down(stock.things["front"], "front", 1, overlap)
        return liking_of_a_group(stock, stock.ledges[0], group)

    # A little of an overlap is liked; as much of it before a vase costs more than that.
    assert (liked(0.0) - liked(0.35) > HIDES / 2) == is_hidden


def test_a_tray_as_deep_as_the_place_of_a_group_may_come_to_a_low_table() -> None:
    piece = coffee_table()
    (top,) = (ledge for ledge in piece.ledges if role_of(piece, ledge) == "table")
    wide = replace(top, width=950.0, depth=950.0)
    piece = replace(
        piece, ledges=tuple(wide if ledge is top else ledge for ledge in piece.ledges), width=950.0, depth=950.0
    )
    tray = thing("tray", "tray", width=400.0, height=40.0, depth=400.0)
    small = [thing(f"bowl-{n}", "bowl", width=110.0 + 10 * n, depth=110.0, height=60.0 + 15 * n) for n in range(4)]
    plan = Plan(pieces=(piece,), stash=(tray, *small))
    stock = Stock(problem_of(plan, piece.id, Manner()), Random(1))
    found = [group for _ in range(6) for group in on_a_table(stock, wide, ()) if group.form == "tray"]
    assert found
    assert all(group.anchor.thing.id == "tray" and len(group.members) > 2 for group in found)


def test_a_crumb_is_liked_less_than_what_shows() -> None:
    stock = stock_of(thing("cup", width=50.0, height=60.0), thing("urn", width=220.0, height=300.0), kind="console")

    def liked(name: str) -> float:
        group = Group("anchored", 300.0)
        group.set_down(stock.things[name], "middle")
        return liking_of_a_group(stock, stock.ledges[0], group)

    assert liked("urn") - liked("cup") > CRUMBS / 2


@pytest.mark.parametrize("seed", [1, 2, 3, 4])
def test_a_dining_table_is_set_with_dishes_where_little_else_is_at_hand(seed: int) -> None:
    plan, manner = household("dining-table", seed)
    plan = replace(plan, stash=tuple(i for i in plan.stash if i.category in ("vessel", "tableware", "stems")))
    problem = problem_of(plan, plan.pieces[0].id, replace(manner, fullness="layered"))
    for throw in range(6):
        found = composed(problem, throw)
        assert found is not None
        dishes = [member for _, group in found.groups for member in group if member.thing.category == "tableware"]
        assert len(dishes) >= 2


def test_under_a_screen_a_row_of_books_and_a_small_mirror_come_where_no_vessel_is_at_hand() -> None:
    screen = Fixture(kind="tv", left=250.0, floor=1_700.0, width=900.0, height=500.0)
    piece = mantel()
    piece = replace(piece, fixtures=(*(one for one in piece.fixtures if one.kind == "firebox"), screen))
    white = (("#e6dcc6", 1.0),)
    stash = (
        thing("almanacs", "book-row", width=190.0, height=235.0, depth=120.0, colours=white),
        thing("glass", "mirror", width=210.0, height=210.0, depth=20.0, colours=white),
        thing("ball", "object", width=84.0, height=84.0, depth=84.0, colours=white),
    )
    problem = problem_of(Plan(pieces=(piece,), stash=stash), piece.id, Manner(fullness="airy"))
    for seed in range(8):
        found = composed(problem, seed)
        assert found is not None
        top = [member for ledge, group in found.groups if found.stock.roles[ledge.id] == "top" for member in group]
        assert {member.thing.id for member in top} == {"almanacs", "glass", "ball"}


def test_one_candlestick_of_several_is_missed_and_a_lone_one_is_not() -> None:
    sticks = tuple(
        thing(f"stick {height:g}", "candle", silhouette="candlestick", width=90.0, depth=90.0, height=height)
        for height in (340.0, 220.0)
    )
    piece = mantel()

    def cost(stash: tuple[Item, ...], *stood: str) -> float:
        stock = Stock(problem_of(Plan(pieces=(piece,), stash=stash), piece.id, Manner()), Random(1))
        top = next(ledge for ledge in stock.ledges if stock.roles[ledge.id] == "top")
        group = Group("candles", top.depth)
        for name in stood:
            group.set_down(stock.things[name], "middle", 1)
        group.shift(200.0 - group.left)
        return _costs(liking, "ONE_LIGHT", Composition(stock, ((top, group),), (), GroupPool()))

    assert cost(sticks, "stick 340") == pytest.approx(1.0)
    assert cost(sticks, "stick 340", "stick 220") == pytest.approx(0.0)
    assert cost(sticks[:1], "stick 340") == pytest.approx(0.0)


def test_a_second_stack_of_books_on_a_low_table_costs() -> None:
    piece = coffee_table()
    books = tuple(
        thing(f"books {number}", category, width=240.0, depth=170.0, height=90.0)
        for number, category in enumerate(("book-stack", "book-stack", "box"))
    )
    stock = Stock(problem_of(Plan(pieces=(piece,), stash=books), piece.id, Manner()), Random(1))
    top = next(ledge for ledge in stock.ledges if stock.roles[ledge.id] == "table")

    def cost(*stood: str) -> float:
        groups = []
        for number, name in enumerate(stood):
            group = Group("low", top.depth)
            group.set_down(stock.things[name], "middle")
            groups.append((top, group.shift((0.25 + 0.5 * number) * top.width - group.members[0].x)))
        return _costs(liking_of_tables, "ONE_STACK", Composition(stock, tuple(groups), (), GroupPool()))

    assert cost("books 0", "books 1") == pytest.approx(1.0)
    assert cost("books 0", "books 2") == pytest.approx(0.0)


def test_two_finds_of_one_look_on_a_ledge_are_one_too_many() -> None:
    stone = thing("stone", "object", silhouette="sphere", width=120.0, height=90.0, colours=(("#c8b28a", 1.0),))
    finds = (
        stone,
        replace(stone, id="its like", width=130.0),
        replace(stone, id="of its set", set="stones", sense="nest"),
        replace(stone, id="of the set, too", set="stones", sense="nest"),
        replace(stone, id="dark", colours=(("#22242a", 1.0),), width=60.0),
    )
    stock = Stock(problem_of(Plan(pieces=(coffee_table(),), stash=finds), "coffee-table", Manner()), Random(1))

    def twins(*names: str, form: str = "low") -> int:
        groups = []
        for name in names:
            group = Group(form, 500.0)
            group.set_down(stock.things[name], "middle")
            groups.append(group)
        return twin_finds(groups)

    assert twins("stone", "its like") == 1
    assert twins("stone", "its like", "of its set") == 3
    assert twins("of its set", "of the set, too") == 0
    assert twins("stone", "dark") == 0
    assert twins("stone", "its like", form="pair") == 0


def _costs(where: ModuleType, name: str, composition: Composition) -> float:
    """Return how many times a cost is charged on the first ledge of a composition."""
    ledge, liked = composition.groups[0][0].id, []
    for value in (0.0, 1.0):
        with pytest.MonkeyPatch.context() as patch:
            patch.setattr(where, name, value)
            composition.stock.liked.clear()
            liked.append(liking_by_ledge(composition)[ledge])
    return liked[0] - liked[1]
