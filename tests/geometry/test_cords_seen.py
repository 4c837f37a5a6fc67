"""What people see of a cord: things nearer to them and boards hide it, and from behind it lies open."""

from msgspec.structs import replace

from builders import arranged, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.eyes import eyes_of
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Seat
from jolly_ledge.planning.plug_table import cord_seen_said, plug_rows
from jolly_ledge.scene.cords_seen import cords_from, cords_seen

TOP = Ledge(id="a1", left=0.0, floor=750.0, width=1200.0, depth=400.0)
LAMP = thing("lamp", "lamp", width=120.0, height=400.0, depth=120.0, traits=("corded",))


def socket(left: float, floor: float) -> Fixture:
    return Fixture(kind="socket", left=left - 40.0, floor=floor - 40.0, width=80.0, height=80.0)


def console(floor: float, **changes: object) -> Piece:
    """Return a console with a socket at its right end, so high over the floor."""
    piece = Piece(id="console", kind="console", width=1200.0, height=750.0, depth=400.0, ledges=(TOP,),
                  fixtures=(socket(1100.0, floor),))  # fmt: skip
    return replace(piece, **changes)


def seen(look: Arrangement) -> dict[str, float]:
    return {one.eye.name: one.length for one in cords_seen(look)}


def test_over_the_top_all_see_it_and_under_the_top_only_who_sits_low_or_far() -> None:
    over = seen(arranged((LAMP,), (put("lamp", x=300.0, z=100.0),), console(1000.0)))
    under = seen(arranged((LAMP,), (put("lamp", x=300.0, z=100.0),), console(300.0)))
    assert all(over[name] > 950.0 for name in ("Standing", "Seated"))
    assert under["Standing"] < over["Standing"]
    assert under["Seated"] > under["Standing"]


def test_what_stands_nearer_hides_it_for_some_more_than_for_others() -> None:
    screen = thing("screen", "box", width=500.0, height=300.0, depth=60.0)
    bare = arranged((LAMP, screen), (put("lamp", x=300.0, z=100.0),), console(760.0))
    behind = arranged(
        (LAMP, screen), (put("lamp", x=300.0, z=100.0), put("screen", x=750.0, z=320.0)), console(760.0)
    )  # fmt: skip
    assert seen(behind)["Standing"] < seen(bare)["Standing"] - 300.0
    (row,) = (row for row in plug_rows(behind, "cm") if row.thing == "lamp")
    assert "standing" in row.elsewhere or "from the door" in row.elsewhere


def test_what_hides_a_cord_is_named_and_what_is_seen_is_a_stretch_of_its_way() -> None:
    screen = thing("screen", "box", width=500.0, height=300.0, depth=60.0)
    look = arranged((LAMP, screen), (put("lamp", x=300.0, z=100.0), put("screen", x=750.0, z=320.0)), console(760.0))
    (eye,) = (eye for eye in eyes_of(look.piece) if eye.name == "Standing")
    (one,) = cords_from(look, eye)
    assert [placed.id for placed in one.hidden_by] == ["screen"]
    assert one.stretches
    (left, _), (right, _) = one.ways[0]
    for stretch in one.stretches[:1]:
        assert all(min(left, right) <= x <= max(left, right) for x, _ in stretch)
    said = cord_seen_said(one, "cm")
    assert said.startswith("29 cm of the cord of the lamp seen")
    assert "hidden by the screen" in said


def test_wholly_hidden_the_table_says_by_what() -> None:
    wide = thing("wide", "box", width=1190.0, height=700.0, depth=30.0)
    look = arranged((LAMP, wide), (put("lamp", x=300.0, z=250.0), put("wide", x=600.0, z=20.0)), console(760.0))
    standing = next(one for one in cords_seen(look) if one.eye.name == "Standing")
    assert cord_seen_said(standing, "cm") == "The cord of the lamp is hidden by the wide."
    assert standing.stretches == ()


def test_from_behind_it_lies_open_and_from_the_front_it_is_hidden() -> None:
    wide = thing("wide", "box", width=1100.0, height=500.0, depth=60.0)
    table = console(760.0, viewed_from="around", seats=(Seat(x=600.0, z=-300.0), Seat(x=600.0, z=700.0)))
    look = arranged((LAMP, wide), (put("lamp", x=300.0, z=300.0), put("wide", x=600.0, z=100.0)), table)
    assert seen(look)["Seat 1"] < 100.0 < 600.0 < seen(look)["Seat 2"]


def test_nothing_corded_is_seen_by_nobody() -> None:
    look = arranged((thing("bowl", "bowl"),), (put("bowl", x=300.0, z=100.0),), console(760.0))
    assert cords_seen(look) == ()
    assert plug_rows(look, "cm") == ()
