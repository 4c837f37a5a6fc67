"""How a proposal tells what leads."""

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.model.look import Manner
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.story import leads_of, story_of

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
