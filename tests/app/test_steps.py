"""The other steps in the real window: brief, measure, gather, place and keep."""

import re
from pathlib import Path

import pytest
from pypdf import PdfReader
from PySide6.QtCore import QPoint, QPointF, Qt
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.app.steps.brief.brief_step import BriefStep
from jolly_ledge.app.steps.keep.keep_step import KeepStep
from jolly_ledge.app.steps.place.place_step import PlaceStep
from jolly_ledge.model.hue_family import hue_family
from jolly_ledge.model.item import Item
from pages import LEFT, gather, measure, page_of


def brief(window: MainWindow) -> BriefStep:
    return page_of(window, "Brief", BriefStep)


def place(window: MainWindow) -> PlaceStep:
    return page_of(window, "Place", PlaceStep)


def keep(window: MainWindow) -> KeepStep:
    return page_of(window, "Keep", KeepStep)


def item_in_hand(window: MainWindow) -> Item:
    item = window.workspace.item
    assert item is not None
    return item


def test_every_step_is_reached_by_key_and_tells_its_state(window: MainWindow, qtbot: QtBot) -> None:
    for number, name in enumerate(STEPS, start=1):
        qtbot.keyClick(window, Qt.Key(ord(str(number))), Qt.KeyboardModifier.ControlModifier)
        assert window.pages.currentWidget() is window.step(name)
        assert window.step(name).piece_name.name == "Alcove bookcase"
        assert window.step(name).look_name.name == "Open evening, first try"
        assert window.path.buttons[name].isChecked()
    states = {name: button.state for name, button in window.path.buttons.items()}
    assert states["Brief"] == "layered · weave"
    assert states["Measure"] == "ten ledges"
    assert states["Gather"] == f"{len(window.workspace.plan.stash)} things"
    assert states["Keep"] == "two looks"


# Brief


def test_the_manner_is_chosen_by_chips(window: MainWindow, qtbot: QtBot) -> None:
    page = brief(window)
    qtbot.mouseClick(page.schools.rows["fullness"].chips["airy"], LEFT)
    qtbot.mouseClick(page.schools.rows["figure"].chips["mirrored"], LEFT)
    qtbot.mouseClick(page.schools.rows["odd"].chips["strict"], LEFT)
    manner = window.workspace.look.manner
    assert (manner.fullness, manner.figure, manner.odd) == ("airy", "mirrored", "strict")
    assert window.path.buttons["Brief"].state == "airy · mirrored"
    window.workspace.undo()
    assert page.schools.rows["odd"].chips["loose"].isChecked()


def test_the_palette_holds_four_families_of_the_stash(window: MainWindow, qtbot: QtBot) -> None:
    page = brief(window)
    chosen = [colour for colour, button in page.palette_panel.palette_chips.items() if button.isChecked()]
    other = next(colour for colour, button in page.palette_panel.palette_chips.items() if not button.isChecked())
    assert len(chosen) == 4
    qtbot.mouseClick(page.palette_panel.palette_chips[other], LEFT)
    assert "up to 4 families" in window.notice.sentence
    qtbot.mouseClick(page.palette_panel.palette_chips[chosen[0]], LEFT)
    qtbot.mouseClick(page.palette_panel.palette_chips[other], LEFT)
    names = {hue_family(colour) for colour in window.workspace.look.manner.palette}
    assert hue_family(other) in names
    assert hue_family(chosen[0]) not in names


def test_the_plan_is_named(window: MainWindow, qtbot: QtBot) -> None:
    page = brief(window)
    page.plan_name.setText("Open evening")
    qtbot.keyClick(page.plan_name, Qt.Key.Key_Return)
    assert window.workspace.plan.name == "Open evening"
    assert "Open evening" in window.path.plan_button.text()
    window.workspace.undo()
    assert window.workspace.plan.name == "Vesper Row"


def test_purpose_and_household_are_written(window: MainWindow, qtbot: QtBot) -> None:
    page = brief(window)
    page.purpose.setFocus()
    page.purpose.selectAll()
    qtbot.keyClicks(page.purpose, "For the guests")
    qtbot.mouseClick(page.household.toddler, LEFT, pos=QPoint(8, page.household.toddler.height() // 2))
    page.household.pets.setText("cat, dog")
    qtbot.keyClick(page.household.pets, Qt.Key.Key_Return)
    assert window.workspace.piece.purpose == "For the guests"
    assert window.workspace.plan.household.toddler
    assert window.workspace.plan.household.pets == ("cat", "dog")
    assert window.workspace.history.labels.count("Write the purpose") == 1


def test_what_a_piece_is_used_for_tells_how_much_room_it_wants(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = brief(window), window.workspace
    workspace.choose_look("low-tea")
    assert {use for use, button in page.uses.chips.items() if button.isChecked()} == set(workspace.piece.use)
    assert workspace.assessment.reading("working-room") is not None
    for use in workspace.piece.use:
        qtbot.mouseClick(page.uses.chips[use], LEFT)
    assert not any(button.isChecked() for button in page.uses.chips.values())
    assert workspace.assessment.reading("working-room") is None
    qtbot.mouseClick(page.uses.chips["games"], LEFT)
    assert window.workspace.piece.use == ("games",)
    assert workspace.history.undo_label == "Use it for games"


def test_what_a_child_reaches_is_told(window: MainWindow, qtbot: QtBot) -> None:
    page = brief(window)
    assert page.household.reached.isHidden()
    qtbot.mouseClick(page.household.toddler, LEFT, pos=QPoint(8, page.household.toddler.height() // 2))
    assert "At three years a child grasps up to 95 cm" in page.household.reached.text()
    few = len([c for c in window.workspace.cautions if c.id == "toddler"])
    page.household.age_field.setText("5")
    qtbot.keyClick(page.household.age_field, Qt.Key.Key_Return)
    assert window.workspace.plan.household.child_age == 5
    assert "At five years a child grasps up to 115 cm" in page.household.reached.text()
    assert len([c for c in window.workspace.cautions if c.id == "toddler"]) >= few
    page.household.age_field.setText("soon")
    qtbot.keyClick(page.household.age_field, Qt.Key.Key_Return)
    assert "no age of a child" in window.notice.sentence
    assert page.household.age_field.text() == "5"


def test_who_lives_there_is_written_in_one_step(window: MainWindow, qtbot: QtBot) -> None:
    page = brief(window)
    before = window.workspace.plan.household
    page.household.household_notes.setFocus()
    page.household.household_notes.selectAll()
    qtbot.keyClicks(page.household.household_notes, "Two cats and a telescope")
    assert window.workspace.plan.household.notes == "Two cats and a telescope"
    page.purpose.setFocus()
    window.workspace.undo()
    assert window.workspace.plan.household == before
    assert page.household.household_notes.toPlainText() == before.notes


# Measure


def test_a_clearance_is_typed_on_the_drawing_and_the_tape_disputes_it(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    view = page.view
    dimension = next(d for d in view.dimensions() if d.id == "clearance l3")
    qtbot.mouseClick(view, LEFT, pos=view.label_area(dimension).center().toPoint())
    assert view.field.isVisible()
    view.field.setText("14 in")
    qtbot.keyClick(view.field, Qt.Key.Key_Return)
    assert window.workspace.piece.ledge("l3").clearance == pytest.approx(355.6)
    assert window.workspace.piece.ledge("l4").floor == pytest.approx(1306 + 25.6)
    assert page.tape.isHidden() is bool([card for card in page.fault_cards if not card.isHidden()])
    window.workspace.undo()
    assert window.workspace.piece.ledge("l3").clearance == 330


def test_outer_height_that_does_not_add_up_is_told(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    dimension = next(d for d in page.view.dimensions() if d.id == "height")
    page.view.edit_dimension(dimension)
    page.view.field.setText("250 cm")
    qtbot.keyClick(page.view.field, Qt.Key.Key_Return)
    assert window.workspace.piece.height == 2500
    assert any("28 cm are missing" in card.sentence for card in page.fault_cards if not card.isHidden())
    assert window.path.buttons["Measure"].state == "two doubts"


def test_what_is_no_length_stays_in_the_field(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    page.view.edit_dimension(page.view.dimensions()[0])
    page.view.field.setText("wide")
    qtbot.keyClick(page.view.field, Qt.Key.Key_Return)
    assert "is not a length" in window.notice.sentence
    assert page.view.field.isVisible()
    assert window.workspace.history.undo_label is None


def test_a_board_is_dragged(window: MainWindow, qtbot: QtBot) -> None:
    view = measure(window).view
    ledge = window.workspace.piece.ledge("l3")
    start = view.transform().map(QPointF(ledge.left + 60, -ledge.floor)).toPoint() + QPoint(0, 4)
    qtbot.mousePress(view, LEFT, pos=start)
    for step in range(1, 6):
        qtbot.mouseMove(view, start - QPoint(0, 4 * step))
    assert view.piece.ledge("l3").floor > ledge.floor
    assert window.workspace.piece.ledge("l3") is ledge
    qtbot.mouseRelease(view, LEFT, pos=start - QPoint(0, 20))
    moved = window.workspace.piece.ledge("l3")
    assert moved.floor > ledge.floor
    assert moved.floor % 5 == 0
    assert window.workspace.history.undo_label == "Move left bay, shelf 3"


def test_figures_are_reached_by_keys(window: MainWindow, qtbot: QtBot) -> None:
    view = measure(window).view
    view.setFocus()
    qtbot.keyClick(view, Qt.Key.Key_Right)
    qtbot.keyClick(view, Qt.Key.Key_Return)
    assert view.field.isVisible()
    view.field.setText("230")
    qtbot.keyClick(view.field, Qt.Key.Key_Return)
    assert window.workspace.piece.height == 2300


def test_bays_shelves_light_and_rating_are_set_beside_the_drawing(window: MainWindow, qtbot: QtBot) -> None:
    page = measure(window)
    window.workspace.choose_ledge("r2")
    page.ledge_form.shelves_field.setValue(3)
    assert len([ledge for ledge in window.workspace.piece.ledges if ledge.left > 600]) == 3
    page.piece_form.bays_field.setValue(3)
    assert len({ledge.left for ledge in window.workspace.piece.ledges}) == 3
    page.board_form.load_field.setText("15")
    qtbot.keyClick(page.board_form.load_field, Qt.Key.Key_Return)
    assert window.workspace.ledge is not None
    assert window.workspace.ledge.load_limit == 15
    page.board_form.load_field.setText("much")
    qtbot.keyClick(page.board_form.load_field, Qt.Key.Key_Return)
    assert "no mass" in window.notice.sentence
    for _ in range(3):
        window.workspace.undo()
    assert len(window.workspace.piece.ledges) == 10


# Gather


def test_the_line_up_is_sorted_and_searched(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    qtbot.mouseClick(page.sorting.chips["room"], LEFT)
    titles = [row.title for row in page.line_up.rows if row.title]
    assert "study" in titles
    qtbot.keyClicks(page.search, "globe wood")
    assert {item.id for item in page.shown_items()} == {"moon-globe", "sea-globe"}
    qtbot.keyClicks(page.search, "x")
    assert "Nothing matches" in page.note.text()


def test_things_stand_on_one_floor_line_at_one_scale(window: MainWindow) -> None:
    page = gather(window)
    for row in page.line_up.rows:
        assert len({cell.floor for cell in row.cells}) == 1
        assert row.floor - max(cell.item.height for cell in row.cells) * 0.5 >= row.top
    shown = [cell.item.id for row in page.line_up.rows for cell in row.cells]
    assert sorted(shown) == sorted(item.id for item in window.workspace.plan.stash)


def test_a_thing_is_added_described_duplicated_and_removed(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    before = len(window.workspace.plan.stash)
    page.bring_menu.actions()[-1].trigger()
    assert item_in_hand(window).name == "new thing"
    panel = page.panel
    panel.name_field.setText("brass sextant")
    qtbot.keyClick(panel.name_field, Qt.Key.Key_Return)
    panel.size_fields["height"].setText("9 in")
    qtbot.keyClick(panel.size_fields["height"], Qt.Key.Key_Return)
    panel.finish_field.setCurrentIndex(panel.finish_field.findData("metal"))
    panel.finish_field.activated.emit(panel.finish_field.currentIndex())
    panel.mass_field.setText("1,2 kg")
    qtbot.keyClick(panel.mass_field, Qt.Key.Key_Return)
    panel.colours.colour_buttons[0].code.setText("#c9a24b")
    qtbot.keyClick(panel.colours.colour_buttons[0].code, Qt.Key.Key_Return)
    qtbot.mouseClick(panel.colours.more_colours, LEFT)
    qtbot.mouseClick(panel.further.traits.chips["fragile"], LEFT)
    item = item_in_hand(window)
    assert (item.name, item.height, item.finish, item.mass) == ("brass sextant", 228.6, "metal", 1.2)
    assert item.colours[0] == ("#c9a24b", 0.5)
    assert item.traits == ("fragile",)
    qtbot.mouseClick(panel.duplicate_button, LEFT)
    assert item_in_hand(window).id == "new-thing-2"
    qtbot.mouseClick(panel.remove_button, LEFT)
    assert len(window.workspace.plan.stash) == before + 1
    while window.workspace.history.undo_label:
        window.workspace.undo()
    assert len(window.workspace.plan.stash) == before


def test_a_thing_is_chosen_by_click_and_by_keys(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    qtbot.mouseClick(page.line_up, LEFT, pos=page.line_up.cell_of("dark-urn").center().toPoint())
    assert item_in_hand(window).id == "dark-urn"
    assert page.panel.title.text() == "tall dark urn"
    assert "Stands upright on" in page.panel.further.fits.heading.text()
    page.line_up.setFocus()
    qtbot.keyClick(page.line_up, Qt.Key.Key_Right)
    right = item_in_hand(window).id
    assert right != "dark-urn"
    qtbot.keyClick(page.line_up, Qt.Key.Key_Down)
    assert item_in_hand(window).id not in {right, "dark-urn"}


def test_only_what_fits_is_shown_on_demand(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    window.workspace.choose_ledge("l3")
    qtbot.mouseClick(page.fits_chip, LEFT)
    assert "dark-urn" not in {item.id for item in page.shown_items()}


def test_what_is_no_mass_is_refused(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    page.panel.mass_field.setText("heavy")
    qtbot.keyClick(page.panel.mass_field, Qt.Key.Key_Return)
    assert "no mass" in window.notice.sentence
    assert window.workspace.history.undo_label is None


# Place


def test_the_table_follows_the_look_and_shows_a_row_on_the_drawing(window: MainWindow) -> None:
    page = place(window)
    assert page.order.table.rowCount() == 36
    page.order.table.selectRow(3)
    name = page.order.table.item(3, 1)
    assert name is not None
    assert window.workspace.chosen_placed[0].item.label in name.text()


def test_an_empty_look_is_sent_back_to_arrange(window: MainWindow, qtbot: QtBot) -> None:
    page = place(window)
    assert page.arrange_button.isHidden()
    keep(window).begin()
    place(window)
    assert "arrange the look first" in page.order.summary.text()
    qtbot.mouseClick(page.arrange_button, LEFT)
    assert window.path.buttons["Arrange"].isChecked()


def test_the_sheet_is_saved_as_pdf_csv_and_drawing(
    window: MainWindow, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    page = place(window)
    for name, action in (("s.pdf", page.save_pdf), ("s.csv", page.save_csv), ("d.png", page.save_drawing)):
        dialogs.to_save = tmp_path / name
        action()
        assert f"Saved “{name}”" in window.notice.sentence
    assert "brass orrery" in " ".join(page.extract_text() for page in PdfReader(tmp_path / "s.pdf").pages)
    assert "brass orrery" in (tmp_path / "s.csv").read_text()
    dialogs.to_save = tmp_path / "nowhere" / "s.pdf"
    page.save_pdf()
    assert "does not exist" in window.notice.sentence
    dialogs.to_save = None
    page.save_pdf()


# Keep


def test_an_empty_look_is_begun(window: MainWindow, qtbot: QtBot) -> None:
    page = keep(window)
    qtbot.mouseClick(page.begin_button, LEFT)
    assert window.workspace.look.placements == ()
    assert window.workspace.look.label == "Look 3"
    assert window.workspace.look.manner == window.workspace.plan.look("first-try").manner


def test_lengths_change_their_unit_everywhere(window: MainWindow) -> None:
    page = place(window)
    window.workspace.set_length_unit("in")
    cell = page.order.table.item(0, 4)
    assert cell is not None
    assert re.match(r"^[\d /]+ from ", cell.text())


def test_animals_are_chosen_by_kind_and_strangers_are_asked_about(window: MainWindow, qtbot: QtBot) -> None:
    page = brief(window)
    workspace = window.workspace
    assert page.household.animal_chips["cat"].isChecked()
    qtbot.mouseClick(page.household.animal_chips["cat"], LEFT)
    qtbot.mouseClick(page.household.animal_chips["dog"], LEFT)
    assert workspace.plan.household.pets == ("dog",)
    page.household.pets.setText("dog, Bruno, two kittens")
    qtbot.keyClick(page.household.pets, Qt.Key.Key_Return)
    assert page.household.animal_chips["cat"].isChecked()
    assert "Nothing is known of Bruno" in page.household.unknown_animals.text()
