"""What the stylist insists on, chosen from a list: for what is marked on the drawing or in the line-up."""

from collections.abc import Callable
from functools import partial

from PySide6.QtWidgets import QMenu, QPushButton

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.edits.wishes import AddWish, DropWish, said
from jolly_ledge.geometry.axes import Axis, axes_of
from jolly_ledge.geometry.distance import A_SEAT
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.piece import Piece, Wish
from jolly_ledge.model.words import WishKind, plain
from jolly_ledge.workspace.workspace import Workspace

FOR_SEVERAL: tuple[tuple[WishKind, str], ...] = (
    ("together", "Together, on one tray or in one bowl"),
    ("apart", "Apart, never neighbours"),
    ("mirrored", "A pair about the middle"),
)
FOR_EACH: tuple[tuple[WishKind, str], ...] = (
    ("only-on", "Only on {}"),
    ("never-on", "Never on {}"),
    ("centred", "In the middle of its ledge"),
    ("out-of-sight", "Out of sight"),
    ("underlaid", "On a tray, a board or a mat"),
)

NOT_TO_BE_NEAR = frozenset({"bar", "brace"})


def points_of(piece: Piece) -> list[str]:
    """Return what a piece has that one may wish to be near."""
    kinds: dict[str, None] = dict.fromkeys(one.kind for one in piece.fixtures if one.kind not in NOT_TO_BE_NEAR)
    return [*kinds, *((A_SEAT,) if piece.seats else ())]


class WishChip:
    """A chip with the list of wishes for some things of the stash and the piece in hand."""

    def __init__(self, workspace: Workspace, items: Callable[[], tuple[str, ...]]) -> None:
        self._workspace = workspace
        self._items = items
        self.button: QPushButton = chip("Wish ▾", "What must be: in proposals it is kept, in a look it is checked (X)",
                                        checkable=False)  # fmt: skip
        self.menu = QMenu(self.button)
        self.menu.aboutToShow.connect(self.fill)
        self.button.setMenu(self.menu)

    def fill(self) -> None:
        """List what can be wished for what is marked, and what is wished already."""
        workspace, menu = self._workspace, self.menu
        menu.clear()
        if not workspace.piece_id:
            menu.addAction("Measure a piece first").setEnabled(False)
            return
        items = self._items()
        for kind, text in FOR_SEVERAL if len(items) > 1 else ():
            menu.addAction(text).triggered.connect(partial(self._wish, kind))
        ledge = workspace.ledge
        for kind, text in FOR_EACH if items else ():
            if ledge is not None or "{}" not in text:
                shown = text.format(ledge.label if ledge is not None else "")
                menu.addAction(shown).triggered.connect(partial(self._wish, kind))
        for axis in self._axes() if items else ():
            menu.addAction(f"Centred on {axis.name}").triggered.connect(partial(self._wish_on, axis.id))
        for target in points_of(workspace.piece) if items else ():
            menu.addAction(f"Near the {plain(target)}").triggered.connect(partial(self._wish_near, target))
        if not items:
            menu.addAction("Mark a thing first, several with shift and click").setEnabled(False)
        wishes = [wish for wish in workspace.piece.wishes if not items or set(items) & set(wish.items)]
        if wishes:
            menu.addSeparator()
            for wish in wishes:
                text = f"Let go: {said(wish, workspace.plan, workspace.piece)}"
                menu.addAction(text).triggered.connect(partial(self._drop, wish))

    def _axes(self) -> list[Axis]:
        """Return the axes of the ledge in hand, its own middle apart."""
        ledge = self._workspace.ledge
        return [axis for axis in axes_of(self._workspace.piece, ledge) if axis.id] if ledge is not None else []

    def _wish_on(self, axis: str, _: bool = False) -> None:
        self._make(Wish(kind="centred", items=self._items(), near=axis))

    def _wish_near(self, target: str, _: bool = False) -> None:
        self._make(Wish(kind="near", items=self._items(), near=target))

    def _wish(self, kind: WishKind, _: bool = False) -> None:
        workspace, items = self._workspace, self._items()
        ledges = (workspace.ledge_id,) if kind in ("only-on", "never-on") else ()
        self._make(Wish(kind=kind, items=items, ledges=ledges))

    def _make(self, wish: Wish) -> None:
        workspace = self._workspace
        if workspace.commit(AddWish(piece=workspace.piece_id, wish=wish)):
            workspace.signals.told.emit(
                f"Wished: {capital(said(wish, workspace.plan, workspace.piece))}. Proposals keep to it."
            )

    def _drop(self, wish: Wish, _: bool = False) -> None:
        self._workspace.commit(DropWish(piece=self._workspace.piece_id, wish=wish))

    def pop_up(self) -> None:
        """Open the list under its chip."""
        self.button.showMenu()
