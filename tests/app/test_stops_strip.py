"""Every stop is in sight: a line for each, or for all of a kind where they are many."""

from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from builders import arranged, put, thing
from jolly_ledge.app.steps.arrange.stops_strip import MOST_LINES, StopsStrip
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import NAMES

LEFT = Qt.MouseButton.LeftButton
LOOK = arranged(tuple(thing(f"t{n}", name=f"jar {n}") for n in range(12)), tuple(put(f"t{n}") for n in range(12)))


def stops(*kinds: str) -> tuple[Caution, ...]:
    return tuple(Caution(kind, "stop", (f"t{n}",), f"{kind} {n}.") for n, kind in enumerate(kinds))


def lines_of(strip: StopsStrip) -> list[str]:
    return [line.text() for line in strip.lines if line.isVisibleTo(strip)]


def test_few_stops_have_a_line_each(qtbot: QtBot) -> None:
    strip = StopsStrip(lambda caution: None)
    qtbot.addWidget(strip)
    strip.resize(600, 300)
    strip.show_stops(stops("fit", "fit", "load"), LOOK)
    assert lines_of(strip) == [f"{NAMES['fit']}: jar 0", f"{NAMES['fit']}: jar 1", f"{NAMES['load']}: jar 2"]


def test_many_stops_are_told_by_kind_and_none_is_left_out(qtbot: QtBot) -> None:
    pressed: list[Caution] = []
    strip = StopsStrip(pressed.append)
    qtbot.addWidget(strip)
    strip.resize(900, 300)
    found = stops(*["fit"] * 5, *["load"] * 4, "collision")
    strip.show_stops(found, LOOK)
    lines = lines_of(strip)
    assert len(lines) == 3 <= MOST_LINES
    assert lines[0].startswith(f"{NAMES['fit']} (5): jar 0, jar 1")
    assert lines[1].startswith(f"{NAMES['load']} (4): jar 5")
    assert "10 things cannot stay so" in strip.title.text() or "ten things" in strip.title.text()
    assert all(caution.sentence in strip.lines[0].toolTip() for caution in found[:5])
    qtbot.mouseClick(strip.lines[1], LEFT)
    assert pressed == [found[5]]
