"""The look in the client's own room: the photograph of the empty piece, and the same with the look in it."""

from PySide6.QtCore import QRectF, Qt, QTimer
from PySide6.QtGui import QColor, QHideEvent, QImage, QPaintEvent, QShowEvent
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.widgets.work_beside import WorkBeside
from jolly_ledge.drawing.theme import INK, SOFT_INK
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.jobs.requests import Refused, RoomFound, RoomRequest
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.mishaps import survives
from jolly_ledge.photos.image import read_photo
from jolly_ledge.render.fonts import font
from jolly_ledge.render.in_room import layers_of
from jolly_ledge.render.scene import image_from
from jolly_ledge.workspace.workspace import Workspace

AFTER_MS = 200
GAP, FOOT = 12.0, 26.0
NO_PHOTO = (
    "Photograph the piece empty and lay the picture under the drawing in Measure: then the look is drawn into it."
)


class RoomView(QWidget):
    """Shows before and after; what takes long is done beside the window."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.work = WorkBeside(self)
        self.work.answered.connect(self._hear)
        self._shown: Arrangement | None = None
        self.before: QImage | None = None
        self.after: QImage | None = None
        self.said = ""
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.setInterval(AFTER_MS)
        self._later.timeout.connect(self._begin)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("The room as it is, and with the look")
        workspace.signals.changed.connect(self._follow)

    @property
    def is_busy(self) -> bool:
        """Whether the look is still being drawn into the photograph."""
        return self._later.isActive() or self.work.is_busy

    @survives
    def showEvent(self, event: QShowEvent) -> None:
        """Catch up with the look."""
        super().showEvent(event)
        self._follow()

    @survives
    def hideEvent(self, event: QHideEvent) -> None:
        """Let go of what nobody looks at."""
        super().hideEvent(event)
        self._later.stop()
        self.work.forget()
        self._shown = None if self.after is None else self._shown

    def _follow(self) -> None:
        if self.isVisible() and self._workspace.look_id and self._workspace.arrangement is not self._shown:
            self.after = None
            self.said = "Drawing the look into the photograph"
            self._later.start()
            self.update()

    def _begin(self) -> None:
        """Begin to draw the look in hand into the photograph of its piece."""
        workspace = self._workspace
        photo = workspace.piece.photo
        content = workspace.document.photos.get(photo.name) if photo is not None else None
        self._shown, self.before = workspace.arrangement, None
        if photo is None or content is None:
            self.said = NO_PHOTO
            self.update()
            return
        try:
            pixels = read_photo(content, "the photograph of the piece")
            view, layers = layers_of(workspace.arrangement, photo, pixels)
        except JollyLedgeError as error:
            self.said = str(error)
            self.update()
            return
        self.before = image_from(pixels)
        self.work.start(RoomRequest(pixels, view, layers), workspace.revision)
        self.update()

    def _hear(self, event: object) -> None:
        if isinstance(event, RoomFound):
            self.after, self.said = image_from(event.picture), ""
        elif isinstance(event, Refused):
            self.said = event.sentence
        self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint both pictures with their names."""
        painter = ground_painter(self, smooth=True)
        painter.setFont(font(13))
        wide = (self.width() - GAP) / 2
        names = ("As it is", self._workspace.look.label if self._workspace.look_id else "")
        for number, (image, name) in enumerate(zip((self.before, self.after), names, strict=True)):
            room = QRectF(number * (wide + GAP), 0, wide, self.height() - FOOT)
            if image is None:
                painter.setPen(QColor(SOFT_INK))
                if number == 1 or (self.before is None and number == 0 and not self.is_busy):
                    flags = Qt.AlignmentFlag.AlignCenter | Qt.TextFlag.TextWordWrap
                    painter.drawText(room.adjusted(20, 0, -20, 0), flags, self.said if number == 1 else "")
                continue
            share = min(room.width() / image.width(), room.height() / image.height())
            area = QRectF(0, 0, image.width() * share, image.height() * share)
            area.moveCenter(room.center())
            painter.drawImage(area, image)
            painter.setPen(QColor(INK))
            painter.drawText(QRectF(room.left(), area.bottom() + 4, wide, 20), Qt.AlignmentFlag.AlignHCenter, name)
