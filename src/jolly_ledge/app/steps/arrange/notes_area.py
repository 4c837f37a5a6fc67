"""What is found in a look and what is dangerous about it, as cards in one column."""

from collections.abc import Callable

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QPushButton, QScrollArea, QVBoxLayout, QWidget

from jolly_ledge.app.steps.arrange.caution_card import CautionCard
from jolly_ledge.app.steps.arrange.finding_card import FindingCard
from jolly_ledge.app.widgets.texts import question, set_text, words
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import CLOSING
from jolly_ledge.edits.looks import BringFindingsBack
from jolly_ledge.model.phrases import counted
from jolly_ledge.workspace.workspace import Workspace

MOST_FINDINGS = 12
MOST_CAUTIONS = 24


class NotesArea(QScrollArea):
    """Findings first, the cautions under them; ``on_point`` shows placements on the drawing."""

    def __init__(self, workspace: Workspace, on_point: Callable[[tuple[str, ...]], object]) -> None:
        super().__init__()
        self._workspace = workspace
        self._point_at = on_point
        self.setWidgetResizable(True)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        inside = QWidget()
        column = QVBoxLayout(inside)
        column.setContentsMargins(0, 6, 6, 6)
        column.setSpacing(6)
        self.safe_heading = question("Is it safe?", 14)
        self.caution_cards: list[CautionCard] = []
        self._answerer: list[str] = []
        self._caution_column = _column()
        self._closing = words(CLOSING, "small")
        self._more_cautions = words("", "small")
        self._found_heading = question("What is found", 14)
        self.finding_cards: list[FindingCard] = []
        self._finding_column = _column()
        self._more = words("", "small")
        column.addWidget(self._found_heading)
        column.addLayout(self._finding_column)
        column.addWidget(self._more)
        self.waved_button = QPushButton()
        self.waved_button.setObjectName("quiet")
        self.waved_button.setMinimumHeight(28)
        self.waved_button.clicked.connect(
            lambda: self._workspace.commit(BringFindingsBack(look=self._workspace.look_id))
        )
        self.waved_button.hide()
        column.addWidget(self.waved_button)
        column.addWidget(self.safe_heading)
        column.addLayout(self._caution_column)
        column.addWidget(self._more_cautions)
        column.addWidget(self._closing)
        column.addStretch(1)
        self.setWidget(inside)

    @property
    def is_trying(self) -> bool:
        """Whether a mend is being tried on the drawing."""
        return any(card.is_trying for card in self.finding_cards)

    def show_card(self, caution: Caution) -> None:
        """Bring the card of a caution into sight and show its things."""
        card = next((card for card in self.caution_cards if card.caution == caution), None)
        if card is not None:
            self.ensureWidgetVisible(card)
        self._point_at(caution.placements)

    def open_first_mend(self) -> None:
        """Look for moves that mend the first finding, if there is one."""
        if self.finding_cards and not self.finding_cards[0].isHidden():
            self.finding_cards[0].look_for_moves()

    def show_findings(self) -> None:
        """Show the findings of the look in hand that are not waved off."""
        look = self._workspace.look
        whole = self._workspace.assessment.findings
        findings = tuple(f for f in whole if look.reason_against(f.reading, f.placements) is None)
        waved = len(whole) - len(findings)
        self.waved_button.setText(f"Hear {counted(waved, 'waved-off finding')} again")
        self.waved_button.setVisible(waved > 0)
        while len(self.finding_cards) < min(len(findings), MOST_FINDINGS):
            self.finding_cards.append(FindingCard(self._workspace, self._point_at))
            self._finding_column.addWidget(self.finding_cards[-1])
        for card, finding in zip(self.finding_cards, findings, strict=False):
            card.show_finding(finding)
        for index, card in enumerate(self.finding_cards):
            card.setVisible(index < len(findings))
        set_text(self._found_heading, "What is found" if findings else "Nothing to find fault with")
        hidden = len(findings) - MOST_FINDINGS
        set_text(self._more, f"and {hidden} lesser ones" if hidden > 0 else "")
        self._more.setVisible(hidden > 0)

    def show_cautions(self) -> None:
        """Show the cautions of the look in hand."""
        cautions = self._workspace.cautions
        shown = cautions[:MOST_CAUTIONS]
        while len(self.caution_cards) < len(shown):
            self.caution_cards.append(CautionCard(self._workspace, self._point_at, self._answerer))
            self._caution_column.addWidget(self.caution_cards[-1])
        for card, caution in zip(self.caution_cards, shown, strict=False):
            card.show_caution(caution)
        for index, card in enumerate(self.caution_cards):
            card.setVisible(index < len(shown))
        self.safe_heading.setText(_safety_said(cautions))
        hidden = len(cautions) - MOST_CAUTIONS
        self._more_cautions.setText(f"and {hidden} more cautions" if hidden > 0 else "")
        self._more_cautions.setVisible(hidden > 0)

    def show_nothing(self) -> None:
        """Show that nothing is read."""
        for card in (*self.caution_cards, *self.finding_cards):
            card.hide()
        self._more.hide()
        self._more_cautions.hide()
        self.safe_heading.setText("Is it safe?")
        self._found_heading.setText("What is found")


def _safety_said(cautions: tuple[Caution, ...]) -> str:
    """Return how many cautions there are of each kind: what is known and what is not are told apart."""
    if not cautions:
        return "Is it safe? Nothing found of what is checked"
    known = sum(1 for caution in cautions if caution.level != "unknown" and not caution.answer)
    unknown = sum(1 for caution in cautions if caution.level == "unknown" and not caution.answer)
    answered = len(cautions) - known - unknown
    parts = [(known, "to heed"), (unknown, "not known"), (answered, "answered")]
    return f"Is it safe? {', '.join(f'{count} {word}' for count, word in parts if count)}"


def _column() -> QVBoxLayout:
    column = QVBoxLayout()
    column.setSpacing(6)
    return column
