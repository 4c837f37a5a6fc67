"""The command line, as whole processes where it matters and in one where it does not."""

import json
import subprocess
import sys
from pathlib import Path

import pytest
from pypdf import PdfReader

from builders import plan_of, put, thing
from commands import run
from jolly_ledge.cautions.answers import state_of
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.edits.answers import AnswerCaution
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.files.plan_file import open_plan
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.look import Answer
from jolly_ledge.photos.image import read_photo

CASE = Path(__file__).parent / "judgement" / "cases" / "pair-08.json"


def test_review_prints_the_agreed_json(plan_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert run("review", plan_path, "--look", "before", "--json") == 0
    found = json.loads(capsys.readouterr().out)
    assert set(found) == {"look", "score", "readings", "findings", "cautions"}
    assert found["look"] == "before"
    assert {"id", "score", "value", "sentence", "items"} <= set(found["readings"][0])
    assert {caution["level"] for caution in found["cautions"]} <= {"stop", "heed", "unknown"}
    assert {"id", "level", "items", "sentence"} == set(found["cautions"][0])
    assert "meteorite" in {item for caution in found["cautions"] for item in caution["items"]}


def test_review_speaks_to_people(plan_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert run("review", plan_path) == 0
    out = capsys.readouterr().out
    assert "Before: reads" in out
    assert "Open evening, first try: reads" in out
    assert "licensed person" in out


def test_every_look_is_reviewed_in_one_run(plan_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert run("review", plan_path, "--every", "--json") == 0
    found = json.loads(capsys.readouterr().out)
    assert isinstance(found, list)
    assert all(0.0 <= one["score"] <= 1.0 and one["readings"] for one in found)


def test_what_a_score_means_is_told_when_asked(plan_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    look = json.loads(plan_path.read_text())["looks"][0]["id"]
    assert run("review", plan_path, "--look", look, "--meaning", "--json") == 0
    found = json.loads(capsys.readouterr().out)
    assert {"shown", "placing", "choice"} <= found.keys()
    assert found["shown"] is None or 0.0 <= found["shown"] <= 100.0


def test_a_look_is_told_with_what_each_seat_sees(plan_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    looks = {look["piece"]: look["id"] for look in json.loads(plan_path.read_text())["looks"]}
    assert run("tell", plan_path, "--look", looks["low-table"], "--json") == 0
    told = json.loads(capsys.readouterr().out)["told"]
    assert [line.split(" sees ")[0] for line in told[-3:]] == ["Seat 1", "Seat 2", "Seat 3"]
    assert run("tell", plan_path, "--look", looks["alcove"]) == 0
    assert " sees " not in capsys.readouterr().out


def test_compare_tells_the_better_and_why(capsys: pytest.CaptureFixture[str]) -> None:
    assert run("compare", CASE, "A", "B", "--json") == 0
    found = json.loads(capsys.readouterr().out)
    assert found["better"] == "B"
    assert set(found["scores"]) == {"A", "B"}
    assert isinstance(found["by_a_hair"], bool)
    assert "colour-echo" in {row["reading"] for row in found["by"]}
    assert run("compare", CASE, "A", "A", "--json") == 0
    assert json.loads(capsys.readouterr().out)["better"] == "even"
    assert run("compare", CASE, "A", "B") == 0
    assert "B reads better" in capsys.readouterr().out


def test_sheet_draw_and_table_are_written(plan_path: Path, tmp_path: Path) -> None:
    for command, name in (("sheet", "s.pdf"), ("sheet", "s.csv"), ("draw", "d.png"), ("draw", "d.svg")):
        assert run(command, plan_path, "--look", "first-try", "-o", tmp_path / name) == 0
    assert "brass orrery" in " ".join(page.extract_text() for page in PdfReader(tmp_path / "s.pdf").pages)
    assert "brass orrery" in (tmp_path / "s.csv").read_text()
    assert (tmp_path / "d.png").read_bytes().startswith(b"\x89PNG")
    assert b"<svg" in (tmp_path / "d.svg").read_bytes()


def test_the_stash_goes_out_and_in(plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    table = tmp_path / "stash.csv"
    assert run("stash", "export", plan_path, table) == 0
    table.write_text(table.read_text().replace("brass orrery", "old brass orrery"))
    assert run("stash", "import", plan_path, table) == 0
    assert "Added 0 and changed 1 things" in capsys.readouterr().out
    assert open_plan(plan_path)[0].item("orrery").name == "old brass orrery"


def test_moves_are_told_for_a_finding(plan_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert run("review", plan_path, "--look", "first-try", "--json") == 0
    ids = [finding["id"] for finding in json.loads(capsys.readouterr().out)["findings"]]
    assert "palette-2" in ids
    assert run("mend", plan_path, "--look", "first-try", "--finding", "palette-2", "--json") == 0
    (found,) = json.loads(capsys.readouterr().out)
    assert found["moves"][0]["gain"] > 0
    assert {"id", "before", "after"} == set(found["moves"][0]["readings"][0])
    assert run("mend", plan_path, "--look", "first-try", "--finding", "palette-2") == 0
    assert found["moves"][0]["label"] in capsys.readouterr().out


def test_a_foreign_table_is_shown_first_and_then_taken_over(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    table = tmp_path / "list.csv"
    table.write_text("Item;Height;Colour\nsmall oak box;12,5;brown\ntall dark urn;48;black\n???;;\n")
    before = open_plan(plan_path)[0]
    assert run("stash", "import", plan_path, table, "--dry-run") == 0
    assert "row 2: add: adds a box" in capsys.readouterr().out
    assert open_plan(plan_path)[0] == before
    assert run("stash", "import", plan_path, table) == 0
    captured = capsys.readouterr()
    assert "Added 2 and changed 0 things" in captured.out
    assert "row 4: refuse: no kind of thing is told" in captured.err
    added = open_plan(plan_path)[0].stash[-2:]
    assert [(item.name, item.height) for item in added] == [("small oak box", 125), ("tall dark urn", 480)]


def test_twins_are_left_out_unless_they_are_wanted(plan_path: Path, tmp_path: Path) -> None:
    table = tmp_path / "twin.json"
    table.write_text('[{"name": "dark urn", "W": 18, "H": 36.5, "D": 18, "colour": "#26282b"}]')
    count = len(open_plan(plan_path)[0].stash)
    assert run("stash", "import", plan_path, table) == 0
    assert len(open_plan(plan_path)[0].stash) == count
    assert run("stash", "import", plan_path, table, "--twins") == 0
    assert len(open_plan(plan_path)[0].stash) == count + 1


def test_the_stash_goes_out_and_in_as_json(plan_path: Path, tmp_path: Path) -> None:
    table = tmp_path / "stash.json"
    assert run("stash", "export", plan_path, table) == 0
    table.write_text(table.read_text().replace("brass orrery", "old brass orrery"))
    assert run("stash", "import", plan_path, table) == 0
    assert open_plan(plan_path)[0].item("orrery").name == "old brass orrery"


def test_the_simulated_camera_photographs_a_look(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    out = tmp_path / "alcove.jpg"
    assert run("photograph", plan_path, "--look", "first-try", "-o", out) == 0
    assert read_photo(out.read_bytes()).shape == (1800, 1500, 3)
    assert "corners lie near (" in capsys.readouterr().out


@pytest.mark.parametrize(
    "arguments",
    [
        ["review", "nowhere.json"],
        ["review"],
        ["review", CASE, "--look", "Z"],
        ["review", __file__],
        ["compare", CASE, "A"],
        ["draw", CASE, "--look", "A", "-o", "x.gif"],
        ["draw", CASE, "--look", "A", "-o", "x.png", "--size", "9"],
        ["sheet", CASE, "--look", "A", "-o", "/nowhere/x.pdf"],
        ["sheet", CASE, "--look", "A", "-o", "x.pdf", "--unit", "ell"],
        ["stash", "borrow", CASE, "x.csv"],
        ["stash", "import", CASE, "nowhere.csv"],
        ["stash", "import", CASE, __file__],
        ["stash", "export", CASE, "/nowhere/x.csv"],
        ["photograph", CASE, "--look", "A", "-o", "/nowhere/x.jpg"],
        ["mend", CASE, "--look", "A", "--finding", "nothing-9"],
        ["mend", CASE],
        ["tidy", CASE],
    ],
)
def test_bad_input_gives_one_clear_line_and_two(
    arguments: list[object], capsys: pytest.CaptureFixture[str], tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.chdir(tmp_path)
    try:
        status = run(*arguments)
    except SystemExit as left:
        status = int(str(left.code))
    captured = capsys.readouterr()
    assert status == 2
    assert captured.out == ""
    assert captured.err.startswith("jolly-ledge: ")
    assert captured.err.count("\n") == 1
    assert list(tmp_path.iterdir()) == []


def test_without_a_command_the_window_opens(plan_path: Path) -> None:
    assert run() == 70
    assert run(plan_path) == 70
    assert run("demo") == 71


def test_the_installed_command_reviews_without_a_display(plan_path: Path) -> None:
    command = Path(sys.executable).parent / "jolly-ledge"
    done = subprocess.run(
        [str(command), "review", str(plan_path), "--look", "before", "--json"],
        capture_output=True,
        check=True,
        env={"PATH": "/usr/bin:/bin"},
    )
    assert json.loads(done.stdout)["look"] == "before"
    assert done.stderr == b""


def test_help_and_version_are_printed(capsys: pytest.CaptureFixture[str]) -> None:
    for words in (["--help"], ["--version"], ["review", "--help"]):
        with pytest.raises(SystemExit) as left:
            run(*words)
        assert left.value.code == 0
        assert "jolly-ledge" in capsys.readouterr().out


def test_without_a_display_the_window_says_so(plan_path: Path) -> None:
    command = Path(sys.executable).parent / "jolly-ledge"
    done = subprocess.run(
        [str(command), "demo"], capture_output=True, check=False, env={"PATH": "/usr/bin:/bin"}, text=True
    )
    assert done.returncode == 2
    assert done.stderr.count("\n") == 1
    assert "no display" in done.stderr


def test_looks_are_proposed_into_another_file(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    out = tmp_path / "proposed.json"
    words = ("propose", plan_path, "--piece", "hall-console", "--count", 2, "--steps", 15, "-o", out)
    assert run(*words, "--figure", "mirrored", "--json") == 0
    told = json.loads(capsys.readouterr().out)
    before, _ = open_plan(plan_path)
    after, _ = open_plan(out)
    added = after.looks[len(before.looks) :]
    assert [one["look"] for one in told] == [look.id for look in added]
    assert all(look.manner.figure == "mirrored" and look.piece == "hall-console" for look in added)
    assert all(one["complete"] and one["story"] for one in told)
    assert run("review", out, "--look", added[0].id, "--json") == 0
    assert json.loads(capsys.readouterr().out)["score"] == told[0]["score"]
    assert run(*words) == 0
    assert "leads the look" in capsys.readouterr().out


@pytest.mark.parametrize(
    ("words", "said"),
    [
        (("--piece", "nowhere"), "no piece"),
        (("--piece", "alcove", "--ledge", "nowhere"), "no ledge"),
        (("--piece", "alcove", "--from", "hall-welcome"), "another piece"),
        (("--piece", "alcove", "--count", "0"), "From 1 to 9"),
        (("--piece", "alcove", "--seconds", "0"), "--seconds runs"),
        (("--piece", "alcove", "--steps", "-3"), "--steps runs"),
    ],
)
def test_what_cannot_be_proposed_is_one_line(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str], words: tuple[str, ...], said: str
) -> None:
    assert run("propose", plan_path, *words, "-o", tmp_path / "out.json") == 2
    error = capsys.readouterr().err
    assert said in error
    assert error.count("\n") == 1
    assert not (tmp_path / "out.json").exists()


def test_wanted_tells_measures_and_whether_a_found_thing_suits(
    plan_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    assert run("wanted", plan_path, "--look", "hall-welcome", "--json") == 0
    found = json.loads(capsys.readouterr().out)["wanted"]
    assert found
    assert {"ledge", "height", "width", "depth", "families", "finishes", "gain", "most_price"} <= set(found[0])
    assert run("wanted", plan_path, "--look", "hall-welcome") == 0
    assert capsys.readouterr().out.startswith("A")
    assert run("wanted", plan_path, "--look", "hall-welcome", "--found", "woven basket 12 x 14 cm") == 0
    assert "basket fits on" in capsys.readouterr().out
    assert run("wanted", plan_path, "--look", "hall-welcome", "--found", "xyzzy") == 2
    assert len(capsys.readouterr().err.splitlines()) == 1
    assert run("wanted", plan_path, "--look", "first-try", "--instead-of", "dahlias", "--json") == 0
    assert json.loads(capsys.readouterr().out)["instead_of"] == "dahlias"


def test_restyle_tells_the_carries(plan_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert run("restyle", plan_path, "before", "first-try", "--json") == 0
    found = json.loads(capsys.readouterr().out)
    assert {carry["kind"] for carry in found["carries"]} <= {"take away", "set aside", "move", "bring"}
    assert found["comes_from"]
    assert run("restyle", plan_path, "before", "before") == 0
    assert "Nothing is to be carried" in capsys.readouterr().out
    assert run("restyle", plan_path, "before", "low-tea") == 2
    assert "different pieces" in capsys.readouterr().err


def test_stems_tells_how_many_and_where_they_are_cut(plan_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert run("stems", plan_path, "--vessel", "terracotta-vase", "--stems", "twigs", "--json") == 0
    found = json.loads(capsys.readouterr().out)
    assert found["mouth"] == 60.0
    assert sum(cut["stems"] for cut in found["cuts"]) == 12
    assert run("stems", plan_path, "--vessel", "bud-bottle", "--stems", "twigs", "--look", "first-try") == 0
    assert "crowd" in capsys.readouterr().out
    assert run("stems", plan_path, "--vessel", "orrery") == 2
    assert len(capsys.readouterr().err.splitlines()) == 1


def test_propose_in_each_figure_finishing_and_staying_near(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    out = tmp_path / "out.json"
    assert run("propose", plan_path, "--piece", "study-cabinet", "--each", "figure", "--steps", 5, "-o", out) == 0
    plan, _ = open_plan(out)
    assert [look.manner.figure for look in plan.looks[-3:]][1:] != [plan.looks[-3].manner.figure] * 2
    assert len({look.manner.figure for look in plan.looks[-3:]}) == 3
    finish = ("propose", plan_path, "--piece", "alcove", "--from", "before", "--finish", "--count", 1, "--steps", 30)
    assert run(*finish, "-o", out) == 0
    plan, _ = open_plan(out)
    assert set(plan.look("before").placements) <= set(plan.looks[-1].placements)
    near = ("propose", plan_path, "--piece", "alcove", "--from", "first-try", "--stay", 0.8, "--count", 1)
    assert run(*near, "--steps", 60, "-o", out) == 0
    plan, _ = open_plan(out)
    first, last = plan.look("first-try"), plan.looks[-1]
    kept = {(p.item, p.ledge) for p in first.placements} & {(p.item, p.ledge) for p in last.placements}
    assert len(kept) >= 0.7 * len(first.placements)
    capsys.readouterr()
    assert run("propose", plan_path, "--piece", "alcove", "--stay", 3, "-o", out) == 2
    assert "share from 0 to 1" in capsys.readouterr().err


def test_what_must_be_there_and_is_not_is_told_first_and_the_rest_is_written(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    harp = thing("harp", height=900.0, width=700.0, depth=500.0, traits=("must-keep",))
    stash = (harp, *(thing(f"jar{n}", height=140.0 + 20 * n) for n in range(5)))
    path, out = tmp_path / "plan.json", tmp_path / "out.json"
    path.write_bytes(plan_to_json(plan_of(stash, (put("jar4", x=150.0, locked=True),))))
    status = run("propose", path, "--piece", "case", "--count", 1, "--steps", 10, "-o", out)
    assert status == 3
    assert capsys.readouterr().out.startswith("The harp must be there and fits on no ledge of Case.")
    made = plan_from_json(out.read_bytes()).looks[-1]
    assert "jar4" in {placement.item for placement in made.placements}
    assert next(p for p in made.placements if p.item == "jar4").x == 150.0
    assert run("propose", path, "--piece", "case", "--count", 1, "--steps", 10, "--json", "-o", out) == 3
    (told,) = json.loads(capsys.readouterr().out)
    assert told["left_out"] == ["The harp must be there and fits on no ledge of Case."]
    afresh = ("--piece", "case", "--count", 1, "--steps", 10, "--afresh", "-o", out)
    assert run("propose", path, *afresh) == 3
    free = plan_from_json(out.read_bytes()).looks[-1]
    assert not any(placement.locked for placement in free.placements)


def test_an_answer_is_told_in_a_review(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    plan = plan_of((thing("lit", "candle", height=150.0, traits=("flame",)),), (put("lit"),))
    look = arrange(plan, plan.looks[0])
    asked = next(caution for caution in cautions_of(look) if caution.id == "flame")
    answer = Answer(caution="flame", state=state_of(asked, look), measure="left unlit", by="Tilda", date="2026-11-02")
    path = tmp_path / "plan.json"
    path.write_bytes(plan_to_json(AnswerCaution(look="look", answer=answer).apply(plan)))
    assert run("review", path) == 0
    assert "Open flame (stop, unless left unlit (Tilda, 2026-11-02))" in capsys.readouterr().out
    assert run("review", path, "--json") == 0
    (told,) = [c for c in json.loads(capsys.readouterr().out)["cautions"] if c["id"] == "flame"]
    assert told["unless"] == "left unlit (Tilda, 2026-11-02)"


def test_the_plan_format_is_printed_or_written_as_a_schema(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert run("schema") == 0
    printed = json.loads(capsys.readouterr().out)
    assert {"Plan", "Ledge", "Placement"} <= set(printed["$defs"])
    out = tmp_path / "plan.schema.json"
    assert run("schema", "-o", out) == 0
    assert json.loads(out.read_text()) == printed


def test_a_look_is_carried_over_and_what_became_of_it_is_told(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    out = tmp_path / "carried.json"
    assert run("carry", plan_path, "--look", "hall-welcome", "--to", "low-table", "-o", out, "--json") == 3
    told = json.loads(capsys.readouterr().out)
    assert told["left_out"]
    assert told["told"][0].startswith("Of nine things ")
    carried = next(look for look in json.loads(out.read_text())["looks"] if look["id"] == told["look"])
    assert carried["piece"] == "low-table"
    assert len(carried["placements"]) == 9 - len(told["left_out"])
    assert run("carry", plan_path, "--look", "hall-welcome", "--to", "hall-console", "-o", out) != 0
    assert "is a look of" in capsys.readouterr().err
