"""How varied the members of a set are among themselves: a nest by its sizes, a collection by size and outline."""

from collections import Counter, defaultdict
from collections.abc import Iterator

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.score import ramp

VARIED_SENSES = frozenset({"nest", "collection", "trio"})
"""What is meant to differ within; a pair, a service and a series are meant to be alike."""

FEWEST, STEPPED = 3, 0.3
"""From the lowest to the highest a set varies by at least so much of the highest."""


class SetVariety(Struct, frozen=True):
    """A set that stands together on one ledge, and how far its members are all of one height and outline, 0 to 1."""

    name: str
    sense: str
    members: tuple[PlacedItem, ...]
    sameness: float


def varieties_of(arrangement: Arrangement) -> Iterator[SetVariety]:
    """Yield how alike the members of every set are that is meant to vary within."""
    sets: dict[tuple[str, str], list[PlacedItem]] = defaultdict(list)
    for placed in arrangement.visible:
        if placed.item.set and placed.item.sense in VARIED_SENSES:
            sets[placed.item.set, placed.ledge.id].append(placed)
    for (name, _), members in sets.items():
        if len(members) >= FEWEST:
            sense = members[0].item.sense
            yield SetVariety(name, sense, tuple(members), _sameness(members, sizes_alone=sense == "nest"))


def _sameness(members: list[PlacedItem], *, sizes_alone: bool) -> float:
    """Return how far things are of one size, and of one outline where that may vary, too."""
    heights = [placed.height for placed in members]
    level = 1 - ramp((max(heights) - min(heights)) / max(heights), 0.0, STEPPED)
    if sizes_alone:
        return level
    commonest = Counter(placed.shape for placed in members).most_common(1)[0][1]
    return level * (commonest - 1) / (len(members) - 1)
