"""Exchange in place: the best other things or groups for the spot in hand, stepped through on the drawing itself."""

from typing import TYPE_CHECKING

from PySide6.QtCore import Signal
from PySide6.QtWidgets import QHBoxLayout, QSizePolicy, QWidget

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.model.phrases import capital
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    from jolly_ledge.proposals.exchange import Exchange
    from jolly_ledge.proposals.group_exchange import GroupExchange


class ExchangeBar(QWidget):
    """A line under the drawing while things are tried in the spot of another; nothing changes until it is taken."""

    trying = Signal(bool)
    """Things begin to be tried, or no longer are."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.found: tuple[Exchange, ...] | tuple[GroupExchange, ...] = ()
        self._at, self._score = 0, 0.0
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        self.said = words("", "soft", wrap=False)
        self.said.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Fixed)
        self.back_chip = chip("Before", "The one before (Left)", checkable=False)
        self.next_chip = chip("Next", "The next one (Right)", checkable=False)
        self.take_chip = chip("Take it", "Let it stand here, one step (Return)", checkable=False)
        self.leave_chip = chip("Leave it", "Keep what stood here (Esc)", checkable=False)
        self.back_chip.clicked.connect(lambda: self.step(-1))
        self.next_chip.clicked.connect(lambda: self.step(1))
        self.take_chip.clicked.connect(self.take)
        self.leave_chip.clicked.connect(self.leave)
        row.addWidget(self.said, 1)
        for button in (self.back_chip, self.next_chip, self.take_chip, self.leave_chip):
            row.addWidget(button)
        self.hide()
        for signal in (workspace.signals.changed, workspace.signals.chosen):
            signal.connect(self.leave)

    @property
    def is_trying(self) -> bool:
        """Whether things are being tried."""
        return bool(self.found)

    def begin(self) -> None:
        """Try what could stand in the spot of what is chosen, one thing or a group; tell where nothing could."""
        # What is only needed once something is tried does not hold up the start.
        from jolly_ledge.proposals.exchange import exchanges
        from jolly_ledge.proposals.group_exchange import group_exchanges

        workspace = self._workspace
        chosen = workspace.chosen_placed
        if not chosen:
            workspace.signals.refused.emit(
                "Choose a thing or a group on the drawing first; others are then tried in its spot."
            )
            return
        named = f"the {chosen[0].item.label}" if len(chosen) == 1 else "what is chosen"
        locked = next((placed for placed in chosen if placed.placement.locked), None)
        if locked is not None:
            workspace.signals.refused.emit(
                f"The {locked.item.label} is locked; unlock it (K) to try others in its place."
            )
            return
        if len({placed.ledge.id for placed in chosen}) > 1:
            workspace.signals.refused.emit(
                "What is chosen stands on several ledges; choose what stands together on one."
            )
            return
        if len(chosen) == 1:
            self.found = exchanges(workspace.plan, workspace.look, chosen[0].id)
        else:
            self.found = group_exchanges(workspace.plan, workspace.look, workspace.selection)
        if not self.found:
            workspace.signals.refused.emit(f"Nothing else at hand belongs and fits where {named} stands.")
            return
        self._at, self._score = 0, workspace.assessment.score
        self.show()
        self.trying.emit(True)
        self._show()

    def step(self, by: int) -> None:
        """Show the next thing, or the one before."""
        if self.found:
            self._at = (self._at + by) % len(self.found)
            self._show()

    def take(self) -> None:
        """Let the thing that is shown stand there, as one step."""
        workspace = self._workspace
        if self.found:
            edit = self.found[self._at].edit
            self._end()
            before = set(workspace.plan.look(workspace.look_id).placements)
            if workspace.commit(edit):
                # What came is in hand now.
                workspace.choose(*(one.id for one in workspace.look.placements if one not in before))

    def leave(self) -> None:
        """Keep what stood there."""
        if self.found:
            self._end()
            self._workspace.preview(None)

    def _show(self) -> None:
        exchange = self.found[self._at]
        change = self._workspace.shown(self._score + exchange.gain) - self._workspace.shown(self._score)
        whole = f"{abs(change)} {'better' if change > 0 else 'worse'}" if change else "the whole reads the same"
        said = f"{self._at + 1} of {len(self.found)} · {exchange.sentence}; {whole}"
        self.said.setText(said)
        form = getattr(exchange, "form", "")
        self.said.setToolTip(f"{said}\n{capital(form)}." if form else said)
        self._workspace.preview(exchange.look, beside_what_is=False)

    def _end(self) -> None:
        self.found = ()
        self.hide()
        self.trying.emit(False)
