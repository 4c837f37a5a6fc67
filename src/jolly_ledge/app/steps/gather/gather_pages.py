"""The line-up and the pages that stand in for it for a while, each made when first asked for."""

from functools import cached_property
from pathlib import Path
from typing import TYPE_CHECKING, TypeVar

from PySide6.QtCore import SignalInstance
from PySide6.QtWidgets import QStackedWidget, QWidget

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.exporting import Exporter
from jolly_ledge.exports.export import Options
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    # Each is read with its page: one brings arrays with it, which a window without photographs never loads.
    from jolly_ledge.app.steps.gather.arrivals_page import ArrivalsPage
    from jolly_ledge.app.steps.gather.families_page import FamiliesPage
    from jolly_ledge.app.steps.gather.laid_out_page import LaidOutPage
    from jolly_ledge.app.steps.gather.pictures_page import PicturesPage
    from jolly_ledge.app.steps.gather.twins_page import TwinsPage

Page = TypeVar("Page", bound=QWidget)

TABLE_SUFFIXES = (".csv", ".tsv", ".txt", ".json")
TABLE_KINDS = "Tables (*.csv *.tsv *.txt *.json);;All files (*)"


class GatherPages(QStackedWidget):
    """Shows one page at a time; the first is the line-up."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__()
        self._workspace = workspace
        self._dialogs = dialogs
        self._exporter = Exporter(workspace, dialogs)

    def _joined(self, page: Page, left: SignalInstance) -> Page:
        """Take a page in, and show the line-up again when it is left."""
        left.connect(self.show_line_up)
        self.addWidget(page)
        return page

    def show_line_up(self) -> None:
        """Show the line-up again."""
        self.setCurrentIndex(0)

    @cached_property
    def arrivals(self) -> "ArrivalsPage":
        """The page for tables and lists."""
        from jolly_ledge.app.steps.gather.arrivals_page import ArrivalsPage

        page = ArrivalsPage(self._workspace)
        return self._joined(page, page.left)

    def show_list(self, text: str = "") -> None:
        """Show the page for a typed or pasted list."""
        self.arrivals.show_list(text if isinstance(text, str) else "")
        self.setCurrentWidget(self.arrivals)

    def ask_table(self) -> None:
        """Ask for a table and show what taking it over would do."""
        path = self._dialogs.ask_open("A table of things", TABLE_KINDS)
        if path is not None:
            self.show_table(path)

    def show_table(self, path: Path) -> None:
        """Show what taking a table over would do; a file that is none is told."""
        if self.arrivals.load(path):
            self.setCurrentWidget(self.arrivals)

    @cached_property
    def families(self) -> "FamiliesPage":
        """The page for colour families."""
        from jolly_ledge.app.steps.gather.families_page import FamiliesPage

        page = FamiliesPage(self._workspace)
        return self._joined(page, page.left)

    def show_families(self) -> None:
        """Show the colour families."""
        self.setCurrentWidget(self.families)

    @cached_property
    def twins(self) -> "TwinsPage":
        """The page for what is probably entered twice."""
        from jolly_ledge.app.steps.gather.twins_page import TwinsPage

        page = TwinsPage(self._workspace)
        return self._joined(page, page.left)

    def show_twins(self) -> None:
        """Show what is probably entered twice."""
        self.setCurrentWidget(self.twins)

    @cached_property
    def pictures(self) -> "PicturesPage":
        """The page for photographs of things."""
        from jolly_ledge.app.steps.gather.pictures_page import PicturesPage

        page = PicturesPage(self._workspace, self._dialogs)
        return self._joined(page, page.left)

    def show_pictures(self) -> None:
        """Show the page for photographs of things."""
        self.setCurrentWidget(self.pictures)

    @cached_property
    def laid_out(self) -> "LaidOutPage":
        """The page for many things in one photograph."""
        from jolly_ledge.app.steps.gather.laid_out_page import LaidOutPage

        page = LaidOutPage(self._workspace, self._dialogs)
        return self._joined(page, page.left)

    def show_laid_out(self) -> None:
        """Show the page for many things in one photograph."""
        self.setCurrentWidget(self.laid_out)

    def take_pictures(self, paths: tuple[Path, ...]) -> None:
        """Read photographs that were dropped on the line-up."""
        self.show_pictures()
        self.pictures.take(paths)

    def ask_export(self) -> None:
        """Ask where to and write the whole stash, as CSV or JSON by the ending."""
        self._exporter.save("stash", Options())
