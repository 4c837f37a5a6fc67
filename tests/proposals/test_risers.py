"""Risers: the exact lift if it can be had, larger below, the base carried."""

from itertools import combinations
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from builders import arranged, plan_of, put, thing
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.edits.risers import RaiseOnRisers
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, arrange
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.proposals.mend import mends
from jolly_ledge.proposals.risers import MOST_RISERS, NEAR_MM, risers_for
from jolly_ledge.readings.register import assess

FIGURE = thing("figure", "sculpture", width=90.0, height=120.0, depth=90.0)


def book(name: str, thick: float, **changes: Any) -> Item:
    return thing(name, "book", width=thick, **changes)


def lost() -> tuple[Arrangement, PlacedItem]:
    look = arranged((FIGURE,), (put("figure"),))
    return look, look.by_id["figure"]


def test_the_wanted_lift_is_found_among_many() -> None:
    look, figure = lost()
    books = tuple(book(f"b{n}", thick) for n, thick in enumerate((11.0, 17.0, 23.0, 41.0, 58.0)))
    # 11 and 41 do as well as 11, 17 and 23, and are fewer; 92 takes 11, 23 and 58.
    two, three = (risers_for(look, figure, lift, books)[0] for lift in (51.0, 92.0))
    assert (two.lift, {item.id for item in two.items}) == (52.0, {"b0", "b3"})
    assert (three.lift, {item.id for item in three.items}) == (92.0, {"b0", "b2", "b4"})


def test_larger_ones_lie_below_and_the_topmost_carries_the_base() -> None:
    look, figure = lost()
    books = (book("small", 20.0, height=150.0, depth=110.0), book("large", 22.0, height=320.0, depth=240.0),
             book("tiny", 42.0, height=35.0, depth=30.0))  # fmt: skip
    best = risers_for(look, figure, 42.0, books)[0]
    assert [item.id for item in best.items] == ["large", "small"]


def test_suiting_colours_come_first() -> None:
    look, figure = lost()
    books = (book("loud", 40.0, colours=(("#2f6db2", 1.0),)), book("like", 40.0))
    assert risers_for(look, figure, 40.0, books)[0].items[0].id == "like"


@settings(max_examples=40, deadline=None)
@given(st.lists(st.integers(8, 70), min_size=1, max_size=9), st.integers(20, 150))
def test_no_better_lift_was_overlooked(thick: list[int], lift: int) -> None:
    look, figure = lost()
    found = risers_for(look, figure, float(lift), tuple(book(f"b{n}", float(t)) for n, t in enumerate(thick)))
    sums = [sum(some) for count in range(1, MOST_RISERS + 1) for some in combinations(thick, count)]
    best = min(abs(total - lift) for total in sums)
    if best <= NEAR_MM:
        assert abs(found[0].lift - lift) <= NEAR_MM
    elif found:
        assert abs(found[0].lift - lift) == pytest.approx(best)


def test_a_lost_thing_is_raised_on_books_in_one_step() -> None:
    stash = (FIGURE, book("wide", 60.0), book("slim", 58.0))
    plan = plan_of(stash, (put("figure", x=400.0),))
    look = plan.looks[0]
    finding = next(f for f in assess(arrange(plan, look)).findings if f.reading == "scale")
    raised = next(mend for mend in mends(plan, look, finding, 9) if "on the " in mend.label and "mm" in mend.label)
    after = raised.edit.apply(plan)
    resolved = arrange(after, after.looks[0])
    assert resolved.by_id["figure"].bottom > resolved.by_id["figure"].ledge.floor + 50
    assert not [caution for caution in cautions_of(resolved) if caution.level == "stop"]


def test_what_is_locked_is_not_raised() -> None:
    plan = plan_of((FIGURE, book("wide", 60.0)), (put("figure", locked=True),))
    with pytest.raises(EditError, match="cannot be raised"):
        RaiseOnRisers(look="look", placement="figure", risers=("wide",)).apply(plan)
