"""A look carried over to another piece: groups, order and sizes, and what finds no place."""

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.demo import demo_bytes
from jolly_ledge.edits.looks import CarryLook
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.carrying_over import CarriedOver, carried_over, groups_of
from jolly_ledge.proposals.problem import stops_of

TALL = thing("tall", height=300.0)
LOW = thing("low", "bowl")
BOX = thing("box", "box")
BALL = thing("ball", "object", width=80.0, height=80.0, depth=80.0)
THINGS = (TALL, LOW, BOX, BALL)
LOOK = (put("tall", x=100.0), put("low", x=270.0), put("box", x=640.0), put("ball", x=640.0, on="box"))


def other_piece(width: float = 1000.0, clearance: float = 400.0, shelves: int = 2) -> Piece:
    ledges = tuple(
        Ledge(id=f"o{n}", left=20.0, floor=100.0 + n * 500, width=width, depth=300.0, clearance=clearance)
        for n in range(shelves)
    )
    return Piece(id="other", kind="bookcase", name="Other", width=width + 40, height=1400.0, depth=320.0, ledges=ledges)


def carry(
    things: tuple[Item, ...], placements: tuple[Placement, ...], other: Piece, piece: Piece | None = None
) -> tuple[Plan, CarriedOver]:
    plan = plan_of(things, placements, piece)
    plan = replace(plan, pieces=(*plan.pieces, other))
    return plan, carried_over(plan, plan.looks[0], "other")


def test_what_is_read_together_is_a_group_with_what_it_carries() -> None:
    told = (*(replace(one, vignette="first") for one in LOOK[:2]), replace(LOOK[2], vignette="second"), LOOK[3])
    plan = plan_of(THINGS, told)
    first, second = groups_of(arrange(plan, plan.looks[0]))
    assert [block.root.item.id for block in first.blocks] == ["tall", "low"]
    assert [guest.item.id for guest in second.blocks[0].guests] == ["ball"]


def test_groups_keep_their_order_and_what_they_carry() -> None:
    _, found = carry(THINGS, LOOK, other_piece())
    at = {placement.id: placement for placement in found.placements}
    assert set(at) == {"tall", "low", "box", "ball"}
    assert (at["tall"].x or 0) < (at["low"].x or 0) < (at["box"].x or 0)
    assert (at["low"].x or 0) - (at["tall"].x or 0) == pytest.approx(170.0, abs=5)
    assert at["ball"].on == "box"
    assert not found.left_out
    assert not found.exchanged


def test_ledges_are_found_by_rank() -> None:
    placements = (put("tall", "a2"), put("low", "a1"))
    _, found = carry(THINGS, placements, other_piece(shelves=4))
    at = {placement.id: placement.ledge for placement in found.placements}
    assert at["tall"] in ("o3", "o2")
    assert at["low"] in ("o1", "o0")


def test_what_is_too_tall_gives_way_to_another_of_its_kind() -> None:
    shorter, taller = thing("shorter", height=190.0), thing("taller", height=390.0)
    _, found = carry((*THINGS, shorter, taller), (put("tall"), put("low", x=650.0)), other_piece(clearance=250.0))
    assert found.exchanged == (("tall", "shorter"),)
    assert {placement.item for placement in found.placements} == {"shorter", "low"}
    assert "gave way" in found.summary


def test_what_goes_nowhere_is_left_out_and_told() -> None:
    _, found = carry(THINGS, LOOK, other_piece(clearance=200.0))
    assert found.left_out == ("tall",)
    ball = next(placement for placement in found.placements if placement.id == "ball")
    assert ball.on is None  # There is no room on the box under so low a board.
    assert "one stays behind, for want of room or place: tall." in found.summary


def test_what_lies_on_a_tray_that_finds_no_room_comes_by_itself() -> None:
    tray = thing("tray", "tray", width=700.0)
    placements = (put("tray"), put("low", x=300.0, inside="tray"), put("ball", x=500.0, inside="tray"))
    _, found = carry((*THINGS, tray), placements, other_piece(width=500.0))
    assert {placement.id for placement in found.placements} == {"low", "ball"}
    assert all(placement.host is None for placement in found.placements)


def test_a_thing_that_is_meant_for_the_first_piece_stays_there() -> None:
    _, found = carry((replace(TALL, meant_for=("case",)), LOW), (put("tall"), put("low", x=650.0)), other_piece())
    assert found.left_out == ("tall",)


def test_no_more_come_than_the_piece_bears() -> None:
    many = tuple(thing(f"vase-{n}", width=60.0, depth=60.0) for n in range(20))
    placements = tuple(put(one.id, f"a{1 + n % 2}", x=60.0 + 36.0 * n) for n, one in enumerate(many))
    _, found = carry(many, placements, other_piece(shelves=1))
    assert 2 <= len(found.placements) < 12
    assert len(found.left_out) == 20 - len(found.placements)


def test_refusals_are_a_sentence() -> None:
    plan = replace(plan_of(THINGS, LOOK), pieces=(case_of(), other_piece()))
    with pytest.raises(EditError, match="choose another piece"):
        carried_over(plan, plan.looks[0], "case")
    with pytest.raises(EditError, match="Nothing stands in"):
        carried_over(plan, replace(plan.looks[0], placements=()), "other")
    small = replace(plan, pieces=(case_of(), other_piece(width=90.0, clearance=60.0)))
    with pytest.raises(EditError):
        carried_over(small, small.looks[0], "other")


DEMO = plan_from_json(demo_bytes())
WAYS = [
    (look, piece.id) for look in ("mantel-talk", "low-tea", "hall-welcome", "tea-for-twenty")
    for piece in DEMO.pieces if piece.id != DEMO.look(look).piece
]  # fmt: skip


@pytest.mark.parametrize(("look_id", "piece_id"), WAYS)
def test_every_look_that_is_carried_over_can_stand(look_id: str, piece_id: str) -> None:
    look = DEMO.look(look_id)
    found = carried_over(DEMO, look, piece_id)
    edit = CarryLook(look=look.id, piece=piece_id, placements=found.placements)
    after = edit.apply(DEMO)
    made = after.looks[-1]
    assert made.piece == piece_id
    assert not stops_of(arrange(after, made))
    items = [placement.item for placement in made.placements]
    assert len(set(items)) == len(items)


def round_top(width: float = 900.0) -> Piece:
    """Return a round table."""
    top = Ledge(id="o0", left=0.0, floor=450.0, width=width, depth=width, shape="ellipse")
    return Piece(id="other", kind="coffee-table", name="Other", width=width, height=450.0, depth=width, ledges=(top,),
                 viewed_from="around")  # fmt: skip


ROW = tuple(thing(name, height=height, width=110.0, depth=110.0)
            for name, height in (("one", 200.0), ("two", 140.0), ("three", 120.0), ("four", 100.0)))  # fmt: skip


def test_a_row_becomes_a_cluster_about_the_middle_of_a_round_top() -> None:
    _, found = carry(ROW, tuple(put(item.id, x=80.0 + 125 * n) for n, item in enumerate(ROW)), round_top())
    assert len(found.placements) == len(ROW)
    xs, zs = [one.x or 0.0 for one in found.placements], [one.z or 0.0 for one in found.placements]
    assert (min(xs) + max(xs)) / 2 == pytest.approx(450.0, abs=1.0)
    assert (min(zs) + max(zs)) / 2 == pytest.approx(450.0, abs=1.0)
    # In a row all stood in one line; in a cluster some stand before others.
    assert max(zs) - min(zs) > 60
    assert max(xs) - min(xs) < 375


def test_what_comes_from_a_round_top_keeps_its_places_on_another() -> None:
    placements = (put("one", ledge="o0", x=300.0, z=600.0), put("two", ledge="o0", x=500.0, z=300.0))
    source = replace(round_top(), id="case")
    _, found = carry(ROW, placements, round_top(), source)
    first, second = sorted(found.placements, key=lambda one: one.item)
    assert (first.x, first.z) == pytest.approx((300.0, 600.0), abs=1)
    assert (second.x, second.z) == pytest.approx((500.0, 300.0), abs=1)
