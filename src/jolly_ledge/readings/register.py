"""All readings in one list, with the questions they answer and how much each counts."""

import math
from collections.abc import Callable

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.score import score_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.mishaps import LOG
from jolly_ledge.readings import (
    alike_apart,
    all_round,
    books,
    cohesion,
    colour_echo,
    contrast,
    covered,
    even_rest,
    even_vignettes,
    figure,
    focal_point,
    grouping,
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
    tie,
    weight_low,
    working_room,
)
from jolly_ledge.readings.meant import NOT_OF_TOOLS, unread_ledges, unread_things, without_ledges, without_things
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.as_seen import as_seen
from jolly_ledge.scene.fixed import is_fixed

Read = Callable[[Arrangement, Manner], Reading | None]


class ReadingEntry(Struct, frozen=True):
    """One reading: how it is called, which question it answers, what it counts."""

    id: str
    name: str
    question: str
    read: Read
    weight: float
    mirrored: float = 1.0
    airy: float = 1.0
    """What the weight is multiplied by in the mirrored figure and in the airy fullness."""

    scale: float = 1.0
    """How gently its loss is taken."""

    neutral: float = 0.0
    """What is lost where it does not apply: what chance looks lose; nought where absence is no fault and no merit."""

    def weight_for(self, manner: Manner) -> float:
        """Return what the reading counts in a manner."""
        weight = self.weight
        if manner.figure == "mirrored":
            weight *= self.mirrored
        if manner.fullness == "airy":
            weight *= self.airy
        return weight * self.scale * manner.emphasis_on(self.id)


HOW_MANY, HOW_TALL, HOW_HEAVY, WHICH_COLOURS, DOES_IT_WORK = (
    "How many?",
    "How tall?",
    "How heavy to the eye?",
    "Which colours?",
    "Does it work?",
)

GENTLE = 0.2
"""What composed looks do not hold by, and what schools disagree on, is a gentle loss: it tells two like looks apart."""

# Weights lie within a factor of three, among the plain losses and among the gentle ones. They were chosen by leaving
# out one kind of furniture after the other (docs/judgement.md). In the mirrored figure balance is the point, and equal
# heights and likes are meant; in the airy fullness the rest is the point, and few things stand before others.
REGISTER: tuple[ReadingEntry, ...] = (
    ReadingEntry(odd_groups.ID, "Odd groups", HOW_MANY, odd_groups.read, 0.9, mirrored=0.6, scale=GENTLE, neutral=0.28),
    ReadingEntry(how_many.ID, "How many", HOW_MANY, how_many.read, 1.2, scale=GENTLE, neutral=0.3),
    ReadingEntry(negative_space.ID, "Negative space", HOW_MANY, negative_space.read, 0.9, airy=1.5, neutral=0.15),
    ReadingEntry(even_rest.ID, "Even rest", HOW_MANY, even_rest.read, 0.9, neutral=0.1),
    ReadingEntry(grouping.ID, "Grouping", HOW_MANY, grouping.read, 1.5, mirrored=0.4, scale=GENTLE, neutral=0.3),
    ReadingEntry(cohesion.ID, "Cohesion", HOW_MANY, cohesion.read, 0.7, neutral=0.2),
    ReadingEntry(
        height_rhythm.ID, "Height rhythm", HOW_TALL, height_rhythm.read, 1.6, mirrored=0.5, scale=GENTLE, neutral=0.15
    ),
    ReadingEntry(scale.ID, "Scale", HOW_TALL, scale.read, 1.3, neutral=0.11),
    ReadingEntry(layering.ID, "Layering", HOW_TALL, layering.read, 0.6, airy=0.6, scale=GENTLE, neutral=0.3),
    ReadingEntry(covered.ID, "Covered", HOW_TALL, covered.read, 1.6, scale=GENTLE, neutral=0.1),
    ReadingEntry(figure.ID, "Figure", HOW_TALL, figure.read, 0.6, mirrored=3.0, scale=GENTLE, neutral=0.16),
    ReadingEntry(
        side_balance.ID, "Side balance", HOW_HEAVY, side_balance.read, 1.2, mirrored=1.6, scale=GENTLE, neutral=0.38
    ),
    ReadingEntry(weight_low.ID, "Weight low", HOW_HEAVY, weight_low.read, 0.9, scale=GENTLE, neutral=0.28),
    ReadingEntry(even_vignettes.ID, "Even vignettes", HOW_HEAVY, even_vignettes.read, 0.7, scale=GENTLE, neutral=0.45),
    ReadingEntry(focal_point.ID, "Focal point", HOW_HEAVY, focal_point.read, 0.6, scale=GENTLE, neutral=0.24),
    ReadingEntry(stack_order.ID, "Stack order", HOW_HEAVY, stack_order.read, 0.9, neutral=0.15),
    ReadingEntry(palette.ID, "Palette", WHICH_COLOURS, palette.read, 2.0),
    ReadingEntry(colour_echo.ID, "Colour echo", WHICH_COLOURS, colour_echo.read, 0.55, scale=GENTLE, neutral=0.3),
    ReadingEntry(tie.ID, "Tie", WHICH_COLOURS, tie.read, 0.6, scale=GENTLE),
    ReadingEntry(contrast.ID, "Contrast", WHICH_COLOURS, contrast.read, 1.2, scale=GENTLE, neutral=0.1),
    ReadingEntry(alike_apart.ID, "Alike apart", WHICH_COLOURS, alike_apart.read, 0.7, scale=GENTLE),
    ReadingEntry(mix.ID, "Mix", WHICH_COLOURS, mix.read, 0.8, mirrored=0.35, scale=GENTLE, neutral=0.16),
    ReadingEntry(kept_clear.ID, "Kept clear", DOES_IT_WORK, kept_clear.read, 1.3),
    ReadingEntry(seen_shut.ID, "Seen shut", DOES_IT_WORK, seen_shut.read, 1.0),
    ReadingEntry(sight_line.ID, "Sight line", DOES_IT_WORK, sight_line.read, 1.0),
    ReadingEntry(all_round.ID, "All round", DOES_IT_WORK, all_round.read, 0.7),
    ReadingEntry(working_room.ID, "Working room", DOES_IT_WORK, working_room.read, 0.6, scale=GENTLE, neutral=0.5),
    ReadingEntry(books.ID, "Books", DOES_IT_WORK, books.read, 0.7),
    ReadingEntry(must_haves.ID, "Must-haves", DOES_IT_WORK, must_haves.read, 0.7),
)
QUESTIONS: tuple[str, ...] = (HOW_MANY, HOW_TALL, HOW_HEAVY, WHICH_COLOURS, DOES_IT_WORK)
NAMES: dict[str, str] = {entry.id: entry.name for entry in REGISTER}


class Assessment(Struct, frozen=True):
    """All readings of a look, what each loses, and the score: exp of minus the loss (0 to 1).

    ``losses`` tells by reading what it takes from the look, weighed; a reading that does not apply takes what chance
    looks lose. ``unread`` are the ids of readings that failed in a way nobody foresaw.
    """

    score: float
    readings: tuple[Reading, ...]
    unread: tuple[str, ...] = ()
    loss: float = 0.0
    losses: tuple[tuple[str, float], ...] = ()

    @property
    def by_question(self) -> dict[str, float]:
        """What each question loses."""
        told = dict.fromkeys(QUESTIONS, 0.0)
        for identifier, lost in self.losses:
            told[_BY_ID[identifier].question] += lost
        return told

    @property
    def findings(self) -> tuple[Finding, ...]:
        """All findings, ordered by how much they would gain: the loss of a reading is shared out by gravity."""
        lost = dict(self.losses)
        gains: list[tuple[float, Finding]] = []
        for reading in self.readings:
            whole = sum(finding.gravity for finding in reading.findings) or 1.0
            gains += [(lost.get(reading.id, 0.0) * f.gravity / whole, f) for f in reading.findings]
        return tuple(finding for _, finding in sorted(gains, key=lambda one: -one[0]))

    def reading(self, reading_id: str) -> Reading | None:
        """Return a reading by its id, None where it does not apply."""
        return next((reading for reading in self.readings if reading.id == reading_id), None)


_BY_ID = {entry.id: entry for entry in REGISTER}


def read_one(reading_id: str, arrangement: Arrangement) -> Reading | None:
    """Read one quality of a look alone; None where it does not apply."""
    arrangement = without_ledges(arrangement, unread_ledges(reading_id, arrangement))
    if reading_id in NOT_OF_TOOLS:
        arrangement = without_things(arrangement, unread_things(as_seen(arrangement)))
    arrangement = as_seen(arrangement)
    reading = _BY_ID[reading_id].read(arrangement, arrangement.manner)
    return None if reading is None else _of_placements(_with_loss(reading))


UNIT = 4.0
"""So much loss takes the score down by e: a composed look loses between one and two of it, nonsense five and more."""

TAIL_COST, TAIL_STEEP, WITHIN_COST = 0.25, 3.0, 0.07
"""Outside its band a value is worse the further it lies, even where the score has nothing left to lose; within it is
best in the middle, or at the end of the scale that the band touches."""


def loss_of(reading: Reading) -> float:
    """Return what a reading loses: 0 nothing to better, 1 plainly noticed, 2 and more spoils the look."""
    if reading.loss is not None:
        return reading.loss
    (low, high), (start, end) = reading.limits, reading.band
    outside = max(start - reading.value, reading.value - end, 0.0) / max(high - low, 1e-9)
    return 1 - reading.score + TAIL_COST * math.log1p(TAIL_STEEP * outside) + WITHIN_COST * _off_the_best(reading)


def _off_the_best(reading: Reading) -> float:
    """Return how far a value lies from the best within its band, 0 to 1; 1 outside of it."""
    (low, high), (start, end) = reading.limits, reading.band
    if end >= high:
        off = (end - reading.value) / (end - start)
    elif start <= low:
        off = (reading.value - start) / (end - start)
    else:
        off = abs(2 * reading.value - start - end) / (end - start)
    return min(max(off, 0.0), 1.0)


def _with_loss(reading: Reading) -> Reading:
    """Return a reading that tells its loss, with the score that belongs to it."""
    if reading.loss is None:
        lost = loss_of(reading)
        reading = replace(reading, loss=lost, score=score_of(lost))
    return reading


def _of_placements(reading: Reading) -> Reading:
    """Return a reading whose parts and findings name what can be moved: what is fixed is seen, but stays."""
    findings = tuple(
        replace(finding, placements=tuple(one for one in finding.placements if not is_fixed(one)))
        for finding in reading.findings
        if not finding.placements or not all(is_fixed(one) for one in finding.placements)
    )
    contributions = tuple(part for part in reading.contributions if not is_fixed(part[0]))
    return replace(reading, contributions=contributions, findings=findings)


class _Parts:
    """A look without the ledges and the tools that a reading has no say on; each such part is made once."""

    def __init__(self, arrangement: Arrangement) -> None:
        self._whole = arrangement
        self._is_plain = not any(ledge.meant.is_told for ledge in arrangement.piece.ledges)
        seen, nothing = as_seen(arrangement), frozenset[str]()
        self._tools = unread_things(seen)
        self._made: dict[tuple[frozenset[str], bool], Arrangement | None] = {(nothing, False): seen}

    def for_reading(self, reading: str) -> Arrangement | None:
        """Return what a reading reads; None where it has no say on any ledge in use."""
        unread: frozenset[str] = frozenset() if self._is_plain else unread_ledges(reading, self._whole)
        key = unread, bool(self._tools) and reading in NOT_OF_TOOLS
        if key not in self._made:
            part = without_ledges(self._whole, unread)
            part = as_seen(without_things(part, self._tools) if key[1] else part)
            self._made[key] = part if part.placed_items or not self._whole.placed_items else None
        return self._made[key]


def assess(arrangement: Arrangement) -> Assessment:
    """Read a look: every reading that applies, and the sum of what they lose in its manner."""
    parts = _Parts(arrangement)
    arrangement = as_seen(arrangement)
    manner = arrangement.manner
    has_fixed = any(is_fixed(one.id) for one in arrangement.visible)
    readings: list[Reading] = []
    unread: list[str] = []
    losses: list[tuple[str, float]] = []
    for entry in REGISTER:
        try:
            part = parts.for_reading(entry.id)
            reading = None if part is None else entry.read(part, manner)
        except Exception:
            LOG.exception("“%s” could not be read of this look; the other readings stand.", entry.name)
            unread.append(entry.id)
            continue
        if reading is not None:
            reading = _of_placements(_with_loss(reading)) if has_fixed else _with_loss(reading)
            readings.append(reading)
        lost = (0.0 if part is None else entry.neutral) if reading is None else loss_of(reading)
        losses.append((entry.id, entry.weight_for(manner) * lost))
    loss = sum(lost for _, lost in losses)
    score = math.exp(-loss / UNIT) if readings else 0.0
    return Assessment(score, _agreed(readings), tuple(unread), loss, tuple(losses))


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


EVEN, HAIR = 0.0005, 0.01
"""Two scores nearer than the first are even, and nearer than the second they differ by less than an eye can tell."""


def better_of(first: float, second: float) -> int:
    """Return -1 when the first score is better, 1 when the second is, 0 when they are even.

    Parameters
    ----------
    first : float
        A score, 0 to 1.
    second : float
        A score, 0 to 1.
    """
    if abs(first - second) < EVEN:
        return 0
    return -1 if first > second else 1


def by_a_hair(first: float, second: float) -> bool:
    """Tell whether two scores differ by less than an eye can tell.

    Parameters
    ----------
    first : float
        A score, 0 to 1.
    second : float
        A score, 0 to 1.
    """
    return abs(first - second) < HAIR
