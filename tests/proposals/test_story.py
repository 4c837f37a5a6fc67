"""How a proposal tells what leads."""

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.model.look import Manner
from jolly_ledge.model.starts.tops import console
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.story import how_many_said, leads_of, story_of

ITEMS = (
    thing("urn", "vessel", width=180.0, height=300.0, depth=150.0),
    thing("row", "book-row", width=500.0, height=280.0, depth=180.0),
    thing("twigs", "stems", width=300.0, height=420.0, depth=200.0),
)


def test_a_row_of_books_never_leads_however_much_it_weighs() -> None:
    piece = case_of(2)
    look = arranged(ITEMS[:2], (put("row", ledge="a1", x=300.0), put("urn", ledge="a2", x=500.0)), piece)
    told = [step.sentence for step in story_of(problem_of(plan_of(ITEMS, (), piece), "case", Manner()), look)]
    assert any("The urn" in one and "it leads the look" in one for one in told)
    assert not any("The row" in one and "it leads the look" in one for one in told)


def test_stems_that_are_larger_than_all_else_lead_too() -> None:
    piece = case_of(1)
    look = arranged((ITEMS[0], ITEMS[2]), (put("urn", x=300.0), put("twigs", x=300.0, inside="urn")), piece)
    assert leads_of(look) == {"urn", "twigs"}


def test_what_bears_others_says_what_it_bears() -> None:
    items = (
        ITEMS[0],
        ITEMS[2],
        *(thing(f"book {size}", "book", width=size, height=30.0, depth=180.0) for size in (240.0, 220.0)),
        thing("shell", width=90.0, height=70.0, depth=60.0),
        thing("lamp", "lamp", width=300.0, height=390.0, depth=200.0),
    )
    placements = (
        put("lamp", x=620.0),
        put("urn", x=120.0),
        put("twigs", x=120.0, inside="urn"),
        put("book 240.0", x=380.0),
        put("book 220.0", x=380.0, on="book 240.0"),
        put("shell", x=380.0, on="book 220.0"),
    )
    piece = case_of(1)
    told = [
        step.sentence
        for step in story_of(
            problem_of(plan_of(items, (), piece), "case", Manner()), arranged(items, placements, piece)
        )
    ]
    assert [one.partition(": ")[2] for one in told[:3]] == [
        "it leads the look.",
        "it holds the twigs.",
        "it lifts the shell.",
    ]
    assert told[-1].endswith(": it lies under the book 220.0.")


def test_what_stands_on_the_floor_is_not_counted_against_the_number_of_the_top() -> None:
    table = console()
    below, top = (next(ledge.id for ledge in table.ledges if ledge.label == name) for name in ("below", "top"))
    placements = (put("urn", ledge=top, x=300.0), put("row", ledge=top, x=700.0), put("twigs", ledge=below, x=300.0))
    problem = problem_of(plan_of(ITEMS, (), table), table.id, Manner())
    said = how_many_said(problem, arranged(ITEMS, placements, table))
    on_top = how_many_said(problem, arranged(ITEMS, placements[:2], table))
    assert said == on_top
    assert said.endswith("on these ledges.")
