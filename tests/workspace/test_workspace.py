"""The plan in hand without a window: what is told, chosen, tried, saved and recovered."""

from contextlib import suppress
from pathlib import Path

import pytest

from builders import plan_of, put, thing
from jolly_ledge.edits.items import AddItems, ChangeItem, RemoveItems
from jolly_ledge.edits.looks import ChangeLook, RenamePlan
from jolly_ledge.edits.placements import MovePlacement, ReturnToStash
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.geometry.landing import Spot
from jolly_ledge.workspace.signals import PlainSignals
from jolly_ledge.workspace.workspace import Workspace

ITEMS = (thing("urn", "vessel", height=300.0), thing("box", "box", height=90.0))
TOLD = ("changed", "plan_changed", "stash_changed", "pieces_changed", "in_hand_changed", "previewed", "chosen",
        "pointed", "saved", "refused", "committed", "told", "unkept")  # fmt: skip


@pytest.fixture
def workspace(tmp_path: Path) -> Workspace:
    return Workspace(plan_of(ITEMS, (put("urn", "a1", x=200.0),)), RecoveryLog(tmp_path / "recovery"))


@pytest.fixture
def heard(workspace: Workspace) -> list[str]:
    """Return what was told since, in order; a sentence or a value is told after its signal."""
    said: list[str] = []
    for name in TOLD:
        signal = getattr(workspace.signals, name)
        signal.connect(lambda *told, name=name: said.append(" ".join((name, *map(str, told))).strip()))
    return said


def test_finer_signals_come_before_the_coarse_one(workspace: Workspace, heard: list[str]) -> None:
    workspace.commit(ChangeItem(item="box", name="Height of the box", changes=(("height", 120.0),)))
    assert [one for one in heard if not one.startswith("committed")] == [
        "unkept True", "plan_changed", "stash_changed", "changed",
    ]  # fmt: skip
    heard.clear()
    workspace.commit(RenamePlan(name="The mill"))
    assert "stash_changed" not in heard
    assert heard[-1].startswith("committed")
    heard.clear()
    workspace.undo()
    assert heard == ["unkept True", "plan_changed", "changed"]
    assert workspace.plan.name != "The mill"


def test_a_refused_edit_changes_nothing_and_says_why(workspace: Workspace, heard: list[str]) -> None:
    before = workspace.plan
    assert not workspace.commit(
        MovePlacement(look=workspace.look_id, placement="ghost", spot=Spot(ledge="a1", x=1, z=1))
    )
    assert workspace.plan is before
    assert heard[0].startswith("refused ")
    assert heard[1:] == ["changed"]


def test_a_transaction_is_one_step(workspace: Workspace) -> None:
    with workspace.transaction("Two at once") as edits:
        edits.append(RenamePlan(name="The mill"))
        edits.append(AddItems(items=(thing("bowl", "bowl"),)))
    assert workspace.history.labels == ("Two at once",)
    assert (workspace.plan.name, len(workspace.plan.stash)) == ("The mill", 3)
    workspace.undo()
    assert len(workspace.plan.stash) == 2
    with workspace.transaction("Nothing"):
        pass
    with suppress(ValueError), workspace.transaction("Broken off") as edits:
        edits.append(RenamePlan(name="Never"))
        raise ValueError
    assert workspace.plan.name != "Never"


def test_what_is_tried_is_read_and_what_is_stays_beside(workspace: Workspace, heard: list[str]) -> None:
    placed = workspace.arrangement.by_id["urn"].left
    edit = MovePlacement(look=workspace.look_id, placement="urn", spot=Spot(ledge="a1", x=500.0, z=100.0))
    workspace.preview(edit.apply(workspace.plan).look(workspace.look_id))
    assert workspace.arrangement.by_id["urn"].left == placed + 300
    assert workspace.kept_arrangement is not None
    assert workspace.kept_arrangement.by_id["urn"].left == placed
    workspace.preview(None)
    assert workspace.kept_arrangement is None
    assert workspace.arrangement.by_id["urn"].left == placed
    assert heard == ["previewed", "previewed"]


def test_what_is_gone_is_let_go(workspace: Workspace) -> None:
    workspace.choose("urn")
    assert (workspace.selection, workspace.ledge_id) == (("urn",), "a1")
    workspace.commit(ReturnToStash(look=workspace.look_id, placements=("urn",)))
    assert workspace.selection == ()
    assert [item.id for item in workspace.free_items()] == ["urn", "box"]
    workspace.choose_items(("urn", "box"))
    workspace.commit(RemoveItems(items=("box",)))
    assert workspace.item_ids == ("urn",)
    assert workspace.item is not None
    assert workspace.item.id == "urn"


def test_readings_are_kept_until_something_changes(workspace: Workspace) -> None:
    assert not workspace.is_assessed
    first = workspace.assessment
    assert workspace.assessment is first
    workspace.choose("urn")
    assert workspace.assessment is first
    workspace.commit(ChangeLook(look=workspace.look_id, label="Name it", changes=(("name", "Evening"),)))
    assert not workspace.is_assessed


def test_it_is_saved_opened_and_kept_for_recovery(workspace: Workspace, heard: list[str], tmp_path: Path) -> None:
    workspace.commit(RenamePlan(name="The mill"))
    workspace.document.keep_now()
    assert len(list((tmp_path / "recovery").glob("*.recovery"))) == 1
    assert workspace.save(tmp_path / "mill.json")
    assert not workspace.document.is_dirty
    assert heard[-1] == "saved"
    other = Workspace(plan_of(ITEMS), RecoveryLog(tmp_path / "other"))
    assert other.open(tmp_path / "mill.json")
    assert other.plan == workspace.plan
    assert not other.open(tmp_path / "none.json")
    assert other.plan == workspace.plan


def test_every_signal_has_a_plain_form() -> None:
    signals = PlainSignals()
    heard: list[tuple[object, ...]] = []
    for name in vars(signals):
        getattr(signals, name).connect(lambda *told: heard.append(told))
        getattr(signals, name).emit("x")
    assert len(heard) == len(vars(signals)) == 17


def test_undone_to_the_last_it_is_as_it_was_kept(workspace: Workspace) -> None:
    for height in (120.0, 140.0):
        workspace.commit(ChangeItem(item="box", name="box", changes=(("height", height),)))
        workspace.history.settle()
    workspace.commit(RenamePlan(name="Another"))
    assert workspace.document.is_dirty
    workspace.go_to(0)
    assert workspace.plan.item("box").height == 90.0
    assert not workspace.document.is_dirty
    workspace.document.keep_now()
    assert workspace.document.recoverable() == ()
    workspace.redo()
    assert workspace.document.is_dirty


def test_one_goes_back_and_on_over_several_steps_at_once(workspace: Workspace, heard: list[str]) -> None:
    workspace.commit(RenamePlan(name="One"))
    workspace.history.settle()
    workspace.commit(RenamePlan(name="Two"))
    workspace.history.settle()
    heard.clear()
    workspace.go_to(0)
    assert workspace.plan.name == "Test"
    assert heard.count("changed") == 1
    assert [step.label for step in workspace.history.steps] == ["", "Rename the plan", "Rename the plan"]
    workspace.go_to(1)
    assert workspace.plan.name == "One"
    workspace.go_to(99)
    assert workspace.plan.name == "Two"
    heard.clear()
    workspace.go_to(2)
    assert not heard
