"""Graphics items that play cached display lists."""

from collections.abc import Sequence

from PySide6.QtCore import QRectF
from PySide6.QtGui import QPainter, QPainterPath
from PySide6.QtWidgets import QGraphicsItem, QStyleOptionGraphicsItem, QWidget

from jolly_ledge.drawing.items import contact_shadow, standing_shapes
from jolly_ledge.drawing.picture import Picture, Primitive
from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.model.mishaps import survives
from jolly_ledge.render.player import play

ROOM_FOR_A_NAME_MM = 50.0
"""Over a place that is kept on a tray."""

LARGEST_CACHED_MM = 8_000.0
"""What is larger is painted anew each time: its picture would take more memory than it saves time."""


class PictureItem(QGraphicsItem):
    """A still picture, such as the case."""

    def __init__(self, primitives: Sequence[Primitive], bounds: QRectF) -> None:
        super().__init__()
        self._primitives = tuple(primitives)
        self._bounds = bounds
        if max(bounds.width(), bounds.height()) < LARGEST_CACHED_MM:
            self.setCacheMode(QGraphicsItem.CacheMode.DeviceCoordinateCache)

    @classmethod
    def of(cls, picture: Picture) -> "PictureItem":
        """Return an item for a whole picture."""
        return cls(picture.primitives, QRectF(picture.left, picture.top, picture.width, picture.height))

    @property
    def primitives(self) -> tuple[Primitive, ...]:
        """What it plays."""
        return self._primitives

    def boundingRect(self) -> QRectF:
        """Return what it covers."""
        return self._bounds

    @survives
    def paint(self, painter: QPainter, option: QStyleOptionGraphicsItem, widget: QWidget | None = None) -> None:
        """Play the picture."""
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        play(painter, self._primitives)


class PlacementItem(PictureItem):
    """One placed thing: it can be picked, dragged and pointed at."""

    def __init__(self, placed: PlacedItem) -> None:
        self.placed = placed
        shapes: list[Primitive] = list(standing_shapes(placed))
        if placed.placement.pose != "hung" and placed.placement.host is None:
            shapes[:0] = contact_shadow(round(placed.width, 1))
        self._area = QRectF(-placed.width / 2, -placed.height, placed.width, placed.height)
        margin = 14 + 0.12 * placed.width
        over = max((place.height + ROOM_FOR_A_NAME_MM for place in placed.item.kept), default=0.0)
        super().__init__(shapes, self._area.adjusted(-margin, -14 - 0.06 * placed.height - over, margin, 14))
        self.setPos(placed.x, -placed.bottom)

    @property
    def placement_id(self) -> str:
        """The id of the placement it shows."""
        return self.placed.id

    @property
    def area(self) -> QRectF:
        """The thing's own extent about its foot."""
        return self._area

    def shape(self) -> QPainterPath:
        """Return where it can be picked: its whole extent, easy to hit."""
        path = QPainterPath()
        path.addRect(self._area)
        return path

    def can_show(self, placed: PlacedItem) -> bool:
        """Tell whether a standing looks the same apart from where it is."""
        mine = self.placed
        return (
            (mine.item is placed.item or mine.item == placed.item)
            and mine.placement.pose == placed.placement.pose
            and (not mine.item.kept or mine.placement.turn == placed.placement.turn)
            and (mine.placement.host is None) == (placed.placement.host is None)
            and abs(mine.width - placed.width) < 0.05
            and abs(mine.height - placed.height) < 0.05
        )

    def move_to(self, placed: PlacedItem) -> None:
        """Show the thing where it now stands."""
        self.placed = placed
        self.setPos(placed.x, -placed.bottom)
