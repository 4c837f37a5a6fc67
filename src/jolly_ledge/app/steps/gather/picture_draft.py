"""A thing in the making: its photograph, the line that says what it is, its height."""

import re
from dataclasses import dataclass

from jolly_ledge.model.entry.parser import parse_entry
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.item import Item
from jolly_ledge.model.lengths import LengthUnit
from jolly_ledge.photos.intake import Intake
from jolly_ledge.photos.things import pictured

_CAMERA_NAME = re.compile(r"^(img|dsc[nf]?|pxl|p|photo|image|picture|screenshot)?[\s_-]*\d[\d\s_-]*$", re.IGNORECASE)


@dataclass
class PictureDraft:
    """One photograph that may become a thing of the stash."""

    intake: Intake
    as_taken: Intake
    """The photograph as the camera saw it."""

    line: str = ""
    height: float | None = None
    outlined: bool = True

    @classmethod
    def of(cls, intake: Intake) -> "PictureDraft":
        """Return the draft of a photograph; its file's name may say what it is."""
        return cls(intake, intake, line_of(intake.source))

    def item(self, unit: LengthUnit, stash: tuple[Item, ...]) -> Item:
        """Return the thing as it would be added.

        Raises
        ------
        JollyLedgeError
            The photograph shows no thing, or the line does not say what it is.
        """
        if self.intake.found is None:
            raise JollyLedgeError(self.intake.problem)
        item = parse_entry(self.line, unit, stash).items[0]
        return pictured(item, self.intake.found, self.intake.name, self.height, outlined=self.outlined)


def line_of(source: str) -> str:
    """Return the words of a file's name, unless a camera gave it.

    >>> line_of("blue-vase_32-tall.jpg"), line_of("IMG_2034.JPG")
    ('blue vase 32 tall', 'thing')
    """
    stem = source.rpartition("/")[2].rpartition(".")[0] or source
    return "thing" if _CAMERA_NAME.match(stem) else " ".join(re.split(r"[\s_-]+", stem)).strip()
