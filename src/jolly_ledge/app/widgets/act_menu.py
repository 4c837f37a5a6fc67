"""The menu under the right button: what can be done with what lies under it, with its keys."""

from collections.abc import Callable, Iterable
from typing import Literal

from msgspec import Struct
from PySide6.QtGui import QAction, QKeySequence
from PySide6.QtWidgets import QMenu, QWidget

On = Literal["thing", "several", "ledge", "look"]


def always() -> str:
    """Return no reason against it."""
    return ""


class Act(Struct, frozen=True):
    """One thing that can be done: to a thing, to several at once, on the ledge in hand or with the look.

    ``why_not`` returns why it does not apply now, empty where it does. What has no ``label`` is done by keys alone.
    """

    label: str
    keys: str
    on: On
    run: Callable[[], object]
    why_not: Callable[[], str] = always
    parts_from_above: bool = False
    """Whether a line parts it from what stands before it in a menu."""


class ActMenu(QMenu):
    """Lists acts; what does not apply says why on its tip."""

    def __init__(self, parent: QWidget, acts: Iterable[Act]) -> None:
        super().__init__(parent)
        self._acts = tuple(act for act in acts if act.label)
        self.setToolTipsVisible(True)

    def show_for(self, on: On, head: str) -> None:
        """List what can be done on something that is named: what goes for one thing goes for several as well."""
        self.clear()
        self.addAction(head).setEnabled(False)
        self.addSeparator()
        listed = {"several": ("thing", "several"), "ledge": ("ledge", "look")}.get(on, (on,))
        for act in self._acts:
            if act.on in listed:
                self._add(act)

    def show_all(self, head: str) -> None:
        """List all that can be done with what is named."""
        self.clear()
        self.addAction(head.replace("&", "&&")).setEnabled(False)
        self.addSeparator()
        for act in self._acts:
            self._add(act)

    def _add(self, act: Act) -> None:
        if act.parts_from_above:
            self.addSeparator()
        made = QAction(act.label, self)
        if act.keys:
            made.setShortcut(QKeySequence(act.keys))
            # The keys are heard on the drawing already; here they are only shown.
            made.setShortcutVisibleInContextMenu(True)
        reason = act.why_not()
        made.setEnabled(not reason)
        made.setToolTip(reason or act.label)
        made.triggered.connect(lambda _=False: act.run())
        self.addAction(made)
