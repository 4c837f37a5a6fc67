"""How many groups and things every ledge bears, before anything is placed."""

from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.measures.counts import recommended
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.readings.how_many import BAND
from jolly_ledge.readings.recommended import advice_for
from jolly_ledge.readings.register import read_one


def test_fuller_and_wider_ledges_bear_more() -> None:
    piece = case_of(2)
    airy, layered, abundant = (
        advice_for(piece, fullness, ())[0].things for fullness in ("airy", "layered", "abundant")
    )
    assert airy < layered < abundant
    wide = replace(piece, ledges=(replace(piece.ledges[0], width=1600.0),))
    assert advice_for(wide, "layered", ())[0].things > layered
    assert advice_for(wide, "layered", ())[0].groups >= 2


def test_what_the_stash_lacks_is_told_and_walls_are_left_out() -> None:
    wall = Ledge(id="w", left=0.0, floor=900.0, width=700.0, depth=40.0, surface="wall")
    piece = replace(case_of(1), ledges=(*case_of(1).ledges, wall))
    (told,) = advice_for(piece, "layered", (thing("jar"), thing("wish", status="wanted"), thing("twigs", "stems")))
    assert told.fitting == 1
    assert "only 1 of the stash fit" in told.sentence
    assert "(" in told.sentence


def test_the_advice_agrees_with_the_reading() -> None:
    (told,) = advice_for(case_of(1), "layered", ())
    things = tuple(thing(f"jar{n}", width=60.0, depth=60.0) for n in range(told.fewest))
    look = arranged(things, tuple(put(one.id, x=60.0 + 130 * n) for n, one in enumerate(things)), case_of(1))
    reading = read_one("how-many", look)
    assert reading is not None
    assert BAND[0] <= reading.value <= BAND[1]


def test_a_top_is_airy_by_its_rests_more_than_by_fewer_things() -> None:
    def share(piece: Piece) -> float:
        airy, layered = (recommended(piece, piece.ledges[0], fullness) for fullness in ("airy", "layered"))
        return airy / layered

    top = replace(case_of(1).ledges[0], floor=520.0, clearance=None)
    console = replace(case_of(1), kind="console", ledges=(top,))
    assert share(case_of(1)) < share(console) < 1.0


def test_a_counter_for_coffee_bears_more_than_one_for_cooking() -> None:
    top = replace(case_of(1).ledges[0], clearance=None, width=1800.0, depth=600.0)
    cooking = replace(case_of(1), kind="counter", ledges=(top,), use=("cooking",))
    coffee = replace(cooking, use=("coffee",))
    assert recommended(coffee, top, "layered") > recommended(cooking, top, "layered")
