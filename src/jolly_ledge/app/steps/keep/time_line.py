"""The looks of a piece on a time line: painted row by row, only those in sight."""

from PySide6.QtCore import (
    QAbstractListModel,
    QModelIndex,
    QPersistentModelIndex,
    QPointF,
    QRectF,
    QSize,
    Qt,
    QTimer,
    Signal,
)  # fmt: skip
from PySide6.QtGui import QColor, QPainter, QPen, QPixmap, QShowEvent
from PySide6.QtWidgets import QListView, QStyle, QStyledItemDelegate, QStyleOptionViewItem

from jolly_ledge.app.modules_ahead import FOR_READINGS, when_read
from jolly_ledge.app.tones import tones
from jolly_ledge.app.widgets.texts import paint_board
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.theme import BOARD, INK, PLUM, PLUM_TINT, SHEET, SOFT_INK, TEAL
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.log import STATUS_WORDS, Chapter, chapters_of, hours_of
from jolly_ledge.model.look import Look
from jolly_ledge.model.mishaps import survives
from jolly_ledge.readings.register import assess
from jolly_ledge.render.canvas import clear_canvas
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import play_fitted
from jolly_ledge.workspace.workspace import Workspace

ROW, HEADING = 124, 40
THUMBNAIL = 116.0
LINE_X = 14.0
MOST_KEPT = 200
Index = QModelIndex | QPersistentModelIndex
LookRole = Qt.ItemDataRole.UserRole
_Key = tuple[Look, int]


class TimeLineModel(QAbstractListModel):
    """Chapters and looks as rows: a chapter's title, or a look."""

    def __init__(self) -> None:
        super().__init__()
        self.rows: list[str | Look] = []

    def show_looks(self, looks: tuple[Look, ...]) -> None:
        """Show looks by season, the latest first."""
        rows: list[str | Look] = []
        for chapter in chapters_of(looks):
            rows += _rows_of(chapter)
        if [_key(row) for row in rows] == [_key(row) for row in self.rows]:
            self.rows = rows
            self.dataChanged.emit(self.index(0), self.index(len(rows) - 1))
        else:
            self.beginResetModel()
            self.rows = rows
            self.endResetModel()

    def rowCount(self, parent: Index | None = None) -> int:
        """Return how many rows there are."""
        return len(self.rows)

    def data(self, index: Index, role: int = Qt.ItemDataRole.DisplayRole) -> object:
        """Return the words or the look of a row."""
        if not 0 <= index.row() < len(self.rows):
            return None
        row = self.rows[index.row()]
        if role == LookRole:
            return row if isinstance(row, Look) else None
        if role in (Qt.ItemDataRole.DisplayRole, Qt.ItemDataRole.AccessibleTextRole):
            return row.label if isinstance(row, Look) else row
        return None

    def flags(self, index: Index) -> Qt.ItemFlag:
        """Only looks are chosen."""
        is_look = 0 <= index.row() < len(self.rows) and isinstance(self.rows[index.row()], Look)
        return Qt.ItemFlag.ItemIsEnabled | Qt.ItemFlag.ItemIsSelectable if is_look else Qt.ItemFlag.NoItemFlags

    def row_of(self, look_id: str) -> int:
        """Return the row of a look, −1 where it is not shown."""
        return next((n for n, row in enumerate(self.rows) if isinstance(row, Look) and row.id == look_id), -1)


def _rows_of(chapter: Chapter) -> list[str | Look]:
    return [chapter.title, *chapter.looks]


def _key(row: str | Look) -> str:
    return f"look {row.id}" if isinstance(row, Look) else row


class _Painter(QStyledItemDelegate):
    """Paints a season's title or a look beside its thumbnail; thumbnails are drawn one by one, after the words."""

    drawn = Signal()

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._kept: dict[_Key, QPixmap] = {}
        self._scores: dict[_Key, float] = {}
        self._wanted: dict[_Key, float] = {}
        self._may_read = False
        self._turn = QTimer(self)
        self._turn.timeout.connect(self._go_on)

    def sizeHint(self, option: QStyleOptionViewItem, index: Index) -> QSize:
        """Return the height of a row."""
        return QSize(300, ROW if index.data(LookRole) is not None else HEADING)

    @survives
    def paint(self, painter: QPainter, option: QStyleOptionViewItem, index: Index) -> None:
        """Paint one row."""
        look = index.data(LookRole)
        area = QRectF(option.rect)
        painter.save()
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        if look is None:
            painter.setFont(font(16, "serif", 600))
            painter.setPen(QColor(tones().ink))
            painter.drawText(area.adjusted(LINE_X + 16, 0, 0, -8), Qt.AlignmentFlag.AlignBottom, str(index.data()))
            paint_board(painter, QRectF(area.left(), area.bottom() - 5, area.width() - 8, 4), BOARD)
        else:
            chosen = bool(option.state & QStyle.StateFlag.State_Selected)
            self._paint_look(painter, area, look, chosen=chosen)
        painter.restore()

    def _paint_look(self, painter: QPainter, area: QRectF, look: Look, *, chosen: bool) -> None:
        in_hand = look.id == self._workspace.look_id
        card = area.adjusted(LINE_X + 14, 4, -8, -4)
        painter.setPen(QPen(QColor(PLUM), 1.6) if chosen else Qt.PenStyle.NoPen)
        painter.setBrush(QColor(PLUM_TINT if chosen else SHEET))
        painter.drawRoundedRect(card, 8, 8)
        painter.setPen(QPen(QColor(BOARD), 2))
        x, middle = area.left() + LINE_X, card.center().y()
        painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()))
        painter.setPen(QPen(QColor(SHEET), 2))
        painter.setBrush(QColor(TEAL if look.status == "placed" else PLUM if in_hand else BOARD))
        painter.drawEllipse(QPointF(x, middle), 6, 6)
        key = self._key(look)
        reads = f"reads {self._workspace.shown(self._scores[key], look)}" if key in self._scores else ""
        if (picture := self._kept.get(key)) is not None:
            wide = picture.deviceIndependentSize().width()
            painter.drawPixmap(QPointF(card.left() + 8 + (THUMBNAIL - wide) / 2, card.top() + 4), picture)
        if key not in self._scores:
            self._wanted[key] = painter.device().devicePixelRatio()
            self._turn.start()
        left = card.left() + THUMBNAIL + 22
        words = [
            (look.label, font(14, "sans", 600), INK),
            (" · ".join(self._facts(look)), font(13), SOFT_INK),
            (reads if look.placements else "empty", font(13, "sans", 600), TEAL),
            (look.note.split("\n", 1)[0], font(12), SOFT_INK),
        ]
        y = card.top() + 22
        room = card.right() - left - 8
        for text, letters, colour in words:
            if not text:
                continue
            painter.setFont(letters)
            painter.setPen(QColor(colour))
            shown = painter.fontMetrics().elidedText(text, Qt.TextElideMode.ElideRight, round(room))
            painter.drawText(QPointF(left, y), shown)
            y += 23

    def _facts(self, look: Look) -> list[str]:
        hours, likes = hours_of(look), sum(vote.likes for vote in look.votes)
        facts = [look.date, STATUS_WORDS[look.status], look.season or ""]
        facts += [f"{hours:g} h" if hours else "", f"{likes} of {len(look.votes)} like it" if look.votes else ""]
        if look.photos:
            facts.append(f"{len(look.photos)} photograph{'s' if len(look.photos) > 1 else ''}")
        return [fact for fact in facts if fact]

    def _key(self, look: Look) -> _Key:
        plan = self._workspace.plan
        return look, id(plan.piece(look.piece)) ^ id(plan.stash)

    @property
    def is_told(self) -> bool:
        """Whether all that was painted has its drawing and its reading."""
        return self._may_read and not self._turn.isActive()

    def may_read(self) -> None:
        """Read looks from now on: what readings compute with is there."""
        self._may_read = True
        self.drawn.emit()

    @survives
    def _go_on(self) -> None:
        """Draw or read one of what is in sight; a hand is heard between two of them."""
        plan = self._workspace.plan
        wanted = {
            key: ratio for key, ratio in self._wanted.items() if key[0] in plan.looks and key == self._key(key[0])
        }
        undrawn = next((key for key in wanted if key not in self._kept), None)
        unread = next((key for key in wanted if key not in self._scores), None) if self._may_read else None
        if undrawn is not None:
            self._kept[undrawn] = self._drawn(undrawn[0], wanted[undrawn])
        elif unread is not None:
            self._scores[unread] = assess(arrange(plan, unread[0])).score
        else:
            self._wanted.clear()
            self._turn.stop()
            return
        self._let_old_go()
        self.drawn.emit()

    def _drawn(self, look: Look, ratio: float) -> QPixmap:
        picture = look_picture(arrange(self._workspace.plan, look), scale_bar=False)
        high = ROW - 16.0
        wide = min(high * picture.width / max(picture.height, 1e-6), THUMBNAIL)
        canvas = clear_canvas(wide, high, ratio)
        painter = QPainter(canvas)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        play_fitted(painter, picture, QRectF(0, 0, wide, high))
        painter.end()
        return canvas

    def _let_old_go(self) -> None:
        for kept in (self._kept, self._scores):
            while len(kept) > MOST_KEPT:
                del kept[next(iter(kept))]


class TimeLine(QListView):
    """The looks of a piece by season; choosing one shows it beside."""

    look_chosen = Signal(str)

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.looks = TimeLineModel()
        self.setModel(self.looks)
        # The view does not keep what it is given, so the page does.
        self._painter = _Painter(workspace)
        self.setItemDelegate(self._painter)
        self._painter.drawn.connect(self.viewport().update)
        self.setVerticalScrollMode(QListView.ScrollMode.ScrollPerPixel)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setFrameShape(QListView.Shape.NoFrame)
        self.setMouseTracking(False)
        self.setAccessibleName("Looks by season")
        self.setStyleSheet("background: transparent;")
        self.selectionModel().currentChanged.connect(self._tell)

    @survives
    def showEvent(self, event: QShowEvent) -> None:
        """Read the looks as soon as what readings compute with is there."""
        super().showEvent(event)
        when_read(FOR_READINGS, self, self._painter.may_read)

    @property
    def is_told(self) -> bool:
        """Whether all looks in sight have their drawings and tell how they read."""
        return self._painter.is_told

    def show_piece(self, piece_id: str, chosen: str) -> None:
        """Show the looks of a piece, one of them chosen."""
        self.looks.show_looks(self._workspace.plan.looks_of(piece_id))
        row = self.looks.row_of(chosen)
        if row >= 0 and self.currentIndex().row() != row:
            self.selectionModel().blockSignals(True)
            self.setCurrentIndex(self.looks.index(row))
            self.selectionModel().blockSignals(False)
            self.scrollTo(self.currentIndex())
        self.viewport().update()

    @property
    def chosen(self) -> str:
        """The id of the chosen look, empty where none is."""
        look = self.currentIndex().data(LookRole)
        return look.id if isinstance(look, Look) else ""

    def _tell(self) -> None:
        if self.chosen:
            self.look_chosen.emit(self.chosen)
