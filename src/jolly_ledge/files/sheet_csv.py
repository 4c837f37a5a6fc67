"""The placing sheet as CSV."""

from collections.abc import Iterable

from jolly_ledge.files.csv_cells import rows_to_csv
from jolly_ledge.planning.tape_figures import TapeFigure
from jolly_ledge.planning.working_order import PlacingStep

COLUMNS = (
    "step", "thing", "fetch from", "ledge", "along mm", "along from", "in mm", "in from", "up mm", "up from", "on",
    "pose", "note",
)  # fmt: skip


def sheet_to_csv(steps: Iterable[PlacingStep]) -> str:
    """Return the working order as CSV with a heading row."""
    return rows_to_csv(
        COLUMNS,
        (
            (step.number, step.name, step.room, step.ledge, *_figure(step.along), *_figure(step.across),
             *_figure(step.upward), step.support, step.how, step.note)
            for step in steps
        ),
    )  # fmt: skip


def _figure(figure: TapeFigure | None) -> tuple[str, str]:
    return ("", "") if figure is None else (f"{figure.length:g}", figure.start)
