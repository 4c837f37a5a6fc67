"""Every kind of furniture is told whole: what it is, how it begins, how it is drawn, what is asked of it."""

from typing import get_args

import pytest

from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.drawing.case import BODIES, case_picture
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.measures.counts import recommended
from jolly_ledge.model.item import Item
from jolly_ledge.model.kinds import KINDS, kind_of
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.plan import Household, Plan
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.starts.gallery import STARTS
from jolly_ledge.model.words import PIECE_KINDS, PieceKind

FIRST = {start.make().kind: start.make() for start in reversed(STARTS)}


def test_every_kind_is_described_drawn_and_can_be_begun() -> None:
    assert set(get_args(PieceKind)) == set(PIECE_KINDS) == set(KINDS) == set(BODIES) == set(FIRST)


@pytest.mark.parametrize("kind", PIECE_KINDS)
def test_a_piece_of_every_kind_is_drawn_and_bears_things(kind: PieceKind) -> None:
    piece = FIRST[kind]
    assert len(case_picture(piece).primitives) > 3
    assert any(recommended(piece, ledge, "layered") >= 1 or ledge.is_wall for ledge in piece.ledges)


@pytest.mark.parametrize("kind", PIECE_KINDS)
def test_the_properties_of_a_kind_agree_with_each_other(kind: PieceKind) -> None:
    told = KINDS[kind]
    assert told.has_bays == (told.form != "top")
    assert not (told.is_a_table and told.has_floor)
    roles = {role_of(FIRST[kind], ledge) for ledge in FIRST[kind].ledges}
    if told.has_floor:
        assert roles & {"floor", "hearth", "below"}
    if told.is_a_table:
        assert "table" in roles


@pytest.mark.parametrize("kind", [kind for kind, told in KINDS.items() if told.may_tip and kind != "cabinet"])
def test_a_tall_case_where_a_child_lives_is_asked_to_be_fixed(kind: PieceKind) -> None:
    piece = FIRST[kind]
    look = Look(id="look", piece=piece.id)
    plan = Plan(pieces=(piece,), looks=(look,), household=Household(toddler=True))
    said = " ".join(caution.sentence for caution in cautions_of(arrange(plan, look)))
    assert kind_of(piece).is_case
    assert "wall" in said


def test_a_niche_cannot_tip_and_only_its_shelves_hang() -> None:
    piece = FIRST["niche"]
    heavy = tuple(
        Item(id=ledge.id, category="bowl", width=300, height=150, depth=170, mass=14) for ledge in piece.ledges
    )
    standing = tuple(Placement(id=one.id, item=one.id, ledge=one.id, x=310.0, z=90.0) for one in heavy)
    look = Look(id="look", piece=piece.id, placements=standing)
    plan = Plan(pieces=(piece,), looks=(look,), stash=heavy, household=Household(toddler=True))
    said = cautions_of(arrange(plan, look))
    assert not [one for one in said if one.id == "wall-fixing"]
    hanging = [one.sentence for one in said if "bearers" in one.sentence]
    assert len(hanging) == len(piece.ledges) - 1
    assert not any("Sill" in sentence for sentence in hanging)
