"""Pictures of every main view of the demo, taken from the real window."""

import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

from PySide6.QtCore import QSize
from PySide6.QtWidgets import QApplication

from jolly_ledge.app.application import make_window, ready_application
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.panels.view_strip import STRAIGHT_ON
from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.app.steps.arrange import ArrangeStep
from jolly_ledge.app.steps.gather import GatherStep
from jolly_ledge.app.steps.measure import MeasureStep
from jolly_ledge.demo import demo_bytes, demo_photos
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.recovery import RecoveryLog

SIZE = QSize(1280, 800)
PATIENCE_S = 60.0
PROPOSAL_STEPS = 500
QUICK_LINE = "vase stoneware 18x32 sand rough hall 2.1kg"
TABLE = """Item;Height (cm);W;Depth;Colour;Where;Weight;Remark
blue glass vase;32,5;14;14;navy;hall;1,2 kg;
oak box;12;30;20;brown;study;;a little worn
tall dark urn;36,5;18;18;black;hall;;
something;10;10;10;teal;;;
brass bowl;9;24;24;gold;kitchen;800 g;
linen book;24;;17;sand;study;;
"""


class Photographer:
    """Takes pictures of a window that shows the demo."""

    def __init__(self, application: QApplication, window: MainWindow, folder: Path) -> None:
        self._application = application
        self.window = window
        self._folder = folder
        self.taken: list[Path] = []

    def settle(self) -> None:
        """Let the window paint."""
        for _ in range(4):
            self._application.processEvents()

    def wait_until(self, is_done: Callable[[], bool]) -> None:
        """Let the window work until something is done."""
        latest = time.monotonic() + PATIENCE_S
        while not is_done() and time.monotonic() < latest:
            self._application.processEvents()

    def take(self, name: str) -> None:
        """Save the window as a PNG."""
        self.settle()
        path = self._folder / f"{name}.png"
        self.window.grab().save(str(path))
        self.taken.append(path)


def take(folder: Path) -> list[Path]:
    """Save PNGs of all main views, opened on the demo, and return their paths."""
    application = ready_application(["jolly-ledge"])
    folder.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as kept:
        plan = plan_from_json(demo_bytes())
        window = make_window(plan, log=RecoveryLog(Path(kept)), photos=demo_photos())
        window.resize(SIZE)
        window.show()
        photographer = Photographer(application, window, folder)
        for name in STEPS:
            window.show_step(name)
            if name == "Arrange":
                window.session.choose("orrery")
            photographer.take(name.lower())
        _take_ways_of_looking(photographer)
        _take_searches(photographer)
        _take_measure(photographer)
        _take_gather(photographer)
        window.session.let_go()
    return photographer.taken


def _take_measure(photographer: Photographer) -> None:
    window = photographer.window
    window.show_step("Measure")
    page = window.step("Measure")
    assert isinstance(page, MeasureStep)
    page.show_photo_bench()
    photographer.take("measure-photograph")
    page.show_gallery()
    photographer.take("measure-kinds")
    page.show_drawing()
    window.session.choose_look("hall-welcome")
    page.view.choose_fixture(0)
    photographer.take("measure-console")
    page.view.choose_fixture(None)
    window.show_step("Arrange")
    window.session.choose_look("mantel-talk")
    photographer.take("arrange-mantel")
    window.session.choose_look("first-try")


def _take_ways_of_looking(photographer: Photographer) -> None:
    window = photographer.window
    window.show_step("Arrange")
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    strip = page.view_strip
    window.session.choose_look("cabinet-shut")
    strip.toggle_doors()
    strip.show_overlay("doors", True)
    photographer.take("arrange-shut")
    strip.show_overlay("doors", False)
    strip.toggle_doors()
    window.session.choose_look("low-tea")
    strip.look_from("Seat 1")
    photographer.take("arrange-seat")
    strip.look_from(STRAIGHT_ON)
    window.session.choose_look("first-try")
    window.show_side_by_side()
    photographer.take("keep-side-by-side")


def _take_searches(photographer: Photographer) -> None:
    window = photographer.window
    window.show_step("Arrange")
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    page.show_proposals()
    proposals = page.proposals
    assert proposals is not None
    # So many steps instead of so much time: the picture is the same on every machine.
    proposals.begin(steps=PROPOSAL_STEPS)
    photographer.wait_until(lambda: not proposals.is_busy)
    for number, ledge in ((0, "l3"), (0, "l4"), (1, "r2")):
        proposals.mark(number, ledge)
    photographer.take("arrange-proposals")
    page.show_wanted()
    wanted = page.wanted
    assert wanted is not None
    photographer.wait_until(lambda: not wanted.is_busy)
    wanted.found_field.setText("brass bowl 18 x 9 metal")
    wanted.match()
    photographer.take("arrange-wanted")
    wanted.job.close()
    page.show_look()


def _take_gather(photographer: Photographer) -> None:
    window = photographer.window
    window.show_step("Gather")
    page = window.step("Gather")
    assert isinstance(page, GatherStep)
    page.entry.line.setText(QUICK_LINE)
    page.sorting.chips["room"].click()
    photographer.take("gather-quick-line")
    page.entry.line.clear()
    pages = page.pages
    with tempfile.TemporaryDirectory() as folder:
        table = Path(folder) / "from a drawer.csv"
        table.write_text(TABLE)
        pages.show_table(table)
        photographer.take("gather-table")
    pages.show_families()
    photographer.take("gather-families")
    pages.show_pictures()
    pages.pictures.practise()
    photographer.wait_until(lambda: not pages.pictures.is_busy)
    pages.pictures.list.setCurrentRow(2)
    photographer.take("gather-photographs")
    pages.show_line_up()


if __name__ == "__main__":
    for taken in take(Path(sys.argv[1])):
        sys.stdout.write(f"{taken}\n")
