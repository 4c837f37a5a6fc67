"""A plan on disk: opened, saved, and watched for changes by others."""

import errno
from pathlib import Path

from msgspec import Struct

from jolly_ledge.files.atomic import write_atomically
from jolly_ledge.files.codec import LARGEST_PLAN, plan_from_json, plan_to_json
from jolly_ledge.files.content import content_of
from jolly_ledge.files.errors import ChangedOnDiskError, PlanFileError, reading_error
from jolly_ledge.model.plan import Plan

ARCHIVE_SUFFIX = ".ledge"
ZIP_STARTS = (b"PK\x03\x04", b"PK\x05\x06")
LARGEST_FILE = 4 * LARGEST_PLAN


def digest_of(content: bytes) -> str:
    """Return the hash by which a file's content is known again."""
    import hashlib

    return hashlib.sha256(content).hexdigest()


class PlanFile(Struct, frozen=True):
    """Where a plan lives, and what the file looked like when it was last read or written."""

    path: Path
    digest: str = ""
    photos: dict[str, bytes] = {}

    @property
    def changed_on_disk(self) -> bool:
        """Whether somebody else changed or made the file since."""
        try:
            if not self.path.exists():
                return False  # there is nothing there; whether it can be written is told on writing
        except OSError as error:
            if error.errno in (errno.ENOTDIR, errno.ENAMETOOLONG):
                return False
            raise reading_error(self.path, error) from error
        return digest_of(content_of(self.path, LARGEST_FILE, "any plan")) != self.digest


def open_plan(path: Path) -> tuple[Plan, PlanFile]:
    """Open a plan as JSON or as a ``.ledge`` archive, told apart by content.

    Raises
    ------
    FileError
        In one sentence: what, where, what to do.
    """
    content = content_of(path, LARGEST_FILE, "any plan")
    photos: dict[str, bytes] = {}
    text = content
    try:
        if content.startswith(ZIP_STARTS):
            # Most plans are plain JSON, which does not need the zip machinery.
            from jolly_ledge.files.archive import unpack

            text, photos = unpack(content)
        plan = plan_from_json(text)
    except PlanFileError as error:
        raise PlanFileError(f"“{path.name}” cannot be opened. {error}") from error
    return plan, PlanFile(path, digest_of(content), photos)


def save_plan(plan: Plan, file: PlanFile, *, overwrite_changes: bool = False) -> PlanFile:
    """Save a plan whole or not at all; return the file as it now is.

    Raises
    ------
    ChangedOnDiskError
        The file was changed by somebody else, and ``overwrite_changes`` is not set.
    FileError
        It cannot be written.
    """
    if not overwrite_changes and file.changed_on_disk:
        raise ChangedOnDiskError(
            f"“{file.path.name}” was changed by somebody else since you opened it; save under another "
            "name, or overwrite it knowingly."
        )
    content = plan_to_json(plan)
    if file.path.suffix.lower() == ARCHIVE_SUFFIX:
        from jolly_ledge.files.archive import pack

        content = pack(content, file.photos)
    write_atomically(file.path, content)
    return PlanFile(file.path, digest_of(content), file.photos)
