"""Every fault in steps: what gets worse reads worse, strictly, over the whole plausible range."""

from collections.abc import Callable
from itertools import pairwise

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.piece import Fixture, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts.gallery import STARTS
from jolly_ledge.readings.register import NAMES, assess, loss_of, read_one
from judgement import doses
from judgement.looks import Composed, composed_looks

URN = thing("urn", width=160.0, height=260.0, depth=160.0, silhouette="urn")
JAR = thing("jar", width=110.0, height=150.0, depth=110.0, colours=(("#efe8d8", 1.0),))
DISH = thing("dish", "bowl", width=140.0, height=60.0, depth=140.0, colours=(("#7a5233", 1.0),))


NOT_YET = {"mantel-2": ["sketch"]}
"""Layered pictures on a mantel are still put below fewer things."""


def start(name: str) -> Piece:
    return next(one for one in STARTS if one.id == name).make()


def on_top(piece: Piece, items: tuple[Item, ...], *places: Placement) -> Arrangement:
    look = Look(id="look", piece=piece.id, placements=places)
    return arrange(Plan(pieces=(piece,), stash=items, looks=(look,)), look)


def scattered(step: int) -> Arrangement:
    gap = 20.0 + 45.0 * step
    places = tuple(put(item.id, x=120.0 + n * (130.0 + gap), z=150.0) for n, item in enumerate((URN, JAR, DISH)))
    return arranged((URN, JAR, DISH), places, case_of(1))


def behind(step: int) -> Arrangement:
    places = (put("jar", x=300.0, z=220.0), put("urn", x=415.0 - 25.0 * step, z=80.0))
    return arranged((URN, JAR), places, case_of(1))


def before_a_mirror(step: int) -> Arrangement:
    mirror = Fixture(kind="mirror", left=300.0, floor=150.0, width=300.0, height=300.0)
    tall = thing("tall", "box", width=40.0 + 35.0 * step, height=330.0, depth=100.0)
    return arranged((tall,), (put("tall", x=440.0),), case_of(1, fixtures=(mirror,)))


def many(step: int) -> Arrangement:
    items = tuple(thing(f"t{n}", width=40.0, depth=40.0) for n in range(5 + 2 * step))
    places = tuple(put(item.id, x=25.0 + 45.0 * n, z=150.0) for n, item in enumerate(items))
    return arranged(items, places, case_of(1))


def few(step: int) -> Arrangement:
    items = tuple(thing(f"t{n}", width=40.0, depth=40.0) for n in range(6 - step))
    places = tuple(put(item.id, x=60.0 + 120.0 * n, z=150.0) for n, item in enumerate(items))
    return arranged(items, places, case_of(2))


def loud(step: int) -> Arrangement:
    ball = thing("ball", "object", width=30.0 + 25.0 * step, height=30.0 + 25.0 * step, depth=60.0, silhouette="sphere",
                 colours=(("#e6007e", 1.0),))  # fmt: skip
    return arranged((URN, ball), (put("urn", x=200.0), put("ball", x=500.0)), case_of(1))


def aside(step: int) -> Arrangement:
    piece = start("coffee-table")
    return on_top(piece, (URN,), put("urn", "top", x=piece.width / 2 + 50.0 * step, z=piece.depth / 2))


def grown(step: int) -> Arrangement:
    twigs = thing("twigs", "stems", width=120.0, height=650.0 + 130.0 * step, depth=120.0)
    return arranged((URN, twigs), (put("urn"), put("twigs", inside="urn", x=None, z=None)), case_of(1))


def reach(step: int) -> Arrangement:
    cup = thing("cup", traits=("daily-use",))
    return arranged((cup,), (put("cup", f"a{4 + step}"),), case_of(9))


WITHOUT_A_DOSE = {
    "odd-groups": "a count is even or odd",
    "cohesion": "what is drawn apart is held by grouping",
    "layering": "depth has bands, not a length",
    "figure": "a figure is made or not",
    "colour-echo": "a colour comes again or not",
    "working-room": "what it asks for differs with the use",
}
"""Readings that go by steps of their own."""

DOSES: dict[str, tuple[str, Callable[[int], Arrangement], int]] = {
    "things drawn apart": ("grouping", scattered, 5),
    "a thing goes behind another": ("covered", behind, 6),
    "a mirror is covered": ("kept-clear", before_a_mirror, 7),
    "more and more things": ("how-many", many, 5),
    "fewer and fewer things": ("how-many", few, 5),
    "a loud thing grows": ("palette", loud, 7),
    "off the middle of a table": ("side-balance", aside, 7),
    "stems outgrow their vessel": ("scale", grown, 5),
    "daily things higher and higher": ("must-haves", reach, 5),
}


@pytest.mark.parametrize(("reading", "look", "steps"), DOSES.values(), ids=DOSES)
def test_worse_is_worse_even_when_it_is_bad_already(
    reading: str, look: Callable[[int], Arrangement], steps: int
) -> None:
    losses = []
    for step in range(steps):
        found = read_one(reading, look(step))
        assert found is not None
        losses.append(loss_of(found))
    assert all(two > one + 1e-6 for one, two in pairwise(losses)), losses


EVERYWHERE = [(fault, kind) for fault, (_, _, _, kinds) in doses.DOSES.items() for kind in kinds]


@pytest.mark.parametrize(("fault", "kind"), EVERYWHERE)
def test_every_fault_is_worse_the_worse_it_gets_on_every_kind(fault: str, kind: str) -> None:
    reading, dose, steps, _ = doses.DOSES[fault]
    piece = doses.start(kind)
    ledge = doses.main_ledge(piece)
    losses = []
    for step in range(steps):
        found = read_one(reading, dose(piece, ledge, step))
        assert found is not None
        losses.append(loss_of(found))
    assert all(two > one + 1e-6 for one, two in pairwise(losses)), losses


def test_every_reading_has_a_dose_or_a_reason_for_none() -> None:
    held = {reading for reading, _, _, _ in doses.DOSES.values()} | {reading for reading, _, _ in DOSES.values()}
    assert NAMES.keys() - held == WITHOUT_A_DOSE.keys()


@pytest.mark.parametrize("name", ["console", "coffee-table", "nightstand", "dining-table", "mantel", "island"])
def test_a_thing_is_lost_when_small_and_too_much_when_large(name: str) -> None:
    piece = start(name)
    losses = []
    for factor in (0.2, 0.4, 0.7, 1.0, 1.6, 2.6, 4.0):
        side = (piece.width * piece.depth) ** 0.5
        urn = thing(
            "urn", width=0.3 * side * factor, height=0.55 * side * factor, depth=min(0.3 * side * factor, 160.0)
        )
        found = read_one("scale", on_top(piece, (urn,), put("urn", "top", x=piece.width / 2, z=piece.depth / 2)))
        assert found is not None
        losses.append(loss_of(found))
    best = losses.index(min(losses))
    assert 0 < best < len(losses) - 1, losses
    assert losses[0] > losses[best] + 0.05
    assert losses[-1] > losses[best] + 0.05


def test_a_mirror_is_the_same_mirror_however_it_is_told() -> None:
    wall = start("console")
    frame = next(fixture for fixture in wall.fixtures if fixture.kind == "mirror")
    bare = Piece(**{name: getattr(wall, name) for name in wall.__struct_fields__} | {"fixtures": ()})
    top = wall.ledge("wall") if any(ledge.id == "wall" for ledge in wall.ledges) else wall.ledges[-1]
    glass = thing("glass", "mirror", width=frame.width, height=frame.height, depth=20.0, silhouette="frame")
    urn = thing("urn", width=200.0, height=500.0, depth=200.0)
    stands = put("urn", "top", x=frame.left + 60.0, z=150.0)
    hung = put(
        "glass", top.id, x=frame.left + frame.width / 2 - top.left, z=None, y=frame.floor - top.floor, pose="hung"
    )
    fixed = read_one("kept-clear", on_top(wall, (urn,), stands))
    told = read_one("kept-clear", on_top(bare, (urn, glass), stands, hung))
    assert fixed is not None
    assert told is not None
    assert loss_of(told) == pytest.approx(loss_of(fixed), abs=1e-6)


@pytest.mark.parametrize("look", composed_looks(), ids=lambda look: look.name)
def test_a_composed_look_reads_before_what_was_put_below_it(look: Composed) -> None:
    own = assess(look.arrangement).score
    assert own > 0.5
    below = [worse.id for worse in look.worse if assess(arrange(look.plan, worse)).score >= own]
    assert below == NOT_YET.get(look.name, [])
