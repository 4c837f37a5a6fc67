"""Kept clear: whether art, mirror and screen stay free of solid things before them."""

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.silhouette import DENSITIES
from jolly_ledge.measures.score import mean, score_of, soft_excess, weighted_mean
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.cover import silhouette

ID = "kept-clear"
BAND = (0.0, 0.05)
FULL: dict[str, float] = {"art": 0.22, "mirror": 0.30, "tv": 0.05}
"""Covered so far, nothing good is left to say; a screen bears least, a mirror is often crossed."""

FREE: dict[str, float] = {"art": 0.05, "mirror": 0.08, "tv": 0.0}
AIRY, CROSSED_COST = 0.6, 0.18
LEANING_FREE, LEANING_FULL, WORST_SHARE = 0.25, 0.5, 0.6


class _Target(Struct, frozen=True):
    """What is to stay free: a fixture, or art or a mirror of the stash that hangs or leans (piece mm)."""

    kind: str
    name: str
    left: float
    floor: float
    width: float
    height: float
    placement: str = ""
    depth: float = float("inf")
    leans: bool = False

    @property
    def free(self) -> float:
        """Up to so much of it may be covered."""
        return LEANING_FREE if self.leans else FREE[self.kind]

    @property
    def full(self) -> float:
        """Covered so far it is plainly spoiled."""
        return LEANING_FULL if self.leans else FULL[self.kind]


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the largest covered share of mirrors, art and screens, fixed, hung or leaning.

    Airy stems may cross a mirror.

    What leans may be crossed a little more, for it is one of a group. Left out for looks without art, mirror or screen.
    The value is the covered share of the most covered one.

    >>> from jolly_ledge.model.piece import Fixture
    >>> from jolly_ledge.readings.example import look_of, stand, table
    >>> art = Fixture(kind="art", left=400.0, floor=750.0, width=400.0, height=400.0)
    >>> look = look_of(table(fixtures=(art,)), stand(500, 200, 200))
    >>> round(read(look, look.manner).value, 2)  # 200 by 200 of 400 by 400 mm, but for the rounded corners
    0.25
    """
    targets = _targets(arrangement)
    placed = [s for s in arrangement.visible if s.placement.pose != "hung"]
    if not targets or not placed:
        return None
    shares = [_covered(target, placed) for target in targets]
    sums = [sum(parts.values()) for parts in shares]
    worst = max(range(len(targets)), key=lambda index: sums[index] / targets[index].full)
    excess = [_spoiled(target, covered) for target, covered in zip(targets, sums, strict=True)]
    sizes = [target.width * target.height for target in targets]
    loss = max(excess) * WORST_SHARE + weighted_mean(list(zip(excess, sizes, strict=True))) * (1 - WORST_SHARE)
    loss += CROSSED_COST * mean([_crossed(target, placed) for target in targets])
    value = min(sums[worst], 1.0)
    findings = tuple(
        _finding(target, parts, arrangement)
        for target, parts in zip(targets, shares, strict=True)
        if sum(parts.values()) > max(target.free, 0.01)
    )
    contributions = {
        identifier: sum(parts.get(identifier, 0.0) for parts in shares) for identifier in (s.id for s in placed)
    }
    return Reading(
        id=ID,
        value=value,
        band=(0.0, max(targets[worst].free, BAND[1])),
        limits=(0.0, 0.6),
        score=score_of(loss),
        loss=loss,
        shown="free" if value <= max(targets[worst].free, BAND[1]) else percent(value),
        sentence=f"{percent(value)} of the {targets[worst].name} is covered; up to "
        f"{percent(max(targets[worst].free, BAND[1]))} may be.",
        contributions=tuple(contributions.items()),
        findings=findings,
    )


def _spoiled(target: _Target, covered: float) -> float:
    """Return how far a target is spoiled: nought where nothing covers it, 1 where it plainly is."""
    spread = target.full - target.free
    return soft_excess(covered, target.free, spread) - soft_excess(0.0, target.free, spread)


def _crossed(target: _Target, placed: list[PlacedItem]) -> float:
    """Return how much of a target is crossed by anything, thin or solid, up to 1: a free one is freest."""
    right, top = target.left + target.width, target.floor + target.height
    crossed = 0.0
    for thing in placed:
        if thing.id == target.placement or thing.z >= target.depth or thing.root == target.placement:
            continue
        across = min(thing.right, right) - max(thing.left, target.left)
        up = min(thing.top, top) - max(thing.bottom, target.floor)
        crossed += max(across, 0.0) * max(up, 0.0)
    return min(crossed / (target.width * target.height), 1.0)


def _targets(arrangement: Arrangement) -> list[_Target]:
    found = [
        _Target(f.kind, f.name or "screen", f.left, f.floor, f.width, f.height)
        for f in arrangement.piece.fixtures
        if f.kind == "tv"
    ]
    for one in arrangement.visible:
        pose = one.placement.pose
        if one.item.category in ("art", "mirror") and pose in ("hung", "leaning"):
            leans = pose == "leaning"
            found.append(
                _Target(
                    one.item.category, one.item.label, one.left, one.bottom, one.width, one.height, one.id,
                    one.z if leans else float("inf"), leans,
                )
            )  # fmt: skip
    return found


def _covered(target: _Target, placed: list[PlacedItem]) -> dict[str, float]:
    """Return which share of a target each thing covers."""
    import shapely

    right, top = target.left + target.width, target.floor + target.height
    area = shapely.box(target.left, target.floor, right, top)
    parts = {}
    for thing in placed:
        behind = thing.id == target.placement or thing.z >= target.depth or thing.root == target.placement
        apart = thing.top <= target.floor or thing.right <= target.left or thing.left >= right or thing.bottom >= top
        if behind or apart:
            continue
        density = DENSITIES.get(thing.shape, 1.0)
        if density <= AIRY or "airy" in thing.item.traits:
            density = 1.0 if target.kind == "tv" else 0.0
        share = float(silhouette(thing).intersection(area).area) * density / float(area.area)
        if share > 0:
            parts[thing.id] = share
    return parts


def _finding(target: _Target, parts: dict[str, float], arrangement: Arrangement) -> Finding:
    most = max(parts, key=lambda identifier: parts[identifier])
    covered = sum(parts.values())
    return Finding(
        ID,
        tuple(sorted(parts, key=lambda identifier: -parts[identifier])),
        f"The {arrangement.by_id[most].item.label} stands before the {target.name}, {percent(covered)} of which is "
        "covered; move it to a side or take a lower one.",
        min(covered / target.full, 1.0),
    )
