"""The one window: the path of steps, the page in hand, and the strip that says things."""

from collections.abc import Callable
from functools import partial
from pathlib import Path

from PySide6.QtCore import QObject, Qt, QTimer
from PySide6.QtGui import QAction, QActionGroup, QCloseEvent, QKeySequence
from PySide6.QtWidgets import QHBoxLayout, QMainWindow, QMenu, QStackedWidget, QVBoxLayout, QWidget

from jolly_ledge.app.bridge import Keeper
from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.path_panel import STEPS, PathPanel
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.notice import Notice, Offer
from jolly_ledge.demo import demo_bytes, demo_photos
from jolly_ledge.files.backups import Backup
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.model.lengths import LENGTH_UNITS, UNIT_NAMES
from jolly_ledge.model.mishaps import or_instead
from jolly_ledge.workspace.new_plan import new_plan
from jolly_ledge.workspace.workspace import Workspace

MOST_CHANGES = 5
OPEN_KINDS = "Plans (*.ledge *.json);;All files (*)"


class MainWindow(QMainWindow):
    """Joins the parts; what they do is theirs."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__()
        self.workspace = workspace
        # They end together: what listens to the signals would else hold the window for ever.
        if isinstance(workspace.signals, QObject):
            workspace.signals.setParent(self)
        self.keeper = Keeper(workspace, self)
        self._dialogs = dialogs
        self._closes = False
        self.setWindowTitle("Jolly Ledge")
        self.setMinimumSize(1100, 700)
        self.resize(1280, 800)
        self.notice = Notice()
        self.pages = QStackedWidget()
        self._steps: dict[str, Step] = {}
        self.path = PathPanel(workspace, self.show_step, self._menu())
        self._build()
        workspace.signals.refused.connect(lambda sentence: self.notice.say(sentence))
        workspace.signals.told.connect(lambda sentence: self.notice.say(sentence, good=True))
        workspace.signals.step_asked.connect(self.show_step)
        workspace.signals.compare_asked.connect(self.show_side_by_side)
        workspace.signals.changed_on_disk.connect(self._tell_changed)
        workspace.signals.changed.connect(self._name_window)
        workspace.signals.saved.connect(self._name_window)
        self._name_window()
        self.show_step("Arrange" if workspace.look_id else "Brief")

    def _build(self) -> None:
        whole = QWidget()
        whole.setObjectName("window")
        row = QHBoxLayout(whole)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(0)
        row.addWidget(self.path)
        column = QVBoxLayout()
        column.setSpacing(0)
        column.addWidget(self.notice)
        column.addWidget(self.pages, 1)
        row.addLayout(column, 1)
        self.setCentralWidget(whole)

    # Steps, each made when it is first shown

    def _makers(self) -> dict[str, Callable[[], Step]]:
        workspace = self.workspace

        def brief() -> Step:
            from jolly_ledge.app.steps.brief.brief_step import BriefStep

            return BriefStep(workspace)

        def measure() -> Step:
            from jolly_ledge.app.steps.measure.measure_step import MeasureStep

            return MeasureStep(workspace, self._dialogs)

        def gather() -> Step:
            from jolly_ledge.app.steps.gather.gather_step import GatherStep

            return GatherStep(workspace, self._dialogs)

        def place() -> Step:
            from jolly_ledge.app.steps.place.place_step import PlaceStep

            return PlaceStep(workspace, self._dialogs)

        def keep() -> Step:
            from jolly_ledge.app.steps.keep.keep_step import KeepStep

            return KeepStep(workspace, self._dialogs)

        makers: tuple[Callable[[], Step], ...] = (
            brief,
            measure,
            gather,
            lambda: ArrangeStep(workspace),
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
        return self._steps[name]

    def show_step(self, name: str) -> None:
        """Show the page of a step."""
        page = self.step(name)
        self.pages.setCurrentWidget(page)
        self.path.show_step(name)
        page.setFocus(Qt.FocusReason.OtherFocusReason)
        if isinstance(page, ArrangeStep):
            page.view.setFocus(Qt.FocusReason.OtherFocusReason)

    def show_side_by_side(self, looks: tuple[str, ...] = ()) -> None:
        """Lay versions of the piece in hand side by side: these, or those beside the look in hand."""
        from jolly_ledge.app.steps.keep.keep_step import KeepStep

        self.show_step("Keep")
        page = self.step("Keep")
        if isinstance(page, KeepStep):
            page.show_side_by_side(looks)

    # The menu behind the plan's name

    def _menu(self) -> QMenu:
        menu = QMenu(self)
        workspace = self.workspace
        for text, keys, action in (
            ("New plan", "Ctrl+Shift+N", self.begin_new),
            ("Open a plan", QKeySequence.StandardKey.Open, self.ask_open),
            ("Open the demo, Vesper Row", "", self.open_demo),
            ("Save", QKeySequence.StandardKey.Save, self.save),
            ("Save under another name", QKeySequence.StandardKey.SaveAs, self.save_as),
            ("Undo", QKeySequence.StandardKey.Undo, workspace.undo),
            ("Redo", "Ctrl+Shift+Z", workspace.redo),
        ):
            self._add(menu, text, keys, action)
        self.recent_menu = menu.addMenu("Open lately")
        self.recent_menu.aboutToShow.connect(self._list_recent)
        self.versions_menu = menu.addMenu("Earlier versions")
        self.versions_menu.aboutToShow.connect(self._list_versions)
        menu.addSeparator()
        units = QActionGroup(self)
        for unit in LENGTH_UNITS:
            made = QAction(f"Lengths in {UNIT_NAMES[unit]}", self)
            made.setCheckable(True)
            made.setChecked(unit == workspace.unit)
            made.triggered.connect(lambda _=False, unit=unit: workspace.set_unit(unit))
            units.addAction(made)
            menu.addAction(made)
        menu.addSeparator()
        self.looks_menu = menu.addMenu("Take a look in hand")
        self.looks_menu.aboutToShow.connect(self._list_looks)
        menu.addSeparator()
        for number, name in enumerate(STEPS, start=1):
            self._add(menu, f"Go to {name}", f"Ctrl+{number}", partial(self.show_step, name))
        return menu

    def _list_recent(self) -> None:
        """List the plans that were open lately."""
        recent = self.workspace.document.recent
        self.recent_menu.clear()
        for path in recent.paths() if recent is not None else ():
            made = self.recent_menu.addAction(path.name, partial(self._open_recent, path))
            made.setToolTip(str(path))
        if not self.recent_menu.actions():
            self.recent_menu.addAction("Nothing yet").setEnabled(False)

    def _open_recent(self, path: Path) -> None:
        self._after_saving(lambda: self.workspace.open(path))

    def _list_versions(self) -> None:
        """List the kept versions of the plan in hand, with the day they were replaced on."""
        self.versions_menu.clear()
        for backup in self.workspace.document.earlier_versions():
            when = backup.at.astimezone().strftime("%Y-%m-%d %H:%M")
            self.versions_menu.addAction(f"Until {when}", partial(self._show_version, backup, when))
        if not self.versions_menu.actions():
            self.versions_menu.addAction("None are kept yet").setEnabled(False)

    def _show_version(self, backup: Backup, when: str) -> None:
        """Tell what changed since a version, and offer to take it in hand."""
        changes = self.workspace.document.changes_since(backup)
        shown = " ".join(changes[:MOST_CHANGES]) or "Nothing differs."
        more = f" And {len(changes) - MOST_CHANGES} more." if len(changes) > MOST_CHANGES else ""
        self.notice.say(
            f"Since {when}: {shown}{more}",
            (("Take that version in hand", lambda: self._after_saving(lambda: self.workspace.take_version(backup))),),
        )

    def _list_looks(self) -> None:
        """List the looks of all pieces."""
        workspace = self.workspace
        self.looks_menu.clear()
        for piece in workspace.plan.pieces:
            for look in workspace.plan.looks_of(piece.id):
                made = self.looks_menu.addAction(f"{piece.label}: {look.label}")
                made.setCheckable(True)
                made.setChecked(look.id == workspace.look_id)
                made.triggered.connect(lambda _=False, look=look: workspace.choose_look(look.id))

    def _add(self, menu: QMenu, text: str, keys: str | QKeySequence.StandardKey, action: Callable[[], object]) -> None:
        made = QAction(text, self)
        if keys != "":
            made.setShortcut(QKeySequence(keys))
        made.triggered.connect(lambda _=False: action())
        self.addAction(made)
        menu.addAction(made)

    # Files

    def begin_new(self) -> None:
        """Begin a new plan, after asking about unsaved work."""

        def begin() -> None:
            self.workspace.start(new_plan(), None)
            self.ask_what_it_is()

        self._after_saving(begin)

    def ask_what_it_is(self) -> None:
        """Begin in Measure: what kind of piece it is comes before everything else."""
        from jolly_ledge.app.steps.measure.measure_step import MeasureStep

        self.show_step("Measure")
        page = self.step("Measure")
        if isinstance(page, MeasureStep):
            page.ask_what_it_is()

    def open_demo(self) -> None:
        """Open the demo, after asking about unsaved work."""
        self._after_saving(lambda: self.workspace.start(plan_from_json(demo_bytes()), None, photos=demo_photos()))

    def ask_open(self) -> None:
        """Open a plan a person points at, after asking about unsaved work."""

        def open_it() -> None:
            path = self._dialogs.ask_open("Open a plan", OPEN_KINDS)
            if path is not None:
                self.workspace.open(path)

        self._after_saving(open_it)

    def save(self) -> bool:
        """Save the plan; ask where when it has no file yet."""
        return self.workspace.save() if self.workspace.document.file else self.save_as()

    def save_as(self) -> bool:
        """Save the plan where a person says."""
        name = f"{self.workspace.plan.name or 'plan'}.ledge"
        path = self._dialogs.ask_save("Save the plan", name)
        if path is None:
            return False
        return self.workspace.save(path if path.suffix else path.with_suffix(".ledge"))

    def _after_saving(self, action: Callable[[], object]) -> None:
        """Do something that lets the plan in hand go; ask first when work is not saved."""
        if not self.workspace.document.is_dirty:
            action()
            return

        def save_first() -> None:
            if self.save():
                action()

        offers: tuple[Offer, ...] = (("Save first", save_first), ("Go on without saving", action))
        self.notice.say(f"“{self.workspace.plan.name or 'The plan'}” has changes that are not saved.", offers)

    def _tell_changed(self, sentence: str) -> None:
        self.notice.say(
            sentence,
            (
                ("Save under another name", self.save_as),
                ("Overwrite it", lambda: self.workspace.save(overwrite_changes=True)),
                ("Open what is on disk", self._open_again),
            ),
        )

    def _open_again(self) -> None:
        if self.workspace.document.file is not None:
            self.workspace.open(self.workspace.document.file.path)

    def offer_recovery(self) -> None:
        """Offer unsaved work of a session that ended without saying goodbye."""
        found = self.workspace.document.recoverable()
        if not found:
            return
        latest = found[0]
        where = f" of “{latest.path.name}”" if latest.path else ""
        self.notice.say(
            f"Unsaved work{where} ({latest.plan.name or 'a plan without a name'}) was kept when the "
            "program ended last time.",
            (
                ("Take it in hand", lambda: self.workspace.recover(latest)),
                ("Let it go", lambda: self.workspace.document.drop(latest)),
            ),
        )

    def open_first(self, path: Path) -> None:
        """Open the plan named at the start; a refusal is said in the window."""
        or_instead(
            lambda: self.workspace.open(path), False, f"“{path.name}” could not be shown whole; it is kept as it is."
        )

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

        self._after_saving(close_now)
