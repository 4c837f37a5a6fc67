"""What is further down the panel of a thing is made part by part, and nothing is squeezed meanwhile."""

from PySide6.QtWidgets import QApplication

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.gather.further_parts import PARTS
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from pages import page_of
from patience import wait_until


def test_parts_come_one_after_another_and_nothing_is_squeezed_meanwhile(window: MainWindow) -> None:
    page = page_of(window, "Gather", GatherStep)
    window.workspace.choose_item("dark-urn")
    panel = page.panel
    further, counts = panel.further, []
    while not further.is_whole:
        QApplication.processEvents()
        counts.append(sum(part in further.__dict__ for part in PARTS))
        assert panel.inside.height() >= panel.inside.minimumSizeHint().height()
    assert counts == sorted(counts)
    assert counts[-1] == len(PARTS)
    assert panel.inside.height() > 2 * panel.viewport().height()


def test_a_part_that_is_asked_for_is_there_at_once_and_shows_the_thing(window: MainWindow) -> None:
    page = page_of(window, "Gather", GatherStep)
    window.workspace.choose_item("teal-jug")
    further = page.panel.further
    assert further.traits.chips["daily-use"].isChecked()
    assert not further.covers_form.isVisibleTo(page.panel)
    assert "Stands upright on" in further.fits.heading.text()
    wait_until(lambda: further.is_whole)
    window.workspace.choose_item("night-garden")
    assert further.covers_form.isVisibleTo(page.panel)
    assert not further.traits.chips["daily-use"].isChecked()
