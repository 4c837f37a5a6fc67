"""The same scene told otherwise reads the same, to the last digit."""

from collections.abc import Iterator

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.piece import Fixture, Ledge, Wish
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings.register import assess, read_one
from jolly_ledge.scene.as_seen import as_seen
from judgement.looks import Composed, composed_looks

EXACT = 1e-6
LOOKS = composed_looks()


def read(plan: Plan, look: Look) -> dict[str, float]:
    return {reading.id: reading.loss or 0.0 for reading in assess(arrange(plan, look)).readings}


def assert_same(one: dict[str, float], other: dict[str, float], but: frozenset[str] = frozenset()) -> None:
    assert one.keys() - but == other.keys() - but
    for name in one.keys() - but:
        assert one[name] == pytest.approx(other[name], abs=EXACT), name


def in_two_parts(look: Composed, category: str) -> tuple[Plan, Look, int]:
    """Return a look in which every block of a category is told in two halves, and how many there were."""
    items = {item.id: item for item in look.plan.stash}
    stash, placements, halved = list(look.plan.stash), [], {}
    for placement in look.look.placements:
        item = items[placement.item]
        if item.category != category or placement.turn:
            placements.append(placement)
            continue
        row = category == "book-row"
        half = {"width": item.width / 2} if row else {"height": item.height / 2}
        mass = None if item.mass is None else item.mass / 2
        for part in "ab":
            stash.append(replace(item, id=item.id + part, mass=mass, **half))
        along = item.width / 4 if row else 0.0
        x = placement.x or 0.0
        first = replace(placement, id=placement.id + "a", item=item.id + "a", x=x - along)
        second = replace(placement, id=placement.id + "b", item=item.id + "b", x=x + along)
        placements += [first, second if row else replace(second, on=first.id)]
        halved[placement.id] = first.id if row else second.id
    guests = tuple(replace(one, on=halved.get(one.on or "", one.on)) for one in placements)
    changed = replace(look.look, placements=guests)
    return replace(look.plan, stash=tuple(stash), looks=(changed,)), changed, len(halved)


def with_blocks(category: str) -> Iterator[Composed]:
    for look in LOOKS:
        held = {item.id for item in look.plan.stash if item.category == category}
        if any(placement.item in held for placement in look.look.placements):
            yield look


@pytest.mark.parametrize("category", ["book-row", "book-stack"])
def test_a_block_in_two_parts_is_one_block(category: str) -> None:
    seen = 0
    for look in with_blocks(category):
        plan, changed, count = in_two_parts(look, category)
        seen += count
        assert_same(read(look.plan, look.look), read(plan, changed))
    assert seen >= 8


@pytest.mark.parametrize("look", [one for one in LOOKS if one.arrangement.piece.kind in ("bookcase", "wall-shelves")],
                         ids=lambda look: look.name)  # fmt: skip
def test_an_open_case_reads_as_one_whose_doors_stand_open(look: Composed) -> None:
    piece = look.plan.piece(look.look.piece)
    doors = replace(piece, doors="glazed", seen_shut=False)
    assert_same(read(look.plan, look.look), read(replace(look.plan, pieces=(doors,)), look.look))


@pytest.mark.parametrize("look", [one for one in LOOKS if one.arrangement.piece.kind == "console"],
                         ids=lambda look: look.name)  # fmt: skip
def test_a_console_reads_as_a_sideboard_of_its_size(look: Composed) -> None:
    piece = look.plan.piece(look.look.piece)
    other = replace(piece, build="" if piece.build else "sideboard")
    # What is kept there differs by its use, not by what is seen.
    assert_same(read(look.plan, look.look), read(replace(look.plan, pieces=(other,)), look.look), {"must-haves"})  # type: ignore[arg-type]


@pytest.mark.parametrize("look", [one for one in LOOKS if one.arrangement.piece.kind == "console"],
                         ids=lambda look: look.name)  # fmt: skip
def test_a_console_reads_as_a_counter_of_its_size_that_nobody_works_at(look: Composed) -> None:
    piece = look.plan.piece(look.look.piece)
    other = replace(piece, kind="counter")
    assert_same(read(look.plan, look.look), read(replace(look.plan, pieces=(other,)), look.look))
    worked = replace(other, use=("cooking",))
    assert read(look.plan, look.look) != read(replace(look.plan, pieces=(worked,)), look.look)


def rows(*places: tuple[str, float], **more: object) -> Arrangement:
    items = tuple(thing(name, "book-row", width=200.0, height=240.0, depth=160.0, **more) for name, _ in places)
    return arranged(items, tuple(put(name, x=x) for name, x in places), case_of(1))


def test_blocks_are_joined_only_where_they_touch_and_are_alike() -> None:
    assert len(as_seen(rows(("a", 200.0), ("b", 400.0), ("c", 600.0))).placed_items) == 1
    apart = rows(("a", 200.0), ("b", 430.0))
    assert as_seen(apart) is apart
    alone = rows(("a", 200.0))
    assert as_seen(alone) is alone
    other = thing("b", "book-row", width=200.0, height=240.0, depth=160.0, colours=(("#2f4f7f", 1.0),))
    first = thing("a", "book-row", width=200.0, height=240.0, depth=160.0)
    mixed = arranged((first, other), (put("a", x=200.0), put("b", x=400.0)), case_of(1))
    assert as_seen(mixed) is mixed


def test_what_stands_on_a_part_stands_on_the_whole() -> None:
    piles = tuple(thing(name, "book-stack") for name in ("low", "high"))
    bowl = thing("bowl", "bowl", width=150.0, depth=150.0)
    look = arranged((*piles, bowl), (put("low"), put("high", on="low"), put("bowl", on="high")), case_of(1))
    joined = as_seen(look)
    assert joined.by_id["bowl"].placement.on == "low"
    assert joined.by_id["low"].height == 180.0
    assert joined.by_id["bowl"].bottom == look.by_id["bowl"].bottom


def test_a_part_that_is_wished_somewhere_or_is_of_another_use_stays_itself() -> None:
    pair = tuple(thing(name, "book-row", width=200.0, height=240.0, depth=160.0) for name in ("a", "b"))
    places = (put("a", x=200.0), put("b", x=400.0))
    wish = Wish(kind="only-on", items=("b",), ledges=("a2",))
    wished = arranged(pair, places, case_of(2, wishes=(wish,)))
    assert as_seen(wished) is wished
    reading = read_one("must-haves", wished)
    assert reading is not None
    assert any("wished on a2" in finding.sentence for finding in reading.findings)
    daily = arranged((pair[0], replace(pair[1], traits=("daily-use",))), places, case_of(1))
    assert as_seen(daily) is daily


def as_a_thing(fixture: Fixture, behind: str) -> Item:
    """Return a fixed mirror or picture as a thing that hangs."""
    return thing(
        f"hung-{fixture.left:.0f}", fixture.kind, width=fixture.width, height=fixture.height, depth=20.0,
        finish="gloss" if fixture.kind == "mirror" else "matt", colours=((fixture.colour or behind, 1.0),),
        silhouette="disc" if fixture.shape == "ellipse" else "",
    )  # fmt: skip


WITH_PICTURES = [
    look for look in LOOKS if any(one.kind in ("mirror", "art") for one in look.arrangement.piece.fixtures)
]


@pytest.mark.parametrize("look", WITH_PICTURES, ids=lambda look: look.name)
def test_a_mirror_or_a_picture_reads_the_same_fixed_and_hung(look: Composed) -> None:
    piece = look.plan.piece(look.look.piece)
    fixed = [one for one in piece.fixtures if one.kind in ("mirror", "art")]
    wall = next((one for one in piece.ledges if one.is_wall), None) or Ledge(
        id="wall", left=0.0, floor=0.0, width=piece.width, depth=30.0, surface="wall"
    )
    things = [as_a_thing(one, piece.backdrop_of(wall)) for one in fixed]
    places = [
        Placement(id=item.id, item=item.id, ledge=wall.id, pose="hung", x=one.left + one.width / 2 - wall.left,
                  y=one.floor - wall.floor)
        for item, one in zip(things, fixed, strict=True)
    ]  # fmt: skip
    ledges = piece.ledges if wall in piece.ledges else (*piece.ledges, wall)
    hung = replace(piece, ledges=ledges, fixtures=tuple(one for one in piece.fixtures if one not in fixed))
    changed = replace(look.look, placements=(*look.look.placements, *places))
    plan = replace(look.plan, pieces=(hung,), stash=(*look.plan.stash, *things))
    assert_same(read(look.plan, look.look), read(plan, changed))


def test_what_is_fixed_is_seen_but_no_finding_asks_to_move_it() -> None:
    art = Fixture(kind="art", left=100.0, floor=1250.0, width=600.0, height=500.0, colour="#c03020")
    look = arranged((thing("a", "vessel"), thing("b", "bowl")), (put("a", x=200.0), put("b", x=600.0)),
                    case_of(1, fixtures=(art,)))  # fmt: skip
    read_it = assess(look)
    tie = read_it.reading("palette")
    assert tie is not None
    assert tie.loss != assess(arranged((thing("a", "vessel"), thing("b", "bowl")),
                                       (put("a", x=200.0), put("b", x=600.0)), case_of(1))).reading("palette").loss  # type: ignore[union-attr] # fmt: skip
    named = {one for finding in read_it.findings for one in finding.placements}
    named |= {one for reading in read_it.readings for one, _ in reading.contributions}
    assert named <= {"a", "b"}
