"""Tasks as lines through their things, laid over the drawing: what is out of reach stands out."""

from collections.abc import Callable, Iterator

from jolly_ledge.app.views.look.marks import Mark, Plate, Stamp, poly_line
from jolly_ledge.drawing.theme import PLUM, RUST
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.tasks import Way, ways_of

OVER_MM = 30.0


def task_marks(arrangement: Arrangement, told: Callable[[float], str]) -> Iterator[Mark]:
    """Yield every task: its name at its point, a line through its things, at each how far the hand goes to it.

    Parameters
    ----------
    arrangement : Arrangement
        The look.
    told : callable
        Says a length (mm) in the unit that is chosen.
    """
    for way in ways_of(arrangement):
        if way.legs:
            yield from _marks_of(way, told)


def _marks_of(way: Way, told: Callable[[float], str]) -> Iterator[Mark]:
    at = way.start
    if at is not None:
        yield Stamp("dot", at[0], -at[1], colour=PLUM)
        yield Plate(way.task.name, at[0], -at[1], PLUM)
    for number, leg in enumerate(way.legs, 1):
        placed = leg.placed
        here = (placed.x, (placed.bottom + placed.top) / 2)
        colour = RUST if leg in way.too_far else PLUM
        if at is not None:
            yield poly_line((at, here), colour)
        yield Stamp("dot", here[0], -here[1], colour=colour)
        said = str(number) if leg.far is None else f"{number} · {told(round(leg.far))}"
        if number == 1 and way.start is None:
            said = f"{way.task.name} · {said}"
        yield Plate(said, placed.x, -placed.top - OVER_MM, colour)
        at = here
