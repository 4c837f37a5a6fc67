"""Gather: quick lines, pictures and lists fill the stash; everything stands in a line-up, to scale."""

from pathlib import Path
from typing import TYPE_CHECKING

from PySide6.QtCore import QPoint, Qt
from PySide6.QtGui import QDragEnterEvent, QDropEvent
from PySide6.QtWidgets import (
    QHBoxLayout,
    QLineEdit,
    QMenu,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.steps.gather.acts import acts_of
from jolly_ledge.app.steps.gather.census_note import CensusNote
from jolly_ledge.app.steps.gather.gather_pages import TABLE_SUFFIXES, GatherPages
from jolly_ledge.app.steps.gather.gather_side import GatherSide
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.views.line_up.line_up import LineUp
from jolly_ledge.app.widgets.act_menu import ActMenu
from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.app.widgets.entry_field import EntryField
from jolly_ledge.edits.items import AddItems, RemoveItems
from jolly_ledge.edits.regroup import joined_with, moved_to_group, renamed_group
from jolly_ledge.model.entry.parser import QuickEntry
from jolly_ledge.model.entry.typical import unnamed_thing
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.stash_order import SORTINGS, Sorting, StashSearch, fits, lines_of
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    from jolly_ledge.app.steps.gather.item_panel import ItemPanel


class GatherStep(Step):
    """The page on which the stash is filled, laid out and described."""

    def __init__(self, host: QWidget, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__(host, workspace)
        self._sorting: Sorting = "height"
        self._shown: tuple[object, ...] = ()
        self._search = StashSearch(workspace.plan.stash)
        self._census = CensusNote(workspace)
        self.head.setSpacing(8)
        self.entry = EntryField(workspace)
        self.line_up = LineUp(workspace)
        self.pages = GatherPages(workspace, dialogs)
        self.pages.addWidget(self._line_up_page())
        self.column.addWidget(self.pages, 1)
        self._head_tools()
        self.side = GatherSide(self, workspace)
        self.row.addWidget(self.side)
        self.beside = self.side
        self.setAcceptDrops(True)
        self._connect()
        self.follow(self.refresh, workspace.signals.changed)
        self.follow(self._show_chosen, workspace.signals.chosen)

    @property
    def panel(self) -> "ItemPanel":
        """The panel for the thing in hand."""
        return self.side.panel

    def _line_up_page(self) -> QWidget:
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.entry)
        column.addLayout(self._tools())
        self.area = QScrollArea()
        self.area.setWidgetResizable(True)
        self.area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.area.setWidget(self.line_up)
        self.area.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        column.addWidget(self.area, 1)
        self.note = self._census.label
        column.addWidget(self.note)
        return page

    def _tools(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(6)
        self.sorting = ChipRow(SORTINGS, self._sort)
        self.sorting.show_choice("height")
        self.fits_chip = chip("Only what fits", "Show only what fits the ledge in hand")
        self.fits_chip.toggled.connect(lambda _: self.refresh())
        self.guessed_chip = chip("To measure", "Show only things with guessed sizes")
        self.guessed_chip.toggled.connect(lambda _: self.refresh())
        row.addWidget(self.sorting, 1)
        row.addWidget(self.fits_chip)
        row.addWidget(self.guessed_chip)
        return row

    def _head_tools(self) -> None:
        self.search = QLineEdit()
        self.search.setPlaceholderText("Search the stash")
        self.search.setAccessibleName("Search the stash")
        self.search.setClearButtonEnabled(True)
        self.search.setMinimumWidth(130)
        self.search.textChanged.connect(lambda _: self.refresh())
        pages = self.pages
        self.bring_button = _menu_button("Bring in ▾", "Many things at once")
        self.bring_menu = QMenu(self)
        self.bring_menu.addAction("Photographs, one thing each", pages.show_pictures)
        self.bring_menu.addAction("Many things from one photograph", pages.show_laid_out)
        self.bring_menu.addAction("A table from a file", pages.ask_table)
        self.bring_menu.addAction("A list, typed or pasted", pages.show_list)
        self.bring_menu.addSeparator()
        self.bring_menu.addAction("One thing, by its form", self.add)
        self.bring_button.setMenu(self.bring_menu)
        self.tidy_button = _menu_button("Tidy ▾", "Colour families, duplicates, the stash as a file")
        self.tidy_menu = QMenu(self)
        self.tidy_menu.addAction("Colour families", pages.show_families)
        self.tidy_menu.addAction("Entered twice?", pages.show_twins)
        self.tidy_menu.addSeparator()
        self.tidy_menu.addAction("Write the stash to a file", pages.ask_export)
        self.tidy_button.setMenu(self.tidy_menu)
        self.head.addWidget(self.search, 2)
        self.entry.row.addWidget(self.bring_button)
        self.head.addWidget(self.tidy_button)

    def _connect(self) -> None:
        workspace = self.workspace
        self.entry.entered.connect(self._enter)
        self.entry.listed.connect(self.pages.show_list)
        self.pages.currentChanged.connect(self._page_changed)
        self.acts = acts_of(self)
        self.menu = ActMenu(self, self.acts)
        self.line_up.menu_asked.connect(self._show_menu)
        self.line_up.asked_for.connect(lambda _: self.acts[0].run())
        self.line_up.dropped_on_thing.connect(
            lambda ids, over: workspace.commit(joined_with(workspace.plan, ids, over))
        )
        self.line_up.dropped_on_group.connect(self._regroup)
        self.line_up.group_named.connect(self._name_group)
        # The area learns how high the boards are only when it lays out anew.
        self.line_up.looked_nearer.connect(self._bring_in_sight, Qt.ConnectionType.QueuedConnection)
        self.shortcut("Ctrl+N", self.entry.line.setFocus, said="Write down the next thing")
        self.shortcut("Ctrl+R", self.entry.repeat, said="The last thing once more")
        self.shortcut("Ctrl+F", self.search.setFocus, said="Search the stash")
        for act in self.acts:
            if act.keys:
                self.shortcut(act.keys, act.run, self.line_up if act.keys == "Delete" else None, act.label)

    def hear_keys(self) -> None:
        """Be ready for the first line where nothing is gathered."""
        if self.workspace.plan.stash:
            super().hear_keys()
        else:
            self.entry.line.setFocus()

    def _show_menu(self, at: QPoint) -> None:
        """List what can be done with what is chosen."""
        items = self.workspace.chosen_items
        self.menu.show_all(items[0].label if len(items) == 1 else counted(len(items), "thing"))
        self.menu.popup(at)

    def dragEnterEvent(self, event: QDragEnterEvent) -> None:
        """Take files that are carried over the window."""
        if event.mimeData().hasUrls():
            event.acceptProposedAction()

    def dropEvent(self, event: QDropEvent) -> None:
        """Read dropped photographs, or show what a dropped table would do."""
        paths = tuple(Path(url.toLocalFile()) for url in event.mimeData().urls() if url.isLocalFile())
        if len(paths) == 1 and paths[0].suffix.lower() in TABLE_SUFFIXES:
            self.pages.show_table(paths[0])
        elif paths:
            self.pages.take_pictures(paths)

    def _page_changed(self, index: int) -> None:
        on_line_up = index == 0
        self.side.setVisible(on_line_up)
        for widget in (self.search, self.tidy_button):
            widget.setVisible(on_line_up)

    def _sort(self, sorting: str) -> None:
        self._sorting = sorting  # type: ignore[assignment]
        self.refresh()
        self.area.verticalScrollBar().setValue(0)

    # What is shown

    def shown_items(self) -> tuple[Item, ...]:
        """Return what the search and the filters leave."""
        ledge = self.workspace.ledge if self.workspace.piece_id else None
        if self._search.stash is not self.workspace.plan.stash:
            self._search = StashSearch(self.workspace.plan.stash)
        found = self._search.found(self.search.text())
        if self.fits_chip.isChecked() and ledge is not None:
            found = tuple(item for item in found if fits(item, ledge))
        return tuple(item for item in found if item.guessed) if self.guessed_chip.isChecked() else found

    def refresh(self) -> None:
        """Show the stash as it is sorted and searched."""
        workspace = self.workspace
        items = self.shown_items()
        shown = (items, self._sorting, workspace.plan.families)
        if shown != self._shown:
            self._shown = shown
            self.line_up.takes_groups = self._sorting != "height"
            self.line_up.show_shelves(lines_of(items, self._sorting, workspace.plan.families))
        ledge = workspace.ledge if workspace.piece_id else None
        self.fits_chip.setToolTip(f"Show only what fits {ledge.label}" if ledge else "No ledge is in hand")
        guessed = sum(1 for item in workspace.plan.stash if item.guessed)
        self.guessed_chip.setText(f"To measure ({guessed})" if guessed else "To measure")
        self.guessed_chip.setEnabled(bool(guessed) or self.guessed_chip.isChecked())
        self._census.show_count(len(items))
        self.side.refresh()

    def _show_chosen(self) -> None:
        if self.isVisible() and len(self.workspace.item_ids) < 2:
            self._bring_in_sight(self.workspace.item_id)
        if self.fits_chip.isChecked():
            self.refresh()
        self.side.refresh()

    def _bring_in_sight(self, item_id: str) -> None:
        cell = self.line_up.cell_of(item_id)
        if not cell.isEmpty():
            self.area.ensureVisible(round(cell.center().x()), round(cell.center().y()), 10, round(cell.height() / 2))

    # Changing

    def _enter(self, entry: QuickEntry) -> None:
        """Add what a line described and take it in hand."""
        if self.workspace.commit(AddItems(items=entry.items)):
            self._show_all()
            self.workspace.choose_items(tuple(item.id for item in entry.items))
            self._bring_in_sight(self.workspace.item_id)

    def _show_all(self) -> None:
        self.search.clear()
        self.fits_chip.setChecked(False)
        self.guessed_chip.setChecked(False)

    def _regroup(self, ids: tuple[str, ...], title: str) -> None:
        edit = moved_to_group(self.workspace.plan, ids, self._sorting, title)
        if edit is not None:
            self.workspace.commit(edit)

    def _name_group(self, title: str, name: str) -> None:
        """Call a group otherwise, for all things in it."""
        if name == title:
            return
        edit = renamed_group(self.workspace.plan, self._sorting, title, name)
        if edit is not None:
            self.workspace.commit(edit)
        else:
            self.workspace.signals.refused.emit(
                f"“{title}” is no name of yours; drag things to another group, or choose their kind in the panel."
            )

    def remove(self) -> None:
        """Take what is chosen out of the stash."""
        items = self.workspace.chosen_items
        if items:
            self.workspace.commit(RemoveItems(items=tuple(item.id for item in items), name=items[0].label))

    def add(self) -> None:
        """Add a thing with plain starting values and take it in hand."""
        workspace = self.workspace
        item = unnamed_thing({item.id for item in workspace.plan.stash})
        if workspace.commit(AddItems(items=(item,))):
            self._show_all()
            workspace.choose_item(item.id)
            self.panel.name_field.setFocus()
            self.panel.name_field.selectAll()


def _menu_button(text: str, tip: str) -> QPushButton:
    button = QPushButton(text)
    button.setMinimumHeight(28)
    button.setToolTip(tip)
    button.setStyleSheet("QPushButton::menu-indicator { width: 0; image: none; }")
    return button
