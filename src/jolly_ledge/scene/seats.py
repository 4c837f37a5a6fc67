"""What is seen from each seat: how much of a thing others hide, whose face is turned away, what rises over the eyes."""

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.eyes import Eye, eyes_of, seen_at
from jolly_ledge.geometry.facing import faces_away, seen_from_side
from jolly_ledge.geometry.kept import kept
from jolly_ledge.model.phrases import listed, percent
from jolly_ledge.scene.cover import Shape, hidden_by, silhouette_at

TOLD_FROM = 0.5
"""What is hidden by more than this is named."""

BACK_COUNTS = 0.5
"""Of a thing that turns its back half counts as seen."""

ALL_IS_SEEN = 0.98
FROM_ALL_ROUND = ("Standing", "From the ")


class SeatView(Struct, frozen=True):
    """What one eye sees: for each thing in sight the share that others hide, and which turn their backs.

    ``sees`` is the share of all that stands there, by the size it is seen in; ``over_the_eyes`` how far the highest
    thing rises over the eye (mm, negative below it).
    """

    eye: Eye
    hidden: tuple[tuple[PlacedItem, float], ...]
    turned_away: tuple[PlacedItem, ...]
    sees: float
    over_the_eyes: float

    @property
    def sentence(self) -> str:
        """What is seen from there, in a line or two."""
        share = percent(self.sees)
        if self.eye.name.startswith("Seat "):
            said = f"{self.eye.name} sees {share} of what stands there"
        else:
            where = "From the front" if self.eye.name == "Standing" else self.eye.name
            said = f"{where} {share} is seen of what stands there"
        behind = [f"the {placed.item.label} ({percent(share)})" for placed, share in self.hidden if share > TOLD_FROM]
        away = [f"the {placed.item.label}" for placed in self.turned_away]
        said += f"; hidden: {listed(behind)}" if behind else ""
        said += f"; turned away: {listed(away)}" if away else ""
        return f"{said}."


@kept
def seat_views(arrangement: Arrangement) -> tuple[SeatView, ...]:
    """Return what is seen from every seat, or from all sides of what is looked at all round; else nothing."""
    piece = arrangement.piece
    if piece.seats:
        eyes = [eye for eye in eyes_of(piece) if eye.name.startswith("Seat ")]
    elif piece.viewed_from == "around":
        eyes = [eye for eye in eyes_of(piece) if eye.name.startswith(FROM_ALL_ROUND) and eye.name != "From the door"]
    else:
        return ()
    return tuple(_seen_by(arrangement, eye) for eye in eyes)


def worst_seat(views: tuple[SeatView, ...]) -> SeatView | None:
    """Return the view in which least is seen, None where all see as good as everything."""
    worst = min(views, key=lambda view: view.sees, default=None)
    return worst if worst is not None and worst.sees < ALL_IS_SEEN else None


def _seen_by(arrangement: Arrangement, eye: Eye) -> SeatView:
    seen = seen_from_side(arrangement, eye.side)
    things = [placed for placed in seen.visible if placed.placement.pose != "hung"]
    shapes = {placed.id: projected(placed, eye) for placed in things}
    hidden = tuple((placed, _hidden(placed, things, shapes)) for placed in things)
    away = tuple(placed for placed in things if faces_away(placed))
    backs = {placed.id for placed in away}
    area = sum(float(shape.area) for shape in shapes.values())
    counted = sum(
        float(shapes[placed.id].area) * (1 - share) * (BACK_COUNTS if placed.id in backs else 1.0)
        for placed, share in hidden
    )
    return SeatView(
        eye=eye,
        hidden=tuple(sorted(hidden, key=lambda one: -one[1])),
        turned_away=away,
        sees=counted / area if area > 0 else 1.0,
        over_the_eyes=max((placed.top for placed in things), default=0.0) - eye.height,
    )


def projected(placed: PlacedItem, eye: Eye) -> Shape:
    """Return the outline of a thing on the picture plane of an eye, in mm, heights up."""
    foot = seen_at(eye, placed.x, placed.bottom, placed.z)
    wide, high = round(placed.width * foot.scale, 1), round(placed.height * foot.scale, 1)
    return silhouette_at(placed.shape, wide, high, foot.x, -foot.y, placed.item.outline)


def _hidden(placed: PlacedItem, things: list[PlacedItem], shapes: dict[str, Shape]) -> float:
    nearer = [other for other in things if other.z < placed.z - 1 and other.root != placed.root]
    return hidden_by(shapes[placed.id], [(other, shapes[other.id]) for other in nearer])
