"""Two to five looks at one scale, of one piece or carried over: how they read, what differs, what people think."""

from collections.abc import Callable
from functools import partial

from PySide6.QtCore import QRectF, QSize, Qt
from PySide6.QtGui import QColor, QPainter, QPaintEvent
from PySide6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QLineEdit,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.tones import tones
from jolly_ledge.app.views.nearer import Nearer
from jolly_ledge.app.views.thumbnail import Thumbnail
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import BoardLine, heading, question, words
from jolly_ledge.edits.opinions import CastVote, TakeBackVote
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.look import Look, Vote
from jolly_ledge.model.mishaps import survives
from jolly_ledge.planning.differences import differences
from jolly_ledge.readings.register import NAMES, Assessment, assess
from jolly_ledge.render.fonts import font
from jolly_ledge.workspace.workspace import Workspace

FEWEST, MOST = 2, 5
USUAL = 3
"""So many versions are laid side by side at first."""

ROWS = 8
ROW_PX, NAME_PX, GAP_PX = 22, 112, 10
DRAWING_PX = 270
MOST_DIFFERENCES = 7


def shown_scores(assessments: list[Assessment]) -> list[tuple[str, list[float | None]]]:
    """Return the readings that differ most between looks, with their scores in each; the widest apart first."""
    ids = list(dict.fromkeys(reading.id for one in assessments for reading in one.readings))
    rows = []
    for identifier in ids:
        scores = [None if (found := one.reading(identifier)) is None else found.score for one in assessments]
        known = [score for score in scores if score is not None]
        rows.append((max(known) - min(known), identifier, scores))
    rows.sort(key=lambda row: -row[0])
    return [(identifier, scores) for _, identifier, scores in rows[:ROWS]]


class ScoreTable(QWidget):
    """Readings as rows, looks as columns under their drawings; the best of a row is teal, the poorest ochre."""

    def __init__(self) -> None:
        super().__init__()
        self.rows: list[tuple[str, list[float | None]]] = []

    def sizeHint(self) -> QSize:
        """Return the wished size."""
        return QSize(400, ROW_PX * len(self.rows))

    def show_rows(self, rows: list[tuple[str, list[float | None]]]) -> None:
        """Show scores."""
        self.rows = rows
        self.setFixedHeight(ROW_PX * len(rows))
        self.setAccessibleName(
            "; ".join(f"{NAMES[name]}: {', '.join(_figure(score) for score in scores)}" for name, scores in rows)
        )
        self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the rows."""
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        middle = Qt.AlignmentFlag.AlignVCenter
        for number, (name, scores) in enumerate(self.rows):
            top = float(number * ROW_PX)
            painter.setFont(font(13, "sans", 600))
            painter.setPen(QColor(tones().ink))
            painter.drawText(QRectF(0, top, NAME_PX, ROW_PX), middle, NAMES[name])
            known = [score for score in scores if score is not None]
            wide = (self.width() - NAME_PX) / max(len(scores), 1)
            for index, score in enumerate(scores):
                area = QRectF(NAME_PX + index * wide, top, wide - GAP_PX, ROW_PX)
                _paint_score(painter, area, score, max(known), min(known))


def _figure(score: float | None) -> str:
    return "–" if score is None else str(round(score * 100))


def _paint_score(painter: QPainter, area: QRectF, score: float | None, best: float, poorest: float) -> None:
    bar = QRectF(area.x() + 34, area.center().y() - 4, max(area.width() - 40, 10), 8)
    differ = best - poorest > 0.01
    colour = (
        tones().teal if score == best and differ else tones().ochre_ink if score == poorest and differ else tones().ink
    )
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(QColor(tones().rule))
    painter.drawRoundedRect(bar, 4, 4)
    if score is not None:
        painter.setBrush(QColor(colour))
        painter.drawRoundedRect(QRectF(bar.x(), bar.y(), max(bar.width() * score, 8), bar.height()), 4, 4)
    painter.setPen(QColor(colour))
    painter.drawText(QRectF(area.x(), area.y(), 30, area.height()), Qt.AlignmentFlag.AlignVCenter, _figure(score))


class OpinionStrip(QWidget):
    """What people think of one look: their votes and remarks, and a line for one more."""

    def __init__(self, workspace: Workspace, look_id: str, who: Callable[[], str]) -> None:
        super().__init__()
        self._workspace, self._look_id, self._who = workspace, look_id, who
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(4)
        row = QHBoxLayout()
        row.setSpacing(5)
        self.for_button = chip("For", "Whoever is named above is for this version", checkable=False)
        self.against_button = chip("Against", "Whoever is named above is against it", checkable=False)
        self.for_button.clicked.connect(partial(self._cast, True))
        self.against_button.clicked.connect(partial(self._cast, False))
        row.addWidget(self.for_button)
        row.addWidget(self.against_button)
        row.addStretch(1)
        column.addLayout(row)
        self.remark_field = QLineEdit()
        self.remark_field.setPlaceholderText("A remark to go with the vote")
        self.remark_field.setAccessibleName("Remark")
        column.addWidget(self.remark_field)
        self.tally = words("", "soft")
        column.addWidget(self.tally)
        self._votes = QVBoxLayout()
        self._votes.setSpacing(2)
        column.addLayout(self._votes)
        self.vote_rows: dict[str, QPushButton] = {}

    def _cast(self, likes: bool) -> None:
        workspace = self._workspace
        who = self._who()
        if not who:
            workspace.signals.refused.emit("Write above whose vote it is; then vote.")
            return
        vote = Vote(who=who, likes=likes, remark=self.remark_field.text().strip())
        if workspace.commit(CastVote(look=self._look_id, vote=vote, name=workspace.plan.look(self._look_id).label)):
            self.remark_field.clear()

    def show_votes(self, votes: tuple[Vote, ...]) -> None:
        """Show what was said; a press on a line takes it back."""
        for button in self.vote_rows.values():
            self._votes.removeWidget(button)
            button.hide()
            button.deleteLater()
        self.vote_rows = {}
        likes = sum(1 for vote in votes if vote.likes)
        self.tally.setText(f"{likes} for, {len(votes) - likes} against" if votes else "Nobody has said anything yet.")
        for vote in votes:
            said = f": {vote.remark}" if vote.remark else ""
            button = QPushButton(f"{vote.who} is {'for' if vote.likes else 'against'} it{said}")
            button.setObjectName("quiet")
            button.setToolTip("Press to take it back")
            button.clicked.connect(partial(self._take_back, vote.who))
            self.vote_rows[vote.who] = button
            self._votes.addWidget(button, 0, Qt.AlignmentFlag.AlignLeft)

    def _take_back(self, who: str) -> None:
        self._workspace.commit(TakeBackVote(look=self._look_id, who=who))


class VersionColumn(QFrame):
    """One version: its drawing on the board, its name, how it reads, what differs, what people think."""

    def __init__(self, workspace: Workspace, look: Look, who: Callable[[], str]) -> None:
        super().__init__()
        self.look_id = look.id
        self._workspace = workspace
        self.opinions = OpinionStrip(workspace, look.id, who)
        self.drawing = Thumbnail(workspace, look.id, lambda: workspace.choose_look(self.look_id))
        self.drawing.setFixedHeight(DRAWING_PX)
        self.name_label = heading("", 16)
        self.name_label.setWordWrap(True)
        self.reads = words("", "good", wrap=False)
        self.take_button = chip("Take in hand", "Work on this version", checkable=False)
        self.take_button.clicked.connect(self._take)
        self.told = words("", "small")

    def _take(self) -> None:
        self._workspace.choose_look(self.look_id)
        self._workspace.signals.step_asked.emit("Arrange")

    def show_look(self, look: Look, assessment: Assessment, first: Look | None) -> None:
        """Show a version against the first of the row (None for the first itself)."""
        workspace = self._workspace
        of_another = look.piece != workspace.piece_id
        self.name_label.setText(f"{workspace.plan.piece(look.piece).label}: {look.label}" if of_another else look.label)
        self.reads.setText(f"reads {workspace.shown(assessment.score, look)}" if look.placements else "empty")
        self.take_button.setText("In hand" if look.id == workspace.look_id else "Take in hand")
        if first is None:
            self.told.setText("The others are told against this one.")
        else:
            said = differences(arrange(workspace.plan, first), arrange(workspace.plan, look))
            more = len(said) - MOST_DIFFERENCES
            lines = [*said[:MOST_DIFFERENCES], *([f"And {more} more."] if more > 0 else [])]
            self.told.setText("\n".join(lines) or "It is the same.")
        self.opinions.show_votes(look.votes)


class SideBySide(QWidget):
    """The page: chips to choose versions, the versions on one board, their readings, differences and votes."""

    def __init__(self, workspace: Workspace, on_back: Callable[[], object]) -> None:
        super().__init__()
        self._workspace = workspace
        self.chosen: list[str] = []
        self.columns: list[VersionColumn] = []
        self.nearer = Nearer()
        self._piece_id = ""
        self._guests: tuple[str, ...] = ()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        top = QHBoxLayout()
        top.setSpacing(6)
        self.back_button = chip("Back to all looks", "Leave the comparison (Esc)", checkable=False)
        self.back_button.clicked.connect(lambda: on_back())
        self._chip_row = QHBoxLayout()
        self._chip_row.setSpacing(5)
        self.look_chips: dict[str, QPushButton] = {}
        self.who_field = QLineEdit()
        self.who_field.setPlaceholderText("Whose vote?")
        self.who_field.setAccessibleName("Whose vote")
        self.who_field.setFixedWidth(130)
        top.addWidget(self.back_button)
        top.addLayout(self._chip_row)
        top.addStretch(1)
        top.addWidget(self.who_field)
        column.addLayout(top)
        self._area = QScrollArea()
        self._area.setWidgetResizable(True)
        self._area.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        column.addWidget(self._area, 1)
        self.table = ScoreTable()

    def begin(self, wished: tuple[str, ...] = ()) -> None:
        """Lay the wished looks side by side; without any, the look in hand beside the versions before it."""
        workspace = self._workspace
        self._piece_id = workspace.piece_id
        looks = [look.id for look in workspace.plan.looks_of(workspace.piece_id)]
        index = looks.index(workspace.look_id) if workspace.look_id in looks else 0
        first = max(min(index - USUAL + 1, len(looks) - USUAL), 0)
        self.chosen = list(wished[:MOST]) or looks[first : first + USUAL]
        self._guests = tuple(one for one in wished if one not in looks)
        self.refresh()

    def _toggle(self, look_id: str) -> None:
        if look_id in self.chosen:
            if len(self.chosen) <= FEWEST:
                self._workspace.signals.refused.emit(
                    "Two versions are the fewest to compare; choose another one first."
                )
            else:
                self.chosen.remove(look_id)
        elif len(self.chosen) >= MOST:
            self._workspace.signals.refused.emit(f"{MOST} versions are the most the eye compares; take one out first.")
        else:
            self.chosen.append(look_id)
        self.refresh()

    def refresh(self) -> None:
        """Show the chosen versions as they now are."""
        workspace = self._workspace
        if not workspace.piece_id:
            return
        looks = {look.id: look for look in workspace.plan.looks if look.id in self._guests}
        looks |= {look.id: look for look in workspace.plan.looks_of(workspace.piece_id)}
        if workspace.piece_id != self._piece_id:
            self.begin()
            return
        order = list(looks)
        self.chosen = sorted((one for one in self.chosen if one in looks), key=order.index)
        self._show_chips(looks)
        shown = [looks[identifier] for identifier in self.chosen]
        if [column.look_id for column in self.columns] != self.chosen:
            self._build(shown)
        pictures = [picture for column in self.columns if (picture := column.drawing.picture) is not None]
        for column in self.columns:
            column.drawing.draw_within(max(one.width for one in pictures), max(one.height for one in pictures))
        assessments = [assess(arrange(workspace.plan, look)) for look in shown]
        for index, (column, look, assessment) in enumerate(zip(self.columns, shown, assessments, strict=True)):
            column.show_look(look, assessment, shown[0] if index else None)
        self.table.show_rows(shown_scores(assessments) if len(shown) > 1 else [])

    def _show_chips(self, looks: dict[str, Look]) -> None:
        if list(self.look_chips) != list(looks):
            for button in self.look_chips.values():
                button.hide()
                button.deleteLater()
            self.look_chips = {}
            for look in looks.values():
                button = chip(self._named(look), "Lay it beside the others, or take it out")
                button.clicked.connect(partial(self._toggle, look.id))
                self.look_chips[look.id] = button
                self._chip_row.addWidget(button)
        for identifier, button in self.look_chips.items():
            button.setText(self._named(looks[identifier]))
            button.setChecked(identifier in self.chosen)

    def _named(self, look: Look) -> str:
        """Return the name of a look, with that of its piece where that is another than the piece in hand."""
        piece = self._workspace.plan.piece(look.piece)
        label = look.label if piece.id == self._piece_id else f"{piece.label}: {look.label}"
        return label.replace("&", "&&")

    def _build(self, shown: list[Look]) -> None:
        self.columns = [VersionColumn(self._workspace, look, lambda: self.who_field.text().strip()) for look in shown]
        self.nearer = Nearer()
        for column in self.columns:
            column.drawing.look_nearer_with(self.nearer)
        # The table outlives the page it lies on.
        self.table.setParent(self)
        inside = QWidget()
        page = QVBoxLayout(inside)
        page.setContentsMargins(0, 4, 8, 8)
        page.setSpacing(6)
        page.addLayout(self._row([[column.drawing] for column in self.columns], question("At one scale", 12)))
        page.addWidget(BoardLine())
        heads = [[column.name_label, column.reads, column.take_button] for column in self.columns]
        page.addLayout(self._row(heads, question("How it reads", 12)))
        page.addWidget(self.table)
        page.addLayout(self._row([[column.told] for column in self.columns], question("What differs", 12)))
        page.addWidget(BoardLine())
        page.addLayout(self._row([[column.opinions] for column in self.columns], question("What people think", 12)))
        page.addStretch(1)
        old = self._area.takeWidget()
        if old is not None:
            old.deleteLater()
        self._area.setWidget(inside)
        self.table.show()

    def _row(self, columns: list[list[QWidget]], title: QWidget) -> QHBoxLayout:
        """Return a row of columns as wide as those of the table, with its question at the left."""
        row = QHBoxLayout()
        row.setSpacing(0)
        title.setFixedWidth(NAME_PX)
        row.addWidget(title, 0, Qt.AlignmentFlag.AlignTop)
        for parts in columns:
            holder = QWidget()
            inside = QVBoxLayout(holder)
            inside.setContentsMargins(0, 0, GAP_PX, 0)
            inside.setSpacing(3)
            for part in parts:
                fits = isinstance(part, QPushButton)
                inside.addWidget(part, 0, Qt.AlignmentFlag.AlignLeft if fits else Qt.AlignmentFlag(0))
            inside.addStretch(1)
            row.addWidget(holder, 1)
        return row
