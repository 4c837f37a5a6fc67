"""Another group in the spot of one: it stands clear of what stays, is told by its lead, and comes in one step."""

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.edits.exchange import ExchangeGroup
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.geometry.rows import group_of
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.group_exchange import exchanged, group_exchanges
from jolly_ledge.proposals.problem import stops_of

CREAM, SAND = (("#efe6d6", 1.0),), (("#c9a27a", 1.0),)
STASH = (
    thing("urn", height=280.0, colours=CREAM), thing("shell", "object", width=90.0, height=60.0, depth=70.0, colours=SAND),
    thing("ginger", height=250.0, width=150.0, depth=150.0, colours=SAND), thing("knot", "sculpture", width=110.0,
    height=130.0, depth=80.0, colours=CREAM), thing("dish", "bowl", width=150.0, height=60.0, depth=150.0, colours=SAND),
    thing("fern", "plant", colours=(("#6f7d56", 1.0),)), thing("albums", "book-stack", colours=CREAM),
    thing("oak box", "box", width=220.0, height=110.0, depth=160.0, colours=SAND), thing("stay", "object", width=90.0,
    height=110.0, depth=90.0, colours=CREAM), thing("router", "device", width=160.0, height=140.0, depth=90.0),
)  # fmt: skip
PLACES = (put("urn", x=200.0, z=200.0), put("shell", x=270.0, z=60.0), put("stay", x=700.0))
GROUP = ("urn", "shell")


@pytest.fixture
def plan() -> Plan:
    return plan_of(STASH, PLACES, case_of(2))


def look_of(plan: Plan) -> Look:
    return plan.looks[0]


def test_what_stands_together_is_a_group(plan: Plan) -> None:
    arrangement = arrange(plan, look_of(plan))
    assert set(group_of(arrangement, "urn")) == set(GROUP)
    assert group_of(arrangement, "stay") == ("stay",)


def test_other_groups_stand_there_and_all_else_stays(plan: Plan) -> None:
    found = group_exchanges(plan, look_of(plan), GROUP)
    assert len(found) >= 3
    assert [one.gain for one in found] == sorted((one.gain for one in found), reverse=True)
    for one in found:
        changed = one.edit.apply(plan)
        assert look_of(changed) == one.look
        arrangement = arrange(changed, one.look)
        assert not stops_of(arrangement)
        assert one.look.placement("stay") == look_of(plan).placement("stay")
        new = {placement.item for placement in one.look.placements} - {"stay"}
        assert "urn" not in new
        assert "router" not in new
        assert {placement.ledge for placement in one.look.placements} == {"a1"}
        assert one.sentence.startswith(one.names[0])
    leads = [one.names[0] for one in found]
    assert max(leads.count(lead) for lead in leads) <= 2
    assert len(set(leads)) >= 2


def test_a_locked_group_is_not_exchanged_nor_one_on_two_ledges(plan: Plan) -> None:
    look = look_of(plan)
    locked = tuple(replace(one, locked=one.id == "urn") for one in look.placements)
    assert group_exchanges(plan, replace(look, placements=locked), GROUP) == ()
    apart = tuple(replace(one, ledge="a2") if one.id == "shell" else one for one in look.placements)
    assert group_exchanges(plan, replace(look, placements=apart), GROUP) == ()


def test_what_stands_on_a_group_goes_with_it(plan: Plan) -> None:
    places = (put("albums", x=200.0), put("knot", x=200.0, on="albums"), put("stay", x=700.0))
    look = replace(look_of(plan), placements=places)
    carried = replace(plan, looks=(look,))
    assert exchanged(arrange(carried, look), ("albums",)) == ("albums", "knot")
    for one in group_exchanges(carried, look, ("albums",)):
        assert not {"albums"} & {placement.item for placement in one.look.placements}


def test_a_pile_with_what_must_be_there_stays(plan: Plan) -> None:
    places = (*PLACES, put("oak box", x=420.0), put("router", x=None, z=None, inside="oak box"))
    look = replace(look_of(plan), placements=places)
    stash = tuple(replace(item, traits=("hide",)) if item.id == "router" else item for item in STASH)
    hiding = replace(plan, stash=stash, looks=(look,))
    assert exchanged(arrange(hiding, look), (*GROUP, "oak box")) == GROUP
    for one in group_exchanges(hiding, look, (*GROUP, "oak box")):
        assert {"oak box", "router"} <= {placement.item for placement in one.look.placements}


def test_the_name_of_a_group_stays_and_ids_are_fresh(plan: Plan) -> None:
    named = tuple(replace(one, vignette="tall end" if one.id in GROUP else None) for one in PLACES)
    plan = replace(plan, looks=(replace(look_of(plan), placements=named),))
    come = (put("albums", x=200.0), replace(put("knot", x=200.0), id="stay", on="albums"))
    edit = ExchangeGroup(look="look", gone=GROUP, come=come, name="urn and 1 more", new_name="albums and 1 more")
    after = look_of(edit.apply(plan))
    assert edit.label == "Exchange urn and 1 more for albums and 1 more"
    assert {one.item: one.vignette for one in after.placements} == {
        "stay": None,
        "albums": "tall end",
        "knot": "tall end",
    }
    ids = [one.id for one in after.placements]
    assert len(set(ids)) == 3
    knot = next(one for one in after.placements if one.item == "knot")
    assert after.placement(knot.on or "").item == "albums"


@pytest.mark.parametrize(
    ("gone", "come", "said"),
    [(GROUP, (put("stay"),), "stands in this look already"), (("urn",), (put("fern"),), "Something that stays")],
)
def test_a_group_that_cannot_come_is_refused(plan: Plan, gone: tuple[str, ...], come: tuple, said: str) -> None:  # type: ignore[type-arg]
    on_it = replace(look_of(plan), placements=(PLACES[0], replace(PLACES[1], on="urn"), PLACES[2]))
    with pytest.raises(EditError, match=said):
        ExchangeGroup(look="look", gone=gone, come=come).apply(replace(plan, looks=(on_it,)))
