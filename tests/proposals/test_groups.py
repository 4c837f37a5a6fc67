"""Groups: every form stands by itself, is what its name says, and keeps to its width."""

from collections.abc import Callable
from itertools import combinations, pairwise
from random import Random

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, thing
from households import household
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.proposals.composing.composition import composed, placements_of
from jolly_ledge.proposals.groups.anchored import anchored
from jolly_ledge.proposals.groups.books import crowned_stack, is_library, row
from jolly_ledge.proposals.groups.candles import candlesticks
from jolly_ledge.proposals.groups.clusters import cluster
from jolly_ledge.proposals.groups.folded import folded_on_a_box
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.lamps import lamp_set
from jolly_ledge.proposals.groups.nests import nest
from jolly_ledge.proposals.groups.pairs import paired
from jolly_ledge.proposals.groups.register import FORMS
from jolly_ledge.proposals.groups.stock import Stock, alike
from jolly_ledge.proposals.groups.trays import tray_set
from jolly_ledge.proposals.groups.vessels import stems_suit
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.thing import Palette, Thing, choose_palette

CREAM, OAK, RUST, BLUE, LIME = "#f4f0e6", "#b08a5e", "#c4663c", "#2f4f7f", "#00c853"
STASH: tuple[Item, ...] = (
    *(thing(f"jar{n}", height=160.0 + 30 * n, width=90.0 + 12 * n, depth=90.0 + 12 * n, silhouette="bottle", mouth=60.0,
            colours=((CREAM if n % 2 else RUST, 1.0),)) for n in range(5)),
    *(thing(f"atlas{n}", "book", width=32.0, height=230.0 + 8 * n, depth=170.0 + 5 * n, colours=((OAK, 1.0),))
      for n in range(12)),
    *(thing(f"shell{n}", "object", width=70.0 + 10 * n, height=60.0 + 40 * n, depth=70.0, colours=((CREAM, 1.0),))
      for n in range(5)),
    thing("stack", "book-stack", colours=((CREAM, 1.0),)),
    thing("dish", "bowl", width=180.0, depth=180.0, height=70.0, colours=((OAK, 1.0),)),
    thing("chest", "box", width=240.0, traits=("lidded",), colours=((OAK, 1.0),)),
    thing("salver", "tray", width=420.0, depth=200.0, height=20.0, colours=((OAK, 1.0),)),
    *(thing(f"candle{n}", "candle", width=80.0, depth=80.0, height=200.0, colours=((CREAM, 1.0),)) for n in range(2)),
    *(thing(f"picture{n}", "frame", width=180.0 + 30 * n, height=250.0 + 40 * n, colours=((OAK, 1.0),)) for n in range(2)),
    thing("twigs", "stems", width=160.0, height=160.0, colours=((OAK, 1.0),)),
    thing("plates", "tableware", width=150.0, depth=150.0, height=120.0, colours=((CREAM, 1.0),)),
    *(thing(f"urn{n}", "vessel", width=150.0 - 30 * n, height=220.0 - 60 * n, depth=150.0 - 30 * n, set="urns",
            colours=((CREAM, 1.0),)) for n in range(3)),
    thing("lamp", "lamp", width=180.0, depth=180.0, height=360.0, colours=((CREAM, 1.0),)),
)  # fmt: skip


def stock_of(seed: int = 1, piece: Piece | None = None, stash: tuple[Item, ...] = STASH) -> Stock:
    plan = plan_of(stash, (), piece or case_of(2, purpose="shows china"))
    return Stock(problem_of(plan, "case", Manner()), Random(seed))


def on_the_ledge(
    form: Callable[..., Group | None], seed: int, stash: tuple[Item, ...] = STASH, piece: Piece | None = None,
    **more: object,
) -> tuple[Stock, Group]:  # fmt: skip
    stock = stock_of(seed, piece, stash)
    group = form(stock, stock.ledges[0], set(), **more)
    assert group is not None
    return stock, group


def console() -> Piece:
    ledge = Ledge(id="a1", left=0.0, floor=800.0, width=1300.0, depth=380.0)
    return Piece(id="case", kind="console", width=1300.0, height=800.0, depth=380.0, ledges=(ledge,))


def with_a_shelf_below() -> Piece:
    low = Ledge(id="low", left=60.0, floor=150.0, width=1180.0, depth=360.0, clearance=600.0)
    return replace(console(), ledges=(low, *console().ledges))


STICKS = tuple(
    thing(f"stick{n}", "candle", width=70.0, depth=70.0, height=230.0 - 70 * n, colours=((OAK, 1.0),)) for n in range(2)
)


TRIO = tuple(
    thing(f"canister{n}", width=100.0, depth=100.0, height=200.0 - 30 * n, set="canisters", sense="trio",
          colours=((OAK, 1.0),)) for n in range(3)
)  # fmt: skip


PLAID = thing("plaid", "textile", width=250.0, depth=200.0, height=90.0, colours=((CREAM, 1.0),))


@pytest.mark.parametrize("seed", range(6))
@pytest.mark.parametrize("name", FORMS)
def test_a_group_stands_by_itself(name: str, seed: int) -> None:
    piece = {"lamp": console(), "folded": with_a_shelf_below()}.get(name)
    stock, group = on_the_ledge(FORMS[name].make, seed, (*STASH, *STICKS, *TRIO, PLAID), piece, width=600.0)
    ledge = stock.ledges[0]
    assert group.form == name or name == "stack-and-tall"
    group.shift((ledge.width - group.width) / 2 - group.left)
    assert stock.problem.can_stand(stock.problem.resolve(placements_of([(ledge, group)])))
    assert group.width <= 600.0 + 1
    assert len(group.ids) == len(group.members)
    assert group.height <= stock.frame(ledge)


@pytest.mark.parametrize("name", FORMS)
def test_nothing_is_made_of_nothing(name: str) -> None:
    stock = stock_of()
    ledge = stock.ledges[0]
    assert FORMS[name].make(stock, ledge, set(stock.things), width=600.0) is None
    assert FORMS[name].make(stock, ledge, set(), width=20.0) is None


@pytest.mark.parametrize(
    ("changes", "goes"),
    [({}, True), ({"width": 280.0}, False), ({"depth": 320.0}, False), ({"height": 400.0}, False)],
)
def test_what_is_folded_lies_on_a_shut_box_that_bears_it(changes: dict[str, float], *, goes: bool) -> None:
    stock = stock_of(1, with_a_shelf_below(), (*STASH, replace(PLAID, **changes)))
    group = folded_on_a_box(stock, stock.ledges[0], set())
    assert (group is not None) is goes
    if group is not None:
        box, folded = group.members
        assert (box.thing.id, folded.thing.id, folded.on) == ("chest", "plaid", box)


@pytest.mark.parametrize("seed", range(4))
def test_an_anchor_has_lower_companions_and_nothing_hides_it(seed: int) -> None:
    _, group = on_the_ledge(anchored, seed, width=500.0)
    anchor = group.members[0]
    assert len(group.members) >= 2
    for member in group.members[1:]:
        if member.inside is None:
            assert member.height < anchor.height
            assert member.z <= anchor.z + 1


@pytest.mark.parametrize("seed", range(4))
def test_a_stack_narrows_upward_and_is_crowned(seed: int) -> None:
    _, group = on_the_ledge(crowned_stack, seed)
    lying = [member for member in group if member.thing.category in ("book", "book-stack")]
    for below, above in pairwise(lying):
        assert above.on is below
        assert above.width <= below.width + 2
    assert group.members[-1].thing.category not in ("book", "book-stack")
    assert group.members[-1].on is lying[-1]


@pytest.mark.parametrize("seed", range(4))
def test_a_row_stands_at_an_end_and_is_held_at_the_other(seed: int) -> None:
    for side in (1, -1):
        _, group = on_the_ledge(row, seed, side=side)
        assert group.wants_end == -side
        hold = max(group, key=lambda member: side * member.x)
        assert hold.thing.category != "book"
        books = sorted((member for member in group if member.thing.category == "book"), key=lambda member: member.x)
        assert len(books) >= 3
        for one, other in pairwise(books):
            assert other.left == pytest.approx(one.right, abs=0.5)


def test_many_books_fill_their_shelf_and_few_do_not() -> None:
    shelf = tuple(
        thing(f"novel{n}", "book", width=30.0, height=240.0, depth=160.0, colours=((OAK, 1.0),)) for n in range(60)
    )
    many = stock_of(stash=(*STASH, *shelf))
    assert is_library(many)
    assert not is_library(stock_of())
    long, short = row(many, many.ledges[0], set(), width=700.0), row(stock_of(), many.ledges[0], set(), width=700.0)
    assert long is not None
    assert short is not None
    assert long.width > 560.0 > short.width


@pytest.mark.parametrize("seed", range(4))
def test_what_is_on_a_tray_lies_within_its_rim_and_apart(seed: int) -> None:
    _, group = on_the_ledge(tray_set, seed)
    tray, *others = group.members
    on_it = [member for member in others if member.inside is tray]
    assert len(on_it) >= 2
    for member in on_it:
        assert tray.left <= member.left
        assert member.right <= tray.right
        assert tray.front <= member.front
        assert member.back <= tray.back
    for one, other in combinations(on_it, 2):
        apart = one.right <= other.left or other.right <= one.left or one.back <= other.front or other.back <= one.front
        assert apart


def test_a_pair_stands_about_the_middle_and_is_alike() -> None:
    stock = stock_of()
    ledge = stock.ledges[0]
    groups = paired(stock, ledge, set())
    ends = [group for group in groups if group.form == "pair"]
    assert len(ends) == 2
    assert ends[0].anchor.x + ends[1].anchor.x == pytest.approx(ledge.width)
    assert ends[0].anchor.thing.category == ends[1].anchor.thing.category
    assert ends[0].anchor.height == pytest.approx(ends[1].anchor.height, rel=0.06)


def test_a_lamp_has_something_beside_it() -> None:
    top = Ledge(id="top", left=0, floor=550, width=600, depth=400)
    piece = case_of(1, kind="nightstand", height=550.0, width=600.0, ledges=(top,))
    stock = stock_of(piece=piece)
    group = lamp_set(stock, stock.ledges[0], set(), width=500.0)
    assert group is not None
    assert group.members[0].thing.id == "lamp"
    assert len(group.members) >= 2
    assert all(member.height < group.members[0].height for member in group.members[1:])


@pytest.mark.parametrize("crowns", [0, 1])
def test_books_by_a_lamp_lie_there_under_something_or_not_at_all(crowns: int) -> None:
    shell = thing("shell", "object", width=100.0, depth=90.0, height=60.0)
    books = thing("books", "book-stack", width=240.0, depth=170.0, height=90.0)
    lamp = thing("lamp", "lamp", width=280.0, depth=280.0, height=480.0)
    stock = stock_of(stash=(lamp, books, shell)[: 2 + crowns], piece=console())
    top = next(ledge for ledge in stock.ledges if stock.roles[ledge.id] == "top")
    found = [lamp_set(stock, top, set(), width=700.0) for _ in range(12)]
    assert all(group is not None for group in found)
    lying = [group for group in found if group is not None and "books" in group.ids]
    assert bool(lying) == bool(crowns)
    assert all("shell" in group.ids for group in lying)


def test_candlesticks_step_down() -> None:
    sticks = tuple(
        thing(f"stick{n}", "candle", width=80.0, depth=80.0, height=250.0 - 80 * n, colours=((CREAM, 1.0),))
        for n in range(2)
    )
    stock = stock_of(stash=(*sticks, *STASH))
    group = candlesticks(stock, stock.ledges[0], {"candle0", "candle1"}, width=500.0)
    assert group is not None
    heights = [member.height for member in group]
    assert heights[:2] == [250.0, 170.0]
    assert max(heights[2:], default=0.0) < 100.0
    assert candlesticks(stock, stock.ledges[0], {"candle0", "candle1", "stick1"}, width=500.0) is None


def test_stems_suit_a_vessel_by_mouth_and_rise() -> None:
    twigs = Thing(thing("twigs", "stems", width=160.0, height=200.0))
    jar = thing("jar", height=200.0, mouth=60.0)
    assert stems_suit(Thing(jar), twigs, None) > 0.5
    assert stems_suit(Thing(jar), twigs, 300.0) < 0
    assert stems_suit(Thing(thing("jar", height=200.0, mouth=60.0, traits=("lidded",))), twigs, None) < 0
    assert stems_suit(Thing(thing("urn", height=600.0, mouth=60.0)), twigs, None) < 0
    assert stems_suit(Thing(thing("dish", "bowl")), twigs, None) < 0


def test_a_copied_or_mirrored_group_keeps_its_members_and_their_hosts() -> None:
    _, group = on_the_ledge(crowned_stack, 1)
    before = placements_of([(case_of(2).ledge("a1"), group)])
    twin = group.copy().shift(100.0)
    assert placements_of([(case_of(2).ledge("a1"), group)]) == before
    assert [member.on is not None for member in twin] == [member.on is not None for member in group]
    assert all(member.on is None or member.on in twin.members for member in twin)
    assert twin.left == pytest.approx(group.left + 100.0)
    assert group.copy().mirror().left == pytest.approx(-group.right)


def test_what_is_taken_out_takes_along_what_it_carries() -> None:
    _, group = on_the_ledge(tray_set, 1)
    group.take_out(group.members[0])
    assert not group.members


def test_a_palette_has_one_accent_that_two_things_bear_and_shuns_a_loud_one() -> None:
    stash = [Thing(item) for item in (*STASH, thing("toy", "object", colours=((LIME, 1.0),)))]
    for one in stash:
        one.welcome = {"a1": 1.0}
    palette = choose_palette(stash, Manner(), Random(1))
    assert "rust" in palette.meant
    assert "acid" not in palette.meant
    assert palette.fit(stash[-1]) < 0 < palette.fit(stash[0])
    assert choose_palette(stash, Manner(palette=(BLUE,)), Random(1)).meant == {"blue"}


def test_a_stock_leaves_out_what_does_not_suit_and_takes_what_must_be_there() -> None:
    loud = thing("toy", "object", height=150.0, colours=((LIME, 1.0),))
    assert all(one.id != "toy" for one in stock_of(stash=(*STASH, loud)).pool)
    must = thing("toy", "object", height=150.0, colours=((LIME, 1.0),), traits=("must-keep",))
    assert any(one.id == "toy" for one in stock_of(stash=(*STASH, must)).pool)


def test_likeness_counts_kind_shape_and_hue_and_a_set_is_meant() -> None:
    one, other = Thing(thing("one")), Thing(thing("other"))
    assert alike(one, other) == 1.0
    assert alike(one, Thing(thing("dish", "bowl", colours=((BLUE, 1.0),)))) == 0.0
    assert alike(Thing(thing("one", set="trio")), Thing(thing("other", set="trio"))) == 0.0
    assert isinstance(choose_palette([one], Manner(), Random(1)), Palette)


def test_a_nest_is_of_one_set_and_steps_down() -> None:
    _, group = on_the_ledge(nest, 2, width=600.0)
    assert len(group.members) >= 2
    assert len({member.thing.item.set for member in group}) == 1
    heights = [member.height for member in group]
    assert all(lower <= 0.86 * higher for higher, lower in pairwise(heights))


@pytest.mark.parametrize("seed", range(4))
def test_a_cluster_stands_in_a_triangle(seed: int) -> None:
    _, group = on_the_ledge(cluster, seed, width=600.0)
    ground = [member for member in group if member.stands]
    assert len(ground) == 3
    risen, one, other = ground
    assert (one.x - risen.x) * (other.x - risen.x) < 0
    assert one.z < risen.z
    assert other.z < risen.z
    assert all(group.is_clear(member) for member in ground)


def test_every_group_of_a_look_is_of_a_form_that_is_known() -> None:
    whole_tops = {"pair", "machines", "show", "crock", "end"}
    for start in ("bookcase", "console", "mantel", "counter", "coffee-table-round", "nightstand"):
        plan, manner = household(start, 5)
        problem = problem_of(plan, plan.pieces[0].id, manner)
        for seed in range(6):
            found = composed(problem, seed)
            if found is not None:
                assert {group.form for _, group in found.groups} <= whole_tops | FORMS.keys()
