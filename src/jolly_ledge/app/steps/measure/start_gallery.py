"""The kinds of furniture to begin with, each as a small true drawing on a board."""

from collections.abc import Callable
from functools import lru_cache

from PySide6.QtCore import QRectF, QSize, Qt, Signal
from PySide6.QtGui import QColor, QPaintEvent
from PySide6.QtWidgets import (
    QAbstractButton,
    QFrame,
    QGridLayout,
    QHBoxLayout,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.widgets.texts import heading, paint_board, paint_card_ground, words
from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.theme import BOARD, INK, SOFT_INK
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.starts.gallery import STARTS, Start
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import fitting, play

CARD = QSize(146, 172)
COLUMNS = 5
DRAWING_HEIGHT = 100.0


@lru_cache(maxsize=64)
def start_picture(start: Start) -> Picture:
    """Return the drawing of a start."""
    piece = start.make()
    case = case_picture(piece)
    return Picture((*case.primitives, *front_shapes(piece)), case.left, case.top, case.right, min(case.bottom, 14.0))


class StartCard(QAbstractButton):
    """One kind: its drawing on a board, its name and what is told of it."""

    def __init__(self, start: Start, on_press: Callable[[Start], object]) -> None:
        super().__init__()
        self._start = start
        self.setText(start.name)
        self.setAccessibleName(f"{start.name}: {start.about}")
        self.setFixedSize(CARD)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.clicked.connect(lambda: on_press(start))

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the card."""
        painter = ground_painter(self)
        paint_card_ground(painter, self)
        picture = start_picture(self._start)
        area = QRectF(10, 8, self.width() - 20, DRAWING_HEIGHT)
        transform = fitting(picture, area)
        # All stand on one board, as large as they go.
        foot = transform.m22() * picture.bottom + transform.m32()
        painter.save()
        painter.translate(0, area.bottom() - foot)
        painter.setTransform(transform, True)
        play(painter, picture.primitives)
        painter.restore()
        paint_board(painter, QRectF(10, area.bottom() + 1, self.width() - 20, 5), BOARD)
        painter.setFont(font(13, "sans", 600))
        painter.setPen(QColor(INK))
        painter.drawText(
            QRectF(4, area.bottom() + 8, self.width() - 8, 20), Qt.AlignmentFlag.AlignCenter, self._start.name
        )
        painter.setFont(font(12))
        painter.setPen(QColor(SOFT_INK))
        painter.drawText(
            QRectF(8, area.bottom() + 27, self.width() - 16, 34),
            Qt.AlignmentFlag.AlignHCenter | Qt.AlignmentFlag.AlignTop | Qt.TextFlag.TextWordWrap,
            self._start.about,
        )


class StartGallery(QWidget):
    """Offers every kind; pressing one adds it to the plan."""

    picked = Signal(object)
    left = Signal()

    def __init__(self) -> None:
        super().__init__()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 4, 0, 0)
        row = QHBoxLayout()
        row.addWidget(heading("What is it?", 21))
        row.addWidget(words("a sensible start, to be corrected with the tape", "soft", wrap=False))
        row.addStretch(1)
        self.back = QPushButton("Back to the drawing")
        self.back.setMinimumHeight(28)
        self.back.clicked.connect(self.left)
        row.addWidget(self.back)
        column.addLayout(row)
        area = QScrollArea()
        area.setWidgetResizable(True)
        area.setFrameShape(QFrame.Shape.NoFrame)
        inside = QWidget()
        grid = QGridLayout(inside)
        grid.setContentsMargins(0, 4, 0, 4)
        grid.setHorizontalSpacing(6)
        grid.setVerticalSpacing(8)
        self.cards: dict[str, StartCard] = {}
        for index, start in enumerate(STARTS):
            card = StartCard(start, self.picked.emit)
            self.cards[start.id] = card
            grid.addWidget(card, index // COLUMNS, index % COLUMNS)
        grid.setRowStretch(len(STARTS) // COLUMNS + 1, 1)
        grid.setColumnStretch(COLUMNS, 1)
        area.setWidget(inside)
        column.addWidget(area, 1)
