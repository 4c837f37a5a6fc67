"""Finds text that its widget is too small for."""

import sys
import tempfile
from collections.abc import Callable
from functools import partial
from pathlib import Path

import numpy as np
from PySide6.QtGui import QFontMetrics
from PySide6.QtWidgets import QAbstractButton, QApplication, QLabel, QLineEdit, QScrollArea, QWidget

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.path_panel import STEPS, StepButton
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.arrange.view_strip import STRAIGHT_ON
from jolly_ledge.app.steps.brief.brief_step import BriefStep
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.app.steps.keep.keep_step import KeepStep
from jolly_ledge.app.steps.keep.photo_check_page import PhotoCheckPage
from jolly_ledge.app.steps.measure.measure_step import MeasureStep
from jolly_ledge.app.steps.measure.photo_bench import PhotoBench
from jolly_ledge.app.steps.place.place_step import PlaceStep
from jolly_ledge.app.views.look.look_view import OVERLAYS
from jolly_ledge.edits.log import AddLookPhoto
from jolly_ledge.model.look import LookPhoto
from jolly_ledge.photos.image import kept_photo, png_bytes, read_photo
from jolly_ledge.render.practice_photos import practice_photo
from patience import wait_until


def clipped(window: MainWindow, sizes: list[tuple[int, int]]) -> list[str]:
    """Return what is cut in any step or page at any size, as ``width step: text``."""
    found = []
    for name, show in _views(window):
        window.resize(*sizes[0])
        show()
        for width, height in sizes:
            window.resize(width, height)
            for _ in range(3):
                QApplication.processEvents()
            found += [f"{width} {name}: {text}" for widget in window.findChildren(QWidget) for text in _cut(widget)]
    return sorted(set(found))


def _views(window: MainWindow) -> list[tuple[str, Callable[[], object]]]:
    """Return every view by its name, with what shows it."""
    views: list[tuple[str, Callable[[], object]]] = [(name, partial(window.show_step, name)) for name in STEPS]

    for page in ("photograph", "corners", "kinds", "table", "fixture"):
        views.append((f"Measure, {page}", partial(_measure, window, page)))
    for page in ("several", "list", "table", "photographs", "families", "twins"):
        views.append((f"Gather, {page}", partial(_gather, window, page)))
    views.append(("Brief, what counts", partial(_what_counts, window)))
    views.append(("Brief, a picture to follow", partial(_follow, window)))
    views += [(f"Arrange, {name}", partial(_arrange, window, name)) for name in OVERLAYS if name != "doors"]
    views += [(f"Arrange, {place}", partial(_arrange, window, place)) for place in ("Standing", "From the door")]
    views.append(("Keep, side by side", window.show_side_by_side))
    views += [(f"Arrange, {page}", partial(_search, window, page)) for page in ("proposals", "wanted")]
    views.append(("Place, change over", partial(_change_over, window)))
    views += [(f"Place, {page}", partial(_place, window, page)) for page in ("fetch", "tick-off", "buy", "labels")]
    views += [(f"Keep, {page}", partial(_keep, window, page)) for page in ("log", "year", "where", "photograph")]
    return views


def _follow(window: MainWindow) -> None:
    """Show what a picture with many colours tells."""
    window.show_step("Brief")
    step = window.step("Brief")
    assert isinstance(step, BriefStep)
    step.show_follow()
    image = np.full((400, 700, 3), (232, 228, 220), np.uint8)
    for number, colour in enumerate(((58, 96, 140), (176, 84, 52), (96, 128, 70), (150, 110, 70), (120, 40, 90))):
        image[100:, 60 + 120 * number : 150 + 120 * number] = colour
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "liked.png"
        path.write_bytes(png_bytes(image))
        step.follow_page.look_at(path)
    wait_until(lambda: not step.follow_page.work.is_busy)


def _what_counts(window: MainWindow) -> None:
    """Show how much every reading counts."""
    window.show_step("Brief")
    step = window.step("Brief")
    assert isinstance(step, BriefStep)
    step.show_emphasis()


def _arrange(window: MainWindow, what: str) -> None:
    """Show what lies over the drawing, or look from a place."""
    window.workspace.choose_look("first-try")
    window.show_step("Arrange")
    step = window.step("Arrange")
    assert isinstance(step, ArrangeStep)
    strip = step.view_strip
    if what in OVERLAYS:
        strip.look_from(STRAIGHT_ON)
        strip.show_overlay(what, True)
    else:
        strip.look_from(what)


def _search(window: MainWindow, page: str) -> None:
    """Show proposals, or what is wanted, once they are found."""
    window.workspace.choose_look("first-try" if page == "proposals" else "low-tea")
    window.show_step("Arrange")
    step = window.step("Arrange")
    assert isinstance(step, ArrangeStep)
    (step.show_proposals if page == "proposals" else step.show_wanted)()
    shown = step.proposals if page == "proposals" else step.wanted
    assert shown is not None
    if step.proposals is not None and page == "proposals":
        step.proposals.settings.count_list.setCurrentText("5")
        step.proposals.begin(steps=3)
    wait_until(lambda: not shown.is_busy)
    shown.job.close()


def _change_over(window: MainWindow) -> None:
    """Show the carries from another look."""
    window.show_step("Place")
    step = window.step("Place")
    assert isinstance(step, PlaceStep)
    step.order.before_list.setCurrentIndex(1)
    step.refresh()


def _place(window: MainWindow, page: str) -> None:
    """Show a page of Place."""
    window.workspace.choose_look("first-try")
    window.show_step("Place")
    step = window.step("Place")
    assert isinstance(step, PlaceStep)
    if page == "labels":
        step.show_labels()
    else:
        step.show_mode(page)


def _keep(window: MainWindow, page: str) -> None:
    """Show a page of Keep; a photograph is one by the simulated camera."""
    window.workspace.choose_look("first-try" if page == "photograph" else "mantel-talk")
    window.show_step("Keep")
    step = window.step("Keep")
    assert isinstance(step, KeepStep)
    if page != "photograph":
        step.show_mode(page)
        return
    step.show_mode("log")
    workspace = window.workspace
    pixels, corners = practice_photo(workspace.arrangement, empty=False)
    name, content = kept_photo(pixels)
    workspace.document.add_photo(name, content)
    share = read_photo(content).shape[1] / pixels.shape[1]
    marks = tuple((float(x) * share, float(y) * share) for x, y in corners)
    workspace.commit(AddLookPhoto(look=workspace.look_id, photo=LookPhoto(name=name, corners=marks)))
    step.check_photo(workspace.look_id, name)
    check = step.photo_check
    assert isinstance(check, PhotoCheckPage)
    wait_until(lambda: not check.is_busy)


def _measure(window: MainWindow, page: str) -> None:
    """Show a page of Measure."""
    window.show_step("Measure")
    step = window.step("Measure")
    assert isinstance(step, MeasureStep)
    if page == "kinds":
        step.show_gallery()
    elif page == "table":
        step.show_drawing()
        window.workspace.choose_look("low-tea")
    elif page == "fixture":
        window.workspace.choose_look("hall-welcome")
        step.view.choose_fixture(0)
    else:
        window.workspace.choose_look("first-try")
        step.show_photo_bench()
        bench = step.pages.currentWidget()
        assert isinstance(bench, PhotoBench)
        if page == "corners":
            bench.take_practice_photo()


def _gather(window: MainWindow, page: str) -> None:
    """Show a page of Gather."""
    window.show_step("Gather")
    step = window.step("Gather")
    assert isinstance(step, GatherStep)
    pages = step.pages
    pages.show_line_up()
    if page == "several":
        step.entry.line.setText("8 books linen 15-24 tall muted study")
        window.workspace.choose_items(tuple(item.id for item in window.workspace.plan.stash[:7]))
    elif page == "list":
        pages.show_list("vase 18x32\n8 books\nnonsense")
    elif page == "table":
        with tempfile.TemporaryDirectory() as folder:
            table = Path(folder) / "a list of many things.csv"
            table.write_text("Name;Height;Somewhat;Weight\nvase;12;;1 kg\ndark urn;36,5;;\nwhat;;;\n")
            pages.show_table(table)
    elif page == "photographs":
        pages.show_pictures()
        pages.pictures.practise()
        wait_until(lambda: not pages.pictures.is_busy)
    else:
        (pages.show_families if page == "families" else pages.show_twins)()


def _cut(widget: QWidget) -> list[str]:
    if not widget.isVisible() or isinstance(widget, StepButton):
        return []
    metrics = QFontMetrics(widget.font())
    if isinstance(widget, QLabel) and widget.text():
        if widget.wordWrap():
            needed = widget.heightForWidth(widget.width())
            return [widget.text()] if widget.height() + 1 < needed and not _scrolls(widget) else []
        plain = widget.sizeHint().width() if "<" in widget.text() else metrics.horizontalAdvance(widget.text())
        return [widget.text()] if widget.width() + 1 < plain else []
    if isinstance(widget, QAbstractButton) and widget.text():
        widest = max(metrics.horizontalAdvance(line) for line in widget.text().splitlines())
        lines = widget.text().count("\n") + 1
        cut = widget.width() < widest + 8 or (lines > 1 and widget.height() < lines * metrics.height())
        return [widget.text().replace("\n", " ")] if cut else []
    if isinstance(widget, QLineEdit) and not widget.text() and widget.placeholderText():
        return (
            [widget.placeholderText()]
            if widget.width() < metrics.horizontalAdvance(widget.placeholderText()) + 8
            else []
        )
    return []


def _scrolls(widget: QWidget) -> bool:
    parent = widget.parentWidget()
    while parent is not None:
        if isinstance(parent, QScrollArea):
            return True
        parent = parent.parentWidget()
    return False


def main(folder: str, sizes: list[tuple[int, int]]) -> int:
    """Open the demo and print what is cut at some sizes."""
    from jolly_ledge.app.application import make_window, ready_application
    from jolly_ledge.demo import demo_bytes, demo_photos
    from jolly_ledge.files.codec import plan_from_json
    from jolly_ledge.files.recovery import RecoveryLog

    ready_application(["clipping"])
    window = make_window(plan_from_json(demo_bytes()), log=RecoveryLog(Path(folder)), photos=demo_photos())
    window.resize(*sizes[0])
    window.show()
    window.workspace.choose("orrery")
    for line in clipped(window, sizes):
        sys.stdout.write(f"{line}\n")
    ratio = window.devicePixelRatioF()
    window.workspace.document.let_go()
    sys.stdout.write(f"ratio {ratio}\n")
    return 0


if __name__ == "__main__":
    told = [tuple(int(side) for side in size.split("x")) for size in sys.argv[2:]]
    sys.exit(main(sys.argv[1], [(width, height) for width, height in told]))
