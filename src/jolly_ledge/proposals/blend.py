"""Blend: some ledges from one look, some from another, and no thing twice."""

from collections.abc import Mapping

from msgspec.structs import replace

from jolly_ledge.model.look import Look, Placement
from jolly_ledge.proposals.problem import without


def blend(base: Look, parts: Mapping[str, Look]) -> Look:
    """Return a look with some ledges taken from other looks of the same piece.

    Parameters
    ----------
    base : Look
        Where the ledges come from that nobody else gives.
    parts : mapping of ledge id to Look
        Whose ledge it is to be.

    Notes
    -----
    What a chosen ledge brings is taken away elsewhere, with all that stands on it there. Placements are told apart by
    the thing they show, so that ids of different looks do not meet.
    """
    chosen: list[Placement] = []
    for ledge, look in parts.items():
        chosen += _renamed(look, {p.id for p in look.placements if p.ledge == ledge})
    brought = {placement.item for placement in chosen}
    dropped = {p.id for p in base.placements if p.ledge in parts or p.item in brought}
    kept = _renamed(base, {placement.id for placement in without(base.placements, dropped)})
    seen: set[str] = set()
    placements = []
    for placement in (*chosen, *kept):
        if placement.item not in seen and (placement.host is None or placement.host in seen):
            seen.add(placement.item)
            placements.append(placement)
    return replace(base, placements=tuple(placements))


def _renamed(look: Look, wanted: set[str]) -> list[Placement]:
    """Return placements under the names of their things, those that carry before those that are carried."""
    by_id = {placement.id: placement for placement in look.placements}

    def host_of(placement: Placement | None) -> str | None:
        return None if placement is None or placement.host is None else by_id[placement.host].item

    def depth(placement: Placement) -> int:
        return 0 if placement.host is None else 1 + depth(by_id[placement.host])

    ordered = sorted((by_id[identifier] for identifier in by_id if identifier in wanted), key=depth)
    return [
        replace(
            p, id=p.item, on=host_of(p) if p.on is not None else None,
            inside=host_of(p) if p.inside is not None else None,
        )
        for p in ordered
    ]  # fmt: skip
