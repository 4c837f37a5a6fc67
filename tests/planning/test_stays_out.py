"""What stays out where one works, and where the rest goes."""

from msgspec.structs import replace

from builders import case_of, put, thing
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.task import Task
from jolly_ledge.model.use import Often, Use
from jolly_ledge.planning.stays_out import Stay, stays_out


def machine(name: str, often: Often = "", **changes: object) -> Item:
    """Return a machine that is used so often."""
    return thing(name, "appliance", width=100.0, height=100.0, depth=100.0, use=Use(often=often), **changes)


THINGS = (
    machine("kettle", "daily"), machine("mixer", "weekly", returns_to="the tall cupboard"), machine("press", "rarely"),
    machine("iron", "not-since", box="7"), machine("grinder"), thing("vase"), thing("caddy", "box"), thing("cups"),
)  # fmt: skip
TEA = Task(name="tea", items=("kettle", "caddy", "cups"))


def found(*tasks: Task) -> dict[str, Stay]:
    """Return what becomes of all things but the cups, which stand elsewhere."""
    piece = replace(case_of(), tasks=tasks)
    placements = tuple(put(item.id, x=60.0 + 110 * n) for n, item in enumerate(THINGS[:-1]))
    plan = Plan(pieces=(piece,), stash=THINGS, looks=(Look(id="A", piece="case", placements=placements),))
    return {stay.item.id: stay for stay in stays_out(plan, arrange(plan, plan.looks[0]))}


def test_what_is_used_daily_stays_and_what_is_used_seldom_goes_home() -> None:
    stays = found()
    assert {name for name, stay in stays.items() if stay.stays} == {"kettle"}
    assert {name: stay.where for name, stay in stays.items() if stay.stays is False} == {
        "mixer": "the tall cupboard", "press": "the store", "iron": "box 7",
    }  # fmt: skip
    assert stays["press"].why == "it is used rarely"


def test_what_is_not_told_is_said_to_be_so_and_what_only_dresses_is_left_out() -> None:
    stays = found()
    assert (stays["grinder"].stays, stays["grinder"].why) == (None, "how often it is used is not told")
    assert not {"vase", "caddy", "cups"} & set(stays)


def test_what_a_task_takes_stays_or_is_called_for() -> None:
    stays = found(TEA)
    assert stays["caddy"].stays
    assert stays["cups"].why == "it is used for tea, and is not there yet"
    assert stays["kettle"].why == "it is used for tea"


def test_what_stays_comes_first_and_what_goes_last() -> None:
    order = [stay.stays for stay in found(TEA).values()]
    assert order == [True] * 3 + [None] + [False] * 3
