"""A plan with its history, its file and its photographs: opened, saved, kept and recovered."""

import contextlib
from collections.abc import Mapping
from datetime import datetime
from pathlib import Path

from msgspec import Struct

from jolly_ledge.files.backups import Backup, Backups
from jolly_ledge.files.content import content_of
from jolly_ledge.files.errors import ChangedOnDiskError, FileError
from jolly_ledge.files.plan_file import ARCHIVE_SUFFIX, LARGEST_FILE, PlanFile, open_plan, save_plan
from jolly_ledge.files.recent import RecentFiles
from jolly_ledge.files.recovery import Recovered, RecoveryLog, drop_kept
from jolly_ledge.model.history import History
from jolly_ledge.model.plan import Plan, photo_names
from jolly_ledge.planning.plan_differences import plan_differences
from jolly_ledge.workspace.new_plan import workable
from jolly_ledge.workspace.signals import Signals


class Opened(Struct, frozen=True):
    """A plan that is to be taken in hand: its file, its photographs, whether it differs from what is saved."""

    plan: Plan
    file: PlanFile | None
    photos: dict[str, bytes]
    dirty: bool = False


class Document:
    """The plan in hand as a file: what is refused is told by a signal, not raised."""

    def __init__(self, plan: Plan, log: RecoveryLog, signals: Signals, photos: Mapping[str, bytes] | None) -> None:
        self._log = log
        self._signals = signals
        self.history = History(workable(plan))
        self.file: PlanFile | None = None
        self._kept: Plan | None = self.plan
        self.saved_at = ""
        self.photos: dict[str, bytes] = dict(photos or {})
        self._foreign_photos: frozenset[str] = frozenset()
        self.recent: RecentFiles | None = None
        self.backups: Backups | None = None

    @property
    def plan(self) -> Plan:
        """The plan in hand."""
        return self.history.plan

    @property
    def is_dirty(self) -> bool:
        """Whether the plan in hand is another than the one that is kept: what was undone to the last is not."""
        return self.plan is not self._kept

    def begin(self, opened: Opened) -> None:
        """Take another plan in hand; a bare one is given a piece and a look to work on."""
        self._log.forget()
        self.photos = dict(opened.photos)
        self._foreign_photos = frozenset(self.photos) - photo_names(opened.plan)
        self.history = History(workable(opened.plan))
        self.file = opened.file
        self._kept = None if opened.dirty else opened.plan
        self.saved_at = ""

    def read(self, path: Path) -> Opened | None:
        """Read a plan; None where it cannot be read, which is told."""
        try:
            plan, file = open_plan(path)
        except FileError as error:
            self._signals.refused.emit(str(error))
            return None
        return Opened(plan, file, dict(file.photos))

    def note_recent(self, path: Path) -> None:
        """Note that a plan was open lately."""
        if self.recent is not None:
            self.recent.add(path)

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
            self._signals.changed_on_disk.emit(str(error))
            return False
        except FileError as error:
            self._signals.refused.emit(str(error))
            return False
        self._kept = self.plan
        self.saved_at = datetime.now().strftime("%H:%M")
        self._signals.unkept.emit(False)
        self._log.forget()
        self.note_recent(file.path)
        self._keep_backup(file.path, replaced)
        self._signals.saved.emit()
        if photo_names(self.plan) and file.path.suffix.lower() != ARCHIVE_SUFFIX:
            self._signals.refused.emit(
                f"“{file.path.name}” holds no photographs; save under a name that ends in .ledge to keep them."
            )
        return True

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
            self._signals.refused.emit(
                "It is saved; the version before it could not be kept apart, for there is no room."
            )

    def earlier_versions(self) -> tuple[Backup, ...]:
        """Return the kept versions of the plan in hand, newest first."""
        return self.backups.of(self.file.path) if self.backups is not None and self.file is not None else ()

    def version(self, backup: Backup) -> Opened | None:
        """Read an earlier version; it is saved over the present one only when the person saves."""
        found = self.read(backup.path)
        return None if found is None else Opened(found.plan, self.file, found.photos, dirty=True)

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

    def keep_now(self) -> None:
        """Keep unsaved work for recovery."""
        self._signals.unkept.emit(False)
        if not self.is_dirty:
            self._log.forget()
            return
        try:
            self._log.keep(self.plan, self.file.path if self.file else None, self.photos)
        except FileError as error:
            self._signals.refused.emit(str(error))

    def recoverable(self) -> tuple[Recovered, ...]:
        """Return unsaved work of sessions that ended without saying goodbye."""
        return self._log.find()

    def recovered(self, found: Recovered) -> Opened:
        """Return unsaved work as something to take in hand again, with its file where that is still there."""
        file = None
        if found.path is not None and found.path.exists():
            with contextlib.suppress(FileError):
                _, file = open_plan(found.path)
        if file is None and found.path is not None:
            file = PlanFile(found.path)
        photos = {**(file.photos if file is not None else {}), **found.photos}
        return Opened(found.plan, file, photos, dirty=True)

    def drop(self, found: Recovered) -> None:
        """Let unsaved work of an ended session go."""
        drop_kept(found.kept_in)

    def let_go(self) -> None:
        """End knowingly: nothing is left to recover or to ask about."""
        self._kept = self.plan
        self._signals.unkept.emit(False)
        self._log.forget()
