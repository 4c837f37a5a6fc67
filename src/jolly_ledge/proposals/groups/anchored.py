"""An anchor behind, a companion at about two thirds of its height that overlaps it, a low thing in front."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import WALL_CATEGORIES
from jolly_ledge.proposals.groups.group import Depth, Group
from jolly_ledge.proposals.groups.stock import Stock, alike, is_tied, most_alike, safe_together, step_of_tone
from jolly_ledge.proposals.groups.vessels import fill_vessel, stems_suit
from jolly_ledge.proposals.thing import Thing

ANCHORS = frozenset({"art", "frame", "vessel", "sculpture", "plant", "object", "candle", "mirror"})
COMPANIONS = frozenset({"vessel", "sculpture", "plant", "object", "candle", "bowl", "box"})
SMALL = frozenset({"bowl", "box", "object", "candle", "sculpture", "plant", "tableware"})
SMALL_IN_A_KITCHEN = frozenset({"bowl", "tableware", "plant", "candle", "box"})
COMPANION_SHARE, SMALL_SHARE = 0.6, 0.26
COMPANION_OVERLAP, SMALL_OVERLAP, DEEP_MM, LEAST_ANCHOR = 0.26, 0.24, 120.0, 0.3


def anchored(
    stock: Stock, ledge: Ledge, used: Collection[str], *, target: float = 0.75, side: int = 1,
    kinds: Collection[str] = ANCHORS, width: float = float("inf"), stems: float = 0.7, companion: bool = True,
    small: bool = True,
) -> Group | None:  # fmt: skip
    """Return an anchor with its companion and a small thing, None where no anchor is at hand.

    Parameters
    ----------
    target : float
        How high the anchor reaches, in parts of the frame.
    side : int
        To which side the companion stands.
    width : float
        How wide the group may be, in mm.
    stems : float
        How likely a vessel is filled.
    """
    frame = stock.frame(ledge)
    group = Group("anchored", ledge.depth)
    anchor = _anchor(stock, ledge, used, kinds, frame, target, width, stems, companion=companion)
    if anchor is None:
        return None
    placed = group.set_down(anchor, "back")
    filled = anchor.category == "vessel" and fill_vessel(stock, group, ledge, used, placed, stems)
    reach = max(group.height, 1.0)
    near = [anchor]
    if companion:
        second = _companion(stock, group, ledge, used, anchor, reach, width, side=side, filled=filled)
        if second is not None:
            member = group.set_down(second, _depth_of(ledge, anchor, second), side, COMPANION_OVERLAP)
            near.append(second)
            green = any(one.thing.green for one in group)
            if second.category == "vessel" and not filled and not green:
                fill_vessel(stock, group, ledge, used, member, stems * 0.6)
    if small:
        low = [
            thing
            for thing in stock.free(
                ledge, {*used, *group.ids}, SMALL_IN_A_KITCHEN if stock.room == "kitchen" else SMALL, low=35,
                high=max(0.42 * reach, 60),
            )
            if safe_together(thing, (member.thing for member in group)) and not stock.is_hard(thing)
            and thing.width < 1.1 * max(anchor.width, 150)
            and group.takes(thing, width, "front", side, SMALL_OVERLAP)
        ]  # fmt: skip
        third = stock.pick(
            low,
            lambda thing: thing.worth - abs(thing.height / reach - SMALL_SHARE) - most_alike(thing, near)
            + 0.7 * step_of_tone(thing, near[-1]),
        )  # fmt: skip
        if third is not None:
            group.set_down(third, "front", side, SMALL_OVERLAP)
    return group


def _anchor(
    stock: Stock, ledge: Ledge, used: Collection[str], kinds: Collection[str], frame: float, target: float,
    width: float, stems: float, *, companion: bool,
) -> Thing | None:  # fmt: skip
    bunches = [thing for thing in stock.pool if thing.category == "stems" and thing.id not in used]
    island, shallow = stock.roles[ledge.id] == "island", ledge.depth < 330
    fillable: set[str] = set()

    def reach(thing: Thing) -> float:
        """Return how high it reaches, with the stems that suit it best."""
        if thing.category != "vessel" or stems <= 0:
            return thing.height
        room = ledge.clearance or 1.2 * frame
        risen = [thing.height + bunch.height for bunch in bunches if stems_suit(thing, bunch, room) > 0]
        if risen:
            fillable.add(thing.id)
        return min(risen, key=lambda high: abs(high / frame - target), default=thing.height)

    def value(thing: Thing) -> float:
        high = reach(thing)
        empty = thing.category == "vessel" and thing.id not in fillable
        bare = empty and (stems >= 1 or thing.height < 0.45 * frame)
        return (
            1.2 * thing.worth
            - 2.2 * abs(high / frame - target)
            + (0.5 if island else 0.35) * min(thing.area / (0.33 * frame * frame), 1.0)
            - 0.5 * bare
            - 0.2 * (thing.category == "candle")
            + (0.15 + 0.2 * shallow) * (thing.category in WALL_CATEGORIES)
            - 0.6 * companion * max(thing.width / ledge.width - 0.42, 0.0)
        )

    tall = [
        thing for thing in stock.free(ledge, used, kinds)
        if reach(thing) >= LEAST_ANCHOR * frame and thing.width <= width
        and not thing.is_low and not stock.is_hard(thing)
    ]  # fmt: skip
    return stock.pick(tall, value, leads=True)


def _depth_of(ledge: Ledge, anchor: Thing, companion: Thing) -> Depth:
    return "middle" if ledge.depth - anchor.depth - companion.depth > DEEP_MM else "front"


def _companion(
    stock: Stock, group: Group, ledge: Ledge, used: Collection[str], anchor: Thing, reach: float, width: float, *,
    side: int, filled: bool,
) -> Thing | None:  # fmt: skip
    suiting = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, COMPANIONS, low=0.22 * reach, high=0.85 * reach)
        if not stock.is_hard(thing)
        and safe_together(thing, (member.thing for member in group))
        and thing.width <= max(1.3 * anchor.width, 140)
        and not (filled and thing.green)
        and group.takes(thing, width, _depth_of(ledge, anchor, thing), side, COMPANION_OVERLAP, 8)
    ]
    return stock.pick(
        suiting,
        lambda thing: thing.worth - 1.6 * abs(thing.height / reach - COMPANION_SHARE) - alike(thing, anchor)
        + step_of_tone(thing, anchor) + 0.12 * thing.green + 0.2 * is_tied(thing, anchor),
    )  # fmt: skip
