"""What is probably entered twice, one thing or really several."""

from PySide6.QtCore import QSize
from PySide6.QtWidgets import QFrame, QHBoxLayout, QVBoxLayout

from jolly_ledge.app.widgets.card_page import CardPage
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.app.widgets.things_on_board import ThingsOnBoard
from jolly_ledge.edits.items import JoinSet, MergeItems
from jolly_ledge.model.duplicates import twins_in
from jolly_ledge.model.item import Item
from jolly_ledge.model.set_names import set_name
from jolly_ledge.workspace.workspace import Workspace

BOARD_SIZE = QSize(190, 92)
MOST_SHOWN = 40


class TwinsPage(CardPage):
    """The page on which duplicates are merged, or told to be a pair."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace, "Entered twice?", "same kind, size and colour family", "Back to the line-up")
        self.cards: list[TwinCard] = []

    def add_cards(self, column: QVBoxLayout) -> None:
        """Add a card for each group of probable duplicates."""
        groups = twins_in(self._workspace.plan.stash)
        self.cards = [TwinCard(self._workspace, group) for group in groups[:MOST_SHOWN]]
        for card in self.cards:
            column.addWidget(card)
        if not groups:
            column.addWidget(words("Nothing looks as if it were entered twice."))
        if len(groups) > MOST_SHOWN:
            column.addWidget(words(f"{len(groups) - MOST_SHOWN} more groups follow when these are settled.", "soft"))


class TwinCard(QFrame):
    """One group of probable duplicates."""

    def __init__(self, workspace: Workspace, group: tuple[Item, ...]) -> None:
        super().__init__()
        self._workspace = workspace
        self.group = group
        self.setObjectName("card")
        row = QHBoxLayout(self)
        row.setContentsMargins(10, 8, 12, 8)
        row.setSpacing(14)
        drawing = ThingsOnBoard(BOARD_SIZE)
        drawing.show_items(group[:5])
        row.addWidget(drawing)
        said = "<br>".join(
            " · ".join(part for part in (f"<b>{item.label}</b>", item.room, self._size(item)) if part)
            for item in group[:5]
        )
        row.addWidget(words(said), 1)
        column = QVBoxLayout()
        self.merge_button = chip("They are one thing", "Keep the first entry; looks keep it", checkable=False)
        self.merge_button.clicked.connect(self._merge)
        several = "They are a pair" if len(group) == 2 else "They are a set"
        self.join_button = chip(several, "They belong together and are meant to be alike", checkable=False)
        self.join_button.clicked.connect(self._join)
        column.addWidget(self.merge_button)
        column.addWidget(self.join_button)
        row.addLayout(column)

    def _size(self, item: Item) -> str:
        length = self._workspace.length
        return f"{length(item.width).rpartition(' ')[0]} × {length(item.height)}"

    def _merge(self) -> None:
        kept, *gone = self.group
        self._workspace.commit(MergeItems(kept=kept.id, gone=tuple(item.id for item in gone), name=kept.label))

    def _join(self) -> None:
        taken = frozenset(item.set for item in self._workspace.plan.stash)
        ids = tuple(item.id for item in self.group)
        self._workspace.commit(JoinSet(items=ids, name=set_name(self.group, taken)))
