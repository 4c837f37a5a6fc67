"""Many things from one photograph: the sheet is marked, each thing gets a frame and a line, all come at once."""

from pathlib import Path

from PySide6.QtCore import Qt, QTimer, Signal
from PySide6.QtGui import QKeyEvent
from PySide6.QtWidgets import QHBoxLayout, QPushButton, QStackedWidget, QVBoxLayout, QWidget

from jolly_ledge.app.dialogs import PHOTO_KINDS, Dialogs
from jolly_ledge.app.steps.gather.laid_out_list import LaidOutList
from jolly_ledge.app.steps.gather.laid_out_rows import LaidOutRow
from jolly_ledge.app.views.frames_view import FramesView
from jolly_ledge.app.views.photo_view import PhotoView
from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.app.widgets.page_head import PageHead
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.items import AddItems
from jolly_ledge.files.photo_file import photo_bytes
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.photos.corners import fit_corners
from jolly_ledge.photos.image import Pixels, kept_photo, read_photo
from jolly_ledge.photos.intake import THING_SIDE
from jolly_ledge.photos.laid_out import Frame, frames_in, pulled_straight, sheet_in, thing_in
from jolly_ledge.photos.perspective import MARK_PX, Known, View, in_order, sheet_as_it_lies
from jolly_ledge.photos.rectify import Straight
from jolly_ledge.render.practice_photos import practice_row
from jolly_ledge.workspace.workspace import Workspace

PRACTISED_OF_EACH = 2
PRACTICE_KINDS = ("vessel", "bowl", "box", "book", "lamp")
HINT = ("Lay things before a plain wall or on a plain floor, a sheet of paper among them, and photograph all from two "
        "metres or more, as squarely as you can.")  # fmt: skip


class LaidOutPage(QWidget):
    """The page on which a photograph of many things becomes things."""

    left = Signal()

    def __init__(self, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__()
        self._workspace = workspace
        self._dialogs = dialogs
        self._pixels: Pixels | None = None
        self._straight: Straight | None = None
        self._view: View | None = None
        self._mark_px = MARK_PX
        self._unmeasured: list[Frame] = []
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.timeout.connect(self._measure_next)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 2, 0, 0)
        column.setSpacing(6)
        column.addLayout(
            PageHead("Many things from one photograph", "a sheet of paper gives the scale", "Back to the line-up",
                     self.left.emit)
        )  # fmt: skip
        column.addLayout(self._tools())
        self.hint = words(HINT, "soft")
        column.addWidget(self.hint)
        self.photo = PhotoView()
        self.photo.marked.connect(self._forget_fit)
        self.frames = FramesView()
        self.frames.drawn.connect(self.add_frame)
        self.views = QStackedWidget()
        self.views.addWidget(self.photo)
        self.views.addWidget(self.frames)
        column.addWidget(self.views, 3)
        self.list = LaidOutList(workspace)
        self.list.changed.connect(self._show_state)
        self.frames.chosen.connect(self.list.choose)
        self.frames.removed.connect(self.list.remove)
        self.list.hide()
        column.addWidget(self.list, 2)
        column.addLayout(self._foot())
        self._show_state()

    def _tools(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(6)
        self.load_button = chip("Load a photograph", "JPEG or PNG", checkable=False)
        self.load_button.clicked.connect(self.ask)
        self.practice_button = chip(
            "Practice photograph", "Things of the stash, by a simulated camera", checkable=False
        )
        self.practice_button.clicked.connect(self.practise)
        self.sheet_row = ChipRow((("a4", "A4", "210 by 297 mm"), ("letter", "Letter", "8 1/2 by 11 in")))
        self.sheet_row.show_choice("a4")
        self.sheet_row.chosen.connect(self._choose_sheet)
        self._sheet = "a4"
        self.fit_button = chip("Pull onto the edges", "Moves the corners to the edges seen near them", checkable=False)
        self.fit_button.clicked.connect(self.fit)
        self.find_button = QPushButton("Find the things")
        self.find_button.setObjectName("primary")
        self.find_button.setMinimumHeight(28)
        self.find_button.clicked.connect(self.find_things)
        self.again_button = chip("Mark the sheet again", checkable=False)
        self.again_button.clicked.connect(self._mark_again)
        row.addWidget(self.load_button)
        row.addWidget(self.practice_button)
        row.addStretch(1)
        for widget in (self.sheet_row, self.fit_button, self.find_button, self.again_button):
            row.addWidget(widget)
        return row

    def _foot(self) -> QHBoxLayout:
        row = QHBoxLayout()
        self.sum_said = words("", "soft")
        self.take_button = QPushButton()
        self.take_button.setObjectName("primary")
        self.take_button.setMinimumHeight(32)
        self.take_button.clicked.connect(self.take)
        row.addWidget(self.sum_said, 1)
        row.addWidget(self.take_button)
        return row

    # The photograph and its sheet

    def ask(self) -> None:
        """Load a photograph a person points at."""
        path = self._dialogs.ask_open("A photograph of many things", PHOTO_KINDS)
        if path is not None:
            self.load(path)

    def load(self, path: Path) -> None:
        """Load a photograph; a refusal is told."""
        try:
            self._begin(read_photo(photo_bytes(path), path.name))
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))

    def practise(self) -> None:
        """Photograph some things of the stash with the simulated camera."""
        alike = [[one for one in self._workspace.plan.stash if one.category == kind] for kind in PRACTICE_KINDS]
        things = [item for group in alike for item in group[:PRACTISED_OF_EACH]]
        if not things:
            self._workspace.signals.refused.emit("Gather a vessel, a bowl, a box, a lamp or a book first.")
            return
        self._begin(practice_row(things))

    def _begin(self, pixels: Pixels) -> None:
        self._pixels, self._straight, self._view = pixels, None, None
        self.list.clear()
        found = sheet_in(pixels)
        height, width = pixels.shape[:2]
        corners = found or ((width * 0.4, height * 0.4), (width * 0.6, height * 0.4), (width * 0.6, height * 0.6),
                            (width * 0.4, height * 0.6))  # fmt: skip
        self.photo.show_photo(pixels, list(corners))
        self._forget_fit()
        if found is not None:
            self.fit()
        self._show_state()

    def _forget_fit(self) -> None:
        self._mark_px = MARK_PX

    def _choose_sheet(self, sheet: str) -> None:
        self._sheet = sheet

    def _mark_again(self) -> None:
        self._straight = None
        self._unmeasured = []
        self.list.clear()
        self._show_state()

    def fit(self) -> None:
        """Pull the marked corners onto the edges of the sheet."""
        if self._pixels is None:
            return
        try:
            fitted = fit_corners(self._pixels, in_order(self.photo.corners))
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self.photo.corners = list(fitted.corners)
        self._mark_px = fitted.error_px
        self.photo.update()

    def find_things(self) -> None:
        """Pull the picture straight by the sheet and find what stands out."""
        if self._pixels is None:
            return
        try:
            corners = in_order(self.photo.corners)
            width, height = sheet_as_it_lies(self._sheet, corners)
            self._view = View(corners, Known(0.0, 0.0, width, height), self._mark_px)
            self._straight = pulled_straight(self._pixels, self._view)
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self.frames.show_straight(self._straight)
        self._show_state()
        try:
            frames = frames_in(self._straight, self._view)
        except JollyLedgeError as error:
            self._workspace.signals.told.emit(str(error))
            return
        self._unmeasured = list(frames)
        self._later.start(0)

    @property
    def is_measuring(self) -> bool:
        """Whether things that were found are still to be measured."""
        return bool(self._unmeasured)

    @survives
    def _measure_next(self) -> None:
        """Measure one more thing that was found; the window stays awake between them."""
        if self._unmeasured and self._straight is not None:
            self.add_frame(self._unmeasured.pop(0), in_hand=False)
        if len(self.rows) == 1:
            self.rows[0].line.setFocus()
        if self._unmeasured:
            self._later.start(0)

    # The things

    def add_frame(self, frame: Frame, *, in_hand: bool = True) -> None:
        """Measure what a frame holds and give it a line."""
        if self._straight is None or self._view is None:
            return
        try:
            thing = thing_in(self._straight, self._view, frame)
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self.list.add(thing, in_hand=in_hand)

    @property
    def rows(self) -> list[LaidOutRow]:
        """The lines of the things that were found."""
        return self.list.rows

    def _show_state(self) -> None:
        """Show what can be done now."""
        marking = self._straight is None
        self.views.setCurrentWidget(self.photo if marking else self.frames)
        self.list.setVisible(not marking)
        self.frames.show_frames([row.thing.frame for row in self.rows], self.list.at)
        for widget in (self.sheet_row, self.fit_button, self.find_button):
            widget.setVisible(marking and self._pixels is not None)
        self.again_button.setVisible(not marking)
        if self._pixels is None:
            self.hint.setText(HINT)
        elif marking:
            self.hint.setText("Drag the four corners to those of the sheet of paper.")
        else:
            self.hint.setText("Say what each is; draw a frame round what was missed, take away what is none (Delete).")
        ready = self.list.told
        untold = len(self.rows) - len(ready)
        stays = "stays" if untold == 1 else "stay"
        said = f"{capital(counted(untold, 'thing'))} without a word {stays} out." if untold else ""
        self.sum_said.setText(said)
        self.take_button.setText(f"Take over {counted(len(ready), 'thing')}" if ready else "Take over")
        self.take_button.setEnabled(bool(ready))
        self.take_button.setVisible(not marking)

    def take(self) -> None:
        """Add every thing that is told to the stash, in one step, each with its own picture."""
        workspace = self._workspace
        ids = FreshIds(item.id for item in workspace.plan.stash)
        items = []
        for row in self.rows:
            name, content = kept_photo(row.thing.picture, THING_SIDE)
            item = row.item(ids, name)
            if item is not None:
                workspace.document.add_photo(name, content)
                items.append(item)
        if items and workspace.commit(AddItems(items=tuple(items))):
            workspace.choose_items(tuple(item.id for item in items))
            for row in self.list.told:
                self.list.remove_row(row)
            if not self.rows:
                self.left.emit()

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Leave with Esc."""
        if event.key() == Qt.Key.Key_Escape:
            self.left.emit()
        else:
            event.ignore()
