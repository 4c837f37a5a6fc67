"""Which key on the drawing does what."""

from collections.abc import Callable
from functools import partial
from typing import TYPE_CHECKING

from PySide6.QtCore import Qt

if TYPE_CHECKING:
    from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep


def keys_on_the_drawing(step: "ArrangeStep") -> tuple[tuple[str, Callable[[], object]], ...]:
    """Return the keys that are heard while the drawing is in hand, with what each does."""
    do = step.actions_on_look
    return (
        ("U", partial(do.pose, "upright")),
        ("F", partial(do.pose, "flat")),
        ("L", partial(do.pose, "leaning")),
        ("P", partial(do.pose, "spine-in")),
        ("T", do.turn),
        ("K", do.lock),
        ("I", do.put_inside),
        ("G", step.chosen.group_field.setFocus),
        ("Delete", do.put_back),
        ("Backspace", do.put_back),
        ("N", partial(do.choose_next, 1)),
        ("B", partial(do.choose_next, -1)),
        ("PgDown", partial(do.choose_ledge, 1)),
        ("PgUp", partial(do.choose_ledge, -1)),
        ("J", do.count_apart),
        ("R", do.take_row),
        ("O", do.sort_row),
        ("E", step.begin_exchange),
        ("X", step.chosen.wish_chip.pop_up),
        ("W", step.show_proposals),
        ("H", step.show_wanted),
        ("C", lambda: step.workspace.signals.compare_asked.emit(())),
        ("S", partial(step.strip.setFocus, Qt.FocusReason.ShortcutFocusReason)),
    )
