"""Cautions of household and house: toddler, pets, plants, flame, heat, cords, water, load, tipping, fixings."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.cautions.answers import MEASURES
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.eaters import reach_of
from jolly_ledge.cautions.household import within_reach
from jolly_ledge.cautions.load import STIFFNESS_MPA, sag_mm
from jolly_ledge.cautions.register import NAMES, REGISTER, cautions_of
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.piece import Board, Fixture, Ledge, Piece
from jolly_ledge.model.plan import Household, Plan
from jolly_ledge.model.starts.tops import counter, mantel

TODDLER = Household(toddler=True)
TOP = Ledge(id="a1", left=0.0, floor=800.0, width=1200.0, depth=400.0)


def of(arrangement: Arrangement, name: str) -> list[Caution]:
    return [caution for caution in cautions_of(arrangement) if caution.id == name]


def table(**changes: object) -> Piece:
    known: dict[str, Any] = {
        "kind": "console",
        "ledges": (TOP,),
        "width": 1200.0,
        "height": 800.0,
        "depth": 400.0,
        **changes,
    }
    return case_of(**known)


# Toddler, small parts


@pytest.mark.parametrize(
    ("traits", "ledge", "level"),
    [
        (("fragile",), "a1", "heed"),
        (("sharp",), "a1", "stop"),
        (("flame",), "a2", "stop"),
        (("fragile",), "a3", "heed"),
        (("fragile",), "a4", None),
        ((), "a1", "unknown"),
    ],
)
def test_what_a_toddler_reaches_depends_on_height_and_kind(
    traits: tuple[str, ...], ledge: str, level: str | None
) -> None:
    items = (thing("jar", traits=traits),)
    look = arranged(items, (put("jar", ledge),), case_of(4), TODDLER)
    assert [caution.level for caution in of(look, "toddler")] == ([level] if level else [])
    assert of(arranged(items, (put("jar", ledge),), case_of(4)), "toddler") == []


def test_a_child_reaches_higher_as_it_grows() -> None:
    reaches = [reach_of(age) for age in range(1, 7)]
    assert reaches == sorted(reaches)
    assert reach_of(0) == reach_of(1)


def test_the_age_that_is_told_decides_what_is_in_reach() -> None:
    glass = (thing("glass", traits=("fragile",)),)
    look = (put("glass", "a3"),)
    levels = [
        [c.id for c in of(arranged(glass, look, case_of(4), Household(toddler=True, child_age=age)), "toddler")]
        for age in (1, 3, 5)
    ]
    assert levels == [[], ["toddler"], ["toddler"]]
    assert [s.id for s in within_reach(arranged(glass, look, case_of(4)), 5)] == ["glass"]
    assert within_reach(arranged(glass, look, case_of(4)), 1) == ()


def test_small_parts_are_kept_from_a_toddler() -> None:
    items = (thing("dice", "supplies", traits=("small-parts",)), thing("chest", "box", traits=("lidded",)))
    low = arranged(items, (put("dice"),), case_of(4), TODDLER)
    assert [c.level for c in of(low, "small-parts")] == ["stop"]
    shut = arranged(items, (put("chest"), put("dice", inside="chest", x=None, z=None)), case_of(4), TODDLER)
    assert of(shut, "small-parts") == []
    assert of(arranged(items, (put("dice", "a4"),), case_of(4), TODDLER), "small-parts") == []


def test_an_open_basket_hides_from_the_eye_and_not_from_a_toddler() -> None:
    items = (thing("basket", "basket"), thing("shears", width=80.0, height=60.0, depth=60.0, traits=("sharp",)))
    look = arranged(items, (put("basket"), put("shears", inside="basket", x=None, z=None)), case_of(4), TODDLER)
    assert [c.level for c in of(look, "toddler")] == ["stop"]
    lidded = (replace(items[0], traits=("lidded",)), items[1])
    shut = arranged(lidded, (put("basket"), put("shears", inside="basket", x=None, z=None)), case_of(4), TODDLER)
    assert of(shut, "toddler") == []


# Plants


@pytest.mark.parametrize(
    ("traits", "name", "household", "level"),
    [
        (("real-plant", "toxic"), "trailing ivy", Household(pets=("cat",)), "heed"),
        (("real-plant", "toxic"), "trailing ivy", TODDLER, "stop"),
        (("real-plant",), "peace lily", Household(pets=("old cat",)), "unknown"),
        (("real-plant",), "thyme", Household(pets=("cat",)), None),
        (("real-plant", "toxic"), "trailing ivy", Household(), None),
        ((), "paper ivy", Household(pets=("cat",)), None),
    ],
)
def test_plants_that_must_not_be_eaten(
    traits: tuple[str, ...], name: str, household: Household, level: str | None
) -> None:
    look = arranged((thing("pot", "plant", name=name, traits=traits),), (put("pot", "a2"),), None, household)
    assert [caution.level for caution in of(look, "toxic-plant")] == ([level] if level else [])


def test_a_dog_does_not_reach_the_upper_shelf() -> None:
    item = thing("pot", "plant", traits=("real-plant", "toxic"))
    dog = Household(pets=("dog",))
    assert of(arranged((item,), (put("pot", "a1"),), case_of(4), dog), "toxic-plant")
    assert of(arranged((item,), (put("pot", "a4"),), case_of(4), dog), "toxic-plant") == []


@pytest.mark.parametrize(
    ("traits", "light", "level"),
    [
        (("real-plant", "needs-bright-light"), "low", "heed"),
        (("real-plant", "needs-bright-light"), "medium", "heed"),
        (("real-plant", "needs-bright-light"), "bright", None),
        (("real-plant", "tolerates-low-light"), "low", None),
        (("real-plant",), "low", "heed"),
        (("real-plant",), "medium", None),
        (("real-plant",), None, "unknown"),
        ((), "low", None),
    ],
)
def test_a_plant_wants_its_light(traits: tuple[str, ...], light: str | None, level: str | None) -> None:
    piece = case_of()
    ledges = tuple(replace(ledge, light=light) for ledge in piece.ledges)
    look = arranged((thing("pot", "plant", traits=traits),), (put("pot"),), replace(piece, ledges=ledges))
    assert [caution.level for caution in of(look, "low-light")] == ([level] if level else [])


# Flame and heat


@pytest.mark.parametrize(("height", "level"), [(150.0, "stop"), (60.0, "heed")])
def test_a_flame_under_a_shelf(height: float, level: str) -> None:
    candle = thing("taper", "candle", height=height, traits=("flame",))
    (caution,) = of(arranged((candle,), (put("taper"),)), "flame")
    assert caution.level == level
    assert "60 cm" in caution.sentence


def test_a_flame_in_the_open_is_calm_and_one_under_a_picture_is_not() -> None:
    candle = thing("taper", "candle", height=200.0, traits=("flame",))
    assert of(arranged((candle,), (put("taper", z=200.0),), table()), "flame") == []
    art = Fixture(kind="art", left=300.0, floor=1150.0, width=400.0, height=500.0)
    (caution,) = of(arranged((candle,), (put("taper", z=200.0),), table(fixtures=(art,))), "flame")
    assert caution.level == "stop"


@pytest.mark.parametrize(("gap", "found"), [(30.0, True), (140.0, True), (320.0, False)])
def test_a_flame_beside_what_burns(gap: float, found: bool) -> None:
    items = (
        thing("taper", "candle", height=200.0, width=60.0, traits=("flame",)),
        thing("twigs", "stems", width=200.0),
    )
    look = arranged(items, (put("taper", x=300.0, z=200.0), put("twigs", x=300 + 30 + gap + 100, z=200.0)), table())
    assert bool(of(look, "flame")) is found


def test_a_basket_by_the_fire_and_a_board_by_the_cooktop() -> None:
    basket = thing("logs", "basket", width=300.0, height=280.0, depth=300.0, finish="woven")
    near = arranged((basket,), (put("logs", "hearth", x=1320.0, z=200.0),), mantel())
    far = arranged((thing("ash", "vessel", finish="metal"),), (put("ash", "hearth", x=1320.0, z=200.0),), mantel())
    assert "stop" in [c.level for c in of(near, "heat") if c.placements]
    assert [c for c in of(far, "heat") if c.placements] == []
    cloth = thing("cloth", "textile", width=200.0, height=40.0, depth=200.0)
    assert of(arranged((cloth,), (put("cloth", "top", x=1150.0, z=200.0),), counter()), "heat")
    assert of(arranged((cloth,), (put("cloth", "top", x=300.0, z=200.0),), counter()), "heat") == []


def test_what_stands_before_the_firebox_is_to_be_cleared_away() -> None:
    lamp = thing("lamp", "lamp", width=200.0, height=330.0, depth=200.0, traits=("corded",))
    before, aside = (arranged((lamp,), (put("lamp", "hearth", x=x, z=200.0),), mantel()) for x in (800.0, 120.0))
    assert [c.level for c in of(before, "heat") if c.placements] == ["heed"]
    assert "before the firebox" in of(before, "heat")[0].sentence
    assert [c for c in of(aside, "heat") if c.placements] == []
    kettle = thing("kettle", "vessel", finish="metal")
    cold = of(arranged((kettle,), (put("kettle", "hearth", x=800.0, z=200.0),), mantel()), "heat")
    assert [c for c in cold if c.placements] == []


def test_a_device_shut_in_a_box_wants_air() -> None:
    items = (thing("box", "box"), thing("router", "device", width=200.0, height=50.0, depth=140.0, traits=("corded",)))
    look = arranged(items, (put("box"), put("router", inside="box", x=None, z=None)))
    (caution,) = of(look, "heat")
    assert set(caution.placements) == {"router", "box"}


# Cords and water


def test_cords_want_a_socket() -> None:
    lamp = thing("lamp", "lamp", traits=("corded",))
    assert [c.level for c in of(arranged((lamp,), (put("lamp"),)), "cords")] == ["unknown"]
    socket = Fixture(kind="socket", left=300.0, floor=700.0, width=86.0, height=86.0)
    assert of(arranged((lamp,), (put("lamp", z=200.0),), table(fixtures=(socket,))), "cords") == []
    away = replace(socket, left=3000.0)
    assert [c.level for c in of(arranged((lamp,), (put("lamp", z=200.0),), table(fixtures=(away,))), "cords")] == [
        "heed"
    ]


def test_two_heaters_on_one_socket_are_added_up() -> None:
    socket = Fixture(kind="socket", left=300.0, floor=900.0, width=86.0, height=86.0)
    items = tuple(thing(name, "appliance", traits=("corded",)) for name in ("kettle", "toaster"))
    one = arranged(items, (put("kettle", x=200.0), put("toaster", x=500.0)), table(fixtures=(socket,)))
    assert [c.level for c in of(one, "cords")] == ["unknown"]
    two = table(fixtures=(socket, replace(socket, left=900.0)))
    assert of(arranged(items, (put("kettle", x=200.0), put("toaster", x=900.0)), two), "cords") == []


def test_water_beside_current_is_told() -> None:
    items = (
        thing("vase"),
        thing("tulips", "stems", silhouette="bouquet"),
        thing("lamp", "lamp", traits=("corded",)),
    )
    placed = (put("vase", x=200.0), put("tulips", inside="vase", x=None, z=None), put("lamp", x=350.0))
    assert of(arranged(items, placed), "spills")
    dry = (put("vase", x=200.0), put("lamp", x=350.0))
    assert of(arranged(items, dry), "spills") == []


# Load, tipping, fixings


def test_the_sag_of_a_beam_agrees_with_the_tables() -> None:
    # A steel flat of 100 by 10 mm over 1 m under 10 kg: I = 8333 mm⁴, w = 98.1 N.
    expected = 5 * 98.1 * 1000**3 / (384 * 200_000 * 100 * 10**3 / 12)
    assert sag_mm(10.0, 1000.0, 100.0, 10.0, 200_000.0) == pytest.approx(expected)
    assert sag_mm(20.0, 1000.0, 300.0, 20.0, 10_000.0) == pytest.approx(1.277, abs=0.001)


@given(st.floats(0.1, 100), st.floats(200, 2000), st.floats(8, 60))
def test_sag_grows_with_load_and_span_and_shrinks_with_thickness(mass: float, span: float, thickness: float) -> None:
    usual = sag_mm(mass, span, 300.0, thickness, 10_000.0)
    assert sag_mm(2 * mass, span, 300.0, thickness, 10_000.0) == pytest.approx(2 * usual)
    assert sag_mm(mass, 2 * span, 300.0, thickness, 10_000.0) == pytest.approx(8 * usual)
    assert sag_mm(mass, span, 300.0, 2 * thickness, 10_000.0) == pytest.approx(usual / 8)


def shelf(**known: object) -> Piece:
    piece = case_of(1, kind=known.pop("kind", "bookcase"))
    return replace(piece, ledges=(replace(piece.ledges[0], **known),))


@pytest.mark.parametrize(
    ("known", "mass", "levels"),
    [
        ({"load_limit": 10.0}, 12.0, ["stop"]),
        ({"load_limit": 10.0}, 8.0, []),
        ({"load_limit": 10.0}, None, ["unknown"]),
        ({}, 4.0, []),
        ({}, 14.0, ["unknown"]),
        ({"kind": "wall-shelves"}, 6.0, ["unknown"]),
        ({"board": Board(fixing="plaster-only")}, 3.0, ["heed"]),
        ({"board": Board(fixing="plaster-only")}, 7.0, ["stop"]),
        ({"board": Board(material="particleboard", thickness=16.0, span=1200.0, fixing="in-case")}, 25.0, ["heed"]),
        ({"board": Board(material="glass", thickness=4.0, span=800.0, fixing="in-case")}, 30.0, ["stop"]),
        ({"board": Board(material="solid-wood", thickness=27.0, fixing="in-case")}, 10.0, []),
    ],
)
def test_what_a_board_carries(known: dict[str, object], mass: float | None, levels: list[str]) -> None:
    look = arranged((thing("urn", mass=mass),), (put("urn"),), shelf(**known))
    assert [caution.level for caution in of(look, "load")] == levels


def test_every_stuff_of_a_board_has_its_stiffness() -> None:
    assert all(value > 1000 for value in STIFFNESS_MPA.values())
    assert STIFFNESS_MPA["particleboard"] < STIFFNESS_MPA["solid-wood"] < STIFFNESS_MPA["metal"]


def test_slender_things_tip_unless_they_are_held() -> None:
    book = thing("atlas", "book", width=30.0, height=300.0)
    assert of(arranged((book,), (put("atlas"),)), "tips")
    row = (book, thing("tides", "book", width=30.0))
    end = thing("block", "box", width=80.0, height=150.0)
    held = (put("atlas", x=15.0), put("tides", x=47.0), put("block", x=105.0))
    assert of(arranged((*row, end), held), "tips") == []
    assert of(arranged((thing("urn"),), (put("urn"),)), "tips") == []


def test_a_lamp_on_books_and_tall_stems_in_a_light_vessel() -> None:
    items = (thing("stack", "book-stack"), thing("lamp", "lamp", height=200.0))
    assert of(arranged(items, (put("stack"), put("lamp", on="stack"))), "tips")
    stems = thing("twigs", "stems", height=500.0)
    for mass, level in ((0.5, ["heed"]), (None, ["unknown"]), (3.0, [])):
        look = arranged((thing("vase", mass=mass), stems), (put("vase"), put("twigs", inside="vase", x=None, z=None)))
        assert [caution.level for caution in of(look, "tips")] == level


def test_what_hangs_and_leans_and_stands_tall_wants_a_hold() -> None:
    mirror = thing("mirror", "mirror", width=500.0, height=700.0, depth=30.0)
    wall = replace(TOP, id="wall", surface="wall", clearance=1000.0)
    hung = arranged((mirror,), (put("mirror", "wall", z=None, y=100.0, pose="hung"),), table(ledges=(TOP, wall)))
    assert [c.level for c in of(hung, "wall-fixing")] == ["unknown"]
    leaning = arranged((mirror,), (put("mirror", pose="leaning", z=385.0),), table())
    assert [c.level for c in of(leaning, "unsecured")] == ["heed"]
    tall = arranged((thing("a"),), (put("a"),), case_of(5, depth=300.0), TODDLER)
    assert [c.placements for c in of(tall, "wall-fixing")] == [()]


def test_all_cautions_of_the_picture_are_there(demo: Plan) -> None:
    wanted = {
        "fit", "collision", "overhang", "load", "heavy-high", "toddler", "rolls", "tips", "flame", "heat", "cords",
        "low-light", "toxic-plant", "unsecured", "wall-fixing", "small-parts", "spills", "kept-place",
        "in-use",
    }  # fmt: skip
    assert {name for name, _ in REGISTER} == wanted == set(NAMES)


@pytest.mark.parametrize(
    ("rated", "watts", "levels"),
    [(3000.0, (2000.0, 900.0), []), (2300.0, (2000.0, 900.0), ["stop"]), (None, (2000.0, 900.0), ["unknown"]),
     (2300.0, (2000.0, None), ["unknown"])],
)  # fmt: skip
def test_watts_on_a_socket_are_added_up(
    rated: float | None, watts: tuple[float | None, ...], levels: list[str]
) -> None:
    socket = Fixture(kind="socket", left=380.0, floor=760.0, width=80.0, height=80.0, watts=rated)
    items = tuple(
        thing(f"a{n}", "appliance", width=150.0, height=200.0, depth=150.0, traits=("corded",), watts=drawn)
        for n, drawn in enumerate(watts)
    )
    look = arranged(items, (put("a0", x=250.0), put("a1", x=600.0)), table(fixtures=(socket,)))
    found = of(look, "cords")
    assert [caution.level for caution in found] == levels
    if levels == ["stop"]:
        assert "2900 W" in found[0].sentence


def test_every_caution_has_a_name_and_usual_measures() -> None:
    assert set(MEASURES) == set(NAMES) == {identifier for identifier, _ in REGISTER}
