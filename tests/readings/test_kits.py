"""What the use of a piece asks for, and whether a look has it."""

import pytest
from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.measures.kits import kit_of, needs_of, unmet_needs
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts.gallery import STARTS

LAMP = Item(id="lamp", category="lamp", width=200, height=380, depth=200)
DISH = Item(id="dish", category="bowl", width=120, height=40, depth=120)
VASE = Item(id="vase", category="vessel", width=150, height=400, depth=150)
SLAB = Item(id="slab", category="box", width=430, height=60, depth=380)


def start(name: str, *use: str) -> Piece:
    piece = next(one for one in STARTS if one.id == name).make()
    return replace(piece, use=use or piece.use)


def unmet(piece: Piece, *items: Item) -> set[str]:
    placements = tuple(
        Placement(id=item.id, item=item.id, ledge="top", x=piece.width / 2 + 90 * number, z=200.0)
        for number, item in enumerate(items)
    )
    look = Look(id="look", piece=piece.id, placements=placements)
    return {need.id for need in unmet_needs(arrange(Plan(pieces=(piece,), stash=items, looks=(look,)), look))}


@pytest.mark.parametrize(
    ("piece", "asked"),
    [
        (start("nightstand"), {"light", "glass"}),
        (start("nightstand", "sleeping", "reading"), {"light", "glass", "books"}),
        (start("console", "display", "keys"), {"risen", "keys"}),
        (start("bookcase", "display"), set()),
        (start("hutch", "china"), {"dishes"}),
        (start("dining-table"), {"centre"}),
    ],
)
def test_kind_and_use_tell_what_is_asked_for(piece: Piece, asked: set[str]) -> None:
    assert {need.id for need in kit_of(piece)} == asked


def test_a_bedside_wants_a_light_and_a_free_place() -> None:
    piece = start("nightstand")
    assert unmet(piece, DISH) == {"light"}
    assert unmet(piece, LAMP) == set()
    assert "glass" in unmet(piece, SLAB)


def test_a_hall_wants_something_risen_and_a_dish() -> None:
    piece = start("console", "keys")
    assert unmet(piece, DISH) == {"risen"}
    assert unmet(piece, VASE) == {"keys"}
    assert unmet(piece, VASE, DISH) == set()


def test_an_empty_look_is_not_scolded() -> None:
    assert unmet(start("console", "keys")) == set()


def test_what_the_stylist_does_without_is_not_asked_for() -> None:
    piece = replace(start("nightstand"), unneeded=("light",))
    assert {need.id for need in needs_of(piece)} == {"glass"}
    assert unmet(piece, DISH) == set()


def test_every_need_says_what_lacks_in_a_sentence() -> None:
    for piece in (start("nightstand", "reading"), start("console", "keys"), start("counter", "cooking", "coffee")):
        for need in kit_of(piece):
            assert need.missing.endswith(".")
            assert need.name[0].isupper()
