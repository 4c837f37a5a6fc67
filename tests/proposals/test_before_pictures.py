"""A picture that leans is overlapped at its foot, and seen above; a box carries nothing that is watered."""

from random import Random

import pytest

from builders import case_of, thing
from jolly_ledge.model.look import Manner
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.composing.liking_of_pictures import OVERLAPS, before_pictures
from jolly_ledge.proposals.groups.books import may_crown
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of

ITEMS = (
    thing("picture", "frame", width=200.0, height=300.0, depth=20.0),
    thing("jar", width=100.0, height=240.0, depth=80.0),
    thing("bowl", "bowl", width=100.0, height=60.0, depth=80.0),
    thing("box", "box", width=180.0, height=90.0, depth=100.0, traits=frozenset({"lidded"})),
    thing("pot", "plant", width=110.0, height=200.0, depth=90.0),
    thing("low pot", "plant", width=110.0, height=80.0, depth=90.0),
    thing("low vase", width=110.0, height=80.0, depth=90.0),
    thing("folios", "book-stack", width=220.0, height=90.0, depth=160.0),
)
STOCK = Stock(problem_of(Plan(pieces=(case_of(2),), stash=ITEMS), "case", Manner()), Random(1))


def stood(label: str, x: float, z: float) -> Member:
    item = next(one for one in ITEMS if one.id == label)
    return Member(STOCK.things[item.id], STOCK.things[item.id].pose, x, z)


def cost_of(*members: Member) -> float:
    return before_pictures(STOCK, STOCK.ledges[0], members)


@pytest.fixture
def picture() -> Member:
    return stood("picture", 400.0, 250.0)


def test_what_is_low_before_a_picture_costs_nothing(picture: Member) -> None:
    assert cost_of(picture, stood("bowl", 400.0, 100.0)) == 0.0


def test_what_rises_over_the_middle_of_a_picture_costs_by_what_it_hides(picture: Member) -> None:
    over, aside = stood("jar", 400.0, 100.0), stood("jar", 315.0, 100.0)
    # Of the upper half, 200 by 150 mm, it hides 100 by 90: three tenths, of which a quarter is free.
    assert cost_of(picture, over) == pytest.approx(3.0 * (0.3 - OVERLAPS))
    assert cost_of(picture, aside) == 0.0


def test_what_stands_behind_a_picture_hides_nothing(picture: Member) -> None:
    assert cost_of(stood("picture", 400.0, 100.0), stood("jar", 400.0, 250.0)) == 0.0
    assert cost_of(picture, stood("jar", 400.0, 100.0)) > 0.0


def test_what_is_carried_hides_as_much_as_what_stands(picture: Member) -> None:
    box, pot = stood("box", 400.0, 100.0), stood("pot", 400.0, 100.0)
    pot.base, pot.on = box.top, box
    assert cost_of(picture, box) == 0.0
    # The pot reaches from 90 to 290 mm, 140 of them over the middle of the picture, 110 mm wide.
    assert cost_of(picture, box, pot) == pytest.approx(3.0 * (110 * 140 / (200 * 150) - OVERLAPS))


@pytest.mark.parametrize(
    ("crown", "host", "may"),
    [
        ("low pot", "folios", True),
        ("low pot", "box", False),
        ("low vase", "folios", True),
        ("low vase", "box", False),
        ("bowl", "box", True),
    ],
)
def test_pots_stand_on_books_and_not_on_a_box(crown: str, host: str, may: bool) -> None:
    member = Group("stack", 300.0).set_down(STOCK.things[host], "middle")
    assert may_crown(STOCK, STOCK.ledges[0], STOCK.things[crown], member) is may
