"""Places kept for what is yet to come: what they take, and what of the list would go there."""

import pytest
from msgspec.structs import replace

from builders import case_of, put, thing
from jolly_ledge.model.item import Item
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.places_to_fill import NOT_BOUGHT, places_to_fill

PLACE = KeptPlace(name=NOT_BOUGHT, left=100.0, front=50.0, width=180.0, depth=160.0, height=300.0)


def said(place: KeptPlace, *items: Item) -> tuple[str, ...]:
    piece = case_of(1)
    piece = replace(piece, ledges=(replace(piece.ledges[0], kept=(place,)),))
    return tuple(one.sentence("cm") for one in places_to_fill(Plan(pieces=(piece,), stash=items), piece))


@pytest.mark.parametrize(
    ("size", "status", "goes"),
    [
        ((150.0, 280.0, 150.0), "wanted", True),
        ((160.0, 300.0, 180.0), "to-buy", True),
        ((150.0, 310.0, 150.0), "wanted", False),
        ((200.0, 280.0, 150.0), "wanted", False),
        ((150.0, 280.0, 150.0), "owned", False),
    ],
)
def test_what_is_on_the_list_and_goes_there_is_named(size: tuple[float, float, float], status: str, goes: bool) -> None:
    width, height, depth = size
    (sentence,) = said(PLACE, thing("lamp", width=width, height=height, depth=depth, status=status))
    end = "from the list the lamp would go there." if goes else "nothing on the list goes there."
    assert sentence == (
        f"The place kept for {NOT_BOUGHT} on a1 takes what is 18 cm wide, 16 cm deep and 30 cm high at the most; {end}"
    )


def test_a_place_kept_for_a_thing_by_name_waits_for_that_alone() -> None:
    lamp = thing("Lamp", width=150.0, height=280.0, depth=150.0, status="wanted")
    urn = replace(lamp, id="urn", name="Urn")
    (sentence,) = said(replace(PLACE, name="the lamp"), lamp, urn)
    assert "the Lamp would go there" in sentence
    assert "Urn" not in sentence


def test_what_is_put_down_daily_waits_for_nothing() -> None:
    assert said(replace(PLACE, name="a cup"), thing("cup", status="wanted", width=80.0, height=90.0, depth=80.0)) == ()


def test_a_place_on_a_tray_that_stands_here_waits_as_well() -> None:
    lamp = thing("lamp", width=150.0, height=280.0, depth=150.0, status="wanted")
    tray = thing("tray", "tray", width=360.0, height=30.0, depth=240.0, kept=(PLACE,))
    piece = case_of(1)
    looks = (Look(id="look", piece=piece.id, placements=(put("tray", x=400.0, z=150.0),)),)
    plan = Plan(pieces=(piece,), stash=(lamp, tray), looks=looks)
    (told,) = places_to_fill(plan, piece)
    assert told.sentence("cm").startswith(f"The place kept for {NOT_BOUGHT} on the tray takes what is 18 cm wide")
    assert places_to_fill(replace(plan, looks=()), piece) == ()
