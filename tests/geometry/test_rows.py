"""Rows of upright books: which they are, how heavy, and in which order they are sorted."""

import pytest

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.edits.sort_row import SortRow
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.geometry.rows import Order, in_order, row_of
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Placement

BOOKS = (
    thing("tall", "book", width=30.0, height=280.0, mass=1.0, name="Cedars", colours=(("#2f3d4a", 1.0),)),
    thing("low", "book", width=20.0, height=180.0, mass=0.5, name="Alders", colours=(("#a9583a", 1.0),)),
    thing("two", "book", width=25.0, height=220.0, mass=0.75, name="Tides II", set="Tides"),
    thing("one", "book", width=25.0, height=220.0, mass=0.75, name="Tides I", set="Tides"),
)
JAR = thing("jar")


def places(*order: str) -> tuple[Placement, ...]:
    left, found = 100.0, []
    for identifier in order:
        width = next(book.width for book in BOOKS if book.id == identifier)
        found.append(put(identifier, x=left + width / 2))
        left += width
    return tuple(found)


def test_books_side_by_side_are_a_row_and_a_jar_is_none() -> None:
    look = arranged((*BOOKS, JAR), (*places("low", "tall", "two", "one"), put("jar", x=600.0)), case_of(1))
    assert [one.id for one in row_of(look, "tall")] == ["low", "tall", "two", "one"]
    assert row_of(look, "jar") == ()


@pytest.mark.parametrize(
    ("order", "expected"),
    [
        ("height", ["tall", "one", "two", "low"]),
        ("name", ["low", "tall", "one", "two"]),
    ],
)
def test_a_series_stays_together_in_its_own_order(order: Order, expected: list[str]) -> None:
    look = arranged(BOOKS, places("two", "low", "one", "tall"), case_of(1))
    assert [one.id for one in in_order(row_of(look, "low"), order)] == expected


def test_sorting_keeps_the_ends_and_takes_along_what_lies_on_a_book() -> None:
    knob = thing("knob", "object", width=10.0, height=10.0, depth=10.0)
    placements = (*places("low", "tall", "two", "one"), put("knob", x=110.0, on="low"))
    plan = plan_of((*BOOKS, knob), placements, case_of(1))
    before = arrange(plan, plan.looks[0])
    after_plan = SortRow(look="look", placement="two", order="height").apply(plan)
    after = arrange(after_plan, after_plan.looks[0])
    row = row_of(after, "two")
    assert [one.id for one in row] == ["tall", "one", "two", "low"]
    assert row[0].left == pytest.approx(row_of(before, "two")[0].left)
    assert row[-1].right == pytest.approx(row_of(before, "two")[-1].right)
    assert after.by_id["knob"].x - after.by_id["low"].x == pytest.approx(0.0)


def test_what_is_no_row_and_what_is_locked_is_refused_in_a_sentence() -> None:
    plan = plan_of((JAR,), (put("jar"),), case_of(1))
    with pytest.raises(EditError, match="side by side in a row"):
        SortRow(look="look", placement="jar", order="hue").apply(plan)
    first, *rest = places("low", "tall")
    locked = plan_of(BOOKS, (put("low", x=first.x, locked=True), *rest), case_of(1))
    with pytest.raises(EditError, match="is locked; unlock it"):
        SortRow(look="look", placement="tall", order="hue").apply(locked)
