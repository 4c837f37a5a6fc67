"""A page of photographs for the client: the room as it is, and with each version."""

import math
from collections.abc import Sequence

from msgspec import Struct

from jolly_ledge.drawing.paper import A4, MARGIN, Paper
from jolly_ledge.drawing.picture import Label, Photograph, Picture, Primitive, Shape, rectangle
from jolly_ledge.drawing.theme import BOARD, INK, SOFT_INK
from jolly_ledge.drawing.typesetting import cut_to

HEAD, GAP, LINE = 58.0, 14.0, 16.0
MOST_ACROSS = 3


class RoomPhoto(Struct, frozen=True):
    """A photograph with its name, as JPEG, and its size in pixels."""

    name: str
    content: bytes
    width: int
    height: int


def room_page(title: str, about: str, photos: Sequence[RoomPhoto], paper: Paper = A4) -> Picture:
    """Return the page, across, in points: the photographs side by side, as large as they go."""
    width, height = paper.height, paper.width
    inner = width - 2 * MARGIN
    shapes: list[Primitive] = [
        Label(MARGIN, MARGIN + 18, title, 21, INK, "serif", 600),
        Label(MARGIN, MARGIN + 36, about, 11, SOFT_INK),
        Shape(rectangle(MARGIN, MARGIN + 44, inner, 3), BOARD),
    ]
    across = min(max(len(photos), 1), MOST_ACROSS)
    down = math.ceil(len(photos) / across)
    each = (inner - GAP * (across - 1)) / across
    room = (height - 2 * MARGIN - HEAD - GAP * (down - 1)) / max(down, 1) - LINE
    for number, photo in enumerate(photos):
        left = MARGIN + number % across * (each + GAP)
        top = MARGIN + HEAD + number // across * (room + LINE + GAP)
        share = min(each / photo.width, room / photo.height)
        wide, high = photo.width * share, photo.height * share
        shapes.append(Photograph(photo.content, left + (each - wide) / 2, top, wide, high))
        shapes.append(Label(left + each / 2, top + high + 12, cut_to(photo.name, each, 10.5), 10.5, INK, "serif", 600,
                            anchor="middle"))  # fmt: skip
    return Picture(tuple(shapes), 0, 0, width, height)
