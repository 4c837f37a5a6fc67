"""All cautions in one list."""

from collections.abc import Callable, Iterable

from msgspec.structs import replace

from jolly_ledge.cautions import (
    electric,
    fire,
    hazards,
    heat,
    household,
    in_use,
    kept_places,
    load,
    plants,
    space,
    stability,
)
from jolly_ledge.cautions.answers import answer_to
from jolly_ledge.cautions.caution import GRAVITY, Caution
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.mishaps import or_instead

Check = Callable[[Arrangement], Iterable[Caution]]

REGISTER: tuple[tuple[str, Check], ...] = (
    ("fit", space.fit),
    ("collision", space.collision),
    ("overhang", space.overhang),
    ("kept-place", kept_places.kept_places),
    ("in-use", in_use.in_use),
    ("heavy-high", hazards.heavy_high),
    ("heavy-high", hazards.over_a_head),
    ("rolls", hazards.rolls),
    ("load", load.load),
    ("tips", stability.tips),
    ("tips", stability.piles),
    ("tips", stability.loose_rows),
    ("tips", household.tail),
    ("unsecured", stability.unsecured),
    ("wall-fixing", stability.wall_fixing),
    ("flame", fire.flame),
    ("heat", heat.heat),
    ("cords", electric.cords),
    ("spills", electric.spills),
    ("low-light", plants.low_light),
    ("toddler", household.toddler),
    ("small-parts", household.small_parts),
    ("toxic-plant", plants.toxic_plant),
)
NAMES = {
    "fit": "Does not fit",
    "collision": "In one place",
    "overhang": "Over the edge",
    "kept-place": "In a kept place",
    "in-use": "No room to use it",
    "heavy-high": "Heavy high up",
    "rolls": "Rolls",
    "load": "Load on the board",
    "tips": "Tips over",
    "unsecured": "Leans loose",
    "wall-fixing": "Fixing to the wall",
    "flame": "Open flame",
    "heat": "Heat",
    "cords": "Cords and sockets",
    "spills": "Water near current",
    "low-light": "Too little light",
    "toddler": "Within a child's reach",
    "small-parts": "Small parts",
    "toxic-plant": "Toxic plant",
}
CLOSING = "Local codes, the maker's rating and a licensed person decide."


def cautions_of(arrangement: Arrangement) -> tuple[Caution, ...]:
    """Return all cautions of a look, gravest first; those that are answered come last and say so."""
    found = [caution for identifier, check in REGISTER for caution in _checked(identifier, check, arrangement)]
    if arrangement.look.answers:
        found = [_with_answer(caution, arrangement) for caution in found]
    return tuple(sorted(found, key=lambda caution: (bool(caution.answer), GRAVITY[caution.level])))


def _with_answer(caution: Caution, arrangement: Arrangement) -> Caution:
    answer = answer_to(caution, arrangement)
    return caution if answer is None else replace(caution, answer=answer.said)


def _checked(identifier: str, check: Check, arrangement: Arrangement) -> tuple[Caution, ...]:
    """Return what a check finds; one that fails tells that nothing is known."""
    name = NAMES[identifier].lower()
    failed = Caution(
        identifier, "unknown", (), f"Whether “{name}” is to be heeded could not be told; look for yourself."
    )
    return or_instead(
        lambda: tuple(check(arrangement)), (failed,), f"The caution “{name}” could not be checked; look for yourself."
    )
