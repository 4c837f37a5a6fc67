"""Proposals obey what a ledge is meant for."""

import pytest
from msgspec.structs import replace

from households import household
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.measures.counts import things_on
from jolly_ledge.model.belonging import verdict_on
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.meant import Meant
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals


def with_meanings(plan: Plan, **by_ledge: Meant) -> Plan:
    (piece,) = plan.pieces
    ledges = tuple(replace(one, meant=by_ledge.get(one.id.replace("-", "_"), one.meant)) for one in piece.ledges)
    return replace(plan, pieces=(replace(piece, ledges=ledges),))


def proposed(plan: Plan, base: Look | None = None, steps: int = 24) -> dict[str, tuple[str, ...]]:
    """Return the things on each ledge of a proposal."""
    problem = problem_of(plan, plan.pieces[0].id, Manner(), base)
    (found,) = proposals([problem], 3, steps=steps).found
    on: dict[str, tuple[str, ...]] = {ledge.id: () for ledge in plan.pieces[0].ledges}
    for placement in found.look.placements:
        on[placement.ledge] = (*on[placement.ledge], placement.item)
    return on


@pytest.fixture(scope="module")
def plan() -> Plan:
    return household("bookcase", 2)[0]


def test_what_rests_stays_free_and_storage_gets_only_what_stores(plan: Plan) -> None:
    told = with_meanings(plan, shelf_1=Meant(purpose="store"), shelf_3=Meant(purpose="rest"))
    on = proposed(told)
    assert on["shelf-3"] == ()
    kinds = {told.item(item).category for item in on["shelf-1"]}
    assert kinds <= {"box", "basket"}
    assert on["shelf-2"]
    assert on["shelf-4"]


@pytest.mark.parametrize("purpose", ["leave", "collection"])
def test_what_is_left_as_it_is_stays_to_the_millimetre(plan: Plan, purpose: str) -> None:
    book = next(item for item in plan.stash if item.height < 300 and item.width < 200)
    stands = Placement(id="it", item=book.id, ledge="shelf-2", x=321.0, z=140.0)
    base = Look(id="now", piece=plan.pieces[0].id, placements=(stands,))
    told = replace(with_meanings(plan, shelf_2=Meant(purpose=purpose)), looks=(base,))  # type: ignore[arg-type]
    problem = problem_of(told, told.pieces[0].id, Manner(), base)
    (found,) = proposals([problem], 3, steps=20).found
    assert [one for one in found.look.placements if one.ledge == "shelf-2"] == [stands]


@pytest.mark.parametrize("seed", [3, 4, 5])
def test_one_statement_is_one_thing_and_what_it_stands_on(plan: Plan, seed: int) -> None:
    told = with_meanings(plan, shelf_3=Meant(purpose="statement"))
    problem = problem_of(told, told.pieces[0].id, Manner())
    (found,) = proposals([problem], seed, steps=60).found
    seen = arrange(replace(told, looks=(found.look,)), found.look)
    assert len(seen.stacks["shelf-3"]) == 1
    usual = [things_on(seen.by_ledge.get(f"shelf-{number}", ())) for number in (1, 2, 4)]
    assert 1 <= things_on(seen.by_ledge["shelf-3"]) <= 2
    assert max(usual) > things_on(seen.by_ledge["shelf-3"])


def test_where_nothing_is_to_be_dressed_a_sentence_says_so(plan: Plan) -> None:
    rest = Meant(purpose="rest")
    told = with_meanings(plan, shelf_1=rest, shelf_2=rest, shelf_3=rest, shelf_4=Meant(purpose="leave"))
    with pytest.raises(EditError, match=r"shelf 1 as a rest for the eye.*mean one to be dressed first"):
        problem_of(told, told.pieces[0].id, Manner())
    with pytest.raises(EditError, match="left as it is"):
        problem_of(told, told.pieces[0].id, Manner(), only_ledge="shelf-4")


def test_what_stores_belongs_where_things_are_stored_whatever_it_is_called(plan: Plan) -> None:
    piece = with_meanings(plan, shelf_1=Meant(purpose="store")).pieces[0]
    boots = Item(id="boots", category="box", width=400.0, height=250.0, depth=280.0, name="lidded boot box")
    cables = replace(boots, id="cables", name="box of cables", traits=("hide",))
    shelves = [piece.ledge(f"shelf-{number}") for number in (1, 2)]
    assert [verdict_on(boots, piece, shelf)[0] for shelf in shelves] == ["belongs", "asked"]
    assert [verdict_on(cables, piece, shelf)[0] for shelf in shelves] == ["asked", "asked"]
