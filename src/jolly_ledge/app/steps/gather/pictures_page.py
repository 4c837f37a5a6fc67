"""Photographs of things become things: colours and outline are found, a line says what each is."""

from collections.abc import Callable
from functools import partial
from pathlib import Path

from PySide6.QtCore import QSize, Qt, QTimer, Signal
from PySide6.QtGui import QIcon, QImage, QPixmap
from PySide6.QtWidgets import (
    QHBoxLayout,
    QListView,
    QListWidget,
    QListWidgetItem,
    QProgressBar,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.dialogs import PHOTO_KINDS, Dialogs
from jolly_ledge.app.steps.gather.picture_draft import PictureDraft
from jolly_ledge.app.steps.gather.pictures_bench import PicturesBench
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.page_head import PageHead
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.items import AddItems, ChangeItem
from jolly_ledge.files.photo_file import photo_bytes
from jolly_ledge.model.colour import difference
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.photos.image import jpeg_bytes
from jolly_ledge.photos.intake import Intakes
from jolly_ledge.render.practice_photos import THING_WALL, practice_thing
from jolly_ledge.workspace.workspace import Workspace

POLL_MS = 50
THUMB = QSize(96, 74)
MOST_PRACTICE = 4
PRACTICE_CATEGORIES = ("vessel", "bowl", "box", "lamp")
PRACTICE_CONTRAST = 30.0


class PicturesPage(QWidget):
    """The page on which photographs of things are taken in."""

    left = Signal()

    def __init__(self, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__()
        self._workspace = workspace
        self._dialogs = dialogs
        self._intakes = Intakes()
        self.drafts: list[PictureDraft] = []
        self._problems: list[str] = []
        self._timer = QTimer(self)
        self._timer.setInterval(POLL_MS)
        self._timer.timeout.connect(self._collect)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 2, 0, 0)
        column.setSpacing(8)
        self.page_head = PageHead(
            "Photographs of things", "one thing each, before something plain", "Back to the line-up", self.left.emit
        )
        column.addLayout(self.page_head)
        column.addLayout(self._load_row())
        column.addLayout(self._progress_row())
        middle = QHBoxLayout()
        middle.setSpacing(12)
        middle.addWidget(self._list())
        self.bench = PicturesBench(workspace)
        self.bench.changed.connect(self._show_sum)
        middle.addWidget(self.bench, 1)
        column.addLayout(middle, 1)
        column.addLayout(self._foot())
        workspace.signals.length_unit_changed.connect(self._show_draft)
        self._show_draft()

    def _load_row(self) -> QHBoxLayout:
        row = QHBoxLayout()
        self.load_button = chip("Load photographs", "JPEG or PNG; several at once", checkable=False)
        self.load_button.clicked.connect(self.ask)
        self.practice_button = chip("Practice photographs", "Taken by a simulated camera", checkable=False)
        self.practice_button.clicked.connect(self.practise)
        row.addWidget(self.load_button)
        row.addWidget(self.practice_button)
        self.hint = words("Or drop them on the line-up.", "soft")
        row.addWidget(self.hint, 1)
        return row

    def _progress_row(self) -> QHBoxLayout:
        row = QHBoxLayout()
        self.progress = QProgressBar()
        self.progress.setTextVisible(False)
        self.progress.setFixedHeight(8)
        self.progress_said = words("", "soft", wrap=False)
        self.cancel_button = chip("Stop reading", "Keep what is read, leave the rest", checkable=False)
        self.cancel_button.clicked.connect(self.cancel)
        row.addWidget(self.progress, 1)
        row.addWidget(self.progress_said)
        row.addWidget(self.cancel_button)
        for widget in (self.progress, self.progress_said, self.cancel_button):
            widget.hide()
        return row

    def _list(self) -> QListWidget:
        self.list = QListWidget()
        self.list.setViewMode(QListView.ViewMode.IconMode)
        self.list.setIconSize(THUMB)
        self.list.setGridSize(QSize(126, 122))
        self.list.setMovement(QListView.Movement.Static)
        self.list.setResizeMode(QListView.ResizeMode.Adjust)
        self.list.setWordWrap(True)
        self.list.setTextElideMode(Qt.TextElideMode.ElideNone)
        self.list.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.list.setFixedWidth(152)
        self.list.setAccessibleName("Photographs that were read")
        self.list.currentRowChanged.connect(lambda _: self._show_draft())
        return self.list

    def _foot(self) -> QHBoxLayout:
        row = QHBoxLayout()
        self.sum_said = words("", "soft")
        self.leave_button = chip("Leave this one out", checkable=False)
        self.leave_button.clicked.connect(self._leave_out)
        self.give_button = chip("Give it to the thing in hand", checkable=False)
        self.give_button.clicked.connect(self._give)
        self.add_button = QPushButton()
        self.add_button.setObjectName("primary")
        self.add_button.setMinimumHeight(32)
        self.add_button.clicked.connect(self.add)
        row.addWidget(self.sum_said, 1)
        for button in (self.leave_button, self.give_button, self.add_button):
            row.addWidget(button)
        return row

    # Taking in

    @property
    def is_busy(self) -> bool:
        """Whether photographs are still being read or shown."""
        return self._intakes.is_busy or self._timer.isActive()

    def ask(self) -> None:
        """Ask for photographs and read them."""
        self.take(self._dialogs.ask_open_many("Photographs of things", PHOTO_KINDS))

    def take(self, paths: tuple[Path, ...]) -> None:
        """Read photographs one after another; progress is shown and can be stopped."""
        self._begin(tuple((path.name, partial(photo_bytes, path)) for path in paths))

    def practise(self) -> None:
        """Photograph a few things of the stash with the simulated camera."""
        things = [
            item
            for item in self._workspace.plan.stash
            if item.category in PRACTICE_CATEGORIES and difference(item.main_colour, THING_WALL) > PRACTICE_CONTRAST
        ]
        shots = []
        for number, item in enumerate(things[:MOST_PRACTICE], start=1):
            content = jpeg_bytes(practice_thing(item, number))
            shots.append((f"{item.label} {item.height / 10:g} cm tall.jpg", partial(bytes, content)))
        if not shots:
            self._workspace.signals.refused.emit(
                "Gather a vessel, bowl, box or lamp that is not as pale as a wall first."
            )
        self._begin(tuple(shots))

    def _begin(self, sources: tuple[tuple[str, Callable[[], bytes]], ...]) -> None:
        if sources:
            self._problems = []
            self._intakes.begin(sources)
            self._timer.start()
            self._show_progress()

    def _collect(self) -> None:
        """Show what has been read since last asked."""
        for intake in self._intakes.ready():
            if intake.found is None:
                self._problems.append(intake.problem)
                if not intake.content:
                    continue
            draft = PictureDraft.of(intake)
            self.drafts.append(draft)
            entry = QListWidgetItem(_thumb(intake.content), intake.source.rpartition(".")[0])
            entry.setToolTip(intake.problem or intake.source)
            self.list.addItem(entry)
            if self.list.currentRow() < 0:
                self.list.setCurrentRow(0)
        if not self._intakes.is_busy:
            self._timer.stop()
            if self._problems:
                more = (
                    f" {capital(counted(len(self._problems) - 1, 'other'))} failed too." if self._problems[1:] else ""
                )
                self._workspace.signals.refused.emit(f"{self._problems[0]}{more}")
        self._show_progress()
        self._show_sum()

    def cancel(self) -> None:
        """Read no more; what was read stays."""
        left = self._intakes.asked - self._intakes.done
        self._intakes.cancel()
        self._timer.stop()
        self._show_progress()
        self.hint.setText(f"Stopped; {counted(left, 'photograph')} not read.")

    def _show_progress(self) -> None:
        busy = self._intakes.is_busy
        for widget in (self.progress, self.progress_said, self.cancel_button):
            widget.setVisible(busy)
        if busy:
            self.progress.setRange(0, self._intakes.asked)
            self.progress.setValue(self._intakes.done)
            self.progress_said.setText(f"{self._intakes.done} of {self._intakes.asked} read")

    # The one in hand

    @property
    def draft(self) -> PictureDraft | None:
        """The photograph in hand."""
        row = self.list.currentRow()
        return self.drafts[row] if 0 <= row < len(self.drafts) else None

    def _show_draft(self) -> None:
        self.bench.show_draft(self.draft)
        self._show_sum()

    # What becomes of them

    def _show_sum(self) -> None:
        count = len(self.drafts)
        self.add_button.setText(f"Add {counted(count, 'thing')}" if count else "Add them")
        self.add_button.setEnabled(count > 0)
        self.leave_button.setEnabled(self.draft is not None)
        item = self._workspace.item
        self.give_button.setEnabled(self.draft is not None and item is not None)
        self.give_button.setToolTip(f"{item.label} takes its colours, outline and photograph" if item else "")
        self.sum_said.setText("" if count else "No photograph is read yet.")

    def _leave_out(self) -> None:
        row = self.list.currentRow()
        if row >= 0:
            del self.drafts[row]
            self.list.takeItem(row)
            self._show_draft()

    def _give(self) -> None:
        draft, item = self.draft, self._workspace.item
        if draft is None or item is None or draft.intake.found is None:
            return
        found = draft.intake.found
        self._workspace.document.add_photo(draft.intake.name, draft.intake.content)
        outline = found.outline if draft.outlined else item.outline
        changes = (("photo", draft.intake.name), ("colours", found.colours), ("outline", outline))
        if self._workspace.commit(ChangeItem(item=item.id, changes=changes, name=item.label)):
            self._workspace.signals.told.emit(f"{capital(item.label)} looks as photographed.")
            self._leave_out()

    def add(self) -> None:
        """Add all photographed things as one step; one that is not told yet comes to hand instead."""
        workspace = self._workspace
        stash = workspace.plan.stash
        items: list[Item] = []
        for row, draft in enumerate(self.drafts):
            try:
                item = draft.item(workspace.length_unit, (*stash, *items))
            except JollyLedgeError as error:
                self.list.setCurrentRow(row)
                workspace.signals.refused.emit(f"“{draft.intake.source}” is no thing yet: {error}")
                return
            items.append(item)
        for draft in self.drafts:
            workspace.document.add_photo(draft.intake.name, draft.intake.content)
        if workspace.commit(AddItems(items=tuple(items))):
            self.drafts = []
            self.list.clear()
            self._show_draft()
            workspace.choose_items(tuple(item.id for item in items))
            self.left.emit()


def _thumb(content: bytes) -> QIcon:
    whole = QPixmap.fromImage(QImage.fromData(content))
    small = whole.scaled(THUMB, Qt.AspectRatioMode.KeepAspectRatio, Qt.TransformationMode.SmoothTransformation)
    icon = QIcon(small)
    # The chosen one keeps its true colours.
    icon.addPixmap(small, QIcon.Mode.Selected)
    return icon
