"""How the thing in hand is used where it stands: how often, how it opens, the room it wants, its cord."""

from msgspec.structs import replace
from PySide6.QtWidgets import QLineEdit

from jolly_ledge.app.steps.gather.item_forms import ItemForm
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.form import at_left, show_choice, show_text
from jolly_ledge.app.widgets.length_field import LengthField
from jolly_ledge.app.widgets.named_things import names_of, not_known, things_named
from jolly_ledge.model.use import ANY_CORD, AS_IT_COMES, HINGES, OFTEN
from jolly_ledge.workspace.workspace import Workspace

OFTEN_CHOICES = tuple((often, often.replace("-", " ") if often else "not told") for often in OFTEN)
OPENS_CHOICES = (("", "nothing opens"), ("lid", "by a lid"), ("door", "by a door"), ("drawer", "by a drawer"))
HINGE_CHOICES = tuple((side, f"at its {side}") for side in HINGES)
HANDS_CHOICES = (("", "not told"), ("1", "one hand"), ("2", "both hands"), ("4", "two people"))
CORD_CHOICES = (("", "not told"), ("left", "at its left"), ("right", "at its right"))
ROOMS = (
    ("above", "Room over it"),
    ("before", "Room before it"),
    ("left", "Room at its left"),
    ("right", "Room at its right"),
)
WIDEST, MOST_OUTLETS = 270, 40


class UseForm(ItemForm):
    """What is told of use; rows that say nothing of the thing in hand are left out."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self.often_field = self.choice("Used", OFTEN_CHOICES, lambda often: self._tell(often=often))
        self.opens_field = self.choice("Opens", OPENS_CHOICES, self._set_opens)
        self.hinge_field = self.choice("Hinged", HINGE_CHOICES, lambda side: self._tell(hinge=side))
        self.angle_field = self.text("As far as, °", self._set_angle)
        self.angle_field.setFixedWidth(96)
        self.run_field = self._room("Comes out by", "run")
        self.run_field.setPlaceholderText("its depth")
        self.room_fields = {name: self._room(label, name) for name, label in ROOMS}
        for field in self.room_fields.values():
            field.setPlaceholderText("none")
        self.turns_chip = chip("Turned on the spot", "It wants the room of its diagonal about it")
        self.turns_chip.clicked.connect(lambda: self._tell(turns=self.turns_chip.isChecked()))
        self.rows.addRow("", at_left(self.turns_chip))
        self.hands_field = self.choice(
            "Lifted by", HANDS_CHOICES, lambda told: self._tell(hands=int(told or 0) or None)
        )
        self.along_field = self.text("Used with", self._set_along)
        self.along_field.setPlaceholderText("names, commas between")
        self.cord_field = LengthField(
            workspace, lambda length: self._tell_cord(length=length or None), "length of the cord"
        )
        self.cord_field.may_be_empty = True
        self.cord_field.setPlaceholderText("usual")
        self.rows.addRow("Its cord is", self.cord_field)
        self.cord_side_field = self.choice("The cord leaves", CORD_CHOICES, lambda side: self._tell_cord(side=side))
        self.outlets_field = self.text("Plugs into it", self._set_outlets)
        self.outlets_field.setPlaceholderText("none")
        self.outlets_field.setToolTip("How many, where it is a power strip; its watts then are what it is rated for")
        self.outlets_field.setFixedWidth(96)

    def _room(self, label: str, name: str) -> LengthField:
        empty = None if name == "run" else 0.0
        field = self.length(label, name, lambda length: self._tell(**{name: length or empty}))
        field.may_be_empty = True
        return field

    def refresh(self) -> None:
        """Show how the thing in hand is used."""
        item = self._workspace.item
        if item is None:
            return
        use, cord = item.use or AS_IT_COMES, item.cord or ANY_CORD
        show_choice(self.often_field, use.often)
        show_choice(self.opens_field, use.opens)
        show_choice(self.hinge_field, use.hinge)
        show_choice(self.hands_field, str(use.hands or ""))
        show_text(self.angle_field, f"{use.angle:g}")
        self.run_field.show_length(use.run)
        for name, field in self.room_fields.items():
            field.show_length(getattr(use, name) or None)
        self.turns_chip.setChecked(use.turns)
        show_text(self.along_field, names_of(use.along, self._workspace.plan.stash))
        self.cord_field.show_length(cord.length)
        show_choice(self.cord_side_field, cord.side)
        show_text(self.outlets_field, "" if item.outlets is None else str(item.outlets))
        for row, is_shown in (
            (self.hinge_field, use.opens in ("lid", "door")), (self.angle_field, use.opens in ("lid", "door")),
            (self.run_field, use.opens == "drawer"), (self.cord_field, item.has_cord),
            (self.cord_side_field, item.has_cord), (self.outlets_field, item.has_cord),
        ):  # fmt: skip
            self.rows.setRowVisible(row, is_shown)

    def _tell(self, **told: object) -> None:
        item = self._workspace.item
        if item is not None:
            use = replace(item.use or AS_IT_COMES, **told)
            self.change(use=None if use == AS_IT_COMES else use)

    def _set_outlets(self, text: str) -> None:
        if text and not (text.isascii() and text.isdigit() and 1 <= int(text) <= MOST_OUTLETS):
            self._workspace.signals.refused.emit(
                f"“{text}” is no number of plugs; type 1 to {MOST_OUTLETS}, or nothing where none goes into it."
            )
            return
        self.change(outlets=int(text) if text else None)

    def _tell_cord(self, **told: object) -> None:
        item = self._workspace.item
        if item is not None:
            cord = replace(item.cord or ANY_CORD, **told)
            self.change(cord=None if cord == ANY_CORD else cord)

    def _set_opens(self, opens: str) -> None:
        # A door is hinged at a side, a lid at its back, until somebody says otherwise.
        self._tell(
            opens=opens, **({"hinge": "left"} if opens == "door" else {"hinge": "back"} if opens == "lid" else {})
        )

    def _set_angle(self, text: str) -> None:
        figure = text.removesuffix("°").strip().replace(",", ".")
        try:
            angle = float(figure or AS_IT_COMES.angle)
        except ValueError:
            angle = -1.0
        if not 0 <= angle <= WIDEST:
            self._refuse(self.angle_field, f"“{text}” is no angle; type how far it opens in degrees, 0 to {WIDEST}.")
            return
        self._tell(angle=angle)

    def _set_along(self, text: str) -> None:
        along, unknown = things_named(text, self._workspace.plan.stash)
        if unknown:
            self._refuse(self.along_field, not_known(unknown))
            return
        self._tell(along=along)

    def _refuse(self, field: QLineEdit, sentence: str) -> None:
        self._workspace.signals.refused.emit(sentence)
        field.clearFocus()
        self.refresh()
