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

    @property
    def off_the_middle(self) -> float:
        """How far the share lies from the middle of its band, 0 to 1 at its ends and beyond."""
        low, high = self.band
        return min(abs(2 * self.share - low - high) / max(high - low, 1e-9), 1.0)
