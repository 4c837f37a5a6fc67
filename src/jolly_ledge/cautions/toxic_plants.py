"""House plants, cut flowers and greens by plain and botanical name, with what is known of them; the table is data."""

import re
import tomllib
from collections.abc import Iterable
from functools import lru_cache
from pathlib import Path
from typing import Any, Literal

import msgspec
from msgspec import Struct

from jolly_ledge.cautions.eaters import Animal

EaterKind = Literal["people", "cats", "dogs"]
Source = Literal["poison-centre", "animal-list", "monograph"]

AS_LISTED: dict[Literal["child"] | Animal, EaterKind] = {"child": "people", "cat": "cats", "dog": "dogs"}
"""Who is spoken of in lists of plants; of other animals hardly anything is known."""


class ToxicPlant(Struct, frozen=True):
    """What is known of a plant: its botanical name, what harms, whom, and which kinds of sources list it."""

    names: tuple[str, ...]
    botanical: str
    harms_by: str
    harms: tuple[EaterKind, ...]
    listed_by: tuple[Source, ...]


@lru_cache(maxsize=1)
def _data() -> dict[str, Any]:
    return tomllib.loads((Path(__file__).parent / "plants.toml").read_text(encoding="utf-8"))


@lru_cache(maxsize=1)
def toxic_plants() -> tuple[ToxicPlant, ...]:
    """Return the table, read when first asked for: most looks have no plant to look up."""
    return tuple(msgspec.convert(_data()["toxic"], list[ToxicPlant]))


@lru_cache(maxsize=1)
def _by_name() -> dict[str, ToxicPlant]:
    named = {plant.botanical.lower(): plant for plant in toxic_plants()}
    return named | {name: plant for plant in toxic_plants() for name in plant.names}


def _any_of(names: Iterable[str]) -> re.Pattern[str]:
    # The longer name first: a peace lily is not a lily. "Poppies" and "cacti" are spoken of as well.
    words = "|".join(re.escape(name[:-1]) + "(?:y|ies)" if name.endswith("y") else re.escape(name)
                     for name in sorted(names, key=len, reverse=True))  # fmt: skip
    return re.compile(rf"\b(?P<name>{words})(?:s|es)?\b")


@lru_cache(maxsize=1)
def _toxic_pattern() -> re.Pattern[str]:
    return _any_of(_by_name())


@lru_cache(maxsize=1)
def _harmless_pattern() -> re.Pattern[str]:
    return _any_of(_data()["harmless"]["names"])


def toxic_plant_named(words: str) -> tuple[str, ToxicPlant] | None:
    """Return the plain or botanical name of a toxic plant found in some words, and what is known of it.

    >>> name, plant = toxic_plant_named("Two peace lilies in a white pot")
    >>> name, plant.botanical, plant.harms_by
    ('peace lily', 'Spathiphyllum', 'needles of calcium oxalate')
    >>> toxic_plant_named("Hedera helix, trailing")[1].names[0]
    'ivy'
    """
    found = _toxic_pattern().search(words.lower())
    if found is None:
        return None
    name = found["name"]
    known = name if name in _by_name() else f"{name.removesuffix('ies')}y"
    return known, _by_name()[known]


def is_known_harmless(words: str) -> bool:
    """Tell whether some words name a plant that is not known to harm.

    >>> is_known_harmless("Spider plant"), is_known_harmless("a green thing")
    (True, False)
    """
    return _harmless_pattern().search(words.lower()) is not None


def may_harm(plant: ToxicPlant, eater: Literal["child"] | Animal) -> bool:
    """Tell whether a plant may harm an eater; of an animal that is not listed nothing is known, so that it may.

    >>> lily = toxic_plant_named("lily")[1]
    >>> may_harm(lily, "cat"), may_harm(lily, "dog"), may_harm(lily, "rabbit")
    (True, False, True)
    """
    listed = AS_LISTED.get(eater)
    return listed is None or listed in plant.harms
