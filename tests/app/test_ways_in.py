"""The opening page and the walk through the demo, in the real window."""

from pathlib import Path

import pytest
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.measure.measure_step import MeasureStep
from jolly_ledge.app.walk import STOPS
from jolly_ledge.files.recent import RecentFiles
from pages import LEFT
from patience import wait_until


@pytest.fixture
def opened(window: MainWindow, plan_path: Path, tmp_path: Path) -> MainWindow:
    """Return the window on its opening page, with one plan and a damaged one open lately."""
    damaged = tmp_path / "damaged.json"
    damaged.write_text("{")
    recent = RecentFiles(tmp_path / "recent.json")
    recent.add(damaged)
    recent.add(plan_path)
    window.workspace.document.recent = recent
    window.show_opening()
    return window


def test_plans_stand_there_as_pictures(opened: MainWindow, qtbot: QtBot) -> None:
    page = opened.opening
    assert page is not None
    assert opened.pages.currentWidget() is page
    assert not any(button.isChecked() for button in opened.path.buttons.values())
    plan, damaged = page.cards
    wait_until(lambda: plan.picture is not None and damaged.about == "cannot be read")
    assert plan.text() == "Vesper Row"
    assert plan.picture is not None
    colours = {plan.picture.toImage().pixel(x, y) for x in range(0, 180, 6) for y in range(0, 140, 6)}
    assert len(colours) > 20
    assert damaged.picture is None
    qtbot.mouseClick(damaged, LEFT)
    assert "damaged.json" in opened.notice.sentence
    assert opened.pages.currentWidget() is page
    qtbot.mouseClick(plan, LEFT)
    assert isinstance(opened.pages.currentWidget(), ArrangeStep)
    assert opened.workspace.document.file is not None


def test_pieces_of_the_demo_fill_the_room_that_is_left(opened: MainWindow, qtbot: QtBot) -> None:
    page = opened.opening
    assert page is not None
    assert len(page.demo_cards) == 3
    console = next(card for card in page.demo_cards if card.text() == "Hall console")
    wait_until(lambda: console.picture is not None)
    qtbot.mouseClick(console, LEFT)
    assert opened.workspace.piece.label == "Hall console"
    assert isinstance(opened.pages.currentWidget(), ArrangeStep)


def test_a_new_piece_begins_with_what_it_is(opened: MainWindow, qtbot: QtBot) -> None:
    page = opened.opening
    assert page is not None
    qtbot.mouseClick(page.buttons["A new piece"], LEFT)
    measure = opened.pages.currentWidget()
    assert isinstance(measure, MeasureStep)
    assert not opened.workspace.plan.stash


def test_a_plan_is_opened_from_a_file(
    opened: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, plan_path: Path
) -> None:
    page = opened.opening
    assert page is not None
    dialogs.to_open = plan_path
    qtbot.mouseClick(page.buttons["Open a plan"], LEFT)
    assert opened.workspace.document.file is not None
    assert isinstance(opened.pages.currentWidget(), ArrangeStep)


def test_the_walk_has_ten_stops_and_each_shows_a_page(opened: MainWindow, qtbot: QtBot) -> None:
    page = opened.opening
    assert page is not None
    qtbot.mouseClick(page.buttons["A walk through the demo"], LEFT)
    card = opened.walk_card
    assert card is not None
    assert len(STOPS) == 10
    seen = []
    for number in range(len(STOPS)):
        assert card.isVisible()
        assert card.count.text() == f"{number + 1} of 10"
        assert card.sentence.text().endswith(".")
        qtbot.mouseClick(card.show_button, LEFT)
        seen.append(type(opened.pages.currentWidget()).__name__)
        assert opened.pages.rect().contains(card.geometry())
        qtbot.mouseClick(card.next_button, LEFT)
    assert not card.isVisible()
    assert set(seen) == {"BriefStep", "MeasureStep", "GatherStep", "ArrangeStep", "PlaceStep", "KeepStep"}
    arrange = opened.step("Arrange")
    assert isinstance(arrange, ArrangeStep)
    assert arrange.proposals is not None
    arrange.proposals.job.close()


def test_the_walk_goes_back_and_ends(opened: MainWindow, qtbot: QtBot) -> None:
    opened.walk()
    card = opened.walk_card
    assert card is not None
    qtbot.mouseClick(card.next_button, LEFT)
    qtbot.mouseClick(card.back_button, LEFT)
    assert card.count.text() == "1 of 10"
    assert not card.back_button.isEnabled()
    qtbot.mouseClick(card.end_button, LEFT)
    assert not card.isVisible()
