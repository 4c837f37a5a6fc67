"""The manner of the look in hand as rows of choices: the main schools first, then habits."""

from collections.abc import Callable
from typing import Any

from PySide6.QtWidgets import QGridLayout, QWidget

from jolly_ledge.app.widgets.chip import ChipRow
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.looks import ChangeLook
from jolly_ledge.model.look import Manner
from jolly_ledge.model.value import changed
from jolly_ledge.workspace.workspace import Workspace

Choices = tuple[tuple[str, str, str], ...]
NAME_PX = 150

SCHOOLS: tuple[tuple[str, str, Choices], ...] = (
    ("fullness", "How full", (
        ("airy", "Airy", "Few things, much rest: 20 to 40 % covered"),
        ("layered", "Layered", "Things before things: 35 to 60 % covered"),
        ("abundant", "Abundant", "Full and lived with: 55 to 85 % covered"),
    )),
    ("figure", "In which figure", (
        ("peaks", "Peaks", "Triangles set against each other"),
        ("weave", "Weave", "A zigzag of left, right and centre"),
        ("mirrored", "Mirrored", "Pairs about the middle"),
    )),
    ("odd", "How groups count", (
        ("strict", "Strictly odd", "Groups of three, five and seven"),
        ("loose", "Loosely odd", "Four or six may pass"),
        ("off", "Not counted", "Odd or even says nothing"),
    )),
)  # fmt: skip

HABITS: tuple[tuple[str, str, Choices], ...] = (
    ("books", "Books", (
        ("any", "As they come", "Upright or flat, as it suits"),
        ("upright", "Upright", "Books stand"),
        ("flat", "Flat", "Books lie"),
        ("mixed", "Mixed", "Some stand, some lie"),
    )),
    ("faces", "They show", (
        ("any", "As they come", "Spines or pages, as it suits"),
        ("spines", "Spines", "Spines out"),
        ("pages", "Pages", "Page edges out, for calm"),
        ("by-colour", "By colour", "Spines out, sorted by colour"),
    )),
    ("greenery", "Greenery", (
        ("", "As it comes", "No count is wished"),
        ("0", "None", "No green things"),
        ("1", "One", "One green thing"),
        ("2", "Two", "Two green things"),
        ("3", "Three", "Three green things"),
        ("5", "Five", "Five green things"),
    )),
    ("ground", "Against the back", (
        ("any", "Plain to see", "Neither vanishing nor loud"),
        ("stand-out", "Stand out", "Strong against what is behind"),
        ("blend", "Blend", "Close to what is behind"),
    )),
    ("gathered", "On one tray", (
        ("together", "Counts as one", "What is gathered is one unit"),
        ("own", "Each counts", "Each thing on a tray is a unit"),
    )),
    ("perched", "On a stack", (
        ("own", "Counts by itself", "What stands on a stack is a unit of its own"),
        ("together", "Counts with it", "A stack and what stands on it are one"),
    )),
)  # fmt: skip


class MannerPanel(QWidget):
    """Rows of choices of one part of the manner; a choice is one step."""

    def __init__(self, workspace: Workspace, rows: tuple[tuple[str, str, Choices], ...]) -> None:
        super().__init__()
        self._workspace = workspace
        self._choices = rows
        grid = QGridLayout(self)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(5)
        grid.setColumnMinimumWidth(0, NAME_PX)
        grid.setColumnStretch(1, 1)
        self.rows: dict[str, ChipRow] = {}
        for number, (field, title, choices) in enumerate(rows):
            row = ChipRow(choices, self._chooser(field, title))
            self.rows[field] = row
            grid.addWidget(words(title, "soft", wrap=False), number, 0)
            grid.addWidget(row, number, 1)

    def _chooser(self, field: str, title: str) -> Callable[[str], object]:
        return lambda value: self._choose(field, title, value)

    def _choose(self, field: str, title: str, value: str) -> None:
        workspace = self._workspace
        told: Any = value
        if field == "greenery":
            told = int(value) if value else None
        manner = changed(workspace.look.manner, **{field: told})
        if manner != workspace.look.manner:
            said = next(
                text for known, _, choices in self._choices if known == field for v, text, _ in choices if v == value
            )
            workspace.commit(
                ChangeLook(look=workspace.look_id, changes=(("manner", manner),), label=f"{title}: {said.lower()}")
            )

    def show_manner(self, manner: Manner) -> None:
        """Show what is chosen."""
        for field, row in self.rows.items():
            value = getattr(manner, field)
            row.show_choice("" if value is None else str(value))

    def said(self, manner: Manner) -> str:
        """Return what the choices mean, in one line."""
        found = [
            f"{text}: {tip[:1].lower()}{tip[1:]}"
            for field, _, choices in self._choices
            for value, text, tip in choices
            if value == str(getattr(manner, field))
        ]
        return " · ".join(found)
