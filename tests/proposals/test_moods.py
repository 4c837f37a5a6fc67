"""Moods of colour: what the stash can carry, looks that keep to them, and what they lack."""

from msgspec.structs import replace

from builders import plan_of, thing
from households import household
from jolly_ledge.model.hue_family import hue_family
from jolly_ledge.model.look import Manner
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.manners import manners_of
from jolly_ledge.proposals.moods import mood_said, moods_of
from jolly_ledge.proposals.problem import problem_of, problems_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.proposals.thing import Thing, palette_of


def large_household() -> Plan:
    return next(plan for seed in range(30) if len((plan := household("bookcase", seed)[0]).stash) > 110)


def test_a_large_stash_carries_several_moods_of_its_own_colours() -> None:
    plan = large_household()
    moods = moods_of(plan, plan.pieces[0])
    assert 3 <= len(moods) <= 4
    assert len({mood.name for mood in moods}) == len(moods)
    colours = {colour for item in plan.stash for colour, _ in item.colours}
    for mood in moods:
        assert set(mood.palette) <= colours
    hues = [frozenset(hue_family(colour) for colour in mood.palette) for mood in moods]
    assert len(set(hues)) == len(hues)


def test_a_stash_of_one_colour_carries_no_other() -> None:
    stash = tuple(thing(f"jar{number}", "vessel", colours=(("#b08a5c", 1.0),)) for number in range(12))
    plan = plan_of(stash)
    assert [mood.name for mood in moods_of(plan, plan.pieces[0])] == ["warm"]
    assert moods_of(replace(plan, stash=stash[:3]), plan.pieces[0]) == ()


def test_a_look_in_each_mood_keeps_to_its_hues() -> None:
    plan = large_household()
    piece = plan.pieces[0]
    moods = moods_of(plan, piece)
    manners = manners_of(Manner(), 3, "mood", moods)
    found = proposals(problems_of(plan, piece.id, manners), 1, steps=20).found
    assert [one.look.manner.palette for one in found] == [mood.palette for mood in moods]
    items = {item.id: item for item in plan.stash}
    for one, mood in zip(found, moods, strict=True):
        palette = palette_of(mood.palette)
        fits = [palette.fit(Thing(items[placement.item])) for placement in one.look.placements]
        assert sum(fit >= 0.3 for fit in fits) >= 0.9 * len(fits)
        assert "Colours: " in one.count_said


def test_what_a_palette_lacks_is_told() -> None:
    jars = tuple(thing(f"jar{number}", "vessel", colours=(("#5f7486", 1.0),)) for number in range(9))
    plan = plan_of(jars)
    said = mood_said(plan, plan.pieces[0], Manner(palette=("#5f7486",)))
    assert (
        said
        == "Colours: blue; at hand there are no books, no plants or stems, no pictures and no bowls or boxes in them."
    )
    assert mood_said(plan, plan.pieces[0], Manner()) == ""


def test_without_moods_the_manner_stays() -> None:
    plan = plan_of((thing("jar"),))
    assert manners_of(Manner(), 2, "mood", moods_of(plan, plan.pieces[0])) == (Manner(), Manner())
    assert problem_of(plan, plan.pieces[0].id, Manner()).manner == Manner()
