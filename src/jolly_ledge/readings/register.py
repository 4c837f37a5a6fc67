"""All readings in one list, with the questions they answer and how much each counts."""

from collections.abc import Callable

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.arrangement import Arrangement
from jolly_ledge.model.look import Manner
from jolly_ledge.model.mishaps import LOG
from jolly_ledge.readings import (
    alike_apart,
    all_round,
    cohesion,
    colour_echo,
    contrast,
    even_rest,
    even_vignettes,
    figure,
    height_rhythm,
    how_many,
    kept_clear,
    layering,
    mix,
    must_haves,
    negative_space,
    odd_groups,
    palette,
    scale,
    seen_shut,
    side_balance,
    sight_line,
    stack_order,
    weight_low,
    working_room,
)
from jolly_ledge.readings.reading import Finding, Reading

Read = Callable[[Arrangement, Manner], Reading | None]


class Entry(Struct, frozen=True):
    """One reading: how it is called, which question it answers, what it counts."""

    id: str
    name: str
    question: str
    read: Read
    weight: float
    mirrored: float = 1.0
    airy: float = 1.0
    """What the weight is multiplied by in the mirrored figure and in the airy fullness."""

    def weight_for(self, manner: Manner) -> float:
        """Return what the reading counts in a manner."""
        weight = self.weight
        if manner.figure == "mirrored":
            weight *= self.mirrored
        if manner.fullness == "airy":
            weight *= self.airy
        return weight * manner.emphasis_on(self.id)


HOW_MANY, HOW_TALL, HOW_HEAVY, WHICH_COLOURS, DOES_IT_WORK = (
    "How many?",
    "How tall?",
    "How heavy to the eye?",
    "Which colours?",
    "Does it work?",
)

# Weights calibrated on the judgement cases: groups, rhythm and scale carry a look, colour ties it
# together; contrast and layering refine it. In the mirrored figure balance is the point, and equal
# heights and likes are meant; in the airy fullness the rest is the point, and few things stand before others.
REGISTER: tuple[Entry, ...] = (
    Entry(odd_groups.ID, "Odd groups", HOW_MANY, odd_groups.read, 1.0, mirrored=0.6),
    Entry(how_many.ID, "How many", HOW_MANY, how_many.read, 0.7),
    Entry(negative_space.ID, "Negative space", HOW_MANY, negative_space.read, 1.3, airy=1.5),
    Entry(even_rest.ID, "Even rest", HOW_MANY, even_rest.read, 0.6),
    Entry(cohesion.ID, "Cohesion", HOW_MANY, cohesion.read, 1.2),
    Entry(height_rhythm.ID, "Height rhythm", HOW_TALL, height_rhythm.read, 1.2, mirrored=0.5),
    Entry(scale.ID, "Scale", HOW_TALL, scale.read, 1.2),
    Entry(layering.ID, "Layering", HOW_TALL, layering.read, 0.9, airy=0.6),
    Entry(figure.ID, "Figure", HOW_TALL, figure.read, 0.9, mirrored=1.6),
    Entry(side_balance.ID, "Side balance", HOW_HEAVY, side_balance.read, 1.0, mirrored=1.6),
    Entry(weight_low.ID, "Weight low", HOW_HEAVY, weight_low.read, 0.9),
    Entry(even_vignettes.ID, "Even vignettes", HOW_HEAVY, even_vignettes.read, 1.1),
    Entry(stack_order.ID, "Stack order", HOW_HEAVY, stack_order.read, 0.9),
    Entry(palette.ID, "Palette", WHICH_COLOURS, palette.read, 1.2),
    Entry(colour_echo.ID, "Colour echo", WHICH_COLOURS, colour_echo.read, 1.1),
    Entry(contrast.ID, "Contrast", WHICH_COLOURS, contrast.read, 0.9),
    Entry(alike_apart.ID, "Alike apart", WHICH_COLOURS, alike_apart.read, 1.2),
    Entry(mix.ID, "Mix", WHICH_COLOURS, mix.read, 0.9, mirrored=0.35),
    Entry(kept_clear.ID, "Kept clear", DOES_IT_WORK, kept_clear.read, 1.5),
    Entry(seen_shut.ID, "Seen shut", DOES_IT_WORK, seen_shut.read, 1.2),
    Entry(sight_line.ID, "Sight line", DOES_IT_WORK, sight_line.read, 1.9),
    Entry(all_round.ID, "All round", DOES_IT_WORK, all_round.read, 1.0),
    Entry(working_room.ID, "Working room", DOES_IT_WORK, working_room.read, 1.9),
    Entry(must_haves.ID, "Must-haves", DOES_IT_WORK, must_haves.read, 1.9),
)
QUESTIONS: tuple[str, ...] = (HOW_MANY, HOW_TALL, HOW_HEAVY, WHICH_COLOURS, DOES_IT_WORK)
NAMES: dict[str, str] = {entry.id: entry.name for entry in REGISTER}


class Assessment(Struct, frozen=True):
    """All readings of a look and the weighted mean of their scores (0 to 1).

    ``unread`` are the ids of readings that failed in a way nobody foresaw.
    """

    score: float
    readings: tuple[Reading, ...]
    unread: tuple[str, ...] = ()

    @property
    def findings(self) -> tuple[Finding, ...]:
        """All findings, gravest first."""
        found = [finding for reading in self.readings for finding in reading.findings]
        return tuple(sorted(found, key=lambda finding: -finding.gravity))

    def reading(self, reading_id: str) -> Reading | None:
        """Return a reading by its id, None where it does not apply."""
        return next((reading for reading in self.readings if reading.id == reading_id), None)


_BY_ID = {entry.id: entry for entry in REGISTER}


def read_one(reading_id: str, arrangement: Arrangement) -> Reading | None:
    """Read one quality of a look alone; None where it does not apply."""
    return _BY_ID[reading_id].read(arrangement, arrangement.manner)


def assess(arrangement: Arrangement) -> Assessment:
    """Read a look: every reading that applies, and their weighted mean for its manner."""
    manner = arrangement.manner
    readings: list[Reading] = []
    unread: list[str] = []
    total = weight = 0.0
    for entry in REGISTER:
        try:
            reading = entry.read(arrangement, manner)
        except Exception:
            LOG.exception("“%s” could not be read of this look; the other readings stand.", entry.name)
            unread.append(entry.id)
            continue
        if reading is None:
            continue
        readings.append(reading)
        counts = entry.weight_for(manner) * reading.evidence
        total += counts * reading.score
        weight += counts
    return Assessment(total / weight if weight else 0.0, _agreed(readings), tuple(unread))


def _agreed(readings: list[Reading]) -> tuple[Reading, ...]:
    """Return the readings without findings that contradict a graver one at the same place: more, and fewer."""
    asking = [finding for reading in readings for finding in reading.findings if finding.asks]
    if len({finding.asks for finding in asking}) < 2:
        return tuple(readings)
    gone = {
        min(one, other, key=lambda finding: finding.gravity)
        for one in asking
        for other in asking
        if one.asks == "more" and other.asks == "less" and set(one.placements) & set(other.placements)
    }
    return tuple(
        replace(reading, findings=tuple(f for f in reading.findings if f not in gone))
        if gone.intersection(reading.findings)
        else reading
        for reading in readings
    )


EVEN = 0.004
"""Two scores nearer than this are even."""


def better_of(first: float, second: float) -> int:
    """Return -1 when the first score is better, 1 when the second is, 0 when they are even."""
    if abs(first - second) < EVEN:
        return 0
    return -1 if first > second else 1
