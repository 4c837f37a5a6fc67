"""Whether things can be used where they stand, and what must be moved before."""

from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution, Level
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.in_use import Obstacle, away_from, obstacles, reach_of
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.use import Use

VERBS = {"": "has no room to be used", "lid": "does not open", "door": "does not open", "drawer": "does not open"}
LIFTED = {2: ", both hands", 4: ", two people"}
SELDOM = frozenset({"rarely", "not-since"})


def in_use(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that do not open or turn where they stand, and what stands in the way of those that are used."""
    for placed in arrangement.placed_items:
        if placed.item.use is not None:
            yield from _of(placed, placed.item.use, obstacles(arrangement, placed))
            yield from _apart(arrangement, placed)


def _of(placed: PlacedItem, use: Use, found: tuple[Obstacle, ...]) -> Iterable[Caution]:
    fixed = max((o for o in found if o.placed is None), key=lambda o: o.short, default=None)
    if fixed is not None:
        level: Level = "heed" if use.often in SELDOM else "stop"
        yield Caution("in-use", level, (placed.id,), _too_short(placed, use, fixed))
    in_the_way = tuple({o.placed.id: o.placed for o in found if o.placed is not None}.values())
    if in_the_way and use.often != "not-since":
        daily = use.often == "daily" or (not use.often and "daily-use" in placed.item.traits)
        names = listed([f"the {one.item.label} ({_weight(one)})" for one in in_the_way])
        said = f"{names} must be moved{' each day' if daily else ''}; keep that room free."
        ids = (placed.id, *(one.id for one in in_the_way))
        yield Caution("in-use", "stop" if daily else "heed", ids, f"Before the {placed.item.label} is used, {said}")


def _too_short(placed: PlacedItem, use: Use, fixed: Obstacle) -> str:
    opens = fixed.part in ("its lid", "its door", "its drawer")
    verb = VERBS[use.opens] if opens else "does not turn" if fixed.part == "it" else VERBS[""]
    return (
        f"The {placed.item.label} {verb} here: {fixed.part} is {round(fixed.short)} mm short of room to "
        f"{fixed.against}; move it to where it can be used."
    )


def _apart(arrangement: Arrangement, placed: PlacedItem) -> Iterable[Caution]:
    """Report what is used together and does not stand within an arm's length."""
    reach = reach_of(arrangement, placed)
    for other in reach.outside if reach is not None else ():
        # Where both tell it, it is said once.
        if other.item.use is None or placed.item.id not in other.item.use.along or other.id > placed.id:
            yield Caution(
                "in-use",
                "heed",
                (placed.id, other.id),
                f"The {placed.item.label} is used with the {other.item.label}, which stands "
                f"{round(away_from(placed, other) / 10)} cm away; bring them within an arm's length.",
            )


def _weight(placed: PlacedItem) -> str:
    mass, use = placed.item.mass, placed.item.use
    lifted = LIFTED.get(use.hands or 0, "") if use is not None else ""
    return ("weight unknown" if mass is None else f"{mass:g} kg") + lifted
