"""The placing sheet as CSV."""

import csv
import io
from collections.abc import Iterable

from jolly_ledge.model.tape_figures import TapeFigure
from jolly_ledge.model.working_order import PlacingStep

COLUMNS = (
    "step",
    "thing",
    "fetch from",
    "ledge",
    "along mm",
    "along from",
    "in mm",
    "in from",
    "up mm",
    "up from",
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
            *_figure(step.along), *_figure(step.across), *_figure(step.upward), step.support, step.how, step.note,
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


def _figure(figure: TapeFigure | None) -> tuple[str, str]:
    return ("", "") if figure is None else (f"{figure.length:g}", figure.start)


def _is_number(cell: str) -> bool:
    return cell.removeprefix("-").replace(".", "", 1).isdigit()
