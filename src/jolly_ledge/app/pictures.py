"""Pictures of every main view of the demo, taken from the real window."""

import sys
from pathlib import Path

from PySide6.QtCore import QSize
from PySide6.QtWidgets import QApplication

from jolly_ledge.app.application import make_window, ready_application
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.recovery import RecoveryLog

SIZE = QSize(1280, 800)


def take(folder: Path) -> list[Path]:
    """Save one PNG of each step, opened on the demo, and return their paths."""
    application = ready_application(["jolly-ledge"])
    folder.mkdir(parents=True, exist_ok=True)
    window = make_window(plan_from_json(demo_bytes()), log=RecoveryLog(folder / "unused"))
    window.resize(SIZE)
    window.show()
    return [_take_step(application, window, name, folder) for name in STEPS]


def _take_step(application: QApplication, window: MainWindow, name: str, folder: Path) -> Path:
    window.show_step(name)
    if name == "Arrange":
        window.session.choose("orrery")
    for _ in range(4):
        application.processEvents()
    path = folder / f"{name.lower()}.png"
    window.grab().save(str(path))
    return path


if __name__ == "__main__":
    for taken in take(Path(sys.argv[1])):
        sys.stdout.write(f"{taken}\n")
