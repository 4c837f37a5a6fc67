"""The list of places tells what each seat sees; choosing one shows it."""

from pytestqt.qtbot import QtBot

from builders import plan_of, put, thing
from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.model.piece import Ledge, Piece, Seat
from pages import page_of

TABLE = Piece(
    id="t", kind="dining-table", width=1600.0, height=750.0, depth=900.0, viewed_from="around",
    ledges=(Ledge(id="a1", left=0.0, floor=750.0, width=1600.0, depth=900.0),),
    seats=(Seat(x=800.0, z=-250.0), Seat(x=800.0, z=1150.0), Seat(x=-250.0, z=450.0)),
)  # fmt: skip


def test_the_list_tells_the_worst_seat_and_a_click_looks_from_there(
    qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs
) -> None:
    items = (thing("urn", height=420.0, width=300.0), thing("bowl", "bowl"))
    plan = plan_of(items, (put("urn", x=800.0, z=200.0), put("bowl", x=800.0, z=480.0)), TABLE)
    window = open_window(qtbot, plan, log, dialogs)
    page = page_of(window, "Arrange", ArrangeStep)
    strip = page.view_strip
    strip.place_menu.aboutToShow.emit()
    told = {action.text().split("\t")[0]: action for action in strip.place_menu.actions() if "sees" in action.text()}
    assert list(told) == ["Seat 1", "Seat 2", "Seat 3"]
    assert [name for name, action in told.items() if action.text().endswith(", the least")] == ["Seat 1"]
    told["Seat 1"].trigger()
    assert strip.place == "Seat 1"
    assert strip.said.startswith("Seat 1 sees ")
    assert "hidden: the bowl" in strip.said
    assert page.sights.sight is not None
    assert page.views.currentWidget() is page.sights.sight
