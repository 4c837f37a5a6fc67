"""Tables of any origin: mapped, shown before anything happens, taken over without loss."""

import codecs
from pathlib import Path

import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from builders import case_of, plan_of, put, thing
from jolly_ledge.edits.items import JoinSet, MergeItems, TakeOverItems
from jolly_ledge.exports.export import Options, write_export
from jolly_ledge.exports.register import BY_ID
from jolly_ledge.files.codec import plan_to_json
from jolly_ledge.files.errors import FileError
from jolly_ledge.files.mapping import (
    MappedColumn,
    guessed_mapping,
    import_rows,
    preview,
    preview_lines,
    preview_things,
)
from jolly_ledge.files.stash_csv import stash_from_csv, stash_to_csv
from jolly_ledge.files.stash_json import stash_from_json, stash_to_json
from jolly_ledge.files.table import Table, read_list, table_from_csv, table_from_json
from jolly_ledge.model.census import census
from jolly_ledge.model.duplicates import twins_in
from jolly_ledge.model.entry.parser import parse_list
from jolly_ledge.model.item import Care, Covers, Item
from jolly_ledge.model.plan import Plan

RICH = thing(
    "rich",
    name='=name, with "quotes"',
    outline=((-0.5, 0.0), (0.5, 0.0), (0.0, 1.0)),
    covers=Covers(jacket="#112233", pages="#eeeeee", jacket_off=True),
    care=Care(water_days=7, repot="spring", note="rain, water"),
    guessed=("depth",),
    season=("autumn", "winter"),
    repaint="#445566",
    photo="photos/abc.jpg",
    borrowed_from="the observatory",
    returns_to="dome",
    return_by="2027-01-31",
    note="line one\nline two",
)


def mapped(text: str, unit: str = "cm") -> tuple[Table, tuple[MappedColumn, ...]]:
    table = table_from_csv(text)
    return table, guessed_mapping(table, unit)  # type: ignore[arg-type]


def only(text: str, stash: tuple[Item, ...] = (), unit: str = "cm") -> Item:
    (row,) = preview(*mapped(text, unit), stash)
    assert row.item is not None, row.sentence
    return row.item


def test_everything_that_is_known_comes_back_from_both_formats() -> None:
    assert stash_from_csv(stash_to_csv((RICH,))) == (RICH,)
    assert stash_from_json(stash_to_json((RICH,)).decode()) == (RICH,)


@pytest.mark.parametrize("suffix", ["csv", "json", "plan"])
def test_what_was_exported_is_read_to_the_letter(tmp_path: Path, demo: Plan, suffix: str) -> None:
    path = tmp_path / f"stash.{suffix}"
    content = {
        "csv": stash_to_csv(demo.stash).encode(),
        "json": stash_to_json(demo.stash),
        "plan": plan_to_json(demo),
    }[suffix]
    path.write_bytes(content)
    assert read_list(path) == demo.stash
    assert {row.doing for row in preview_things(demo.stash, demo.stash)} == {"same"}


def test_columns_are_guessed_from_their_headings_with_their_units() -> None:
    table = Table(("Item", "H (in)", "W mm", "Depth", "Weight kg", "Colour", "Where", "Whatever"), ())
    found = guessed_mapping(table, "cm")
    assert [column.field for column in found] == [
        "name", "height_mm", "width_mm", "depth_mm", "mass_kg", "colours", "room", "",
    ]  # fmt: skip
    assert [column.unit for column in found[1:4]] == ["in", "mm", "cm"]


CELLS = [
    ("name,height,width\nblue glass vase,32,18\n", {"category": "vessel", "height": 320.0, "width": 180.0}),
    ("name;height;weight\nvase;31,5;2,1 kg\n", {"height": 315.0, "mass": 2.1}),
    ("name\theight in\tprice\nvase\t12 1/2\t$1,250.50\n", {"height": 317.5, "price": 1250.5}),
    ("name,size\noak box,30 x 12.5 x 20 cm\n", {"width": 300.0, "height": 125.0, "depth": 200.0}),
    ("title,type,size\nOld thing,mirror,400x600 mm\n", {"category": "mirror", "width": 400.0, "height": 600.0}),
    ("name,colour\nvase,dark teal and white\n", {"colours": (("#1f6f72", 0.5), ("#f4f2ec", 0.5))}),
    ("name,colour\nvase,#112233\n", {"colours": (("#112233", 1.0),)}),
    ("name,weight g\nvase,800\n", {"mass": 0.8}),
    ("name,material\nvase,Brass\n", {"material": "Brass", "finish": "metal"}),
    ('name,tags,quantity\nvase,"fragile, sentimental",6\n', {"traits": ("fragile", "sentimental"), "count": 6}),
    ("name,note\nvase,'=SUM(A1)\n", {"note": "=SUM(A1)"}),
    ("name,finish,status\nvase,Matte,To buy\n", {"finish": "matt", "status": "to-buy"}),
]


@pytest.mark.parametrize(("text", "known"), CELLS)
def test_cells_are_understood_as_people_write_them(text: str, known: dict[str, object]) -> None:
    item = only(text)
    assert {field: getattr(item, field) for field in known} == known


def test_sizes_that_are_not_told_are_guessed_and_marked() -> None:
    item = only("name,height\nvase,32\n")
    assert item.guessed == ("width", "depth")
    assert only("name,height,width\nvase,32,18\n").depth == 180.0


REFUSALS = [
    ("name,height\nvase,tall\n", "“tall” is not a length"),
    ("name\nmystery\n", "no kind of thing is told"),
    ("name,kind\nx,throne\n", "“throne” is no kind"),
    ("name,weight\nvase,heavy\n", "“heavy” is not a number"),
    ("name,colour\nvase,invisible\n", "“invisible” is no colour"),
    ("name,finish\nvase,furry\n", "“furry” is not known"),
    ("name,tags\nvase,haunted\n", "“haunted” is not known"),
    ("name,height\nvase,0\n", "height"),
    ("name,quantity\nvase,-4\n", "count"),
    ("name,height\nvase,99 m\n", "longer than 50 m"),
]


@pytest.mark.parametrize(("text", "said"), REFUSALS)
def test_a_row_that_cannot_be_read_says_why_and_the_others_go_on(text: str, said: str) -> None:
    bad, good = preview(*mapped(f"{text}bowl\n"), ())
    assert bad.doing == "refuse"
    assert said in bad.sentence
    assert good.doing in ("add", "refuse")
    assert good.number == 3


def test_known_ids_change_and_twins_are_pointed_out() -> None:
    stash = (thing("urn", silhouette="urn", width=180.0, height=320.0, depth=180.0),)
    text = (
        "id,name,category,silhouette,width mm,height mm,depth mm,colour\n"
        "urn,urn,vessel,urn,180,330,180,#c4663c\n"
        "x1,tall urn,vessel,urn,182,321,179,#c0603a\n"
        "x2,other,vessel,urn,150,250,150,#c4663c\n"
        "x3,other,vessel,urn,150,250,150,#c4663c\n"
    )
    rows = preview(*mapped(text), stash)
    assert [row.doing for row in rows] == ["change", "twin", "add", "twin"]
    assert [row.twin for row in rows] == ["", "urn", "", "x2"]


@pytest.mark.parametrize(
    ("text", "said"),
    [("", "empty"), ("{", "not whole JSON"), ('{"a": 1}', "no list of things"), ("[1, 2]", "no list of things")],
)
def test_files_that_hold_no_table_are_refused(tmp_path: Path, text: str, said: str) -> None:
    path = tmp_path / "list.txt"
    path.write_text(text)
    with pytest.raises(FileError, match=said):
        read_list(path)


MESSY = "Gegenstand;name;Höhe;Height (cm)\nx;blaue Vase größer vase;;32,5\n"


@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "cp1252", "utf-16", "utf-16-le"])
def test_a_table_is_read_in_the_encodings_that_spreadsheets_write(tmp_path: Path, encoding: str) -> None:
    path = tmp_path / "messy.csv"
    mark = codecs.BOM_UTF16_LE if encoding == "utf-16-le" else b""
    path.write_bytes(mark + MESSY.encode(encoding))
    (row,) = import_rows(path, (), "cm")
    assert row.item is not None
    assert (row.item.name, row.item.height) == ("blaue Vase größer vase", 325)


def test_a_table_without_any_known_heading_or_any_file_is_refused(tmp_path: Path) -> None:
    strange = tmp_path / "strange.csv"
    strange.write_text("foo,bar\n1,2\n")
    for path, said in ((strange, "no heading that is known"), (tmp_path / "none.csv", "no such file")):
        with pytest.raises(FileError, match=said):
            import_rows(path, (), "cm")


def test_both_kinds_of_export_are_chosen_by_the_ending(tmp_path: Path, demo: Plan) -> None:
    for name in ("out.csv", "out.json"):
        write_export(BY_ID["stash"], demo, Options(), tmp_path / name)
        assert read_list(tmp_path / name) == demo.stash
    assert {row.doing for row in import_rows(tmp_path / "out.csv", demo.stash, "cm")} == {"same"}


def test_a_pasted_list_tells_what_it_would_add() -> None:
    lines = parse_list("vase 18x32\n\n- 3 books 20 tall\n12x20\nwhatnot\n", "cm", ())
    rows = preview_lines(lines, (thing("old", "vessel", silhouette="vase", width=180.0, height=320.0, depth=180.0),))
    assert [row.doing for row in rows] == ["add", "add", "add", "add", "refuse", "add"]
    assert "12x20" in rows[-2].sentence
    assert rows[-2].number == 4
    assert rows[-1].sentence.startswith("adds an object")
    assert rows[-1].sentence.endswith("no word names a kind that is known")
    again = preview_lines(lines, tuple(row.item for row in rows if row.item is not None))
    assert {row.doing for row in again} == {"same", "refuse"}


def test_older_windows_text_is_read(tmp_path: Path) -> None:
    path = tmp_path / "list.csv"
    path.write_bytes("name;height\nvase café;30\n".encode("cp1252"))
    table = read_list(path)
    assert isinstance(table, Table)
    assert table.rows == (("vase café", "30"),)


def test_lists_of_objects_become_tables() -> None:
    table = table_from_json('{"things": [{"name": "vase", "height": 30.5, "tags": ["fragile"], "old": null}, 7]}')
    assert table.headings == ("name", "height", "tags", "old")
    assert table.samples(3) == ()
    (row,) = preview(table, guessed_mapping(table, "cm"), ())
    assert row.item is not None
    assert (row.item.height, row.item.traits) == (305.0, ("fragile",))


def test_an_unsound_stash_is_refused_with_its_path() -> None:
    broken = msgspec.json.decode(stash_to_json((RICH,)))
    broken["stash"][0]["width"] = -1
    with pytest.raises(FileError, match=r"stash\[0\]\.width"):
        stash_from_json(msgspec.json.encode(broken).decode())


@settings(deadline=None)
@given(st.lists(st.lists(st.text(max_size=12), min_size=1, max_size=5), min_size=1, max_size=6))
def test_no_table_breaks_the_preview(rows: list[list[str]]) -> None:
    headings = ("name", "height", "colour", "weight", "tags")
    table = Table(headings, tuple((*row, *[""] * (5 - len(row))) for row in rows))
    for found in preview(table, guessed_mapping(table, "cm"), ()):
        assert (found.item is None) == (found.doing == "refuse")
        assert found.sentence


# What taking over and merging does


def test_things_are_taken_over_in_one_step() -> None:
    plan = plan_of((thing("a"), thing("b")))
    fresh = (thing("b", width=99.0), thing("c"))
    after = TakeOverItems(items=fresh).apply(plan)
    assert [item.id for item in after.stash] == ["a", "b", "c"]
    assert after.item("b").width == 99.0


def test_duplicates_are_found_and_merged_on_demand() -> None:
    stash = (
        thing("a", room="hall"),
        thing("b", mass=1.2, traits=("fragile",)),
        thing("c", height=400.0),
        thing("d", colours=(("#1f6f72", 1.0),)),
    )
    (group,) = twins_in(stash)
    assert [item.id for item in group] == ["a", "b"]
    plan = plan_of(stash, (put("b"), put("c", on="b")))
    merged = MergeItems(kept="a", gone=("b",)).apply(plan)
    assert [item.id for item in merged.stash] == ["a", "c", "d"]
    assert (merged.item("a").room, merged.item("a").mass, merged.item("a").traits) == ("hall", 1.2, ("fragile",))
    assert [(p.id, p.item) for p in merged.looks[0].placements] == [("b", "a"), ("c", "c")]


def test_a_thing_that_stood_twice_under_two_entries_stands_once_after_merging() -> None:
    plan = plan_of((thing("a"), thing("b")), (put("a"), put("b", x=600)))
    merged = MergeItems(kept="b", gone=("a",)).apply(plan)
    assert [p.item for p in merged.looks[0].placements] == ["b"]


def test_a_pair_is_meant_to_be_alike() -> None:
    plan = JoinSet(items=("a", "b"), name="pair of urns").apply(plan_of((thing("a"), thing("b"))))
    assert twins_in(plan.stash) == ()
    assert twins_in(JoinSet(items=("a", "b"), name="").apply(plan).stash) != ()


def test_the_census_tells_which_heights_are_lacking() -> None:
    case = case_of(3)
    lines = census(case, (thing("a", height=300.0), thing("b", height=120.0)))
    (line,) = lines
    assert (line.openings, line.things, line.lacking) == (3, 1, 2)
    assert (line.wanted_from, line.wanted_to) == pytest.approx((220.0, 360.0))


def test_a_table_of_very_many_columns_is_refused_at_once(tmp_path: Path) -> None:
    path = tmp_path / "wide.csv"
    path.write_text(",".join(f"column {n}" for n in range(30_000)) + "\n" + "," * 29_999 + "\n")
    with pytest.raises(FileError, match="30000 columns"):
        read_list(path)
