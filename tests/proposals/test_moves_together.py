"""Moves that close up, spread out, set on a tray and let leads change places: what they do, and that they help."""

from collections.abc import Iterable

from builders import case_of, plan_of, put, thing
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.mend import finding_ids, mends
from jolly_ledge.proposals.move import Move
from jolly_ledge.proposals.moves_together import moves_together
from jolly_ledge.readings.register import assess


def moves_of(plan: Plan, placement: str) -> dict[str, list[Move]]:
    look = plan.looks[0]
    arrangement = arrange(plan, look)
    found: dict[str, list[Move]] = {}
    for move in moves_together(look, arrangement, arrangement.by_id[placement]):
        found.setdefault(move.kind, []).append(move)
    return found


def after(plan: Plan, move: Move) -> dict[str, Placement]:
    return {placement.id: placement for placement in move.edit.apply(plan).looks[0].placements}


def row(xs: Iterable[float], *, depth: float = 150.0) -> Plan:
    things: list[Item] = []
    placements: list[Placement] = []
    for number, x in enumerate(xs):
        things.append(thing(f"t{number}", height=180.0 + 50 * number))
        placements.append(put(f"t{number}", x=x, z=depth))
    return plan_of(tuple(things), tuple(placements), case_of(2))


def test_a_thing_closes_up_to_either_neighbour() -> None:
    plan = row((100.0, 400.0, 700.0))
    left, right = moves_of(plan, "t1")["close"]
    assert left.label == "Close the t1 up to the t0"
    assert (after(plan, left)["t1"].x or 0) - 100.0 == 130.0
    assert 700.0 - (after(plan, right)["t1"].x or 0) == 130.0


def test_what_stands_before_another_overlaps_it_a_little() -> None:
    things = (thing("back", height=300.0), thing("front", "bowl", width=120.0, depth=80.0))
    plan = plan_of(things, (put("back", x=200.0, z=230.0), put("front", x=600.0, z=60.0)))
    (close,) = moves_of(plan, "front")["close"]
    x = after(plan, close)["front"].x or 0
    assert 200.0 + 60.0 < x < 200.0 + 120.0
    look = close.edit.apply(plan).looks[0]
    assert not [caution for caution in cautions_of(arrange(plan, look)) if caution.level == "stop"]


def test_what_is_close_already_is_left_there() -> None:
    assert "close" not in moves_of(row((100.0, 230.0)), "t1")


def test_a_crowded_end_is_spread_out_in_order() -> None:
    plan = row((80.0, 205.0, 330.0))
    (spread,) = moves_of(plan, "t0")["spread"]
    at = after(plan, spread)
    xs = [at[f"t{number}"].x or 0 for number in range(3)]
    assert xs == sorted(xs)
    assert xs[1] - xs[0] == xs[2] - xs[1] > 200
    assert abs(xs[1] - 400.0) <= 5


def test_what_is_locked_keeps_a_ledge_from_being_spread() -> None:
    plan = row((80.0, 205.0, 330.0))
    things = plan.stash
    locked = plan_of(things, (*plan.looks[0].placements[:2], put("t2", x=330.0, locked=True)), case_of(2))
    assert "spread" not in moves_of(locked, "t0")


def test_a_small_thing_is_set_on_a_tray_and_a_large_one_is_not() -> None:
    things = (thing("tray", "tray"), thing("cup", width=80.0, depth=80.0, height=90.0), thing("urn", width=300.0))
    plan = plan_of(things, (put("tray", x=600.0), put("cup", x=100.0), put("urn", "a2", x=300.0)))
    (onto,) = moves_of(plan, "cup")["tray"]
    assert onto.label == "Set the cup on the tray"
    assert after(plan, onto)["cup"].inside == "tray"
    wide = plan_of(things, (put("tray", x=600.0), put("urn", x=200.0)))
    assert "tray" not in moves_of(wide, "urn")


def test_leads_change_places_but_storage_leads_nothing() -> None:
    things = (
        thing("urn", height=330.0),
        thing("bowl", "bowl"),
        thing("jar", height=220.0),
        thing("hamper", "basket", width=380.0, height=300.0, depth=250.0),
    )
    placements = (put("urn", x=150.0), put("bowl", x=320.0), put("jar", "a2", x=150.0), put("hamper", "a2", x=580.0))
    plan = plan_of(things, placements)
    (leads,) = moves_of(plan, "urn")["leads"]
    assert leads.label == "Let the urn and the jar lead in each other's place"
    assert after(plan, leads)["urn"].ledge == "a2"
    assert "leads" not in moves_of(plan, "hamper")
    assert "leads" not in moves_of(plan, "bowl")


def test_they_are_offered_where_they_help() -> None:
    plan = row((80.0, 205.0, 330.0))
    look = plan.looks[0]
    findings = [finding for _, finding in finding_ids(assess(arrange(plan, look)))]
    offered = [mend.label for finding in findings for mend in mends(plan, look, finding)]
    assert any(label.startswith(("Spread out", "Close the")) for label in offered)
