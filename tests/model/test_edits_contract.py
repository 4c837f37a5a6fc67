"""What every edit keeps to: a readable name, a sound plan, the old one untouched, one step back."""

import msgspec
import pytest

from builders import thing
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.model.edits.bays import CopyBay, JoinBays, SplitBay
from jolly_ledge.model.edits.fixtures import AddFixture, ChangeFixture, RemoveFixture
from jolly_ledge.model.edits.items import (
    AddItems,
    ChangeFamilies,
    ChangeItem,
    ChangeItems,
    DuplicateItem,
    JoinSet,
    MergeItems,
    RemoveItems,
    TakeOverItems,
    ToggleTrait,
)
from jolly_ledge.model.edits.looks import AddLook, ChangeLook, DuplicateLook, RemoveLook, RenamePlan, WaveOff
from jolly_ledge.model.edits.opinions import CastVote, KeepTaste
from jolly_ledge.model.edits.pieces import (
    AddLedge,
    AddPiece,
    ChangeLedge,
    ChangeLedges,
    ChangePiece,
    ClearLedges,
    MoveShelf,
    RemoveLedge,
    RemovePiece,
    SetBayCount,
    SetBayWidth,
    SetClearance,
    SetOuterSize,
    SetShelfCount,
)
from jolly_ledge.model.edits.placements import (
    ChangePlacement,
    MovePlacement,
    PlaceItem,
    PutInside,
    ReturnToStash,
    SetPose,
    Spot,
)
from jolly_ledge.model.edits.proposed import AddProposals
from jolly_ledge.model.edits.risers import RaiseOnRisers
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.history import Edit, History
from jolly_ledge.model.look import Look, Manner, Vote
from jolly_ledge.model.piece import Board, Fixture, Ledge
from jolly_ledge.model.plan import ColourFamily, Plan, check_references
from jolly_ledge.model.starts.gallery import STARTS, begin

MIRROR = Fixture(kind="mirror", left=100.0, floor=900.0, width=400.0, height=500.0)
SHELF = Ledge(id="extra", left=40.0, floor=700.0, width=650.0, depth=300.0, clearance=200.0)

EDITS: tuple[Edit, ...] = (
    AddItems(items=(thing("new-a"), thing("new-b", "bowl"))),
    TakeOverItems(items=(thing("dark-urn", height=400.0), thing("new-c"))),
    ChangeItem(item="dark-urn", changes=(("height", 380.0), ("guessed", ())), name="tall dark urn"),
    ChangeItems(items=("dark-urn", "cream-vase"), changes=(("room", "loft"),)),
    ToggleTrait(items=("dark-urn", "cream-vase"), trait="must-keep", on=True),
    JoinSet(items=("dark-urn", "cream-vase"), name="pair of vessels"),
    JoinSet(items=("pair-sconce-a", "pair-sconce-b"), name=""),
    MergeItems(kept="cream-vase", gone=("dark-urn", "terracotta-vase"), name="cream vase"),
    ChangeFamilies(families=(ColourFamily(name="night", colours=("#25405c", "#26282b")),), label="Merge families"),
    DuplicateItem(item="orrery", name="brass orrery"),
    RemoveItems(items=("ochre-stack", "orrery"), name="two things"),
    AddLook(piece="alcove", name="Winter"),
    DuplicateLook(look="first-try", name="Again", original="Open evening, first try"),
    ChangeLook(look="first-try", changes=(("note", "better"),), label="Note a look"),
    RemoveLook(look="before", name="Before"),
    WaveOff(look="first-try", reading="scale", placements=("orrery", "dark-urn"), reason="meant so", name="scale"),
    CastVote(look="first-try", vote=Vote(who="Tilda", likes=False, remark="too dark"), name="first try"),
    KeepTaste(name="Tilda", manner=Manner(figure="mirrored", weights=(("mix", 2.0),))),
    RenamePlan(name="The house"),
    ChangePiece(piece="alcove", changes=(("pin_spacing", 32.0),), label="Tell the pins"),
    SetOuterSize(piece="low-table", side="width", length=1100.0),
    ChangeLedge(piece="alcove", ledge="l1", changes=(("light", "bright"),), label="Tell the light"),
    ChangeLedges(
        piece="alcove",
        ledges=("l1", "r1"),
        changes=(("board", Board(material="plywood", thickness=18.0)), ("load_limit", 12.0)),
        label="Tell the boards",
    ),
    AddLedge(piece="alcove", ledge=SHELF),
    ClearLedges(piece="stone-mantel"),
    RemoveLedge(piece="alcove", ledge="r3", name="right bay, shelf 3"),
    AddPiece(piece=begin(STARTS[3], {"alcove"})),
    RemovePiece(piece="stone-mantel", name="Stone mantel"),
    SetClearance(piece="alcove", ledge="l2", clearance=350.0, name="left bay, shelf 2"),
    MoveShelf(piece="alcove", ledge="l3", floor=980.0, name="left bay, shelf 3"),
    SetBayWidth(piece="alcove", ledge="l1", width=600.0),
    SetShelfCount(piece="alcove", ledge="r2", count=4),
    SetBayCount(piece="alcove", count=3),
    SplitBay(piece="alcove", ledge="l3"),
    CopyBay(piece="alcove", ledge="r2"),
    AddFixture(piece="hall-console", fixture=MIRROR),
    ChangeFixture(piece="hall-console", index=0, changes=(("left", 300.0),), kind="mirror"),
    RemoveFixture(piece="hall-console", index=1, kind="socket"),
    PlaceItem(look="first-try", item="kettle", spot=Spot(ledge="r1", x=100, z=100), name="steel kettle"),
    MovePlacement(look="first-try", placement="dark-urn", spot=Spot(ledge="l1", x=200, z=150), name="tall dark urn"),
    ReturnToStash(look="first-try", placements=("orrery",), name="brass orrery"),
    ChangePlacement(look="first-try", placements=("orrery",), changes=(("locked", True),), label="Lock a thing"),
    SetPose(look="first-try", placements=("atlas-moon",), pose="flat", label="Lay a book flat"),
    RaiseOnRisers(look="first-try", placement="small-figure", risers=("atlas-north",), name="little bronze watcher"),
    AddProposals(looks=(Look(id="new", piece="alcove", name="New"),)),
    PutInside(look="first-try", item="tea-spoons", host="teal-jug", name="tea spoons", host_name="teal jug"),
)


def name_of(edit: Edit) -> str:
    return f"{type(edit).__name__} {edit.label}"


@pytest.mark.parametrize("edit", EDITS, ids=name_of)
def test_every_edit_keeps_to_the_contract(demo: Plan, edit: Edit) -> None:
    before = plan_to_json(demo)
    after = edit.apply(demo)

    assert after != demo
    assert plan_to_json(demo) == before
    check_references(after)
    assert plan_from_json(plan_to_json(after)) == after
    assert edit.apply(demo) == after, "an edit does the same every time"

    assert edit.label[0].isupper()
    assert "_" not in edit.label
    assert len(edit.label) < 70


@pytest.mark.parametrize("edit", EDITS, ids=name_of)
def test_every_edit_is_one_step_back(demo: Plan, edit: Edit) -> None:
    history = History(demo)
    assert history.commit(edit)
    assert history.undo_label == edit.label
    history.undo()
    assert history.plan is demo
    assert history.undo_label is None
    history.redo()
    assert history.plan == edit.apply(demo)


@pytest.mark.parametrize("edit", EDITS, ids=name_of)
def test_what_an_edit_does_not_touch_stays_the_same_object(demo: Plan, edit: Edit) -> None:
    after = edit.apply(demo)
    if not isinstance(edit, RemoveItems):
        kept = {piece.id: piece for piece in after.pieces}
        untouched = [piece for piece in demo.pieces if kept.get(piece.id) == piece]
        assert all(kept[piece.id] is piece for piece in untouched)
        assert len(untouched) >= len(demo.pieces) - 1
    kept_item = edit.kept if isinstance(edit, MergeItems) else ""
    stash = {item.id: item for item in after.stash}
    assert all(stash[item.id] is item for item in demo.stash if stash.get(item.id) == item and item.id != kept_item)


def test_a_split_is_joined_again(demo: Plan) -> None:
    split = SplitBay(piece="alcove", ledge="l3").apply(demo)
    joined = JoinBays(piece="alcove", ledge="l3").apply(split)
    assert [ledge.width for ledge in joined.piece("alcove").ledges] == pytest.approx(
        [ledge.width for ledge in demo.piece("alcove").ledges]
    )


@pytest.mark.parametrize(
    "edit", [edit for edit in EDITS if "piece" in getattr(edit, "__struct_fields__", ())], ids=name_of
)
def test_a_piece_that_is_gone_is_told_in_one_sentence(demo: Plan, edit: Edit) -> None:
    if isinstance(edit, AddPiece):
        pytest.skip("it brings its piece along")
    lost = msgspec.structs.replace(edit, piece="no-such-piece")  # type: ignore[type-var]
    with pytest.raises((JollyLedgeError, KeyError)) as refusal:
        lost.apply(demo)
    assert "no-such-piece" in str(refusal.value)


@pytest.mark.parametrize(
    "edit",
    [
        ChangeItems(items=("dark-urn", "nothing"), changes=(("room", "loft"),)),
        JoinSet(items=("nothing",), name="pair"),
        MergeItems(kept="nothing", gone=("dark-urn",)),
        RemoveItems(items=("nothing",)),
        DuplicateItem(item="nothing"),
        ToggleTrait(items=("nothing",), trait="fragile", on=True),
        ChangeItem(item="nothing", changes=(("room", "loft"),)),
    ],
    ids=name_of,
)
def test_a_thing_that_is_gone_is_told(demo: Plan, edit: Edit) -> None:
    history = History(demo)
    with pytest.raises((JollyLedgeError, KeyError), match="nothing"):
        history.commit(edit)
    assert history.plan is demo
    assert history.undo_label is None


@pytest.mark.parametrize(
    ("field", "value"),
    [("height", -1.0), ("height", 1e9), ("guessed", ("weight",)), ("return_by", "x" * 100_000), ("repaint", "teal"),
     ("season", ("monsoon",)), ("outline", tuple((0.0, 0.0) for _ in range(500)))],
)  # fmt: skip
def test_values_out_of_bounds_are_refused_and_nothing_changes(demo: Plan, field: str, value: object) -> None:
    history = History(demo)
    with pytest.raises(JollyLedgeError):
        history.commit(ChangeItem(item="dark-urn", changes=((field, value),)))
    assert history.plan is demo
