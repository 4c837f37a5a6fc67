"""Long work in turns: what a hand does meanwhile is heard between two of them."""

from collections.abc import Callable

from PySide6.QtCore import QObject, QTimer


def in_turns(host: QObject, *steps: Callable[[], object]) -> None:
    """Do steps one after another, each in a turn of its own; what is left is let go with the host."""
    left = iter(steps)
    turn = QTimer(host)

    def go_on() -> None:
        step = next(left, None)
        if step is None:
            turn.stop()
            turn.deleteLater()
        else:
            step()

    turn.timeout.connect(go_on)
    turn.start()
