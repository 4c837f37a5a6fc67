"""What a person has set once for all plans: the unit of lengths, and how large everything is shown."""

import contextlib
from pathlib import Path
from typing import Annotated, Literal, get_args

import msgspec
from msgspec import Meta, Struct
from msgspec.structs import replace

from jolly_ledge.files.atomic import write_atomically
from jolly_ledge.files.content import content_of
from jolly_ledge.files.errors import FileError
from jolly_ledge.model.lengths import LengthUnit

SIZES = (100, 125, 150, 175, 200)
LARGEST = 100_000
Hour = Literal["day", "evening"]
HOURS: tuple[Hour, ...] = get_args(Hour)


class Settings(Struct, frozen=True):
    """The settings; ``size`` is how large text and all else is shown, in per cent.

    ``hour`` tells whether the window is bright or dim, ``widths`` by the name of a step how
    wide its panel was left, in pixels.
    """

    length_unit: LengthUnit = "cm"
    size: Annotated[int, Meta(ge=SIZES[0], le=SIZES[-1])] = 100
    hour: Hour = "day"
    widths: dict[str, Annotated[int, Meta(ge=0, le=4000)]] = {}


class SettingsFile:
    """Settings in a file of their own; a damaged one is begun anew, for nothing depends on it."""

    def __init__(self, file: Path) -> None:
        self._file = file

    @property
    def folder(self) -> Path:
        """Where it lies, with all that is kept beside the plans."""
        return self._file.parent

    def read(self) -> Settings:
        """Return what was set."""
        try:
            return msgspec.json.decode(content_of(self._file, LARGEST, "any settings"), type=Settings)
        except (FileError, msgspec.DecodeError):
            return Settings()

    def keep_width(self, step: str, wide: int) -> None:
        """Keep how wide the panel of a step was left, in pixels."""
        settings = self.read()
        self.write(replace(settings, widths={**settings.widths, step: wide}))

    def write(self, settings: Settings) -> None:
        """Keep what is set; where that cannot be kept it is not, for it is no work of anyone's."""
        with contextlib.suppress(OSError, FileError):
            self._file.parent.mkdir(parents=True, exist_ok=True)
            write_atomically(self._file, msgspec.json.encode(settings))
