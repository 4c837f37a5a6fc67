"""The ``.ledge`` archive: a zip of ``plan.json`` and ``photos/``."""

import io
import zipfile
import zlib
from pathlib import PurePosixPath

from jolly_ledge.files.codec import LARGEST_PLAN
from jolly_ledge.files.errors import PlanFileError

PLAN_NAME = "plan.json"
PHOTOS = "photos/"
LARGEST_CONTENT = 1024 * 1024 * 1024
MOST_MEMBERS = 5_000
_STEP = 1024 * 1024
_FIXED_DATE = (2020, 1, 1, 0, 0, 0)


def unpack(content: bytes) -> tuple[bytes, dict[str, bytes]]:
    """Return the plan's JSON and the photos by name.

    Raises
    ------
    PlanFileError
        The archive is damaged, too large, holds no plan, or a path that leaves it.
    """
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as archive:
            members = archive.infolist()
            _check_members(members)
            if PLAN_NAME not in {member.filename for member in members}:
                raise PlanFileError(f"The archive holds no {PLAN_NAME}; it is not a Jolly Ledge file; choose another.")
            plan = _read(archive, PLAN_NAME, LARGEST_PLAN)
            photos = {
                member.filename: _read(archive, member.filename, LARGEST_CONTENT)
                for member in members
                if member.filename.startswith(PHOTOS) and not member.is_dir()
            }
    except (zipfile.BadZipFile, zlib.error, EOFError, NotImplementedError, RuntimeError, OSError) as error:
        raise PlanFileError("The archive is damaged or not whole; open an earlier copy.") from error
    return plan, photos


def _check_members(members: list[zipfile.ZipInfo]) -> None:
    if len(members) > MOST_MEMBERS:
        raise PlanFileError(f"The archive holds {len(members)} files; at most {MOST_MEMBERS} are read.")
    for member in members:
        path = PurePosixPath(member.filename.replace("\\", "/"))
        if path.is_absolute() or ".." in path.parts or ":" in member.filename[:2]:
            raise PlanFileError(f"The archive holds “{member.filename}”, a path that leaves it; it is not opened.")
    if sum(member.file_size for member in members) > LARGEST_CONTENT:
        raise PlanFileError("The archive unpacks to more than 1 GB; it is not opened.")


def _read(archive: zipfile.ZipFile, name: str, limit: int) -> bytes:
    """Read one member in steps, since the size it tells may be false."""
    parts, size = [], 0
    with archive.open(name) as member:
        while part := member.read(_STEP):
            size += len(part)
            if size > limit:
                raise PlanFileError(
                    f"“{name}” in the archive unpacks to more than {limit // 2**20} MB; it is not opened."
                )
            parts.append(part)
    return b"".join(parts)


def pack(plan: bytes, photos: dict[str, bytes]) -> bytes:
    """Return the archive; the same content gives the same bytes."""
    buffer = io.BytesIO()
    with zipfile.ZipFile(buffer, "w") as archive:
        archive.writestr(zipfile.ZipInfo(PLAN_NAME, _FIXED_DATE), plan, zipfile.ZIP_DEFLATED)
        for name in sorted(photos):
            archive.writestr(zipfile.ZipInfo(name, _FIXED_DATE), photos[name], zipfile.ZIP_STORED)
    return buffer.getvalue()
