"""Things of one look set down in another, in the real window."""

import pytest
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.edits.copied import SetDownCopies, with_guests
from jolly_ledge.edits.looks import AddLook
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from pages import page_of

CONTROL = Qt.KeyboardModifier.ControlModifier


def test_what_is_copied_stands_in_the_other_look_as_it_stood(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = page_of(window, "Arrange", ArrangeStep), window.workspace
    before = workspace.look
    carrier = next(one.on for one in before.placements if one.on)
    assert carrier is not None
    workspace.choose(carrier)
    told: list[str] = []
    workspace.signals.told.connect(told.append)
    qtbot.keyClick(page.view, Qt.Key.Key_C, CONTROL)
    assert "Ctrl+V" in told[-1]
    workspace.commit(AddLook(piece=before.piece, name="Winter"))
    workspace.choose_look(workspace.plan.looks_of(before.piece)[-1].id)
    assert not workspace.look.placements
    qtbot.keyClick(page.view, Qt.Key.Key_V, CONTROL)
    copied = with_guests(before, {carrier})
    assert len(copied) > 1
    assert {(one.item, one.ledge, one.x, one.z) for one in workspace.look.placements} == {
        (one.item, one.ledge, one.x, one.z) for one in copied
    }
    assert set(workspace.selection) == {one.id for one in workspace.look.placements}
    refused: list[str] = []
    workspace.signals.refused.connect(refused.append)
    qtbot.keyClick(page.view, Qt.Key.Key_V, CONTROL)
    assert "Already in this look" in refused[-1]
    workspace.undo()
    assert not workspace.look.placements


def test_with_nothing_copied_a_sentence_says_how(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = page_of(window, "Arrange", ArrangeStep), window.workspace
    refused: list[str] = []
    workspace.signals.refused.connect(refused.append)
    qtbot.keyClick(page.view, Qt.Key.Key_V, CONTROL)
    assert refused == ["Nothing was copied yet; choose things and press Ctrl+C."]


def test_copies_for_another_piece_and_guests_alone_are_refused(demo: Plan) -> None:
    look = demo.look("first-try")
    urn = next(one for one in look.placements if one.item == "dark-urn")
    with pytest.raises(EditError, match="stand on another piece than Hall console"):
        SetDownCopies(look="hall-welcome", placements=(urn,)).apply(demo)
    guest = next(one for one in look.placements if one.on)
    empty = Look(id="empty", piece=look.piece)
    with pytest.raises(EditError, match="not copied; take it along"):
        SetDownCopies(look="empty", placements=(guest,)).apply(
            Plan(pieces=demo.pieces, stash=demo.stash, looks=(*demo.looks, empty))
        )
