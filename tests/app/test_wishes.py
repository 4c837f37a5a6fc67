"""Wishes by hand: marked on the drawing or in the line-up, shown, kept, let go."""

import pytest
from PySide6.QtCore import Qt
from PySide6.QtGui import QAction, QImage
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.app.widgets.wish_menu import WishChip
from jolly_ledge.edits.wishes import AddWish, DropWish, said
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.piece import Wish
from jolly_ledge.model.plan import Plan
from pages import page_of

LEFT = Qt.MouseButton.LeftButton


def choose(chip: WishChip, text: str) -> None:
    chip.fill()
    action: QAction = next(action for action in chip.menu.actions() if text in action.text())
    action.trigger()


def listed(chip: WishChip) -> list[str]:
    chip.fill()
    return [action.text() for action in chip.menu.actions() if action.text()]


def test_a_wish_is_marked_on_the_drawing_and_let_go(window: MainWindow) -> None:
    page, workspace = page_of(window, "Arrange", ArrangeStep), window.workspace
    workspace.choose("orrery")
    workspace.choose_ledge("l2")
    bare = page.view.grab().toImage()
    choose(page.chosen.wish_chip, "Only on left bay, shelf 2")
    assert workspace.piece.wishes == (Wish(kind="only-on", items=("orrery",), ledges=("l2",)),)
    marked: QImage = page.view.grab().toImage()
    assert marked != bare
    workspace.choose("orrery")
    workspace.choose_ledge("l3")
    choose(page.chosen.wish_chip, "Never on left bay, shelf 3")
    findings = [finding.sentence for finding in workspace.assessment.findings if finding.reading == "must-haves"]
    assert not any("orrery is never" in sentence for sentence in findings)
    assert len(workspace.piece.wishes) == 2
    choose(page.chosen.wish_chip, "Let go: brass orrery only on")
    assert [wish.kind for wish in workspace.piece.wishes] == ["never-on"]
    workspace.undo()
    workspace.undo()
    workspace.undo()
    assert workspace.piece.wishes == ()


def test_several_marked_things_are_wished_apart_or_together(window: MainWindow) -> None:
    page, workspace = page_of(window, "Arrange", ArrangeStep), window.workspace
    ids = [placement.id for placement in workspace.look.placements if placement.item in ("dark-urn", "terracotta-vase")]
    workspace.choose(ids[0])
    assert not any("Apart" in text for text in listed(page.chosen.wish_chip))
    workspace.choose(*ids)
    choose(page.chosen.wish_chip, "Apart, never neighbours")
    assert {wish.kind for wish in workspace.piece.wishes} == {"apart"}
    # The opposite of the same things takes its place.
    choose(page.chosen.wish_chip, "Together, on one tray")
    assert [wish.kind for wish in workspace.piece.wishes] == ["together"]
    assert any("wished together" in finding.sentence for finding in workspace.assessment.findings)


def test_x_opens_the_list_and_nothing_marked_is_said(
    window: MainWindow, qtbot: QtBot, monkeypatch: pytest.MonkeyPatch
) -> None:
    page, workspace = page_of(window, "Arrange", ArrangeStep), window.workspace
    opened: list[bool] = []
    monkeypatch.setattr(page.chosen.wish_chip.button, "showMenu", lambda: opened.append(True))
    qtbot.keyClick(page.view, "x")
    assert opened == [True]
    workspace.choose()
    assert listed(page.chosen.wish_chip) == ["Mark a thing first, several with shift and click"]


def test_things_of_the_line_up_are_wished_for_the_piece_in_hand(window: MainWindow) -> None:
    page, workspace = page_of(window, "Gather", GatherStep), window.workspace
    workspace.choose_item("dark-urn")
    choose(page.panel.further.wish_chip, "In the middle of its ledge")
    assert workspace.piece.wishes == (Wish(kind="centred", items=("dark-urn",)),)
    before = page.line_up.grab().toImage()
    workspace.undo()
    assert page.line_up.grab().toImage() != before


def test_what_a_wish_needs_is_told(demo: Plan) -> None:
    with pytest.raises(EditError, match="two things or more"):
        AddWish(piece="alcove", wish=Wish(kind="apart", items=("orrery",))).apply(demo)
    with pytest.raises(EditError, match="even number"):
        AddWish(piece="alcove", wish=Wish(kind="mirrored", items=("orrery", "dark-urn", "teal-jug"))).apply(demo)
    with pytest.raises(EditError, match="no item"):
        AddWish(piece="alcove", wish=Wish(kind="centred", items=("ghost",))).apply(demo)
    wish = Wish(kind="centred", items=("orrery",))
    once = AddWish(piece="alcove", wish=wish).apply(demo)
    assert AddWish(piece="alcove", wish=wish).apply(once).piece("alcove").wishes == (wish,)
    assert DropWish(piece="alcove", wish=wish).apply(once).piece("alcove").wishes == ()
    assert said(wish, demo, demo.piece("alcove")) == "brass orrery in the middle"


def test_what_a_piece_has_can_be_wished_near(window: MainWindow) -> None:
    page, workspace = page_of(window, "Arrange", ArrangeStep), window.workspace
    look = next(look for look in workspace.plan.looks if look.piece == "hall-console")
    workspace.choose_look(look.id)
    lamp = next(placement for placement in look.placements if "lamp" in placement.item)
    workspace.choose(lamp.id)
    choose(page.chosen.wish_chip, "Near the socket")
    (wish,) = [wish for wish in workspace.piece.wishes if wish.kind == "near"]
    assert (wish.items, wish.near, wish.within) == ((lamp.item,), "socket", 600.0)
    assert any("near the socket" in text for text in listed(page.chosen.wish_chip))
    workspace.undo()
    assert not [wish for wish in workspace.piece.wishes if wish.kind == "near"]
