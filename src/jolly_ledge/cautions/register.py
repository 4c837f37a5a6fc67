"""All cautions in one list."""

from collections.abc import Callable, Iterable

from jolly_ledge.cautions import hazards, space
from jolly_ledge.cautions.caution import GRAVITY, Caution
from jolly_ledge.model.arrangement import Arrangement

REGISTER: tuple[tuple[str, Callable[[Arrangement], Iterable[Caution]]], ...] = (
    ("fit", space.fit),
    ("collision", space.collision),
    ("overhang", space.overhang),
    ("heavy-high", hazards.heavy_high),
    ("rolls", hazards.rolls),
)
NAMES = {
    "fit": "Does not fit",
    "collision": "In one place",
    "overhang": "Over the edge",
    "heavy-high": "Heavy high up",
    "rolls": "Rolls",
}
CLOSING = "Local codes, the maker's rating and a licensed person decide."


def cautions_of(arrangement: Arrangement) -> tuple[Caution, ...]:
    """Return all cautions of a look, gravest first."""
    found = [caution for _, check in REGISTER for caution in check(arrangement)]
    return tuple(sorted(found, key=lambda caution: GRAVITY[caution.level]))
