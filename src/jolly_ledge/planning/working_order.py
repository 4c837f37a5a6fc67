"""The order in which a helper places things, with figures a tape can find."""

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.planning.tape_figures import TapeFigure, across, along, upward

HEAVY_KG = 8.0
"""From this mass on a thing is carried with two hands and nothing else."""

VERY_HEAVY_KG = 20.0
"""From this mass on two people carry it."""


class PlacingStep(Struct, frozen=True):
    """One line of the sheet: fetch this, set it there; the figures tell which edge they begin at."""

    number: int
    placement: str
    item: str
    name: str
    room: str
    ledge: str
    ledge_id: str
    along: TapeFigure | None
    across: TapeFigure | None
    upward: TapeFigure | None
    support: str
    pose: str
    size: tuple[float, float, float]
    note: str

    @property
    def how(self) -> str:
        """The pose in words, empty when it just stands."""
        return "" if self.pose == "upright" else self.pose


def working_order(arrangement: Arrangement) -> tuple[PlacingStep, ...]:
    """Return the steps of placing a look.

    Ledge by ledge from the top down, so that no arm reaches over what stands; on a ledge the back
    before the front and the largest first; and never a thing before what carries it.
    """
    placed_items = arrangement.placed_items
    bulk = {placed.id: _bulk(arrangement, placed) for placed in placed_items}
    ledge_rank = {
        ledge.id: rank
        for rank, ledge in enumerate(sorted(arrangement.piece.ledges, key=lambda ledge: (-ledge.floor, ledge.left)))
    }

    def key(placed: PlacedItem) -> tuple[float, float, str]:
        return (ledge_rank[placed.ledge.id], -bulk[placed.root], placed.root)

    ordered: list[PlacedItem] = []
    for root in sorted((s for s in placed_items if s.placement.host is None), key=key):
        ordered += _with_carried(root, placed_items)
    return tuple(
        _step(number, placed, arrangement, ordered[: number - 1]) for number, placed in enumerate(ordered, start=1)
    )


def _bulk(arrangement: Arrangement, placed: PlacedItem) -> float:
    """How large the whole thing on one spot is, a little more when it stands at the back."""
    area = sum(other.area for other in arrangement.placed_items if other.root == placed.root)
    return area * (1 + 0.5 * placed.z / max(placed.ledge.depth, 1.0))


def _with_carried(root: PlacedItem, placed_items: tuple[PlacedItem, ...]) -> list[PlacedItem]:
    carried = [placed for placed in placed_items if placed.placement.host == root.id]
    carried.sort(key=lambda placed: (-placed.area, placed.id))
    return [root, *(step for placed in carried for step in _with_carried(placed, placed_items))]


def _step(number: int, placed: PlacedItem, arrangement: Arrangement, before: list[PlacedItem]) -> PlacingStep:
    placement, item = placed.placement, placed.item
    host = arrangement.by_id.get(placement.host) if placement.host else None
    goes_along = placement.inside is not None or placement.pose == "draped"
    if host is None:
        support = "the wall" if placement.pose == "hung" else "the ledge"
    else:
        support = f"{'inside' if placement.inside else 'over' if goes_along else 'on'} {host.item.label}"
    notes = []
    if item.mass is not None and item.mass >= HEAVY_KG:
        notes.append(f"{item.mass:g} kg: {'two people' if item.mass >= VERY_HEAVY_KG else 'two hands'}")
    notes += [
        word
        for trait, word in (("fragile", "fragile"), ("rolls", "stop it rolling"), ("sharp", "sharp"))
        if trait in item.traits
    ]
    if placement.turn:
        notes.append(f"turned {placement.turn:g}°")
    return PlacingStep(
        number=number,
        placement=placement.id,
        item=item.id,
        name=item.label,
        room=item.room,
        ledge=placed.ledge.label,
        ledge_id=placed.ledge.id,
        along=None if goes_along else along(placed, before, host),
        across=None if goes_along else across(placed, host),
        upward=upward(placed),
        support=support,
        pose=placement.pose,
        size=(item.width, item.height, item.depth),
        note=", ".join(notes),
    )
