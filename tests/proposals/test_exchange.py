"""Exchange in place: what comes belongs and fits, guests and locks stay, the best comes first."""

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.edits.exchange import ExchangeThing
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.exchange import difference, exchanges
from jolly_ledge.proposals.problem import stops_of

CREAM, RUST, LIME = "#efe6d6", "#a9583a", "#9bd12c"


def jar(name: str, height: float = 200.0, width: float = 120.0, colour: str = CREAM, **more: object) -> Item:
    return thing(name, "vessel", height=height, width=width, depth=width, colours=((colour, 1.0),), **more)


URN, STACK = jar("urn"), thing("folios", "book-stack", width=260.0, height=90.0, depth=200.0)
STASH = (
    URN, STACK, jar("tall", 290.0), jar("rust", colour=RUST), jar("lime", colour=LIME), jar("huge", 900.0),
    thing("router", "device", width=120.0, height=190.0), thing("bowl", "bowl", width=180.0, height=80.0, depth=180.0),
    thing("twigs", "stems", width=120.0, height=180.0), thing("album", "book-stack", width=240.0, height=60.0, depth=190.0),
)  # fmt: skip


@pytest.fixture
def plan() -> Plan:
    return plan_of(
        STASH, (put("urn", "a1", 150.0), put("folios", "a1", 450.0), put("bowl", "a1", 450.0, on="folios")), case_of(2)
    )


def look_of(plan: Plan) -> Look:
    return plan.looks[0]


def test_what_is_offered_belongs_fits_and_can_stand(plan: Plan) -> None:
    found = exchanges(plan, look_of(plan), "urn")
    offered = [one.item.id for one in found]
    assert {"tall", "rust"} <= set(offered)
    assert not {"router", "huge", "urn", "folios", "bowl", "twigs"} & set(offered)
    assert offered.index("rust") < offered.index("lime")
    for one in found:
        changed = one.edit.apply(plan)
        assert not stops_of(arrange(changed, look_of(changed)))
        assert look_of(changed) == one.look
        assert one.item.label in one.sentence


def test_guests_stay_on_what_comes(plan: Plan) -> None:
    found = exchanges(plan, look_of(plan), "folios")
    assert [one.item.id for one in found][:1] == ["album"]
    arrangement = arrange(plan, found[0].look)
    bowl = arrangement.by_id["bowl"]
    assert bowl.placement.on == "folios"
    assert bowl.bottom - bowl.ledge.floor == pytest.approx(60.0)


def test_stems_are_exchanged_for_stems_and_a_vessel_that_holds_them_for_one_that_does() -> None:
    placements = (put("urn", "a1", 150.0), put("twigs", "a1", None, inside="urn"))
    plan = plan_of(
        (*STASH, thing("grasses", "stems", width=110.0, height=160.0)), placements, case_of(2)
    )  # fmt: skip
    assert [one.item.id for one in exchanges(plan, look_of(plan), "twigs")] == ["grasses"]
    assert all(one.item.category == "vessel" for one in exchanges(plan, look_of(plan), "urn"))


def test_what_is_locked_stays(plan: Plan) -> None:
    placements = tuple(replace(one, locked=one.id == "urn") for one in look_of(plan).placements)
    locked = replace(plan, looks=(replace(look_of(plan), placements=placements),))
    assert exchanges(locked, look_of(locked), "urn") == ()


def test_what_comes_stands_within_the_ledge_and_pictures_lean(plan: Plan) -> None:
    wide = replace(plan, stash=(*STASH, thing("print", "frame", width=400.0, height=250.0, depth=22.0)))
    changed = ExchangeThing(look=look_of(plan).id, placement="urn", item="print").apply(wide)
    new = look_of(changed).placement("urn")
    placed = arrange(changed, look_of(changed)).by_id["urn"]
    assert new.pose == "leaning"
    assert placed.left >= placed.ledge.left - 0.01
    assert placed.back == pytest.approx(placed.ledge.depth)


def test_a_thing_that_stands_there_already_or_is_unknown_is_refused(plan: Plan) -> None:
    with pytest.raises(EditError, match="stands in this look already"):
        ExchangeThing(look=look_of(plan).id, placement="urn", item="bowl").apply(plan)
    with pytest.raises(EditError, match="not in the stash"):
        ExchangeThing(look=look_of(plan).id, placement="urn", item="moon").apply(plan)


def test_a_difference_is_told_in_words() -> None:
    assert difference(jar("b", 300.0, 60.0, RUST), URN) == "taller, narrower, rust"
    assert difference(jar("c"), URN) == "much the same"
