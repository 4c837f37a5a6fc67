"""The shopping list: what is sought, how many, for how much, with which discount, and what is left."""

from collections.abc import Callable
from decimal import Decimal

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QTableWidgetItem, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.plain_table import fill_row, plain_table
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.model.errors import EditError, JollyLedgeError
from jolly_ledge.model.families import name_of
from jolly_ledge.model.money import discount_of, money, price_of, typed
from jolly_ledge.planning.shopping import ShoppingLine, ShoppingList, discount_said, shopping_list
from jolly_ledge.workspace.workspace import Workspace

COLUMNS = ("Thing", "About", "How many", "Each", "Discount", "Original", "Comes to", "For")
WIDTHS = (170, 210, 76, 76, 96, 80, 90, 130)
HOW_MANY, EACH, DISCOUNT, ORIGINAL = 2, 3, 4, 5
READERS: dict[int, tuple[str, Callable[[str], object]]] = {
    EACH: ("price", price_of), DISCOUNT: ("discount", discount_of), ORIGINAL: ("original_price", price_of),
}  # fmt: skip


def _count(text: str) -> int:
    if not (text.isascii() and text.isdigit() and 1 <= int(text) <= 10_000):
        raise EditError(f"“{text}” is no count; type a whole number such as 6.")
    return int(text)


class ShoppingPage(QWidget):
    """A table that is typed into, with the sums under it."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._lines: tuple[ShoppingLine, ...] = ()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        self.only_look = chip("Only for this look", "Leave out what no thing of the look in hand needs")
        self.only_look.clicked.connect(lambda _: self.refresh())
        column.addWidget(self.only_look, 0, Qt.AlignmentFlag.AlignLeft)
        self.table = plain_table(COLUMNS, WIDTHS, name="What is to be bought", row_height=32, typed_into=True)
        self.table.itemChanged.connect(self._typed)
        column.addWidget(self.table, 1)
        self.sums = words("")
        self.left = words("", "good")
        self.unpriced = words("", "small")
        for label in (self.sums, self.left, self.unpriced):
            column.addWidget(label)

    @property
    def told(self) -> ShoppingList:
        """The list as it is shown."""
        workspace = self._workspace
        return shopping_list(
            workspace.plan, [workspace.look] if self.only_look.isChecked() and workspace.look_id else None
        )

    def refresh(self) -> None:
        """Show what is to be bought."""
        workspace, told = self._workspace, self.told
        currency = workspace.plan.currency
        self._lines = told.lines
        self.table.blockSignals(True)
        self.table.setRowCount(len(told.lines))
        for row, line in enumerate(told.lines):
            fill_row(self.table, row, self._cells(line, currency))
            for index in range(len(COLUMNS)):
                flags = Qt.ItemFlag.ItemIsEnabled | Qt.ItemFlag.ItemIsSelectable
                if index in READERS or index == HOW_MANY:
                    flags |= Qt.ItemFlag.ItemIsEditable
                cell = self.table.item(row, index)
                assert cell is not None
                cell.setFlags(flags)
        self.table.blockSignals(False)
        self._show_sums(told, currency)

    def _cells(self, line: ShoppingLine, currency: str) -> tuple[str, ...]:
        item, workspace = line.item, self._workspace
        sizes = " × ".join(workspace.length(side).split()[0] for side in (item.width, item.height, item.depth))
        colour = name_of(item.main_colour, workspace.plan.families)
        looks = ", ".join(workspace.plan.look(look).label for look in line.looks)
        return (
            item.label, f"{sizes} {workspace.length_unit}, {item.finish}, {colour}", str(item.count), typed(item.price),
            discount_said(item), typed(item.original_price), money(line.cost, currency) or "not told",
            looks or "no look yet",
        )  # fmt: skip

    def _show_sums(self, told: ShoppingList, currency: str) -> None:
        plan = self._workspace.plan
        if not told.lines:
            self.sums.setText("Nothing is to be bought. What is wanted (H in Arrange) comes here when it is noted.")
            self.left.setText("")
            self.unpriced.setText("")
            return
        parts = [f"{plan.look(look).label} {money(total.cost, currency)}" for look, total in told.by_look]
        saved = f", {money(told.total.saved, currency)} saved" if told.total.saved else ""
        spared = f"; {money(told.total.spared, currency)} not spent on originals" if told.total.spared else ""
        by_look = f" ({'; '.join(parts)})" if parts else ""
        self.sums.setText(f"Together {money(told.total.cost, currency)}{saved}{spared}{by_look}.")
        self.left.setText(_left(told.budget, told.left, currency))
        self.left.setObjectName("finding" if told.left is not None and told.left < 0 else "good")
        self.left.style().polish(self.left)
        lacking = ", ".join(told.total.unpriced)
        self.unpriced.setText(f"Without a price yet, and in no sum: {lacking}." if lacking else "")

    def _typed(self, cell: QTableWidgetItem) -> None:
        line, text = self._lines[cell.row()], cell.text().strip()
        try:
            if cell.column() == HOW_MANY:
                field, value = "count", _count(text)
            else:
                field, read = READERS[cell.column()]
                value = read(text)  # type: ignore[assignment]
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            self.refresh()
            return
        item = line.item
        if getattr(item, field) == value:
            self.refresh()
        else:
            self._workspace.commit(ChangeItem(item=item.id, changes=((field, value),), name=item.label))


def _left(budget: Decimal | None, left: Decimal | None, currency: str) -> str:
    if budget is None or left is None:
        return "No budget is told; type one in Brief."
    if left < 0:
        return f"{money(-left, currency)} over the budget of {money(budget, currency)}."
    return f"{money(left, currency)} left of {money(budget, currency)}."
