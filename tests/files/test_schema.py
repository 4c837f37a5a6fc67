"""The plan format is told to programs by a JSON Schema, and to people by a page."""

import json
import re
from pathlib import Path

import msgspec
import pytest
from jsonschema import Draft202012Validator

from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.files.schema import plan_schema
from jolly_ledge.model.meant import Meant
from jolly_ledge.model.plan import VERSION

PAGE = (Path(__file__).parents[2] / "docs" / "plan-format.md").read_text(encoding="utf-8")
RECORDS = plan_schema()["$defs"]


@pytest.fixture(scope="module")
def validator() -> Draft202012Validator:
    Draft202012Validator.check_schema(plan_schema())
    return Draft202012Validator(plan_schema())


def test_the_demo_keeps_to_the_schema(validator: Draft202012Validator) -> None:
    assert list(validator.iter_errors(json.loads(plan_to_json(plan_from_json(demo_bytes()))))) == []


@pytest.mark.parametrize(
    ("path", "value"),
    [
        (("version",), 2),
        (("pieces", 0, "kind"), "wardrobe"),
        (("pieces", 0, "ledges", 0, "width"), -4),
        (("pieces", 0, "ledges", 0, "meant"), {"purpose": "hide"}),
        (("pieces", 0, "unknown"), 1),
        (("stash", 0, "colours"), [["red", 1]]),
    ],
)
def test_what_the_program_refuses_the_schema_refuses(
    validator: Draft202012Validator, path: tuple[str | int, ...], value: object
) -> None:
    plan = json.loads(plan_to_json(plan_from_json(demo_bytes())))
    record = plan
    for step in path[:-1]:
        record = record[step]
    record[path[-1]] = value
    assert list(validator.iter_errors(plan))


def sections() -> dict[str, str]:
    parts = re.split(r"^### (\w+)$", PAGE, flags=re.MULTILINE)
    return dict(zip(parts[1::2], parts[2::2], strict=True))


def test_every_record_has_a_section_and_no_other() -> None:
    assert set(sections()) == set(RECORDS)


@pytest.mark.parametrize("record", RECORDS)
def test_every_key_of_a_record_is_told(record: str) -> None:
    told = set(re.findall(r"`(\w+)`", sections()[record]))
    assert set(RECORDS[record]["properties"]) <= told


def test_the_example_of_the_page_is_a_plan() -> None:
    example = PAGE.split("```json", 1)[1].split("```", 1)[0]
    plan = plan_from_json(example.encode())
    assert plan.pieces[0].ledges[0].meant == Meant(purpose="statement")
    assert f"**Version {VERSION}.**" in PAGE
    assert msgspec.json.decode(example)["version"] == VERSION
