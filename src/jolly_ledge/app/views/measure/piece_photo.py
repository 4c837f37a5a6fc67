"""The photograph of a piece, pulled straight for the screen and kept while it does not change."""

from PySide6.QtCore import QRectF, QSizeF, Qt
from PySide6.QtGui import QPixmap

from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.piece import Piece, PiecePhoto
from jolly_ledge.workspace.workspace import Workspace

BEYOND_MM = 60.0
LONGEST_PX = 1500


class StraightPhoto:
    """Pulls the photograph of the piece in hand straight, when first asked for."""

    def __init__(self, workspace: Workspace) -> None:
        self._workspace = workspace
        self._made: tuple[PiecePhoto, float, float] | None = None
        self._scaled_key = (0, 0, 0)
        self._scaled = QPixmap()
        self._shown: tuple[QPixmap, QRectF] | None = None

    def of(self, piece: Piece) -> tuple[QPixmap, QRectF] | None:
        """Return the straight picture and the part of the front it covers (mm, y down), None without one."""
        photo = piece.photo
        if photo is None or photo.name not in self._workspace.document.photos:
            return None
        key = (photo, piece.width, piece.height)
        if key != self._made:
            self._made = key
            self._shown = self._straighten(photo, piece)
        return self._shown

    def scaled(self, pixmap: QPixmap, size: QSizeF, ratio: float) -> QPixmap:
        """Return a straight picture at the size it is shown at, made once for each size."""
        wished = (size * ratio).toSize()
        key = (pixmap.cacheKey(), wished.width(), wished.height())
        if key != self._scaled_key:
            aspect, smooth = Qt.AspectRatioMode.IgnoreAspectRatio, Qt.TransformationMode.SmoothTransformation
            self._scaled_key, self._scaled = key, pixmap.scaled(wished, aspect, smooth)
            self._scaled.setDevicePixelRatio(ratio)
        return self._scaled

    def _straighten(self, photo: PiecePhoto, piece: Piece) -> tuple[QPixmap, QRectF] | None:
        # Decoding and straightening pull in Pillow; a plan without photographs never pays for it.
        from jolly_ledge.photos.image import read_photo
        from jolly_ledge.photos.rectify import straightened, view_of
        from jolly_ledge.render.scene import image_from

        try:
            pixels = read_photo(self._workspace.document.photos[photo.name], "the photograph of the piece")
            straight = straightened(
                pixels,
                view_of(photo),
                -BEYOND_MM,
                -BEYOND_MM,
                piece.width + BEYOND_MM,
                piece.height + BEYOND_MM,
                LONGEST_PX,
            )
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return None
        area = QRectF(straight.left, -straight.top, straight.right - straight.left, straight.top - straight.bottom)
        return QPixmap.fromImage(image_from(straight.image)), area
