"""What is wanted, the way from look to look, and stems: as plain values and as lines to read."""

from typing import Any

from msgspec import Struct

from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.entry.parser import known_thing
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.lengths import LengthUnit
from jolly_ledge.model.look import Look
from jolly_ledge.model.money import money, typed
from jolly_ledge.model.phrases import percent
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.places_to_fill import places_to_fill
from jolly_ledge.planning.stems import plan_stems
from jolly_ledge.proposals.restyle import restyle
from jolly_ledge.proposals.wanted import match_found, nothing_said, substitutes, wanted
from jolly_ledge.readings.register import assess

VESSELS = frozenset({"vessel", "bowl", "basket"})


class CommandAnswer(Struct, frozen=True):
    """One answer, as a plain value and as text."""

    value: dict[str, Any]
    text: str


def what_is_wanted(plan: Plan, look: Look) -> CommandAnswer:
    """Tell what is not owned and would help a look most."""
    found = wanted(plan, look)
    values = [
        {
            "ledge": want.placement.ledge,
            "x": want.placement.x,
            "z": want.placement.z,
            "category": want.item.category,
            "height": [round(size) for size in want.heights],
            "width": [round(size) for size in want.widths],
            "depth": round(want.deepest),
            "colours": list(want.colours),
            "families": list(want.families),
            "finishes": list(want.finishes),
            "gain": round(want.gain, 4),
            "most_price": None if want.most_price is None else typed(want.most_price),
            "sentence": want.sentence,
        }
        for want in found
    ]
    kept = [one.sentence("cm") for one in places_to_fill(plan, plan.piece(look.piece))]
    told = "\n".join([*kept, *(want.sentence for want in found)]) or nothing_said(assess(arrange(plan, look)))
    return CommandAnswer({"look": look.id, "wanted": values, "kept": kept}, told)


def found_thing(plan: Plan, look: Look, line: str, unit: LengthUnit) -> CommandAnswer:
    """Tell whether a thing found in a shop suits a look.

    Raises
    ------
    EntryError
        The line tells no thing.
    """
    item = known_thing(line, unit, plan.stash)
    told = match_found(plan, look, item)
    value = {
        "look": look.id, "item": item.label, "fits": bool(told.placements), "ledge": told.ledge,
        "instead": told.instead, "gain": round(told.gain, 4), "sentence": told.sentence,
    }  # fmt: skip
    return CommandAnswer(value, told.sentence)


def instead_of(plan: Plan, look: Look, item_id: str) -> CommandAnswer:
    """Tell what comes closest to a dear thing and costs less."""
    dear = plan.item(item_id)
    found = substitutes(plan, look, dear)
    values = [
        {"item": item.id, "alike": round(alike, 3), "saved": None if saved is None else typed(saved)}
        for item, alike, saved in found
    ]
    lines = [
        f"The {item.label}: {percent(alike)} alike{'' if saved is None else f', saves {money(saved, plan.currency)}'}."
        for item, alike, saved in found
    ]
    return CommandAnswer(
        {"instead_of": item_id, "found": values}, "\n".join(lines) or f"Nothing cheaper than the {dear.label}."
    )


def change_over(plan: Plan, first: Look, second: Look, season: str = "", unit: LengthUnit = "mm") -> CommandAnswer:
    """Tell the fewest carries from one look to another.

    Raises
    ------
    EditError
        The looks are of different pieces.
    """
    if first.piece != second.piece:
        raise EditError(f"The looks “{first.id}” and “{second.id}” are of different pieces; choose two of one piece.")
    told = restyle(arrange(plan, first), arrange(plan, second), season, unit)
    value = {
        "carries": [{"kind": c.kind, "item": c.item, "sentence": c.sentence} for c in told.carries],
        "set_aside": list(told.set_aside),
        "goes_to": {room: list(names) for room, names in told.goes_to},
        "comes_from": {room: list(names) for room, names in told.comes_from},
    }
    lines = [told.summary, *(f"{number}. {c.sentence}" for number, c in enumerate(told.carries, start=1))]
    return CommandAnswer(value, "\n".join(lines))


def stems_for(plan: Plan, vessel_id: str, bunch_id: str | None, look: Look | None) -> CommandAnswer:
    """Tell how stems stand in a vessel.

    Raises
    ------
    EditError
        The thing takes no stems.
    """
    vessel = plan.item(vessel_id)
    if vessel.category not in VESSELS:
        raise EditError(f"The {vessel.label} takes no stems; choose a vessel, a bowl or a basket.")
    bunch = plan.item(bunch_id) if bunch_id is not None else None
    clearance, lift = None, 0.0
    if look is not None:
        placed = next((s for s in arrange(plan, look).placed_items if s.item.id == vessel_id), None)
        if placed is not None:
            clearance, lift = placed.ledge.clearance, placed.bottom - placed.ledge.floor
    told = plan_stems(vessel, bunch, clearance, lift=lift)
    value = {
        "vessel": vessel_id, "mouth": told.mouth, "mouth_is_guessed": told.mouth_is_guessed, "fewest": told.fewest,
        "most": told.most, "limit": told.limit, "over_rim": told.over_rim, "held": told.held,
        "cuts": [{"stems": number, "length": length} for number, length in told.cuts], "bunches": told.bunches,
        "cost": None if told.cost is None else typed(told.cost), "sentences": list(told.sentences),
    }  # fmt: skip
    return CommandAnswer(value, "\n".join(told.sentences))
