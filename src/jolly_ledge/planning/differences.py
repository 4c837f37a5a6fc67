"""What differs between two looks, named as one would say it."""

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.phrases import capital, listed, percent

MOVED_MM = 30.0
"""Nearer places are one place to the eye."""

POSES = {
    "upright": "stands", "flat": "lies flat", "leaning": "leans", "spine-in": "shows its pages", "hung": "hangs",
    "draped": "is draped",
}  # fmt: skip
MOST_NAMED = 6
GREW = 1.4
"""What fills so many times as much of its opening looks larger there."""


def differences(first: Arrangement, second: Arrangement) -> tuple[str, ...]:
    """Return in sentences what the second look does otherwise than the first; empty when they are alike.

    What came and went first, then what changed ledges, then poses, then what only moved along its ledge. On another
    piece everything stands elsewhere: there it is told which ledge goes to which, and what fills more or less of its
    opening than before.
    """
    before = {placed.item.id: placed for placed in first.placed_items}
    after = {placed.item.id: placed for placed in second.placed_items}
    gone = [before[item] for item in before if item not in after]
    new = [after[item] for item in after if item not in before]
    both = [(before[item], after[item]) for item in before if item in after]
    said = []
    if new:
        said.append(f"Brings {_names(new)}.")
    if gone:
        said.append(f"Leaves out {_names(gone)}.")
    if first.piece.id != second.piece.id:
        said += [*_carried(both), *_grown(both)]
        return tuple(said if new or gone else ["All of it came along.", *said])
    said += [sentence for pair in both if (sentence := _moved_to(*pair, first, second))]
    said += [sentence for pair in both if (sentence := _posed(*pair))]
    along = [sentence for pair in both if (sentence := _moved_along(*pair))]
    return tuple(said + along)


def _carried(both: list[tuple[PlacedItem, PlacedItem]]) -> list[str]:
    """Return from which ledge things came to which."""
    ways: dict[tuple[str, str], list[PlacedItem]] = {}
    for was, now in both:
        ways.setdefault((was.ledge.label, now.ledge.label), []).append(now)
    return [f"From {there} to {here}: {_names(things)}." for (there, here), things in ways.items()]


def _grown(both: list[tuple[PlacedItem, PlacedItem]]) -> list[str]:
    """Return what fills plainly more or less of the height over its ledge than it did."""
    said = []
    for was, now in both:
        before, after = (one.height / frame_height(one.ledge) for one in (was, now))
        if max(before, after) > GREW * min(before, after) and now.depth_order == 0 and not now.ledge.is_wall:
            word = "larger" if after > before else "smaller"
            said.append(
                f"The {now.item.label} looks {word}: it fills {percent(after)} of the height instead of "
                f"{percent(before)}."
            )
    return said


def _names(things: list[PlacedItem]) -> str:
    return listed([f"the {thing.item.label}" for thing in things], MOST_NAMED)


def _place(placed: PlacedItem, look: Arrangement) -> str:
    host = look.by_id.get(placed.placement.host or "")
    if host is None:
        return f"on {placed.ledge.label}"
    word = "in" if placed.placement.inside else "on"
    return f"{word} the {host.item.label}"


def _moved_to(was: PlacedItem, now: PlacedItem, first: Arrangement, second: Arrangement) -> str:
    there, here = _place(was, first), _place(now, second)
    if was.ledge.id == now.ledge.id and there == here:
        return ""
    if there == here:
        there, here = f"on {was.ledge.label}", f"on {now.ledge.label}"
    return f"{capital(f'the {now.item.label}')} is {here} instead of {there}."


def _posed(was: PlacedItem, now: PlacedItem) -> str:
    if was.placement.pose != now.placement.pose:
        return f"{capital(f'the {now.item.label}')} {POSES[now.placement.pose]} (before: {POSES[was.placement.pose]})."
    if (was.placement.turn - now.placement.turn) % 360 > 1e-6:
        return f"{capital(f'the {now.item.label}')} is turned."
    return ""


def _moved_along(was: PlacedItem, now: PlacedItem) -> str:
    if was.ledge.id != now.ledge.id or was.placement.host or now.placement.host:
        return ""
    along, deep = now.x - was.x, now.z - was.z
    name = capital(f"the {now.item.label}")
    if abs(along) >= max(MOVED_MM, abs(deep)):
        return f"{name} stands {round(abs(along) / 10)} cm farther {'right' if along > 0 else 'left'}."
    if abs(deep) >= MOVED_MM:
        return f"{name} stands {round(abs(deep) / 10)} cm farther {'back' if deep > 0 else 'forward'}."
    return ""
