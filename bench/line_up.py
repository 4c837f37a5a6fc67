"""Two thousand things in the line-up: a frame of scrolling and a keystroke of filtering, against a frame of sixty."""

import os
import statistics
import tempfile
from pathlib import Path

os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")

from PySide6.QtWidgets import QApplication

from jolly_ledge.app.application import make_window, ready_application
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.files.mapping import guessed_mapping, preview
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.files.table import table_from_csv
from jolly_ledge.model.plan import Plan
from large_plans import stash_of
from timing import milliseconds

FEW, MANY = 60, 2000
ROUNDS = 100
WORDS = ("", "u", "ur", "urn", "urn h", "urn ha", "b", "bo", "boo", "book")


def told(name: str, times: list[float], base: float) -> None:
    middle, slow = statistics.median(times), statistics.quantiles(times, n=20)[-1]
    print(
        f"{name:<34}{middle:7.2f} ms, p95 {slow:7.2f} ms  ratio {middle / base:.2f}, median under 16 ms: {middle < 16}"
    )


def opened(application: QApplication, plan: Plan, folder: Path) -> GatherStep:
    window = make_window(plan, log=RecoveryLog(folder))
    window.show()
    window.show_step("Gather")
    application.processEvents()
    step = window.step("Gather")
    assert isinstance(step, GatherStep)
    step.setProperty("window", window)
    return step


def scrolled(application: QApplication, step: GatherStep, rounds: int) -> list[float]:
    bar = step.area.verticalScrollBar()
    reach = max(bar.maximum(), 1)

    def scroll(index: int) -> None:
        bar.setValue(index * 37 % reach if reach > 1 else 0)
        application.processEvents()

    return [milliseconds(lambda index=index: scroll(index)) for index in range(rounds)]  # type: ignore[misc]


def filtered(application: QApplication, step: GatherStep, rounds: int) -> list[float]:
    def type_in(index: int) -> None:
        step.search.setText(WORDS[index % len(WORDS)])
        application.processEvents()

    return [milliseconds(lambda index=index: type_in(index)) for index in range(rounds)]  # type: ignore[misc]


def main() -> None:
    application = ready_application(["bench"])
    with tempfile.TemporaryDirectory() as folder:
        few = opened(application, stash_of(FEW), Path(folder) / "few")
        many = opened(application, stash_of(MANY), Path(folder) / "many")
        for step in (few, many):
            scrolled(application, step, 10)
            filtered(application, step, len(WORDS))
        base = statistics.median(scrolled(application, few, ROUNDS))
        print(f"{'scroll, 60 things':<34}{base:7.2f} ms")
        told("scroll, 2,000 things", scrolled(application, many, ROUNDS), base)
        told("filter, 2,000 things", filtered(application, many, ROUNDS), base)
        lines = ["vase stoneware 18x32 sand rough hall 2.1kg"[:length] for length in range(1, 43)]
        keys = [milliseconds(lambda line=line: many.entry.line.setText(line)) for line in lines]  # type: ignore[misc]
        told("a key of the quick line, 2,000", keys, base)
        for step in (few, many):
            step.workspace.document.let_go()
    text = "name;height;room\n" + "".join(f"vase number {n};{10 + n % 900 / 10};hall\n" for n in range(MANY))
    table = table_from_csv(text)
    stash = stash_of(MANY).stash
    small = milliseconds(
        lambda: preview(table_from_csv(text[: len(text) // 4]), guessed_mapping(table, "cm"), stash[:500])
    )
    whole = milliseconds(lambda: preview(table, guessed_mapping(table, "cm"), stash))
    print(f"{'preview of 2,000 rows':<34}{whole:7.0f} ms  {whole / small:.1f} times that of 500 (4 is linear)")


if __name__ == "__main__":
    main()
