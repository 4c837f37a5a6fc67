"""More of one thing: where it comes from and returns to, season and care, a repaint trial, a book's covers."""

from msgspec.structs import replace
from PySide6.QtWidgets import QGridLayout, QHBoxLayout

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.colour_button import ColourButton
from jolly_ledge.app.widgets.form import Form, at_left, show_choice, show_text
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.items import ChangeItem, JoinSet, TellSense
from jolly_ledge.geometry.paint import paint_ml
from jolly_ledge.model.colour import family_name
from jolly_ledge.model.dates import date_of
from jolly_ledge.model.errors import DateError, MoneyError
from jolly_ledge.model.item import Care, Covers, Item
from jolly_ledge.model.money import price_of, typed
from jolly_ledge.model.words import MADE_OVER, SEASONS, SENSES, MadeOver
from jolly_ledge.workspace.workspace import Workspace

SENSE_CHOICES = tuple((sense, f"a {sense}" if sense else "single things") for sense in SENSES)
MAY_TIPS: dict[MadeOver, str] = {
    "painted": "Mends may offer it in another colour; its own is kept",
    "toned": "Mends may offer its own colour made quieter, by a glaze or a wax",
    "part-painted": "Mends may offer another colour on a part of it; the rest is masked and keeps its own",
    "refinished": "Mends may offer another finish: a varnish, matt or to a gloss, or leaf metal",
}
REFINISHES = (("", "its own"), ("matt", "matt"), ("satin", "satin"), ("gloss", "gloss"), ("metal", "leaf metal"))
CHIPS_IN_A_ROW = 2
SEASON_CHOICES = (("", "not told"), *((season, season) for season in SEASONS))


class ItemForm(Form):
    """A form over the thing of the stash in hand."""

    def change(self, **changes: object) -> None:
        """Change fields of the thing as one step, if they differ."""
        item = self._workspace.item
        if item is not None and any(getattr(item, field) != value for field, value in changes.items()):
            self._workspace.commit(ChangeItem(item=item.id, changes=tuple(changes.items()), name=item.label))


class ProvenanceForm(ItemForm):
    """Price, set, whose it is, when it must go back, season, care."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self.price_field = self.text("Price", self._set_price)
        self.price_field.setPlaceholderText("not told")
        self.price_field.setFixedWidth(96)
        self.watts_field = self.text("Draws, watts", self._set_watts)
        self.watts_field.setPlaceholderText("unknown")
        self.watts_field.setFixedWidth(96)
        self.set_field = self.text("Set or pair", self._join)
        self.sense_field = self.choice("They are", SENSE_CHOICES, self._tell_sense)
        self.sense_field.setToolTip("Side by side they are seen as one; proposals bring them whole or not at all")
        self.lender_field = self.text("Borrowed from", lambda name: self.change(borrowed_from=name))
        self.returns_field = self.text("Returns to", lambda name: self.change(returns_to=name))
        self.return_field = self.text("Must return by", self._set_return)
        self.return_field.setPlaceholderText("2027-01-31")
        row = QHBoxLayout()
        row.setSpacing(4)
        self.season_chips = {season: chip(season, small=True) for season in SEASONS}
        for season, button in self.season_chips.items():
            button.clicked.connect(lambda _=False, season=season: self._toggle_season(season))
            row.addWidget(button)
        self.rows.addRow(row)
        self.water_field = self.text("Water every", self._set_water)
        self.water_field.setPlaceholderText("days")
        self.water_field.setFixedWidth(96)
        self.repot_field = self.choice("Repot in", SEASON_CHOICES, lambda season: self._set_care(repot=season or None))
        self.lasts_field = self.text("Fresh for", self._set_lasts)
        self.lasts_field.setPlaceholderText("days")
        self.lasts_field.setFixedWidth(96)
        self.box_field = self.text("Stored in box", lambda box: self.change(box=box))
        self.obsolete_field = self.text("Out of date by", self._set_obsolete)
        self.obsolete_field.setPlaceholderText("2027-01-31")
        self.note_field = self.text("Note", lambda note: self.change(note=note))
        self.gone_chip = chip("No longer here", "Given away or broken: old looks still know it, nothing new uses it")
        self.gone_chip.clicked.connect(lambda gone: self.change(gone=gone))
        self.rows.addRow(self.gone_chip)

    def refresh(self) -> None:
        """Show the thing in hand."""
        item = self._workspace.item
        if item is None:
            return
        care = item.care or Care()
        show_text(self.price_field, typed(item.price))
        show_text(self.watts_field, "" if item.watts is None else f"{item.watts:g}")
        show_text(self.set_field, item.set)
        self.rows.setRowVisible(self.sense_field, bool(item.set))
        show_choice(self.sense_field, item.sense)
        show_text(self.lender_field, item.borrowed_from)
        show_text(self.returns_field, item.returns_to)
        show_text(self.return_field, item.return_by)
        for season, button in self.season_chips.items():
            button.setChecked(season in item.season)
        show_text(self.water_field, "" if care.water_days is None else f"{care.water_days} days")
        show_choice(self.repot_field, care.repot or "")
        show_text(self.lasts_field, "" if care.lasts_days is None else f"{care.lasts_days} days")
        show_text(self.box_field, item.box)
        show_text(self.obsolete_field, item.obsolete_by)
        show_text(self.note_field, item.note)
        self.gone_chip.setChecked(item.gone)

    def _join(self, name: str) -> None:
        item = self._workspace.item
        if item is not None and name != item.set:
            self._workspace.commit(JoinSet(items=(item.id,), name=name))

    def _tell_sense(self, sense: str) -> None:
        item = self._workspace.item
        told = next(one for one in SENSES if one == sense)
        if item is not None and item.set and item.sense != told:
            self._workspace.commit(TellSense(set=item.set, sense=told))

    def _set_price(self, text: str) -> None:
        try:
            self.change(price=price_of(text))
        except MoneyError as error:
            self._workspace.signals.refused.emit(str(error))

    def _set_watts(self, text: str) -> None:
        try:
            self.change(watts=float(text.lower().removesuffix("w").replace(",", ".").strip()) if text else None)
        except ValueError:
            self._workspace.signals.refused.emit(f"“{text}” is no power in watts; type a number such as 60.")

    def _set_return(self, text: str) -> None:
        self._set_date("return_by", text)

    def _set_obsolete(self, text: str) -> None:
        self._set_date("obsolete_by", text)

    def _set_date(self, field: str, text: str) -> None:
        try:
            day = date_of(text)
        except DateError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self.change(**{field: day.isoformat() if day else ""})

    def _toggle_season(self, season: str) -> None:
        item = self._workspace.item
        if item is not None:
            chosen = set(item.season) ^ {season}
            self.change(season=tuple(known for known in SEASONS if known in chosen))

    def _set_water(self, text: str) -> None:
        self._set_days("water_days", text)

    def _set_lasts(self, text: str) -> None:
        self._set_days("lasts_days", text)

    def _set_days(self, field: str, text: str) -> None:
        figure = text.lower().removesuffix("days").removesuffix("day").strip()
        if figure in ("week", "weekly", "a week"):
            figure = "7"
        if figure and not (figure.isascii() and figure.isdigit() and 1 <= int(figure) <= 365):
            self._workspace.signals.refused.emit(f"“{text}” is no number of days; type 7 for weekly, up to 365.")
            return
        self._set_care(**{field: int(figure) if figure else None})

    def _set_care(self, **known: object) -> None:
        item = self._workspace.item
        if item is not None:
            care = replace(item.care or Care(), **known)
            self.change(care=None if care == Care() else care)


class RepaintForm(ItemForm):
    """How the thing would look in another colour, and the paint it takes; its own colour is kept."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self.colour_button = ColourButton(lambda colour: self.change(repaint=colour), "Colour to paint it")
        self.rows.addRow("Painted", self.colour_button)
        self.said = words("", "small")
        self.rows.addRow(self.said)
        self.part_chip = chip("Only a part of it", "The rest is masked and keeps its own colour")
        self.part_chip.clicked.connect(lambda: self.change(part_painted=self.part_chip.isChecked()))
        self.rows.addRow("", at_left(self.part_chip))
        self.finish_field = self.choice("New finish", REFINISHES, lambda finish: self.change(refinish=finish or None))
        grid = QGridLayout()
        grid.setSpacing(4)
        self.may_chips = {what: chip(f"May be {what}", MAY_TIPS[what]) for what in MADE_OVER}
        for number, (what, button) in enumerate(self.may_chips.items()):
            button.clicked.connect(lambda _=False, what=what: self._toggle(what))
            grid.addWidget(button, *divmod(number, CHIPS_IN_A_ROW))
        grid.setColumnStretch(CHIPS_IN_A_ROW, 1)
        self.rows.addRow(grid)
        self.undo_button = chip("Back to its own look", checkable=False)
        self.undo_button.clicked.connect(lambda: self.change(repaint=None, refinish=None, part_painted=False))
        self.rows.addRow("", at_left(self.undo_button))

    def refresh(self) -> None:
        """Show the trial of the thing in hand."""
        item = self._workspace.item
        if item is None:
            return
        self.colour_button.show_colour(item.repaint or item.main_colour)
        self.part_chip.setChecked(item.part_painted)
        self.part_chip.setEnabled(item.repaint is not None)
        show_choice(self.finish_field, item.refinish or "")
        self.undo_button.setEnabled(item.repaint is not None or item.refinish is not None)
        for what, button in self.may_chips.items():
            button.setChecked(what in item.may_be)
        own = max(item.colours, key=lambda colour: colour[1])[0]
        paint = f"About {max(round(paint_ml(item), -1), 10):g} ml for two coats by its surface; the tin decides."
        trial = f"A trial: its own {family_name(own)} is kept. " if item.repaint is not None else ""
        self.said.setText(trial + paint)

    def _toggle(self, what: MadeOver) -> None:
        item = self._workspace.item
        if item is not None:
            self.change(may_be=tuple(one for one in MADE_OVER if (one in item.may_be) != (one == what)))


class CoversForm(ItemForm):
    """A book's jacket, board and page edges."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self.buttons = {
            part: ColourButton(lambda colour, part=part: self._set(part, colour), f"Colour of the {part}")  # type: ignore[misc]
            for part in ("jacket", "board", "pages")
        }
        for part, button in self.buttons.items():
            self.rows.addRow(part.capitalize(), button)
        self.off_chip = chip("Jacket off", "Show the board under the jacket")
        self.off_chip.clicked.connect(self._toggle_jacket)
        self.rows.addRow("", at_left(self.off_chip))

    def refresh(self) -> None:
        """Show the covers of the book in hand."""
        item = self._workspace.item
        if item is None or not item.is_book:
            return
        covers = item.covers or Covers()
        self.buttons["jacket"].show_colour(covers.jacket or item.colours[0][0])
        self.buttons["board"].show_colour(covers.board or item.colours[0][0])
        self.buttons["pages"].show_colour(item.page_colour)
        self.off_chip.setChecked(covers.jacket_off)

    def _set(self, part: str, colour: str) -> None:
        item = self._workspace.item
        if item is not None:
            self.change(covers=replace(item.covers or Covers(), **{part: colour}))

    def _toggle_jacket(self) -> None:
        item = self._workspace.item
        if item is None:
            return
        covers = item.covers or Covers()
        if not covers.jacket_off and covers.board is None:
            # A board nobody has looked at yet: cloth a little darker than the jacket is the usual guess.
            covers = replace(covers, board=_board_guess(item))
        self.change(covers=replace(covers, jacket_off=not covers.jacket_off))


def _board_guess(item: Item) -> str:
    from jolly_ledge.model.colour import darker

    return darker(item.colours[0][0], 0.25)
