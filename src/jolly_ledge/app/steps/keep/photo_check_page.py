"""The photograph of the finished piece beside its plan: the same eye on both, and marks where they differ."""

from collections.abc import Callable

from msgspec import Struct
from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QColor, QFontMetricsF, QPaintEvent, QPen, QPixmap
from PySide6.QtWidgets import QHBoxLayout, QLabel, QPushButton, QSizePolicy, QStackedWidget, QVBoxLayout, QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.views.photo_view import PhotoView
from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.app.widgets.page_head import PageHead
from jolly_ledge.app.widgets.texts import BoardLine, question, words
from jolly_ledge.app.widgets.work_beside import WorkBeside
from jolly_ledge.drawing.look import painting_order
from jolly_ledge.drawing.theme import INK, OCHRE, PLUM, RUST, SHEET
from jolly_ledge.edits.log import AddLookPhoto
from jolly_ledge.edits.placing import FindElsewhere
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.jobs.requests import CheckFound, CheckRequest, Refused
from jolly_ledge.model.deviation import Deviation
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.look import LookPhoto
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.phrases import capital, counted, percent
from jolly_ledge.model.value import changed
from jolly_ledge.photos.check import FoundThing, PhotoCheck, PlannedThing
from jolly_ledge.photos.image import Pixels, read_photo
from jolly_ledge.photos.looks import grey, squinted, weight_picture
from jolly_ledge.photos.perspective import Known, View, in_order
from jolly_ledge.photos.rectify import straightened
from jolly_ledge.render.fonts import font
from jolly_ledge.render.scene import image_from, plan_pixels
from jolly_ledge.scene.marks import marks_of
from jolly_ledge.workspace.workspace import Workspace

CHECK_SIDE, FOUND_FROM = 520, 0.2
AS_IT_IS, GREY, SQUINT, WEIGHT = "as-it-is", "grey", "squint", "weight"
WAYS = (
    (AS_IT_IS, "As it is", "The photograph pulled straight, beside the drawing"),
    (GREY, "Grey", "Light and dark alone"),
    (SQUINT, "Squint", "Blurred and grey: what is left is what weighs"),
    (WEIGHT, "What weighs", "How far every point stands out from its surroundings"),
)
MOST_LISTED = 7
Straight = tuple[Pixels, Pixels, float]
"""The plan and the photograph at one scale, and how many pixels a mm is."""


class Asked(Struct, frozen=True):
    """What is being compared: a look as it stood, with one of its photographs."""

    look_id: str
    photo_name: str
    arrangement: Arrangement

    @property
    def things(self) -> list[PlannedThing]:
        """What is to be found, the far ones first, in mm from the upper left corner of the piece.

        What stands behind others and is hardly seen cannot be found in a photograph.
        """
        high = self.arrangement.piece.height
        shown = {mark.id for mark in marks_of(self.arrangement) if mark.in_sight >= FOUND_FROM}
        return [
            PlannedThing(s.id, s.left, high - s.top, s.right, high - s.bottom)
            for s in painting_order(self.arrangement.placed_items)
            if s.id in shown
        ]


class BesideView(QWidget):
    """The plan and the photograph at one scale, with marks where they differ."""

    def __init__(self) -> None:
        super().__init__()
        self._pictures: tuple[QPixmap, QPixmap] | None = None
        self._marks: list[tuple[QRectF, str, str]] = []
        self._scale = 1.0
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumSize(360, 280)
        self.setAccessibleName("The plan on the left, the photograph on the right")

    def show_pictures(self, planned: Pixels, seen: Pixels, scale: float) -> None:
        """Show two pictures of so many pixels for one mm."""
        self._pictures = (QPixmap.fromImage(image_from(planned)), QPixmap.fromImage(image_from(seen)))
        self._scale = scale
        self.update()

    def show_marks(self, marks: list[tuple[QRectF, str, str]]) -> None:
        """Mark places of the photograph (mm from its upper left corner), with a word and a colour each."""
        self._marks = marks
        self.update()

    def areas(self) -> tuple[QRectF, QRectF]:
        """Return where the two pictures are shown."""
        if self._pictures is None:
            return QRectF(), QRectF()
        room = QRectF(self.rect()).adjusted(4, 26, -4, -4)
        width, height = self._pictures[0].width(), self._pictures[0].height()
        share = min((room.width() - 18) / 2 / width, room.height() / height)
        wide, high = width * share, height * share
        left = room.center().x() - wide - 9
        return QRectF(left, room.top(), wide, high), QRectF(left + wide + 18, room.top(), wide, high)

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint both, and the marks."""
        if self._pictures is None:
            return
        painter = ground_painter(self, smooth=True)
        painter.setFont(font(14, "serif", italic=True))
        painter.setPen(QColor(INK))
        areas = self.areas()
        for picture, area, title in zip(self._pictures, areas, ("As planned", "As it stands"), strict=True):
            painter.drawText(QPointF(area.left(), area.top() - 9), title)
            painter.drawPixmap(area, picture, QRectF(picture.rect()))
        share = areas[1].width() / self._pictures[1].width() * self._scale
        painter.setFont(font(12, "sans", 700))
        for place, word, colour in self._marks:
            shown = QRectF(
                areas[1].left() + place.left() * share, areas[1].top() + place.top() * share, place.width() * share,
                place.height() * share,
            )  # fmt: skip
            painter.setBrush(Qt.BrushStyle.NoBrush)
            for ink, wide in ((SHEET, 4.0), (colour, 2.0)):
                painter.setPen(QPen(QColor(ink), wide))
                painter.drawRoundedRect(shown, 5, 5)
            wide = QFontMetricsF(painter.font()).horizontalAdvance(word) + 12
            plate = QRectF(shown.left(), shown.top() - 10, wide, 20)
            painter.setPen(QPen(QColor(colour), 1.2))
            painter.setBrush(QColor(SHEET))
            painter.drawRoundedRect(plate, 6, 6)
            painter.setPen(QColor(INK))
            painter.drawText(plate, Qt.AlignmentFlag.AlignCenter, word)


class PhotoCheckPage(QWidget):
    """Marks four corners, pulls the photograph straight, and tells what differs."""

    def __init__(self, workspace: Workspace, on_back: Callable[[], object]) -> None:
        super().__init__()
        self._workspace = workspace
        self.look_id = self._photo_name = ""
        self._pixels: Pixels | None = None
        self._straight: Straight | None = None
        self.check: PhotoCheck | None = None
        self.compared: Asked | None = None
        self._comparing: Asked | None = None
        self.work = WorkBeside(self)
        self.work.answered.connect(self._hear)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addLayout(PageHead("Photograph and plan", "", "Back to the log", on_back))
        self.hint = words("", "soft")
        column.addWidget(self.hint)
        self.strips = QStackedWidget()
        self.strips.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Fixed)
        self.straighten_button = QPushButton("Pull it straight")
        self.straighten_button.setObjectName("primary")
        self.straighten_button.setMinimumHeight(30)
        self.straighten_button.clicked.connect(self.straighten)
        first = QWidget()
        line = QHBoxLayout(first)
        line.setContentsMargins(0, 0, 0, 0)
        line.addWidget(self.straighten_button)
        line.addStretch(1)
        self.ways = ChipRow(WAYS, self.look_in_way)
        self.again_button = chip("Mark the corners again", "", checkable=False)
        self.again_button.clicked.connect(self._mark_again)
        second = QWidget()
        line = QHBoxLayout(second)
        line.setContentsMargins(0, 0, 0, 0)
        line.addWidget(self.ways)
        line.addWidget(self.again_button)
        for strip in (first, second):
            self.strips.addWidget(strip)
        column.addWidget(self.strips)
        row = QHBoxLayout()
        self.pages = QStackedWidget()
        self.corners_view = PhotoView()
        self.beside = BesideView()
        self.pages.addWidget(self.corners_view)
        self.pages.addWidget(self.beside)
        row.addWidget(self.pages, 1)
        self.told = QWidget()
        self.told.setFixedWidth(300)
        self._lines = QVBoxLayout(self.told)
        self._lines.setContentsMargins(8, 4, 0, 0)
        row.addWidget(self.told)
        column.addLayout(row, 1)

    # Taking a photograph in hand

    def begin(self, look_id: str, photo_name: str) -> bool:
        """Show a photograph of a look; return whether it can be read."""
        workspace = self._workspace
        self.look_id, self._photo_name = look_id, photo_name
        self._straight = self.check = None
        self._drop_comparison()
        if photo_name not in workspace.document.photos:
            workspace.signals.refused.emit(f"“{photo_name}” is not in the file any more; add the photograph again.")
            return False
        try:
            self._pixels = read_photo(workspace.document.photos[photo_name], "the photograph")
        except JollyLedgeError as error:
            workspace.signals.refused.emit(str(error))
            return False
        photo = self._photo
        height, width = self._pixels.shape[:2]
        guess = [(width * x, height * y) for x, y in ((0.2, 0.15), (0.8, 0.15), (0.8, 0.85), (0.2, 0.85))]
        self.corners_view.show_photo(self._pixels, list(photo.corners) if photo and photo.corners else guess)
        self._mark_again()
        if photo is not None and photo.corners:
            self.straighten()
        return True

    @property
    def _photo(self) -> LookPhoto | None:
        look = self._workspace.plan.look(self.look_id)
        return next((photo for photo in look.photos if photo.name == self._photo_name), None)

    def _mark_again(self) -> None:
        self.strips.setCurrentIndex(0)
        self.pages.setCurrentWidget(self.corners_view)
        self.told.hide()
        self.hint.setText(
            "Drag each ring to an outer corner of the piece; the round glass shows what lies under it. Arrow keys move "
            "the chosen one by a pixel, space takes the next."
        )

    def straighten(self) -> None:
        """Pull the photograph straight by its corners, and begin to compare."""
        workspace, pixels = self._workspace, self._pixels
        if pixels is None:
            return
        look = workspace.plan.look(self.look_id)
        piece = workspace.plan.piece(look.piece)
        try:
            corners = in_order(self.corners_view.corners)
            view = View(corners, Known(0.0, 0.0, piece.width, piece.height))
            straight = straightened(pixels, view, 0.0, 0.0, piece.width, piece.height, CHECK_SIDE)
        except JollyLedgeError as error:
            workspace.signals.refused.emit(str(error))
            return
        photo = self._photo
        if photo is not None and photo.corners != corners:
            workspace.commit(AddLookPhoto(look=look.id, photo=changed(photo, corners=corners), name=look.label))
        arrangement = arrange(workspace.plan, look)
        planned = plan_pixels(arrangement, straight.scale)
        high, wide = (min(a, b) for a, b in zip(planned.shape[:2], straight.image.shape[:2], strict=True))
        self._straight = (planned[:high, :wide], straight.image[:high, :wide], straight.scale)
        self.strips.setCurrentIndex(1)
        self.pages.setCurrentWidget(self.beside)
        self.ways.show_choice(AS_IT_IS)
        self.look_in_way(AS_IT_IS)
        self.beside.show_marks([])
        self.hint.setText("Comparing …")
        self._comparing = Asked(look.id, self._photo_name, arrangement)
        self.work.start(CheckRequest(*self._straight, self._comparing.things), workspace.revision)

    # Comparing, beside the window's own thread

    @property
    def is_busy(self) -> bool:
        """Whether it is comparing."""
        return self._comparing is not None

    def _drop_comparison(self) -> None:
        """Let go of what is being compared: its answer comes too late and is not shown."""
        self.work.forget()
        self._comparing = None

    def _hear(self, event: object) -> None:
        asked, self._comparing = self._comparing, None
        if isinstance(event, CheckFound) and asked is not None:
            self.check = event.check
            self._tell(asked, self.check)
        elif isinstance(event, Refused):
            self._workspace.signals.refused.emit(
                f"The photograph cannot be compared: {event.sentence} Mark the corners again."
            )

    def _tell(self, asked: Asked, check: PhotoCheck) -> None:
        self.compared = asked
        arrangement = asked.arrangement
        self.told.show()
        while (old := self._lines.takeAt(0)) is not None:
            widget = old.widget()
            if widget is not None:
                widget.hide()
                widget.deleteLater()
        self._lines.addWidget(question("The same eye on both"))
        self._lines.addWidget(BoardLine())
        for line in figures_of(check):
            self._lines.addWidget(words(line))
        self._lines.addSpacing(8)
        differing = [thing for thing in check.things if thing.state in ("moved", "not found")]
        covered = sum(thing.state == "covered" for thing in check.things)
        self._lines.addWidget(question("What differs"))
        self._lines.addWidget(BoardLine())
        marks: list[tuple[QRectF, str, str]] = []
        for number, thing in enumerate(differing, start=1):
            marks.append(self._mark(thing, number, arrangement))
            if number <= MOST_LISTED:
                self._lines.addWidget(self._line(thing, number, asked))
        if len(differing) > MOST_LISTED:
            self._lines.addWidget(words(f"and {len(differing) - MOST_LISTED} more", "small"))
        for place in check.strange:
            marks.append((QRectF(place.left, place.top, place.width, place.height), "?", OCHRE))
        if check.strange:
            said = (
                f"{capital(counted(len(check.strange), 'place'))} (?) where something is that the plan does not have."
            )
            self._lines.addWidget(words(said))
        if not differing and not check.strange:
            self._lines.addWidget(words("All of it stands as planned.", "good"))
        self._lines.addStretch(1)
        same = len(check.things) - len(differing) - covered
        hidden = f" {capital(counted(covered, 'thing'))} cannot be told, behind what was moved." if covered else ""
        self.hint.setText(
            f"{same} of {len(check.things)} things stand as planned, to about 15 mm. What stands far before the back "
            f"is seen a little aside by any camera; a tape decides.{hidden}"
        )
        self.beside.show_marks(marks)

    def _mark(self, thing: FoundThing, number: int, arrangement: Arrangement) -> tuple[QRectF, str, str]:
        placed, high = arrangement.by_id[thing.placement], arrangement.piece.height
        area = QRectF(placed.left, high - placed.top, placed.width, placed.height)
        colour = PLUM if thing.state == "moved" else RUST
        return area.translated(thing.along, -thing.upward), str(number), colour

    def _line(self, thing: FoundThing, number: int, asked: Asked) -> QWidget:
        item = asked.arrangement.by_id[thing.placement].item
        line = QWidget()
        row = QHBoxLayout(line)
        row.setContentsMargins(0, 0, 0, 0)
        if thing.state == "not found":
            row.addWidget(words(f"{number}. Not seen where planned, nor near it: the {item.label}."), 1)
            return line
        said = self._workspace.length(abs(round(thing.along / 5) * 5))
        way = "right" if thing.along > 0 else "left"
        text: QLabel = words(f"{number}. Further {way} by {said}: the {item.label}.")
        row.addWidget(text, 1)
        take = chip("Keep it so", "Move it in the plan to where it stands", checkable=False)
        take.clicked.connect(lambda: self.keep_so(asked, thing, f"{said} further {way} in the photograph"))
        row.addWidget(take)
        return line

    def keep_so(self, asked: Asked, thing: FoundThing, said: str) -> None:
        """Move a thing in the plan to where the photograph shows it, unless the look has changed since."""
        workspace = self._workspace
        item = asked.arrangement.by_id[thing.placement].item
        look = next((look for look in workspace.plan.looks if look.id == asked.look_id), None)
        if look is None or look.placements != asked.arrangement.look.placements:
            workspace.signals.refused.emit(
                "The look has changed since it was compared; pull the photograph straight again."
            )
            return
        photo = self._photo
        edit = FindElsewhere(
            look=look.id, placement=thing.placement, found=Deviation(along=round(thing.along / 5) * 5.0),
            said=said, name=item.label, date=photo.date if photo else "",
        )  # fmt: skip
        if workspace.commit(edit):
            workspace.signals.told.emit(f"The {item.label} stands in the plan as in the photograph.")
            self.straighten()

    # Ways of looking

    def look_in_way(self, way: str) -> None:
        """Look at both as they are, grey, squinting, or by what weighs."""
        if self._straight is None:
            return
        planned, seen, scale = self._straight
        shown: dict[str, Callable[[Pixels], Pixels]] = {
            AS_IT_IS: lambda picture: picture, GREY: grey, SQUINT: lambda picture: squinted(picture, scale),
            WEIGHT: lambda picture: weight_picture(picture, scale),
        }  # fmt: skip
        self.beside.show_pictures(shown[way](planned), shown[way](seen), scale)


def figures_of(check: PhotoCheck) -> list[str]:
    """Return what the eye measures in the plan and in the photograph, in lines."""
    planned, seen = check.planned, check.seen

    def side(balance: float) -> str:
        return f"{percent(abs(balance))} {'left' if balance < 0 else 'right'}"

    return [
        f"Balance point: {side(planned.balance)} planned, {side(seen.balance)} seen",
        f"Left of the middle: {percent(planned.left_share)} planned, {percent(seen.left_share)} seen",
        f"Upper half: {percent(planned.top_share)} planned, {percent(seen.top_share)} seen",
        f"Centre of weight: {percent(planned.low)} up planned, {percent(seen.low)} seen",
        f"Contrast: {planned.contrast:.1f} planned, {seen.contrast:.1f} seen",
    ]
