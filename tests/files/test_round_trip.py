"""Whatever is known of a thing comes back from every file: CSV, JSON, a plan, an archive."""

import csv
import io
from decimal import Decimal
from pathlib import Path

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import case_of, plan_of, thing
from jolly_ledge.edits.items import TakeOverItems
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.files.mapping import preview_things
from jolly_ledge.files.plan_file import PlanFile, open_plan, save_plan
from jolly_ledge.files.stash_csv import stash_from_csv, stash_to_csv
from jolly_ledge.files.stash_json import stash_from_json, stash_to_json
from jolly_ledge.model.item import Care, Covers, Item
from jolly_ledge.model.piece import Board, PiecePhoto, Seat
from jolly_ledge.model.plan import ColourFamily, Plan
from jolly_ledge.model.words import CATEGORIES, FINISHES, SEASONS, SENSES, STATUSES, TRAITS

COLOURS = st.integers(0, (1 << 24) - 1).map(lambda number: f"#{number:06x}")
TEXTS = st.text(st.characters(exclude_categories=("Cs", "Cc"), exclude_characters="\x00"), max_size=20).map(str.strip)
LENGTHS = st.integers(10, 20_000).map(lambda tenths: tenths / 10)
OUTLINES = st.lists(
    st.tuples(st.integers(-5000, 5000).map(lambda x: x / 10_000), st.integers(0, 10_000).map(lambda y: y / 10_000)),
    max_size=12,
).map(tuple)


@st.composite
def items(draw: st.DrawFn) -> Item:
    """Draw a thing of which anything may be known."""
    some = draw(st.integers(0, 3))
    return thing(
        draw(st.from_regex(r"[a-z][a-z0-9-]{0,14}", fullmatch=True)),
        draw(st.sampled_from(CATEGORIES)),
        name=draw(TEXTS),
        width=draw(LENGTHS),
        height=draw(LENGTHS),
        depth=draw(LENGTHS),
        mass=draw(st.none() | st.integers(1, 90_000).map(lambda grams: grams / 1000)),
        colours=tuple((colour, 0.25) for colour in draw(st.lists(COLOURS, min_size=1, max_size=4))),
        finish=draw(st.sampled_from(FINISHES)),
        material=draw(TEXTS),
        traits=tuple(draw(st.sets(st.sampled_from(TRAITS), max_size=4))),
        set=draw(TEXTS),
        sense=draw(st.sampled_from(SENSES)),
        room=draw(TEXTS),
        status=draw(st.sampled_from(STATUSES)),
        price=draw(st.none() | st.integers(0, 100_000).map(lambda cents: Decimal(cents) / 100)),
        note=draw(TEXTS),
        guessed=("width", "height", "depth")[:some],
        photo=draw(st.sampled_from(("", "photos/0123456789abcdef.jpg"))),
        outline=draw(OUTLINES),
        repaint=draw(st.none() | COLOURS),
        covers=draw(st.none() | st.builds(Covers, jacket=st.none() | COLOURS, pages=COLOURS, jacket_off=st.booleans())),
        borrowed_from=draw(TEXTS),
        returns_to=draw(TEXTS),
        return_by=draw(st.sampled_from(("", "2027-02-28"))),
        season=SEASONS[:some],
        care=draw(st.none() | st.builds(Care, water_days=st.none() | st.integers(1, 365), note=TEXTS)),
    )


STASHES = st.lists(items(), max_size=5, unique_by=lambda item: item.id).map(tuple)


@given(STASHES)
@settings(max_examples=40, suppress_health_check=[HealthCheck.too_slow], deadline=None)
def test_any_stash_comes_back_from_csv_and_json(stash: tuple[Item, ...]) -> None:
    assert stash_from_csv(stash_to_csv(stash)) == stash
    assert stash_from_json(stash_to_json(stash).decode()) == stash


@given(STASHES)
@settings(max_examples=40, suppress_health_check=[HealthCheck.too_slow], deadline=None)
def test_no_cell_of_an_export_is_a_formula(stash: tuple[Item, ...]) -> None:
    for row in csv.reader(io.StringIO(stash_to_csv(stash), newline="")):
        assert not any(cell.startswith(("=", "+", "-", "@", "\t", "\r")) for cell in row)


@given(STASHES, STASHES)
@settings(max_examples=40, suppress_health_check=[HealthCheck.too_slow], deadline=None)
def test_taking_over_what_is_there_changes_nothing(own: tuple[Item, ...], other: tuple[Item, ...]) -> None:
    plan = plan_of(own)
    assert TakeOverItems(items=own).apply(plan) == plan
    rows = preview_things((*own, *other), own)
    assert [row.doing for row in rows[: len(own)]] == ["same"] * len(own)
    taken = tuple(row.item for row in rows if row.item is not None)
    after = TakeOverItems(items=taken).apply(plan)
    assert {item.id for item in after.stash} == {item.id for item in (*own, *other)}


@given(STASHES)
@settings(max_examples=40, suppress_health_check=[HealthCheck.too_slow], deadline=None)
def test_a_plan_with_everything_in_it_comes_back(stash: tuple[Item, ...]) -> None:
    ledges = case_of().ledges
    piece = case_of(
        pin_spacing=32.0,
        seats=(Seat(x=-300.0, z=200.0),),
        photo=PiecePhoto(
            name="photos/a.jpg", corners=((0.0, 0.0), (9.0, 0.0), (9.0, 9.0), (0.0, 9.0)), left=0.0, floor=0.0,
            width=800.0, height=940.0,
        ),
        build="flanking-pair",
    )  # fmt: skip
    told = replace(ledges[0], window_distance=900.0, board=Board(material="glass", thickness=8.0, fixing="anchors"))
    plan = plan_of(stash, piece=replace(piece, ledges=(told, *ledges[1:])))
    plan = replace(plan, families=(ColourFamily(name="night", colours=("#112233", "#223344")),))
    assert plan_from_json(plan_to_json(plan)) == plan


def test_photographs_travel_with_an_archive_and_those_no_longer_named_stay_behind(tmp_path: Path) -> None:
    item = thing("vase", photo="photos/a.jpg")
    plan = plan_of((item,))
    path = tmp_path / "house.ledge"
    save_plan(plan, PlanFile(path, "", {"photos/a.jpg": b"one", "photos/b.jpg": b"two"}))
    found, file = open_plan(path)
    assert found == plan
    assert file.photos["photos/a.jpg"] == b"one"
    assert isinstance(found, Plan)
