"""Mend: moves that help, that can stand, that leave alone what is locked."""

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.edits.swap import SwapPlacements
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.mend import Mend, finding_ids, mends
from jolly_ledge.readings.reading import Finding
from jolly_ledge.readings.register import assess

LOOKS = ("before", "first-try", "hall-welcome", "mantel-talk", "bedside-guest", "tea-for-twenty")


def findings(plan: Plan, look: str) -> list[Finding]:
    return [finding for _, finding in finding_ids(assess(arrange(plan, plan.look(look))))]


def stops(plan: Plan, look: str) -> set[tuple[str, frozenset[str]]]:
    found = cautions_of(arrange(plan, plan.look(look)))
    return {(caution.id, frozenset(caution.placements)) for caution in found if caution.level == "stop"}


@pytest.mark.parametrize("look", LOOKS)
def test_every_move_keeps_what_it_promises(demo: Plan, look: str) -> None:
    before = assess(arrange(demo, demo.look(look)))
    for finding in findings(demo, look)[:5]:
        offered = mends(demo, demo.look(look), finding)
        # The best first; another kind of move before a second one of the same kind.
        assert all(mend.gain <= offered[0].gain for mend in offered)
        assert len({mend.label for mend in offered}) == len(offered) <= 3
        for mend in offered:
            after_plan = mend.edit.apply(demo)
            assert after_plan.look(look) == mend.look
            after = assess(arrange(after_plan, mend.look))
            assert after.score - before.score == pytest.approx(mend.gain)
            assert mend.gain > 0
            one, two = before.reading(finding.reading), after.reading(finding.reading)
            assert one is not None
            assert two is None or two.score > one.score
            assert stops(after_plan, look) <= stops(demo, look)
            for name, earlier, later in mend.changes:
                known = after.reading(name)
                assert later == (known.score if known is not None else 0.0)
                assert earlier != later


def test_at_least_half_of_the_findings_of_the_first_try_can_be_mended(demo: Plan) -> None:
    found = findings(demo, "first-try")
    helped = [finding for finding in found if mends(demo, demo.look("first-try"), finding, 1)]
    assert len(helped) >= len(found) / 2


def test_the_same_question_gets_the_same_answer(demo: Plan) -> None:
    finding = findings(demo, "first-try")[0]
    look = demo.look("first-try")
    assert mends(demo, look, finding) == mends(demo, look, finding)


def test_locked_things_stay_and_must_haves_are_not_taken_away(demo: Plan) -> None:
    look = demo.look("first-try")
    locked = replace(look, placements=tuple(replace(p, locked=True) for p in look.placements))
    plan = replace(demo, looks=tuple(locked if other.id == look.id else other for other in demo.looks))
    for finding in findings(plan, "first-try")[:4]:
        for mend in mends(plan, locked, finding):
            kept = {p.id: p for p in mend.look.placements}
            assert all(kept[p.id] == p for p in locked.placements)
    for finding in findings(demo, "first-try"):
        for mend in mends(demo, look, finding):
            gone = {p.item for p in look.placements} - {p.item for p in mend.look.placements}
            assert not any("daily-use" in demo.item(item).traits for item in gone)


def only(plan: Plan, reading: str) -> tuple[Mend, ...]:
    look = plan.looks[0]
    finding = next(f for _, f in finding_ids(assess(arrange(plan, look))) if f.reading == reading)
    return mends(plan, look, finding)


def test_a_lost_thing_is_raised_or_changed_for_a_taller_one() -> None:
    items = (
        thing("bell", height=110.0, width=80.0),
        thing("stack", "book-stack", height=130.0),
        thing("urn", height=300.0),
    )
    plan = plan_of(items, (put("bell", x=150.0), put("stack", x=550.0)), case_of(1))
    labels = [mend.label for mend in only(plan, "scale")]
    assert any("Raise the bell 130 mm on the stack" in label or "Bring the urn" in label for label in labels)


def test_a_lean_is_mended_toward_the_middle() -> None:
    items = tuple(thing(f"t{n}", height=200.0 + 40 * n) for n in range(3))
    plan = plan_of(items, tuple(put(f"t{n}", x=80.0 + 130 * n) for n in range(3)), case_of(1))
    before = assess(arrange(plan, plan.looks[0])).reading("side-balance")
    assert before is not None
    best, *_ = only(plan, "side-balance")
    after = assess(arrange(plan, best.look)).reading("side-balance")
    assert after is not None
    assert abs(after.value) < abs(before.value)


def test_findings_have_ids_of_their_own(demo: Plan) -> None:
    ids = [identifier for identifier, _ in finding_ids(assess(arrange(demo, demo.look("before"))))]
    assert len(set(ids)) == len(ids) > 10
    assert "odd-groups-2" in ids


def test_two_things_change_places_with_all_they_carry() -> None:
    items = (thing("stack", "book-stack"), thing("bell", width=80.0), thing("urn"))
    plan = plan_of(
        items, (put("stack", "a1", x=200.0), put("bell", on="stack", x=200.0), put("urn", "a2", x=600.0, z=120.0))
    )
    edit = SwapPlacements(look="look", first="stack", second="urn", first_name="stack", second_name="urn")
    look = edit.apply(plan).looks[0]
    assert edit.label == "Swap stack and urn"
    assert (look.placement("stack").ledge, look.placement("stack").x) == ("a2", 600)
    assert (look.placement("bell").ledge, look.placement("bell").x, look.placement("bell").on) == ("a2", 600, "stack")
    assert (look.placement("urn").ledge, look.placement("urn").x, look.placement("urn").z) == ("a1", 200, 150)
    assert edit.apply(edit.apply(plan)) == plan
    for first, second in (("stack", "stack"), ("bell", "urn")):
        with pytest.raises(EditError, match="change places"):
            SwapPlacements(look="look", first=first, second=second).apply(plan)
