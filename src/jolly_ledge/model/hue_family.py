"""Colours as families of hue: what a stylist calls white, sand, wood, rust, green or blue, and how loud a colour is."""

from functools import lru_cache

from jolly_ledge.model.colour import lightness_chroma_hue

QUIET = frozenset({"white", "black", "grey"})
WARM = frozenset({"sand", "wood"})

_HUES = (
    (15, "rose"), (35, "red"), (62, "rust"), (98, "tan"), (118, "olive"), (160, "green"), (205, "teal"), (275, "blue"),
    (330, "plum"), (361, "rose"),
)  # fmt: skip
_WHITE_FROM, _BLACK_TO, _GREY_TO = 0.83, 0.36, 0.022
_SAND_TO, _WOOD_TO = 0.1, 0.68


@lru_cache(maxsize=65_536)
def hue_family(colour: str) -> str:
    """Return the family of hue of an sRGB colour; by lightness where there is hardly any hue.

    >>> [hue_family(colour) for colour in ("#f4f0e6", "#b08a5e", "#c4663c", "#1f4fa0", "#6e7f3c", "#20201e")]
    ['white', 'sand', 'rust', 'blue', 'green', 'black']
    """
    lightness, chroma, hue = lightness_chroma_hue(colour)
    if lightness > _WHITE_FROM and chroma < 0.05:
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
