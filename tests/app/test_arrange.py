"""Arranging in the real window: drags, keys, chips and readings."""

import pytest
from PySide6.QtCore import QPoint, QPointF, Qt
from PySide6.QtWidgets import QWidget
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.views.look.look_view import LookView
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.geometry.rows import row_of
from jolly_ledge.model.look import Placement
from jolly_ledge.workspace.new_plan import new_plan
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


def arrange_step(window: MainWindow) -> ArrangeStep:
    window.show_step("Arrange")
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    return page


def point_of(view: LookView, placement: str) -> QPoint:
    return view.mapFromScene(view.items_by_id[placement].sceneBoundingRect().center())


def spot(view: LookView, x: float, y: float) -> QPoint:
    """Return the pixel of a point of the piece (mm, y up)."""
    return view.mapFromScene(QPointF(x, -y))


def drag(qtbot: QtBot, widget: QWidget, start: QPoint, end: QPoint, *, drop: bool = True) -> None:
    qtbot.mousePress(widget, LEFT, pos=start)
    for step in range(1, 9):
        qtbot.mouseMove(widget, start + (end - start) * step / 8)
    if drop:
        qtbot.mouseRelease(widget, LEFT, pos=end)


def placed(window: MainWindow, identifier: str) -> Placement:
    return window.workspace.plan.look(window.workspace.look_id).placement(identifier)


def test_a_thing_is_carried_to_another_ledge_and_back_by_undo(window: MainWindow, qtbot: QtBot) -> None:
    view = arrange_step(window).view
    start = point_of(view, "copper-bowl")
    before = placed(window, "copper-bowl")
    drag(qtbot, view.viewport(), start, spot(view, 1000, 1795 + 77))
    after = placed(window, "copper-bowl")
    assert after.ledge == "r5"
    assert window.workspace.history.undo_label == "Move footed copper bowl"
    qtbot.keyClick(window, Qt.Key.Key_Z, Qt.KeyboardModifier.ControlModifier)
    assert placed(window, "copper-bowl") == before


def test_readings_move_while_a_thing_is_carried(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    vial = page.readings.rows["side-balance"].vial
    start = point_of(page.view, "dark-urn")
    drag(qtbot, page.view.viewport(), start, spot(page.view, 1250, 300), drop=False)
    wait_until(lambda: page.readings.rows["side-balance"].vial != vial)
    assert window.workspace.history.undo_label is None
    qtbot.keyClick(page.view, Qt.Key.Key_Escape)
    wait_until(lambda: page.readings.rows["side-balance"].vial == vial)
    assert window.workspace.history.undo_label is None
    qtbot.mouseRelease(page.view.viewport(), LEFT)


def test_a_small_move_is_no_drag(window: MainWindow, qtbot: QtBot) -> None:
    view = arrange_step(window).view
    start = point_of(view, "copper-bowl")
    drag(qtbot, view.viewport(), start, start + QPoint(2, 1))
    assert window.workspace.history.undo_label is None
    assert window.workspace.selection == ("copper-bowl",)


def test_a_thing_carried_out_of_the_piece_goes_back_to_the_stash(window: MainWindow, qtbot: QtBot) -> None:
    view = arrange_step(window).view
    drag(qtbot, view.viewport(), point_of(view, "copper-bowl"), QPoint(5, 200))
    assert "copper-bowl" in {item.id for item in window.workspace.free_items()}


def test_a_thing_from_the_strip_lands_on_a_stack(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    page.foot.fits_chip.setChecked(False)
    item = next(item for item in page.strip.things if item.id == "bust")
    page.strip.show_item(item.id)
    start = page.strip.cell_of(item.id).center().toPoint()
    cream = page.workspace.arrangement.by_id["cream-stack"]
    window.workspace.choose("succulent")
    page.actions_on_look.put_back()
    target = page.view.viewport().mapToGlobal(spot(page.view, cream.x, cream.top + 5))
    drag(qtbot, page.strip, start, page.strip.mapFromGlobal(target))
    assert placed(window, "bust").on == "cream-stack"
    assert window.workspace.selection == ("bust",)
    assert "bust" not in {thing.id for thing in page.strip.things}


def test_the_strip_shows_what_fits_the_ledge_in_hand(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    window.workspace.choose("dark-urn")
    page.actions_on_look.put_back()
    window.workspace.choose_ledge("l3")
    fitting = {item.id for item in page.strip.things}
    assert "dark-urn" not in fitting
    assert "lamp" in fitting
    assert "Left bay, shelf 3" in page.foot.board_chip.text()
    qtbot.mouseClick(page.foot.fits_chip, LEFT)
    assert len(page.strip.things) > len(fitting)


def test_the_strip_is_worked_by_keys(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    window.workspace.choose_ledge("r1")
    page.strip.setFocus()
    qtbot.keyClick(page.strip, Qt.Key.Key_Right)
    qtbot.keyClick(page.strip, Qt.Key.Key_Right)
    chosen = window.workspace.item_id
    qtbot.keyClick(page.strip, Qt.Key.Key_Return)
    assert placed(window, chosen).ledge == "r1"


@pytest.mark.parametrize(
    ("key", "modifier", "dx", "dz"),
    [
        (Qt.Key.Key_Right, Qt.KeyboardModifier.NoModifier, 10, 0),
        (Qt.Key.Key_Left, Qt.KeyboardModifier.ShiftModifier, -1, 0),
        (Qt.Key.Key_Up, Qt.KeyboardModifier.NoModifier, 0, 10),
        (Qt.Key.Key_Down, Qt.KeyboardModifier.ShiftModifier, 0, -1),
    ],
)
def test_keys_nudge_in_mm(
    window: MainWindow, qtbot: QtBot, key: Qt.Key, modifier: Qt.KeyboardModifier, dx: float, dz: float
) -> None:
    view = arrange_step(window).view
    window.workspace.choose("copper-bowl")
    before = placed(window, "copper-bowl")
    view.setFocus()
    qtbot.keyClick(view, key, modifier)
    qtbot.keyClick(view, key, modifier)
    after = placed(window, "copper-bowl")
    assert before.x is not None
    assert before.z is not None
    assert (after.x, after.z) == (before.x + 2 * dx, before.z + 2 * dz)
    window.workspace.undo()
    assert placed(window, "copper-bowl") == before


@pytest.mark.parametrize(
    ("key", "field", "value"),
    [
        ("F", "pose", "flat"),
        ("L", "pose", "leaning"),
        ("T", "turn", 90),
        ("K", "locked", True),
        ("P", "pose", "spine-in"),
    ],
)
def test_keys_turn_lay_lean_and_lock(window: MainWindow, qtbot: QtBot, key: str, field: str, value: object) -> None:
    view = arrange_step(window).view
    window.workspace.choose("tides")
    view.setFocus()
    qtbot.keyClicks(view, key)
    assert getattr(placed(window, "tides"), field) == value


def test_a_locked_thing_is_not_carried(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    window.workspace.choose("copper-bowl")
    qtbot.mouseClick(page.chosen.lock_chip, LEFT)
    before = placed(window, "copper-bowl")
    drag(qtbot, page.view.viewport(), point_of(page.view, "copper-bowl"), spot(page.view, 1000, 1800))
    assert placed(window, "copper-bowl") == before
    assert "is locked" in window.notice.sentence


def test_tape_figures_are_typed(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    window.workspace.choose("copper-bowl")
    assert page.chosen.left_field.text() == "33.8 cm"
    page.chosen.left_field.setText("10 cm")
    qtbot.keyClick(page.chosen.left_field, Qt.Key.Key_Return)
    placed_item = window.workspace.arrangement.by_id["copper-bowl"]
    assert placed_item.left - placed_item.ledge.left == pytest.approx(100)


def test_things_are_grouped_by_name_and_loosened(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    window.workspace.choose("copper-bowl", "atlas-moon")
    page.chosen.group_field.setText("reading corner")
    qtbot.keyClick(page.chosen.group_field, Qt.Key.Key_Return)
    names = {vignette.name for vignette in window.workspace.arrangement.vignettes}
    assert "reading corner" in names
    page.chosen.group_field.setText("")
    qtbot.keyClick(page.chosen.group_field, Qt.Key.Key_Return)
    assert placed(window, "copper-bowl").vignette is None


def test_putting_inside_and_back(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    window.workspace.choose_ledge("r1")
    page.actions_on_look.place(window.workspace.plan.item("brass-float"))
    qtbot.mouseClick(page.chosen.inside_chip, LEFT)
    assert placed(window, "brass-float").inside == "rush-basket"
    qtbot.mouseClick(page.chosen.back_chip, LEFT)
    assert "brass-float" in {item.id for item in window.workspace.free_items()}


def test_depth_is_set_in_the_view_from_above(window: MainWindow, qtbot: QtBot) -> None:
    depth = arrange_step(window).chosen.depth_view
    window.workspace.choose("copper-bowl")
    wait_until(lambda: depth.height() > 60)
    start = depth.position_of(window.workspace.arrangement.by_id["copper-bowl"])
    before = placed(window, "copper-bowl")
    drag(qtbot, depth, start, start + QPoint(0, 14))
    after = placed(window, "copper-bowl")
    assert before.z is not None
    assert after.z is not None
    assert after.z < before.z
    assert after.ledge == before.ledge


def test_pointing_at_a_reading_shows_its_things(window: MainWindow) -> None:
    page = arrange_step(window)
    page.readings.open_question("How tall?")
    row = page.readings.rows["scale"]
    row.setFocus()
    wait_until(lambda: bool(window.workspace.pointed_at))
    assert row.reading is not None
    assert window.workspace.pointed_at == row.reading.placements
    dimmed = [item for identifier, item in page.view.items_by_id.items() if identifier not in row.reading.placements]
    assert {item.opacity() for item in dimmed} == {0.32}
    assert page.readings.sentence.text() == row.reading.sentence
    page.view.setFocus()
    assert window.workspace.pointed_at == ()


def test_cautions_and_findings_are_on_cards_apart(window: MainWindow) -> None:
    page = arrange_step(window)
    cautions = [card.sentence for card in page.readings.notes.caution_cards if not card.isHidden()]
    findings = [card.sentence for card in page.readings.notes.finding_cards if not card.isHidden()]
    assert len(cautions) == len(window.workspace.cautions)
    assert any("moon globe rolls" in sentence for sentence in cautions)
    assert 0 < len(findings) <= 12
    assert not set(cautions) & set(findings)


def test_keys_choose_things_and_ledges_without_a_mouse(window: MainWindow, qtbot: QtBot) -> None:
    view = arrange_step(window).view
    view.setFocus()
    qtbot.keyClicks(view, "N")
    first = window.workspace.selection
    qtbot.keyClicks(view, "NB")
    assert window.workspace.selection == first
    qtbot.keyClick(view, Qt.Key.Key_Escape)
    assert window.workspace.selection == ()
    ledge = window.workspace.ledge_id
    qtbot.keyClick(view, Qt.Key.Key_PageDown)
    assert window.workspace.ledge_id != ledge


@pytest.mark.parametrize("key", [Qt.KeyboardModifier.ShiftModifier, Qt.KeyboardModifier.ControlModifier])
def test_a_click_with_a_key_held_adds_to_what_is_chosen(
    window: MainWindow, qtbot: QtBot, key: Qt.KeyboardModifier
) -> None:
    view = arrange_step(window).view
    first = "copper-bowl"
    second = next(placement for placement in view.items_by_id if placement != first)
    qtbot.mouseClick(view.viewport(), LEFT, pos=point_of(view, first))
    qtbot.mouseClick(view.viewport(), LEFT, key, point_of(view, second))
    assert set(window.workspace.selection) == {first, second}
    qtbot.mouseClick(view.viewport(), LEFT, pos=point_of(view, second))
    assert window.workspace.selection == (second,)


def test_an_empty_look_says_what_to_do(qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs) -> None:
    window = open_window(qtbot, new_plan(), log, dialogs)
    page = arrange_step(window)
    assert page.readings.score.text() == "Nothing to read"
    assert "carry a thing" in page.readings.sentence.text()


def test_a_double_click_edits_the_figures_of_a_thing(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    point = point_of(page.view, "copper-bowl")
    qtbot.mouseClick(page.view.viewport(), LEFT, pos=point)
    with qtbot.waitSignal(page.view.asked_for_figures):
        qtbot.mouseDClick(page.view.viewport(), LEFT, pos=point)
    assert window.workspace.selection == ("copper-bowl",)
    assert window.workspace.history.undo_label is None


def test_a_finding_is_mended_by_a_button_after_it_was_tried_on_the_drawing(window: MainWindow) -> None:
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    workspace = window.workspace
    card = next(card for card in page.readings.notes.finding_cards if "is loud among" in card.sentence)
    before, score = workspace.look, workspace.assessment.score
    card.ask_button.click()
    assert 1 <= len(card.move_buttons) <= 3
    first = card.move_buttons[0]
    assert "+" in first.text()
    assert "→" in first.toolTip()
    first.setFocus()
    wait_until(lambda: workspace.look != before)
    assert workspace.plan.look(workspace.look_id) == before
    assert workspace.pointed_at == ()
    # What is found is told again a moment after the drawing changed; the moves stay under the hand meanwhile.
    wait_until(lambda: not page.readings._later.isActive())
    assert not first.isHidden()
    first.click()
    assert workspace.plan.look(workspace.look_id) != before
    assert workspace.assessment.score > score
    assert workspace.history.undo_label is not None
    assert workspace.pointed_at == ()
    workspace.undo()
    assert workspace.look == before


def test_a_finding_is_waved_off_with_a_reason_and_heard_again(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    workspace, panel = window.workspace, page.readings
    card = next(card for card in panel.notes.finding_cards if "is loud among" in card.sentence)
    sentence, score = card.sentence, workspace.assessment.score
    cautions = len(workspace.cautions)
    card.wave_button.click()
    assert not card.reason_field.isHidden()
    card.reason_field.setText("they are a pair")
    qtbot.keyClick(card.reason_field, Qt.Key.Key_Return)
    shown = [card.sentence for card in panel.notes.finding_cards if not card.isHidden()]
    assert sentence not in shown
    (waved,) = workspace.look.waved_off
    assert (waved.reading, waved.reason) == ("palette", "they are a pair")
    # The last word on what is found; what was measured and what is dangerous stays.
    assert workspace.assessment.score == score
    assert len(workspace.cautions) == cautions
    assert panel.notes.waved_button.text() == "Hear one waved-off finding again"
    panel.notes.waved_button.click()
    assert workspace.look.waved_off == ()
    assert sentence in [card.sentence for card in panel.notes.finding_cards if not card.isHidden()]


def test_mass_and_weight_to_the_eye_are_told_side_by_side(window: MainWindow) -> None:
    page = arrange_step(window)
    workspace = window.workspace
    assert workspace.assessment
    workspace.choose("orrery")
    assert page.chosen.where.text().startswith("left bay, shelf 2; 2.4 kg, ")
    assert page.chosen.where.text().endswith(" % to the eye")
    workspace.choose("router")
    assert "to the eye" not in page.chosen.where.text()


def test_what_no_proposal_brings_is_told_once_when_a_hand_sets_it_down(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = arrange_step(window), window.workspace
    kettle = workspace.plan.item("kettle")
    with qtbot.waitSignal(workspace.signals.told, timeout=2000, check_params_cb=lambda said: "by your hand" in said):
        page.actions_on_look.place(kettle)
    workspace.undo()
    told: list[str] = []
    workspace.signals.told.connect(told.append)
    page.actions_on_look.place(kettle)
    workspace.undo()
    page.actions_on_look.place(workspace.plan.item("cream-vase"))
    assert told == []


def test_a_row_of_books_is_sorted_and_carried_as_one(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = arrange_step(window), window.workspace
    workspace.choose("lens-grinding")
    assert page.chosen.row_chip.isVisibleTo(page.chosen)
    qtbot.keyClick(page.view, Qt.Key.Key_R)
    assert set(workspace.selection) == {"tides", "lens-grinding", "bird-book"}
    assert "A row of 3 books" in page.chosen.where.text()
    assert "; the board carries " in page.chosen.where.text()
    qtbot.keyClick(page.view, Qt.Key.Key_O)
    names = [one.item.label for one in row_of(workspace.arrangement, "tides")]
    assert workspace.history.undo_label == "Sort the row by name"
    assert names == sorted(names)
    before = {one: placed(window, one).x or 0.0 for one in workspace.selection}
    at = workspace.arrangement.by_id["tides"]
    start = spot(page.view, at.x, (at.bottom + at.top) / 2)
    drag(qtbot, page.view.viewport(), start, start + QPoint(25, 0))
    moved = {round((placed(window, one).x or 0.0) - x, 3) for one, x in before.items()}
    assert len(moved) == 1
    assert moved != {0.0}
    assert workspace.history.undo_label == "Move 3 things"
    assert set(workspace.selection) == set(before)


def test_a_click_on_one_of_several_leaves_it_alone_in_hand(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = arrange_step(window), window.workspace
    workspace.choose("tides", "lens-grinding")
    at = workspace.arrangement.by_id["tides"]
    qtbot.mouseClick(page.view.viewport(), LEFT, pos=spot(page.view, at.x, (at.bottom + at.top) / 2))
    assert workspace.selection == ("tides",)


def test_questions_are_folded_and_open_one_at_a_time(window: MainWindow, qtbot: QtBot) -> None:
    panel = arrange_step(window).readings
    assert all(row.isHidden() for row in panel.rows.values())
    heavy, tall = panel.questions["How heavy to the eye?"], panel.questions["How tall?"]
    qtbot.mouseClick(heavy, LEFT)
    shown = {name for name, row in panel.rows.items() if not row.isHidden()}
    assert "side-balance" in shown
    assert {panel.rows[name].entry.question for name in shown} == {"How heavy to the eye?"}
    tall.setFocus()
    qtbot.keyClick(tall, Qt.Key.Key_Return)
    assert (panel.opened, panel.rows["side-balance"].isHidden()) == ("How tall?", True)
    qtbot.keyClick(tall, Qt.Key.Key_Return)
    assert all(row.isHidden() for row in panel.rows.values())
    told = window.workspace.assessment.by_question
    assert panel.questions["Which colours?"].loss == pytest.approx(told["Which colours?"])


def test_three_findings_and_all_stops_are_in_sight(window: MainWindow, qtbot: QtBot) -> None:
    window.resize(1280, 800)
    panel = arrange_step(window).readings
    stops = [caution for caution in window.workspace.cautions if caution.level == "stop" and not caution.answer]
    assert stops
    lines = [line for line in panel.stops.lines if not line.isHidden()]
    assert len(lines) == len(stops)
    area = panel.notes.viewport()
    wait_until(lambda: panel.notes.finding_cards[2].height() > 20)
    third = panel.notes.finding_cards[2]
    assert third.mapTo(area, third.rect().bottomLeft()).y() <= area.height() + third.height() / 3
    qtbot.mouseClick(lines[0], LEFT)
    assert set(window.workspace.pointed_at) == set(stops[0].placements)


def test_the_number_gains_its_meaning_beside_the_window(window: MainWindow, qtbot: QtBot) -> None:
    panel, workspace = arrange_step(window).readings, window.workspace
    raw = workspace.assessment.score
    assert panel.score.text() == f"Reads {round(raw * 100)}"
    panel.watch.ask()
    wait_until(lambda: panel.watch.stands is not None)
    meaning = panel.watch.meaning
    assert meaning is not None
    assert panel.score.text() == f"Reads {round(meaning.shown(raw))}"
    assert panel.scale.text() == "chance reads 30, the best found 95"
    assert "better than" in panel.stands.text()
    workspace.choose("lens-grinding")
    qtbot.keyClick(arrange_step(window).view, Qt.Key.Key_Right, Qt.KeyboardModifier.AltModifier)
    assert panel.watch.stands is None
    assert panel.watch.meaning is meaning
    panel.watch.close()
