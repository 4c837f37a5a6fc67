"""Few, larger things: trinkets come last, what rises crowns a pile, a picture leads a mantel, green stands by a machine."""

from random import Random

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts.tops import mantel
from jolly_ledge.proposals.composing.liking import too_many_trifles
from jolly_ledge.proposals.groups.books import may_crown
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.proposals.thing import Thing
from jolly_ledge.readings.register import read_one

WHITE = (("#e6dcc6", 1.0),)


def test_what_is_smaller_than_a_grapefruit_is_slight_and_a_dish_less_so() -> None:
    stone = Thing(thing("stone", "object", width=60.0, height=60.0, depth=60.0))
    jar = Thing(thing("jar", width=120.0, height=180.0, depth=120.0))
    dish = Thing(thing("dish", "bowl", width=120.0, height=40.0, depth=120.0))
    book = Thing(thing("book", "book", width=20.0, height=180.0, depth=120.0))
    assert (jar.slight, book.slight) == (0.0, 0.0)
    assert 0.0 < dish.slight < stone.slight < 1.0


def test_an_object_among_ten_is_an_accent_and_more_are_oddments() -> None:
    def cost(objects: int, jars: int, size: float = 200.0) -> float:
        kinds = ["object"] * objects + ["vessel"] * jars
        return too_many_trifles(
            [Thing(thing(f"thing-{n}", kind, width=size, height=size, depth=size)) for n, kind in enumerate(kinds)]
        )

    assert cost(1, 9) == cost(0, 3) == 0.0
    assert 0.0 < cost(2, 8) < cost(5, 5)
    # Of few things one may be an object, too, and no second.
    assert cost(1, 4) == 0.0 < cost(2, 3)
    # What is slight as well costs for both.
    assert cost(2, 8, 60.0) > cost(0, 10, 60.0) > 0.0


def stock_of(piece: Piece, *items: object) -> Stock:
    return Stock(problem_of(Plan(pieces=(piece,), stash=items), piece.id, Manner()), Random(1))  # type: ignore[arg-type]


@pytest.mark.parametrize(
    ("category", "width", "height", "may"),
    [
        ("sculpture", 90.0, 190.0, True),
        ("vessel", 90.0, 190.0, True),
        # Higher than half of what is over the shelf, or than four fifths of the pile is wide: it would look top-heavy.
        ("sculpture", 90.0, 230.0, False),
        ("bowl", 150.0, 190.0, False),
    ],
)
def test_what_rises_may_crown_a_pile(category: str, width: float, height: float, may: bool) -> None:
    pile = thing("pile", "book-stack", width=260.0, height=90.0, depth=200.0, colours=WHITE)
    crown = thing("crown", category, width=width, height=height, depth=90.0, colours=WHITE)
    stock = stock_of(case_of(2), pile, crown)
    host = Group("stack", 300.0).set_down(stock.things["pile"], "middle")
    assert may_crown(stock, stock.ledges[0], stock.things["crown"], host) is may


def test_few_trinkets_come_where_larger_things_are_at_hand() -> None:
    trinkets = tuple(
        thing(f"stone-{n}", "object", width=50.0 + n, height=50.0 + n, depth=50.0, colours=WHITE) for n in range(14)
    )
    larger = tuple(
        thing(f"{kind}-{n}", kind, width=120.0 + 12 * n, height=150.0 + 24 * n, colours=WHITE)
        for kind in ("vessel", "sculpture", "plant", "box")
        for n in range(5)
    )
    plan = Plan(pieces=(case_of(3),), stash=(*trinkets, *larger))
    for seed in (1, 2):
        (found,) = proposals([problem_of(plan, "case", Manner())], seed, steps=40).found
        shown = [placement.item for placement in found.look.placements]
        assert sum(item.startswith("stone") for item in shown) <= 0.2 * len(shown)


def test_a_mantel_with_a_free_wall_is_led_by_a_picture() -> None:
    piece = replace(
        mantel(), fixtures=tuple(one for one in mantel().fixtures if one.kind not in ("art", "mirror", "tv"))
    )
    picture = thing("picture", "art", width=620.0, height=430.0, depth=25.0, colours=WHITE)
    rest = tuple(
        thing(f"{kind}-{n}", kind, width=80.0 + 20 * n, height=140.0 + 40 * n, colours=WHITE)
        for kind in ("vessel", "candle", "sculpture", "plant")
        for n in range(4)
    )
    plan = Plan(pieces=(piece,), stash=(picture, *rest))
    (found,) = proposals([problem_of(plan, piece.id, Manner())], 2, steps=60).found
    assert "picture" in {placement.item for placement in found.look.placements}


def test_the_leaves_of_a_plant_make_no_further_hue() -> None:
    wood = tuple(thing(f"box-{n}", "box", colours=(("#8a5a34", 1.0),)) for n in range(2))
    green = thing("fern", "plant", colours=(("#4f7a45", 1.0),))
    places = (put("box-0", x=200.0), put("box-1", x=600.0))
    without = read_one("palette", arranged(wood, places))
    along = read_one("palette", arranged((*wood, green), (*places, put("fern", x=400.0))))
    assert without is not None
    assert along is not None
    assert along.loss == pytest.approx(without.loss, abs=1e-9)
