"""Colour echo: whether each accent is answered elsewhere."""

from collections.abc import Mapping
from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.kept import kept
from jolly_ledge.measures.hues import ColourArea, accent_areas, accent_leaders, family_among
from jolly_ledge.measures.levels import level_numbers, levels_of
from jolly_ledge.measures.score import ramp, weighted_mean
from jolly_ledge.model.colour import lightness_chroma_hue
from jolly_ledge.model.families import name_of
from jolly_ledge.model.hue_family import QUIET, hue_family
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted, listed
from jolly_ledge.model.words import Finish
from jolly_ledge.readings.reading import Finding, Reading

ID = "colour-echo"
NEAR_SHARE, FAR_SHARE = 0.14, 0.32
"""Things of one colour nearer than the first share of their ledge are one place, from the second on two."""

SIDE_SHARES = (0.02, 0.08)
"""From so far out of the middle, in widths, a thing stands on a side."""

LARGE_PIECE_LEDGES = 6
METAL: Finish = "metal"
LEAST_SHARE = 0.12
"""A colour that makes up less of a thing than this is no accent."""

NEUTRAL_STRENGTH = 0.05
"""What black and bright metal count as, beside the chroma of colours."""

SHINE = 1.5
"""A metal accent is seen from further than its area tells."""

ON_THE_WALL = -1
"""What hangs is a level of its own."""

ONE_MORE_BEARER = 0.5
PLACES_SHARE, LEVELS_SHARE, SIDES_SHARE = 0.55, 0.25, 0.20


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read at how many places, on how many levels and sides each accent family returns.

    What counts as an accent is told by :func:`~jolly_ledge.measures.hues.is_accent`. The value is the share of accents
    (by strength) that return as often as wanted: twice, three times on large pieces.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(2), stand(200, 100, 200), stand(600, 100, 200, "s2"))
    >>> read(look, look.manner).shown  # the one accent returns on another level and side
    '1 of 1'
    """
    accents = accents_by_leader(arrangement)
    places = {leader: [placed for placed, _, _ in seen] for leader, seen in accents.items()}
    strength = {leader: sum(_strength(*one) for one in seen) for leader, seen in accents.items()}
    if not any(places.values()):
        return None
    wanted = 3 if len(arrangement.standing_ledges) >= LARGE_PIECE_LEDGES else 2
    possible_levels = len(levels_of(arrangement.piece.ledges))
    scored: list[tuple[float, float]] = []
    answered: list[tuple[float, float]] = []
    findings: list[Finding] = []
    contributions: list[tuple[str, float]] = []
    for leader, things in places.items():
        if not things:
            continue
        seen_at = _places(things)
        score = _score(arrangement, things, seen_at, wanted, possible_levels)
        scored.append((score, strength[leader]))
        answered.append((1.0 if seen_at >= wanted - 0.5 else 0.0, strength[leader]))
        contributions += [(thing.id, strength[leader] / len(things)) for thing in things]
        if score < 0.6 and hue_family(leader) not in QUIET:
            spots = len(spots_of(things))
            findings.append(_lonely(name_of(leader, arrangement.families), things, spots, wanted, score))
    value = weighted_mean(answered)
    echoed = sum(1 for share, _ in answered if share)
    return Reading(
        id=ID,
        value=value,
        band=(0.6, 1.0),
        limits=(0.0, 1.0),
        score=weighted_mean(scored),
        shown=f"{echoed} of {len(answered)}",
        sentence=(
            f"{capital(counted(echoed, 'accent'))} of {len(answered)} {'returns' if echoed == 1 else 'return'} at "
            f"{wanted} or more places; the strongest is "
            f"{name_of(max(strength, key=lambda leader: strength[leader]), arrangement.families)}."
        ),
        contributions=tuple(contributions),
        findings=tuple(findings),
    )


@kept
def accents_by_leader(arrangement: Arrangement) -> Mapping[str, tuple[ColourArea, ...]]:
    """Return what carries each accent family, by the leading colour of the family, the strongest family first."""
    leaders = accent_leaders(arrangement)
    found: dict[str, list[ColourArea]] = {leader: [] for leader in leaders}
    for one in accent_areas(arrangement):
        placed, colour, area = one
        if area >= LEAST_SHARE * placed.area and (leader := family_among(colour, leaders)) is not None:
            found[leader].append(one)
    return {leader: tuple(seen) for leader, seen in found.items()}


@lru_cache(maxsize=4096)
def _strength(placed: PlacedItem, colour: str, area: float) -> float:
    shine = SHINE if placed.item.shown_finish == METAL else 1.0
    return float(area**0.5 * max(lightness_chroma_hue(colour).chroma, NEUTRAL_STRENGTH) * shine)


def spots_of(things: list[PlacedItem]) -> list[PlacedItem]:
    """Return one thing for each place a colour is seen at."""
    spots: list[PlacedItem] = []
    last: dict[str, PlacedItem] = {}
    for thing in sorted(things, key=lambda thing: (thing.ledge.floor, thing.x)):
        before = last.get(thing.ledge.id)
        if before is None or thing.x - before.x >= FAR_SHARE * thing.ledge.width:
            spots.append(thing)
            last[thing.ledge.id] = thing
    return spots


def _score(
    arrangement: Arrangement, things: list[PlacedItem], places: float, wanted: int, possible_levels: int
) -> float:
    """Score how often a family returns, on how many levels and sides; a small move makes no jump.

    Many bearers near each other answer, too, if less than places apart.
    """
    width = arrangement.piece.width
    places = max(places, min(places + ONE_MORE_BEARER * (len(things) - places), wanted))
    more = ramp(places, 1.0, 2.0)
    numbers = level_numbers(arrangement.piece.ledges)
    levels = len({numbers.get(thing.ledge.id, ON_THE_WALL) for thing in things})
    out = [(thing.x - width / 2) / width for thing in things]
    left, right = ramp(-min(out), *SIDE_SHARES), ramp(max(out), *SIDE_SHARES)
    level_score = 0.3 + more * (ramp(levels, 0, min(2, possible_levels)) - 0.3)
    side_score = 0.2 + more * (0.3 + 0.5 * min(left, right))
    place_score = float(ramp(places, 0, wanted) ** 1.5)
    return PLACES_SHARE * place_score + LEVELS_SHARE * level_score + SIDES_SHARE * side_score


def _places(things: list[PlacedItem]) -> float:
    """Return at how many places things are seen; two on one ledge grow apart by and by."""
    places, before = 0.0, None
    for thing in sorted(things, key=lambda thing: (thing.ledge.floor, thing.ledge.left, thing.x)):
        beside = before is not None and before.ledge.id == thing.ledge.id
        places += ramp((thing.x - before.x) / thing.ledge.width, NEAR_SHARE, FAR_SHARE) if beside and before else 1.0
        before = thing
    return places


def _lonely(name: str, things: list[PlacedItem], spots: int, wanted: int, score: float) -> Finding:
    names = listed([f"the {thing.item.label}" for thing in things])
    word = "once" if spots == 1 else f"at {counted(spots, 'place')}"
    return Finding(
        ID,
        tuple(thing.id for thing in things),
        f"{capital(name)} is seen {word} only ({names}); let it return at {counted(wanted, 'place')}, "
        "on another level and the other side.",
        1 - score,
    )
