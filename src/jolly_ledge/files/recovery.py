"""Work that was not saved, kept beside the program so that a crash loses nothing.

Each open plan has one recovery file. It holds the plan, where it belongs and a hash over both; a
file whose hash does not match was cut in mid-write and is passed over.
"""

import contextlib
import os
import shutil
import uuid
from collections.abc import Mapping
from pathlib import Path, PurePosixPath

import msgspec
from msgspec import Struct

from jolly_ledge.files.atomic import drop_parts, write_atomically
from jolly_ledge.files.codec import LARGEST_PLAN, plan_from_json, plan_to_json
from jolly_ledge.files.content import content_of
from jolly_ledge.files.errors import FileError
from jolly_ledge.model.plan import Plan, photo_names

SUFFIX = ".recovery"


class _Kept(Struct):
    digest: str
    path: str
    process: int
    plan: str
    started: str = ""
    """When the process was started: its number alone is given again to others."""


class Recovered(Struct, frozen=True):
    """Unsaved work of a session that ended without saying goodbye."""

    plan: Plan
    path: Path | None
    kept_in: Path
    photos: dict[str, bytes] = {}


class RecoveryLog:
    """Keeps the plan in hand in a folder until it is saved or closed.

    Parameters
    ----------
    folder : Path
        Where recovery files live; made if needed.
    """

    def __init__(self, folder: Path) -> None:
        self._folder = folder
        # No two runs share a file, though numbers of processes come again.
        self._file = folder / f"{os.getpid()}-{uuid.uuid4().hex[:12]}{SUFFIX}"

    @property
    def folder(self) -> Path:
        """Where recovery files live."""
        return self._folder

    def keep(self, plan: Plan, path: Path | None, photos: Mapping[str, bytes] | None = None) -> None:
        """Keep the plan in hand with its photographs; raise FileError where that is not possible."""
        try:
            self._folder.mkdir(parents=True, exist_ok=True)
        except OSError as error:
            raise FileError(
                f"Unsaved work cannot be kept in “{self._folder}”: {(error.strerror or 'refused').lower()}."
            ) from error
        self._keep_photos(plan, photos or {})
        text = plan_to_json(plan).decode()
        where = str(path) if path else ""
        kept = _Kept(_digest(text, where), where, os.getpid(), text, _started(os.getpid()))
        write_atomically(self._file, msgspec.json.encode(kept))

    def _keep_photos(self, plan: Plan, photos: Mapping[str, bytes]) -> None:
        """Write each photograph once; its name tells its content."""
        folder = _photo_folder(self._file)
        for name in photo_names(plan):
            file = folder / PurePosixPath(name).name
            if name in photos and not file.exists():
                folder.mkdir(exist_ok=True)
                write_atomically(file, photos[name])

    def forget(self) -> None:
        """Drop what was kept: the plan is saved, or let go knowingly."""
        drop_kept(self._file)

    def find(self) -> tuple[Recovered, ...]:
        """Return the unsaved work of sessions that are no longer running, newest first."""
        try:
            files = [file for file in self._folder.glob(f"*{SUFFIX}") if file.is_file()]
        except OSError:
            return ()
        drop_parts(self._folder)
        found = [one for file in sorted(files, key=_age) if (one := self._read(file)) is not None]
        return tuple(found)

    def _read(self, file: Path) -> Recovered | None:
        try:
            kept = msgspec.json.decode(content_of(file, LARGEST_PLAN + LARGEST_PLAN, "any plan"), type=_Kept)
            if kept.digest != _digest(kept.plan, kept.path) or self._is_running(file, kept):
                return None
            plan = plan_from_json(kept.plan.encode())
        except (OSError, msgspec.DecodeError, FileError):
            return None
        return Recovered(plan, Path(kept.path) if kept.path else None, file, _photos_beside(file, plan))

    def _is_running(self, file: Path, kept: _Kept) -> bool:
        """Tell whether the run that kept a file is still going on; a process that only has its number is another."""
        if file == self._file:
            return True
        if kept.started:
            return _started(kept.process) == kept.started
        with contextlib.suppress(OSError):
            return b"jolly" in Path(f"/proc/{kept.process}/cmdline").read_bytes()
        return False


def _started(process: int) -> str:
    """Return when a process was started, as the system counts it, with the start of the system; empty where unknown."""
    with contextlib.suppress(OSError, IndexError):
        # The name of a program may hold spaces and brackets: what counts comes after the last one.
        fields = Path(f"/proc/{process}/stat").read_text().rpartition(")")[2].split()
        boot = Path("/proc/sys/kernel/random/boot_id").read_text().strip()
        return f"{boot} {fields[19]}"
    return ""


def _age(file: Path) -> float:
    """Return how old a file is, for sorting the newest first; one that just went is the oldest."""
    with contextlib.suppress(OSError):
        return -file.stat().st_mtime
    return 0.0


def drop_kept(file: Path) -> None:
    """Let a recovery file and the photographs beside it go."""
    with contextlib.suppress(OSError):
        file.unlink(missing_ok=True)
    shutil.rmtree(_photo_folder(file), ignore_errors=True)


def _photo_folder(file: Path) -> Path:
    return file.with_suffix(".photos")


def _photos_beside(file: Path, plan: Plan) -> dict[str, bytes]:
    found = {}
    for name in photo_names(plan):
        with contextlib.suppress(OSError):
            found[name] = (_photo_folder(file) / PurePosixPath(name).name).read_bytes()
    return found


def _digest(text: str, path: str) -> str:
    import hashlib

    return hashlib.sha256(f"{path}\n{text}".encode()).hexdigest()
