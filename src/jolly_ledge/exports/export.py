"""What every export tells of itself, and how its bytes come into a file."""

from collections.abc import Callable, Mapping
from datetime import date
from pathlib import Path
from typing import TYPE_CHECKING, Literal

from msgspec import Struct, field

from jolly_ledge.files.atomic import write_atomically
from jolly_ledge.model.errors import ExportError
from jolly_ledge.model.lengths import LengthUnit
from jolly_ledge.model.look import Look
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.plan import Plan

if TYPE_CHECKING:
    from jolly_ledge.drawing.labels import LabelSheet

NO_LOOK = "There is no look to put on paper; begin one first."
LONGEST_SIDE, MOST_PIXELS = 2000, (16, 12_000)
PaperName = Literal["a4", "letter"]
LabelKind = Literal["cords", "boxes"]


class Options(Struct, frozen=True, kw_only=True):
    """What an export may be asked: each heeds only what it names.

    ``looks`` are in the order that is wished, ``photos`` those of the plan by their names; ``pixels`` is the longer
    side of a drawing unless ``scale`` says 1 to so many; ``skip`` labels of the first sheet are used up.
    """

    looks: tuple[Look, ...] = ()
    unit: LengthUnit = "cm"
    paper: PaperName = "a4"
    pixels: int = LONGEST_SIDE
    scale: float | None = None
    labels: LabelKind = "cords"
    sheet: "LabelSheet | None" = None
    skip: int = 0
    today: date = field(default_factory=date.today)
    photos: Mapping[str, bytes] = field(default_factory=dict)

    @property
    def look(self) -> Look:
        """The one look that is written; raise ExportError where there is none."""
        if not self.looks:
            raise ExportError(NO_LOOK)
        return self.looks[0]


Heeded = Literal["looks", "unit", "paper", "pixels", "scale", "labels", "sheet", "skip", "today", "photos"]


class Export(Struct, frozen=True):
    """One thing that can be written.

    Parameters
    ----------
    id : str
        As the command line calls it.
    name : str
        What it is, in the words of the window: *the sheet*.
    suffixes : tuple of str
        The endings it is written under, the usual one first.
    heeds : tuple of str
        The options that it asks.
    make : callable
        Takes the plan, the options and the ending; returns the bytes.
    named : callable
        Takes the plan and the options; returns a name for the file, without its ending.
    of_a_look : bool
        Whether it asks for one look at least.
    """

    id: str
    name: str
    suffixes: tuple[str, ...]
    heeds: tuple[Heeded, ...]
    make: Callable[[Plan, Options, str], bytes]
    named: Callable[[Plan, Options], str]
    of_a_look: bool = False

    def path_for(self, path: Path) -> Path:
        """Return a path with the usual ending where it has none; raise ExportError where it has a strange one."""
        if not path.suffix:
            return path.with_suffix(self.suffixes[0])
        if path.suffix.lower() not in self.suffixes:
            raise ExportError(f"“{path.name}” {self._strange()}")
        return path

    def _strange(self) -> str:
        if len(self.suffixes) == 1:
            return f"does not end in {self.suffixes[0]}; name {self.name} with it."
        if len(self.suffixes) == 2:
            return f"ends in neither {' nor '.join(self.suffixes)}; name {self.name} with one of them."
        return f"ends in none of {listed(list(self.suffixes))}; name {self.name} with one of them."


def write_export(export: Export, plan: Plan, options: Options, path: Path) -> Path:
    """Write an export; return where it went.

    Raises
    ------
    ExportError
        It cannot be made as asked, or the ending is not one of its own.
    FileError
        The file cannot be written.
    """
    path = export.path_for(path)
    write_atomically(path, export.make(plan, options, path.suffix.lower()))
    return path


def file_stem(plan: Plan, options: Options) -> str:
    """Return a name for what shows a look: the piece and the look."""
    if not options.looks:
        return "look"
    look = options.look
    return f"{plan.piece(look.piece).label} - {look.label}".replace("/", "-")
