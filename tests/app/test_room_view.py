"""The look in the client's own room, in the real window: before and after side by side, saved as a picture."""

from pathlib import Path

from PIL import Image

from app.test_arrange import arrange_step
from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.view_strip import IN_THE_ROOM, STRAIGHT_ON
from jolly_ledge.app.steps.place.place_step import PlaceStep
from pages import page_of
from patience import wait_until


def test_before_and_after_stand_side_by_side_and_follow_the_look(window: MainWindow) -> None:
    page = arrange_step(window)
    assert IN_THE_ROOM in page.view_strip.places()
    page.view_strip.look_from(IN_THE_ROOM)
    room = page.sights.room
    assert room is not None
    assert not page.foot.isVisible()
    wait_until(lambda: room.after is not None)
    first = room.after
    assert room.before is not None
    assert first is not None
    assert room.before.size() == first.size()
    assert room.before != first
    window.workspace.choose("copper-bowl")
    page.actions_on_look.put_back()
    assert room.after is None
    wait_until(lambda: room.after is not None)
    assert room.after != first
    page.view_strip.look_from(STRAIGHT_ON)
    assert page.foot.isVisible()
    assert not room.is_busy


def test_who_leaves_does_not_wait_and_who_comes_back_sees_it(window: MainWindow) -> None:
    page = arrange_step(window)
    page.view_strip.look_from(IN_THE_ROOM)
    room = page.sights.room
    assert room is not None
    wait_until(lambda: room.before is not None)
    page.view_strip.look_from(STRAIGHT_ON)
    assert not room.is_busy
    page.view_strip.look_from(IN_THE_ROOM)
    wait_until(lambda: room.after is not None)
    room.work.close()


def test_a_piece_without_a_photograph_is_not_looked_at_so(window: MainWindow) -> None:
    page = arrange_step(window)
    page.view_strip.look_from(IN_THE_ROOM)
    window.workspace.choose_look("hall-welcome")
    assert IN_THE_ROOM not in page.view_strip.places()
    assert page.views.currentWidget() is page.view


def test_it_is_saved_as_a_picture(window: MainWindow, dialogs: AnsweringDialogs, tmp_path: Path) -> None:
    dialogs.to_save = tmp_path / "room"
    page_of(window, "Place", PlaceStep).save_room()
    with Image.open(tmp_path / "room.png") as picture:
        assert picture.size[0] > 800
    assert "room.png" in window.notice.sentence
    window.workspace.choose_look("hall-welcome")
    page_of(window, "Place", PlaceStep).save_room()
    assert "There is no photograph of Hall console" in window.notice.sentence
