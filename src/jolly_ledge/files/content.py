"""What is in a file, within bounds: never a device, a pipe or more than was asked for."""

import stat
from pathlib import Path

from jolly_ledge.files.errors import FileError, reading_error


def content_of(path: Path, largest: int, what: str) -> bytes:
    """Return the bytes of an ordinary file.

    Parameters
    ----------
    path : Path
        A link is followed.
    largest : int
        In bytes; a size that was told falsely is noticed while reading.
    what : str
        What it is larger than where it is too large, such as "any plan".

    Raises
    ------
    FileError
        There is none, it may not be read, it is no ordinary file, or it is too large.
    """
    try:
        # Asked before it is opened: a pipe without a writer would never open.
        told = path.stat()
        if stat.S_ISDIR(told.st_mode):
            raise FileError(f"“{path}” cannot be opened: it is a folder.")
        if not stat.S_ISREG(told.st_mode):
            raise FileError(f"“{path}” is no ordinary file but a device or a pipe; it is not opened.")
        with path.open("rb") as file:
            content = file.read(largest + 1) if told.st_size <= largest else b""
    except OSError as error:
        raise reading_error(path, error) from error
    if told.st_size > largest or len(content) > largest:
        raise FileError(f"“{path.name}” is larger than {what}; it is not opened.")
    return content
