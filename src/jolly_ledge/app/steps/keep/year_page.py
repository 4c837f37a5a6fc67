"""The year of the piece in hand: what changes when, what stays, what goes to which box, and what is due."""

from datetime import date
from functools import partial

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QFrame, QHBoxLayout, QScrollArea, QVBoxLayout, QWidget

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.exporting import Exporter
from jolly_ledge.app.views.thumbnail import Thumbnail
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import BoardLine, heading, question, words
from jolly_ledge.edits.log import BringBack
from jolly_ledge.exports.export import Options
from jolly_ledge.model.dates import next_begin, season_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.log import last_one_of
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.words import Season
from jolly_ledge.planning.due import Due, due_dates, senseless_dates
from jolly_ledge.planning.season_plan import ALL_SEASONS, Change, year_of
from jolly_ledge.workspace.workspace import Workspace

MOST_NAMED, MOST_DUE = 6, 14


class YearPage(QWidget):
    """Four seasons in a row, and under them what is due."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__()
        self._workspace = workspace
        self._exporter = Exporter(workspace, dialogs)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        row = QHBoxLayout()
        self.about = words("", "soft")
        row.addWidget(self.about, 1)
        self.save_button = chip("Save as calendar", "A file that any calendar program reads", checkable=False)
        self.save_button.clicked.connect(self.save_calendar)
        row.addWidget(self.save_button)
        column.addLayout(row)
        self._area = QScrollArea()
        self._area.setWidgetResizable(True)
        self._area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        column.addWidget(self._area, 1)

    def refresh(self) -> None:
        """Show the year of the piece in hand."""
        workspace = self._workspace
        if not workspace.piece_id:
            return
        today = date.today()
        year = year_of(workspace.plan, workspace.piece_id, today.year)
        inside = QWidget()
        column = QVBoxLayout(inside)
        column.setContentsMargins(0, 0, 8, 0)
        column.setSpacing(10)
        row = QHBoxLayout()
        row.setSpacing(12)
        changes = {change.season: change for change in year.changes}
        for season in ALL_SEASONS:
            row.addWidget(self._season(season, changes.get(season), today), 1)
        column.addLayout(row)
        if year.all_year and len(year.changes) > 1:
            column.addWidget(words(f"All year: {_names(year.all_year, 12)}."))
        column.addWidget(question("What is due"))
        column.addWidget(BoardLine())
        for said in senseless_dates(workspace.plan):
            column.addWidget(words(said, "finding"))
        dated = [(day, due) for due in due_dates(workspace.plan, today) if (day := due.next_from(today)) is not None]
        found = sorted(dated, key=lambda one: (one[0], one[1].what))
        for day, due in found[:MOST_DUE]:
            column.addWidget(words(_due_said(day, due)))
        if len(found) > MOST_DUE:
            column.addWidget(words(f"and {len(found) - MOST_DUE} more in the calendar file", "small"))
        if not found:
            column.addWidget(words("Nothing is due. Days are told in the log and with the things in Gather.", "soft"))
        column.addStretch(1)
        self._area.setWidget(inside)
        self.about.setText(f"The year of {workspace.piece.label}: every look belongs to the season it is told for, or "
                           "that of its date.")  # fmt: skip

    def _season(self, season: Season, change: Change | None, today: date) -> QFrame:
        workspace = self._workspace
        card = QFrame()
        card.setObjectName("card")
        column = QVBoxLayout(card)
        column.setContentsMargins(10, 8, 10, 10)
        column.setSpacing(5)
        now = season_of(today) == season
        column.addWidget(heading(f"{season.capitalize()}{', now' if now else ''}", 16))
        column.addWidget(BoardLine())
        if change is None:
            column.addWidget(words("No look for this season yet.", "soft"))
            column.addStretch(1)
            return card
        picture = Thumbnail(workspace, change.look.id, lambda: workspace.choose_look(change.look.id))
        picture.setFixedHeight(190)
        column.addWidget(picture)
        column.addWidget(words(f"{change.look.label}, from {change.day.isoformat()}"))
        if change.before is not None:
            for title, said in (
                ("Comes", _names(change.brings)), ("Stays", _names(change.stays)),
                ("Goes", listed([f"{item.label} ({where})" for item, where in change.stores], MOST_NAMED)),
            ):  # fmt: skip
                if said:
                    column.addWidget(words(f"{title}: {said}.", "small"))
        # Where this year's look is made already, the one before it can come back instead of it.
        last = last_one_of(workspace.plan.looks_of(workspace.piece_id), season, change.day)
        for text, look in ((f"As last {season}", last), ("This one again", change.look)):
            if look is not None and (look is not last or look.id != change.look.id):
                back = chip(text, f"Bring {look.label} back as a new look", checkable=False)
                back.clicked.connect(partial(self._bring_back, look.id, look.label, season))
                column.addWidget(back, 0, Qt.AlignmentFlag.AlignLeft)
        column.addStretch(1)
        return card

    def _bring_back(self, look_id: str, name: str, season: Season, _: bool = False) -> None:
        workspace, today = self._workspace, date.today()
        day = today if season == season_of(today) else next_begin(season, today)
        before = {look.id for look in workspace.plan.looks}
        if workspace.commit(BringBack(look=look_id, name=name, date=day.isoformat(), season=season)):
            fresh = next(look for look in workspace.plan.looks if look.id not in before)
            workspace.choose_look(fresh.id)
            workspace.signals.told.emit(" ".join(fresh.note.split("\n")))

    def save_calendar(self) -> None:
        """Save what is due as a calendar file where a person says."""
        self._exporter.save("calendar", Options())


def _names(items: tuple[Item, ...], most: int = MOST_NAMED) -> str:
    return listed([item.label for item in items], most)


def _due_said(day: date, due: Due) -> str:
    often = f", then every {due.every_days} days" if due.every_days and due.every_days > 1 else ""
    often = ", then every day" if due.every_days == 1 else often
    until = f" until {due.until.isoformat()}" if due.until is not None and due.every_days else ""
    detail = f" ({due.detail})" if due.detail else ""
    return f"{day.isoformat()}: {due.what}{often}{until}{detail}"
