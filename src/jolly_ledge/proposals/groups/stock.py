"""What a composer may take for a ledge: by kind, height and worth, by what is near, with a whim of chance."""

from collections.abc import Callable, Collection, Hashable, Iterable
from copy import copy
from random import Random

from msgspec.structs import replace

from jolly_ledge.geometry.sockets import sockets_of
from jolly_ledge.model.belonging import welcome
from jolly_ledge.model.hue_family import QUIET
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.roles import Role, Room, role_of, room_of
from jolly_ledge.model.words import Fullness
from jolly_ledge.proposals.groups.kit_answers import KitAnswers
from jolly_ledge.proposals.problem import Problem
from jolly_ledge.proposals.thing import LOUD, Palette, Thing, choose_palette

OPEN_FRAME_MM = {"console": 820.0, "mantel": 720.0, "nightstand": 560.0, "coffee-table": 480.0, "dining-table": 330.0}
USUAL_FRAME_MM, HEARTH_FRAME_MM, ISLAND_FRAME_MM = 620.0, 600.0, 800.0
"""So high a top that is open above is read, by kind: a lamp on a console, a low thing on a table between people."""

LOWEST_FRAME_MM = 1.0
WHIM = 0.25
FITS_PALETTE, FITS_SMALL_STASH, SMALL_STASH = 0.62, 0.5, 14
UNDER_A_BAR_MM, LOWEST_BAR_MM = 10.0, 130.0
KIND_WORTH = {"vessel": 0.08, "book-stack": 0.08, "sculpture": 0.08, "object": -0.08, "box": -0.05}
"""Vessels, books and sculpture are the backbone of a look; objects are its spice."""

MUST_WORTH, SEASON_WORTH, SLIGHT_COST = 1.0, 0.5, 0.25
TAKEN_BEFORE, LEADS_AGAIN = 0.7, 0.8
"""What it costs in worth that an earlier look has a thing, and more for leading a group again."""

LOW_ON_A_TABLE, LOW_SHARE, WIDEST_VESSEL = frozenset({"bowl", "basket", "box"}), 0.32, 0.26
SOLID_ON_A_TABLE, HIGHEST_SOLID_MM = frozenset({"vessel", "sculpture", "object"}), 260.0
"""What is massive on a table is low, so that one looks and talks across; stems and candlesticks rise thinly."""

SWAMPING, SWAMPS = frozenset({"vessel", "plant", "sculpture"}), 0.42
"""What is wider than so much of a small top beside a bed leaves no room for the lamp and the glass."""

SLENDER_SHARE = 1.3
MORE_HOST = frozenset({"sculpture", "object", "vessel", "bowl", "candle", "frame", "plant", "book"})
FEWEST, ENOUGH_LEFT = 7, 10
SPINES_MAY, FARTHER = 0.3, 0.22
"""Spines in a row blend: they may be so much further from the palette."""


class Stock:
    """The things of a problem, each with its worth; one for each composition.

    Parameters
    ----------
    problem : Problem
    chance : random.Random
    taken_before : set of str
        Things that earlier looks have.
    """

    def __init__(self, problem: Problem, rng: Random, taken_before: Collection[str] = ()) -> None:
        self.problem, self.rng = problem, rng
        self.piece = problem.piece
        self.room: Room = room_of(problem.piece)
        self.ledges = problem.open_ledges
        self.roles: dict[str, Role] = {ledge.id: role_of(problem.piece, ledge) for ledge in problem.open_ledges}
        self.must = {item.id for item in problem.required if item not in problem.hidden}
        self._wished = {item for wish in problem.piece.wishes for item in wish.items if wish.kind not in EASY_WISHES}
        self._homes = {item.id: {ledge.id for ledge in problem.homes(item)} for item in problem.candidates}
        self.taken_before = frozenset(taken_before)
        """What earlier looks have."""

        self._frames = {ledge.id: self._frame(ledge) for ledge in self.ledges}
        fixed = {placement.item for placement in problem.fixed}
        items = {item.id: item for item in (*problem.candidates, *problem.required, *problem.fillings)}
        beads = (item for item in problem.plan.stash if item.category == "beads" and item.is_at_hand)
        items |= {item.id: item for item in beads if not item.meant_for or self.piece.id in item.meant_for}
        hidden = {item.id for item in problem.hidden}
        self.things: dict[str, Thing] = {}
        self.answers = KitAnswers(problem, self.things, self._roles_for)
        for item in items.values():
            thing = Thing(item)
            thing.welcome = {ledge.id: welcome(item, self.piece, ledge) for ledge in self.ledges}
            if item.id in self.must and thing.best_welcome == 0:
                thing.welcome = dict.fromkeys(thing.welcome, 1.0)
            if thing.best_welcome > 0 and item.id not in hidden and item.id not in fixed:
                self.things[item.id] = thing
        self.palette: Palette = choose_palette(list(self.things.values()), problem.manner, rng)
        if problem.palette_again and problem.manner.palette and mostly_taken(self):
            # Rather something quiet than the same things again.
            self.palette = self.palette.with_quiet()
        for thing in self.things.values():
            thing.suits = self.palette.fit(thing)
            thing.worth = thing.best_welcome * (0.35 + 0.65 * thing.suits)
            thing.worth += 0.15 * ("sentimental" in thing.item.traits) + 0.1 * (thing.item.season != ())
            thing.worth += SEASON_WORTH * self._is_of_the_season(thing)
            thing.worth += KIND_WORTH.get(thing.category, 0.0) - SLIGHT_COST * thing.slight
            if thing.id in self.must:
                thing.worth = max(thing.worth, 0.6) + MUST_WORTH
            thing.worth -= TAKEN_BEFORE * (thing.id in taken_before)
        self.pool = self.answers.added_to(self._with_other_leads(self._suiting()))
        self.share_at_hand: float | None = None
        """Which share of what all ledges bear is at hand, once that was asked for; 0 to 1."""
        self.liked: dict[tuple[Hashable, ...], float] = {}
        """How ledges are liked with some groups on them, once that was asked for: most stay as they were."""

    def keep_for(self, thing: Thing, ledges: Collection[str]) -> None:
        """Let a thing come only to some ledges, and the rather."""
        self._homes[thing.id] = self._homes.get(thing.id, set()) & set(ledges)
        thing.worth += SEASON_WORTH

    def fullness(self, ledge: Ledge) -> Fullness:
        """Return how full a ledge is to be: as it is meant, or as the look is."""
        return ledge.meant.fullness or self.problem.manner.fullness

    def beside(self, placements: tuple[Placement, ...]) -> "Stock":
        """Return the same things for ledges on which more is kept."""
        other = copy(self)
        other.problem = replace(self.problem, fixed=placements)
        return other

    def _suiting(self) -> list[Thing]:
        least = FITS_PALETTE if len(self.things) > SMALL_STASH else FITS_SMALL_STASH
        # Another look may go a little farther from hues nobody asked for: rather something quiet than the same again.
        least -= FARTHER * (bool(self.taken_before) and not self.problem.manner.palette)
        pool = []
        for thing in self.things.values():
            may = SPINES_MAY if thing.category in ("book", "book-row") else 0.0
            suits = thing.suits >= least - may and (thing.loud < LOUD or self.problem.manner.palette)
            if thing.id in self.must or self._is_of_the_season(thing) or suits:
                pool.append(thing)
        pool = self.answers.added_to(pool)
        if len(pool) < FEWEST:
            best = sorted(self.things.values(), key=lambda thing: (thing.loud >= LOUD, -thing.suits))
            quiet = sum(thing.loud < LOUD for thing in best)
            pool = best[: max(min(FEWEST, quiet), len(best) // 3, 2)]
        return pool

    def _with_other_leads(self, pool: list[Thing]) -> list[Thing]:
        """Leave out what leads an earlier look, where another of its kind and size or enough else is there."""
        for led in [thing for thing in pool if thing.id in self.problem.led_before and thing.id not in self.must]:
            rest = [thing for thing in pool if thing is not led]
            others = [thing for thing in rest if thing.category == led.category and thing.area > 0.4 * led.area]
            if others or (not self.answers.is_alone(led) and len(rest) >= ENOUGH_LEFT):
                pool = rest
        return pool

    def _roles_for(self, thing: Thing) -> list[Role]:
        return [self.roles[ledge.id] for ledge in self.ledges if self.fits(thing, ledge)]

    def _is_of_the_season(self, thing: Thing) -> bool:
        return self.problem.season is not None and self.problem.season in thing.item.season

    def frame(self, ledge: Ledge) -> float:
        """Return the height that is filled over a ledge, in mm."""
        return self._frames[ledge.id]

    def _frame(self, ledge: Ledge) -> float:
        if ledge.clearance is not None:
            return max(min([ledge.clearance, *self._under_bars(ledge)]), LOWEST_FRAME_MM)
        role = self.roles[ledge.id]
        if role == "hearth":
            return HEARTH_FRAME_MM
        return ISLAND_FRAME_MM if role == "island" else OPEN_FRAME_MM.get(self.piece.kind, USUAL_FRAME_MM)

    def _under_bars(self, ledge: Ledge) -> list[float]:
        """Return how high things may be under bars that run across the whole of an opening, in mm."""
        return [
            bar.floor - ledge.floor - UNDER_A_BAR_MM
            for bar in self.piece.fixtures
            if bar.kind in ("bar", "brace")
            and bar.left <= ledge.left + 0.2 * ledge.width
            and bar.right >= ledge.right - 0.2 * ledge.width
            and LOWEST_BAR_MM <= bar.floor - ledge.floor < (ledge.clearance or 0.0)
        ]

    def is_hard(self, thing: Thing) -> bool:
        """Tell whether a thing must be there and is no thing that dresses: it is not made a companion of anything."""
        return thing.id in self.must and thing.category not in MORE_HOST

    def fits(self, thing: Thing, ledge: Ledge, share: float = 0.96) -> bool:
        """Tell whether a thing goes on a ledge, no wider than most of it and no higher than a share of its frame.

        Parameters
        ----------
        thing : Thing
            What may come.
        ledge : Ledge
            Where it goes.
        share : float
            Which part of the frame it may fill, 0 to 1.
        """
        role = self.roles[ledge.id]
        if role in ("table", "island") and not self._fits_a_table(thing, ledge, share):
            return False
        if kind_of(self.piece).is_by_a_bed and thing.category in SWAMPING and thing.width > SWAMPS * ledge.width:
            return False
        homes = self._homes.get(thing.id)
        return (
            (homes is None or ledge.id in homes)
            and thing.width <= 0.8 * ledge.width
            and thing.depth <= ledge.depth
            and thing.height <= share * self.frame(ledge) * (SLENDER_SHARE if self._is_slender(thing, role) else 1.0)
            and thing.welcome.get(ledge.id, 0.0) > 0
        )

    def _is_slender(self, thing: Thing, role: Role) -> bool:
        """Tell whether a thing may rise over what else stands on a table: a candlestick does."""
        return role == "table" and thing.category == "candle" and thing.height > 2 * thing.width

    def _fits_a_table(self, thing: Thing, ledge: Ledge, share: float) -> bool:
        """Tell whether a thing is low and slender enough to be looked across, and leans on nothing."""
        on_a_table = self.roles[ledge.id] == "table"
        if thing.pose == "leaning":
            return False
        if on_a_table and thing.category == "plant" and (thing.height > 330 or thing.width > 0.28 * ledge.width):
            return False
        if on_a_table and thing.category == "vessel" and thing.width > WIDEST_VESSEL * ledge.width:
            return False
        if on_a_table and thing.category in SOLID_ON_A_TABLE and thing.height > HIGHEST_SOLID_MM:
            return False
        low = on_a_table and thing.category in LOW_ON_A_TABLE
        return not low or thing.height <= share * LOW_SHARE * self.frame(ledge)

    def free(
        self, ledge: Ledge, used: Collection[str], kinds: Collection[str] | None = None, *, share: float = 0.96,
        low: float = 0.0, high: float = float("inf"),
    ) -> list[Thing]:  # fmt: skip
        """Return what is at hand for a ledge: of some kinds, between two heights (mm).

        Parameters
        ----------
        ledge : Ledge
            Where it goes.
        used : collection of str
            Things that stand somewhere already.
        kinds : collection of str, optional
            Categories that may come; all where none is told.
        share : float
            Which part of the frame it may fill, 0 to 1.
        low : float
            No lower, in mm.
        high : float
            No higher, in mm.
        """
        return [
            thing
            for thing in self.pool
            if thing.id not in used
            and not thing.goes_in_a_set
            and (kinds is None or thing.category in kinds)
            and low <= thing.height <= high
            and thing.id not in self._wished
            and self.fits(thing, ledge, share)
        ]

    def of_kind(self, ledge: Ledge, used: Collection[str], kind: str) -> list[Thing]:
        """Return things of a kind whatever their height: books that are stood up, stems, lamps."""
        return [
            thing for thing in self.pool
            if thing.category == kind and thing.id not in used and thing.welcome.get(ledge.id, 0.0) > 0
            and thing.id not in self._wished
        ]  # fmt: skip

    def pick(self, things: Iterable[Thing], value: Callable[[Thing], float], *, leads: bool = False) -> Thing | None:
        """Return the thing of most value, with a whim; what an earlier look has hardly leads again.

        Parameters
        ----------
        things : iterable of Thing
            From which is chosen.
        value : callable
            How much a thing is worth here.
        leads : bool
            Whether it is to lead a group.
        """
        return next(iter(self.ranked(things, value, leads=leads)), None)

    def ranked(self, things: Iterable[Thing], value: Callable[[Thing], float], *, leads: bool = False) -> list[Thing]:
        """Return things, that of most value first, with a whim; see :meth:`pick`.

        Parameters
        ----------
        things : iterable of Thing
            From which is chosen.
        value : callable
            How much a thing is worth here.
        leads : bool
            Whether it is to lead a group.
        """
        worth = {
            thing: value(thing) + WHIM * self.rng.random() - LEADS_AGAIN * (leads and thing.id in self.taken_before)
            for thing in things
        }
        return sorted(worth, key=lambda thing: -worth[thing])

    def has_lamp(self, ledge: Ledge, used: Collection[str]) -> bool:
        """Tell whether there is a lamp for a ledge."""
        return any(thing.depth <= ledge.depth for thing in self.of_kind(ledge, used, "lamp"))


EASY_WISHES = frozenset({"only-on", "never-on", "apart", "near"})
"""Wishes that a thing may have and still come as a member of a group: its ledge is asked, and neighbours at last."""


def socket_side(piece: Piece, ledge: Ledge) -> int:
    """Return at which end of a ledge the nearest socket is: 1 right, -1 left, 0 where none is told."""
    sockets = sockets_of(piece)
    if not sockets:
        return 0
    middle = ledge.left + ledge.width / 2
    nearest = min(sockets, key=lambda socket: abs(socket.left + socket.width / 2 - middle))
    return 1 if nearest.left + nearest.width / 2 >= middle else -1


def alike(one: Thing, other: Thing) -> float:
    """Return how alike two things are, 0 to 1; members of a set are meant to be."""
    if one.item.set and one.item.set == other.item.set:
        return 0.0
    same_hue = one.family == other.family and one.family not in QUIET and abs(one.lightness - other.lightness) < 0.08
    return 0.5 * (one.category == other.category) + 0.25 * (one.shape == other.shape) + 0.25 * same_hue


def safe_together(thing: Thing, others: Iterable[Thing]) -> bool:
    """Tell whether no flame would stand close to green, or green close to a flame."""
    flame = "flame" in thing.item.traits
    if not (flame or thing.green):
        return True
    return not any(other.green if flame else "flame" in other.item.traits for other in others)


def most_alike(one: Thing, others: Iterable[Thing]) -> float:
    """Return how alike a thing is to the likest of some."""
    return max((alike(one, other) for other in others), default=0.0)


def step_of_tone(one: Thing, other: Thing) -> float:
    """Return how far apart two things are in lightness, up to 0.3."""
    return min(abs(one.lightness - other.lightness), 0.3)


def is_tied(one: Thing, other: Thing) -> bool:
    """Tell whether two things share a hue."""
    return bool(set(one.hues) & set(other.hues))


def mostly_taken(stock: Stock) -> bool:
    """Tell whether earlier looks have more of what suits the palette than they have left."""
    suiting = [thing for thing in stock.things.values() if stock.palette.fit(thing) >= FITS_PALETTE]
    return 2 * sum(thing.id in stock.taken_before for thing in suiting) > len(suiting)
