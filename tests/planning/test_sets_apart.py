"""What is told of the members of a set that stand elsewhere, are stored, or are not owned yet."""

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.model.look import Look
from jolly_ledge.planning.sets_apart import rest_of_its_set

PAIR = tuple(thing(f"sconce-{side}", "candle", set="sconces", sense="pair") for side in ("left", "right"))
HALL = replace(case_of(), id="hall", name="Hall")


def told(**changes: object) -> str:
    plan = plan_of((PAIR[0], replace(PAIR[1], **changes)), (put("sconce-left"),))
    return rest_of_its_set(plan, plan.looks[0], plan.stash[0])


WHERE = [
    ({}, "is still in the stash"),
    ({"status": "stored"}, "is in store"),
    ({"status": "to-buy"}, "is still to be bought"),
    ({"status": "wanted"}, "is only wished for"),
]


@pytest.mark.parametrize(("changes", "where"), WHERE)
def test_it_tells_where_the_other_one_is(changes: dict[str, object], where: str) -> None:
    assert told(**changes) == f"Of “sconces” the sconce-right {where}."


def test_it_tells_in_which_piece_and_look_it_stands() -> None:
    plan = plan_of(PAIR, (put("sconce-left"),))
    other = Look(id="other", piece="hall", name="Evening", placements=(put("sconce-right"),))
    plan = replace(plan, pieces=(*plan.pieces, HALL), looks=(*plan.looks, other))
    said = rest_of_its_set(plan, plan.looks[0], plan.stash[0])
    assert said == "Of “sconces” the sconce-right stands in Hall, Evening."


def test_nothing_is_told_where_all_are_here_or_a_set_has_no_sense() -> None:
    both = plan_of(PAIR, (put("sconce-left", x=200.0), put("sconce-right", x=600.0)))
    assert rest_of_its_set(both, both.looks[0], both.stash[0]) == ""
    plain = tuple(replace(one, sense="") for one in PAIR)
    alone = plan_of(plain, (put("sconce-left"),))
    assert rest_of_its_set(alone, alone.looks[0], alone.stash[0]) == ""
    single = plan_of((thing("urn"),), (put("urn"),))
    assert rest_of_its_set(single, single.looks[0], single.stash[0]) == ""
