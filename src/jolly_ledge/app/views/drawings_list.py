"""Small drawings under their names, in rows: the list is there at once, its drawings come one by one."""

from collections.abc import Callable, Sequence

from PySide6.QtCore import QSize, Qt, QTimer
from PySide6.QtGui import QHideEvent, QIcon, QPixmap
from PySide6.QtWidgets import QListWidget, QListWidgetItem

from jolly_ledge.drawing.picture import Picture
from jolly_ledge.model.mishaps import survives
from jolly_ledge.render.player import fitted_pixmap

ICON = QSize(130, 128)
KEY = Qt.ItemDataRole.UserRole

Drawer = Callable[[], Picture | None]


class DrawingsList(QListWidget):
    """Lists what can be taken; each entry has a key of its own, a name and what draws it."""

    def __init__(self, name: str) -> None:
        super().__init__()
        self.setAccessibleName(name)
        self.setViewMode(QListWidget.ViewMode.IconMode)
        self.setIconSize(ICON)
        self.setGridSize(QSize(ICON.width() + 18, ICON.height() + 50))
        self.setMovement(QListWidget.Movement.Static)
        self.setResizeMode(QListWidget.ResizeMode.Adjust)
        self.setWordWrap(True)
        self._drawers: list[Drawer] = []
        self._drawn = 0
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.timeout.connect(self._draw_next)

    def fill(self, entries: Sequence[tuple[str, str, Drawer]], in_hand: str) -> None:
        """List entries anew: key, name and drawer; that in hand is marked."""
        self.clear()
        blank = QPixmap(ICON)
        blank.fill(Qt.GlobalColor.transparent)
        for key, name, _ in entries:
            item = QListWidgetItem(QIcon(blank), name)
            item.setData(KEY, key)
            item.setTextAlignment(Qt.AlignmentFlag.AlignHCenter)
            item.setToolTip(name)
            self.addItem(item)
            if key == in_hand:
                self.setCurrentItem(item)
        self._drawers = [drawer for _, _, drawer in entries]
        self._drawn = 0
        self._later.start(0)

    @property
    def shown(self) -> list[str]:
        """The keys of what is listed now."""
        rows = (self.item(row) for row in range(self.count()))
        return [row.data(KEY) for row in rows if not row.isHidden()]

    @survives
    def hideEvent(self, event: QHideEvent) -> None:
        """Draw no more while nobody looks."""
        super().hideEvent(event)
        self._later.stop()

    def _draw_next(self) -> None:
        if self._drawn >= self.count():
            return
        picture = self._drawers[self._drawn]()
        if picture is not None:
            self.item(self._drawn).setIcon(self._icon(picture))
        self._drawn += 1
        self._later.start(0)

    def _icon(self, picture: Picture) -> QIcon:
        pixmap = fitted_pixmap(picture, ICON, self.devicePixelRatioF())
        icon = QIcon(pixmap)
        icon.addPixmap(pixmap, QIcon.Mode.Selected)
        return icon
