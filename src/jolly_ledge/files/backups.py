"""Earlier versions of saved plans, in a safe place apart from them: the last ten, thinned by age."""

import contextlib
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from pathlib import Path

from msgspec import Struct

from jolly_ledge.files.atomic import write_atomically

MOST = 10
LEAST_AGE = timedelta(hours=1)
"""Versions younger than this are all of one age."""

STAMP = "%Y%m%dT%H%M%S%f"


class Backup(Struct, frozen=True):
    """One earlier version: where it is kept and when it was replaced."""

    path: Path
    at: datetime


class Backups:
    """Keeps what a save replaces.

    Parameters
    ----------
    folder : Path
        Where versions are kept; made if needed.
    """

    def __init__(self, folder: Path) -> None:
        self._folder = folder

    def keep(self, path: Path, content: bytes, now: datetime | None = None) -> None:
        """Keep the content a save is about to replace, and thin out what is old.

        Raises
        ------
        FileError
            It cannot be kept.
        """
        at = now or datetime.now(UTC)
        folder = self._folder_of(path)
        with contextlib.suppress(OSError):
            folder.mkdir(parents=True, exist_ok=True)
        write_atomically(folder / f"{at.strftime(STAMP)}{path.suffix}", content)
        for backup in thinned(self.of(path), at):
            with contextlib.suppress(OSError):
                backup.path.unlink()

    def of(self, path: Path) -> tuple[Backup, ...]:
        """Return the kept versions of a file, newest first; a file with a strange name is passed over."""
        found = []
        folder = self._folder_of(path)
        for file in folder.iterdir() if folder.is_dir() else ():
            with contextlib.suppress(ValueError):
                found.append(Backup(file, datetime.strptime(file.stem, STAMP).replace(tzinfo=UTC)))
        return tuple(sorted(found, key=lambda backup: backup.at, reverse=True))

    def _folder_of(self, path: Path) -> Path:
        import hashlib

        whole = str(path.absolute())
        return self._folder / f"{path.stem[:40]}-{hashlib.sha256(whole.encode()).hexdigest()[:12]}"


def thinned(kept: Sequence[Backup], now: datetime) -> tuple[Backup, ...]:
    """Return which versions may go: while there are too many, the one whose neighbours lie closest for their age.

    The newest and the oldest stay.
    """
    waiting = sorted(kept, key=lambda backup: backup.at, reverse=True)
    gone = []
    while len(waiting) > MOST:
        index = min(range(1, len(waiting) - 1), key=lambda n: _gap_without(waiting[n - 1], waiting[n + 1], now))
        gone.append(waiting.pop(index))
    return tuple(gone)


def _gap_without(younger: Backup, older: Backup, now: datetime) -> float:
    """Return how far two versions lie apart once the one between them is gone, as a share of their age."""
    return (younger.at - older.at) / max(now - older.at, LEAST_AGE)
