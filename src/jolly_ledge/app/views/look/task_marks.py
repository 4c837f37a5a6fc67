"""Tasks as lines through their things, laid over the drawing: what is out of reach stands out."""

from collections.abc import Callable, Iterator

from jolly_ledge.app.views.look.marks import Mark, Plate, Stamp, poly_line
from jolly_ledge.drawing.theme import PLUM, RUST
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.tasks import Way, ways_of

OVER_MM = 30.0


def task_marks(arrangement: Arrangement, told: Callable[[float], str]) -> Iterator[Mark]:
    """Yield every task: a line from its point through its things, at each its number and how far it is where too far.

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
    for number, leg in enumerate(way.legs, 1):
        placed = leg.placed
        here = (placed.x, (placed.bottom + placed.top) / 2)
        colour = RUST if leg in way.too_far else PLUM
        if at is not None:
            yield poly_line((at, here), colour)
        yield Stamp("dot", here[0], -here[1], colour=colour)
        said = f"{way.task.name} · 1" if number == 1 else str(number)
        if leg in way.too_far and leg.far is not None:
            said = f"{said} · {told(round(leg.far))}"
        yield Plate(said, placed.x, -placed.top - OVER_MM, colour)
        at = here
