"""Writing a file whole or not at all."""

import contextlib
import os
import tempfile
from pathlib import Path

from jolly_ledge.files.errors import writing_error


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
    handle, temporary = tempfile.mkstemp(dir=path.parent, prefix=f".{path.name[:60]}.", suffix=".part")
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
