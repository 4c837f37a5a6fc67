"""What people think: votes on a look, tastes kept for a client."""

import pytest

from builders import plan_of
from jolly_ledge.edits.opinions import CastVote, ForgetTaste, KeepTaste, TakeBackVote
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Manner, Vote


def test_a_second_vote_takes_the_place_of_the_first() -> None:
    plan = plan_of()
    for likes, remark in ((True, ""), (False, "the urn is too dark")):
        plan = CastVote(look="look", vote=Vote(who="Tilda", likes=likes, remark=remark)).apply(plan)
    plan = CastVote(look="look", vote=Vote(who="Orrin", likes=True)).apply(plan)
    assert [(vote.who, vote.likes) for vote in plan.look("look").votes] == [("Tilda", False), ("Orrin", True)]
    assert plan_from_json(plan_to_json(plan)) == plan
    assert [vote.who for vote in TakeBackVote(look="look", who="Tilda").apply(plan).look("look").votes] == ["Orrin"]


def test_a_taste_is_kept_under_one_name() -> None:
    plan = plan_of()
    airy, full = Manner(fullness="airy", weights=(("mix", 2.0),)), Manner(fullness="abundant")
    plan = KeepTaste(name="Tilda", manner=airy).apply(plan)
    plan = KeepTaste(name=" Tilda ", manner=full).apply(plan)
    assert [(taste.name, taste.manner) for taste in plan.tastes] == [("Tilda", full)]
    assert plan_from_json(plan_to_json(plan)) == plan
    assert ForgetTaste(name="Tilda").apply(plan).tastes == ()


@pytest.mark.parametrize(
    "edit", [KeepTaste(name=" ", manner=Manner()), CastVote(look="look", vote=Vote(who="", likes=True))]
)
def test_nobody_has_no_opinion(edit: KeepTaste | CastVote) -> None:
    with pytest.raises(EditError, match="needs a name"):
        edit.apply(plan_of())
