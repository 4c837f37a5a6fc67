"""Places kept on trays go with their tray, however it is turned; what stands in one is named, proposals leave it free."""

from collections.abc import Iterator

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Label
from jolly_ledge.drawing.plan_view import footprint_shapes
from jolly_ledge.edits.kept_places import GiveBackPlaceOnTray, KeepPlaceOnTray
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.tray_places import places_on, places_on_trays, put_down_on_tray
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.look import Manner
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals

CUP = KeptPlace(name="a cup", left=10.0, front=20.0, width=90.0, depth=80.0, height=110.0)


def tray(*kept: KeptPlace) -> Item:
    return thing("tray", "tray", width=360.0, height=30.0, depth=240.0, kept=kept)


def on_a_tray(x: float, z: float, turn: float = 0.0) -> Arrangement:
    """Return a tray at the middle of a shelf with a jug on it, the tray's place at its left in front."""
    jug = thing("jug", width=60.0, height=90.0, depth=60.0)
    stands = (put("tray", x=400.0, z=150.0, turn=turn), put("jug", x=x, z=z, inside="tray"))
    return arranged((tray(CUP), jug), stands, case_of(1))


def said(look: Arrangement) -> list[str]:
    return [caution.sentence for caution in cautions_of(look) if caution.id == "kept-place"]


@pytest.mark.parametrize(
    ("turn", "x", "z"), [(0.0, 270.0, 80.0), (180.0, 530.0, 220.0)], ids=["as it is", "turned round"]
)
def test_what_stands_in_a_place_on_a_tray_is_named_and_the_place_turns_with_it(turn: float, x: float, z: float) -> None:
    told = ["The jug stands in the place kept for a cup on the tray; move it, or give the place back."]
    assert said(on_a_tray(x, z, turn)) == told
    assert said(on_a_tray(400.0, 150.0, turn)) == []
    assert said(on_a_tray(x, z, 180.0 - turn)) == []


def test_the_thing_it_is_kept_for_may_stand_there() -> None:
    look = arranged(
        (tray(CUP), thing("cup", name="a cup", width=80.0, height=90.0, depth=70.0)),
        (put("tray", x=400.0, z=150.0), put("cup", x=275.0, z=90.0, inside="tray")), case_of(1),
    )  # fmt: skip
    assert said(look) == []


def test_the_place_goes_with_its_tray() -> None:
    (where,) = places_on_trays(on_a_tray(400.0, 150.0))
    assert (where[1].left, where[1].front) == (230.0, 50.0)
    look = arranged((tray(CUP),), (put("tray", x=500.0, z=130.0),), case_of(1))
    (moved,) = places_on_trays(look)
    assert (moved[1].left, moved[1].front) == (330.0, 30.0)


def test_it_is_kept_moved_and_given_back() -> None:
    plan = plan_of((tray(),), (), case_of(1))
    once = KeepPlaceOnTray(item="tray", place=CUP, name="the tray").apply(plan)
    assert once.item("tray").kept == (CUP,)
    moved = KeepPlaceOnTray(item="tray", place=replace(CUP, left=100.0)).apply(once)
    assert [place.left for place in moved.item("tray").kept] == [100.0]
    assert GiveBackPlaceOnTray(item="tray", place="a cup").apply(moved) == plan
    with pytest.raises(EditError, match="No place is kept for keys on the tray"):
        GiveBackPlaceOnTray(item="tray", place="keys").apply(moved)


@pytest.mark.parametrize(
    ("item", "changes", "told"),
    [
        (tray(), {"width": 400.0}, "wants 400 mm wide, tray has 360 mm"),
        (tray(), {"left": 300.0}, "lies 30 mm over the end of tray"),
        (thing("tray", "bowl"), {}, "on a ledge or on a tray, and the tray is neither; choose"),
    ],
)
def test_a_place_that_cannot_be_is_refused(item: Item, changes: dict[str, float], told: str) -> None:
    with pytest.raises(EditError, match=told):
        KeepPlaceOnTray(item="tray", place=replace(CUP, **changes)).apply(plan_of((item,), (), case_of(1)))


@pytest.mark.parametrize("turn", [0.0, 90.0, 180.0, 270.0])
def test_a_place_is_put_down_where_the_tray_is_free(turn: float) -> None:
    bare = replace(tray(), depth=220.0, width=280.0)
    look = arranged((bare,), (put("tray", x=400.0, z=150.0, turn=turn),), case_of(1))
    standing = look.by_id["tray"]
    keys = KeptPlace(name="keys", left=0.0, front=0.0, width=100.0, depth=60.0, height=40.0)
    place = put_down_on_tray(look, standing, keys, at=60.0)
    kept = replace(standing, item=replace(bare, kept=(place,)))
    (seen,) = places_on(kept)
    assert (seen.width, seen.depth) == (100.0, 60.0)
    assert seen.left + seen.width / 2 == pytest.approx(60.0, abs=1)
    assert seen.front >= 0
    assert seen.front + seen.depth <= standing.back - standing.front


def labels(look: Arrangement) -> Iterator[str]:
    return (one.text for one in look_picture(look).primitives if isinstance(one, Label))


def test_it_is_drawn_with_the_tray_from_the_front_and_from_above() -> None:
    with_it, without = (arranged((item,), (put("tray", x=400.0, z=150.0),), case_of(1)) for item in (tray(CUP), tray()))
    assert "a cup" in labels(with_it)
    assert "a cup" not in labels(without)
    assert len(footprint_shapes(with_it.by_id["tray"])) == len(footprint_shapes(without.by_id["tray"])) + 1


def test_proposals_leave_it_free() -> None:
    wide = replace(tray(replace(CUP, left=0.0, front=0.0, width=170.0, depth=240.0)), traits=("must-keep", "base"))
    small = tuple(
        thing(f"small{n}", kind, width=70.0, height=90.0 + 20 * n, depth=70.0)
        for n, kind in enumerate(("vessel", "bowl", "object", "candle", "box", "plant"))
    )
    table = replace(case_of(1), kind="console")
    problem = problem_of(plan_of((wide, *small), (), table), "case", Manner())
    for one in proposals([problem] * 2, 3, steps=30).found:
        assert "tray" in {placement.item for placement in one.look.placements}
        assert said(problem.resolve(one.look.placements)) == []
