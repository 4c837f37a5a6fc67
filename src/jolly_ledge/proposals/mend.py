"""Mend: for something that was found, the best few single moves, each with what it would change."""

from collections import Counter
from collections.abc import Iterator

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.history import Edit
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.move import Move
from jolly_ledge.proposals.moves import moves_for
from jolly_ledge.proposals.problem import stops_of
from jolly_ledge.readings.reading import Finding
from jolly_ledge.readings.register import Assessment, assess, read_one

READ_WHOLE, READ_OF_KIND = 8, 2
"""How many moves are read as wholes: so many of all, and so many of each kind."""

NOTICED = 0.003
WORTH_IT = 0.004
"""A move that gains less than half a point is none."""


class Mend(Struct, frozen=True):
    """One move: what it does, the edit, the score after it and every reading it changes (before, after)."""

    label: str
    edit: Edit
    look: Look
    gain: float
    changes: tuple[tuple[str, float, float], ...]


def finding_ids(assessment: Assessment) -> tuple[tuple[str, Finding], ...]:
    """Return the findings with ids of their own, gravest first: the reading's id and a number."""
    counts: dict[str, int] = {}
    found = []
    for finding in assessment.findings:
        counts[finding.reading] = counts.get(finding.reading, 0) + 1
        found.append((f"{finding.reading}-{counts[finding.reading]}", finding))
    return tuple(found)


def mends(plan: Plan, look: Look, finding: Finding, most: int = 3) -> tuple[Mend, ...]:
    """Return the best single moves for a finding, the greatest gain first; none when nothing helps.

    A move is offered only if the reading that was found at fault and the whole get better, and nothing
    would stand where it cannot.

    Notes
    -----
    The reading at fault alone is asked first, at a twentieth of the cost of all; the moves that help it
    most, and the best of every kind of move, are then read as wholes.
    """
    arrangement = arrange(plan, look)
    before = assess(arrangement)
    forbidden = stops_of(arrangement)
    fault = before.reading(finding.reading)
    helping: list[tuple[float, Move, Arrangement]] = []
    for move in moves_for(plan, look, arrangement, finding):
        after = _tried(plan, look, move.edit)
        mended = read_one(finding.reading, after) if after is not None else None
        relief = 1.0 if mended is None or fault is None else mended.score - fault.score
        if after is not None and relief > NOTICED:
            helping.append((relief, move, after))
    found: list[tuple[str, Mend]] = []
    for move, after in _most_promising(helping):
        assessment = assess(after)
        gain = assessment.score - before.score
        if gain >= WORTH_IT and not stops_of(after) - forbidden:
            found.append((move.kind, Mend(move.label, move.edit, after.look, gain, _changes(before, assessment))))
    found.sort(key=lambda pair: (-pair[1].gain, pair[1].label))
    return tuple(_different(found))[:most]


def _most_promising(helping: list[tuple[float, Move, Arrangement]]) -> Iterator[tuple[Move, Arrangement]]:
    """Yield the moves that relieve the finding most: the best of all, and the best of each kind."""
    of_kind: Counter[str] = Counter()
    for rank, (_, move, after) in enumerate(sorted(helping, key=lambda one: (-one[0], one[1].label))):
        of_kind[move.kind] += 1
        if rank < READ_WHOLE or of_kind[move.kind] <= READ_OF_KIND:
            yield move, after


def _tried(plan: Plan, look: Look, edit: Edit) -> Arrangement | None:
    try:
        changed = edit.apply(plan)
    except JollyLedgeError:
        return None
    return arrange(changed, changed.look(look.id))


def _changes(before: Assessment, after: Assessment) -> tuple[tuple[str, float, float], ...]:
    earlier = {reading.id: reading.score for reading in before.readings}
    later = {reading.id: reading.score for reading in after.readings}
    pairs = ((name, earlier.get(name, 0.0), later.get(name, 0.0)) for name in {**earlier, **later})
    changed = [pair for pair in pairs if abs(pair[2] - pair[1]) >= 0.005]
    return tuple(sorted(changed, key=lambda pair: -abs(pair[2] - pair[1])))


def _different(found: list[tuple[str, Mend]]) -> Iterator[Mend]:
    """Yield the best move of each kind, then the rest; the same move a little farther is no second answer."""
    labels, kinds = set[str](), set[str]()
    later: list[Mend] = []
    for kind, mend in found:
        if mend.label in labels:
            continue
        labels.add(mend.label)
        if kind in kinds:
            later.append(mend)
        else:
            kinds.add(kind)
            yield mend
    yield from later
