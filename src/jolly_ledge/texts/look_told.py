"""A look told in words, ledge by ledge from the left, for who cannot see the drawing and for a telephone."""

from collections.abc import Callable

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.phrases import capital, listed
from jolly_ledge.model.piece import Ledge

POSES = {"flat": "lying", "leaning": "leaning", "hung": "hung", "draped": "draped", "spine-in": "pages out"}
MOST = 60


def look_told(arrangement: Arrangement) -> str:
    """Return a line for every ledge: what stands there from the left, what lies on or in what, what leans.

    Upper ledges come first, in a row from the left; what is hidden is told as hidden.
    """
    piece, look = arrangement.piece, arrangement.look
    if not arrangement.placed_items:
        return f"{capital(piece.label)}, {look.label}: nothing stands on it yet."
    lines = [f"{capital(piece.label)}, {look.label}."]
    by_ledge: dict[str, list[PlacedItem]] = {}
    for placed in arrangement.placed_items:
        by_ledge.setdefault(placed.ledge.id, []).append(placed)
    for ledge in sorted(piece.ledges, key=lambda one: (-one.floor, one.left)):
        lines.append(_ledge_told(arrangement, ledge, by_ledge.get(ledge.id, [])))
    return "\n".join(lines)


def _ledge_told(arrangement: Arrangement, ledge: Ledge, there: list[PlacedItem]) -> str:
    if not there:
        return f"{capital(ledge.label)}: empty."
    standing = sorted((one for one in there if one.placement.host is None), key=lambda one: one.left)
    told = [_thing_told(one, there) for one in standing]
    return f"{capital(ledge.label)}, from the left: {listed(told, MOST)}."


def _thing_told(placed: PlacedItem, there: list[PlacedItem]) -> str:
    said = placed.item.label
    how = [POSES[placed.placement.pose]] if placed.placement.pose in POSES else []
    how += ["locked"] if placed.placement.locked else []
    how += ["hidden"] if placed.hidden else []
    said += f" ({', '.join(how)})" if how else ""
    for other in there:
        if other.placement.host == placed.id:
            where = "in it" if other.placement.inside else "on it"
            said += f", {where} {_thing_told(other, there)}"
    return said


def placed_told(placed: PlacedItem, length: Callable[[float], str]) -> str:
    """Return a placed thing with where it stands, in figures of a tape; ``length`` writes one (mm)."""
    left = length(max(placed.left - placed.ledge.left, 0.0))
    where = f"{placed.item.label} on {placed.ledge.label}, {left} from the left"
    if placed.placement.pose == "hung":
        return where
    return f"{where}, {length(max(placed.front, 0.0))} from the front"
