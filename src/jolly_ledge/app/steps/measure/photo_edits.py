"""What is read off a photograph that was pulled straight, and the edits that come of it."""

from collections.abc import Callable

from msgspec.structs import replace

from jolly_ledge.edits.pieces import ChangeLedge, ChangePiece
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.history import Edit
from jolly_ledge.model.piece import Corner, Ledge, Piece, PiecePhoto
from jolly_ledge.photos.light import colour_at, light_of
from jolly_ledge.photos.perspective import Known, View
from jolly_ledge.photos.rectify import Straight

AROUND_MM, FARTHEST_MM = 150.0, 3500.0
WHOLE_SHARE, LEAST_SIDE_MM, OPEN_MM = 0.9, 100.0, 300.0


def region_of(view: View, piece: Piece, width: int, height: int) -> tuple[float, float, float, float]:
    """Return which part of the front to show: the piece, or all about a sheet that the photograph shows.

    ``width`` and ``height`` are those of the photograph in pixels; what is returned are left, floor, right and top in
    mm.
    """
    known = view.known
    if known.width >= piece.width * WHOLE_SHARE and known.height >= piece.height * WHOLE_SHARE:
        return -AROUND_MM, -AROUND_MM, piece.width + AROUND_MM, piece.height + AROUND_MM
    seen = [view.front(pixel) for pixel in ((0, 0), (width, 0), (width, height), (0, height))]
    middle = (known.left + known.width / 2, known.floor + known.height / 2)
    xs = [min(max(x, middle[0] - FARTHEST_MM), middle[0] + FARTHEST_MM) for x, _ in seen]
    ys = [min(max(y, middle[1] - FARTHEST_MM), middle[1] + FARTHEST_MM) for _, y in seen]
    return min(xs), min(ys), max(xs), max(ys)


def length_said(view: View, first: Corner, second: Corner, say: Callable[[float], str]) -> tuple[str, float]:
    """Return a length with its expected error, in words, and the length (mm)."""
    ends = view.pixel(first), view.pixel(second)
    length, error = view.length(*ends), view.error(*ends)
    return f"{say(length)} ± {say(max(error, 1.0))}", length


def outline_of(first: Corner, second: Corner) -> tuple[Corner, Corner]:
    """Return the lower left and the upper right of two corners; raise EditError where they lie too near."""
    left, right = sorted((first[0], second[0]))
    low, high = sorted((first[1], second[1]))
    if right - left < LEAST_SIDE_MM or high - low < LEAST_SIDE_MM:
        raise EditError("The two corners of the piece lie too near each other; click them again.")
    return (left, low), (right, high)


def moved_view(view: View, left: float, floor: float) -> View:
    """Return a view whose figures begin at a point of its front."""
    known = view.known
    return replace(view, known=Known(known.left - left, known.floor - floor, known.width, known.height))


def photo_of(name: str, view: View) -> PiecePhoto:
    """Return a photograph as it is kept with a piece."""
    known = view.known
    return PiecePhoto(
        name=name, corners=view.corners, left=known.left, floor=known.floor, width=known.width, height=known.height
    )


def outline_edit(piece_id: str, photo: PiecePhoto, width: float, height: float) -> Edit:
    """Return the edit that takes the outer size and the photograph over."""
    changes: tuple[tuple[str, object], ...] = (
        ("width", float(round(width))), ("height", float(round(height))), ("photo", photo),
    )  # fmt: skip
    return ChangePiece(piece=piece_id, changes=changes, label="Take the outline from the photograph")


def length_edit(piece_id: str, side: str, length: float) -> Edit:
    """Return the edit that takes an outer size over."""
    label = f"Take the outer {side} from the photograph"
    return ChangePiece(piece=piece_id, changes=((side, float(round(length))),), label=label)


def keep_edit(piece_id: str, photo: PiecePhoto) -> Edit:
    """Return the edit that lays a photograph under the drawing."""
    return ChangePiece(piece=piece_id, changes=(("photo", photo),), label="Lay the photograph under the drawing")


def colour_edit(piece: Piece, straight: Straight, x: float, y: float) -> tuple[Edit, str]:
    """Return the edit that takes the colour of a back over, of an opening or of the whole, and what is said."""
    colour, ledge = colour_at(straight, x, y), _opening_at(piece, x, y)
    changes: tuple[tuple[str, object], ...] = (("backdrop", colour),)
    if ledge is None:
        edit: Edit = ChangePiece(piece=piece.id, changes=changes, label="Take the back's colour over")
        return edit, f"The back of the piece is {colour} now."
    edit = ChangeLedge(piece=piece.id, ledge=ledge.id, changes=changes, label=f"Take the back of {ledge.label} over")
    return edit, f"The back of {ledge.label} is {colour} now."


def light_edit(piece: Piece, straight: Straight) -> tuple[Edit, str]:
    """Return the edit that tells how much light every opening has, and what is said."""
    ledges = tuple(
        ledge if ledge.is_wall else replace(ledge, light=light_of(straight, piece, ledge)) for ledge in piece.ledges
    )
    counts = {light: sum(ledge.light == light for ledge in ledges) for light in ("bright", "medium", "low")}
    told = ", ".join(f"{count} {light}" for light, count in counts.items() if count)
    edit = ChangePiece(piece=piece.id, changes=(("ledges", ledges),), label="Read the light from the photograph")
    return edit, f"Light as this photograph shows it: {told}. Another hour may look otherwise."


def _opening_at(piece: Piece, x: float, y: float) -> Ledge | None:
    for ledge in piece.ledges:
        top = ledge.floor + (ledge.clearance if ledge.clearance is not None else OPEN_MM)
        if ledge.left <= x <= ledge.right and ledge.floor <= y <= top:
            return ledge
    return None
