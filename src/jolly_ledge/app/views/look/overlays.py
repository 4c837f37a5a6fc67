"""What lies over the drawing at all times of the day's work: cautions, groups, skyline, colours, what is chosen."""

from collections.abc import Iterator
from functools import lru_cache
from itertools import islice, pairwise

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QColor, QFontMetricsF, QPainter, QPolygonF

from jolly_ledge.app.views.look.marks import Box, Line, Plate, Stamp, poly_line
from jolly_ledge.app.views.stamps import BEAM, bubble, fulcrum, stamp
from jolly_ledge.cautions.caution import Caution, Level
from jolly_ledge.drawing.theme import INK, OCHRE, PLUM, RUST, TEAL
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, Stack, Vignette
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.measures.wishes import hear
from jolly_ledge.model.colour import lighter
from jolly_ledge.model.item import Item
from jolly_ledge.model.meant import said
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.piece import Ledge
from jolly_ledge.readings.colour_echo import accents_by_leader, spots_of
from jolly_ledge.readings.recommended import advice_for
from jolly_ledge.readings.side_balance import BAND, FAIR, moment
from jolly_ledge.render.fonts import font

PATHS_SHOWN = 1
"""More paths than the strongest accent's cannot be followed by the eye."""

SIGN_LIFT_PX, ADVICE_DROP_PX = 7.0, 27.0
SHADE = "#731d1a17"
TAG_HANGS_PX, SET_LOW_PX, SET_FOOT_PX = 23.0, 4.0, 2.0
SKYLINE = "#f3d9a0"

KEPT = 512
"""Marks of parts that did not change are kept between the steps of a drag."""


def outline_marks(placed: PlacedItem, colour: str = OCHRE) -> Iterator[Box]:
    """Yield a dashed outline about a thing, seen on light and dark grounds."""
    left, top, width, height = placed.left - 8, -placed.top - 8, placed.width + 16, placed.height + 16
    yield Box(left, top, width, height, 8, rim=SHADE, rim_px=3.0)
    yield Box(left, top, width, height, 8, rim=lighter(colour, 0.25), rim_px=1.8, stroke="dash")


def lock_marks(arrangement: Arrangement) -> Iterator[Stamp]:
    """Yield a small padlock at every locked thing."""
    for placed in arrangement.visible:
        if placed.placement.locked:
            yield Stamp("lock", placed.right, -placed.top)


def wish_marks(arrangement: Arrangement) -> Iterator[Stamp]:
    """Yield a small bow at everything that is wished for; ochre where the wish is not met."""
    unmet = {identifier for heard in hear(arrangement) if not heard.met for identifier in heard.placements}
    wished = {item for wish in arrangement.piece.wishes for item in wish.items}
    for placed in arrangement.visible:
        if placed.item.id in wished:
            yield Stamp("bow", placed.left, -placed.top, colour=OCHRE if placed.id in unmet else PLUM)


def meaning_marks(arrangement: Arrangement, scale: float) -> Iterator[Plate]:
    """Yield a tag at the edge of every ledge that is meant as something of its own."""
    for ledge in arrangement.piece.ledges:
        if ledge.meant.is_told:
            words = said(ledge.meant)
            wide = Plate(words, 0.0, 0.0, PLUM).width_px
            yield Plate(words, ledge.left + (wide / 2 + 6) / scale, -ledge.floor + TAG_HANGS_PX / scale, PLUM)


def set_marks(arrangement: Arrangement, scale: float) -> Iterator[Line]:
    """Yield a bracket under every set that is seen as one."""
    low, foot = SET_LOW_PX / scale, SET_FOOT_PX / scale
    for unit in arrangement.units:
        first = unit.placed_items[0]
        if len(unit.placed_items) > 1 and unit.placed_items[1].item.goes_with(first.item):
            top = first.ledge.floor - foot
            yield poly_line(
                ((unit.left, top), (unit.left, top - low), (unit.right, top - low), (unit.right, top)), PLUM
            )


def advice_marks(arrangement: Arrangement, stash: tuple[Item, ...], scale: float) -> Iterator[Plate]:
    """Yield over every ledge how many groups and things it bears, before anything is placed."""
    for advice in advice_for(arrangement.piece, arrangement.manner.fullness, stash):
        ledge = advice.ledge
        said = f"{counted(advice.groups, 'group')} · {advice.fewest} to {advice.most}"
        top = -ledge.floor - frame_height(ledge)
        # Over things it keeps to the top of the opening, in an empty one it stands in the middle.
        y = top + ADVICE_DROP_PX / scale if arrangement.by_ledge.get(ledge.id) else top + 0.55 * frame_height(ledge)
        yield Plate(said, ledge.left + ledge.width / 2, y, TEAL)


def ledge_mark(ledge: Ledge) -> Box:
    """Return where the ledge in hand is: a thin plum line along its board."""
    return Box(ledge.left + 2, -ledge.floor + 11, ledge.width - 4, 0.0, rim=PLUM, rim_px=3.0)


def group_marks(arrangement: Arrangement, scale: float) -> Iterator[Line | Stamp]:
    """Yield a bracket under every vignette with the count of its units; odd counts are teal."""
    marks = [_bracket(vignette, scale) for vignette in arrangement.vignettes]
    yield from sorted((bracket for bracket, _ in marks), key=lambda line: line.colour)
    yield from (count for _, count in marks)


@lru_cache(maxsize=KEPT)
def _bracket(vignette: Vignette, scale: float) -> tuple[Line, Stamp]:
    height = 6 / scale
    left = min(stack.left for stack in vignette.stacks) + 2 / scale
    right = max(stack.right for stack in vignette.stacks) - 2 / scale
    y = -vignette.ledge.floor + 13 / scale
    count = len(vignette.units)
    colour = TEAL if count % 2 else OCHRE
    path = ((left, y - height), (left, y), (right, y), (right, y - height))
    return Line(path, colour, crisp=True), Stamp("count", (left + right) / 2, y, str(count), colour)


def skyline_marks(arrangement: Arrangement) -> Iterator[Line]:
    """Yield the line of the tops on every ledge."""
    return (_skyline(stacks) for stacks in arrangement.stacks.values() if not stacks[0].ledge.is_wall)


@lru_cache(maxsize=KEPT)
def _skyline(stacks: tuple[Stack, ...]) -> Line:
    ledge = stacks[0].ledge
    floor = -ledge.floor
    path = [(ledge.left, floor)]
    for stack in stacks:
        left, right, top = stack.left, stack.right, -stack.top
        path += [(left, floor), (left, top), (right, top), (right, floor)]
    return Line((*path, (ledge.right, floor)), SKYLINE, crisp=True)


def colour_marks(arrangement: Arrangement) -> Iterator[Line | Stamp]:
    """Yield how the strongest accent travels from place to place, top down."""
    for leader, seen in islice(accents_by_leader(arrangement).items(), PATHS_SHOWN):
        spots = sorted(spots_of([placed for placed, _, _ in seen]), key=lambda s: (-s.ledge.floor, s.x))
        points = [(s.x, -(s.bottom + s.top) / 2) for s in spots]
        for (x, y), (to_x, to_y) in pairwise(points):
            reach = (to_y - y) * 0.5
            yield Line(((x, y), (x, y + reach, to_x, to_y - reach, to_x, to_y)), lighter(leader, 0.3), "dash")
        yield from (Stamp("dot", x, y, colour=leader) for x, y in points)


def caution_marks(arrangement: Arrangement, cautions: tuple[Caution, ...]) -> Iterator[Stamp]:
    """Yield a small marked triangle at every thing that wants care."""
    marked: dict[str, Level] = {}
    for caution in reversed(cautions):
        for identifier in caution.placements[:1]:
            marked[identifier] = caution.level
    for identifier, level in marked.items():
        placed = arrangement.by_id[identifier]
        word, colour = "?" if level == "unknown" else "!", RUST if level == "stop" else OCHRE
        yield Stamp("caution", placed.x, -placed.top, word, colour, -SIGN_LIFT_PX)


def paint_beam(painter: QPainter, arrangement: Arrangement, area: QRectF, wide: float) -> None:
    """Paint the beam on its fulcrum under the piece, in a view so wide; it tilts with the balance (widget pixels)."""
    value, _ = moment(arrangement)
    middle = QPointF(area.center().x(), area.top() + 14)
    half = min(area.width() / 2 - 20, 240)
    tilt = max(min(value, 0.5), -0.5) * 22
    ratio = float(painter.device().devicePixelRatio())
    stamp(painter, [(fulcrum(ratio), middle.x(), middle.y() + 2)])
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(QColor(BEAM))
    # A narrow plate is painted many times faster than a wide smooth pen.
    corners = ((-half, -tilt - 1.5), (half, tilt - 1.5), (half, tilt + 1.5), (-half, -tilt + 1.5))
    painter.drawPolygon(QPolygonF([middle + QPointF(x, y) for x, y in corners]))
    place = max(min(value, 1.0), -1.0)
    good = abs(value) <= BAND[1]
    at = middle + QPointF(half * place, tilt * place)
    stamp(painter, [(bubble(TEAL if good else PLUM, ratio), at.x(), at.y())])
    side = "left" if value < 0 else "right"
    text = "level" if good else f"{abs(round(value * 100))} % {side}"
    fair = "" if good else (" · hardly seen" if abs(value) <= FAIR else " · plainly seen")
    painter.setFont(font(12, "sans", 600))
    painter.setPen(QColor(INK))
    said = f"balance {text}{fair}"
    room = wide - QFontMetricsF(painter.font()).horizontalAdvance(said) - 6
    painter.drawText(QPointF(min(middle.x() + 16, room), middle.y() + 20), said)
