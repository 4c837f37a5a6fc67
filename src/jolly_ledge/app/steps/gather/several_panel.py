"""Several things of the stash changed together, each change one step."""

from collections.abc import Callable

from PySide6.QtWidgets import QHBoxLayout

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.form import Form
from jolly_ledge.app.widgets.side_panel import SidePanel
from jolly_ledge.app.widgets.texts import BoardLine, heading, question, words
from jolly_ledge.app.widgets.trait_chips import TraitChips
from jolly_ledge.app.widgets.wish_menu import WishChip
from jolly_ledge.edits.items import ChangeItems, JoinSet, MergeItems, RemoveItems, ToggleTrait
from jolly_ledge.model.set_names import set_name
from jolly_ledge.model.words import FINISHES, SEASONS, STATUSES, TRAITS, Trait, plain
from jolly_ledge.workspace.workspace import Workspace

UNCHANGED = ""
PANEL_WIDTH = 344


class SeveralPanel(SidePanel):
    """Shows what chosen things have in common and changes all of them at once."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(PANEL_WIDTH)
        self._workspace = workspace
        column = self.column
        self.title = heading("", 21)
        self.names = words("", "soft")
        column.addWidget(self.title)
        column.addWidget(self.names)
        column.addWidget(BoardLine())
        form = Form(workspace)
        self.room_field = form.text("Live in", lambda text: self._change("room", text))
        self.material_field = form.text("Made of", lambda text: self._change("material", text))
        unchanged = (UNCHANGED, "as they are")
        finishes = (unchanged, *((finish, plain(finish)) for finish in FINISHES))
        self.finish_field = form.choice("Finish", finishes, lambda finish: self._change("finish", finish))
        statuses = (unchanged, *((status, plain(status)) for status in STATUSES))
        self.status_field = form.choice("They are", statuses, lambda status: self._change("status", status))
        self.lender_field = form.text("Borrowed from", lambda text: self._change("borrowed_from", text))
        seasons = (unchanged, *((season, season) for season in SEASONS))
        self.season_field = form.choice("Season", seasons, lambda season: self._change("season", season))
        column.addWidget(form)
        column.addWidget(question("Belong together", 14))
        row = QHBoxLayout()
        self.join_button = chip("A set", checkable=False)
        self.join_button.clicked.connect(self.join)
        self.part_button = chip("Part them", "They no longer belong together", checkable=False)
        self.part_button.clicked.connect(lambda: self._commit(lambda ids: JoinSet(items=ids, name="")))
        self.merge_button = chip("They are one thing", "Merge entries of the same thing", checkable=False)
        self.merge_button.clicked.connect(self._merge)
        for button in (self.join_button, self.part_button, self.merge_button):
            row.addWidget(button)
        row.addStretch(1)
        column.addLayout(row)
        self.wish_chip = WishChip(workspace, lambda: workspace.item_ids)
        row = QHBoxLayout()
        row.addWidget(words("For the piece in hand", "soft", wrap=False))
        row.addWidget(self.wish_chip.button)
        row.addStretch(1)
        column.addLayout(row)
        column.addWidget(question("Mind", 14))
        self.traits = TraitChips(self._toggle)
        column.addLayout(self.traits)
        row = QHBoxLayout()
        self.measured_button = chip("All measured", "Their sizes are no guesses any more", checkable=False)
        self.measured_button.clicked.connect(lambda: self._change_always("guessed", ()))
        self.remove_button = chip("Remove them", "Take them out of the stash (Delete)", checkable=False)
        self.remove_button.clicked.connect(self.remove)
        row.addWidget(self.measured_button)
        row.addWidget(self.remove_button)
        row.addStretch(1)
        column.addLayout(row)
        column.addStretch(1)

    def refresh(self) -> None:
        """Show what is chosen."""
        items = self._workspace.chosen_items
        if len(items) < 2:
            return
        self.title.setText(f"{len(items)} things")
        shown = ", ".join(item.label for item in items[:5])
        self.names.setText(shown + (f" and {len(items) - 5} more" if len(items) > 5 else ""))
        for field, name in (
            (self.room_field, "room"), (self.material_field, "material"), (self.lender_field, "borrowed_from"),
        ):  # fmt: skip
            values = {getattr(item, name) for item in items}
            if not field.hasFocus():
                field.setText(values.pop() if len(values) == 1 else "")
                field.setPlaceholderText("several" if len(values) > 0 else "")
        for box, name in ((self.finish_field, "finish"), (self.status_field, "status")):
            values = {getattr(item, name) for item in items}
            box.setCurrentIndex(box.findData(values.pop()) if len(values) == 1 else 0)
        seasons = {item.season for item in items}
        same = seasons.pop() if len(seasons) == 1 else ()
        self.season_field.setCurrentIndex(self.season_field.findData(same[0]) if len(same) == 1 else 0)
        shared = [trait for trait in TRAITS if all(trait in item.traits for item in items)]
        self.traits.show_traits(shared)
        self.join_button.setText("A pair" if len(items) == 2 else "A set")
        self.merge_button.setEnabled(len({item.category for item in items}) == 1)
        self.part_button.setEnabled(any(item.set for item in items))
        self.measured_button.setEnabled(any(item.guessed for item in items))

    def _commit(self, edit: Callable[[tuple[str, ...]], object]) -> None:
        ids = tuple(item.id for item in self._workspace.chosen_items)
        if len(ids) > 1:
            self._workspace.commit(edit(ids))  # type: ignore[arg-type]

    def _change(self, field: str, value: str) -> None:
        if value == UNCHANGED:
            return
        told: object = (value,) if field == "season" else value
        self._change_always(field, told)

    def _change_always(self, field: str, value: object) -> None:
        self._commit(lambda ids: ChangeItems(items=ids, changes=((field, value),)))

    def _toggle(self, trait: Trait, on: bool) -> None:
        self._commit(lambda ids: ToggleTrait(items=ids, trait=trait, on=on))

    def join(self) -> None:
        """Say that the chosen things belong together."""
        items = self._workspace.chosen_items
        taken = frozenset(item.set for item in self._workspace.plan.stash)
        self._commit(lambda ids: JoinSet(items=ids, name=set_name(items, taken)))

    def _merge(self) -> None:
        kept, *gone = self._workspace.chosen_items
        edit = MergeItems(kept=kept.id, gone=tuple(item.id for item in gone), name=kept.label)
        if self._workspace.commit(edit):
            self._workspace.choose_item(kept.id)

    def remove(self) -> None:
        """Take the chosen things out of the stash."""
        self._commit(lambda ids: RemoveItems(items=ids))
