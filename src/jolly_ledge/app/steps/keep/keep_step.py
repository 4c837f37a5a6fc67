"""Keep: the log of the looks, versions side by side, the year, the photographs, and where everything is."""

from collections.abc import Callable
from pathlib import Path

from PySide6.QtWidgets import QHBoxLayout, QPushButton, QScrollArea, QStackedWidget, QVBoxLayout, QWidget

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.steps.keep.look_panel import LookPanel
from jolly_ledge.app.steps.keep.photo_strip import PhotoStrip
from jolly_ledge.app.steps.keep.side_by_side import FEWEST, SideBySide
from jolly_ledge.app.steps.keep.time_line import TimeLine
from jolly_ledge.app.steps.keep.whereabouts_page import WhereaboutsPage
from jolly_ledge.app.steps.keep.year_page import YearPage
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.chip import ChipRow
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.looks import AddLook
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.workspace.workspace import Workspace

LOG, COMPARE, YEAR, WHERE = "log", "compare", "year", "where"
MODES = (
    (LOG, "Log", "Every look of this piece by season, with what was done"),
    (COMPARE, "Side by side", "Lay two to five versions side by side (C in Arrange)"),
    (YEAR, "The year", "What changes when, what stays, and what is due"),
    (WHERE, "Where is it?", "Find a thing over all clients"),
)
PANEL_WIDTH = 460


class KeepStep(Step):
    """The page on which looks are kept and compared."""

    def __init__(self, host: QWidget, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__(host, workspace)
        self._dialogs = dialogs
        self._in_hand = ""
        self.modes = ChipRow(MODES, self.show_mode)
        self.head.addWidget(self.modes)
        self.begin_button = QPushButton("Begin an empty look")
        self.begin_button.setMinimumHeight(30)
        self.begin_button.setObjectName("primary")
        self.begin_button.clicked.connect(self.begin)
        self.head.addWidget(self.begin_button)
        self.pages = QStackedWidget()
        self.column.addWidget(self.pages, 1)
        self.compared: SideBySide | None = None
        self.year: YearPage | None = None
        self.where: WhereaboutsPage | None = None
        self.photo_check: QWidget | None = None
        self.pages.addWidget(self._log_page())
        self.modes.show_choice(LOG)
        self.shortcut("Esc", lambda: self.show_mode(LOG))
        self.follow(self.refresh, workspace.signals.changed)

    def _log_page(self) -> QWidget:
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 0, 0, 0)
        self.note = words("", "soft")
        column.addWidget(self.note)
        row = QHBoxLayout()
        row.setSpacing(14)
        self.time_line = TimeLine(self.workspace)
        self.time_line.look_chosen.connect(self._show_chosen)
        row.addWidget(self.time_line, 1)
        strip = PhotoStrip(self.workspace, self._dialogs, self.check_photo)
        self.panel = LookPanel(self.workspace, strip)
        area = QScrollArea()
        area.setWidgetResizable(True)
        area.setFixedWidth(PANEL_WIDTH)
        area.setWidget(self.panel)
        row.addWidget(area)
        self.beside = area
        column.addLayout(row, 1)
        return page

    @property
    def tells_at_foot(self) -> bool:
        """Whether drawings stand at the head: those of looks side by side do."""
        return self.compared is not None and self.pages.currentWidget() is self.compared

    # The pages

    def show_mode(self, mode: str) -> None:
        """Show one of the pages."""
        if mode == COMPARE:
            self.show_side_by_side()
            return
        self.modes.show_choice(mode)
        if mode == YEAR and self.year is None:
            self.year = YearPage(self.workspace, self._dialogs)
            self.pages.addWidget(self.year)
        if mode == WHERE and self.where is None:
            self.where = WhereaboutsPage(self.workspace, self._clients)
            self.pages.addWidget(self.where)
        shown = {YEAR: self.year, WHERE: self.where}.get(mode)
        if shown is None:
            self.pages.setCurrentIndex(0)
        else:
            self.pages.setCurrentWidget(shown)
        self.refresh()

    def _clients(self) -> tuple[Path, ...]:
        return self.workspace.document.recent.clients() if self.workspace.document.recent is not None else ()

    def show_side_by_side(self, looks: tuple[str, ...] = ()) -> None:
        """Lay versions of the piece in hand side by side: these, or those beside the look in hand."""
        workspace = self.workspace
        own = {look.id for look in workspace.plan.looks_of(workspace.piece_id)}
        if len({*own, *looks}) < FEWEST:
            workspace.signals.refused.emit("Side by side needs two looks of this piece; duplicate one first.")
            self.show_mode(LOG)
            return
        if self.compared is None:
            self.compared = SideBySide(workspace, lambda: self.show_mode(LOG))
            self.pages.addWidget(self.compared)
        self.compared.begin(looks)
        self.modes.show_choice(COMPARE)
        self.pages.setCurrentWidget(self.compared)

    def check_photo(self, look_id: str, photo: str) -> None:
        """Lay a photograph of a look beside its plan."""
        # The picture libraries are not needed until there is a photograph.
        from jolly_ledge.app.steps.keep.photo_check_page import PhotoCheckPage

        if self.photo_check is None:
            self.photo_check = PhotoCheckPage(self.workspace, lambda: self.show_mode(LOG))
            self.pages.addWidget(self.photo_check)
        assert isinstance(self.photo_check, PhotoCheckPage)
        if self.photo_check.begin(look_id, photo):
            self.pages.setCurrentWidget(self.photo_check)

    def refresh(self) -> None:
        """Show the looks of the piece in hand on the page that is seen."""
        workspace = self.workspace
        if not workspace.piece_id:
            return
        looks = workspace.plan.looks_of(workspace.piece_id)
        page = self.pages.currentWidget()
        if self.compared is not None and page is self.compared:
            if len(looks) < FEWEST:
                self.show_mode(LOG)
            else:
                self.compared.refresh()
        elif self.pages.currentIndex() == 0:
            self._show_log(len(looks))
        else:
            follow: dict[QWidget | None, Callable[[], object]] = {
                one: one.refresh for one in (self.year, self.where) if one is not None
            }
            follow.get(page, lambda: None)()

    def _show_log(self, count: int) -> None:
        workspace = self.workspace
        known = {look.id for look in workspace.plan.looks_of(workspace.piece_id)}
        chosen = self.time_line.chosen if self._is_kept(known) else workspace.look_id
        self.time_line.show_piece(workspace.piece_id, chosen)
        self.panel.show_look(chosen)
        self.note.setText(f"{capital(counted(count, 'look'))} of {workspace.piece.label}, the latest season first.")
        self._in_hand = workspace.look_id

    def _is_kept(self, known: set[str]) -> bool:
        """Tell whether the look that was chosen here stays chosen: another in hand is chosen instead."""
        return self.time_line.chosen in known and self._in_hand == self.workspace.look_id

    def _show_chosen(self, look_id: str) -> None:
        self.panel.show_look(look_id)

    def begin(self) -> None:
        """Begin an empty look in the manner of the one in hand, and take it in hand."""
        workspace = self.workspace
        number = len(workspace.plan.looks_of(workspace.piece_id)) + 1
        workspace.commit_look(AddLook(piece=workspace.piece_id, name=f"Look {number}", manner=workspace.look.manner))
