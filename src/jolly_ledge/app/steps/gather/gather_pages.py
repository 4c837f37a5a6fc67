"""The line-up and the pages that stand in for it for a while, each made when first asked for."""

from pathlib import Path
from typing import TYPE_CHECKING

from PySide6.QtWidgets import QStackedWidget

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

TABLE_SUFFIXES = (".csv", ".tsv", ".txt", ".json")
TABLE_KINDS = "Tables (*.csv *.tsv *.txt *.json);;All files (*)"


class GatherPages(QStackedWidget):
    """Shows one page at a time; the first is the line-up."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__()
        self._workspace = workspace
        self._dialogs = dialogs
        self._exporter = Exporter(workspace, dialogs)
        self._arrivals: ArrivalsPage | None = None
        self._families: FamiliesPage | None = None
        self._twins: TwinsPage | None = None
        self._pictures: PicturesPage | None = None
        self._laid_out: LaidOutPage | None = None

    def show_line_up(self) -> None:
        """Show the line-up again."""
        self.setCurrentIndex(0)

    @property
    def arrivals(self) -> "ArrivalsPage":
        """The page for tables and lists."""
        if self._arrivals is None:
            from jolly_ledge.app.steps.gather.arrivals_page import ArrivalsPage

            self._arrivals = ArrivalsPage(self._workspace)
            self._arrivals.left.connect(self.show_line_up)
            self.addWidget(self._arrivals)
        return self._arrivals

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

    @property
    def families(self) -> "FamiliesPage":
        """The page for colour families."""
        if self._families is None:
            from jolly_ledge.app.steps.gather.families_page import FamiliesPage

            self._families = FamiliesPage(self._workspace)
            self._families.left.connect(self.show_line_up)
            self.addWidget(self._families)
        return self._families

    def show_families(self) -> None:
        """Show the colour families."""
        self.setCurrentWidget(self.families)

    @property
    def twins(self) -> "TwinsPage":
        """The page for what is probably entered twice."""
        if self._twins is None:
            from jolly_ledge.app.steps.gather.twins_page import TwinsPage

            self._twins = TwinsPage(self._workspace)
            self._twins.left.connect(self.show_line_up)
            self.addWidget(self._twins)
        return self._twins

    def show_twins(self) -> None:
        """Show what is probably entered twice."""
        self.setCurrentWidget(self.twins)

    @property
    def pictures(self) -> "PicturesPage":
        """The page for photographs of things."""
        if self._pictures is None:
            from jolly_ledge.app.steps.gather.pictures_page import PicturesPage

            self._pictures = PicturesPage(self._workspace, self._dialogs)
            self._pictures.left.connect(self.show_line_up)
            self.addWidget(self._pictures)
        return self._pictures

    def show_pictures(self) -> None:
        """Show the page for photographs of things."""
        self.setCurrentWidget(self.pictures)

    @property
    def laid_out(self) -> "LaidOutPage":
        """The page for many things in one photograph."""
        if self._laid_out is None:
            from jolly_ledge.app.steps.gather.laid_out_page import LaidOutPage

            self._laid_out = LaidOutPage(self._workspace, self._dialogs)
            self._laid_out.left.connect(self.show_line_up)
            self.addWidget(self._laid_out)
        return self._laid_out

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
