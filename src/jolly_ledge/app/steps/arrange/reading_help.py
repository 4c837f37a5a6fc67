"""What a reading means, how it is computed, and two small looks: one it finds better, one it finds worse."""

from PySide6.QtCore import QPoint, QSize, Qt
from PySide6.QtWidgets import QFrame, QHBoxLayout, QLabel, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.texts import BoardLine, heading, question, words
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.readings.register import ReadingEntry
from jolly_ledge.render.player import fitted_pixmap
from jolly_ledge.texts.readings_explained import EXPLAINED

WIDE, DRAWING = 460, QSize(206, 150)


class ReadingHelp(QFrame):
    """Opens beside a reading; any press or Esc puts it away."""

    def __init__(self, over: QWidget) -> None:
        super().__init__(over, Qt.WindowType.Popup)
        self.setObjectName("keys-sheet")
        self.setFixedWidth(WIDE)
        column = QVBoxLayout(self)
        column.setContentsMargins(16, 12, 16, 14)
        column.setSpacing(6)
        self.title = heading("", 18)
        self.means = words("")
        self.computed = words("", "soft")
        self.drawings = (QLabel(), QLabel())
        column.addWidget(self.title)
        column.addWidget(BoardLine())
        column.addWidget(self.means)
        row = QHBoxLayout()
        for drawing, said in zip(self.drawings, ("Better", "Worse"), strict=True):
            drawing.setFixedSize(DRAWING)
            half = QVBoxLayout()
            half.addWidget(question(said, 14))
            half.addWidget(drawing)
            row.addLayout(half)
        column.addLayout(row)
        column.addWidget(question("How it is computed", 14))
        column.addWidget(self.computed)

    def open_for(self, entry: ReadingEntry, at: QPoint) -> None:
        """Explain a reading, to the left of a point of the screen."""
        told = EXPLAINED[entry.id]
        self.setAccessibleName(f"{entry.name}: {told.means} {told.computed}")
        self.title.setText(entry.name)
        self.means.setText(told.means)
        self.computed.setText(told.computed)
        for drawing, make in zip(self.drawings, (told.better, told.worse), strict=True):
            picture = look_picture(make(), scale_bar=False)
            drawing.setPixmap(fitted_pixmap(picture, DRAWING, self.devicePixelRatioF()))
        self.adjustSize()
        self.move(at.x() - self.width(), max(at.y(), 0))
        self.show()
