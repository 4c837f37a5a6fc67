"""A mirror is the same mirror, fixed or hung: pictures and mirrors that are fixed are seen like what hangs."""

from functools import lru_cache

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Fixture, Ledge, Piece
from jolly_ledge.model.words import Category, Finish

SEEN_AS: dict[str, tuple[Category, Finish]] = {"mirror": ("mirror", "gloss"), "art": ("art", "matt")}
"""What is seen like a thing that hangs; a screen is nothing to look at."""

FIXED = "~fixed-"
"""So begin the ids of what is fixed: no thing of a stash may be called so."""

FLAT_MM = 20.0
WALL = Ledge(id=f"{FIXED}wall", left=0.0, floor=0.0, width=1.0, depth=FLAT_MM, surface="wall")


def with_what_is_fixed(arrangement: Arrangement) -> Arrangement:
    """Return a look in which fixed pictures and mirrors hang on the wall; the same look where there are none."""
    seen = _hung(arrangement.piece)
    if not seen[1]:
        return arrangement
    piece, things, placements = seen
    items = {placed.item.id: placed.item for placed in arrangement.placed_items} | {item.id: item for item in things}
    look = replace(arrangement.look, placements=(*arrangement.look.placements, *placements))
    return Arrangement(piece, items, look, arrangement.families, arrangement.household, arrangement.awaited)


def is_fixed(identifier: str) -> bool:
    """Tell whether an id is that of something fixed, no placement of a look."""
    return identifier.startswith(FIXED)


@lru_cache(maxsize=64)
def _hung(piece: Piece) -> tuple[Piece, tuple[Item, ...], tuple[Placement, ...]]:
    """Return a piece without its fixed pictures and mirrors, and these as things that hang on its wall."""
    fixed = [fixture for fixture in piece.fixtures if fixture.kind in SEEN_AS]
    if not fixed:
        return piece, (), ()
    wall = next((ledge for ledge in piece.ledges if ledge.is_wall), None)
    if wall is None:
        wall = replace(WALL, width=piece.width)
        piece = replace(piece, ledges=(*piece.ledges, wall))
    things = tuple(_thing(fixture, number, piece.backdrop_of(wall)) for number, fixture in enumerate(fixed))
    placements = tuple(
        Placement(
            id=thing.id, item=thing.id, ledge=wall.id, pose="hung", x=fixture.left + fixture.width / 2 - wall.left,
            y=fixture.floor - wall.floor,
        )
        for thing, fixture in zip(things, fixed, strict=True)
    )  # fmt: skip
    left = tuple(fixture for fixture in piece.fixtures if fixture.kind not in SEEN_AS)
    return replace(piece, fixtures=left), things, placements


def _thing(fixture: Fixture, number: int, behind: str) -> Item:
    """Return a fixture as a thing; one of no told colour stands out from its wall no more than the wall itself."""
    category, finish = SEEN_AS[fixture.kind]
    return Item(
        id=f"{FIXED}{number}", category=category, finish=finish, name=fixture.name or fixture.kind, width=fixture.width,
        height=fixture.height, depth=FLAT_MM, colours=((fixture.colour or behind, 1.0),),
        silhouette="disc" if fixture.shape == "ellipse" else "",
    )  # fmt: skip
