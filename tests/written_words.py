"""What the program says when it refuses, and what its steps are called, read out of its source."""

import ast
from collections.abc import Iterator
from functools import cache
from pathlib import Path

SOURCE = Path(__file__).parents[1] / "src" / "jolly_ledge"
REFUSALS = (
    "EditError", "ExportError", "PhotoError", "PrintError", "PlanFileError", "MoneyError", "LengthError", "DateError",
    "EntryError", "ChangedOnDiskError", "JollyLedgeError",
)  # fmt: skip
A_NAME, A_FIGURE = "Bowl", "24"
"""What stands where the program fills something in."""


def told(node: ast.expr) -> str | None:
    """Return a written sentence with a name or a figure for what is filled in; None for what is no sentence."""
    if isinstance(node, ast.Constant) and isinstance(node.value, str):
        return node.value
    if isinstance(node, ast.JoinedStr):
        return "".join(
            str(part.value) if isinstance(part, ast.Constant) else _filled(part)
            for part in node.values
            if isinstance(part, (ast.Constant, ast.FormattedValue))
        )
    return None


def _filled(part: ast.FormattedValue) -> str:
    written = ast.unparse(part.value)
    is_figure = part.format_spec is not None or any(word in written for word in ("round(", "len(", "count"))
    return A_FIGURE if is_figure else A_NAME


@cache
def _trees() -> tuple[ast.Module, ...]:
    return tuple(ast.parse(path.read_text(encoding="utf-8")) for path in sorted(SOURCE.rglob("*.py")))


def _nodes() -> Iterator[ast.AST]:
    for tree in _trees():
        yield from ast.walk(tree)


@cache
def refusals() -> tuple[str, ...]:
    """Return every refusal a user can read."""
    said = []
    for node in _nodes():
        if isinstance(node, ast.Raise) and isinstance(node.exc, ast.Call):
            name = ast.unparse(node.exc.func).rpartition(".")[2]
            said += [sentence for one in node.exc.args if name in REFUSALS and (sentence := told(one))]
    return tuple(dict.fromkeys(said))


def _is_label(node: ast.AST) -> bool:
    return isinstance(node, ast.FunctionDef) and node.name == "label" and node.returns is not None


def _returned(function: ast.AST) -> Iterator[ast.expr]:
    for node in ast.walk(function):
        if isinstance(node, ast.Return) and node.value is not None:
            yield from (node.value.body, node.value.orelse) if isinstance(node.value, ast.IfExp) else (node.value,)


@cache
def step_names() -> tuple[str, ...]:
    """Return what steps are called in the menu of what can be undone."""
    edits = [ast.parse(path.read_text(encoding="utf-8")) for path in sorted((SOURCE / "edits").rglob("*.py"))]
    functions = (node for tree in edits for node in ast.walk(tree) if _is_label(node))
    written = [value for function in functions for value in _returned(function)]
    written += [node.value for node in _nodes() if isinstance(node, ast.keyword) and node.arg == "label"]
    return tuple(dict.fromkeys(name for one in written if (name := told(one))))
