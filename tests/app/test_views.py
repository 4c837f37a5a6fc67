"""Views on their own: line-up, strip, figures on the drawing, overlays."""

import pytest
from PySide6.QtCore import QPoint, QPointF, Qt
from PySide6.QtGui import QFontMetricsF, QImage
from PySide6.QtWidgets import QApplication
from pytestqt.qtbot import QtBot

from builders import case_of, plan_of, put, thing
from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.bridge import WindowSignals
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.views.line_up.boards import LEAST_CELL, SCALE
from jolly_ledge.app.views.line_up.line_up import LineUp
from jolly_ledge.app.views.line_up.stash_strip import StashStrip, two_lines
from jolly_ledge.app.views.look.depth_view import DepthView
from jolly_ledge.app.views.look.look_view import OVERLAYS, LookView
from jolly_ledge.app.views.measure.dimensions import dimensions_of, edit_for
from jolly_ledge.app.views.thumbnail import Thumbnail
from jolly_ledge.app.widgets.card import Card
from jolly_ledge.drawing.case import case_picture
from jolly_ledge.edits.tasks import TellTask
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.model.item import Item
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts.gallery import STARTS, Start
from jolly_ledge.model.stash_order import Shelf, lines_of
from jolly_ledge.model.task import Task
from jolly_ledge.render.fonts import font
from jolly_ledge.workspace.workspace import Workspace
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def workspace(qapp: QApplication, demo: Plan, log: RecoveryLog) -> Workspace:
    return Workspace(demo, log, signals=WindowSignals())


def shown(qtbot: QtBot, view: LookView | LineUp | StashStrip | DepthView | Thumbnail, width: int, height: int) -> None:
    qtbot.addWidget(view)
    view.resize(width, height)
    view.show()
    qtbot.waitExposed(view)


def test_the_line_up_keeps_one_scale_and_breaks_into_boards(workspace: Workspace, qtbot: QtBot) -> None:
    view = LineUp(workspace)
    shown(qtbot, view, 600, 400)
    view.show_shelves(lines_of(workspace.plan.stash, "kind"))
    wide = len(view.rows)
    for row in view.rows:
        assert sum(cell.width for cell in row.cells) <= 600
        assert all(cell.width >= LEAST_CELL for cell in row.cells)
        assert all(cell.floor - cell.item.height * SCALE >= row.top for cell in row.cells)
    tops = [row.top for row in view.rows]
    assert tops == sorted(tops)
    view.resize(300, 400)
    wait_until(lambda: len(view.rows) > wide)
    assert view.minimumHeight() > view.rows[-1].floor


def test_a_thing_of_the_line_up_is_found_where_it_is_shown(workspace: Workspace, qtbot: QtBot) -> None:
    view = LineUp(workspace)
    shown(qtbot, view, 700, 500)
    view.show_shelves(lines_of(workspace.plan.stash, "height"))
    for item in workspace.plan.stash[:12]:
        middle = view.cell_of(item.id).center()
        assert view.item_at(middle.x(), middle.y()) == item
    assert view.item_at(-5, 40) is None
    assert view.cell_of("nothing").isEmpty()


def test_a_double_click_in_the_line_up_asks_for_the_thing(workspace: Workspace, qtbot: QtBot) -> None:
    view = LineUp(workspace)
    shown(qtbot, view, 700, 500)
    view.show_shelves(lines_of(workspace.plan.stash, "height"))
    with qtbot.waitSignal(view.asked_for) as asked:
        qtbot.mouseDClick(view, LEFT, pos=view.cell_of("dark-urn").center().toPoint())
    assert asked.args == ["dark-urn"]
    workspace.choose_item("dark-urn")
    with qtbot.waitSignal(view.asked_for):
        qtbot.keyClick(view, Qt.Key.Key_Return)


def test_clearances_are_drawn_across_the_line_up(log: RecoveryLog, qtbot: QtBot) -> None:
    tall = (thing("post", "box", silhouette="box", height=420.0, width=100.0, depth=100.0),)
    without = Workspace(plan_of(tall, piece=case_of(kind="other", ledges=())), log, signals=WindowSignals())
    pictures: list[QImage] = []
    for one in (Workspace(plan_of(tall), log, signals=WindowSignals()), without):
        view = LineUp(one)
        shown(qtbot, view, 500, 330)
        view.show_shelves(lines_of(tall, "height"))
        pictures.append(view.grab().toImage())
    assert pictures[0] != pictures[1]


def test_the_strip_scrolls_and_tells_what_is_pressed(workspace: Workspace, qtbot: QtBot) -> None:
    placed: list[Item] = []
    strip = StashStrip(workspace, placed.append)
    shown(qtbot, strip, 500, 122)
    strip.show_shelves((Shelf("", workspace.plan.stash),), {})
    last = workspace.plan.stash[-1]
    assert strip.cell_of(last.id).left() > 500
    strip.show_item(last.id)
    cell = strip.cell_of(last.id)
    assert 0 <= cell.left() < cell.right() <= 500
    qtbot.mouseClick(strip, LEFT, pos=cell.center().toPoint())
    assert workspace.item_id == last.id
    qtbot.mouseDClick(strip, LEFT, pos=cell.center().toPoint())
    assert placed == [last]
    qtbot.keyClick(strip, Qt.Key.Key_Return)
    assert placed == [last, last]


def test_the_arrows_of_the_strip_are_buttons(workspace: Workspace, qtbot: QtBot) -> None:
    strip = StashStrip(workspace, lambda _: None)
    shown(qtbot, strip, 400, 122)
    strip.show_shelves((Shelf("", workspace.plan.stash),), {})
    first, in_hand = workspace.plan.stash[0].id, workspace.item_id
    assert set(strip.arrows) == {1}
    qtbot.mouseClick(strip, LEFT, pos=strip.arrows[1].center())
    assert strip.cell_of(first).right() <= 0
    assert set(strip.arrows) >= {-1}
    while 1 in strip.arrows:
        qtbot.mouseClick(strip, LEFT, pos=strip.arrows[1].center())
    assert strip.cell_of(workspace.plan.stash[-1].id).right() <= 400
    assert workspace.item_id == in_hand
    while -1 in strip.arrows:
        qtbot.mouseClick(strip, LEFT, pos=strip.arrows[-1].center())
    assert strip.cell_of(first).left() >= 0


def test_a_strip_that_is_drawn_up_has_rows_with_groups(workspace: Workspace, qtbot: QtBot) -> None:
    strip = StashStrip(workspace, lambda _: None)
    shown(qtbot, strip, 330, 122)
    strip.show_shelves(lines_of(workspace.plan.stash, "kind"), {})
    one_row = strip.grab().toImage()
    strip.draw_up(True)
    assert strip.height() == one_row.height() * 2
    areas = [strip.cell_of(item.id) for item in strip.things]
    assert all(area.left() >= 0 and area.right() <= 330 for area in areas)
    assert len({area.top() for area in areas}) > 1
    first = strip.things[0].id
    workspace.choose_item(first)
    qtbot.keyClick(strip, Qt.Key.Key_Down)
    assert strip.cell_of(workspace.item_id).top() > strip.cell_of(first).top()
    qtbot.keyClick(strip, Qt.Key.Key_Up)
    assert workspace.item_id == first
    strip.draw_up(False)
    assert strip.height() == one_row.height()


def test_an_empty_strip_says_why(workspace: Workspace, qtbot: QtBot) -> None:
    strip = StashStrip(workspace, lambda _: None)
    shown(qtbot, strip, 500, 122)
    strip.show_shelves((Shelf("", workspace.plan.stash[:1]),), {})
    full = strip.grab().toImage()
    strip.show_shelves((), {})
    assert strip.grab().toImage() != full
    assert strip.things == ()


@pytest.mark.parametrize(
    ("text", "width", "lines"),
    [
        ("globe", 100, 1),
        ("great northern atlas", 90, 2),
        ("incomprehensibilities", 40, 1),
        ("a b c d e f g h i j k l m", 40, 2),
    ],
)
def test_names_are_broken_into_two_lines_that_fit(qapp: QApplication, text: str, width: float, lines: int) -> None:
    metrics = QFontMetricsF(font(12))
    broken = two_lines(text, width, metrics)
    assert len(broken) == lines
    assert all(metrics.horizontalAdvance(line) <= width + 1 for line in broken)


def test_the_view_from_above_puts_back_on_esc(workspace: Workspace, qtbot: QtBot) -> None:
    view = DepthView(workspace)
    shown(qtbot, view, 220, 160)
    workspace.choose("copper-bowl")
    start = view.position_of(workspace.arrangement.by_id["copper-bowl"])
    before = workspace.plan
    qtbot.mousePress(view, LEFT, pos=start)
    qtbot.mouseMove(view, start + QPoint(12, 0))
    assert workspace.arrangement.by_id["copper-bowl"].placement != before.look("first-try").placement("copper-bowl")
    qtbot.keyClick(view, Qt.Key.Key_Escape)
    qtbot.mouseRelease(view, LEFT)
    assert workspace.plan is before


def test_a_thumbnail_follows_its_look(workspace: Workspace, qtbot: QtBot) -> None:
    pressed: list[int] = []
    thumbnail = Thumbnail(workspace, "before", lambda: pressed.append(1))
    shown(qtbot, thumbnail, 200, 300)
    before = thumbnail.grab().toImage()
    qtbot.mouseClick(thumbnail, LEFT)
    assert pressed == [1]
    in_hand = Thumbnail(workspace)
    shown(qtbot, in_hand, 200, 300)
    assert in_hand.grab().toImage() != before


def test_the_whole_piece_is_in_sight_at_every_size(workspace: Workspace, qtbot: QtBot) -> None:
    view = LookView(workspace)
    shown(qtbot, view, 500, 600)
    for width, height in ((500, 600), (300, 700), (900, 320)):
        view.resize(width, height)
        QApplication.processEvents()
        piece = workspace.piece
        for x, y in ((0, 0), (piece.width, 0), (0, -piece.height), (piece.width, -piece.height)):
            point = view.mapFromScene(QPointF(x, y))
            assert view.viewport().rect().contains(point), (width, height, x, y)


@pytest.mark.parametrize("name", [name for name in OVERLAYS if name != "doors"])
def test_every_overlay_shows_something_and_goes(workspace: Workspace, qtbot: QtBot, name: str) -> None:
    things = tuple(placed.item.id for placed in workspace.arrangement.visible[:3])
    workspace.commit(TellTask(piece=workspace.piece_id, task=Task(name="show", items=things)))
    assert workspace.assessment
    view = LookView(workspace)
    shown(qtbot, view, 500, 600)
    for other in OVERLAYS:
        view.show_overlay(other, False)
    # What lies over the things comes after the first picture of them.
    view.grab()
    plain = view.grab().toImage()
    view.show_overlay(name, True)
    assert view.grab().toImage() != plain
    view.show_overlay(name, False)
    assert view.grab().toImage() == plain


def test_a_locked_thing_bears_a_mark(workspace: Workspace, qtbot: QtBot) -> None:
    from jolly_ledge.edits.placements import ChangePlacement

    view = LookView(workspace)
    shown(qtbot, view, 500, 600)
    plain = view.grab().toImage()
    edit = ChangePlacement(
        look=workspace.look_id, placements=("orrery",), changes=(("locked", True),), label="Lock orrery"
    )
    workspace.commit(edit)
    assert view.grab().toImage() != plain


def test_things_that_did_not_move_keep_their_items(workspace: Workspace, qtbot: QtBot) -> None:
    from jolly_ledge.edits.placements import MovePlacement
    from jolly_ledge.geometry.landing import Spot

    view = LookView(workspace)
    shown(qtbot, view, 500, 600)
    before = dict(view.items_by_id)
    spot = Spot(ledge="l3", x=300, z=150)
    workspace.commit(MovePlacement(look=workspace.look_id, placement="copper-bowl", spot=spot))
    assert all(view.items_by_id[name] is item for name, item in before.items())
    assert view.items_by_id["copper-bowl"].pos().x() == 40 + 300
    assert view.items_by_id["copper-bowl"].placement_id == "copper-bowl"


def test_every_dimension_gives_an_edit_that_sets_it() -> None:
    piece = case_of(2, 2)
    plan = plan_of(piece=piece)
    dimensions = dimensions_of(piece, 40)
    assert [d.id for d in dimensions] == [
        "width", "height", "bay a1", "bay b1", "clearance a1", "clearance a2", "clearance b1", "clearance b2",
    ]  # fmt: skip
    for dimension in dimensions:
        changed = edit_for(piece, dimension, dimension.length + 10).apply(plan).piece("case")
        again = next(d for d in dimensions_of(changed, 40) if d.id == dimension.id)
        assert again.length == dimension.length + 10
        assert dimension.is_upright == (dimension.start[0] == dimension.end[0])


@pytest.mark.parametrize("start", [start for start in STARTS if start.id in ("niche", "wall-shelves", "bookcase")])
def test_every_figure_of_a_piece_lies_near_its_drawing(start: Start) -> None:
    piece = start.make()
    drawn = case_picture(piece)
    for dimension in dimensions_of(piece, 40):
        for x, y in (dimension.start, dimension.end):
            assert drawn.left - 60 <= x <= drawn.right + 60, dimension.name
            assert drawn.top - 60 <= y <= drawn.bottom + 60, dimension.name


def test_a_card_is_pointed_at_by_keys(qtbot: QtBot) -> None:
    pointed: list[tuple[str, ...]] = []
    card = Card("finding", pointed.append)
    qtbot.addWidget(card)
    card.say("Scale", "The bowl is lost.", ("bowl",))
    assert (card.sentence, card.placements) == ("The bowl is lost.", ("bowl",))
    assert card.accessibleName() == "Scale: The bowl is lost."
    card.show()
    qtbot.waitExposed(card)
    card.activateWindow()
    card.setFocus()
    wait_until(card.hasFocus)
    card.clearFocus()
    assert (pointed[0], pointed[-1]) == (("bowl",), ())


def test_chips_go_under_the_names_when_there_is_no_room(window: MainWindow) -> None:
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    window.resize(1500, 800)
    wait_until(lambda: page.head.indexOf(page.view_strip) >= 0)
    window.resize(1100, 700)
    wait_until(lambda: page.column.indexOf(page.view_strip) >= 0)


def test_an_all_but_empty_plan_opens(qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs) -> None:
    window = open_window(qtbot, plan_of((thing("vase"),), (put("vase"),)), log, dialogs)
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    assert page.readings.score.text().startswith("Reads ")
