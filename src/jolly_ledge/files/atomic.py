"""Writing a file whole or not at all."""

import contextlib
import glob
import os
import tempfile
import time
from pathlib import Path

from jolly_ledge.files.errors import writing_error

PART, STALE_S = ".part", 600.0
"""What a save is written as before it takes its place; older than this nobody is writing it any more."""


def write_atomically(path: Path, content: bytes) -> None:
    """Replace a file in one step: a reader sees the old content or the new, never a part.

    Raises
    ------
    FileError
        The disk is full, the folder read-only, or the like; the old file stays as it was.
    """
    try:
        _replace(path.resolve() if path.is_symlink() else path, content)
    except OSError as error:
        raise writing_error(path, error) from error


def _replace(path: Path, content: bytes) -> None:
    mode = path.stat().st_mode & 0o777 if path.exists() else 0o666 & ~_umask()
    handle, temporary = tempfile.mkstemp(dir=path.parent, prefix=f".{path.name[:60]}.", suffix=PART)
    try:
        with os.fdopen(handle, "wb") as file:
            file.write(content)
            file.flush()
            os.fsync(file.fileno())
        # mkstemp makes private files; a plan keeps the rights it had.
        os.chmod(temporary, mode)
        os.replace(temporary, path)
    except BaseException:
        with contextlib.suppress(OSError):
            os.unlink(temporary)
        raise
    _sync_folder(path.parent)
    drop_parts(path.parent, path.name)


def drop_parts(folder: Path, name: str = "") -> None:
    """Let go of what a save that was cut short left in a folder, for one file or all; fresh ones are in use."""
    with contextlib.suppress(OSError):
        for part in folder.glob(f".{glob.escape(name[:60])}*{PART}"):
            with contextlib.suppress(OSError):
                if time.time() - part.stat().st_mtime > STALE_S:
                    part.unlink()


def _umask() -> int:
    current = os.umask(0)
    os.umask(current)
    return current


def _sync_folder(folder: Path) -> None:
    handle = os.open(folder, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)
