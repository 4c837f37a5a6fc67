"""A click on a step soon after the start: until its page was painted and what follows at once was done.

What holds the window up before it hears the click counts as well. A hand comes moving: it is felt a moment before.
Told in milliseconds, and as shares of importing NumPy.
"""

import statistics
from collections.abc import Iterator

from side_by_side import said, seconds

STEPS, AFTER_S, ROUNDS = ("Brief", "Measure", "Gather", "Place", "Keep"), (0.3, 1.0, 2.0, 4.5), 3

CLICKED = """
import gc, os, sys, tempfile, time
os.environ["JOLLY_LEDGE_STATE"] = tempfile.mkdtemp()
from jolly_ledge import __main__ as program
from PySide6.QtCore import QPoint, QTimer, Qt
from PySide6.QtTest import QTest
from PySide6.QtWidgets import QApplication
step, after = sys.argv[1], float(sys.argv[2])
def stay(*_):
    application = QApplication.instance()
    window = next(w for w in application.topLevelWidgets() if type(w).__name__ == "MainWindow")
    seen = []
    window.step("Arrange").view.first_painted.connect(lambda: seen.append(True))
    while not seen:
        application.processEvents()
    begun = time.perf_counter()
    button = window.path.buttons[step]
    while (now := time.perf_counter()) < begun + after:
        if now > begun + after - 0.25:
            QTest.mouseMove(window.path, QPoint(int(now * 1000) % 40, 10))
        application.processEvents()
        time.sleep(0.005)
    # As a real hand does: the click arrives at the window, and is heard when its turn comes.
    arrives_at, at = window.windowHandle(), button.mapTo(window, button.rect().center())
    QTest.mousePress(arrives_at, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier, at)
    QTest.mouseRelease(arrives_at, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier, at)
    assert window.step(step).isVisible()
    application.processEvents()
    print(time.perf_counter() - begun - after)
    sys.stdout.flush()
    os._exit(0)
QApplication.exec = stay
sys.argv = ["jolly-ledge", "demo"]
program.main()
"""


def clicked(step: str, after: float) -> Iterator[float]:
    for _ in range(ROUNDS):
        yield float(said(CLICKED, step, str(after)))


def main() -> None:
    seconds("import numpy")
    bare = seconds("pass")
    numpy = statistics.median(seconds("import numpy") - bare for _ in range(9))
    print(f"importing NumPy takes {numpy * 1000:.0f} ms")
    for step in STEPS:
        waits = [statistics.median(clicked(step, after)) for after in AFTER_S]
        told = ", ".join(f"{wait * 1000:4.0f} ms ({wait / numpy:.1f})" for wait in waits)
        print(f"{step:8} clicked {', '.join(f'{after:g}' for after in AFTER_S)} s after the start: {told}")


if __name__ == "__main__":
    main()
