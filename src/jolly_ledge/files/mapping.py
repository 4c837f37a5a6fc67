"""From a table of any origin to things: which column means what, and what taking it over would do."""

import re
from collections.abc import Callable, Iterable, Sequence
from pathlib import Path
from typing import Any, Literal

import msgspec
from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.files.errors import FileError
from jolly_ledge.files.stash_csv import COLUMNS
from jolly_ledge.files.table import Table, read_list
from jolly_ledge.model.duplicates import TwinFinder
from jolly_ledge.model.entry.parser import ListedLine
from jolly_ledge.model.entry.remembered import Usual, usual_size
from jolly_ledge.model.entry.understanding import singular_of
from jolly_ledge.model.entry.vocabulary import (
    COLOURS,
    FINISH_WORDS,
    KINDS,
    STATUS_WORDS,
    STUFFS,
    TRAIT_WORDS,
    Kind,
)
from jolly_ledge.model.errors import InvalidPlanError, JollyLedgeError, MoneyError
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.item import Item
from jolly_ledge.model.lengths import LengthUnit, parse_length
from jolly_ledge.model.money import price_of
from jolly_ledge.model.phrases import with_article
from jolly_ledge.model.value import checked
from jolly_ledge.model.words import CATEGORIES, FINISHES, STATUSES, TRAITS

Field = str
"""A column of the stash table (such as ``height_mm``), ``size`` for one cell of all sizes, or nothing to pass over."""

NO_KIND = "no word names a kind that is known"

FIELDS: tuple[Field, ...] = ("", *COLUMNS, "size")
LENGTHS = frozenset({"width_mm", "height_mm", "depth_mm", "mouth_mm"})

_ALIASES: dict[Field, tuple[str, ...]] = {
    "id": ("id", "key", "code", "number", "no", "sku", "inventory"),
    "name": ("name", "title", "item", "thing", "object", "description", "what"),
    "category": ("category", "kind", "type", "class"),
    "silhouette": ("silhouette", "shape", "form"),
    "width_mm": ("width", "w", "wide", "breadth", "length", "l"),
    "height_mm": ("height", "h", "high", "tall"),
    "depth_mm": ("depth", "d", "deep", "thickness"),
    "size": ("size", "sizes", "dimensions", "dimension", "measures", "wxhxd", "wxh"),
    "mass_kg": ("mass", "weight", "weighs", "kg"),
    "colours": ("colours", "colour", "color", "colors", "hue"),
    "finish": ("finish", "surface", "sheen"),
    "material": ("material", "made of", "stuff"),
    "traits": ("traits", "mind", "flags", "tags"),
    "set": ("set", "group", "pair"),
    "room": ("room", "lives", "location", "place", "where"),
    "status": ("status", "state", "owned"),
    "price": ("price", "cost", "value", "paid"),
    "mouth_mm": ("mouth", "opening", "neck"),
    "stems": ("stems",),
    "count": ("count", "quantity", "qty", "pieces", "how many"),
    "note": ("note", "notes", "remark", "remarks", "comment", "comments"),
    "borrowed_from": ("borrowed from", "lender", "owner"),
    "returns_to": ("returns to", "return to"),
    "return_by": ("return by", "due", "due back"),
    "season": ("season", "seasons"),
    "watts": ("watts", "watt", "power"),
}
_UNIT_IN_HEADING = re.compile(r"[\s_\[(]*\b(mm|cm|in|inch|inches|m)\b[\])]*\s*$", re.IGNORECASE)


class MappedColumn(Struct, frozen=True):
    """A column of the table, what it means, and the unit of its bare figures."""

    heading: str
    field: Field
    unit: LengthUnit = "cm"


Doing = Literal["add", "change", "same", "twin", "refuse"]


class ImportRow(Struct, frozen=True):
    """What taking over would do with one row: ``twin`` names a thing that looks like the same."""

    number: int
    doing: Doing
    item: Item | None
    sentence: str
    twin: str = ""


def guessed_mapping(table: Table, unit: LengthUnit) -> tuple[MappedColumn, ...]:
    """Return what each column probably means, from its heading; units in a heading are heeded.

    >>> [c.field for c in guessed_mapping(Table(("Name", "Height (mm)", "Whatever"), ()), "cm")]
    ['name', 'height_mm', '']
    """
    taken: set[Field] = set()
    found = []
    for heading in table.headings:
        told = _UNIT_IN_HEADING.search(heading.replace("_", " "))
        word = told[1].lower() if told else ""
        own: LengthUnit = "in" if word.startswith("in") else "mm" if word == "mm" else "cm" if word == "cm" else unit
        field = _field(heading)
        if field in taken:
            field = ""
        taken.add(field)
        found.append(MappedColumn(heading, field, own))
    return tuple(found)


def _field(heading: str) -> Field:
    plain = heading.strip().lower()
    if plain in COLUMNS:
        return plain
    bare = re.sub(r"[^a-z ]+", " ", _UNIT_IN_HEADING.sub("", plain.replace("_", " "))).strip()
    bare = re.sub(r"\s+(kg|g)$", "", bare)
    return next((field for field, names in _ALIASES.items() if bare in names), "")


def preview(table: Table, mapping: Sequence[MappedColumn], stash: Iterable[Item]) -> tuple[ImportRow, ...]:
    """Return what taking over every row would do; nothing is changed.

    A row with a known id changes that thing; one that is alike in kind, size and colour family to a thing
    of the stash, or to an earlier row, is called a twin.
    """
    known = {item.id: item for item in stash}
    ids = FreshIds(known)
    rows: list[ImportRow] = []
    usual = _UsualSizes(known.values())
    seen = TwinFinder(known.values())
    for number, cells in enumerate(table.rows, start=2):
        try:
            item = _item(cells, mapping, ids, usual)
        except JollyLedgeError as error:
            rows.append(ImportRow(number, "refuse", None, str(error)))
            continue
        rows.append(_judged(number, item, known, seen))
        ids.take(item.id)
        seen.add(item)
    return tuple(rows)


def preview_things(items: Iterable[Item], stash: Iterable[Item]) -> tuple[ImportRow, ...]:
    """Return what taking over things that this program exported would do."""
    known = {item.id: item for item in stash}
    seen = TwinFinder(known.values())
    rows = []
    for number, item in enumerate(items, start=1):
        rows.append(_judged(number, item, known, seen))
        seen.add(item)
    return tuple(rows)


def preview_lines(lines: Iterable[ListedLine], stash: Iterable[Item]) -> tuple[ImportRow, ...]:
    """Return what taking over a pasted list of quick lines would do, thing by thing."""
    known = {item.id: item for item in stash}
    seen = TwinFinder(known.values())
    rows = []
    for line in lines:
        if line.entry is None:
            rows.append(ImportRow(line.number, "refuse", None, f"“{line.text[:60]}”: {line.problem}"))
            continue
        for item in line.entry.items:
            row = _judged(line.number, item, known, seen)
            doubts = "; ".join((*line.entry.notes, *((NO_KIND,) if line.entry.lacks_kind else ())))
            rows.append(replace(row, sentence=f"{row.sentence}; {doubts}") if doubts else row)
        for item in line.entry.items:
            # Eight of a row may well be alike: they were counted.
            seen.add(item)
    return tuple(rows)


def import_rows(path: Path, stash: Iterable[Item], unit: LengthUnit) -> tuple[ImportRow, ...]:
    """Return what taking a file over would do, its columns understood by their headings; raise FileError."""
    found = read_list(path)
    if not isinstance(found, Table):
        return preview_things(found, stash)
    mapping = guessed_mapping(found, unit)
    if not any(column.field for column in mapping):
        raise FileError(f"“{path.name}” has no heading that is known; it needs one such as name, height or colour.")
    return preview(found, mapping, stash)


class _UsualSizes:
    """Usual sizes in a stash, found once for each kind."""

    def __init__(self, stash: Iterable[Item]) -> None:
        self._stash = tuple(stash)
        self._kept: dict[Kind, Usual] = {}

    def of(self, kind: Kind) -> Usual:
        """Return the usual size of a kind."""
        if kind not in self._kept:
            self._kept[kind] = usual_size(kind, self._stash)
        return self._kept[kind]


def _judged(number: int, item: Item, known: dict[str, Item], seen: TwinFinder) -> ImportRow:
    if item.id in known:
        same = known[item.id] == item
        return ImportRow(
            number, "same" if same else "change", item, "already there, unchanged" if same else f"changes {item.label}"
        )
    twin = seen.twin_of(item)
    if twin is not None:
        return ImportRow(number, "twin", item, f"looks like {twin.label}: same kind, size and colour family", twin.id)
    guesses = f"; {', '.join(item.guessed)} guessed" if item.guessed else ""
    return ImportRow(number, "add", item, f"adds {with_article(item.category.replace('-', ' '))}{guesses}")


def _item(cells: Sequence[str], mapping: Sequence[MappedColumn], ids: FreshIds, usual_sizes: _UsualSizes) -> Item:
    known: dict[str, Any] = {}
    for cell, column in zip(cells, mapping, strict=True):
        if column.field and cell:
            _READERS.get(column.field, _plain)(known, column, cell)
    if "category" not in known:
        known |= _from_name(known.get("name", ""))
    if "category" not in known:
        raise FileError("no kind of thing is told; choose the column that says vase, bowl or book")
    known.setdefault("silhouette", "")
    known["id"] = known.get("id") or ids.fresh(known.get("name", "") or known["category"])
    _complete_sizes(known, usual_sizes)
    try:
        return checked(msgspec.convert(known, Item))
    except (msgspec.ValidationError, InvalidPlanError) as error:
        problem, _, path = str(error).partition(" - at `$")
        raise FileError(f"{path.strip('`.') or 'row'}: {problem[:1].lower()}{problem[1:]}") from error


def _complete_sizes(known: dict[str, Any], usual_sizes: _UsualSizes) -> None:
    """Fill sizes that are not told with usual ones, marked as guesses."""
    alike = [kind for kind in KINDS.values() if kind.category == known["category"]]
    plain = KINDS.get(known["category"], alike[0] if alike else KINDS["thing"])
    kind = next((kind for kind in alike if known["silhouette"] == kind.silhouette != ""), plain)
    usual = usual_sizes.of(kind)
    guessed = list(known.get("guessed", ()))
    for side in ("width", "height", "depth"):
        if side not in known:
            round_one = side == "depth" and "width" not in guessed and kind.width == kind.depth
            known[side] = known["width"] if round_one else getattr(usual, side)
            if not round_one:
                guessed.append(side)
    known["guessed"] = tuple(dict.fromkeys(guessed))


def _from_name(name: str) -> dict[str, str]:
    """Return the kind that a name speaks of: "blue glass vase" is a vessel."""
    words = re.findall(r"[^\W\d_]+", name.lower())
    for length in (3, 2, 1):
        for at in range(len(words) - length, -1, -1):
            phrase = " ".join(words[at : at + length])
            if singular := singular_of(phrase):
                return {"category": KINDS[singular].category, "silhouette": KINDS[singular].silhouette}
    return {}


# One reader for each meaning: it puts what a cell says into what is known of the row.


def _plain(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    known[column.field] = undefused(cell)


def undefused(cell: str) -> str:
    """Return a cell without the apostrophe that keeps spreadsheets from running it."""
    return cell[1:] if cell[:1] == "'" and cell[1:2] in ("=", "+", "-", "@", "\t", "\r", "'") else cell


def _length_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    known[column.field.removesuffix("_mm")] = parse_length(cell, column.unit)


def _sizes_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    parts = [part for part in re.split(r"\s*[x×*]\s*", cell.strip()) if part]
    unit = next((found[0] for part in reversed(parts) if (found := re.search(r"(mm|cm|in)\b", part))), "")
    for side, part in zip(("width", "height", "depth"), parts, strict=False):
        known[side] = parse_length(part if re.search(r"[a-z\"]", part) else f"{part} {unit}", column.unit)


def _number(cell: str, what: str) -> float:
    """Read a figure with a decimal point or comma, and with either between thousands.

    >>> _number("1.250,5 g", "mass"), _number("1,250.5 W", "watts"), _number("2,1 kg", "mass")
    (1250.5, 1250.5, 2.1)
    """
    bare = re.sub(r"[^\d.,-]", "", cell)
    if "," in bare and "." in bare:
        last = max(bare.rfind(","), bare.rfind("."))
        bare = re.sub(r"[.,]", "", bare[:last]) + "." + bare[last + 1 :]
    try:
        return float(bare.replace(",", "."))
    except ValueError as error:
        raise FileError(f"{what}: “{cell[:60]}” is not a number") from error


def _mass_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    grams = re.search(r"\d\s*g\b", cell.lower()) or re.search(r"\bg\b|gram", column.heading.lower())
    known["mass"] = round(_number(cell, "mass") * (0.001 if grams else 1.0), 4)


def _price_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    try:
        known["price"] = price_of(cell)
    except MoneyError as error:
        raise FileError(f"price: {error}") from error


def _watts_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    kilo = re.search(r"\d\s*kw\b", cell.lower()) or "kw" in column.heading.lower()
    known["watts"] = _number(cell, "watts") * (1000.0 if kilo else 1.0)


def _whole_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    known[column.field] = round(_number(cell, column.field))


def _colours_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    codes = re.findall(r"(#[0-9a-fA-F]{6})\"?(?:[:,]\s*([\d.]+))?", cell)
    if codes:
        even = round(1 / len(codes), 3)
        known["colours"] = [(code.lower(), float(share or even)) for code, share in codes[:4]]
        return
    named = [COLOURS[word] for word in re.findall(r"[a-z]+", cell.lower()) if word in COLOURS][:4]
    if not named:
        raise FileError(f"colours: “{cell[:60]}” is no colour that is known; write a name such as teal, or #1f6f72")
    known["colours"] = [(colour, round(1 / len(named), 3)) for colour in named]


def _category_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    word = cell.strip().lower().replace(" ", "-")
    if word in CATEGORIES:
        known["category"] = word
        return
    meant = _from_name(cell)
    if not meant:
        raise FileError(f"category: “{cell[:60]}” is no kind that is known; write vase, bowl, book, frame or the like")
    known |= meant


def _word_cell(words: dict[str, Any], allowed: tuple[str, ...]) -> Callable[[dict[str, Any], MappedColumn, str], None]:
    def read(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
        word = cell.strip().lower().replace(" ", "-")
        meant = word if word in allowed else words.get(word)
        if meant is None:
            raise FileError(f"{column.field}: “{cell[:60]}” is not known; it is one of {', '.join(allowed)}")
        known[column.field] = meant

    return read


def _material_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    known["material"] = undefused(cell)
    stuff = STUFFS.get(cell.strip().lower())
    if stuff is not None:
        known.setdefault("finish", stuff.finish)


def _list_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    words = [word for word in re.split(r"[,;/]\s*|\s+", re.sub(r"[\[\]\"]", "", cell.lower())) if word]
    if column.field == "traits":
        meant = {word if word in TRAITS else TRAIT_WORDS.get(word) for word in words}
        unknown = next((word for word in words if word not in TRAITS and word not in TRAIT_WORDS), None)
        if unknown is not None:
            raise FileError(f"traits: “{unknown}” is not known; it is one of {', '.join(TRAITS)}")
        known["traits"] = [trait for trait in TRAITS if trait in meant]
    else:
        known[column.field] = words


def _nested_cell(known: dict[str, Any], column: MappedColumn, cell: str) -> None:
    try:
        known[column.field] = msgspec.json.decode(cell.encode())
    except msgspec.DecodeError as error:
        raise FileError(f"{column.field}: “{cell[:60]}” is not what was exported") from error


_READERS: dict[Field, Callable[[dict[str, Any], MappedColumn, str], None]] = {
    **dict.fromkeys(LENGTHS, _length_cell),
    "size": _sizes_cell,
    "mass_kg": _mass_cell,
    "price": _price_cell,
    "watts": _watts_cell,
    "stems": _whole_cell,
    "count": _whole_cell,
    "colours": _colours_cell,
    "category": _category_cell,
    "finish": _word_cell(dict(FINISH_WORDS), FINISHES),
    "status": _word_cell({**STATUS_WORDS, "yes": "owned", "no": "wanted"}, STATUSES),
    "material": _material_cell,
    "traits": _list_cell,
    "for": _list_cell,
    "season": _list_cell,
    "guessed": _list_cell,
    "care": _nested_cell,
    "covers": _nested_cell,
    "outline": _nested_cell,
}
