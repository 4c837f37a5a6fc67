"""The menu behind the plan's name: files, steps back, units, looks, and the way to every step."""

from collections.abc import Callable, Iterable
from functools import partial

from PySide6.QtGui import QAction, QActionGroup, QKeySequence
from PySide6.QtWidgets import QMenu, QWidget

from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.app.plan_files import PlanFiles
from jolly_ledge.app.widgets.notice import Notice
from jolly_ledge.files.backups import Backup
from jolly_ledge.model.lengths import LENGTH_UNITS, UNIT_NAMES, LengthUnit
from jolly_ledge.workspace.workspace import Workspace

MOST_CHANGES = 5


class PlanMenu(QMenu):
    """Lists what can be done with the plan in hand; what is long is listed when it is looked at."""

    def __init__(
        self,
        window: QWidget,
        workspace: Workspace,
        files: PlanFiles,
        notice: Notice,
        show_step: Callable[[str], object],
    ) -> None:
        super().__init__(window)
        self._window = window
        self._workspace = workspace
        self._files = files
        self._notice = notice
        self._fill(show_step)

    def _fill(self, show_step: Callable[[str], object]) -> None:
        workspace, files = self._workspace, self._files
        for text, keys, action in (
            ("New plan", "Ctrl+Shift+N", files.begin_new),
            ("Open a plan", QKeySequence.StandardKey.Open, files.ask_open),
            ("Open the demo, Vesper Row", "", files.open_demo),
            ("Save", QKeySequence.StandardKey.Save, files.save),
            ("Save under another name", QKeySequence.StandardKey.SaveAs, files.save_as),
            ("Undo", QKeySequence.StandardKey.Undo, workspace.undo),
            ("Redo", "Ctrl+Shift+Z", workspace.redo),
        ):
            self._add(text, keys, action)
        self.recent_menu = self.addMenu("Open lately")
        self.recent_menu.aboutToShow.connect(self._list_recent)
        self.versions_menu = self.addMenu("Earlier versions")
        self.versions_menu.aboutToShow.connect(self._list_versions)
        self.addSeparator()
        self.lengths_menu = self.addMenu("Lengths in")
        self._units: dict[LengthUnit, QAction] = {}
        units = QActionGroup(self)
        for unit in LENGTH_UNITS:
            made = QAction(UNIT_NAMES[unit], self)
            made.setCheckable(True)
            made.triggered.connect(lambda _=False, unit=unit: workspace.set_length_unit(unit))
            units.addAction(made)
            self.lengths_menu.addAction(made)
            self._units[unit] = made
        self._show_unit()
        workspace.signals.length_unit_changed.connect(self._show_unit)
        self.looks_menu = self.addMenu("Take a look in hand")
        self.looks_menu.aboutToShow.connect(self._list_looks)
        self.steps_menu = self.addMenu("Go to")
        for number, name in enumerate(STEPS, start=1):
            self.steps_menu.addAction(self._action(name, f"Ctrl+{number}", partial(show_step, name)))

    def _show_unit(self) -> None:
        self._units[self._workspace.length_unit].setChecked(True)

    def add_ways(self, ways: Iterable[tuple[str, str, Callable[[], object]]]) -> None:
        """Add ways of showing the page in hand: words, keys, what is done."""
        self.addSeparator()
        for text, keys, action in ways:
            self._add(text, keys, action)

    @property
    def keys(self) -> tuple[tuple[str, str], ...]:
        """The keys that are heard on every page, with what each does."""
        ways = [(made.text(), made) for made in self.actions()]
        ways += [(f"{self.steps_menu.title()} {made.text()}", made) for made in self.steps_menu.actions()]
        return tuple(
            (made.shortcut().toString(QKeySequence.SequenceFormat.NativeText), text)
            for text, made in ways if not made.shortcut().isEmpty()
        )  # fmt: skip

    def _list_recent(self) -> None:
        """List the plans that were open lately."""
        recent = self._workspace.document.recent
        self.recent_menu.clear()
        for path in recent.paths() if recent is not None else ():
            made = self.recent_menu.addAction(path.name, partial(self._files.open_recent, path))
            made.setToolTip(str(path))
        if not self.recent_menu.actions():
            self.recent_menu.addAction("Nothing yet").setEnabled(False)

    def _list_versions(self) -> None:
        """List the kept versions of the plan in hand, with the day they were replaced on."""
        self.versions_menu.clear()
        for backup in self._workspace.document.earlier_versions():
            when = backup.at.astimezone().strftime("%Y-%m-%d %H:%M")
            self.versions_menu.addAction(f"Until {when}", partial(self._show_version, backup, when))
        if not self.versions_menu.actions():
            self.versions_menu.addAction("None are kept yet").setEnabled(False)

    def _show_version(self, backup: Backup, when: str) -> None:
        """Tell what changed since a version, and offer to take it in hand."""
        changes = self._workspace.document.changes_since(backup)
        shown = " ".join(changes[:MOST_CHANGES]) or "Nothing differs."
        more = f" And {len(changes) - MOST_CHANGES} more." if len(changes) > MOST_CHANGES else ""
        offer = ("Take that version in hand", lambda: self._files.after_saving(partial(self._take, backup)))
        self._notice.say(f"Since {when}: {shown}{more}", (offer,))

    def _take(self, backup: Backup) -> None:
        self._workspace.take_version(backup)

    def _list_looks(self) -> None:
        """List the looks of all pieces."""
        workspace = self._workspace
        self.looks_menu.clear()
        for piece in workspace.plan.pieces:
            for look in workspace.plan.looks_of(piece.id):
                made = self.looks_menu.addAction(f"{piece.label}: {look.label}")
                made.setCheckable(True)
                made.setChecked(look.id == workspace.look_id)
                made.triggered.connect(lambda _=False, look=look: workspace.choose_look(look.id))

    def _add(self, text: str, keys: str | QKeySequence.StandardKey, action: Callable[[], object]) -> None:
        self.addAction(self._action(text, keys, action))

    def _action(self, text: str, keys: str | QKeySequence.StandardKey, action: Callable[[], object]) -> QAction:
        made = QAction(text, self)
        if keys != "":
            made.setShortcut(QKeySequence(keys))
        made.triggered.connect(lambda _=False: action())
        # Its keys are heard wherever one is in the window.
        self._window.addAction(made)
        return made
