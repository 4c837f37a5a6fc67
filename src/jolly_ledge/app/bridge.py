"""Between the plan in hand and the toolkit: its signals as the toolkit's own, and the time after which work is kept."""

from PySide6.QtCore import QObject, QTimer, Signal

from jolly_ledge.workspace.workspace import Workspace

KEEP_AFTER_MS, KEEP_AT_LATEST_MS = 700, 5_000
"""Unsaved work is kept for recovery this long after the last change, and at the latest so long after the first one:
who works steadily never rests."""


class WindowSignals(QObject):
    """The signals of a workspace, as widgets listen to them: who is gone is told nothing more."""

    changed = Signal()
    plan_changed = Signal()
    stash_changed = Signal()
    pieces_changed = Signal()
    in_hand_changed = Signal()
    previewed = Signal()
    chosen = Signal()
    pointed = Signal()
    saved = Signal()
    length_unit_changed = Signal()
    refused = Signal(str)
    committed = Signal(object)
    told = Signal(str)
    step_asked = Signal(str)
    compare_asked = Signal(tuple)
    changed_on_disk = Signal(str)
    unkept = Signal(bool)


class Keeper(QObject):
    """Keeps unsaved work for recovery a moment after it was done."""

    def __init__(self, workspace: Workspace, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self.soon = self._timer(KEEP_AFTER_MS, workspace)
        self.at_latest = self._timer(KEEP_AT_LATEST_MS, workspace)
        workspace.signals.unkept.connect(self._mind)

    def _timer(self, after: int, workspace: Workspace) -> QTimer:
        timer = QTimer(self)
        timer.setSingleShot(True)
        timer.setInterval(after)
        timer.timeout.connect(workspace.document.keep_now)
        return timer

    def _mind(self, unkept: bool) -> None:
        if not unkept:
            self.soon.stop()
            self.at_latest.stop()
            return
        self.soon.start()
        if not self.at_latest.isActive():
            self.at_latest.start()
