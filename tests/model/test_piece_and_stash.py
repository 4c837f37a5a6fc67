"""Bays and the tape, the order of placing, landings, and the stash in lines."""

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.edits.pieces import SetBayWidth, SetClearance
from jolly_ledge.geometry.bays import bay_name, bay_of, bays_of, tape_check
from jolly_ledge.geometry.landing import Held, find_landing, free_spot, holds
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.stash_order import Sorting, StashSearch, clearances_of, fits, free_over, lines_of
from jolly_ledge.planning.tape_figures import TapeFigure
from jolly_ledge.planning.working_order import working_order
from jolly_ledge.readings.register import assess


def test_bays_run_left_to_right_and_shelves_upward() -> None:
    bays = bays_of(case_of(3, 2))
    assert [[ledge.id for ledge in bay.ledges] for bay in bays] == [["a1", "a2", "a3"], ["b1", "b2", "b3"]]
    assert bay_name(case_of(3, 2), bays[1]) == "Right bay"
    assert bay_of(case_of(3, 2), "b2") == bays[1]


def test_a_sound_case_has_no_tape_faults(demo: Plan) -> None:
    assert tape_check(case_of(3, 2)) == ()
    assert tape_check(demo.pieces[0]) == ()


@pytest.mark.parametrize(
    ("clearance", "said"), [(430, "10 mm too much"), (250, "170 mm are missing"), (500, "80 mm too much")]
)
def test_heights_that_do_not_add_up_are_told_in_mm(clearance: float, said: str) -> None:
    plan = SetClearance(piece="case", ledge="a1", clearance=clearance).apply(plan_of())
    (fault,) = tape_check(plan.piece("case"))
    assert said in fault.sentence
    assert "a1" in fault.ledges


def test_widths_that_do_not_add_up_are_told_in_mm() -> None:
    plan = SetBayWidth(piece="case", ledge="a1", width=812).apply(plan_of(piece=case_of(2, 2)))
    (fault,) = tape_check(plan.piece("case"))
    assert "12 mm do not add up" in fault.sentence


def test_a_shelf_in_a_board_and_a_deep_ledge_are_told() -> None:
    piece = case_of()
    low, high = piece.ledges
    cut = replace(piece, ledges=(replace(low, clearance=430.0), replace(high, depth=400.0)))
    sentences = " ".join(fault.sentence for fault in tape_check(cut))
    assert "into the board of a2" in sentences
    assert "80 mm deeper than the whole bookcase" in sentences


def test_placing_goes_from_the_top_down_and_carriers_first() -> None:
    items = (
        thing("stack", "book-stack", room="study"),
        thing("vase", mass=9.0),
        thing("art", "frame"),
        thing("cup", height=60.0),
    )
    placements = (
        put("cup", "a2", x=100),
        put("vase", on="stack"),
        put("stack"),
        put("art", "a2", x=400, z=287.5, pose="leaning"),
    )
    steps = working_order(arranged(items, placements))
    assert [step.placement for step in steps] == ["art", "cup", "stack", "vase"]
    stack, vase = steps[2], steps[3]
    assert (stack.along, stack.across) == (TapeFigure(270, "left end"), TapeFigure(45, "front edge"))
    assert (stack.room, stack.support) == ("study", "the ledge")
    assert (vase.support, vase.along) == ("on stack", TapeFigure(0, "middle of the stack"))
    assert steps[0].across == TapeFigure(0, "wall")
    assert "two hands" in vase.note
    assert steps[0].how == "leaning"


def test_figures_of_what_goes_along_are_left_out() -> None:
    items = (thing("vase"), thing("stems", "stems"))
    steps = working_order(arranged(items, (put("vase"), put("stems", inside="vase", x=None, z=None))))
    assert (steps[1].along, steps[1].across, steps[1].support) == (None, None, "inside vase")


def test_a_tape_begins_where_it_can_be_held() -> None:
    items = (thing("chest", "box", width=600.0, depth=280.0), thing("jug"), thing("cup", height=90.0))
    # The chest is set down first and fills the left; the jug behind it is measured from the right.
    steps = working_order(arranged(items, (put("chest", x=300), put("jug", x=680), put("cup", "a2", x=700))))
    figures = {step.item: (step.along, step.across) for step in steps}
    assert figures["jug"] == (TapeFigure(60, "right end"), TapeFigure(90, "front edge"))
    assert figures["cup"][0] == TapeFigure(640, "left end")
    walls = (thing("low", "box", width=200.0), thing("high", "box", width=200.0, height=300.0), thing("pin"))
    boxed = working_order(arranged(walls, (put("low", x=100), put("high", x=700), put("pin", x=400))))
    pin = next(step for step in boxed if step.item == "pin")
    assert pin.along == TapeFigure(140, "right edge of the low")


def test_on_a_round_top_the_tape_begins_at_the_rim() -> None:
    top = Ledge(id="top", left=0.0, floor=400.0, width=1000.0, depth=1000.0, shape="ellipse")
    table = case_of(1, kind="coffee-table", ledges=(top,), width=1000.0, depth=1000.0)
    (step,) = working_order(arranged((thing("jug"),), (put("jug", "top", x=500, z=800),), table))
    # At 300 mm behind the middle of a circle of 500 mm the rim lies 400 mm to the left of it.
    assert step.along == TapeFigure(340, "rim on the left")
    assert step.across == TapeFigure(740, "rim in front")


# Landings


def landing_at(x: float, base: float, item: Item, *others: Item, pose: str = "upright") -> tuple[object, ...]:
    placements = tuple(put(other.id, x=400) for other in others)
    arrangement = arranged((item, *others), placements)
    landing = find_landing(arrangement, Held(item, pose, 0.0, x, base))  # type: ignore[arg-type]
    if landing is None:
        return (None,)
    spot = landing.spot
    return (spot.ledge, spot.x, spot.z, spot.on, landing.inside)


@pytest.mark.parametrize(
    ("x", "base", "expected"),
    [
        (420, 105, ("a1", 400, 150, None, None)),
        (423, 140, ("a1", 405, 150, None, None)),
        (30, 120, ("a1", 60, 150, None, None)),
        (815, 540, ("a2", 740, 150, None, None)),
        (2000, 120, (None,)),
        (400, 2000, (None,)),
    ],
)
def test_a_thing_lands_on_the_ledge_under_it(x: float, base: float, expected: tuple[object, ...]) -> None:
    assert landing_at(x, base, thing("vase")) == expected


def test_a_thing_lands_on_a_stack_when_it_is_over_it() -> None:
    assert landing_at(430, 200, thing("vase"), thing("stack", "book-stack")) == ("a1", 410, 150, "stack", None)


def test_a_thing_held_low_lands_before_the_stack() -> None:
    assert landing_at(430, 110, thing("vase"), thing("stack", "book-stack"))[3] is None


def test_nothing_lands_on_a_vase_but_stems_go_into_it() -> None:
    assert landing_at(420, 345, thing("cup"), thing("vase"))[3] is None
    assert landing_at(420, 345, thing("stems", "stems"), thing("vase"))[4] == "vase"


def test_frames_land_at_the_back() -> None:
    assert landing_at(420, 105, thing("art", "frame"), pose="leaning")[2] == 287.5


def test_mirrors_land_on_walls() -> None:
    wall = Ledge(id="w", left=0, floor=1000, width=800, depth=40, clearance=900, surface="wall")
    piece = replace(case_of(), ledges=(*case_of().ledges, wall))
    arrangement = arranged((thing("mirror", "mirror"),), (), piece)
    landing = find_landing(arrangement, Held(thing("mirror", "mirror"), "leaning", 0.0, 400, 1303))
    assert landing is not None
    assert (landing.spot.ledge, landing.spot.y) == ("w", 305)


def test_the_widest_gap_is_found() -> None:
    arrangement = arranged((thing("a"), thing("b")), (put("a", x=100), put("b", x=300)))
    spot = free_spot(arrangement, thing("c"), "upright", arrangement.piece.ledges[0])
    assert spot.x == 580


# The stash


@pytest.mark.parametrize(
    ("sorting", "titles"),
    [
        ("height", ["Over 40 cm high", "20 to 40 cm high", "Under 20 cm high"]),
        ("kind", ["Book", "Bowl", "Lamp"]),
        ("room", ["No room told", "hall", "study"]),
        ("family", ["Blue", "Rust"]),
    ],
)
def test_the_stash_is_sorted_in_titled_groups(sorting: Sorting, titles: list[str]) -> None:
    stash = (
        thing("lamp", "lamp", height=520.0, room="hall"),
        thing("atlas", "book", room="study", colours=(("#25405c", 1.0),)),
        thing("bowl", "bowl"),
    )
    assert [shelf.title for shelf in lines_of(stash, sorting)] == titles


def test_search_finds_every_word() -> None:
    item = thing("orrery", name="brass orrery", material="brass", room="study", traits=("fragile",))
    search = StashSearch((item,))
    assert search.found("BRASS study") == (item,)
    assert search.found("") == (item,)
    assert search.found("brass kitchen") == ()


@pytest.mark.parametrize(
    ("item", "expected"),
    [
        (thing("vase"), True),
        (thing("tall", height=500.0), False),
        (thing("atlas", "book", height=500.0), True),
        (thing("wide", width=900.0, depth=900.0), False),
        (thing("deep", depth=400.0), False),
    ],
)
def test_what_fits_a_ledge(item: Item, expected: bool) -> None:
    assert fits(item, case_of().ledges[0]) is expected


def test_only_hung_things_fit_a_wall() -> None:
    wall = Ledge(id="w", left=0, floor=0, width=1, depth=1, surface="wall")
    assert fits(thing("mirror", "mirror"), wall)
    assert not fits(thing("vase"), wall)


def test_free_height_and_clearances() -> None:
    piece: Piece = case_of()
    assert free_over(thing("vase"), piece.ledges[0]) == 160
    assert clearances_of(piece) == [(400, ("a1", "a2"))]


@pytest.mark.parametrize(
    ("host", "item", "expected"),
    [
        ("vessel", "stems", True),
        ("vessel", "book", False),
        ("box", "device", True),
        ("tray", "tableware", True),
        ("book-stack", "device", False),
    ],
)
def test_what_goes_inside_what(host: str, item: str, expected: bool) -> None:
    assert holds(thing("host", host), thing("item", item)) is expected


@pytest.mark.parametrize(("under", "lands"), [(0.0, True), (39.0, True), (41.0, False), (60.0, False)])
def test_a_thing_let_go_a_little_under_the_top_of_a_riser_still_lands_on_it(under: float, lands: bool) -> None:
    stack = thing("stack", "book-stack")
    base = 100 + stack.height - under
    landing = landing_at(420, base, thing("cup", "tableware", width=80.0, height=70.0), stack)
    assert (landing[3] == "stack") is lands


def test_pictures_lean_on_each_other_until_the_ledge_is_full() -> None:
    frames = tuple(thing(f"frame{n}", "frame", depth=60.0) for n in range(6))
    look = arranged(frames, ())
    depths = []
    for n, frame in enumerate(frames):
        landing = find_landing(look, Held(frame, "leaning", 0.0, 420 + 10 * n, 110))
        assert landing is not None
        depths.append(landing.spot.z)
        kept = (*look.look.placements, put(frame.id, x=landing.spot.x, z=landing.spot.z, pose="leaning"))
        look = arranged(frames, kept)
        assert n == 5 or not [c for c in cautions_of(look) if c.id == "collision"]
    assert depths == [270, 210, 150, 90, 30, 30]
    beside = find_landing(look, Held(frames[0], "leaning", 0.0, 760, 110, ignored=frozenset({"frame0"})))
    assert beside is not None
    assert beside.spot.z == 270


@pytest.mark.parametrize("outline", [((0.0, 0.0),), ((0.0, 0.0), (0.1, 1.0)), ((0.0, 0.0),) * 5])
def test_an_outline_that_encloses_nothing_harms_nothing(outline: tuple[tuple[float, float], ...]) -> None:
    look = arranged((thing("vase", outline=outline), thing("jar")), (put("vase", x=200), put("jar", x=260, z=80)))
    assert assess(look).unread == ()
    assert look_picture(look).primitives


def test_a_look_that_stands_on_nothing_is_told_instead_of_never_ending() -> None:
    with pytest.raises(EditError, match="nowhere"):
        arranged((thing("vase"),), (put("vase", on="nowhere"),))
    with pytest.raises(EditError, match="stands on"):
        arranged((thing("a"), thing("b")), (put("a", on="b"), put("b", on="a")))
    with pytest.raises(EditError, match="a ledge “z9”"):
        arranged((thing("a"),), (put("a", "z9"),))
