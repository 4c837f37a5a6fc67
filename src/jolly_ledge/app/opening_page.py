"""What one sees first: the plans that were open lately as pictures, a new one, the demo and a walk through it."""

from collections.abc import Callable
from functools import partial
from pathlib import Path

from PySide6.QtCore import QRectF, QSize, Qt, QTimer
from PySide6.QtGui import QColor, QPaintEvent, QPixmap
from PySide6.QtWidgets import QAbstractButton, QGridLayout, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.widgets.texts import BoardLine, heading, paint_board, paint_card_ground, question, words
from jolly_ledge.demo import demo_bytes
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.theme import BOARD, INK, SOFT_INK
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.plan_file import open_plan
from jolly_ledge.files.recent import RecentFiles
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.look import Look
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.plan import Plan
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import fitted_pixmap

CARD = QSize(206, 214)
COLUMNS, MOST_SHOWN = 3, 6
LARGEST_DRAWN = 40_000_000
"""A larger file is named and not drawn: reading it would make the page wait."""

Doing = Callable[[], object]


class PictureCard(QAbstractButton):
    """A plan or a piece: a look of it on a board, its name, and where it is from."""

    def __init__(
        self, name: str, about: str, on_press: Doing, picture: Callable[["PictureCard"], QPixmap | None]
    ) -> None:
        super().__init__()
        self.about = about
        self.picture: QPixmap | None = None
        self._make = picture
        self.setText(name)
        self.setAccessibleName(f"{name}, {about}")
        self.setFixedSize(CARD)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.clicked.connect(lambda: on_press())

    def draw(self) -> None:
        """Make the picture."""
        self.picture = self._make(self)
        self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the card."""
        painter = ground_painter(self)
        paint_card_ground(painter, self)
        if self.picture is not None:
            painter.drawPixmap(12, 10, self.picture)
        paint_board(painter, QRectF(12, 154, self.width() - 24, 5), BOARD)
        for text, size, weight, colour, top in (
            (self.text(), 14, 600, INK, 164), (self.about, 12, 400, SOFT_INK, 186),
        ):  # fmt: skip
            painter.setFont(font(size, "sans", weight))
            painter.setPen(QColor(colour))
            said = painter.fontMetrics().elidedText(text, Qt.TextElideMode.ElideMiddle, self.width() - 16)
            painter.drawText(QRectF(8, top, self.width() - 16, 22), Qt.AlignmentFlag.AlignCenter, said)


def _pixmap_of(plan: Plan, look: Look, ratio: float) -> QPixmap:
    """Return a look as a picture for a card."""
    size = QSize(CARD.width() - 24, 140)
    return fitted_pixmap(look_picture(arrange(plan, look), scale_bar=False), size, ratio)


def _plan_picture(path: Path, card: PictureCard) -> QPixmap | None:
    """Return the fullest look of a plan; one that cannot be read says so, and why when it is pressed."""
    if path.stat().st_size > LARGEST_DRAWN:
        return None
    try:
        plan, _ = open_plan(path)
    except JollyLedgeError:
        card.about = "cannot be read"
        return None
    card.setText(plan.name or path.stem)
    looks = sorted(plan.looks, key=lambda one: -len(one.placements))
    return _pixmap_of(plan, looks[0], card.devicePixelRatioF()) if looks else None


class OpeningPage(QWidget):
    """Leads into the work.

    Parameters
    ----------
    recent : RecentFiles, optional
        What was open lately.
    on_open : callable
        Called with the path of a plan that is pressed.
    begin, ask_open, open_demo, walk : callable
        Begin a new plan, open one from a file, open the demo (with a look of it in hand), walk through it.
    """

    def __init__(
        self,
        recent: RecentFiles | None,
        on_open: Callable[[Path], object],
        *,
        begin: Doing,
        ask_open: Doing,
        open_demo: Callable[..., object],
        walk: Doing,
    ) -> None:
        super().__init__()
        self._recent, self._on_open, self._open_demo = recent, on_open, open_demo
        self.cards: list[PictureCard] = []
        self.demo_cards: list[PictureCard] = []
        row = QHBoxLayout(self)
        row.setContentsMargins(48, 34, 40, 24)
        row.setSpacing(48)
        left = QVBoxLayout()
        left.setSpacing(8)
        left.addWidget(heading("What shall be arranged?", 28))
        left.addWidget(BoardLine())
        left.addSpacing(10)
        self.buttons: dict[str, QPushButton] = {}
        for name, about, doing in (
            ("A new piece", "Choose what it is, measure it, gather what may stand there.", begin),
            ("Open a plan", "From a file, with its photographs.", ask_open),
            ("The demo, Vesper Row", "A house made ready for an open evening, with six pieces.", open_demo),
            ("A walk through the demo", "Ten stops, a sentence each; it shows you where things are.", walk),
        ):
            button = QPushButton(name)
            button.setMinimumHeight(38)
            button.setAccessibleDescription(about)
            button.clicked.connect(lambda _=False, doing=doing: doing())
            self.buttons[name] = button
            left.addWidget(button)
            left.addWidget(words(about, "soft"))
            left.addSpacing(8)
        self.buttons["A new piece"].setObjectName("primary")
        left.addStretch(1)
        left.addWidget(words("Whatever stands heavy or high, burns, or carries current: what makers, local codes and "
                             "licensed people say comes first.", "small"))  # fmt: skip
        holder = QWidget()
        holder.setLayout(left)
        holder.setFixedWidth(330)
        row.addWidget(holder)
        right = QVBoxLayout()
        self.lately = question("Open lately", 19)
        self.grid, self.demo_grid = QGridLayout(), QGridLayout()
        self.from_demo = question("From the demo", 19)
        right.addWidget(self.lately)
        right.addLayout(self.grid)
        right.addWidget(self.from_demo)
        right.addLayout(self.demo_grid)
        right.addStretch(1)
        row.addLayout(right, 1)
        # Drawings come one by one: the page is there at once.
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.timeout.connect(self._draw_next)

    def refresh(self) -> None:
        """Show what was open lately, and pieces of the demo where there is room."""
        for card in (*self.cards, *self.demo_cards):
            card.hide()
            card.deleteLater()
        paths = self._recent.paths()[:MOST_SHOWN] if self._recent is not None else ()
        self.cards = [
            PictureCard(path.stem, str(path.parent), partial(self._on_open, path), partial(_plan_picture, path))
            for path in paths
        ]
        rows_left = MOST_SHOWN // COLUMNS - -(-len(self.cards) // COLUMNS)
        self.demo_cards = self._of_the_demo(rows_left * COLUMNS)
        for cards, grid in ((self.cards, self.grid), (self.demo_cards, self.demo_grid)):
            for number, card in enumerate(cards):
                grid.addWidget(card, number // COLUMNS, number % COLUMNS, Qt.AlignmentFlag.AlignLeft)
            grid.setColumnStretch(COLUMNS, 1)
        self.lately.setVisible(bool(self.cards))
        self.from_demo.setVisible(bool(self.demo_cards))
        self._waiting = [*self.cards, *self.demo_cards]
        self._later.start(30)

    def _of_the_demo(self, most: int) -> list[PictureCard]:
        """Return cards for pieces of the demo."""
        plan = plan_from_json(demo_bytes())
        fullest = [
            max(plan.looks_of(piece.id), key=lambda look: len(look.placements))
            for piece in plan.pieces
            if plan.looks_of(piece.id)
        ]
        return [
            PictureCard(
                plan.piece(look.piece).label, look.label, partial(self._open_demo, look.id),
                lambda card, look=look: _pixmap_of(plan, look, card.devicePixelRatioF()),  # type: ignore[misc]
            )
            for look in fullest[:most]
        ]  # fmt: skip

    def _draw_next(self) -> None:
        if self._waiting and self.isVisible():
            self._waiting.pop(0).draw()
            self._later.start(10)
