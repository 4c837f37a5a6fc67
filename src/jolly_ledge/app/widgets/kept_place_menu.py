"""Places to be kept free on the ledge in hand, chosen from a list: for a cup, keys, a thing not yet bought."""

from functools import partial
from time import monotonic

from PySide6.QtCore import QPoint
from PySide6.QtGui import QCursor
from PySide6.QtWidgets import QGraphicsView, QMenu

from jolly_ledge.edits.kept_places import GiveBackPlace, KeepPlace
from jolly_ledge.geometry.free_place import put_down_at
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


class KeptPlaceMenu(QMenu):
    """Lists what a place can be kept for, and the places that are kept on the ledge in hand.

    A place is kept where the menu was asked for on the drawing, else in the widest gap of the ledge.
    """

    def __init__(self, view: QGraphicsView, workspace: Workspace) -> None:
        super().__init__(view)
        self._view, self._workspace = view, workspace
        self._asked: tuple[QPoint, float] | None = None

    def asked_at(self, point: QPoint) -> None:
        """Remember where on the screen a menu was asked for: what is chosen from it is meant there."""
        self._asked = (point, monotonic())

    def pop_up(self) -> None:
        """Open at the pointer."""
        self.fill()
        self.popup(QCursor.pos())

    def _along(self, ledge: Ledge) -> float | None:
        """Return where on a ledge was pointed lately, from its left end (mm)."""
        asked, self._asked = self._asked, None
        if asked is None or monotonic() - asked[1] > LATELY_S:
            return None
        at = self._view.mapToScene(self._view.mapFromGlobal(asked[0])).x() - ledge.left
        return at if 0 <= at <= ledge.width else None

    def fill(self) -> None:
        """List what can be kept, and what is."""
        self.clear()
        ledge = self._workspace.ledge
        if ledge is None:
            self.addAction("Choose a ledge first").setEnabled(False)
            return
        kept = {place.name for place in ledge.kept}
        for name, *sides in USUAL:
            verb = "Move the place for" if name in kept else "Keep a place for"
            self.addAction(f"{verb} {name}", partial(self._keep, name, *sides))
        if kept:
            self.addSeparator()
            for place in ledge.kept:
                self.addAction(f"Give back the place for {place.name}", partial(self._give_back, place.name))

    def _keep(self, name: str, width: float, depth: float, height: float) -> None:
        workspace, ledge = self._workspace, self._workspace.ledge
        if ledge is None:
            return
        left, front = put_down_at(workspace.arrangement, ledge, width, depth, self._along(ledge))
        place = KeptPlace(name=name, left=left, front=front, width=width, depth=depth, height=height)
        workspace.commit(KeepPlace(piece=workspace.piece_id, ledge=ledge.id, place=place, ledge_name=ledge.label))

    def _give_back(self, name: str) -> None:
        workspace = self._workspace
        workspace.commit(GiveBackPlace(piece=workspace.piece_id, ledge=workspace.ledge_id, name=name))
