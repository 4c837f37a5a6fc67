"""How wide words are set in the bundled type, and where lines break; measured in the fonts, without the toolkit."""

from bisect import bisect_right
from functools import lru_cache
from itertools import accumulate
from pathlib import Path

from jolly_ledge.drawing.picture import Family

FONTS = Path(__file__).parent.parent / "assets" / "fonts"
UNKNOWN_EM = 0.7
"""A letter that the type lacks is drawn in another one; so much room is kept for it."""


def font_file(family: Family, weight: int, *, italic: bool) -> str:
    """Return the file of the bundled type for a style."""
    if family == "serif":
        return "vollkorn-400-italic.ttf" if italic else "vollkorn-600.ttf"
    return f"atkinson-hyperlegible-next-{700 if weight >= 700 else 600 if weight >= 600 else 400}.ttf"


@lru_cache(maxsize=8)
def _advances(file: str) -> dict[int, float]:
    """Return how far every letter of a type advances, in parts of the text size."""
    # Only what goes on paper is set; the window does not wait for this.
    from fontTools.ttLib import TTFont

    with TTFont(FONTS / file, lazy=True) as font:
        metrics, em = font["hmtx"], font["head"].unitsPerEm
        return {letter: metrics[glyph][0] / em for letter, glyph in font.getBestCmap().items()}


def text_width(text: str, size: float, family: Family = "sans", weight: int = 400, *, italic: bool = False) -> float:
    """Return how wide a line of text is set, in the unit of its size; pairs are not drawn together.

    >>> text_width("", 10.0), text_width("MM", 10.0) > text_width("ii", 10.0)
    (0.0, True)
    """
    advances = _advances(font_file(family, weight, italic=italic))
    return size * sum(advances.get(ord(letter), UNKNOWN_EM) for letter in text)


def wrapped(
    text: str, width: float, size: float, family: Family = "sans", weight: int = 400, *, italic: bool = False
) -> tuple[str, ...]:
    """Break a text into lines no wider than a width; nothing is left out, a word wider than a line is broken.

    >>> wrapped("on the stack of cream journals", 76, 9.5)
    ('on the stack of', 'cream journals')
    """
    advances = _advances(font_file(family, weight, italic=italic))

    def wide(part: str) -> float:
        return size * sum(advances.get(ord(letter), UNKNOWN_EM) for letter in part)

    lines: list[str] = []
    line = ""
    for word in text.split():
        if line and wide(f"{line} {word}") <= width:
            line = f"{line} {word}"
            continue
        if line:
            lines.append(line)
        while len(word) > 1 and wide(word) > width:
            so_far = accumulate(advances.get(ord(letter), UNKNOWN_EM) for letter in word)
            fits = max(bisect_right(list(so_far), width, key=lambda total: size * total), 1)
            lines.append(word[:fits])
            word = word[fits:]
        line = word
    return (*lines, line) if line or not lines else tuple(lines)


def cut_to(text: str, width: float, size: float, family: Family = "sans", weight: int = 400) -> str:
    """Return a text that fits on one line: the end is left out, and said to be."""
    if text_width(text, size, family, weight) <= width:
        return text

    def shorter(end: int) -> str:
        return f"{text[:end].rstrip()}…"

    ends = range(1, len(text))
    return shorter(bisect_right(ends, width, key=lambda end: text_width(shorter(end), size, family, weight)))
