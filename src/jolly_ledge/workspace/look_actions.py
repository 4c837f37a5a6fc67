"""Actions on the chosen things of the look in hand."""

from jolly_ledge.edits.placements import ChangePlacement, MovePlacement, PlaceItem, PutInside, ReturnToStash, SetPose
from jolly_ledge.edits.sort_row import SortRow
from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.geometry.landing import Spot, free_spot, free_vessel, holds
from jolly_ledge.geometry.room import room_along
from jolly_ledge.geometry.rows import ORDERS, group_of, in_order, row_of
from jolly_ledge.model.belonging import comes_unasked, verdict_on
from jolly_ledge.model.history import Edit
from jolly_ledge.model.item import Item
from jolly_ledge.model.stash_order import free_over
from jolly_ledge.model.words import Pose
from jolly_ledge.workspace.drag_gesture import natural_pose
from jolly_ledge.workspace.workspace import Workspace

POSE_VERBS: dict[Pose, str] = {
    "upright": "Stand {} upright",
    "flat": "Lay {} flat",
    "leaning": "Lean {}",
    "spine-in": "Turn the pages of {} out",
}


class LookActions:
    """Does things to what is chosen, one undo step each."""

    def __init__(self, workspace: Workspace) -> None:
        self._workspace = workspace
        self._told_of: set[tuple[str, str]] = set()
        workspace.signals.committed.connect(self._tell_of)

    def _tell_of(self, edit: Edit) -> None:
        """Tell once of a thing set down by hand that no proposal would bring here, and why; by hand all is allowed."""
        workspace = self._workspace
        if not isinstance(edit, PlaceItem) or (edit.item, workspace.piece_id) in self._told_of:
            return
        item = next(one for one in workspace.plan.stash if one.id == edit.item)
        ledge = next(one for one in workspace.piece.ledges if one.id == edit.spot.ledge)
        if not ledge.is_wall and not comes_unasked(item, workspace.piece, ledge):
            self._told_of.add((item.id, workspace.piece_id))
            reason = verdict_on(item, workspace.piece, ledge)[1]
            workspace.signals.told.emit(
                f"The {item.label} stands here by your hand; no proposal brings it by itself. {reason}"
            )

    def _chosen(self) -> tuple[PlacedItem, ...]:
        chosen = self._workspace.chosen_placed
        if not chosen:
            self._workspace.signals.refused.emit("Nothing is chosen; click a thing on the drawing first.")
        return chosen

    @staticmethod
    def names_of(chosen: tuple[PlacedItem, ...]) -> str:
        """Return the name of one thing, or how many there are."""
        return chosen[0].item.label if len(chosen) == 1 else f"{len(chosen)} things"

    def nudge(self, along: float, deep: float, *, stops: bool = False) -> None:
        """Move what is chosen by mm to the right and toward the wall (up, when it hangs); in a row it is one step.

        What ``stops`` is not moved over an end or through a neighbour.
        """
        workspace = self._workspace
        chosen = self._chosen()
        ids = {placed.id for placed in chosen}
        if stops and along:
            along, by = room_along(workspace.arrangement, ids, along)
            if not along and not deep:
                self._workspace.signals.refused.emit(f"It stands against {by}; with Alt it is pushed on.")
                return
        moves: list[Edit] = []
        for placed in chosen:
            placement = placed.placement
            if placement.inside or placement.pose == "draped":
                workspace.signals.refused.emit(f"The {placed.item.label} goes with what holds it; move that instead.")
                continue
            if placement.on in ids:
                continue  # it goes along with what carries it
            hangs = placement.pose == "hung"
            spot = Spot(
                ledge=placement.ledge,
                x=(placement.x or 0.0) + along,
                z=(placement.z or 0.0) + (0.0 if hangs else deep),
                on=placement.on,
                y=(placement.y or 0.0) + deep if hangs else None,
            )
            moves.append(
                MovePlacement(look=workspace.look_id, placement=placement.id, spot=spot, name=placed.item.label)
            )
        key = f"nudge {workspace.look_id} {' '.join(sorted(ids))}"
        with workspace.transaction(f"Move {self.names_of(chosen)}", merges_as=key) as edits:
            edits += moves

    def set_from_left(self, length: float) -> None:
        """Set the left edge of the chosen thing so far from the left end of its ledge."""
        for placed in self._chosen()[:1]:
            self.nudge(length - (placed.left - placed.ledge.left), 0.0)

    def set_from_front(self, length: float) -> None:
        """Set the front of the chosen thing so far from the front edge of its ledge."""
        for placed in self._chosen()[:1]:
            self.nudge(0.0, length - placed.front)

    def pose(self, pose: Pose) -> None:
        """Set the pose of what is chosen."""
        chosen = tuple(s for s in self._chosen() if s.placement.inside is None)
        if chosen:
            workspace, ids = self._workspace, tuple(placed.id for placed in chosen)
            label = POSE_VERBS[pose].format(self.names_of(chosen))
            workspace.commit(SetPose(look=workspace.look_id, placements=ids, pose=pose, label=label))

    def turn(self) -> None:
        """Turn what is chosen by a quarter."""
        chosen = self._chosen()
        if chosen:
            turned = (chosen[0].placement.turn + 90) % 360
            self._change(chosen, (("turn", turned),), f"Turn {self.names_of(chosen)}")

    def lock(self) -> None:
        """Lock what is chosen, or unlock it when all of it is locked."""
        chosen = self._chosen()
        if chosen:
            locks = not all(placed.placement.locked for placed in chosen)
            self._change(chosen, (("locked", locks),), f"{'Lock' if locks else 'Unlock'} {self.names_of(chosen)}")

    def count_apart(self) -> None:
        """Count what is chosen as a unit of its own, then with what holds it, then as the manner says."""
        chosen = self._chosen()
        if chosen:
            name = self.names_of(chosen)
            told = {None: "own", "own": "together", "together": None}[chosen[0].placement.counts_as]
            said = {"own": f"Count {name} by itself", "together": f"Count {name} with what holds it"}
            self._change(chosen, (("counts_as", told),), said.get(told or "", f"Count {name} as the manner does"))

    def group(self, name: str | None) -> None:
        """Read what is chosen as one vignette of that name; None leaves it to nearness."""
        chosen = self._chosen()
        if chosen:
            label = f"Group {self.names_of(chosen)} as “{name}”" if name else f"Ungroup {self.names_of(chosen)}"
            self._change(chosen, (("vignette", name or None),), label)

    def take_row(self) -> None:
        """Take the whole row of books in hand that the chosen one stands in, else its whole group; it moves as one."""
        workspace = self._workspace
        for placed in self._chosen()[:1]:
            row = tuple(one.id for one in row_of(workspace.arrangement, placed.id))
            group = group_of(workspace.arrangement, placed.id)
            together = row if row and not set(row) <= set(workspace.selection) else group
            if len(together) > 1:
                workspace.choose(placed.id, *(one for one in together if one != placed.id))
            else:
                workspace.signals.refused.emit(f"The {placed.item.label} stands by itself, in no row and no group.")

    def sort_row(self) -> None:
        """Sort the row of the chosen book by height; once more by hue, then by name."""
        workspace = self._workspace
        for placed in self._chosen()[:1]:
            row = row_of(workspace.arrangement, placed.id)
            sorted_by = [order for order in ORDERS if row and in_order(row, order) == row]
            first = ORDERS.index(sorted_by[0]) + 1 if sorted_by else 0
            others = [order for order in (*ORDERS[first:], *ORDERS[:first]) if order not in sorted_by]
            order = others[0] if others else ORDERS[0]
            if not workspace.commit(SortRow(look=workspace.look_id, placement=placed.id, order=order)) and not others:
                workspace.signals.told.emit("The row stands in order already: by height, by hue and by name.")

    def put_back(self) -> None:
        """Take what is chosen back to the stash."""
        workspace, chosen = self._workspace, self._chosen()
        locked = [placed for placed in chosen if placed.placement.locked]
        if locked:
            workspace.signals.refused.emit(f"The {locked[0].item.label} is locked; unlock it to put it back.")
        elif chosen:
            ids = tuple(placed.id for placed in chosen)
            workspace.commit(ReturnToStash(look=workspace.look_id, placements=ids, name=self.names_of(chosen)))

    def put_inside(self) -> None:
        """Put the chosen thing inside the nearest container on its ledge."""
        workspace = self._workspace
        for placed in self._chosen()[:1]:
            hosts = [
                other
                for other in workspace.arrangement.visible
                if other.ledge.id == placed.ledge.id and other.id != placed.id and holds(other.item, placed.item)
            ]
            if not hosts:
                workspace.signals.refused.emit(
                    f"No box, basket, bowl or tray stands on {placed.ledge.label} to take the {placed.item.label}."
                )
                return
            host = min(hosts, key=lambda other: abs(other.x - placed.x))
            workspace.commit(
                PutInside(
                    look=workspace.look_id,
                    item=placed.item.id,
                    host=host.id,
                    name=placed.item.label,
                    host_name=host.item.label,
                )
            )

    def place(self, item: Item) -> None:
        """Place a thing of the stash in the widest gap of the ledge in hand."""
        workspace = self._workspace
        ledge = workspace.ledge
        if ledge is None:
            workspace.signals.refused.emit("No ledge is in hand; click one on the drawing first.")
            return
        pose: Pose = "hung" if ledge.is_wall else natural_pose(item)
        over = free_over(item, ledge)
        if item.category == "book" and pose == "upright" and over is not None and over < 0:
            pose = "flat"
        spot = free_spot(workspace.arrangement, item, pose, ledge)
        edit: Edit = PlaceItem(look=workspace.look_id, item=item.id, spot=spot, pose=pose, name=item.label)
        vessel = free_vessel(workspace.arrangement, item, ledge)
        if vessel is not None:
            host = vessel.item.label
            edit = PutInside(look=workspace.look_id, item=item.id, host=vessel.id, name=item.label, host_name=host)
        before = {placement.id for placement in workspace.look.placements}
        if workspace.commit(edit):
            workspace.choose(*[p.id for p in workspace.look.placements if p.id not in before])

    def choose_next(self, step: int) -> None:
        """Choose the next thing from left to right, ledge by ledge from the top."""
        workspace = self._workspace
        ordered = sorted(workspace.arrangement.visible, key=lambda s: (-s.ledge.floor, s.ledge.left, s.x, s.bottom))
        ids = [placed.id for placed in ordered]
        if not ids:
            return
        current = workspace.selection[0] if workspace.selection and workspace.selection[0] in ids else None
        index = (ids.index(current) + step) % len(ids) if current else 0
        workspace.choose(ids[index])

    def choose_ledge(self, step: int) -> None:
        """Take the next ledge in hand, from the top down."""
        workspace = self._workspace
        ledges = sorted(workspace.piece.ledges, key=lambda ledge: (-ledge.floor, ledge.left))
        ids = [ledge.id for ledge in ledges]
        if ids:
            index = (ids.index(workspace.ledge_id) + step) % len(ids) if workspace.ledge_id in ids else 0
            workspace.choose_ledge(ids[index])

    def _change(self, chosen: tuple[PlacedItem, ...], changes: tuple[tuple[str, object], ...], label: str) -> None:
        workspace = self._workspace
        ids = tuple(placed.id for placed in chosen)
        workspace.commit(ChangePlacement(look=workspace.look_id, placements=ids, changes=changes, label=label))
