"""How a case divides into bays of shelves, and whether a tape agrees with the sum of its parts."""

import itertools
import statistics

from msgspec import Struct

from jolly_ledge.model.errors import EditError
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.words import plain

SAME_BAY_MM = 15.0
TAPE_MM = 3.0
"""How far a careful tape may be off over a whole piece."""

THIN_BOARD_MM = 5.0
THICK_BOARD_MM = 80.0


class Bay(Struct, frozen=True):
    """One upright row of ledges, lowest first."""

    ledges: tuple[Ledge, ...]

    @property
    def left(self) -> float:
        """The left end, from the piece's left end."""
        return min(ledge.left for ledge in self.ledges)

    @property
    def right(self) -> float:
        """The right end, from the piece's left end."""
        return max(ledge.right for ledge in self.ledges)

    @property
    def width(self) -> float:
        """The width between the sides."""
        return self.right - self.left


class TapeFault(Struct, frozen=True):
    """Something that does not add up, and by how much (mm)."""

    sentence: str
    ledges: tuple[str, ...]
    by: float


def bays_of(piece: Piece) -> tuple[Bay, ...]:
    """Return the bays of a piece, left to right; wall ledges belong to none."""
    groups: list[list[Ledge]] = []
    for ledge in sorted(piece.ledges, key=lambda ledge: (ledge.left, ledge.floor)):
        if ledge.is_wall:
            continue
        group = next(
            (
                g
                for g in groups
                if abs(g[0].left - ledge.left) < SAME_BAY_MM and abs(g[0].right - ledge.right) < SAME_BAY_MM
            ),
            None,
        )
        if group is None:
            groups.append([ledge])
        else:
            group.append(ledge)
    return tuple(Bay(tuple(sorted(group, key=lambda ledge: ledge.floor))) for group in groups)


class Body(Struct, frozen=True):
    """One case of a piece that may be made of several: its outer edges (mm)."""

    name: str
    left: float
    right: float
    height: float


SIDE_MM = 20.0
"""What stands beside and above the openings of a body whose outer size is not told by the piece."""


def bodies_of(piece: Piece) -> tuple[Body, ...]:
    """Return the cases of a piece, left to right: one, unless its ledges name several."""
    names = list(dict.fromkeys(ledge.body for ledge in piece.ledges if not ledge.is_wall))
    if len(names) < 2:
        return (Body("", 0.0, piece.width, piece.height),)
    found = []
    for name in names:
        ledges = [ledge for ledge in piece.ledges if ledge.body == name and not ledge.is_wall]
        top = max(ledge.floor + (ledge.clearance or 0.0) for ledge in ledges)
        found.append(
            Body(
                name,
                min(ledge.left for ledge in ledges) - SIDE_MM,
                max(ledge.right for ledge in ledges) + SIDE_MM,
                min(top + SIDE_MM, piece.height) if top < piece.height else top + SIDE_MM,
            )
        )
    return tuple(sorted(found, key=lambda body: body.left))


def bay_of(piece: Piece, ledge_id: str) -> Bay:
    """Return the bay a ledge belongs to; raise EditError where there is none."""
    for bay in bays_of(piece):
        if any(ledge.id == ledge_id for ledge in bay.ledges):
            return bay
    raise EditError(f"“{piece.label}” has no bay with a ledge “{ledge_id}”; choose a shelf between two sides.")


def bay_name(piece: Piece, bay: Bay) -> str:
    """Return how a bay is called: by side for two or three, by number for more."""
    bays = bays_of(piece)
    names = {1: ("The case",), 2: ("Left bay", "Right bay"), 3: ("Left bay", "Middle bay", "Right bay")}
    index = bays.index(bay)
    return names[len(bays)][index] if len(bays) in names else f"Bay {index + 1}"


def tape_check(piece: Piece) -> tuple[TapeFault, ...]:
    """Return what a tape would dispute: parts that do not add up to the whole.

    Only parts that close on both sides are checked: a table top with air above has no sum. The
    sides of a case are taken to be alike, so what is left on the right must match the left.
    """
    faults: list[TapeFault] = []
    for bay in bays_of(piece):
        faults += _height_faults(piece, bay)
        faults += _odd_boards(piece, bay)
    for ledge in piece.ledges:
        if not ledge.is_wall and ledge.depth > piece.depth + TAPE_MM:
            by = ledge.depth - piece.depth
            faults.append(
                TapeFault(
                    f"{ledge.label} is {round(by)} mm deeper than the whole {plain(piece.kind)}; measure both again.",
                    (ledge.id,),
                    by,
                )
            )
    faults += _width_faults(piece)
    faults += _upright_faults(piece)
    return tuple(faults)


ODD_BOARD_MM = 6.0
"""Boards of one case are sawn from one sheet; one that comes out this much off was measured wrongly."""


def _odd_boards(piece: Piece, bay: Bay) -> list[TapeFault]:
    """Name the opening whose board comes out unlike the others: that is where the doubt is."""
    pairs = [(lower, upper) for lower, upper in itertools.pairwise(bay.ledges) if lower.clearance is not None]
    boards = [upper.floor - lower.floor - (lower.clearance or 0.0) for lower, upper in pairs]
    told = [
        lower.board.thickness for lower in bay.ledges if lower.board is not None and lower.board.thickness is not None
    ]
    if not kind_of(piece).is_case or not boards or (len(boards) < 3 and not told):
        return []
    usual = statistics.median(told or boards)
    return [
        TapeFault(
            f"{bay_name(piece, bay)}: the board between {lower.label} and {upper.label} comes out at "
            f"{round(board)} mm, {'the boards are told as' if told else 'the others at'} {round(usual)} mm: "
            f"{round(abs(board - usual))} mm of doubt in the clearance of {lower.label} or the height of "
            f"{upper.label}.",
            (lower.id, upper.id),
            abs(board - usual),
        )
        for (lower, upper), board in zip(pairs, boards, strict=True)
        if abs(board - usual) > ODD_BOARD_MM and THIN_BOARD_MM <= board <= THICK_BOARD_MM
    ]


def _upright_faults(piece: Piece) -> list[TapeFault]:
    """Compare the uprights between the bays of one body with each other and with the sides."""
    if not kind_of(piece).is_case:
        return []
    faults = []
    for first, second in itertools.pairwise(bays_of(piece)):
        upright = second.left - first.right
        if first.ledges[0].body == second.ledges[0].body and upright > THICK_BOARD_MM:
            faults.append(
                TapeFault(
                    f"{round(upright)} mm between {bay_name(piece, first)} and {bay_name(piece, second)} is much for "
                    "one upright; measure the width of both bays again, or name them as two bodies.",
                    (first.ledges[0].id, second.ledges[0].id),
                    upright - THICK_BOARD_MM,
                )
            )
    return faults


def _height_faults(piece: Piece, bay: Bay) -> list[TapeFault]:
    faults: list[TapeFault] = []
    name = bay_name(piece, bay)
    for lower, upper in zip(bay.ledges, bay.ledges[1:], strict=False):
        if lower.clearance is None:
            continue
        board = upper.floor - lower.floor - lower.clearance
        if board < THIN_BOARD_MM:
            faults.append(
                TapeFault(
                    f"{name}: the opening of {lower.label} reaches {round(THIN_BOARD_MM - board)} mm too far up, "
                    f"into the board of {upper.label}.",
                    (lower.id, upper.id),
                    THIN_BOARD_MM - board,
                )
            )
        elif board > THICK_BOARD_MM and len(bay.ledges) > 1 and kind_of(piece).is_case:
            faults.append(
                TapeFault(
                    f"{name}: {round(board)} mm between {lower.label} and {upper.label} is much for one board; "
                    "measure the clearance again.",
                    (lower.id, upper.id),
                    board - THICK_BOARD_MM,
                )
            )
    top = bay.ledges[-1]
    if top.clearance is None or top.floor >= piece.height - TAPE_MM:
        return faults  # open above, or the top itself with a cabinet hanging over it
    reach = top.floor + top.clearance
    if reach > piece.height + TAPE_MM:
        faults.append(
            TapeFault(
                f"{name}: shelves and boards add up to {round(reach)} mm, the outer height is "
                f"{round(piece.height)} mm: {round(reach - piece.height)} mm too much.",
                tuple(ledge.id for ledge in bay.ledges),
                reach - piece.height,
            )
        )
    elif kind_of(piece).is_case and piece.height - reach > THICK_BOARD_MM:
        faults.append(
            TapeFault(
                f"{name}: shelves and boards add up to {round(reach)} mm, the outer height is "
                f"{round(piece.height)} mm: {round(piece.height - reach)} mm are missing.",
                tuple(ledge.id for ledge in bay.ledges),
                piece.height - reach,
            )
        )
    return faults


def _width_faults(piece: Piece) -> list[TapeFault]:
    bays = bays_of(piece)
    if not bays or not kind_of(piece).is_case:
        return []
    faults: list[TapeFault] = []
    for first, second in itertools.pairwise(bays):
        if second.left < first.right - TAPE_MM and first.ledges[0].floor < second.ledges[-1].floor + 1:
            by = first.right - second.left
            faults.append(
                TapeFault(
                    f"{bay_name(piece, first)} and {bay_name(piece, second)} overlap by {round(by)} mm.",
                    (first.ledges[0].id, second.ledges[0].id),
                    by,
                )
            )
    left, right = bays[0].left, piece.width - max(bay.right for bay in bays)
    inside = sum(bay.width for bay in bays)
    ids = tuple(bay.ledges[0].id for bay in bays)
    if right < -TAPE_MM:
        faults.append(
            TapeFault(
                f"The bays and boards come to {round(piece.width - right)} mm, the outer width is "
                f"{round(piece.width)} mm: {round(-right)} mm too much.",
                ids,
                -right,
            )
        )
    elif abs(right - left) > TAPE_MM:
        faults.append(
            TapeFault(
                f"The bays come to {round(inside)} mm; that leaves {round(left)} mm on the left and {round(right)} mm "
                f"on the right: {round(abs(right - left))} mm do not add up.",
                ids,
                abs(right - left),
            )
        )
    return faults
