"""The buttons of a card or a row as the menu under the right button."""

from PySide6.QtCore import QPoint
from PySide6.QtWidgets import QAbstractButton, QMenu, QWidget


def own_menu(widget: QWidget, head: str) -> QMenu:
    """Return a menu of what the visible buttons of a widget do; what does not apply says why on its tip."""
    menu = QMenu(widget)
    menu.setToolTipsVisible(True)
    menu.addAction(head.replace("&", "&&")).setEnabled(False)
    menu.addSeparator()
    for button in widget.findChildren(QAbstractButton):
        if button.isVisibleTo(widget) and button.text():
            made = menu.addAction(" ".join(button.text().split()), button.click)
            made.setEnabled(button.isEnabled())
            made.setToolTip(button.toolTip() or made.text())
    return menu


def pop_up(menu: QMenu, at: QPoint) -> None:
    """Open a menu at a point of the screen; it goes when it is left."""
    menu.aboutToHide.connect(menu.deleteLater)
    menu.popup(at)
