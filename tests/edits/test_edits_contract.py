"""What every edit keeps to: a readable name, a sound plan, the old one untouched, one step back."""

import importlib
import pkgutil
from collections.abc import Iterator
from decimal import Decimal

import msgspec
import pytest
from msgspec.structs import replace

from builders import case_of, thing
from jolly_ledge import edits
from jolly_ledge.edits.answers import AnswerCaution, TakeBackAnswer
from jolly_ledge.edits.bays import CopyBay, JoinBays, SplitBay
from jolly_ledge.edits.copied import SetDownCopies
from jolly_ledge.edits.edit import BaseEdit
from jolly_ledge.edits.emphasis import SetEmphasis
from jolly_ledge.edits.exchange import ExchangeGroup, ExchangeThing
from jolly_ledge.edits.fixtures import AddFixture, ChangeFixture, RemoveFixture
from jolly_ledge.edits.items import (
    AddItems,
    ChangeFamilies,
    ChangeItem,
    ChangeItems,
    DuplicateItem,
    JoinSet,
    MergeItems,
    RemoveItems,
    TakeOverItems,
    TellSense,
    ToggleTrait,
)
from jolly_ledge.edits.kept_places import GiveBackPlace, GiveBackPlaceOnTray, KeepPlace, KeepPlaceOnTray
from jolly_ledge.edits.log import AddLogEntry, AddLookPhoto, BringBack, RemoveLogEntry, RemoveLookPhoto
from jolly_ledge.edits.looks import (
    AddLook,
    BringFindingsBack,
    CarryLook,
    ChangeHousehold,
    ChangeLook,
    DuplicateLook,
    RemoveLook,
    RenamePlan,
    SetBudget,
    SetCurrency,
    WaveOff,
)
from jolly_ledge.edits.opinions import CastVote, ForgetTaste, KeepTaste, TakeBackVote
from jolly_ledge.edits.pieces import (
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
from jolly_ledge.edits.placements import ChangePlacement, MovePlacement, PlaceItem, PutInside, ReturnToStash, SetPose
from jolly_ledge.edits.placing import FindElsewhere, TickOff
from jolly_ledge.edits.proposed import AddProposals
from jolly_ledge.edits.risers import RaiseOnRisers
from jolly_ledge.edits.sort_row import SortRow
from jolly_ledge.edits.swap import SwapPlacements
from jolly_ledge.edits.tasks import DropTask, LimitKind, TellTask
from jolly_ledge.edits.together import Together
from jolly_ledge.edits.wishes import AddWish, DropWish
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.geometry.landing import Spot
from jolly_ledge.model.deviation import Deviation
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.history import Edit, History
from jolly_ledge.model.item import Item
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.look import Answer, LogEntry, Look, LookPhoto, Manner, Placement, Vote, WavedOff
from jolly_ledge.model.piece import Board, Fixture, Ledge, Wish
from jolly_ledge.model.plan import ColourFamily, Household, Plan, Taste, check_references
from jolly_ledge.model.starts.gallery import STARTS, begin
from jolly_ledge.model.task import Task

MIRROR = Fixture(kind="mirror", left=100.0, floor=900.0, width=400.0, height=500.0)
ANSWER = Answer(caution="flame", state="as-it-was", measure="left unlit", by="Tilda", date="2026-11-02")
CENTRED = Wish(kind="centred", items=("dark-urn",))
COPIED = (
    Placement(id="p1", item="dark-urn", ledge="l1", x=200.0, z=150.0),
    Placement(id="p2", item="orrery", ledge="l1", x=0.0, z=0.0, on="p1"),
)
KEYS = KeptPlace(name="keys", left=100.0, front=20.0, width=160.0, depth=120.0, height=60.0)
SHELF = Ledge(id="extra", left=40.0, floor=700.0, width=650.0, depth=300.0, clearance=200.0)

EDITS: tuple[Edit, ...] = (
    AddItems(items=(thing("new-a"), thing("new-b", "bowl"))),
    TakeOverItems(items=(thing("dark-urn", height=400.0), thing("new-c"))),
    ChangeItem(item="dark-urn", changes=(("height", 380.0), ("guessed", ())), name="tall dark urn"),
    ChangeItems(items=("dark-urn", "cream-vase"), changes=(("room", "loft"),)),
    ToggleTrait(items=("dark-urn", "cream-vase"), trait="must-keep", on=True),
    JoinSet(items=("dark-urn", "cream-vase"), name="pair of vessels"),
    JoinSet(items=("pair-sconce-a", "pair-sconce-b"), name=""),
    TellSense(set="candlesticks", sense="series"),
    MergeItems(kept="cream-vase", gone=("dark-urn", "terracotta-vase"), name="cream vase"),
    ChangeFamilies(families=(ColourFamily(name="night", colours=("#25405c", "#26282b")),), label="Merge families"),
    DuplicateItem(item="orrery", name="brass orrery"),
    RemoveItems(items=("ochre-stack", "orrery"), name="two things"),
    AddLook(piece="alcove", name="Winter"),
    DuplicateLook(look="first-try", name="Again", original="Open evening, first try"),
    CarryLook(look="first-try", piece="hall-console", placements=(), original="Open evening", onto="Hall console"),
    ChangeLook(look="first-try", changes=(("note", "better"),), label="Note a look"),
    RemoveLook(look="before", name="Before"),
    WaveOff(look="first-try", reading="scale", placements=("orrery", "dark-urn"), reason="meant so", name="scale"),
    SetEmphasis(look="first-try", reading="balance", factor=1.5, name="Balance"),
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
    AnswerCaution(look="first-try", answer=replace(ANSWER, state="other"), name="Open flame"),
    TakeBackAnswer(look="before", state=ANSWER.state, name="Open flame"),
    JoinBays(piece="hall-case", ledge="a1"),
    AddLogEntry(look="first-try", entry=LogEntry(date="2026-11-02", text="set up"), name="First try"),
    RemoveLogEntry(look="before", index=0, name="Before"),
    AddLookPhoto(look="first-try", photo=LookPhoto(name="photos/new.jpg"), name="First try"),
    RemoveLookPhoto(look="before", photo="photos/old.jpg", name="Before"),
    BringBack(look="mantel-last-autumn", name="Autumn again", date="2026-11-02", season="autumn"),
    BringFindingsBack(look="before"),
    ChangeHousehold(household=Household(toddler=True, pets=("dog",))),
    SetCurrency(currency="CHF"),
    SetBudget(budget=Decimal(90), currency="€"),
    TakeBackVote(look="before", who="Tilda"),
    ForgetTaste(name="Edwin"),
    TickOff(look="first-try", placements=("orrery",), name="brass orrery"),
    FindElsewhere(
        look="first-try", placement="dark-urn", found=Deviation(along=40.0), said="4 cm right", name="dark urn"
    ),
    SortRow(look="first-try", placement="tides", order="name"),
    SwapPlacements(look="first-try", first="dark-urn", second="cream-vase", first_name="urn", second_name="vase"),
    ExchangeGroup(look="first-try", gone=("dark-urn",), come=(), name="tall dark urn", new_name="nothing"),
    ExchangeThing(look="first-try", placement="dark-urn", item="kettle", name="tall dark urn", new_name="steel kettle"),
    Together(
        edits=(
            MovePlacement(look="first-try", placement="dark-urn", spot=Spot(ledge="l1", x=210, z=150)),
            MovePlacement(look="first-try", placement="cream-vase", spot=Spot(ledge="l1", x=420, z=150)),
        ),
        label="Move two things",
    ),
    AddWish(piece="alcove", wish=Wish(kind="apart", items=("dark-urn", "cream-vase"))),
    DropWish(piece="hall-case", wish=CENTRED),
    SetDownCopies(look="winter", placements=COPIED, name="two things"),
    KeepPlace(piece="alcove", ledge="l1", place=KEYS, ledge_name="left bay, bottom"),
    GiveBackPlace(piece="hall-case", ledge="a1", name="keys"),
    KeepPlaceOnTray(item="tea-tray", place=replace(KEYS, left=20.0), name="the tea tray"),
    GiveBackPlaceOnTray(item="post-tray", place="keys"),
    TellTask(piece="alcove", task=Task(name="tea", items=("cream-vase", "dark-urn"))),
    DropTask(piece="hall-case", name="tea"),
    LimitKind(piece="alcove", category="appliance", most=2),
)


@pytest.fixture
def demo(demo: Plan) -> Plan:
    """Return the demo with something of everything that an edit takes back."""
    before = replace(
        demo.look("before"),
        answers=(ANSWER,),
        log=(LogEntry(text="an old line"),),
        photos=(LookPhoto(name="photos/old.jpg"),),
        votes=(Vote(who="Tilda", likes=True),),
        waved_off=(WavedOff(reading="mix", placements=("urn",)),),
    )
    tea = Task(name="tea", items=("cream-vase",))
    case = case_of(1, 2, id="hall-case", wishes=(CENTRED,), tasks=(tea,))
    case = replace(case, ledges=(replace(case.ledges[0], kept=(KEYS,)), *case.ledges[1:]))
    stash = tuple(
        replace(one, kept=(replace(KEYS, left=20.0),)) if one.id == "post-tray" else one for one in demo.stash
    )
    looks = tuple(before if look.id == "before" else look for look in demo.looks)
    tastes = (*demo.tastes, Taste(name="Edwin", manner=Manner()))
    empty = (Look(id="hall-look", piece="hall-case"), Look(id="winter", piece="alcove"))
    return replace(demo, stash=stash, pieces=(*demo.pieces, case), looks=(*looks, *empty), tastes=tastes)


def all_edits() -> Iterator[type[BaseEdit]]:
    """Yield every kind of edit there is, found in its package."""
    for module in pkgutil.iter_modules(edits.__path__):
        importlib.import_module(f"{edits.__name__}.{module.name}")
    waiting = list(BaseEdit.__subclasses__())
    while waiting:
        kind = waiting.pop()
        waiting += kind.__subclasses__()
        yield kind


def test_every_kind_of_edit_is_held_to_the_contract() -> None:
    kinds = {kind.__name__ for kind in all_edits()}
    assert len(kinds) >= 60
    assert kinds == {type(edit).__name__ for edit in EDITS}


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
    with pytest.raises(JollyLedgeError) as refusal:
        lost.apply(demo)
    assert "no-such-piece" in str(refusal.value)


LOST = (("look", "no-such-look"), ("placement", "no-such-thing"), ("item", "no-such-item"), ("ledge", "no-such-ledge"),
        ("first", "no-such-thing"), ("host", "no-such-thing"))  # fmt: skip


@pytest.mark.parametrize(("field", "lost"), LOST)
def test_whatever_is_gone_is_told_in_a_sentence_with_its_name(demo: Plan, field: str, lost: str) -> None:
    told = []
    for edit in EDITS:
        if field in getattr(edit, "__struct_fields__", ()) and not isinstance(edit, AddLedge):
            try:
                History(demo).commit(msgspec.structs.replace(edit, **{field: lost}))  # type: ignore[type-var]
            except JollyLedgeError as error:
                told.append(str(error))
    assert told
    assert all(lost in sentence and " " in sentence for sentence in told)


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


@pytest.mark.parametrize("field", [field for field in Item.__struct_fields__ if field != "id"])
def test_what_is_changed_of_a_thing_is_named_in_words(field: str) -> None:
    label = ChangeItem(item="urn", changes=((field, None),), name="urn").label
    assert label.startswith("Change ")
    assert label.endswith(" of urn")
    assert "_" not in label
    assert ChangeItems(items=("urn", "jar"), changes=((field, None),)).label == f"{label.removesuffix('urn')}two things"
