"""Files beside the plan: earlier versions, recent plans, the calendar, DXF, the shopping list."""

import csv
import io
import os
from datetime import UTC, date, datetime, timedelta
from decimal import Decimal
from itertools import pairwise
from pathlib import Path
from typing import Any

import ezdxf
import pytest
from ezdxf.entities.ellipse import Ellipse
from ezdxf.entities.lwpolyline import LWPolyline
from ezdxf.entities.text import Text
from hypothesis import given, settings
from hypothesis import strategies as st
from icalendar import Calendar
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.edits.looks import RenamePlan
from jolly_ledge.files.backups import MOST, Backup, Backups, thinned
from jolly_ledge.files.calendar_file import due_to_calendar
from jolly_ledge.files.dxf import LAYERS, look_to_dxf
from jolly_ledge.files.errors import FileError
from jolly_ledge.files.plan_file import PlanFile, open_plan, save_plan
from jolly_ledge.files.recent import RecentFiles
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.files.shopping_csv import shopping_to_csv
from jolly_ledge.model.money import Discount
from jolly_ledge.model.piece import Fixture, Ledge
from jolly_ledge.planning.due import Due
from jolly_ledge.planning.shopping import shopping_list
from jolly_ledge.workspace.new_plan import new_plan
from jolly_ledge.workspace.workspace import Workspace

NOW = datetime(2026, 11, 25, 12, 0, tzinfo=UTC)


# Earlier versions


@settings(deadline=None)
@given(st.lists(st.integers(0, 10_000_000), min_size=1, max_size=40, unique=True))
def test_versions_are_thinned_to_ten_and_the_newest_and_oldest_stay(seconds: list[int]) -> None:
    kept = [Backup(Path(str(n)), NOW - timedelta(seconds=n)) for n in seconds]
    gone = {backup.path for backup in thinned(kept, NOW)}
    left = [backup for backup in kept if backup.path not in gone]
    assert len(left) == min(len(kept), MOST)
    assert max(kept, key=lambda one: one.at) in left
    assert min(kept, key=lambda one: one.at) in left


def test_old_versions_lie_further_apart_than_young_ones() -> None:
    kept = [Backup(Path(str(n)), NOW - timedelta(hours=6 * n)) for n in range(200)]
    gone = {backup.path for backup in thinned(kept, NOW)}
    left = sorted((NOW - backup.at).total_seconds() / 3600 for backup in kept if backup.path not in gone)
    gaps = [later - earlier for earlier, later in pairwise(left)]
    assert gaps[0] < 48
    assert gaps[0] < gaps[-1] / 3


def test_what_a_save_replaces_is_kept_and_taken_back(tmp_path: Path, qapp: object) -> None:
    workspace = Workspace(new_plan(), RecoveryLog(tmp_path / "recovery"))
    workspace.document.backups, workspace.document.recent = (
        Backups(tmp_path / "versions"),
        RecentFiles(tmp_path / "recent.json"),
    )
    path = tmp_path / "mill.ledge"
    for name in ("First", "Second", "Third"):
        workspace.commit(RenamePlan(name=name))
        assert workspace.save(path)
    versions = workspace.document.earlier_versions()
    assert [open_plan(version.path)[0].name for version in versions] == ["Second", "First"]
    assert workspace.document.changes_since(versions[1]) == ("It is called “Third” (before: “First”).",)
    assert workspace.take_version(versions[1])
    assert (workspace.plan.name, workspace.document.is_dirty) == ("First", True)
    assert open_plan(path)[0].name == "Third"
    assert workspace.document.recent.paths() == (path,)
    versions[0].path.write_bytes(b"torn")
    assert "cannot be opened" in workspace.document.changes_since(versions[0])[0]
    assert not workspace.take_version(versions[0])
    workspace.document.let_go()


def test_a_full_disk_for_versions_does_not_spoil_the_save(
    tmp_path: Path, qapp: object, monkeypatch: pytest.MonkeyPatch
) -> None:
    workspace = Workspace(new_plan(), RecoveryLog(tmp_path / "recovery"))
    workspace.document.backups = Backups(tmp_path / "versions")
    path = tmp_path / "mill.ledge"
    workspace.save(path)
    workspace.commit(RenamePlan(name="Second"))

    def full(*_: object, **__: object) -> None:
        raise FileError("no room")

    monkeypatch.setattr(Backups, "keep", full)
    said: list[str] = []
    workspace.signals.refused.connect(said.append)
    assert workspace.save()
    assert open_plan(path)[0].name == "Second"
    assert said == ["It is saved; the version before it could not be kept apart, for there is no room."]
    workspace.document.let_go()


def test_a_strange_file_among_the_versions_is_passed_over(tmp_path: Path) -> None:
    backups, path = Backups(tmp_path), tmp_path / "a.ledge"
    assert backups.of(path) == ()
    backups.keep(path, b"x", NOW)
    (backups.of(path)[0].path.parent / "notes.txt").write_text("mine")
    assert len(backups.of(path)) == 1


# Recent plans


def test_recent_plans_are_the_last_ones_that_are_still_there(tmp_path: Path) -> None:
    recent = RecentFiles(tmp_path / "state" / "recent.json")
    assert recent.paths() == ()
    paths = [tmp_path / f"{n}.ledge" for n in range(15)]
    for path in paths:
        path.write_bytes(b"")
        recent.add(path)
    recent.add(paths[5])
    os.unlink(paths[14])
    found = recent.paths()
    assert found[:2] == (paths[5], paths[13])
    assert len(found) == 11


def test_the_files_of_other_clients_beside_recent_ones_are_known(tmp_path: Path) -> None:
    recent = RecentFiles(tmp_path / "state" / "recent.json")
    for name in ("mill.ledge", "row.ledge", "notes.txt", "inn.json"):
        (tmp_path / name).write_bytes(b"")
    recent.add(tmp_path / "row.ledge")
    assert recent.clients() == (tmp_path / "row.ledge", tmp_path / "mill.ledge")


@pytest.mark.parametrize("content", [b"", b"torn", b"{}", b"[1]", b"\xff\xfe"])
def test_a_damaged_list_is_begun_anew(tmp_path: Path, content: bytes) -> None:
    (tmp_path / "recent.json").write_bytes(content)
    recent = RecentFiles(tmp_path / "recent.json")
    assert recent.paths() == ()
    recent.add(tmp_path / "recent.json")
    assert recent.paths() == (tmp_path / "recent.json",)


# The calendar


def test_the_calendar_is_read_back_by_others() -> None:
    found = [
        Due("water", "fern", date(2026, 11, 8), "Water the fern", "Case: A", every_days=7, until=date(2026, 12, 20)),
        Due("repot", "fern", date(2027, 3, 1), "Repot the fern, gently; twice", every_year=True),
        Due("take-down", "a", date(2026, 12, 20), "Take down A"),
    ]
    content = due_to_calendar(found, "Mill", NOW)
    events: list[Any] = Calendar.from_ical(content).walk("VEVENT")
    assert [str(event["summary"]) for event in events] == [due.what for due in found]
    assert [event["dtstart"].dt for event in events] == [due.day for due in found]
    assert events[0]["rrule"]["INTERVAL"] == [7]
    assert events[0]["rrule"]["UNTIL"] == [date(2026, 12, 20)]
    assert events[1]["rrule"]["FREQ"] == ["YEARLY"]
    assert len({str(event["uid"]) for event in events}) == 3
    # The same thing keeps its identity, so that a second export does not double it.
    assert due_to_calendar(found, "Mill", NOW) == content
    assert Calendar.from_ical(due_to_calendar([], "")).walk("VEVENT") == []


# DXF


def test_the_drawing_file_holds_the_geometry_to_the_mm(tmp_path: Path) -> None:
    round_top = Ledge(id="t", name="top", left=0.0, floor=900.0, width=800.0, depth=500.0, shape="ellipse")
    case = case_of(1, ledges=(*case_of(1).ledges, round_top), fixtures=(
        Fixture(kind="mirror", left=100.0, floor=950.0, width=300.0, height=500.0, shape="ellipse"),
    ))  # fmt: skip
    look = arranged(
        (thing("chest", "box"), thing("Vase „é“")), (put("chest", x=300), put("Vase „é“", "t", x=300)), case
    )
    path = tmp_path / "look.dxf"
    path.write_text(look_to_dxf(look), encoding="utf-8")
    document = ezdxf.readfile(path)  # type: ignore[attr-defined]
    assert document.header["$INSUNITS"] == 4
    assert not document.audit().errors
    space = document.modelspace()
    assert {layer for layer in LAYERS if space.query(f'*[layer=="{layer}"]')} >= {"PIECE", "LEDGES", "THINGS", "NAMES"}
    boxes = [entity for entity in space.query('LWPOLYLINE[layer=="THINGS"]') if isinstance(entity, LWPolyline)]
    chest = [(x, y) for x, y, *_ in boxes[0].get_points()]
    placed = look.by_id["chest"]
    assert (min(x for x, _ in chest), max(x for x, _ in chest)) == (placed.left, placed.right)
    assert (min(y for _, y in chest), max(y for _, y in chest)) == (placed.bottom, placed.top)
    mirror = next(entity for entity in space.query('ELLIPSE[layer=="FIXTURES"]') if isinstance(entity, Ellipse))
    assert (mirror.dxf.center.x, mirror.dxf.center.y, mirror.dxf.ratio) == (250.0, 1200.0, 0.6)
    names = {entity.dxf.text for entity in space.query("TEXT") if isinstance(entity, Text)}
    assert {"chest", "Vase „é“", "top"} <= names


# The shopping list


def test_the_list_as_csv_is_exact_and_defused() -> None:
    stash = (
        thing("=jug", name="=jug", status="to-buy", price=Decimal("0.10"), count=3, discount=Discount(percent=5)),
        thing("bowl", status="wanted"),
    )
    plan = replace(plan_of(stash, (put("=jug"),)), budget=Decimal("0.25"), currency="€")
    rows = list(csv.DictReader(io.StringIO(shopping_to_csv(shopping_list(plan), plan.currency))))
    assert rows[0]["thing"] == "'=jug"
    assert (rows[0]["unit price"], rows[0]["cost"], rows[0]["saved"], rows[0]["discount"]) == (
        "0.10",
        "0.29",
        "0.01",
        "5 % off",
    )
    assert [(row["thing"], row["cost"]) for row in rows[2:]] == [
        ("total", "0.29"),
        ("budget", "0.25"),
        ("left", "-0.04"),
    ]
    assert rows[1]["cost"] == ""


def test_a_plan_with_all_that_is_kept_goes_round(tmp_path: Path) -> None:
    plan = plan_of((thing("urn", box="3", gone=True, original_price=Decimal("1.1")),), (put("urn"),))
    save_plan(plan, PlanFile(tmp_path / "a.json"))
    assert open_plan(tmp_path / "a.json")[0] == plan
