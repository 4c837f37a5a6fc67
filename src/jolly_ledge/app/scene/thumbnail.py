"""A look as a small true drawing."""

from collections.abc import Callable

from PySide6.QtCore import QRectF, QSize, Qt
from PySide6.QtGui import QMouseEvent, QPainter, QPaintEvent
from PySide6.QtWidgets import QSizePolicy, QWidget

from jolly_ledge.app.session import Session
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.model.arrangement import arrange
from jolly_ledge.render.player import play_fitted


class Thumbnail(QWidget):
    """Shows the look in hand, or one of a given id, as large as it goes."""

    def __init__(
        self, session: Session, look_id: str | None = None, on_press: Callable[[], object] | None = None
    ) -> None:
        super().__init__()
        self._session = session
        self._look_id = look_id
        self._on_press = on_press
        self._picture: Picture | None = None
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumSize(120, 150)
        session.changed.connect(self.refresh)
        self.refresh()

    def sizeHint(self) -> QSize:
        """Return the wished size."""
        return QSize(220, 300)

    def refresh(self) -> None:
        """Draw the look anew when next seen."""
        self._picture = None
        self.update()

    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the look."""
        if self._picture is None:
            plan = self._session.plan
            identifier = self._look_id or self._session.look_id
            look = next((look for look in plan.looks if look.id == identifier), None)
            if look is None:
                return
            self._picture = look_picture(arrange(plan, look), scale_bar=False)
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        play_fitted(painter, self._picture, QRectF(self.rect()))

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Do what a press on it does."""
        if self._on_press is not None and event.button() == Qt.MouseButton.LeftButton:
            self._on_press()
