"""How a thing is used is told in Gather, and the room that takes is drawn over the look."""

import pytest
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.app.views.look.depth_view import DepthView
from jolly_ledge.app.views.look.marks import Box
from jolly_ledge.app.views.look.use_marks import use_marks, use_marks_from_above
from jolly_ledge.drawing.theme import RUST, TEAL
from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.geometry.in_use import ARM_MM
from jolly_ledge.model.use import Cord, Use
from pages import page_of, pick, type_into

LEFT = Qt.MouseButton.LeftButton


def test_how_a_thing_is_used_is_told_step_by_step(window: MainWindow, qtbot: QtBot) -> None:
    page = page_of(window, "Gather", GatherStep)
    workspace = window.workspace
    workspace.choose_item("dark-urn")
    form = page.panel.further.use_form
    assert not form.angle_field.isVisibleTo(form)
    assert not form.cord_field.isVisibleTo(form)
    pick(form.often_field, "daily")
    pick(form.opens_field, "lid")
    assert form.angle_field.isVisibleTo(form)
    pick(form.hinge_field, "left")
    type_into(qtbot, form.angle_field, "110°")
    type_into(qtbot, form.room_fields["above"], "6 cm")
    qtbot.mouseClick(form.turns_chip, LEFT)
    pick(form.hands_field, "2")
    other = next(item for item in workspace.plan.stash if item.id != "dark-urn")
    type_into(qtbot, form.along_field, other.label.upper())
    item = workspace.item
    assert item is not None
    told = Use(
        often="daily", opens="lid", hinge="left", angle=110.0, above=60.0, turns=True, hands=2, along=(other.id,)
    )  # fmt: skip
    assert item.use == told
    workspace.undo()
    assert item.use == told
    assert workspace.item is not None
    assert workspace.item.use != told


def test_what_cannot_be_read_is_said_and_nothing_is_lost(window: MainWindow, qtbot: QtBot) -> None:
    page = page_of(window, "Gather", GatherStep)
    window.workspace.choose_item("dark-urn")
    form = page.panel.further.use_form
    pick(form.opens_field, "door")
    for field, text, said in (
        (form.angle_field, "wide", "no angle"),
        (form.angle_field, "900", "no angle"),
        (form.along_field, "a thing of nobody", "Nothing in the stash is called"),
    ):
        type_into(qtbot, field, text)
        assert said in window.notice.sentence
    assert window.workspace.item is not None
    assert window.workspace.item.use == Use(opens="door", hinge="left")
    pick(form.opens_field, "")
    pick(form.hinge_field, "back")
    assert window.workspace.item.use is None


def test_the_cord_of_a_corded_thing_is_told(window: MainWindow, qtbot: QtBot) -> None:
    page = page_of(window, "Gather", GatherStep)
    corded = next(item for item in window.workspace.plan.stash if "corded" in item.traits)
    window.workspace.choose_item(corded.id)
    form = page.panel.further.use_form
    type_into(qtbot, form.cord_field, "1.8 m")
    pick(form.cord_side_field, "right")
    assert window.workspace.item is not None
    assert window.workspace.item.cord == Cord(length=1800.0, side="right")
    form.cord_field.clear()
    qtbot.keyClick(form.cord_field, Qt.Key.Key_Return)
    assert window.workspace.item.cord == Cord(side="right")


def test_the_room_it_takes_is_drawn_and_red_where_it_is_short(window: MainWindow) -> None:
    workspace = window.workspace
    placed = next(p for p in workspace.arrangement.placed_items if p.ledge.clearance and p.placement.pose == "upright")
    assert placed.ledge.clearance is not None
    room = placed.ledge.clearance - placed.height
    for above, rim in ((room / 2, TEAL), (room + 50.0, RUST)):
        use = Use(above=above)
        workspace.commit(ChangeItem(item=placed.item.id, changes=(("use", use),), name=placed.item.label))
        now = workspace.arrangement.by_id[placed.id]
        (mark,) = use_marks(workspace.arrangement, now)
        assert (mark.rim, mark.stroke, mark.height) == (rim, "dash", above)  # type: ignore[union-attr]
    assert any(caution.id == "in-use" for caution in workspace.cautions)


def test_from_above_a_turn_is_a_circle_and_the_reach_of_an_arm_is_one_from_the_front(window: MainWindow) -> None:
    workspace = window.workspace
    workspace.choose_look("tea-for-twenty")
    kettle, caddy = workspace.arrangement.by_id["tea-kettle"], workspace.arrangement.by_id["tea-caddy"]
    use = Use(turns=True, along=(caddy.item.id,))
    workspace.commit(ChangeItem(item=kettle.item.id, changes=(("use", use),), name=kettle.item.label))
    kettle = workspace.arrangement.by_id["tea-kettle"]
    turn, arm = use_marks_from_above(workspace.arrangement, kettle)
    assert isinstance(arm, Box)
    assert (arm.radius, arm.rim) == (ARM_MM, TEAL)
    assert isinstance(turn, Box)
    assert turn.width == pytest.approx(turn.height)
    assert turn.radius == pytest.approx(turn.width / 2)
    reach = [mark for mark in use_marks(workspace.arrangement, kettle) if isinstance(mark, Box) and mark.radius]
    assert [mark.rim for mark in reach] == [TEAL]
    view = DepthView(workspace)
    view.resize(400, 150)
    workspace.choose()
    workspace.choose_ledge(kettle.ledge.id)
    bare = view.grab().toImage()
    workspace.choose(kettle.id)
    assert view.grab().toImage() != bare
