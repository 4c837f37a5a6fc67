"""What a caution says."""

from typing import Literal

from msgspec import Struct

Level = Literal["stop", "heed", "unknown"]
GRAVITY: dict[Level, int] = {"stop": 0, "heed": 1, "unknown": 2}


class Caution(Struct, frozen=True):
    """A fact to heed: ``stop`` cannot be built so, ``heed`` wants care, ``unknown`` lacks data."""

    id: str
    level: Level
    placements: tuple[str, ...]
    sentence: str
