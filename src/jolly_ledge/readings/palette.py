"""Palette: whether what is seen keeps to the chosen families."""

from functools import lru_cache

from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.colour import is_neutral
from jolly_ledge.model.families import lead_of, name_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import counted, listed, percent
from jolly_ledge.readings.hues import chromatic_leaders, colour_areas, family_among, is_leaf
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import ramp

ID = "palette"
BAND = (0.9, 1.0)
MOST_FAMILIES = 3
"""Without a chosen palette, so many colour families may stand beside whites, greys and green."""

THINGS_FOR_EACH_FAMILY, FEWEST_FAMILIES = 2, 2
"""A few things carry fewer families: one for every two things, but two always."""

NOUGHT = 0.55


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
    strangers: dict[str, list[Standing]] = {}
    for standing, colour, area in areas:
        if _is_outside(standing, colour, families, bool(manner.palette)):
            outside[standing.id] = outside.get(standing.id, 0.0) + area
            strangers.setdefault(name_of(colour, arrangement.families), []).append(standing)
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
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=ramp(value, NOUGHT, BAND[0]),
        shown=percent(value),
        sentence=(
            f"{percent(value)} of what is seen keeps to {listed(names, 4) or 'whites and greys'}"
            + (
                "."
                if manner.palette
                else f": {counted(len(families), 'family', 'families')} found here, none chosen yet."
            )
        ),
        contributions=tuple(
            (standing.id, 1 - outside.get(standing.id, 0.0) / max(standing.area, 1.0))
            for standing in arrangement.visible
        ),
        findings=findings,
    )


@lru_cache(maxsize=4096)
def _is_outside(standing: Standing, colour: str, families: tuple[str, ...], chosen: bool) -> bool:
    """Tell whether a colour of a thing belongs to none of the families; neutrals do unless a palette is chosen."""
    if is_leaf(standing, colour) or (not chosen and is_neutral(colour)):
        return False
    return family_among(colour, families) is None


def _found_families(arrangement: Arrangement) -> tuple[str, ...]:
    things = sum(1 for standing in arrangement.visible if standing.placement.pose != "draped")
    most = min(MOST_FAMILIES, max(FEWEST_FAMILIES, -(-things // THINGS_FOR_EACH_FAMILY)))
    return chromatic_leaders(arrangement)[:most]
