"""The stash as CSV, for spreadsheets: one thing a row, and back without loss."""

import csv
import io
from collections.abc import Iterable
from typing import Any

import msgspec

from jolly_ledge.files.errors import FileError
from jolly_ledge.model.errors import InvalidPlanError, MoneyError
from jolly_ledge.model.item import Item
from jolly_ledge.model.money import price_of
from jolly_ledge.model.value import checked

COLUMNS = (
    "id", "name", "category", "silhouette", "width_mm", "height_mm", "depth_mm", "mass_kg", "colours", "finish",
    "material", "traits", "set", "room", "status", "price", "mouth_mm", "stems", "count", "for", "note",
    "borrowed_from", "returns_to", "return_by", "season", "care", "repaint", "covers", "guessed", "photo", "outline",
    "watts", "discount", "original_price", "box", "obsolete_by", "gone", "sense", "use",
    "cord", "may_be", "refinish", "part_painted", "outlets", "kept",
)  # fmt: skip
NEEDED = ("id", "category", "width_mm", "height_mm", "depth_mm")
_FIELDS = {
    "width_mm": "width",
    "height_mm": "height",
    "depth_mm": "depth",
    "mass_kg": "mass",
    "mouth_mm": "mouth",
}
_NUMBERS = frozenset({"width_mm", "height_mm", "depth_mm", "mass_kg", "mouth_mm", "watts"})
_FLAGS = frozenset({"gone", "part_painted"})
_MONEY = frozenset({"price", "original_price"})
_WHOLE = frozenset({"stems", "count", "outlets"})
_FREE_TEXT = frozenset(
    {"name", "material", "set", "room", "note", "borrowed_from", "returns_to", "return_by", "box", "obsolete_by"}
)
_LISTS = frozenset({"traits", "for", "season", "guessed", "may_be"})
_NESTED = frozenset({"care", "covers", "outline", "discount", "use", "cord", "kept"})
"""Written as JSON in one cell, so that nothing is lost."""

_FORMULA_STARTS = ("=", "+", "-", "@", "\t", "\r", "'")
"""A cell that begins so would be run by a spreadsheet; an apostrophe before it keeps it text."""


def stash_to_csv(stash: Iterable[Item]) -> str:
    """Return the stash as CSV with a heading row; formulas are defused."""
    buffer = io.StringIO(newline="")
    writer = csv.writer(buffer)
    writer.writerow(COLUMNS)
    for item in stash:
        known = msgspec.to_builtins(item)
        writer.writerow([_cell(column, known) for column in COLUMNS])
    return buffer.getvalue()


def _cell(column: str, known: dict[str, Any]) -> str:
    value = known.get(_FIELDS.get(column, column))
    if value is None:
        return ""
    if column == "colours":
        return " ".join(f"{colour}:{share:g}" for colour, share in value)
    if column in _LISTS:
        return " ".join(value)
    if column in _NESTED:
        return "" if value in ([], ()) else msgspec.json.encode(value).decode()
    if isinstance(value, bool):
        return "yes" if value else ""
    if isinstance(value, float):
        return repr(value).removesuffix(".0")
    text = str(value)
    return f"'{text}" if text.startswith(_FORMULA_STARTS) else text


def stash_from_csv(text: str) -> tuple[Item, ...]:
    """Read a stash from CSV with a heading row.

    Raises
    ------
    FileError
        With the row and the column of the fault.
    """
    try:
        rows = list(csv.reader(io.StringIO(text.removeprefix("\ufeff"), newline=""), strict=True))
    except csv.Error as error:
        raise FileError(f"The table cannot be read: {error}; save it again as CSV.") from error
    if not rows:
        raise FileError("The table is empty; it needs a heading row with id, category and the three sizes.")
    heading = [name.strip().lower() for name in rows[0]]
    unknown = [name for name in heading if name not in COLUMNS]
    if unknown:
        raise FileError(f"Row 1: “{unknown[0]}” is no column of a stash; the columns are {', '.join(COLUMNS)}.")
    for needed in NEEDED:
        if needed not in heading:
            raise FileError(f"Row 1: the column “{needed}” is missing.")
    items = [
        _item(number, heading, row) for number, row in enumerate(rows[1:], start=2) if any(cell.strip() for cell in row)
    ]
    seen: set[str] = set()
    for item in items:
        if item.id in seen:
            raise FileError(f"The table names “{item.id}” twice; every thing needs an id of its own.")
        seen.add(item.id)
    return tuple(items)


def _item(number: int, heading: list[str], row: list[str]) -> Item:
    if len(row) != len(heading):
        raise FileError(
            f"Row {number} has {len(row)} cells, the heading has {len(heading)}; check its commas and quotes."
        )
    known: dict[str, object] = {}
    for column, cell in zip(heading, row, strict=True):
        # Free text is kept to the letter; other cells may come padded from a spreadsheet.
        text = cell if column in _FREE_TEXT else cell.strip()
        if text:
            known[_FIELDS.get(column, column)] = _value(number, column, text)
    try:
        return checked(msgspec.convert(known, Item))
    except msgspec.ValidationError as error:
        problem, _, path = str(error).partition(" - at `$")
        raise FileError(f"Row {number}, {path.strip('`.') or 'cells'}: {problem[:1].lower()}{problem[1:]}.") from error
    except InvalidPlanError as error:
        raise FileError(f"Row {number}, {error}") from error


def _value(number: int, column: str, text: str) -> object:
    if text.startswith("'") and text[1:].startswith(_FORMULA_STARTS):
        text = text[1:]
    try:
        if column in _NUMBERS:
            return float(text.replace(",", "."))
        if column in _MONEY:
            return price_of(text)
        if column in _FLAGS:
            return text.lower() in ("yes", "true", "1", "x")
        if column in _WHOLE:
            return int(text)
        if column == "colours":
            return [(colour, float(share or 1)) for colour, _, share in (part.partition(":") for part in text.split())]
        if column in _NESTED:
            return msgspec.json.decode(text.encode())
    except MoneyError as error:
        raise FileError(f"Row {number}, {column}: {error}") from error
    except (ValueError, msgspec.DecodeError) as error:
        what = "what was exported" if column in _NESTED else "a number"
        raise FileError(f"Row {number}, {column}: “{text[:60]}” is not {what}.") from error
    return text.split() if column in _LISTS else text
