"""The placing sheet: what is fetched, what is needed, and every step with figures for a tape."""

from collections.abc import Iterator, Sequence
from itertools import groupby

from msgspec import Struct

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import CLOSING, NAMES, cautions_of
from jolly_ledge.drawing.items import standing_shapes
from jolly_ledge.drawing.look import look_picture, painting_order
from jolly_ledge.drawing.numbered_spots import free_place, numbered_spots
from jolly_ledge.drawing.paper import (
    A4,
    DETAIL_SIZE,
    LINE_SPACE,
    POINTS_PER_MM,
    TEXT_SIZE,
    Block,
    Paper,
    beside,
    drawing,
    heading,
    pages_of,
    paragraph,
    scale_for,
    tick_box,
    tick_line,
)  # fmt: skip
from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, ellipse, moved, polyline, rectangle
from jolly_ledge.drawing.plan_view import footprint_shapes, on_ledge
from jolly_ledge.drawing.table_top import main_top, table_from_above
from jolly_ledge.drawing.theme import INK, RULE, SOFT_INK
from jolly_ledge.drawing.typesetting import wrapped
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.lengths import LengthUnit, format_length, in_unit
from jolly_ledge.model.look import Look
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.pull_list import PullList, pull_list
from jolly_ledge.planning.tape_figures import WALL, TapeFigure
from jolly_ledge.planning.time_estimate import TimeEstimate, time_estimate
from jolly_ledge.planning.tools import Tool, tools_for
from jolly_ledge.planning.working_order import PlacingStep, working_order
from jolly_ledge.readings.reasons import reason_for

BADGE = 7.0
CROWD = 5
"""A ledge with so many numbered things is drawn once more, larger."""

ELEVATION_SHARE, ABOVE_SHARE = 0.58, 0.3
"""What the elevation and the view from above may take of the height of the first page."""

ENLARGED_HEIGHT = 190.0
NO_FIGURE = "–"
UNITS = {"cm": "cm", "mm": "mm", "in": "inches"}


class _Column(Struct, frozen=True):
    """A column of the table of steps: its heading, and where it begins and ends, in shares of the width."""

    name: str
    start: float
    end: float


COLUMNS = (
    _Column("Set down", 0.065, 0.315), _Column("Fetch from", 0.325, 0.45), _Column("Along", 0.46, 0.62),
    _Column("In", 0.63, 0.807), _Column("Stands on", 0.82, 1.0),
)  # fmt: skip


def sheet_pages(plan: Plan, look: Look, unit: LengthUnit = "cm", paper: Paper = A4) -> tuple[Picture, ...]:
    """Return the pages of the sheet of a look, in points."""
    arrangement = arrange(plan, look)
    steps = working_order(arrangement)
    width = paper.content_width
    blocks = [*_first_drawings(arrangement, steps, paper)]
    blocks += _before_you_begin(pull_list(arrangement), tools_for(arrangement), time_estimate(plan, arrangement), width)
    blocks += _steps(arrangement, steps, unit, width)
    under = (
        f"{arrangement.piece.label} · {look.label} · {counted(len(steps), 'thing')} to place · figures in {UNITS[unit]}"
    )
    return pages_of(paper, plan.name or arrangement.piece.label, under, blocks)


# The drawings of the first page


def _first_drawings(arrangement: Arrangement, steps: Sequence[PlacingStep], paper: Paper) -> Iterator[Block]:
    width = paper.content_width
    whole = look_picture(arrangement)
    top = main_top(arrangement.piece) if kind_of(arrangement.piece).is_looked_down_on else None
    share = ELEVATION_SHARE if top is None else ELEVATION_SHARE - ABOVE_SHARE
    scale = scale_for(whole, width, share * paper.height)
    above = _from_above(arrangement, top) if top is not None else None
    if above is not None:
        scale = max(scale, scale_for(above, width, ABOVE_SHARE * paper.height))
    factor = POINTS_PER_MM / scale
    spots = numbered_spots(arrangement, steps, factor, BADGE)
    # Where the view from above is drawn, the numbers stand there.
    badges = [shape for number, (x, y) in spots for shape in _badge(x, -y, number, factor)] if above is None else []
    yield paragraph(f"From the front, scale 1:{scale} on {paper.name}", width, DETAIL_SIZE, soft=True, stays=True)
    yield drawing(_with(whole, badges), width, scale)
    if above is not None and top is not None:
        yield paragraph(f"From above, scale 1:{scale}; the front edge is below", width, DETAIL_SIZE, soft=True,
                        stays=True)  # fmt: skip
        yield drawing(_with(above, _badges_above(arrangement, top, steps, factor)), width, scale)
    yield paragraph(f"The numbers are the order of work, from the top down. {CLOSING}", width, DETAIL_SIZE, soft=True)


def _with(picture: Picture, more: Sequence[Primitive]) -> Picture:
    return Picture((*picture.primitives, *more), picture.left, picture.top, picture.right, picture.bottom)


def _from_above(arrangement: Arrangement, top: Ledge) -> Picture:
    table = table_from_above(arrangement.piece)
    shapes: list[Primitive] = []
    for placed in on_ledge(arrangement, top.id):
        shapes += moved(footprint_shapes(placed), placed.x, top.depth - placed.z)
    return _with(table, shapes)


def _badges_above(arrangement: Arrangement, top: Ledge, steps: Sequence[PlacingStep], factor: float) -> list[Primitive]:
    taken: list[tuple[float, float]] = []
    shapes: list[Primitive] = []
    for step in steps:
        placed = arrangement.by_id[step.placement]
        if placed.ledge.id != top.id or placed.hidden:
            continue
        x, y = free_place(placed.x, top.depth - placed.z, taken, 2 * BADGE / factor)
        taken.append((x, y))
        shapes += _badge(x, y, step.number, factor)
    return shapes


def _badge(x: float, y: float, number: int, factor: float) -> tuple[Primitive, ...]:
    """Return a number on a disc: black on white, so that it is read from any printer."""
    return moved(
        (
            Shape(ellipse(0, 0, BADGE, BADGE), "#ffffff", 0.95, INK, 0.8),
            Label(0, 2.9, str(number), 8, INK, weight=600, anchor="middle"),
        ),
        x, y, 1 / factor,
    )  # fmt: skip


# What is fetched and needed


def _before_you_begin(pulls: PullList, tools: Sequence[Tool], time: TimeEstimate, width: float) -> Iterator[Block]:
    if not pulls.count:
        return
    yield heading("Before you begin", width, f"It takes {time.said}")
    half = width / 2 - 10
    rooms: list[Block] = []
    needed: list[Block] = []
    for room, things in pulls.rooms:
        title = paragraph(f"{capital(room)}: {counted(len(things), 'thing')}", half, weight=600)
        lines = [tick_line(pull.item.label, half, pull.note) for pull in things]
        rooms.append(beside([title, lines[0]], [], 0))
        rooms += lines[1:]
    lists = (
        ("Tools and hardware", tuple(tool.said for tool in tools)),
        ("Heavy lifts", pulls.heavy),
        ("To be brought back", pulls.returns),
    )
    for name, told in lists:
        if told:
            title = paragraph(name, half, weight=600)
            needed += [beside([title, tick_line(told[0], half)], [], 0), *(tick_line(line, half) for line in told[1:])]
    for blocks in (rooms, needed):
        middle = _half_of(blocks)
        yield from _in_two_columns(blocks[:middle], blocks[middle:], half + 20)
        yield Block(8.0, ())


def _half_of(blocks: Sequence[Block]) -> int:
    """Return where a list is parted, so that both columns are about as high."""
    whole, above = sum(block.height for block in blocks), 0.0
    for index, block in enumerate(blocks):
        if above >= whole / 2:
            return index
        above += block.height
    return len(blocks)


def _in_two_columns(left: list[Block], right: list[Block], offset: float) -> Iterator[Block]:
    """Yield rows of two columns, each about as high on both sides, so that a page may end between any two."""
    while left or right:
        row_left, row_right = left[:1], right[:1]
        del left[: len(row_left)], right[: len(row_right)]
        height = max((block.height for block in (*row_left, *row_right)), default=0.0)
        for waiting, row in ((left, row_left), (right, row_right)):
            while waiting and sum(block.height for block in (*row, waiting[0])) <= height:
                row.append(waiting.pop(0))
        yield beside(row_left, row_right, offset)


# The steps


def _steps(arrangement: Arrangement, steps: Sequence[PlacingStep], unit: LengthUnit, width: float) -> Iterator[Block]:
    cautions = cautions_of(arrangement)
    of_placement: dict[str, list[int]] = {}
    for index, caution in enumerate(cautions):
        for placement in caution.placements:
            of_placement.setdefault(placement, []).append(index)
    told: set[int] = set()
    for ledge_id, group in groupby(steps, key=lambda step: step.ledge_id):
        ledge, here = arrangement.piece.ledge(ledge_id), tuple(group)
        yield heading(capital(ledge.label), width, _size_of(ledge, unit))
        for vignette in arrangement.vignettes:
            if vignette.ledge.id == ledge_id:
                yield paragraph(reason_for(vignette, arrangement), width, DETAIL_SIZE, italic=True, stays=True)
        if len(here) >= CROWD:
            yield _enlarged(arrangement, ledge, here, width)
        yield _table_head(width)
        for step in here:
            # Each is told once, at the first of its things.
            own = [index for index in of_placement.get(step.placement, ()) if index not in told]
            told.update(own)
            yield _row(step, [cautions[index] for index in own], unit, width)
    rest = [caution for index, caution in enumerate(cautions) if index not in told]
    if rest:
        yield heading("For the whole", width)
        for caution in rest:
            yield paragraph(_said(caution, unit), width)


def _size_of(ledge: Ledge, unit: LengthUnit) -> str:
    clear = f", {format_length(ledge.clearance, unit)} clear" if ledge.clearance else ""
    return f"{format_length(ledge.width, unit)} wide, {format_length(ledge.depth, unit)} deep{clear}"


def _enlarged(arrangement: Arrangement, ledge: Ledge, steps: Sequence[PlacingStep], width: float) -> Block:
    """Return a crowded ledge by itself, as large as it goes, with its numbers."""
    high = frame_height(ledge)
    shapes: list[Primitive] = [
        Shape(rectangle(ledge.left, -ledge.floor - high, ledge.width, high), "#f6f3ec", 1.0, RULE, 1.5),
        Shape(rectangle(ledge.left, -ledge.floor, ledge.width, 14), "#d9d0c0", 1.0, SOFT_INK, 1.5),
    ]
    for placed in painting_order(arrangement.placed_items):
        if placed.ledge.id == ledge.id:
            shapes += moved(standing_shapes(placed), placed.x, -placed.bottom)
    tops = [placed.top for placed in arrangement.by_ledge.get(ledge.id, ())]
    top = max([ledge.floor + high, *tops])
    picture = Picture(tuple(shapes), ledge.left - 6, -top - 6, ledge.right + 6, -ledge.floor + 20)
    scale = scale_for(picture, width, ENLARGED_HEIGHT)
    factor = POINTS_PER_MM / scale
    badges = [shape for number, (x, y) in numbered_spots(arrangement, steps, factor, BADGE)
              for shape in _badge(x, -y, number, factor)]  # fmt: skip
    block = drawing(_with(picture, badges), width, scale, stays=True)
    caption = Label(width, block.height - 8, f"1:{scale}", DETAIL_SIZE, SOFT_INK, anchor="right")
    return Block(block.height, (*block.primitives, caption), stays_with_next=True)


def _table_head(width: float) -> Block:
    labels = tuple(Label(column.start * width, 9, column.name, DETAIL_SIZE, SOFT_INK, weight=600) for column in COLUMNS)
    return Block(13.0, labels, stays_with_next=True)


def _row(step: PlacingStep, cautions: Sequence[Caution], unit: LengthUnit, width: float) -> Block:
    cells = (
        step.name,
        step.room or "room not told",
        figure_said(step.along, unit),
        into_said(step, unit),
        step.support,
    )
    spacing = TEXT_SIZE * LINE_SPACE
    shapes: list[Primitive] = [
        *tick_box(0, 4.0), Label(0.055 * width, 11.5, str(step.number), TEXT_SIZE, INK, weight=600, anchor="right")
    ]  # fmt: skip
    most = 1
    for column, text in zip(COLUMNS, cells, strict=True):
        weight = 600 if column is COLUMNS[0] else 400
        lines = wrapped(text, (column.end - column.start) * width, TEXT_SIZE, weight=weight)
        most = max(most, len(lines))
        shapes += [
            Label(column.start * width, 11.5 + index * spacing, line, TEXT_SIZE, INK, weight=weight)
            for index, line in enumerate(lines)
        ]
    y = 5.0 + most * spacing
    inner = (1 - COLUMNS[0].start) * width
    detail = " · ".join(word for word in (step.how, step.note) if word)
    under = [paragraph(detail, inner, DETAIL_SIZE, soft=True, after=0.0)] if detail else []
    under += [paragraph(_said(caution, unit), inner, DETAIL_SIZE, weight=600, after=1.0) for caution in cautions]
    for block in under:
        shapes += moved(block.primitives, COLUMNS[0].start * width, y)
        y += block.height
    y += 3.0
    shapes.append(Shape(polyline([(0, y), (width, y)]), None, 1.0, RULE, 0.6))
    return Block(y + 1.0, tuple(shapes))


def _said(caution: Caution, unit: LengthUnit) -> str:
    return in_unit(f"{caution.said}, {NAMES[caution.id].lower()}: {caution.sentence}", unit)


def figure_said(figure: TapeFigure | None, unit: LengthUnit, *, with_unit: bool = False) -> str:
    """Return a figure for the tape with the edge it begins at.

    >>> figure_said(TapeFigure(123.0, "left end"), "cm"), figure_said(TapeFigure(0.0, "wall"), "cm")
    ('12.3 from left end', 'against the wall')
    """
    if figure is None:
        return NO_FIGURE
    if figure.start == WALL and not figure.length:
        return "against the wall"
    if not figure.length:
        return f"over the {figure.start}" if figure.start.startswith("middle") else f"at the {figure.start}"
    return f"{format_length(figure.length, unit, with_unit=with_unit)} from {figure.start}"


def into_said(step: PlacingStep, unit: LengthUnit, *, with_unit: bool = False) -> str:
    """Return how far in a thing stands, or how high it hangs."""
    if step.upward is not None:
        up = format_length(step.upward.length, unit, with_unit=with_unit)
        return f"lower edge {up} up from the {step.upward.start}"
    return figure_said(step.across, unit, with_unit=with_unit)
