"""Limits of cautions, each tried on both sides of it."""

from typing import Any

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.cautions.answers import answer_to, state_of
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.load import DENSITY_KG_M3, own_mass
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.look import Answer
from jolly_ledge.model.piece import Board, Fixture, Ledge, Piece
from jolly_ledge.model.plan import Household
from jolly_ledge.model.words import BoardMaterial, FixtureKind

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


def test_a_board_of_known_stuff_weighs_what_its_volume_does() -> None:
    board = Board(material="glass", thickness=8.0)
    assert own_mass(board, 800.0, 300.0) == pytest.approx(DENSITY_KG_M3["glass"] * 0.8 * 0.3 * 0.008)
    assert own_mass(board, 1600.0, 300.0) == pytest.approx(2 * own_mass(board, 800.0, 300.0))
    assert own_mass(Board(material="glass"), 800.0, 300.0) == 0.0


@pytest.mark.parametrize(
    ("age", "floor", "changes", "is_told"),
    [
        (2, 100.0, {}, False),
        (2, 250.0, {}, True),
        (2, 249.0, {}, False),
        (6, 300.0, {}, True),
        (7, 300.0, {}, False),
        (2, 300.0, {"mass": 1.0}, False),
        (2, 300.0, {"width": 60.0, "height": 60.0, "depth": 60.0}, False),
        (2, 100.0, {"material": ""}, True),
    ],
)
def test_what_is_heavy_for_a_child_is_asked_for_where_nobody_weighed_it(
    age: int, floor: float, changes: dict[str, object], is_told: bool
) -> None:
    known: dict[str, object] = {"width": 300.0, "height": 300.0, "depth": 280.0, "material": "oak", **changes}
    low = Ledge(id="a1", left=0.0, floor=floor, width=900.0, depth=300.0)
    piece = case_of(ledges=(low,), kind="console", width=900.0, height=floor, depth=300.0)
    household = Household(child_age=age)
    found = of(arranged((thing("block", "sculpture", **known),), (put("block"),), piece, household), "toddler")
    assert [one.level for one in found if "not told" in one.sentence] == ["unknown"] * is_told


def test_what_stands_on_something_low_falls_on_a_child_too() -> None:
    low = Ledge(id="a1", left=0.0, floor=100.0, width=900.0, depth=300.0)
    piece = case_of(ledges=(low,), kind="console", width=900.0, height=100.0, depth=300.0)
    base = thing("base", "box", width=300.0, height=60.0, depth=280.0, material="oak", mass=1.0)
    block = thing("block", "sculpture", width=280.0, height=300.0, depth=260.0, material="oak")
    look = arranged((base, block), (put("base"), put("block", on="base")), piece, Household(child_age=2))
    assert [one.placements for one in of(look, "toddler") if "not told" in one.sentence] == [("block",)]


@pytest.mark.parametrize(
    ("kind", "floor", "high", "lamp_at", "is_told"),
    [
        ("firebox", 0.0, 600.0, 300.0, True),
        ("firebox", 0.0, 740.0, 300.0, True),
        ("firebox", 0.0, 580.0, 300.0, False),
        ("firebox", 0.0, 600.0, 1100.0, False),
        ("cooktop", 690.0, 10.0, 300.0, True),
        ("cooktop", 400.0, 10.0, 300.0, False),
        ("cooktop", 900.0, 10.0, 300.0, False),
        ("art", 0.0, 600.0, 300.0, False),
    ],
)
def test_a_cord_across_what_is_hot_is_told_and_one_beside_or_well_over_it_is_not(
    kind: FixtureKind, floor: float, high: float, lamp_at: float, is_told: bool
) -> None:
    top = Ledge(id="a1", left=0.0, floor=740.0, width=1600.0, depth=300.0)
    hot = Fixture(kind=kind, left=500.0, floor=floor, width=400.0, height=high)
    socket = Fixture(kind="socket", left=1300.0, floor=740.0, width=80.0, height=80.0)
    piece = case_of(ledges=(top,), kind="mantel", width=1600.0, height=740.0, depth=300.0, fixtures=(hot, socket))
    lamp = thing("lamp", "lamp", width=160.0, height=400.0, depth=160.0, traits=("corded",))
    found = of(arranged((lamp,), (put("lamp", x=lamp_at),), piece), "cords")
    assert any("would cross" in one.sentence for one in found) is is_told


@pytest.mark.parametrize(
    ("x", "z", "level"),
    [
        (400.0, 150.0, None),
        (464.0, 150.0, None),
        (466.0, 150.0, "heed"),
        (334.0, 150.0, "heed"),
        (400.0, 216.0, "heed"),
        (400.0, 84.0, "heed"),
        (505.0, 150.0, "stop"),
        (295.0, 150.0, "stop"),
        (400.0, 255.0, "stop"),
        (400.0, 45.0, "stop"),
    ],
)
def test_what_juts_over_its_host_is_told_on_every_side_and_what_would_fall_is_stopped(
    x: float, z: float, level: str | None
) -> None:
    host = thing("host", "box", width=200.0, height=80.0, depth=200.0)
    guest = thing("guest", "bowl", width=120.0, height=60.0, depth=120.0)
    look = arranged((host, guest), (put("host"), put("guest", x=x, z=z, on="host")), case_of())
    found = [one.level for one in of(look, "overhang") if set(one.placements) == {"guest", "host"}]
    assert found == ([] if level is None else [level])


@pytest.mark.parametrize(
    ("kind", "left", "floor", "is_told"),
    [
        ("mirror", 100.0, 1100.0, True),
        ("art", 100.0, 1100.0, True),
        ("tv", 100.0, 1100.0, False),
        ("mirror", 950.0, 1100.0, False),
        ("mirror", 899.0, 1100.0, True),
        ("mirror", 100.0, 900.0, False),
    ],
)
def test_what_hangs_over_the_head_of_a_bed_is_told_and_what_hangs_beside_it_is_not(
    kind: FixtureKind, left: float, floor: float, is_told: bool
) -> None:
    bed = Fixture(kind="headboard", left=0.0, floor=0.0, width=900.0, height=1000.0)
    hung = Fixture(kind=kind, left=left, floor=floor, width=300.0, height=400.0)
    top = Ledge(id="a1", left=1000.0, floor=600.0, width=500.0, depth=400.0)
    piece = case_of(ledges=(top,), kind="nightstand", width=1500.0, height=600.0, depth=400.0, fixtures=(bed, hung))
    found = of(arranged((), (), piece), "heavy-high")
    assert any("hangs over the head of the bed" in one.sentence for one in found) is is_told


@pytest.mark.parametrize(("count", "high", "is_told"), [(3, 60.0, False), (4, 60.0, True), (2, 390.0, True)])
def test_many_boxes_on_each_other_are_a_pile_and_so_are_few_high_ones(count: int, high: float, is_told: bool) -> None:
    boxes = tuple(thing(f"b{n}", "box", width=300.0, depth=280.0, height=high) for n in range(count))
    places = tuple(put(f"b{n}", on=f"b{n - 1}" if n else None) for n in range(count))
    piece = case_of(1, ledges=(Ledge(id="a1", left=0.0, floor=100.0, width=900.0, depth=300.0),))
    found = [one for one in of(arranged(boxes, places, piece), "tips") if "are piled" in one.sentence]
    assert bool(found) is is_told


@pytest.mark.parametrize(
    ("material", "mass", "is_asked"), [("glass", 5.0, True), ("glass", 1.0, False), ("solid-wood", 5.0, False)]
)
def test_the_thickness_of_a_brittle_board_is_asked_for_where_something_weighs_on_it(
    material: BoardMaterial, mass: float, is_asked: bool
) -> None:
    piece = case_of(1)
    ledges = tuple(replace(one, board=Board(material=material)) for one in piece.ledges)
    urn = thing("urn", mass=mass)
    found = of(arranged((urn,), (put("urn"),), replace(piece, ledges=ledges)), "load")
    assert any("of unknown thickness" in one.sentence for one in found) is is_asked


@pytest.mark.parametrize(("surface", "is_on_it"), [("top", True), ("wall", False)])
def test_what_hangs_on_the_wall_behind_a_cooktop_does_not_stand_on_it(surface: str, is_on_it: bool) -> None:
    ledge = Ledge(id="a1", left=0.0, floor=900.0, width=1500.0, depth=600.0, surface=surface)  # type: ignore[arg-type]
    hob = Fixture(kind="cooktop", left=400.0, floor=900.0, width=580.0, height=10.0)
    piece = replace(case_of(ledges=(ledge,), kind="counter", width=1500.0, height=900.0, depth=600.0), fixtures=(hob,))
    pose: dict[str, Any] = {"pose": "hung", "y": 300.0} if surface == "wall" else {}
    found = of(arranged((thing("urn"),), (put("urn", x=700.0, **pose),), piece), "heat")
    assert any("stands on the cooktop" in one.sentence for one in found) is is_on_it
