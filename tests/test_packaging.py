"""What a desktop is told: the entry in the menu, the icon, the type of plans, the metadata, the version in one place."""

import os
import re
import shutil
import subprocess
import sys
import tomllib
from configparser import ConfigParser
from importlib.metadata import version
from pathlib import Path
from xml.etree import ElementTree

import pytest

from jolly_ledge import __version__
from jolly_ledge.app.application import DESKTOP_ID
from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.plan_file import PlanFile, save_plan

ROOT = Path(__file__).parent.parent
PACKAGING = ROOT / "packaging"
MIME = "{http://www.freedesktop.org/standards/shared-mime-info}"


def desktop(action: str, data: Path, *more: str) -> None:
    environment = {**os.environ, "XDG_DATA_HOME": str(data)}
    subprocess.run([PACKAGING / "desktop", action, *more], env=environment, check=True)


def entry(path: Path) -> dict[str, str]:
    parser = ConfigParser(interpolation=None)
    parser.optionxform = str  # type: ignore[assignment, method-assign]
    parser.read(path)
    return dict(parser["Desktop Entry"])


def test_the_entry_the_type_and_the_metadata_speak_of_one_program() -> None:
    told = entry(PACKAGING / f"{DESKTOP_ID}.desktop")
    assert told["Icon"] == told["StartupWMClass"] == DESKTOP_ID
    about = ElementTree.parse(PACKAGING / f"{DESKTOP_ID}.metainfo.xml").getroot()
    assert about.findtext("id") == DESKTOP_ID
    assert about.findtext("launchable") == f"{DESKTOP_ID}.desktop"
    kind = ElementTree.parse(PACKAGING / f"{DESKTOP_ID}.mime.xml").getroot().find(f"{MIME}mime-type")
    assert kind is not None
    assert told["MimeType"] == f"{kind.get('type')};"
    assert about.findtext("provides/mediatype") == kind.get("type")


def test_the_version_has_one_place() -> None:
    project = tomllib.loads((ROOT / "pyproject.toml").read_text())["project"]
    assert project["dynamic"] == ["version"]
    assert version("jolly-ledge") == __version__
    release = ElementTree.parse(PACKAGING / f"{DESKTOP_ID}.metainfo.xml").getroot().find("releases/release")
    assert release is not None
    assert release.get("version") == __version__


def test_the_magic_rule_knows_a_saved_plan_and_no_other_zip(tmp_path: Path) -> None:
    save_plan(plan_from_json(demo_bytes()), PlanFile(tmp_path / "plan.ledge"))
    head = (tmp_path / "plan.ledge").read_bytes()[:64]
    rules = ElementTree.parse(PACKAGING / f"{DESKTOP_ID}.mime.xml").getroot().iter(f"{MIME}match")
    found = [
        (int(rule.get("offset", "0")), (rule.get("value") or "").encode().decode("unicode_escape")) for rule in rules
    ]
    assert len(found) == 2
    assert all(head[offset : offset + len(value)] == value.encode("latin-1") for offset, value in found)
    assert not (b"PK\x03\x04" + bytes(26) + b"other.txt")[30:].startswith(found[1][1].encode())


def test_a_user_gets_the_entry_and_loses_it_again(tmp_path: Path) -> None:
    desktop("install", tmp_path, "/somewhere/jolly-ledge")
    placed = tmp_path / "applications" / f"{DESKTOP_ID}.desktop"
    assert entry(placed)["Exec"] == '"/somewhere/jolly-ledge" %f'
    assert (tmp_path / "icons/hicolor/scalable/apps" / f"{DESKTOP_ID}.svg").is_file()
    assert (tmp_path / "mime/packages" / f"{DESKTOP_ID}.xml").is_file()
    desktop("uninstall", tmp_path)
    assert not [path for path in tmp_path.rglob(f"*{DESKTOP_ID}*") if path.is_file()]


def test_the_icon_is_drawn_to_scale_and_holds_no_picture() -> None:
    root = ElementTree.parse(PACKAGING / f"{DESKTOP_ID}.svg").getroot()
    assert root.get("viewBox") == "0 0 256 256"
    assert not re.search(r"<image|href=", (PACKAGING / f"{DESKTOP_ID}.svg").read_text())


@pytest.mark.skipif(shutil.which("desktop-file-validate") is None, reason="the standard tool is not installed")
def test_the_standard_tool_finds_no_fault_in_the_entry() -> None:
    done = subprocess.run(
        ["desktop-file-validate", PACKAGING / f"{DESKTOP_ID}.desktop"], capture_output=True, text=True, check=False
    )
    assert (done.returncode, done.stdout) == (0, "")


def test_the_readme_of_a_package_page_points_into_the_tree_and_nowhere_else() -> None:
    address = "https://tree.invalid/main/"
    done = subprocess.run(
        [sys.executable, ROOT / "tools" / "package_readme.py", address], input=(ROOT / "README.md").read_text(),
        capture_output=True, text=True, check=True,
    )  # fmt: skip
    pictures = re.findall(r"\]\(([^)]+\.png)\)", done.stdout)
    assert pictures
    assert all((ROOT / one.removeprefix(address)).is_file() and one.startswith(address) for one in pictures)
    links = re.findall(r"\]\(([^)\s]+)\)", done.stdout)
    assert all(link.startswith(("https://", "#")) for link in links)


def test_without_an_address_the_readme_says_what_is_wanted() -> None:
    done = subprocess.run(
        [sys.executable, ROOT / "tools" / "package_readme.py", "docs"], input="", capture_output=True, text=True,
        check=False,
    )  # fmt: skip
    assert done.returncode == 1
    assert "Tell the address" in done.stderr
