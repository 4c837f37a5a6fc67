"""A look as an open 2-D drawing file (DXF): the elevation in mm, and every ledge from above beneath it."""

import io
from typing import Any

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.silhouette import outline
from jolly_ledge.model.piece import Ledge

LAYERS: dict[str, int] = {
    "PIECE": 7, "LEDGES": 8, "FIXTURES": 5, "THINGS": 7, "HIDDEN": 9, "NAMES": 3, "LEDGES-ABOVE": 8, "THINGS-ABOVE": 7,
}  # fmt: skip
"""The layers, with an index colour that is seen on light and dark grounds."""

BOARD_MM = 18.0
ABOVE_GAP_MM = 300.0
"""How far under the floor the views from above begin, and how far they are apart."""

LETTERS_MM = 22.0
Point = tuple[float, float]


def look_to_dxf(arrangement: Arrangement) -> str:
    """Return the geometry of a look as DXF text (release 2010, units mm).

    The origin is the piece's left end on the floor, y runs up. Views from above have their front edge below; their
    left ends lie under those of the elevation.
    """
    from ezdxf.filemanagement import new

    document = new("R2010", units=4)
    for name, colour in LAYERS.items():
        document.layers.add(name, color=colour)
    space = document.modelspace()
    _elevation(space, arrangement)
    top = -ABOVE_GAP_MM
    for ledge in arrangement.piece.ledges:
        if not ledge.is_wall:
            top -= ledge.depth
            _from_above(space, arrangement, ledge, top)
            top -= ABOVE_GAP_MM
    stream = io.StringIO()
    document.write(stream)
    return stream.getvalue()


def _elevation(space: Any, arrangement: Arrangement) -> None:
    piece = arrangement.piece
    _box(space, "PIECE", 0.0, 0.0, piece.width, piece.height)
    for ledge in piece.ledges:
        thick = (ledge.board.thickness if ledge.board is not None else None) or BOARD_MM
        if ledge.is_wall:
            _box(space, "LEDGES", ledge.left, ledge.floor, ledge.width, ledge.clearance or 0.0)
        else:
            _box(space, "LEDGES", ledge.left, ledge.floor - thick, ledge.width, thick)
    for fixture in piece.fixtures:
        if fixture.shape == "ellipse":
            middle = (fixture.left + fixture.width / 2, fixture.floor + fixture.height / 2)
            _ellipse(space, "FIXTURES", middle, fixture.width / 2, fixture.height / 2)
        else:
            _box(space, "FIXTURES", fixture.left, fixture.floor, fixture.width, fixture.height)
    for placed in arrangement.placed_items:
        layer = "HIDDEN" if placed.hidden else "THINGS"
        points = outline(placed.shape, placed.width, placed.height, placed.item.outline)
        _loop(space, layer, [(placed.x + x, placed.bottom + y) for x, y in points])
        _name(space, placed.item.label, (placed.x, placed.bottom + placed.height / 2))


def _from_above(space: Any, arrangement: Arrangement, ledge: Ledge, front: float) -> None:
    if ledge.shape == "ellipse":
        middle = (ledge.left + ledge.width / 2, front + ledge.depth / 2)
        _ellipse(space, "LEDGES-ABOVE", middle, ledge.width / 2, ledge.depth / 2)
    else:
        _box(space, "LEDGES-ABOVE", ledge.left, front, ledge.width, ledge.depth)
    _name(space, ledge.label, (ledge.left + ledge.width / 2, front - LETTERS_MM))
    for placed in arrangement.placed_items:
        if placed.ledge.id == ledge.id and placed.placement.pose not in ("hung", "draped"):
            _footprint(space, placed, front)


def _footprint(space: Any, placed: PlacedItem, front: float) -> None:
    deep = placed.back - placed.front
    if placed.item.is_round and placed.placement.pose == "upright":
        _ellipse(space, "THINGS-ABOVE", (placed.x, front + placed.z), placed.width / 2, deep / 2)
    else:
        _box(space, "THINGS-ABOVE", placed.left, front + placed.front, placed.width, deep)


def _box(space: Any, layer: str, left: float, low: float, width: float, height: float) -> None:
    _loop(space, layer, [(left, low), (left + width, low), (left + width, low + height), (left, low + height)])


def _loop(space: Any, layer: str, points: list[Point]) -> None:
    space.add_lwpolyline([(round(x, 3), round(y, 3)) for x, y in points], close=True, dxfattribs={"layer": layer})


def _ellipse(space: Any, layer: str, middle: Point, across: float, up: float) -> None:
    # The longer axis is the major one in the format.
    axis, ratio = ((across, 0.0), up / across) if across >= up else ((0.0, up), across / up)
    space.add_ellipse(middle, major_axis=axis, ratio=ratio, dxfattribs={"layer": layer})


def _name(space: Any, text: str, at: Point) -> None:
    from ezdxf.enums import TextEntityAlignment

    label = space.add_text(text, height=LETTERS_MM, dxfattribs={"layer": "NAMES"})
    label.set_placement(at, align=TextEntityAlignment.MIDDLE_CENTER)
