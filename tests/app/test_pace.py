"""What follows a hand: at once where it is quick, less often where it is slow, and the last state always."""

import time

from PySide6.QtCore import QObject
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.widgets.pace import Pace
from pages import page_of
from patience import wait_until

SLOW_S = 0.012


class Follower(QObject):
    """Shows the newest of some states, slowly."""

    def __init__(self) -> None:
        super().__init__()
        self.state = 0
        self.shown: list[int] = []

    def show_it(self) -> None:
        """Show the state."""
        time.sleep(SLOW_S)
        self.shown.append(self.state)


def test_what_is_slow_is_done_less_often_and_ends_with_the_last_state(qtbot: QtBot) -> None:
    follower = Follower()
    pace = Pace(follower.show_it, follower)
    for state in range(1, 6):
        follower.state = state
        pace.ask()
    assert follower.shown == [1]
    wait_until(lambda: follower.shown == [1, 5])
    qtbot.wait(150)
    assert follower.shown == [1, 5]


def test_what_was_done_otherwise_is_left(qtbot: QtBot) -> None:
    follower = Follower()
    pace = Pace(follower.show_it, follower)
    pace.ask()
    pace.ask()
    pace.forget()
    qtbot.wait(150)
    assert follower.shown == [0]
    pace.ask()
    assert follower.shown == [0, 0]


def test_the_number_follows_a_thing_that_is_carried_and_ends_right(window: MainWindow) -> None:
    step = page_of(window, "Arrange", ArrangeStep)
    view, workspace = step.view, window.workspace
    first = workspace.look.placements[0].id
    start = view.mapFromScene(view.items_by_id[first].pos())
    view.begin_from_stash(workspace.free_items()[0])
    for steps in range(12):
        view.carry_to(start.__class__(start.x() + 3 * steps, start.y()))
    number = step.readings.score
    wait_until(lambda: number.text() == f"Reads {workspace.shown(workspace.assessment.score)}")
    carried = number.text()
    view.put_back()
    wait_until(lambda: number.text() == f"Reads {workspace.shown(workspace.assessment.score)}")
    assert number.text() != carried
