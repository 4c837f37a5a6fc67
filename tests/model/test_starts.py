"""Every start of furniture is sound: it adds up, round-trips and can be worked on."""

import pytest

from builders import case_of, plan_of, put, thing
from jolly_ledge.edits.bays import CopyBay, JoinBays, SplitBay, can_join
from jolly_ledge.edits.fixtures import AddFixture, ChangeFixture, RemoveFixture
from jolly_ledge.edits.pieces import AddLedge, AddPiece, ChangeLedges, RemoveLedge, RemovePiece
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.geometry.bays import bays_of, tape_check
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.history import History
from jolly_ledge.model.piece import Board, Fixture, Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts.gallery import STARTS, Start, begin
from jolly_ledge.model.starts.tops import seats_round, setting_of
from jolly_ledge.model.value import changed
from jolly_ledge.model.words import PIECE_KINDS


@pytest.mark.parametrize("start", STARTS, ids=lambda start: start.id)
def test_a_start_adds_up_and_comes_back_from_a_file(start: Start) -> None:
    piece = begin(start, set())
    plan = AddPiece(piece=piece).apply(Plan())
    assert tape_check(piece) == ()
    assert piece.ledges
    assert plan_from_json(plan_to_json(plan)) == plan
    assert plan.looks_of(piece.id)[0].label == "First look"


def test_there_is_a_start_for_every_kind() -> None:
    assert {start.make().kind for start in STARTS} == set(PIECE_KINDS)
    assert len({start.id for start in STARTS}) == len(STARTS)


def test_a_second_piece_of_a_kind_gets_an_id_of_its_own_and_the_last_piece_stays() -> None:
    plan = AddPiece(piece=begin(STARTS[0], set())).apply(Plan())
    plan = AddPiece(piece=begin(STARTS[0], {"bookcase"})).apply(plan)
    assert [piece.id for piece in plan.pieces] == ["bookcase", "bookcase-2"]
    fewer = RemovePiece(piece="bookcase").apply(plan)
    assert [piece.id for piece in fewer.pieces] == ["bookcase-2"]
    assert [look.piece for look in fewer.looks] == ["bookcase-2"]
    with pytest.raises(EditError, match="only piece"):
        RemovePiece(piece="bookcase-2").apply(fewer)


def test_splitting_a_bay_keeps_things_where_they_stood() -> None:
    items = (thing("left"), thing("right"), thing("rider"))
    spots = (put("left", x=150), put("right", x=650), put("rider", x=650, on="right"))
    plan = plan_of(items, spots)
    split = SplitBay(piece="case", ledge="a1").apply(plan)
    left, right = bays_of(split.pieces[0])
    assert (left.width, right.left - left.right, right.width) == (390.0, 20.0, 390.0)
    placed = {placement.id: placement for placement in split.looks[0].placements}
    assert placed["left"].ledge == "a1"
    assert placed["right"].ledge == right.ledges[0].id == placed["rider"].ledge
    for name, x in (("left", 150.0), ("right", 650.0), ("rider", 650.0)):
        ledge = split.pieces[0].ledge(placed[name].ledge)
        assert ledge.left + (placed[name].x or 0.0) == 20.0 + x
    assert tape_check(split.pieces[0]) == ()


def test_joining_undoes_a_split() -> None:
    plan = plan_of((thing("left"), thing("right")), (put("left", x=150), put("right", x=650)))
    split = SplitBay(piece="case", ledge="a1").apply(plan)
    joined = JoinBays(piece="case", ledge="a1").apply(split)
    assert joined == plan
    assert can_join(split.pieces[0], "a1")
    assert not can_join(plan.pieces[0], "a1")
    with pytest.raises(EditError, match="no bay to the right"):
        JoinBays(piece="case", ledge="a1").apply(plan)


def test_shelves_of_other_heights_lose_their_things_when_bays_are_joined() -> None:
    case = case_of(2, 2)
    odd = tuple(changed(ledge, floor=ledge.floor + 60) if ledge.id == "b2" else ledge for ledge in case.ledges)
    plan = plan_of((thing("vase"), thing("urn")), (put("vase", "b1"), put("urn", "b2")), changed(case, ledges=odd))
    joined = JoinBays(piece="case", ledge="a1").apply(plan)
    assert [(p.item, p.ledge, p.x) for p in joined.looks[0].placements] == [("vase", "a1", 400.0 + 820)]
    assert [ledge.id for ledge in joined.pieces[0].ledges] == ["a1", "a2"]


def test_a_copied_bay_makes_the_piece_wider() -> None:
    plan = CopyBay(piece="case", ledge="a1").apply(plan_of())
    piece = plan.pieces[0]
    assert [bay.width for bay in bays_of(piece)] == [800.0, 800.0]
    assert piece.width == 840.0 + 820.0
    assert tape_check(piece) == ()


def test_bodies_that_stand_apart_are_not_joined() -> None:
    pair = next(start for start in STARTS if start.id == "flanking-pair").make()
    plan = AddPiece(piece=pair).apply(Plan())
    with pytest.raises(EditError, match="two bodies"):
        JoinBays(piece=pair.id, ledge=pair.ledges[0].id).apply(plan)


def test_a_shelf_put_between_two_ends_the_opening_below_and_its_removal_gives_it_back() -> None:
    plan = plan_of()
    shelf = Ledge(id="new", left=20, floor=300, width=800, depth=300, clearance=200)
    more = AddLedge(piece="case", ledge=shelf).apply(plan)
    assert more.pieces[0].ledge("a1").clearance == 180.0
    fewer = RemoveLedge(piece="case", ledge="new").apply(more)
    assert fewer.pieces[0].ledge("a1").clearance == 400.0
    assert RemoveLedge(piece="case", ledge="a2").apply(fewer).pieces[0].ledges[0].id == "a1"
    with pytest.raises(EditError, match="only this one ledge"):
        RemoveLedge(piece="case", ledge="a1").apply(RemoveLedge(piece="case", ledge="a2").apply(fewer))


def test_fixtures_are_added_moved_and_removed_as_steps() -> None:
    history = History(plan_of())
    history.commit(AddFixture(piece="case", fixture=Fixture(kind="socket", left=50, floor=200, width=80, height=80)))
    for left in (60.0, 70.0):
        history.commit(ChangeFixture(piece="case", index=0, changes=(("left", left), ("floor", 210.0)), kind="socket"))
    assert history.labels == ("Add a socket", "Move the socket")
    history.commit(ChangeFixture(piece="case", index=0, changes=(("width", 90.0),), kind="socket"))
    assert history.undo_label == "Change the socket"
    history.commit(RemoveFixture(piece="case", index=0, kind="socket"))
    assert history.plan.pieces[0].fixtures == ()
    with pytest.raises(EditError, match="no such fixture"):
        history.commit(RemoveFixture(piece="case", index=0))


def test_boards_are_told_for_many_ledges_in_one_step() -> None:
    board = Board(material="solid-wood", thickness=20, span=780, fixing="in-case")
    plan = ChangeLedges(piece="case", ledges=("a1", "a2"), changes=(("board", board),), label="Tell the boards")
    assert {ledge.board for ledge in plan.apply(plan_of()).pieces[0].ledges} == {board}


def test_seats_have_their_settings_on_the_table() -> None:
    seats = seats_round(1800, 900, along=2, ends=1)
    for seat in seats:
        x, z = setting_of(seat, 1800, 900)
        assert 0 < x < 1800
        assert 0 < z < 900
        assert not (0 <= seat.x <= 1800 and 0 <= seat.z <= 900)


# The tape


def test_the_odd_board_tells_where_the_doubt_is() -> None:
    case = case_of(5)
    wrong = tuple(changed(ledge, clearance=372.0) if ledge.id == "a3" else ledge for ledge in case.ledges)
    (fault,) = tape_check(changed(case, ledges=wrong))
    assert fault.ledges == ("a3", "a4")
    assert fault.by == 28.0
    assert "28 mm of doubt in the clearance of a3" in fault.sentence


def test_a_told_board_thickness_is_held_against_what_is_measured() -> None:
    case = case_of(2)
    told = tuple(changed(ledge, board=Board(thickness=30.0)) for ledge in case.ledges)
    (fault,) = tape_check(changed(case, ledges=told))
    assert "told as 30 mm: 10 mm of doubt" in fault.sentence


def test_bays_far_apart_are_doubted_unless_they_are_two_bodies() -> None:
    case = case_of(2, 2)
    apart = tuple(changed(one, left=one.left + 200) if one.id.startswith("b") else one for one in case.ledges)
    (fault,) = tape_check(changed(case, ledges=apart, width=case.width + 200))
    assert "220 mm between" in fault.sentence
    bodies = tuple(changed(one, body=one.id[0]) for one in apart)
    assert tape_check(changed(case, ledges=bodies, width=case.width + 200)) == ()
