"""What the stylist insists on, chosen from a list: for what is marked on the drawing or in the line-up."""

from collections.abc import Callable
from functools import partial

from PySide6.QtWidgets import QMenu, QPushButton

from jolly_ledge.app.session import Session
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.edits.wishes import AddWish, DropWish, said
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.piece import Wish
from jolly_ledge.model.words import WishKind

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


class WishChip:
    """A chip with the list of wishes for some things of the stash and the piece in hand."""

    def __init__(self, session: Session, items: Callable[[], tuple[str, ...]]) -> None:
        self._session = session
        self._items = items
        self.button: QPushButton = chip("Wish ▾", "What must be: in proposals it is kept, in a look it is checked (X)",
                                        checkable=False)  # fmt: skip
        self.menu = QMenu(self.button)
        self.menu.aboutToShow.connect(self.fill)
        self.button.setMenu(self.menu)

    def fill(self) -> None:
        """List what can be wished for what is marked, and what is wished already."""
        session, menu = self._session, self.menu
        menu.clear()
        if not session.piece_id:
            menu.addAction("Measure a piece first").setEnabled(False)
            return
        items = self._items()
        for kind, text in FOR_SEVERAL if len(items) > 1 else ():
            menu.addAction(text).triggered.connect(partial(self._wish, kind))
        ledge = session.ledge
        for kind, text in FOR_EACH if items else ():
            if ledge is not None or "{}" not in text:
                shown = text.format(ledge.label if ledge is not None else "")
                menu.addAction(shown).triggered.connect(partial(self._wish, kind))
        if not items:
            menu.addAction("Mark a thing first, several with shift and click").setEnabled(False)
        wishes = [wish for wish in session.piece.wishes if not items or set(items) & set(wish.items)]
        if wishes:
            menu.addSeparator()
            for wish in wishes:
                text = f"Let go: {said(wish, session.plan, session.piece)}"
                menu.addAction(text).triggered.connect(partial(self._drop, wish))

    def _wish(self, kind: WishKind, _: bool = False) -> None:
        session, items = self._session, self._items()
        ledges = (session.ledge_id,) if kind in ("only-on", "never-on") else ()
        wish = Wish(kind=kind, items=items, ledges=ledges)
        if session.commit(AddWish(piece=session.piece_id, wish=wish)):
            session.told.emit(f"Wished: {capital(said(wish, session.plan, session.piece))}. Proposals keep to it.")

    def _drop(self, wish: Wish, _: bool = False) -> None:
        self._session.commit(DropWish(piece=self._session.piece_id, wish=wish))

    def pop_up(self) -> None:
        """Open the list under its chip."""
        self.button.showMenu()
