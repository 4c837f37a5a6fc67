"""Who lives there, as hands and mouths: the child by its age, animals by the kind that is told."""

import re
from typing import Literal

from msgspec import Struct

from jolly_ledge.model.phrases import counted, with_article
from jolly_ledge.model.plan import Household

REACH_MM: dict[int, float] = {1: 700.0, 2: 850.0, 3: 950.0, 4: 1050.0, 5: 1150.0, 8: 1400.0, 12: 1600.0}
"""How high a standing child of so many years grasps (tall children, arms raised); climbing adds to it."""

USUAL_AGE = 3
"""A toddler whose age is not told is taken for a tall one."""

Animal = Literal["cat", "dog", "bird", "rabbit", "rodent", "ferret", "reptile", "other"]

ANIMALS: dict[Animal, tuple[str, ...]] = {
    "cat": ("cat", "kitten", "kitty", "tomcat", "tabby", "siamese", "persian", "ragdoll", "maine coon", "bengal"),
    "dog": ("dog", "puppy", "pup", "hound", "terrier", "spaniel", "retriever", "labrador", "poodle", "collie", "beagle",
            "dachshund", "shepherd", "bulldog", "pug", "husky", "corgi", "greyhound", "whippet", "boxer", "mastiff",
            "setter", "pointer", "schnauzer", "chihuahua", "rottweiler", "doberman", "dalmatian", "mongrel"),
    "bird": ("bird", "parrot", "budgie", "budgerigar", "canary", "cockatiel", "cockatoo", "finch", "lovebird", "macaw"),
    "rabbit": ("rabbit", "bunny", "hare"),
    "rodent": ("rodent", "rat", "mouse", "hamster", "guinea pig", "gerbil", "chinchilla"),
    "ferret": ("ferret",),
    "reptile": ("reptile", "tortoise", "turtle", "lizard", "gecko", "iguana", "snake"),
}  # fmt: skip
"""Kinds that can be chosen, each with words that mean it; what is none of these is another animal."""

_KIND_OF = {word: kind for kind, words in ANIMALS.items() for word in words}
# The longer word first: a guinea pig is a rodent whatever else is said.
_PATTERN = re.compile(rf"\b({'|'.join(map(re.escape, sorted(_KIND_OF, key=len, reverse=True)))})(s|es)?\b")

LOW_REACH_MM: dict[Animal, float] = {"dog": 800.0, "rabbit": 500.0, "reptile": 300.0}
"""How high animals get that do not climb or fly; the others get anywhere."""


class Eater(Struct, frozen=True):
    """Somebody who may swallow, break or pull down what is in reach: how it is called, what it is, how high it gets."""

    name: str
    kind: Literal["child"] | Animal
    reach: float
    age: int | None = None


def animal_kind(words: str) -> Animal:
    """Return which kind of animal some words tell.

    >>> animal_kind("two kittens"), animal_kind("a Labrador"), animal_kind("caterpillar"), animal_kind("guinea pig")
    ('cat', 'dog', 'other', 'rodent')
    """
    found = _PATTERN.search(words.lower())
    return "other" if found is None else _KIND_OF[found[1]]


def reach_of(age: int) -> float:
    """Return how high a standing child grasps (mm); between ages that are known it grows evenly.

    >>> reach_of(2), reach_of(0), reach_of(9)
    (850.0, 700.0, 1450.0)
    """
    ages = sorted(REACH_MM)
    held = min(max(age, ages[0]), ages[-1])
    below, above = max(a for a in ages if a <= held), min(a for a in ages if a >= held)
    share = 0.0 if above == below else (held - below) / (above - below)
    return REACH_MM[below] + share * (REACH_MM[above] - REACH_MM[below])


def child_of(household: Household) -> Eater | None:
    """Return the youngest child of a household, None where there is none; a toddler of no told age is a tall one."""
    age = household.child_age
    if age is None and not household.toddler:
        return None
    if age is None or age <= USUAL_AGE:
        return Eater("a toddler", "child", reach_of(USUAL_AGE if age is None else age), age or USUAL_AGE)
    return Eater(f"a child of {counted(age, 'year')}", "child", reach_of(age), age)


def animals_of(household: Household) -> tuple[Eater, ...]:
    """Return the animals of a household."""
    return tuple(_animal(words) for words in household.pets if words.strip())


def _animal(words: str) -> Eater:
    kind = animal_kind(words)
    return Eater(with_article(words.strip()), kind, LOW_REACH_MM.get(kind, float("inf")))
