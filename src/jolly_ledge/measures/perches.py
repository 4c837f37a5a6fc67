"""What stands on what, and in what: books, boxes and trays carry; jars, bowls, frames and machines do not."""

from collections.abc import Iterator

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.score import soft_excess
from jolly_ledge.model.hue_family import QUIET, hue_family

CARRIES = frozenset({"book", "book-stack", "book-row", "box", "tray", "board", "textile", "tableware"})
STANDS_ON_ITS_OWN = frozenset({"frame", "art", "mirror", "appliance", "device", "basket", "board"})
"""What is not set on a stack, unless it leans there."""

HELD_BY_BOWLS = frozenset({"beads", "object", "supplies", "candle", "sculpture", "stems", "textile"})
WRONG, ODD, EMPTY, LOOSE = 1.0, 0.5, 0.4, 0.6
TOO_TALL, TOO_TALL_BY = 2.6, 1.0
LARGE_GLASS_MM, WIDE_HOST_MM = 300.0, 400.0


def perches_of(arrangement: Arrangement) -> Iterator[tuple[PlacedItem, float, str]]:
    """Yield what is perched, held or left empty against sense: the thing, what it costs, and a sentence."""
    hosts = {one.placement.host for one in arrangement.placed_items}
    for one in arrangement.visible:
        host = arrangement.by_id.get(one.placement.host or "")
        if host is not None and one.placement.pose != "draped":
            yield from _on(one, host) if one.placement.on else _in(one, host)
        elif one.item.category == "stems" and host is None and one.placement.pose != "hung":
            yield one, LOOSE, f"The {one.item.label} stands loose; give it a vessel."
        item = one.item
        clear = item.category == "vessel" and item.finish == "clear" and "lidded" not in item.traits
        if clear and one.id not in hosts and hue_family(item.main_colour) in QUIET:
            size = min(one.height / LARGE_GLASS_MM, 1.0) ** 3
            yield one, EMPTY * size, f"The {item.label} is clear and empty, and says nothing; fill it or leave it out."


def _on(guest: PlacedItem, host: PlacedItem) -> Iterator[tuple[PlacedItem, float, str]]:
    name, carrier = guest.item.label, host.item.label
    carries = host.item.category in CARRIES or "lidded" in host.item.traits
    if not carries:
        yield guest, WRONG, f"The {name} is perched on the {carrier}, which carries nothing; set it down beside."
    elif guest.item.category in STANDS_ON_ITS_OWN and guest.placement.pose not in ("leaning", "flat"):
        yield guest, ODD, f"The {name} on the {carrier} looks perched; set it down, or lean it."
    elif guest.item.category == "lamp" and host.item.category == "box":
        yield guest, ODD, f"The {name} on the {carrier} looks perched; books carry a lamp better."
    tall = soft_excess(guest.height / max(min(host.width, WIDE_HOST_MM), 1.0), TOO_TALL, TOO_TALL_BY)
    if tall > TOO_TALL_BY / 2:
        yield guest, tall, f"The {name} is too tall for the {carrier} it stands on."


def _in(guest: PlacedItem, host: PlacedItem) -> Iterator[tuple[PlacedItem, float, str]]:
    name, holder = guest.item.label, host.item.label
    if guest.item.category == "stems" and host.item.category not in ("vessel", "basket"):
        yield guest, WRONG, f"The {name} in the {holder} has no hold; give it a vessel with a neck."
    elif host.item.category == "bowl" and guest.item.category not in HELD_BY_BOWLS:
        yield guest, WRONG, f"The {name} in the {holder} looks put away; set it down beside."
