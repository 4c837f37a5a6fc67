"""Reads a line such as ``vase stoneware 18x32 sand rough hall 2.1kg``."""

import difflib
import random
import re
import zlib
from collections.abc import Iterable
from functools import lru_cache

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.entry.remembered import SIDES, usual_size
from jolly_ledge.model.entry.sizes import Span, ToldSizes, read_sizes
from jolly_ledge.model.entry.vocabulary import (
    COLOURS,
    FINISH_WORDS,
    KINDS,
    NUMBERS,
    PLURALS,
    RANGES,
    ROOMS,
    SHADES,
    STATUS_WORDS,
    STUFFS,
    TRAIT_WORDS,
    Kind,
)
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.item import Item
from jolly_ledge.model.lengths import LengthUnit, parse_length
from jolly_ledge.model.value import checked
from jolly_ledge.model.words import TRAITS, Finish, Guess, Status, Trait

MOST_AT_ONCE = 60
ALIKE = 0.84
"""A word this near to a known one is taken for it, and that is told."""

STEP_MM = 5.0
THIN_MM = 60.0
BOOK_SPREAD = 0.35
"""Books of a row differ about so much in thickness."""

_COUNT = re.compile(r"^\s*(\d{1,3})\s*[x×]?\s+(?=[^\W\d])")
_CODE = re.compile(r"#[0-9a-fA-F]{6}\b")
_QUOTED = re.compile(r"(?:(?<![\d½¼¾⅛⅜⅝⅞])\"|“)([^\"“”]+)[\"”]")
_LONE = re.compile(r"\d+(?:[.,]\d+)?(?:mm|cm|in)?")
_FROM = re.compile(r"\bborrowed from\s+([^,;]+)", re.IGNORECASE)


class EntryError(JollyLedgeError):
    """A line does not say what kind of thing it is."""


class QuickEntry(Struct, frozen=True):
    """What a line was understood to say: the things, and what was taken for something else or left over."""

    items: tuple[Item, ...]
    notes: tuple[str, ...] = ()


class _Found(Struct):
    """What has been understood so far."""

    kind: Kind | None = None
    noun: str = ""
    stuff: str = ""
    colours: list[str] = []
    colour_word: str = ""
    palette: tuple[str, ...] = ()
    shade: str = ""
    finish: Finish | None = None
    traits: set[Trait] = set()
    status: Status | None = None
    room: str = ""
    left_over: list[str] = []
    notes: list[str] = []


def parse_entry(
    line: str,
    unit: LengthUnit,
    stash: Iterable[Item] = (),
    *,
    rooms: Iterable[str] = (),
    ids: FreshIds | None = None,
) -> QuickEntry:
    """Return the things a line describes.

    Parameters
    ----------
    line : str
        Words in any order: a count, a kind, stuff, colours, finish, sizes, mass, price, room, traits.
    unit : str
        The unit of figures without one.
    stash : iterable of Item
        What is known already: its rooms, its usual sizes, the ids that are taken.
    rooms : iterable of str
        Further rooms to know.
    ids : FreshIds, optional
        Where ids are taken from when several lines are read together.

    Raises
    ------
    EntryError
        No kind of thing is named, or too many at once.
    LengthError
        A size is longer than any tape.
    """
    known = tuple(stash)
    count, line = _count(line)
    name = ""
    quoted = _QUOTED.search(line)
    if quoted:
        name, line = quoted[1].strip(), f"{line[: quoted.start()]} {line[quoted.end() :]}"
    lender, line = _lender(line)
    codes = tuple(code.lower() for code in _CODE.findall(line))
    told = read_sizes(_CODE.sub(" ", line), unit)
    found = _understand(told.rest, {*rooms, *(item.room for item in known if item.room)})
    told = _with_lone_figure(told, found, unit)
    if found.kind is None:
        raise EntryError("Say first what it is: a vase, a bowl, 8 books, a plant, a frame.")
    if count > MOST_AT_ONCE:
        raise EntryError(f"{count} things at once are more than a line can tell apart; add up to {MOST_AT_ONCE}.")
    name = name or _name(found, single=count == 1)
    items = []
    ids = ids or FreshIds(item.id for item in known)
    for index in range(count):
        items.append(_item(ids.fresh(name), name, found, told, codes, lender, known, index, count))
    return QuickEntry(tuple(items), tuple(found.notes))


def _lender(line: str) -> tuple[str, str]:
    """Return whom a thing is borrowed from, up to a comma, a figure or a word that tells of the thing itself."""
    lent = _FROM.search(line)
    if lent is None:
        return "", line
    words = lent[1].split()
    known = {*KINDS, *PLURALS, *STUFFS, *COLOURS, *SHADES}
    end = next((at for at, word in enumerate(words) if at and (word.lower() in known or word[0].isdigit())), len(words))
    rest = " ".join(words[end:])
    return " ".join(words[:end]), f"{line[: lent.start()]} borrowed {rest} {line[lent.end() :]}"


def _with_lone_figure(told: ToldSizes, found: "_Found", unit: LengthUnit) -> ToldSizes:
    """Take the only bare figure of a line without sizes for the height, and tell so."""
    figures = [word for word in found.left_over if _LONE.fullmatch(word)]
    if told.sides or len(figures) != 1:
        return told
    length = parse_length(figures[0], unit)
    found.left_over.remove(figures[0])
    found.notes.append(f"{figures[0]} was read as its height")
    return replace(told, sides={"height": (length, length)})


def _count(line: str) -> tuple[int, str]:
    found = _COUNT.match(line)
    if found:
        return max(int(found[1]), 1), line[found.end() :]
    first, _, rest = line.strip().partition(" ")
    if first.lower() in NUMBERS and rest:
        return NUMBERS[first.lower()], rest.removeprefix("of ")
    return 1, line


@lru_cache(maxsize=1)
def _all_words() -> tuple[str, ...]:
    """Return every single word a line may use, but for rooms."""
    tables: tuple[Iterable[str], ...] = (
        KINDS, PLURALS, STUFFS, COLOURS, SHADES, RANGES, FINISH_WORDS, TRAIT_WORDS, STATUS_WORDS,
    )  # fmt: skip
    return tuple(sorted({word for table in tables for phrase in table for word in phrase.split()}))


def _understand(text: str, rooms: set[str]) -> _Found:
    found = _Found()
    words = re.findall(r"[^\s,;]+", text.lower())
    places = sorted({*ROOMS, *(room.lower() for room in rooms)}, key=lambda room: -len(room.split()))
    spelled = {room.lower(): room for room in rooms}
    at = 0
    while at < len(words):
        at += _take(words, at, places, spelled, found)
    if found.shade and found.colours:
        found.colours[0] = _shaded(found.colours[0], found.shade)
        found.colour_word = f"{found.shade} {found.colour_word}"
    elif found.shade:
        found.left_over.insert(0, found.shade)
    return found


def _take(words: list[str], at: int, places: list[str], spelled: dict[str, str], found: _Found) -> int:
    """Understand the words at a place; return how many were used."""
    for length in (3, 2):
        phrase = " ".join(words[at : at + length])
        if len(words) - at >= length and (_noun(phrase, found) or _room(phrase, places, spelled, found)):
            return length
        if length == 2 and phrase in ("to buy", "real plant", "must keep"):
            if phrase == "to buy":
                found.status = "to-buy"
            else:
                found.traits.add("real-plant" if phrase == "real plant" else "must-keep")
            return 2
    word = words[at]
    if _single(word, found) or _room(word, places, spelled, found):
        return 1
    close = difflib.get_close_matches(word, _all_words(), 1, ALIKE) if len(word) > 3 and word.isalpha() else []
    if close and _single(close[0], found):
        found.notes.append(f"“{word}” was read as {close[0]}")
        return 1
    if word not in ("of", "in", "from", "and", "with", "the", "at", "x"):
        found.left_over.append(word)
    return 1


def _noun(phrase: str, found: _Found) -> bool:
    singular = PLURALS.get(phrase) or (phrase if phrase in KINDS else phrase.removesuffix("s"))
    if singular not in KINDS or found.kind is not None:
        return False
    found.kind, found.noun = KINDS[singular], singular
    return True


def _room(phrase: str, places: list[str], spelled: dict[str, str], found: _Found) -> bool:
    if phrase not in places or found.room:
        return False
    found.room = spelled.get(phrase, phrase)
    return True


def _single(word: str, found: _Found) -> bool:
    # What can be noun and stuff (glass) is the stuff once something else is the noun, and the other way round.
    if _noun(word, found):
        return True
    if word in STUFFS and not found.stuff:
        found.stuff = word
    elif word in COLOURS:
        found.colours.append(COLOURS[word])
        found.colour_word = found.colour_word or word
    elif word in RANGES:
        found.palette = RANGES[word]
    elif word in SHADES:
        found.shade = word
    elif word in FINISH_WORDS:
        found.finish = FINISH_WORDS[word]
    elif word in TRAIT_WORDS:
        found.traits.add(TRAIT_WORDS[word])
    elif word in STATUS_WORDS:
        found.status = STATUS_WORDS[word]
    else:
        return _reinterpreted(word, found)
    return True


def _reinterpreted(word: str, found: _Found) -> bool:
    """Let a later noun stand when the first was meant as stuff: ``glass vase`` is a vase of glass."""
    singular = PLURALS.get(word) or (word if word in KINDS else word.removesuffix("s"))
    for table_has, becomes in ((STUFFS, "stuff"), (COLOURS, "colour_word")):
        if singular in KINDS and found.noun in table_has and not getattr(found, becomes):
            setattr(found, becomes, found.noun)
            if becomes == "colour_word":
                found.colours.append(COLOURS[found.noun])
            found.kind, found.noun = KINDS[singular], singular
            return True
    return False


def _shaded(colour: str, shade: str) -> str:
    share = SHADES[shade]
    return lighter(colour, share) if share > 0 else darker(colour, -share)


def _name(found: _Found, *, single: bool) -> str:
    colour = found.colour_word if single or not found.palette else ""
    parts = [*found.left_over, colour, found.stuff, found.noun]
    return " ".join(dict.fromkeys(part for part in parts if part))


def _item(
    identifier: str,
    name: str,
    found: _Found,
    told: ToldSizes,
    codes: tuple[str, ...],
    lender: str,
    stash: tuple[Item, ...],
    index: int,
    count: int,
) -> Item:
    kind = found.kind
    assert kind is not None
    stuff = STUFFS.get(found.stuff)
    sizes, guessed = _sizes(kind, told.sides, stash, identifier, index, count)
    colours = codes or tuple(found.colours)
    if found.palette and (count > 1 or not colours):
        colours = (found.palette[(index + zlib.crc32(name.encode())) % len(found.palette)],)
    if not colours:
        colours = (stuff.colour if stuff else kind.colour,)
    shares = {1: (1.0,), 2: (0.75, 0.25), 3: (0.6, 0.25, 0.15)}.get(len(colours), (0.5, 0.25, 0.15, 0.1))
    traits = {*kind.traits, *(stuff.traits if stuff else ()), *found.traits}
    plural = count > 1
    return checked(
        Item(
            id=identifier,
            name=f"{name} {index + 1}" if plural else name,
            category=kind.category,
            silhouette=kind.silhouette,
            width=sizes["width"],
            height=sizes["height"],
            depth=sizes["depth"],
            mass=told.mass,
            price=told.price,
            colours=tuple(zip(colours[:4], shares, strict=False)),
            finish=found.finish or (stuff.finish if stuff else kind.finish),
            material=found.stuff,
            traits=tuple(trait for trait in TRAITS if trait in traits),
            room=found.room,
            status=found.status or "owned",
            borrowed_from=lender,
            guessed=guessed,
        )
    )


def _sizes(
    kind: Kind, told: dict[str, Span], stash: tuple[Item, ...], key: str, index: int, count: int
) -> tuple[dict[str, float], tuple[Guess, ...]]:
    """Return the three sizes, told or guessed, and which are guesses.

    One told size gives the scale of the guesses: a vase told 40 high is guessed wider than one of 20.
    """
    usual = usual_size(kind, stash)
    rng = random.Random(zlib.crc32(key.encode()))
    sizes: dict[str, float] = {}
    for side, (low, high) in told.items():
        share = ((index * 7 + 3) % count + 0.5) / count if high > low else 0.0
        sizes[side] = low + round((high - low) * share / STEP_MM) * STEP_MM
    if "width" in sizes and "depth" not in sizes and abs(usual.width - usual.depth) < 1:
        # A turned thing is as deep as it is wide: told once, measured twice.
        sizes["depth"] = sizes["width"]
    if "height" in sizes and "width" not in sizes and usual.width == usual.height and usual.depth < THIN_MM:
        # So does a disc that stands on its edge.
        sizes["width"] = sizes["height"]
    scales = [sizes[side] / getattr(usual, side) for side in sizes]
    scale = sum(scales) / len(scales) if scales else 1.0
    guessed: list[Guess] = []
    for side in SIDES:
        if side in sizes:
            continue
        plain = getattr(usual, side)
        # A frame twice as tall is not twice as thick.
        length = plain if plain < THIN_MM else plain * scale
        if kind.category == "book" and side == "width":
            length = usual.width * (1 + BOOK_SPREAD * (2 * rng.random() - 1))
        sizes[side] = max(round(length / STEP_MM) * STEP_MM if length > 40 else round(length), 2.0)
        guessed.append(side)  # type: ignore[arg-type]
    return sizes, tuple(guessed)


def completions(line: str, stash: Iterable[Item], most: int = 4) -> tuple[str, ...]:
    """Return words that may complete the last word of a line, what this stash uses before what all may use."""
    begun = re.search(r"([^\s,;#\d][^\s,;]*)$", line)
    if begun is None or len(begun[1]) < 2:
        return ()
    start = begun[1].lower()
    own = [word for item in stash for word in (item.room, item.material) if word]
    said = {word.lower() for word in line[: begun.start()].split()}
    # A line names its kind once; after that it is stuff, colour or room that is meant.
    kinds: tuple[str, ...] = () if said & {*KINDS, *PLURALS} else tuple(KINDS)
    candidates = (*own, *kinds, *STUFFS, *COLOURS, *FINISH_WORDS, *ROOMS, *RANGES, *TRAIT_WORDS)
    fitting = dict.fromkeys(word for word in candidates if word.lower().startswith(start) and word.lower() != start)
    return tuple(fitting)[:most]


class ListedLine(Struct, frozen=True):
    """One line of a pasted list: what it gave, or why it gave nothing."""

    number: int
    text: str
    entry: QuickEntry | None
    problem: str = ""


def parse_list(text: str, unit: LengthUnit, stash: Iterable[Item] = ()) -> tuple[ListedLine, ...]:
    """Read a pasted list line by line; bullets are passed over, ids do not clash between lines."""
    known = tuple(stash)
    ids = FreshIds(item.id for item in known)
    found = []
    for number, raw in enumerate(text.splitlines(), start=1):
        line = re.sub(r"^\s*(?:[-*•·]|\d+[.)])\s+", "", raw).strip()
        if not line:
            continue
        try:
            entry = parse_entry(line, unit, known, ids=ids)
        except JollyLedgeError as error:
            found.append(ListedLine(number, line, None, str(error)))
            continue
        found.append(ListedLine(number, line, entry))
    return tuple(found)
