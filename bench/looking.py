"""A step of the wheel on 12 ledges with 80 placements against a repaint; the first visit to every step of the demo."""

import os
import statistics
import tempfile
from pathlib import Path

os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")

from PySide6.QtCore import QPointF

from jolly_ledge.app.application import make_window, ready_application
from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.demo import demo_bytes, demo_photos
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.recovery import RecoveryLog
from large_plans import look_of_eighty
from timing import milliseconds

ROUNDS = 60


def main() -> None:
    application = ready_application(["bench"])
    with tempfile.TemporaryDirectory() as folder:
        window = make_window(look_of_eighty(), log=RecoveryLog(Path(folder)))
        window.show()
        application.processEvents()
        step = window.step("Arrange")
        assert isinstance(step, ArrangeStep)
        view = step.view

        def wheel(index: int) -> None:
            view.look_nearer(1.0 if index % 20 < 10 else -1.0, QPointF(300, 260))
            view.viewport().repaint()

        alone, wheeled = [], []
        for index in range(ROUNDS):
            wheeled.append(milliseconds(lambda index=index: wheel(index)))  # type: ignore[misc]
            alone.append(milliseconds(view.viewport().repaint))
        base, middle = statistics.median(alone), statistics.median(wheeled)
        late = statistics.quantiles(wheeled, n=20)[-1]
        print(
            f"wheel                  repaint alone {base:6.2f} ms, a step {middle:6.2f} ms, p95 {late:6.2f} ms; "
            f"ratio {middle / base:.2f}; under 16: {middle < 16}"
        )
        window.workspace.document.let_go()
        window = make_window(plan_from_json(demo_bytes()), log=RecoveryLog(Path(folder)), photos=demo_photos())
        window.show()
        arrange = window.step("Arrange")
        assert isinstance(arrange, ArrangeStep)
        # As in real use the first readings are there before one goes on.
        while arrange.readings.score.text() == "Reading":
            application.processEvents()

        def visit(name: str) -> None:
            window.show_step(name)
            application.processEvents()

        for name in STEPS:
            first = milliseconds(lambda name=name: visit(name))  # type: ignore[misc]
            again = milliseconds(lambda name=name: visit(name))  # type: ignore[misc]
            print(f"first visit to {name:8} {first:6.0f} ms, again {again:5.1f} ms (first at most 300)")
        window.workspace.document.let_go()


if __name__ == "__main__":
    main()
