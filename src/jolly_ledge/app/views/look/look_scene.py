"""What the elevation is made of: the piece, what stands on it, and what stands before the things."""

from msgspec.structs import replace
from PySide6.QtCore import QObject
from PySide6.QtGui import QPainter
from PySide6.QtWidgets import QGraphicsScene

from jolly_ledge.app.views.look.picture_item import PictureItem, PlacementItem
from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.doors import shut_door_shapes
from jolly_ledge.drawing.look import painting_order
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.piece import Piece
from jolly_ledge.render.player import play

DIMMED = 0.32
BEFORE_ALL = 100_000


class LookScene(QGraphicsScene):
    """Holds one item for the piece, one for what is before the things, and one for each thing."""

    def __init__(self, parent: QObject) -> None:
        super().__init__(parent)
        self.setItemIndexMethod(QGraphicsScene.ItemIndexMethod.NoIndex)
        self.piece: Piece | None = None
        self.is_shut = False
        self.items_by_id: dict[str, PlacementItem] = {}
        self._case: PictureItem | None = None
        self._front: PictureItem | None = None

    def show_things(self, arrangement: Arrangement) -> None:
        """Bring the things in line with a look; what did not change stays."""
        order = painting_order(arrangement.placed_items)
        present = {placed.id for placed in order}
        for identifier in [identifier for identifier in self.items_by_id if identifier not in present]:
            self.removeItem(self.items_by_id.pop(identifier))
        for rank, placed in enumerate(order):
            self._show_placed(placed, rank)

    def _show_placed(self, placed: PlacedItem, rank: int) -> None:
        shown = self.items_by_id.get(placed.id)
        if shown is not None and shown.placed is not placed:
            if shown.can_show(placed):
                shown.move_to(placed)
            else:
                self.removeItem(shown)
                shown = None
        if shown is None:
            shown = PlacementItem(placed)
            self.items_by_id[placed.id] = shown
            self.addItem(shown)
        if shown.zValue() != rank:
            shown.setZValue(rank)

    def show_piece(self, piece: Piece) -> None:
        """Show a piece, with its doors as they are."""
        for old in (self._case, self._front):
            if old is not None:
                self.removeItem(old)
        picture = case_picture(piece)
        if self.is_shut:
            # Shut doors do not stand at the sides; the frame stays, so that nothing else moves.
            bare = case_picture(replace(piece, doors="none"))
            picture = replace(picture, primitives=bare.primitives)
        self.piece = piece
        self._case = PictureItem.of(picture)
        self._case.setZValue(-1)
        self.addItem(self._case)
        # What stands before the things: bars, and the doors when they are shut.
        shut = shut_door_shapes(piece) if self.is_shut else ()
        self._front = PictureItem(shut or front_shapes(piece), self._case.boundingRect())
        self._front.setZValue(BEFORE_ALL)
        self.addItem(self._front)

    def point_at(self, pointed_at: tuple[str, ...]) -> None:
        """Dim all things but those that are pointed at, where there are any."""
        pointed = set(pointed_at) & set(self.items_by_id)
        for identifier, item in self.items_by_id.items():
            opacity = DIMMED if pointed and identifier not in pointed else 1.0
            if item.opacity() != opacity:
                item.setOpacity(opacity)

    def paint(self, painter: QPainter) -> None:
        """Paint everything in its order, in the painter's coordinates."""
        for item in sorted(self.items(), key=lambda item: item.zValue()):
            if isinstance(item, PictureItem):
                painter.save()
                painter.translate(item.pos())
                play(painter, item.primitives)
                painter.restore()
