"""Looking nearer at what a widget paints: by the wheel about the pointer, by + and - and Home, moved by the middle."""

from PySide6.QtCore import QEvent, QObject, QPointF, Qt, Signal
from PySide6.QtGui import QKeyEvent, QMouseEvent, QTransform, QWheelEvent
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.views.look.zoom import MOST, STEP, WHEEL_NOTCH, times_of


class Nearer(QObject):
    """How near some widgets are looked at: all that are watched show the same part of what each paints.

    ``factor`` is 1 where the whole is shown; ``corner`` is what lies in the upper left corner then, in parts of the
    whole from 0 to 1.
    """

    changed = Signal()

    def __init__(self, *widgets: QWidget) -> None:
        super().__init__(widgets[0] if widgets else None)
        self.factor = 1.0
        self.corner = QPointF()
        self._held: QPointF | None = None
        for widget in widgets:
            self.watch(widget)

    def watch(self, widget: QWidget) -> None:
        """Hear the wheel and the keys of one more widget, and paint it anew when anything changes."""
        widget.installEventFilter(self)
        self.changed.connect(widget.update)

    def of(self, fitted: QTransform, widget: QWidget) -> QTransform:
        """Return how a widget paints what ``fitted`` would set into the whole of it."""
        moved = QTransform.fromTranslate(-self.corner.x() * widget.width(), -self.corner.y() * widget.height())
        return fitted * moved * QTransform.fromScale(self.factor, self.factor)

    def by(self, times: float, about: QPointF) -> None:
        """Look nearer about a point, in parts of the widget from 0 to 1, that stays where it is."""
        held = self.corner + about / self.factor
        self.factor = min(max(self.factor * times, 1.0), MOST)
        self._move_to(held - about / self.factor)

    def fit(self) -> None:
        """Show the whole again."""
        self.factor = 1.0
        self._move_to(QPointF())

    def _move_to(self, corner: QPointF) -> None:
        most = 1 - 1 / self.factor
        self.corner = QPointF(min(max(corner.x(), 0.0), most), min(max(corner.y(), 0.0), most))
        self.changed.emit()

    def _pan(self, moved: QPointF, widget: QWidget) -> None:
        by = QPointF(moved.x() / max(widget.width(), 1), moved.y() / max(widget.height(), 1))
        self._move_to(self.corner - by / self.factor)

    def eventFilter(self, watched: QObject, event: QEvent) -> bool:
        """Hear the wheel, the middle button and the keys; everything else goes its way."""
        if not isinstance(watched, QWidget):
            return False
        if isinstance(event, QWheelEvent):
            self._wheel(event, watched)
            return True
        if isinstance(event, QMouseEvent):
            return self._drag(event, watched)
        if isinstance(event, QKeyEvent) and event.type() == QEvent.Type.KeyPress:
            return self._key(event)
        return False

    def _wheel(self, event: QWheelEvent, widget: QWidget) -> None:
        fingers = event.pixelDelta()
        if event.phase() != Qt.ScrollPhase.NoScrollPhase and not fingers.isNull():
            self._pan(QPointF(fingers), widget)
        else:
            at = event.position()
            about = QPointF(at.x() / max(widget.width(), 1), at.y() / max(widget.height(), 1))
            self.by(STEP ** (event.angleDelta().y() / WHEEL_NOTCH), about)
        event.accept()

    def _drag(self, event: QMouseEvent, widget: QWidget) -> bool:
        kind, middle = event.type(), Qt.MouseButton.MiddleButton
        if kind == QEvent.Type.MouseButtonPress and event.button() == middle:
            self._held = event.position()
            return True
        if kind == QEvent.Type.MouseMove and self._held is not None:
            self._pan(event.position() - self._held, widget)
            self._held = event.position()
            return True
        if kind == QEvent.Type.MouseButtonRelease and event.button() == middle:
            self._held = None
            return True
        return False

    def _key(self, event: QKeyEvent) -> bool:
        times = times_of(event)
        if event.key() == Qt.Key.Key_Home:
            self.fit()
        elif times is not None:
            self.by(times, QPointF(0.5, 0.5))
        else:
            return False
        return True
