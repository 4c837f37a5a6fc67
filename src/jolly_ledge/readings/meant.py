"""What a reading does not read: ledges that are meant as something it has no say in, tools where one works."""

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.meant import Purpose
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.roles import Role, role_of

COUNTS = ("odd-groups", "how-many", "negative-space", "even-rest", "grouping", "cohesion")
HEIGHTS = ("height-rhythm", "layering", "covered", "figure", "even-vignettes")
LIKENESS = ("alike-apart", "mix")
ANSWERS = ("colour-echo", "tie", "contrast", "books", "scale", "stack-order")

SILENT: dict[Purpose, frozenset[str]] = {
    "dress": frozenset(),
    "statement": frozenset(
        ("odd-groups", "negative-space", "even-rest", "grouping", "cohesion", "layering", "height-rhythm",
         "even-vignettes", "mix")
    ),
    "collection": frozenset((*COUNTS, "height-rhythm", "layering", "figure", "even-vignettes", *LIKENESS)),
    "store": frozenset((*COUNTS, *HEIGHTS, *LIKENESS, *ANSWERS)),
    "rest": frozenset((*COUNTS, *HEIGHTS, *LIKENESS)) - {"how-many"},
    "leave": frozenset((*COUNTS, *HEIGHTS, *LIKENESS, *ANSWERS, "palette", "kept-clear", "seen-shut", "sight-line",
                        "all-round", "working-room")),
}  # fmt: skip
"""By purpose, what is not asked of a ledge; weight and balance are asked of every one, for the eye weighs it all."""

MIRRORED = frozenset(("odd-groups", "grouping", "height-rhythm", "alike-apart", "mix", "even-vignettes"))
"""What is not asked of a ledge that is mirrored by itself: equal heights, likes and even counts are meant."""


def is_silent(reading: str, ledge: Ledge) -> bool:
    """Tell whether a reading has no say on a ledge."""
    meant = ledge.meant
    return reading in SILENT[meant.purpose] or (meant.figure == "mirrored" and reading in MIRRORED)


def unread_ledges(reading: str, arrangement: Arrangement) -> frozenset[str]:
    """Return the ids of the ledges that a reading does not read."""
    return frozenset(ledge.id for ledge in arrangement.piece.ledges if is_silent(reading, ledge))


NOT_OF_TOOLS = frozenset(("height-rhythm", "figure", "alike-apart", "odd-groups"))
"""What is not asked of machines and daily tools where one works: they stand as high, as alike and
as many as the work asks.
"""

WORKED_AT: frozenset[Role] = frozenset({"counter", "island"})


def unread_things(arrangement: Arrangement) -> frozenset[str]:
    """Return the ids of placements that have no part in heights, likeness and peaks: tools on a working place."""
    piece = arrangement.piece
    places = {
        ledge.id for ledge in arrangement.standing_ledges
        if role_of(piece, ledge) in WORKED_AT or ("working" in piece.use and role_of(piece, ledge) == "top")
    }  # fmt: skip
    if not places:
        return frozenset()
    return frozenset(
        placed.id for placed in arrangement.placed_items if placed.ledge.id in places and _is_a_tool(placed)
    )


def _is_a_tool(placed: PlacedItem) -> bool:
    return placed.item.category == "appliance" or "daily-use" in placed.item.traits


def without_things(arrangement: Arrangement, ids: frozenset[str]) -> Arrangement:
    """Return a look as it is without some things and what they carry; itself without any."""
    if not ids:
        return arrangement
    gone = set(ids)
    # What is carried comes after what carries it, however deep.
    for _ in arrangement.placed_items:
        carried = {one.id for one in arrangement.placed_items if one.placement.host in gone} - gone
        if not carried:
            break
        gone |= carried
    left = [placed for placed in arrangement.placed_items if placed.id not in gone]
    look = replace(arrangement.look, placements=tuple(placed.placement for placed in left))
    stash = {placed.item.id: placed.item for placed in left}
    piece = arrangement.piece
    return Arrangement(piece, stash, look, arrangement.families, arrangement.household, arrangement.awaited)


def without_ledges(arrangement: Arrangement, ids: frozenset[str]) -> Arrangement:
    """Return a look as it is without some of its ledges and all that stands on them; itself without any."""
    if not ids:
        return arrangement
    piece = replace(arrangement.piece, ledges=tuple(one for one in arrangement.piece.ledges if one.id not in ids))
    left = [placed for placed in arrangement.placed_items if placed.ledge.id not in ids]
    look = replace(arrangement.look, placements=tuple(placed.placement for placed in left))
    stash = {placed.item.id: placed.item for placed in left}
    return Arrangement(piece, stash, look, arrangement.families, arrangement.household, arrangement.awaited)
