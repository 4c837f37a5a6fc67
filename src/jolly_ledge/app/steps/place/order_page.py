"""The working order: every step with its figures, or the fewest carries from another look."""

from PySide6.QtWidgets import (
    QComboBox,
    QHBoxLayout,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.views.look.look_view import LookView
from jolly_ledge.app.widgets.plain_table import fill_row, plain_table
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.cautions.register import CLOSING
from jolly_ledge.drawing.sheet import figure_said, into_said
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.planning.working_order import PlacingStep, working_order
from jolly_ledge.workspace.workspace import Workspace

COLUMNS = ("", "Thing", "Fetch from", "Ledge", "Along", "In", "Stands on")
COLUMN_WIDTHS = (36, 130, 98, 120, 120, 120, 100)


class OrderPage(QWidget):
    """The numbered drawing beside the table of steps."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self.workspace = workspace
        self.steps: tuple[PlacingStep, ...] = ()
        self._carried: tuple[str, ...] = ()
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(0, 0, 0, 0)
        self.summary = words("", "soft")
        line = QHBoxLayout()
        line.addWidget(self.summary, 1)
        line.addWidget(words("Begin with", "soft", wrap=False))
        self.before_list = QComboBox()
        self.before_list.setAccessibleName("What stands there now")
        self.before_list.setToolTip("What stands there now: an empty piece, or another look to change over from")
        self.before_list.setMinimumHeight(28)
        self.before_list.activated.connect(lambda _: self.refresh())
        line.addWidget(self.before_list)
        self.column.addLayout(line)
        middle = QHBoxLayout()
        middle.setSpacing(12)
        self.view = LookView(workspace)
        self.view.overlays = {"numbers"}
        self.view.setMinimumWidth(260)
        middle.addWidget(self.view, 4)
        self.table = plain_table(COLUMNS, COLUMN_WIDTHS, name="The working order")
        self.table.itemSelectionChanged.connect(self._choose_row)
        self.carries = plain_table(("", "What is done"), (36, 500), name="The carries from another look")
        self.carries.itemSelectionChanged.connect(self._choose_carry)
        self.tables = QStackedWidget()
        self.tables.addWidget(self.table)
        self.tables.addWidget(self.carries)
        middle.addWidget(self.tables, 11)
        self.column.addLayout(middle, 1)
        self.column.addWidget(
            words(f"Figures run from the edge that is named to the nearest edge of the thing. {CLOSING}", "small")
        )

    def _list_looks(self) -> None:
        """List what may stand there now, and keep what was chosen where it is still there."""
        workspace, chosen = self.workspace, self.before_list.currentData()
        self.before_list.clear()
        self.before_list.addItem("an empty piece", "")
        for look in workspace.plan.looks_of(workspace.piece_id) if workspace.piece_id else ():
            if look.id != workspace.look_id and look.placements:
                self.before_list.addItem(look.label, look.id)
        self.before_list.setCurrentIndex(max(self.before_list.findData(chosen), 0))

    def _show_carries(self, before: str) -> None:
        """Show the fewest carries from another look to the one in hand."""
        # The search for the fewest carries brings its solver with it; it waits until somebody asks.
        from jolly_ledge.texts.wanted import change_over

        workspace = self.workspace
        try:
            told = change_over(workspace.plan, workspace.plan.look(before), workspace.look, unit=workspace.length_unit)
        except JollyLedgeError as error:
            self.summary.setText(str(error))
            self.carries.setRowCount(0)
            return
        self._carried = tuple(carry["item"] for carry in told.value["carries"])
        rooms = [
            f"{word} {room}: {', '.join(names)}"
            for word, key in (("to", "goes_to"), ("from", "comes_from"))
            for room, names in told.value[key].items()
        ]
        self.carries.setRowCount(len(self._carried))
        for row, carry in enumerate(told.value["carries"]):
            fill_row(self.carries, row, (str(row + 1), carry["sentence"]))
        self.summary.setText(told.text.split("\n", 1)[0])
        self.summary.setToolTip("\n".join(rooms))

    def _choose_carry(self) -> None:
        rows = sorted({index.row() for index in self.carries.selectedIndexes()})
        items = {self._carried[row] for row in rows}
        self.workspace.choose(*[s.id for s in self.workspace.arrangement.placed_items if s.item.id in items])

    def refresh(self) -> None:
        """Show the working order of the look in hand."""
        workspace = self.workspace
        self._list_looks()
        before = self.before_list.currentData()
        self.tables.setCurrentWidget(self.carries if before else self.table)
        self.summary.setToolTip("")
        # The numbers are those of the placing order; the carries of a change-over have their own.
        self.view.show_overlay("numbers", not before)
        self.steps = working_order(workspace.arrangement) if workspace.look_id else ()
        rooms = sorted({step.room for step in self.steps if step.room})
        self.table.blockSignals(True)
        self.table.setRowCount(len(self.steps))
        for row, step in enumerate(self.steps):
            cells = self._cells(step)
            tips = [" · ".join(word for word in (text, step.how, step.note) if word) for text in cells]
            fill_row(self.table, row, [_short(text) for text in cells], tips)
        self.table.blockSignals(False)
        self.table.fit_columns()
        if before:
            self._show_carries(before)
        elif self.steps:
            self.summary.setText(
                f"{capital(counted(len(self.steps), 'thing'))} {_fetched_from(len(rooms))}, ledge by ledge "
                "from the top down; what carries comes before what it carries."
            )
        else:
            self.summary.setText("Nothing to place yet: arrange the look first.")

    def _cells(self, step: PlacingStep) -> tuple[str, ...]:
        unit = self.workspace.length_unit
        name = f"{step.name} ({step.how})" if step.how else step.name
        return (
            str(step.number),
            name,
            step.room or "not told",
            step.ledge,
            figure_said(step.along, unit),
            into_said(step, unit),
            step.support,
        )

    def _choose_row(self) -> None:
        rows = {index.row() for index in self.table.selectedIndexes()}
        self.workspace.choose(*[self.steps[row].placement for row in sorted(rows)])


def _short(figure: str) -> str:
    """Return a figure as it fits into a column; the tip tells it whole.

    >>> _short("12.3 from left end"), _short("5 from front edge")
    ('12.3 from left', '5 from front')
    """
    return figure.replace(" left end", " left").replace(" right end", " right").replace(" front edge", " front")


def _fetched_from(rooms: int) -> str:
    return f"from {counted(rooms, 'room')}" if rooms else "whose rooms are not told"
