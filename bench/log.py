"""The log with 500 looks and as many photographs: from the click to the first picture, against one look alone."""

import os
import statistics
import tempfile
import time
from pathlib import Path

os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")

import numpy as np
from msgspec.structs import replace

from jolly_ledge.app.application import make_window, ready_application
from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.plan_file import PlanFile, open_plan, save_plan
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.model.look import LogEntry, LookPhoto
from jolly_ledge.model.plan import Plan
from jolly_ledge.photos.image import jpeg_bytes

LOOKS, ROUNDS = 500, 5


def many_looks(count: int) -> tuple[Plan, dict[str, bytes]]:
    """Return the demo with so many looks of its bookcase, each with a photograph of its own."""
    plan = plan_from_json(demo_bytes())
    first = plan.look("first-try")
    rng = np.random.default_rng(1)
    looks, photos = [], {}
    for number in range(count):
        name = f"photos/{number}.jpg"
        photos[name] = jpeg_bytes(rng.integers(0, 255, (240, 320, 3), np.uint8), 60)
        looks.append(replace(
            first, id=f"l{number}", name=f"Look {number}", date=f"{2000 + number // 20}-{number % 12 + 1:02}-15",
            photos=(LookPhoto(name=name),), log=(LogEntry(date="2025-01-01", hours=1.0),),
        ))  # fmt: skip
    return replace(plan, looks=tuple(looks)), photos


def opening_ms(plan: Plan, photos: dict[str, bytes]) -> tuple[float, float]:
    """Return how long the file takes to open, and how long the log takes from the click to its first picture."""
    application = ready_application(["bench"])
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "many.ledge"
        save_plan(plan, PlanFile(path, photos=photos))
        start = time.perf_counter()
        opened, file = open_plan(path)
        read = time.perf_counter() - start
        window = make_window(opened, log=RecoveryLog(Path(folder) / "recovery"), photos=file.photos)
        window.resize(1280, 800)
        window.show()
        application.processEvents()
        start = time.perf_counter()
        window.show_step("Keep")
        application.processEvents()
        window.grab()
        shown = time.perf_counter() - start
        window.workspace.document.let_go()
        window.close()
        window.deleteLater()
        application.processEvents()
    return read * 1000, shown * 1000


def main() -> None:
    one = [opening_ms(*many_looks(1)) for _ in range(ROUNDS)]
    many = [opening_ms(*many_looks(LOOKS)) for _ in range(ROUNDS)]
    read, shown = (statistics.median(times) for times in zip(*many, strict=True))
    _, base = (statistics.median(times) for times in zip(*one, strict=True))
    print(
        f"log of {LOOKS} looks with photographs: file read in {read:.0f} ms, log opens in {shown:.0f} ms "
        f"(at most 1500), {shown / base:.2f} times that of one look ({base:.0f} ms)"
    )


if __name__ == "__main__":
    main()
