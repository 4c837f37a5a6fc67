"""How a thing was found to stand otherwise than planned, as a helper says it: "40 mm further left, 2 cm forward"."""

import re

from msgspec import Struct

from jolly_ledge.model.errors import LengthError
from jolly_ledge.model.lengths import LengthUnit, parse_length

_PART = re.compile(
    r"^\s*(?P<length>\d[\d\s./,½¼¾]*?\s*(?:mm|cm|in|\")?)\s*(?:further|more|too far|to the|too)?\s*"
    r"(?P<way>left|right|forward|front|back|behind|higher|up|lower|down)\s*$",
    re.IGNORECASE,
)
WAYS: dict[str, tuple[int, int, int]] = {
    "left": (-1, 0, 0), "right": (1, 0, 0), "forward": (0, -1, 0), "front": (0, -1, 0), "back": (0, 1, 0),
    "behind": (0, 1, 0), "higher": (0, 0, 1), "up": (0, 0, 1), "lower": (0, 0, -1), "down": (0, 0, -1),
}  # fmt: skip
"""Along, in and up for every word."""


class Deviation(Struct, frozen=True):
    """How far along, in and up a thing stands from its planned place (mm)."""

    along: float = 0.0
    across: float = 0.0
    upward: float = 0.0


def parse_deviation(text: str, unit: LengthUnit = "cm") -> Deviation:
    """Read how a thing was found.

    >>> parse_deviation("40 mm further left"), parse_deviation("2 right and 1.5 cm back")
    (Deviation(along=-40.0, across=0.0, upward=0.0), Deviation(along=20.0, across=15.0, upward=0.0))

    Raises
    ------
    LengthError
        The text tells no way or no length.
    """
    along = across = upward = 0.0
    for part in re.split(r",\s(?!\d+\s*$)|\band\b|;", text.strip()):
        found = _PART.match(part)
        if not found:
            raise LengthError(f"“{text}” does not tell how far and which way; type it like 4 cm left or 2 cm back.")
        length = parse_length(found["length"].strip(), unit)
        x, z, y = WAYS[found["way"].lower()]
        along, across, upward = along + x * length, across + z * length, upward + y * length
    return Deviation(along, across, upward)
