"""The six steps in working order, standing on small boards along the left edge."""

from collections.abc import Callable

from PySide6.QtCore import QRectF, QSize, Qt
from PySide6.QtGui import QColor, QFontMetricsF, QPainter, QPaintEvent, QResizeEvent
from PySide6.QtWidgets import QAbstractButton, QHBoxLayout, QMenu, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.tones import tones
from jolly_ledge.app.views.line_up.stash_strip import two_lines
from jolly_ledge.app.widgets.texts import heading, paint_board, words
from jolly_ledge.geometry.bays import tape_check
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.phrases import counted
from jolly_ledge.render.fonts import font
from jolly_ledge.workspace.workspace import Workspace

PATH_WIDTH = 148
STEP_HEIGHT, LEAST_STEP = 66, 48
TWO_LINES_FROM = 640
"""Where the window is less high, in pixels, what can be undone is told in one line."""

STEPS = ("Brief", "Measure", "Gather", "Arrange", "Place", "Keep")


class StepButton(QAbstractButton):
    """One step: its name, its state, and the board it stands on."""

    def __init__(self, name: str) -> None:
        super().__init__()
        self._state = ""
        self.setText(name)
        self.setCheckable(True)
        self.setAutoExclusive(True)
        self.setMinimumHeight(LEAST_STEP)
        self.setMaximumHeight(STEP_HEIGHT)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)

    def sizeHint(self) -> QSize:
        """Return the wished size."""
        return QSize(PATH_WIDTH, STEP_HEIGHT)

    @property
    def state(self) -> str:
        """What it says of the step."""
        return self._state

    def show_state(self, state: str) -> None:
        """Show the state of the step."""
        if state != self._state:
            self._state = state
            self.setAccessibleName(f"{self.text()}: {state}")
            self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint name, state and board."""
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        if self.isChecked():
            painter.fillRect(self.rect(), QColor(tones().sheet))
        elif self.underMouse():
            painter.fillRect(self.rect(), QColor(tones().pointed))
        painter.setFont(font(16, "sans", 700))
        painter.setPen(QColor(tones().plum if self.isChecked() else tones().ink))
        down = min(self.height() - STEP_HEIGHT, 0)
        painter.drawText(20, 27 + down // 3, self.text())
        painter.setFont(font(12))
        painter.setPen(QColor(tones().soft_ink))
        metrics = QFontMetricsF(painter.font())
        painter.drawText(
            20, 44 + 2 * down // 3, metrics.elidedText(self._state, Qt.TextElideMode.ElideRight, PATH_WIDTH - 26)
        )
        paint_board(
            painter, QRectF(20, 52 + down, PATH_WIDTH - 44, 4), tones().plum if self.isChecked() else tones().board
        )
        if self.hasFocus():
            painter.setPen(QColor(tones().plum))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRect(self.rect().adjusted(3, 3, -4, -4))


class PathPanel(QWidget):
    """Leads through the steps and names the plan in hand."""

    def __init__(
        self, workspace: Workspace, on_step: Callable[[str], object], on_steps_taken: Callable[[], object], menu: QMenu
    ) -> None:
        super().__init__()
        self._workspace = workspace
        self.setObjectName("path")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.setFixedWidth(PATH_WIDTH)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 16, 0, 10)
        column.setSpacing(4)
        title = heading("Jolly Ledge", 21)
        title.setContentsMargins(18, 0, 0, 8)
        column.addWidget(title)
        self.buttons: dict[str, StepButton] = {}
        for name in STEPS:
            button = StepButton(name)
            button.clicked.connect(lambda _=False, name=name: on_step(name))
            self.buttons[name] = button
            column.addWidget(button)
        column.addStretch(1)
        self.undo_button = self._quiet("Undo", workspace.undo)
        self.redo_button = self._quiet("Redo", workspace.redo)
        column.addWidget(self._indented(self.undo_button))
        column.addWidget(self._indented(self.redo_button))
        self.steps_button = self._quiet("All steps …", on_steps_taken)
        self.steps_button.setToolTip("Every step with a small drawing, to go back to or on to (Ctrl+H)")
        column.addWidget(self._indented(self.steps_button))
        self.plan_button = QPushButton("Plan")
        self.plan_button.setObjectName("quiet")
        self.plan_button.setMinimumHeight(28)
        self.plan_button.setMenu(menu)
        self.plan_button.setStyleSheet(
            "QPushButton { font-weight: 700; } QPushButton::menu-indicator { width: 0; image: none; }"
        )
        column.addWidget(self._indented(self.plan_button))
        self.saved = words("", "small", wrap=False)
        self.saved.setContentsMargins(20, 0, 4, 0)
        column.addWidget(self.saved)
        workspace.signals.changed.connect(self.refresh)
        workspace.signals.saved.connect(self.refresh)
        self.refresh()

    def _quiet(self, text: str, action: Callable[[], object]) -> QPushButton:
        button = QPushButton(text)
        button.setObjectName("quiet")
        button.setMinimumHeight(28)
        button.clicked.connect(lambda: action())
        return button

    @staticmethod
    def _indented(button: QPushButton) -> QWidget:
        holder = QWidget()
        row = QHBoxLayout(holder)
        row.setContentsMargins(14, 0, 4, 0)
        row.addWidget(button)
        return holder

    def show_step(self, name: str) -> None:
        """Show which step is in hand."""
        self.buttons[name].setChecked(True)

    def show_none(self) -> None:
        """Show that no step is in hand."""
        for button in self.buttons.values():
            button.setAutoExclusive(False)
            button.setChecked(False)
            button.setAutoExclusive(True)

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Tell what can be undone in as many lines as there is room for."""
        super().resizeEvent(event)
        self._show_history()

    def refresh(self) -> None:
        """Show the state of every step and of the file."""
        workspace = self._workspace
        plan = workspace.plan
        if workspace.look_id:
            manner = workspace.look.manner
            placed = len(workspace.look.placements)
            faults = tape_check(workspace.piece)
            states = {
                "Brief": f"{manner.fullness} · {manner.figure}",
                "Measure": counted(len(faults), "doubt") if faults else counted(len(workspace.piece.ledges), "ledge"),
                "Gather": counted(len(plan.stash), "thing"),
                "Arrange": f"{placed} placed" if placed else "empty so far",
                "Place": f"{placed} to place" if placed else "–",
                "Keep": counted(len(plan.looks_of(workspace.piece_id)), "look"),
            }
        else:
            states = dict.fromkeys(STEPS, "–")
        for name, state in states.items():
            self.buttons[name].show_state(state)
        self._show_history()
        name = plan.name or (workspace.document.file.path.stem if workspace.document.file else "New plan")
        metrics = self.plan_button.fontMetrics()
        self.plan_button.setText(metrics.elidedText(f"{name} ▾", Qt.TextElideMode.ElideMiddle, PATH_WIDTH - 30))
        if workspace.document.is_dirty:
            self.saved.setText("not saved yet" if workspace.document.file is None else "changed since saving")
        else:
            self.saved.setText(f"saved {workspace.document.saved_at}" if workspace.document.saved_at else "as opened")

    def _show_history(self) -> None:
        history = self._workspace.history
        for button, word, label in (
            (self.undo_button, "Undo", history.undo_label),
            (self.redo_button, "Redo", history.redo_label),
        ):
            button.setEnabled(label is not None)
            button.setToolTip(f"{word}: {label}" if label else f"Nothing to {word.lower()}")
            text = f"{word}: {label[:1].lower()}{label[1:]}" if label else word
            metrics, wide = QFontMetricsF(button.font()), PATH_WIDTH - 34
            if self.height() < TWO_LINES_FROM:
                lines = [metrics.elidedText(text, Qt.TextElideMode.ElideRight, wide)]
            else:
                lines = two_lines(text, wide, metrics)
            button.setText("\n".join(lines).replace("&", "&&"))
