"""A look as a small true drawing."""

from collections.abc import Callable

from PySide6.QtCore import QRectF, QSize, Qt
from PySide6.QtGui import QMouseEvent, QPaintEvent, QTransform
from PySide6.QtWidgets import QSizePolicy, QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.views.nearer import Nearer
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.piece import Piece
from jolly_ledge.render.player import play_fitted
from jolly_ledge.workspace.workspace import Workspace


class Thumbnail(QWidget):
    """Shows the look in hand, or one of a given id, as large as it goes."""

    def __init__(
        self, workspace: Workspace, look_id: str | None = None, on_press: Callable[[], object] | None = None
    ) -> None:
        super().__init__()
        self._workspace = workspace
        self._look_id = look_id
        self._on_press = on_press
        self._nearer: Nearer | None = None
        self._picture: Picture | None = None
        self._room: tuple[float, float] | None = None
        self._drawn: tuple[Piece, Look, tuple[Item, ...]] | None = None
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumSize(120, 150)
        workspace.signals.plan_changed.connect(self.refresh)
        self.refresh()

    def sizeHint(self) -> QSize:
        """Return the wished size."""
        return QSize(220, 300)

    def show_look(self, look_id: str) -> None:
        """Draw another look."""
        self._look_id = look_id
        self.refresh()

    def look_nearer_with(self, nearer: Nearer) -> None:
        """Be looked at as near as others are."""
        self._nearer = nearer
        nearer.watch(self)

    @property
    def picture(self) -> Picture | None:
        """The drawing of the look, None where there is no such look."""
        if self._picture is None and self._drawn is not None:
            self._picture = look_picture(arrange(self._workspace.plan, self._drawn[1]), scale_bar=False)
        return self._picture

    def draw_within(self, width: float, height: float) -> None:
        """Draw it as if it were so large (mm), on one floor: what shares this room is drawn at one scale."""
        if (width, height) != self._room:
            self._room = (width, height)
            self.update()

    def refresh(self) -> None:
        """Draw the look anew when next seen, if it is another one now."""
        shown = self._shown()
        if shown != self._drawn:
            self._drawn = shown
            self._picture = None
            self.update()

    def _shown(self) -> tuple[Piece, Look, tuple[Item, ...]] | None:
        plan = self._workspace.plan
        identifier = self._look_id or self._workspace.look_id
        look = next((look for look in plan.looks if look.id == identifier), None)
        return None if look is None else (plan.piece(look.piece), look, plan.stash)

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the look."""
        picture = self.picture
        if picture is None:
            return
        painter = ground_painter(self)
        if self._nearer is not None:
            painter.setWorldTransform(self._nearer.of(QTransform(), self), True)
        if self._room is not None:
            aside = max(self._room[0] - picture.width, 0.0) / 2
            top = min(picture.top, picture.bottom - self._room[1])
            picture = Picture(picture.primitives, picture.left - aside, top, picture.right + aside, picture.bottom)
        play_fitted(painter, picture, QRectF(self.rect()))

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Do what a press on it does."""
        if self._on_press is not None and event.button() == Qt.MouseButton.LeftButton:
            self._on_press()
