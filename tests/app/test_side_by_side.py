"""Versions side by side: chosen, read, told apart and voted on in the real window."""

import pytest
from msgspec.structs import replace
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from builders import plan_of, put, thing
from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.keep.keep_step import KeepStep
from jolly_ledge.app.steps.keep.side_by_side import MOST, SideBySide, shown_scores
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings.register import assess
from pages import page_of
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


def versions(count: int) -> Plan:
    plan = plan_of((thing("urn"), thing("jar")), (put("urn", x=200.0), put("jar", x=340.0)))
    first = plan.looks[0]
    others = tuple(
        replace(
            first, id=f"v{n}", name=f"Version {n}", placements=(put("urn", x=200.0 + 60.0 * n), first.placements[1])
        )
        for n in range(2, count + 1)
    )
    return replace(plan, looks=(first, *others))


def compared(window: MainWindow) -> SideBySide:
    page = page_of(window, "Keep", KeepStep)
    page.show_side_by_side()
    assert page.compared is not None
    return page.compared


def test_a_key_lays_the_versions_side_by_side(window: MainWindow, qtbot: QtBot) -> None:
    arrange_page = page_of(window, "Arrange", ArrangeStep)
    qtbot.keyClick(arrange_page.view, "C")
    page = page_of(window, "Keep", KeepStep)
    assert page.compared is not None
    assert page.pages.currentWidget() is page.compared
    plan = window.workspace.plan
    labels = [column.name_label.text() for column in page.compared.columns]
    assert labels == [look.label for look in plan.looks_of("alcove")]
    for column in page.compared.columns:
        score = assess(arrange(plan, plan.look(column.look_id))).score
        assert column.reads.text() == f"reads {round(score * 100)}"
    assert "told against this one" in page.compared.columns[0].told.text()
    assert page.compared.columns[1].told.text().startswith("Brings ")
    qtbot.keyClick(page, Qt.Key.Key_Escape)
    assert page.pages.currentIndex() == 0


def test_all_are_drawn_at_one_scale(window: MainWindow) -> None:
    page = compared(window)
    wait_until(lambda: page.columns[0].drawing.width() > 50)
    sizes = {(column.drawing.width(), column.drawing.height()) for column in page.columns}
    assert len(sizes) == 1


def test_what_differs_most_comes_first(window: MainWindow) -> None:
    page = compared(window)
    spreads = [
        max(known) - min(known) for _, scores in page.table.rows if (known := [s for s in scores if s is not None])
    ]
    assert spreads == sorted(spreads, reverse=True)
    assert page.table.height() == 22 * len(page.table.rows)


def test_two_to_five_versions(qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs) -> None:
    window = open_window(qtbot, versions(7), log, dialogs)
    page = compared(window)
    assert page.chosen == ["v5", "v6", "v7"]
    for identifier in ("v4", "v3"):
        qtbot.mouseClick(page.look_chips[identifier], LEFT)
    assert page.chosen == ["v3", "v4", "v5", "v6", "v7"]
    assert len(page.columns) == MOST
    with qtbot.waitSignal(window.workspace.signals.refused, check_params_cb=lambda said: "take one out" in said):
        qtbot.mouseClick(page.look_chips["v2"], LEFT)
    assert not page.look_chips["v2"].isChecked()
    for identifier in ("v3", "v4", "v5"):
        qtbot.mouseClick(page.look_chips[identifier], LEFT)
    with qtbot.waitSignal(window.workspace.signals.refused, check_params_cb=lambda said: "fewest" in said):
        qtbot.mouseClick(page.look_chips["v6"], LEFT)
    assert page.chosen == ["v6", "v7"]
    assert page.columns[1].told.text() == "The urn stands 6 cm farther right."


def test_one_look_alone_cannot_be_compared(qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs) -> None:
    window = open_window(qtbot, versions(1), log, dialogs)
    page = page_of(window, "Keep", KeepStep)
    with qtbot.waitSignal(window.workspace.signals.refused, check_params_cb=lambda said: "duplicate one" in said):
        qtbot.mouseClick(page.modes.chips["compare"], LEFT)
    assert page.pages.currentIndex() == 0


def test_votes_and_remarks_are_kept_and_taken_back(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = compared(window), window.workspace
    opinions = page.columns[1].opinions
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "whose vote" in said):
        qtbot.mouseClick(opinions.for_button, LEFT)
    qtbot.keyClicks(page.who_field, "Tilda")
    qtbot.keyClicks(opinions.remark_field, "more rest on top")
    qtbot.mouseClick(opinions.against_button, LEFT)
    (vote,) = workspace.plan.look(page.columns[1].look_id).votes
    assert (vote.who, vote.likes, vote.remark) == ("Tilda", False, "more rest on top")
    assert opinions.tally.text() == "0 for, 1 against"
    assert opinions.remark_field.text() == ""
    assert opinions.vote_rows["Tilda"].text() == "Tilda is against it: more rest on top"
    qtbot.mouseClick(opinions.vote_rows["Tilda"], LEFT)
    assert workspace.plan.look(page.columns[1].look_id).votes == ()
    workspace.undo()
    assert opinions.tally.text() == "0 for, 1 against"


def test_a_version_is_taken_in_hand(window: MainWindow, qtbot: QtBot) -> None:
    page = compared(window)
    qtbot.mouseClick(page.columns[0].take_button, LEFT)
    assert window.workspace.look_id == page.columns[0].look_id
    assert window.pages.currentWidget() is window.step("Arrange")


def test_the_comparison_follows_another_piece(window: MainWindow) -> None:
    page = compared(window)
    keep = page_of(window, "Keep", KeepStep)
    window.workspace.choose_look("hall-welcome")
    assert keep.pages.currentIndex() == 0
    assert keep.time_line.looks.row_of("hall-welcome") == 1
    window.workspace.choose_look("first-try")
    keep.show_side_by_side()
    assert len(page.columns) == 2


@pytest.mark.parametrize("count", [2, 4])
def test_scores_are_shown_for_every_look(count: int) -> None:
    plan = versions(count)
    rows = shown_scores([assess(arrange(plan, look)) for look in plan.looks])
    assert all(len(scores) == count for _, scores in rows)
