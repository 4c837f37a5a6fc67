"""Finds text that its widget is too small for."""

import sys

from PySide6.QtGui import QFontMetrics
from PySide6.QtWidgets import QAbstractButton, QApplication, QLabel, QLineEdit, QScrollArea, QWidget

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.path_panel import STEPS, StepButton


def clipped(window: MainWindow) -> list[str]:
    """Return what is cut in any step, as ``step: text``."""
    found = []
    for name in STEPS:
        window.show_step(name)
        for _ in range(3):
            QApplication.processEvents()
        found += [f"{name}: {text}" for widget in window.findChildren(QWidget) for text in _cut(widget)]
    return sorted(set(found))


def _cut(widget: QWidget) -> list[str]:
    if not widget.isVisible() or isinstance(widget, StepButton):
        return []
    metrics = QFontMetrics(widget.font())
    if isinstance(widget, QLabel) and widget.text():
        if widget.wordWrap():
            needed = widget.heightForWidth(widget.width())
            return [widget.text()] if widget.height() + 1 < needed and not _scrolls(widget) else []
        plain = widget.sizeHint().width() if "<" in widget.text() else metrics.horizontalAdvance(widget.text())
        return [widget.text()] if widget.width() + 1 < plain else []
    if isinstance(widget, QAbstractButton) and widget.text():
        return [widget.text()] if widget.width() < metrics.horizontalAdvance(widget.text()) + 8 else []
    if isinstance(widget, QLineEdit) and not widget.text() and widget.placeholderText():
        return (
            [widget.placeholderText()]
            if widget.width() < metrics.horizontalAdvance(widget.placeholderText()) + 8
            else []
        )
    return []


def _scrolls(widget: QWidget) -> bool:
    parent = widget.parentWidget()
    while parent is not None:
        if isinstance(parent, QScrollArea):
            return True
        parent = parent.parentWidget()
    return False


def main(width: int, height: int, folder: str) -> int:
    """Open the demo at a size and print what is cut."""
    from pathlib import Path

    from jolly_ledge.app.application import make_window, ready_application
    from jolly_ledge.demo import demo_bytes
    from jolly_ledge.files.codec import plan_from_json
    from jolly_ledge.files.recovery import RecoveryLog

    ready_application(["clipping"])
    window = make_window(plan_from_json(demo_bytes()), log=RecoveryLog(Path(folder)))
    window.resize(width, height)
    window.show()
    window.session.choose("orrery")
    for line in clipped(window):
        sys.stdout.write(f"{line}\n")
    ratio = window.devicePixelRatioF()
    window.session.let_go()
    sys.stdout.write(f"ratio {ratio}\n")
    return 0


if __name__ == "__main__":
    sys.exit(main(int(sys.argv[1]), int(sys.argv[2]), sys.argv[3]))
