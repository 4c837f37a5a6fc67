"""A picture to follow: what an arrangement somebody likes is like, to be taken over into the manner, point by point."""

from collections.abc import Callable
from pathlib import Path

from PySide6.QtCore import QRect, QRectF, QSize, Qt, Signal
from PySide6.QtGui import QColor, QMouseEvent, QPainter, QPaintEvent, QPen, QPixmap
from PySide6.QtWidgets import QCheckBox, QHBoxLayout, QSizePolicy, QVBoxLayout, QWidget

from jolly_ledge.app.dialogs import PHOTO_KINDS, Dialogs
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.colour_button import swatch
from jolly_ledge.app.widgets.page_head import PageHead
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.app.widgets.work_beside import WorkBeside
from jolly_ledge.drawing.theme import PLUM
from jolly_ledge.edits.looks import ChangeLook
from jolly_ledge.files.photo_file import photo_bytes
from jolly_ledge.jobs.requests import FollowRequest, PictureFound, Refused
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.hue_family import hue_family
from jolly_ledge.model.mishaps import survives
from jolly_ledge.photos.followed import Followed, followed, manner_following
from jolly_ledge.photos.image import Pixels, read_photo, smaller
from jolly_ledge.render.scene import image_from
from jolly_ledge.workspace.workspace import Workspace

SHOWN_PX, LEAST_PX, SIDE_WIDTH, SAID_HEIGHT, SWATCH_INDENT = 1000, 24, 340, 76, 24
ASK = (
    "Choose a picture of an arrangement the client likes. Colours, tones, skyline and fullness are measured; nothing "
    "of it is copied, and the picture is not kept."
)
DRAG = "Drag over the arrangement, without floor and ceiling, so that only it is measured."
BUSY, NOTHING = "Looking at the picture …", "Nothing stands out in this part; drag over more of it."


class PictureFrame(QWidget):
    """Shows a picture; a part of it is marked by dragging, and told in its pixels."""

    marked = Signal(QRect)

    def __init__(self) -> None:
        super().__init__()
        self._picture: QPixmap | None = None
        self._from: tuple[int, int] | None = None
        self.part = QRect()
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setAccessibleName("The picture to follow")
        self.setCursor(Qt.CursorShape.CrossCursor)

    def sizeHint(self) -> QSize:
        """Return a size in which a picture can be judged."""
        return QSize(640, 480)

    def show_picture(self, picture: QPixmap | None) -> None:
        """Show another picture, wholly marked."""
        self._picture = picture
        self.part = QRect() if picture is None else picture.rect()
        self.update()

    @property
    def is_marked(self) -> bool:
        """Whether less than the whole picture is marked."""
        return self._picture is not None and self.part != self._picture.rect()

    @property
    def _shown(self) -> QRectF:
        """Where the picture lies in the widget."""
        if self._picture is None:
            return QRectF()
        size = self._picture.size().scaled(self.size(), Qt.AspectRatioMode.KeepAspectRatio)
        return QRectF((self.width() - size.width()) / 2, 0, size.width(), size.height())

    def _pixel(self, event: QMouseEvent) -> tuple[int, int]:
        shown, at = self._shown, event.position()
        assert self._picture is not None
        share = self._picture.width() / max(shown.width(), 1.0)
        x, y = (at.x() - shown.left()) * share, (at.y() - shown.top()) * share
        return (min(max(int(x), 0), self._picture.width()), min(max(int(y), 0), self._picture.height()))

    @survives
    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Begin to mark a part."""
        if self._picture is not None and event.button() is Qt.MouseButton.LeftButton:
            self._from = self._pixel(event)

    @survives
    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Mark as far as the pointer is."""
        if self._from is not None:
            (left, top), (right, bottom) = self._from, self._pixel(event)
            self.part = QRect(min(left, right), min(top, bottom), abs(right - left), abs(bottom - top))
            self.update()

    @survives
    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Tell the part; a mere click marks the whole again."""
        if self._from is None or self._picture is None:
            return
        self.mouseMoveEvent(event)
        self._from = None
        if min(self.part.width(), self.part.height()) < LEAST_PX:
            self.part = self._picture.rect()
        self.update()
        self.marked.emit(self.part)

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the picture, what is not marked under a veil."""
        if self._picture is None:
            return
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        shown = self._shown
        painter.drawPixmap(shown, self._picture, QRectF(self._picture.rect()))
        share = shown.width() / self._picture.width()
        part = QRectF(
            shown.left() + self.part.x() * share, shown.top() + self.part.y() * share,
            self.part.width() * share, self.part.height() * share,
        )  # fmt: skip
        veil = QColor("#ffffff")
        veil.setAlpha(150)
        for rest in (
            QRectF(shown.left(), shown.top(), shown.width(), part.top() - shown.top()),
            QRectF(shown.left(), part.bottom(), shown.width(), shown.bottom() - part.bottom()),
            QRectF(shown.left(), part.top(), part.left() - shown.left(), part.height()),
            QRectF(part.right(), part.top(), shown.right() - part.right(), part.height()),
        ):
            painter.fillRect(rest, veil)
        painter.setPen(QPen(QColor(PLUM), 2.0))
        painter.drawRect(part)


class FollowPage(QWidget):
    """The picture at the left, what was measured of it at the right, each with a tick; one press takes it over."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs, on_back: Callable[[], object]) -> None:
        super().__init__()
        self._workspace, self._dialogs, self._on_back = workspace, dialogs, on_back
        self._pixels: Pixels | None = None
        self._found: tuple[Followed, ...] = ()
        self.work = WorkBeside(self)
        self.work.answered.connect(self._hear)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addLayout(PageHead("A picture to follow", "", "Back to the brief", on_back))
        row = QHBoxLayout()
        row.setSpacing(18)
        self.frame = PictureFrame()
        self.frame.marked.connect(self._read)
        row.addWidget(self.frame, 1)
        row.addWidget(self._side())
        column.addLayout(row, 1)

    def _side(self) -> QWidget:
        side = QWidget()
        side.setFixedWidth(SIDE_WIDTH)
        column = QVBoxLayout(side)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(8)
        self.choose_button = chip("Choose a picture", "A photograph or a page of a magazine", checkable=False)
        self.choose_button.clicked.connect(self.choose)
        column.addWidget(self.choose_button, 0, Qt.AlignmentFlag.AlignLeft)
        self.said = words(ASK, "soft")
        self.said.setMinimumHeight(SAID_HEIGHT)
        self.said.setAlignment(Qt.AlignmentFlag.AlignTop)
        column.addWidget(self.said)
        self._results, self._beside = QWidget(), column
        column.addWidget(self._results)
        self.ticks: dict[str, QCheckBox] = {}
        self.take_button = chip("Take over what is ticked", "Into the manner of the look in hand", checkable=False)
        self.take_button.clicked.connect(self.take_over)
        self.take_button.setEnabled(False)
        column.addWidget(self.take_button, 0, Qt.AlignmentFlag.AlignLeft)
        column.addStretch(1)
        return side

    def choose(self) -> None:
        """Ask for a picture and look at it."""
        path = self._dialogs.ask_open("A picture to follow", PHOTO_KINDS)
        if path is not None:
            self.look_at(path)

    def look_at(self, path: Path) -> None:
        """Look at a picture; where it cannot be read, why is told and the one before stays."""
        try:
            pixels = smaller(read_photo(photo_bytes(path), path.name), SHOWN_PX)
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self._pixels = pixels
        self.frame.show_picture(QPixmap.fromImage(image_from(pixels)))
        self._read(self.frame.part)

    def _read(self, part: QRect) -> None:
        if self._pixels is None:
            return
        shown = self._pixels[part.top() : part.top() + part.height(), part.left() : part.left() + part.width()]
        self._show(())
        self.said.setText(BUSY)
        self.work.start(FollowRequest(shown), self._workspace.revision)

    def _hear(self, event: object) -> None:
        if isinstance(event, PictureFound):
            self._show(followed(event.read))
            self.said.setText(DRAG if self._found else NOTHING)
        elif isinstance(event, Refused):
            self.said.setText(event.sentence)

    def _show(self, found: tuple[Followed, ...]) -> None:
        """Show what was found in the place of what was found before."""
        results = QWidget()
        rows = QVBoxLayout(results)
        rows.setContentsMargins(0, 0, 0, 0)
        rows.setSpacing(8)
        self._found, self.ticks = found, {}
        for one in found:
            what, _, told = one.said.partition(": ")
            colours = one.value if isinstance(one.value, tuple) else ()
            self.ticks[one.field] = tick = QCheckBox(what if colours else one.said)
            # Furniture is mirrored, too: of a whole picture the skyline says little.
            tick.setChecked(one.is_sure and (one.field != "figure" or self.frame.is_marked))
            rows.addWidget(tick)
            if colours:
                rows.addWidget(shares := words(told, "soft"))
                shares.setIndent(SWATCH_INDENT)
                rows.addLayout(self._swatches(colours))
        self._beside.replaceWidget(self._results, results)
        self._results.setParent(None)
        self._results = results
        results.show()
        self.take_button.setEnabled(bool(found))

    def _swatches(self, colours: tuple[str, ...]) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setContentsMargins(SWATCH_INDENT, 0, 0, 0)
        for colour in colours:
            shown = chip(hue_family(colour), colour, checkable=False, small=True)
            shown.setIcon(swatch(colour))
            shown.setFocusPolicy(Qt.FocusPolicy.NoFocus)
            row.addWidget(shown)
        row.addStretch(1)
        return row

    def take_over(self) -> None:
        """Make what is ticked the manner of the look in hand, as one step."""
        workspace = self._workspace
        chosen = tuple(one for one in self._found if self.ticks[one.field].isChecked())
        if not chosen or not workspace.look_id:
            workspace.signals.refused.emit("Nothing is ticked; tick what of the picture is to be followed.")
            return
        manner = manner_following(workspace.look.manner, chosen)
        workspace.commit(ChangeLook(look=workspace.look_id, changes=(("manner", manner),), label="Follow a picture"))
        self._on_back()
