"""Place: the working order, what is fetched and bought, ticking off in the room, and all of it on paper."""

from collections.abc import Callable
from datetime import date
from pathlib import Path

from PySide6.QtGui import QActionGroup
from PySide6.QtWidgets import QHBoxLayout, QMenu, QPushButton, QStackedWidget, QWidget

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.place.fetch_page import FetchPage
from jolly_ledge.app.place.label_form import LabelForm
from jolly_ledge.app.place.order_page import OrderPage
from jolly_ledge.app.place.shopping_page import ShoppingPage
from jolly_ledge.app.place.tick_off_page import TickOffPage
from jolly_ledge.app.session import Session
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.drawing.client_sheet import MOST, client_page
from jolly_ledge.drawing.labels import LabelSheet, cord_labels, label_pages, storage_labels
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.paper import A4, LETTER, Paper
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.sheet import sheet_pages
from jolly_ledge.drawing.shopping_sheet import shopping_pages
from jolly_ledge.files.atomic import write_atomically
from jolly_ledge.files.dxf import look_to_dxf
from jolly_ledge.files.sheet_csv import sheet_to_csv
from jolly_ledge.files.shopping_csv import shopping_to_csv
from jolly_ledge.model.errors import EditError, JollyLedgeError
from jolly_ledge.render.export import LONGEST_SIDE, pixels_at, save_picture, save_sheet

DRAWING_SCALES = (1, 2, 5, 10, 20, 50)
ORDER, FETCH, TICK_OFF, BUY = "order", "fetch", "tick-off", "buy"
MODES = (
    (ORDER, "Order", "Every step with figures for a tape"),
    (FETCH, "Fetch", "What comes from which room, tools, time"),
    (TICK_OFF, "Tick off", "One step at a time, in large type, for a laptop in the room"),
    (BUY, "Buy", "What is to be bought, for how much, and what is left"),
)


class PlaceStep(Step):
    """The page a helper works from."""

    def __init__(self, session: Session, dialogs: Dialogs) -> None:
        super().__init__(session)
        self._dialogs = dialogs
        self.paper: Paper = A4
        self.scale: int | None = None
        self.modes = ChipRow(MODES, self.show_mode)
        self.head.addWidget(self.modes)
        self.arrange_button = chip("Arrange it", "Go to Arrange", checkable=False)
        self.arrange_button.clicked.connect(lambda: session.step_asked.emit("Arrange"))
        self.head.addWidget(self.arrange_button)
        self.paper_button = QPushButton("On paper")
        self.paper_button.setMinimumHeight(30)
        self.paper_button.setObjectName("primary")
        self.paper_menu = self._menu()
        self.paper_button.setMenu(self.paper_menu)
        self.head.addWidget(self.paper_button)
        self.order = OrderPage(session)
        self.fetch = FetchPage(session)
        self.tick_off = TickOffPage(session)
        self.buy = ShoppingPage(session)
        self.labels = LabelForm(self.save_labels, lambda: self.show_mode(ORDER))
        self.pages = QStackedWidget()
        self._shown: dict[str, tuple[QWidget, Callable[[], object]]] = {
            ORDER: (self.order, self.order.refresh), FETCH: (self.fetch, self.fetch.refresh),
            TICK_OFF: (self.tick_off, self.tick_off.refresh), BUY: (self.buy, self.buy.refresh),
        }  # fmt: skip
        for page, _ in self._shown.values():
            self.pages.addWidget(page)
        self.pages.addWidget(self.labels)
        row = QHBoxLayout()
        row.addWidget(self.pages)
        self.column.addLayout(row, 1)
        self.modes.show_choice(ORDER)
        self.follow(self.refresh, session.changed, session.unit_changed)

    def _menu(self) -> QMenu:
        menu = QMenu(self)
        for text, action in (
            ("Print the sheet", self.print_sheet),
            ("The sheet as PDF", self.save_pdf),
            ("The working order as CSV", self.save_csv),
            ("The drawing as PNG, SVG or DXF", self.save_drawing),
            ("A page for the client", self.save_client_page),
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

    # The pages

    def show_mode(self, mode: str) -> None:
        """Show one of the pages."""
        self.modes.show_choice(mode)
        page, refresh = self._shown[mode]
        self.pages.setCurrentWidget(page)
        refresh()
        if mode == TICK_OFF:
            self.tick_off.setFocus()

    def show_labels(self) -> None:
        """Show which labels can be made."""
        plan = self.session.plan
        cords, boxes = cord_labels(plan), storage_labels(plan, date.today().year)
        self.labels.show_labels((*cords, *boxes), len(cords), len(boxes))
        self.pages.setCurrentWidget(self.labels)

    def refresh(self) -> None:
        """Show the look in hand on the page that is seen; the others follow when they are shown."""
        self.arrange_button.setVisible(not self.session.look_id or not self.session.look.placements)
        for page, refresh in self._shown.values():
            if page is self.pages.currentWidget():
                refresh()

    # On paper

    def _stem(self) -> str:
        return f"{self.session.piece.label} - {self.session.look.label}".replace("/", "-")

    def _pages_of_sheet(self) -> tuple[Picture, ...]:
        session = self.session
        return sheet_pages(session.plan, session.look, session.unit, self.paper)

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
            self.session.refused.emit(str(error))
            return
        self.session.told.emit("The sheet is on its way to the printer.")

    def save_pdf(self) -> None:
        """Save the sheet as PDF where a person says."""
        self._save("Save the sheet", f"{self._named()}.pdf", lambda path: save_sheet(
            self._pages_of_sheet(), self.session.plan.name or "Placing sheet", path
        ))  # fmt: skip

    def save_csv(self) -> None:
        """Save the working order as CSV where a person says."""
        self.order.refresh()
        self._save("Save the working order", f"{self._named()}.csv", lambda path: write_atomically(
            path, sheet_to_csv(self.order.steps).encode()
        ))  # fmt: skip

    def save_drawing(self) -> None:
        """Save the drawing as PNG, SVG or DXF, by the ending, where a person says."""

        def write(path: Path) -> None:
            if path.suffix.lower() == ".dxf":
                write_atomically(path, look_to_dxf(self.session.arrangement).encode())
            else:
                picture = look_picture(self.session.arrangement)
                size = LONGEST_SIDE if self.scale is None else pixels_at(picture, self.scale)
                save_picture(picture, path, size, self.scale)

        self._save("Save the drawing", f"{self._named()}.png", write)

    def save_client_page(self) -> None:
        """Save a page with the versions of the piece in hand, the last of them where there are many."""
        plan = self.session.plan
        looks = [look for look in plan.looks_of(self.session.piece_id) if look.placements][-MOST:]
        self._save("Save the page for the client", f"{self._named()} versions.pdf", lambda path: save_sheet(
            (client_page(plan, looks, self.paper),), plan.name or "Versions", path
        ))  # fmt: skip

    def save_shopping(self) -> None:
        """Save the shopping list as PDF or CSV, by the ending, where a person says."""
        session, told = self.session, self.buy.told

        def write(path: Path) -> None:
            if path.suffix.lower() == ".csv":
                write_atomically(path, shopping_to_csv(told, session.plan.currency).encode())
            else:
                save_sheet(shopping_pages(session.plan, told, session.unit, self.paper), "To be bought", path)

        self._save("Save the shopping list", f"{session.plan.name or 'To be bought'} - to be bought.pdf", write)

    def save_labels(self, kind: str, sheet: LabelSheet, skip: int) -> None:
        """Save labels for cords or boxes as PDF where a person says."""
        plan = self.session.plan
        labels = cord_labels(plan) if kind == "cords" else storage_labels(plan, date.today().year)

        def write(path: Path) -> None:
            if not labels:
                lacking = "thing with a cord" if kind == "cords" else "thing that is told to be in a box"
                raise EditError(f"There is no {lacking} in the stash; there is nothing to label.")
            save_sheet(label_pages(labels, sheet, skip), "Labels", path)

        self._save("Save the labels", f"{plan.name or 'Labels'} - {kind}.pdf", write)

    def _named(self) -> str:
        return self._stem() if self.session.look_id else "look"

    def _has_look(self) -> bool:
        if not self.session.look_id:
            self.session.refused.emit("There is no look to put on paper; begin one first.")
        return bool(self.session.look_id)

    def _save(self, title: str, name: str, write: Callable[[Path], None]) -> None:
        if not self._has_look():
            return
        path = self._dialogs.ask_save(title, name)
        if path is None:
            return
        path = path if path.suffix else path.with_suffix(Path(name).suffix)
        try:
            write(path)
        except JollyLedgeError as error:
            self.session.refused.emit(str(error))
            return
        self.session.told.emit(f"Saved “{path.name}”.")
