"""The placing sheet as CSV."""

import csv
import io
from collections.abc import Iterable

from jolly_ledge.model.working_order import PlacingStep

COLUMNS = (
    "step",
    "thing",
    "fetch from",
    "ledge",
    "from left mm",
    "from front mm",
    "over ledge mm",
    "on",
    "pose",
    "note",
)
_FORMULA_STARTS = ("=", "+", "-", "@", "\t", "\r")


def sheet_to_csv(steps: Iterable[PlacingStep]) -> str:
    """Return the working order as CSV with a heading row."""
    buffer = io.StringIO(newline="")
    writer = csv.writer(buffer)
    writer.writerow(COLUMNS)
    for step in steps:
        row = (
            step.number, step.name, step.room, step.ledge,
            "" if step.from_left is None else f"{step.from_left:g}",
            "" if step.from_front is None else f"{step.from_front:g}", f"{step.over_ledge:g}",
            step.support, step.how, step.note,
        )  # fmt: skip
        writer.writerow(
            [
                f"'{cell}"
                if isinstance(cell, str) and cell.startswith(_FORMULA_STARTS) and not _is_number(cell)
                else cell
                for cell in row
            ]
        )
    return buffer.getvalue()


def _is_number(cell: str) -> bool:
    return cell.removeprefix("-").replace(".", "", 1).isdigit()
