"""Places kept free: what stands in one is named, proposals hold it free, it is drawn and can be given back."""

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from households import household
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.drawing.case import case_picture
from jolly_ledge.drawing.picture import Label
from jolly_ledge.edits.kept_places import GiveBackPlace, KeepPlace
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.geometry.free_place import inside, put_down_at
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals

CUP = KeptPlace(name="a cup", left=300.0, front=20.0, width=110.0, depth=110.0, height=110.0)


def keeping(piece: Piece, ledge: str, *places: KeptPlace) -> Piece:
    return replace(piece, ledges=tuple(replace(one, kept=places) if one.id == ledge else one for one in piece.ledges))


def said_of(*stands: object) -> list[str]:
    things = (thing("urn"), thing("print", "frame"))
    look = arranged(things, stands, piece=keeping(case_of(), "a1", CUP))  # type: ignore[arg-type]
    return [caution.sentence for caution in cautions_of(look) if caution.id == "kept-place"]


@pytest.mark.parametrize(
    ("x", "z", "ledge", "named"),
    [
        (355, 80, "a1", True),
        (300, 100, "a1", True),
        (355, 260, "a1", False),
        (600, 80, "a1", False),
        (355, 80, "a2", False),
    ],
)
def test_what_stands_in_a_kept_place_is_named(x: float, z: float, ledge: str, named: bool) -> None:
    assert bool(said_of(put("urn", ledge, x=x, z=z))) is named


def test_the_sentence_says_what_where_and_what_to_do() -> None:
    assert said_of(put("urn", "a1", x=355, z=80)) == [
        "The urn stands in the place kept for a cup on a1; move it, or give the place back."
    ]


def test_the_thing_it_is_kept_for_may_stand_there() -> None:
    cup = thing("cup", name="a cup", width=80, height=90, depth=80)
    look = arranged((cup,), (put("cup", "a1", x=355, z=75),), piece=keeping(case_of(), "a1", CUP))
    assert not [caution for caution in cautions_of(look) if caution.id == "kept-place"]


def test_a_place_is_kept_moved_and_given_back() -> None:
    plan = plan_of(piece=case_of())
    kept = KeepPlace(piece="case", ledge="a1", place=CUP, ledge_name="shelf 1")
    assert kept.label == "Keep a place for a cup on shelf 1"
    once = kept.apply(plan)
    assert once.piece("case").ledge("a1").kept == (CUP,)
    moved = KeepPlace(piece="case", ledge="a1", place=replace(CUP, left=10.0)).apply(once)
    assert [place.left for place in moved.piece("case").ledge("a1").kept] == [10.0]
    assert plan_from_json(plan_to_json(moved)) == moved
    assert GiveBackPlace(piece="case", ledge="a1", name="a cup").apply(moved) == plan
    with pytest.raises(EditError, match="No place is kept for keys on a1"):
        GiveBackPlace(piece="case", ledge="a1", name="keys").apply(moved)


@pytest.mark.parametrize(
    ("changes", "said"),
    [
        ({"width": 900.0, "left": 0.0}, "wants 900 mm wide, a1 has 800 mm"),
        ({"depth": 310.0, "front": 0.0}, "wants 310 mm deep, a1 has 300 mm"),
        ({"height": 500.0}, "wants 500 mm high, a1 has 400 mm"),
        ({"left": 750.0}, "lies 60 mm over the end of a1"),
        ({"left": -20.0}, "lies 20 mm over the end of a1"),
    ],
)
def test_a_place_that_is_too_large_is_refused_in_a_sentence(changes: dict[str, float], said: str) -> None:
    edit = KeepPlace(piece="case", ledge="a1", place=replace(CUP, **changes))
    with pytest.raises(EditError, match=said):
        edit.apply(plan_of(piece=case_of()))


def test_a_place_of_a_plan_that_is_larger_than_its_ledge_is_told() -> None:
    large = replace(CUP, depth=400.0)
    look = arranged((), (), piece=keeping(case_of(), "a1", large))
    assert [one.level for one in cautions_of(look) if one.id == "kept-place"] == ["heed"]


def test_it_is_drawn_with_its_purpose() -> None:
    bare, kept = case_picture(case_of()), case_picture(keeping(case_of(), "a1", CUP))
    words = [one.text for one in kept.primitives if isinstance(one, Label)]
    assert words == ["a cup"]
    assert any(getattr(one, "dash", ()) for one in kept.primitives)
    assert len(kept.primitives) == len(bare.primitives) + 3


def test_it_comes_where_is_pointed_else_into_the_widest_gap() -> None:
    piece = case_of()
    ledge = piece.ledge("a1")
    look = arranged((thing("urn"),), (put("urn", "a1", x=200),), piece=piece)
    assert put_down_at(look, ledge, 100.0, 100.0, 700.0) == (650, 20.0)
    assert put_down_at(look, ledge, 100.0, 100.0, 790.0) == (700, 20.0)
    left, _ = put_down_at(look, ledge, 100.0, 100.0)
    assert 260 < left < 700


@pytest.mark.parametrize("seed", [2, 5])
def test_proposals_hold_it_free(seed: int) -> None:
    plan = household("bookcase", seed)[0]
    piece = plan.pieces[0]
    wide = tuple(replace(ledge, kept=(replace(CUP, left=ledge.width / 2 - 60, width=120.0),)) for ledge in piece.ledges)
    kept = replace(plan, pieces=(replace(piece, ledges=wide),))
    (found,) = proposals([problem_of(kept, piece.id, Manner())], 3, steps=20).found
    look = arrange(replace(kept, looks=(found.look,)), found.look)
    assert len(look.placed_items) >= 4
    assert not [caution for caution in cautions_of(look) if caution.id == "kept-place"]


@pytest.mark.parametrize(
    ("left", "front"), [(0.0, 0.0), (200.0, 0.0), (400.0, 20.0), (700.0, 700.0), (890.0, 300.0), (-50.0, 950.0)]
)
def test_on_a_round_top_a_place_lies_within_the_rim(left: float, front: float) -> None:
    top = Ledge(id="a1", left=0.0, floor=450.0, width=900.0, depth=900.0, shape="ellipse")
    along, into = inside(top, left, front, 110.0, 90.0)
    corners = [(x, z) for x in (along, along + 110.0) for z in (into, into + 90.0)]
    assert all((x - 450.0) ** 2 + (z - 450.0) ** 2 <= 450.5**2 for x, z in corners)
    again = inside(top, along, into, 110.0, 90.0)
    assert again == pytest.approx((along, into))


def test_a_place_over_the_rim_of_a_round_top_is_refused() -> None:
    top = Ledge(id="a1", left=0.0, floor=450.0, width=900.0, depth=900.0, shape="ellipse")
    plan = Plan(pieces=(replace(case_of(), ledges=(top,)),))
    with pytest.raises(EditError, match="lies over the rim of a1; move it inwards"):
        KeepPlace(piece="case", ledge="a1", place=replace(CUP, left=0.0, front=0.0)).apply(plan)
    middle = KeepPlace(piece="case", ledge="a1", place=replace(CUP, left=400.0, front=400.0)).apply(plan)
    assert len(middle.piece("case").ledge("a1").kept) == 1
