"""The plan in hand: what is shown, chosen, changed and saved."""

import contextlib
from collections.abc import Mapping
from pathlib import Path

from PySide6.QtCore import QDateTime, QObject, QTimer, Signal

from jolly_ledge.app.new_plan import workable
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.files.backups import Backup, Backups
from jolly_ledge.files.content import content_of
from jolly_ledge.files.errors import ChangedOnDiskError, FileError
from jolly_ledge.files.plan_file import ARCHIVE_SUFFIX, LARGEST_FILE, PlanFile, open_plan, save_plan
from jolly_ledge.files.recent import RecentFiles
from jolly_ledge.files.recovery import Recovered, RecoveryLog, drop_kept
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, arrange
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.history import Edit, History
from jolly_ledge.model.item import Item
from jolly_ledge.model.lengths import LengthUnit, format_length
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan, photo_names
from jolly_ledge.planning.plan_differences import plan_differences
from jolly_ledge.proposals.meaning import Meaning
from jolly_ledge.readings.register import Assessment, assess

KEEP_AFTER_MS, KEEP_AT_LATEST_MS = 700, 5_000
"""Unsaved work is kept for recovery this long after the last change, and at the latest so long after the first one:
who works steadily never rests."""


class Session(QObject):
    """One plan with its history, its file and what is chosen in it.

    Every change goes through :meth:`commit`; whoever shows something listens to the signals.
    """

    changed = Signal()
    """The plan, the piece or the look in hand is another."""

    previewed = Signal()
    """A gesture shows what would be; nothing is committed."""

    chosen = Signal()
    """Other things or another ledge are chosen."""

    pointed = Signal()
    """Other placements are pointed at."""

    saved = Signal()
    unit_changed = Signal()
    refused = Signal(str)
    """Something could not be done; one sentence for people."""

    committed = Signal(object)
    """An edit changed the plan."""

    told = Signal(str)
    """Something went well; one sentence for people."""

    step_asked = Signal(str)
    """A view offers to go on to another step."""

    compare_asked = Signal(tuple)
    """Looks to lay side by side; without any, those beside the one in hand."""

    changed_on_disk = Signal(str)

    def __init__(
        self, plan: Plan, log: RecoveryLog, unit: LengthUnit = "cm", photos: Mapping[str, bytes] | None = None
    ) -> None:
        super().__init__()
        self.history = History(workable(plan))
        self.file: PlanFile | None = None
        self.unit: LengthUnit = unit
        self.is_dirty = False
        self.saved_at = ""
        self.look_id = self.piece_id = self.ledge_id = ""
        self.selection: tuple[str, ...] = ()
        self.pointed_at: tuple[str, ...] = ()
        self.item_id = plan.stash[0].id if plan.stash else ""
        self.item_ids: tuple[str, ...] = (self.item_id,) if self.item_id else ()
        self.photos: dict[str, bytes] = dict(photos or {})
        self._foreign_photos: frozenset[str] = frozenset()
        self._log = log
        self._preview: Look | None = None
        self._shows_what_is = True
        self._arrangement: Arrangement | None = None
        self._assessment: Assessment | None = None
        self._cautions: tuple[Caution, ...] | None = None
        self.meanings: dict[tuple[str, Manner], Meaning] = {}
        """What scores mean by piece and manner, as far as chance was tried; one stays until the next is known."""

        self.recent: RecentFiles | None = None
        self.backups: Backups | None = None
        self._keeper = QTimer(self)
        self._keeper.setSingleShot(True)
        self._keeper.setInterval(KEEP_AFTER_MS)
        self._keeper.timeout.connect(self.keep_now)
        self._latest = QTimer(self)
        self._latest.setSingleShot(True)
        self._latest.setInterval(KEEP_AT_LATEST_MS)
        self._latest.timeout.connect(self.keep_now)
        self._settle_in_hand()

    # What is in hand

    @property
    def plan(self) -> Plan:
        """The plan in hand."""
        return self.history.plan

    @property
    def piece(self) -> Piece:
        """The piece in hand."""
        return self.plan.piece(self.piece_id)

    @property
    def look(self) -> Look:
        """The look in hand, or what a gesture would make of it."""
        return self._preview if self._preview is not None else self.plan.look(self.look_id)

    @property
    def ledge(self) -> Ledge | None:
        """The ledge in hand."""
        return next((ledge for ledge in self.piece.ledges if ledge.id == self.ledge_id), None)

    @property
    def item(self) -> Item | None:
        """The thing of the stash in hand."""
        return next((item for item in self.plan.stash if item.id == self.item_id), None)

    @property
    def chosen_items(self) -> tuple[Item, ...]:
        """The things of the stash that are chosen together, in the order of the stash."""
        chosen = set(self.item_ids)
        return tuple(item for item in self.plan.stash if item.id in chosen)

    @property
    def arrangement(self) -> Arrangement:
        """The look in hand, resolved."""
        if self._arrangement is None:
            self._arrangement = arrange(self.plan, self.look)
        return self._arrangement

    @property
    def kept_arrangement(self) -> Arrangement | None:
        """The look as it is, resolved, while another is tried beside it; None when nothing is."""
        tried = self._preview is not None and self._shows_what_is
        return arrange(self.plan, self.plan.look(self.look_id)) if tried else None

    @property
    def assessment(self) -> Assessment:
        """The readings of the look in hand."""
        if self._assessment is None:
            self._assessment = assess(self.arrangement)
        return self._assessment

    def shown(self, score: float, look: Look | None = None) -> int:
        """Return the number that is shown for a raw score of a look (the one in hand): its meaning where it is known.

        Looks of one piece are told on one scale; until chance was tried it is the score of 100.
        """
        look = self.look if look is None else look
        maps = {manner: told for (piece, manner), told in self.meanings.items() if piece == look.piece}
        told = maps.get(look.manner) or next(iter(maps.values()), None)
        return round(score * 100 if told is None else told.shown(score))

    @property
    def cautions(self) -> tuple[Caution, ...]:
        """The cautions of the look in hand."""
        if self._cautions is None:
            self._cautions = cautions_of(self.arrangement)
        return self._cautions

    @property
    def chosen_placed(self) -> tuple[PlacedItem, ...]:
        """The chosen things where they stand."""
        by_id = self.arrangement.by_id
        return tuple(by_id[identifier] for identifier in self.selection if identifier in by_id)

    def free_items(self) -> tuple[Item, ...]:
        """Return the things of the stash that do not stand in the look in hand."""
        placed = {placement.item for placement in self.look.placements}
        return tuple(item for item in self.plan.stash if item.id not in placed and not item.gone)

    @property
    def is_assessed(self) -> bool:
        """Whether the readings are there already, so that asking for them costs nothing."""
        return self._assessment is not None

    def length(self, length: float) -> str:
        """Write a length in the unit in force."""
        return format_length(length, self.unit)

    # Choosing

    def choose(self, *placements: str) -> None:
        """Choose placed things; the ledge of the first comes to hand."""
        self.selection = placements
        by_id = self.arrangement.by_id
        if placements and placements[0] in by_id:
            self.ledge_id = by_id[placements[0]].ledge.id
        self.chosen.emit()

    def choose_ledge(self, ledge_id: str) -> None:
        """Take a ledge in hand."""
        if ledge_id != self.ledge_id:
            self.ledge_id = ledge_id
            self.chosen.emit()

    def choose_item(self, item_id: str) -> None:
        """Take one thing of the stash in hand."""
        self.choose_items((item_id,))

    def choose_items(self, item_ids: tuple[str, ...]) -> None:
        """Choose several things of the stash; the last of them is the one in hand."""
        if item_ids != self.item_ids or (item_ids and item_ids[-1] != self.item_id):
            self.item_ids = item_ids
            self.item_id = item_ids[-1] if item_ids else ""
            self.chosen.emit()

    def choose_look(self, look_id: str) -> None:
        """Take a look, and its piece, in hand."""
        self.look_id = look_id
        self.piece_id = self.plan.look(look_id).piece
        self.selection = ()
        self._settle_in_hand()
        self._forget_readings()
        self.changed.emit()

    def point_at(self, *placements: str) -> None:
        """Show some placements on the drawing."""
        if placements != self.pointed_at:
            self.pointed_at = placements
            self.pointed.emit()

    def set_unit(self, unit: LengthUnit) -> None:
        """Show lengths in another unit."""
        self.unit = unit
        self.unit_changed.emit()
        self.changed.emit()

    # Changing

    def commit(self, edit: Edit) -> bool:
        """Apply an edit as one step; a refusal is told, not raised. Return whether it changed."""
        self._preview = None
        try:
            changed = self.history.commit(edit)
        except JollyLedgeError as error:
            self._forget_readings()
            self.refused.emit(str(error))
            self.changed.emit()
            return False
        self._after_change(changed)
        if changed:
            self.committed.emit(edit)
        return changed

    def preview(self, look: Look | None, *, beside_what_is: bool = True) -> None:
        """Show what a gesture would make of the look, faintly with what is or by itself; None ends the preview."""
        self._preview, self._shows_what_is = look, beside_what_is
        self._forget_readings()
        self.previewed.emit()

    def undo(self) -> None:
        """Take the last step back."""
        self._preview = None
        self._after_change(self.history.undo())

    def redo(self) -> None:
        """Bring the last undone step again."""
        self._preview = None
        self._after_change(self.history.redo())

    def _after_change(self, changed: bool) -> None:
        if changed:
            self.is_dirty = True
            self._keep_soon()
            self._settle_in_hand()
        self._forget_readings()
        self.changed.emit()

    def _forget_readings(self) -> None:
        self._arrangement = self._assessment = self._cautions = None

    def _settle_in_hand(self) -> None:
        """Keep what is in hand where it still exists, else take the nearest."""
        plan = self.plan
        looks = {look.id: look for look in plan.looks}
        look_id = self.look_id
        if look_id not in looks:
            look_id = plan.looks[-1].id if plan.looks else ""
        self.look_id = look_id
        self.piece_id = looks[look_id].piece if look_id else (plan.pieces[0].id if plan.pieces else "")
        ledges = [ledge.id for ledge in self.piece.ledges] if self.piece_id else []
        ledge_id = self.ledge_id
        self.ledge_id = ledge_id if ledge_id in ledges else (ledges[0] if ledges else "")
        present = {placement.id for placement in looks[look_id].placements} if look_id else set()
        self.selection = tuple(identifier for identifier in self.selection if identifier in present)
        self.pointed_at = ()
        if self.item is None:
            self.item_id = plan.stash[0].id if plan.stash else ""
        known = {item.id for item in plan.stash}
        self.item_ids = tuple(identifier for identifier in self.item_ids if identifier in known) or (
            (self.item_id,) if self.item_id else ()
        )

    # Files

    def start(
        self, plan: Plan, file: PlanFile | None, *, dirty: bool = False, photos: Mapping[str, bytes] | None = None
    ) -> None:
        """Begin with another plan; a bare one is given a piece and a look to work on."""
        self._log.forget()
        self.photos = dict(photos if photos is not None else file.photos if file is not None else {})
        self._foreign_photos = frozenset(self.photos) - photo_names(plan)
        self.history = History(workable(plan))
        self.file = file
        self.is_dirty = dirty or self.plan is not plan
        self.saved_at = ""
        self._preview = None
        self.meanings.clear()
        self.selection = self.item_ids = ()
        self.look_id = self.ledge_id = self.item_id = ""
        self._settle_in_hand()
        self._forget_readings()
        if self.is_dirty:
            self._keep_soon()
        self.changed.emit()
        self.chosen.emit()

    def open(self, path: Path) -> bool:
        """Open a plan; a refusal is told, not raised."""
        try:
            plan, file = open_plan(path)
        except FileError as error:
            self.refused.emit(str(error))
            return False
        self.start(plan, file)
        self._note_recent(path)
        if self.plan is not plan:
            self.refused.emit(f"“{path.name}” held no {'look' if plan.pieces else 'piece'} yet; a plain one was begun.")
        return True

    def save(self, path: Path | None = None, *, overwrite_changes: bool = False) -> bool:
        """Save the plan, under another name when a path is given; return whether it is saved."""
        file = self.file if path is None else PlanFile(path)
        if file is None:
            return False
        # Pictures that the plan never spoke of are somebody else's and stay; those it dropped go.
        kept = photo_names(self.plan) | self._foreign_photos
        photos = {name: photo for name, photo in self.photos.items() if name in kept}
        file = PlanFile(file.path, file.digest, photos)
        self.history.settle()
        replaced = self._content_of(file.path)
        try:
            self.file = save_plan(self.plan, file, overwrite_changes=overwrite_changes or path is not None)
        except ChangedOnDiskError as error:
            self.changed_on_disk.emit(str(error))
            return False
        except FileError as error:
            self.refused.emit(str(error))
            return False
        self.is_dirty = False
        self.saved_at = QDateTime.currentDateTime().toString("HH:mm")
        self._stop_keeping()
        self._log.forget()
        self._note_recent(file.path)
        self._keep_backup(file.path, replaced)
        self.saved.emit()
        if photo_names(self.plan) and file.path.suffix.lower() != ARCHIVE_SUFFIX:
            self.refused.emit(
                f"“{file.path.name}” holds no photographs; save under a name that ends in .ledge to keep them."
            )
        return True

    def _note_recent(self, path: Path) -> None:
        if self.recent is not None:
            self.recent.add(path)

    def _content_of(self, path: Path) -> bytes | None:
        """Return what a save is about to replace, None where nothing is there or no versions are kept."""
        if self.backups is None:
            return None
        with contextlib.suppress(FileError):
            return content_of(path, LARGEST_FILE, "any plan")
        return None

    def _keep_backup(self, path: Path, content: bytes | None) -> None:
        if self.backups is None or content is None:
            return
        try:
            self.backups.keep(path, content)
        except FileError:
            self.refused.emit("It is saved; the version before it could not be kept apart, for there is no room.")

    def earlier_versions(self) -> tuple[Backup, ...]:
        """Return the kept versions of the plan in hand, newest first."""
        return self.backups.of(self.file.path) if self.backups is not None and self.file is not None else ()

    def take_version(self, backup: Backup) -> bool:
        """Take an earlier version in hand; it is saved over the present one only when the person saves."""
        try:
            plan, kept = open_plan(backup.path)
        except FileError as error:
            self.refused.emit(str(error))
            return False
        self.start(plan, self.file, dirty=True, photos=kept.photos)
        return True

    def changes_since(self, backup: Backup) -> tuple[str, ...]:
        """Return what changed since an earlier version; a version that cannot be read is said."""
        try:
            plan, _ = open_plan(backup.path)
        except FileError as error:
            return (str(error),)
        return plan_differences(plan, self.plan)

    def add_photo(self, name: str, content: bytes) -> None:
        """Keep a photograph beside the plan, for edits to refer to."""
        self.photos[name] = content

    def _keep_soon(self) -> None:
        self._keeper.start()
        if not self._latest.isActive():
            self._latest.start()

    def _stop_keeping(self) -> None:
        self._keeper.stop()
        self._latest.stop()

    def keep_now(self) -> None:
        """Keep unsaved work for recovery."""
        self._stop_keeping()
        if not self.is_dirty:
            return
        try:
            self._log.keep(self.plan, self.file.path if self.file else None, self.photos)
        except FileError as error:
            self.refused.emit(str(error))

    def recoverable(self) -> tuple[Recovered, ...]:
        """Return unsaved work of sessions that ended without saying goodbye."""
        return self._log.find()

    def recover(self, found: Recovered) -> None:
        """Take unsaved work in hand again."""
        file = None
        if found.path is not None and found.path.exists():
            with contextlib.suppress(FileError):
                _, file = open_plan(found.path)
        if file is None and found.path is not None:
            file = PlanFile(found.path)
        photos = {**(file.photos if file is not None else {}), **found.photos}
        self.start(found.plan, file, dirty=True, photos=photos)
        self.keep_now()
        self.drop(found)

    def drop(self, found: Recovered) -> None:
        """Let unsaved work of an ended session go."""
        drop_kept(found.kept_in)

    def let_go(self) -> None:
        """End the session knowingly: nothing is left to recover."""
        self._stop_keeping()
        self._log.forget()
