"""The photograph of a piece, pulled straight for the screen beside the window and kept while it does not change."""

from PySide6.QtCore import QObject, QRectF, QSizeF, Qt, Signal
from PySide6.QtGui import QPixmap

from jolly_ledge.app.widgets.work_beside import WorkBeside
from jolly_ledge.jobs.requests import Refused, StraightFound, StraightRequest
from jolly_ledge.model.piece import Piece, PiecePhoto
from jolly_ledge.workspace.workspace import Workspace

BEYOND_MM = 60.0
LONGEST_PX = 1500


class StraightPhoto(QObject):
    """Pulls the photograph of the piece in hand straight when first asked for; says ``ready`` when it is."""

    ready = Signal()

    def __init__(self, parent: QObject, workspace: Workspace) -> None:
        super().__init__(parent)
        self._workspace = workspace
        self._work = WorkBeside(self)
        self._work.answered.connect(self._hear)
        self._asked: tuple[PiecePhoto, float, float] | None = None
        self._scaled_key = (0, 0, 0)
        self._scaled = QPixmap()
        self._shown: tuple[str, QPixmap, QRectF] | None = None

    @property
    def is_busy(self) -> bool:
        """Whether a photograph is still being pulled straight."""
        return self._work.is_busy

    def of(self, piece: Piece) -> tuple[QPixmap, QRectF] | None:
        """Return the straight picture and the part of the front it covers (mm, y down), None where none is there yet.

        While the marks or the size of a piece change the picture before stays.
        """
        photo = piece.photo
        if photo is None or photo.name not in self._workspace.document.photos:
            return None
        asked = (photo, piece.width, piece.height)
        if asked != self._asked:
            self._asked = asked
            self._begin(photo, piece)
        if self._shown is None or self._shown[0] != photo.name:
            return None
        return self._shown[1:]

    def scaled(self, pixmap: QPixmap, size: QSizeF, ratio: float) -> QPixmap:
        """Return a straight picture at the size it is shown at, made once for each size."""
        wished = (size * ratio).toSize()
        key = (pixmap.cacheKey(), wished.width(), wished.height())
        if key != self._scaled_key:
            aspect, smooth = Qt.AspectRatioMode.IgnoreAspectRatio, Qt.TransformationMode.SmoothTransformation
            self._scaled_key, self._scaled = key, pixmap.scaled(wished, aspect, smooth)
            self._scaled.setDevicePixelRatio(ratio)
        return self._scaled

    def _begin(self, photo: PiecePhoto, piece: Piece) -> None:
        region = (-BEYOND_MM, -BEYOND_MM, piece.width + BEYOND_MM, piece.height + BEYOND_MM)
        content = self._workspace.document.photos[photo.name]
        self._work.start(StraightRequest(content, photo, region, LONGEST_PX), self._workspace.revision)

    def _hear(self, event: object) -> None:
        if isinstance(event, StraightFound):
            from jolly_ledge.render.scene import image_from

            straight = event.straight
            area = QRectF(straight.left, -straight.top, straight.right - straight.left, straight.top - straight.bottom)
            self._shown = (event.name, QPixmap.fromImage(image_from(straight.image)), area)
            self.ready.emit()
        elif isinstance(event, Refused):
            self._workspace.signals.refused.emit(event.sentence)
