"""How a composition is liked beside how it reads: what a stylist sees first, each as a cost or a gain."""

from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from itertools import combinations

from jolly_ledge.measures.kits import Need, needs_of
from jolly_ledge.measures.likeness import likeness
from jolly_ledge.model.hue_family import QUIET, WARM
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import BOOK_CATEGORIES, LOOKED_AT, Fullness
from jolly_ledge.proposals.composing.books_shown import books_missed
from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.composing.fullness import FULL_ENOUGH, things_in, things_wanted
from jolly_ledge.proposals.composing.liking_of_a_group import FACED, liking_of_a_group
from jolly_ledge.proposals.composing.liking_of_pictures import before_pictures
from jolly_ledge.proposals.composing.liking_of_spacing import (
    MAY_BE_MANY,
    OF_A_GROUP,
    empty_ends,
    monotony,
    not_apart,
    palisade,
    without_a_rest,
)
from jolly_ledge.proposals.composing.liking_of_tables import on_a_low_table, share_seen, strewn
from jolly_ledge.proposals.composing.mirroring import is_mirrored, unanswered
from jolly_ledge.proposals.composing.schemes import LOW_ON_THE_FLOOR, SHARES, groups_borne
from jolly_ledge.proposals.composing.spread import spans_of
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock, alike
from jolly_ledge.proposals.thing import Thing
from jolly_ledge.readings.alike_apart import TWIN

SEEN: dict[Fullness, float] = {"airy": 0.3, "layered": 0.43, "abundant": 0.58}
"""So much of the face of an opening is covered by things."""

SEEN_BELOW: dict[Fullness, float] = {"airy": 0.25, "layered": 0.32, "abundant": 0.4}
"""So much is covered between the legs of a table or a console, where a lower shelf has something at all."""

NEEDED = 4.0
COMES_ONCE, BARE_SPANS, BARE, STATEMENT = 0.25, 5.0, 4.0, 3.0
TOO_FEW, TOO_MANY = 0.22, 0.25
THIN, THIN_BELOW = 4.0, 0.85
WHOLE, WHOLE_FREE, FAR_OFF, FAR_FROM, OF_A_THING = 20.0, 0.05, 60.0, 0.1, 0.35
"""The count of a whole piece is nearer to what is advised than that of each ledge: one may hold more, the next less.
Things are whole: half of one more is not too many. From a tenth on it costs much.
"""

SCATTERED, BEARS_A_GROUP = 0.4, 4
"""A ledge of four things or more that are all single or in pairs reads as scattered."""

IN_A_LINE = 0.5
"""What stands between more groups than a top of its width bears makes them a line of small things."""

OF_ONE_KIND, TWO, ONE_REST = 0.8, 2, 0.9
"""On one top practised hands show no third vessel, bowl or object."""

TWIN_FINDS, LIKE_FINDS, FINDS = 0.8, 0.75, frozenset({"object", "sculpture"})
"""Nor on any ledge two stones, shells or figures of one look: a find is shown for being the only one."""

SEEN_ON_A_TOP, SEEN_AT_MOST, LITTLE_SEEN = 1.15, 1.6, 6.0
TALLEST = (0.62, 0.92)
FILLED = frozenset({"shelf", "top", "table", "counter", "island"})
ALIKE_FROM, NEAR_FLOORS_MM = 0.6, 480.0
UNANSWERED = 8.0
UNTIED = 2.0
"""The two bodies of a flanking pair want something that answers: a set they share, or twins."""

HANGS = 1.2
"""A picture or a mirror over a top holds all of it together; what stands keeps clear of it, which costs."""

GREEN_WHERE_ONE_COOKS = 1.0
ONE_LIGHT = 1.6
"""One candlestick by itself, where there is another, is what is left of a pair."""

NO_MACHINE, COUNTERPOISED, COUNTERPOISE = 2.5, 0.45, 2.5
"""What is used daily on a counter is there; what rises at the other end of a top has so much of the height of what
leads."""

GROUNDED, GROUNDS, GROUNDS_FROM = 0.6, frozenset({"basket", "box"}), 0.4
"""A case stands firmly to the eye where baskets or boxes are at its foot."""

ON_THE_FLOOR, STREWN_LOW = 0.7, 0.8
"""So does a console, or a fireplace, under or beside which something large stands; what is lower there than so much of
the frame, what is more than two things, and flowers are strewn.
"""

GATHERED_AT_WORK, LEANT_BY_A_BED = 1.0, 0.8
"""A tray gathers what is small where one works; by a bed a picture leans behind it."""

CRAMMED, HIGHEST_BELOW, FLOWERS_BELOW = 6.0, 0.8, 1.2
"""Under a table or a console what stands keeps clear of what is over it, and nothing blooms there."""

RAISED, RAISED_SHARE = 1.8, 0.2
"""About every fifth thing stands on another: a bowl on books, a stone on a box."""

LED_BY_A_PICTURE, LARGE_PICTURE = 0.8, 0.28
"""A mantel with a free wall is led by a picture or a mirror of so much of its width."""

SLIGHT, FEW_SLIGHT = 8.0, 0.05
"""A trinket here and there is a charm; from so much of all that is shown on they are clutter."""

ODDMENTS, FEW_ODDMENTS = 16.0, 0.1
"""A shell, a globe, an hourglass is an accent among books and vessels; from every tenth thing on they are oddments;
one is an accent anywhere.
"""

MOST_LIKED = 5000
"""So many ledges are remembered with what stands on them."""

LARGE_WIDTH_MM, LARGE_NIGHTSTAND_MM = 1150.0, 850.0


def liking_of(composition: Composition) -> float:
    """Return how a composition is liked; only differences count."""
    stock, by_ledge = composition.stock, _by_ledge(composition)
    liked = sum(_on_a_ledge_once(stock, ledge, by_ledge.get(ledge.id, [])) for ledge in stock.ledges)
    liked -= _off_the_whole(stock, by_ledge)
    things = [member.thing for _, group in composition.groups for member in group]
    if not things:
        return liked
    liked += sum(min(thing.worth, 1.1) for thing in things) / len(things)
    liked -= too_many_trifles(things)
    raised = sum(member.on is not None for _, group in composition.groups for member in group)
    liked += RAISED * min(raised / (RAISED_SHARE * len(things)), 1.0)
    liked -= UNTIED * _are_untied(composition)
    # In the mirrored figure likes are meant, and what is not answered is missed.
    liked -= UNANSWERED * unanswered(composition) if is_mirrored(composition) else _look_alikes(composition)
    liked += HANGS * any(placement.pose == "hung" for placement in composition.placements)
    liked += LED_BY_A_PICTURE * _is_led_by_a_picture(composition)
    liked += _greens(composition) + _ties(composition, things) + _kit(stock, things) + _weight(composition)
    liked += ON_THE_FLOOR * any(stock.roles[ledge.id] in ("floor", "hearth") for ledge, _ in composition.groups)
    return liked + GROUNDED * _is_grounded(composition)


def liking_by_ledge(composition: Composition) -> dict[str, float]:
    """Return how each ledge is liked for itself, by id; only differences count."""
    stock, by_ledge = composition.stock, _by_ledge(composition)
    return {ledge.id: _on_a_ledge_once(stock, ledge, by_ledge.get(ledge.id, [])) for ledge in stock.ledges}


def _by_ledge(composition: Composition) -> dict[str, list[Group]]:
    by_ledge: dict[str, list[Group]] = {}
    for ledge, group in composition.groups:
        by_ledge.setdefault(ledge.id, []).append(group)
    return by_ledge


def _on_a_ledge_once(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return how a ledge is liked; worked out once, for the groups of a composition are never changed."""
    key = (ledge.id, *groups)
    if key not in stock.liked:
        if len(stock.liked) >= MOST_LIKED:
            stock.liked.clear()
        stock.liked[key] = _on_a_ledge(stock, ledge, groups)
    return stock.liked[key]


def _on_a_ledge(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    role, kind = stock.roles[ledge.id], kind_of(stock.piece)
    if not groups:
        kept = any(placement.ledge == ledge.id for placement in stock.problem.fixed)
        # What is meant for a statement is bare last of all.
        wanted = STATEMENT if ledge.meant.purpose == "statement" else 1.0
        bars = BARE_SPANS * (len(spans_of(stock, ledge)) > 1)
        return -(BARE * wanted + bars) * (role in FILLED and not kept)
    liked = -_off_the_count(things_in(groups), things_wanted(stock, ledge))
    if ledge.meant.purpose == "statement":
        # One thing, or one thing on its base: what stands beside it takes the statement from it.
        liked -= STATEMENT * (sum(member.stands for member in _members(groups)) - 1)
    if role in FACED:
        liked += _filled(stock, ledge, groups) - SCATTERED * _is_scattered(groups)
        liked -= monotony(groups) * (role == "shelf")
    if role in ("floor", "hearth"):
        liked -= _strewn_on_the_floor(stock, ledge, groups)
    if role == "below":
        liked -= LITTLE_SEEN * max(SEEN_BELOW[stock.fullness(ledge)] - share_seen(stock, ledge, groups), 0.0)
        liked -= FLOWERS_BELOW * any(member.thing.category == "stems" for member in _members(groups))
        liked -= CRAMMED * max(max(group.height for group in groups) / stock.frame(ledge) - HIGHEST_BELOW, 0.0)
    liked -= TWIN_FINDS * twin_finds(groups)
    if role in ("top", "table", "island"):
        liked -= OF_ONE_KIND * too_many_of_a_kind(groups)
    if role == "top":
        liked -= _along_a_top(stock, ledge, groups) + palisade(groups)
    liked -= ONE_LIGHT * _is_one_of_a_pair(stock, groups)
    if role == "counter":
        liked -= NO_MACHINE * _lacks_its_machine(stock, ledge, groups)
    if kind.is_a_table and not kind.is_eaten_at:
        liked += on_a_low_table(stock, ledge, groups)
    if kind.is_eaten_at:
        liked -= strewn(ledge, groups)
    liked -= not_apart(stock, ledge, groups) + empty_ends(stock, ledge, groups)
    spans = spans_of(stock, ledge)
    inside = [
        any(left - 12 <= group.foot_left and group.foot_right <= right + 12 for left, right in spans)
        for group in groups
    ]
    if len(spans) > 1 and role in FILLED:
        held = sum(any(left <= (group.left + group.right) / 2 <= right for group in groups) for left, right in spans)
        liked -= BARE_SPANS * (1 - held / len(spans))
    liked -= 0.6 * inside.count(False) if spans else 0.0
    liked -= before_pictures(stock, ledge, _members(groups))
    return liked + sum(liking_of_a_group(stock, ledge, group) for group in groups)


def _is_scattered(groups: Sequence[Group]) -> bool:
    """Tell whether several things stand on a ledge and no three of them belong together."""
    return things_in(groups) >= BEARS_A_GROUP and all(things_in([group]) < OF_A_GROUP for group in groups)


def _off_the_count(count: int, wanted: float) -> float:
    """Return the cost of too few things on a ledge, or of too many."""
    if not wanted:
        return 0.0
    over = max(count - FULL_ENOUGH * wanted, 0.0)
    return TOO_FEW * max(wanted - count, 0.0) + TOO_MANY * over + THIN * max(THIN_BELOW - count / wanted, 0.0)


def _off_the_whole(stock: Stock, by_ledge: Mapping[str, Sequence[Group]]) -> float:
    """Return the cost of too many or too few things on all ledges together."""
    wanted = {ledge.id: things_wanted(stock, ledge) for ledge in stock.ledges}
    bears = sum(wanted.values())
    if not bears:
        return 0.0
    off = sum(things_in(by_ledge.get(ledge, ())) for ledge, most in wanted.items() if most) - bears
    free = max(WHOLE_FREE * bears, OF_A_THING * (off > 0))
    far = max(FAR_FROM * bears, free)
    return (WHOLE * max(abs(off) - free, 0.0) + FAR_OFF * max(abs(off) - far, 0.0)) / bears


def _look_alikes(composition: Composition) -> float:
    """Return the cost of groups that are led by things of one look: on one ledge, or anywhere near."""
    cost = 0.0
    for (one, first), (other, second) in combinations(composition.groups, 2):
        if first.form == "pair" or second.form == "pair" or "row" in (first.form, second.form):
            continue
        over = max(alike(first.anchor.thing, second.anchor.thing) - ALIKE_FROM, 0.0)
        near = one is other or abs(one.floor - other.floor) < NEAR_FLOORS_MM
        cost += over * (1.2 if one is other else 0.8 if near else 0.3)
    return cost


def _are_untied(composition: Composition) -> bool:
    """Tell whether nothing of one body of a flanking pair answers to anything of the other."""
    bodies: dict[str, list[Thing]] = {ledge.body: [] for ledge in composition.stock.ledges}
    for ledge, group in composition.groups:
        bodies[ledge.body] += [member.thing for member in group]
    return len(bodies) > 1 and not any(
        first.item.goes_with(second.item) or likeness(first.item, second.item) >= TWIN
        for one, other in combinations(bodies.values(), 2) for first in one for second in other
    )  # fmt: skip


def _is_led_by_a_picture(composition: Composition) -> bool:
    """Tell whether a large picture or mirror leans on a mantel over which nothing is fixed."""
    piece = composition.stock.piece
    if not kind_of(piece).is_over_a_fire or any(fixture.kind in LOOKED_AT for fixture in piece.fixtures):
        return False
    return any(
        member.pose == "leaning" and member.width >= LARGE_PICTURE * ledge.width
        for ledge, group in composition.groups for member in group
    )  # fmt: skip


def _answered(ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return which share of the height of what leads a top rises in its other half."""
    lead = max(groups, key=lambda group: group.height)
    at_left = lead.left + lead.right < ledge.width
    across = [group.height for group in groups if (group.left + group.right < ledge.width) != at_left]
    return max(across, default=0.0) / lead.height


def _along_a_top(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return the cost of a wide top with one group or no counterpoise, and of a line of groups without a rest."""
    is_by_a_bed = kind_of(stock.piece).is_by_a_bed
    cost = 0.0
    if ledge.width > (LARGE_NIGHTSTAND_MM if is_by_a_bed else LARGE_WIDTH_MM):
        few = len(groups) < 2
        cost += 0.6 * few if few else COUNTERPOISE * max(COUNTERPOISED - _answered(ledge, groups), 0.0)
    if not is_by_a_bed:
        cost += IN_A_LINE * max(len(groups) - groups_borne(ledge, stock.fullness(ledge)), 0)
        cost += ONE_REST * without_a_rest(ledge, groups)
    return cost


def too_many_of_a_kind(groups: Sequence[Group]) -> int:
    """Return how many things are of a kind that a top has two of already; books, candles and sets apart."""
    kinds = Counter(
        member.thing.category for member in _members(groups)
        if member.thing.category not in MAY_BE_MANY and not member.thing.goes_in_a_set
    )  # fmt: skip
    return sum(max(count - TWO, 0) for count in kinds.values())


def twin_finds(groups: Sequence[Group]) -> int:
    """Return how many pairs of finds on a ledge look alike without being a set, or set about a middle as a pair."""
    apart = [group for group in groups if group.form != "pair"]
    finds = [member.thing for member in _members(apart) if member.thing.category in FINDS]
    return sum(
        not one.item.goes_with(other.item) and likeness(one.item, other.item) >= LIKE_FINDS
        for one, other in combinations(finds, 2)
    )


def _is_one_of_a_pair(stock: Stock, groups: Sequence[Group]) -> bool:
    """Tell whether a ledge has one candlestick and there are more."""
    lights = [member.thing for member in _members(groups) if member.thing.item.shape == "candlestick"]
    return len(lights) == 1 and any(thing.item.shape == "candlestick" for thing in stock.pool if thing is not lights[0])


def _lacks_its_machine(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> bool:
    """Tell whether a machine that is used daily is at hand for a counter and none is there."""
    if any(member.thing.category == "appliance" for member in _members(groups)):
        return False
    return any("daily-use" in thing.item.traits for thing in stock.free(ledge, (), {"appliance"}))


def _strewn_on_the_floor(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return the cost of more than something large at each end of a floor, of what is small there, and of flowers."""
    small = sum(group.height < LOW_ON_THE_FLOOR * stock.frame(ledge) for group in groups)
    more = max(sum(member.stands for member in _members(groups)) - 2, 0) + max(len(groups) - 2, 0)
    return STREWN_LOW * (small + more + any(member.thing.category == "stems" for member in _members(groups)))


def _filled(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    fullness, frame = stock.fullness(ledge), stock.frame(ledge)
    covered = sum(group.width for group in groups) / ledge.width
    tallest = max(group.height for group in groups) / frame
    seen = share_seen(stock, ledge, groups)
    wanted = SEEN[fullness] * (SEEN_ON_A_TOP if stock.roles[ledge.id] == "top" else 1.0)
    cost = 1.2 * max(abs(covered - SHARES[fullness]) - 0.08, 0.0)
    cost += 1.5 * max(TALLEST[0] - tallest, 0.0, tallest - TALLEST[1])
    cost += LITTLE_SEEN * max(wanted - seen, 0.0)
    if not kind_of(stock.piece).is_by_a_bed:
        cost += 2.0 * max(seen - SEEN_AT_MOST * wanted, 0.0)
    return -cost


def _greens(composition: Composition) -> float:
    """Return the cost of too little green, too much, or of green close above green."""
    stock = composition.stock
    green = [(ledge, group) for ledge, group in composition.groups if any(member.thing.green for member in group)]
    ledges = len(stock.ledges)
    wanted = 1 if ledges <= 2 else 2 if ledges <= 6 else 3
    at_hand = sum(thing.green for thing in stock.pool)
    cost = 0.3 * max(min(wanted, at_hand) - len(green), 0) + 0.22 * max(len(green) - wanted - (ledges > 2), 0)
    for (one, first), (other, second) in combinations(green, 2):
        near = abs(one.left - other.left) < 50 and abs(one.floor - other.floor) < 480
        middles = abs(first.left + first.right - second.left - second.right) / 2
        cost += 0.15 * (one is not other and near and middles < 0.25 * one.width)
    return -cost


def _ties(composition: Composition, things: Sequence[Thing]) -> float:
    """Return the cost of a hue that comes once, of all tones alike, and of books that stand in no row."""
    stock, cost = composition.stock, 0.0
    places: dict[str, set[int]] = {}
    for number, (_, group) in enumerate(composition.groups):
        for member in group:
            for hue, share in member.thing.hues.items():
                if share > 0.25:
                    places.setdefault(hue, set()).add(number)
    if len(composition.groups) > 1:
        once = [hue for hue, where in places.items() if len(where) == 1 and hue not in QUIET | WARM | {"green"}]
        cost += COMES_ONCE * len(once)
    tones = [thing.lightness for thing in things]
    cost += 0.2 * (max(tones) - min(tones) < 0.25 and not stock.problem.manner.palette)
    return -cost - books_missed(composition)


def _lacks(stock: Stock, need: Need, things: Sequence[Thing]) -> bool:
    """Tell whether something at hand would meet a need of the use and nothing does."""

    def meets(thing: Thing, ledges: Iterable[Ledge]) -> bool:
        return any(need.takes(thing.item, stock.roles[ledge.id]) for ledge in ledges)

    homes = [ledge for ledge in stock.ledges if not need.roles or stock.roles[ledge.id] in need.roles]
    at_hand = any(meets(thing, (ledge for ledge in homes if stock.fits(thing, ledge))) for thing in stock.pool)
    return at_hand and not any(meets(thing, homes) for thing in things)


def _kit(stock: Stock, things: Sequence[Thing]) -> float:
    """Return what is gained by what the use of a piece asks for, and lost where it is missing."""
    kinds = {thing.category for thing in things}
    liked = 0.0
    if stock.room == "bed":
        liked += 0.4 * bool(kinds & BOOK_CATEGORIES) + 0.3 * bool(kinds & {"bowl", "tableware", "box", "tray"})
        liked += LEANT_BY_A_BED * any(thing.pose == "leaning" for thing in things)
    if kind_of(stock.piece).is_lit and stock.room != "kitchen":
        liked += 0.6 * bool(kinds & {"stems", "plant"}) + 0.3 * ("lamp" in kinds)
        liked += 0.4 * ("stems" in kinds and not kind_of(stock.piece).is_by_a_bed)
        liked -= 0.6 * (kind_of(stock.piece).is_in_a_hall and not kinds & {"lamp", "stems", "plant"})
    liked -= NEEDED * sum(_lacks(stock, need, things) for need in needs_of(stock.piece))
    if kind_of(stock.piece).is_a_worktop:
        on_an_island = "island" in stock.roles.values()
        liked += GATHERED_AT_WORK * ("tray" in kinds)
        liked += GREEN_WHERE_ONE_COOKS * bool(kinds & {"stems", "plant"}) + 0.5 * ("stems" in kinds and on_an_island)
    if kind_of(stock.piece).is_eaten_at:
        liked += 0.4 * bool(kinds & {"stems", "plant"}) + 0.4 * ("stems" in kinds) + 0.2 * ("candle" in kinds)
    return liked


def too_many_trifles(things: Sequence[Thing]) -> float:
    """Return the cost of more slight things, and of more oddments, than accents are.

    Parameters
    ----------
    things : sequence of Thing
        All that is shown, one at least.
    """
    slight = sum(thing.slight for thing in things) / len(things)
    odd = sum(thing.category == "object" for thing in things)
    few = max(FEW_ODDMENTS * len(things), 1.0)
    return SLIGHT * max(slight - FEW_SLIGHT, 0.0) + ODDMENTS * max(odd - few, 0.0) / len(things)


def _weight(composition: Composition) -> float:
    """Return the cost of what is dark and heavy up high, or all to one side."""
    stock = composition.stock
    seen = [
        (
            ledge.floor,
            (ledge.left + member.x) / stock.piece.width,
            member.width * member.height * (1.3 - member.thing.lightness),
        )
        for ledge, group in composition.groups
        for member in group
    ]  # fmt: skip
    whole = sum(weight for _, _, weight in seen) or 1.0
    cost = 1.2 * max(abs(sum(x * weight for _, x, weight in seen) / whole - 0.5) - 0.1, 0.0)
    floors = {ledge.floor for ledge in stock.ledges}
    if len(floors) > 2:
        middle = (min(floors) + max(floors)) / 2
        cost += 0.8 * max((sum(floor * weight for floor, _, weight in seen) / whole - middle) / middle, 0.0)
    return -cost


def _is_grounded(composition: Composition) -> bool:
    """Tell whether something large and closed stands at the foot of a case of several shelves."""
    floors = {ledge.floor for ledge in composition.stock.ledges}
    return len(floors) > 2 and any(
        member.thing.category in GROUNDS and member.height > GROUNDS_FROM * composition.stock.frame(ledge)
        for ledge, group in composition.groups
        if ledge.floor == min(floors)
        for member in group
    )


def _members(groups: Iterable[Group]) -> Iterator[Member]:
    return (member for group in groups for member in group)
