"""How the look in hand is looked at: what lies over the drawing, from where, with which eyes."""

from functools import partial
from typing import TYPE_CHECKING

from PySide6.QtCore import Signal
from PySide6.QtGui import QAction
from PySide6.QtWidgets import QHBoxLayout, QMenu, QPushButton, QWidget

from jolly_ledge.app.views.look.look_view import OVERLAYS
from jolly_ledge.app.views.look.ways_of_looking import Ways
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.phrases import percent
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    from jolly_ledge.geometry.eyes import Eye

STRAIGHT_ON, FROM_ABOVE, IN_THE_ROOM = "Straight on", "From above", "In the room"
ON_CHIPS = OVERLAYS[:3]
"""What is shown most has a chip of its own; the rest waits in a list."""

KEYS: dict[str, str] = dict(zip(OVERLAYS, (*"1234567890A", "Shift+C", "Shift+T"), strict=True))
SAID: dict[str, str] = {
    "balance": "Balance: the ball on the beam is where the weight lies; teal is level.",
    "groups": "Groups: units in each, teal is odd; a dotted frame or a diamond is one unit.",
    "cautions": "Cautions: rust is to stop at, ochre to heed, grey unknown.",
    "skyline": "Skyline: the line of the tops, ledge by ledge.",
    "figure": "Figure: the lines the eye follows; dashed ochre does not fit yet.",
    "colours": "Colours: how the strongest accent travels from place to place.",
    "rest": "Rest: the empty places along the ledges.",
    "depth": "Depth: a low pale bar stands in front, a higher dark one at the back.",
    "ties": "Ties: look-alikes; thin teal ties far ones, thick ochre ones compete.",
    "advice": "Advice: how many groups and things each ledge bears in this fullness.",
    "cords": "Cords: solid ochre is seen from the front, dotted is hidden.",
    "tasks": "Tasks: a line through their things in order; red is out of reach.",
    "doors": "Doors: hatched strips hide; the figure is what is left to see of an anchor.",
}


class ViewStrip(QWidget):
    """A row of chips and two lists; it tells what is chosen and changes nothing by itself."""

    overlay_toggled = Signal(str, bool)
    ways_changed = Signal()
    place_changed = Signal()

    def __init__(self, workspace: Workspace, shown: set[str]) -> None:
        super().__init__()
        self._workspace = workspace
        self.shown = [name for name in OVERLAYS if name in shown]
        """What is shown, the last one switched on at the end."""
        self.ways = Ways()
        self.is_shut = False
        self.place = STRAIGHT_ON
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(5)
        self.overlay_chips: dict[str, QPushButton] = {}
        for name in ON_CHIPS:
            button = chip(name.capitalize(), f"{SAID[name]} ({KEYS[name]})", checked=name in self.shown)
            button.clicked.connect(lambda on, name=name: self.show_overlay(name, on))
            self.overlay_chips[name] = button
            row.addWidget(button)
        self.more_menu = QMenu(self)
        self.more_actions: dict[str, QAction] = {}
        for name in OVERLAYS[len(ON_CHIPS) :]:
            made = self.more_menu.addAction(f"{name.capitalize()}\t{KEYS[name]}")
            made.setCheckable(True)
            made.setToolTip(SAID[name])
            made.toggled.connect(lambda on, name=name: self.show_overlay(name, on))
            self.more_actions[name] = made
        self.more_menu.setToolTipsVisible(True)
        self.more_chip = chip("More ▾", "More that can be shown on the drawing", checkable=False)
        self.more_chip.setMenu(self.more_menu)
        row.addWidget(self.more_chip)
        self.place_menu = QMenu(self)
        self.place_menu.aboutToShow.connect(self._list_places)
        self.place_chip = chip(f"{STRAIGHT_ON} ▾", "From where, and with which eyes, it is looked at", checkable=False)
        self.place_chip.setMenu(self.place_menu)
        row.addWidget(self.place_chip)
        workspace.signals.pieces_changed.connect(self._keep_place)
        workspace.signals.in_hand_changed.connect(self._keep_place)

    # What lies over the drawing

    def show_overlay(self, name: str, on: bool) -> None:
        """Show or hide what lies over the drawing."""
        if on == (name in self.shown):
            return
        if on and name == "doors" and not self._has_doors():
            self.more_actions[name].setChecked(False)
            self._workspace.signals.refused.emit(
                f"{self._workspace.piece.label} has no doors or bars that hide anything."
            )
            return
        (self.shown.append if on else self.shown.remove)(name)
        if name in self.overlay_chips:
            self.overlay_chips[name].setChecked(on)
        else:
            self.more_actions[name].setChecked(on)
        listed = [other for other in self.more_actions if other in self.shown]
        text = "More" if not listed else listed[0].capitalize() if len(listed) == 1 else f"{len(listed)} more"
        self.more_chip.setText(f"{text} ▾")
        self.overlay_toggled.emit(name, on)

    def _has_doors(self) -> bool:
        piece = self._workspace.piece
        return piece.doors != "none" or any(fixture.kind in ("bar", "brace") for fixture in piece.fixtures)

    def toggle_overlay(self, name: str) -> None:
        """Show what is hidden, hide what is shown."""
        self.show_overlay(name, name not in self.shown)

    @property
    def said(self) -> str:
        """What is seen from there, or what the lines mean that were switched on last and do not say it themselves."""
        if "cords" in self.shown and (cords := self._cords_from_there()):
            return cords
        if self.place != STRAIGHT_ON and (seen := self.seen_from_there):
            return seen
        return next((SAID[name] for name in reversed(self.shown) if name not in ("balance", "cautions")), "")

    # From where, and with which eyes

    def places(self) -> tuple[str, ...]:
        """Return from where the piece in hand can be looked at."""
        if not self._workspace.piece_id:
            return (STRAIGHT_ON,)
        # The window opens straight on; what it takes to look from elsewhere waits until somebody does.
        from jolly_ledge.geometry.eyes import eyes_of

        piece = self._workspace.piece
        above = (FROM_ABOVE,) if kind_of(piece).is_looked_down_on or piece.viewed_from == "around" else ()
        photographed = piece.photo is not None and piece.photo.name in self._workspace.document.photos
        room = (IN_THE_ROOM,) if photographed else ()
        return (STRAIGHT_ON, *(eye.name for eye in eyes_of(piece)), *above, *room)

    @property
    def eye(self) -> "Eye | None":
        """The eye in use, None for straight on and from above."""
        from jolly_ledge.geometry.eyes import eyes_of

        return next((eye for eye in eyes_of(self._workspace.piece) if eye.name == self.place), None)

    def look_from(self, place: str) -> None:
        """Look from a place."""
        if place != self.place:
            self.place = place
            self._say_place()
            self.place_changed.emit()

    def look_from_next(self) -> None:
        """Look from the next place of the list."""
        places = self.places()
        index = places.index(self.place) if self.place in places else -1
        self.look_from(places[(index + 1) % len(places)])

    def toggle_way(self, name: str) -> None:
        """Change one of ``squint``, ``grey`` and ``mirrored``."""
        known = {field: getattr(self.ways, field) for field in ("squint", "grey", "mirrored")}
        self.ways = Ways(**{**known, name: not known[name]})
        self._say_place()
        self.ways_changed.emit()

    def toggle_doors(self) -> None:
        """Shut the doors, or open them."""
        if not self.is_shut and self._workspace.piece.doors == "none":
            self._workspace.signals.refused.emit(f"{self._workspace.piece.label} has no doors to shut.")
            return
        self.is_shut = not self.is_shut
        self._say_place()
        self.ways_changed.emit()

    def _keep_place(self) -> None:
        """Look straight on again where the place is none of this piece's."""
        if self.place != STRAIGHT_ON:
            if self.place in self.places():
                self.place_changed.emit()
            else:
                self.look_from(STRAIGHT_ON)
        if self.is_shut and self._workspace.piece.doors == "none":
            self.is_shut = False
            self._say_place()
            self.ways_changed.emit()

    def _say_place(self) -> None:
        ways = [word for on, word in (
            (self.is_shut, "shut"), (self.ways.squint, "squint"), (self.ways.grey, "grey"),
            (self.ways.mirrored, "mirror"),
        ) if on]  # fmt: skip
        said = ", ".join((self.place, *ways)) if self.place != STRAIGHT_ON or not ways else ", ".join(ways).capitalize()
        self.place_chip.setText(f"{said} ▾")

    def _told_of_seats(self) -> dict[str, str]:
        """Return what each seat sees, in a word or two for the list."""
        if not self._workspace.look_id or not self._workspace.look.placements:
            return {}
        from jolly_ledge.scene.seats import seat_views, worst_seat

        views = seat_views(self._workspace.arrangement)
        worst = worst_seat(views)
        return {
            view.eye.name: f"sees {percent(view.sees)}{', the least' if view is worst and len(views) > 1 else ''}"
            for view in views
        }

    @property
    def seen_from_there(self) -> str:
        """What is seen from the seat that is looked from, in a sentence; empty from elsewhere."""
        if not self._workspace.look_id:
            return ""
        from jolly_ledge.scene.seats import seat_views

        return next((v.sentence for v in seat_views(self._workspace.arrangement) if v.eye.name == self.place), "")

    def _cords_from_there(self) -> str:
        """Return what is seen of the cords from the place that is looked from, the most seen first."""
        eye = self.eye if self.place != STRAIGHT_ON and self._workspace.look_id else None
        if eye is None:
            return ""
        from jolly_ledge.planning.plug_table import cord_seen_said
        from jolly_ledge.scene.cords_seen import cords_from

        seen = sorted(cords_from(self._workspace.arrangement, eye), key=lambda one: -one.length)
        return " ".join(cord_seen_said(one, self._workspace.length_unit) for one in seen)

    def _list_places(self) -> None:
        menu = self.place_menu
        menu.clear()
        told = self._told_of_seats()
        for place in self.places():
            made = menu.addAction(f"{place}\t{told[place]}" if place in told else place)
            made.setCheckable(True)
            made.setChecked(place == self.place)
            made.triggered.connect(lambda _=False, place=place: self.look_from(place))
        menu.addSeparator()
        shut = menu.addAction("Doors shut\tD")
        shut.setCheckable(True)
        shut.setChecked(self.is_shut)
        shut.setEnabled(self._workspace.piece.doors != "none")
        shut.triggered.connect(self.toggle_doors)
        for name, text in (("squint", "Squint\tQ"), ("grey", "Without colour\tY"), ("mirrored", "In the mirror\tM")):
            made = menu.addAction(text)
            made.setCheckable(True)
            made.setChecked(getattr(self.ways, name))
            made.triggered.connect(partial(self.toggle_way, name))
