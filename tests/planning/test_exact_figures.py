"""Figures and orders of the working plan, each as it comes out for one small look."""

import pytest

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.planning.stems import plan_stems
from jolly_ledge.planning.tape_figures import along
from jolly_ledge.planning.tools import tools_for
from jolly_ledge.planning.whereabouts import whereabouts
from jolly_ledge.planning.working_order import working_order


def test_of_two_alike_the_one_at_the_back_goes_first() -> None:
    pots = (thing("front", width=100.0, depth=60.0), thing("back", width=100.0, depth=60.0))
    look = arranged(pots, (put("front", x=200.0, z=40.0), put("back", x=500.0, z=260.0)), case_of(1))
    assert [step.placement for step in working_order(look)] == ["back", "front"]
    # Larger by a fifth outweighs a place a little farther back.
    pots = (thing("front", width=120.0, depth=60.0), thing("back", width=100.0, depth=60.0))
    look = arranged(pots, (put("front", x=200.0, z=100.0), put("back", x=500.0, z=120.0)), case_of(1))
    assert [step.placement for step in working_order(look)] == ["front", "back"]


def test_what_lies_on_another_is_measured_from_the_edge_it_keeps_within() -> None:
    chest = thing("chest", "box", width=200.0, height=90.0, depth=150.0)
    shell, cloth, broad = (
        thing("shell", "object", width=60.0, height=40.0, depth=50.0),
        thing("cloth", width=190.0, height=9.0),
        thing("board", width=240.0, height=9.0),
    )
    for guest, x, said in (
        (shell, 340.0, (10.0, "left edge of the chest")),
        (shell, 460.0, (130.0, "left edge of the chest")),
        (cloth, 390.0, (15.0, "right edge of the chest")),
        (broad, 410.0, (10.0, "middle of the chest, to the right")),
        (broad, 390.0, (10.0, "middle of the chest, to the left")),
    ):
        look = arranged((chest, guest), (put("chest"), put(guest.id, x=x, on="chest")), case_of(1))
        host, lying = look.by_id["chest"], look.by_id[guest.id]
        figure = along(lying, (), host)
        assert figure is not None
        assert (figure.length, figure.start) == said


def test_a_watering_can_is_wanted_for_what_lives_and_only_for_that() -> None:
    fern, dry = thing("fern", "plant", traits=("real-plant",)), thing("silk", "plant")
    names = {
        item.id: {tool.name for tool in tools_for(arranged((item,), (put(item.id),), case_of(1)))}
        for item in (fern, dry)
    }
    assert any("watering can" in name for name in names["fern"])
    assert not any("watering can" in name for name in names["silk"])


def test_lengths_of_stems_are_told_in_centimetres() -> None:
    told = plan_stems(thing("jar", mouth=40.0, height=200.0), thing("tulips", "stems", stems=9))
    number, length = told.cuts[0]
    assert length > 100
    assert f"{number} to {round(length / 10)} cm" in " ".join(told.sentences)


@pytest.mark.parametrize(
    ("count", "said"),
    [(5, "looks empty"), (17, ""), (37, ""), (38, "it is tight; 1 fewer"), (43, "the neck is crowded")],
)
def test_too_few_and_too_many_stems_are_told_and_no_number_between(count: int, said: str) -> None:
    jar = thing("jar", width=160.0, height=200.0, depth=160.0, mouth=60.0)
    bunch = thing("twigs", "stems", width=200.0, height=300.0, depth=200.0, stems=count)
    told = plan_stems(jar, bunch)
    assert (told.fewest, told.most, told.limit) == (17, 37, 42)
    about = [one for one in told.sentences if one.startswith("With the twigs")]
    assert len(about) == bool(said)
    assert all(said in one for one in about)


@pytest.mark.parametrize(
    ("changes", "said"),
    [
        ({}, ""),
        ({"status": "borrowed"}, "from somebody, back to its owner"),
        ({"borrowed_from": "the hall"}, "from the hall, back to the hall"),
        ({"return_by": "2026-10-09"}, "from somebody, back to its owner by 2026-10-09"),
    ],
)
def test_what_is_lent_in_whatever_way_is_due_back(changes: dict[str, str], said: str) -> None:
    (found,) = whereabouts(plan_of((thing("urn", **changes),)), "client")
    assert found.due == said
