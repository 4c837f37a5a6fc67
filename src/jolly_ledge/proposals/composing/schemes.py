"""Which forms a ledge bears, by its role and the kind of piece, in the order in which a stylist builds them."""

from collections.abc import Callable, Collection, Sequence

from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.roles import is_served
from jolly_ledge.model.words import BOOK_CATEGORIES, Fullness
from jolly_ledge.proposals.composing.fullness import things_wanted
from jolly_ledge.proposals.composing.mantels import on_a_mantel
from jolly_ledge.proposals.composing.spread import Make, fill
from jolly_ledge.proposals.composing.tables import on_a_table
from jolly_ledge.proposals.composing.task_rows import with_task_rows
from jolly_ledge.proposals.composing.worktops import on_a_worktop
from jolly_ledge.proposals.groups.anchored import anchored
from jolly_ledge.proposals.groups.books import crowned_stack, is_library, row, stack_with_tall
from jolly_ledge.proposals.groups.folded import folded_on_a_box
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.lamps import lamp_set
from jolly_ledge.proposals.groups.low import WORTHY, any_one, is_empty_glass, low_set, worthy
from jolly_ledge.proposals.groups.nests import nest
from jolly_ledge.proposals.groups.pairs import paired
from jolly_ledge.proposals.groups.service import service
from jolly_ledge.proposals.groups.stock import Stock, socket_side
from jolly_ledge.proposals.groups.trays import tray_set
from jolly_ledge.proposals.groups.whole_sets import whole_set

SHARES: dict[Fullness, float] = {"airy": 0.62, "layered": 0.88, "abundant": 0.94}
"""So much of the width of a shelf is taken by groups."""

PICTURES = frozenset({"art", "frame", "mirror"})
UNDER_A_MIRROR = frozenset({"vessel", "plant", "sculpture", "candle", "object"})
OPEN_SHELF_FOR_TWO_MM, OPEN_SHELF_FOR_THREE_MM = 650.0, 850.0
LOW_IN_A_CASE_MM, BASKETS_OFTEN = 400.0, 0.6
BASKET_SHARE, BASKETS = 0.7, frozenset({"basket", "box"})
CLEAR_OF_THE_FIRE_MM = 110.0
LARGE_BELOW, FOLDED_OFTEN, BOX_OFTEN = frozenset({"basket", "box", "bowl", "vessel"}), 0.4, 0.4
ONE_BELOW, TWO_BELOW_MM = 1.75, 600.0
FIRST_BELOW, NARROW_BELOW_MM = 0.72, 500.0
"""A lower shelf that wants more than so many things, or is so wide, is shared by two groups; on a narrow one the first
may take so much, or no basket would find room.
"""

MOST_ROW_CHANCES, ONE_GROUP_BY_A_BED_MM = 5, 700.0
ROW_SHARE, ROW_BY_A_BASKET, PICTURES_IN_A_LIBRARY = 0.66, 0.54, 0.2
WIDE_MM = 1200.0
THIRD_FROM_MM: dict[Fullness, float] = {"airy": 1300.0, "layered": 1050.0, "abundant": 850.0}
FOURTH_FROM_MM: dict[Fullness, float] = {"airy": 2200.0, "layered": 1700.0, "abundant": 1300.0}
"""From these widths on a top bears a third group between those at its ends, and a fourth."""

FIRST_ON_A_TOP = 0.42
COUNTERPOISES = frozenset({"vessel", "plant", "sculpture"})
COUNTERPOISE_OFTEN: dict[Fullness, float] = {"airy": 0.4, "layered": 0.6, "abundant": 0.7}
"""So often something that rises, stems in a vessel best, answers what leads at the other end of a top."""


def groups_borne(ledge: Ledge, fullness: Fullness) -> int:
    """Return how many groups a top bears: two at its ends, one or two more between them where it is wide."""
    return 2 + sum(ledge.width > widths[fullness] for widths in (THIRD_FROM_MM, FOURTH_FROM_MM))


def groups_for(stock: Stock, ledge: Ledge, used: Collection[str], order: int, before: Sequence[Group]) -> list[Group]:
    """Return the groups of one ledge, in coordinates of the ledge, with what its tasks take in rows."""
    groups = _groups_of_the_role(stock, ledge, used, order, before)
    return with_task_rows(stock, ledge, groups, used, order) if stock.piece.tasks else groups


def _groups_of_the_role(
    stock: Stock, ledge: Ledge, used: Collection[str], order: int, before: Sequence[Group]
) -> list[Group]:  # fmt: skip
    role = stock.roles[ledge.id]
    if role in ("floor", "hearth"):
        return _low_down(stock, ledge, used, order)
    if role == "below":
        return _below(stock, ledge, used, order)
    if role == "counter" or (role == "top" and stock.room == "kitchen"):
        return on_a_worktop(stock, ledge, used, order)
    if kind_of(stock.piece).is_by_a_bed:
        return _by_a_bed(stock, ledge, used, order)
    if role in ("table", "island"):
        return on_a_table(stock, ledge, used)
    if role == "top":
        return _on_a_top(stock, ledge, used, order)
    return _on_a_shelf(stock, ledge, used, order, before)


def one_of(*makers: Make) -> Make:
    """Return a maker that takes the first of some that makes anything."""

    def make(used: Collection[str], width: float) -> Group | None:
        return next((group for maker in makers if (group := maker(used, width)) is not None), None)

    return make


def large_on_the_floor(stock: Stock, ledge: Ledge, maker: Make) -> Make:
    """Return a maker of what is large enough to stand on a floor, without its flowers: those belong where they show.

    A plant on a pile of books on a floor is in the way of both.
    """

    def make(used: Collection[str], width: float) -> Group | None:
        group = maker(used, width)
        if group is None:
            return None
        group.members = [member for member in group if member.thing.category != "stems"]
        is_low = group.height < LOW_ON_THE_FLOOR * stock.frame(ledge)
        is_low |= any(member.thing.green and member.on is not None for member in group)
        return None if is_low or is_empty_glass(group, group.anchor) else group

    return make


class _Forms:
    """The forms for one ledge, each a maker."""

    def __init__(self, stock: Stock, ledge: Ledge, side: int) -> None:
        self._stock, self._ledge, self._side = stock, ledge, side

    def tall(self, low: float = 0.7, high: float = 0.85, **more: object) -> Make:
        target = self._stock.rng.uniform(low, high)
        return lambda used, width: anchored(
            self._stock, self._ledge, used, target=target, side=self._side, width=width, **more,  # type: ignore[arg-type]
        )  # fmt: skip

    def stack(self) -> Make:
        return lambda used, width: crowned_stack(self._stock, self._ledge, used, side=self._side, width=width)

    def stack_and_tall(self, target: float = 0.7) -> Make:
        return lambda used, width: stack_with_tall(
            self._stock, self._ledge, used, side=self._side, width=width, target=target
        )

    def row(self, order: int) -> Make:
        return lambda used, width: row(self._stock, self._ledge, used, side=order, width=width)

    def worthy(
        self, target: float = 0.65, least: float = 0.35, kinds: Collection[str] = WORTHY, most: float = 1.0
    ) -> Make:
        return lambda used, width: worthy(
            self._stock, self._ledge, used, target=target, width=width, least=least, kinds=kinds, most=most
        )

    def low(self) -> Make:
        return lambda used, width: low_set(self._stock, self._ledge, used, width=width, side=self._side)

    def folded(self) -> Make:
        return lambda used, width: folded_on_a_box(self._stock, self._ledge, used, width=width)

    def nest(self) -> Make:
        return lambda used, width: nest(self._stock, self._ledge, used, width=width, side=self._side)

    def whole_set(self) -> Make:
        return lambda used, width: whole_set(self._stock, self._ledge, used, width=width, side=self._side)

    def anything(self) -> Make:
        return lambda used, width: any_one(self._stock, self._ledge, used, width=width)

    def lamp(self) -> Make:
        return lambda used, width: lamp_set(self._stock, self._ledge, used, side=self._side, width=width)

    def service(self) -> Make:
        return lambda used, width: service(self._stock, self._ledge, used, side=self._side, width=width)

    def tray(self) -> Make:
        return lambda used, width: tray_set(self._stock, self._ledge, used, width=width)


TALL_ON_THE_FLOOR, LOW_ON_THE_FLOOR = 0.5, 0.3
"""A vase on a floor is at least as high as the first share of the room under the top, all else as the second."""


def _is_lost_on_the_floor(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> bool:
    """Tell whether all that stands on a floor is one vase or plant that is not tall."""
    if len(groups) != 1 or groups[0].anchor.thing.category not in ("vessel", "plant"):
        return False
    return groups[0].height < TALL_ON_THE_FLOOR * stock.frame(ledge)


def _low_down(stock: Stock, ledge: Ledge, used: Collection[str], order: int) -> list[Group]:
    """Fill the floor under a console, or the hearth on both sides of the fire, with what is large."""
    forms = _Forms(stock, ledge, order)
    fire = next((fixture for fixture in stock.piece.fixtures if fixture.kind == "firebox"), None)
    if fire is None:
        # What holds things stands firmly on a floor; a vase by itself is lost there unless it is tall.
        large = one_of(
            forms.worthy(0.6, 0.3, BASKETS), forms.worthy(0.7, TALL_ON_THE_FLOOR), forms.stack(),
            forms.worthy(0.65, 0.3, LARGE_BELOW),
        )  # fmt: skip
        second = forms.worthy(0.5, 0.3, LARGE_BELOW)
        makers = [large_on_the_floor(stock, ledge, maker) for maker in (large, second)]
        large_ones = fill(stock, ledge, used, makers, 0.55, order)
        return [] if _is_lost_on_the_floor(stock, ledge, large_ones) else large_ones
    groups: list[Group] = []
    for at_right, room in ((False, fire.left - ledge.left), (True, ledge.right - fire.right)):
        taken = {*used, *(one for group in groups for one in group.ids)}
        group = worthy(stock, ledge, taken, target=0.7, width=max(room - CLEAR_OF_THE_FIRE_MM, 0.0), least=0.3)
        if group is not None:
            group.shift((ledge.width - group.width - 25 if at_right else 25) - group.left)
            groups.append(group)
    return groups[:1] if stock.rng.random() < 0.4 else groups


def _below(stock: Stock, ledge: Ledge, used: Collection[str], order: int) -> list[Group]:
    forms = _Forms(stock, ledge, order)
    folded = one_of(forms.folded(), forms.worthy(0.45, 0.2, {"textile"}, 0.75))
    # By a bed one reaches down for books and what a basket holds; an urn down there is in the way.
    kinds = BASKETS if stock.room == "bed" else LARGE_BELOW
    large = one_of(forms.worthy(0.65, 0.3, kinds, 0.8), folded, forms.stack())
    if stock.room != "bed":
        large = one_of(large, forms.worthy(0.6, 0.3))
    books = one_of(forms.stack(), forms.low(), folded)
    if stock.rng.random() < BOX_OFTEN:
        books = one_of(forms.worthy(0.45, 0.15, BASKETS, 0.6), books)
    if stock.rng.random() < FOLDED_OFTEN:
        large, books = one_of(folded, large), one_of(books, large)
    makers = (large, books) if things_wanted(stock, ledge) > ONE_BELOW or ledge.width >= TWO_BELOW_MM else (large,)
    return fill(stock, ledge, used, makers, 0.75, order, FIRST_BELOW if ledge.width < NARROW_BELOW_MM else None)


def _by_a_bed(stock: Stock, ledge: Ledge, used: Collection[str], order: int) -> list[Group]:
    """Set the lamp at the socket's side, books and a dish at hand, and on a wide top something beside."""
    order = -socket_side(stock.piece, ledge) or order
    forms = _Forms(stock, ledge, order)
    lead = one_of(forms.lamp(), forms.tall(0.5, 0.6, stems=1.0), forms.stack(), forms.low())
    if ledge.width <= ONE_GROUP_BY_A_BED_MM:
        return fill(stock, ledge, used, (lead,), 0.9, order)
    vessel = forms.tall(0.5, 0.6, kinds={"vessel", "plant"}, stems=1.0, small=False, companion=False)
    picture = one_of(forms.tall(0.55, 0.7, kinds=PICTURES), vessel)
    second = one_of(*stock.rng.sample([vessel, picture, forms.low(), forms.stack()], 4))
    return fill(stock, ledge, used, (lead, second), SHARES[stock.fullness(ledge)], order)


def _on_a_top(stock: Stock, ledge: Ledge, used: Collection[str], order: int) -> list[Group]:
    """Set a tall group at one end and a lower one as its counterpoise at the other; a mantel leads with a picture."""
    manner = stock.problem.manner
    if manner.figure == "mirrored":
        pair = paired(stock, ledge, used)
        if pair:
            return pair
    over = [
        fixture for fixture in stock.piece.fixtures
        if fixture.kind in ("mirror", "tv", "art") and fixture.floor < ledge.floor + stock.frame(ledge)
    ]  # fmt: skip
    screen = any(fixture.kind == "tv" for fixture in over)
    forms, other = _Forms(stock, ledge, order), _Forms(stock, ledge, -order)
    share = SHARES[manner.fullness]
    if kind_of(stock.piece).is_over_a_fire:
        return on_a_mantel(stock, ledge, used, order, [fixture.kind for fixture in over])
    # The companions of what stands at an end are toward the middle.
    tall = one_of(
        *((forms.lamp(),) if stock.has_lamp(ledge, used) else ()),
        forms.tall(0.4, 0.5, kinds=UNDER_A_MIRROR, stems=1.0)
        if screen
        else forms.tall(0.68, 0.78, stems=1.0, **({"kinds": UNDER_A_MIRROR} if over else {})),
    )
    rises = other.tall(0.45, 0.6, kinds=COUNTERPOISES, stems=1.0)
    low = one_of(
        *((rises,) if stock.rng.random() < COUNTERPOISE_OFTEN[manner.fullness] else ()),
        *stock.rng.sample(
            [other.stack_and_tall(0.42), other.stack(), other.tray(), one_of(other.whole_set(), other.nest())], 4
        ),
        other.tall(0.4, 0.45, stems=0.8), other.low(),
    )  # fmt: skip
    makers = [tall, low]
    while len(makers) < groups_borne(ledge, manner.fullness):
        between = [forms.stack(), forms.stack(), other.low(), forms.worthy(0.3, 0.12)]
        makers.insert(1, one_of(*stock.rng.sample(between, len(between))))
    most = 0.68 if ledge.width > WIDE_MM else 0.74
    share = share if manner.fullness == "abundant" else min(share, most)
    more = (forms.stack(), other.low(), forms.worthy(0.3, 0.12)) if manner.fullness == "abundant" else ()
    return fill(stock, ledge, used, makers, share, order, first=FIRST_ON_A_TOP if len(makers) > 2 else None, more=more)


def _on_a_shelf(
    stock: Stock, ledge: Ledge, used: Collection[str], order: int, before: Sequence[Group]
) -> list[Group]:  # fmt: skip
    """Set one to three groups in a case: forms alternate, and no row follows a row."""
    frame, fullness = stock.frame(ledge), stock.fullness(ledge)
    slender = ledge.width / frame
    count = 1 if slender < 1.6 or ledge.width < 620 else 2 if slender < 3.3 else 3
    count += fullness == "abundant" and count < 3 and slender > 1.1
    if ledge.clearance is None and count == 1 and ledge.width >= OPEN_SHELF_FOR_TWO_MM:
        count = 2 + (ledge.width >= OPEN_SHELF_FOR_THREE_MM and fullness != "airy")
    forms = _Forms(stock, ledge, order)
    lately = [group.form for group in before[-2:]]
    books = [thing for thing in stock.pool if thing.category in BOOK_CATEGORIES and thing.id not in used]
    bookish, rows = len(books) >= 4, sum(thing.category == "book-row" for thing in books)
    tall, picture = forms.tall(), one_of(forms.tall(0.68, 0.82, kinds=PICTURES), forms.tall())
    if is_library(stock) and ledge.clearance is not None:
        return _in_a_library(stock, ledge, used, order, before)
    first: list[Make] = [tall, picture, one_of(forms.whole_set(), forms.nest(), tall)]
    if "stack-and-tall" not in lately:
        first.append(forms.stack_and_tall())
    if bookish and ledge.clearance is not None and "row" not in lately:
        first += [one_of(forms.row(order), tall)] * min(max(rows, 2), MOST_ROW_CHANCES)
    second: list[Make] = [forms.stack(), forms.stack(), forms.low(), forms.worthy()] if bookish else [
        one_of(forms.whole_set(), forms.nest(), forms.low()), forms.low(), forms.worthy(), tall
    ]  # fmt: skip
    if stock.room in ("kitchen", "dining") or is_served(stock.piece):
        first, second = [*first, *[forms.service()] * 4], [*second, *[forms.service()] * 3]
    choose: Callable[[list[Make]], Make] = stock.rng.choice
    wide = None
    if _is_low_in_a_case(stock, ledge) and stock.rng.random() < BASKETS_OFTEN:
        first, wide = [forms.worthy(0.75, 0.45, BASKETS), *first[:1]], BASKET_SHARE
    last: tuple[Make, ...] = (forms.low(), forms.stack(), forms.row(order), forms.worthy(least=0.2), forms.anything())
    makers = [one_of(choose(first), tall, forms.stack_and_tall(), forms.worthy(), *last)]
    if count >= 2:
        makers.append(one_of(choose(second), forms.low(), forms.stack(), forms.worthy(), forms.anything()))
    if count >= 3:
        makers.append(
            one_of(
                choose([picture, forms.stack(), forms.stack_and_tall()]), forms.worthy(), forms.low(), forms.anything()
            )
        )
    share = SHARES[fullness]
    more = (
        () if fullness == "airy" else tuple(stock.rng.sample([forms.stack(), forms.low(), forms.worthy(0.5, 0.2)], 3))
    )
    return fill(stock, ledge, used, makers, share if count > 1 else max(share, 0.62), order, first=wide, more=more)


def _is_low_in_a_case(stock: Stock, ledge: Ledge) -> bool:
    floors = {one.floor for one in stock.ledges}
    return ledge.floor < LOW_IN_A_CASE_MM and len(floors) > 2 and ledge.floor == min(floors)


def _in_a_library(
    stock: Stock, ledge: Ledge, used: Collection[str], order: int, before: Sequence[Group]
) -> list[Group]:  # fmt: skip
    """Set a row from one end, and at the other something to rest the eye on; rows begin at different ends."""
    forms = _Forms(stock, ledge, order)
    row_at_end = forms.row(order)
    rest = [forms.stack(), forms.stack(), forms.stack(), forms.low(), forms.worthy(0.6, 0.3)]
    tall = forms.tall(small=False, companion=False)
    stacks_lately = any(group.form in ("stack", "stack-and-tall") for group in before[-2:])
    second = one_of(*stock.rng.sample(rest[2 * stacks_lately :], 2), tall, *rest)
    row_share = ROW_SHARE
    if _is_low_in_a_case(stock, ledge) and stock.rng.random() < BASKETS_OFTEN:
        second, row_share = one_of(forms.worthy(0.75, 0.3, BASKETS), forms.worthy(0.75, 0.4), second), ROW_BY_A_BASKET
    lead = one_of(row_at_end, tall, forms.stack_and_tall(), forms.worthy(), *rest, forms.anything())
    if stock.rng.random() < PICTURES_IN_A_LIBRARY:
        second = one_of(forms.tall(0.65, 0.8, kinds=PICTURES), second)
    more = (forms.row(-order), forms.stack(), forms.low(), forms.worthy(0.6, 0.2))
    return fill(stock, ledge, used, (lead, second), max(SHARES[stock.fullness(ledge)], 0.7), order,
                first=row_share, more=more)  # fmt: skip
