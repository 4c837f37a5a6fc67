"""Gather: everything at hand, to scale, on floor lines."""

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QHBoxLayout, QLineEdit, QPushButton, QScrollArea

from jolly_ledge.app.panels.item_panel import ItemPanel
from jolly_ledge.app.scene.line_up import LineUp
from jolly_ledge.app.session import Session
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.model.edits.edit import fresh_id
from jolly_ledge.model.edits.items import AddItems
from jolly_ledge.model.item import Item
from jolly_ledge.model.stash_order import Sorting, fits, lines_of, matches

SORTING_CHOICES = (
    ("height", "By height", "Tallest first"),
    ("kind", "By kind", "Books, vessels, plants"),
    ("family", "By colour", "By colour family, as it appears"),
    ("room", "By room", "Where things live"),
)


class GatherStep(Step):
    """The page on which the stash is laid out and described."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self._sorting: Sorting = "height"
        self.column.addLayout(self._tools())
        self.line_up = LineUp(session)
        self.area = QScrollArea()
        self.area.setWidgetResizable(True)
        self.area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.area.setWidget(self.line_up)
        self.area.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.column.addWidget(self.area, 1)
        self.note = words("", "soft")
        self.column.addWidget(self.note)
        self.panel = ItemPanel(session)
        self.row.addWidget(self.panel)
        self.line_up.asked_for.connect(lambda _: self.panel.name_field.setFocus())
        self.shortcut("Ctrl+N", self.add)
        self.shortcut("Ctrl+D", self.panel.duplicate)
        self.shortcut("Ctrl+F", self.search.setFocus)
        self.shortcut("Delete", self.panel.remove, self.line_up)
        self.follow(self.refresh, session.changed)
        session.chosen.connect(self._show_chosen)

    def _tools(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(6)
        self.sorting = ChipRow(SORTING_CHOICES, self._sort)
        self.sorting.show_choice("height")
        self.fits_chip = chip("Only what fits", "Show only what fits the ledge in hand")
        self.fits_chip.toggled.connect(lambda _: self.refresh())
        self.search = QLineEdit()
        self.search.setPlaceholderText("Search the stash")
        self.search.setClearButtonEnabled(True)
        self.search.setMinimumWidth(150)
        self.search.textChanged.connect(lambda _: self.refresh())
        self.add_button = QPushButton("Add a thing")
        self.add_button.setObjectName("primary")
        self.add_button.setMinimumHeight(28)
        self.add_button.setToolTip("Add a thing to the stash (Ctrl+N)")
        self.add_button.clicked.connect(self.add)
        row.addWidget(self.sorting)
        row.addWidget(self.fits_chip)
        row.addStretch(1)
        self.head.addWidget(self.search, 2)
        self.head.addWidget(self.add_button)
        return row

    def _sort(self, sorting: str) -> None:
        self._sorting = sorting  # type: ignore[assignment]
        self.refresh()

    def shown_items(self) -> tuple[Item, ...]:
        """Return what the search and the filter leave."""
        ledge = self.session.ledge
        only = self.fits_chip.isChecked() and ledge is not None
        return tuple(
            item
            for item in self.session.plan.stash
            if matches(item, self.search.text()) and (not only or (ledge is not None and fits(item, ledge)))
        )

    def refresh(self) -> None:
        """Show the stash as it is sorted and searched."""
        items = self.shown_items()
        self.line_up.show_shelves(lines_of(items, self._sorting))
        whole = len(self.session.plan.stash)
        ledge = self.session.ledge
        self.fits_chip.setToolTip(f"Show only what fits {ledge.label}" if ledge else "No ledge is in hand")
        if not whole:
            self.note.setText("Nothing is gathered yet: add what you own, with its height first.")
        elif not items:
            self.note.setText("Nothing matches; clear the search or show what does not fit too.")
        else:
            self.note.setText(self._census(items))

    def _census(self, items: tuple[Item, ...]) -> str:
        """Say in one sentence which heights the openings want and the stash lacks."""
        session = self.session
        openings = [ledge.clearance for ledge in session.piece.ledges if ledge.clearance] if session.piece_id else []
        if not openings:
            return f"{len(items)} things."
        tallest = max(openings)
        low, high = tallest * 0.55, tallest * 0.9
        wanting = sum(1 for clearance in openings if clearance > 0.9 * tallest)
        having = sum(1 for item in session.plan.stash if low <= item.height <= high)
        return (
            f"{len(items)} of {len(session.plan.stash)} things shown. The tallest openings ({wanting} "
            f"of about {session.length(tallest)}) "
            f"want something {session.length(low)} to {session.length(high)} high; {having} things are."
        )

    def _show_chosen(self) -> None:
        cell = self.line_up.cell_of(self.session.item_id)
        if not cell.isEmpty() and self.isVisible():
            self.area.ensureVisible(round(cell.center().x()), round(cell.center().y()), 10, round(cell.height() / 2))
        if self.fits_chip.isChecked():
            self.refresh()

    def add(self) -> None:
        """Add a thing with plain starting values and take it in hand."""
        session = self.session
        taken = {item.id for item in session.plan.stash}
        item = Item(
            id=fresh_id("new thing", taken),
            name="new thing",
            category="object",
            width=120.0,
            height=150.0,
            depth=120.0,
        )
        if session.commit(AddItems(items=(item,))):
            self.search.clear()
            session.choose_item(item.id)
            self.panel.name_field.setFocus()
            self.panel.name_field.selectAll()
