"""Edits as pure functions, and undo as stepping back."""

import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.edits.items import AddItems, ChangeItem, DuplicateItem, RemoveItems
from jolly_ledge.edits.looks import AddLook, ChangeHousehold, ChangeLook, DuplicateLook, RemoveLook, RenamePlan
from jolly_ledge.edits.pieces import (
    ChangeLedge,
    ChangePiece,
    MoveShelf,
    SetBayCount,
    SetBayWidth,
    SetClearance,
    SetShelfCount,
)
from jolly_ledge.edits.placements import ChangePlacement, MovePlacement, PlaceItem, PutInside, ReturnToStash, carried_by
from jolly_ledge.geometry.landing import Spot
from jolly_ledge.model.errors import EditError, InvalidPlanError
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.history import Edit, History
from jolly_ledge.model.plan import Household, Plan, check_references

ITEMS = (
    thing("stack", "book-stack"),
    thing("vase"),
    thing("stems", "stems"),
    thing("box", "box"),
    thing("bowl", "bowl"),
)
PLACED = (put("stack"), put("vase", on="stack"), put("stems", inside="vase", x=None, z=None), put("box", "a2", x=200))
PLAN = plan_of(ITEMS, PLACED)


def look_of(edit: Edit, plan: Plan = PLAN) -> dict[str, object]:
    return {p.id: p for p in edit.apply(plan).look("look").placements}


def test_what_is_carried_comes_along() -> None:
    moved = MovePlacement(look="look", placement="stack", spot=Spot(ledge="a2", x=500, z=120)).apply(PLAN).look("look")
    vase = moved.placement("vase")
    assert (vase.ledge, vase.x, vase.z, vase.on) == ("a2", 500, 120, "stack")
    assert moved.placement("stems").ledge == "a2"
    assert moved.placement("box") is PLAN.look("look").placement("box")


def test_carried_things_are_found_however_deep() -> None:
    assert {p.id for p in carried_by(PLAN.look("look"), "stack")} == {"vase", "stems"}


def test_a_thing_cannot_stand_on_what_it_carries() -> None:
    with pytest.raises(EditError, match="cannot stand on what it carries"):
        MovePlacement(look="look", placement="stack", spot=Spot(ledge="a1", x=1, z=1, on="vase")).apply(PLAN)


def test_a_locked_thing_stays() -> None:
    locked = ChangePlacement(look="look", placements=("box",), changes=(("locked", True),), label="Lock").apply(PLAN)
    with pytest.raises(EditError, match="locked"):
        MovePlacement(look="look", placement="box", spot=Spot(ledge="a1", x=1, z=1)).apply(locked)


def test_putting_back_takes_what_it_carries() -> None:
    assert set(look_of(ReturnToStash(look="look", placements=("stack",)))) == {"box"}


def test_placing_brings_a_thing_from_the_stash() -> None:
    edit = PlaceItem(look="look", item="bowl", spot=Spot(ledge="a2", x=600, z=150), name="bowl")
    placed = edit.apply(PLAN).look("look").placement("bowl")
    assert (placed.ledge, placed.x, placed.z, placed.pose) == ("a2", 600, 150, "upright")
    assert edit.label == "Place bowl"


def test_a_thing_goes_inside_a_box_from_the_look_or_from_the_stash() -> None:
    from_stash = PutInside(look="look", item="bowl", host="box").apply(PLAN).look("look").placement("bowl")
    from_look = PutInside(look="look", item="vase", host="box").apply(PLAN).look("look").placement("vase")
    assert from_stash.inside == from_look.inside == "box"
    assert from_look.ledge == "a2"
    with pytest.raises(EditError):
        PutInside(look="look", item="stack", host="vase").apply(PLAN)


def test_removing_a_thing_removes_it_from_every_look() -> None:
    plan = DuplicateLook(look="look").apply(PLAN)
    removed = RemoveItems(items=("stack",)).apply(plan)
    assert all({p.item for p in look.placements} == {"box"} for look in removed.looks)
    assert "stack" not in {item.id for item in removed.stash}


def test_a_duplicate_stands_beside_its_original_in_the_stash() -> None:
    stash = DuplicateItem(item="vase").apply(PLAN).stash
    assert [item.id for item in stash][1:3] == ["vase", "vase-2"]
    assert replace(stash[2], id="vase") == stash[1]


@pytest.mark.parametrize("changes", [("width", -1.0), ("width", float("nan")), ("finish", "shiny"), ("colours", ())])
def test_a_senseless_change_is_refused(changes: tuple[str, object]) -> None:
    with pytest.raises(InvalidPlanError):
        ChangeItem(item="vase", changes=(changes,)).apply(PLAN)


def test_the_last_look_of_a_piece_stays() -> None:
    with pytest.raises(EditError, match="only look"):
        RemoveLook(look="look").apply(PLAN)
    two = AddLook(piece="case", name="Autumn").apply(PLAN)
    assert [look.id for look in RemoveLook(look="look").apply(two).looks] == ["autumn"]


def test_setting_a_clearance_lifts_the_shelves_above() -> None:
    ledges = SetClearance(piece="case", ledge="a1", clearance=450).apply(PLAN).piece("case").ledges
    assert (ledges[0].clearance, ledges[1].floor, ledges[1].clearance) == (450, 570, 400)


def test_moving_a_shelf_keeps_the_whole() -> None:
    ledges = MoveShelf(piece="case", ledge="a2", floor=560).apply(PLAN).piece("case").ledges
    assert (ledges[0].clearance, ledges[1].floor, ledges[1].clearance) == (440, 560, 360)


def test_a_shelf_stops_before_its_neighbour() -> None:
    ledges = MoveShelf(piece="case", ledge="a2", floor=5).apply(PLAN).piece("case").ledges
    assert ledges[0].clearance == 40


def test_widening_a_bay_moves_the_bays_to_its_right() -> None:
    plan = plan_of(piece=case_of(2, 2))
    ledges = {
        ledge.id: ledge for ledge in SetBayWidth(piece="case", ledge="a1", width=850).apply(plan).piece("case").ledges
    }
    assert ledges["a2"].width == 850
    assert ledges["b1"].left == 890
    assert ledges["b1"].width == 800


def test_dividing_a_bay_puts_back_what_loses_its_shelf() -> None:
    divided = SetShelfCount(piece="case", ledge="a1", count=1).apply(PLAN)
    assert len(divided.piece("case").ledges) == 1
    assert "box" not in {p.id for p in divided.look("look").placements}
    more = SetShelfCount(piece="case", ledge="a1", count=4).apply(PLAN)
    floors = [ledge.floor for ledge in more.piece("case").ledges]
    assert len(floors) == 4
    assert floors == sorted(floors)


def test_dividing_a_case_into_bays_and_back() -> None:
    three = SetBayCount(piece="case", count=3).apply(PLAN)
    assert len(three.piece("case").ledges) == 6
    assert SetBayCount(piece="case", count=1).apply(three).piece("case").ledges[0].width == 800


@pytest.mark.parametrize(
    "edit",
    [
        SetShelfCount(piece="case", ledge="a1", count=0),
        SetShelfCount(piece="case", ledge="a1", count=30),
        SetBayCount(piece="case", count=13),
        SetBayCount(piece="nowhere", count=2),
        ChangeLook(look="nowhere", changes=(), label="x"),
        RemoveItems(items=("nowhere",)),
    ],
)
def test_impossible_edits_say_why(edit: Edit) -> None:
    with pytest.raises(EditError) as refusal:
        edit.apply(PLAN)
    assert str(refusal.value).endswith(".")


def test_fresh_ids_are_readable_and_free() -> None:
    assert fresh_id("Brass Orrery!", set()) == "brass-orrery"
    assert fresh_id("…", {"thing"}) == "thing-2"


# History


def test_undo_brings_back_the_very_same_plan() -> None:
    history = History(PLAN)
    assert history.commit(RenamePlan(name="Other"))
    assert history.undo_label == "Rename the plan"
    assert history.undo()
    assert history.plan is PLAN
    assert history.redo_label == "Rename the plan"
    assert history.redo()
    assert history.plan.name == "Other"


def test_an_edit_that_changes_nothing_is_no_step() -> None:
    history = History(PLAN)
    assert not history.commit(RenamePlan(name=PLAN.name))
    assert history.undo_label is None
    assert not history.undo()
    assert not history.redo()


def test_typing_in_one_field_is_one_step() -> None:
    history = History(PLAN)
    for name in ("A", "Au", "Autumn"):
        history.commit(RenamePlan(name=name))
    assert history.labels == ("Rename the plan",)
    history.settle()
    history.commit(RenamePlan(name="Winter"))
    assert len(history.labels) == 2


def test_a_failed_edit_leaves_the_plan() -> None:
    history = History(PLAN)
    with pytest.raises(InvalidPlanError):
        history.commit(AddItems(items=(thing("vase"),)))
    assert history.plan is PLAN


def test_history_is_bounded_and_a_new_edit_ends_redo() -> None:
    history = History(PLAN, limit=5)
    for number in range(9):
        history.commit(ChangeHousehold(household=Household(notes=str(number))))
    assert len(history.labels) == 5
    history.undo()
    history.commit(ChangeHousehold(household=Household(notes="x")))
    assert history.redo_label is None


LEDGES = st.sampled_from(["a1", "a2"])
NAMES = st.sampled_from([item.id for item in ITEMS])
SPOTS = st.builds(Spot, ledge=LEDGES, x=st.floats(0, 800), z=st.floats(0, 300), on=st.none() | NAMES)
EDITS: st.SearchStrategy[Edit] = st.one_of(
    st.builds(PlaceItem, look=st.just("look"), item=NAMES, spot=SPOTS),
    st.builds(MovePlacement, look=st.just("look"), placement=NAMES, spot=SPOTS),
    st.builds(ReturnToStash, look=st.just("look"), placements=NAMES.map(lambda name: (name,))),
    st.builds(PutInside, look=st.just("look"), item=NAMES, host=NAMES),
    st.builds(RemoveItems, items=st.tuples(NAMES)),
    st.builds(DuplicateItem, item=NAMES),
    st.builds(DuplicateLook, look=st.just("look")),
    st.builds(SetShelfCount, piece=st.just("case"), ledge=st.just("a1"), count=st.integers(1, 5)),
    st.builds(SetBayCount, piece=st.just("case"), count=st.integers(1, 3)),
    st.builds(SetClearance, piece=st.just("case"), ledge=LEDGES, clearance=st.floats(50, 900)),
    st.builds(MoveShelf, piece=st.just("case"), ledge=LEDGES, floor=st.floats(0, 1500)),
    st.builds(
        ChangePiece, piece=st.just("case"), changes=st.just((("width", 900.0),)), label=st.just("Set the outer width")
    ),
    st.builds(
        ChangeLedge, piece=st.just("case"), ledge=LEDGES, changes=st.just((("light", "low"),)), label=st.just("Light")
    ),
)


@settings(max_examples=120, deadline=None)
@given(st.lists(EDITS, max_size=14))
def test_any_run_of_edits_keeps_the_plan_sound_and_undoes_to_the_start(edits: list[Edit]) -> None:
    history = History(PLAN)
    for edit in edits:
        before = history.plan
        try:
            history.commit(edit)
        except (EditError, InvalidPlanError, KeyError):
            assert history.plan is before
        check_references(history.plan)
        assert edit.label
    sound = msgspec.json.decode(msgspec.json.encode(history.plan), type=Plan)
    assert sound == history.plan
    while history.undo():
        pass
    assert history.plan is PLAN
