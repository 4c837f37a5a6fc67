"""Tables of any origin: comma, semicolon or tab between cells, or JSON; read as text, cell by cell."""

import codecs
import csv
import io
from pathlib import Path
from typing import Any

import msgspec
from msgspec import Struct

from jolly_ledge.files.content import content_of
from jolly_ledge.files.errors import FileError
from jolly_ledge.files.stash_csv import COLUMNS, NEEDED, stash_from_csv
from jolly_ledge.files.stash_json import stash_from_json
from jolly_ledge.model.item import Item

MOST_ROWS = 20_000
MOST_COLUMNS = 200
LARGEST_BYTES = 40 * 1024 * 1024
DELIMITERS = ",;\t|"


class Table(Struct, frozen=True):
    """Headings and rows of text, each row as long as the headings."""

    headings: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]

    def samples(self, column: int, most: int = 3) -> tuple[str, ...]:
        """Return some cells of a column that hold something."""
        return tuple(dict.fromkeys(row[column] for row in self.rows if row[column]))[:most]


def read_list(path: Path) -> Table | tuple[Item, ...]:
    """Read a CSV or JSON file: things to the letter when this program wrote it, a table otherwise.

    Raises
    ------
    FileError
        In one sentence: what is wrong, and where.
    """
    text = decoded(content_of(path, LARGEST_BYTES, "40 MB, which no list of things is"))
    is_json = text.lstrip()[:1] in ("[", "{")
    own = stash_from_json(text) if is_json else own_csv(text)
    if own is not None:
        return own
    table = table_from_json(text) if is_json else table_from_csv(text)
    if len(table.headings) > MOST_COLUMNS:
        raise FileError(
            f"“{path.name}” has {len(table.headings)} columns; a list of things has up to {MOST_COLUMNS}, so save it "
            "with those that matter."
        )
    if len(table.rows) > MOST_ROWS:
        raise FileError(f"“{path.name}” has {len(table.rows)} rows; up to {MOST_ROWS} are taken over at once.")
    return table


def decoded(content: bytes) -> str:
    """Return text in UTF-8, in UTF-16 as its mark tells, or else in the Windows text of older spreadsheets."""
    if content.startswith((codecs.BOM_UTF16_LE, codecs.BOM_UTF16_BE)):
        return content.decode("utf-16", errors="replace")
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError:
        # It knows every byte but five.
        return content.decode("cp1252", errors="replace")


def own_csv(text: str) -> tuple[Item, ...] | None:
    """Return the things of a table whose headings are those of an exported stash, else None."""
    first = text.removeprefix("\ufeff").splitlines()[:1]
    headings = set(first[0].strip().lower().split(",")) if first else set()
    return stash_from_csv(text) if headings <= set(COLUMNS) and headings >= set(NEEDED) else None


def table_from_csv(text: str) -> Table:
    """Read text with a heading row; raise FileError where that is not possible."""
    lines = text.splitlines()
    first = next((line for line in lines if line.strip()), "")
    delimiter = max(DELIMITERS, key=first.count)
    try:
        rows = list(csv.reader(io.StringIO(text, newline=""), delimiter=delimiter, strict=True))
    except csv.Error as error:
        raise FileError(f"The table cannot be read: {error}; save it again as CSV.") from error
    filled = [row for row in rows if any(cell.strip() for cell in row)]
    if not filled:
        raise FileError("The table is empty; it needs a heading row and a row for every thing.")
    headings = _distinct([cell.strip() or f"column {index + 1}" for index, cell in enumerate(filled[0])])
    width = len(headings)
    return Table(headings, tuple(_row(row, width) for row in filled[1:]))


def _row(row: list[str], width: int) -> tuple[str, ...]:
    """Return a row of just so many cells; what juts out is joined to the last, so that nothing is lost unseen."""
    if len(row) > width:
        row = [*row[: width - 1], " ".join(row[width - 1 :])]
    return tuple(cell.strip() for cell in row) + ("",) * (width - len(row))


def _distinct(names: list[str]) -> tuple[str, ...]:
    seen: dict[str, int] = {}
    found = []
    for name in names:
        seen[name] = seen.get(name, 0) + 1
        found.append(name if seen[name] == 1 else f"{name} ({seen[name]})")
    return tuple(found)


def table_from_json(text: str) -> Table:
    """Read a list of objects, or the list inside an object (``stash``, ``items``, or the only list there is)."""
    try:
        whole = msgspec.json.decode(text.encode())
    except (msgspec.DecodeError, RecursionError) as error:
        raise FileError(f"The file is not whole JSON: {error}.") from error
    records = _records(whole)
    if not records:
        raise FileError('The file holds no list of things; it needs a list of objects, such as [{"name": …}, …].')
    headings = tuple(dict.fromkeys(key for record in records for key in record))
    return Table(headings, tuple(tuple(_text(record.get(key)) for key in headings) for record in records))


def _records(whole: Any) -> list[dict[str, Any]]:
    if isinstance(whole, dict):
        lists = [
            value for key, value in whole.items() if key in ("stash", "items", "things") and isinstance(value, list)
        ]
        lists = lists or [value for value in whole.values() if isinstance(value, list)]
        whole = lists[0] if lists else []
    return [record for record in whole if isinstance(record, dict)] if isinstance(whole, list) else []


def _text(value: Any) -> str:
    if value is None:
        return ""
    if isinstance(value, str):
        return value
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, (int, float)):
        return f"{value:.15g}"
    return msgspec.json.encode(value).decode()
