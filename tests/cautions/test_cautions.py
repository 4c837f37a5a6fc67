"""Cautions: what cannot be built so, what wants care, what is not known."""

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.load import row_load_said
from jolly_ledge.cautions.register import NAMES, REGISTER, cautions_of
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.geometry.rows import row_of
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.plan import Plan


def found(arrangement: Arrangement) -> dict[str, Caution]:
    return {caution.id: caution for caution in cautions_of(arrangement)}


def test_a_sound_look_has_none() -> None:
    assert cautions_of(arranged((thing("a"), thing("b")), (put("a", x=200), put("b", x=600)))) == ()


def test_too_tall_is_told_in_mm() -> None:
    caution = found(arranged((thing("tall", height=430.0),), (put("tall"),)))["fit"]
    assert caution.level == "stop"
    assert "30 mm over the clearance of 400 mm" in caution.sentence


def test_too_tall_on_its_riser_is_told() -> None:
    items = (thing("stack", "book-stack"), thing("tall", height=350.0))
    assert found(arranged(items, (put("stack"), put("tall", on="stack"))))["fit"].placements == ("tall",)


@pytest.mark.parametrize(("changes", "word"), [({"width": 900.0}, "wider"), ({"depth": 340.0}, "deeper")])
def test_too_wide_and_too_deep_are_told(changes: dict[str, float], word: str) -> None:
    assert word in found(arranged((thing("big", "box", **changes),), (put("big"),)))["fit"].sentence


def test_what_does_not_go_into_its_box_is_told() -> None:
    items = (thing("box", "box"), thing("long", "device", width=400.0))
    assert "does not go into" in found(arranged(items, (put("box"), put("long", inside="box"))))["fit"].sentence


def test_a_thing_that_stands_on_a_wall_is_told() -> None:
    wall = replace(case_of(), ledges=(Ledge(id="a1", left=0, floor=900, width=800, depth=300, surface="wall"),))
    assert "only a wall" in found(arranged((thing("vase"),), (put("vase"),), wall))["fit"].sentence


@pytest.mark.parametrize(
    ("category", "dx", "dz", "collides"),
    [
        ("box", 250, 0, True),
        ("box", 310, 0, False),
        ("vessel", 100, 0, True),
        ("vessel", 90, 90, False),  # boxes about them meet, the round things do not
        ("vessel", 0, 130, False),
    ],
)
def test_collisions_know_round_things(category: str, dx: float, dz: float, collides: bool) -> None:
    items = (thing("a", category), thing("b", category))
    arrangement = arranged(items, (put("a", x=300, z=120), put("b", x=300 + dx, z=120 + dz)))
    assert ("collision" in found(arrangement)) is collides


def test_a_thing_does_not_collide_with_what_carries_it() -> None:
    items = (thing("tray", "tray"), thing("cup", "tableware", height=80.0), thing("vase"), thing("stems", "stems"))
    placements = (put("tray"), put("cup", inside="tray"), put("vase", "a2"), put("stems", "a2", inside="vase"))
    assert "collision" not in found(arranged(items, placements))


def test_what_passes_the_end_of_a_shelf_is_told() -> None:
    caution = found(arranged((thing("a"),), (put("a", x=30),)))["overhang"]
    assert "left end" in caution.sentence
    assert "30 mm" in caution.sentence


def test_what_would_fall_is_a_stop_and_what_juts_is_to_heed() -> None:
    items = (thing("stack", "book-stack"), thing("wide", "box", width=330.0))
    falls = found(arranged(items, (put("stack", x=300), put("wide", x=450, on="stack"))))["overhang"]
    juts = found(arranged(items, (put("stack", x=300), put("wide", x=300, on="stack"))))["overhang"]
    assert falls.level == "stop"
    assert "would fall" in falls.sentence
    assert juts.level == "heed"


def test_the_edge_of_a_round_table_is_known() -> None:
    top = Ledge(id="a1", left=0, floor=420, width=800, depth=800, shape="ellipse")
    piece = replace(case_of(), kind="coffee-table", width=800.0, height=420.0, depth=800.0, ledges=(top,))
    inside = arranged((thing("cup"),), (put("cup", x=400, z=400),), piece)
    corner = arranged((thing("cup"),), (put("cup", x=90, z=90),), piece)
    assert "overhang" not in found(inside)
    assert "edge" in found(corner)["overhang"].sentence


@pytest.mark.parametrize(
    ("mass", "material", "level"),
    [(12.5, "", "stop"), (5.0, "", "heed"), (1.0, "", None), (None, "stone", "unknown"), (None, "paper", None)],
)
def test_heavy_things_high_up(mass: float | None, material: str, level: str | None) -> None:
    item = thing("rock", "object", mass=mass, material=material, width=150.0, height=150.0, depth=150.0)
    caution = found(arranged((item,), (put("rock", "a5"),), case_of(5)))
    assert (caution["heavy-high"].level if "heavy-high" in caution else None) == level


@pytest.mark.parametrize(("ledge", "found_there"), [("a5", True), ("a4", False)])
def test_breakable_things_overhead(ledge: str, found_there: bool) -> None:
    arrangement = arranged((thing("glass", traits=("fragile",), mass=0.4),), (put("glass", ledge),), case_of(5))
    assert ("heavy-high" in found(arrangement)) is found_there


def test_heavy_things_low_down_are_no_caution() -> None:
    assert "heavy-high" not in found(arranged((thing("rock", mass=20.0),), (put("rock"),)))


def test_a_ball_wants_something_that_stops_it() -> None:
    ball = thing("ball", "object", silhouette="sphere", width=100.0, height=100.0, depth=100.0, traits=("rolls",))
    free = arranged((ball,), (put("ball"),))
    on_tray = arranged((ball, thing("tray", "tray")), (put("tray"), put("ball", on="tray")))
    books = (thing("left", "box", width=100.0), thing("right", "box", width=100.0))
    held = arranged((ball, *books), (put("left", x=295), put("ball", x=400), put("right", x=505)))
    assert "rolls" in found(free)
    assert "rolls" not in found(on_tray)
    assert "rolls" not in found(held)


def test_the_demo_shows_the_meteorite_high_up_before_and_not_after(demo: Plan) -> None:
    def stopped(look: str) -> set[str]:
        cautions = cautions_of(arrange(demo, demo.look(look)))
        return {name for c in cautions if (c.id, c.level) == ("heavy-high", "stop") for name in c.placements}

    assert stopped("before") == {"meteorite"}
    assert stopped("first-try") == set()


def test_every_caution_is_named_and_gravest_come_first(demo: Plan) -> None:
    assert list(dict.fromkeys(name for name, _ in REGISTER)) == list(NAMES)
    levels = [caution.level for caution in cautions_of(arrange(demo, demo.look("before")))]
    assert levels == sorted(levels, key=("stop", "heed", "unknown").index)


def test_a_row_is_told_beside_what_its_board_is_rated_for() -> None:
    books = (thing("ferns", "book", mass=1.5), thing("mosses", "book", mass=0.5), thing("urn", mass=2.0))
    places = (put("ferns", x=100.0), put("mosses", x=131.0), put("urn", x=500.0))
    piece = case_of(1)
    rated = replace(piece, ledges=(replace(piece.ledges[0], load_limit=15.0),))
    look = arranged(books, places, rated)
    said = row_load_said(look, row_of(look, "ferns"))
    assert said == "2.0 kg; the board carries 4.0 kg of the 15 kg it is rated for"
    unweighed = (books[0], thing("mosses", "book", mass=None), books[2])
    look = arranged(unweighed, places, piece)
    said = row_load_said(look, row_of(look, "ferns"))
    assert said == "about 2 kg (1 unweighed); the board carries about 4 kg (1 unweighed) and its rating is unknown"
