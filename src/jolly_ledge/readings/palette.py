"""Palette: whether what is seen keeps to the chosen families."""

import math
from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.hues import ColourArea, chromatic_leaders, colour_areas, family_among, is_leaf
from jolly_ledge.measures.score import ramp, score_of, smooth_step, soft_excess
from jolly_ledge.model.colour import is_neutral
from jolly_ledge.model.families import lead_of, name_of
from jolly_ledge.model.hue_family import QUIET, WARM, hue_family, loudness
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted, listed, percent, share_of
from jolly_ledge.readings.reading import Finding, Reading

ID = "palette"
BAND = (0.9, 1.0)
MOST_FAMILIES = 3
"""Without a chosen palette, so many colour families may stand beside whites, greys and green."""

THINGS_FOR_EACH_FAMILY, FEWEST_FAMILIES = 2, 2
"""A few things carry fewer families: one for every two things, but two always."""

NOUGHT = 0.55

TONES_COST, CALM_TONES = 0.1, 1.5
OUTSIDE_COST, LOUD_COST, HUES_COST, PLAIN_COST = 1.0, 2.2, 0.6, 0.15
FEW_HUES, ONE_HUE, TOLD_LOUD, SPINES_BLEND, ACCENT, FILLS = 1.6, 0.08, 0.15, 0.35, 0.5, 1.5
"""Beside whites, woods, sand and leaves one hue and a little of another is calm; less of a second is plain."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the share of visible area within the palette; the green of plants is always welcome.

    Without a chosen palette the largest families are taken for it, and whites, creams, greys and
    blacks are welcome too.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> things = stand(200, 100, 200), stand(600, 100, 200, colours=(("#2f6db2", 1.0),))
    >>> look = look_of(shelves(), *things, palette=("#b5522c",))
    >>> read(look, look.manner).value  # half of what is seen
    0.5
    """
    areas = colour_areas(arrangement)
    whole = sum(area for _, _, area in areas)
    if whole <= 0:
        return None
    families = tuple(lead_of(colour, arrangement.families) for colour in manner.palette) or _found_families(arrangement)
    outside: dict[str, float] = {}
    strangers: dict[str, list[PlacedItem]] = {}
    for placed, colour, area in areas:
        if _is_outside(placed, colour, families, bool(manner.palette)):
            outside[placed.id] = outside.get(placed.id, 0.0) + area
            strangers.setdefault(name_of(colour, arrangement.families), []).append(placed)
    value = 1 - sum(outside.values()) / whole
    names = [name_of(colour, arrangement.families) for colour in families]
    findings: tuple[Finding, ...] = ()
    if value < BAND[0]:
        ids = tuple(sorted(outside, key=lambda identifier: -outside[identifier]))
        things = [f"the {arrangement.by_id[identifier].item.label}" for identifier in ids]
        findings = (
            Finding(
                ID,
                ids,
                f"{listed(list(strangers))} ({listed(things)}) {'is' if len(strangers) == 1 else 'are'} outside the "
                f"{'palette' if manner.palette else 'leading families'}; turn them, cover them or leave them out.",
                ramp(value, BAND[0], NOUGHT),
            ),
        )
    loud, loudest = _loudness(areas, whole)
    hues = 0.0 if manner.palette else _too_many_hues(areas, whole)
    if loudest is not None and loud > TOLD_LOUD:
        said = f"The {loudest.item.label} is loud among the rest; leave it out, or let it be the one accent."
        findings = (*findings, Finding(ID, (loudest.id,), said, min(LOUD_COST * loud, 1.0)))
    loss = OUTSIDE_COST * (1 - value) + LOUD_COST * loud + HUES_COST * hues + PLAIN_COST * _plainness(areas, whole)
    loss += TONES_COST * _tones(areas)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        loss=loss,
        shown=percent(value),
        sentence=(
            f"{capital(share_of(value, 'what is seen'))} keeps to {listed(names, 4) or 'whites and greys'}"
            + (
                "."
                if manner.palette
                else f": {counted(len(families), 'family', 'families')} found here, none chosen yet."
            )
        ),
        contributions=tuple(
            (placed.id, 1 - outside.get(placed.id, 0.0) / max(placed.area, 1.0)) for placed in arrangement.visible
        ),
        findings=findings,
    )


def _loudness(areas: tuple[ColourArea, ...], whole: float) -> tuple[float, PlacedItem | None]:
    """Return how loud a look is, and its loudest thing: by the root of the area, for a small red ball is seen at once.

    The one loud hue that shows most may be the accent: where two things and more carry it, it is half forgiven.
    """
    volume: dict[str, float] = {}
    bearers: dict[str, dict[str, float]] = {}
    things: dict[str, PlacedItem] = {}
    for placed, colour, area in areas:
        loud = loudness(colour)
        if loud and not is_leaf(placed, colour):
            family = hue_family(colour)
            seen = loud**2 * area / whole * _blends(placed) ** 2
            volume[family] = volume.get(family, 0.0) + seen
            held = bearers.setdefault(family, {})
            held[placed.id] = held.get(placed.id, 0.0) + seen
            things[placed.id] = placed
    if not volume:
        return 0.0, None
    accent = max(volume, key=lambda family: (volume[family], family))
    forgiven = ACCENT if len({things[one].root for one in bearers[accent]}) > 1 else 1.0
    # What fills half of a look is no louder than what fills a tenth: it is then what the look is about.
    loudness_of = {
        family: math.sqrt(size) / (1 + FILLS * math.sqrt(size)) * (forgiven if family == accent else 1.0)
        for family, size in volume.items()
    }
    worst = max(loudness_of, key=lambda family: (loudness_of[family], family))
    loudest = max(bearers[worst], key=lambda one: (bearers[worst][one], one))
    return sum(loudness_of.values()), things[loudest]


def _blends(placed: PlacedItem) -> float:
    """Return how far the colours of a thing are seen for themselves: spines in a row blend."""
    return SPINES_BLEND if placed.item.is_book else 1.0


def _too_many_hues(areas: tuple[ColourArea, ...], whole: float) -> float:
    """Return by how many hues a look passes the few (exp of the entropy of areas), and how much they show."""
    shares: dict[str, float] = {}
    for placed, colour, area in areas:
        family = hue_family(colour)
        if family not in QUIET | WARM | {"green"} and not is_leaf(placed, colour):
            shares[family] = shares.get(family, 0.0) + area * _blends(placed)
    coloured = sum(shares.values())
    if coloured <= 0:
        return 0.0
    count = math.exp(-sum(area / coloured * math.log(area / coloured) for area in shares.values() if area > 0))
    return soft_excess(count, FEW_HUES, 1.0) * math.sqrt(coloured / whole)


def _tones(areas: tuple[ColourArea, ...]) -> float:
    """Return by how many families, quiet ones and woods among them, a look passes the few that are calmest.

    Leaves are welcome in every look and make none of them.
    """
    shares: dict[str, float] = {}
    for placed, colour, area in areas:
        if not is_leaf(placed, colour):
            shares[hue_family(colour)] = shares.get(hue_family(colour), 0.0) + area
    seen = sum(shares.values())
    if seen <= 0:
        return 0.0
    count = math.exp(-sum(share / seen * math.log(share / seen) for share in shares.values() if share > 0))
    return soft_excess(count, CALM_TONES, CALM_TONES)


def _plainness(areas: tuple[ColourArea, ...], whole: float) -> float:
    """Return how far a look is all white, grey or black: leaves and woods are colours and lift it."""
    shares: dict[str, float] = {}
    for _, colour, area in areas:
        family = hue_family(colour)
        shares[family] = shares.get(family, 0.0) + area / whole
    quiet = max((share for family, share in shares.items() if family in QUIET), default=0.0)
    return 1 - smooth_step(1 - quiet, ONE_HUE, ONE_HUE)


@lru_cache(maxsize=4096)
def _is_outside(placed: PlacedItem, colour: str, families: tuple[str, ...], chosen: bool) -> bool:
    """Tell whether a colour of a thing belongs to none of the families; neutrals do unless a palette is chosen."""
    if is_leaf(placed, colour) or (not chosen and is_neutral(colour)):
        return False
    return family_among(colour, families) is None


def _found_families(arrangement: Arrangement) -> tuple[str, ...]:
    things = sum(1 for placed in arrangement.visible if placed.placement.pose != "draped")
    most = min(MOST_FAMILIES, max(FEWEST_FAMILIES, -(-things // THINGS_FOR_EACH_FAMILY)))
    return chromatic_leaders(arrangement)[:most]
