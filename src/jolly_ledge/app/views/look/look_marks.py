"""All that lies over the look in hand, in the order in which it is painted."""

from collections.abc import Callable, Iterable, Iterator

from jolly_ledge.app.views.look import overlays, reading_overlays
from jolly_ledge.app.views.look.cord_marks import cord_marks
from jolly_ledge.app.views.look.marks import Mark
from jolly_ledge.app.views.look.task_marks import task_marks
from jolly_ledge.app.views.look.use_marks import use_marks
from jolly_ledge.drawing.theme import PLUM
from jolly_ledge.model.mishaps import or_instead
from jolly_ledge.workspace.workspace import Workspace


def look_marks(workspace: Workspace, shown: set[str], scale: float, *, carried: bool) -> Iterator[Mark]:
    """Yield what lies over the look in hand.

    Parameters
    ----------
    workspace : Workspace
    shown : set of str
        Names of the overlays that are on.
    scale : float
        Pixels for one mm.
    carried : bool
        Whether something is carried; the ledge in hand then follows it and is not marked.
    """
    arrangement = workspace.arrangement
    if workspace.ledge is not None and not carried:
        yield overlays.ledge_mark(workspace.ledge)
    for name, marks in _overlay_marks(workspace, scale).items():
        if name in shown:
            yield from _safely(name, marks)
    if "advice" in shown or not workspace.look.placements:
        yield from overlays.advice_marks(arrangement, workspace.plan.stash, scale)
    yield from overlays.meaning_marks(arrangement, scale)
    yield from overlays.set_marks(arrangement, scale)
    yield from overlays.lock_marks(arrangement)
    if arrangement.piece.wishes:
        yield from overlays.wish_marks(arrangement)
    for placed in workspace.chosen_placed:
        yield from overlays.outline_marks(placed)
        yield from use_marks(arrangement, placed)
    for identifier in workspace.pointed_at:
        if identifier in arrangement.by_id and not arrangement.by_id[identifier].hidden:
            yield from overlays.outline_marks(arrangement.by_id[identifier], PLUM)
    if "cautions" in shown:
        yield from overlays.caution_marks(arrangement, workspace.cautions)


def _safely(name: str, marks: Callable[[], Iterable[Mark]]) -> tuple[Mark, ...]:
    return or_instead(lambda: tuple(marks()), (), f"“{name}” could not be laid over the drawing.")


def _overlay_marks(workspace: Workspace, scale: float) -> dict[str, Callable[[], Iterable[Mark]]]:
    arrangement = workspace.arrangement
    return {
        "rest": lambda: reading_overlays.rest_marks(arrangement),
        "groups": lambda: (
            *reading_overlays.unit_marks(arrangement, scale),
            *overlays.group_marks(arrangement, scale),
        ),
        "skyline": lambda: overlays.skyline_marks(arrangement),
        "figure": lambda: reading_overlays.figure_marks(arrangement),
        "colours": lambda: overlays.colour_marks(arrangement),
        "depth": lambda: reading_overlays.depth_marks(arrangement, scale),
        "ties": lambda: reading_overlays.tie_marks(arrangement),
        "cords": lambda: cord_marks(arrangement),
        "tasks": lambda: task_marks(arrangement, workspace.length),
        "doors": lambda: reading_overlays.door_marks(arrangement),
    }
