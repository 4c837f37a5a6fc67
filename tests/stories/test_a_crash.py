"""The real program is killed in the middle of the work, and the work is there at the next start."""

import os
import signal
import subprocess
import sys
import time
from pathlib import Path

from jolly_ledge.demo import demo_photos
from jolly_ledge.files.recovery import RecoveryLog

DRIVEN = """
import sys
from PySide6.QtCore import QTimer
from jolly_ledge.app import application
from jolly_ledge.edits.looks import RenamePlan

make_window = application.make_window

def make_and_change(*arguments, **named):
    window = make_window(*arguments, **named)
    QTimer.singleShot(400, lambda: window.workspace.commit(RenamePlan(name="Killed in the middle")))
    return window

application.make_window = make_and_change
sys.exit(application.run(None, demo=True))
"""


def test_a_killed_program_leaves_its_work_to_the_next(tmp_path: Path) -> None:
    platform = "xcb" if os.environ.get("DISPLAY") else "offscreen"
    environment = {**os.environ, "JOLLY_LEDGE_STATE": str(tmp_path), "QT_QPA_PLATFORM": platform}
    # Named so that the log takes it for the program while it runs.
    kept = tmp_path / "recovery"
    process = subprocess.Popen([sys.executable, "-c", DRIVEN, "jolly-ledge"], env=environment)
    try:
        deadline = time.monotonic() + 30
        while not list(kept.glob("*.recovery")):
            assert process.poll() is None
            assert time.monotonic() < deadline
            time.sleep(0.05)
        assert RecoveryLog(kept).find() == ()
    finally:
        process.send_signal(signal.SIGKILL)
        process.wait()
    (found,) = RecoveryLog(kept).find()
    assert found.plan.name == "Killed in the middle"
    assert found.photos == demo_photos()
