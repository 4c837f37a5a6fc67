"""What the readings see, over the drawing: figure, rest, depth, ties, what the doors hide, what counts as one."""

from collections.abc import Iterator
from functools import lru_cache

from jolly_ledge.app.views.look.marks import Box, Line, Plate, Stamp, poly_line
from jolly_ledge.app.views.look.overlays import KEPT
from jolly_ledge.drawing.theme import OCHRE, RUST, SHEET, TEAL
from jolly_ledge.geometry.arrangement import Arrangement, Stack, Unit
from jolly_ledge.model.colour import lighter
from jolly_ledge.model.phrases import percent
from jolly_ledge.readings.alike_apart import ties_of
from jolly_ledge.readings.even_rest import resting_places
from jolly_ledge.readings.figure import BAND as FIGURE_BAND
from jolly_ledge.readings.figure import figure_lines
from jolly_ledge.readings.layering import band_of
from jolly_ledge.readings.seen_shut import BAND as SHUT_BAND
from jolly_ledge.readings.seen_shut import read as read_shut

MOST_TIES = 8
"""More ties at once are a web."""

DEPTH_COLOURS = ("#f6e3b4", "#d3a24b", "#7b4f1c")
DEPTH_RIM = "#2a2119"
PILL_PX = 5.0
REST_FILL = f"#46{lighter(TEAL, 0.5)[1:]}"


def figure_marks(arrangement: Arrangement) -> Iterator[Line]:
    """Yield the triangles, the weave or the pairs: solid where they fit, dashed ochre where they do not."""
    lines = sorted(figure_lines(arrangement), key=lambda line: line.fit < FIGURE_BAND[0])
    for line in lines:
        if line.fit >= FIGURE_BAND[0]:
            yield poly_line(line.points, lighter(TEAL, 0.55))
        else:
            yield poly_line(line.points, lighter(OCHRE, 0.25), "dash")
    if arrangement.manner.figure == "mirrored":
        middle = arrangement.piece.width / 2
        yield poly_line(((middle, 0), (middle, arrangement.piece.height)), SHEET, "dot")


def rest_marks(arrangement: Arrangement) -> Iterator[Box]:
    """Yield the empty places the eye rests on."""
    for left, floor, width, height in resting_places(arrangement):
        yield Box(left + 4, -floor - height + 4, width - 8, height - 8, 10, REST_FILL)


def depth_marks(arrangement: Arrangement, scale: float) -> Iterator[Box]:
    """Yield a bar at the foot of every stack: low and pale in front, higher and dark at the back."""
    high = PILL_PX / scale
    bars = [
        _depth_bar(stack, high) for stacks in arrangement.stacks.values() for stack in stacks if not stack.ledge.is_wall
    ]
    yield from sorted(bars, key=lambda bar: DEPTH_COLOURS.index(bar.fill))


@lru_cache(maxsize=4 * KEPT)
def _depth_bar(stack: Stack, high: float) -> Box:
    band = band_of(stack)
    top = -stack.ledge.floor - (band * 1.6 + 1.6) * high
    return Box(stack.left, top, stack.width, high, fill=DEPTH_COLOURS[band], rim=DEPTH_RIM, crisp=True)


def tie_marks(arrangement: Arrangement) -> Iterator[Line | Stamp]:
    """Yield what ties look-alikes together: thin teal far apart, thick ochre where they compete."""
    ends: list[Stamp] = []
    for tie in sorted(ties_of(arrangement)[:MOST_TIES], key=lambda tie: tie.competes):
        (x, y), (to_x, to_y) = (
            ((placed.left + placed.right) / 2, -(placed.bottom + placed.top) / 2) for placed in (tie.first, tie.second)
        )
        bend = ((x + to_x) / 2 + (to_y - y) * 0.16, (y + to_y) / 2 + (x - to_x) * 0.16)
        colour = lighter(OCHRE, 0.3) if tie.competes else lighter(TEAL, 0.55)
        yield Line(((x, y), (*bend, to_x, to_y)), colour, strands=4 if tie.competes else 1)
        dot = OCHRE if tie.competes else TEAL
        ends += [Stamp("dot", x, y, colour=dot), Stamp("dot", to_x, to_y, colour=dot)]
    yield from ends


def door_marks(arrangement: Arrangement) -> Iterator[Box | Plate]:
    """Yield the bars of the doors as hatched strips, and at each anchor how much of it is left to see."""
    piece = arrangement.piece
    hidden = [(f.left, f.floor, f.width, f.height) for f in piece.fixtures if f.kind in ("bar", "brace")]
    if piece.doors == "solid":
        hidden += [
            (ledge.left, ledge.floor, ledge.width, ledge.clearance)
            for ledge in arrangement.standing_ledges
            if ledge.clearance is not None
        ]
    for left, floor, width, height in hidden:
        yield Box(left, -floor - height, width, height, fill=RUST, hatched=True, rim=RUST, rim_px=1.4, stroke="dash")
    reading = read_shut(arrangement, arrangement.manner)
    for identifier, seen in reading.contributions if reading is not None else ():
        placed = arrangement.by_id[identifier]
        rim = TEAL if seen >= SHUT_BAND[0] else RUST
        yield Plate(f"{percent(seen)} seen", placed.x, -placed.bottom, rim)


def unit_marks(arrangement: Arrangement, scale: float) -> Iterator[Line | Stamp]:
    """Yield what counts as one: a thin frame about every unit of several things, a small diamond on every other."""
    marks = [_unit_mark(unit, scale) for unit in arrangement.units if not unit.lead.ledge.is_wall]
    yield from sorted(marks, key=lambda mark: isinstance(mark, Line))


@lru_cache(maxsize=4 * KEPT)
def _unit_mark(unit: Unit, scale: float) -> Line | Stamp:
    if len(unit.placed_items) == 1:
        return Stamp("diamond", (unit.left + unit.right) / 2, -unit.bottom - 7 / scale)
    left, top, right, bottom = unit.left - 4, -unit.top - 4, unit.right + 4, -unit.bottom + 4
    corners = ((left, top), (right, top), (right, bottom), (left, bottom), (left, top))
    return Line(corners, SHEET, "dot", strands=1, crisp=True)
