"""Small parts of the window."""

import pytest
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.widgets.chip import ChipRow
from jolly_ledge.app.widgets.colour_button import ColourButton
from jolly_ledge.app.widgets.length_field import LengthField
from jolly_ledge.app.widgets.notice import Notice
from jolly_ledge.app.widgets.vial import Vial
from jolly_ledge.readings.reading import Reading


def reading(value: float, score: float = 1.0) -> Reading:
    return Reading("x", value, (0.4, 0.6), (0.0, 2.0), score, "shown", "Sentence.")


@pytest.mark.parametrize(("value", "place"), [(0.0, 0.0), (1.0, 0.5), (9.0, 1.0), (-4.0, 0.0)])
def test_the_bubble_stands_where_the_value_lies(value: float, place: float) -> None:
    vial = Vial.of(reading(value))
    assert vial.place == place
    assert (vial.low, vial.high) == (0.2, 0.3)


def test_a_bubble_is_good_by_its_score() -> None:
    assert Vial.of(reading(0.5, 0.9)).is_good
    assert not Vial.of(reading(0.5, 0.5)).is_good


def test_a_length_is_typed_in_any_unit_and_esc_brings_the_old_one_back(window: MainWindow, qtbot: QtBot) -> None:
    lengths: list[float] = []
    field = LengthField(window.workspace, lengths.append, "height")
    qtbot.addWidget(field)
    field.show()
    field.show_length(315)
    assert field.text() == "31.5 cm"
    field.setText("12 1/2 in")
    qtbot.keyClick(field, Qt.Key.Key_Return)
    assert lengths == [317.5]
    field.setText("tall")
    qtbot.keyClick(field, Qt.Key.Key_Return)
    assert "is not a length" in field.toolTip()
    assert lengths == [317.5]
    qtbot.keyClick(field, Qt.Key.Key_Escape)
    assert field.text() == "31.8 cm"
    assert field.toolTip() == ""


def test_a_notice_offers_what_to_do_and_goes(qtbot: QtBot) -> None:
    done: list[str] = []
    notice = Notice()
    qtbot.addWidget(notice)
    notice.say("Something happened.", (("Mend it", lambda: done.append("mended")),))
    assert notice.sentence == "Something happened."
    assert list(notice.buttons) == ["Mend it", "Close"]
    qtbot.mouseClick(notice.buttons["Mend it"], Qt.MouseButton.LeftButton)
    assert done == ["mended"]
    assert notice.sentence == ""


def test_one_chip_of_a_row_is_chosen(qtbot: QtBot) -> None:
    chosen: list[str] = []
    row = ChipRow((("a", "A", ""), ("b", "B", "")), chosen.append)
    qtbot.addWidget(row)
    row.show_choice("a")
    qtbot.mouseClick(row.chips["b"], Qt.MouseButton.LeftButton)
    assert chosen == ["b"]
    assert not row.chips["a"].isChecked()


@pytest.mark.parametrize(
    ("typed", "taken"), [("#aabbcc", ["#aabbcc"]), ("AABBCC", ["#aabbcc"]), ("reddish", []), ("#000000", [])]
)
def test_a_colour_is_typed_as_a_code(qtbot: QtBot, typed: str, taken: list[str]) -> None:
    colours: list[str] = []
    button = ColourButton(colours.append, "Back")
    qtbot.addWidget(button)
    button.show_colour("#000000")
    button.code.setText(typed)
    qtbot.keyClick(button.code, Qt.Key.Key_Return)
    assert colours == taken


def test_a_colour_is_picked_from_the_menu(qtbot: QtBot) -> None:
    colours: list[str] = []
    button = ColourButton(colours.append, "Back", lambda: ("#123456",))
    qtbot.addWidget(button)
    menu = button.menu()
    menu.actions()[0].trigger()
    assert colours == ["#123456"]
    assert "dark blue" in menu.actions()[0].text()
