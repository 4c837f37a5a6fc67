"""Light for real plants, and plants that must not be eaten."""

from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.eaters import Eater, animals_of, child_of
from jolly_ledge.cautions.stuff import is_fresh
from jolly_ledge.cautions.toxic_plants import is_known_harmless, may_harm, toxic_plant_named
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.phrases import listed, verb


def low_light(arrangement: Arrangement) -> Iterable[Caution]:
    """Report real plants where it is too dark for them, and where the light is not told."""
    for placed in arrangement.visible:
        traits, light = placed.item.traits, placed.ledge.light
        if "real-plant" not in traits or "tolerates-low-light" in traits:
            continue
        name, where = placed.item.label, placed.ledge.label
        wants_bright = "needs-bright-light" in traits
        if light is None:
            yield Caution(
                "low-light",
                "unknown",
                (placed.id,),
                f"How light it is on {where} is not told; the {name} is alive and wants light, so look at noon.",
            )
        elif wants_bright and light != "bright":
            yield Caution(
                "low-light",
                "heed",
                (placed.id,),
                f"The {name} needs bright light and {where} has {light} light; set it at a window, or take a made one.",
            )
        elif not wants_bright and light == "low":
            yield Caution(
                "low-light",
                "heed",
                (placed.id,),
                f"The {name} is alive and {where} has low light; choose a plant that bears it, or turn it with another "
                "every week.",
            )


def toxic_plant(arrangement: Arrangement) -> Iterable[Caution]:
    """Report plants that a child or an animal must not eat, where they reach them; an unnamed one is unknown."""
    household = arrangement.household
    child = child_of(household)
    eaters = [*animals_of(household), *((child,) if child is not None else ())]
    unnamed: list[PlacedItem] = []
    for placed in arrangement.visible:
        item = placed.item
        # A cut bunch is told by its name; that a potted plant is alive is told by its trait.
        if "real-plant" not in item.traits and "toxic" not in item.traits and item.category != "stems":
            continue
        near = [eater for eater in eaters if placed.bottom < eater.reach]
        if not near:
            continue
        named = toxic_plant_named(f"{item.label} {item.material}")
        if "toxic" in item.traits:
            yield _told(placed, near, is_child_near=child in near)
        elif named is not None:
            name, plant = named
            harmed = [eater.name for eater in near if may_harm(plant, eater.kind)]
            if harmed:
                yield Caution(
                    "toxic-plant",
                    "unknown",
                    (placed.id,),
                    f"The {item.label} may be toxic if eaten (plants called {name}, {plant.botanical}, hold "
                    f"{plant.harms_by}) and {listed(harmed)} can reach it; find out its kind, and ask a poison centre "
                    "or a vet.",
                )
        elif ("real-plant" in item.traits or is_fresh(item)) and not is_known_harmless(f"{item.label} {item.material}"):
            unnamed.append(placed)
    if unnamed:
        yield _unnamed(unnamed, eaters)


def _told(placed: PlacedItem, near: list[Eater], *, is_child_near: bool) -> Caution:
    return Caution(
        "toxic-plant",
        "stop" if is_child_near else "heed",
        (placed.id,),
        f"The {placed.item.label} is toxic if eaten and {listed([eater.name for eater in near])} can reach it; "
        f"choose "
        "another plant or another room, and ask a poison centre or a vet when in doubt.",
    )


def _unnamed(unnamed: list[PlacedItem], eaters: list[Eater]) -> Caution:
    names = [f"the {placed.item.label}" for placed in unnamed]
    near = [eater.name for eater in eaters if any(placed.bottom < eater.reach for placed in unnamed)]
    return Caution(
        "toxic-plant",
        "unknown",
        tuple(placed.id for placed in unnamed),
        f"What kind of plant {listed(names)} {verb(names, 'is', 'are')} is not told, and "
        f"{listed(near)} can reach {verb(names, 'it', 'them')}; find out whether "
        f"{verb(names, 'it harms', 'they harm')} "
        "who eats of them.",
    )
