"""Parts that many pieces share: panels, legs, doors, shadows on the floor."""

from jolly_ledge.drawing.picture import Gradient, Shape, ellipse, polygon, polyline, rectangle, rounded
from jolly_ledge.drawing.theme import CASE
from jolly_ledge.model.colour import darker, lighter

WOOD = "#9a7850"
PAINTED = CASE
BRASS = "#b08d4f"


def floor_shadow(left: float, right: float, reach: float = 0.03) -> Shape:
    """Return the soft shadow a piece throws on the floor."""
    width = right - left
    return Shape(ellipse((left + right) / 2, 2, width * (0.5 + reach), 15), "#3a3228", 0.15)


def panel(left: float, top: float, width: float, height: float, colour: str) -> list[Shape]:
    """Return an upright plane lit from the left, with its lit upper edge."""
    shade = Gradient(
        (left, 0), (left + width, 0), ((0.0, lighter(colour, 0.22)), (0.05, colour), (1.0, darker(colour, 0.1)))
    )
    return [
        Shape(rectangle(left, top, width, height), shade, 1.0, darker(colour, 0.28), 1.6),
        Shape(polyline([(left + 1.5, top + 1.5), (left + width - 1.5, top + 1.5)]), None, 1.0, lighter(colour, 0.6), 2),
    ]


def leg(left: float, top: float, width: float, height: float, colour: str, taper: float = 0.0) -> Shape:
    """Return one leg, narrower at its foot by ``taper`` on both sides."""
    shade = Gradient((left, 0), (left + width, 0), ((0.0, lighter(colour, 0.2)), (1.0, darker(colour, 0.32))))
    points = ((left, top), (left + width, top), (left + width - taper, top + height), (left + taper, top + height))
    return Shape(polygon(points), shade, 1.0, darker(colour, 0.45), 1.0, 0.6)


def doors(left: float, top: float, width: float, height: float, count: int, colour: str) -> list[Shape]:
    """Return shut doors or drawers side by side, with a raised field and a knob each."""
    shapes: list[Shape] = []
    one = width / count
    for index in range(count):
        x = left + index * one
        shapes += panel(x + 3, top + 3, one - 6, height - 6, colour)
        inset = min(one, height) * 0.13
        if height > 120:
            shapes.append(
                Shape(
                    rectangle(x + inset, top + inset, one - 2 * inset, height - 2 * inset),
                    Gradient((0, top), (0, top + height), ((0.0, darker(colour, 0.07)), (1.0, lighter(colour, 0.12)))),
                    1.0,
                    darker(colour, 0.22),
                    1.4,
                )
            )
        knob = x + one - inset * 0.55 if index % 2 == 0 and count > 1 else x + inset * 0.55
        if count == 1 or height <= 120:
            knob = x + one / 2
        y = top + height * (0.5 if height <= 120 else 0.42)
        shapes.append(Shape(ellipse(knob, y, 9, 9), BRASS, 1.0, darker(BRASS, 0.5), 1.0))
        shapes.append(Shape(ellipse(knob - 2.5, y - 2.5, 3, 3), lighter(BRASS, 0.6)))
    return shapes


def open_doors(left: float, right: float, top: float, height: float, *, glazed: bool, colour: str) -> list[Shape]:
    """Return two doors standing open at the sides of a case, seen nearly edge on."""
    shapes: list[Shape] = []
    reach, rise = 74.0, height * 0.022
    for edge, away in ((left, -1), (right, 1)):
        outer = edge + away * reach
        frame = polygon(
            ((edge, top), (outer, top - rise), (outer, top + height + rise), (edge, top + height)),
        )
        shapes.append(Shape(frame, darker(colour, 0.06 if away < 0 else 0.18), 1.0, darker(colour, 0.4), 1.4))
        if glazed:
            inner_near, inner_far = edge + away * 16, outer - away * 16
            glass = polygon(
                (
                    (inner_near, top + 30),
                    (inner_far, top + 30 - rise * 0.7),
                    (inner_far, top + height - 30 + rise * 0.7),
                    (inner_near, top + height - 30),
                )
            )
            shapes.append(Shape(glass, "#cfdcdd", 0.8, darker(colour, 0.3), 1.0))
    return shapes


def cornice(left: float, right: float, top: float, colour: str) -> list[Shape]:
    """Return the moulding on top of a case."""
    return [
        Shape(
            rounded(left - 22, top - 26, right - left + 44, 16, 4), lighter(colour, 0.2), 1.0, darker(colour, 0.3), 1.4
        ),
        Shape(rectangle(left - 10, top - 11, right - left + 20, 11), darker(colour, 0.06), 1.0, darker(colour, 0.3), 1),
    ]
