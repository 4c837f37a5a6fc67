"""A flat picture as the pixels the simulated camera looks at."""

import numpy as np
from PySide6.QtGui import QImage

from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.photos.image import Pixels
from jolly_ledge.photos.stand_in import Scene
from jolly_ledge.render.export import image_of


def scene_of(picture: Picture, scale: float = 1.2) -> Scene:
    """Return a picture in mm as a scene of so many pixels for one mm."""
    image = image_of(picture, round(max(picture.width, picture.height) * scale))
    return Scene(pixels_of(image), picture.left, -picture.top, image.width() / picture.width)


def pixels_of(image: QImage) -> Pixels:
    """Return an image as rows of red, green and blue."""
    plain = image.convertToFormat(QImage.Format.Format_RGB888)
    rows = np.frombuffer(plain.constBits(), np.uint8).reshape(plain.height(), plain.bytesPerLine())
    return rows[:, : plain.width() * 3].reshape(plain.height(), plain.width(), 3).copy()


def image_from(pixels: Pixels) -> QImage:
    """Return pixels as an image of its own."""
    height, width = pixels.shape[:2]
    return QImage(pixels.tobytes(), width, height, width * 3, QImage.Format.Format_RGB888).copy()


def plan_pixels(arrangement: Arrangement, scale: float) -> Pixels:
    """Return the front of a look as rows of pixels, the piece's upper left corner first, so many for one mm."""
    piece, picture = arrangement.piece, look_picture(arrangement, scale_bar=False)
    front = Picture(picture.primitives, 0.0, -piece.height, piece.width, 0.0)
    return pixels_of(image_of(front, round(max(front.width, front.height) * scale)))
