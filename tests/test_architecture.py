"""Imports run one way, and the code keeps to the project's own words."""

import ast
import re
import subprocess
import sys
import tomllib
from pathlib import Path

import pytest

ROOT = Path(__file__).parent.parent
SOURCE = ROOT / "src" / "jolly_ledge"
MODULES = sorted(SOURCE.rglob("*.py"))
CONTRACTS = tomllib.loads((ROOT / "pyproject.toml").read_text())["tool"]["importlinter"]["contracts"]


def test_imports_run_one_way() -> None:
    linter = Path(sys.executable).parent / "lint-imports"
    done = subprocess.run([str(linter)], cwd=ROOT, capture_output=True, text=True, check=False)
    assert done.returncode == 0, done.stdout
    assert f"{len(CONTRACTS)} kept, 0 broken" in done.stdout


@pytest.mark.parametrize(
    "package",
    [
        "model",
        "geometry",
        "edits",
        "scene",
        "measures",
        "readings",
        "cautions",
        "proposals",
        "drawing",
        "files",
        "jobs",
    ],
)
def test_the_core_runs_without_the_toolkit(package: str) -> None:
    names = [
        f"jolly_ledge.{path.relative_to(SOURCE).with_suffix('').as_posix().replace('/', '.')}"
        for path in sorted((SOURCE / package).rglob("*.py"))
    ]
    code = f"import importlib, sys; [importlib.import_module(n) for n in {names!r}]; sys.exit('PySide6' in sys.modules)"
    assert subprocess.run([sys.executable, "-c", code], check=False).returncode == 0


def test_every_reading_is_held_apart_from_the_others() -> None:
    apart = next(one for one in CONTRACTS if one["name"] == "No reading knows another")["modules"]
    readings = {f"jolly_ledge.readings.{path.stem}" for path in (SOURCE / "readings").glob("*.py")
                if re.search(r"^ID = ", path.read_text(), re.MULTILINE)}  # fmt: skip
    assert set(apart) == readings


def test_no_module_is_called_by_what_it_is_for_anything() -> None:
    vague = {"utils", "util", "helpers", "helper", "common", "misc", "manager"}
    assert not {path.stem for path in MODULES} & vague


def test_no_module_is_longer_than_five_hundred_lines() -> None:
    long = {path.name: len(path.read_text().splitlines()) for path in MODULES}
    assert {name: lines for name, lines in long.items() if lines > 500} == {}


def test_no_class_is_longer_than_two_hundred_and_fifty_lines() -> None:
    long = {
        f"{path.name}: {node.name}": (node.end_lineno or 0) - node.lineno + 1
        for path in MODULES
        for node in ast.walk(ast.parse(path.read_text()))
        if isinstance(node, ast.ClassDef)
    }
    assert {name: lines for name, lines in long.items() if lines > 250} == {}


def test_fonts_and_icons_come_with_their_licences() -> None:
    fonts = {path.name for path in (SOURCE / "assets" / "fonts").iterdir()}
    assert {"vollkorn-OFL.txt", "atkinson-hyperlegible-next-OFL.txt"} <= fonts
    assert len([name for name in fonts if name.endswith(".ttf")]) == 5


def test_pictures_named_in_the_readme_are_there() -> None:
    named = re.findall(r"\((docs/screenshots/[\w-]+\.png)\)", (ROOT / "README.md").read_text())
    kept = {f"docs/screenshots/{path.name}" for path in (ROOT / "docs" / "screenshots").glob("*.png")}
    assert set(named) == kept
    assert len(kept) < 20


CALLED_BY_THE_TOOLKIT = {"showEvent", "paintEvent", "resizeEvent", "drawForeground"}


def test_what_the_toolkit_calls_to_show_something_survives_a_mistake() -> None:
    bare = []
    for path in (SOURCE / "app").rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text())):
            if isinstance(node, ast.FunctionDef) and node.name in CALLED_BY_THE_TOOLKIT:
                decorators = {one.id for one in node.decorator_list if isinstance(one, ast.Name)}
                if "survives" not in decorators:
                    bare.append(f"{path.name}: {node.name}")
    assert bare == []
