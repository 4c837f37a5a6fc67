"""What a caution says."""

from typing import Literal

from msgspec import Struct

Level = Literal["stop", "heed", "unknown"]
WORDS: dict[Level, str] = {"stop": "Stop", "heed": "Heed", "unknown": "Not known"}
GRAVITY: dict[Level, int] = {"stop": 0, "heed": 1, "unknown": 2}


class Caution(Struct, frozen=True):
    """A fact to heed: ``stop`` cannot be built so, ``heed`` wants care, ``unknown`` lacks data."""

    id: str
    level: Level
    placements: tuple[str, ...]
    sentence: str
    answer: str = ""
    """What is done about it, in a line; empty while nobody said."""

    @property
    def said(self) -> str:
        """How grave it is, unless it is answered: "Stop", "Stop, unless left unlit (Tilda, 2026-11-27)"."""
        word = WORDS[self.level]
        return f"{word}, unless {self.answer}" if self.answer else word
