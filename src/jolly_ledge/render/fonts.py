"""The two bundled type families."""

from functools import lru_cache

from PySide6.QtGui import QFont, QFontDatabase

from jolly_ledge.drawing.picture import Family
from jolly_ledge.drawing.typesetting import FONTS

SANS, SANS_SEMIBOLD = "Atkinson Hyperlegible Next", "Atkinson Hyperlegible Next SemiBold"
SERIF, SERIF_SEMIBOLD = "Vollkorn", "Vollkorn SemiBold"
FILES = (
    "atkinson-hyperlegible-next-400.ttf",
    "atkinson-hyperlegible-next-600.ttf",
    "atkinson-hyperlegible-next-700.ttf",
    "vollkorn-400-italic.ttf",
    "vollkorn-600.ttf",
)


def load_fonts() -> list[str]:
    """Make the bundled fonts known to Qt; return the families found."""
    families: list[str] = []
    for name in FILES:
        number = QFontDatabase.addApplicationFont(str(FONTS / name))
        families += QFontDatabase.applicationFontFamilies(number)
    return families


@lru_cache(maxsize=256)
def font(size: float, family: Family = "sans", weight: int = 400, *, italic: bool = False) -> QFont:
    """Return a bundled font at a size in pixels; it is shared, so set nothing on it."""
    if family == "serif":
        made = QFont(SERIF if italic else SERIF_SEMIBOLD)
        made.setItalic(italic)
    elif weight >= 700:
        made = QFont(SANS)
        made.setBold(True)
    else:
        made = QFont(SANS_SEMIBOLD if weight >= 600 else SANS)
    made.setPixelSize(max(round(size), 1))
    return made
