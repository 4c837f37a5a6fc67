"""Measure in the real window: pieces of every kind, bays, fixtures, seats, boards and light."""

import pytest
from msgspec.structs import replace
from PySide6.QtCore import QPoint, QPointF, Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.views.measure.measure_view import MeasureView
from jolly_ledge.edits.pieces import ChangePiece
from jolly_ledge.model.starts.gallery import STARTS, Start
from pages import LEFT, measure, pick, type_into


def drag(qtbot: QtBot, view: MeasureView, start: QPoint, by: QPoint) -> None:
    """Drag from a point in a few steps."""
    qtbot.mousePress(view, LEFT, pos=start)
    for step in range(1, 5):
        qtbot.mouseMove(view, start + QPoint(by.x() * step // 4, by.y() * step // 4))
    qtbot.mouseRelease(view, LEFT, pos=start + by)


def add(window: MainWindow, qtbot: QtBot, start: str) -> None:
    """Add a piece of a kind by its card."""
    page = measure(window)
    qtbot.mouseClick(page.another_button, LEFT)
    card = page.gallery.cards[start]
    qtbot.mouseClick(card, LEFT)


@pytest.mark.parametrize("start", STARTS, ids=lambda start: start.id)
def test_a_piece_of_every_kind_is_added_drawn_and_undone(window: MainWindow, qtbot: QtBot, start: Start) -> None:
    before = window.workspace.plan
    add(window, qtbot, start.id)
    made = start.make()
    piece = window.workspace.piece
    assert (piece.kind, piece.width, len(piece.ledges)) == (made.kind, made.width, len(made.ledges))
    page = measure(window)
    assert page.pages.currentIndex() == 0
    assert page.top_view.isVisible() == (bool(made.seats) or made.kind == "nightstand")
    shown = page.view.grab().toImage()
    colours = {shown.pixel(x, y) for x in range(0, shown.width(), 7) for y in range(0, shown.height(), 7)}
    assert len(colours) > 20
    window.workspace.undo()
    assert window.workspace.plan == before


def test_a_piece_is_taken_in_hand_and_removed(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    page.pieces_field.setCurrentIndex(page.pieces_field.findText("Stone mantel"))
    page.pieces_field.activated.emit(page.pieces_field.currentIndex())
    assert window.workspace.piece.kind == "mantel"
    qtbot.mouseClick(page.remove_button, LEFT)
    assert "Stone mantel" not in [piece.label for piece in window.workspace.plan.pieces]
    assert all(look.piece != "stone-mantel" for look in window.workspace.plan.looks)
    window.workspace.undo()
    assert window.workspace.plan.piece("stone-mantel").kind == "mantel"


def test_bays_are_split_joined_and_copied(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    workspace = window.workspace
    workspace.choose_ledge("l3")
    before = workspace.piece
    qtbot.mouseClick(page.split_button, LEFT)
    assert len(workspace.piece.ledges) == len(before.ledges) + 5
    assert workspace.piece.width == before.width
    workspace.choose_ledge("l3")
    assert page.join_button.isEnabled()
    qtbot.mouseClick(page.join_button, LEFT)
    assert workspace.piece.ledge("l3").width == pytest.approx(before.ledge("l3").width)
    workspace.choose_ledge("r2")
    qtbot.mouseClick(page.copy_button, LEFT)
    assert workspace.piece.width > before.width
    assert len(workspace.piece.ledges) == len(before.ledges) + 5
    assert page.tape.isVisible()
    for _ in range(3):
        workspace.undo()
    assert workspace.piece == before


def test_a_shelf_snaps_to_the_pins(window: MainWindow, qtbot: QtBot) -> None:
    workspace = window.workspace
    workspace.commit(ChangePiece(piece="alcove", changes=(("pin_spacing", 32.0),), label="Tell the pins"))
    view = measure(window).view
    ledge = workspace.piece.ledge("l3")
    start = view.transform().map(QPointF(ledge.left + 60, -ledge.floor)).toPoint() + QPoint(0, 4)
    drag(qtbot, view, start, QPoint(0, round(-45 * view.transform().m11())))
    moved = workspace.piece.ledge("l3").floor - ledge.floor
    assert moved > 0
    assert moved % 32 == 0
    view.setFocus()
    qtbot.mousePress(view, LEFT, pos=start - QPoint(0, round(moved * view.transform().m11())))
    qtbot.mouseMove(view, start - QPoint(0, 120))
    qtbot.keyClick(view, Qt.Key.Key_Escape)
    qtbot.mouseRelease(view, LEFT, pos=start - QPoint(0, 120))
    assert workspace.piece.ledge("l3").floor - ledge.floor == moved


def test_a_fixture_is_added_dragged_nudged_told_and_removed(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    workspace, view = window.workspace, page.view
    count = len(workspace.piece.fixtures)
    mirror = next(action for action in page.fixture_button.menu().actions() if action.text() == "Mirror")
    mirror.trigger()
    assert len(workspace.piece.fixtures) == count + 1
    assert view.fixture == count
    fixture = workspace.piece.fixtures[count]
    area = view.transform().mapRect(view.fixture_area(count, view.transform()))
    assert not area.isEmpty()
    middle = view.transform().map(QPointF(fixture.left + 80, -fixture.floor - 100)).toPoint()
    drag(qtbot, view, middle, QPoint(30, 12))
    moved = workspace.piece.fixtures[count]
    assert moved.left > fixture.left
    assert moved.floor < fixture.floor
    assert moved.left % 5 == 0
    assert [d.id for d in view.dimensions() if d.id.startswith("fixture")]
    qtbot.keyClick(view, Qt.Key.Key_Left)
    qtbot.keyClick(view, Qt.Key.Key_Up, Qt.KeyboardModifier.ShiftModifier)
    assert workspace.piece.fixtures[count].left == moved.left - 10
    assert workspace.piece.fixtures[count].floor == moved.floor + 1
    type_into(qtbot, page.fixture_form.size_fields["width"], "50 cm")
    pick(page.fixture_form.shape_field, "ellipse")
    pick(page.fixture_form.kind_field, "art")
    told = workspace.piece.fixtures[count]
    assert (told.width, told.shape, told.kind) == (500, "ellipse", "art")
    view.setFocus()
    qtbot.keyClick(view, Qt.Key.Key_Delete)
    assert len(workspace.piece.fixtures) == count
    workspace.undo()
    assert workspace.piece.fixtures[count] == told


def test_fixture_figures_are_typed_on_the_drawing(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    page.pieces_field.setCurrentIndex(page.pieces_field.findText("Hall console"))
    page.pieces_field.activated.emit(page.pieces_field.currentIndex())
    view = page.view
    view.choose_fixture(0)
    before = window.workspace.piece.fixtures[0]
    for dimension in [d for d in view.dimensions() if d.id.startswith("fixture")]:
        view.edit_dimension(dimension)
        view.field.setText(f"{round(dimension.length) + 20} mm")
        qtbot.keyClick(view.field, Qt.Key.Key_Return)
    after = window.workspace.piece.fixtures[0]
    assert after != before
    assert (after.left, after.floor) != (before.left, before.floor)


def test_a_wall_takes_hung_things(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    add(window, qtbot, "other")
    wall = page.fixture_button.menu().actions()[-1]
    wall.trigger()
    ledge = window.workspace.ledge
    assert ledge is not None
    assert ledge.is_wall
    type_into(qtbot, page.ledge_form.floor_field, "100")
    assert window.workspace.piece.ledge(ledge.id).floor == 1000
    assert not page.board_form.isEnabled()


def test_seats_stand_round_a_table(window: MainWindow, qtbot: QtBot) -> None:
    add(window, qtbot, "coffee-table-round")
    page = measure(window)
    workspace, view = window.workspace, page.top_view
    count = len(workspace.piece.seats)
    first = workspace.piece.seats[0]
    at = view.transform().map(QPointF(first.x, view.top_depth - first.z)).toPoint()
    qtbot.mousePress(view, LEFT, pos=at)
    qtbot.mouseMove(view, at + QPoint(8, 2))
    qtbot.mouseMove(view, at + QPoint(24, 6))
    qtbot.mouseRelease(view, LEFT, pos=at + QPoint(24, 6))
    assert workspace.piece.seats[0].x > first.x
    assert workspace.piece.seats[0].x % 10 == 0
    view.setFocus()
    qtbot.keyClick(view, Qt.Key.Key_Delete)
    assert len(workspace.piece.seats) == count - 1
    free = view.transform().map(QPointF(-250, -250)).toPoint()
    qtbot.mouseDClick(view, LEFT, pos=free)
    assert len(workspace.piece.seats) == count
    dimension = next(d for d in view.dimensions() if d.id == "width")
    qtbot.mouseClick(view, LEFT, pos=view.label_area(dimension).center().toPoint())
    view.field.setText("110 cm")
    qtbot.keyClick(view.field, Qt.Key.Key_Return)
    assert workspace.piece.width == 1100
    assert workspace.piece.ledges[0].width == 1100


def test_boards_fixings_and_light_are_told_and_may_stay_unknown(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    workspace = window.workspace
    workspace.choose_ledge("r1")
    pick(page.board_form.material_field, "solid-wood")
    type_into(qtbot, page.board_form.thickness_field, "27 mm")
    pick(page.board_form.fixing_field, "studs")
    type_into(qtbot, page.board_form.load_field, "20 kg")
    qtbot.mouseClick(page.board_form.all_button, LEFT)
    for ledge in workspace.piece.ledges:
        assert ledge.board is not None
        assert (ledge.board.material, ledge.board.thickness, ledge.board.fixing) == ("solid-wood", 27, "studs")
        assert ledge.load_limit == 20
    page.board_form.thickness_field.setText("")
    qtbot.keyClick(page.board_form.thickness_field, Qt.Key.Key_Return)
    board = workspace.piece.ledge("r1").board
    assert board is not None
    assert board.thickness is None
    type_into(qtbot, page.ledge_form.window_field, "60")
    assert (workspace.piece.ledge("r1").window_distance, workspace.piece.ledge("r1").light) == (600, "bright")
    pick(page.ledge_form.light_field, "low")
    assert workspace.piece.ledge("r1").light == "low"


def test_a_told_board_that_is_no_board_is_doubted(window: MainWindow) -> None:
    page = measure(window)
    workspace = window.workspace
    ledges = tuple(
        replace(ledge, floor=ledge.floor + 40) if ledge.id == "l4" else ledge for ledge in workspace.piece.ledges
    )
    workspace.commit(ChangePiece(piece="alcove", changes=(("ledges", ledges),), label="Measure shelf 4 anew"))
    said = [card.sentence for card in page.fault_cards if not card.isHidden()]
    assert any(" cm" in sentence for sentence in said)
    assert page.tape.isHidden()


def test_what_a_piece_is_can_be_told_afterwards(window: MainWindow) -> None:
    page = measure(window)
    before = window.workspace.piece
    pick(page.piece_form.kind_field, "cabinet")
    piece = window.workspace.piece
    assert piece.kind == "cabinet"
    assert piece.ledges == before.ledges
    assert window.workspace.history.undo_label == "Make Alcove bookcase a cabinet"
    assert window.workspace.assessment.readings
    window.workspace.undo()
    assert window.workspace.piece == before


def test_a_figure_that_was_typed_stays_closed_and_the_next_field_keeps_the_hand(
    window: MainWindow, qtbot: QtBot
) -> None:
    page = measure(window)
    view, workspace = page.view, window.workspace
    dimension = next(one for one in view.dimensions() if one.id.startswith("clearance"))
    ledge = dimension.id.partition(" ")[2]
    qtbot.mouseClick(view, LEFT, pos=view.label_area(dimension).center().toPoint())
    qtbot.keyClicks(view.field, "29")
    qtbot.keyClick(view.field, Qt.Key.Key_Return)
    assert workspace.piece.ledge(ledge).clearance == 290
    assert view.field.isHidden()
    again = next(one for one in view.dimensions() if one.id == dimension.id)
    qtbot.mouseClick(view, LEFT, pos=view.label_area(again).center().toPoint())
    assert view.field.hasFocus()
    page.piece_form.depth_field.setFocus(Qt.FocusReason.MouseFocusReason)
    assert view.field.isHidden()
    assert page.piece_form.depth_field.hasFocus()
    type_into(qtbot, page.piece_form.depth_field, "36 cm")
    assert workspace.piece.depth == 360
