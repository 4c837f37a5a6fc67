"""The order in which a helper places things, with figures a tape can find."""

from msgspec import Struct

from jolly_ledge.model.arrangement import Arrangement, Standing

STEP_MM = 5.0


class PlacingStep(Struct, frozen=True):
    """One line of the sheet: fetch this, set it there (mm from the left end and the front edge)."""

    number: int
    placement: str
    item: str
    name: str
    room: str
    ledge: str
    from_left: float | None
    from_front: float | None
    over_ledge: float
    support: str
    pose: str
    size: tuple[float, float, float]
    note: str

    @property
    def how(self) -> str:
        """The pose in words, empty when it just stands."""
        return "" if self.pose == "upright" else self.pose


def tape(length: float) -> float:
    """Round to what a tape can find: 5 mm steps.

    >>> tape(123.4)
    125.0
    """
    return round(length / STEP_MM) * STEP_MM


def working_order(arrangement: Arrangement) -> tuple[PlacingStep, ...]:
    """Return the steps of placing a look.

    Ledge by ledge from the top down, so that no arm reaches over what stands; on a ledge the back
    before the front and the largest first; and never a thing before what carries it.
    """
    standings = arrangement.standings
    bulk = {standing.id: _bulk(arrangement, standing) for standing in standings}
    ledge_rank = {
        ledge.id: rank
        for rank, ledge in enumerate(sorted(arrangement.piece.ledges, key=lambda ledge: (-ledge.floor, ledge.left)))
    }

    def key(standing: Standing) -> tuple[float, float, str]:
        return (ledge_rank[standing.ledge.id], -bulk[standing.root], standing.root)

    ordered: list[Standing] = []
    for root in sorted((s for s in standings if s.placement.host is None), key=key):
        ordered += _with_carried(root, standings)
    return tuple(_step(number, standing, arrangement) for number, standing in enumerate(ordered, start=1))


def _bulk(arrangement: Arrangement, standing: Standing) -> float:
    """How large the whole thing on one spot is, a little more when it stands at the back."""
    area = sum(other.area for other in arrangement.standings if other.root == standing.root)
    return area * (1 + 0.5 * standing.z / max(standing.ledge.depth, 1.0))


def _with_carried(root: Standing, standings: tuple[Standing, ...]) -> list[Standing]:
    carried = [standing for standing in standings if standing.placement.host == root.id]
    carried.sort(key=lambda standing: (-standing.area, standing.id))
    return [root, *(step for standing in carried for step in _with_carried(standing, standings))]


def _step(number: int, standing: Standing, arrangement: Arrangement) -> PlacingStep:
    placement, item = standing.placement, standing.item
    host = arrangement.by_id.get(placement.host) if placement.host else None
    goes_along = placement.inside is not None or placement.pose == "draped"
    if host is None:
        support = "the wall" if placement.pose == "hung" else "the ledge"
    else:
        support = f"{'inside' if placement.inside else 'over' if goes_along else 'on'} {host.item.label}"
    notes = []
    if item.mass is not None and item.mass >= 8:
        notes.append(f"{item.mass:g} kg: two hands")
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
        ledge=standing.ledge.label,
        from_left=None if goes_along else tape(standing.left - standing.ledge.left),
        from_front=None if goes_along or placement.pose == "hung" else tape(max(standing.front, 0.0)),
        over_ledge=tape(standing.bottom - standing.ledge.floor),
        support=support,
        pose=placement.pose,
        size=(item.width, item.height, item.depth),
        note=", ".join(notes),
    )
