"""Cords along the back, laid over the drawing: what of them is seen stands out."""

from collections.abc import Iterator

from jolly_ledge.app.views.look.marks import Mark, Stamp, poly_line
from jolly_ledge.drawing.theme import OCHRE, RUST, SOFT_INK
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.plugs import cord_in_sight, plugs_of


def cord_marks(arrangement: Arrangement) -> Iterator[Mark]:
    """Yield each cord dotted as it runs, its seen stretches solid; red where it is too short or finds no outlet."""
    for plug in plugs_of(arrangement):
        is_wrong = plug.outlet == 0 or (plug.spare is not None and plug.spare < 0)
        yield poly_line(plug.way, RUST if is_wrong else SOFT_INK, "dot")
        for stretch in cord_in_sight(arrangement, plug).stretches:
            yield poly_line(stretch, RUST if is_wrong else OCHRE)
        x, height = plug.way[-1]
        yield Stamp("dot", x, -height, colour=RUST if is_wrong else OCHRE)
