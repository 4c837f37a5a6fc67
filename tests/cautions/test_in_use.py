"""Whether things open, turn and are reached where they stand."""

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.in_use import reach_of, swept
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Fixture, Ledge, Piece
from jolly_ledge.model.use import Hinge, Use
from jolly_ledge.proposals.problem import problem_of

TOP = Ledge(id="a1", left=0.0, floor=750.0, width=1200.0, depth=400.0)
CONSOLE = Piece(id="console", kind="console", width=1200.0, height=750.0, depth=400.0, ledges=(TOP,))


def player(**use: object) -> Item:
    """Return a record player, 400 wide, 150 high, 280 deep."""
    sizes = {"width": 400.0, "height": 150.0, "depth": 280.0}
    return thing("player", "device", mass=6.0, use=Use(**use), **sizes)  # type: ignore[arg-type]


def of(look: Arrangement) -> list[Caution]:
    return [caution for caution in cautions_of(look) if caution.id == "in-use"]


@pytest.mark.parametrize(
    ("angle", "hinge", "short"),
    [
        # 150 high under 400: a lid 280 long stands up by 280, 30 too much.
        (90.0, "back", "30 mm short of room to what is over it"),
        # Half open it needs 198 of 250.
        (45.0, "back", ""),
        # Hinged at its side it is 400 long.
        (90.0, "left", "150 mm short of room to what is over it"),
    ],
)
def test_a_lid_needs_its_length_over_it(angle: float, hinge: Hinge, short: str) -> None:
    look = arranged((player(opens="lid", angle=angle, hinge=hinge),), (put("player"),))
    said = [caution.sentence for caution in of(look)]
    assert len(said) == bool(short)
    assert not short or (short in said[0] and "does not open here" in said[0])


def test_past_upright_a_lid_wants_room_behind_and_a_door_at_its_side() -> None:
    wide = player(opens="lid", angle=120.0)
    (body,) = swept(arranged((wide,), (put("player", z=250.0),), CONSOLE).placed_items[0])
    assert (body.top - body.bottom, body.back - 250.0 - 140.0) == pytest.approx((280.0, 140.0))
    look = arranged((wide,), (put("player", z=250.0),), CONSOLE)
    assert "130 mm short of room to the wall behind" in of(look)[0].sentence
    assert not of(arranged((wide,), (put("player", z=120.0),), CONSOLE))
    door = thing(
        "cage", "box", width=300.0, height=200.0, depth=200.0, use=Use(opens="door", hinge="left", angle=180.0)
    )
    (body,) = swept(arranged((door,), (put("cage"),)).placed_items[0])
    assert (body.left, body.front) == pytest.approx((420.0 - 150.0 - 300.0, 50.0 - 300.0))
    assert "to the left side" in of(arranged((door,), (put("cage"),)))[0].sentence


def test_sides_turn_with_the_thing() -> None:
    box = thing("box", "box", width=200.0, height=100.0, depth=200.0, use=Use(opens="drawer", run=150.0))
    for turn, edge in ((0.0, "front"), (90.0, "right"), (180.0, "back"), (270.0, "left")):
        placed = arranged((box,), (put("box", turn=turn),)).placed_items[0]
        (body,) = swept(placed)
        grown = {side: abs(getattr(body, side) - getattr(placed, side)) for side in ("front", "right", "back", "left")}
        assert grown == pytest.approx({side: 150.0 if side == edge else 0.0 for side in grown})


def test_what_stands_in_the_way_is_named_with_its_weight() -> None:
    globe, vase = thing("globe", mass=1.2), thing("vase")
    places = (put("player", x=400.0, z=240.0), put("globe", x=480.0, z=60.0), put("vase", x=300.0, z=60.0))
    for often, level in (("daily", ["stop"]), ("", ["heed"]), ("rarely", ["heed"]), ("not-since", [])):
        items = (player(opens="drawer", often=often, run=200.0), globe, vase)
        found = of(arranged(items, places, CONSOLE))
        assert [caution.level for caution in found] == level
        for caution in found:
            assert "the globe (1.2 kg) and the vase (weight unknown) must be moved" in caution.sentence
            assert set(caution.placements) == {"player", "globe", "vase"}


def test_what_stands_on_a_lid_is_in_its_way_and_what_carries_the_thing_is_not() -> None:
    tray, bowl = thing("tray", "tray", width=500.0, depth=320.0), thing("bowl", "bowl", mass=0.5)
    items = (player(opens="lid", turns=False), tray, bowl)
    look = arranged(
        items, (put("tray", z=200.0), put("player", on="tray", z=200.0), put("bowl", on="player", z=200.0)), CONSOLE
    )
    (caution,) = of(look)
    assert "the bowl (0.5 kg) must be moved" in caution.sentence
    assert caution.placements == ("player", "bowl")


def test_what_turns_needs_its_diagonal_and_lies_or_leans_without() -> None:
    globe = thing("globe", "object", width=240.0, height=300.0, depth=160.0, use=Use(turns=True))
    look = arranged((globe,), (put("globe", x=124.0),))
    assert "does not turn here: it is 20 mm short of room to the left side" in of(look)[0].sentence
    assert not of(arranged((globe,), (put("globe", x=200.0),)))
    assert not of(arranged((globe,), (put("globe", x=124.0, pose="leaning"),)))
    ball = thing("ball", "object", width=240.0, height=240.0, depth=240.0, silhouette="sphere", use=Use(turns=True))
    assert not of(arranged((ball,), (put("ball", x=124.0),)))


def test_hands_want_room_and_a_seldom_used_thing_is_only_heeded() -> None:
    jug = thing("jug", "vessel", height=300.0, use=Use(above=150.0, often="rarely"))
    (caution,) = of(arranged((jug,), (put("jug"),)))
    assert caution.level == "heed"
    assert "has no room to be used here: the room over it is 50 mm short" in caution.sentence


def test_what_is_used_together_stands_within_an_arm() -> None:
    kettle, caddy = thing("kettle", use=Use(along=("caddy", "nobody"))), thing("caddy")
    for x, said in ((900.0, []), (1000.0, ["80 cm away"])):
        found = of(arranged((kettle, caddy), (put("kettle", x=200.0), put("caddy", x=x)), CONSOLE))
        assert len(found) == len(said)
        assert all(words in caution.sentence for words, caution in zip(said, found, strict=True))


def test_what_both_tell_is_said_once_and_who_lifts_is_named() -> None:
    kettle, caddy = thing("kettle", use=Use(along=("caddy",))), thing("caddy", use=Use(along=("kettle",)))
    assert len(of(arranged((kettle, caddy), (put("kettle", x=150.0), put("caddy", x=1050.0)), CONSOLE))) == 1
    urn = thing("urn", mass=9.0, use=Use(hands=4))
    items = (player(opens="drawer", run=200.0), urn)
    (caution,) = of(arranged(items, (put("player", x=400.0, z=240.0), put("urn", x=400.0, z=35.0)), CONSOLE))
    assert "the urn (9 kg, two people) must be moved" in caution.sentence


def test_no_proposal_sets_a_thing_where_it_does_not_open() -> None:
    items = (player(opens="lid", often="daily"),)
    for piece, stands in ((case_of(1), False), (CONSOLE, True)):
        look = arranged(items, (put("player", x=400.0, z=200.0 if stands else 150.0),), piece)
        problem = problem_of(plan_of((*items, thing("vase")), (), piece), piece.id, Manner())
        assert problem.can_stand(look) is stands


def test_the_ends_of_a_wall_shelf_are_open() -> None:
    box = thing("box", "box", width=300.0, height=160.0, depth=220.0, use=Use(left=400.0))
    assert of(arranged((box,), (put("box"),), case_of(1)))
    assert not of(arranged((box,), (put("box"),), case_of(1, kind="wall-shelves")))


def test_what_reaches_up_to_a_hanging_lamp_or_burns_under_it() -> None:
    hanging = Fixture(kind="light", left=500.0, floor=1250.0, width=280.0, height=220.0)
    piece = replace(CONSOLE, kind="counter", fixtures=(hanging,))

    def said(item: Item, x: float = 640.0) -> list[str]:
        look = arranged((item,), (put(item.id, x=x, z=200.0),), piece)
        return [caution.sentence for caution in cautions_of(look) if caution.id == "heat"]

    assert "reaches 10 cm up to the hanging lamp" in said(thing("branches", height=600.0))[0]
    assert "stands 20 cm under the hanging lamp; keep 30 cm free" in said(thing("box", "box", height=300.0))[0]
    assert said(thing("stone", "object", height=300.0, material="stone")) == []
    assert said(thing("box", "box", height=150.0)) == []
    assert said(thing("branches", height=600.0), x=200.0) == []


@pytest.mark.parametrize(("x", "z", "is_in_the_way"), [(340.0, 60.0, False), (380.0, 120.0, True)])
def test_a_turn_takes_the_circle_of_its_diagonal_and_not_its_square(x: float, z: float, is_in_the_way: bool) -> None:
    """400 by 280 turns within 244 of its middle: what stands in a corner of the square about that is not touched."""
    cube = thing("cube", "box", width=60.0, height=60.0, depth=60.0, mass=0.2)
    look = arranged((player(turns=True), cube), (put("player", x=600.0, z=240.0), put("cube", x=x, z=z)), CONSOLE)
    corner = x + 30.0 > 600.0 - 244.1 and z + 30.0 > 240.0 - 244.1
    assert corner
    named = [caution for caution in of(look) if "cube" in caution.placements]
    assert bool(named) is is_in_the_way


def test_what_is_round_is_met_by_its_rim() -> None:
    globe = thing("globe", width=100.0, height=100.0, depth=100.0, mass=0.2, silhouette="round")
    for x, is_in_the_way in ((600.0 - 244.0 - 52.0, False), (600.0 - 244.0 - 45.0, True)):
        places = (put("player", x=600.0, z=200.0), put("globe", x=x, z=200.0))
        look = arranged((player(turns=True), globe), places, CONSOLE)
        assert any("globe" in caution.placements for caution in of(look)) is is_in_the_way


def test_the_reach_of_an_arm_tells_what_is_outside() -> None:
    cup, pot = thing("cup"), thing("pot")
    kettle = thing("kettle", "appliance", use=Use(along=("cup", "pot")))
    look = arranged((kettle, cup, pot), (put("kettle", x=100.0), put("cup", x=700.0), put("pot", x=1000.0)), CONSOLE)
    reach = reach_of(look, look.by_id["kettle"])
    assert reach is not None
    assert [placed.id for placed in reach.outside] == ["pot"]
    assert reach_of(look, look.by_id["cup"]) is None
    assert [caution.placements for caution in of(look)] == [("kettle", "pot")]
