"""A photograph on disk."""

from pathlib import Path

from jolly_ledge.files.content import content_of
from jolly_ledge.photos.image import LARGEST_BYTES


def photo_bytes(path: Path) -> bytes:
    """Return what is in the file of a photograph; raise FileError when it is none or larger than any photograph."""
    return content_of(path, LARGEST_BYTES, "80 MB; save it smaller and try again")
