"""Large plans to measure with: the same every time."""

import random

from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan


def demo_items() -> tuple[Item, ...]:
    return plan_from_json(demo_bytes()).stash


def wide_piece(bays: int = 3, shelves: int = 4) -> Piece:
    ledges = tuple(
        Ledge(
            id=f"{bay}-{shelf}",
            left=20.0 + bay * 820,
            floor=80.0 + shelf * 440,
            width=800.0,
            depth=320.0,
            clearance=420.0,
        )
        for bay in range(bays)
        for shelf in range(shelves)
    )
    return Piece(
        id="wide",
        kind="bookcase",
        width=20.0 + bays * 820,
        height=80.0 + shelves * 440,
        depth=340.0,
        backdrop="#3f4f5a",
        ledges=ledges,
    )


def large_look(count: int, piece: Piece, items: tuple[Item, ...], identifier: str = "look") -> Look:
    """Return a look of ``count`` placements spread over all ledges, every seventh on a stack."""
    rng = random.Random(7)
    placements: list[Placement] = []
    for index in range(count):
        ledge = piece.ledges[index % len(piece.ledges)]
        slot = index // len(piece.ledges)
        x = 60 + slot * 110 + rng.uniform(-10, 10)
        placements.append(
            Placement(
                id=f"p{index}",
                item=items[index].id,
                ledge=ledge.id,
                x=min(x, ledge.width - 40),
                z=rng.uniform(90, 230),
            )
        )
    return Look(id=identifier, piece=piece.id, manner=Manner(), placements=tuple(placements))


def copies(count: int) -> tuple[Item, ...]:
    """Return ``count`` things that vary the demo's."""
    import msgspec

    known = demo_items()
    return tuple(
        msgspec.structs.replace(
            known[index % len(known)], id=f"thing-{index}", width=known[index % len(known)].width * 0.6
        )
        for index in range(count)
    )


def look_of_eighty() -> Plan:
    """Return a plan of 12 ledges and 80 placements."""
    piece, items = wide_piece(), copies(120)
    return Plan(name="eighty", pieces=(piece,), stash=items, looks=(large_look(80, piece, items),))


def large_plan() -> Plan:
    """Return a plan of 2,000 items and 100 looks of 60 placements."""
    piece, items = wide_piece(), copies(2_000)
    looks = tuple(large_look(60, piece, items[index * 10 :], f"look-{index}") for index in range(100))
    return Plan(name="large", pieces=(piece,), stash=items, looks=looks)


def stash_of(count: int) -> Plan:
    """Return a plan with a stash of so many things, of varied sizes, colours and rooms."""
    import msgspec

    rng = random.Random(11)
    items = tuple(
        msgspec.structs.replace(
            item,
            name=f"{item.label} {index}",
            height=round(item.height * rng.uniform(0.6, 1.4)),
            colours=((f"#{rng.randrange(1 << 24):06x}", 1.0),),
        )
        for index, item in enumerate(copies(count))
    )
    piece = wide_piece()
    return Plan(name="stash", pieces=(piece,), stash=items, looks=(large_look(20, piece, items),))
