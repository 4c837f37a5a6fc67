"""What can go wrong with a file, in one sentence each."""

import errno
from pathlib import Path

from jolly_ledge.model.errors import JollyLedgeError


class FileError(JollyLedgeError):
    """A file cannot be read or written."""


class PlanFileError(FileError):
    """A file is no plan, or a broken one."""


class ChangedOnDiskError(FileError):
    """A file was changed by somebody else since it was read."""


def writing_error(path: Path, error: OSError) -> FileError:
    """Return the sentence for a file that could not be written."""
    reasons = {
        errno.ENOSPC: "the disk is full; free some room and save again",
        errno.EDQUOT: "your share of the disk is used up; free some room and save again",
        errno.EACCES: "the folder or file may not be written; choose another place",
        errno.EPERM: "the folder or file may not be written; choose another place",
        errno.EROFS: "the disk is read-only; choose another place",
        errno.ENOENT: "the folder does not exist; choose another place",
        errno.EISDIR: "it is a folder; choose a file name",
        errno.ENAMETOOLONG: "the name is too long; choose a shorter one",
    }
    reason = reasons.get(error.errno or 0, (error.strerror or "the system refused").lower())
    return FileError(f"“{path}” was not saved: {reason}. The plan in hand is unharmed.")


def reading_error(path: Path, error: OSError) -> FileError:
    """Return the sentence for a file that could not be read."""
    reasons = {
        errno.ENOENT: "there is no such file",
        errno.EACCES: "it may not be read",
        errno.EISDIR: "it is a folder",
        errno.ENOTDIR: "a part of its path is no folder",
        errno.ENAMETOOLONG: "the name is too long",
    }
    reason = reasons.get(error.errno or 0, (error.strerror or "the system refused").lower())
    return FileError(f"“{path}” cannot be opened: {reason}.")
