"""Plans to and from JSON: nothing is lost, and what is wrong is refused with its path."""

import json
from pathlib import Path
from typing import Any

import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from builders import case_of, plan_of, put, thing
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.files.errors import PlanFileError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Wish
from jolly_ledge.model.plan import VERSION, Household, Plan
from jolly_ledge.model.words import CATEGORIES, FINISHES, STATUSES, TRAITS

SAMPLES = Path(__file__).parent / "samples"
PLAN = plan_of((thing("vase"), thing("stack", "book-stack")), (put("vase", on="stack"), put("stack")))


def plain() -> dict[str, Any]:
    decoded: dict[str, Any] = json.loads(plan_to_json(PLAN))
    return decoded


def refusal(content: bytes) -> str:
    with pytest.raises(PlanFileError) as error:
        plan_from_json(content)
    sentence = str(error.value)
    assert "\n" not in sentence
    assert sentence.endswith(".")
    return sentence


def test_a_plan_comes_back_as_it_was() -> None:
    assert plan_from_json(plan_to_json(PLAN)) == PLAN


def test_the_demo_comes_back_as_it_was(demo: Plan) -> None:
    assert plan_from_json(plan_to_json(demo)) == demo
    assert plan_to_json(plan_from_json(plan_to_json(demo))) == plan_to_json(demo)


def test_defaults_are_left_out_and_format_and_version_are_not() -> None:
    written = plain()
    assert written["format"] == "jolly-ledge/plan"
    assert written["version"] == VERSION
    assert "turn" not in written["looks"][0]["placements"][0]


def test_a_byte_order_mark_is_passed_over() -> None:
    assert plan_from_json(b"\xef\xbb\xbf" + plan_to_json(PLAN)) == PLAN


names = st.text(min_size=1, max_size=12)
lengths = st.floats(min_value=0.5, max_value=5_000).map(lambda value: round(value, 3))
hexes = st.integers(0, 0xFFFFFF).map(lambda value: f"#{value:06x}")


@st.composite
def plans(draw: st.DrawFn) -> Plan:
    ids = draw(st.lists(names, min_size=1, max_size=5, unique=True))
    stash = tuple(
        Item(
            id=identifier,
            name=draw(st.text(max_size=20)),
            category=draw(st.sampled_from(CATEGORIES)),
            width=draw(lengths),
            height=draw(lengths),
            depth=draw(lengths),
            mass=draw(st.none() | st.floats(0, 50)),
            colours=tuple(draw(st.lists(st.tuples(hexes, st.floats(0, 1)), min_size=1, max_size=4))),
            finish=draw(st.sampled_from(FINISHES)),
            traits=tuple(draw(st.lists(st.sampled_from(TRAITS), max_size=3, unique=True))),
            status=draw(st.sampled_from(STATUSES)),
            meant_for=("case",) if draw(st.booleans()) else (),
            note=draw(st.text(max_size=30)),
        )
        for identifier in ids
    )
    ledges = (
        Ledge(
            id="a", left=draw(st.floats(-400, 400)), floor=100, width=draw(lengths), depth=draw(lengths), body="left"
        ),
        Ledge(id="w", left=0, floor=900, width=800, depth=40, clearance=draw(st.none() | lengths), surface="wall"),
    )
    piece = Piece(
        id="case",
        kind="console",
        width=draw(lengths),
        height=draw(lengths),
        depth=draw(lengths),
        ledges=ledges,
        fixtures=(Fixture(kind="mirror", left=1, floor=2, width=3, height=4, shape="ellipse", colour=draw(hexes)),),
        wishes=(Wish(kind="together", items=(ids[0],)),),
        use=("display",),
        seen_shut=draw(st.booleans()),
    )
    placements = tuple(
        Placement(id=f"p{i}", item=identifier, ledge="a", x=draw(lengths), z=draw(lengths), locked=draw(st.booleans()))
        for i, identifier in enumerate(ids)
    )
    look = Look(
        id="look", piece="case", manner=Manner(palette=(draw(hexes),)), placements=placements, date="2026-10-03"
    )
    return Plan(
        name=draw(st.text(max_size=9)), household=Household(pets=("cat",)), pieces=(piece,), stash=stash, looks=(look,)
    )


@settings(max_examples=60, deadline=None)
@given(plans())
def test_any_plan_comes_back_as_it_was(plan: Plan) -> None:
    assert plan_from_json(plan_to_json(plan)) == plan


@settings(max_examples=150, deadline=None)
@given(st.binary(max_size=200))
def test_any_bytes_are_refused_in_one_sentence(content: bytes) -> None:
    refusal(content)


@settings(max_examples=80, deadline=None)
@given(st.integers(0, 10_000))
def test_a_plan_cut_anywhere_is_refused(cut: int) -> None:
    content = plan_to_json(PLAN).rstrip()
    refusal(content[: cut % len(content)])


@pytest.mark.parametrize(
    ("path", "value", "where"),
    [
        (("stash", 0, "width"), -3, "stash[0].width"),
        (("stash", 0, "width"), 10**9, "stash[0].width"),
        (("stash", 0, "width"), "wide", "stash[0].width"),
        (("stash", 0, "colours"), [["red", 1]], "stash[0].colours[0][0]"),
        (("stash", 0, "colours"), [], "stash[0]"),
        (("stash", 0, "traits"), ["loud"], "stash[0].traits[0]"),
        (("stash", 1, "id"), "vase", "stash[1].id"),
        (("stash", 0, "weight"), 3, "stash[0]"),
        (("pieces", 0, "ledges", 1, "floor"), None, "pieces[0].ledges[1].floor"),
        (("pieces", 0, "ledges", 1, "id"), "a1", "pieces[0].ledges[1].id"),
        (("pieces", 0, "kind"), "throne", "pieces[0].kind"),
        (("looks", 0, "piece"), "nowhere", "looks[0].piece"),
        (("looks", 0, "placements", 0, "item"), "ghost", "looks[0].placements[0].item"),
        (("looks", 0, "placements", 0, "item"), "stack", "looks[0].placements[1].item"),
        (("looks", 0, "placements", 0, "ledge"), "z9", "looks[0].placements[0].ledge"),
        (("looks", 0, "placements", 0, "on"), "ghost", "looks[0].placements[0].on"),
        (("looks", 0, "placements", 1, "on"), "vase", "looks[0].placements"),
        (("looks", 0, "placements", 0, "x"), None, "looks[0].placements[0]"),
        (("looks", 0, "placements", 0, "pose"), "hung", "looks[0].placements[0]"),
        (("looks", 0, "placements", 0, "inside"), "stack", "looks[0].placements[0]"),
        (("looks", 0, "manner", "fullness"), "stuffed", "looks[0].manner.fullness"),
        (("household", "toddler"), "yes", "household.toddler"),
    ],
)
def test_faults_are_refused_with_their_path(path: tuple[str | int, ...], value: object, where: str) -> None:
    content = plain()
    target: Any = content
    for step in path[:-1]:
        target = target.setdefault(step, {}) if isinstance(target, dict) else target[step]
    target[path[-1]] = value
    assert f"at {where}:" in refusal(json.dumps(content).encode())


@pytest.mark.parametrize(
    ("content", "said"),
    [
        (b"", "not whole JSON"),
        (b"[1, 2]", "plan"),
        (b'{"format": "other", "version": 1}', "not a Jolly Ledge plan"),
        (b'{"format": "jolly-ledge/plan"}', "version"),
        (b'{"format": "jolly-ledge/plan", "version": true}', "version"),
        (b'{"format": "jolly-ledge/plan", "version": 7}', "newer Jolly Ledge"),
        (b'{"format": "jolly-ledge/plan", "version": 1, "name": "\xff"}', "."),
        (b'{"a":' * 200_000, "nested deeper"),
        (b"[" * 200_000, "."),
        (b'{"format": "jolly-ledge/plan", "version": 1, "name": NaN}', "not whole JSON"),
        (b'{"format": "jolly-ledge/plan", "version": 0, "items": 3}', "shape"),
    ],
)
def test_what_is_no_plan_is_refused(content: bytes, said: str) -> None:
    assert said in refusal(content)


@pytest.mark.parametrize("number", ["NaN", "Infinity", "-Infinity", "1e999", "9" * 400])
def test_numbers_that_are_none_are_refused(number: str) -> None:
    content = plan_to_json(PLAN).replace(b'"width": 120', f'"width": {number}'.encode())
    assert number.encode() in content
    refusal(content)


def test_a_plan_of_version_one_is_lifted_as_it_is() -> None:
    plan = plan_from_json((SAMPLES / "v1.json").read_bytes())
    assert plan.version == VERSION
    assert plan.household.toddler
    assert plan.look("A").answers == ()
    assert plan.look("A").placements[0].item == "urn"


def test_a_plan_of_version_two_keeps_its_answers() -> None:
    plan = plan_from_json((SAMPLES / "v2.json").read_bytes())
    assert plan.version == VERSION
    assert plan.look("A").answers[0].measure == "putty under it"
    assert plan.piece("case").kind == "bookcase"


def test_a_plan_of_version_three_keeps_what_is_meant_and_kept() -> None:
    plan = plan_from_json((SAMPLES / "v3.json").read_bytes())
    assert plan.version == VERSION
    ledge = plan.piece("niche").ledge("a1")
    assert (ledge.meant.purpose, ledge.kept[0].name) == ("collection", "keys")
    assert plan.piece("niche").fixtures[0].outlets is None
    assert (plan.item("urn").sense, plan.item("urn").use, plan.item("urn").cord) == ("pair", None, None)


def test_a_plan_of_version_four_keeps_use_cords_and_outlets() -> None:
    plan = plan_from_json((SAMPLES / "v4.json").read_bytes())
    assert plan.version == VERSION
    piece, kettle = plan.piece("counter"), plan.item("kettle")
    assert (piece.fixtures[0].outlets, piece.fixtures[0].circuit) == (2, "K1")
    assert kettle.use is not None
    assert kettle.cord is not None
    assert (kettle.use.often, kettle.use.opens, kettle.cord.length) == ("daily", "lid", 700)
    assert (piece.tasks, piece.limits, piece.door) == ((), (), None)


def test_a_plan_of_version_five_keeps_tasks_limits_and_the_door() -> None:
    plan = plan_from_json((SAMPLES / "v5.json").read_bytes())
    assert plan.version == VERSION
    piece, pot = plan.piece("counter"), plan.item("pot")
    assert (piece.tasks[0].items, piece.limits, piece.door) == (("kettle", "pot"), (("appliance", 2),), 300)
    assert piece.ledge("a1").kept[0].name == "cup"
    assert (pot.may_be, pot.repaint) == (("painted", "toned"), "#5f7486")
    assert (pot.refinish, pot.part_painted, pot.outlets, pot.kept) == (None, False, None, ())


def test_an_older_plan_is_lifted() -> None:
    plan = plan_from_json((SAMPLES / "v0.json").read_bytes())
    assert plan.version == VERSION
    assert plan.item("vase").main_colour == "#c4663c"
    assert plan.item("box").main_colour == "#7d4f2f"
    assert plan.look("look").placements[0].ledge == "a1"


def test_a_calibration_case_gives_its_plan() -> None:
    wrapped = json.dumps({"case": {"id": "x"}, "plan": plain()}).encode()
    assert plan_from_json(wrapped) == PLAN


def test_every_key_of_the_format_is_known() -> None:
    item = {
        "id": "i", "name": "n", "category": "vessel", "silhouette": "urn", "width": 1, "height": 1, "depth": 1, "mass": None,
        "colours": [["#c87d4f", 0.8], ["#222222", 0.2]], "finish": "rough", "material": "ceramic", "traits": ["fragile"],
        "room": "hall", "status": "owned", "price": None, "mouth": 40, "stems": 5, "count": 2, "for": ["case"], "set": "s",
    }  # fmt: skip
    piece = {
        "id": "case", "name": "n", "kind": "hutch", "width": 1200, "height": 2100, "depth": 320, "backdrop": "#46535a",
        "finish": "matt", "viewed_from": "around", "use": ["eating"], "doors": "glazed", "seen_shut": True,
        "wishes": [{"kind": "only-on", "items": ["i"], "ledges": ["a1"]}],
        "ledges": [{"id": "a1", "name": "n", "left": 20, "floor": 300, "width": 560, "depth": 300, "clearance": 380,
                    "shape": "rounded-rectangle", "backdrop": "#46535a", "light": "low", "load_limit": 12, "colour": "#ffffff",
                    "surface": "top", "body": "left"}],
        "fixtures": [{"kind": "brace", "left": 1, "floor": 1, "width": 1, "height": 1, "shape": "ellipse", "colour": "#222222"}],
    }  # fmt: skip
    placement = {
        "id": "p", "item": "i", "ledge": "a1", "x": 1, "z": 1, "pose": "upright", "turn": 5, "on": None, "inside": None,
        "vignette": "v", "locked": True,
    }  # fmt: skip
    look = {"id": "A", "piece": "case", "name": "n", "placements": [placement],
            "manner": {"fullness": "airy", "figure": "peaks", "odd": "strict", "palette": ["#ffffff"]}}  # fmt: skip
    plan = {"format": "jolly-ledge/plan", "version": 1, "name": "n", "pieces": [piece], "stash": [item], "looks": [look],
            "household": {"toddler": True, "pets": ["cat"], "notes": "n"}}  # fmt: skip
    read = plan_from_json(json.dumps(plan).encode())
    assert read.stash[0].meant_for == ("case",)
    assert read.pieces[0].wishes[0].kind == "only-on"
    again = msgspec.json.decode(plan_to_json(read))
    assert again["stash"][0]["for"] == ["case"]


def test_a_case_without_looks_is_sound() -> None:
    empty = Plan(pieces=(case_of(),))
    assert plan_from_json(plan_to_json(empty)) == empty
