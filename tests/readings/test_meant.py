"""What a ledge is meant for is asked before it is scolded."""

from typing import Any

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.counts import recommended
from jolly_ledge.model.item import Item
from jolly_ledge.model.meant import AS_THE_LOOK, PURPOSES, Meant, Purpose, said
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.readings.meant import NOT_OF_TOOLS, SILENT, unread_things, without_things
from jolly_ledge.readings.register import REGISTER, assess, read_one

LIKE = tuple(thing(f"cup-{number}", width=70, height=90, depth=70) for number in range(6))
ROW = tuple(put(f"cup-{number}", "a1", x=90 + 130 * number) for number in range(6))


def meant(piece: Piece, **by_ledge: Meant) -> Piece:
    ledges = tuple(replace(one, meant=by_ledge.get(one.id, one.meant)) for one in piece.ledges)
    return replace(piece, ledges=ledges)


def row_of_likes(purpose: Meant = AS_THE_LOOK) -> Arrangement:
    return arranged(LIKE, ROW, piece=meant(case_of(2), a1=purpose))


def found_by(arrangement: Arrangement) -> set[str]:
    return {finding.reading for finding in assess(arrangement).findings}


def test_every_purpose_names_readings_that_are_there() -> None:
    known = {entry.id for entry in REGISTER}
    assert set(SILENT) == set(PURPOSES)
    assert set().union(*SILENT.values()) <= known


def test_a_ledge_that_is_dressed_reads_as_before() -> None:
    assert assess(row_of_likes()) == assess(arranged(LIKE, ROW, piece=case_of(2)))


@pytest.mark.parametrize("purpose", [one for one in PURPOSES if one != "dress"])
def test_nothing_is_found_on_a_ledge_that_its_meaning_excuses(purpose: Purpose) -> None:
    before, after = row_of_likes(), row_of_likes(Meant(purpose=purpose))
    assert {"alike-apart"} <= found_by(before)
    assert not found_by(after) & SILENT[purpose]
    assert assess(after).loss != assess(before).loss


def test_a_collection_is_not_scolded_as_look_alikes_of_one_height() -> None:
    after = row_of_likes(Meant(purpose="collection"))
    assert read_one("alike-apart", after) is None or not read_one("alike-apart", after).findings  # type: ignore[union-attr]
    assert assess(after).score > assess(row_of_likes()).score


def test_other_ledges_are_read_as_ever() -> None:
    things = (*LIKE, thing("lost", width=40, height=60, depth=40))
    stands = (*ROW, put("lost", "a2", x=400))
    excused = arranged(things, stands, piece=meant(case_of(2), a1=Meant(purpose="leave")))
    named = {one for finding in assess(excused).findings for one in finding.placements}
    assert "lost" in named
    assert not named & {placement.id for placement in ROW}


def test_the_eye_weighs_what_is_left_as_it_is() -> None:
    heavy = thing("chest", width=300, height=260, depth=200)
    piece = meant(case_of(2), a1=Meant(purpose="leave"))
    reading = read_one("side-balance", arranged((heavy,), (put("chest", "a1", x=160),), piece=piece))
    assert reading is not None
    assert reading.value < 0


def test_what_stands_on_a_rest_is_named() -> None:
    findings = assess(row_of_likes(Meant(purpose="rest"))).findings
    (rest,) = [finding for finding in findings if "rest for the eye" in finding.sentence]
    assert "six things stand on it" in rest.sentence
    assert len(rest.placements) == 6


@pytest.mark.parametrize(
    ("told", "wanted"),
    [
        (Meant(count=7), 7),
        (Meant(purpose="statement"), 1),
        (Meant(purpose="statement", count=2), 2),
        (Meant(purpose="rest", count=4), 0),
    ],
)
def test_a_ledge_bears_what_it_is_meant_to(told: Meant, wanted: int) -> None:
    piece = meant(case_of(2), a1=told)
    assert recommended(piece, piece.ledge("a1"), "layered") == wanted
    assert recommended(piece, piece.ledge("a2"), "layered") == recommended(
        case_of(2), case_of(2).ledge("a2"), "layered"
    )


def test_a_fullness_of_its_own_holds_on_one_ledge() -> None:
    piece = meant(case_of(2), a1=Meant(fullness="abundant"))
    assert recommended(piece, piece.ledge("a1"), "airy") == recommended(piece, piece.ledge("a2"), "abundant")
    boxes = tuple(thing(f"box-{n}", "box", width=150, height=300, depth=150) for n in range(4))
    full = tuple(put(f"box-{n}", "a1", x=100 + 200 * n) for n in range(4))
    airy, own = (
        read_one("negative-space", arranged(boxes, full, piece=one, fullness="airy")) for one in (case_of(2), piece)
    )
    assert airy is not None
    assert own is not None
    assert own.band[1] > airy.band[1]
    assert any("crowded" in finding.sentence for finding in airy.findings)
    assert not any("crowded" in finding.sentence for finding in own.findings)
    assert "as the ledges are meant" in own.sentence


def test_an_odd_rule_of_its_own_is_read() -> None:
    four = tuple(thing(f"jar-{n}", width=60, height=80 + 30 * n, depth=60) for n in range(4))
    stands = tuple(put(f"jar-{n}", "a1", x=300 + 75 * n) for n in range(4))
    off = arranged(four, stands, piece=meant(case_of(2), a1=Meant(odd="off")))
    assert read_one("odd-groups", arranged(four, stands, piece=case_of(2))) is not None
    assert read_one("odd-groups", off) is None


def test_a_meaning_is_said_in_few_words() -> None:
    assert said(Meant()) == ""
    assert said(Meant(purpose="rest")) == "a rest for the eye"
    assert said(Meant(fullness="airy", odd="off", count=1)) == "airy · not counted · 1 thing"


def test_a_service_that_is_mirrored_by_itself_is_not_scolded() -> None:
    pair: tuple[Item, ...] = LIKE[:2]
    stands = (put("cup-0", "a1", x=120), put("cup-1", "a1", x=720))
    plain, mirrored = (
        found_by(arranged(pair, stands, piece=meant(case_of(2), a1=Meant(figure=figure))))
        for figure in (None, "mirrored")
    )
    assert plain & {"odd-groups", "alike-apart", "grouping", "height-rhythm"}
    assert not mirrored & {"odd-groups", "alike-apart", "grouping", "height-rhythm"}


def test_what_is_stored_belongs_there() -> None:
    router = thing("router", "device", width=200, height=60, depth=150)
    plain, stored = (
        read_one("must-haves", arranged((router,), (put("router", "a1", x=300),), piece=meant(case_of(2), a1=told)))
        for told in (AS_THE_LOOK, Meant(purpose="store"))
    )
    assert plain is not None
    assert any("does not belong" in finding.sentence for finding in plain.findings)
    assert stored is None or not stored.findings


def test_what_stands_alone_on_purpose_is_not_called_lonely() -> None:
    def small(**more: Any) -> Arrangement:
        return arranged(
            (thing("egg", width=60, height=80, depth=60, **more),), (put("egg", "a1", x=300),), piece=case_of(2)
        )

    lonely, meant_so = (read_one("odd-groups", small(traits=traits)) for traits in ((), ("alone-on-purpose",)))
    assert lonely is not None
    assert meant_so is not None
    assert [finding.placements for finding in lonely.findings] == [("egg",)]
    assert meant_so.findings == ()
    things = tuple(thing(f"jar-{n}", width=90, height=140 + 40 * n, depth=90) for n in range(3))
    row = tuple(put(f"jar-{n}", "a1", x=90 + 300 * n) for n in range(3))
    apart = read_one("grouping", arranged(things, row, piece=case_of(2)))
    kept = tuple(replace(one, traits=("alone-on-purpose",)) if one.id == "jar-2" else one for one in things)
    told = read_one("grouping", arranged(kept, row, piece=case_of(2)))
    assert apart is not None
    assert told is not None
    assert "jar-2" in {one for finding in apart.findings for one in finding.placements}
    assert "jar-2" not in {one for finding in told.findings for one in finding.placements}


def worktop(*items: Item, kind: str = "counter", use: tuple[str, ...] = ("cooking",)) -> Arrangement:
    """Return things side by side at the back of a worktop of two metres."""
    top = Ledge(id="a1", left=0.0, floor=900.0, width=2000.0, depth=600.0)
    piece = Piece(id="case", kind=kind, width=2000.0, height=900.0, depth=600.0, ledges=(top,), use=use)  # type: ignore[arg-type]
    return arranged(items, tuple(put(one.id, x=200.0 + 240 * n, z=450.0) for n, one in enumerate(items)), piece)


def machines(**changes: object) -> tuple[Item, ...]:
    return tuple(thing(f"machine{n}", "appliance", width=200.0, height=320.0, depth=250.0, **changes) for n in range(3))


@pytest.mark.parametrize("reading", sorted(NOT_OF_TOOLS))
def test_machines_on_a_worktop_have_no_part_in_heights_likeness_and_peaks(reading: str) -> None:
    shown = (thing("jar", height=200.0), thing("fern", "plant", height=280.0), thing("dish", "bowl"))
    alone, among = read_one(reading, worktop(*shown)), read_one(reading, worktop(*shown, *machines()))
    assert (alone is None) == (among is None)
    if alone is not None and among is not None:
        assert among.value == pytest.approx(alone.value)


def test_they_weigh_all_the_same_and_elsewhere_they_are_read() -> None:
    shown = (thing("jar", height=200.0), thing("fern", "plant", height=280.0))
    light, heavy = (read_one("side-balance", worktop(*shown, *more)) for more in ((), machines()))
    assert light is not None
    assert heavy is not None
    assert heavy.value != light.value
    on_a_console = read_one("alike-apart", worktop(*shown, *machines(), kind="console", use=("display",)))
    on_a_counter = read_one("alike-apart", worktop(*shown, *machines()))
    assert on_a_console is not None
    assert (on_a_console.loss or 0.0) > ((on_a_counter.loss or 0.0) if on_a_counter is not None else 0.0)


def test_what_a_machine_carries_goes_with_it() -> None:
    carried = (thing("jar", width=60.0, height=90.0, depth=60.0),)
    top = Ledge(id="a1", left=0.0, floor=900.0, width=2000.0, depth=600.0)
    piece = Piece(id="case", kind="counter", width=2000.0, height=900.0, depth=600.0, ledges=(top,), use=("cooking",))
    places = (put("machine0", x=400.0, z=300.0), put("jar", on="machine0", x=400.0, z=300.0))
    look = arranged((*machines()[:1], *carried), places, piece)
    assert without_things(look, unread_things(look)).placed_items == ()
