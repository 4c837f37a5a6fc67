"""Common house plants and cut flowers that harm whoever eats of them: by plain name, with what is known of them.

Kinds of sources, by which every entry can be looked up under its botanical name:

- ``poison-centre``: plant lists of the national poison centres, for people;
- ``animal-list``: lists of toxic plants kept by animal poison control lines and veterinary teaching hospitals;
- ``monograph``: textbooks of veterinary and human toxicology, under the named substance.

Written from general knowledge of these; not complete, and no substitute for asking one of them.
"""

import re
from typing import Literal

from msgspec import Struct

Eater = Literal["people", "cats", "dogs"]
Source = Literal["poison-centre", "animal-list", "monograph"]

ALL: tuple[Eater, ...] = ("people", "cats", "dogs")
PETS: tuple[Eater, ...] = ("cats", "dogs")
BOTH: tuple[Source, ...] = ("poison-centre", "animal-list")
EVERYWHERE: tuple[Source, ...] = ("poison-centre", "animal-list", "monograph")
ANIMALS: tuple[Source, ...] = ("animal-list",)

CRYSTALS = "needles of calcium oxalate"
SAPONINS = "saponins"
LYCORINE = "lycorine and kindred alkaloids, most in the bulb"
HEART = "heart-acting glycosides"
GRAYANOTOXINS = "grayanotoxins"


class ToxicPlant(Struct, frozen=True):
    """What is known of a plant: its botanical name, what harms, whom, and which kinds of sources list it."""

    names: tuple[str, ...]
    botanical: str
    harms_by: str
    harms: tuple[Eater, ...]
    listed_by: tuple[Source, ...]


TABLE: tuple[ToxicPlant, ...] = (
    ToxicPlant(("aloe", "aloe vera"), "Aloe", "anthraquinone glycosides in the latex", ALL, BOTH),
    ToxicPlant(("amaryllis",), "Hippeastrum", LYCORINE, ALL, EVERYWHERE),
    ToxicPlant(("azalea", "rhododendron"), "Rhododendron", GRAYANOTOXINS, ALL, EVERYWHERE),
    ToxicPlant(("begonia",), "Begonia", "soluble oxalates, most in the tuber", PETS, ANIMALS),
    ToxicPlant(("caladium",), "Caladium", CRYSTALS, ALL, BOTH),
    ToxicPlant(("cyclamen",), "Cyclamen", f"{SAPONINS}, most in the tuber", ALL, BOTH),
    ToxicPlant(("daffodil", "narcissus"), "Narcissus", LYCORINE, ALL, EVERYWHERE),
    ToxicPlant(("dieffenbachia", "dumb cane"), "Dieffenbachia", CRYSTALS, ALL, EVERYWHERE),
    ToxicPlant(("dracaena", "dragon tree"), "Dracaena", SAPONINS, PETS, ANIMALS),
    ToxicPlant(("ivy", "english ivy"), "Hedera helix", f"{SAPONINS} and falcarinol", ALL, BOTH),
    ToxicPlant(("eucalyptus",), "Eucalyptus", "eucalyptol", ALL, BOTH),
    ToxicPlant(("euphorbia", "pencil cactus"), "Euphorbia", "diterpene esters in the latex", ALL, EVERYWHERE),
    ToxicPlant(("foxglove",), "Digitalis", HEART, ALL, EVERYWHERE),
    ToxicPlant(("hyacinth",), "Hyacinthus", f"{CRYSTALS} and alkaloids, most in the bulb", ALL, BOTH),
    ToxicPlant(("hydrangea",), "Hydrangea", "cyanogenic glycosides", ALL, BOTH),
    ToxicPlant(("jade plant", "crassula"), "Crassula ovata", "a substance not known", PETS, ANIMALS),
    ToxicPlant(("kalanchoe",), "Kalanchoe", HEART, ALL, EVERYWHERE),
    ToxicPlant(("lily of the valley",), "Convallaria majalis", HEART, ALL, EVERYWHERE),
    ToxicPlant(("peace lily",), "Spathiphyllum", CRYSTALS, ALL, BOTH),
    ToxicPlant(("lily",), "Lilium", "a substance not known that destroys the kidneys of cats", ("cats",), ANIMALS),
    ToxicPlant(("monstera", "swiss cheese plant"), "Monstera", CRYSTALS, ALL, BOTH),
    ToxicPlant(("oleander",), "Nerium oleander", HEART, ALL, EVERYWHERE),
    ToxicPlant(("philodendron",), "Philodendron", CRYSTALS, ALL, BOTH),
    ToxicPlant(("poinsettia",), "Euphorbia pulcherrima", "mild irritants in the latex", ALL, BOTH),
    ToxicPlant(("pothos", "devil's ivy"), "Epipremnum aureum", CRYSTALS, ALL, BOTH),
    ToxicPlant(("sago palm", "cycad"), "Cycas revoluta", "cycasin", ALL, EVERYWHERE),
    ToxicPlant(("schefflera", "umbrella plant"), "Schefflera", CRYSTALS, ALL, BOTH),
    ToxicPlant(("snake plant", "sansevieria"), "Dracaena trifasciata", SAPONINS, PETS, ANIMALS),
    ToxicPlant(("tulip",), "Tulipa", "tuliposides, most in the bulb", ALL, BOTH),
    ToxicPlant(("wisteria",), "Wisteria", "a lectin and a glycoside, most in pods and seeds", ALL, BOTH),
    ToxicPlant(("yew",), "Taxus", "taxine alkaloids", ALL, EVERYWHERE),
    ToxicPlant(("zz plant",), "Zamioculcas zamiifolia", CRYSTALS, ALL, BOTH),
)

_BY_NAME = {name: plant for plant in TABLE for name in plant.names}
# The longer name first: a peace lily is not a lily.
_PATTERN = re.compile(rf"\b({'|'.join(map(re.escape, sorted(_BY_NAME, key=len, reverse=True)))})s?\b")


def toxic_plant_named(words: str) -> tuple[str, ToxicPlant] | None:
    """Return the plain name of a toxic plant found in some words, and what is known of it.

    >>> name, plant = toxic_plant_named("A peace lily in a white pot")
    >>> name, plant.botanical, plant.harms_by
    ('peace lily', 'Spathiphyllum', 'needles of calcium oxalate')
    """
    found = _PATTERN.search(words.lower())
    return None if found is None else (found[1], _BY_NAME[found[1]])


def may_harm(plant: ToxicPlant, eater: str) -> bool:
    """Tell whether a plant may harm an eater; of an animal that is not listed nothing is known, so that it may.

    >>> lily = toxic_plant_named("lily")[1]
    >>> may_harm(lily, "an old cat"), may_harm(lily, "dog"), may_harm(lily, "rabbit")
    (True, False, True)
    """
    words = eater.lower()
    for kind, signs in _SIGNS.items():
        if any(sign in words for sign in signs):
            return kind in plant.harms
    return True


_SIGNS: dict[Eater, tuple[str, ...]] = {
    "people": ("toddler", "child", "baby"), "cats": ("cat", "kitten"), "dogs": ("dog", "puppy"),
}  # fmt: skip
