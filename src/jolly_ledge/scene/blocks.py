"""One block of books that was told in two parts is one block."""

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement

BLOCKS = frozenset({"book-row", "book-stack"})
TOUCHING_MM = 1.0
"""Parts that are nearer than this show no joint."""


def with_whole_blocks(arrangement: Arrangement) -> Arrangement:
    """Return a look with blocks of books that touch and are alike joined into one; the same look where there are none.

    Rows join side by side, piles one on the other; what a part carries is carried by the whole, which bears the id of
    its first part. What a wish names, or what differs in its traits or its set, stays itself.
    """
    wished = {item for wish in arrangement.piece.wishes for item in wish.items}
    blocks = [one for one in arrangement.visible if one.item.category in BLOCKS and one.item.id not in wished]
    if len(blocks) < 2:
        return arrangement
    blocks.sort(key=lambda one: (one.left, one.bottom, one.id))
    items = {placed.item.id: placed.item for placed in arrangement.placed_items}
    placements = {placement.id: placement for placement in arrangement.look.placements}
    became: dict[str, str] = {}
    joined = False
    for first in blocks:
        for second in blocks:
            one, other = became.get(first.id, first.id), became.get(second.id, second.id)
            if one == other or not _is_one_block(first, second):
                continue
            whole = _joined(items[placements[one].item], items[placements[other].item])
            items[whole.id] = whole
            placements[one] = _spanning(placements[one], items[placements[one].item], whole)
            del placements[other]
            became = {part: (one if now == other else now) for part, now in became.items()} | {other: one}
            joined = True
    if not joined:
        return arrangement
    kept = tuple(
        replace(one, on=became.get(one.on or "", one.on), inside=became.get(one.inside or "", one.inside))
        for one in placements.values()
    )
    look = replace(arrangement.look, placements=kept)
    return Arrangement(arrangement.piece, items, look, arrangement.families, arrangement.household, arrangement.awaited)


def _is_one_block(first: PlacedItem, second: PlacedItem) -> bool:
    """Tell whether a block goes on in another one, to its right or on top of it."""
    one, other = first.item, second.item
    alike = (
        one.category == other.category and one.finish == other.finish and one.colours == other.colours
        and one.depth == other.depth and one.traits == other.traits and one.set == other.set
        and first.placement.turn % 180 == 0 and second.placement.turn % 180 == 0
        and first.placement.pose == second.placement.pose and first.ledge.id == second.ledge.id
    )  # fmt: skip
    if not alike or abs(first.front - second.front) > TOUCHING_MM:
        return False
    if one.category == "book-row":
        beside = abs(second.left - first.right) <= TOUCHING_MM and first.placement.host == second.placement.host
        return beside and one.height == other.height
    return second.placement.on == first.id and one.width == other.width and abs(first.x - second.x) <= TOUCHING_MM


def _joined(one: Item, other: Item) -> Item:
    mass = None if one.mass is None or other.mass is None else one.mass + other.mass
    count = one.count + other.count
    grown = {"width": one.width + other.width} if one.category == "book-row" else {"height": one.height + other.height}
    return replace(one, id=f"{one.id}+{other.id}", mass=mass, count=count, **grown)


def _spanning(placement: Placement, part: Item, whole: Item) -> Placement:
    """Return the placement of a part moved so that the whole begins where the part began."""
    x = None if placement.x is None else placement.x + (whole.width - part.width) / 2
    return replace(placement, item=whole.id, x=x)
