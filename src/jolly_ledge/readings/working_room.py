"""Working room: free edge with depth enough for what the piece is used for, and how much must be moved first."""

from jolly_ledge.geometry.arrangement import Arrangement, Stack
from jolly_ledge.measures.score import ramp, score_of, soft_excess
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import listed, percent
from jolly_ledge.model.piece import Ledge, Seat
from jolly_ledge.model.roles import Role, role_of
from jolly_ledge.model.starts.tops import setting_of
from jolly_ledge.readings.reading import Finding, Reading

ID = "working-room"
WANTED: dict[str, float] = {
    "eating": 0.7, "games": 0.65, "tea": 0.5, "working": 0.6, "cooking": 0.5, "reading": 0.4, "sleeping": 0.4,
    "keys": 0.3, "coffee": 0.5,
}  # fmt: skip
"""Free share of the edges that a use wants."""

WORKED_AT: frozenset[Role] = frozenset({"top", "table", "counter", "island"})
BY_A_BED = 0.4
"""By a bed a glass and a book are put down; practised hands leave them a hand's breadth."""

DEPTH_MM, DEPTH_SHARE = 320.0, 0.34
"""A place setting is so deep; on a low table it may be a third of the top."""

SPAN_MM = 350.0
SMALL_SPANS_MM: dict[str, float] = {"keys": 180.0, "tea": 220.0, "coffee": 220.0, "reading": 220.0, "sleeping": 180.0}
"""Shorter stretches of free edge serve nobody; a cup or a bunch of keys wants less than a pair of hands."""

SETTING_MM = (560.0, 300.0)
"""Width and depth that a plate, its glass and the cutlery want before a seat."""

SHORT_SHARE = 0.8
"""A stretch of free edge shorter than this share of the span serves nobody."""

INTO_SHARE = 0.2
"""What reaches so far into a place setting takes it."""

SETTINGS_SHARE = 0.6
"""How much the places at a table count against its free edges where people eat."""

DISHES = frozenset({"bowl", "tray", "basket"})

HEAVY_KG, LIGHT_KG = 5.0, 1.0
"""What weighs so much is as good as two things to move."""

MANY, MOVED = 9, "moved-before-use"
MOVING_SHARE = 0.2
COVERED_AT_MOST: dict[str, float] = {
    "cooking": 0.25, "eating": 0.2, "games": 0.15, "working": 0.3, "coffee": 0.4, "tea": 0.4,
}  # fmt: skip
"""The share of a worktop that may be covered, by what is done at it; the rest is what it is for."""

COVERED_COST, COVERED_SPREAD, MUCH_COVERED = 0.4, 0.5, 1.25
"""What a spread more than that costs, and from how many times as much on it is told."""

A_MACHINE_MM, MACHINES_COST, FOOT_COST = 650.0, 0.4, 0.8
"""A worktop is worked at: three machines on two metres are many."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read which share of the edges of the main top is free to a useful depth, and what must be moved first.

    Where people eat, the places before the told seats count, too.

    Left out for pieces without a told use that needs room, and for shelves: nobody works in a bookcase. The largest
    free rectangle alone would mislead: it rewards a thing in every corner.
    """
    piece = arrangement.piece
    uses = [use for use in piece.use if use in WANTED]
    tops = [ledge for ledge in arrangement.standing_ledges if role_of(piece, ledge) in WORKED_AT]
    if not uses or not arrangement.stacks or not tops:
        return None
    use = max(uses, key=lambda use: WANTED[use])
    wanted, span = WANTED[use] * (BY_A_BED if kind_of(piece).is_by_a_bed else 1.0), SMALL_SPANS_MM.get(use, SPAN_MM)
    top = max(tops, key=lambda ledge: ledge.floor)
    stacks = arrangement.stacks.get(top.id, ())
    if use == "keys":
        # Keys are laid into a dish, also into one on books: it is room, not in the way.
        stacks = tuple(stack for stack in stacks if stack.units[-1].lead.item.category not in DISHES)
    moving = 1 - ramp(sum(_effort(stack, arrangement) for stack in stacks), 3, MANY)
    stacks = tuple(stack for stack in stacks if not _is_put_aside(stack, arrangement))
    table = kind_of(arrangement.piece).is_looked_down_on or arrangement.piece.viewed_from == "around"
    free, whole = _free_edges(top, stacks, span, all_round=table)
    value = free / whole
    room = ramp(value, 0.0, wanted)
    if use == "eating" and arrangement.piece.seats:
        places = _free_places(top, stacks, arrangement.piece.seats)
        room = (1 - SETTINGS_SHARE) * room + SETTINGS_SHARE * places
    score = (1 - MOVING_SHARE) * room + MOVING_SHARE * moving
    machines = [c for c in stacks if any(arrangement.by_id[i].item.category == "appliance" for i in c.ids)]
    most = top.width / A_MACHINE_MM
    foot = max((c.width * (c.back - c.front) for c in stacks), default=0.0) / (top.width * top.depth)
    loss = 1 - score + MACHINES_COST * soft_excess(len(machines) / most, 1.0, 0.5) + FOOT_COST * foot
    standing = tuple(identifier for stack in stacks for identifier in stack.ids)
    findings: tuple[Finding, ...] = ()
    if room < 0.9:
        said = (
            f"Only {percent(value)} of the edge of {top.label} is free to work at, {percent(wanted)} is wanted; draw "
            "the things together or toward the back."
        )
        findings = (Finding(ID, standing, said, 1 - room),)
    allowed = min((COVERED_AT_MOST[use] for use in uses if use in COVERED_AT_MOST), default=None)
    if allowed is not None and role_of(piece, top) in ("counter", "island"):
        covered = sum(stack.width * (stack.back - stack.front) for stack in stacks) / (top.width * top.depth)
        loss += COVERED_COST * soft_excess(covered / allowed, 1.0, COVERED_SPREAD)
        if covered > MUCH_COVERED * allowed:
            said = (
                f"Things cover {percent(covered)} of {top.label}; for {listed(uses)} {percent(allowed)} is enough, so "
                "that the rest is free: put away what is not used daily."
            )
            findings = (*findings, Finding(ID, standing, said, covered / allowed - 1, asks="less"))
    return Reading(
        id=ID,
        value=value,
        band=(wanted, 1.0),
        limits=(0.0, 1.0),
        score=score_of(loss),
        loss=loss,
        shown=percent(value),
        sentence=f"{percent(value)} of the edge is free; {', '.join(arrangement.piece.use)} wants {percent(wanted)}.",
        contributions=tuple((stack.ids[0], stack.width / whole) for stack in stacks),
        findings=findings,
    )


def _free_edges(top: Ledge, stacks: tuple[Stack, ...], span: float, *, all_round: bool) -> tuple[float, float]:
    """Return the free and the whole length of the edges that count (mm)."""
    deep, wide = min(DEPTH_MM, DEPTH_SHARE * top.depth), min(DEPTH_MM, DEPTH_SHARE * top.width)
    across = [(stack.left - top.left, stack.right - top.left, stack.front, stack.back) for stack in stacks]
    edges = [(top.width, [(left, right) for left, right, front, _ in across if front < deep])]
    if all_round:
        edges += [
            (top.width, [(left, right) for left, right, _, back in across if back > top.depth - deep]),
            (top.depth, [(front, back) for left, _, front, back in across if left < wide]),
            (top.depth, [(front, back) for _, right, front, back in across if right > top.width - wide]),
        ]
    return sum(_free(length, taken, span) for length, taken in edges), sum(length for length, _ in edges)


def _free(length: float, taken: list[tuple[float, float]], span: float = SPAN_MM) -> float:
    """Return how much of an edge is free in useful stretches.

    A stretch a little shorter than the span counts in part, so that a small move makes no jump.

    >>> _free(1000.0, [(400.0, 500.0)]), _free(1000.0, [(280.0, 720.0)])
    (900.0, 0.0)
    """
    at = free = 0.0
    for start, end in [*sorted(taken), (length, length)]:
        stretch = start - at
        free += max(stretch, 0.0) * ramp(stretch, SHORT_SHARE * span, span)
        at = max(at, end)
    return free


def _is_put_aside(stack: Stack, arrangement: Arrangement) -> bool:
    """Tell whether a stack is moved before the place is used: it takes no room then, but must be carried."""
    return MOVED in arrangement.by_id[stack.ids[0]].item.traits


def _effort(stack: Stack, arrangement: Arrangement) -> float:
    """Return what it takes to move a stack out of the way: one, and up to one more where it is heavy."""
    masses = (arrangement.by_id[identifier].item.mass or 0.0 for identifier in stack.ids)
    return 1.0 + ramp(sum(masses), LIGHT_KG, HEAVY_KG)


def _free_places(top: Ledge, stacks: tuple[Stack, ...], seats: tuple[Seat, ...]) -> float:
    """Return the share of seats that have room for a place setting before them."""
    free = 0.0
    for seat in seats:
        x, z = setting_of(seat, top.width, top.depth)
        beside = seat.x < 0 or seat.x > top.width
        wide, deep = (SETTING_MM[1], SETTING_MM[0]) if beside else SETTING_MM
        into = max((_into(stack, top.left + x, z, wide, deep) for stack in stacks), default=0.0)
        free += 1 - ramp(into, 0.0, INTO_SHARE * min(SETTING_MM))
    return free / len(seats)


def _into(stack: Stack, x: float, z: float, wide: float, deep: float) -> float:
    """Return how far a stack reaches into a place setting about a point; below nought it keeps clear of it."""
    along = (stack.width + wide) / 2 - abs((stack.left + stack.right) / 2 - x)
    across = (stack.back - stack.front + deep) / 2 - abs((stack.front + stack.back) / 2 - z)
    return min(along, across)
