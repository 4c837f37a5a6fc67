"""All steps that were taken, each with a small drawing of how it was then: a press takes one in hand."""

from functools import partial

from PySide6.QtCore import QPoint, Qt
from PySide6.QtGui import QKeyEvent
from PySide6.QtWidgets import QFrame, QVBoxLayout, QWidget

from jolly_ledge.app.views.drawings_list import KEY, DrawingsList
from jolly_ledge.app.widgets.texts import heading, words
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.look import Look
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.plan import Plan
from jolly_ledge.workspace.workspace import Workspace

WIDE, HIGH = 640, 520
AT_FIRST = "As it was opened"


class StepsTaken(QFrame):
    """Opens beside the path; the latest step comes first, what was undone before it."""

    def __init__(self, workspace: Workspace, over: QWidget) -> None:
        super().__init__(over, Qt.WindowType.Popup)
        self._workspace = workspace
        self.setObjectName("keys-sheet")
        self.setAccessibleName("All steps")
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 12, 14, 12)
        column.addWidget(heading("All steps", 18))
        column.addWidget(words("A press takes the plan back to how it was then. Nothing is lost: what came after stays "
                               "listed until something else is changed.", "soft"))  # fmt: skip
        self.steps = DrawingsList("Steps")
        self.steps.itemClicked.connect(lambda item: self._take(item.data(KEY)))
        self.steps.itemActivated.connect(lambda item: self._take(item.data(KEY)))
        column.addWidget(self.steps, 1)
        self.resize(WIDE, HIGH)

    def open_at(self, point: QPoint) -> None:
        """List all steps and open with the lower left corner at a point of the screen."""
        history = self._workspace.history
        look = self._workspace.look_id
        entries = []
        for number, step in enumerate(history.steps):
            label = step.label if number else AT_FIRST
            undone = " (undone)" if number > history.at else ""
            before = history.steps[number - 1].plan if number else None
            entries.append((str(number), f"{label}{undone}", partial(_drawn, step.plan, before, look)))
        self.steps.fill(entries[::-1], str(history.at))
        self.move(point.x(), max(point.y() - self.height(), 0))
        self.show()
        self.steps.setFocus(Qt.FocusReason.PopupFocusReason)

    def _take(self, number: str) -> None:
        self.hide()
        self._workspace.go_to(int(number))

    @survives
    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Put the list away with Esc."""
        if event.key() == Qt.Key.Key_Escape:
            self.hide()
        else:
            super().keyPressEvent(event)


def _drawn(plan: Plan, before: Plan | None, in_hand: str) -> Picture | None:
    """Return the look that a step changed, else the one in hand, drawn; None where there was none yet."""
    look = _changed(plan, before) or next((one for one in plan.looks if one.id == in_hand), None)
    look = look or next(iter(plan.looks), None)
    return None if look is None else look_picture(arrange(plan, look), scale_bar=False)


def _changed(plan: Plan, before: Plan | None) -> Look | None:
    if before is None:
        return None
    known = {look.id: look for look in before.looks}
    return next((look for look in plan.looks if known.get(look.id) is not look), None)
