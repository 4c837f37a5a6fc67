"""The examples in docstrings are true."""

import doctest
import importlib
import pkgutil
from importlib.util import find_spec
from pathlib import Path

import pytest

import jolly_ledge


def source(name: str) -> str:
    """Return the source of a module, which is not run for it."""
    found = find_spec(name)
    return Path(found.origin).read_text(encoding="utf-8") if found is not None and found.origin is not None else ""


MODULES = [
    found.name
    for found in pkgutil.walk_packages(jolly_ledge.__path__, "jolly_ledge.")
    if not found.name.startswith("jolly_ledge.app")
    and not found.name.endswith("__main__")
    and ">>>" in source(found.name)
]


@pytest.mark.parametrize("name", MODULES)
def test_examples_of_a_module_are_true(name: str) -> None:
    outcome = doctest.testmod(importlib.import_module(name))

    assert outcome.failed == 0


def test_examples_are_found_at_all() -> None:
    finder = doctest.DocTestFinder(exclude_empty=True)
    found = [test for name in MODULES for test in finder.find(importlib.import_module(name)) if test.examples]

    assert len(found) > 20
