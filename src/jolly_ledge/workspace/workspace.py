"""The plan in hand: what is shown, chosen, changed and saved."""

from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from pathlib import Path

from jolly_ledge.edits.together import Together
from jolly_ledge.files.backups import Backup
from jolly_ledge.files.plan_file import PlanFile
from jolly_ledge.files.recovery import Recovered, RecoveryLog
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.history import Edit
from jolly_ledge.model.lengths import LengthUnit
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.workspace.document import Document, Opened
from jolly_ledge.workspace.in_hand import InHand
from jolly_ledge.workspace.signals import PlainSignals, Signals


class Workspace(InHand):
    """One plan with its history, its file and what is chosen in it.

    Every change goes through :meth:`commit`; whoever shows something listens to ``signals``. With every other plan the
    ``revision`` is one more: what was worked out for an earlier one comes too late.
    """

    def __init__(
        self,
        plan: Plan,
        log: RecoveryLog,
        unit: LengthUnit = "cm",
        photos: Mapping[str, bytes] | None = None,
        signals: Signals | None = None,
    ) -> None:
        self.signals: Signals = PlainSignals() if signals is None else signals
        super().__init__(Document(plan, log, self.signals, photos), unit)
        self.revision = 0

    # Choosing

    def choose(self, *placements: str) -> None:
        """Choose placed things; the ledge of the first comes to hand."""
        self.selected.placements = placements
        by_id = self.arrangement.by_id
        if placements and placements[0] in by_id:
            self.selected.ledge_id = by_id[placements[0]].ledge.id
        self.signals.chosen.emit()

    def choose_ledge(self, ledge_id: str) -> None:
        """Take a ledge in hand."""
        if ledge_id != self.ledge_id:
            self.selected.ledge_id = ledge_id
            self.signals.chosen.emit()

    def choose_item(self, item_id: str) -> None:
        """Take one thing of the stash in hand."""
        self.choose_items((item_id,))

    def choose_items(self, item_ids: tuple[str, ...]) -> None:
        """Choose several things of the stash; the last of them is the one in hand."""
        if self.selected.choose_items(item_ids):
            self.signals.chosen.emit()

    def choose_look(self, look_id: str) -> None:
        """Take a look, and its piece, in hand."""
        self.selected.piece_id = self.plan.look(look_id).piece
        self.selected.look_id = look_id
        self.selected.placements = ()
        self.selected.settle(self.plan)
        self.derived.forget()
        self.signals.in_hand_changed.emit()
        self.signals.changed.emit()

    def point_at(self, *placements: str) -> None:
        """Show some placements on the drawing."""
        if placements != self.pointed_at:
            self.selected.pointed_at = placements
            self.signals.pointed.emit()

    def set_length_unit(self, unit: LengthUnit) -> None:
        """Show lengths in another unit."""
        self.length_unit = unit
        self.signals.length_unit_changed.emit()
        self.signals.changed.emit()

    # Changing

    def commit(self, edit: Edit) -> bool:
        """Apply an edit as one step; a refusal is told, not raised. Return whether it changed."""
        self._preview.end()
        before = self.plan
        try:
            changed = self.history.commit(edit)
        except JollyLedgeError as error:
            self.derived.forget()
            self.signals.refused.emit(str(error))
            self.signals.changed.emit()
            return False
        self._after_change(before, changed)
        if changed:
            self.signals.committed.emit(edit)
        return changed

    def commit_look(self, edit: Edit) -> bool:
        """Apply an edit that brings a new look, and take that in hand; return whether it came."""
        before = {look.id for look in self.plan.looks}
        if not self.commit(edit):
            return False
        self.choose_look(next(look.id for look in self.plan.looks if look.id not in before))
        return True

    @contextmanager
    def transaction(self, label: str, merges_as: str | None = None) -> Iterator[list[Edit]]:
        """Gather edits and commit them as one step when the block ends; none where it ends in an error or is empty."""
        edits: list[Edit] = []
        yield edits
        if edits:
            self.commit(Together(edits=tuple(edits), label=label, merges_as=merges_as))

    def preview(self, look: Look | None, *, beside_what_is: bool = True) -> None:
        """Show what a gesture would make of the look, faintly with what is or by itself; None ends the preview."""
        self._preview.show(look, beside_what_is=beside_what_is)
        self.derived.forget()
        self.signals.previewed.emit()

    def undo(self) -> None:
        """Take the last step back."""
        self._preview.end()
        before = self.plan
        self._after_change(before, self.history.undo())

    def redo(self) -> None:
        """Bring the last undone step again."""
        self._preview.end()
        before = self.plan
        self._after_change(before, self.history.redo())

    def go_to(self, number: int) -> None:
        """Take one of the kept steps in hand, by its number in the history; what comes after it stays listed."""
        self._preview.end()
        before = self.plan
        if self.history.go_to(number):
            self._after_change(before, changed=True)

    def _after_change(self, before: Plan, changed: bool) -> None:
        in_hand = (self.piece_id, self.look_id)
        if changed:
            self.signals.unkept.emit(True)
            self.selected.settle(self.plan)
        self.derived.forget()
        self._tell(before, in_hand)

    def _tell(self, before: Plan, in_hand: tuple[str, str]) -> None:
        """Tell what is another now: the finer signals first, then that something changed."""
        plan = self.plan
        if plan is not before:
            self.revision += 1
            self.signals.plan_changed.emit()
        if plan.stash is not before.stash:
            self.signals.stash_changed.emit()
        if plan.pieces is not before.pieces:
            self.signals.pieces_changed.emit()
        if in_hand != (self.piece_id, self.look_id):
            self.signals.in_hand_changed.emit()
        self.signals.changed.emit()

    # Another plan

    def start(
        self, plan: Plan, file: PlanFile | None, *, dirty: bool = False, photos: Mapping[str, bytes] | None = None
    ) -> None:
        """Begin with another plan; a bare one is given a piece and a look to work on."""
        if photos is None:
            photos = file.photos if file is not None else {}
        self.take(Opened(plan, file, dict(photos), dirty))

    def take(self, opened: Opened) -> None:
        """Take another plan in hand, with its file and its photographs."""
        before = self.plan
        self.document.begin(opened)
        self._preview.end()
        self.derived.meanings.clear()
        self.selected.forget()
        self.selected.settle(self.plan)
        self.derived.forget()
        if self.document.is_dirty:
            self.signals.unkept.emit(True)
        self._tell(before, ("", ""))
        self.signals.chosen.emit()

    def open(self, path: Path) -> bool:
        """Open a plan; a refusal is told, not raised."""
        opened = self.document.read(path)
        if opened is None:
            return False
        self.take(opened)
        self.document.note_recent(path)
        if self.plan is not opened.plan:
            lacking = "look" if opened.plan.pieces else "piece"
            self.signals.refused.emit(f"“{path.name}” held no {lacking} yet; a plain one was begun.")
        return True

    def save(self, path: Path | None = None, *, overwrite_changes: bool = False) -> bool:
        """Save the plan, under another name when a path is given; return whether it is saved."""
        return self.document.save(path, overwrite_changes=overwrite_changes)

    def take_version(self, backup: Backup) -> bool:
        """Take an earlier version in hand; it is saved over the present one only when the person saves."""
        opened = self.document.version(backup)
        if opened is not None:
            self.take(opened)
        return opened is not None

    def recover(self, found: Recovered) -> None:
        """Take unsaved work in hand again."""
        self.take(self.document.recovered(found))
        self.document.keep_now()
        self.document.drop(found)
