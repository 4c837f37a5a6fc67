"""Even rest: empty places spread over the piece, not one hole."""

from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, Stack
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.measures.score import deviation, mean, score_of, soft_excess
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent
from jolly_ledge.model.roles import role_of
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.cover import covered_area

ID = "even-rest"
BAND = (0.0, 0.16)
UNEVEN = 0.4
FEWEST = 3
NOT_ASKED = frozenset({"floor", "hearth", "table", "island", "counter", "below"})
SINGLE_ENDS = 0.3
"""A single thing may stand to a side."""

FREE_END, END_SPREAD, SPREAD_COST, ENDS_COST, BARE_COST = 0.12, 0.25, 0.35, 0.3, 1.2
EVENER_COST = 0.5


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how evenly rest is spread: over the ledges (deviation of their covered shares), and to both ends of each.

    A shelf left bare beside full ones is a hole. On tables the air is told by the balance. The value is the deviation
    of the covered shares, or, with fewer than three ledges, how much more air there is at one end than at the other.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(3), stand(400, 320, 200))
    >>> round(read(look, look.manner).value, 3)  # the deviation of 0.2, 0 and 0
    0.094
    """
    piece = arrangement.piece
    ledges = [one for one in arrangement.standing_ledges if role_of(piece, one) not in NOT_ASKED]
    used = [arrangement.stacks[one.id] for one in ledges if arrangement.stacks.get(one.id)]
    if not used or not arrangement.visible:
        return None
    shares = {}
    for ledge in ledges:
        things = tuple(s for s in arrangement.by_ledge.get(ledge.id, ()) if s.placement.pose != "draped")
        shares[ledge.id] = covered_area(things) / (ledge.width * frame_height(ledge))
    ends = [_uneven_ends(stacks) for stacks in used]
    bare = (len(ledges) - len(used)) / len(ledges)
    spread = deviation(list(shares.values())) if len(ledges) >= FEWEST else 0.0
    value = spread if len(ledges) >= FEWEST else mean(ends)
    loss = SPREAD_COST * soft_excess(spread, BAND[1], BAND[1]) * (len(ledges) >= FEWEST)
    loss += ENDS_COST * mean([soft_excess(end, FREE_END, END_SPREAD) for end in ends]) + BARE_COST * bare
    # Even is better than even enough.
    loss += EVENER_COST * (mean(ends) + 2 * spread)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 0.5),
        score=score_of(loss),
        shown="even" if value <= BAND[1] else f"± {percent(value)}",
        sentence=f"The covered share of the ledges differs by {percent(value)}; up to 16 % is even."
        if len(ledges) >= FEWEST
        else f"At one end there is {percent(value)} more air than at the other; up to 16 % is even.",
        contributions=tuple(
            (placed.id, shares[ledge]) for ledge, things in arrangement.by_ledge.items() for placed in things
            if ledge in shares
        ),
        findings=_findings(arrangement, shares, ends, used, spread),
        loss=loss,
    )  # fmt: skip


def _findings(
    arrangement: Arrangement, shares: dict[str, float], ends: list[float], used: list[tuple[Stack, ...]], spread: float
) -> tuple[Finding, ...]:
    findings: list[Finding] = []
    if spread > BAND[1] * 1.25:
        fullest, emptiest = max(shares, key=lambda one: shares[one]), min(shares, key=lambda one: shares[one])
        full, empty = arrangement.piece.ledge(fullest), arrangement.piece.ledge(emptiest)
        findings.append(
            Finding(
                ID,
                tuple(s.id for s in arrangement.by_ledge.get(fullest, ())),
                f"The rest is uneven: {full.label} is covered to {percent(shares[fullest])}, {empty.label} to "
                f"{percent(shares[emptiest])}; carry something over.",
                min(spread / UNEVEN, 1.0) * 0.7,
            )
        )
    for stacks, end in zip(used, ends, strict=True):
        if end > 3 * FREE_END:
            ledge = stacks[0].ledge
            left = min(stack.left for stack in stacks) - ledge.left
            side = "left" if left > ledge.width / 2 or left > ledge.right - max(c.right for c in stacks) else "right"
            said = f"The {side} end of {ledge.label} is empty while the other is full; draw something there."
            findings.append(Finding(ID, tuple(i for c in stacks for i in c.ids), said, min(end, 0.7)))
    return tuple(findings)


@lru_cache(maxsize=512)
def _uneven_ends(stacks: tuple[Stack, ...]) -> float:
    """Return how much more air there is at one end of a ledge than at the other, in widths of the ledge."""
    ledge = stacks[0].ledge
    left, right = min(c.left for c in stacks) - ledge.left, ledge.right - max(c.right for c in stacks)
    return abs(left - right) / ledge.width * (1.0 if len(stacks) > 1 else SINGLE_ENDS)


LEAST_REST_SHARE = 0.10
"""A narrower gap along a ledge is the space between things, no rest."""


def resting_places(arrangement: Arrangement) -> tuple[tuple[float, float, float, float], ...]:
    """Return the empty places the eye rests on: gaps along the ledges (left, floor, width, height; piece mm)."""
    found = []
    for ledge in arrangement.standing_ledges:
        high, at = frame_height(ledge), ledge.left
        things = sorted((s.left, s.right) for s in arrangement.by_ledge.get(ledge.id, ()))
        for left, right in [*things, (ledge.right, ledge.right)]:
            if left - at >= LEAST_REST_SHARE * ledge.width:
                found.append((at, ledge.floor, left - at, high))
            at = max(at, right)
    return tuple(found)
