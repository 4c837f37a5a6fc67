"""Modules are read beside the window while the hand rests, and no source is read with them."""

import subprocess
import sys

import pytest
import shiboken6
from PySide6.QtCore import QPoint
from PySide6.QtWidgets import QWidget
from pytestqt.qtbot import QtBot

from jolly_ledge.app import modules_ahead
from jolly_ledge.app.lean_imports import import_leanly
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.modules_ahead import ModulesAhead
from patience import wait_until

SELDOM = "mailbox"
"""A module of the standard library that nothing here needs."""


@pytest.fixture
def _unread(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.delitem(sys.modules, SELDOM, raising=False)
    monkeypatch.setattr(modules_ahead, "RESTS_MS", 150)


@pytest.mark.usefixtures("_unread")
def test_modules_are_read_beside_the_window(window: MainWindow, qtbot: QtBot) -> None:
    ahead = ModulesAhead((SELDOM,), window)
    assert not ahead.is_begun
    assert not ahead.is_done
    ahead.start()
    wait_until(lambda: ahead.is_done)
    assert SELDOM in sys.modules
    assert ModulesAhead((SELDOM,), window).is_done


@pytest.mark.usefixtures("_unread")
def test_reading_rests_while_the_hand_moves(window: MainWindow, qtbot: QtBot, monkeypatch: pytest.MonkeyPatch) -> None:
    read: list[str] = []
    ahead = ModulesAhead(("first", "second"), window)

    def slowly(name: str) -> None:
        read.append(name)
        while len(read) == 1 and not stirred:
            pass

    stirred: list[bool] = []
    monkeypatch.setattr(modules_ahead, "import_module", slowly)
    ahead.start()
    wait_until(lambda: read == ["first"])
    qtbot.mouseMove(window, QPoint(30, 300))
    qtbot.mouseMove(window, QPoint(31, 301))
    stirred.append(True)
    qtbot.wait(60)
    assert read == ["first"]
    wait_until(lambda: read == ["first", "second"])


@pytest.mark.usefixtures("_unread")
def test_a_window_that_is_gone_lets_no_reading_wait(qtbot: QtBot, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(modules_ahead, "import_module", lambda name: None)
    widget = QWidget()
    widget.show()
    ahead = ModulesAhead((SELDOM,), widget)
    ahead.start()
    thread = ahead._thread
    assert thread.is_alive()
    shiboken6.delete(widget)
    thread.join(timeout=5)
    assert not thread.is_alive()


def test_a_module_is_imported_without_its_source_being_read() -> None:
    # In a process of its own: what is changed here holds for the whole interpreter.
    told = subprocess.run(
        [sys.executable, "-c", WITHOUT_SOURCE], check=True, capture_output=True, text=True
    ).stdout  # fmt: skip
    assert told.split() == ["True", "True", "False"]


WITHOUT_SOURCE = """
import inspect
from jolly_ledge.app.lean_imports import import_leanly
asked = []
known = inspect.getsource
inspect.getsource = lambda module: asked.append(module) or known(module)
import mailbox
before = bool(asked)
asked.clear()
print(before, import_leanly())
import wave
print(bool(asked))
"""


def test_nothing_is_changed_where_the_toolkit_does_not_look(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.delitem(sys.modules, "shibokensupport.feature")
    assert not import_leanly()
