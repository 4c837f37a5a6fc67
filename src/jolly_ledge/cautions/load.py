"""What a board carries: masses against its rating, its sag as a beam, and fixings nobody told."""

from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import BAY_KINDS, BoardMaterial

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

SEEN_SAG, TOO_MUCH_SAG = 1 / 300, 1 / 150
"""A sag of a 300th of the span is seen; wood creeps to about twice what it shows at first."""

CREEP = 2.0
WORTH_ASKING_KG, WORTH_ASKING_TOP_KG = 12.0, 40.0
"""Below this a usual shelf, or a top on its own legs, is not asked about."""

BRACKET_KG = 5.0


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


def load(arrangement: Arrangement) -> Iterable[Caution]:
    """Report ledges that carry more than they are rated for, sag, or are held by nobody knows what."""
    by_ledge: dict[str, list[Standing]] = {}
    for standing in arrangement.standings:
        by_ledge.setdefault(standing.ledge.id, []).append(standing)
    for identifier, standings in by_ledge.items():
        ledge = arrangement.piece.ledge(identifier)
        if not ledge.is_wall:
            yield from _loaded(ledge, standings, arrangement)


def _loaded(ledge: Ledge, standings: list[Standing], arrangement: Arrangement) -> Iterable[Caution]:
    weighed = [standing for standing in standings if standing.item.mass is not None]
    unweighed = [standing for standing in standings if standing.item.mass is None]
    mass = sum(standing.item.mass or 0.0 for standing in weighed)
    ids = tuple(standing.id for standing in standings)
    limit = ledge.load_limit
    if limit is not None and mass > limit:
        yield Caution(
            "load",
            "stop",
            ids,
            f"{_capital(ledge.label)} carries {mass:.1f} kg and is rated for {limit:g} kg; take something off.",
        )
    elif limit is not None and unweighed:
        yield Caution(
            "load",
            "unknown",
            tuple(standing.id for standing in unweighed),
            f"{_capital(ledge.label)} is rated for {limit:g} kg and carries {mass:.1f} kg without the "
            f"{unweighed[0].item.label}{' and others' if unweighed[1:] else ''}, whose mass is unknown; weigh them.",
        )
    elif limit is None:
        yield from _unrated(ledge, mass, ids, arrangement)
    yield from _sag(ledge, mass, ids)


def _unrated(ledge: Ledge, mass: float, ids: tuple[str, ...], arrangement: Arrangement) -> Iterable[Caution]:
    fixing = ledge.board.fixing if ledge.board is not None else "unknown"
    hangs = arrangement.piece.kind == "wall-shelves"
    if fixing == "plaster-only" and mass > 0:
        yield Caution(
            "load",
            "stop" if mass >= BRACKET_KG else "heed",
            ids,
            f"{_capital(ledge.label)} hangs in plaster only and carries {mass:.1f} kg; fix it into studs or with "
            "anchors made for the load.",
        )
    elif hangs and fixing == "unknown" and mass >= BRACKET_KG:
        yield Caution(
            "load",
            "unknown",
            ids,
            f"{_capital(ledge.label)} carries {mass:.1f} kg and its brackets and fixing are unknown; find the maker's "
            "rating or have it looked at.",
        )
    elif ledge.board is None and mass >= _worth_asking(arrangement):
        yield Caution(
            "load",
            "unknown",
            ids,
            f"{_capital(ledge.label)} carries {mass:.1f} kg and its rating and board are unknown; look for the maker's "
            "rating.",
        )


def _worth_asking(arrangement: Arrangement) -> float:
    return WORTH_ASKING_KG if arrangement.piece.kind in BAY_KINDS else WORTH_ASKING_TOP_KG


def _sag(ledge: Ledge, mass: float, ids: tuple[str, ...]) -> Iterable[Caution]:
    board = ledge.board
    if board is None or not board.material or board.thickness is None or mass <= 0:
        return
    span = board.span or ledge.width
    sag = CREEP * sag_mm(mass, span, ledge.depth, board.thickness, STIFFNESS_MPA[board.material])
    if sag > SEEN_SAG * span:
        yield Caution(
            "load",
            "stop" if sag > TOO_MUCH_SAG * span and board.material in ("glass", "stone") else "heed",
            ids,
            f"{_capital(ledge.label)} would sag by about {sag:.0f} mm in time under {mass:.1f} kg over "
            f"{span / 10:.0f} cm; take something off, or support its middle.",
        )


def _capital(name: str) -> str:
    return f"{name[:1].upper()}{name[1:]}"
