"""Limits of cautions, each tried on both sides of it."""

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.cautions.answers import answer_to, state_of
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.look import Answer
from jolly_ledge.model.piece import Fixture, Ledge, Piece

ROUND = Ledge(id="a1", left=0.0, floor=420.0, width=800.0, depth=800.0, shape="ellipse")


def of(look: Arrangement, kind: str) -> list[Caution]:
    return [one for one in cautions_of(look) if one.id == kind]


def round_table() -> Piece:
    return case_of(ledges=(ROUND,), kind="coffee-table", width=800.0, height=420.0, depth=800.0)


def test_the_free_height_over_a_flame_is_told_in_centimetres() -> None:
    taper = thing("taper", "candle", width=60.0, depth=60.0, height=150.0, traits=("flame",))
    (caution,) = of(arranged((taper,), (put("taper"),), case_of(2)), "flame")
    assert "only 25 cm are free" in caution.sentence, "a shelf 40 cm high, a candle of 15"


def test_a_flame_before_a_thing_is_as_near_as_their_depths_are() -> None:
    lit = thing("lit", "candle", width=60.0, depth=60.0, height=150.0, traits=("flame",))
    paper = thing("paper", "book", width=200.0, height=260.0, depth=40.0)
    deep = Ledge(id="a1", left=0.0, floor=800.0, width=1200.0, depth=1000.0)
    top = case_of(ledges=(deep,), kind="console", width=1200.0, height=800.0, depth=1000.0)
    near = arranged((lit, paper), (put("lit", x=600.0, z=700.0), put("paper", x=600.0, z=800.0)), top)
    far = arranged((lit, paper), (put("lit", x=600.0, z=100.0), put("paper", x=600.0, z=900.0)), top)
    assert of(near, "flame")
    assert not of(far, "flame")


@pytest.mark.parametrize(("finish", "suffers"), [("metal", False), ("matte", True)])
@pytest.mark.parametrize("category", ["tray", "box"])
def test_metal_trays_and_boxes_bear_the_heat_of_a_fire(category: str, finish: str, suffers: bool) -> None:
    fire = Fixture(kind="firebox", left=300.0, floor=0.0, width=600.0, height=600.0)
    hearth = Ledge(id="a1", left=0.0, floor=0.0, width=1200.0, depth=400.0)
    mantel = case_of(ledges=(hearth,), kind="mantel", width=1200.0, height=1100.0, depth=400.0, fixtures=(fire,))
    item = thing("it", category, finish=finish, material="tin" if finish == "metal" else "card")
    found = of(arranged((item,), (put("it", x=600.0, z=200.0),), mantel), "heat")
    assert bool(found) is suffers


@pytest.mark.parametrize(("x", "passes"), [(400.0, False), (690.0, False), (790.0, True)])
def test_a_round_rim_is_passed_where_a_foot_is_outside_of_it(x: float, passes: bool) -> None:
    pot = thing("pot", width=120.0, depth=120.0, height=200.0)
    look = arranged((pot,), (put("pot", x=x, z=400.0),), round_table())
    assert bool(of(look, "overhang")) is passes


def test_an_answer_to_another_caution_answers_nothing() -> None:
    taper = thing("taper", "candle", height=150.0, traits=("flame",))
    look = arranged((taper,), (put("taper"),), case_of(2))
    (caution,) = of(look, "flame")
    state = state_of(caution, look)
    for told, answered in ((caution.id, True), ("tips-over", False)):
        answer = Answer(caution=told, state=state, measure="Left unlit", by="Tilda")
        answered_look = replace(look.look, answers=(answer, replace(answer, caution="none", state="")))
        items = {placed.item.id: placed.item for placed in look.placed_items}
        again = Arrangement(look.piece, items, answered_look, (), look.household)
        assert (answer_to(caution, again) is not None) is answered
