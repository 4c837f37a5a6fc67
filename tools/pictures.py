"""Pictures of every main view of the demo, taken from the real window."""

import sys
import tempfile
from pathlib import Path

from msgspec.structs import replace
from PySide6.QtCore import QSize
from PySide6.QtWidgets import QApplication

from jolly_ledge.app.application import make_window, ready_application
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.arrange.view_strip import IN_THE_ROOM, STRAIGHT_ON
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.app.steps.keep.keep_step import KeepStep
from jolly_ledge.app.steps.keep.photo_check_page import PhotoCheckPage
from jolly_ledge.app.steps.measure.measure_step import MeasureStep
from jolly_ledge.app.steps.place.place_step import PlaceStep
from jolly_ledge.demo import demo_bytes, demo_photos
from jolly_ledge.edits.log import AddLookPhoto
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.look import LookPhoto
from jolly_ledge.photos.image import kept_photo, read_photo
from jolly_ledge.render.practice_photos import practice_photo
from patience import wait_until

SIZE = QSize(1280, 800)
PROPOSAL_STEPS = 500
TICKED = 13
LAID_OUT = ("tall dark urn stoneware", "terracotta vase hall", "white bowl", "amber bowl footed")


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

    def take(self, name: str) -> None:
        """Save the window as a PNG."""
        self.settle()
        path = self._folder / f"{name}.png"
        self.window.grab().save(str(path))
        self.taken.append(path)


def take(folder: Path, proposal_steps: int = PROPOSAL_STEPS) -> list[Path]:
    """Save PNGs of all main views, opened on the demo, and return their paths.

    Proposals are searched for that many steps instead of so much time: the picture is the same on every machine.
    """
    application = ready_application(["jolly-ledge"])
    folder.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as kept:
        plan = plan_from_json(demo_bytes())
        window = make_window(plan, log=RecoveryLog(Path(kept)), photos=demo_photos())
        window.resize(SIZE)
        window.show()
        photographer = Photographer(application, window, folder)
        _take_opening(photographer)
        for name in STEPS[:-1]:
            window.show_step(name)
            if name == "Arrange":
                window.workspace.choose("orrery")
                _wait_for_the_meaning(photographer)
            if isinstance(page := window.step(name), MeasureStep):
                photographer.settle()
                wait_until(lambda page=page: not page.view.photo.is_busy)  # type: ignore[misc]
            if isinstance(page := window.step(name), GatherStep):
                photographer.settle()
                wait_until(lambda page=page: page.panel.further.is_whole)  # type: ignore[misc]
            photographer.take(name.lower())
        _take_ways_of_looking(photographer)
        _take_searches(photographer, proposal_steps)
        _take_measure(photographer)
        _take_gather(photographer)
        _take_place(photographer)
        _take_keep(photographer)
        window.workspace.document.let_go()
    return photographer.taken


def _take_opening(photographer: Photographer) -> None:
    window = photographer.window
    window.show_opening()
    opening = window.opening
    assert opening is not None
    wait_until(lambda: all(card.picture is not None for card in opening.demo_cards))
    photographer.take("opening")


def _wait_for_the_meaning(photographer: Photographer) -> None:
    page = photographer.window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    photographer.settle()
    page.readings.watch.ask()
    wait_until(lambda: page.readings.watch.stands is not None)
    photographer.settle()


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
    window.workspace.choose_look("first-try")


def _take_ways_of_looking(photographer: Photographer) -> None:
    window = photographer.window
    window.show_step("Arrange")
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    strip = page.view_strip
    window.workspace.choose_look("low-tea")
    strip.look_from("Seat 1")
    photographer.take("arrange-seat")
    strip.look_from(STRAIGHT_ON)
    window.workspace.choose_look("first-try")
    strip.look_from(IN_THE_ROOM)
    room = page.sights.room
    assert room is not None
    wait_until(lambda: not room.is_busy)
    photographer.take("arrange-room")
    strip.look_from(STRAIGHT_ON)
    window.show_side_by_side()
    photographer.take("keep-side-by-side")


def _take_searches(photographer: Photographer, steps: int) -> None:
    window = photographer.window
    window.show_step("Arrange")
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    page.show_proposals()
    proposals = page.proposals
    assert proposals is not None
    proposals.begin(steps=steps)
    wait_until(lambda: not proposals.is_busy)
    for number, ledge in ((0, "l3"), (0, "l4"), (1, "r2")):
        proposals.mark(number, ledge)
    photographer.take("arrange-proposals")
    page.show_wanted()
    wanted = page.wanted
    assert wanted is not None
    wait_until(lambda: not wanted.is_busy)
    wanted.found_field.setText("brass bowl 18 x 9 metal")
    wanted.match()
    photographer.take("arrange-wanted")
    wanted.job.close()
    page.show_look()


def _take_place(photographer: Photographer) -> None:
    window = photographer.window
    window.workspace.choose_look("first-try")
    window.show_step("Place")
    page = window.step("Place")
    assert isinstance(page, PlaceStep)
    page.show_mode("tick-off")
    for _ in range(TICKED):
        page.tick_off.tick()
    photographer.take("place-tick-off")


def _take_keep(photographer: Photographer) -> None:
    window, workspace = photographer.window, photographer.window.workspace
    workspace.choose_look("first-try")
    window.show_step("Keep")
    page = window.step("Keep")
    assert isinstance(page, KeepStep)
    page.show_mode("log")
    # The finished shelf, with one thing set 4 cm aside and one forgotten.
    real = [
        replace(p, x=(p.x or 0.0) + 40) if p.id == "cream-vase" else p
        for p in workspace.look.placements
        if p.id != "orrery"
    ]
    shelf = arrange(workspace.plan, replace(workspace.look, placements=tuple(real)))
    pixels, corners = practice_photo(shelf, empty=False)
    name, content = kept_photo(pixels)
    share = read_photo(content).shape[1] / pixels.shape[1]
    marks = tuple((float(x) * share, float(y) * share) for x, y in corners)
    workspace.document.add_photo(name, content)
    workspace.commit(AddLookPhoto(look=workspace.look_id, photo=LookPhoto(name=name, corners=marks)))
    page.check_photo(workspace.look_id, name)
    check = page.photo_check
    assert isinstance(check, PhotoCheckPage)
    wait_until(lambda: not check.is_busy)
    photographer.take("keep-photograph")
    workspace.choose_look("mantel-talk")
    page.show_mode("log")
    photographer.settle()
    wait_until(lambda: page.time_line.is_told)
    photographer.take("keep")
    page.show_mode("year")
    photographer.take("keep-year")


def _take_gather(photographer: Photographer) -> None:
    window = photographer.window
    window.show_step("Gather")
    page = window.step("Gather")
    assert isinstance(page, GatherStep)
    pages = page.pages
    pages.show_laid_out()
    pages.laid_out.practise()
    pages.laid_out.find_things()
    wait_until(lambda: not pages.laid_out.is_measuring)
    for row, said in zip(pages.laid_out.rows, LAID_OUT, strict=False):
        row.tell(said)
    photographer.take("gather-laid-out")
    pages.show_pictures()
    pages.pictures.practise()
    wait_until(lambda: not pages.pictures.is_busy)
    pages.pictures.list.setCurrentRow(2)
    photographer.take("gather-photographs")
    pages.show_line_up()


if __name__ == "__main__":
    for taken in take(Path(sys.argv[1])):
        sys.stdout.write(f"{taken}\n")
