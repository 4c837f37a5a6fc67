"""Cells that a spreadsheet does not run."""

import csv
import io
from collections.abc import Iterable, Sequence

FORMULA_STARTS = ("=", "+", "-", "@", "\t", "\r")


def rows_to_csv(heading: Sequence[str], rows: Iterable[Sequence[object]]) -> str:
    """Return rows as CSV with a heading; a text that a spreadsheet would run as a formula begins with an apostrophe."""
    buffer = io.StringIO(newline="")
    writer = csv.writer(buffer)
    writer.writerow(heading)
    for row in rows:
        writer.writerow([_defused(cell) for cell in row])
    return buffer.getvalue()


def _defused(cell: object) -> object:
    if isinstance(cell, str) and cell.startswith(FORMULA_STARTS) and not _is_number(cell):
        return f"'{cell}"
    return cell


def _is_number(cell: str) -> bool:
    return cell.removeprefix("-").replace(".", "", 1).isdigit()
