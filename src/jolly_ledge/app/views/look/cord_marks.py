"""Cords along the back, laid over the drawing or over what an eye sees: what of them is seen stands out."""

from collections.abc import Iterator

from jolly_ledge.app.views.look.marks import Mark, Stamp, poly_line
from jolly_ledge.drawing.theme import OCHRE, RUST, SOFT_INK
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.eyes import Eye
from jolly_ledge.geometry.plugs import cord_in_sight, plugs_of
from jolly_ledge.scene.cords_seen import cords_from


def cord_marks(arrangement: Arrangement) -> Iterator[Mark]:
    """Yield each cord dotted as it runs, its seen stretches solid; red where it is too short or finds no outlet."""
    for plug in plugs_of(arrangement):
        is_wrong = plug.is_at_fault
        yield poly_line(plug.way, RUST if is_wrong else SOFT_INK, "dot")
        for stretch in cord_in_sight(arrangement, plug).stretches:
            yield poly_line(stretch, RUST if is_wrong else OCHRE)
        x, height = plug.way[-1]
        yield Stamp("dot", x, -height, colour=RUST if is_wrong else OCHRE)


def cord_marks_from(arrangement: Arrangement, eye: Eye) -> Iterator[Mark]:
    """Yield each cord as an eye would see it if nothing stood before, dotted, and what it does see of it, solid."""
    for one in cords_from(arrangement, eye):
        colour = RUST if one.plug.is_at_fault else OCHRE
        for way in one.ways:
            yield poly_line(way, SOFT_INK, "dot")
        for stretch in one.stretches:
            yield poly_line(stretch, colour)
        if one.ways:
            x, height = one.ways[-1][-1]
            yield Stamp("dot", x, -height, colour=colour)
