"""The one window: the path of steps, the page in hand, and the strip that says things."""

from collections.abc import Callable
from functools import partial
from typing import TYPE_CHECKING

from PySide6.QtCore import QObject, QSize, Qt, QTimer
from PySide6.QtGui import QCloseEvent
from PySide6.QtWidgets import QHBoxLayout, QMainWindow, QStackedWidget, QWidget

from jolly_ledge.app.bridge import Keeper
from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.path_panel import PATH_WIDTH, STEPS, PathPanel
from jolly_ledge.app.plan_files import PlanFiles
from jolly_ledge.app.plan_menu import PlanMenu
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.least_room import LeastRoom
from jolly_ledge.app.widgets.notice import Notice
from jolly_ledge.app.widgets.width_grip import WidthGrip
from jolly_ledge.files.settings import SettingsFile
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    from jolly_ledge.app.opening_page import OpeningPage
    from jolly_ledge.app.settings_sheet import SettingsSheet
    from jolly_ledge.app.steps_taken import StepsTaken
    from jolly_ledge.app.walk import WalkCard
    from jolly_ledge.app.widgets.keys_sheet import KeysSheet

LEAST = QSize(1100, 700)
"""The window is no smaller, in pixels, but for a screen that has no room for it."""


class MainWindow(QMainWindow):
    """Joins the parts; what they do is theirs."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs, settings: SettingsFile) -> None:
        super().__init__()
        self.workspace = workspace
        self._settings = settings
        # They end together: what listens to the signals would else hold the window for ever.
        if isinstance(workspace.signals, QObject):
            workspace.signals.setParent(self)
        self.keeper = Keeper(workspace, self)
        self._dialogs = dialogs
        self._closes = False
        self.setWindowTitle("Jolly Ledge")
        self.setMinimumSize(LEAST)
        self.resize(1280, 800)
        self.pages = QStackedWidget()
        self._room = LeastRoom(self.pages, LEAST - QSize(PATH_WIDTH, 0))
        self.pages.currentChanged.connect(lambda _: self._room.show_start())
        self.notice = Notice(self._room, self._tells_at_foot)
        self._steps: dict[str, Step] = {}
        self.keys_sheet: KeysSheet | None = None
        self.opening: OpeningPage | None = None
        self.settings_sheet: SettingsSheet | None = None
        self.walk_card: WalkCard | None = None
        self.steps_taken: StepsTaken | None = None
        self._alone = False
        self.files = PlanFiles(workspace, dialogs, self.notice, self.ask_what_it_is)
        self.menu = PlanMenu(self, workspace, self.files, self.notice, self.show_step)
        self.menu.add_ways((
            ("All steps that were taken", "Ctrl+H", self.show_steps_taken),
            ("The drawing alone", "F11", self.toggle_alone), ("The keys of this page", "F1", self.show_keys),
            ("The look that was in hand before", "Ctrl+Tab", self.show_look_before),
            ("The opening page", "Alt+Home", self.show_opening), ("A walk through the demo", "", self.walk),
            ("Settings, and what this is", "Ctrl+,", self.show_settings), ("Quit", "Ctrl+Q", self.close),
        ))  # fmt: skip
        self.path = PathPanel(workspace, self.show_step, self.show_steps_taken, self.menu)
        self._build()
        workspace.signals.refused.connect(lambda sentence: self.notice.say(workspace.told(sentence)))
        workspace.signals.told.connect(lambda sentence: self.notice.say(workspace.told(sentence), good=True))
        workspace.signals.step_asked.connect(self.show_step)
        workspace.signals.compare_asked.connect(self.show_side_by_side)
        workspace.signals.plan_changed.connect(self._name_window)
        workspace.signals.plan_changed.connect(self.notice.outlive)
        workspace.signals.saved.connect(self._name_window)
        self._name_window()
        self._looks_in_hand = ("", workspace.look_id)
        workspace.signals.in_hand_changed.connect(self._note_look)
        self.show_step("Arrange" if workspace.look_id else "Brief")

    def _build(self) -> None:
        whole = QWidget()
        whole.setObjectName("window")
        row = QHBoxLayout(whole)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(0)
        row.addWidget(self.path)
        row.addWidget(self._room, 1)
        self.setCentralWidget(whole)

    # Steps, each made when it is first shown

    def _makers(self) -> dict[str, Callable[[], Step]]:
        workspace = self.workspace

        def brief() -> Step:
            from jolly_ledge.app.steps.brief.brief_step import BriefStep

            return BriefStep(self.pages, workspace, self._dialogs)

        def measure() -> Step:
            from jolly_ledge.app.steps.measure.measure_step import MeasureStep

            return MeasureStep(self.pages, workspace, self._dialogs)

        def gather() -> Step:
            from jolly_ledge.app.steps.gather.gather_step import GatherStep

            return GatherStep(self.pages, workspace, self._dialogs)

        def place() -> Step:
            from jolly_ledge.app.steps.place.place_step import PlaceStep

            return PlaceStep(self.pages, workspace, self._dialogs)

        def keep() -> Step:
            from jolly_ledge.app.steps.keep.keep_step import KeepStep

            return KeepStep(self.pages, workspace, self._dialogs)

        makers: tuple[Callable[[], Step], ...] = (
            brief,
            measure,
            gather,
            lambda: ArrangeStep(self.pages, workspace),
            place,
            keep,
        )
        return dict(zip(STEPS, makers, strict=True))

    def step(self, name: str) -> Step:
        """Return the page of a step, made when first asked for."""
        if name not in self._steps:
            page = self._makers()[name]()
            self._steps[name] = page
            self.pages.addWidget(page)
            if page.beside is not None:
                kept = self._settings.read().widths.get(name, 0)
                WidthGrip(page.beside, kept, partial(self._settings.keep_width, name))
            if self._alone:
                page.show_alone(True)
        return self._steps[name]

    def show_step(self, name: str) -> None:
        """Show the page of a step."""
        page = self.step(name)
        self.pages.setCurrentWidget(page)
        self.path.show_step(name)
        page.hear_keys()

    # The ways in

    def show_opening(self) -> None:
        """Show what was open lately, and the ways to begin."""
        from jolly_ledge.app.opening_page import OpeningPage

        if self.opening is None:
            files = self.files
            self.opening = OpeningPage(
                self.workspace.document.recent, files.open_recent, begin=files.begin_new, ask_open=files.ask_open,
                open_demo=files.open_demo, walk=self.walk,
            )  # fmt: skip
            self.pages.addWidget(self.opening)
            self.workspace.signals.plan_changed.connect(self._leave_opening)
        self.opening.refresh()
        self.pages.setCurrentWidget(self.opening)
        self.path.show_none()
        self.opening.buttons["A new piece"].setFocus(Qt.FocusReason.OtherFocusReason)

    def _leave_opening(self) -> None:
        """Show what was opened from there."""
        if self.pages.currentWidget() is self.opening:
            self.show_step("Arrange")

    def walk(self) -> None:
        """Open the demo and lead through it."""
        from jolly_ledge.app.walk import WalkCard

        def begin() -> None:
            self.show_step("Arrange")
            if self.walk_card is None:
                self.walk_card = WalkCard(self, self.pages)
            self.walk_card.go_to(0)

        self.files.open_demo(then=begin)

    def _note_look(self) -> None:
        """Remember which look was in hand before this one."""
        now = self.workspace.look_id
        if now and now != self._looks_in_hand[-1]:
            self._looks_in_hand = (self._looks_in_hand[-1], now)

    def show_look_before(self) -> None:
        """Take the look in hand that was before this one."""
        before = self._looks_in_hand[0]
        if any(look.id == before for look in self.workspace.plan.looks):
            self.workspace.choose_look(before)
        else:
            self.notice.say("No other look was in hand yet; click the names in the head to take one.")

    def toggle_alone(self) -> None:
        """Show the page in hand alone in the window, or with all beside it again."""
        self._alone = not self._alone
        self.path.setVisible(not self._alone)
        for page in self._steps.values():
            page.show_alone(self._alone)

    def show_keys(self) -> None:
        """Lay the keys of the page in hand over it, or put them away."""
        from jolly_ledge.app.widgets.keys_sheet import KeysSheet

        page = self.pages.currentWidget()
        if self.keys_sheet is None:
            self.keys_sheet = KeysSheet(self.pages)
        if isinstance(page, Step):
            self.keys_sheet.toggle(page.keys, self.menu.keys)

    def show_settings(self) -> None:
        """Lay what is set once for all plans over the page, or put it away."""
        from jolly_ledge.app.settings_sheet import SettingsSheet

        if self.settings_sheet is None:
            self.settings_sheet = SettingsSheet(self.pages, self.workspace, self._settings, self._settings.folder)
        self.settings_sheet.toggle()

    def show_steps_taken(self) -> None:
        """List all steps with small drawings beside the path; a press takes one in hand."""
        from jolly_ledge.app.steps_taken import StepsTaken

        if self.steps_taken is None:
            self.steps_taken = StepsTaken(self.workspace, self)
        self.steps_taken.open_at(self.path.steps_button.mapToGlobal(self.path.steps_button.rect().bottomRight()))

    def _tells_at_foot(self) -> bool:
        page = self.pages.currentWidget()
        return isinstance(page, Step) and page.tells_at_foot

    def show_side_by_side(self, looks: tuple[str, ...] = ()) -> None:
        """Lay versions of the piece in hand side by side: these, or those beside the look in hand."""
        from jolly_ledge.app.steps.keep.keep_step import KeepStep

        self.show_step("Keep")
        page = self.step("Keep")
        if isinstance(page, KeepStep):
            page.show_side_by_side(looks)

    def ask_what_it_is(self) -> None:
        """Begin in Measure: what kind of piece it is comes before everything else."""
        from jolly_ledge.app.steps.measure.measure_step import MeasureStep

        self.show_step("Measure")
        page = self.step("Measure")
        if isinstance(page, MeasureStep):
            page.ask_what_it_is()

    def _name_window(self) -> None:
        workspace = self.workspace
        name = workspace.document.file.path.name if workspace.document.file else workspace.plan.name or "New plan"
        self.setWindowTitle(f"{'• ' if workspace.document.is_dirty else ''}{name} – Jolly Ledge")

    def closeEvent(self, event: QCloseEvent) -> None:
        """Close at once when all is saved; else ask first, without a dialog."""
        if not self.workspace.document.is_dirty or self._closes:
            self.workspace.document.let_go()
            event.accept()
            return
        event.ignore()

        def close_now() -> None:
            self._closes = True
            # The notice must finish its own event before the window goes.
            QTimer.singleShot(0, self.close)

        self.files.after_saving(close_now)
