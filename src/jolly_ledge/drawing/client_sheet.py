"""One page for the client: two to five versions at one scale, their palette, and room for remarks."""

from collections.abc import Sequence

from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.paper import A4, MARGIN, POINTS_PER_MM, SCALES, TEXT_SIZE, Paper, tick_box
from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, moved, polyline, rectangle
from jolly_ledge.drawing.theme import BOARD, INK, RULE, SOFT_INK
from jolly_ledge.drawing.typesetting import cut_to, wrapped
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.families import name_of
from jolly_ledge.model.hue_family import families_of
from jolly_ledge.model.look import Look
from jolly_ledge.model.money import money
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.shopping import shopping_list

FEWEST, MOST = 2, 5
HEAD, GAP = 62.0, 16.0
DRAWING_SHARE = 0.57
SWATCHES, SWATCH = 6, 20.0
REMARK_STEP = 19.0


def client_page(plan: Plan, looks: Sequence[Look], paper: Paper = A4) -> Picture:
    """Return the page, across, in points.

    Raises
    ------
    EditError
        There are fewer than two or more than five versions, or they are of different pieces.
    """
    if not FEWEST <= len(looks) <= MOST:
        raise EditError(f"A client sheet shows {FEWEST} to {MOST} versions; choose so many.")
    if len({look.piece for look in looks}) > 1:
        raise EditError("The versions on a client sheet are of one piece; choose looks of the same piece.")
    width, height = paper.height, paper.width
    inner = width - 2 * MARGIN
    each = (inner - GAP * (len(looks) - 1)) / len(looks)
    arrangements = [arrange(plan, look) for look in looks]
    pictures = [look_picture(arrangement, scale_bar=False) for arrangement in arrangements]
    room = DRAWING_SHARE * (height - 2 * MARGIN - HEAD)
    scale = next((one for one in SCALES if all(_fits(picture, one, each, room) for picture in pictures)), SCALES[-1])
    factor = POINTS_PER_MM / scale
    deep = max(picture.height for picture in pictures) * factor
    piece = arrangements[0].piece
    shapes: list[Primitive] = [
        Label(MARGIN, MARGIN + 18, piece.label, 21, INK, "serif", 600),
        Label(MARGIN, MARGIN + 36, f"{plan.name} · {counted(len(looks), 'version')} at one scale, 1:{scale}", 11,
              SOFT_INK),
        Shape(rectangle(MARGIN, MARGIN + 44, inner, 3), BOARD),
    ]  # fmt: skip
    foot = MARGIN + HEAD + deep
    shapes.append(Shape(rectangle(MARGIN, foot + 2, inner, 3), BOARD))
    for number, (arrangement, picture) in enumerate(zip(arrangements, pictures, strict=True)):
        left = MARGIN + number * (each + GAP)
        x = left + each / 2 - (picture.left + picture.right) / 2 * factor
        shapes += moved(picture.primitives, x, foot - picture.bottom * factor, factor)
        shapes += _version(plan, arrangement, "ABCDE"[number], left, foot + 12, each, height - MARGIN)
    return Picture(tuple(shapes), 0, 0, width, height)


def _fits(picture: Picture, scale: int, width: float, height: float) -> bool:
    factor = POINTS_PER_MM / scale
    return picture.width * factor <= width and picture.height * factor <= height


def _version(
    plan: Plan, arrangement: Arrangement, letter: str, left: float, top: float, width: float, bottom: float
) -> list[Primitive]:
    look = arrangement.look
    names = wrapped(f"{letter}  {look.label}", width - 14, 11, "serif", 600)[:2]
    shapes: list[Primitive] = [*tick_box(left, top + 3)]
    shapes += [Label(left + 14, top + 11 + 13 * line, text, 11, INK, "serif", 600) for line, text in enumerate(names)]
    y = top + 14 * len(names) + 10
    units = len(arrangement.units)
    cost = shopping_list(plan, [look]).total
    price = f" · {money(cost.cost, plan.currency)} to buy" if cost.cost else ""
    shapes.append(Label(left, y, f"{counted(units, 'unit')}, {look.manner.fullness}, {look.manner.figure}{price}", 8.5,
                        SOFT_INK))  # fmt: skip
    shapes += _palette(plan, arrangement, left, y + 8, width)
    y += 8 + SWATCH + 24
    shapes.append(Label(left, y, "Remarks", 8.5, SOFT_INK, weight=600))
    for vote in look.votes:
        if y + REMARK_STEP > bottom - 2 * REMARK_STEP:
            break
        said = f"{vote.who}: {vote.remark or ('likes it' if vote.likes else 'would change it')}"
        for line in wrapped(said, width, TEXT_SIZE)[:2]:
            y += 12
            shapes.append(Label(left, y, line, TEXT_SIZE, INK))
    while y + REMARK_STEP <= bottom:
        y += REMARK_STEP
        shapes.append(Shape(polyline([(left, y), (left + width, y)]), None, 1.0, RULE, 0.6))
    return shapes


def _palette(plan: Plan, arrangement: Arrangement, left: float, top: float, width: float) -> list[Primitive]:
    """Return the colours a version shows most, as swatches as wide as their share, with their names."""
    areas: dict[str, float] = {}
    for placed in arrangement.visible:
        for colour, share in placed.colours:
            areas[colour] = areas.get(colour, 0.0) + share * placed.area
    found = families_of(list(areas.items()))[:SWATCHES]
    whole = sum(area for _, area in found) or 1.0
    shapes: list[Primitive] = []
    x = left
    for colour, area in found:
        wide = width * area / whole
        shapes.append(Shape(rectangle(x, top, wide, SWATCH), colour, 1.0, SOFT_INK, 0.4))
        x += wide
    said = ", ".join(name_of(colour, plan.families) for colour, _ in found)
    shapes.append(Label(left, top + SWATCH + 10, cut_to(said, width, 8), 8, SOFT_INK))
    return shapes
