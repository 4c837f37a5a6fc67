"""All forms of groups: what a stylist calls each, and how it is made."""

from collections.abc import Collection
from typing import Protocol

from msgspec import Struct

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.anchored import anchored
from jolly_ledge.proposals.groups.books import crowned_stack, row, stack_with_tall
from jolly_ledge.proposals.groups.candles import candlesticks
from jolly_ledge.proposals.groups.clusters import cluster
from jolly_ledge.proposals.groups.folded import folded_on_a_box
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.lamps import lamp_set
from jolly_ledge.proposals.groups.low import low_set, worthy
from jolly_ledge.proposals.groups.nests import nest
from jolly_ledge.proposals.groups.pictures import pictures
from jolly_ledge.proposals.groups.service import service
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.trays import tray_set
from jolly_ledge.proposals.groups.whole_sets import whole_set


class Making(Protocol):
    """Makes a group of what is not used, no wider than so many mm; None where it cannot be made."""

    def __call__(self, stock: Stock, ledge: Ledge, used: Collection[str], *, width: float = ...) -> Group | None:
        """Make one.

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

        Notes
        -----
        Where a form takes a ``side``, the lesser members stand to it: 1 to the right, -1 to the left.
        """
        ...


class Form(Struct, frozen=True):
    """One form: the word its groups bear, what it is in plain words, and how it is made."""

    id: str
    said: str
    make: Making


FORMS: dict[str, Form] = {
    form.id: form
    for form in (
        Form("anchored", "something tall, a companion at about two thirds of it, something low in front", anchored),
        Form("pictures", "a large picture, a smaller one before its side, something low at its foot", pictures),
        Form("stack", "books or a pile under an object", crowned_stack),
        Form("stack-and-tall", "a crowned stack with something taller behind its side", stack_with_tall),
        Form("row", "upright books from an end, held at the other", row),
        Form("folded", "something folded on a shut box", folded_on_a_box),
        Form("tray", "a tray that gathers two or three things", tray_set),
        Form("lamp", "a lamp with books, a dish or a companion", lamp_set),
        Form("candles", "two candlesticks of different heights with something low", candlesticks),
        Form("service", "dishes as they are served", service),
        Form("nest", "things of one set, graded in size", nest),
        Form("whole-set", "a whole set side by side, pairs outward in", whole_set),
        Form("cluster", "three things that touch in a triangle, seen from all sides", cluster),
        Form("low", "a bowl or a box with something small", low_set),
        Form("worthy", "one thing that holds its place alone", worthy),
    )
}
"""Every form that is made for a stretch of a ledge; those of a whole worktop and pairs about a middle are apart."""
