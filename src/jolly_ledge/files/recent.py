"""Which plans were in hand lately, the latest first."""

import contextlib
from pathlib import Path

import msgspec

from jolly_ledge.files.atomic import write_atomically
from jolly_ledge.files.content import content_of
from jolly_ledge.files.errors import FileError

MOST = 12
LARGEST = 1_000_000
MOST_CLIENTS = 200


class RecentFiles:
    """A short list in a file of its own; a damaged list is begun anew, for nothing depends on it."""

    def __init__(self, file: Path) -> None:
        self._file = file

    def paths(self) -> tuple[Path, ...]:
        """Return what was opened or saved lately and is still there."""
        return tuple(path for path in self._read() if path.is_file())

    def clients(self) -> tuple[Path, ...]:
        """Return the plans that were in hand lately and, after them, the ``.ledge`` files that lie beside them."""
        recent = self.paths()
        beside: list[Path] = []
        for folder in dict.fromkeys(path.parent for path in recent):
            with contextlib.suppress(OSError):
                beside += sorted(path for path in folder.glob("*.ledge") if path.is_file())
        return tuple(dict.fromkeys((*recent, *beside)))[:MOST_CLIENTS]

    def add(self, path: Path) -> None:
        """Put a plan at the head of the list; where that cannot be kept it is not, for it is no work of anyone's."""
        whole = path.absolute()
        paths = [whole, *(other for other in self._read() if other != whole)][:MOST]
        with contextlib.suppress(OSError, FileError):
            self._file.parent.mkdir(parents=True, exist_ok=True)
            write_atomically(self._file, msgspec.json.encode([str(one) for one in paths]))

    def _read(self) -> tuple[Path, ...]:
        try:
            known = content_of(self._file, LARGEST, "any such list")
            return tuple(Path(one) for one in msgspec.json.decode(known, type=list[str]))
        except (FileError, msgspec.DecodeError):
            return ()
