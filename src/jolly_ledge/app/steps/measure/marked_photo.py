"""A photograph of the front on the bench: loaded, kept, and marked at the corners of something known."""

from pathlib import Path

from PySide6.QtCore import Signal
from PySide6.QtWidgets import QHBoxLayout, QPushButton, QStackedWidget, QVBoxLayout, QWidget

from jolly_ledge.app.dialogs import PHOTO_KINDS, Dialogs
from jolly_ledge.app.steps.measure.photo_edits import region_of
from jolly_ledge.app.steps.measure.photo_strips import CornerStrip, EmptyStrip, StraightStrip
from jolly_ledge.app.views.photo_view import PhotoView
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import heading, words
from jolly_ledge.edits.pieces import ChangePiece
from jolly_ledge.files.photo_file import photo_bytes
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.piece import Corner
from jolly_ledge.photos.corners import fit_corners
from jolly_ledge.photos.image import Pixels, kept_photo, read_photo
from jolly_ledge.photos.perspective import MARK_PX, Known, View, in_order
from jolly_ledge.photos.rectify import Straight, straightened, view_of
from jolly_ledge.render.practice_photos import practice_photo
from jolly_ledge.workspace.workspace import Workspace

KEPT_SIDE = 2400


class MarkedPhoto(QWidget):
    """Takes photographs in hand, marks corners and pulls them straight; who inherits measures in what is straight."""

    left = Signal()

    def __init__(self, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__()
        self._workspace = workspace
        self._dialogs = dialogs
        self._name = ""
        self._pixels: Pixels | None = None
        self._mark_px = MARK_PX
        self._corners_at_fit: tuple[Corner, ...] = ()
        self._view: View | None = None
        self._known = "piece"
        self._straight: Straight | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 2, 0, 0)
        column.setSpacing(6)
        column.addLayout(self._head())
        self.strips = QStackedWidget()
        self.corner_strip = CornerStrip(workspace)
        self.straight_strip = StraightStrip()
        for strip in (EmptyStrip(), self.corner_strip, self.straight_strip):
            self.strips.addWidget(strip)
        self._connect_strips()
        column.addWidget(self.strips)
        self.view = PhotoView()
        self.view.marked.connect(self._corners_moved)
        column.addWidget(self.view, 1)
        self.hint = words("", "soft")
        column.addWidget(self.hint)
        self._show_empty()

    def _head(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.addWidget(heading("From a photograph", 16))
        row.addStretch(1)
        self.load_button = chip("Load a photograph", "JPEG or PNG, taken as straight as you can", checkable=False)
        self.load_button.clicked.connect(self.ask_photo)
        self.practice_button = chip("Practice photograph", "Drawn from this plan, to try it out", checkable=False)
        self.practice_button.clicked.connect(self.take_practice_photo)
        self.back = QPushButton("Back to the drawing")
        self.back.setMinimumHeight(28)
        self.back.clicked.connect(self.left)
        for button in (self.load_button, self.practice_button, self.back):
            row.addWidget(button)
        return row

    def _connect_strips(self) -> None:
        corners = self.corner_strip
        corners.known_row.chosen.connect(self._choose_known)
        corners.sizes_told.connect(self._tell_known)
        corners.fit_button.clicked.connect(self.fit)
        corners.straighten_button.clicked.connect(self.straighten)

    # Taking a photograph in hand

    def begin(self) -> None:
        """Show the photograph of the piece in hand, if it has one."""
        photo = self._workspace.piece.photo
        if photo is None or photo.name not in self._workspace.document.photos:
            self._show_empty()
            return
        try:
            self._pixels = read_photo(self._workspace.document.photos[photo.name], "the photograph of the piece")
            self._name, self._view = photo.name, view_of(photo)
            self.show_straight()
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            self._show_empty()

    def ask_photo(self) -> None:
        """Load a photograph a person points at."""
        path = self._dialogs.ask_open("Load a photograph", PHOTO_KINDS)
        if path is not None:
            self.load(path)

    def load(self, path: Path) -> None:
        """Load a photograph; a refusal is told."""
        try:
            self._take(read_photo(photo_bytes(path), path.name))
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))

    def take_practice_photo(self) -> None:
        """Photograph the piece in hand with the simulated camera."""
        pixels, corners = practice_photo(self._workspace.arrangement)
        self._take(pixels, list(corners))

    def _take(self, pixels: Pixels, corners: list[Corner] | None = None) -> None:
        name, content = kept_photo(pixels, KEPT_SIDE)
        kept = read_photo(content)
        share = kept.shape[1] / pixels.shape[1]
        self._workspace.document.add_photo(name, content)
        self._name, self._pixels = name, kept
        height, width = kept.shape[:2]
        marks = [(x * share, y * share) for x, y in corners] if corners else [
            (width * x, height * y) for x, y in ((0.2, 0.15), (0.8, 0.15), (0.8, 0.85), (0.2, 0.85))
        ]  # fmt: skip
        self._show_corners(marks)

    # Corners

    def _show_empty(self) -> None:
        self._pixels = None
        self.strips.setCurrentIndex(0)
        self.view.hide()
        self.hint.setText("No photograph is loaded. A practice photograph is drawn from this plan, with known sizes.")

    def _show_corners(self, corners: list[Corner]) -> None:
        assert self._pixels is not None
        self._view = None
        self._straight = None
        self._mark_px = MARK_PX
        self.strips.setCurrentIndex(1)
        self.view.show()
        self.view.show_photo(self._pixels, corners)
        self._choose_known(self._known)
        self.hint.setText(
            "Drag each ring to a corner; the round glass shows what lies under it. Arrow keys move the chosen one by a "
            "pixel, space takes the next."
        )

    def _corners_moved(self) -> None:
        if tuple(self.view.corners) != self._corners_at_fit:
            self._mark_px = MARK_PX

    def _choose_known(self, known: str) -> None:
        self._known = known
        self.corner_strip.show_known(known, self._workspace.piece, self.view.corners)

    def _tell_known(self) -> None:
        """Take a typed size for the outer size of the piece, when that is what is marked."""
        if self._known == "piece":
            sizes = (("width", self.corner_strip.known_width.length), ("height", self.corner_strip.known_height.length))
            changes = tuple((side, length) for side, length in sizes if length)
            self._workspace.commit(
                ChangePiece(piece=self._workspace.piece_id, changes=changes, label="Set the outer size")
            )

    def fit(self) -> None:
        """Pull the corners onto the edges seen near them."""
        if self._pixels is None:
            return
        try:
            fitted = fit_corners(self._pixels, in_order(self.view.corners))
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self.view.corners = list(fitted.corners)
        self._corners_at_fit = fitted.corners
        self._mark_px = fitted.error_px
        self.view.update()
        if fitted.sides == 4:
            self.hint.setText(f"All four sides were found; the corners are sure to about {fitted.error_px:.1f} pixels.")
        else:
            self.hint.setText(f"{fitted.sides} of four sides were found; the others stay as you marked them.")

    def straighten(self) -> None:
        """Pull the picture straight."""
        width, height = self.corner_strip.known_width.length, self.corner_strip.known_height.length
        if self._pixels is None or not width or not height:
            self._workspace.signals.refused.emit("Tell how wide and how high the marked rectangle is first.")
            return
        try:
            self._view = View(in_order(self.view.corners), Known(0.0, 0.0, width, height), self._mark_px)
            self.show_straight()
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))

    def _mark_again(self) -> None:
        if self._view is not None:
            self._show_corners(list(self._view.corners))

    # The picture pulled straight

    def show_straight(self) -> None:
        """Show the picture pulled straight by the view in hand."""
        assert self._pixels is not None
        assert self._view is not None
        region = region_of(self._view, self._workspace.piece, *self._pixels.shape[1::-1])
        self._straight = straightened(self._pixels, self._view, *region)
        self.strips.setCurrentIndex(2)
        self.view.show()
        self.view.lines, self.view.begun = [], None
        self.view.show_straight(self._straight, self._workspace.piece)
