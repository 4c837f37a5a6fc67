"""What is wanted: cards for the shop, what was found there, and what would do instead of something dear."""

from collections.abc import Callable
from functools import partial

from msgspec.structs import replace
from PySide6.QtCore import QSize, Qt
from PySide6.QtWidgets import QComboBox, QFrame, QHBoxLayout, QLabel, QLineEdit, QScrollArea, QVBoxLayout, QWidget

from jolly_ledge.app.steps.arrange.search_page import SearchPage
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import heading, question, words
from jolly_ledge.app.widgets.things_on_board import ThingsOnBoard
from jolly_ledge.edits.items import AddItems
from jolly_ledge.edits.proposed import AddProposals
from jolly_ledge.jobs.requests import Event, WantedFound, WantedRequest
from jolly_ledge.jobs.runner import Runner
from jolly_ledge.model.entry.parser import known_thing
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.money import money
from jolly_ledge.model.phrases import capital, percent
from jolly_ledge.planning.places_to_fill import places_to_fill
from jolly_ledge.proposals.wanted import Matched, Want, match_found, nothing_said, substitutes
from jolly_ledge.workspace.workspace import Workspace

POLL_MS = 120
LOOKING = "Trying things of many kinds and sizes in every gap …"
DRAWN = QSize(130, 110)


class WantCard(QFrame):
    """One thing that is wanted."""

    def __init__(self, want: Want, on_note: Callable[[], object]) -> None:
        super().__init__()
        self.setObjectName("card")
        row = QHBoxLayout(self)
        row.setContentsMargins(12, 10, 12, 10)
        drawing = ThingsOnBoard(DRAWN)
        drawing.show_items((want.item,))
        row.addWidget(drawing)
        text = QVBoxLayout()
        title, _, rest = want.sentence.partition(": ")
        text.addWidget(heading(title, 14))
        text.addWidget(words(f"{rest[:1].upper()}{rest[1:]}"))
        self.note_button = chip("Write it on the list", "Keep it in the stash as wanted", checkable=False)
        self.note_button.clicked.connect(lambda: on_note())
        text.addWidget(self.note_button, 0, Qt.AlignmentFlag.AlignLeft)
        text.addStretch(1)
        row.addLayout(text, 1)


class WantedPage(SearchPage):
    """Asks the search what would help most, and matches what was found."""

    def __init__(self, workspace: Workspace, on_back: Callable[[], object], job: Runner) -> None:
        super().__init__(workspace, on_back, job)
        self.answered.connect(self._take_in)
        self.wants: tuple[Want, ...] = ()
        self.cards: list[WantCard] = []
        self.matched: Matched | None = None
        self._asked_for: tuple[tuple[Item, ...], Look | None] | None = None
        column = self.column
        top = QHBoxLayout()
        top.addWidget(self.back_button)
        top.addWidget(self.note, 1)
        column.addLayout(top)
        self.kept_said = words("")
        column.addWidget(self.kept_said)
        area = QScrollArea()
        area.setWidgetResizable(True)
        area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        inside = QWidget()
        self._list = QVBoxLayout(inside)
        self._list.setContentsMargins(0, 0, 8, 0)
        self._list.setSpacing(8)
        self._list.addStretch(1)
        area.setWidget(inside)
        column.addWidget(area, 1)
        column.addLayout(self._found_row())
        column.addLayout(self._dear_row())

    def _found_row(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.addWidget(question("Found in a shop", 14))
        row = QHBoxLayout()
        self.found_field = QLineEdit()
        self.found_field.setPlaceholderText("such as: terracotta vase 32 x 18 rough, then Return")
        self.found_field.setAccessibleName("A thing found in a shop")
        self.found_field.setMinimumHeight(30)
        self.found_field.returnPressed.connect(self.match)
        self.buy_button = chip(
            "Take it", "Into the stash as to buy, and into a new version of the look", checkable=False
        )
        self.buy_button.clicked.connect(self.take_found)
        self.buy_button.setEnabled(False)
        row.addWidget(self.found_field, 1)
        row.addWidget(self.buy_button)
        column.addLayout(row)
        self.found_said: QLabel = words("")
        column.addWidget(self.found_said)
        return column

    def _dear_row(self) -> QVBoxLayout:
        column = QVBoxLayout()
        row = QHBoxLayout()
        row.addWidget(question("Instead of something dear", 14))
        self.dear_list = QComboBox()
        self.dear_list.setAccessibleName("Something dear")
        self.dear_list.setMinimumHeight(28)
        self.dear_list.activated.connect(lambda _: self.show_substitutes())
        row.addWidget(self.dear_list, 1)
        column.addLayout(row)
        self.dear_said: QLabel = words("", "soft")
        column.addWidget(self.dear_said)
        return column

    def begin(self) -> None:
        """Ask what is wanted for the look in hand."""
        workspace = self._workspace
        self._show(())
        self.found_said.setText("")
        self._list_dear()
        self._show_kept()
        self._asked_for = (workspace.plan.stash, workspace.look)
        self.search(WantedRequest(workspace.plan, workspace.look_id), LOOKING)

    def _show_kept(self) -> None:
        """Say which kept places wait for a thing, and what of the list would go there."""
        workspace = self._workspace
        said = [one.sentence(workspace.length_unit) for one in places_to_fill(workspace.plan, workspace.piece)]
        self.kept_said.setVisible(bool(said))
        self.kept_said.setText("\n".join(said))

    def _take_in(self, event: Event) -> None:
        """Show what is wanted."""
        if isinstance(event, WantedFound):
            workspace = self._workspace
            if self._asked_for != (workspace.plan.stash, workspace.look if workspace.look_id else None):
                self.note.setText("The look has changed since; ask anew what is wanted.")
                return
            self._show(event.wants)
            found = "The more a thing adds to the reading, the higher it stands."
            self.note.setText(found if event.wants else nothing_said(workspace.assessment))

    def _show(self, wants: tuple[Want, ...]) -> None:
        for card in self.cards:
            self._list.removeWidget(card)
            card.deleteLater()
        self.wants = wants
        self.cards = [WantCard(want, partial(self.write_down, number)) for number, want in enumerate(wants)]
        for number, card in enumerate(self.cards):
            self._list.insertWidget(number, card)

    def write_down(self, number: int) -> None:
        """Keep a thing that is wanted in the stash, with its measures in the note."""
        workspace, want = self._workspace, self.wants[number]
        fresh = FreshIds(item.id for item in workspace.plan.stash).fresh(f"wanted-{want.item.category}")
        item = replace(want.item, id=fresh, mass=None, price=want.most_price, note=want.sentence,
                       meant_for=(workspace.piece_id,))  # fmt: skip
        if workspace.commit(AddItems(items=(item,))):
            workspace.signals.told.emit(f"Written down as wanted: {item.label}.")
            self.cards[number].note_button.setEnabled(False)
            self._list_dear()

    # What was found

    def match(self) -> None:
        """Tell whether what was typed suits."""
        workspace = self._workspace
        try:
            item = known_thing(self.found_field.text(), workspace.length_unit, workspace.plan.stash)
        except JollyLedgeError as error:
            self.found_said.setText(str(error))
            self.buy_button.setEnabled(False)
            return
        self.matched = match_found(workspace.plan, workspace.plan.look(workspace.look_id), item)
        self.found_said.setText(self.matched.sentence)
        self.buy_button.setEnabled(bool(self.matched.placements))

    def take_found(self) -> None:
        """Take the found thing into the stash as to buy, and try it in a new version of the look."""
        workspace, matched = self._workspace, self.matched
        if matched is None or not matched.placements:
            return
        item = replace(matched.item, status="to-buy")
        look = workspace.plan.look(workspace.look_id)
        version = replace(look, id=f"{look.id}-with", name=f"{look.label} with the {item.label}", proposal=0,
                          placements=matched.placements, note=matched.sentence, votes=())  # fmt: skip
        before = {known.id for known in workspace.plan.looks}
        if workspace.commit(AddProposals(looks=(version,), items=(item,))):
            workspace.choose_look(next(known.id for known in workspace.plan.looks if known.id not in before))
            self.buy_button.setEnabled(False)
            self._on_back()

    # What would do instead

    def _list_dear(self) -> None:
        workspace = self._workspace
        self.dear_list.clear()
        for item in workspace.plan.stash:
            if item.status in ("wanted", "to-buy"):
                price = "" if item.price is None else f" · {money(item.price, workspace.plan.currency)}"
                self.dear_list.addItem(f"{item.label}{price}", item.id)
        self.show_substitutes()

    def show_substitutes(self) -> None:
        """Tell what comes closest to the dear thing and costs less."""
        workspace = self._workspace
        dear = next((item for item in workspace.plan.stash if item.id == self.dear_list.currentData()), None)
        if dear is None:
            self.dear_said.setText("Nothing is to be bought yet.")
            return
        found = substitutes(workspace.plan, workspace.plan.look(workspace.look_id), dear)
        said = [
            f"{capital(item.label)}: {percent(alike)} alike"
            f"{'' if saved is None else f', saves {money(saved, workspace.plan.currency)}'}"
            for item, alike, saved in found
        ]
        self.dear_said.setText("; ".join(said) + "." if said else "Nothing cheaper comes close.")
