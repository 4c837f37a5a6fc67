"""A pool of good groups for each size of ledge: built once from a stash, graded as wholes, taken up again and again."""

from collections.abc import Collection, Iterable
from itertools import combinations
from random import Random

from msgspec import Struct

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.liking_of_a_group import liking_of_a_group
from jolly_ledge.proposals.composing.schemes import groups_for
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.register import FORMS
from jolly_ledge.proposals.groups.stock import Stock, is_tied
from jolly_ledge.proposals.thing import Thing

THROWS, WIDTHS = 3, (0.3, 0.45, 0.7, 0.92)
"""Each form is made so often, for groups of these shares of a ledge."""

OF_A_FORM, OF_A_LEAD = 8, 2
"""So many groups of one form are kept for a size of ledge, and of them so many with one lead."""

TIED, SUITS = 0.5, 1.0
SIZE_STEP_MM = 10.0
"""Ledges that differ by less share their groups."""


class Size(Struct, frozen=True):
    """What ledges have in common that bear the same groups; lengths in steps of :data:`SIZE_STEP_MM`."""

    role: str
    width: int
    depth: int
    frame: int
    shape: str


class GroupPool:
    """The good groups of one problem, built for a size of ledge when they are first asked for.

    Things of a palette differ from look to look: what is taken from the pool holds only what the asking stock has.
    """

    def __init__(self) -> None:
        self._kept: dict[Size, list[Group]] = {}

    def groups_within(self, stock: Stock, ledge: Ledge, used: Collection[str], width: float) -> list[Group]:
        """Return copies of the good groups that are no wider than so much (mm) and hold nothing that is used.

        The best come first. They stand somewhere on the ledge: who takes one moves it.

        Parameters
        ----------
        stock : Stock
            What is at hand.
        ledge : Ledge
            Where it goes.
        used : collection of str
            Things that stand somewhere already.
        width : float
            The group becomes no wider, in mm.
        """
        size = _size_of(stock, ledge)
        if size not in self._kept:
            self._kept[size] = best_of_each_form(stock, ledge, _built(stock, ledge))
        at_hand = {thing.id: thing for thing in stock.pool if thing.id not in used}
        return [
            of_own_things(group, at_hand)
            for group in self._kept[size]
            if group.width <= width and group.ids <= at_hand.keys()
        ]


def best_of_each_form(stock: Stock, ledge: Ledge, groups: Iterable[Group]) -> list[Group]:
    """Return the best groups of every form, few with one lead and none twice, the best first."""
    graded = sorted(((grade_of(stock, ledge, group), group) for group in groups), key=lambda one: -one[0])
    forms: dict[str, int] = {}
    leads: dict[tuple[str, str], int] = {}
    known: set[frozenset[str]] = set()
    kept = []
    for _, group in graded:
        form, lead = group.form, (group.form, group.anchor.thing.id)
        if group.ids not in known and forms.get(form, 0) < OF_A_FORM and leads.get(lead, 0) < OF_A_LEAD:
            forms[form], leads[lead] = forms.get(form, 0) + 1, leads.get(lead, 0) + 1
            known.add(group.ids)
            kept.append(group)
    return kept


def grade_of(stock: Stock, ledge: Ledge, group: Group) -> float:
    """Return how good a group is by itself: how its members suit, are tied by hue and stand before each other."""
    things = [member.thing for member in group]
    pairs = list(combinations(things, 2))
    tied = sum(is_tied(one, other) for one, other in pairs) / len(pairs) if pairs else 0.0
    suits = sum(thing.best_welcome * thing.suits for thing in things) / len(things)
    return SUITS * suits + TIED * tied + liking_of_a_group(stock, ledge, group)


def of_own_things(group: Group, things: dict[str, Thing]) -> Group:
    """Return a copy of a group whose members are these things."""
    twin = group.copy()
    for member in twin:
        member.thing = things[member.thing.id]
    return twin


def _built(stock: Stock, ledge: Ledge) -> list[Group]:
    """Return groups of every form for a ledge on which nothing stands, and what its role asks for."""
    built: list[Group] = []
    for throw in range(THROWS):
        thrown = Stock(stock.problem, Random(throw))
        built += groups_for(thrown, ledge, set(), 1 if throw % 2 else -1, ())
        for form in FORMS.values():
            for share in WIDTHS:
                made = form.make(thrown, ledge, set(), width=share * ledge.width)
                if made is not None and made.narrowed(share * ledge.width):
                    built.append(made)
    return [group for group in built if not group.wants_end]


def _size_of(stock: Stock, ledge: Ledge) -> Size:
    def steps(length: float) -> int:
        return round(length / SIZE_STEP_MM)

    return Size(stock.roles[ledge.id], steps(ledge.width), steps(ledge.depth), steps(stock.frame(ledge)), ledge.shape)
