"""Gather in the real window: quick lines, lasso and groups, several at once, lists and tables, families, duplicates."""

from decimal import Decimal
from pathlib import Path

import pytest
from PySide6.QtCore import QMimeData, QPoint, QPointF, Qt, QUrl
from PySide6.QtGui import QDropEvent, QGuiApplication
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.edits.items import DuplicateItem
from jolly_ledge.files.table import read_list
from jolly_ledge.model.families import stash_families
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import counted
from pages import LEFT, gather, pick, type_into
from patience import wait_until

CONTROL, SHIFT = Qt.KeyboardModifier.ControlModifier, Qt.KeyboardModifier.ShiftModifier


def enter(qtbot: QtBot, page: GatherStep, line: str) -> None:
    """Type a quick line and press Return."""
    type_into(qtbot, page.entry.line, line)


def middle_of(page: GatherStep, item: str) -> QPoint:
    """Return the middle of a thing in the line-up."""
    cell = page.line_up.cell_of(item)
    assert not cell.isEmpty()
    row = next(row for row in page.line_up.rows if any(c.item.id == item for c in row.cells))
    return QPointF(cell.center().x(), row.floor - 8).toPoint()


def in_hand(window: MainWindow) -> Item:
    item = window.workspace.item
    assert item is not None
    return item


# Quick entry


def test_one_line_makes_a_thing(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    qtbot.keyClicks(page.entry.line, "vase stoneware 18x32 sand rough hall 2.1kg")
    (drawn,) = page.entry.preview.items
    assert (drawn.width, drawn.height) == (180, 320)
    assert "18 cm × 32 cm" in page.entry.said.text()
    before = page.entry.preview.grab().toImage()
    qtbot.keyClick(page.entry.line, Qt.Key.Key_Return)
    made = in_hand(window)
    assert (made.category, made.width, made.height, made.mass) == ("vessel", 180, 320, 2.1)
    assert (made.finish, made.room, made.material) == ("rough", "hall", "stoneware")
    assert page.entry.line.text() == ""
    assert page.entry.preview.grab().toImage() != before
    assert not page.line_up.cell_of(made.id).isEmpty()
    window.workspace.undo()
    assert made.id not in {item.id for item in window.workspace.plan.stash}


def test_undo_in_the_emptied_line_takes_back_what_it_made(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    stash = window.workspace.plan.stash
    enter(qtbot, page, "vase 18x32")
    made = in_hand(window)
    qtbot.keyClick(page.entry.line, Qt.Key.Key_Z, CONTROL)
    assert window.workspace.plan.stash == stash
    qtbot.keyClick(page.entry.line, Qt.Key.Key_Z, CONTROL | Qt.KeyboardModifier.ShiftModifier)
    assert window.workspace.plan.stash == (*stash, made)
    qtbot.keyClicks(page.entry.line, "bowl")
    qtbot.keyClick(page.entry.line, Qt.Key.Key_Z, CONTROL)
    assert window.workspace.plan.stash == (*stash, made)
    assert page.entry.line.text() == ""


def test_a_line_makes_several_of_varied_size_and_is_repeated(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    count = len(window.workspace.plan.stash)
    enter(qtbot, page, "8 books linen 15-24 tall muted")
    added = window.workspace.plan.stash[count:]
    assert len(added) == 8
    assert all(150 <= item.height <= 240 for item in added)
    assert len({item.height for item in added}) > 4
    assert all("width" in item.guessed for item in added)
    assert window.workspace.item_ids == tuple(item.id for item in added)
    assert page.side.currentWidget() is page.side.several
    qtbot.keyClick(page.entry.line, Qt.Key.Key_R, CONTROL)
    assert len(window.workspace.plan.stash) == count + 16
    assert len({item.id for item in window.workspace.plan.stash}) == count + 16
    assert page.guessed_chip.text() == f"To measure ({16 + 2})"
    qtbot.mouseClick(page.guessed_chip, LEFT)
    assert all(item.guessed for item in page.shown_items())


def test_words_are_completed_and_lines_brought_back_by_keys(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    line = page.entry.line
    line.setFocus()
    qtbot.keyClicks(line, "vase stonew")
    assert "Tab: stoneware" in page.entry.said.text()
    qtbot.keyClick(line, Qt.Key.Key_Tab)
    assert line.text() == "vase stoneware "
    qtbot.keyClicks(line, "18x20")
    qtbot.keyClick(line, Qt.Key.Key_Return)
    qtbot.keyClick(line, Qt.Key.Key_Up)
    assert line.text() == "vase stoneware 18x20"
    qtbot.keyClick(line, Qt.Key.Key_Escape)
    assert line.text() == ""
    assert page.entry.preview.items == ()


def test_a_line_that_says_no_kind_is_refused_and_kept(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    count = len(window.workspace.plan.stash)
    enter(qtbot, page, "18x32 sand")
    assert "Say first what it is" in window.notice.sentence
    assert page.entry.line.text() == "18x32 sand"
    assert len(window.workspace.plan.stash) == count


def test_a_guess_is_marked_until_it_is_measured(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    enter(qtbot, page, "jug 24 tall study")
    assert set(in_hand(window).guessed) == {"width", "depth"}
    assert page.panel.guess_row.isVisible()
    type_into(qtbot, page.panel.size_fields["width"], "13 cm")
    assert in_hand(window).guessed == ("depth",)
    qtbot.mouseClick(page.panel.measured_button, LEFT)
    assert in_hand(window).guessed == ()
    assert not page.panel.guess_row.isVisible()


# The line-up


def test_a_lasso_takes_several_and_all_are_changed_in_one_step(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    view = page.line_up
    row = view.rows[0]
    first, third = row.cells[0], row.cells[2]
    start = QPointF(view.width() - 3, row.top + 4).toPoint()
    assert view.item_at(start.x(), start.y()) is None
    end = QPointF(first.left + 20, row.floor - 10).toPoint()
    qtbot.mousePress(view, LEFT, pos=start)
    qtbot.mouseMove(view, start + QPoint(-30, 20))
    qtbot.mouseMove(view, end)
    view.grab()
    qtbot.mouseRelease(view, LEFT, pos=end)
    caught = window.workspace.item_ids
    assert {cell.item.id for cell in row.cells} <= set(caught)
    assert third.item.id in caught
    type_into(qtbot, page.side.several.room_field, "loft")
    assert {item.room for item in window.workspace.chosen_items} == {"loft"}
    assert window.workspace.history.undo_label == f"Change the room of {counted(len(caught), 'thing')}"
    window.workspace.undo()
    assert "loft" not in {item.room for item in window.workspace.plan.stash}


def test_several_are_chosen_with_ctrl_shift_and_keys(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    view = page.line_up
    ids = [cell.item.id for row in view.rows for cell in row.cells]
    qtbot.mouseClick(view, LEFT, pos=middle_of(page, ids[0]))
    qtbot.mouseClick(view, LEFT, SHIFT, middle_of(page, ids[3]))
    assert set(window.workspace.item_ids) == set(ids[:4])
    qtbot.mouseClick(view, LEFT, CONTROL, middle_of(page, ids[1]))
    assert set(window.workspace.item_ids) == {ids[0], ids[2], ids[3]}
    view.setFocus()
    qtbot.keyClick(view, Qt.Key.Key_A, CONTROL)
    assert len(window.workspace.item_ids) == len(ids)
    qtbot.mouseClick(view, LEFT, pos=middle_of(page, ids[2]))
    assert list(window.workspace.item_ids) == [ids[2]]
    qtbot.keyClick(view, Qt.Key.Key_Right, SHIFT)
    assert window.workspace.item_ids == (ids[2], ids[3])
    qtbot.keyClick(view, Qt.Key.Key_Delete)
    assert not {ids[2], ids[3]} & {item.id for item in window.workspace.plan.stash}
    assert window.workspace.history.undo_label == "Remove 2 things"


def carry(qtbot: QtBot, page: GatherStep, item: str, to: QPoint) -> None:
    """Drag a thing of the line-up."""
    start = middle_of(page, item)
    qtbot.mousePress(page.line_up, LEFT, pos=start)
    qtbot.mouseMove(page.line_up, start + QPoint(8, 3))
    qtbot.mouseMove(page.line_up, to)
    page.line_up.grab()
    qtbot.mouseRelease(page.line_up, LEFT, pos=to)


def test_things_dragged_together_become_a_pair_then_a_set(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    carry(qtbot, page, "cream-vase", middle_of(page, "terracotta-vase"))
    plan = window.workspace.plan
    assert plan.item("cream-vase").set == plan.item("terracotta-vase").set == "pair of vases"
    carry(qtbot, page, "dark-urn", middle_of(page, "cream-vase"))
    assert window.workspace.plan.item("dark-urn").set == "pair of vases"
    qtbot.mouseClick(page.sorting.chips["set"], LEFT)
    assert "pair of vases" in {row.group for row in page.line_up.rows}
    row = next(row for row in page.line_up.rows if row.group == "By themselves")
    carry(qtbot, page, "dark-urn", QPoint(page.line_up.width() - 4, round(row.top) + 6))
    assert window.workspace.plan.item("dark-urn").set == ""


@pytest.mark.parametrize(("sorting", "group"), [("room", "kitchen"), ("kind", "Bowl"), ("family", "White")])
def test_a_thing_dragged_to_another_group_becomes_a_member(
    window: MainWindow, qtbot: QtBot, sorting: str, group: str
) -> None:
    page = gather(window)
    qtbot.mouseClick(page.sorting.chips[sorting], LEFT)
    row = next(row for row in page.line_up.rows if row.group == group)
    carry(qtbot, page, "dark-urn", QPoint(page.line_up.width() - 4, round(row.top) + 6))
    rows = [row for row in page.line_up.rows if any(cell.item.id == "dark-urn" for cell in row.cells)]
    assert [row.group for row in rows] == [group]
    assert window.workspace.history.undo_label is not None
    window.workspace.undo()
    assert window.workspace.plan.item("dark-urn").room == "hall"


def test_a_measured_group_takes_nothing(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    row = page.line_up.rows[-1]
    carry(qtbot, page, "dark-urn", QPoint(page.line_up.width() - 4, round(row.top) + 6))
    assert window.workspace.history.undo_label is None


def test_the_census_counts_openings_and_things(window: MainWindow) -> None:
    page = gather(window)
    assert "Four openings of 46.2 cm" in page.note.text()
    tall = [item.id for item in window.workspace.plan.stash if item.height > 225]
    window.workspace.choose_items(tuple(tall))
    page.remove()
    assert "short." in page.note.text()


# One thing: where it comes from, covers, paint


def test_where_a_thing_comes_from_and_what_it_wants(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    window.workspace.choose_item("fern")
    form = page.panel.further.provenance_form
    for field, text in (
        (form.price_field, "24,50"),
        (form.set_field, "greenery"),
        (form.lender_field, "the neighbour"),
        (form.returns_field, "her window"),
        (form.return_field, "2027-02-01"),
        (form.water_field, "weekly"),
        (form.note_field, "mind the draught"),
        (form.watts_field, "40 W"),
    ):
        type_into(qtbot, field, text)
    pick(form.repot_field, "spring")
    qtbot.mouseClick(form.season_chips["winter"], LEFT)
    fern = in_hand(window)
    assert (fern.price, fern.set, fern.borrowed_from, fern.returns_to) == (
        Decimal("24.50"),
        "greenery",
        "the neighbour",
        "her window",
    )
    assert (fern.return_by, fern.season, fern.note) == ("2027-02-01", ("winter",), "mind the draught")
    assert fern.watts == 40
    assert fern.care is not None
    assert (fern.care.water_days, fern.care.repot) == (7, "spring")
    for field, text, said in (
        (form.price_field, "about 30", "no price"),
        (form.return_field, "next week", "no date"),
        (form.water_field, "often", "no number of days"),
        (form.watts_field, "a lot", "no power in watts"),
    ):
        type_into(qtbot, field, text)
        assert said in window.notice.sentence
    assert in_hand(window) == fern


def test_a_repaint_is_a_trial_and_tells_the_paint(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    window.workspace.choose_item("dark-urn")
    form = page.panel.further.repaint_form
    own = in_hand(window).colours
    qtbot.mouseClick(form.may_chips["toned"], LEFT)
    qtbot.mouseClick(form.may_chips["painted"], LEFT)
    assert in_hand(window).may_be == ("painted", "toned")
    qtbot.mouseClick(form.may_chips["toned"], LEFT)
    assert in_hand(window).may_be == ("painted",)
    before = page.panel.drawing.grab().toImage()
    form.colour_button.code.setText("#c4663c")
    qtbot.keyClick(form.colour_button.code, Qt.Key.Key_Return)
    assert in_hand(window).repaint == "#c4663c"
    assert in_hand(window).colours == own
    assert "ml" in form.said.text()
    assert page.panel.drawing.grab().toImage() != before
    qtbot.mouseClick(form.part_chip, LEFT)
    assert in_hand(window).part_painted
    form.finish_field.setCurrentText("leaf metal")
    form.finish_field.activated.emit(form.finish_field.currentIndex())
    assert (in_hand(window).refinish, in_hand(window).shown_finish) == ("metal", "metal")
    qtbot.mouseClick(form.undo_button, LEFT)
    assert (in_hand(window).repaint, in_hand(window).refinish, in_hand(window).part_painted) == (None, None, False)


def test_a_power_strip_is_told_by_the_plugs_that_go_into_it(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    qtbot.keyClicks(page.entry.line, "power strip white")
    qtbot.keyClick(page.entry.line, Qt.Key.Key_Return)
    strip = window.workspace.plan.stash[-1]
    assert (strip.category, strip.outlets) == ("device", 4)
    window.workspace.choose_item(strip.id)
    form = page.panel.further.use_form
    form.outlets_field.setText("6")
    qtbot.keyClick(form.outlets_field, Qt.Key.Key_Return)
    assert in_hand(window).outlets == 6
    with qtbot.waitSignal(window.workspace.signals.refused):
        form.outlets_field.setText("many")
        qtbot.keyClick(form.outlets_field, Qt.Key.Key_Return)
    assert in_hand(window).outlets == 6


def test_a_book_shows_jacket_board_and_pages(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    window.workspace.choose_item("comets")
    assert page.panel.further.covers_form.isVisible()
    jacket = in_hand(window).main_colour
    qtbot.mouseClick(page.panel.further.covers_form.off_chip, LEFT)
    assert in_hand(window).covers is not None
    assert in_hand(window).main_colour != jacket
    button = page.panel.further.covers_form.buttons["board"]
    button.code.setText("#334455")
    qtbot.keyClick(button.code, Qt.Key.Key_Return)
    assert in_hand(window).main_colour == "#334455"
    qtbot.mouseClick(page.panel.further.covers_form.off_chip, LEFT)
    assert in_hand(window).main_colour == jacket
    window.workspace.choose_item("dark-urn")
    assert not page.panel.further.covers_form.isVisible()


def test_several_are_told_together(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    window.workspace.choose_items(("cream-vase", "sand-jug", "dark-urn"))
    several = page.side.several
    assert several.title.text() == "3 things"
    pick(several.finish_field, "gloss")
    pick(several.status_field, "stored")
    pick(several.season_field, "autumn")
    qtbot.mouseClick(several.traits.chips["fragile"], LEFT)
    qtbot.mouseClick(several.join_button, LEFT)
    items = window.workspace.chosen_items
    assert {(item.finish, item.status, item.season, "fragile" in item.traits) for item in items} == {
        ("gloss", "stored", ("autumn",), True)
    }
    assert {item.set for item in items} == {"set of things"}
    qtbot.mouseClick(several.part_button, LEFT)
    assert {item.set for item in window.workspace.chosen_items} == {""}
    qtbot.mouseClick(several.merge_button, LEFT)
    assert window.workspace.item_ids in (("cream-vase",), ("dark-urn",))
    window.workspace.undo()
    window.workspace.choose_items(("cream-vase", "moon-globe"))
    assert not several.merge_button.isEnabled()


# Lists, tables, files


def test_a_pasted_list_is_shown_before_it_is_taken_over(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    count = len(window.workspace.plan.stash)
    QGuiApplication.clipboard().setText("- vase 18x32 hall\n- 3 books 20 tall\n- 12x20\n")
    page.entry.line.setFocus()
    qtbot.keyClick(page.entry.line, Qt.Key.Key_V, CONTROL)
    arrivals = page.pages.arrivals
    assert page.pages.currentWidget() is arrivals
    assert not page.side.isVisible()
    assert [row.doing for row in arrivals.model.rows] == ["add"] * 4 + ["refuse"]
    assert "one row cannot be read" in arrivals.said.text()
    index = arrivals.model.index(0, 0)
    arrivals.model.setData(index, Qt.CheckState.Unchecked.value, Qt.ItemDataRole.CheckStateRole)
    assert arrivals.take_button.text() == "Take over three things"
    assert len(window.workspace.plan.stash) == count
    qtbot.mouseClick(arrivals.take_button, LEFT)
    assert len(window.workspace.plan.stash) == count + 3
    assert page.pages.currentIndex() == 0
    assert page.side.isVisible()
    window.workspace.undo()
    assert len(window.workspace.plan.stash) == count


def test_a_typed_list_follows_the_keys(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    page.bring_menu.actions()[3].trigger()
    arrivals = page.pages.arrivals
    assert not arrivals.take_button.isEnabled()
    qtbot.keyClicks(arrivals.list_field, "bowl 20x9")
    wait_until(lambda: len(arrivals.model.rows) == 1)
    assert arrivals.take_button.text() == "Take over one thing"


MESSY = (
    "Name;Item;Height;W (mm);Deep;Colour;Where;Weight;Remark\n"
    'x;blue glass vase;32,5;140;14;navy;hall;1,2 kg;"=HYPERLINK(1)"\n'
    "x;oak box;12;;;brown;study\n"
    "x;something strange;1;2;3;;;;;one cell too many\n"
    "x;tall dark urn;36,5;180;18;#26282b;hall;;\n"
)


def test_a_messy_table_is_mapped_previewed_and_taken_over(
    window: MainWindow, qtbot: QtBot, tmp_path: Path, dialogs: AnsweringDialogs
) -> None:
    page = gather(window)
    dialogs.to_open = tmp_path / "messy.csv"
    dialogs.to_open.write_bytes(MESSY.encode("cp1252"))
    page.bring_menu.actions()[2].trigger()
    arrivals = page.pages.arrivals
    fields = [column.field for column in arrivals.strip.mapping]
    assert fields == ["name", "", "height_mm", "width_mm", "depth_mm", "colours", "room", "mass_kg", "note"]
    assert arrivals.strip.mapping[3].unit == "mm"
    # The first column was taken for the name; the person says better.
    pick(arrivals.strip.field_boxes[1], "name")
    assert arrivals.strip.mapping[0].field == ""
    assert [row.doing for row in arrivals.model.rows] == ["add", "add", "refuse", "twin"]
    assert "looks like" in arrivals.said.text()
    count = len(window.workspace.plan.stash)
    qtbot.mouseClick(arrivals.take_button, LEFT)
    vase, box = window.workspace.plan.stash[count:]
    assert (vase.name, vase.height, vase.width, vase.mass) == ("blue glass vase", 325, 140, 1.2)
    assert vase.note == "=HYPERLINK(1)"
    assert (box.name, box.height, box.guessed) == ("oak box", 120, ("width", "depth"))
    # On the way out the formula is made harmless, and comes back as it was.
    dialogs.to_save = tmp_path / "out.csv"
    page.tidy_menu.actions()[-1].trigger()
    assert "'=HYPERLINK" in dialogs.to_save.read_text()
    assert read_list(dialogs.to_save) == window.workspace.plan.stash
    dialogs.to_save = tmp_path / "out.json"
    page.pages.ask_export()
    assert read_list(dialogs.to_save) == window.workspace.plan.stash


def test_a_unit_chosen_for_a_column_counts_at_once(window: MainWindow, tmp_path: Path) -> None:
    page = gather(window)
    path = tmp_path / "inches.csv"
    path.write_text("name,height\nvase,10\n")
    page.pages.show_table(path)
    arrivals = page.pages.arrivals
    pick(arrivals.strip.unit_boxes[1], "in")
    (row,) = arrivals.model.rows
    assert row.item is not None
    assert row.item.height == 254
    assert arrivals.strip.unit_boxes[0].isHidden()


@pytest.mark.parametrize(
    ("name", "content", "said"),
    [
        ("empty.csv", b"", "empty"),
        ("broken.json", b"[{", "whole JSON"),
        ("ragged.csv", b'a,"b\n1', "cannot be read"),
        ("none.csv", None, "no such file"),
    ],
)
def test_a_file_that_is_no_table_is_refused(
    window: MainWindow, tmp_path: Path, name: str, content: bytes | None, said: str
) -> None:
    page = gather(window)
    if content is not None:
        (tmp_path / name).write_bytes(content)
    page.pages.show_table(tmp_path / name)
    assert said in window.notice.sentence
    assert page.pages.currentIndex() == 0
    assert window.workspace.history.undo_label is None


def test_an_export_to_nowhere_is_told(window: MainWindow, dialogs: AnsweringDialogs) -> None:
    page = gather(window)
    dialogs.to_save = Path("/nowhere/stash.csv")
    page.pages.ask_export()
    assert "stash.csv" in window.notice.sentence
    dialogs.to_save = None
    page.pages.ask_export()
    assert dialogs.asked == ["Save the stash"] * 2


def test_a_dropped_table_is_shown(window: MainWindow, tmp_path: Path) -> None:
    page = gather(window)
    path = tmp_path / "list.csv"
    path.write_text("name,height\nvase,10\n")
    data = QMimeData()
    data.setUrls([QUrl.fromLocalFile(str(path))])
    drop = QDropEvent(QPointF(50, 50), Qt.DropAction.CopyAction, data, LEFT, Qt.KeyboardModifier.NoModifier)
    page.dropEvent(drop)
    assert page.pages.currentWidget() is page.pages.arrivals


# Families and duplicates


def test_families_are_merged_named_split_and_found_again(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    page.tidy_menu.actions()[0].trigger()
    families = page.pages.families
    count = len(families.cards)
    first, second = families.cards[1], families.cards[2]
    assert not families.merge_button.isEnabled()
    first.tick.setChecked(True)
    second.tick.setChecked(True)
    qtbot.mouseClick(families.merge_button, LEFT)
    assert len(families.cards) == count - 1
    joined = next(card for card in families.cards if card.leader == first.leader)
    assert second.leader in joined.colours
    type_into(qtbot, joined.name_field, "night and milk")
    assert "night and milk" in [card.name_field.text() for card in families.cards]
    card = next(card for card in families.cards if card.leader == first.leader)
    card.shades[second.leader].setChecked(True)
    qtbot.mouseClick(families.split_button, LEFT)
    leaders = [colour for colour, _ in stash_families(window.workspace.plan.stash, window.workspace.plan.families)]
    assert second.leader in leaders
    qtbot.mouseClick(families.page_head.back, LEFT)
    qtbot.mouseClick(page.sorting.chips["family"], LEFT)
    assert "Night and milk" in {row.group for row in page.line_up.rows}
    page.pages.show_families()
    qtbot.mouseClick(families.found_button, LEFT)
    assert window.workspace.plan.families == ()
    assert len(families.cards) == count


def test_what_is_entered_twice_is_merged_or_told_to_be_a_pair(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    workspace = window.workspace
    count = len(workspace.plan.stash)
    workspace.commit(DuplicateItem(item="dark-urn"))
    workspace.commit(DuplicateItem(item="moon-globe"))
    page.tidy_menu.actions()[1].trigger()
    twins = page.pages.twins
    card = next(card for card in twins.cards if card.group[0].id == "dark-urn")
    qtbot.mouseClick(card.merge_button, LEFT)
    assert len(workspace.plan.stash) == count + 1
    assert "dark-urn" in {placement.item for placement in workspace.look.placements}
    card = next(card for card in twins.cards if card.group[0].id == "moon-globe")
    qtbot.mouseClick(card.join_button, LEFT)
    assert workspace.plan.item("moon-globe").set == "pair of globes"
    assert "moon-globe" not in {item.id for card in twins.cards for item in card.group}
    twins.page_head.back.click()
    assert page.pages.currentIndex() == 0
