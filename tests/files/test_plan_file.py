"""Plans on disk: whole or not at all, never over somebody else's work, and back after a crash."""

import errno
import io
import os
import signal
import stat
import subprocess
import sys
import tempfile
import zipfile
from collections.abc import Callable
from pathlib import Path

import msgspec
import pytest
from msgspec.structs import replace

from builders import plan_of, put, thing
from jolly_ledge.files.archive import pack
from jolly_ledge.files.atomic import write_atomically
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.files.errors import ChangedOnDiskError, FileError, PlanFileError
from jolly_ledge.files.photo_file import photo_bytes
from jolly_ledge.files.plan_file import PlanFile, open_plan, save_plan
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.files.table import read_list
from jolly_ledge.model.look import Placement

PLAN = plan_of((thing("vase"),), (put("vase"),))
OTHER = replace(PLAN, name="Other")


@pytest.mark.parametrize("name", ["plan.json", "plan.ledge"])
def test_a_plan_is_saved_and_opened(tmp_path: Path, name: str) -> None:
    file = save_plan(PLAN, PlanFile(tmp_path / name))
    plan, opened = open_plan(tmp_path / name)
    assert plan == PLAN
    assert opened.digest == file.digest
    assert not opened.changed_on_disk
    assert zipfile.is_zipfile(tmp_path / name) is name.endswith(".ledge")


def test_photos_in_an_archive_are_kept(tmp_path: Path) -> None:
    path = tmp_path / "plan.ledge"
    path.write_bytes(pack(plan_to_json(PLAN), {"photos/a.png": b"picture"}))
    plan, file = open_plan(path)
    save_plan(replace(plan, name="Renamed"), file)
    assert zipfile.ZipFile(path).read("photos/a.png") == b"picture"


def test_a_file_changed_by_others_is_not_overwritten(tmp_path: Path) -> None:
    path = tmp_path / "plan.json"
    file = save_plan(PLAN, PlanFile(path))
    path.write_bytes(plan_to_json(OTHER))
    with pytest.raises(ChangedOnDiskError, match="changed by somebody else"):
        save_plan(PLAN, file)
    assert open_plan(path)[0] == OTHER
    save_plan(PLAN, file, overwrite_changes=True)
    assert open_plan(path)[0] == PLAN


def test_a_file_that_others_took_away_is_written_again(tmp_path: Path) -> None:
    file = save_plan(PLAN, PlanFile(tmp_path / "plan.json"))
    file.path.unlink()
    save_plan(PLAN, file)
    assert open_plan(file.path)[0] == PLAN


def full(*_: object) -> None:
    raise OSError(errno.ENOSPC, "No space left on device")


@pytest.mark.parametrize("step", ["fsync", "replace"])
def test_a_full_disk_loses_nothing(tmp_path: Path, monkeypatch: pytest.MonkeyPatch, step: str) -> None:
    path = tmp_path / "plan.json"
    file = save_plan(PLAN, PlanFile(path))
    monkeypatch.setattr(os, step, full)
    with pytest.raises(FileError, match="disk is full"):
        save_plan(OTHER, file)
    monkeypatch.undo()
    assert open_plan(path)[0] == PLAN
    assert list(tmp_path.iterdir()) == [path]


def test_a_really_full_disk_gives_one_sentence() -> None:
    with pytest.raises(FileError, match="was not saved"):
        write_atomically(Path("/dev/full/plan.json"), b"x")


@pytest.mark.parametrize("where", ["nowhere/plan.json", "x" * 300 + ".json"])
def test_places_that_cannot_be_written_are_named(tmp_path: Path, where: str) -> None:
    with pytest.raises(FileError) as refusal:
        save_plan(PLAN, PlanFile(tmp_path / where))
    assert "unharmed" in str(refusal.value)


def test_a_read_only_folder_gives_one_sentence(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    def refuse(*_: object, **__: object) -> None:
        raise OSError(errno.EACCES, "Permission denied")

    monkeypatch.setattr(tempfile, "mkstemp", refuse)
    with pytest.raises(FileError, match="may not be written"):
        save_plan(PLAN, PlanFile(tmp_path / "plan.json"))


def test_a_saved_plan_keeps_its_rights_and_its_link(tmp_path: Path) -> None:
    real, link = tmp_path / "real.json", tmp_path / "link.json"
    real.write_bytes(plan_to_json(PLAN))
    real.chmod(0o640)
    link.symlink_to(real)
    _, file = open_plan(link)
    save_plan(OTHER, file)
    assert link.is_symlink()
    assert open_plan(real)[0] == OTHER
    assert stat.S_IMODE(real.stat().st_mode) == 0o640


@pytest.mark.parametrize(
    ("make", "said"),
    [
        (lambda path: None, "no such file"),
        (lambda path: path.mkdir(), "folder"),
        (lambda path: path.write_bytes(b"PK\x03\x04 cut"), "damaged"),
        (lambda path: path.write_bytes(b"{"), "not whole JSON"),
        (lambda path: path.write_bytes(archive({"other.json": b"{}"})), "no plan.json"),
        (lambda path: path.write_bytes(archive({"plan.json": b"{}", "../evil": b"x"})), "leaves it"),
        (lambda path: path.write_bytes(archive({"plan.json": b"{}", "/etc/evil": b"x"})), "leaves it"),
        (lambda path: path.write_bytes(archive({"plan.json": b"{}", "a\\..\\..\\evil": b"x"})), "leaves it"),
        (lambda path: path.write_bytes(archive({"plan.json": b" " * 300 * 2**20})), "more than 200 MB"),
    ],
)
def test_files_that_are_no_plan_are_refused_in_one_sentence(
    tmp_path: Path, make: Callable[[Path], object], said: str
) -> None:
    path = tmp_path / "plan.ledge"
    make(path)
    with pytest.raises(FileError) as refusal:
        open_plan(path)
    assert said in str(refusal.value)
    assert "\n" not in str(refusal.value)


def archive(members: dict[str, bytes]) -> bytes:
    buffer = io.BytesIO()
    with zipfile.ZipFile(buffer, "w", zipfile.ZIP_DEFLATED) as made:
        for name, content in members.items():
            made.writestr(name, content)
    return buffer.getvalue()


def test_a_bomb_that_lies_about_its_size_is_stopped(tmp_path: Path) -> None:
    content = bytearray(archive({"plan.json": b"0" * (250 * 2**20)}))
    size = (250 * 2**20).to_bytes(4, "little")
    assert content.count(size) == 2
    path = tmp_path / "bomb.ledge"
    path.write_bytes(bytes(content).replace(size, (1000).to_bytes(4, "little")))
    with pytest.raises(PlanFileError):
        open_plan(path)


def test_an_archive_cut_anywhere_is_refused(tmp_path: Path) -> None:
    whole = pack(plan_to_json(PLAN), {})
    path = tmp_path / "cut.ledge"
    for cut in range(4, len(whole), 37):
        path.write_bytes(whole[:cut])
        with pytest.raises(PlanFileError):
            open_plan(path)


KILLED = """
import os, sys
from pathlib import Path
from jolly_ledge.files import atomic
from jolly_ledge.files.photo_file import photo_bytes
from jolly_ledge.files.plan_file import open_plan, save_plan
path = Path(sys.argv[1])
plan, file = open_plan(path)
sync = os.fsync
def slow(handle):
    sync(handle)
    print("half way", flush=True)
    import time
    time.sleep(60)
atomic.os.fsync = slow
save_plan(plan, file, overwrite_changes=True)
"""


def test_a_kill_in_mid_save_leaves_the_old_plan(tmp_path: Path) -> None:
    path = tmp_path / "plan.json"
    save_plan(PLAN, PlanFile(path))
    with subprocess.Popen([sys.executable, "-c", KILLED, str(path)], stdout=subprocess.PIPE) as process:
        assert process.stdout is not None
        said = process.stdout.readline()
        process.send_signal(signal.SIGKILL)
    assert said == b"half way\n"
    assert open_plan(path)[0] == PLAN


@pytest.mark.parametrize("name", [".", "./"])
def test_a_member_without_a_name_is_passed_over(tmp_path: Path, name: str) -> None:
    path = tmp_path / "odd.ledge"
    with zipfile.ZipFile(path, "w") as archive:
        archive.writestr("plan.json", plan_to_json(PLAN))
        archive.writestr(zipfile.ZipInfo(name), b"")
    assert open_plan(path)[0] == PLAN


@pytest.mark.parametrize("device", ["/dev/zero", "/dev/null"])
def test_a_device_is_not_read(tmp_path: Path, device: str) -> None:
    link = tmp_path / "endless.ledge"
    link.symlink_to(device)
    for read in (open_plan, read_list, photo_bytes):
        with pytest.raises(FileError, match="no ordinary file"):
            read(link)


def test_a_pipe_nobody_writes_to_is_not_waited_for(tmp_path: Path) -> None:
    pipe = tmp_path / "pipe.json"
    os.mkfifo(pipe)
    with pytest.raises(FileError, match="no ordinary file"):
        open_plan(pipe)


@pytest.mark.parametrize(
    ("placements", "words"),
    [
        (tuple(put(f"t{n}", x=10.0) for n in range(301)), "301 things"),
        (tuple(put(f"t{n}", x=10.0, on=f"t{n - 1}" if n else None) for n in range(62)), "60 things on one pile"),
    ],
    ids=["ledge", "pile"],
)
def test_more_than_any_ledge_or_pile_bears_is_refused(placements: tuple[Placement, ...], words: str) -> None:
    stash = tuple(thing(f"t{n}") for n in range(301))
    with pytest.raises(FileError, match=words):
        plan_from_json(plan_to_json(plan_of(stash, placements)))


# Recovery


def test_work_is_found_again_after_a_crash(tmp_path: Path) -> None:
    code = (
        "import sys; from pathlib import Path; from jolly_ledge.files.plan_file import open_plan;"
        "from jolly_ledge.files.recovery import RecoveryLog;"
        "plan, _ = open_plan(Path(sys.argv[1]));"
        "RecoveryLog(Path(sys.argv[2])).keep(plan, Path('/somewhere/plan.ledge'));"
        "import os, signal; os.kill(os.getpid(), signal.SIGKILL)"
    )
    path = tmp_path / "plan.json"
    save_plan(PLAN, PlanFile(path))
    subprocess.run([sys.executable, "-c", code, str(path), str(tmp_path / "kept")], check=False)
    (found,) = RecoveryLog(tmp_path / "kept").find()
    assert found.plan == PLAN
    assert found.path == Path("/somewhere/plan.ledge")


def test_a_recovery_file_that_was_cut_is_passed_over(tmp_path: Path) -> None:
    log = RecoveryLog(tmp_path)
    log.keep(PLAN, None)
    (kept,) = tmp_path.iterdir()
    whole = kept.read_bytes()
    for content in (whole[:-30], whole.replace(b"Test", b"Tast"), b""):
        (tmp_path / "999999999.recovery").write_bytes(content)
        assert log.find() == ()
    log.forget()
    assert not kept.exists()


def ended(kept: Path, **changes: object) -> bytes:
    """Return what a run that ended left: as another one's file is, with some of it changed."""
    known = {**msgspec.json.decode(kept.read_bytes()), "started": "before the last start of the machine", **changes}
    return msgspec.json.encode(known)


def test_a_recovery_file_whose_content_was_changed_is_passed_over(tmp_path: Path) -> None:
    log = RecoveryLog(tmp_path)
    log.keep(PLAN, None)
    (kept,) = tmp_path.iterdir()
    other = tmp_path / "other.recovery"
    other.write_bytes(ended(kept))
    assert [found.plan for found in log.find()] == [PLAN]
    other.write_bytes(ended(kept).replace(b"Test", b"Tast"))
    assert log.find() == ()
    other.write_bytes(ended(kept, path="/somewhere/else.ledge"))
    assert log.find() == ()


def test_a_number_of_a_process_that_came_again_loses_no_offer(tmp_path: Path) -> None:
    first = RecoveryLog(tmp_path)
    first.keep(PLAN, None)
    (kept,) = tmp_path.iterdir()
    kept.write_bytes(ended(kept))
    second = RecoveryLog(tmp_path)
    second.keep(replace(PLAN, name="Another"), None)
    assert [found.plan for found in second.find()] == [PLAN]
    assert len(list(tmp_path.iterdir())) == 2
    second.forget()
    assert kept.exists()


def test_a_link_to_nowhere_and_a_folder_in_the_place_of_a_file_break_nothing(tmp_path: Path) -> None:
    (tmp_path / "a.recovery").symlink_to(tmp_path / "nowhere")
    (tmp_path / "b.recovery").mkdir()
    (tmp_path / "c.recovery").symlink_to("/dev/zero")
    assert RecoveryLog(tmp_path).find() == ()


def test_what_a_save_left_that_was_cut_short_is_cleaned_away(tmp_path: Path) -> None:
    old, fresh, other = (tmp_path / name for name in (".plan.json.abc.part", ".plan.json.def.part", ".b.json.abc.part"))
    for part in (old, fresh, other):
        part.write_bytes(b"half")
    for part in (old, other):
        os.utime(part, (1.0, 1.0))
    save_plan(PLAN, PlanFile(tmp_path / "plan.json"))
    assert (old.exists(), fresh.exists(), other.exists()) == (False, True, True)
    RecoveryLog(tmp_path).find()
    assert (fresh.exists(), other.exists()) == (True, False)


def test_the_work_of_a_running_session_is_not_offered(tmp_path: Path) -> None:
    log = RecoveryLog(tmp_path)
    log.keep(PLAN, None)
    assert log.find() == ()


def test_a_folder_that_cannot_be_made_gives_one_sentence(tmp_path: Path) -> None:
    (tmp_path / "file").write_text("x")
    with pytest.raises(FileError, match="cannot be kept"):
        RecoveryLog(tmp_path / "file" / "inside").keep(PLAN, None)


def test_nothing_is_found_where_there_is_nothing(tmp_path: Path) -> None:
    assert RecoveryLog(tmp_path / "nowhere").find() == ()
