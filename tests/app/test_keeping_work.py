"""Unsaved work is kept a moment after it was done, and while it goes on."""

from pathlib import Path

import pytest
from PySide6.QtWidgets import QApplication
from pytestqt.qtbot import QtBot

from builders import plan_of, put, thing
from jolly_ledge.app.bridge import Keeper, WindowSignals
from jolly_ledge.edits.looks import RenamePlan
from jolly_ledge.files.plan_file import open_plan
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.workspace.workspace import Workspace
from patience import wait_until


@pytest.fixture
def workspace(qapp: QApplication, log: RecoveryLog) -> Workspace:
    signals = WindowSignals()
    made = Workspace(plan_of((thing("book", "book"),), (put("book", x=600),)), log, signals=signals)
    Keeper(made, signals)
    return made


def test_unsaved_work_is_kept_until_it_is_saved(workspace: Workspace, tmp_path: Path) -> None:
    kept = tmp_path / "recovery"
    workspace.document.keep_now()
    assert not kept.exists()
    workspace.commit(RenamePlan(name="Half done"))
    wait_until(lambda: kept.is_dir() and len(list(kept.iterdir())) == 1)
    assert workspace.save(tmp_path / "plan.json")
    assert list(kept.iterdir()) == []
    assert open_plan(tmp_path / "plan.json")[0].name == "Half done"
    assert not workspace.document.is_dirty


def test_steady_work_is_kept_though_it_never_rests(workspace: Workspace, qtbot: QtBot, tmp_path: Path) -> None:
    keeper = Keeper(workspace)
    keeper.at_latest.setInterval(400)
    kept = tmp_path / "recovery"
    for number in range(40):
        workspace.commit(RenamePlan(name=f"Name {number}"))
        qtbot.wait(20)
        if list(kept.glob("*.recovery")):
            break
    else:
        pytest.fail("nothing was kept while the work went on")
    assert keeper.soon.interval() > 20
