"""The colours of all that is round the drawings, by day and in the evening.

Drawings keep the ground they have on paper, whatever the hour: colours of things are judged on one ground only.
"""

from msgspec import Struct
from PySide6.QtGui import QColor, QPainter
from PySide6.QtWidgets import QWidget

from jolly_ledge.drawing import theme
from jolly_ledge.files.settings import Hour


class Tones(Struct, frozen=True):
    """One scheme; names are those of the theme that drawings share, ``on_plum`` is what is written on plum."""

    paper: str
    sheet: str
    path: str
    pointed: str
    ink: str
    soft_ink: str
    faint_ink: str
    rule: str
    board: str
    grip: str
    plum: str
    plum_tint: str
    plum_lit: str
    plum_faint: str
    on_plum: str
    teal: str
    teal_tint: str
    ochre: str
    ochre_ink: str
    ochre_tint: str
    rust: str
    rust_ink: str
    rust_tint: str
    stop_ground: str


DAY = Tones(
    paper=theme.PAPER, sheet=theme.SHEET, path=theme.PATH, pointed="#f0ebe0", ink=theme.INK, soft_ink=theme.SOFT_INK,
    faint_ink="#a39e94", rule=theme.RULE, board=theme.BOARD, grip="#cfc6b4", plum=theme.PLUM,
    plum_tint=theme.PLUM_TINT, plum_lit="#8f4868", plum_faint="#cbb8bf", on_plum="#ffffff", teal=theme.TEAL,
    teal_tint=theme.TEAL_TINT, ochre=theme.OCHRE, ochre_ink=theme.OCHRE_INK, ochre_tint=theme.OCHRE_TINT,
    rust=theme.RUST, rust_ink="#963a20", rust_tint=theme.RUST_TINT, stop_ground="#f6ded8",
)  # fmt: skip
EVENING = Tones(
    paper="#2a2725", sheet="#332f2c", path="#221f1d", pointed="#2d2926", ink="#ece6da", soft_ink="#bdb4a6",
    faint_ink="#857d73", rule="#544d46", board=theme.BOARD, grip="#5c544c", plum="#ffb4e7", plum_tint="#432a3b",
    plum_lit="#ffcdf0", plum_faint="#6d5660", on_plum="#2a1523", teal="#80bcb0", teal_tint="#24403f", ochre="#bb9b02",
    ochre_ink="#e9c07a", ochre_tint="#3b301f", rust="#ff8d78", rust_ink="#ffa08e", rust_tint="#4d2f26",
    stop_ground="#57301f",
)  # fmt: skip
_SCHEMES: dict[Hour, Tones] = {"day": DAY, "evening": EVENING}
_in_force: list[Tones] = [DAY]


def tones() -> Tones:
    """Return the colours in force."""
    return _in_force[0]


def put_in_force(hour: Hour) -> Tones:
    """Put the colours of an hour in force and return them; what is painted from then on has them."""
    _in_force[0] = _SCHEMES[hour]
    return tones()


def ground_painter(widget: QWidget, *, smooth: bool = False) -> QPainter:
    """Return a painter on a widget that has painted the ground of a drawing as it is by day, whatever is round it.

    Parameters
    ----------
    widget : QWidget
        The drawing; it is in its paint event.
    smooth : bool
        Whether photographs are drawn that are larger or smaller than they are shown.
    """
    painter = QPainter(widget)
    if tones() is not DAY:
        painter.fillRect(widget.rect(), QColor(DAY.sheet))
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform, smooth)
    return painter
