"""Blending two looks ledge by ledge."""

from builders import case_of, plan_of, put, thing
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import check_references
from jolly_ledge.proposals.blend import blend
from jolly_ledge.proposals.problem import stops_of

STASH = (*(thing(f"jar{n}") for n in range(4)), thing("stack", "book-stack"))


def test_ledges_come_from_where_they_are_chosen_and_no_thing_twice() -> None:
    first = Look(id="one", piece="case", placements=(
        put("jar0", x=150.0), put("stack", x=400.0), put("jar1", x=400.0, on="stack"), put("jar2", "a2", x=150.0)))  # fmt: skip
    # Its ids are not the names of its things.
    second = Look(id="two", piece="case", placements=(
        put("jar0", "a2", x=300.0, id="p1"), put("stack", "a2", x=600.0, id="p2"),
        put("jar3", "a2", x=600.0, on="p2", id="p3"), put("jar2", x=200.0, id="p4")))  # fmt: skip
    mixed = blend(first, {"a2": second})
    assert {(p.item, p.ledge, p.host) for p in mixed.placements} == {
        ("jar0", "a2", None), ("stack", "a2", None), ("jar3", "a2", "stack"),
    }  # fmt: skip
    plan = plan_of(STASH, mixed.placements, case_of(2))
    check_references(plan)
    assert not stops_of(arrange(plan, plan.looks[0]))


def test_a_blend_of_nothing_is_the_look() -> None:
    look = Look(id="one", piece="case", placements=(put("stack", x=400.0), put("jar1", x=400.0, on="stack")))
    assert blend(look, {}) == look
    assert blend(look, {"a1": look, "a2": look}) == look


def test_two_ledges_from_two_looks_that_use_one_thing_keep_it_once() -> None:
    one = Look(id="one", piece="case", placements=(put("jar0"),))
    two = Look(id="two", piece="case", placements=(put("jar0", "a2"), put("jar1", "a2", x=600.0)))
    mixed = blend(Look(id="base", piece="case"), {"a1": one, "a2": two})
    assert [(p.item, p.ledge) for p in mixed.placements] == [("jar0", "a1"), ("jar1", "a2")]
