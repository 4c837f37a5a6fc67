"""What a ledge carries: masses against its rating, its board as a beam, and fixings nobody told.

Each of these is a fact of its own that is known or not: knowing the one says nothing of the other.
"""

from collections.abc import Iterable, Sequence

from msgspec import Struct

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.stuff import likely_mass
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.phrases import capital, listed
from jolly_ledge.model.piece import Board, Ledge
from jolly_ledge.model.words import BoardMaterial

GRAVITY_M_S2 = 9.81
STIFFNESS_MPA: dict[BoardMaterial, float] = {
    "solid-wood": 10_000.0,
    "plywood": 8_000.0,
    "particleboard": 2_600.0,
    "fibreboard": 3_000.0,
    "glass": 70_000.0,
    "metal": 200_000.0,
    "stone": 50_000.0,
}
"""Modulus of elasticity in bending, cautious values of material tables (MPa); makers know better."""

DENSITY_KG_M3: dict[BoardMaterial, float] = {
    "solid-wood": 700.0,
    "plywood": 650.0,
    "particleboard": 680.0,
    "fibreboard": 750.0,
    "glass": 2_500.0,
    "metal": 7_850.0,
    "stone": 2_700.0,
}
"""What a board weighs itself."""

LONG_TERM_MPA: dict[BoardMaterial, float] = {"glass": 7.0, "stone": 2.0}
"""What brittle boards bear for years in bending: about 7 MPa for plain float glass, as glass standards allow under
lasting loads, and a cautious fifth of the bending strength of marble. They break before they sag, without a sign."""

SEEN_SAG = 1 / 300
"""A sag of a 300th of the span is seen; wood creeps to about twice what it shows at first."""

CREEP = 2.0
WORTH_ASKING_KG, WORTH_ASKING_TOP_KG, BRITTLE_KG = 12.0, 40.0, 2.0
"""Below this a usual shelf, a top on its own legs, or a pane is not asked about."""

BRACKET_KG = 5.0


class Burden(Struct, frozen=True):
    """What stands on a ledge: the mass that is known, and what is not weighed, with about what it comes to (kg)."""

    ids: tuple[str, ...]
    known: float
    unweighed: tuple[PlacedItem, ...]
    guessed: float
    heaviest: float

    @property
    def likely(self) -> float:
        """About what all of it weighs."""
        return self.known + self.guessed

    @property
    def said(self) -> str:
        """How heavy it is, for a sentence."""
        if not self.unweighed:
            return f"carries {self.known:.1f} kg"
        names = listed([f"the {placed.item.label}" for placed in self.unweighed])
        return f"carries {self.known:.1f} kg and {names}, unweighed and about {self.guessed:.0f} kg more"


def burden_of(placed_items: Sequence[PlacedItem]) -> Burden:
    """Return what some things on a ledge weigh together; ``heaviest`` is the heaviest pile of them."""
    unweighed = tuple(placed for placed in placed_items if placed.item.mass is None)
    piles: dict[str, float] = {}
    for placed in placed_items:
        mass = placed.item.mass if placed.item.mass is not None else likely_mass(placed.item)
        piles[placed.root] = piles.get(placed.root, 0.0) + mass
    return Burden(
        ids=tuple(placed.id for placed in placed_items),
        known=sum(placed.item.mass or 0.0 for placed in placed_items),
        unweighed=unweighed,
        guessed=sum(likely_mass(placed.item) for placed in unweighed),
        heaviest=max(piles.values(), default=0.0),
    )


def sag_mm(mass: float, span: float, depth: float, thickness: float, stiffness: float) -> float:
    """Return how far a simply supported board sags in the middle under an evenly spread load.

    Parameters
    ----------
    mass : float
        Of the load, in kg.
    span, depth, thickness : float
        Of the board between its supports, in mm.
    stiffness : float
        Modulus of elasticity in MPa.

    Notes
    -----
    5 w L⁴ / (384 E I) with I = b h³ / 12 (any table of beams). A board 1000 by 300 by 20 mm of 10 000 MPa
    under 20 kg:

    >>> round(sag_mm(20.0, 1000.0, 300.0, 20.0, 10_000.0), 2)
    1.28
    """
    second_moment = depth * thickness**3 / 12
    force = mass * GRAVITY_M_S2
    return 5 * force * span**3 / (384 * stiffness * second_moment)


def bending_mpa(even: float, point: float, span: float, depth: float, thickness: float) -> float:
    """Return the largest stress of a simply supported board, in MPa.

    Parameters
    ----------
    even, point : float
        Masses in kg: spread evenly, and standing in the middle.
    span, depth, thickness : float
        Of the board between its supports, in mm.

    Notes
    -----
    (w L² / 8 + P L / 4) / (b h² / 6) (any table of beams). A pane 600 by 250 by 6 mm under 5 kg in the middle and
    its own 2.25 kg:

    >>> round(bending_mpa(2.25, 5.0, 600.0, 250.0, 6.0), 2)
    6.01
    """
    moment = GRAVITY_M_S2 * span * (even / 8 + point / 4)
    return moment / (depth * thickness**2 / 6)


def own_mass(board: Board, span: float, depth: float) -> float:
    """Return what a board of known stuff and thickness weighs itself, in kg."""
    return DENSITY_KG_M3[board.material] * span * depth * (board.thickness or 0.0) / 1e9


def row_load_said(arrangement: Arrangement, row: Sequence[PlacedItem]) -> str:
    """Return what a row weighs and what its board carries with it, beside the rating where one is known."""
    own, ledge = burden_of(row), row[0].ledge
    board = burden_of([placed for placed in arrangement.placed_items if placed.ledge.id == ledge.id])
    limit = ledge.load_limit
    rating = f"of the {limit:g} kg it is rated for" if limit is not None else "and its rating is unknown"
    return f"{_weight_said(own)}; the board carries {_weight_said(board)} {rating}"


def _weight_said(burden: Burden) -> str:
    if not burden.unweighed:
        return f"{burden.known:.1f} kg"
    return f"about {burden.likely:.0f} kg ({len(burden.unweighed)} unweighed)"


def load(arrangement: Arrangement) -> Iterable[Caution]:
    """Report ledges that carry more than they are rated for, sag or break, or are held by nobody knows what."""
    by_ledge: dict[str, list[PlacedItem]] = {}
    for placed in arrangement.placed_items:
        by_ledge.setdefault(placed.ledge.id, []).append(placed)
    for placed_items in by_ledge.values():
        ledge, burden = placed_items[0].ledge, burden_of(placed_items)
        yield from _rated(ledge, burden)
        if not ledge.is_wall:
            yield from _unrated(ledge, burden, arrangement)
            yield from _fixing(ledge, burden, arrangement)
            yield from _board(ledge, burden)


def _rated(ledge: Ledge, burden: Burden) -> Iterable[Caution]:
    limit = ledge.load_limit
    if limit is None:
        return
    name = capital(ledge.label)
    if burden.known > limit:
        said = f"{name} carries {burden.known:.1f} kg and is rated for {limit:g} kg; take something off."
        yield Caution("load", "stop", burden.ids, said)
    elif burden.unweighed:
        ids = tuple(placed.id for placed in burden.unweighed)
        said = f"{name} is rated for {limit:g} kg and {burden.said}; weigh what is not weighed."
        yield Caution("load", "unknown", ids, said)


def _unrated(ledge: Ledge, burden: Burden, arrangement: Arrangement) -> Iterable[Caution]:
    """Report what is worth asking the maker where neither a rating nor the board is known."""
    board = ledge.board
    judged = board is not None and board.material and board.thickness is not None
    if ledge.load_limit is not None or judged:
        return
    if burden.likely >= (WORTH_ASKING_KG if kind_of(arrangement.piece).has_bays else WORTH_ASKING_TOP_KG):
        said = (
            f"{capital(ledge.label)} {burden.said}, and its rating and board are unknown; look for the maker's rating."
        )
        yield Caution("load", "unknown", burden.ids, said)


def _hangs(ledge: Ledge, arrangement: Arrangement) -> bool:
    """Tell whether the wall carries a board: all on a wall, in a niche all but its sill."""
    kind = kind_of(arrangement.piece)
    sill = min(one.floor for one in arrangement.piece.ledges)
    return kind.is_on_the_wall or (kind.is_in_the_wall and ledge.floor > sill)


def _fixing(ledge: Ledge, burden: Burden, arrangement: Arrangement) -> Iterable[Caution]:
    fixing = ledge.board.fixing if ledge.board is not None else "unknown"
    name = capital(ledge.label)
    if fixing == "plaster-only" and burden.likely > 0:
        grave = burden.known >= BRACKET_KG
        said = f"{name} hangs in plaster only and {burden.said}; fix it into studs or with anchors made for the load."
        yield Caution("load", "stop" if grave else "heed", burden.ids, said)
    elif _hangs(ledge, arrangement) and fixing == "unknown" and burden.likely >= BRACKET_KG:
        held = "brackets" if kind_of(arrangement.piece).is_on_the_wall else "bearers"
        said = f"{name} {burden.said}, and its {held} and fixing are unknown; have them looked at."
        yield Caution("load", "unknown", burden.ids, said)


def _board(ledge: Ledge, burden: Burden) -> Iterable[Caution]:
    board = ledge.board
    if board is None or not board.material or burden.likely <= 0:
        return
    brittle = board.material in LONG_TERM_MPA
    if board.thickness is None:
        if brittle and burden.likely >= BRITTLE_KG:
            said = f"{capital(ledge.label)} is of {board.material} of unknown thickness and {burden.said}; measure it."
            yield Caution("load", "unknown", burden.ids, said)
        return
    yield from (_breaking if brittle else _sagging)(ledge, board, board.thickness, burden)


def _sagging(ledge: Ledge, board: Board, thickness: float, burden: Burden) -> Iterable[Caution]:
    span = board.span or ledge.width
    own = own_mass(board, span, ledge.depth)

    def sag(mass: float) -> float:
        return CREEP * sag_mm(mass + own, span, ledge.depth, thickness, STIFFNESS_MPA[board.material])

    limit = SEEN_SAG * span
    name = capital(ledge.label)
    if burden.known > 0 and sag(burden.known) > limit:
        said = (
            f"{name} would sag by about {sag(burden.known):.0f} mm in time under {burden.known:.1f} kg over "
            f"{span / 10:.0f} cm; take something off, or support its middle."
        )
        yield Caution("load", "heed", burden.ids, said)
    elif sag(burden.likely) > limit:
        said = f"{name} {burden.said}, and would sag by about {sag(burden.likely):.0f} mm in time under that; weigh it."
        yield Caution("load", "unknown", burden.ids, said)


def _breaking(ledge: Ledge, board: Board, thickness: float, burden: Burden) -> Iterable[Caution]:
    span = board.span or ledge.width
    own = own_mass(board, span, ledge.depth)

    def stress(mass: float) -> float:
        point = min(burden.heaviest, mass)
        return bending_mpa(own + mass - point, point, span, ledge.depth, thickness)

    allowed, name = LONG_TERM_MPA[board.material], capital(ledge.label)
    pane = f"{board.material} of {thickness:g} mm over {span / 10:.0f} cm"
    if stress(burden.known) > allowed:
        said = (
            f"{name} is {pane} and {burden.said}; in bending that is {stress(burden.known):.1f} MPa where about "
            f"{allowed:g} are borne for years, and it breaks without a sign, so take something off."
        )
        yield Caution("load", "stop", burden.ids, said)
    elif burden.unweighed and stress(burden.likely) > allowed / 2:
        said = f"{name} is {pane} and {burden.said}; weigh it first, for it breaks without a sign."
        yield Caution("load", "unknown", burden.ids, said)
