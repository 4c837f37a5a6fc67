"""What may be done to a thing is offered among the mends; what is borrowed or dear never is."""

from typing import Any

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.drawing.items import item_shapes
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.item import Covers, Item
from jolly_ledge.model.words import MadeOver
from jolly_ledge.planning.tools import tools_for
from jolly_ledge.proposals.made_over import is_left_alone, made_over
from jolly_ledge.proposals.mend import mends
from jolly_ledge.proposals.moves import moves_for
from jolly_ledge.readings.register import assess

LOUD, SAND, STONE = "#e01f2f", "#d8c6a2", "#a9a49a"


def loud(*may_be: MadeOver, **changes: Any) -> Item:
    return thing("jug", colours=((LOUD, 1.0),), may_be=may_be, **changes)


def labels(item: Item, *palette: str) -> list[str]:
    items = (item, thing("vase", colours=((SAND, 1.0),)), thing("pot", colours=((STONE, 1.0),), width=80.0))
    look = arranged(items, (put("jug", x=150.0), put("vase", x=400.0), put("pot", x=600.0)), palette=palette)
    return [move.label for move in made_over(look, look.by_id["jug"])]


def test_only_what_is_allowed_is_offered() -> None:
    assert labels(loud()) == []
    painted = labels(loud("painted"))
    assert painted
    assert all(label.startswith("Paint the jug ") for label in painted)
    assert labels(loud("toned")) == ["Tone the jug down"]
    assert labels(thing("jug", colours=((STONE, 1.0),), may_be=("toned",))) == []


def test_a_told_palette_gives_the_paints() -> None:
    assert labels(loud("painted"), "#23757a", LOUD) == ["Paint the jug teal"]


@pytest.mark.parametrize(
    "changes",
    [{"status": "borrowed"}, {"borrowed_from": "the neighbour"}, {"traits": ("sentimental",)}, {"status": "to-buy"}],
)
def test_what_is_borrowed_or_dear_is_left_alone(changes: dict[str, Any]) -> None:
    item = loud("painted", "toned", **changes)
    assert is_left_alone(item)
    assert labels(item) == []


def test_a_jacket_comes_off_where_the_board_is_known() -> None:
    book = thing("jug", "book", covers=Covers(jacket=LOUD, board=SAND))
    assert labels(book) == ["Take the jacket off the jug"]
    off = thing("jug", "book", covers=Covers(jacket=LOUD, board=SAND, jacket_off=True))
    assert labels(off) == ["Put the jacket of the jug on again"]
    assert labels(thing("jug", "book", covers=Covers(jacket=LOUD))) == []


def test_a_loud_thing_is_mended_by_paint_and_the_look_stays_as_it_is() -> None:
    quiet = tuple(thing(f"v{n}", colours=((SAND, 1.0),), height=150.0 + 40 * n) for n in range(4))
    places = tuple(put(f"v{n}", x=120.0 + 130 * n) for n in range(4))
    plan = plan_of((loud("painted", "toned"), *quiet), (*places, put("jug", x=700.0)), case_of(1))
    look = plan.looks[0]
    finding = next(f for f in assess(arrange(plan, look)).findings if f.reading == "palette" and "jug" in f.placements)
    found = mends(plan, look, finding, most=8)
    over = next(mend for mend in found if mend.label.startswith(("Paint", "Tone")))
    changed = over.edit.apply(plan)
    assert changed.looks == plan.looks
    assert changed.item("jug").colours == plan.item("jug").colours
    assert changed.item("jug").repaint is not None
    assert over.gain > 0


def test_paint_is_on_the_list_of_what_is_needed() -> None:
    items = (loud(repaint=SAND), thing("vase", repaint=SAND), thing("pot"))
    look = arranged(items, (put("jug", x=150.0), put("vase", x=400.0), put("pot", x=600.0)))
    (paint,) = [tool.said for tool in tools_for(look) if "paint" in tool.name]
    assert f"paint ({SAND}), about " in paint
    assert "two coats for the jug and the vase; done two days before" in paint
    assert not [tool for tool in tools_for(arranged((thing("pot"),), (put("pot"),))) if "paint" in tool.name]


def test_a_bare_router_is_masked_by_what_stands_beside_it() -> None:
    router = thing("router", "device", width=200.0, height=60.0, depth=120.0, traits=("mask",))
    fern, vase = thing("fern", "plant", width=220.0, depth=120.0), thing("vase", height=30.0)
    places = (put("router", x=600.0, z=230.0), put("fern", x=200.0, z=150.0), put("vase", x=400.0))
    plan = plan_of((router, fern, vase), places, case_of(1))
    look = plan.looks[0]
    finding = next(f for f in assess(arrange(plan, look)).findings if "masked" in f.sentence)
    labels = [move.label for move in moves_for(plan, look, arrange(plan, look), finding) if move.kind == "mask"]
    assert labels == ["Set the fern before the router"]
    move = next(m for m in moves_for(plan, look, arrange(plan, look), finding) if m.kind == "mask")
    after = move.edit.apply(plan)
    assert not [f for f in assess(arrange(after, after.looks[0])).findings if "masked" in f.sentence]
    locked = replace(look, placements=tuple(replace(p, locked=p.id == "fern") for p in look.placements))
    kept = moves_for(plan, locked, arrange(plan, locked), finding)
    assert not [move for move in kept if move.kind == "mask"]


def test_a_part_is_painted_with_the_rest_masked_and_the_tape_is_on_the_list() -> None:
    item = loud("part-painted")
    offered = labels(item, SAND)
    assert offered == ["Paint a part of the jug ochre"]
    painted = replace(item, repaint=SAND, part_painted=True)
    shown = dict(painted.shown_colours)
    assert shown[SAND] > shown[LOUD] > 0
    assert sum(shown.values()) == pytest.approx(1.0)
    tools = [tool.said for tool in tools_for(arranged((painted,), (put("jug"),)))]
    assert any("masking tape" in said and "the jug" in said for said in tools)


def test_another_finish_is_offered_where_it_is_allowed_and_can_be_laid() -> None:
    item = loud("refinished", finish="satin")
    assert labels(item) == ["Varnish the jug matt", "Varnish the jug to a gloss", "Lay leaf metal on the jug"]
    assert labels(replace(item, refinish="gloss")) == ["Varnish the jug matt", "Lay leaf metal on the jug"]
    assert labels(replace(item, finish="clear")) == labels(replace(item, finish="woven")) == []
    gilt = replace(item, refinish="metal")
    assert (gilt.shown_finish, gilt.finish) == ("metal", "satin")
    tools = [tool.said for tool in tools_for(arranged((gilt,), (put("jug"),)))]
    assert any("leaf metal" in said and "two days before" in said for said in tools)


def test_a_new_finish_is_read_and_drawn() -> None:
    dull = thing("jug", colours=((LOUD, 1.0),), finish="matt")
    shiny = replace(dull, refinish="metal")
    vase = thing("vase", colours=((SAND, 1.0),), finish="metal", width=120.0)
    before, after = (arranged((one, vase), (put("jug", x=150.0), put("vase", x=500.0))) for one in (dull, shiny))
    assert assess(before).score != assess(after).score
    assert item_shapes(dull) != item_shapes(shiny)
