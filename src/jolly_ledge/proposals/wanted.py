"""Wanted: the thing not owned that would help a look most, where it would stand, and within which measures."""

from collections.abc import Callable, Iterator, Sequence
from decimal import Decimal

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.measures.hues import chromatic_leaders
from jolly_ledge.measures.kits import unmet_needs
from jolly_ledge.measures.likeness import likeness
from jolly_ledge.model.belonging import welcome
from jolly_ledge.model.colour import family_distance
from jolly_ledge.model.families import name_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.money import NOUGHT, typed
from jolly_ledge.model.phrases import capital, listed, with_article
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import Category, Finish
from jolly_ledge.planning.shopping import budget_left
from jolly_ledge.proposals.gaps import gaps_between
from jolly_ledge.proposals.places import at
from jolly_ledge.proposals.poses import usual_pose
from jolly_ledge.proposals.problem import Problem, problem_of
from jolly_ledge.readings.register import Assessment, assess

MOST_WANTED = 5
LEAST_GAIN = 0.006
"""What helps less than this is not worth a way to a shop."""

STILL_GOOD = 0.7
"""A size that keeps this share of the gain is within the range."""

KINDS: dict[Category, tuple[float, float]] = {
    "vessel": (0.55, 0.55), "bowl": (2.2, 2.2), "box": (1.9, 1.3), "plant": (0.85, 0.85), "sculpture": (0.6, 0.5),
    "frame": (0.78, 0.08), "book-stack": (2.8, 2.1), "lamp": (0.55, 0.55), "basket": (1.3, 1.0),
}  # fmt: skip
"""What is looked for, with usual widths and depths in parts of the height; nothing that burns."""

ASKED_FOR: dict[Category, tuple[float, float]] = {"tray": (9.0, 6.5), "tableware": (1.6, 1.6), "board": (0.62, 0.06)}
"""What is looked for only where the use of the piece asks for it."""

ASKED_HEIGHTS: dict[Category, tuple[float, ...]] = {
    "tray": (22.0, 30.0), "tableware": (80.0, 140.0), "board": (340.0, 420.0),
}  # fmt: skip
"""In these heights, mm."""

LEAST_MM: dict[Category, float] = {
    "vessel": 80.0, "bowl": 50.0, "box": 50.0, "plant": 90.0, "sculpture": 80.0, "frame": 100.0, "book-stack": 35.0,
    "lamp": 250.0, "basket": 110.0, "tray": 15.0, "tableware": 60.0, "board": 250.0,
}  # fmt: skip
"""Lower ones are hardly to be had."""

HEIGHTS = (0.24, 0.45, 0.66, 0.84)
"""Heights that are tried, in parts of the frame; tables take lower things."""

TABLE_HEIGHTS = (0.08, 0.16, 0.28)
FINISHES: dict[Category, tuple[Finish, ...]] = {
    "vessel": ("rough", "matt", "satin", "gloss", "metal", "clear"),
    "bowl": ("rough", "matt", "satin", "gloss", "metal"),
    "box": ("woven", "matt", "satin", "gloss", "metal"), "plant": ("matt",), "sculpture": ("rough", "matt", "metal"),
    "frame": ("matt", "satin", "gloss", "metal"), "book-stack": ("matt", "satin"), "lamp": ("matt", "gloss", "metal"),
    "basket": ("woven", "rough"), "tray": ("matt", "gloss", "metal"), "tableware": ("matt", "gloss"),
    "board": ("matt", "satin"),
}  # fmt: skip
"""The finishes a kind of thing is to be had in."""

FLAT_MM = 60.0
ANY_FROM = 4
"""Who may take so many colours or finishes may take any."""

CALM_COLOURS = ("#efe6d2", "#23262b", "#9c6b3f")
GREEN = "#5b7f4d"
"""Cream, near black and oak go with most; a plant is green."""

MOST_REFINED = 12
SIZE_STEPS = (0.6, 0.75, 0.87, 1.15, 1.3, 1.5)


NOTHING_NEEDED = "Nothing is needed: no one thing more would help this look."
NOTHING_TO_BUY = (
    "Nothing needs to be bought: no one thing would help alone. What is found asks for more all the same; look for it "
    "in the stash, or make room."
)


def nothing_said(assessment: Assessment) -> str:
    """Return what is said where nothing is wanted: findings that ask for more are not talked away."""
    return NOTHING_TO_BUY if any(one.asks == "more" for one in assessment.findings) else NOTHING_NEEDED


class Want(Struct, frozen=True):
    """One thing that is wanted: what, where, within which measures (mm), in which colours and finishes, how dear.

    ``gain`` is what it would add to the score (0 to 1).
    """

    item: Item
    placement: Placement
    ledge: str
    heights: tuple[float, float]
    widths: tuple[float, float]
    deepest: float
    families: tuple[str, ...]
    colours: tuple[str, ...]
    finishes: tuple[Finish, ...]
    gain: float
    most_price: Decimal | None

    @property
    def sentence(self) -> str:
        """The whole of it, as one would write it on a card for the shop."""
        low, high = (round(height / 10) for height in self.heights)
        narrow, wide = (round(width / 10) for width in self.widths)
        price = "" if self.most_price is None else f", at most {typed(self.most_price)}"
        return (
            f"{capital(with_article(self.item.category.replace('-', ' ')))} for {self.ledge}: "
            f"{low} to {high} cm high, {narrow} to {wide} cm wide, up to {round(self.deepest / 10)} cm deep, "
            f"{_any_of(self.families, 'any of the colours there')}, {_any_of(self.finishes, 'any finish')}{price} "
            f"(+{self.gain * 100:.1f})."
        )


class Matched(Struct, frozen=True):
    """Whether a found thing suits: where it would stand, instead of what, and what it would change in the score."""

    item: Item
    ledge: str
    instead: str
    gain: float
    sentence: str
    placements: tuple[Placement, ...]


def _any_of(names: Sequence[str], whatever: str) -> str:
    return whatever if len(names) >= ANY_FROM else listed(names, ANY_FROM)


def wanted(
    plan: Plan, look: Look, most: int = MOST_WANTED, is_cancelled: Callable[[], bool] = lambda: False
) -> tuple[Want, ...]:
    """Return what would help a look most and is not owned, the best first; empty when nothing is needed.

    Parameters
    ----------
    plan : Plan
    look : Look
    most : int
        How many are told, each for another place or of another kind.
    is_cancelled : callable
        Asked now and then; what was found so far is returned.

    Notes
    -----
    Coarse to fine: on every ledge each kind is tried in a few heights in every gap, in the leading colour that the
    ledge does not show yet; the best few are then bettered in colour, finish and size, and the sizes widened while most
    of the gain stays. Every try is read with the true readings.
    """
    shop = _Shop(plan, look)
    tried: list[tuple[float, Item, Placement]] = []
    for item, placement in shop.goods():
        if is_cancelled():
            break
        gain = shop.gain(item, placement)
        if gain is not None and gain > 0:
            tried.append((gain, item, placement))
    tried.sort(key=lambda one: (-one[0], one[1].id))
    found: list[Want] = []
    places: set[tuple[str, str]] = set()
    for gain, item, placement in tried[: MOST_REFINED * 4]:
        place = (placement.ledge, item.category)
        if len(places) >= MOST_REFINED or is_cancelled():
            break
        if place not in places:
            places.add(place)
            found.append(shop.refined(item, placement, gain))
    found.sort(key=lambda want: -want.gain)
    told: list[Want] = []
    for want in found:
        # One place is filled once; the second-best for it is no second want.
        if want.gain >= LEAST_GAIN and want.placement.ledge not in {other.placement.ledge for other in told}:
            told.append(want)
    return tuple(told[:most])


class _Shop:
    """Tries things that nobody owns in one look."""

    def __init__(self, plan: Plan, look: Look) -> None:
        self._plan, self._look = plan, look
        self._problem = problem_of(plan, look.piece, look.manner, look, finish=True)
        self._arrangement: Arrangement = self._problem.resolve(look.placements)
        self._score = assess(self._arrangement).score
        self._heeds = self._problem.heeds(self._arrangement)
        self._leaders = chromatic_leaders(self._arrangement)[:4]
        asked = {category for need in unmet_needs(self._arrangement) for category in need.categories}
        self._kinds = KINDS | {category: shape for category, shape in ASKED_FOR.items() if category in asked}

    def _with(self, item: Item) -> Problem:
        return replace(self._problem, plan=replace(self._plan, stash=(*self._plan.stash, item)))

    def gain(self, item: Item, placement: Placement, without: frozenset[str] = frozenset()) -> float | None:
        """Return what a thing adds to the score where it stands; None where it cannot stand or adds to the cautions."""
        if item.status == "wanted" and item.height < LEAST_MM.get(item.category, 0.0):
            return None
        problem = self._with(item)
        kept = [p for p in self._look.placements if p.id not in without and p.host not in without]
        arrangement = problem.resolve((*kept, placement))
        if not problem.has_room(arrangement):
            return None
        gain = assess(arrangement).score - self._score
        if not problem.can_stand(arrangement) or problem.heeds(arrangement) > self._heeds:
            return None
        return gain

    def goods(self) -> Iterator[tuple[Item, Placement]]:
        """Yield things to try with a place for each."""
        table = kind_of(self._problem.piece).is_looked_down_on
        for ledge in self._problem.open_ledges:
            colour = self._colour_for(ledge)
            for start, end in self._gaps(ledge):
                for category, (broad, deep) in self._kinds.items():
                    shares = [
                        share * (_side(ledge) if table else frame_height(ledge))
                        for share in (TABLE_HEIGHTS if table else HEIGHTS)
                    ]
                    for height in ASKED_HEIGHTS.get(category, shares):
                        width, depth = broad * height, min(deep * height, 0.8 * ledge.depth)
                        if width <= 0.9 * (end - start) and width <= 0.7 * ledge.width:
                            shade = GREEN if category == "plant" else colour
                            item = _good(category, width, height, depth, shade, self._finish(category))
                            if not welcome(item, self._problem.piece, ledge):
                                continue
                            yield item, at(item, ledge, (start + end) / 2, 0.55 * ledge.depth)

    def _gaps(self, ledge: Ledge) -> list[tuple[float, float]]:
        taken = sorted(
            (stack.left - ledge.left, stack.right - ledge.left) for stack in self._arrangement.stacks.get(ledge.id, ())
        )
        return gaps_between(taken, ledge.width)

    def _colour_for(self, ledge: Ledge) -> str:
        """Return the leading colour that a ledge lacks."""
        here = [s.item.main_colour for s in self._arrangement.by_ledge.get(ledge.id, ())]
        return max(
            self._colours(), key=lambda one: min((family_distance(one, other) for other in here), default=1.0),
            default=CALM_COLOURS[0],
        )  # fmt: skip

    def _colours(self) -> tuple[str, ...]:
        return tuple(dict.fromkeys((*self._look.manner.palette, *self._leaders))) or CALM_COLOURS

    def _finish(self, category: Category) -> Finish:
        """Return the finish that a kind is to be had in and that is seen least."""
        seen = [placed_item.item.shown_finish for placed_item in self._arrangement.visible]
        return min(FINISHES[category], key=seen.count)

    def refined(self, item: Item, placement: Placement, gain: float) -> Want:
        """Return a thing bettered in colour, finish and size, with the ranges in which most of the gain stays."""
        ledge = self._problem.piece.ledge(placement.ledge)

        def best_of(changes: Sequence[dict[str, object]]) -> list[tuple[float, Item, Placement]]:
            tries = []
            for change in changes:
                other = replace(item, **change)
                place = at(other, ledge, placement.x or 0.0, placement.z or 0.0)
                reached = self.gain(other, place)
                if reached is not None:
                    tries.append((reached, other, place))
            return sorted(tries, key=lambda one: -one[0])

        colours = (GREEN,) if item.category == "plant" else tuple(dict.fromkeys((*self._colours(), *CALM_COLOURS)))
        by_colour = best_of([{"colours": ((colour, 1.0),)} for colour in colours])
        if by_colour and by_colour[0][0] > gain:
            gain, item, placement = by_colour[0]
        by_finish = best_of([{"finish": finish} for finish in FINISHES[item.category]])
        if by_finish and by_finish[0][0] > gain:
            gain, item, placement = by_finish[0]
        for field in ("height", "width"):
            size = getattr(item, field)
            by_size = best_of([{field: size * step} for step in SIZE_STEPS])
            if by_size and by_size[0][0] > gain:
                gain, item, placement = by_size[0]
        good = gain * STILL_GOOD
        kept = [one.item_colour for one in _seen(by_colour, good)] or [item.main_colour]
        names = tuple(dict.fromkeys(name_of(colour, self._plan.families) for colour in kept))
        finishes = tuple(one.finish for one in _seen(by_finish, good)) or (item.shown_finish,)
        deepest = FLAT_MM if usual_pose(item) == "leaning" else round(0.85 * ledge.depth)
        return Want(
            item, placement, ledge.label, self._range(item, placement, ledge, "height", good),
            self._range(item, placement, ledge, "width", good), deepest, names, tuple(kept), finishes,
            gain, budget_left(self._plan),
        )  # fmt: skip

    def _range(self, item: Item, placement: Placement, ledge: Ledge, field: str, good: float) -> tuple[float, float]:
        """Return how small and how large a thing may be while most of its gain stays."""
        size = float(getattr(item, field))
        ends = [size, size]
        for end, steps in ((0, (0.92, 0.84, 0.76)), (1, (1.08, 1.16, 1.24))):
            for step in steps:
                other = replace(item, **{field: size * step})
                gain = self.gain(other, at(other, ledge, placement.x or 0.0, placement.z or 0.0))
                if gain is None or gain < good:
                    break
                ends[end] = size * step
        return (ends[0], ends[1])

    def best_place(self, item: Item) -> tuple[float, Placement, str] | None:
        """Return where a found thing helps most: in a gap, or instead of something like it (told by its placement)."""
        found: list[tuple[float, Placement, str]] = []
        for ledge in self._with(item).homes(item):
            for start, end in self._gaps(ledge):
                if end - start >= item.width:
                    place = at(item, ledge, (start + end) / 2, 0.55 * ledge.depth)
                    gain = self.gain(item, place)
                    found += [(gain, place, "")] if gain is not None else []
        for other in self._look.placements:
            replaceable = other.x is not None and other.host is None and not other.locked
            if replaceable and not any(p.host == other.id for p in self._look.placements):
                ledge = self._problem.piece.ledge(other.ledge)
                if ledge in self._with(item).homes(item):
                    place = at(item, ledge, other.x or 0.0, other.z or 0.0)
                    gain = self.gain(item, place, frozenset({other.id}))
                    found += [(gain, place, other.id)] if gain is not None else []
        return max(found, key=lambda one: one[0], default=None)


class _Shown(Struct, frozen=True):
    item_colour: str
    finish: Finish


def _seen(tries: list[tuple[float, Item, Placement]], good: float) -> list[_Shown]:
    return [_Shown(item.main_colour, item.shown_finish) for gain, item, _ in tries if gain >= good]


def _side(ledge: Ledge) -> float:
    return float((ledge.width * ledge.depth) ** 0.5)


def _good(category: Category, width: float, height: float, depth: float, colour: str, finish: Finish) -> Item:
    return Item(
        id="wanted", category=category, name=f"wanted {category.replace('-', ' ')}", width=width, height=height,
        depth=depth, mass=1.0, colours=((colour, 1.0),), finish=finish, status="wanted",
    )  # fmt: skip


def match_found(plan: Plan, look: Look, item: Item) -> Matched:
    """Tell whether a found thing suits a look: where, instead of what, and what it changes."""
    shop = _Shop(plan, look)
    known = {placement.id: placement for placement in look.placements}
    best = shop.best_place(item)
    if best is None:
        return Matched(item, "", "", 0.0, f"The {item.label} fits nowhere here: {_why_not(plan, look, item)}.", ())
    gain, place, instead = best
    ledge = plan.piece(look.piece).ledge(place.ledge).label
    rounded = round(gain * 100, 1)
    points = f"{'+' if rounded >= 0 else '−'}{abs(rounded):.1f}"
    old = plan.item(known[instead].item).label if instead else ""
    if gain >= LEAST_GAIN:
        how = f"better than the {old} there" if old else "as one more"
        said = f"The {item.label} fits on {ledge}, {how}: {points}."
    else:
        said = f"The {item.label} fits on {ledge}, but adds little: {points}."
    kept = tuple(p for p in look.placements if p.id != instead)
    return Matched(item, ledge, instead, gain, said, (*kept, place))


def _why_not(plan: Plan, look: Look, item: Item) -> str:
    ledges = [ledge for ledge in plan.piece(look.piece).ledges if not ledge.is_wall]
    highest = max((ledge.clearance or float("inf") for ledge in ledges), default=0.0)
    deepest = max((ledge.depth for ledge in ledges), default=0.0)
    if item.height > highest and usual_pose(item) != "flat":
        return f"it is {round((item.height - highest) / 10)} cm too high for the highest opening"
    if min(item.depth, item.width) > deepest:
        return f"it is {round((min(item.depth, item.width) - deepest) / 10)} cm too deep for the deepest ledge"
    return "there is no room for it, or it would have to be heeded where there is"


def substitutes(plan: Plan, look: Look, dear: Item, most: int = 3) -> tuple[tuple[Item, float, Decimal | None], ...]:
    """Return what comes closest to a dear thing and costs less: the thing, how alike (0 to 1), what is saved."""
    placed = {placement.item for placement in look.placements}

    def saved(item: Item) -> Decimal | None:
        if dear.price is None:
            return None
        return dear.price - (NOUGHT if item.status in ("owned", "borrowed") else item.price or NOUGHT)

    def is_cheaper(item: Item) -> bool:
        if item.is_at_hand:
            return True
        return item.price is not None and dear.price is not None and item.price < dear.price

    others = [
        item for item in plan.stash
        if item.id != dear.id and item.id not in placed and not item.gone and is_cheaper(item)
    ]  # fmt: skip
    ranked = sorted(others, key=lambda item: (-likeness(dear, item), item.id))[:most]
    return tuple((item, likeness(dear, item), saved(item)) for item in ranked)
