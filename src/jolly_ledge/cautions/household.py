"""Who lives there: what a toddler reaches, what a child or a pet must not eat."""

from collections.abc import Iterable, Iterator

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.toxic_plants import may_harm, toxic_plant_named
from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.plan import Household

REACH_MM: dict[int, float] = {1: 700.0, 2: 850.0, 3: 950.0, 4: 1050.0, 5: 1150.0, 8: 1400.0, 12: 1600.0}
"""How high a standing child of so many years grasps (tall children, arms raised); climbing adds to it."""

USUAL_AGE = 3
"""A toddler whose age is not told is taken for a tall one."""

HEAVY_FOR_A_CHILD_KG = 2.0
"""What falls on a child from a shelf hurts from about here on."""

FALLS_FROM_MM = 250.0
"""From a lower ledge a heavy thing is pushed about rather than pulled down."""

BREAKABLE_MATERIALS = ("glass", "crystal", "porcelain", "china")

DOG_REACH_MM = 800.0
CLIMBERS = ("cat", "parrot", "bird", "ferret", "rat")
"""Pets that get anywhere."""


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


def reach_here(household: Household) -> float:
    """Return how high the child of a household grasps, in mm."""
    return reach_of(USUAL_AGE if household.child_age is None else household.child_age)


def within_reach(arrangement: Arrangement, age: int) -> tuple[Standing, ...]:
    """Return the things of a look that a standing child of an age can get at, those under a lid left out."""
    reach = reach_of(age)
    return tuple(standing for standing in _in_the_open(arrangement) if standing.bottom < reach)


def toddler(arrangement: Arrangement) -> Iterable[Caution]:
    """Report breakable, sharp, heavy or burning things that a toddler grasps."""
    if not arrangement.household.toddler:
        return
    for standing in _in_the_open(arrangement):
        if standing.bottom >= reach_here(arrangement.household) or standing.placement.pose == "hung":
            continue
        danger = _danger(standing)
        if danger:
            word, level = danger
            yield Caution(
                "toddler",
                level,  # type: ignore[arg-type]
                (standing.id,),
                f"The {standing.item.label} is {word} and stands {round(standing.bottom / 10)} cm up, where a toddler "
                f"reaches; set it above {round(reach_here(arrangement.household) / 10)} cm, or out of the room.",
            )


def _in_the_open(arrangement: Arrangement) -> Iterator[Standing]:
    """Yield what a hand can get at: what lies in an open basket is out of sight, not out of reach."""
    for standing in arrangement.standings:
        host = arrangement.by_id.get(standing.placement.inside or "")
        if host is None or "lidded" not in host.item.traits:
            yield standing


def _danger(standing: Standing) -> tuple[str, str] | None:
    traits, mass = standing.item.traits, standing.item.mass
    if "flame" in traits:
        return "a flame", "stop"
    if "sharp" in traits:
        return "sharp", "stop"
    if "fragile" in traits or any(word in standing.item.material.lower() for word in BREAKABLE_MATERIALS):
        return "breakable", "heed"
    if mass is not None and mass >= HEAVY_FOR_A_CHILD_KG and not standing.item.is_book:
        if standing.depth_order > 0:
            return "heavy on top of something", "heed"
        if standing.bottom >= FALLS_FROM_MM:
            return f"heavy ({mass:g} kg)", "heed"
    return None


def small_parts(arrangement: Arrangement) -> Iterable[Caution]:
    """Report small parts that a toddler can put into the mouth."""
    if not arrangement.household.toddler:
        return
    for standing in _in_the_open(arrangement):
        if "small-parts" in standing.item.traits and standing.bottom < reach_here(arrangement.household):
            yield Caution(
                "small-parts",
                "stop",
                (standing.id,),
                f"The {standing.item.label} holds small parts within a toddler's reach; a child can choke on them, so "
                "keep it shut away or high up.",
            )


def toxic_plant(arrangement: Arrangement) -> Iterable[Caution]:
    """Report plants that a child or a pet must not eat, where they reach them."""
    household = arrangement.household
    eaters = [(pet, _pet_reach(pet)) for pet in household.pets]
    if household.toddler:
        eaters.append(("a toddler", reach_here(arrangement.household)))
    for standing in arrangement.visible:
        item = standing.item
        # A cut bunch is told by its name; that a potted plant is alive is told by its trait.
        if "real-plant" not in item.traits and "toxic" not in item.traits and item.category != "stems":
            continue
        near = [name for name, reach in eaters if standing.bottom < reach]
        who = _with_article(near)
        told = "toxic" in item.traits
        named = toxic_plant_named(f"{item.label} {item.material}")
        if who and told:
            yield Caution(
                "toxic-plant",
                "stop" if household.toddler else "heed",
                (standing.id,),
                f"The {item.label} is toxic if eaten and {listed(who)} can reach it; choose another plant or another "
                "room, and ask a poison centre or a vet when in doubt.",
            )
        elif named:
            name, plant = named
            harmed = _with_article([eater for eater in near if may_harm(plant, eater)])
            if harmed:
                yield Caution(
                    "toxic-plant",
                    "unknown",
                    (standing.id,),
                    f"The {item.label} may be toxic if eaten (plants called {name}, {plant.botanical}, hold "
                    f"{plant.harms_by}) and {listed(harmed)} can reach it; find out its kind, and ask a poison centre "
                    "or a vet.",
                )


def _with_article(names: list[str]) -> list[str]:
    return [name if name.startswith("a ") else f"a {name}" for name in names]


def _pet_reach(pet: str) -> float:
    climbs = any(climber in pet.lower() for climber in CLIMBERS)
    return float("inf") if climbs else DOG_REACH_MM
