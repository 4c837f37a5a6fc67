"""Dragging a shelf over its photograph against a repaint alone; photographs against plain decoding."""

import os
import statistics
import tempfile
from collections.abc import Callable
from pathlib import Path

os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")

from PySide6.QtCore import QPoint, QPointF, Qt
from PySide6.QtTest import QTest

from jolly_ledge.app.application import make_window, ready_application
from jolly_ledge.app.steps.measure.measure_step import MeasureStep
from jolly_ledge.demo import demo_bytes, demo_photos
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.photos.image import jpeg_bytes, read_photo
from jolly_ledge.photos.rectify import straightened, view_of
from jolly_ledge.photos.things import read_thing
from jolly_ledge.render.practice_photos import practice_thing
from timing import milliseconds

ROUNDS = 80
LEFT = Qt.MouseButton.LeftButton


def anew(step: MeasureStep) -> None:
    """Paint the view as after a change of the piece."""
    step.view.forget_pixels()
    step.view.repaint()


def drag_a_shelf(step: MeasureStep, process: Callable[[], None]) -> None:
    view = step.view
    ledge = step.workspace.piece.ledge("l3")
    start = view.transform().map(QPointF(ledge.left + 60, -ledge.floor)).toPoint() + QPoint(0, 4)
    QTest.mousePress(view, LEFT, pos=start)
    alone, dragged = [], []
    for index in range(ROUNDS):
        alone.append(milliseconds(view.repaint))

        def drag(index: int = index) -> None:
            QTest.mouseMove(view, start - QPoint(0, 6 + index % 40))
            process()

        dragged.append(milliseconds(drag))
    QTest.keyClick(view, Qt.Key.Key_Escape)
    QTest.mouseRelease(view, LEFT, pos=start)
    base, middle = statistics.median(alone), statistics.median(dragged)
    drawn = statistics.median(milliseconds(lambda: anew(step)) for _ in range(20))
    print(f"repaint of Measure   {base:7.2f} ms")
    print(f"drawing it anew      {drawn:7.2f} ms")
    print(f"drag of a shelf      {middle:7.2f} ms  ratio to drawing anew {middle / drawn:.2f}")


def read_photographs(step: MeasureStep) -> None:
    photo = step.workspace.piece.photo
    assert photo is not None
    content = step.workspace.document.photos[photo.name]
    pixels = read_photo(content)
    thing = practice_thing(step.workspace.plan.item("terracotta-vase"))
    taken = jpeg_bytes(thing)

    def median(action: Callable[[], object]) -> float:
        return statistics.median(milliseconds(action) for _ in range(7))

    decoded = median(lambda: read_photo(content))
    straight = median(lambda: straightened(pixels, view_of(photo), 0, 0, 1400, 2270))
    found = median(lambda: read_thing(read_photo(taken)))
    print(f"decode a photograph  {decoded:7.1f} ms")
    print(f"pull it straight     {straight:7.1f} ms  ratio {straight / decoded:.1f}")
    print(f"colours and outline  {found:7.1f} ms  ratio {found / decoded:.1f}")


def main() -> None:
    application = ready_application(["bench"])
    with tempfile.TemporaryDirectory() as folder:
        plan = plan_from_json(demo_bytes())
        window = make_window(plan, log=RecoveryLog(Path(folder)), photos=demo_photos())
        window.show()
        window.show_step("Measure")
        application.processEvents()
        step = window.step("Measure")
        assert isinstance(step, MeasureStep)
        drag_a_shelf(step, application.processEvents)
        read_photographs(step)
        window.workspace.document.let_go()


if __name__ == "__main__":
    main()
