"""Moves that change a thing itself: painted, toned down, of another finish, its jacket off; as its owner allows."""

from collections.abc import Iterator

from msgspec.structs import replace

from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.colour import family_name, mix
from jolly_ledge.model.hue_family import hue_family, loudness
from jolly_ledge.model.item import Item
from jolly_ledge.model.words import Finish
from jolly_ledge.proposals.move import Move

MOST_PAINTS = 4
QUIET_GREY, HOW_MUCH = "#8f8a80", 0.55
"""A glaze takes so much of its own colour away."""

AS_IT_IS_MADE: frozenset[Finish] = frozenset({"clear", "woven"})
FINISHES: dict[Finish, str] = {
    "matt": "Varnish the {} matt", "gloss": "Varnish the {} to a gloss", "metal": "Lay leaf metal on the {}",
}  # fmt: skip
"""What another finish is called; glass and weave stay as they are made."""

LOUD_ENOUGH = 0.05
"""What is quieter than this is not toned down further."""


def is_left_alone(item: Item) -> bool:
    """Tell whether nothing may be done to a thing: borrowed, not owned yet, or dear to somebody."""
    return bool(item.borrowed_from) or item.status != "owned" or "sentimental" in item.traits


def made_over(arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    """Yield what may be done to a thing; its own colour is kept, so that each is a trial."""
    item = placed.item
    if is_left_alone(item):
        return
    if item.covers is not None and item.covers.board is not None:
        off = not item.covers.jacket_off
        label = f"Take the jacket off the {item.label}" if off else f"Put the jacket of the {item.label} on again"
        yield _change(item, "jacket", label, covers=replace(item.covers, jacket_off=off))
    if "painted" in item.may_be:
        for colour in _paints(arrangement, item):
            label = f"Paint the {item.label} {family_name(colour)}"
            yield _change(item, "paint", label, repaint=colour, part_painted=False)
    if "part-painted" in item.may_be:
        for colour in _paints(arrangement, item):
            label = f"Paint a part of the {item.label} {family_name(colour)}"
            yield _change(item, "paint", label, repaint=colour, part_painted=True)
    if "refinished" in item.may_be and item.finish not in AS_IT_IS_MADE:
        for finish, label in FINISHES.items():
            if finish != item.shown_finish:
                yield _change(item, "finish", label.format(item.label), refinish=finish)
    if "toned" in item.may_be and loudness(item.main_colour) > LOUD_ENOUGH:
        quiet = mix(item.main_colour, QUIET_GREY, HOW_MUCH)
        yield _change(item, "tone", f"Tone the {item.label} down", repaint=quiet)


def _change(item: Item, kind: str, label: str, **changes: object) -> Move:
    return Move(kind, label, ChangeItem(item=item.id, changes=tuple(changes.items()), name=item.label))


def _paints(arrangement: Arrangement, item: Item) -> tuple[str, ...]:
    """Return colours that the look has already, the largest first, one of each family and none of the thing's own."""
    told = arrangement.look.manner.palette
    areas: dict[str, float] = {}
    for placed in arrangement.visible:
        if placed.item.id != item.id:
            areas[placed.item.main_colour] = areas.get(placed.item.main_colour, 0.0) + placed.area
    found: dict[str, str] = {}
    for colour in told or sorted(areas, key=lambda colour: -areas[colour]):
        found.setdefault(hue_family(colour), colour)
    found.pop(hue_family(item.main_colour), None)
    return tuple(found.values())[:MOST_PAINTS]
