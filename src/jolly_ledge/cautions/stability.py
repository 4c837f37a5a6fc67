"""What tips, what falls over at its end, what slides, what hangs, and tall furniture on its own feet."""

from collections.abc import Iterable
from functools import lru_cache

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.eaters import child_of
from jolly_ledge.cautions.stuff import STONE_STUFF, speaks_of
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Placement
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.words import WALL_CATEGORIES

SLENDER, SLIM = 4.0, 2.5
"""Higher than four times its base: a push of a finger tips it; from two and a half times on it does not stand at "
"an edge."""

AT_THE_EDGE_MM = 30.0
HIGH_PILE, PILED = 2.5, frozenset({"box", "basket", "tray", "object"})
"""A pile of boxes higher than so many times its base is a tower."""

MOST_PILED = 3
THICK_BOOK = 0.25
"""A book thicker than this share of its height stands by itself."""

HOLDS_A_ROW_MM, SHOULDER_SHARE = 25.0, 0.35
"""What stands so near the end of a row, and is at least so high against it, keeps it from falling."""

TALLEST_STEMS = 1.6
"""Stems longer than this many heights of their vessel make it top-heavy, unless it is heavy."""

STEADY_KG = 1.5
HANGS_HEAVY_KG = 5.0
TALL_MM, TALL_RATIO = 1200.0, 3.5
HELD_BY_NEIGHBOURS_MM = 25.0


def tips(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that a push would tip: slender ones, lamps on loose books, tall stems in a light vessel."""
    for placed_items in arrangement.by_ledge.values():
        yield from _tips_on(placed_items)


@lru_cache(maxsize=512)
def _tips_on(placed_items: tuple[PlacedItem, ...]) -> tuple[Caution, ...]:
    return tuple(_tipping(placed_items))


def _tipping(placed_items: tuple[PlacedItem, ...]) -> Iterable[Caution]:
    by_id = {placed.id: placed for placed in placed_items}
    for placed in placed_items:
        item = placed.item
        if item.category == "stems" and placed.placement.pose == "upright" and not placed.placement.inside:
            yield Caution(
                "tips",
                "heed",
                (placed.id,),
                f"Loose stems do not stand by themselves: set the {item.label} into a vessel, or lean or lay it.",
            )
            continue
        if placed.placement.pose != "upright" or placed.placement.inside:
            continue
        base = min(placed.width, placed.back - placed.front)
        host = by_id.get(placed.placement.on or "")
        if item.category == "lamp" and host is not None and host.item.is_book:
            yield Caution(
                "tips",
                "heed",
                (placed.id, host.id),
                f"The {item.label} stands on loose books ({host.item.label}); a tug at its cord tips it, so set it "
                "down.",
            )
        elif base > 0 and placed.height / base > SLENDER and not _is_steady(placed, placed_items):
            yield Caution(
                "tips",
                "heed",
                (placed.id,),
                f"The {item.label} is {placed.height / base:.1f} times as high as its base; a push tips it, so fix "
                "it with putty or set it against something.",
            )
        elif (
            base > 0 and placed.height / base > SLIM and _is_at_an_edge(placed) and not _is_steady(placed, placed_items)
        ):
            yield Caution(
                "tips",
                "heed",
                (placed.id,),
                f"The {item.label} is tall and slim and stands at the very edge of {placed.ledge.label}; draw it "
                f"back "
                "from the edge.",
            )
        yield from _top_heavy(placed, placed_items)


def _is_at_an_edge(placed: PlacedItem) -> bool:
    """Tell whether a thing stands on a ledge at an edge over which it would fall."""
    ledge = placed.ledge
    if placed.depth_order > 0:
        return False
    ends = (placed.left - ledge.left, ledge.right - placed.right) if ledge.clearance is None else ()
    return bool(min((placed.front, *ends)) < AT_THE_EDGE_MM)


def piles(arrangement: Arrangement) -> Iterable[Caution]:
    """Report towers of boxes and baskets."""
    for placed_items in arrangement.by_ledge.values():
        by_root: dict[str, list[PlacedItem]] = {}
        for placed in placed_items:
            if placed.item.category in PILED and not placed.placement.inside:
                by_root.setdefault(placed.root, []).append(placed)
        for pile in by_root.values():
            foot = next((placed for placed in pile if placed.depth_order == 0), None)
            if foot is None or len(pile) < 2:
                continue
            high = max(placed.top for placed in pile) - foot.bottom
            base = min(foot.width, foot.back - foot.front)
            if len(pile) > MOST_PILED or high > HIGH_PILE * base:
                yield Caution(
                    "tips",
                    "heed",
                    tuple(placed.id for placed in pile),
                    f"{capital(counted(len(pile), 'thing'))} are piled {round(high / 10)} cm high on the "
                    f"{foot.item.label}; a push brings them down, so pile fewer or set them against a side.",
                )


def loose_rows(arrangement: Arrangement) -> Iterable[Caution]:
    """Report upright books that nothing keeps from falling at an end."""
    for placed_items in arrangement.by_ledge.values():
        yield from _loose_rows_on(placed_items)


@lru_cache(maxsize=512)
def _loose_rows_on(placed_items: tuple[PlacedItem, ...]) -> tuple[Caution, ...]:
    found = []
    for row in _rows(placed_items):
        ends = [end for end in ("left", "right") if not _is_held(row, end, placed_items)]
        if ends:
            what = f"The {row[0].item.label}" if len(row) == 1 else f"The row of {len(row)} books"
            side = "at both ends" if len(ends) == 2 else f"at its {ends[0]} end"
            said = f"{what} on {row[0].ledge.label} has no hold {side}; set a bookend or something heavy against it."
            found.append(Caution("tips", "heed", tuple(placed.id for placed in row), said))
    return tuple(found)


def _rows(placed_items: tuple[PlacedItem, ...]) -> list[list[PlacedItem]]:
    """Return the upright books that stand side by side, row by row."""
    books = [s for s in placed_items if s.item.category in ("book", "book-row") and _stands_in_a_row(s.placement)]
    rows: list[list[PlacedItem]] = []
    for book in sorted(books, key=lambda book: (book.bottom, book.left)):
        last = rows[-1][-1] if rows else None
        beside = last is not None and abs(last.bottom - book.bottom) < 1 and book.left - last.right <= HOLDS_A_ROW_MM
        if last is not None and beside and book.front < last.back and book.back > last.front:
            rows[-1].append(book)
        else:
            rows.append([book])
    return rows


def _stands_in_a_row(placement: Placement) -> bool:
    return placement.pose in ("upright", "spine-in") and placement.inside is None


def _is_held(row: list[PlacedItem], end: str, others: tuple[PlacedItem, ...]) -> bool:
    book = row[0] if end == "left" else row[-1]
    ledge = book.ledge
    thick = book.width if book.item.category == "book" else 0.0
    if thick > THICK_BOOK * book.height:
        return True
    if book.depth_order == 0 and ledge.clearance is not None:
        gap = book.left - ledge.left if end == "left" else ledge.right - book.right
        if gap <= HOLDS_A_ROW_MM:
            return True
    members = {member.id for member in row}
    for other in others:
        if other.id in members or other.bottom > book.bottom + 1 or other.placement.pose in ("hung", "draped"):
            continue
        gap = book.left - other.right if end == "left" else other.left - book.right
        high = other.top - book.bottom >= SHOULDER_SHARE * book.height
        if -1 <= gap <= HOLDS_A_ROW_MM and high and other.front < book.back and other.back > book.front:
            return True
    return False


def _is_steady(placed: PlacedItem, others: tuple[PlacedItem, ...]) -> bool:
    """Tell whether books of a row hold a slender thing, or it is one that hangs or leans by nature."""
    if placed.item.category in ("stems", "hanging", "utensils") or placed.item.category in WALL_CATEGORIES:
        return True
    if not placed.item.is_book:
        return False
    return any(
        other.id != placed.id and max(other.left - placed.right, placed.left - other.right) <= HELD_BY_NEIGHBOURS_MM
        for other in others
    )


def _top_heavy(placed: PlacedItem, others: tuple[PlacedItem, ...]) -> Iterable[Caution]:
    mass = placed.item.mass
    if placed.item.category != "vessel" or (mass is not None and mass >= STEADY_KG):
        return
    for other in others:
        long = other.placement.inside == placed.id and other.height > TALLEST_STEMS * placed.height
        if long and other.item.category == "stems":
            yield Caution(
                "tips",
                "heed" if mass is not None else "unknown",
                (placed.id, other.id),
                f"The {other.item.label} stands {other.height / placed.height:.1f} times the height of the "
                f"{placed.item.label} over its rim{'' if mass is not None else ', whose mass is unknown'}; weight it "
                "with sand or trim them.",
            )


def unsecured(arrangement: Arrangement) -> Iterable[Caution]:
    """Report glass and art that lean without a hold."""
    for placed in arrangement.visible:
        if placed.placement.pose != "leaning":
            continue
        if speaks_of(placed.item.material, STONE_STUFF):
            yield Caution(
                "unsecured",
                "heed",
                (placed.id,),
                f"The {placed.item.label} is of stone and leans on {placed.ledge.label}; it slides on its edge "
                f"and is "
                "heavy, so lay it flat or fix it.",
            )
        elif placed.item.category in ("mirror", "frame", "art"):
            if placed.height < 400 and placed.ledge.clearance is not None:
                continue
            yield Caution(
                "unsecured",
                "heed",
                (placed.id,),
                f"The {placed.item.label} leans on {placed.ledge.label} and can slide; set it on a non-slip pad "
                "and fix its top.",
            )


def wall_fixing(arrangement: Arrangement) -> Iterable[Caution]:
    """Report what hangs by nobody knows what, and tall furniture that may stand loose."""
    for placed in arrangement.visible:
        mass = placed.item.mass
        if placed.placement.pose == "hung" and (mass is None or mass >= HANGS_HEAVY_KG):
            told = "its mass is unknown" if mass is None else f"it weighs {mass:g} kg"
            yield Caution(
                "wall-fixing",
                "unknown",
                (placed.id,),
                f"The {placed.item.label} hangs and {told}; choose hook and anchor for the wall and the mass.",
            )
    piece = arrangement.piece
    tall = piece.height >= TALL_MM and piece.height / max(piece.depth, 1.0) >= TALL_RATIO
    if tall and kind_of(piece).may_tip and child_of(arrangement.household) is not None:
        yield Caution(
            "wall-fixing",
            "unknown",
            (),
            f"{piece.label} is {round(piece.height / 10)} cm high and {round(piece.depth / 10)} cm deep and a child "
            "lives here; make sure that it is fixed to the wall before anything is placed.",
        )
