"""The commands that put things on paper, tell what is due and where things are, in one process."""

import json
from pathlib import Path

import pytest
from icalendar import Calendar
from PIL import Image
from pypdf import PdfReader

from commands import run
from jolly_ledge.demo import demo_bytes


def text_of(path: Path) -> str:
    return " ".join(" ".join(page.extract_text() for page in PdfReader(path).pages).split())


def test_the_sheet_is_written_on_letter_paper_in_inches(plan_path: Path, tmp_path: Path) -> None:
    assert (
        run("sheet", plan_path, "--look", "first-try", "--paper", "letter", "--unit", "in", "-o", tmp_path / "s.pdf")
        == 0
    )
    assert [round(float(side)) for side in PdfReader(tmp_path / "s.pdf").pages[0].mediabox[2:]] == [612, 792]
    text = text_of(tmp_path / "s.pdf")
    for words in ("figures in inches", "Before you begin", "Tools and hardware", "Stop, open flame:", "leads with"):
        assert words in text, words


def test_a_drawing_has_its_true_size_at_a_scale(plan_path: Path, tmp_path: Path) -> None:
    for name in ("d.png", "d.svg", "d.dxf"):
        assert run("draw", plan_path, "--look", "first-try", "--scale", "10", "-o", tmp_path / name) == 0
    with Image.open(tmp_path / "d.png") as image:
        assert image.info["dpi"][0] == pytest.approx(300, abs=0.5)
        across = image.width
    svg = (tmp_path / "d.svg").read_text()
    wide = float(svg.split('width="')[1].split("mm")[0])
    assert across / 300 * 25.4 == pytest.approx(wide, abs=0.2)
    assert (tmp_path / "d.dxf").read_text().count("LWPOLYLINE") > 30


def test_a_page_for_the_client_and_labels_are_written(plan_path: Path, tmp_path: Path) -> None:
    assert run("client", plan_path, "before", "first-try", "-o", tmp_path / "c.pdf") == 0
    assert "two versions at one scale" in text_of(tmp_path / "c.pdf")
    assert run("labels", plan_path, "cords", "--columns", 3, "--rows", 8, "-o", tmp_path / "l.pdf") == 0
    assert "pewter hall lamp" in text_of(tmp_path / "l.pdf")
    assert run("labels", plan_path, "boxes", "-o", tmp_path / "b.pdf") == 0
    assert "Box autumn 1" in text_of(tmp_path / "b.pdf")


def test_the_shopping_list_is_told_and_written(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    assert run("shopping", plan_path) == 0
    out = capsys.readouterr().out
    assert "bunch of autumn dahlias: 12.60 € (10 % off)" in out
    assert "Left of the budget: 95.40 €" in out
    assert run("shopping", plan_path, "--json") == 0
    told = json.loads(capsys.readouterr().out)
    # Amounts are text: no reader makes a binary fraction of them.
    assert (told["total"], told["left"], told["currency"]) == ("24.60", "95.40", "€")
    assert run("shopping", plan_path, "--look", "hall-welcome", "--json") == 0
    assert [line["item"] for line in json.loads(capsys.readouterr().out)["lines"]] == ["rowan-branches"]
    for name in ("b.pdf", "b.csv"):
        assert run("shopping", plan_path, "-o", tmp_path / name) == 0
    assert "12.60" in text_of(tmp_path / "b.pdf")
    assert "12.60" in (tmp_path / "b.csv").read_text()


def test_what_is_due_is_written_as_a_calendar(plan_path: Path, tmp_path: Path) -> None:
    assert run("calendar", plan_path, "-o", tmp_path / "due.ics") == 0
    events = Calendar.from_ical((tmp_path / "due.ics").read_bytes()).walk("VEVENT")
    said = {str(event["summary"]) for event in events}
    assert "Take down For the talk" in said
    assert any(one.startswith("Bring the sextant") for one in said)


def test_things_are_found_over_several_plans(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    other = tmp_path / "mill.json"
    other.write_bytes(demo_bytes().replace(b'"name": "Vesper Row"', b'"name": "The mill"'))
    assert run("where", "orrery", plan_path, other) == 0
    out = capsys.readouterr().out
    assert "Vesper Row: the brass orrery is kept in study" in out
    assert "The mill: the brass orrery" in out
    assert run("where", "sextant", plan_path, "--json") == 0
    (found,) = json.loads(capsys.readouterr().out)
    assert found["due"].startswith("from the harbour school")
    assert run("where", "nothing such", plan_path) == 0
    assert "Nothing answers" in capsys.readouterr().out


def test_changes_between_two_versions_are_told(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    later = tmp_path / "later.json"
    later.write_bytes(demo_bytes().replace(b'"name": "brass orrery"', b'"name": "great orrery"'))
    assert run("changes", plan_path, later) == 0
    assert "The great orrery: name is changed." in capsys.readouterr().out
    assert run("changes", plan_path, plan_path, "--json") == 0
    assert json.loads(capsys.readouterr().out) == []


@pytest.mark.parametrize(
    ("arguments", "said"),
    [
        (("client", "before", "-o", "c.pdf"), "2 to 5 versions"),
        (("client", "before", "hall-welcome", "-o", "c.pdf"), "of one piece"),
        (("draw", "--look", "before", "--scale", "0", "-o", "d.png"), "above nought"),
        (("draw", "--look", "before", "--scale", "nan", "-o", "d.png"), "above nought"),
        (("draw", "--look", "before", "--scale", "0.0001", "-o", "d.png"), "choose another scale"),
        (("labels", "cords", "--rows", "0", "-o", "l.pdf"), "at least one row"),
        (("labels", "cords", "--left", "-3", "-o", "l.pdf"), "nought or more"),
        (("shopping", "--look", "none", "-o", "b.pdf"), "no look “none”"),
        (("shopping", "-o", "b.txt"), "ends in neither .pdf nor .csv"),
        (("draw", "--look", "before", "-o", "d.gif"), "ends in none of .png, .svg and .dxf"),
        (("calendar", "-o", "due.txt"), "does not end in .ics"),
        (("calendar", "-o", "nowhere/due.ics"), "does not exist"),
    ],
)  # fmt: skip
def test_bad_input_is_one_line(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str], arguments: tuple[str, ...], said: str
) -> None:
    placed = [str(tmp_path / part) if "." in part and part[0].isalpha() else part for part in arguments[1:]]
    assert run(arguments[0], plan_path, *placed) == 2
    error = capsys.readouterr().err
    assert said in error
    assert error.count("\n") == 1


def test_dates_that_make_no_sense_are_told_and_the_rest_is_written(
    plan_path: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    plan_path.write_bytes(demo_bytes().replace(b'"takes_down": "2026-12-01"', b'"takes_down": "2026-02-30"'))
    assert run("calendar", plan_path, "-o", tmp_path / "due.ics") == 0
    assert "“2026-02-30”, is no day" in capsys.readouterr().err
    assert (tmp_path / "due.ics").exists()


def test_a_price_that_is_none_stops_with_its_path(plan_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    plan_path.write_bytes(demo_bytes().replace(b'"price": 14.0', b'"price": "about 30"'))
    assert run("shopping", plan_path) == 2
    assert ".price" in capsys.readouterr().err
