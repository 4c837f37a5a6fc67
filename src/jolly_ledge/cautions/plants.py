"""Light for real plants."""

from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.model.arrangement import Arrangement


def low_light(arrangement: Arrangement) -> Iterable[Caution]:
    """Report real plants where it is too dark for them, and where the light is not told."""
    for standing in arrangement.visible:
        traits, light = standing.item.traits, standing.ledge.light
        if "real-plant" not in traits or "tolerates-low-light" in traits:
            continue
        name, where = standing.item.label, standing.ledge.label
        wants_bright = "needs-bright-light" in traits
        if light is None:
            yield Caution(
                "low-light",
                "unknown",
                (standing.id,),
                f"How light it is on {where} is not told; the {name} is alive and wants light, so look at noon.",
            )
        elif wants_bright and light != "bright":
            yield Caution(
                "low-light",
                "heed",
                (standing.id,),
                f"The {name} needs bright light and {where} has {light} light; set it at a window, or take a made one.",
            )
        elif not wants_bright and light == "low":
            yield Caution(
                "low-light",
                "heed",
                (standing.id,),
                f"The {name} is alive and {where} has low light; choose a plant that bears it, or turn it with another "
                "every week.",
            )
