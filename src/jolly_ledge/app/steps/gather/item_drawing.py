"""One thing on a board with its height and width, and its photograph beside it."""

from PySide6.QtCore import QRectF, Qt
from PySide6.QtGui import QColor, QImage, QPainter, QPaintEvent, QPen, QPixmap
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.widgets.texts import paint_board
from jolly_ledge.drawing.items import item_picture
from jolly_ledge.drawing.theme import BOARD, INK, RULE, SOFT_INK
from jolly_ledge.model.mishaps import survives
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import play_fitted
from jolly_ledge.workspace.workspace import Workspace

PHOTO_PX = 84


class ItemDrawing(QWidget):
    """The thing of the stash in hand."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._photo: tuple[str, QPixmap] = ("", QPixmap())
        self.setFixedHeight(176)

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the thing, its two figures and its photograph."""
        item = self._workspace.item
        if item is None:
            return
        painter = ground_painter(self)
        photo = self._photo_of(item.photo)
        beside = PHOTO_PX + 8 if photo is not None else 0
        area = QRectF(20, 4, self.width() - 120 - beside, 134)
        picture = item_picture(item)
        play_fitted(painter, picture, area)
        scale = min(area.width() / picture.width, area.height() / picture.height)
        foot = area.center().y() + (picture.top + picture.bottom) / -2 * scale
        paint_board(painter, QRectF(10, foot, self.width() - 110 - beside, 6), BOARD)
        half, tall = item.width * scale / 2, item.height * scale
        middle = area.center().x()
        x = middle + half + 16
        painter.setPen(QPen(QColor(SOFT_INK), 1.2))
        painter.drawLine(int(x), int(foot - tall), int(x), int(foot))
        painter.drawLine(int(middle - half), int(foot + 15), int(middle + half), int(foot + 15))
        for y in (foot - tall, foot):
            painter.drawLine(int(x - 4), int(y), int(x + 4), int(y))
        for end in (middle - half, middle + half):
            painter.drawLine(int(end), int(foot + 11), int(end), int(foot + 19))
        painter.setFont(font(13, "sans", 600))
        painter.setPen(QColor(INK))
        tall_said, wide_said = (
            f"{'≈ ' if side in item.guessed else ''}{self._workspace.length(getattr(item, side))}"
            for side in ("height", "width")
        )
        painter.drawText(QRectF(x + 8, foot - tall / 2 - 12, 90, 24), Qt.AlignmentFlag.AlignVCenter, tall_said)
        painter.drawText(QRectF(middle - 60, foot + 18, 120, 20), Qt.AlignmentFlag.AlignCenter, wide_said)
        if photo is not None:
            place = QRectF(self.width() - PHOTO_PX - 2, 10, PHOTO_PX, PHOTO_PX)
            share = min(place.width() / photo.width(), place.height() / photo.height())
            shown = QRectF(0, 0, photo.width() * share, photo.height() * share)
            shown.moveCenter(place.center())
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            painter.drawPixmap(shown, photo, QRectF(photo.rect()))
            painter.setPen(QPen(QColor(RULE), 1))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRect(shown)

    def _photo_of(self, name: str) -> QPixmap | None:
        content = self._workspace.document.photos.get(name) if name else None
        if content is None:
            return None
        if self._photo[0] != name:
            self._photo = (name, QPixmap.fromImage(QImage.fromData(content)))
        return None if self._photo[1].isNull() else self._photo[1]
