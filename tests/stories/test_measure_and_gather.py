"""A stylist comes to a house with nothing known: every piece is measured, twenty things and a list are gathered."""

from pathlib import Path

import pytest
from PySide6.QtCore import QPointF
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs, open_window
from jolly_ledge.files.plan_file import open_plan
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.starts.gallery import STARTS
from jolly_ledge.photos.image import jpeg_bytes
from jolly_ledge.render.practice_photos import practice_camera, practice_photo
from jolly_ledge.workspace.new_plan import new_plan
from pages import LEFT, bench_of, gather, measure, type_into

LINES = (
    "vase stoneware 18x32 sand rough hall 2.1kg",
    "jug 22 tall teal kitchen daily",
    "brass candlestick 9x30 dining room",
    "bowl 24x9 cream gloss kitchen",
    "5 books linen 18-26 tall muted study",
    "row of books 30 wide 24 tall study",
    "stack of books 28x10x21 study",
    "frame oak 20x28x2 landing",
    "round mirror 40 hall",
    "fern 28 tall bathroom",
    "branches 45 tall to buy 12€",
    "tray walnut 40x3x28 sitting room",
    "basket willow 35x25 hall",
    "lamp 23x42 study",
    "globe 20x27 study sentimental",
    "box tin 15x6x9 workroom",
    "borrowed from the harbour school brass telescope 30 tall",
    "figure 16 tall plaster",
    "candle 8x12 beeswax",
    'throw wool 30x10x24 "winter throw"',
)
TABLE = "Thing;H;W (mm);Room;Weight\nglass bottle;24,5;90;study;0,4 kg\nclay pot;12;;shed\n;;;\noak crate;14;280;shed;1,2;extra\n"


def test_from_an_empty_house_to_a_measured_and_gathered_one(
    qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs, tmp_path: Path, qapp: object
) -> None:
    window = open_window(qtbot, new_plan(), log, dialogs)
    workspace = window.workspace

    # One piece of each kind, by its card.
    page = measure(window)
    for start in STARTS:
        qtbot.mouseClick(page.another_button, LEFT)
        qtbot.mouseClick(page.gallery.cards[start.id], LEFT)
        assert workspace.piece.kind == start.make().kind
        assert workspace.look.piece == workspace.piece_id
    assert len(workspace.plan.pieces) == len(STARTS) + 1
    assert len({piece.id for piece in workspace.plan.pieces}) == len(STARTS) + 1

    # The bookcase among them is measured from a photograph.
    page.pieces_field.setCurrentIndex(page.pieces_field.findText("Bookcase"))
    page.pieces_field.activated.emit(page.pieces_field.currentIndex())
    piece = workspace.piece
    true = (piece.width, piece.height)
    pixels, _ = practice_photo(arrange(workspace.plan, workspace.look), 11)
    camera = practice_camera(*true)
    dialogs.to_open = tmp_path / "bookcase.jpg"
    dialogs.to_open.write_bytes(jpeg_bytes(pixels, 90))
    bench = bench_of(window, qtbot)
    qtbot.mouseClick(bench.load_button, LEFT)
    share = bench.view._frame.width / pixels.shape[1]
    bench.view.corners = [(x * share + 3, y * share - 2) for x, y in camera.corners(0, 0, *true)]
    qtbot.mouseClick(bench.corner_strip.fit_button, LEFT)
    qtbot.mouseClick(bench.corner_strip.straighten_button, LEFT)
    ledge = piece.ledges[1]
    for x in (ledge.left, ledge.right):
        at = bench.view.transform().map(QPointF(x, -ledge.floor)).toPoint()
        qtbot.mouseClick(bench.view, LEFT, pos=at)
    assert bench.measured == pytest.approx(ledge.width, rel=0.015)
    qtbot.mouseClick(bench.straight_strip.keep_button, LEFT)
    assert workspace.piece.photo is not None

    # Twenty quick lines.
    shelf = gather(window)
    for line in LINES:
        type_into(qtbot, shelf.entry.line, line)
    made = {item.name: item for item in workspace.plan.stash}
    assert len(workspace.plan.stash) == 24
    assert made["sand stoneware vase"].mass == 2.1
    assert made["winter throw"].category == "textile"
    assert any(item.borrowed_from == "the harbour school" for item in workspace.plan.stash)
    assert any(item.status == "to-buy" and item.price == 12 for item in workspace.plan.stash)
    assert sum(1 for item in workspace.plan.stash if item.guessed) > 8

    # A messy table from somewhere else.
    dialogs.to_open = tmp_path / "list.csv"
    dialogs.to_open.write_bytes(TABLE.encode("cp1252"))
    shelf.bring_menu.actions()[2].trigger()
    arrivals = shelf.pages.arrivals
    assert [row.doing for row in arrivals.model.rows] == ["add", "add", "add"]
    qtbot.mouseClick(arrivals.take_button, LEFT)
    assert [(item.name, item.height) for item in workspace.plan.stash[24:]] == [
        ("glass bottle", 245),
        ("clay pot", 120),
        ("oak crate", 140),
    ]

    # It is saved whole, and read back whole.
    path = tmp_path / "house.ledge"
    assert workspace.save(path)
    plan, file = open_plan(path)
    assert plan == workspace.plan
    assert plan.piece(workspace.piece_id).photo is not None
    assert len(file.photos) == 1

    # Every step has a name of its own and goes back.
    steps = len(workspace.history.labels)
    assert steps >= len(STARTS) + 1 + len(LINES) + 1
    while workspace.history.undo_label:
        workspace.undo()
    assert workspace.plan.stash == ()
    workspace.document.let_go()
