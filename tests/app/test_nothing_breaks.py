"""What the window does when the program itself is wrong, when it is scrolled, begun anew, or answered."""

import sys
from collections.abc import Iterator
from pathlib import Path

import pytest
from msgspec.structs import replace
from PySide6.QtCore import QPoint, QPointF, QRectF, Qt
from PySide6.QtGui import QWheelEvent
from PySide6.QtWidgets import QApplication
from pytestqt.qtbot import QtBot

from builders import case_of, plan_of, put, thing
from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.mishaps import watch_for_mishaps
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.views.look import look_view
from jolly_ledge.app.views.look.look_view import LookView
from jolly_ledge.drawing import items
from jolly_ledge.edits.placements import MovePlacement
from jolly_ledge.files.codec import plan_to_json
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.geometry.landing import Spot
from jolly_ledge.model.mishaps import LOG
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts.gallery import STARTS, begin
from jolly_ledge.readings import register
from jolly_ledge.workspace.new_plan import new_plan
from pages import measure, type_into
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


def arrange_page(window: MainWindow) -> ArrangeStep:
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    return page


def rail_plan() -> Plan:
    rail = begin(next(start for start in STARTS if start.id == "hanging-rail"), set())
    towel = thing("towel", "textile", width=300.0, height=500.0, depth=20.0, colours=(("#1f4fa0", 1.0),))
    hung = put("towel", rail.ledges[0].id, 300.0, None, y=200.0, pose="hung")
    return plan_of((towel,), (hung,), rail)


@pytest.fixture
def watched(window: MainWindow, monkeypatch: pytest.MonkeyPatch) -> Iterator[MainWindow]:
    monkeypatch.setattr(sys, "excepthook", sys.excepthook)
    watch = watch_for_mishaps(window)
    yield window
    LOG.removeHandler(watch)


# Mistakes of the program


def test_a_rail_with_one_coloured_thing_is_read_and_opened(window: MainWindow, tmp_path: Path) -> None:
    (tmp_path / "rail.json").write_bytes(plan_to_json(rail_plan()))
    window.files.open_first(tmp_path / "rail.json")
    assert window.workspace.piece.build == "hanging-rail"
    assert window.workspace.assessment.unread == ()
    assert "Reads" in arrange_page(window).readings.score.text()


def test_a_reading_that_fails_is_told_once_and_the_rest_stands(
    watched: MainWindow, monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    def broken(*_: object) -> None:
        raise ZeroDivisionError("inside a reading")

    entry = next(entry for entry in register.REGISTER if entry.id == "colour-echo")
    monkeypatch.setattr(
        register, "REGISTER", tuple(replace(e, read=broken) if e is entry else e for e in register.REGISTER)
    )
    workspace = watched.workspace
    workspace.commit(MovePlacement(look="first-try", placement="dark-urn", spot=Spot(ledge="l1", x=210, z=150)))
    wait_until(lambda: "“Colour echo” could not be read" in watched.notice.sentence)
    assert workspace.assessment.unread == ("colour-echo",)
    assert len(workspace.assessment.readings) > 15
    assert "ZeroDivisionError" in capsys.readouterr().err
    watched.notice.hide()
    workspace.undo()
    QApplication.processEvents()
    assert watched.notice.sentence == ""


def test_a_caution_that_fails_says_that_nothing_is_known(watched: MainWindow, monkeypatch: pytest.MonkeyPatch) -> None:
    from jolly_ledge.cautions import register as cautions

    def broken(_: object) -> None:
        raise KeyError("zz")

    monkeypatch.setattr(
        cautions, "REGISTER", tuple((name, broken if name == "flame" else c) for name, c in cautions.REGISTER)
    )
    watched.workspace.commit(MovePlacement(look="first-try", placement="dark-urn", spot=Spot(ledge="l1", x=210, z=150)))
    (told,) = [caution for caution in watched.workspace.cautions if caution.id == "flame"]
    assert told.level == "unknown"
    assert "look for yourself" in told.sentence


def test_a_thing_that_cannot_be_drawn_is_a_block_and_a_part_that_fails_does_not_end_the_window(
    watched: MainWindow, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    def broken(*_: object) -> None:
        raise IndexError("in a drawing")

    items.item_shapes.cache_clear()
    monkeypatch.setitem(items.SILHOUETTES, "globe", broken)
    plan = plan_of((thing("globe", "object", silhouette="globe"),), (put("globe"),))
    (tmp_path / "globe.json").write_bytes(plan_to_json(plan))
    assert watched.workspace.open(tmp_path / "globe.json")
    wait_until(lambda: "plain block" in watched.notice.sentence)
    view = arrange_page(watched).view
    monkeypatch.setattr(look_view, "paint_scale_bar", broken)
    view.viewport().update()
    assert not view.grab().isNull()
    wait_until(lambda: "could not be drawn" in watched.notice.sentence)
    items.item_shapes.cache_clear()


# The drawing is never lost


def wheel(view: LookView, at: QPoint, notches: int) -> None:
    viewport = view.viewport()
    event = QWheelEvent(
        QPointF(at), QPointF(viewport.mapToGlobal(at)), QPoint(), QPoint(0, 120 * notches),
        Qt.MouseButton.NoButton, Qt.KeyboardModifier.NoModifier, Qt.ScrollPhase.NoScrollPhase, False,
    )  # fmt: skip
    QApplication.sendEvent(viewport, event)


def shown(view: LookView) -> QRectF:
    return QRectF(view.mapFromScene(view._frame).boundingRect())


def test_the_wheel_looks_nearer_about_the_pointer_and_home_shows_the_whole(window: MainWindow, qtbot: QtBot) -> None:
    view = arrange_page(window).view
    fitted, scale = shown(view), view.scale_factor
    at = view.mapFromScene(QPointF(900, -900))
    held = view.mapToScene(at)
    for _ in range(4):
        wheel(view, at, 1)
    assert view.scale_factor == pytest.approx(scale * 1.2**4, rel=0.01)
    moved = view.mapToScene(at) - held
    assert abs(moved.x()) < 12
    assert abs(moved.y()) < 12
    qtbot.keyClick(view, Qt.Key.Key_Home)
    assert view.scale_factor == pytest.approx(scale)
    for notches in (-30, -1, 12, -40):
        wheel(view, at, notches)
        assert view.viewport().rect().intersects(shown(view).toRect())
    assert shown(view) == fitted
    qtbot.keyClick(view, "+")
    assert view.scale_factor == pytest.approx(scale * 1.2)
    window.show_step("Gather")
    window.show_step("Arrange")
    qtbot.keyClick(view, Qt.Key.Key_Home)
    assert shown(view) == fitted


def test_a_nearer_drawing_is_panned_by_the_middle_button_and_never_out_of_sight(
    window: MainWindow, qtbot: QtBot
) -> None:
    view = arrange_page(window).view
    middle = view.viewport().rect().center()
    for _ in range(6):
        wheel(view, middle, 1)
    before = view.mapToScene(middle)
    qtbot.mousePress(view.viewport(), Qt.MouseButton.MiddleButton, pos=middle)
    qtbot.mouseMove(view.viewport(), middle + QPoint(60, 0))
    qtbot.mouseRelease(view.viewport(), Qt.MouseButton.MiddleButton, pos=middle + QPoint(60, 0))
    assert (view.mapToScene(middle) - before).x() == pytest.approx(-60 / view.scale_factor, abs=8)
    for _ in range(40):
        view.zoom.pan(500, 500)
    assert view._frame.adjusted(-10, -10, 10, 10).contains(view.mapToScene(middle))


def test_what_is_taller_than_its_top_is_drawn_whole(window: MainWindow, tmp_path: Path) -> None:
    console = case_of(1, kind="console")
    console = replace(console, height=520.0, ledges=(replace(console.ledges[0], floor=500.0, clearance=None),))
    mirror = thing("mirror", "mirror", width=600.0, height=1_200.0, depth=30.0)
    plan = plan_of((mirror,), (put("mirror", z=285.0, pose="leaning"),), console)
    (tmp_path / "tall.json").write_bytes(plan_to_json(plan))
    assert window.workspace.open(tmp_path / "tall.json")
    view = arrange_page(window).view
    top = view.mapFromScene(QPointF(420, -1_700)).y()
    assert top > 0
    placed = arrange(plan, plan.looks[0]).by_id["mirror"]
    assert placed.top == 1_700


# A new plan


@pytest.fixture
def fresh(qapp: QApplication, qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs) -> MainWindow:
    return open_window(qtbot, new_plan(), log, dialogs)


def test_a_new_plan_begins_with_what_it_is(fresh: MainWindow, qtbot: QtBot) -> None:
    fresh.files.begin_new()
    page = measure(fresh)
    assert fresh.path.buttons["Measure"].isChecked()
    assert page.pages.currentWidget() is page.gallery
    qtbot.mouseClick(page.gallery.cards["mantel"], LEFT)
    assert [piece.kind for piece in fresh.workspace.plan.pieces] == ["mantel"]
    assert fresh.workspace.history.labels == ("Begin with Mantel",)
    page.show_gallery()
    qtbot.mouseClick(page.gallery.cards["console"], LEFT)
    assert [piece.kind for piece in fresh.workspace.plan.pieces] == ["mantel", "console"]


def test_a_piece_that_was_worked_on_is_not_taken_away(fresh: MainWindow, qtbot: QtBot) -> None:
    fresh.files.begin_new()
    page = measure(fresh)
    piece: Piece = fresh.workspace.piece
    from jolly_ledge.edits.pieces import ChangePiece

    fresh.workspace.commit(ChangePiece(piece=piece.id, changes=(("purpose", "books"),), label="Tell the purpose"))
    qtbot.mouseClick(page.gallery.cards["mantel"], LEFT)
    assert len(fresh.workspace.plan.pieces) == 2


def test_an_empty_stash_says_so_and_leads_to_gather(fresh: MainWindow, qtbot: QtBot) -> None:
    page = arrange_page(fresh)
    fresh.show_step("Arrange")
    assert page.foot.board_chip.text() == "The stash is empty ▾"
    assert page.foot.gather_button.isVisible()
    assert not page.foot.propose_button.isVisible()
    qtbot.mouseClick(page.foot.gather_button, LEFT)
    assert fresh.path.buttons["Gather"].isChecked()


# Answers to cautions


def test_a_caution_is_answered_until_something_changes(window: MainWindow, qtbot: QtBot) -> None:
    workspace, panel = window.workspace, arrange_page(window).readings
    card = panel.notes.caution_cards[0]
    assert card.caution is not None
    assert card.caution.level == "stop"
    asked = card.caution
    qtbot.mouseClick(card.answer_button, LEFT)
    form = card.form
    assert form is not None
    assert form.measure_field.isVisible()
    qtbot.mouseClick(form.keep_button, LEFT)
    assert "needs a name" in window.notice.sentence
    qtbot.mouseClick(card.answer_button, LEFT)
    qtbot.mouseClick(card.answer_button, LEFT)
    form = card.form
    assert form is not None
    form.measure_field.setCurrentText("left unlit")
    type_into(qtbot, form.name_field, "Tilda")
    (answer,) = workspace.look.answers
    assert (answer.caution, answer.measure, answer.by) == (asked.id, "left unlit", "Tilda")
    assert answer.date
    (answered,) = [caution for caution in workspace.cautions if caution.answer]
    assert answered.sentence == asked.sentence
    assert workspace.cautions[-1] == answered
    told = next(card for card in panel.notes.caution_cards if card.caution == answered)
    assert "Stop, unless left unlit (Tilda" in told._title.text()
    assert panel.notes.safe_heading.text().endswith("1 answered")
    # Whatever it speaks of is moved: the answer holds no longer, and comes again when that is undone.
    placement = workspace.look.placement(asked.placements[0])
    spot = Spot(ledge=placement.ledge, x=(placement.x or 0.0) + 1.0, z=placement.z or 0.0, on=placement.on)
    workspace.commit(MovePlacement(look=workspace.look_id, placement=placement.id, spot=spot))
    assert not [caution for caution in workspace.cautions if caution.answer]
    workspace.undo()
    told = next(card for card in panel.notes.caution_cards if card.caution is not None and card.caution.answer)
    qtbot.mouseClick(told.answer_button, LEFT)
    assert workspace.look.answers == ()
    assert workspace.history.undo_label == "Take back the answer to “Open flame”"
