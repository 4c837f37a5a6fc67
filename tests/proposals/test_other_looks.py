"""Another look has other things: what is quiet goes along with a palette again, and what an earlier look has gives way."""

from random import Random

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, thing
from households import household
from jolly_ledge.model.look import Manner
from jolly_ledge.proposals.composing.composition import Composition, composed
from jolly_ledge.proposals.composing.less_shared import less_shared
from jolly_ledge.proposals.composing.pool import GroupPool
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.thing import Palette, Thing, choose_palette, palette_of

BLUE, RUST, BLACK, RED = "#25405c", "#b4532a", "#1b1b1b", "#c8102e"


def palette_for(taken: int, *, again: bool) -> Palette:
    """Return the palette for another look where an earlier one, of the same palette or not, has so many of ten."""
    blue = tuple(thing(f"blue-{n}", "vessel", height=100.0 + 20 * n, colours=((BLUE, 1.0),)) for n in range(10))
    problem = problem_of(plan_of(blue, (), case_of(2)), "case", Manner(palette=(BLUE,)))
    problem = replace(problem, palette_again=again)
    return Stock(problem, Random(1), frozenset(one.id for one in blue[:taken])).palette


@pytest.mark.parametrize(
    ("taken", "again", "suits"), [(0, True, 0.0), (4, True, 0.0), (6, True, 0.75), (10, True, 0.75), (10, False, 0.0)]
)
def test_what_is_quiet_goes_along_once_too_few_others_are_of_the_palette(taken: int, again: bool, suits: float) -> None:
    palette = palette_for(taken, again=again)
    fits = {
        colour: palette.fit(Thing(thing("one", "vessel", colours=((colour, 1.0),)))) for colour in (BLUE, BLACK, RED)
    }  # fmt: skip
    assert fits[BLUE] == 1
    assert fits[BLACK] == pytest.approx(suits)
    assert fits[RED] < 0


def test_a_hue_that_was_asked_for_may_be_strong() -> None:
    strong = Thing(thing("one", "vessel", colours=((RUST, 1.0),)))
    assert strong.loud > 0.4
    assert palette_of((RUST,)).fit(strong) == 1
    assert choose_palette([strong] * 3, Manner(), Random(1)).fit(strong) < 1


@pytest.mark.parametrize("start", ["bookcase", "console", "sideboard"])
def test_what_an_earlier_look_has_gives_way_to_what_none_has(start: str) -> None:
    plan, manner = household(start, 3)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    first = composed(problem, 1, frozenset(), GroupPool())
    assert first is not None
    taken = frozenset(placement.item for placement in first.placements)
    # Composed as if nothing were taken, it has much that is; one move after the other takes some of it out.
    again = composed(problem, 1, taken, GroupPool())
    assert again is not None
    rng = Random(4)

    def shared(composition: Composition) -> int:
        return len(taken & {placement.item for placement in composition.placements})

    moved = [found for _ in range(60) if (found := less_shared(again, rng)) is not None]
    assert moved
    assert all(shared(one) < shared(again) for one in moved)
    # Mostly something else comes in its place.
    assert any(len(one.placements) == len(again.placements) for one in moved)
