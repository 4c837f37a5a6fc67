"""The first picture of the window waits for nothing that it does not show."""

import os
import subprocess
import sys
from pathlib import Path

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.reading_panel import ReadingPanel

WATCHED = ("jolly_ledge.readings.register", "jolly_ledge.cautions.register", "jolly_ledge.cli.commands", "numpy")
CODE = f"""
import sys, time
from jolly_ledge import __main__ as program
from PySide6.QtWidgets import QApplication
seen = []
def stay(*_):
    application = QApplication.instance()
    window = next(one for one in application.topLevelWidgets() if type(one).__name__ == "MainWindow")
    page = window.step("Arrange")
    page.view.first_painted.connect(lambda: seen.append([name for name in {WATCHED!r} if name in sys.modules]))
    until = time.monotonic() + 60
    while not (seen and page.readings.rows["scale"].reading) and time.monotonic() < until:
        application.processEvents()
    print(seen, {WATCHED[0]!r} in sys.modules, {WATCHED[1]!r} in sys.modules)
    return 0
QApplication.exec = stay
sys.argv = ["jolly-ledge", "demo"]
sys.exit(program.main())
"""


def test_the_first_picture_waits_neither_for_readings_nor_for_cautions(tmp_path: Path) -> None:
    environment = {**os.environ, "JOLLY_LEDGE_STATE": str(tmp_path), "QT_QPA_PLATFORM": "offscreen"}
    told = subprocess.run([sys.executable, "-c", CODE], env=environment, capture_output=True, text=True, check=False)
    assert told.stdout.strip() == "[[]] True True", told.stderr


def test_before_anything_is_read_no_reading_is_listed(window: MainWindow) -> None:
    panel = ReadingPanel(window.workspace)
    panel.resize(344, 700)
    assert panel.score.text() == "Reading"
    told = (*panel.rows.values(), *panel.questions.values())
    assert told
    assert not any(one.isVisibleTo(panel) for one in told)
