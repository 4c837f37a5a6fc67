"""A set with a sense is one thing to the eye: side by side its members are no look-alikes of one height."""

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.words import SENSES, Sense
from jolly_ledge.readings.register import assess, read_one


def cups(sense: Sense, gap: float = 100.0, name: str = "tea service") -> Arrangement:
    items = tuple(thing(f"cup-{n}", width=80, height=90, depth=80, set=name, sense=sense) for n in range(4))
    return arranged(items, tuple(put(f"cup-{n}", "a1", x=250 + gap * n) for n in range(4)), piece=case_of(2))


@pytest.mark.parametrize("sense", [one for one in SENSES if one])
def test_members_side_by_side_are_one_unit_under_the_name_of_the_set(sense: Sense) -> None:
    (stack,) = cups(sense).stacks["a1"]
    (unit,) = stack.units
    assert unit.label == "the tea service"
    assert len(unit.placed_items) == 4
    assert (stack.left, stack.right) == (230, 610)


def test_a_set_without_a_sense_is_four_things() -> None:
    assert sum(len(stack.units) for stack in cups("").stacks["a1"]) == 4


def test_what_stands_apart_is_seen_apart_but_is_no_look_alike_on_one_ledge() -> None:
    apart = cups("service", gap=170.0)
    assert len(apart.stacks["a1"]) == 4
    reading = read_one("alike-apart", apart)
    assert reading is None or not reading.findings


def test_a_service_is_not_scolded_for_likeness_and_one_height() -> None:
    plain, service = ({finding.reading for finding in assess(cups(sense)).findings} for sense in ("", "service"))
    assert {"alike-apart", "height-rhythm"} & plain
    assert not {"alike-apart", "height-rhythm"} & service


def test_another_set_beside_it_stays_another() -> None:
    items = tuple(
        thing(f"{name}-{n}", width=80, height=90, depth=80, set=name, sense="service")
        for name in ("a", "b")
        for n in (0, 1)
    )
    stands = tuple(put(item.id, "a1", x=200 + 95 * index) for index, item in enumerate(items))
    assert [stack.units[0].label for stack in arranged(items, stands, piece=case_of(2)).stacks["a1"]] == [
        "the a",
        "the b",
    ]


def test_a_member_that_counts_by_itself_does() -> None:
    items = tuple(thing(f"cup-{n}", width=80, height=90, depth=80, set="s", sense="pair") for n in range(2))
    stands = (put("cup-0", "a1", x=300), put("cup-1", "a1", x=390, counts_as="own"))
    assert len(arranged(items, stands, piece=case_of(2)).stacks["a1"]) == 2


def test_on_two_shelves_members_are_read_as_two() -> None:
    items = tuple(thing(f"cup-{n}", width=80, height=90, depth=80, set="s", sense="pair") for n in range(2))
    look = arranged(items, (put("cup-0", "a1", x=300), put("cup-1", "a2", x=300)), piece=case_of(2))
    assert sum(len(stack.units) for stacks in look.stacks.values() for stack in stacks) == 2
