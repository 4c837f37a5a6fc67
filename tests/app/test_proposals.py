"""Proposals in the window: they come while they get better, and one is taken over in one step."""

from collections.abc import Iterator

import pytest
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from builders import plan_of
from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.arrange.proposals_page import ProposalsPage
from jolly_ledge.app.steps.keep.side_by_side import SideBySide
from jolly_ledge.edits.items import ToggleTrait
from jolly_ledge.edits.looks import AddLook
from jolly_ledge.edits.placements import ChangePlacement
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.proposals.meaning import Meaning
from pages import page_of
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


def arranging(window: MainWindow) -> ArrangeStep:
    return page_of(window, "Arrange", ArrangeStep)


@pytest.fixture
def page(window: MainWindow) -> Iterator[ProposalsPage]:
    window.workspace.choose_look("hall-welcome")
    step = arranging(window)
    step.show_proposals()
    assert step.proposals is not None
    yield step.proposals
    step.proposals.job.close()


def test_proposals_come_and_one_is_taken_over(window: MainWindow, page: ProposalsPage, qtbot: QtBot) -> None:
    workspace = window.workspace
    lamp = workspace.look.placements[0]
    workspace.commit(ChangePlacement(
        look=workspace.look_id, placements=(lamp.id,), changes=(("locked", True),), label="Lock it",
    ))  # fmt: skip
    page.begin(steps=15)
    wait_until(lambda: page.found[0] is not None)
    wait_until(lambda: not page.job.is_running)
    wait_until(lambda: not page.is_busy)
    assert all(one is not None and one.is_valid for one in page.found)
    assert all(card.reads.text().startswith("reads ") for card in page.cards)
    assert all(card.story.text().count("\n") == 2 for card in page.cards)
    before = len(workspace.plan.looks)
    best = page.found[0]
    assert best is not None
    assert any(placement.item == lamp.item for placement in best.look.placements)
    qtbot.mouseClick(page.cards[0].take_button, LEFT)
    assert len(workspace.plan.looks) == before + 1
    assert workspace.look.placements == best.look.placements
    assert workspace.look.note.startswith(best.count_said)
    step = arranging(window)
    assert step.views.currentWidget() is step.view
    workspace.undo()
    assert len(workspace.plan.looks) == before


def test_a_changed_stash_is_told_before_anything_is_taken(
    window: MainWindow, page: ProposalsPage, qtbot: QtBot
) -> None:
    page.begin(steps=5)
    wait_until(lambda: not page.is_busy and page.found[0] is not None)
    window.workspace.commit(ToggleTrait(items=("dark-urn",), trait="fragile", on=True))
    before = window.workspace.plan
    with qtbot.waitSignal(window.workspace.signals.refused, check_params_cb=lambda said: "propose anew" in said):
        qtbot.mouseClick(page.cards[0].take_button, LEFT)
    assert window.workspace.plan is before


def test_the_search_is_stopped_and_left(window: MainWindow, page: ProposalsPage, qtbot: QtBot) -> None:
    page.begin(steps=1_000_000)
    wait_until(lambda: page.found[0] is not None)
    qtbot.mouseClick(page.stop_button, LEFT)
    wait_until(lambda: not page.job.is_running)
    assert sum(one is not None for one in page.found) < 3
    qtbot.keyClick(page, Qt.Key.Key_Escape)
    step = arranging(window)
    assert step.views.currentWidget() is step.view


def test_nothing_to_propose_is_said(qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs) -> None:
    window = open_window(qtbot, plan_of(), log, dialogs)
    step = arranging(window)
    with qtbot.waitSignal(window.workspace.signals.refused, check_params_cb=lambda said: "gather things" in said):
        qtbot.mouseClick(step.foot.propose_button, LEFT)
    assert step.proposals is not None
    step.proposals.job.close()


def found_all(page: ProposalsPage) -> None:
    wait_until(lambda: not page.is_busy and page.found[0] is not None)


def test_how_many_and_in_which_manners_is_asked_for(window: MainWindow, page: ProposalsPage) -> None:
    page.settings.each_list.setCurrentText("each fullness")
    page.begin(steps=3)
    found_all(page)
    assert [one.look.manner.fullness for one in page.found if one is not None][1:] != ["layered", "layered"]
    assert len({one.look.manner.fullness for one in page.found if one is not None}) == 3
    page.settings.each_list.setCurrentText("each mood")
    page.begin(steps=3)
    found_all(page)
    moods = [one.look.manner.palette for one in page.found if one is not None]
    assert len(moods) >= 3
    assert len(set(moods)) == len(moods)
    page.settings.each_list.setCurrentText("this manner")
    page.settings.count_list.setCurrentText("5")
    page.begin(steps=2)
    found_all(page)
    assert len(page.cards) == 5
    assert all(card.proposal is not None for card in page.cards)
    page.settings.count_list.setCurrentText("2")
    page.begin(steps=2)
    found_all(page)
    assert len(page.cards) == 2


def test_the_same_throw_gives_the_same_looks(window: MainWindow, page: ProposalsPage) -> None:
    thrown = []
    for throw in (7, 8, 7):
        page.settings.throw_field.setValue(throw - 1)
        page.begin(steps=10)
        found_all(page)
        assert page.settings.throw == throw
        thrown.append([one.look.placements for one in page.found if one is not None])
    assert thrown[0] == thrown[2]
    assert thrown[0] != thrown[1]


def test_all_that_stands_stays_when_a_look_is_finished(window: MainWindow, page: ProposalsPage) -> None:
    page.settings.keep_list.setCurrentText("all that stands")
    page.begin(steps=5)
    found_all(page)
    for one in page.found:
        assert one is not None
        assert set(window.workspace.look.placements) <= set(one.look.placements)


def test_only_the_ledge_in_hand_is_arranged(window: MainWindow, page: ProposalsPage) -> None:
    workspace = window.workspace
    workspace.choose_ledge("below")
    page.settings.keep_list.setCurrentText("all but this ledge")
    page.begin(steps=5)
    found_all(page)
    elsewhere = [placement for placement in workspace.look.placements if placement.ledge != "below"]
    for one in page.found:
        assert one is not None
        assert [placement for placement in one.look.placements if placement.ledge != "below"] == elsewhere


def test_ledges_are_marked_by_a_click_and_blended(window: MainWindow, page: ProposalsPage, qtbot: QtBot) -> None:
    workspace = window.workspace
    page.begin(steps=10)
    found_all(page)
    assert not page.blend_button.isEnabled()
    ledges = {ledge.id: ledge for ledge in workspace.piece.ledges}
    for card, ledge in ((page.cards[0], "top"), (page.cards[1], "below"), (page.cards[2], "below")):
        qtbot.mouseClick(card.drawing, LEFT, pos=card.drawing.area_of(ledges[ledge]).center().toPoint())
    # A ledge comes from one proposal only: the last that was asked.
    assert [sorted(card.drawing.marks) for card in page.cards] == [["top"], [], ["below"]]
    first, _, third = (one.look for one in page.found if one is not None)
    before = len(workspace.plan.looks)
    qtbot.mouseClick(page.blend_button, LEFT)
    assert len(workspace.plan.looks) == before + 1
    made = workspace.look
    assert made.name == "Blend"
    assert made.note == "Blended from Proposal 1, Proposal 3."
    items = [placement.item for placement in made.placements]
    assert len(items) == len(set(items))
    tops = {p.item for p in first.placements if p.ledge == "top"}
    assert {p.item for p in made.placements if p.ledge == "top"} == tops
    below = {p.item for p in third.placements if p.ledge == "below"} - tops
    assert {p.item for p in made.placements if p.ledge == "below"} == below
    workspace.undo()
    assert len(workspace.plan.looks) == before


def test_all_are_taken_over_in_one_step_and_laid_side_by_side(
    window: MainWindow, page: ProposalsPage, qtbot: QtBot
) -> None:
    workspace = window.workspace
    page.begin(steps=5)
    found_all(page)
    before = len(workspace.plan.looks)
    with qtbot.waitSignal(workspace.signals.compare_asked):
        qtbot.mouseClick(page.all_button, LEFT)
    added = workspace.plan.looks[before:]
    assert [look.proposal for look in added] == [1, 2, 3]
    compared = window.findChild(SideBySide)
    assert compared is not None
    assert compared.chosen == [look.id for look in added]
    workspace.undo()
    assert len(workspace.plan.looks) == before


def test_a_season_is_chosen_from_the_list_and_its_things_come(
    window: MainWindow, page: ProposalsPage, qtbot: QtBot
) -> None:
    window.workspace.choose_look("first-try")
    seasons, plan = page.settings.season_list, window.workspace.plan
    while page.settings.season != "autumn":
        qtbot.keyClick(seasons, Qt.Key.Key_Down)

    def shows_autumn() -> bool:
        first = page.found[0]
        return first is not None and any("autumn" in plan.item(p.item).season for p in first.look.placements)

    # Asked for in steps, not seconds: what is found is the same on a busy machine.
    page.begin(steps=120)
    wait_until(lambda: not page.job.is_running and page.found[0] is not None)
    found_all(page)
    assert shows_autumn()


def test_what_differs_from_the_look_in_hand_is_said(window: MainWindow, page: ProposalsPage) -> None:
    page.begin(steps=40)
    found_all(page)
    card = page.cards[0]
    assert card.differs.text().startswith(("better: ", "worse: "))
    assert "(+" in card.reads.text() or "(−" in card.reads.text()
    assert "Brings" in card.story.toolTip() or "Leaves out" in card.story.toolTip()


def test_the_cards_read_on_the_scale_of_the_panel_once_it_is_known(window: MainWindow, page: ProposalsPage) -> None:
    page.begin(steps=5)
    found_all(page)
    card, workspace = page.cards[0], window.workspace
    assert card.proposal is not None
    raw = round(card.proposal.assessment.score * 100)
    assert card.reads.text().startswith(f"reads {raw} ")
    watch = arranging(window).readings.watch
    workspace.meanings[workspace.piece_id, workspace.look.manner] = Meaning(((0.0, 0.0), (1.0, 50.0)))
    watch.told.emit()
    half = workspace.shown(card.proposal.assessment.score)
    assert half == pytest.approx(raw / 2, abs=1)
    assert card.reads.text().startswith(f"reads {half} ")


def test_nothing_is_better_or_worse_than_an_empty_look(window: MainWindow, page: ProposalsPage) -> None:
    workspace = window.workspace
    workspace.commit(AddLook(piece=workspace.piece_id, name="Bare"))
    workspace.choose_look("bare")
    page.begin(steps=40)
    found_all(page)
    assert page.cards[0].differs.text() == ""
    assert page.cards[0].reads.text().startswith("reads ")
    assert "(" not in page.cards[0].reads.text()


def test_the_drawings_stand_on_one_line_whatever_is_said_below(
    window: MainWindow, page: ProposalsPage, qtbot: QtBot
) -> None:
    page.begin(steps=4)
    wait_until(lambda: all(one is not None for one in page.found))
    page.job.cancel()
    page.cards[1].differs.setText("better: " + ", ".join(["how scaled to the furniture"] * 9))
    page._level()
    qtbot.wait(50)
    assert len({card.drawing.height() for card in page.cards}) == 1
    for card in page.cards:
        assert card.differs.height() >= card.differs.heightForWidth(card.differs.width())
