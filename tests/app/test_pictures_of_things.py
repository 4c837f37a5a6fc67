"""Photographs of things taken in, in the real window: progress, stop, white point, outline, kept and saved."""

import threading
from pathlib import Path

import numpy as np
import pytest
from PySide6.QtCore import QMimeData, QPoint, QPointF, Qt, QUrl
from PySide6.QtGui import QDropEvent
from pytestqt.qtbot import QtBot

from builders import thing
from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.gather import pictures_page
from jolly_ledge.app.steps.gather.picture_draft import line_of
from jolly_ledge.app.steps.gather.pictures_page import PicturesPage
from jolly_ledge.files.photo_file import photo_bytes
from jolly_ledge.files.plan_file import open_plan
from jolly_ledge.model.colour import difference
from jolly_ledge.photos.image import jpeg_bytes, read_photo
from jolly_ledge.photos.intake import THING_SIDE, Intake, Intakes, take_in
from jolly_ledge.render.practice_photos import practice_thing
from pages import LEFT, gather, type_into
from patience import wait_until

TEAL = "#1f6f72"


def pictures(window: MainWindow) -> PicturesPage:
    """Show the page for photographs of things."""
    page = gather(window)
    page.bring_menu.actions()[0].trigger()
    return page.pages.pictures


def photographed(folder: Path, *names: str) -> tuple[Path, ...]:
    """Write photographs of a teal vase by the simulated camera, in warm light."""
    vase = thing("vase", silhouette="vase", width=160.0, height=300.0, depth=160.0, colours=((TEAL, 1.0),))
    for number, name in enumerate(names):
        (folder / name).write_bytes(jpeg_bytes(practice_thing(vase, number)))
    return tuple(folder / name for name in names)


def read_all(page: PicturesPage) -> None:
    wait_until(lambda: not page.is_busy)


def test_photographs_become_things_with_colours_outline_and_picture(
    window: MainWindow, qtbot: QtBot, tmp_path: Path, dialogs: AnsweringDialogs
) -> None:
    page = pictures(window)
    dialogs.to_open_many = photographed(tmp_path, "teal vase 30 tall study.jpg", "IMG_2034.jpg")
    qtbot.mouseClick(page.load_button, LEFT)
    assert page.progress.isVisible()
    read_all(page)
    assert not page.progress.isVisible()
    assert [draft.line for draft in page.drafts] == ["teal vase 30 tall study", "thing"]
    page.list.setCurrentRow(1)
    type_into(qtbot, page.bench.line, "urn hall")
    type_into(qtbot, page.bench.height_field, "40 cm")
    assert "40 cm high" in page.bench.said.text()
    page.list.setCurrentRow(0)
    (drawn,) = page.bench.drawing.items
    assert drawn.outline
    count = len(window.workspace.plan.stash)
    qtbot.mouseClick(page.add_button, LEFT)
    vase, urn = window.workspace.plan.stash[count:]
    assert (vase.height, vase.room, urn.height, urn.room) == (300, "study", 400, "hall")
    assert vase.width == pytest.approx(160, rel=0.1)
    assert urn.width == pytest.approx(vase.width * 4 / 3, rel=0.03)
    assert vase.guessed == ("depth",)
    assert min(len(vase.outline), len(urn.outline)) > 20
    assert {vase.photo, urn.photo} <= set(window.workspace.document.photos)
    assert max(read_photo(window.workspace.document.photos[vase.photo]).shape) <= THING_SIDE
    path = tmp_path / "with.ledge"
    assert window.workspace.save(path)
    plan, file = open_plan(path)
    assert plan.item(vase.id) == vase
    assert {vase.photo, urn.photo} < set(file.photos)
    window.workspace.undo()
    window.workspace.save(path)
    assert vase.photo not in open_plan(path)[1].photos


def test_a_white_point_takes_the_warm_light_out(window: MainWindow, qtbot: QtBot, tmp_path: Path) -> None:
    page = pictures(window)
    page.take(photographed(tmp_path, "vase.jpg"))
    read_all(page)
    (draft,) = page.drafts
    assert draft.intake.found is not None
    warm = difference(draft.intake.found.colours[0][0], TEAL)
    qtbot.mouseClick(page.bench.reference_chips["white"], LEFT)
    assert page.bench.picker.picks
    area = page.bench.picker.place()
    # The sheet of paper stands at the upper left of a practice photograph.
    at = area.topLeft() + QPointF(0.1 * area.width(), 0.12 * area.height())
    qtbot.mouseMove(page.bench.picker, at.toPoint())
    page.bench.picker.grab()
    qtbot.mouseClick(page.bench.picker, LEFT, pos=at.toPoint())
    assert draft.intake.found is not None
    assert difference(draft.intake.found.colours[0][0], TEAL) < warm / 2
    assert not page.bench.picker.picks
    qtbot.mouseClick(page.bench.as_taken_button, LEFT)
    assert draft.intake is draft.as_taken


def test_the_outline_is_left_aside_on_demand(window: MainWindow, qtbot: QtBot, tmp_path: Path) -> None:
    page = pictures(window)
    page.take(photographed(tmp_path, "vase 30 tall.jpg"))
    read_all(page)
    qtbot.mouseClick(page.bench.outline_chip, LEFT)
    (drawn,) = page.bench.drawing.items
    assert drawn.outline == ()
    assert drawn.shape == "vase"


def test_a_photograph_is_given_to_the_thing_in_hand(window: MainWindow, qtbot: QtBot, tmp_path: Path) -> None:
    gather(window)
    window.workspace.choose_item("terracotta-vase")
    before = window.workspace.plan.item("terracotta-vase")
    page = pictures(window)
    page.take(photographed(tmp_path, "vase.jpg"))
    read_all(page)
    qtbot.mouseClick(page.give_button, LEFT)
    after = window.workspace.plan.item("terracotta-vase")
    assert (after.width, after.height, after.name) == (before.width, before.height, before.name)
    assert after.photo in window.workspace.document.photos
    assert after.outline
    assert after.colours != before.colours
    assert page.drafts == []
    shown = gather(window)
    shown.pages.show_line_up()
    with_photo = shown.panel.drawing.grab().toImage()
    window.workspace.document.photos.clear()
    shown.panel.drawing._photo = ("", shown.panel.drawing._photo[1])
    assert shown.panel.drawing.grab().toImage() != with_photo


def test_reading_is_stopped_and_what_was_read_stays(
    window: MainWindow, qtbot: QtBot, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    page = pictures(window)
    go_on, paths = threading.Event(), photographed(tmp_path, "a.jpg", "b.jpg", "c.jpg")
    real = photo_bytes

    def slow(path: Path) -> bytes:
        if path.name == "b.jpg":
            go_on.wait(20)
        return real(path)

    monkeypatch.setattr(pictures_page, "photo_bytes", slow)
    page.take(paths)
    wait_until(lambda: len(page.drafts) == 1)
    assert page.progress_said.text() == "1 of 3 read"
    qtbot.mouseClick(page.cancel_button, LEFT)
    go_on.set()
    assert "two photographs not read" in page.hint.text()
    assert not page.progress.isVisible()
    assert [draft.intake.source for draft in page.drafts] == ["a.jpg"]
    # It begins anew at once.
    page.take(paths[2:])
    read_all(page)
    assert [draft.intake.source for draft in page.drafts] == ["a.jpg", "c.jpg"]
    wait_until(lambda: not any("photographs" in thread.name for thread in threading.enumerate()))


def test_what_is_no_picture_is_told_and_the_others_go_on(window: MainWindow, qtbot: QtBot, tmp_path: Path) -> None:
    page = pictures(window)
    good = photographed(tmp_path, "vase.jpg")
    text, plain = tmp_path / "note.jpg", tmp_path / "plain.png"
    text.write_text("no picture")
    plain.write_bytes(jpeg_bytes(np.full((300, 200, 3), 200, np.uint8)))
    page.take((text, tmp_path / "gone.jpg", plain, *good))
    read_all(page)
    assert "“note.jpg” is no JPEG or PNG picture" in window.notice.sentence
    assert "Two others failed too." in window.notice.sentence
    assert len(page.drafts) == 2
    qtbot.mouseClick(page.add_button, LEFT)
    assert "“plain.png” is no thing yet" in window.notice.sentence
    assert page.list.currentRow() == 0
    qtbot.mouseClick(page.leave_button, LEFT)
    qtbot.mouseClick(page.add_button, LEFT)
    assert window.workspace.history.undo_label == "Add vase"


def test_dropped_photographs_are_read(window: MainWindow, tmp_path: Path) -> None:
    page = gather(window)
    data = QMimeData()
    data.setUrls([QUrl.fromLocalFile(str(path)) for path in photographed(tmp_path, "a.jpg", "b.jpg")])
    page.dropEvent(QDropEvent(QPointF(9, 9), Qt.DropAction.CopyAction, data, LEFT, Qt.KeyboardModifier.NoModifier))
    assert page.pages.currentWidget() is page.pages.pictures
    read_all(page.pages.pictures)
    assert len(page.pages.pictures.drafts) == 2


def test_practice_photographs_are_there_without_a_camera(window: MainWindow, qtbot: QtBot) -> None:
    page = pictures(window)
    qtbot.mouseClick(page.practice_button, LEFT)
    read_all(page)
    assert len(page.drafts) == 4
    assert all(draft.intake.found is not None and draft.intake.found.is_outlined for draft in page.drafts)


def test_a_spot_outside_the_photograph_picks_nothing(window: MainWindow, qtbot: QtBot, tmp_path: Path) -> None:
    page = pictures(window)
    page.take(photographed(tmp_path, "a.jpg"))
    read_all(page)
    qtbot.mouseClick(page.bench.reference_chips["grey"], LEFT)
    qtbot.mouseClick(page.bench.picker, LEFT, pos=QPoint(1, 1))
    assert page.drafts[0].intake is page.drafts[0].as_taken
    assert page.bench.reference_chips["grey"].isChecked()


@pytest.mark.parametrize(
    ("source", "line"),
    [
        ("DSC_0042.JPG", "thing"),
        ("blue-jar_12x20.png", "blue jar 12x20"),
        ("20261003_101500.jpg", "thing"),
        ("bowl", "bowl"),
    ],
)
def test_a_file_name_may_say_what_it_shows(source: str, line: str) -> None:
    assert line_of(source) == line


def test_intakes_come_in_order_and_end_their_worker() -> None:
    intakes = Intakes()
    intakes.begin((("a", lambda: b"no"), ("b", lambda: b"no")))
    found: list[Intake] = []
    while intakes.is_busy:
        found += intakes.ready()
    assert [intake.source for intake in found] == ["a", "b"]
    assert all("no JPEG or PNG" in intake.problem for intake in found)


def test_an_unreadable_file_is_told() -> None:
    def fails() -> bytes:
        raise OSError("gone")

    assert "cannot be read" in take_in("a.jpg", fails).problem
