"""Colours as families of hue: what a stylist calls white, sand, wood, rust, green or blue, and how loud a colour is."""

from collections.abc import Sequence
from functools import lru_cache

from jolly_ledge.model.colour import FAMILY_RADIUS, family_distance, lightness_chroma_hue

QUIET = frozenset({"white", "black", "grey"})
WARM = frozenset({"sand", "wood"})
ANSWERING = {"rust": "warm", "wood": "warm", "sand": "warm"}
"""Copper, terracotta, tan leather and oak are families of their own, and answer each other all the same."""

_HUES = (
    (15, "rose"), (35, "red"), (62, "rust"), (98, "tan"), (118, "olive"), (160, "green"), (205, "teal"), (275, "blue"),
    (330, "plum"), (361, "rose"),
)  # fmt: skip
_WHITE_FROM, _BLACK_TO, _GREY_TO = 0.83, 0.36, 0.022
_CREAM_FROM, _CREAM_TO, _PALE_TO = 0.87, 0.05, 0.03
"""What is paler may be creamier and is white still; below, beige begins: sand."""

_SAND_TO, _WOOD_TO = 0.1, 0.68


@lru_cache(maxsize=65_536)
def hue_family(colour: str) -> str:
    """Return the family of hue of an sRGB colour; by lightness where there is hardly any hue.

    >>> [hue_family(colour) for colour in ("#f4f0e6", "#b08a5e", "#c4663c", "#1f4fa0", "#6e7f3c", "#20201e")]
    ['white', 'sand', 'rust', 'blue', 'green', 'black']
    """
    lightness, chroma, hue = lightness_chroma_hue(colour)
    if lightness > _WHITE_FROM and chroma < (_CREAM_TO if lightness > _CREAM_FROM else _PALE_TO):
        return "white"
    if lightness < _BLACK_TO and chroma < 0.045:
        return "black"
    if chroma < _GREY_TO:
        return "grey"
    name = next(name for most, name in _HUES if hue < most)
    if name in ("tan", "rust"):
        if (hue > 80 and chroma > 0.125) or (name == "tan" and chroma > 0.13):
            return "yellow"
        if chroma < _SAND_TO:
            return "wood" if lightness < _WOOD_TO - 0.1 else "sand"
        return "rust" if name == "rust" else "sand"
    if name == "olive":
        return "green" if chroma < 0.12 else "yellow"
    return "acid" if name == "green" and chroma > 0.15 else name


@lru_cache(maxsize=65_536)
def loudness(colour: str) -> float:
    """Return how loud a colour is, 0 for quiet ones, woods and sand, to 1.

    >>> loudness("#f4f0e6"), loudness("#00c853")
    (0.0, 1.0)
    """
    _, chroma, _ = lightness_chroma_hue(colour)
    family = hue_family(colour)
    if family in QUIET | WARM:
        return 0.0
    limit = {"green": 0.10, "rust": 0.115}.get(family, 0.085)
    return min(max((chroma - limit) / 0.06 + 0.3, 0.0), 1.0) if chroma > limit - 0.02 else 0.0


def families_of(
    weighted: Sequence[tuple[str, float]], apart: frozenset[str] = frozenset(), *, answering: bool = False
) -> list[tuple[str, float]]:
    """Gather colours into families by hue, largest first.

    Parameters
    ----------
    weighted : sequence of (colour, weight)
        Colours with their visible areas.
    apart : set of colour
        Colours that each lead a family of their own, whatever is near them.
    answering : bool
        Whether hues that answer each other are one.

    Returns
    -------
    list of (colour, weight)
        The leading colour of each family and the family's whole weight; the order given does not matter.
    """
    totals: dict[str, float] = {}
    for colour, weight in weighted:
        totals[colour] = totals.get(colour, 0.0) + weight
    leaders: dict[str, float] = {}
    for colour in sorted(totals, key=lambda colour: (colour not in apart, -totals[colour], colour)):
        leader = nearest_family(colour, tuple(leaders), answering=answering)
        # What was set apart by hand draws only what is near it: the rest of its hue keeps a family of its own.
        far = leader in apart and leader is not None and family_distance(colour, leader) > FAMILY_RADIUS
        key = colour if leader is None or colour in apart or far else leader
        leaders[key] = leaders.get(key, 0.0) + totals[colour]
    return sorted(leaders.items(), key=lambda family: (-family[1], family[0]))


@lru_cache(maxsize=65_536)
def nearest_family(colour: str, leaders: tuple[str, ...], *, answering: bool = False) -> str | None:
    """Return the leader of the family a colour belongs to by its hue, the nearest of several; None without one."""

    def hue(one: str) -> str:
        """Return a family of hue, or what answers it."""
        family = hue_family(one)
        return ANSWERING.get(family, family) if answering else family

    alike = [leader for leader in leaders if hue(leader) == hue(colour)]
    return min(alike, key=lambda leader: family_distance(colour, leader), default=None)
