"""Brief: what the piece is for, who lives with it, and the manner in which it is made."""

from PySide6.QtCore import Qt
from PySide6.QtWidgets import (
    QHBoxLayout,
    QLineEdit,
    QPlainTextEdit,
    QScrollArea,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.steps.brief.emphasis_page import EmphasisPage
from jolly_ledge.app.steps.brief.follow_page import FollowPage
from jolly_ledge.app.steps.brief.household_panel import HouseholdPanel
from jolly_ledge.app.steps.brief.kit_panel import KitPanel
from jolly_ledge.app.steps.brief.manner_panel import HABITS, SCHOOLS, MannerPanel
from jolly_ledge.app.steps.brief.palette_panel import PalettePanel
from jolly_ledge.app.steps.brief.tasks_panel import TasksPanel
from jolly_ledge.app.steps.brief.taste_panel import TastePanel
from jolly_ledge.app.steps.brief.uses_panel import UsesPanel
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.views.thumbnail import Thumbnail
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.show_text import show_text
from jolly_ledge.app.widgets.texts import BoardLine, heading, question, words
from jolly_ledge.edits.looks import RenamePlan, SetBudget
from jolly_ledge.edits.pieces import ChangePiece
from jolly_ledge.model.errors import MoneyError
from jolly_ledge.model.money import currency_in, price_of, typed
from jolly_ledge.workspace.workspace import Workspace

MOST_FAMILIES = 4
SIDE_WIDTH = 344


class BriefStep(Step):
    """The page on which the work begins."""

    def __init__(self, host: QWidget, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__(host, workspace)
        self._dialogs = dialogs
        self.pages = QStackedWidget()
        self.column.addWidget(self.pages, 1)
        area = QScrollArea()
        area.setWidgetResizable(True)
        area.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        inside = QWidget()
        self._page = QVBoxLayout(inside)
        self._page.setContentsMargins(0, 0, 6, 0)
        self._page.setSpacing(6)
        area.setWidget(inside)
        self.pages.addWidget(area)
        self._emphasis: EmphasisPage | None = None
        self._follow: FollowPage | None = None
        self._fill()
        self.beside = self._side()
        self.row.addWidget(self.beside)
        self.follow(self.refresh, workspace.signals.changed)

    def _fill(self) -> None:
        page, workspace = self._page, self.workspace
        page.addWidget(question("What is it for, and how should it feel?", 16))
        self.purpose = QPlainTextEdit()
        self.purpose.setAccessibleName("What the piece is for")
        self.purpose.setFixedHeight(58)
        self.purpose.setTabChangesFocus(True)
        self.purpose.setPlaceholderText("What the piece is for, who sees it, what it should say")
        self.purpose.textChanged.connect(self._set_purpose)
        page.addWidget(self.purpose)
        self.uses = UsesPanel(workspace)
        page.addWidget(self.uses)
        self.tasks = TasksPanel(workspace)
        page.addWidget(self.tasks)
        self.kit = KitPanel(workspace)
        page.addWidget(self.kit)
        self._section("The manner")
        self.schools = MannerPanel(workspace, SCHOOLS)
        page.addWidget(self.schools)
        self.manner_note = words("", "soft")
        page.addWidget(self.manner_note)
        self._section("Palette")
        self.palette_panel = PalettePanel(workspace)
        page.addWidget(self.palette_panel)
        self._section("Habits")
        self.habits = MannerPanel(workspace, HABITS)
        page.addWidget(self.habits)
        self.emphasis_button = chip("What counts more", "How much every reading weighs in this manner", checkable=False)
        self.emphasis_button.clicked.connect(self.show_emphasis)
        self.follow_button = chip(
            "Follow a picture", "Measure the manner of an arrangement in a picture", checkable=False
        )
        self.follow_button.clicked.connect(self.show_follow)
        row = QHBoxLayout()
        row.addWidget(self.emphasis_button)
        row.addWidget(self.follow_button)
        row.addStretch(1)
        page.addLayout(row)
        page.addStretch(1)
        self.shortcut("Esc", self.show_brief)

    @property
    def emphasis(self) -> EmphasisPage:
        """The page on which readings are made to count more or less, made when first asked for."""
        if self._emphasis is None:
            self._emphasis = EmphasisPage(self.workspace, self.show_brief)
            self.pages.addWidget(self._emphasis)
            self._emphasis.refresh()
        return self._emphasis

    @property
    def follow_page(self) -> FollowPage:
        """The page on which a picture is measured, made when first asked for."""
        if self._follow is None:
            self._follow = FollowPage(self.workspace, self._dialogs, self.show_brief)
            self.pages.addWidget(self._follow)
        return self._follow

    def show_follow(self) -> None:
        """Show a picture to follow."""
        self.pages.setCurrentWidget(self.follow_page)

    def show_emphasis(self) -> None:
        """Show how much every reading counts."""
        self.pages.setCurrentWidget(self.emphasis)

    def show_brief(self) -> None:
        """Go back from there."""
        self.pages.setCurrentIndex(0)

    def _section(self, title: str) -> None:
        self._page.addWidget(heading(title, 16))
        self._page.addWidget(BoardLine())

    def _side(self) -> QWidget:
        side = QWidget()
        side.setObjectName("sidePanel")
        side.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        side.setFixedWidth(SIDE_WIDTH)
        column = QVBoxLayout(side)
        column.setContentsMargins(16, 14, 14, 12)
        column.setSpacing(8)
        column.addWidget(heading("The plan", 16))
        column.addWidget(BoardLine())
        self.plan_name = QLineEdit()
        self.plan_name.setAccessibleName("Name of the plan")
        self.plan_name.setPlaceholderText("Name of the plan")
        self.plan_name.editingFinished.connect(self._rename_plan)
        line = QHBoxLayout()
        line.addWidget(self.plan_name, 3)
        self.budget = QLineEdit()
        self.budget.setAccessibleName("Budget")
        self.budget.setPlaceholderText("Budget")
        self.budget.setToolTip("What may be spent on what is wanted; leave it empty where nothing is set")
        self.budget.editingFinished.connect(self._set_budget)
        line.addWidget(self.budget, 1)
        column.addLayout(line)
        column.addWidget(heading("The household", 16))
        column.addWidget(BoardLine())
        self.household = HouseholdPanel(self.workspace)
        column.addWidget(self.household)
        column.addWidget(heading("Tastes", 16))
        column.addWidget(BoardLine())
        self.tastes = TastePanel(self.workspace)
        column.addWidget(self.tastes)
        column.addWidget(heading("The look in hand", 16))
        column.addWidget(BoardLine())
        self.thumbnail = Thumbnail(self.workspace)
        column.addWidget(self.thumbnail, 1)
        return side

    def refresh(self) -> None:
        """Show the brief of the look in hand."""
        workspace = self.workspace
        if not workspace.look_id:
            return
        show_text(self.purpose, workspace.piece.purpose)
        if not self.plan_name.hasFocus():
            self.plan_name.setText(workspace.plan.name)
        if not self.budget.hasFocus():
            self.budget.setText(f"{typed(workspace.plan.budget)} {workspace.plan.currency}".strip())
        self.uses.refresh()
        self.tasks.refresh()
        self.kit.refresh()
        manner = workspace.look.manner
        self.schools.show_manner(manner)
        self.manner_note.setText(self.schools.said(manner))
        self.habits.show_manner(manner)
        more = len(manner.weights)
        self.emphasis_button.setText(f"What counts more ({more})" if more else "What counts more")
        if self._emphasis is not None:
            self._emphasis.refresh()
        self.tastes.refresh()
        self.household.refresh()
        self.palette_panel.show_manner(manner)

    # Changing

    def _set_purpose(self) -> None:
        workspace, text = self.workspace, self.purpose.toPlainText()
        if workspace.piece_id and text != workspace.piece.purpose:
            workspace.commit(
                ChangePiece(piece=workspace.piece_id, changes=(("purpose", text),), label="Write the purpose")
            )

    def _set_budget(self) -> None:
        text, workspace = self.budget.text().strip(), self.workspace
        try:
            budget = price_of(text)
        except MoneyError as error:
            workspace.signals.refused.emit(str(error).replace("no price", "no budget"))
            return
        currency = currency_in(text)
        if budget != workspace.plan.budget or (currency and currency != workspace.plan.currency):
            workspace.commit(SetBudget(budget=budget, currency=currency))

    def _rename_plan(self) -> None:
        name = self.plan_name.text().strip()
        if name != self.workspace.plan.name:
            self.workspace.commit(RenamePlan(name=name))
