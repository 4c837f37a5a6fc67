"""A kept place is carried along its ledge and to another by the hand, as one step; Esc leaves it where it was."""

from PySide6.QtCore import QPoint, QPointF, Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.edits.kept_places import KeepPlace
from jolly_ledge.model.kept_place import KeptPlace
from pages import page_of

LEFT = Qt.MouseButton.LeftButton
CUP = KeptPlace(name="a cup", left=100.0, front=20.0, width=110.0, depth=110.0, height=110.0)


def with_a_cup(window: MainWindow) -> ArrangeStep:
    """Show the alcove with a place for a cup on ``l4``."""
    page = page_of(window, "Arrange", ArrangeStep)
    workspace = window.workspace
    workspace.commit(KeepPlace(piece=workspace.piece_id, ledge="l4", place=CUP))
    return page


def middle_of(page: ArrangeStep, window: MainWindow, ledge_id: str, place: KeptPlace) -> QPoint:
    ledge = window.workspace.piece.ledge(ledge_id)
    at = QPointF(ledge.left + place.left + place.width / 2, -ledge.floor - place.height / 2)
    return page.view.mapFromScene(at)


def carried(page: ArrangeStep, qtbot: QtBot, start: QPoint, end: QPoint, *, drop: bool = True) -> None:
    port = page.view.viewport()
    qtbot.mousePress(port, LEFT, pos=start)
    qtbot.mouseMove(port, (start + end) / 2)
    qtbot.mouseMove(port, end)
    if drop:
        qtbot.mouseRelease(port, LEFT, pos=end)


def bare(page: ArrangeStep, window: MainWindow) -> None:
    """Put everything back, so that nothing stands before the place."""
    workspace = window.workspace
    workspace.choose(*(placed.id for placed in workspace.arrangement.placed_items))
    page.actions_on_look.put_back()
    workspace.choose()


def test_a_kept_place_is_carried_along_its_ledge(window: MainWindow, qtbot: QtBot) -> None:
    page = with_a_cup(window)
    bare(page, window)
    start = middle_of(page, window, "l4", CUP)
    carried(page, qtbot, start, start + QPoint(40, 0))
    (place,) = window.workspace.piece.ledge("l4").kept
    assert place.left > CUP.left + 20
    assert window.workspace.history.undo_label == "Move the place for a cup"
    carried(page, qtbot, middle_of(page, window, "l4", place), middle_of(page, window, "l4", place) + QPoint(3000, 0))
    (place,) = window.workspace.piece.ledge("l4").kept
    ledge = window.workspace.piece.ledge("l4")
    assert place.right <= ledge.width
    window.workspace.undo()
    window.workspace.undo()
    assert window.workspace.piece.ledge("l4").kept == (CUP,)


def test_a_kept_place_is_carried_to_another_ledge_as_one_step(window: MainWindow, qtbot: QtBot) -> None:
    page = with_a_cup(window)
    bare(page, window)
    other = next(ledge for ledge in window.workspace.piece.ledges if ledge.id == "l3")
    target = page.view.mapFromScene(QPointF(other.left + 300, -other.floor - 60))
    carried(page, qtbot, middle_of(page, window, "l4", CUP), target)
    piece = window.workspace.piece
    assert piece.ledge("l4").kept == ()
    (place,) = piece.ledge("l3").kept
    assert abs(place.left + place.width / 2 - 300) < 15
    window.workspace.undo()
    assert window.workspace.piece.ledge("l4").kept == (CUP,)


def test_escape_leaves_it_where_it_was_and_a_click_moves_nothing(window: MainWindow, qtbot: QtBot) -> None:
    page = with_a_cup(window)
    bare(page, window)
    before = window.workspace.history.undo_label
    start = middle_of(page, window, "l4", CUP)
    carried(page, qtbot, start, start + QPoint(40, 0), drop=False)
    assert page.view.kept_drag is not None
    page.view.grab()
    qtbot.keyClick(page.view, Qt.Key.Key_Escape)
    assert page.view.kept_drag is None
    qtbot.mouseRelease(page.view.viewport(), LEFT, pos=start)
    qtbot.mouseClick(page.view.viewport(), LEFT, pos=start)
    assert window.workspace.piece.ledge("l4").kept == (CUP,)
    assert window.workspace.history.undo_label == before
    assert window.workspace.ledge_id == "l4"


def test_a_thing_that_stands_there_is_taken_before_the_place(window: MainWindow, qtbot: QtBot) -> None:
    page = with_a_cup(window)
    workspace = window.workspace
    placed = next(one for one in workspace.arrangement.by_ledge["l4"] if one.placement.host is None)
    over = KeptPlace(name="a cup", left=max(placed.left - 40, 0.0) and placed.left - placed.ledge.left, front=0.0,
                     width=60.0, depth=60.0, height=60.0)  # fmt: skip
    workspace.commit(KeepPlace(piece=workspace.piece_id, ledge="l4", place=over))
    at = page.view.mapFromScene(QPointF(placed.x, -placed.bottom - 20))
    qtbot.mousePress(page.view.viewport(), LEFT, pos=at)
    assert page.view.kept_drag is None
    assert workspace.selection == (placed.id,)
    qtbot.mouseRelease(page.view.viewport(), LEFT, pos=at)
