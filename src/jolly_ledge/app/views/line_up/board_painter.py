"""How a board of the line-up is painted: things at one scale, names and sizes, clearances, how wide the ledge is."""

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QColor, QFontMetricsF, QPainter, QPen

from jolly_ledge.app.views.line_up.boards import BRACKET, HEADROOM, MARGIN, SCALE, Cell, Row
from jolly_ledge.app.views.line_up.item_pixmaps import ItemPixmaps
from jolly_ledge.app.views.line_up.stash_strip import two_lines
from jolly_ledge.app.views.stamps import BOW_PX, bow
from jolly_ledge.app.widgets.texts import paint_board
from jolly_ledge.drawing.theme import BOARD, INK, PLUM, PLUM_TINT, SOFT_INK
from jolly_ledge.model.stash_order import clearances_of
from jolly_ledge.render.fonts import font
from jolly_ledge.workspace.workspace import Workspace

MOST_LINES = 4
LABEL_SPACE = 17.0


class BoardPainter:
    """Paints boards of a width, for a screen of so many dots to the pixel."""

    def __init__(self, workspace: Workspace) -> None:
        self._workspace = workspace
        self.pixmaps = ItemPixmaps(SCALE)
        self.width, self.ratio, self.in_hand = 0, 1.0, False

    def paint_row(self, painter: QPainter, row: Row) -> None:
        """Paint a board and what stands on it."""
        if row.title:
            painter.setFont(font(14, "serif", italic=True))
            painter.setPen(QColor(SOFT_INK))
            painter.drawText(QPointF(MARGIN, row.top + 17), row.title)
        chosen = set(self._workspace.item_ids)
        piece = self._workspace.piece if self._workspace.piece_id else None
        wished = {item for wish in piece.wishes for item in wish.items} if piece is not None else set()
        for cell in row.cells:
            if cell.item.id in chosen:
                in_hand = self.in_hand and cell.item.id == self._workspace.item_id
                painter.setPen(QPen(QColor(PLUM), 1.4) if in_hand else Qt.PenStyle.NoPen)
                painter.setBrush(QColor(PLUM_TINT))
                top = row.floor - cell.item.height * row.scale - 10
                painter.drawRoundedRect(QRectF(cell.left + 1, top, cell.width - 2, row.bottom - 3 - top), 6, 6)
        self._paint_clearance_lines(painter, row)
        for cell in row.cells:
            self.pixmaps.paint(painter, cell.item, cell.left + cell.width / 2, row.floor, self.ratio)
            if cell.item.id in wished:
                mark = bow(PLUM, self.ratio)
                top = row.floor - cell.item.height * row.scale - BOW_PX
                painter.drawPixmap(QPointF(cell.left + cell.width / 2 - BOW_PX / 2, top), mark)
        self._paint_clearance_labels(painter, row)
        paint_board(painter, QRectF(MARGIN, row.floor, self.width - 2 * MARGIN, 6), BOARD)
        self._paint_ledge_width(painter, row)
        for cell in row.cells:
            self._paint_labels(painter, cell)

    def _paint_ledge_width(self, painter: QPainter, row: Row) -> None:
        """Draw how wide the ledge in hand is along the board, so that it is seen how much would stand there."""
        ledge = self._workspace.ledge if self._workspace.piece_id else None
        if ledge is None:
            return
        end = MARGIN + ledge.width * row.scale
        y = row.floor + 12
        painter.setPen(QPen(QColor(PLUM), 1))
        painter.drawLine(QPointF(MARGIN, y), QPointF(min(end, self.width - MARGIN), y))
        painter.drawLine(QPointF(MARGIN, y - 3), QPointF(MARGIN, y + 3))
        painter.setFont(font(12))
        said = f"{self._workspace.length(ledge.width)} wide · {ledge.label}"
        wide = QFontMetricsF(painter.font()).horizontalAdvance(said)
        if end < self.width - MARGIN:
            painter.drawLine(QPointF(end, y - 3), QPointF(end, y + 3))
        x = end + 6 if end + 6 + wide < self.width - MARGIN else self.width - MARGIN - wide - 4
        painter.fillRect(QRectF(x - 3, y - 5, wide + 6, 13), QColor(244, 241, 234, 235))
        painter.drawText(QPointF(x, y + 4), said)

    def _clearances(self, row: Row) -> list[list[tuple[float, tuple[str, ...]]]]:
        """Return the clearances that pass between the tops of a board's things, near ones together."""
        if not self._workspace.piece_id:
            return []
        tallest = max(cell.item.height for cell in row.cells) + HEADROOM / row.scale
        smallest = min(cell.item.height for cell in row.cells)
        crossing = [c for c in clearances_of(self._workspace.piece) if smallest * 0.75 < c[0] <= tallest]
        return _near_lines(crossing, row.scale)[:MOST_LINES]

    def _paint_clearance_lines(self, painter: QPainter, row: Row) -> None:
        """Draw the clearances across, behind the things."""
        painter.setPen(QPen(QColor(PLUM), 1, Qt.PenStyle.DashLine))
        for group in self._clearances(row):
            for clearance, _ in group:
                y = row.floor - clearance * row.scale
                painter.drawLine(QPointF(MARGIN, y), QPointF(self.width - MARGIN, y))

    def _paint_clearance_labels(self, painter: QPainter, row: Row) -> None:
        """Tell the clearances, beside the things where there is room, else over them."""
        painter.setFont(font(12))
        metrics = QFontMetricsF(painter.font())
        for group in self._clearances(row):
            names = [name for _, found in group for name in found]
            where = names[0] if len(names) == 1 else f"{len(names)} ledges"
            highest, lowest = self._workspace.length(group[0][0]), self._bare(group[-1][0])
            joined = {1: "", 2: f"{lowest} and "}.get(len(group), f"{lowest} to ")
            text = f"{joined}{highest} clear · {where}"
            width = metrics.horizontalAdvance(text)
            y = row.floor - group[0][0] * row.scale
            at = QRectF(self._label_left(row, y, width + 8), y - 16, width + 8, 15)
            painter.fillRect(at, QColor(244, 241, 234, 225))
            painter.setPen(QColor(PLUM))
            painter.drawText(QPointF(at.left() + 4, y - 4), text)

    def _label_left(self, row: Row, y: float, width: float) -> float:
        """Return where a label at a height begins: as far right as no thing stands before it."""
        wished = at = self.width - MARGIN - width - 2
        for cell in reversed(row.cells):
            middle, half = cell.left + cell.width / 2, cell.item.width * row.scale / 2 + 4
            tall = row.floor - cell.item.height * row.scale < y + 2
            if tall and at < middle + half and at + width > middle - half:
                at = middle - half - width
        return at if at >= MARGIN else wished

    def _paint_labels(self, painter: QPainter, cell: Cell) -> None:
        chosen = cell.item.id == self._workspace.item_id
        painter.setFont(font(12, "sans", 600))
        painter.setPen(QColor(PLUM if chosen else INK))
        metrics = QFontMetricsF(painter.font())
        lines = two_lines(cell.item.label, cell.width - 6, metrics)
        for line, name in enumerate(lines):
            painter.drawText(
                QPointF(
                    cell.left + (cell.width - metrics.horizontalAdvance(name)) / 2,
                    cell.floor + 21 + BRACKET + 14 * line,
                ),
                name,
            )
        painter.setFont(font(12))
        painter.setPen(QColor(SOFT_INK))
        metrics = QFontMetricsF(painter.font())
        item = cell.item
        wide, tall = (
            f"{'≈ ' if side in item.guessed else ''}{self._bare(getattr(item, side))}" for side in ("width", "height")
        )
        size = f"{wide} × {tall}"
        painter.drawText(
            QPointF(
                cell.left + (cell.width - metrics.horizontalAdvance(size)) / 2,
                cell.floor + 22 + BRACKET + 14 * len(lines),
            ),
            size,
        )

    def _bare(self, length: float) -> str:
        return self._workspace.length(length).rpartition(" ")[0]


def _near_lines(
    clearances: list[tuple[float, tuple[str, ...]]], scale: float
) -> list[list[tuple[float, tuple[str, ...]]]]:
    """Gather clearances too near each other for a label each."""
    groups: list[list[tuple[float, tuple[str, ...]]]] = []
    for line in clearances:
        if groups and (groups[-1][0][0] - line[0]) * scale < LABEL_SPACE:
            groups[-1].append(line)
        else:
            groups.append([line])
    return groups
