"""How near a drawing is looked at: fitted, or closer about a point; it can never be moved out of sight."""

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QKeyEvent, QTransform
from PySide6.QtWidgets import QGraphicsView

MOST, FILLS = 12.0, 0.9
STEP = 1.2
WHEEL_NOTCH = 120.0


def times_of(event: QKeyEvent) -> float | None:
    """Return by how many times a key looks nearer, + and = or -; None for other keys."""
    return {Qt.Key.Key_Plus: STEP, Qt.Key.Key_Equal: STEP, Qt.Key.Key_Minus: 1 / STEP}.get(Qt.Key(event.key()))


class Zoom:
    """Keeps the scale and the middle of a graphics view.

    Parameters
    ----------
    view : QGraphicsView
        Its scene is larger than what is shown, so that it can be moved at will.
    """

    def __init__(self, view: QGraphicsView) -> None:
        self._view = view
        self._whole = QRectF()
        self._fitted = 1.0
        self._foot = 0.0
        self.factor = 1.0

    def set_frame(self, whole: QRectF, area: QRectF, foot: float) -> None:
        """Show a frame of the scene in an area of the view, above so many pixels at its foot; the factor stays."""
        if area.width() < 10 or area.height() < 10 or whole.isEmpty():
            return
        middle = None if self.factor == 1.0 else self._middle()
        self._whole, self._foot = whole, foot
        self._fitted = min(area.width() / whole.width(), area.height() / whole.height())
        beyond = max(whole.width(), whole.height()) * 9
        self._view.setSceneRect(whole.adjusted(-beyond, -beyond, beyond, beyond))
        self._show(middle)

    def fit(self) -> None:
        """Show the whole frame again."""
        self.factor = 1.0
        self._show(None)

    def to(self, area: QRectF) -> None:
        """Fill the view with a part of the scene, with a little around it, as near as one may look."""
        room = self._view.viewport()
        nearest = min(room.width() / area.width(), (room.height() - self._foot) / area.height()) * FILLS
        self.factor = min(max(nearest / self._fitted, 1.0), MOST)
        scale = self._fitted * self.factor
        self._show(area.center() + QPointF(0, self._foot / 2 / scale) if self.factor > 1.0 else None)

    def by(self, times: float, about: QPointF | None = None) -> None:
        """Look nearer or from farther off, about a point of the view that stays where it is."""
        pixel = about if about is not None else self._centre()
        held = self._in_scene(pixel)
        self.factor = min(max(self.factor * times, 1.0), MOST)
        if self.factor == 1.0:
            self._show(None)
            return
        scale = self._fitted * self.factor
        offset = (self._centre() - pixel) / scale
        self._show(held + offset)

    def wheel(self, notches: float, about: QPointF) -> None:
        """Look nearer by notches of the wheel, about the pointer."""
        self.by(STEP**notches, about)

    def pan(self, dx: float, dy: float) -> None:
        """Move the drawing by pixels, as far as the frame goes."""
        if self.factor > 1.0:
            scale = self._fitted * self.factor
            self._show(self._middle() - QPointF(dx / scale, dy / scale))

    def _centre(self) -> QPointF:
        return QPointF(self._view.viewport().width() / 2, self._view.viewport().height() / 2)

    def _in_scene(self, pixel: QPointF) -> QPointF:
        # The view's own answer is for whole pixels only.
        return self._view.viewportTransform().inverted()[0].map(pixel)

    def _middle(self) -> QPointF:
        return self._in_scene(self._centre())

    def _show(self, middle: QPointF | None) -> None:
        scale = self._fitted * self.factor
        self._view.setTransform(QTransform.fromScale(scale, scale))
        # What keeps the foot of the view pushes the picture a little higher than the middle.
        whole = self._whole.center() + QPointF(0, self._foot / 2 / scale)
        if middle is None:
            self._view.centerOn(whole)
            return
        self._view.centerOn(
            QPointF(
                min(max(middle.x(), self._whole.left()), self._whole.right()),
                min(max(middle.y(), self._whole.top()), self._whole.bottom()),
            )
        )
