"""One thing measured against what frames it."""

from msgspec import Struct


class Measured(Struct, frozen=True):
    """One thing measured against its frame; ``told`` is how the share is said, with a gap for it."""

    share: float
    band: tuple[float, float]
    score: float
    weight: float
    placements: tuple[str, ...]
    problem: str
    told: str
