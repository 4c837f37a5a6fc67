"""Reads a line such as ``vase stoneware 18x32 sand rough hall 2.1kg``."""

import random
import re
import zlib
from collections.abc import Collection, Iterable

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.entry.counting import counted_line, is_one_set
from jolly_ledge.model.entry.remembered import SIDES, usual_size
from jolly_ledge.model.entry.sizes import ToldSizes, read_sizes
from jolly_ledge.model.entry.understanding import Found, name_of, singular_of, understood
from jolly_ledge.model.entry.vocabulary import (
    COLOURS,
    FINISH_WORDS,
    KINDS,
    ONE_BUNCH,
    PLURALS,
    RANGES,
    ROOMS,
    SHADES,
    STUFFS,
    TRAIT_WORDS,
    Kind,
)
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.item import Item
from jolly_ledge.model.lengths import LengthUnit, parse_length
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.set_names import set_name
from jolly_ledge.model.value import checked
from jolly_ledge.model.words import TRAITS, Guess

MOST_AT_ONCE = 60
STEP_MM = 5.0
THIN_MM = 60.0
LIST_FROM = 3
"""So many parts between commas that each name a thing are a list of things."""

BOOK_SPREAD = 0.35
"""Books of a row differ about so much in thickness."""

LYING = frozenset({"tray", "beads"})
MOST_HEIGHT = 2.0
"""What lies is never so many times as high as is usual: a second figure over that is its depth."""

LOW = 0.6
"""What is usually no higher than so much of its width is known by its width: a bowl, a tray, a box."""

NOT_KNOWN = "object"
"""What is made of words that name nothing that is known."""

NOTHING_NAMED = "Say first what it is: a vase, a bowl, 8 books, a plant, a frame."
_CODE = re.compile(r"#[0-9a-fA-F]{6}\b")
_QUOTED = re.compile(r"(?:(?<![\d½¼¾⅛⅜⅝⅞])\"|“)([^\"“”]+)[\"”]")
_FROM = re.compile(r"\bborrowed from\s+([^,;]+)", re.IGNORECASE)
_SIZED = re.compile(r"[^\W\d_]{3,}.*?\d\s*(?:mm|cm|in|\")?\s*[x×]\s*\d", re.IGNORECASE)
_COMMA = re.compile(r",(?!\d)|;")


class EntryError(JollyLedgeError):
    """A line does not say what kind of thing it is."""


class QuickEntry(Struct, frozen=True):
    """What a line was understood to say.

    ``notes`` tell how words were taken, ``corrected`` are words that were read as another, with that other, ``own`` the
    words that are not known and stay in the name; ``lacks_kind`` says that no word names a kind: an object was made.
    """

    items: tuple[Item, ...]
    notes: tuple[str, ...] = ()
    corrected: tuple[tuple[str, str], ...] = ()
    own: tuple[str, ...] = ()
    lacks_kind: bool = False

    @property
    def is_doubtful(self) -> bool:
        """Whether a person should look at what was made of the line."""
        return bool(self.notes or self.own or self.lacks_kind or any(item.guessed for item in self.items))


class Reading(Struct, frozen=True):
    """How a line is read: the unit of bare figures, what is known already, and what a person has told of its words."""

    unit: LengthUnit
    stash: tuple[Item, ...] = ()
    rooms: frozenset[str] = frozenset()
    kind: str = NOT_KNOWN
    literal: Collection[str] = ()


def parse_entry(
    line: str,
    unit: LengthUnit,
    stash: Iterable[Item] = (),
    *,
    rooms: Iterable[str] = (),
    ids: FreshIds | None = None,
    kind: str = NOT_KNOWN,
    literal: Collection[str] = (),
) -> QuickEntry:
    """Return the things a line describes.

    Parameters
    ----------
    line : str
        Words in any order: a count, a kind, stuff, colours, finish, sizes, mass, price, room, traits. Commas may part
        things.
    unit : str
        The unit of figures without one.
    stash : iterable of Item
        What is known already: its rooms, its usual sizes, the ids that are taken.
    rooms : iterable of str
        Further rooms to know.
    ids : FreshIds, optional
        Where ids are taken from when several lines are read together.
    kind : str
        What is made of words that name no kind, a noun of the vocabulary.
    literal : collection of str
        Words that are meant as they are typed, though they are near to a known one.

    Raises
    ------
    EntryError
        Nothing is named, or too many at once.
    LengthError
        A size is longer than any tape.
    """
    known = tuple(stash)
    everywhere = frozenset({*rooms, *(item.room for item in known if item.room)})
    reading = Reading(unit, known, everywhere, kind, literal)
    ids = ids or FreshIds(item.id for item in known)
    entries = [_one_entry(part, reading, ids) for part in _things_of(line, everywhere)]
    return QuickEntry(
        tuple(item for entry in entries for item in entry.items),
        tuple(note for entry in entries for note in entry.notes),
        tuple(pair for entry in entries for pair in entry.corrected),
        tuple(word for entry in entries for word in entry.own),
        any(entry.lacks_kind for entry in entries),
    )


def known_thing(line: str, unit: LengthUnit, stash: Iterable[Item] = ()) -> Item:
    """Return the first thing a line describes, as ``parse_entry``; raise EntryError where no word names its kind."""
    entry = parse_entry(line, unit, stash)
    if entry.lacks_kind:
        raise EntryError(NOTHING_NAMED)
    return entry.items[0]


def _things_of(line: str, rooms: Collection[str]) -> list[str]:
    """Part a line at commas where each part names a thing; what names none belongs to the thing before.

    A part with words and a width and height of its own is another thing where the one before has both already. What
    begins a line, or stands in a list of three and more, is a thing under words that tell nothing else.
    """
    things: list[str] = []
    names = False
    parts = [line] if _QUOTED.search(line) else _COMMA.split(line)
    is_list = sum(map(_names_a_thing, parts)) >= LIST_FROM
    for part in parts:
        is_thing = _names_a_thing(part) or ((is_list or not things) and _names_something_new(part, rooms))
        is_next = bool(things) and _is_sized(things[-1]) and _is_sized(part)
        if things and not (is_next or (is_thing and names)):
            things[-1] = f"{things[-1]}, {part}"
            names = names or is_thing
        else:
            things.append(part)
            names = is_thing
    return things


def _is_sized(part: str) -> bool:
    """Tell whether a part has words, and a width and a height after them."""
    return _SIZED.search(part) is not None


def _names_a_thing(part: str) -> bool:
    """Tell whether a part of a line names a kind by a word that cannot be its stuff or colour."""
    words = re.findall(r"[^\W\d_]+", part.lower())
    return any(singular_of(word) and word not in STUFFS and word not in COLOURS for word in words)


def _names_something_new(part: str, rooms: Collection[str]) -> bool:
    """Tell whether a part is two words or more that nobody knows: one alone (old, inherited) tells how a thing is.

    So does what ends in whose it is: ``my aunt's, blue vase``.
    """
    found = understood(part, rooms)
    is_new = found.names_something and len(found.said) > 1 and all(one.part == "own" for one in found.said)
    return is_new and not found.said[-1].text.lower().replace("’", "'").endswith(("'s", "s'"))


def _one_entry(line: str, reading: Reading, ids: FreshIds) -> QuickEntry:
    belong = is_one_set(line)
    count, line = counted_line(line)
    name = ""
    quoted = _QUOTED.search(line)
    if quoted:
        name, line = quoted[1].strip(), f"{line[: quoted.start()]} {line[quoted.end() :]}"
    lender, line = _lender(line)
    codes = tuple(code.lower() for code in _CODE.findall(line))
    told = read_sizes(_CODE.sub(" ", line), reading.unit)
    found = understood(told.rest, reading.rooms, reading.literal)
    notes = [f"“{word}” was read as {other}" for word, other in found.corrected.items()]
    kind, lacks_kind = found.kind, found.kind is None
    if kind is None:
        if not (name or found.names_something):
            raise EntryError(NOTHING_NAMED)
        kind = found.kind = KINDS[reading.kind]
    told, times, said = _with_lone_figure(told, found, reading.unit)
    count = max(count, times)
    if count > MOST_AT_ONCE:
        raise EntryError(f"{count} things at once are more than a line can tell apart; add up to {MOST_AT_ONCE}.")
    if count > 1 and found.noun in ONE_BUNCH:
        name = name or f"{count} {name_of(found, several=False)}"
        notes.append(f"{counted(count, 'stem')} are one bunch")
        count = 1
    name = name or name_of(found, several=count > 1)
    told = _lain(told, kind)
    made = [
        _item(ids.fresh(name), name, found, told, codes, lender, reading.stash, index, count) for index in range(count)
    ]
    if belong and count > 1:
        together = set_name(made, frozenset(item.set for item in reading.stash))
        made = [replace(item, set=together) for item in made]
    return QuickEntry(
        tuple(made), (*notes, said) if said else tuple(notes), tuple(found.corrected.items()), found.own, lacks_kind
    )


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


def _with_lone_figure(told: ToldSizes, found: Found, unit: LengthUnit) -> tuple[ToldSizes, int, str]:
    """Take the only bare figure of a line for how many, or without sizes for the side by which such a thing is known.

    That is the height, but the width of what is low: a bowl of 24 is one across. Return what is told of it, too.
    """
    figures = found.figures
    if len(figures) != 1:
        return told, 1, ""
    figure = figures[0]
    if found.is_plural and figure.text.isdigit() and 0 < int(figure.text) <= MOST_AT_ONCE:
        return told, int(figure.text), f"{figure.text} was read as how many"
    if told.sides:
        return told, 1, ""
    length = parse_length(figure.text.replace("″", '"'), unit)
    kind = found.kind
    side = "width" if kind is not None and kind.height <= LOW * kind.width else "height"
    return replace(told, sides={side: (length, length)}), 1, f"{figure.text} was read as its {side}"


def _lain(told: ToldSizes, kind: Kind) -> ToldSizes:
    """Take the second of two figures for the depth where a thing is never that high: ``tray 45x30``."""
    lies = kind.category in LYING or kind.silhouette == "bowl"
    if set(told.sides) == {"width", "height"} and lies and told.sides["height"][0] > MOST_HEIGHT * kind.height:
        return replace(told, sides={"width": told.sides["width"], "depth": told.sides["height"]})
    return told


def _item(
    identifier: str,
    name: str,
    found: Found,
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
    sizes, guessed = _sizes(kind, told, stash, identifier, index, count)
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
            outlets=kind.outlets,
            guessed=guessed,
        )
    )


def _sizes(
    kind: Kind, told: ToldSizes, stash: tuple[Item, ...], key: str, index: int, count: int
) -> tuple[dict[str, float], tuple[Guess, ...]]:
    """Return the three sizes, told or guessed, and which are guesses.

    One told size gives the scale of the guesses: a vase told 40 high is guessed wider than one of 20.
    """
    usual = usual_size(kind, stash)
    rng = random.Random(zlib.crc32(key.encode()))
    sizes: dict[str, float] = {}
    for side, (low, high) in told.sides.items():
        one_by_one = told.each.get(side, ())
        if len(one_by_one) == count:
            sizes[side] = one_by_one[index]
            continue
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
