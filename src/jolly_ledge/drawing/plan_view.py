"""One ledge seen from above, for depth: the wall at the top, the front edge below."""

from jolly_ledge.drawing.kept_place import kept_place_from_above
from jolly_ledge.drawing.picture import Gradient, Picture, Primitive, Shape, ellipse, polyline, rectangle
from jolly_ledge.drawing.theme import CASE
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.tray_places import places_on
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.piece import Ledge


def ledge_from_above(ledge: Ledge) -> Picture:
    """Return the empty ledge from above: mm, x from its left end, y down from the wall."""
    surface = ledge.colour or CASE
    shade = Gradient(
        (0, 0),
        (0, ledge.depth),
        ((0.0, darker(surface, 0.16)), (0.5, surface), (1.0, lighter(surface, 0.3))),
    )
    if ledge.shape == "ellipse":
        path = ellipse(ledge.width / 2, ledge.depth / 2, ledge.width / 2, ledge.depth / 2)
    else:
        path = rectangle(0, 0, ledge.width, ledge.depth)
    shapes: list[Primitive] = [
        Shape(path, shade, 1.0, darker(surface, 0.35), 1.5),
        Shape(polyline([(0, ledge.depth), (ledge.width, ledge.depth)]), None, 1.0, darker(surface, 0.5), 4.0),
    ]
    for place in ledge.kept:
        shapes.append(kept_place_from_above(place, place.left, ledge.depth - place.front))
    return Picture(tuple(shapes), -10, -10, ledge.width + 10, ledge.depth + 14)


def footprint_shapes(placed: PlacedItem) -> tuple[Shape, ...]:
    """Return a thing's footprint about its middle."""
    width, depth = placed.width, placed.back - placed.front
    colour = placed.colours[0][0]
    lift = min(placed.depth_order * 0.12, 0.36)
    fill = Gradient(
        (-width / 2, -depth / 2),
        (width / 2, depth / 2),
        ((0.0, lighter(colour, 0.25 + lift)), (1.0, darker(colour, 0.2))),
    )
    if placed.item.is_round and placed.placement.pose == "upright":
        path = ellipse(0, 0, width / 2, depth / 2)
    else:
        path = rectangle(-width / 2, -depth / 2, width, depth)
    left = -width / 2
    kept = (kept_place_from_above(place, left + place.left, depth / 2 - place.front) for place in places_on(placed))
    return (Shape(path, fill, 0.94, darker(colour, 0.5), 2.0, 0.8), *kept)


def on_ledge(arrangement: Arrangement, ledge_id: str) -> list[PlacedItem]:
    """Return the visible things on a ledge, carriers before what they carry."""
    found = [s for s in arrangement.visible if s.ledge.id == ledge_id and s.placement.pose not in ("hung", "draped")]
    return sorted(found, key=lambda placed: placed.depth_order)
