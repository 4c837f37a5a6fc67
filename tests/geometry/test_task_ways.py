"""The way of a task: from its point through its things, what is out of reach, where the hand turns back."""

import pytest
from msgspec.structs import replace

from builders import case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.geometry.tasks import way_of, ways_of
from jolly_ledge.measures.tasks import limits_heard, tasks_heard
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Seat
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.task import Task
from jolly_ledge.readings import must_haves

TOP = Ledge(id="a1", left=0.0, floor=900.0, width=2000.0, depth=600.0)
SOCKET = Fixture(kind="socket", left=60.0, floor=1000.0, width=80.0, height=80.0)
COUNTER = Piece(id="case", kind="counter", width=2000.0, height=900.0, depth=600.0, ledges=(TOP,), fixtures=(SOCKET,))
KETTLE, CADDY, CUPS = (thing(name, width=100.0, height=150.0, depth=100.0) for name in ("kettle", "caddy", "cups"))
TEA = Task(name="tea", items=("kettle", "caddy", "cups"), near="socket")


def at(
    *places: float, task: Task = TEA, items: tuple[Item, ...] = (KETTLE, CADDY, CUPS), **piece: object
) -> Arrangement:
    """Return things at some places along a counter on which a task is told."""
    counter = replace(COUNTER, tasks=(task,), **piece)
    placements = tuple(put(item.id, x=x, z=200.0) for item, x in zip(items, places, strict=False))
    plan = Plan(pieces=(counter,), stash=items, looks=(Look(id="A", piece="case", placements=placements),))
    return arrange(plan, plan.looks[0])


def test_a_task_goes_from_its_point_through_its_things() -> None:
    (way,) = ways_of(at(200.0, 400.0, 700.0))
    assert [leg.placed.item.id for leg in way.legs] == ["kettle", "caddy", "cups"]
    assert [leg.far for leg in way.legs] == pytest.approx([10.0, 100.0, 200.0])
    assert way.length == pytest.approx(310.0)
    assert (way.gone, way.too_far, way.turns) == ((), (), 0)
    assert way.start == (100.0, 1040.0)


def test_what_is_out_of_reach_is_found() -> None:
    (way,) = ways_of(at(200.0, 1200.0, 1350.0))
    assert [leg.placed.item.id for leg in way.too_far] == ["caddy"]
    heard = next(iter(tasks_heard(at(200.0, 1200.0, 1350.0))))
    assert heard.sentence == "For tea the caddy stands 90 cm from the kettle; draw it within 60 cm."
    first = next(iter(tasks_heard(at(1200.0, 1350.0, 1500.0))))
    assert first.sentence == "For tea the kettle stands 101 cm from the socket; draw it within 60 cm."


@pytest.mark.parametrize(
    ("places", "turns"), [((200, 400, 600), 0), ((600, 400, 200), 1), ((300, 700, 500), 1), ((500, 300, 700), 2)]
)
def test_the_hand_that_turns_back_is_felt(places: tuple[float, float, float], turns: int) -> None:
    (way,) = ways_of(at(*places))
    assert way.turns == turns
    orders = [one for one in tasks_heard(at(*places)) if "turns back" in one.sentence]
    assert [one.met for one in orders] == [turns < 2]


def test_what_stands_nowhere_is_gone_and_the_rest_goes_on() -> None:
    (way,) = ways_of(at(200.0, 400.0))
    assert way.gone == ("cups",)
    assert len(way.legs) == 2
    (none,) = ways_of(at(task=replace(TEA, items=("no-such-thing",))))
    assert (none.legs, none.gone, none.start, none.length) == ((), ("no-such-thing",), None, 0)
    assert not list(tasks_heard(at(task=replace(TEA, items=("no-such-thing",)))))


def test_a_task_may_begin_at_a_seat_at_a_thing_or_anywhere() -> None:
    seated = replace(TEA, near="seat")
    look = at(900.0, task=seated, seats=(Seat(x=1000.0, z=-200.0),))
    assert ways_of(look)[0].legs[0].far == pytest.approx((350.0**2 + 50.0**2) ** 0.5)
    by_cups = at(200.0, 400.0, 700.0, task=Task(name="tea", items=("kettle",), near="cups"))
    assert way_of(by_cups, by_cups.piece.tasks[0]).legs[0].far == pytest.approx(400.0)
    assert ways_of(at(200.0, task=replace(TEA, near="")))[0].legs[0].far is None
    assert ways_of(at(200.0, task=replace(TEA, near="cooktop")))[0].legs[0].far is None


def test_a_task_out_of_reach_is_a_finding_and_in_reach_none() -> None:
    near, far = at(200.0, 400.0, 700.0), at(200.0, 1500.0, 1900.0)
    good, bad = must_haves.read(near, near.look.manner), must_haves.read(far, far.look.manner)
    assert good is not None
    assert bad is not None
    assert bad.score < good.score
    assert [one.sentence for one in bad.findings if "For tea" in one.sentence]
    assert not [one.sentence for one in good.findings if "For tea" in one.sentence]


@pytest.mark.parametrize(("most", "met"), [(0, False), (1, False), (2, True), (9, True)])
def test_a_limit_counts_what_is_seen_of_a_kind(most: int, met: bool) -> None:
    machines = tuple(thing(f"m{n}", "appliance", width=100.0, height=150.0, depth=100.0) for n in range(2))
    look = at(300.0, 700.0, items=machines, limits=(("appliance", most), ("vessel", 0)))
    (heard,) = limits_heard(look)
    assert heard.met is met
    if not met:
        bears = most or "none"
        assert f"is to bear {bears} of the kind appliance at the most" in heard.sentence


def test_no_task_and_no_limit_say_nothing() -> None:
    plan = Plan(pieces=(case_of(),), stash=(KETTLE,), looks=(Look(id="A", piece="case", placements=(put("kettle"),)),))
    assert not list(tasks_heard(arrange(plan, plan.looks[0])))
