"""What is done with several chosen things at once: all of a ledge chosen, even gaps, fronts in line, one group."""

from collections.abc import Callable, Sequence

from jolly_ledge.edits.copied import SetDownCopies, with_guests
from jolly_ledge.edits.placements import MovePlacement
from jolly_ledge.geometry.arrangement import PlacedItem, arrange
from jolly_ledge.geometry.axes import Axis
from jolly_ledge.geometry.landing import Spot, free_spot
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.look import Placement
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.workspace.look_actions import LookActions
from jolly_ledge.workspace.workspace import Workspace

FEWEST_FOR_GAPS = 3


class SeveralActions:
    """Does things to several things, one undo step each."""

    def __init__(self, workspace: Workspace, actions: LookActions) -> None:
        self._workspace = workspace
        self._actions = actions
        self._copied: tuple[Placement, ...] = ()

    def _standing(self) -> list[PlacedItem]:
        """Return what is chosen and stands on a ledge itself, from the left."""
        chosen = self._workspace.chosen_placed
        free = (one for one in chosen if one.placement.host is None and one.placement.pose not in ("hung", "draped"))
        return sorted(free, key=lambda one: one.left)

    def choose_all(self) -> None:
        """Choose all that is on the ledge in hand."""
        workspace = self._workspace
        if workspace.ledge is None:
            workspace.signals.refused.emit("No ledge is in hand; click one on the drawing first.")
            return
        there = workspace.arrangement.by_ledge.get(workspace.ledge_id, ())
        if there:
            workspace.choose(*(one.id for one in there if one.placement.pose != "draped"))
        else:
            workspace.signals.refused.emit(f"Nothing stands on {workspace.ledge.label} yet.")

    def why_no_even_gaps(self) -> str:
        """Return why gaps cannot be made even, empty where they can."""
        standing = self._standing()
        if len(standing) < FEWEST_FOR_GAPS:
            return "Choose three things on one ledge, or more."
        if len({one.ledge.id for one in standing}) > 1:
            return "Gaps are made even on one ledge at a time."
        return self._why_locked(standing[1:-1])

    def even_gaps(self) -> None:
        """Make the gaps between what is chosen alike; the outer two stay."""
        if reason := self.why_no_even_gaps():
            self._workspace.signals.refused.emit(reason)
            return
        standing = self._standing()
        inner = standing[1:-1]
        room = standing[-1].left - standing[0].right - sum(one.width for one in inner)
        gap, at = room / (len(inner) + 1), standing[0].right
        moves = []
        for one in inner:
            moves.append((one, at + gap - one.left, 0.0))
            at += gap + one.width
        self._move(moves, "Make the gaps alike")

    def why_no_line(self) -> str:
        """Return why fronts cannot be set in line, empty where they can."""
        standing = self._standing()
        if len(standing) < 2:
            return "Choose two things that stand on a ledge, or more."
        return self._why_locked(standing)

    def fronts_in_line(self) -> None:
        """Set the fronts of what is chosen in line with the foremost."""
        self._set_in_line(lambda one: one.front, min, "Set the fronts in line")

    def backs_in_line(self) -> None:
        """Set the backs of what is chosen in line with the hindmost."""
        self._set_in_line(lambda one: one.back, max, "Set the backs in line")

    def _set_in_line(
        self, edge: Callable[[PlacedItem], float], outermost: Callable[[list[float]], float], label: str
    ) -> None:
        if reason := self.why_no_line():
            self._workspace.signals.refused.emit(reason)
            return
        standing = self._standing()
        line = outermost([edge(one) for one in standing])
        self._move([(one, 0.0, line - edge(one)) for one in standing], label)

    def why_nothing_to_copy(self) -> str:
        """Return why nothing can be copied, empty where something can."""
        return "" if self._workspace.chosen_placed else "Choose a thing first."

    def copy(self) -> None:
        """Remember what is chosen, with all it carries, to set it down in another look of the piece."""
        workspace, chosen = self._workspace, self._workspace.chosen_placed
        if chosen:
            self._copied = with_guests(workspace.look, {one.id for one in chosen})
            count = capital(counted(len(self._copied), "thing"))
            workspace.signals.told.emit(f"{count} copied; Ctrl+V sets down the same in another look of this piece.")

    def why_nothing_copied(self) -> str:
        """Return why nothing can be set down, empty where something can."""
        return "" if self._copied else "Nothing was copied yet; choose things and press Ctrl+C."

    def set_down(self) -> None:
        """Set down what was copied in the look in hand, and choose it."""
        if reason := self.why_nothing_copied():
            self._workspace.signals.refused.emit(reason)
            return
        before = {placement.id for placement in self._workspace.look.placements}
        name = counted(len(self._copied), "thing")
        if self._workspace.commit(SetDownCopies(look=self._workspace.look_id, placements=self._copied, name=name)):
            new = (placement.id for placement in self._workspace.look.placements if placement.id not in before)
            self._workspace.choose(*new)

    def why_no_axis(self) -> str:
        """Return why what is chosen cannot be centred, empty where it can."""
        standing = self._standing()
        if not standing:
            return "Choose what stands on a ledge."
        if len({one.ledge.id for one in standing}) > 1:
            return "Things are centred on one ledge at a time."
        return self._why_locked(standing)

    def centre_on(self, axis: Axis) -> None:
        """Move what is chosen as one, so that its middle is on an axis; it stays as it is to each other."""
        if reason := self.why_no_axis():
            self._workspace.signals.refused.emit(reason)
            return
        standing = self._standing()
        left, right, ledge = standing[0].left, max(one.right for one in standing), standing[0].ledge
        along = axis.x - (left + right) / 2
        over = max(ledge.left - left - along, right + along - ledge.right)
        if over > 0:
            length = self._workspace.length(round(over))
            self._workspace.signals.refused.emit(
                f"Centred on {axis.name} it would stand {length} over the end of {ledge.label}; choose fewer things or "
                "another axis."
            )
            return
        self._move([(one, along, 0.0) for one in standing], f"Centre on {axis.name}")

    def why_no_group(self) -> str:
        """Return why no group can be made, empty where one can."""
        few = len(self._workspace.chosen_placed) < 2
        return "Choose two things or more to make a group of; shift-click adds." if few else ""

    def group_at_once(self) -> None:
        """Read what is chosen as one vignette, named after its anchor; one that is named so already is let go."""
        if reason := self.why_no_group():
            self._workspace.signals.refused.emit(reason)
            return
        chosen = self._workspace.chosen_placed
        names = {one.placement.vignette for one in chosen}
        anchor = max(chosen, key=lambda one: one.width * one.height)
        self._actions.group(None if len(names) == 1 and names != {None} else anchor.item.label)

    def to_ledge(self, step: int) -> None:
        """Carry what is chosen to the next ledge, into its widest free stretch; with nothing chosen, take that in hand.

        ``step`` is -1 up and 1 down.
        """
        workspace, chosen = self._workspace, self._standing()
        if not chosen:
            self._actions.choose_ledge(step)
            return
        ordered = sorted(workspace.piece.ledges, key=lambda ledge: (-ledge.floor, ledge.left))
        ledges = [ledge for ledge in ordered if not ledge.is_wall]
        if reason := self._why_locked(chosen):
            workspace.signals.refused.emit(reason)
            return
        at = [ledge.id for ledge in ledges].index(chosen[0].ledge.id) + step if chosen[0].ledge in ledges else -1
        if not 0 <= at < len(ledges):
            workspace.signals.refused.emit(f"There is no ledge {'above' if step < 0 else 'below'} this one.")
            return
        target = ledges[at]
        plan, look_id = workspace.plan, workspace.look_id
        with workspace.transaction(f"Carry {self._actions.names_of(tuple(chosen))} to {target.label}") as edits:
            for placed in chosen:
                there = arrange(plan, plan.look(look_id))
                spot = free_spot(there, placed.item, placed.placement.pose, target)
                edit = MovePlacement(look=look_id, placement=placed.id, spot=spot, name=placed.item.label)
                try:
                    plan = edit.apply(plan)
                except JollyLedgeError as error:
                    workspace.signals.refused.emit(str(error))
                    edits.clear()
                    return
                edits.append(edit)
        workspace.choose_ledge(target.id)

    def _why_locked(self, things: Sequence[PlacedItem]) -> str:
        locked = next((one for one in things if one.placement.locked), None)
        return "" if locked is None else f"The {locked.item.label} is locked; unlock it to move it."

    def _move(self, moves: Sequence[tuple[PlacedItem, float, float]], label: str) -> None:
        workspace = self._workspace
        with workspace.transaction(label) as edits:
            for placed, along, deep in moves:
                placement = placed.placement
                spot = Spot(
                    ledge=placement.ledge, x=(placement.x or 0.0) + along, z=(placement.z or 0.0) + deep,
                    on=placement.on, y=placement.y,
                )  # fmt: skip
                edits.append(
                    MovePlacement(look=workspace.look_id, placement=placement.id, spot=spot, name=placed.item.label)
                )
