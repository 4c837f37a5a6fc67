"""What cannot be built so, always in sight: a line for every caution that says stop, or for all of a kind."""

from collections.abc import Callable

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.texts import question
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import NAMES
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.phrases import counted, listed

LINE_HEIGHT, MOST_LINES, MOST_NAMED = 26, 6, 4


class StopsStrip(QWidget):
    """Lists the stops, each by its name and its things; pressing one shows its card.

    Parameters
    ----------
    on_press : callable
        Called with the caution whose line was pressed.
    """

    def __init__(self, on_press: Callable[[Caution], object]) -> None:
        super().__init__()
        self._on_press = on_press
        self._shown: tuple[Caution, ...] = ()
        self._told: tuple[tuple[Caution, ...], ...] = ()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 2, 0, 0)
        column.setSpacing(2)
        self.title = question("", 13)
        column.addWidget(self.title)
        self.lines: list[QPushButton] = []
        self.hide()

    def show_stops(self, cautions: tuple[Caution, ...], look: Arrangement) -> None:
        """Show what says stop and is not answered."""
        stops = tuple(caution for caution in cautions if caution.level == "stop" and not caution.answer)
        self.setVisible(bool(stops))
        if stops == self._shown:
            return
        self._shown = stops
        self._told = _told(stops)
        shown = self._told if len(self._told) <= MOST_LINES else self._told[: MOST_LINES - 1]
        while len(self.lines) < MOST_LINES:
            line = QPushButton()
            line.setObjectName("stopLine")
            line.setFixedHeight(LINE_HEIGHT)
            line.setCursor(Qt.CursorShape.PointingHandCursor)
            number = len(self.lines)
            line.clicked.connect(lambda _=False, number=number: self._press(number))
            self.lines.append(line)
            layout = self.layout()
            assert layout is not None
            layout.addWidget(line)
        self.title.setText(f"Stop: {counted(len(stops), 'thing')} cannot stay so")
        room = self.width() - 24
        for number, line in enumerate(self.lines):
            line.setVisible(number < len(shown) or (number == len(shown) < len(self._told)))
            if number < len(shown):
                alike = shown[number]
                things = dict.fromkeys(one for caution in alike for one in caution.placements if one in look.by_id)
                names = listed([look.by_id[one].item.label for one in things], MOST_NAMED)
                many = f" ({len(alike)})" if len(alike) > 1 else ""
                text = f"{NAMES[alike[0].id]}{many}: {names}"
                line.setText(line.fontMetrics().elidedText(text, Qt.TextElideMode.ElideRight, room))
                line.setToolTip("\n".join(caution.sentence for caution in alike))
            elif line.isVisibleTo(self):
                rest = sum(len(alike) for alike in self._told[len(shown) :])
                line.setText(f"and {rest} more below")

    def _press(self, number: int) -> None:
        if self._told:
            self._on_press(self._told[min(number, len(self._told) - 1)][0])


def _told(stops: tuple[Caution, ...]) -> tuple[tuple[Caution, ...], ...]:
    """Return what each line tells: one stop, or, where they are too many for that, all of a kind together."""
    if len(stops) <= MOST_LINES:
        return tuple((stop,) for stop in stops)
    kinds: dict[str, list[Caution]] = {}
    for stop in stops:
        kinds.setdefault(stop.id, []).append(stop)
    return tuple(tuple(alike) for alike in kinds.values())
