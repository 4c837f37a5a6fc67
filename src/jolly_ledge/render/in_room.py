"""The look in the client's own room: drawn into the photograph of the empty piece."""

from collections.abc import Sequence

import numpy as np
from PySide6.QtGui import QImage

from jolly_ledge.drawing.items import standing_shapes
from jolly_ledge.drawing.look import painting_order
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.piece import Ledge, PiecePhoto
from jolly_ledge.photos.composing import Layer, Rgba, set_in
from jolly_ledge.photos.image import Pixels
from jolly_ledge.photos.perspective import View
from jolly_ledge.photos.rectify import view_of
from jolly_ledge.photos.room_light import RoomLight, light_of
from jolly_ledge.render.export import image_of

ROOM_MM = 12.0
FINER = 1.25
"""Things are drawn with so many times the pixels that the photograph has of them."""

MOST_PX = 3000


def look_in_room(arrangement: Arrangement, photo: PiecePhoto, pixels: Pixels) -> Pixels:
    """Return the photograph of a piece with the look standing in it.

    Parameters
    ----------
    arrangement : Arrangement
        The look.
    photo : PiecePhoto
        How the photograph sees the front.
    pixels : array of uint8, shape (rows, columns, 3)
        The photograph of the empty piece.

    Raises
    ------
    PhotoError
        The marks make no front that a camera could have seen.
    """
    view, layers = layers_of(arrangement, photo, pixels)
    return set_in(pixels, view, layers)


def layers_of(arrangement: Arrangement, photo: PiecePhoto, pixels: Pixels) -> tuple[View, list[Layer]]:
    """Return how a photograph sees the front, and all that stands in a look as it is to be set into it.

    Parameters
    ----------
    arrangement : Arrangement
        The look.
    photo : PiecePhoto
        How the photograph sees the front.
    pixels : array of uint8, shape (rows, columns, 3)
        The photograph of the empty piece.
    """
    view = view_of(photo)
    light = light_of(pixels, view, arrangement.piece)
    corners = np.asarray(view.corners)
    scale = float(np.hypot(*(corners[1] - corners[0]))) / view.known.width * FINER
    order = painting_order(arrangement.visible)
    behind = {placed.id: _behind(placed) for placed in order}
    return view, _layers(order, light, scale, behind)


def _behind(placed: PlacedItem) -> float:
    """Return how far behind the front a thing is seen: its middle, or the wall for what hangs or leans."""
    if placed.placement.pose in ("hung", "draped"):
        return placed.ledge.depth
    return placed.back if placed.placement.pose == "leaning" else placed.z


def _layers(order: Sequence[PlacedItem], light: RoomLight, scale: float, behind: dict[str, float]) -> list[Layer]:
    layers = []
    for placed in order:
        left, top = placed.left - ROOM_MM, placed.top + ROOM_MM
        wide, high = placed.width + 2 * ROOM_MM, placed.height + 2 * ROOM_MM
        picture = Picture(standing_shapes(placed), -wide / 2, -high + ROOM_MM, wide / 2, ROOM_MM)
        longest = min(max(round(max(wide, high) * scale), 8), MOST_PX)
        image = rgba_of(image_of(picture, longest, ground=None))
        stands = placed.placement.pose not in ("hung", "draped") and placed.placement.host is None
        layers.append(
            Layer(image, left, top, image.shape[1] / wide, behind[placed.id], placed.ledge.depth,
                  light.on(placed.ledge), stands, _opening_of(placed.ledge))
        )  # fmt: skip
    return layers


def _opening_of(ledge: Ledge) -> tuple[float, float, float, float] | None:
    """Return what of the front a ledge is seen through; None where nothing is over it."""
    if ledge.clearance is None or ledge.is_wall:
        return None
    return ledge.left, ledge.floor, ledge.right, ledge.floor + ledge.clearance


def rgba_of(image: QImage) -> Rgba:
    """Return an image as rows of red, green, blue and opacity."""
    plain = image.convertToFormat(QImage.Format.Format_RGBA8888)
    rows = np.frombuffer(plain.constBits(), np.uint8).reshape(plain.height(), plain.bytesPerLine())
    return rows[:, : plain.width() * 4].reshape(plain.height(), plain.width(), 4).copy()
