"""Which plug goes into which outlet, and how much of its cord is seen."""

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.plugs import cord_in_sight, drawing_through, plugs_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Fixture, Ledge, Piece
from jolly_ledge.model.use import Cord
from jolly_ledge.planning.plug_table import loads, plug_rows

TOP = Ledge(id="a1", left=0.0, floor=750.0, width=1200.0, depth=400.0)


def console(*sockets: Fixture) -> Piece:
    return Piece(id="console", kind="console", width=1200.0, height=750.0, depth=400.0, ledges=(TOP,), fixtures=sockets)


def socket(left: float, floor: float = 300.0, **changes: object) -> Fixture:
    return Fixture(kind="socket", left=left - 40.0, floor=floor - 40.0, width=80.0, height=80.0, **changes)  # type: ignore[arg-type]


def lamp(name: str, **changes: object) -> Item:
    return thing(name, "lamp", width=200.0, depth=200.0, traits=("corded",), **changes)


def said(look: Arrangement) -> list[str]:
    return [caution.sentence for caution in cautions_of(look) if caution.id == "cords"]


def test_each_outlet_is_taken_once_and_the_nearest_go_first() -> None:
    near, far = socket(200.0, outlets=1, name="left socket"), socket(1000.0, outlets=2, name="right socket")
    items = tuple(lamp(name) for name in "abcd")
    places = tuple(put(name, x=x) for name, x in zip("abcd", (150.0, 260.0, 700.0, 1100.0), strict=True))
    look = arranged(items, places, console(near, far))
    assert [(plug.socket.name, plug.outlet) for plug in plugs_of(look)] == [
        ("left socket", 1), ("left socket", 0), ("right socket", 2), ("right socket", 1),
    ]  # fmt: skip
    assert any("which has one outlet; leave one out" in sentence for sentence in said(look))
    assert plug_rows(look, "cm")[1].socket == "left socket: no outlet left"
    assert plug_rows(look, "cm")[3].label == "d · right socket, outlet 1 of 2 · not told"


@pytest.mark.parametrize(
    ("length", "side", "short"),
    [(1000.0, "", 0), (700.0, "", 2), (700.0, "right", 0), (700.0, "left", 12), (None, "", 0)],
)
def test_a_cord_of_told_length_is_laid_along_the_back(length: float | None, side: str, short: int) -> None:
    # From its middle: 120 along, 450 down, 150 to the wall; from its sides 100 less or more.
    item = lamp("lamp", cord=Cord(length=length, side=side))  # type: ignore[arg-type]
    look = arranged((item,), (put("lamp", x=580.0, z=150.0),), console(socket(700.0)))
    (plug,) = plugs_of(look)
    assert plug.run == pytest.approx(720.0 + {"": 0.0, "right": -100.0, "left": 100.0}[side])
    assert said(look) == ([] if not short else [
        f"The cord of the lamp is {short} cm too short to run along the back to the socket; "
        "no loose cord may cross where people walk."
    ])  # fmt: skip


def test_what_stands_before_a_cord_hides_it() -> None:
    box = thing("box", "box", width=300.0, height=200.0, depth=100.0)
    item = lamp("lamp", watts=40.0)
    bare = arranged((item,), (put("lamp", x=200.0),), console(socket(700.0)))
    # 500 along of which the lamp hides 100, then 450 down.
    (plug,) = plugs_of(bare)
    assert cord_in_sight(bare, plug).length == pytest.approx(850.0, abs=25.0)
    hidden = arranged((item, box), (put("lamp", x=200.0), put("box", x=500.0)), console(socket(700.0)))
    sight = cord_in_sight(hidden, plugs_of(hidden)[0])
    assert sight.length == pytest.approx(550.0, abs=45.0)
    assert [placed.id for placed in sight.hidden_by] == ["lamp", "box"]
    assert plug_rows(hidden, "cm")[0].draws == "40 W"


def test_in_a_case_a_cord_goes_down_behind_the_back() -> None:
    item, box = lamp("lamp"), thing("box", "box", width=500.0, height=150.0)
    places = (put("lamp", "a2", x=200.0), put("box", "a2", x=500.0))
    look = arranged((item, box), places, case_of(2, fixtures=(socket(720.0, 200.0),)))
    (plug,) = plugs_of(look)
    assert cord_in_sight(look, plug).length < 60.0
    assert plug_rows(look, "cm")[0].seen == "hidden behind the lamp and the box"


def test_a_load_is_added_up_for_a_socket_and_for_a_circuit() -> None:
    first = socket(200.0, name="left socket", circuit="kitchen", watts=2300.0)
    second = socket(1000.0, name="right socket", circuit="kitchen")
    items = (lamp("a", watts=40.0), lamp("b", watts=1800.0), lamp("c"))
    look = arranged(items, (put("a", x=150.0), put("b", x=850.0), put("c", x=1100.0)), console(first, second))
    assert loads(look) == (
        "The left socket: 40 W of 2300 W, if these run at once: a.",
        "The right socket: 1800 W and what one thing more would draw, if these run at once: b and c.",
        "The circuit kitchen: 1840 W and what one thing more would draw, if these run at once: a, b and c. "
        "What its fuse bears is not known here.",
    )
    assert loads(arranged((), (), console(first))) == ()


def test_a_socket_that_bears_less_says_by_how_much() -> None:
    items = (lamp("a", watts=1500.0), lamp("b", watts=1000.0))
    look = arranged(items, (put("a", x=150.0), put("b", x=300.0)), console(socket(200.0, name="socket", watts=2300.0)))
    assert loads(look) == ("The socket: 2500 W of 2300 W, if these run at once: a and b. That is 200 W too much.",)


def test_without_a_socket_the_table_says_so() -> None:
    look = arranged((lamp("lamp"),), (put("lamp"),), console())
    assert plugs_of(look) == ()
    assert plug_rows(look, "cm")[0].socket == "no socket is told"


def test_what_rests_draws_nothing_and_what_is_too_much_is_told() -> None:
    socket = Fixture(kind="socket", left=300.0, floor=300.0, width=80.0, height=80.0, watts=2300.0, outlets=3)
    things = tuple(thing(name, "appliance", traits=("corded",), watts=watts, width=100.0, height=100.0, depth=100.0)
                   for name, watts in (("kettle", 2000.0), ("toaster", 900.0)))  # fmt: skip
    look = arranged(things, (put("kettle", x=250.0), put("toaster", x=450.0)), console(socket))
    (both,) = loads(look)
    assert both == "The socket: 2900 W of 2300 W, if these run at once: kettle and toaster. That is 600 W too much."
    assert loads(look, {"toaster"}) == ("The socket: 2000 W of 2300 W, if these run at once: kettle.",)
    assert loads(look, {"kettle", "toaster"}) == ()


def strip(**changes: object) -> Item:
    return thing("strip", "device", width=300.0, height=40.0, depth=60.0, outlets=3, **changes)


def test_a_strip_goes_into_the_wall_and_others_into_it_and_the_wall_bears_them_all() -> None:
    items = (strip(watts=100.0), lamp("left", watts=60.0), lamp("right", watts=60.0))
    places = (put("strip", x=600.0), put("left", x=450.0), put("right", x=750.0))
    look = arranged(items, places, console(socket(60.0, outlets=1, watts=90.0, name="wall socket")))
    plugs = {plug.placed.id: plug for plug in plugs_of(look)}
    assert (plugs["strip"].socket.name, plugs["strip"].strip) == ("wall socket", None)
    for name in ("left", "right"):
        into = plugs[name].strip
        assert into is not None
        assert into.id == "strip"
    assert {one.placed.id for one in drawing_through(plugs["strip"], plugs_of(look))} == {"left", "right"}
    assert any("draw 120 W together and the strip is rated for 100 W" in sentence for sentence in said(look))
    assert any("draw 120 W together and the wall socket is rated for 90 W" in sentence for sentence in said(look))
    assert [row.draws for row in plug_rows(look, "cm")] == ["what is in it, 100 W at the most", "60 W", "60 W"]
    assert any(one.startswith("The wall socket: 120 W of 90 W") for one in loads(look))
    assert any(one.startswith("The wall socket: 60 W of 90 W") for one in loads(look, {"left"}))
    assert loads(look, {"strip"}) == ()


def test_no_strip_goes_into_a_strip_and_none_without_a_wall_is_plugged_in() -> None:
    items = (strip(), thing("other", "device", width=200.0, height=40.0, depth=60.0, outlets=2), lamp("lamp"))
    places = (put("strip", x=300.0), put("other", x=700.0), put("lamp", x=1000.0))
    plugs = {plug.placed.id: plug for plug in plugs_of(arranged(items, places, console(socket(60.0, outlets=1))))}
    assert plugs["strip"].strip is plugs["other"].strip is None
    assert {plugs["strip"].outlet, plugs["other"].outlet} == {0, 1}
    alone = arranged(items, places, console())
    assert {plug.placed.id for plug in plugs_of(alone)} == {"lamp"}
    assert sum("no socket is told" in sentence for sentence in said(alone)) == 2


def test_what_heats_is_told_not_to_go_into_a_strip() -> None:
    kettle = thing("kettle", "appliance", width=160.0, height=240.0, depth=160.0, traits=("corded",), watts=2000.0)
    look = arranged((strip(), kettle), (put("strip", x=600.0), put("kettle", x=800.0)), console(socket(60.0)))
    assert any("wants an outlet of the wall" in sentence for sentence in said(look))
    beside = arranged((strip(), kettle), (put("strip", x=900.0), put("kettle", x=100.0)), console(socket(60.0)))
    assert not any("wants an outlet of the wall" in sentence for sentence in said(beside))
