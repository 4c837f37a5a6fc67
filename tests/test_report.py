"""What the command line says, as values and as lines."""

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.edits.looks import WaveOff
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings.register import assess
from jolly_ledge.texts.looks import compare, compare_text, review, review_text


def two_looks() -> Plan:
    items = (thing("a"), thing("b"), thing("cup", height=90.0))
    plan = plan_of(items, (put("a", x=200), put("b", x=340)), case_of(2, 2))
    better = replace(
        plan.looks[0],
        id="better",
        name="Better",
        placements=(put("a", x=150), put("cup", x=300), put("b", "b2", x=600)),
    )
    return replace(plan, looks=(*plan.looks, better))


def test_a_review_names_items_not_placements() -> None:
    plan = two_looks()
    renamed = replace(plan.looks[0], placements=tuple(replace(p, id=f"p-{p.id}") for p in plan.looks[0].placements))
    plan = replace(plan, looks=(renamed,))
    found = review(plan, renamed)
    named = {item for reading in found["readings"] for item in reading["items"]}
    assert named <= {"a", "b", "cup"}
    assert any(finding["reading"] == "alike-apart" for finding in found["findings"])


def test_readings_and_findings_agree() -> None:
    found = review(two_looks(), two_looks().looks[0])
    ids = [reading["id"] for reading in found["readings"]]
    assert len(ids) == len(set(ids))
    assert {finding["reading"] for finding in found["findings"]} <= set(ids)
    for reading in found["readings"]:
        assert len(reading["band"]) == 2
        assert 0.0 <= reading["score"] <= 1.0


def test_an_empty_look_is_reviewed() -> None:
    plan = plan_of()
    assert review(plan, plan.looks[0]) == {"look": "look", "score": 0.0, "readings": [], "findings": [], "cautions": []}
    assert "reads 0 of 100" in review_text(review(plan, plan.looks[0]), "Look")


def test_lines_hold_every_reading_and_caution() -> None:
    items = (thing("tall", height=450.0),)
    plan = plan_of(items, (put("tall"),))
    text = review_text(review(plan, plan.looks[0]), "Look")
    assert "Does not fit (stop)" in text
    assert "Local codes" in text
    assert "Scale" in text


@pytest.mark.parametrize("swapped", [False, True])
def test_a_comparison_does_not_mind_the_order(swapped: bool) -> None:
    plan = two_looks()
    first, second = reversed(plan.looks) if swapped else plan.looks
    found = compare(plan, first, second)
    assert found["better"] == "better"
    assert list(found["scores"]) == [first.id, second.id]
    text = compare_text(found, plan)
    assert "Better reads better." in text
    assert "Alike apart" in text


def test_the_largest_difference_comes_first() -> None:
    plan = two_looks()
    rows = compare(plan, *plan.looks)["by"]
    sizes = [
        abs(one - two) if one is not None and two is not None else 0.0
        for one, two in (tuple(row["scores"].values()) for row in rows)
    ]
    assert sizes == sorted(sizes, reverse=True)


def test_even_looks_are_called_even() -> None:
    plan = two_looks()
    copy = replace(plan.looks[0], id="copy")
    plan = replace(plan, looks=(*plan.looks, copy))
    found = compare(plan, plan.looks[0], copy)
    assert found["better"] == "even"
    assert "They read even." in compare_text(found, plan)


def test_what_was_waved_off_is_told_apart_with_its_reason(demo: Plan) -> None:
    look = demo.look("first-try")
    finding = next(f for f in assess(arrange(demo, look)).findings if f.reading == "tie")
    edit = WaveOff(look=look.id, reading=finding.reading, placements=finding.placements, reason="a pair")
    waved = edit.apply(demo).look(look.id)
    found = review(demo, waved)
    assert [f["waved_off"] for f in found["findings"] if f["waved_off"] is not None] == ["a pair"]
    text = review_text(found, waved.label)
    assert text.index("Waved off") > text.index("Findings")
    assert "(a pair)" in text
