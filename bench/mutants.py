"""How many small faults the tests find: two hundred, by chance and seeded, one at a time, in what judges and plans.

    python bench/mutants.py [NUMBER] [SEED] [PART OF PARTS]

A fault exchanges a comparison, an operation, a limit or a truth within one function of the core. The code of the
function is exchanged in a process of its own; what is held of many looks is told anew, and where nothing of it
differs the tests that stand nearest run until one fails. Told are the faults that no test finds: what to look at next.
``1 of 2`` tries every other fault, for a second core.
"""

import ast
import inspect
import os
import sys
from collections import Counter
from collections.abc import Iterator
from importlib import import_module
from pathlib import Path
from random import Random
from types import CodeType, FunctionType
from typing import Any

sys.path.insert(0, str(Path(__file__).parent.parent / "tests"))

from msgspec import Struct

from held.held_figures import is_as_held

ROOT = Path(__file__).parent.parent
PACKAGES = ("readings", "cautions", "geometry", "planning")
NEAREST: dict[str, tuple[str, ...]] = {
    "readings": ("readings", "judgement", "test_doctests.py"),
    "cautions": ("cautions", "judgement", "test_doctests.py", "geometry/test_plugs.py", "edits"),
    "geometry": (
        "geometry",
        "readings",
        "cautions",
        "edits",
        "test_doctests.py",
        "proposals/test_groups.py",
        "drawing",
    ),
    "planning": (
        "planning",
        "test_doctests.py",
        "drawing",
        "files",
        "model",
        "proposals/test_wanted.py",
        "edits",
        "exports",
        "test_report.py",
        "test_cli.py",
        "test_cli_papers.py",
    ),
}
HELD: dict[str, tuple[str, ...]] = {
    "readings": ("readings", "sentences"),
    "cautions": ("cautions",),
    "geometry": ("places", "readings", "cautions", "plans"),
    "planning": ("plans",),
}
COMPARISONS: dict[type[ast.cmpop], type[ast.cmpop]] = {
    ast.Lt: ast.GtE, ast.LtE: ast.Gt, ast.Gt: ast.LtE, ast.GtE: ast.Lt, ast.Eq: ast.NotEq, ast.NotEq: ast.Eq,
    ast.In: ast.NotIn, ast.NotIn: ast.In, ast.Is: ast.IsNot, ast.IsNot: ast.Is,
}  # fmt: skip
OPERATIONS: dict[type[ast.operator], type[ast.operator]] = {
    ast.Add: ast.Sub, ast.Sub: ast.Add, ast.Mult: ast.Div, ast.Div: ast.Mult,
}  # fmt: skip
SECONDS, TOLD_EVERY = 240, 5


class Fault(Struct, frozen=True):
    """Where something is exchanged: a module, a function in it, the how-manieth place, and the line."""

    module: str
    function: str
    place: int
    line: int
    said: str


class Exchange(ast.NodeTransformer):
    """Exchanges the operator at the how-manieth place of a function that is visited; ``places`` are all of them."""

    def __init__(self, place: int = -1) -> None:
        self.place = place
        self.places: list[ast.expr] = []

    def _is_here(self, node: ast.expr) -> bool:
        self.places.append(node)
        return len(self.places) - 1 == self.place

    def visit_Compare(self, node: ast.Compare) -> ast.AST:
        for index, operator in enumerate(node.ops):
            if self._is_here(node):
                node.ops[index] = COMPARISONS[type(operator)]()
        return self.generic_visit(node)

    def visit_BinOp(self, node: ast.BinOp) -> ast.AST:
        if type(node.op) in OPERATIONS and self._is_here(node):
            node.op = OPERATIONS[type(node.op)]()
        return self.generic_visit(node)

    def visit_BoolOp(self, node: ast.BoolOp) -> ast.AST:
        if self._is_here(node):
            node.op = ast.Or() if isinstance(node.op, ast.And) else ast.And()
        return self.generic_visit(node)

    def visit_UnaryOp(self, node: ast.UnaryOp) -> ast.AST:
        if isinstance(node.op, ast.Not) and self._is_here(node):
            return node.operand
        return self.generic_visit(node)


def functions_of(tree: ast.Module) -> Iterator[tuple[str, ast.FunctionDef]]:
    """Yield the functions and methods of a module with their qualified names."""
    for node in tree.body:
        if isinstance(node, ast.FunctionDef):
            yield node.name, node
        elif isinstance(node, ast.ClassDef):
            yield from ((f"{node.name}.{one.name}", one) for one in node.body if isinstance(one, ast.FunctionDef))


def all_faults() -> Iterator[Fault]:
    """Yield every fault there could be, those within sentences apart."""
    for package in PACKAGES:
        for path in sorted((ROOT / "src" / "jolly_ledge" / package).rglob("*.py")):
            module = ".".join(path.relative_to(ROOT / "src").with_suffix("").parts)
            for name, function in functions_of(ast.parse(path.read_text(encoding="utf-8"))):
                yield from faults_in(module, name, function)


def faults_in(module: str, name: str, function: ast.FunctionDef) -> Iterator[Fault]:
    """Yield the faults of one function, in the order in which :class:`Exchange` counts them."""
    finder = Exchange()
    finder.visit(function)
    for place, node in enumerate(finder.places):
        yield Fault(module, name, place, node.lineno, ast.unparse(node)[:70])


def put_in(fault: Fault) -> None:
    """Exchange the code of a function in this process."""
    module = import_module(fault.module)
    tree = ast.parse(inspect.getsource(module))
    function = next(one for name, one in functions_of(tree) if name == fault.function)
    Exchange(fault.place).visit(function)
    wanted, lines = function.name, {function.lineno, *(one.lineno for one in function.decorator_list)}
    codes = [
        one for one in _codes(compile(ast.fix_missing_locations(tree), str(module.__file__), "exec"))
        if one.co_name == wanted and one.co_firstlineno in lines
    ]  # fmt: skip
    target: Any = module
    for part in fault.function.split("."):
        target = inspect.getattr_static(target, part)
    target = getattr(target, "fget", None) or getattr(target, "func", None) or inspect.unwrap(target)
    target = getattr(target, "__func__", target)
    assert isinstance(target, FunctionType), fault
    target.__code__ = codes[0]


def _codes(code: CodeType) -> Iterator[CodeType]:
    for one in code.co_consts:
        if isinstance(one, CodeType):
            yield one
            yield from _codes(one)


def is_found(fault: Fault) -> bool:
    """Tell whether a test fails with a fault, or takes too long; in a process of its own."""
    child = os.fork()
    if child == 0:
        try:
            _fail_if_found(fault)
        finally:
            os._exit(1)
    _, status = os.waitpid(child, 0)
    return status != 0


def _fail_if_found(fault: Fault) -> None:
    """End this process: without failure only where neither what is held nor the nearest tests find a fault."""
    import signal

    import pytest

    signal.alarm(SECONDS)
    nothing = os.open(os.devnull, os.O_WRONLY)
    os.dup2(nothing, 1)
    os.dup2(nothing, 2)
    put_in(fault)
    package = fault.module.split(".")[1]
    if not all(is_as_held(part) for part in HELD[package]):
        return
    nearest = [str(ROOT / "tests" / one) for one in NEAREST[package]]
    os._exit(int(pytest.main(["-x", "-q", "--rootdir", str(ROOT), *nearest])))


def main(number: int, seed: int, part: int, parts: int) -> None:
    """Try faults drawn by chance and tell which are not found."""
    faults = Random(seed).sample(list(all_faults()), number)[part - 1 :: parts]
    for package in PACKAGES:
        import_module(f"jolly_ledge.{package}")
    found: Counter[str] = Counter()
    tried: Counter[str] = Counter()
    for fault in faults:
        package = fault.module.split(".")[1]
        tried[package] += 1
        was_found = is_found(fault)
        found[package] += was_found
        if tried.total() % TOLD_EVERY == 0:
            print(f"{found.total()} of {tried.total()} found so far", file=sys.stderr, flush=True)
        if not was_found:
            print(f"not found: {fault.module}:{fault.line} {fault.function}: {fault.said}", flush=True)
    for package in PACKAGES:
        print(f"{package:10} {found[package]} of {tried[package]}")
    print(f"{found.total()} of {tried.total()} faults found ({found.total() / tried.total():.0%})")


if __name__ == "__main__":
    of = sys.argv[3].split(" of ") if len(sys.argv) > 3 else ("1", "1")
    main(
        int(sys.argv[1]) if len(sys.argv) > 1 else 200, int(sys.argv[2]) if len(sys.argv) > 2 else 1,
        int(of[0]), int(of[1]),
    )  # fmt: skip
