"""The stash and the sheet as CSV."""

import csv
import io

import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from builders import arranged, plan_of, put, thing
from jolly_ledge.files.errors import FileError
from jolly_ledge.files.sheet_csv import sheet_to_csv
from jolly_ledge.files.stash_csv import COLUMNS, stash_from_csv, stash_to_csv
from jolly_ledge.model.item import Item
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.working_order import working_order

HEAD = "id,category,width_mm,height_mm,depth_mm"


def test_the_demo_stash_comes_back_without_loss(demo: Plan) -> None:
    assert stash_from_csv(stash_to_csv(demo.stash)) == demo.stash


@settings(max_examples=120, deadline=None)
@given(st.text(max_size=30), st.floats(0.1, 4000), st.none() | st.floats(0, 90))
def test_any_text_and_number_comes_back(text: str, width: float, mass: float | None) -> None:
    item = thing("x", name=text, note=text, room=text, width=width, mass=mass)
    assert stash_from_csv(stash_to_csv((item,))) == (item,)


@pytest.mark.parametrize("text", ["=1+1", "+1", "-1", "@x", "\tx", "'=x"])
def test_formulas_are_defused(text: str) -> None:
    item = thing("x", name=text)
    written = list(csv.DictReader(io.StringIO(stash_to_csv((item,)))))
    assert written[0]["name"].startswith("'")
    assert stash_from_csv(stash_to_csv((item,))) == (item,)


@pytest.mark.parametrize(
    ("table", "said"),
    [
        ("", "empty"),
        ("id,category\na,vessel", "“width_mm” is missing"),
        (f"{HEAD},weight\n", "“weight” is no column"),
        (f"{HEAD}\na,vessel,1,2", "Row 2 has 4 cells"),
        (f"{HEAD}\na,vessel,wide,2,3", "Row 2, width_mm: “wide” is not a number"),
        (f"{HEAD}\na,vessel,-1,2,3", "Row 2, width"),
        (f"{HEAD}\na,vessel,nan,2,3", "Row 2"),
        (f"{HEAD}\na,throne,1,2,3", "Row 2, category"),
        (f"{HEAD}\na,vessel,1,2,3\na,vessel,1,2,3", "twice"),
        (f'{HEAD}\n"a,vessel,1,2,3', "cannot be read"),
    ],
)
def test_faults_are_told_with_row_and_column(table: str, said: str) -> None:
    with pytest.raises(FileError) as refusal:
        stash_from_csv(table)
    assert said in str(refusal.value)


def test_a_decimal_comma_is_understood() -> None:
    (item,) = stash_from_csv(f'{HEAD},mass_kg\na,vessel,120,240,120,"2,1"')
    assert item.mass == 2.1


def test_the_sheet_has_a_row_for_every_step() -> None:
    items = (thing("vase", name="=vase", room="hall"), thing("stems", "stems"))
    plan = plan_of(items, (put("vase"), put("stems", inside="vase", x=None, z=None)))
    steps = working_order(arranged(items, plan.looks[0].placements))
    rows = list(csv.reader(io.StringIO(sheet_to_csv(steps))))
    assert rows[0][:4] == ["step", "thing", "fetch from", "ledge"]
    assert rows[1][1:8] == ["'=vase", "hall", "a1", "340", "left end", "90", "front edge"]
    assert rows[2][4:8] == ["", "", "", ""]


def test_every_field_of_a_thing_has_a_column() -> None:
    fields = {field.encode_name for field in msgspec.structs.fields(Item)}
    assert {column.removesuffix("_mm").removesuffix("_kg") for column in COLUMNS} == fields


def test_the_sense_of_a_set_comes_back_and_a_strange_one_is_told() -> None:
    cup = thing("cup", set="tea service", sense="service")
    table = stash_to_csv((cup,))
    assert stash_from_csv(table) == (cup,)
    with pytest.raises(FileError, match="sense"):
        stash_from_csv(table.replace(",service", ",quartet"))
