"""Places to be kept free on the ledge in hand, chosen from a list: for a cup, keys, a thing not yet bought."""

from collections.abc import Callable
from functools import partial
from time import monotonic

from msgspec.structs import replace
from PySide6.QtCore import QPoint
from PySide6.QtGui import QCursor
from PySide6.QtWidgets import QGraphicsView, QHBoxLayout, QLineEdit, QMenu, QWidget, QWidgetAction

from jolly_ledge.edits.kept_places import (
    DATE,
    KEEP,
    MOVE,
    Doing,
    GiveBackPlace,
    GiveBackPlaceOnTray,
    KeepPlace,
    KeepPlaceOnTray,
)
from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.geometry.free_place import put_down_at
from jolly_ledge.geometry.tray_places import put_down_on_tray
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.piece import Ledge
from jolly_ledge.planning.places_to_fill import NOT_BOUGHT
from jolly_ledge.workspace.workspace import Workspace

LATELY_S = 15.0
"""So long what was pointed at is still meant."""

USUAL: tuple[tuple[str, float, float, float], ...] = (
    ("a cup", 110.0, 110.0, 110.0), ("a glass", 90.0, 90.0, 160.0), ("a plate", 270.0, 270.0, 50.0),
    ("keys", 160.0, 120.0, 60.0), ("post", 240.0, 160.0, 60.0), ("a phone", 90.0, 170.0, 40.0),
    ("remotes", 200.0, 90.0, 50.0), (NOT_BOUGHT, 180.0, 160.0, 300.0),
)  # fmt: skip
"""What is put down, with the width, depth and height it wants (mm)."""

OTHER, LINE_WIDTH = (160.0, 140.0, 160.0), 220
"""So much is kept for what is named by hand."""


class KeptPlaceMenu(QMenu):
    """Lists what a place can be kept for, and the places that are kept on the ledge in hand.

    A place is kept where the menu was asked for on the drawing, else in the widest gap of the ledge. For a tray in
    hand it lists the places on it.
    """

    def __init__(self, view: QGraphicsView, workspace: Workspace) -> None:
        super().__init__(view)
        self._view, self._workspace = view, workspace
        self._asked: tuple[QPoint, float] | None = None
        self._on_tray = False
        self.other_line: QLineEdit | None = None
        self.until_lines: dict[str, QLineEdit] = {}

    def asked_at(self, point: QPoint) -> None:
        """Remember where on the screen a menu was asked for: what is chosen from it is meant there."""
        self._asked = (point, monotonic())

    def pop_up(self) -> None:
        """Open at the pointer, for the ledge in hand."""
        self.fill()
        self.popup(QCursor.pos())

    def pop_up_for_tray(self) -> None:
        """Open at the pointer, for the tray in hand."""
        self.fill(on_tray=True)
        self.popup(QCursor.pos())

    def why_no_tray(self) -> str:
        """Return why no place can be kept on what is in hand, empty where it can."""
        return "" if self._in_hand() is not None else "Choose a tray that stands; on others no place is kept."

    def _along(self, ledge: Ledge) -> float | None:
        """Return where on a ledge was pointed lately, from its left end (mm)."""
        asked, self._asked = self._asked, None
        if asked is None or monotonic() - asked[1] > LATELY_S:
            return None
        at = self._view.mapToScene(self._view.mapFromGlobal(asked[0])).x() - ledge.left
        return at if 0 <= at <= ledge.width else None

    def fill(self, *, on_tray: bool = False) -> None:
        """List what can be kept, and what is: on the tray in hand, or on the ledge."""
        self.clear()
        self._on_tray = on_tray
        tray, ledge = self._tray(), self._workspace.ledge
        if tray is None and ledge is None:
            self.addAction("Choose a ledge or a tray first").setEnabled(False)
            return
        kept = [place.name for place in self._kept]
        on = f" on the {tray.item.label}" if tray is not None else ""
        for name, *sides in USUAL:
            self.addAction(f"{MOVE if name in kept else KEEP} for {name}{on}", partial(self._keep, name, *sides))
        self.other_line = self._line("something else", lambda name: self._keep(name, *OTHER))
        self.until_lines = {}
        if kept:
            self.addSeparator()
            for name in kept:
                self.until_lines[name] = self._line(f"{name}: since or until when", partial(self._date, name))
                self.addAction(f"Give back the place for {name}", partial(self._give_back, name))

    def _line(self, asks: str, on_text: Callable[[str], object]) -> QLineEdit:
        """Add a line that is typed into and taken with Return."""
        line, act = QLineEdit(), QWidgetAction(self)
        line.setPlaceholderText(asks)
        line.setAccessibleName(asks)
        line.setMinimumWidth(LINE_WIDTH)
        around = QWidget()
        row = QHBoxLayout(around)
        row.setContentsMargins(18, 3, 18, 3)
        row.addWidget(line)
        act.setDefaultWidget(around)

        def take() -> None:
            text = line.text().strip()
            if text:
                self.close()
                on_text(text)

        line.returnPressed.connect(take)
        self.addAction(act)
        return line

    @property
    def _kept(self) -> tuple[KeptPlace, ...]:
        """The places that are kept on the tray, or on the ledge."""
        tray, ledge = self._tray(), self._workspace.ledge
        return tray.item.kept if tray is not None else ledge.kept if ledge is not None else ()

    def _date(self, name: str, date: str) -> None:
        """Tell since or until when a place is kept."""
        place = next((one for one in self._kept if one.name == name), None)
        if place is not None:
            self._commit(replace(place, date=date), DATE)

    def _commit(self, place: KeptPlace, doing: Doing) -> None:
        workspace, ledge, tray = self._workspace, self._workspace.ledge, self._tray()
        if tray is not None:
            name = f"the {tray.item.label}"
            workspace.commit(KeepPlaceOnTray(item=tray.item.id, place=place, name=name, doing=doing))
        elif ledge is not None:
            piece, name = workspace.piece_id, ledge.label
            workspace.commit(KeepPlace(piece=piece, ledge=ledge.id, place=place, ledge_name=name, doing=doing))

    def _tray(self) -> PlacedItem | None:
        return self._in_hand() if self._on_tray else None

    def _in_hand(self) -> PlacedItem | None:
        """Return the tray that is in hand by itself."""
        workspace = self._workspace
        if len(workspace.selection) != 1:
            return None
        placed = workspace.arrangement.by_id.get(workspace.selection[0])
        stands = placed is not None and placed.item.category == "tray" and placed.placement.pose == "upright"
        return placed if stands else None

    def _keep(self, name: str, width: float, depth: float, height: float) -> None:
        workspace, ledge, tray = self._workspace, self._workspace.ledge, self._tray()
        # One that is moved is kept until the same day.
        before = next((one for one in self._kept if one.name == name), None)
        date, doing = (before.date, MOVE) if before is not None else ("", KEEP)
        place = KeptPlace(name=name, left=0.0, front=0.0, width=width, depth=depth, height=height, date=date)
        if tray is not None:
            at = self._along(tray.ledge)
            middle = None if at is None else at + tray.ledge.left - tray.left
            self._commit(put_down_on_tray(workspace.arrangement, tray, place, middle), doing)
        elif ledge is not None:
            left, front = put_down_at(workspace.arrangement, ledge, width, depth, self._along(ledge))
            self._commit(replace(place, left=left, front=front), doing)

    def _give_back(self, name: str) -> None:
        workspace, tray = self._workspace, self._tray()
        if tray is not None:
            workspace.commit(GiveBackPlaceOnTray(item=tray.item.id, place=name))
        else:
            workspace.commit(GiveBackPlace(piece=workspace.piece_id, ledge=workspace.ledge_id, name=name))
