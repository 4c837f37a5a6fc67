"""What the pages of all steps share: the head that names piece and look."""

from collections.abc import Callable
from typing import TYPE_CHECKING

from PySide6.QtCore import Qt
from PySide6.QtGui import QKeySequence, QShortcut, QShowEvent
from PySide6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.head_name import HeadName
from jolly_ledge.model.mishaps import survives
from jolly_ledge.workspace.signals import Emitter
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    from jolly_ledge.app.steps.look_switcher import LookSwitcher


class Step(QWidget):
    """A page with a head; the piece and the look in hand are always named there."""

    def __init__(self, host: QWidget, workspace: Workspace) -> None:
        # Made within the widget that will show it: a part that is moved between parents is dressed anew each time.
        super().__init__(host)
        self.hide()
        self.workspace = workspace
        self._waiting: list[Callable[[], object]] = []
        self._keys: list[tuple[str, str]] = []
        self.beside: QWidget | None = None
        """The panel at the right, where the page has one."""
        self.column = QVBoxLayout()
        self.column.setContentsMargins(20, 10, 16, 8)
        self.column.setSpacing(6)
        self.piece_name = HeadName("serif", 21, weight=600)
        self.look_name = HeadName("serif", 16, italic=True)
        self._switcher: LookSwitcher | None = None
        for name in (self.piece_name, self.look_name):
            name.setToolTip("Take another piece or look in hand; duplicate, rename or begin one (Ctrl+J)")
            name.clicked.connect(self.show_looks)
        self.head = QHBoxLayout()
        self.head.setSpacing(10)
        self.head.addWidget(self.piece_name)
        self.head.addWidget(self.look_name)
        self.head.addStretch(1)
        self.column.addLayout(self.head)
        self.row = QHBoxLayout(self)
        self.row.setContentsMargins(0, 0, 0, 0)
        self.row.setSpacing(0)
        self.row.addLayout(self.column, 1)
        workspace.signals.plan_changed.connect(self._show_names)
        workspace.signals.in_hand_changed.connect(self._show_names)
        self.shortcut("Ctrl+J", self.show_looks, said="Take another piece or look in hand")
        self._show_names()

    def show_looks(self) -> None:
        """Open all pieces and looks as small drawings under their names."""
        if self._switcher is None:
            from jolly_ledge.app.steps.look_switcher import LookSwitcher

            self._switcher = LookSwitcher(self.workspace)
            self._switcher.setParent(self, self._switcher.windowFlags())
        self._switcher.open_at(self.piece_name.mapToGlobal(self.piece_name.rect().bottomLeft()))

    @property
    def tells_at_foot(self) -> bool:
        """Whether what is said lies at the foot of the page, because drawings stand at its head."""
        return False

    @property
    def switcher(self) -> "LookSwitcher | None":
        """The list of looks, once it was opened."""
        return self._switcher

    def hear_keys(self) -> None:
        """Hear the keys where they are wanted first on the page."""
        self.setFocus(Qt.FocusReason.OtherFocusReason)

    def show_alone(self, alone: bool) -> None:
        """Show what the page is about without what stands beside it, or with it again."""

    @property
    def keys(self) -> tuple[tuple[str, str], ...]:
        """The keys that are heard on the page, with what each does."""
        return tuple(self._keys)

    def follow(self, refresh: Callable[[], object], *signals: Emitter) -> None:
        """Refresh now and whenever a signal comes; while the page is hidden, once when it is next shown."""
        for signal in signals:
            signal.connect(lambda *_: self._refresh_or_wait(refresh))
        refresh()

    def _refresh_or_wait(self, refresh: Callable[[], object]) -> None:
        if self.isVisible():
            refresh()
        elif refresh not in self._waiting:
            self._waiting.append(refresh)

    @survives
    def showEvent(self, event: QShowEvent) -> None:
        """Catch up with what happened while the page was hidden."""
        super().showEvent(event)
        self.catch_up()

    def catch_up(self) -> None:
        """Do what waits until the page is seen."""
        waiting, self._waiting = self._waiting, []
        for refresh in waiting:
            refresh()

    def _show_names(self) -> None:
        workspace = self.workspace
        self.piece_name.show_name(workspace.piece.label if workspace.piece_id else "No piece yet")
        self.look_name.show_name(workspace.look.label if workspace.look_id else "")

    def shortcut(
        self,
        keys: str | QKeySequence.StandardKey,
        action: Callable[[], object],
        owner: QWidget | None = None,
        said: str = "",
    ) -> QShortcut:
        """Bind keys to an action while the page, or one widget of it, is in hand; what is ``said`` is listed."""
        if said:
            self._keys.append((QKeySequence(keys).toString(QKeySequence.SequenceFormat.NativeText), said))
        made = QShortcut(QKeySequence(keys), owner or self)
        made.setContext(Qt.ShortcutContext.WidgetShortcut if owner else Qt.ShortcutContext.WidgetWithChildrenShortcut)
        made.activated.connect(lambda: action())
        return made
