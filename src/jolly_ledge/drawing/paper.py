"""Pages for a printer: blocks of words and drawings that flow from page to page and are never split."""

from collections.abc import Sequence

from msgspec import Struct

from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, moved, polyline, rectangle
from jolly_ledge.drawing.theme import BOARD, INK, RULE, SOFT_INK
from jolly_ledge.drawing.typesetting import cut_to, wrapped

MARGIN = 42.0
HEAD, LATER_HEAD, FOOT = 58.0, 30.0, 30.0
TEXT_SIZE, DETAIL_SIZE, HEADING_SIZE = 9.5, 8.0, 12.0
LINE_SPACE = 1.2
POINTS_PER_MM = 72 / 25.4
SCALES = (1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 75, 100, 150, 200)
"""Scales a ruler knows: one for so many."""

TICK = 8.0


class Paper(Struct, frozen=True):
    """A sheet of paper, upright, in points."""

    name: str
    width: float
    height: float

    @property
    def content_width(self) -> float:
        """The width between the margins."""
        return self.width - 2 * MARGIN


A4, LETTER = Paper("A4", 595.0, 842.0), Paper("Letter", 612.0, 792.0)
PAPERS: dict[str, Paper] = {"a4": A4, "letter": LETTER}


class Block(Struct, frozen=True):
    """What is never split: its height and what it shows, from its upper left corner (points)."""

    height: float
    primitives: tuple[Primitive, ...]
    stays_with_next: bool = False


def pages_of(paper: Paper, title: str, under: str, blocks: Sequence[Block]) -> tuple[Picture, ...]:
    """Return pages filled with blocks, in their order; a block higher than a page is a page of its own."""
    room = paper.height - 2 * MARGIN - FOOT
    pages: list[list[Primitive]] = []
    y = room + 1
    at = 0
    while at < len(blocks):
        chain = _chain(blocks, at, room - LATER_HEAD)
        if not pages or (y + sum(block.height for block in chain) > room and y > LATER_HEAD):
            pages.append([])
            y = LATER_HEAD if len(pages) > 1 else HEAD
        for block in chain:
            pages[-1] += moved(block.primitives, MARGIN, MARGIN + y)
            y += block.height
        at += len(chain)
    many = max(len(pages), 1)
    return tuple(
        Picture((*_head(paper, title, under, number), *page, _foot(paper, number, many)), 0, 0, paper.width,
                paper.height)
        for number, page in enumerate(pages or [[]], start=1)
    )  # fmt: skip


def _chain(blocks: Sequence[Block], at: int, room: float) -> Sequence[Block]:
    """Return the block and those that must follow it on the same page; only the block where that is no use."""
    end = at + 1
    while end < len(blocks) and blocks[end - 1].stays_with_next:
        end += 1
    chain = blocks[at:end]
    return chain if sum(block.height for block in chain) <= room else blocks[at : at + 1]


def _head(paper: Paper, title: str, under: str, number: int) -> list[Primitive]:
    if number > 1:
        return [
            Label(
                MARGIN,
                MARGIN + 8,
                cut_to(f"{title} · {under}", paper.content_width, 9, weight=600),
                9,
                SOFT_INK,
                weight=600,
            ),
            Shape(rectangle(MARGIN, MARGIN + 14, paper.content_width, 2), BOARD),
        ]
    return [
        Label(MARGIN, MARGIN + 18, cut_to(title, paper.content_width, 21, "serif", 600), 21, INK, "serif", 600),
        Label(MARGIN, MARGIN + 36, cut_to(under, paper.content_width, 11), 11, SOFT_INK),
        Shape(rectangle(MARGIN, MARGIN + 44, paper.content_width, 3), BOARD),
    ]


def _foot(paper: Paper, number: int, many: int) -> Label:
    text = f"Jolly Ledge · page {number} of {many}"
    return Label(paper.width - MARGIN, paper.height - 22, text, 9, SOFT_INK, anchor="right")


# Blocks


def heading(text: str, width: float, under: str = "") -> Block:
    """Return a heading on a thin rule, with a line under it."""
    shapes: list[Primitive] = [
        Label(0, HEADING_SIZE + 8, text, HEADING_SIZE, INK, "serif", 600),
        Shape(polyline([(0, HEADING_SIZE + 13), (width, HEADING_SIZE + 13)]), None, 1.0, RULE, 0.8),
    ]
    if under:
        shapes.append(Label(width, HEADING_SIZE + 8, under, DETAIL_SIZE, SOFT_INK, anchor="right"))
    return Block(HEADING_SIZE + 19, tuple(shapes), stays_with_next=True)


def paragraph(
    text: str, width: float, size: float = TEXT_SIZE, *, weight: int = 400, soft: bool = False, italic: bool = False,
    stays: bool = False, after: float = 3.0,
) -> Block:  # fmt: skip
    """Return words broken into lines of a width."""
    lines = [line for part in text.split("\n") for line in wrapped(part, width, size, weight=weight)]
    step = size * LINE_SPACE
    shapes = tuple(
        Label(0, (number + 1) * step - 1.5, line, size, SOFT_INK if soft else INK, weight=weight, italic=italic)
        for number, line in enumerate(lines)
    )
    return Block(len(lines) * step + after, shapes, stays)


def tick_line(text: str, width: float, detail: str = "", *, ticked: bool = False) -> Block:
    """Return a box to tick with words behind it, and a detail under them."""
    inner = paragraph(text, width - 16, after=0.0)
    shapes = [*tick_box(0, 2.0, ticked=ticked), *moved(inner.primitives, 16, 0)]
    height = inner.height
    if detail:
        small = paragraph(detail, width - 16, DETAIL_SIZE, soft=True, after=0.0)
        shapes += moved(small.primitives, 16, height)
        height += small.height
    return Block(height + 4, tuple(shapes))


def tick_box(x: float, y: float, *, ticked: bool = False) -> list[Primitive]:
    """Return a box to tick, by hand or already."""
    shapes: list[Primitive] = [Shape(rectangle(x, y, TICK, TICK), "#ffffff", 1.0, INK, 0.8)]
    if ticked:
        mark = [(x + 1.5, y + 4), (x + 3.4, y + 6.4), (x + 6.8, y + 1.6)]
        shapes.append(Shape(polyline(mark), None, 1.0, INK, 1.2))
    return shapes


def beside(left: Sequence[Block], right: Sequence[Block], offset: float) -> Block:
    """Return two columns of blocks as one block, the second so far from the left."""
    shapes: list[Primitive] = []
    heights = []
    for blocks, x in ((left, 0.0), (right, offset)):
        y = 0.0
        for block in blocks:
            shapes += moved(block.primitives, x, y)
            y += block.height
        heights.append(y)
    return Block(max(heights), tuple(shapes))


def scale_for(picture: Picture, width: float, height: float) -> int:
    """Return the largest scale a ruler knows at which a picture in mm fits into points: 10 stands for 1:10."""
    fits = (
        scale for scale in SCALES
        if picture.width / scale * POINTS_PER_MM <= width and picture.height / scale * POINTS_PER_MM <= height
    )  # fmt: skip
    return next(fits, SCALES[-1])


def drawing(picture: Picture, width: float, scale: int, *, stays: bool = False) -> Block:
    """Return a picture in mm at a scale, in the middle of a width."""
    factor = POINTS_PER_MM / scale
    left = (width - picture.width * factor) / 2 - picture.left * factor
    shapes = moved(picture.primitives, left, -picture.top * factor, factor)
    return Block(picture.height * factor + 6, shapes, stays)
