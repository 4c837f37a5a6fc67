"""What belongs where: the rows that matter, as a table."""

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, thing
from jolly_ledge.model.belonging import WORTH, comes_by_kind, rule_for, verdict_on, welcome
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Fixture, Ledge, Piece
from jolly_ledge.model.roles import role_of, room_of
from jolly_ledge.model.starts.gallery import STARTS, begin
from jolly_ledge.model.words import CATEGORIES
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals


def furniture(kind: str, **changes: object) -> Piece:
    """Return a piece with a lower ledge ``low`` and a top ``top`` that is open above."""
    low = Ledge(id="low", left=0, floor=150, width=1200, depth=350, clearance=500)
    top = Ledge(id="top", left=0, floor=800, width=1200, depth=350)
    return replace(case_of(1), **{"kind": kind, "width": 1200.0, "height": 800.0, "ledges": (low, top), **changes})


CASE = case_of(3)
NIGHTSTAND, CONSOLE, TABLE = furniture("nightstand"), furniture("console"), furniture("coffee-table")
COUNTER, DINING = furniture("counter"), furniture("dining-table")


@pytest.mark.parametrize(
    ("item", "piece", "ledge", "verdict"),
    [
        (thing("lamp", "lamp"), NIGHTSTAND, "top", "belongs"),
        (thing("lamp", "lamp"), CONSOLE, "top", "belongs"),
        (thing("lamp", "lamp"), COUNTER, "top", "asked"),
        (thing("lamp", "lamp"), CASE, "a1", "seldom"),
        (thing("lamp", "lamp", height=600.0), CASE, "a1", "asked"),
        (thing("lamp", "lamp"), replace(CASE, doors="glazed"), "a1", "asked"),
        (thing("globe", "object"), COUNTER, "top", "by-hand"),
        (thing("bust", "sculpture"), COUNTER, "top", "by-hand"),
        (thing("globe", "object"), CONSOLE, "top", "belongs"),
        (thing("ladle", "utensils"), COUNTER, "top", "belongs"),
        (thing("ladle", "utensils"), CASE, "a1", "asked"),
        (thing("kettle", "appliance"), COUNTER, "top", "belongs"),
        (thing("kettle", "appliance"), CASE, "a1", "asked"),
        (thing("plates", "tableware"), DINING, "top", "belongs"),
        (thing("plates", "tableware"), CASE, "a1", "asked"),
        (thing("glass", "tableware", width=80.0), NIGHTSTAND, "top", "may"),
        (thing("plates", "tableware"), replace(CASE, purpose="shows the family china"), "a1", "belongs"),
        (thing("picture", "frame"), CASE, "a1", "belongs"),
        (thing("picture", "frame"), TABLE, "top", "asked"),
        (thing("atlas", "book"), TABLE, "top", "belongs"),
        (thing("atlas", "book"), DINING, "top", "asked"),
        (thing("hamper", "basket", height=380.0, width=450.0), CASE, "a1", "belongs"),
        (thing("hamper", "basket", height=380.0, width=450.0), CASE, "a3", "asked"),
        (thing("router", "device"), CASE, "a1", "asked"),
        (thing("cup", "object", name="Football trophy"), CASE, "a1", "asked"),
        (thing("hub", "object", name="Wireless router"), CONSOLE, "top", "asked"),
        (thing("roll", "box", name="Box of tissues"), NIGHTSTAND, "top", "asked"),
        (thing("glass", "tableware", material="glass"), replace(TABLE, use=("tea",)), "top", "asked"),
        (thing("urn", name="Urn", material="cast iron"), CASE, "a1", "belongs"),
        (thing("bucket", name="Wrought iron bucket"), CASE, "a1", "belongs"),
        (thing("iron", "object", name="Steam iron"), CASE, "a1", "asked"),
        (thing("cup", "object", name="Beaker", material="plastic"), CASE, "a1", "asked"),
        (thing("jar"), CASE, "a1", "belongs"),
        (thing("jar", traits=("hide",)), CASE, "a1", "asked"),
    ],
    ids=lambda value: value.label if isinstance(value, Item) else getattr(value, "kind", str(value)),
)  # fmt: skip
def test_a_thing_belongs_where_it_is_used(item: Item, piece: Piece, ledge: str, verdict: str) -> None:
    found, reason = verdict_on(item, piece, piece.ledge(ledge))
    assert found == verdict
    assert reason.endswith(".")
    assert welcome(item, piece, piece.ledge(ledge)) == WORTH[found]


def test_every_rule_tells_why_and_every_kind_of_thing_is_decided() -> None:
    told = {category: rule_for(category) for category in CATEGORIES}
    assert {category for category, rule in told.items() if rule is None} <= {"device", "supplies", "hanging"}
    assert all(rule.reason.endswith(".") for rule in told.values() if rule is not None)


def test_the_role_of_a_ledge_and_the_room_of_a_piece() -> None:
    assert [role_of(CONSOLE, ledge) for ledge in CONSOLE.ledges] == ["below", "top"]
    assert [role_of(TABLE, ledge) for ledge in TABLE.ledges] == ["below", "table"]
    assert role_of(COUNTER, COUNTER.ledge("top")) == "counter"
    assert role_of(CASE, CASE.ledge("a2")) == "shelf"
    assert [room_of(piece) for piece in (NIGHTSTAND, COUNTER, DINING, CONSOLE, CASE)] == [
        "bed", "kitchen", "dining", "hall", "living",
    ]  # fmt: skip
    for start in STARTS:
        piece = begin(start, set())
        assert {role_of(piece, ledge) for ledge in piece.ledges if ledge.is_wall} <= {"wall"}


def test_nothing_comes_before_a_fire() -> None:
    hearth = Ledge(id="hearth", left=300, floor=150, width=600, depth=300, clearance=700)
    fire = Fixture(kind="firebox", left=300.0, floor=150.0, width=600.0, height=650.0)
    mantel = furniture("mantel", ledges=(hearth,), fixtures=(fire,))
    assert welcome(thing("jar"), mantel, hearth) == 0.0
    assert welcome(thing("jar"), replace(mantel, fixtures=()), hearth) > 0.0


def test_what_is_meant_for_a_piece_comes_and_what_is_hidden_does_not() -> None:
    router = thing("hub", "device", meant_for=("case",))
    assert welcome(router, CASE, CASE.ledge("a1")) == WORTH["may"]
    assert welcome(replace(router, traits=("hide",)), CASE, CASE.ledge("a1")) == 0.0
    assert welcome(replace(router, meant_for=("other",)), CASE, CASE.ledge("a1")) == 0.0


@pytest.mark.parametrize("strategy", ["grouping", "annealing"])
def test_no_search_brings_what_comes_only_when_asked(strategy: str) -> None:
    silly = tuple(thing(f"hub{n}", "device", height=200.0 + 20 * n) for n in range(6))
    jars = tuple(thing(f"jar{n}", height=150.0 + 20 * n) for n in range(6))
    problem = problem_of(plan_of((*silly, *jars), (), case_of(2)), "case", Manner())
    (found,) = proposals([problem], 1, steps=60, strategy=strategy).found
    assert found.look.placements
    assert not any(placement.item.startswith("hub") for placement in found.look.placements)


def test_the_stylist_tells_what_may_come_to_a_piece() -> None:
    lamp = thing("lamp", "lamp")
    told = replace(COUNTER, comes=(("lamp", True), ("vessel", False)))
    assert verdict_on(lamp, told, told.ledge("top")) == ("belongs", f"You said so for {told.label}.")
    assert welcome(thing("jar"), told, told.ledge("top")) == 0
    assert welcome(thing("jar"), COUNTER, COUNTER.ledge("top")) > 0
    assert comes_by_kind("lamp", told)
    assert not comes_by_kind("vessel", told)
    assert not comes_by_kind("device", told)
