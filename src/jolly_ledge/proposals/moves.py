"""The single moves a stylist would try for something that was found."""

from collections.abc import Iterable, Iterator

from jolly_ledge.edits.exchange import ExchangeThing
from jolly_ledge.edits.placements import ChangePlacement, MovePlacement, PlaceItem, PutInside, ReturnToStash, SetPose
from jolly_ledge.edits.risers import RaiseOnRisers
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.landing import carries, free_spot, holds
from jolly_ledge.geometry.pose import extent
from jolly_ledge.model.belonging import welcome
from jolly_ledge.model.hue_family import hue_family
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.stash_order import fits
from jolly_ledge.model.words import Pose
from jolly_ledge.proposals.exchange import suiting_in_place
from jolly_ledge.proposals.made_over import made_over
from jolly_ledge.proposals.move import Move, moved, swapped
from jolly_ledge.proposals.moves_together import moves_together
from jolly_ledge.proposals.risers import risers_for
from jolly_ledge.proposals.stack_moves import stack_moves
from jolly_ledge.readings.reading import Finding

MOST_MOVED, MOST_SWAPS, MOST_LEDGES, MOST_FETCHED, MOST_HOSTS, MOST_EXCHANGED = 3, 6, 5, 5, 3, 4
"""Bounds of the search: enough to find the move a stylist would try, few enough to answer at once."""

SHARES = (0.15, 0.35, 0.5, 0.65, 0.85)
NUDGES_MM = (-90.0, -45.0, 45.0, 90.0)
LOST_SHARE, WANTED_SHARE, MOST_RISERS = 0.52, 0.6, 2
"""Below the first share of its opening a thing may be raised, to about the second."""

TURNS = (90.0, 180.0, 270.0)
MASKING_SHARE, CLEAR_MM = 0.7, 20.0
"""What masks a thing has so much of its height, and leaves its vents so much air."""

STAYING = frozenset({"must-keep", "daily-use", "hide"})
"""What must be there is not taken away."""


def moves_for(plan: Plan, look: Look, arrangement: Arrangement, finding: Finding) -> Iterator[Move]:
    """Yield single moves of the things a finding names, and of what the stash could bring. Locked things stay."""
    roots = dict.fromkeys(
        arrangement.by_id[identifier].root for identifier in finding.placements if identifier in arrangement.by_id
    )
    named = [arrangement.by_id[identifier] for identifier in finding.placements if identifier in arrangement.by_id]
    free = [arrangement.by_id[root] for root in roots if not arrangement.by_id[root].placement.locked]
    for placed in free[:MOST_MOVED]:
        if placed.placement.pose in ("hung", "draped"):
            continue
        yield from _along(look, placed)
        yield from _elsewhere(look, arrangement, placed)
        yield from _swaps(look, arrangement, placed)
        yield from _exchanged(plan, look, arrangement, placed)
        yield from _raised(look, arrangement, placed)
        yield from _on_risers(plan, look, arrangement, placed)
        yield from _regrouped(look, arrangement, placed)
        yield from moves_together(look, arrangement, placed)
        yield from stack_moves(look, arrangement, placed, tuple(_at_hand(plan, look)))
        if not STAYING & set(placed.item.traits):
            edit = ReturnToStash(look=look.id, placements=(placed.id,), name=placed.item.label)
            yield Move("take", f"Take the {placed.item.label} away", edit)
    for placed in [one for one in named if not one.placement.locked][:MOST_MOVED]:
        yield from _posed(look, placed)
        yield from _turned(look, placed)
        yield from _hidden(look, arrangement, placed)
        yield from _masked(look, arrangement, placed)
    for placed in named[:MOST_MOVED]:
        yield from made_over(arrangement, placed)
    ledges = list(dict.fromkeys(placed.ledge for placed in free))
    yield from _fetched(plan, look, arrangement, ledges[:2])
    if not finding.placements:
        yield from _brought(look, arrangement)


def _along(look: Look, placed: PlacedItem) -> Iterator[Move]:
    ledge, placement = placed.ledge, placed.placement
    x, z = placement.x or 0.0, placement.z or 0.0
    half, deep = placed.width / 2, (placed.back - placed.front) / 2
    spots = [ledge.width * share for share in SHARES] + [x + step for step in NUDGES_MM]
    for at in spots:
        held = min(max(at, half), max(ledge.width - half, half))
        side = "left" if held < x else "right"
        if abs(held - x) > 20:
            label = f"Move the {placed.item.label} to the {side}"
            yield Move("along", label, moved(look, placed, ledge, held, z))
    for depth, word in ((ledge.depth - deep, "Push the {} back"), (deep + 15.0, "Bring the {} forward")):
        if abs(depth - z) > 20 and depth >= deep:
            yield Move("deep", word.format(placed.item.label), moved(look, placed, ledge, x, depth))


def _elsewhere(look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    others = [
        ledge for ledge in arrangement.standing_ledges if ledge.id != placed.ledge.id and fits(placed.item, ledge)
    ]
    others.sort(key=lambda ledge: len(arrangement.by_ledge.get(ledge.id, ())))
    for ledge in others[:MOST_LEDGES]:
        spot = free_spot(arrangement, placed.item, placed.placement.pose, ledge)
        edit = MovePlacement(look=look.id, placement=placed.id, spot=spot, name=placed.item.label)
        yield Move("carry", f"Carry the {placed.item.label} to {ledge.label}", edit)


def _swaps(look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    others = [
        other
        for other in arrangement.visible
        if other.placement.host is None
        and other.id != placed.id
        and not other.placement.locked
        and other.placement.pose not in ("hung", "draped")
        and other.item.category != placed.item.category
    ]
    others.sort(key=lambda other: (other.ledge.id == placed.ledge.id, abs(other.width - placed.width)))
    for other in others[:MOST_SWAPS]:
        label = f"Swap the {placed.item.label} and the {other.item.label}"
        yield Move("swap", label, swapped(look, placed, other))


def _exchanged(plan: Plan, look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    """Let something of the stash that belongs there, of another look, take the place of a thing."""
    if STAYING & set(placed.item.traits):
        return
    old = placed.item
    suiting = [
        item for item in suiting_in_place(plan, arrangement, placed)
        if item.category != old.category or hue_family(item.main_colour) != hue_family(old.main_colour)
    ]  # fmt: skip
    for item in suiting[:MOST_EXCHANGED]:
        edit = ExchangeThing(
            look=look.id, placement=placed.id, item=item.id, name=old.label, new_name=item.label
        )  # fmt: skip
        yield Move("exchange", f"Exchange the {old.label} for the {item.label}", edit)


def _raised(look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    size = extent(placed.item, placed.placement.pose, placed.placement.turn)
    for host in arrangement.by_ledge.get(placed.ledge.id, ()):
        free = not any(other.placement.host == host.id for other in arrangement.placed_items)
        roomy = host.width >= size.width - 40 and host.back - host.front >= size.depth - 40
        if host.id != placed.id and free and roomy and carries(host) and host.root != placed.id:
            x, z = host.placement.x or 0.0, host.placement.z or 0.0
            label = f"Raise the {placed.item.label} {round(host.height)} mm on the {host.item.label}"
            yield Move("raise", label, moved(look, placed, placed.ledge, x, z, on=host.id))


def _on_risers(plan: Plan, look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    """Raise what is low in its opening on books or boxes that the stash could bring."""
    clearance, name = placed.ledge.clearance, placed.item.label
    carried = placed.placement.host is not None or placed.placement.pose != "upright"
    if clearance is None or carried or placed.item.is_book or placed.height >= LOST_SHARE * clearance:
        return
    lift = WANTED_SHARE * clearance - placed.height
    for risers in risers_for(arrangement, placed, lift, _at_hand(plan, look), MOST_RISERS):
        books = listed([f"the {item.label}" for item in risers.items])
        label = f"Raise the {name} {round(risers.lift)} mm on {books}"
        ids = tuple(item.id for item in risers.items)
        yield Move("risers", label, RaiseOnRisers(look=look.id, placement=placed.id, risers=ids, name=name))


def _regrouped(look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    """Read a thing with the group beside it, or by nearness again where it was told."""
    label = placed.item.label
    if placed.placement.vignette:
        said = f"Read the {label} by nearness again"
        yield Move("regroup", said, _vignette(look, (placed,), None, said))
    groups = [v for v in arrangement.vignettes if v.ledge.id == placed.ledge.id and placed.id not in v.ids]
    nearest = min(groups, key=lambda v: min(abs(c.left + c.right - 2 * placed.x) for c in v.stacks), default=None)
    if nearest is not None:
        name = nearest.name or f"with the {nearest.units[0].lead.item.label}"
        said = f"Read the {label} with {nearest.units[0].label}"
        members = tuple(arrangement.by_id[identifier] for identifier in nearest.ids)
        yield Move("regroup", said, _vignette(look, (placed, *members), name, said))


def _vignette(look: Look, placed_items: tuple[PlacedItem, ...], name: str | None, label: str) -> ChangePlacement:
    ids = tuple(placed.id for placed in placed_items)
    return ChangePlacement(look=look.id, placements=ids, changes=(("vignette", name),), label=label)


def _posed(look: Look, placed: PlacedItem) -> Iterator[Move]:
    pose, name = placed.placement.pose, placed.item.label
    if placed.item.category == "book":
        label = f"Stand the {name} up" if pose == "flat" else f"Lay the {name} flat"
        wanted: Pose = "upright" if pose == "flat" else "flat"
        yield Move("pose", label, SetPose(look=look.id, placements=(placed.id,), pose=wanted, label=label))
    if placed.item.category in ("book", "book-row") and pose in ("upright", "spine-in"):
        label = f"Turn the {'pages' if pose == 'upright' else 'spines'} of the {name} out"
        faced: Pose = "spine-in" if pose == "upright" else "upright"
        yield Move("pose", label, SetPose(look=look.id, placements=(placed.id,), pose=faced, label=label))
    elif placed.item.category in ("frame", "art", "mirror", "board") and pose in ("upright", "leaning", "flat"):
        label = f"Lay the {name} flat" if pose != "flat" else f"Lean the {name} against the back"
        wanted = "flat" if pose != "flat" else "leaning"
        yield Move("pose", label, SetPose(look=look.id, placements=(placed.id,), pose=wanted, label=label))


def _turned(look: Look, placed: PlacedItem) -> Iterator[Move]:
    """Turn what has a face, or is longer than it is deep, by quarters."""
    size = placed.item
    oblong = not size.is_round and abs(size.width - size.depth) > 0.2 * max(size.width, size.depth)
    if placed.placement.pose != "upright" or not ("one-faced" in size.traits or oblong) or size.is_book:
        return
    for by in TURNS:
        turned = (placed.placement.turn + by) % 360
        said = {90.0: "a quarter to the left", 180.0: "round", 270.0: "a quarter to the right"}[by]
        label = f"Turn the {size.label} {said}"
        change = ChangePlacement(look=look.id, placements=(placed.id,), changes=(("turn", turned),), label=label)
        yield Move("turn", label, change)


def _masked(look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    """Set something that stands on the same ledge before what is to be masked; it steps back where it must."""
    if "mask" not in placed.item.traits:
        return
    others = [
        other for other in arrangement.by_ledge.get(placed.ledge.id, ())
        if other.id != placed.id and other.placement.host is None and not other.placement.locked
        and other.placement.pose == "upright" and other.height >= MASKING_SHARE * placed.height
        and "mask" not in other.item.traits
    ]  # fmt: skip
    others.sort(key=lambda other: (other.item.category != "plant", abs(other.width - placed.width)))
    for other in others[:MOST_HOSTS]:
        z = placed.front - CLEAR_MM - (other.back - other.front) / 2
        if z - (other.back - other.front) / 2 >= 0:
            x = placed.x - placed.ledge.left
            label = f"Set the {other.item.label} before the {placed.item.label}"
            yield Move("mask", label, moved(look, other, other.ledge, x, z))


def _hidden(look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    """Put what is to be hidden or gathered into a container that stands somewhere on the piece."""
    if not {"hide", "rolls", "small-parts"} & set(placed.item.traits) or placed.placement.inside:
        return
    hosts = [
        other
        for other in arrangement.visible
        if other.id != placed.id and other.root != placed.id and holds(other.item, placed.item)
    ]
    hosts.sort(key=lambda other: (other.item.category not in ("box", "basket"), other.ledge.id != placed.ledge.id))
    for host in hosts[:MOST_HOSTS]:
        edit = PutInside(
            look=look.id, item=placed.item.id, host=host.id, name=placed.item.label, host_name=host.item.label
        )
        yield Move("inside", f"Put the {placed.item.label} into the {host.item.label}", edit)


def _fetched(plan: Plan, look: Look, arrangement: Arrangement, ledges: Iterable[Ledge]) -> Iterator[Move]:
    """Yield things the stash could bring: owned, fitting, not standing in another look's piece, tallest first."""
    for ledge in ledges:
        if ledge.is_wall:
            continue
        free = [item for item in _at_hand(plan, look) if _serves(item, arrangement.piece, ledge)]
        for item in sorted(free, key=lambda item: (-item.height, item.id))[:MOST_FETCHED]:
            yield _bring(look, arrangement, item, ledge)


def _brought(look: Look, arrangement: Arrangement) -> Iterator[Move]:
    """Bring what must be kept here and is still in the stash."""
    for item in arrangement.awaited[:MOST_MOVED]:
        for ledge in [ledge for ledge in arrangement.standing_ledges if fits(item, ledge)][:MOST_LEDGES]:
            yield _bring(look, arrangement, item, ledge)


def _bring(look: Look, arrangement: Arrangement, item: Item, ledge: Ledge) -> Move:
    spot = free_spot(arrangement, item, "upright", ledge)
    edit = PlaceItem(look=look.id, item=item.id, spot=spot, name=item.label)
    return Move("bring", f"Bring the {item.label} to {ledge.label}", edit)


def _at_hand(plan: Plan, look: Look) -> list[Item]:
    """Return what is owned or borrowed and stands neither in the look nor on another piece."""
    taken = {p.item for other in plan.looks if other.piece != look.piece for p in other.placements}
    taken |= {placement.item for placement in look.placements}
    return [item for item in plan.stash if item.id not in taken and item.is_at_hand]


def _serves(item: Item, piece: Piece, ledge: Ledge) -> bool:
    return (
        welcome(item, piece, ledge) > 0
        and item.category not in ("stems", "hanging", "textile", "supplies")
        and fits(item, ledge)
    )
