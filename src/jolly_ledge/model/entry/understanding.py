"""What the words of a line mean: a kind, stuff, colours, finish, traits, a room; and which are not known."""

import difflib
import re
from collections.abc import Collection, Iterable
from functools import lru_cache
from typing import Literal

from msgspec import Struct

from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.entry.vocabulary import (
    COLOURS,
    FINISH_WORDS,
    HOLDERS,
    JOINTS,
    KINDS,
    LOOSE_WORDS,
    PLURALS,
    RANGES,
    ROOMS,
    SHADES,
    STATUS_WORDS,
    STUFFS,
    TRAIT_WORDS,
    Kind,
)
from jolly_ledge.model.words import Finish, Status, Trait

ALIKE, ALIKE_WHEN_SHORT, SHORT = 0.84, 0.88, 4
"""A word this near to a known one is taken for it, and that is told; one of four letters must be nearer."""

LEAST_LETTERS = 3
"""A word that is not known names a thing from so many letters on."""

Part = Literal["noun", "stuff", "colour", "shade", "own", "joint", "figure", ""]
"""What a word is to the name of a thing; what is empty stays out of it."""


class Said(Struct):
    """A word as it was typed, and what it is to the name."""

    text: str
    part: Part


class Found(Struct):
    """What has been understood of a line."""

    kind: Kind | None = None
    noun: str = ""
    is_plural: bool = False
    stuff: str = ""
    colours: list[str] = []
    colour_word: str = ""
    palette: tuple[str, ...] = ()
    shade: str = ""
    finish: Finish | None = None
    traits: set[Trait] = set()
    status: Status | None = None
    room: str = ""
    said: list[Said] = []
    corrected: dict[str, str] = {}
    """Words that were read as another, with that other."""

    @property
    def own(self) -> tuple[str, ...]:
        """The words that are not known: they are part of the name only."""
        known = {*LOOSE_WORDS, *_all_words()}
        words = (one.text for one in self.said if one.part == "own")
        return tuple(word for word in words if word.lower() not in known and not singular_of(word.lower()))

    @property
    def names_something(self) -> bool:
        """Whether there is a word that can be the name of a thing nobody knows."""
        return any(len(re.sub(r"[\W\d_]", "", one.text)) >= LEAST_LETTERS for one in self.said if one.part == "own")

    @property
    def figures(self) -> list[Said]:
        """The bare figures."""
        return [one for one in self.said if one.part == "figure"]


SPELLED_OUT = {"w/": "with", "&": "and"}
_WORD = re.compile(r"[^\s,;]+")
_FIGURE = re.compile(r"\d+(?:[.,]\d+)?(?:mm|cm|in|\"|″)?", re.IGNORECASE)


def understood(text: str, rooms: Iterable[str], literal: Collection[str] = ()) -> Found:
    """Return what the words of a line mean.

    Parameters
    ----------
    text : str
        A line without its count, sizes, mass and price.
    rooms : iterable of str
        Rooms that are known beside the usual ones, as they are spelled.
    literal : collection of str
        Words that are not misspelt, though they are near to a known one.
    """
    reader = _Reader(text, rooms, literal)
    while reader.at < len(reader.words):
        reader.take()
    found = reader.found
    if found.shade and found.colours:
        found.colours[0] = _shaded(found.colours[0], found.shade)
    return found


@lru_cache(maxsize=1)
def _all_words() -> tuple[str, ...]:
    """Return every single word a line may use, but for rooms."""
    tables: tuple[Iterable[str], ...] = (
        KINDS, PLURALS, STUFFS, COLOURS, SHADES, RANGES, FINISH_WORDS, TRAIT_WORDS, STATUS_WORDS,
    )  # fmt: skip
    words = {word for table in tables for phrase in table for word in phrase.split()}
    return tuple(sorted(words - JOINTS - LOOSE_WORDS))


def singular_of(word: str) -> str:
    """Return the noun a word is the plural of, the word itself where it is one, empty where it is no noun."""
    if word in PLURALS:
        return PLURALS[word]
    for noun in (word, word.removesuffix("s"), word.removesuffix("es")):
        if noun in KINDS:
            return noun
    return ""


class _Reader:
    """Goes through the words of a line."""

    def __init__(self, text: str, rooms: Iterable[str], literal: Collection[str]) -> None:
        self.typed = [word for word in _WORD.findall(text) if re.search(r"[\w&]", word)]
        self.words = [SPELLED_OUT.get(word.lower(), word.lower()) for word in self.typed]
        self.spelled = {room: room for room in ROOMS} | {room.lower(): room for room in rooms}
        self.literal = literal
        self.found = Found()
        self.at = 0
        self._noun_ended = -1

    def take(self) -> None:
        """Understand the words at hand and go on."""
        for length in (3, 2, 1):
            phrase = " ".join(self.words[self.at : self.at + length])
            if self.at + length <= len(self.words) and self._means(phrase, length):
                return
        word = self.words[self.at]
        close = self._near(word)
        if close and self._means(close, 1):
            self.found.corrected[self.typed[self.at - 1]] = close
            self.found.said[-1].text = close
        elif word in JOINTS:
            self._say(word, "joint", 1)
        elif _FIGURE.fullmatch(word):
            self._say(word, "figure", 1)
        else:
            self._say(self.typed[self.at], "own", 1)

    def _near(self, word: str) -> str:
        if len(word) < SHORT or not word.isalpha() or word in (*self.literal, *LOOSE_WORDS, *JOINTS):
            return ""
        alike = ALIKE_WHEN_SHORT if len(word) == SHORT else ALIKE
        return next(iter(difflib.get_close_matches(word, _all_words(), 1, alike)), "")

    def _say(self, text: str, part: Part, length: int) -> None:
        self.found.said.append(Said(text, part))
        self.at += length

    def _means(self, phrase: str, length: int) -> bool:
        """Take a phrase for what it means, if it means something."""
        found = self.found
        text = " ".join(self.typed[self.at : self.at + length])
        if phrase in ("real plant", "must keep"):
            found.traits.add("real-plant" if phrase == "real plant" else "must-keep")
            self._say("plant" if phrase == "real plant" else "", "noun" if phrase == "real plant" else "", length)
            if phrase == "real plant":
                found.kind, found.noun = found.kind or KINDS["plant"], found.noun or "plant"
        elif self._is_noun(phrase, text, length) or self._is_stuff(phrase, text, length):
            pass
        elif phrase in self.spelled and not found.room:
            found.room = self.spelled[phrase]
            self._say(text, "", length)
        else:
            return self._tells_more(phrase, text, length)
        return True

    def _is_noun(self, phrase: str, text: str, length: int) -> bool:
        found, singular = self.found, singular_of(phrase)
        follows = self._noun_ended == self.at
        if self.words[self.at + length : self.at + length + 1] and self.words[self.at + length] in HOLDERS:
            return False
        if not singular or (found.kind is not None and not self._gives_way(phrase, follows=follows)):
            return False
        found.kind, found.noun, found.is_plural = KINDS[singular], singular, singular != phrase
        self._say(text.lower(), "noun", length)
        self._noun_ended = self.at
        return True

    def _gives_way(self, phrase: str, *, follows: bool) -> bool:
        """Tell whether the noun at hand becomes a part of a later one: ``glass vase``, ``photo frame``.

        What can be noun and stuff (glass) is the stuff once something else is the noun.
        """
        found = self.found
        if phrase in STUFFS or phrase in COLOURS:
            return False
        last = next(one for one in reversed(found.said) if one.part == "noun")
        if found.noun in STUFFS and not found.stuff:
            found.stuff, last.part = found.noun, "stuff"
            return True
        if found.noun in COLOURS and not found.colours:
            found.colours, found.colour_word, last.part = [COLOURS[found.noun]], found.noun, "colour"
            return True
        if follows:
            last.part = "own"
        return follows

    def _is_stuff(self, phrase: str, text: str, length: int) -> bool:
        found = self.found
        if phrase in STUFFS and not found.stuff:
            found.stuff = phrase
            self._say(text.lower(), "stuff", length)
        elif phrase in COLOURS:
            found.colours.append(COLOURS[phrase])
            found.colour_word = found.colour_word or phrase
            self._say(text.lower(), "colour", length)
        elif phrase in SHADES:
            found.shade = phrase
            self._say(text.lower(), "shade", length)
        else:
            return False
        return True

    def _tells_more(self, phrase: str, text: str, length: int) -> bool:
        """Take in what is told of a thing without being part of its name."""
        found = self.found
        if phrase in RANGES:
            found.palette = RANGES[phrase]
        elif phrase in FINISH_WORDS:
            found.finish = FINISH_WORDS[phrase]
        elif phrase in TRAIT_WORDS:
            found.traits.add(TRAIT_WORDS[phrase])
            if phrase == "lid":
                self._say(text.lower(), "own", length)
                return True
        elif phrase in STATUS_WORDS:
            found.status = STATUS_WORDS[phrase]
        else:
            return False
        self._say(text, "", length)
        return True


def _shaded(colour: str, shade: str) -> str:
    share = SHADES[shade]
    return lighter(colour, share) if share > 0 else darker(colour, -share)


def name_of(found: Found, *, several: bool) -> str:
    """Return the name of a thing: the user's words in the user's order up to the noun, what is told after it before.

    Parameters
    ----------
    found : Found
        What was understood of the line.
    several : bool
        Whether there are more than one: the noun is told in the singular, many colours are not told.

    Notes
    -----
    ``mantel clock walnut`` is a walnut mantel clock, ``blue ginger jar`` is one.
    """
    last = max((at for at, one in enumerate(found.said) if one.part == "noun"), default=len(found.said))
    head = [one for one in found.said[: last + 1] if one.part and one.part != "figure"]
    tail = [one for one in found.said[last + 1 :] if one.part and one.part != "figure"]
    if several:
        head = [Said(found.noun if one.part == "noun" else one.text, one.part) for one in head]
    if any(one.part == "colour" for one in head):
        told = [one for one in tail if one.part == "stuff"]
    else:
        colours = [one for one in tail if one.part in ("colour", "shade")]
        shade = next((at for at, one in enumerate(head) if one.part == "shade"), None)
        if shade is not None and colours:
            head[shade + 1 : shade + 1] = colours[:1]
            colours = []
        told = [] if several and found.palette else [*_first_colour(colours)]
        told += [one for one in tail if one.part == "stuff"]
    rest = [one for one in tail if one.part in ("own", "joint")]
    spoken = next((at for at, one in enumerate(tail) if one.part == "own"), 0)
    if spoken and tail[spoken - 1].part in ("stuff", "colour"):
        # What is told of a part stays with it: a table lamp with a linen shade is no linen lamp.
        told, rest = [one for one in told if one not in tail], [Said("with", "joint"), *tail]
    words = " ".join(one.text for one in _without_loose_joints([*told, *head, *rest]))
    return " ".join(dict.fromkeys(words.split(" "))) if len(words) < 80 else words[:80].rstrip()


def _first_colour(said: list[Said]) -> list[Said]:
    """Return the first colour with the shade before it."""
    at = next((at for at, one in enumerate(said) if one.part == "colour"), None)
    return said if at is None else [one for one in said[max(at - 1, 0) : at + 1] if one.part in ("colour", "shade")]


def _without_loose_joints(said: list[Said]) -> list[Said]:
    """Leave out words such as ``of`` at the ends and before each other."""
    kept: list[Said] = []
    for one in said:
        if one.part == "joint" and (not kept or kept[-1].part == "joint"):
            continue
        kept.append(one)
    while kept and kept[-1].part == "joint":
        kept.pop()
    return kept
