"""Proposals as small true drawings on one board, while they get better; one is taken over in one step."""

from collections.abc import Callable
from functools import partial

from msgspec.structs import replace
from PySide6.QtGui import QResizeEvent
from PySide6.QtWidgets import QHBoxLayout, QProgressBar

from jolly_ledge.app.steps.arrange.proposal_card import ProposalCard
from jolly_ledge.app.steps.arrange.proposal_settings import LEDGE, LOCKED, MOST, STANDING, STAY, ProposalSettings
from jolly_ledge.app.steps.arrange.search_page import SearchPage
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.edits.proposed import AddProposals
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.jobs.requests import Event, ProposeRequest
from jolly_ledge.jobs.runner import Runner
from jolly_ledge.model.look import Look
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.blend import blend
from jolly_ledge.proposals.moods import moods_of
from jolly_ledge.proposals.proposal import Progress, Proposal, Proposals
from jolly_ledge.readings.register import Assessment, assess
from jolly_ledge.workspace.workspace import Workspace

POLL_MS = 120
MOST_WITH_STORY = 3
SAID = {
    LOCKED: "what is locked stays",
    STANDING: "all that stands stays, what it lacks is added",
    MOST: "most of what stands stays",
    LEDGE: "only the ledge in hand is arranged",
}


class ProposalsPage(SearchPage):
    """Asks for proposals and shows them."""

    def __init__(self, workspace: Workspace, on_back: Callable[[], object], job: Runner) -> None:
        super().__init__(workspace, on_back, job)
        self.answered.connect(self._take_in)
        self._asked_for: Plan | None = None
        self._present: tuple[Arrangement, Assessment] | None = None
        self._is_begun, self._thrown = False, 0
        column = self.column
        column.addLayout(self._top())
        self.settings = ProposalSettings()
        self.settings.changed.connect(self.begin_same)
        self.settings.throw_field.editingFinished.connect(self._begin_thrown)
        column.addWidget(self.settings)
        line = QHBoxLayout()
        self.progress = QProgressBar()
        self.progress.setRange(0, 100)
        self.progress.setTextVisible(False)
        self.progress.setFixedSize(120, 8)
        line.addWidget(self.note, 1)
        line.addWidget(self.progress)
        column.addLayout(line)
        self.board = QHBoxLayout()
        self.board.setSpacing(10)
        column.addLayout(self.board, 1)
        self.cards: list[ProposalCard] = []

    def _top(self) -> QHBoxLayout:
        top = QHBoxLayout()
        top.setSpacing(6)
        self.again_button = chip("Propose others", "Search once more, with the next try", checkable=False)
        self.again_button.clicked.connect(self.begin)
        self.stop_button = chip("That is enough", "End the search and keep what was found", checkable=False)
        self.stop_button.clicked.connect(self.job.cancel)
        self.blend_button = chip(
            "Blend", "Click ledges in the drawings; they are put together into one look", checkable=False
        )
        self.blend_button.clicked.connect(self.take_blend)
        self.all_button = chip("Side by side", "Take all over in one step and lay them side by side", checkable=False)
        self.all_button.clicked.connect(self.take_all)
        for button in (self.back_button, self.again_button, self.stop_button, self.blend_button, self.all_button):
            top.addWidget(button)
        top.addStretch(1)
        return top

    @property
    def found(self) -> list[Proposal | None]:
        """What is shown, in the order of the numbers."""
        return [card.proposal for card in self.cards]

    def begin(self, _: bool = False, *, steps: int | None = None) -> None:
        """Search with another throw of the dice; the first search takes the throw that is told."""
        if self._is_begun:
            self.settings.throw_again()
        self._search(steps)

    def begin_same(self) -> None:
        """Search with the throw in hand."""
        self._search(None)

    def _begin_thrown(self) -> None:
        if self._is_begun and self.settings.throw != self._thrown:
            self._search(None)

    def _search(self, steps: int | None) -> None:
        workspace, settings = self._workspace, self.settings
        self._is_begun, self._thrown = True, settings.throw
        self._asked_for = workspace.plan
        look = workspace.plan.look(workspace.look_id)
        present = arrange(workspace.plan, look)
        self._present = (present, assess(present))
        count = self._count()
        self._make_cards(count)
        for index in range(count):
            self._show(index, None)
        self.search(
            ProposeRequest(
                workspace.plan, workspace.piece_id, look.manner, look,
                workspace.ledge_id or None if settings.keeps == LEDGE else None, count, settings.throw,
                None if steps is not None else settings.seconds, steps, settings.each,
                settings.keeps == STANDING, STAY if settings.keeps == MOST else 0.0, settings.season,
            ),
            f"Composing in the manner of the look in hand; {SAID[settings.keeps]} …",
        )  # fmt: skip
        self.stop_button.setEnabled(True)
        self.progress.setValue(0)
        self.progress.show()

    def _count(self) -> int:
        """Return how many looks come: of moods as many as the stash can carry."""
        workspace, settings = self._workspace, self.settings
        moods = moods_of(workspace.plan, workspace.piece) if settings.each == "mood" else ()
        return len(moods) or settings.count

    def _make_cards(self, count: int) -> None:
        while len(self.cards) > count:
            card = self.cards.pop()
            self.board.removeWidget(card)
            card.deleteLater()
        while len(self.cards) < count:
            number = len(self.cards)
            self.cards.append(ProposalCard(self._workspace, partial(self._take, number), partial(self.mark, number)))
            self.board.addWidget(self.cards[-1], 1)
        for card in self.cards:
            # Narrow cards tell their story on a tip only.
            card.story.setVisible(count <= MOST_WITH_STORY)

    def rest(self) -> None:
        """Show that the search has ended."""
        self.stop_button.setEnabled(False)
        self.progress.hide()

    def _take_in(self, event: Event) -> None:
        """Show proposals while they get better, and all of them at last."""
        if isinstance(event, Progress):
            self._show(event.number, event.best)
            left = round(self.settings.seconds * (1 - event.share))
            self.progress.setValue(round(100 * event.share))
            self.note.setText(f"Getting better; about {left} s left. {event.best.count_said}")
        elif isinstance(event, Proposals):
            for index in range(len(self.cards)):
                self._show(index, event.found[index] if index < len(event.found) else None)
            first = event.found[0] if event.found else None
            said = " ".join((*first.left_out, first.count_said)) if first is not None else "Nothing was found."
            self.note.setText(said)

    def _show(self, index: int, proposal: Proposal | None) -> None:
        present, read = self._present or (None, None)
        self.cards[index].show_proposal(self._asked_for, proposal, present, read)
        self._level()
        self._show_marks()

    def tell_numbers(self) -> None:
        """Tell anew what the cards read: what scores mean may be known only now."""
        present, read = self._present or (None, None)
        for card in self.cards:
            card.tell_number(present, read)

    def _level(self) -> None:
        """Give the texts of all cards the same room, so that the drawings stand on one line."""
        rooms = [card.rooms() for card in self.cards]
        for card in self.cards:
            card.give_room(max(room[0] for room in rooms), max(room[1] for room in rooms))

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Give the texts room anew."""
        super().resizeEvent(event)
        if self.cards:
            self._level()

    # Taking over

    def _is_stale(self) -> bool:
        workspace = self._workspace
        asked = self._asked_for
        if asked is not None and asked.stash == workspace.plan.stash and asked.pieces == workspace.plan.pieces:
            return False
        workspace.signals.refused.emit(
            "The stash or the furniture has changed since; propose anew before taking one over."
        )
        return True

    def _with_story(self, proposal: Proposal) -> Look:
        told = "\n".join([*proposal.left_out, proposal.count_said, *(step.sentence for step in proposal.story)])
        return replace(proposal.look, note=told)

    def _add(self, looks: tuple[Look, ...]) -> tuple[str, ...]:
        """Add looks in one step and take the first in hand; return their ids, none where they were refused."""
        workspace = self._workspace
        before = {look.id for look in workspace.plan.looks}
        if not workspace.commit(AddProposals(looks=looks)):
            return ()
        added = tuple(look.id for look in workspace.plan.looks if look.id not in before)
        workspace.choose_look(added[0])
        return added

    def _take(self, index: int) -> None:
        proposal = self.cards[index].proposal
        if proposal is not None and not self._is_stale() and self._add((self._with_story(proposal),)):
            self._on_back()

    def take_all(self) -> None:
        """Take all proposals over and compare them."""
        looks = tuple(self._with_story(one) for one in self.found if one is not None)
        if len(looks) < 2 or self._is_stale():
            return
        added = self._add(looks)
        if added:
            self._on_back()
            self._workspace.signals.compare_asked.emit(added)

    # Blending

    def mark(self, number: int, ledge: str) -> None:
        """Keep a ledge from one proposal, or let it go again; every ledge comes from one of them."""
        for index, card in enumerate(self.cards):
            if index == number and ledge not in card.drawing.marks:
                card.drawing.marks.add(ledge)
            else:
                card.drawing.marks.discard(ledge)
            card.drawing.update()
        self._show_marks()

    def _show_marks(self) -> None:
        marks = sum(len(card.drawing.marks) for card in self.cards)
        self.blend_button.setText(f"Blend {marks}" if marks else "Blend")
        self.blend_button.setEnabled(marks > 0)
        self.all_button.setEnabled(sum(card.proposal is not None for card in self.cards) > 1)

    def take_blend(self) -> None:
        """Put the marked ledges together; the rest comes from the proposal that gives the most of them."""
        given = [(len(card.drawing.marks), card) for card in self.cards if card.proposal is not None]
        if not given or self._is_stale():
            return
        _, most = max(given, key=lambda one: one[0])
        parts = {
            ledge: card.proposal.look for _, card in given for ledge in card.drawing.marks if card.proposal is not None
        }
        assert most.proposal is not None
        mixed = blend(most.proposal.look, parts)
        sources = [card.proposal.look.label for _, card in given if card.drawing.marks and card.proposal is not None]
        note = f"Blended from {', '.join(sources)}."
        if self._add((replace(mixed, id="blend", name="Blend", note=note),)):
            self._on_back()
