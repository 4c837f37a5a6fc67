"""Place: the working order, what is fetched and bought, ticking off in the room, and all of it on paper."""

from collections.abc import Callable
from datetime import date
from functools import cached_property

from msgspec.structs import replace
from PySide6.QtGui import QActionGroup
from PySide6.QtWidgets import QHBoxLayout, QMenu, QPushButton, QStackedWidget, QWidget

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.exporting import Exporter
from jolly_ledge.app.steps.place.away_page import AwayPage
from jolly_ledge.app.steps.place.fetch_page import FetchPage
from jolly_ledge.app.steps.place.label_form import LabelForm
from jolly_ledge.app.steps.place.order_page import OrderPage
from jolly_ledge.app.steps.place.plugs_page import PlugsPage
from jolly_ledge.app.steps.place.shopping_page import ShoppingPage
from jolly_ledge.app.steps.place.tick_off_page import TickOffPage
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.drawing.client_sheet import MOST
from jolly_ledge.drawing.labels import LabelSheet, cord_labels, storage_labels
from jolly_ledge.drawing.paper import A4, LETTER, Paper
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.sheet import sheet_pages
from jolly_ledge.exports.export import NO_LOOK, LabelKind, Options, PaperName
from jolly_ledge.exports.register import BY_ID
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.workspace.workspace import Workspace

DRAWING_SCALES = (1, 2, 5, 10, 20, 50)
ORDER, FETCH, AWAY, TICK_OFF, PLUGS, BUY = "order", "fetch", "away", "tick-off", "plugs", "buy"
MODES = (
    (ORDER, "Order", "Every step with figures for a tape"),
    (FETCH, "Fetch", "What comes from which room, tools, time"),
    (AWAY, "Put away", "What stays out where one works, and where the rest goes"),
    (TICK_OFF, "Tick off", "One step at a time, in large type, for a laptop in the room"),
    (PLUGS, "Plug in", "Which cord goes into which outlet, and what is drawn there"),
    (BUY, "Buy", "What is to be bought, for how much, and what is left"),
)


Page = OrderPage | FetchPage | AwayPage | TickOffPage | PlugsPage | ShoppingPage


class PlaceStep(Step):
    """The page a helper works from."""

    def __init__(self, host: QWidget, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__(host, workspace)
        self._dialogs = dialogs
        self._exporter = Exporter(workspace, dialogs)
        self.paper: Paper = A4
        self.scale: int | None = None
        self._mode = ORDER
        self.modes = ChipRow(MODES, self.show_mode)
        self.head.addWidget(self.modes)
        self.arrange_button = chip("Arrange it", "Go to Arrange", checkable=False)
        self.arrange_button.clicked.connect(lambda: workspace.signals.step_asked.emit("Arrange"))
        self.head.addWidget(self.arrange_button)
        self.paper_button = QPushButton("On paper")
        self.paper_button.setMinimumHeight(30)
        self.paper_button.setObjectName("primary")
        self.paper_menu = self._menu()
        self.paper_button.setMenu(self.paper_menu)
        self.head.addWidget(self.paper_button)
        self.pages = QStackedWidget()
        self.pages.addWidget(self.order)
        row = QHBoxLayout()
        row.addWidget(self.pages)
        self.column.addLayout(row, 1)
        self.modes.show_choice(ORDER)
        self.shortcut("Ctrl+P", self.print_sheet, said="Print the sheet")
        self.shortcut("Ctrl+Shift+P", self.save_pdf, said="The sheet as PDF")
        self.follow(self.refresh, workspace.signals.changed, workspace.signals.length_unit_changed)

    def _menu(self) -> QMenu:
        menu = QMenu(self)
        for text, action in (
            ("Print the sheet", self.print_sheet),
            ("The sheet as PDF", self.save_pdf),
            ("The working order as CSV", self.save_csv),
            ("The drawing as PNG, SVG or DXF", self.save_drawing),
            ("A page for the client", self.save_client_page),
            ("The look in the room, as PNG or JPEG", self.save_room),
            ("The shopping list as PDF or CSV", self.save_shopping),
            ("Labels for cords and boxes", self.show_labels),
        ):
            menu.addAction(text, action)
        menu.addSeparator()
        scales = menu.addMenu("The drawing's scale")
        self._scales = QActionGroup(self)
        for scale in (None, *DRAWING_SCALES):
            made = scales.addAction("as large as it goes" if scale is None else f"1:{scale}")
            made.setCheckable(True)
            made.setChecked(scale is None)
            made.triggered.connect(lambda _=False, scale=scale: self.use_scale(scale))
            self._scales.addAction(made)
        for paper in (A4, LETTER):
            made = menu.addAction(f"On {paper.name} paper")
            made.setCheckable(True)
            made.setChecked(paper is self.paper)
            made.triggered.connect(lambda _=False, paper=paper: self.use_paper(paper))
        return menu

    def use_scale(self, scale: int | None) -> None:
        """Draw at 1:``scale`` from now on, 300 dots to the inch; None draws as large as it goes."""
        self.scale = scale

    def use_paper(self, paper: Paper) -> None:
        """Print on another size of paper from now on."""
        self.paper = paper
        for action in self.paper_menu.actions():
            if action.isCheckable():
                action.setChecked(action.text() == f"On {paper.name} paper")

    # The pages: each is made when it is first asked for

    @cached_property
    def order(self) -> OrderPage:
        """Every step with figures for a tape."""
        return OrderPage(self.workspace)

    @cached_property
    def fetch(self) -> FetchPage:
        """What comes from which room."""
        return FetchPage(self.workspace)

    @cached_property
    def away(self) -> AwayPage:
        """What stays out, and where the rest goes."""
        return AwayPage(self.workspace)

    @cached_property
    def tick_off(self) -> TickOffPage:
        """One step at a time."""
        return TickOffPage(self.workspace)

    @cached_property
    def plugs(self) -> PlugsPage:
        """Which cord goes into which outlet."""
        return PlugsPage(self.workspace)

    @cached_property
    def buy(self) -> ShoppingPage:
        """What is to be bought."""
        return ShoppingPage(self.workspace)

    @cached_property
    def labels(self) -> LabelForm:
        """Which labels can be made."""
        return LabelForm(self.save_labels, lambda: self.show_mode(ORDER))

    def _page(self, mode: str) -> Page:
        pages: dict[str, Callable[[], Page]] = {
            ORDER: lambda: self.order, FETCH: lambda: self.fetch, AWAY: lambda: self.away,
            TICK_OFF: lambda: self.tick_off, PLUGS: lambda: self.plugs, BUY: lambda: self.buy,
        }  # fmt: skip
        return pages[mode]()

    def _bring_up(self, page: QWidget) -> None:
        """Show a page; one that was never shown joins the others."""
        if self.pages.indexOf(page) < 0:
            self.pages.addWidget(page)
        self.pages.setCurrentWidget(page)

    def show_mode(self, mode: str) -> None:
        """Show one of the pages."""
        self._mode = mode
        self.modes.show_choice(mode)
        page = self._page(mode)
        self._bring_up(page)
        page.refresh()
        if mode == TICK_OFF:
            self.tick_off.setFocus()

    def show_labels(self) -> None:
        """Show which labels can be made."""
        plan = self.workspace.plan
        cords, boxes = cord_labels(plan), storage_labels(plan, date.today().year)
        self.labels.show_labels((*cords, *boxes), len(cords), len(boxes))
        self._mode = ""
        self._bring_up(self.labels)

    def refresh(self) -> None:
        """Show the look in hand on the page that is seen; the others follow when they are shown."""
        self.arrange_button.setVisible(not self.workspace.look_id or not self.workspace.look.placements)
        if self._mode:
            self._page(self._mode).refresh()

    # On paper

    def _pages_of_sheet(self) -> tuple[Picture, ...]:
        workspace = self.workspace
        return sheet_pages(workspace.plan, workspace.look, workspace.length_unit, self.paper)

    def print_sheet(self) -> None:
        """Print the sheet through the system's own dialog."""
        from jolly_ledge.render.printing import print_pages

        if not self._has_look():
            return
        try:
            printer = self._dialogs.ask_printer("Print the sheet", self.paper.name)
            if printer is None:
                return
            print_pages(self._pages_of_sheet(), printer)
        except JollyLedgeError as error:
            self.workspace.signals.refused.emit(str(error))
            return
        self.workspace.signals.told.emit("The sheet is on its way to the printer.")

    def _options(self) -> Options:
        looks = (self.workspace.look,) if self.workspace.look_id else ()
        paper: PaperName = "a4" if self.paper is A4 else "letter"
        return Options(looks=looks, unit=self.workspace.length_unit, paper=paper, scale=self.scale)

    def save_pdf(self) -> None:
        """Save the sheet as PDF where a person says."""
        self._exporter.save("sheet", self._options())

    def save_csv(self) -> None:
        """Save the working order as CSV where a person says."""
        self._exporter.save("sheet", self._options(), suffix=".csv", said="the working order")

    def save_drawing(self) -> None:
        """Save the drawing as PNG, SVG or DXF, by the ending, where a person says."""
        self._exporter.save("draw", self._options())

    def save_room(self) -> None:
        """Save the photograph of the empty piece with the look in it, where a person says."""
        self._exporter.save("room", self._options())

    def save_client_page(self) -> None:
        """Save a page with the versions of the piece in hand, the last of them where there are many."""
        options = self._options()
        stem = BY_ID["client"].named(self.workspace.plan, options)
        looks = [look for look in self.workspace.plan.looks_of(self.workspace.piece_id) if look.placements][-MOST:]
        self._exporter.save("client", replace(options, looks=tuple(looks)), stem=stem)

    def save_shopping(self) -> None:
        """Save the shopping list as PDF or CSV, by the ending, where a person says."""
        options = self._options()
        self._exporter.save("shopping", options if self.buy.only_look.isChecked() else replace(options, looks=()))

    def save_labels(self, kind: LabelKind, sheet: LabelSheet, skip: int) -> None:
        """Save labels for cords or boxes as PDF where a person says."""
        self._exporter.save("labels", Options(labels=kind, sheet=sheet, skip=skip))

    def _has_look(self) -> bool:
        if not self.workspace.look_id:
            self.workspace.signals.refused.emit(NO_LOOK)
        return bool(self.workspace.look_id)
