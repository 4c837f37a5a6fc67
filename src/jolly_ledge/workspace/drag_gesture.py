"""Carrying a thing with the pointer: one gesture previews, and commits one edit at most."""

import math

from jolly_ledge.edits.placements import MovePlacement, PlaceItem, PutInside, ReturnToStash, carried_by
from jolly_ledge.edits.together import Together
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.clearing import slid_clear
from jolly_ledge.geometry.landing import Held, Landing, Spot, find_landing
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.history import Edit
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.words import WALL_CATEGORIES, Pose
from jolly_ledge.workspace.workspace import Workspace

SLID_TOLD_MM = 5.0


def natural_pose(item: Item) -> Pose:
    """Return how a thing is first set down: frames and loose stems lean, the rest stands."""
    return "leaning" if item.category in WALL_CATEGORIES - {"board"} | {"stems"} else "upright"


class DragGesture:
    """Carries a thing from the stash or from where it stands.

    Parameters
    ----------
    workspace : Workspace
    item : Item
    placement : Placement or None
        Where it stands now; None when it comes from the stash.
    grab : (float, float)
        From the pointer to the middle of the thing's foot, in piece mm.
    """

    def __init__(
        self,
        workspace: Workspace,
        item: Item,
        placement: Placement | None = None,
        grab: tuple[float, float] = (0.0, 0.0),
    ) -> None:
        self._workspace = workspace
        self._grab = grab
        self.item = item
        self.placement = placement
        self.pose: Pose = placement.pose if placement else natural_pose(item)
        if self.pose in ("hung", "draped"):
            self.pose = natural_pose(item)
        self._turn = placement.turn if placement else 0.0
        look = workspace.look
        self._carried = frozenset(p.id for p in carried_by(look, placement.id)) if placement else frozenset()
        self._arrangement: Arrangement = workspace.arrangement
        self._along_with = self._chosen_beside(placement)
        self._ignored = self._carried | ({placement.id} if placement else set())
        for other in self._along_with:
            self._ignored |= {other.id, *(p.id for p in carried_by(look, other.id))}
        self._ledge_before = workspace.ledge_id
        self._edit: Edit | None = None
        self.landing: Landing | None = None
        self._slid = 0.0
        self.at = (0.0, 0.0)

    def _chosen_beside(self, placement: Placement | None) -> tuple[Placement, ...]:
        """Return what is chosen with it and stands on the same ledge: all of that is carried as one."""
        workspace = self._workspace
        if placement is None or placement.id not in workspace.selection or placement.host is not None:
            return ()
        others = (self._arrangement.by_id[one].placement for one in workspace.selection if one != placement.id)
        return tuple(
            other for other in others
            if other.ledge == placement.ledge and other.host is None and other.x is not None and not other.locked
            and other.pose not in ("hung", "draped")
        )  # fmt: skip

    def move(self, x: float, y: float, *, pushes: bool = False) -> None:
        """Follow the pointer (piece mm, y up) and show what would be.

        What meets another thing slides to the nearest free place within a hand's breadth, unless it ``pushes``.
        """
        self.at = (x + self._grab[0], y + self._grab[1])
        held = Held(
            self.item,
            self.pose,
            self._turn,
            self.at[0],
            self.at[1],
            self.placement.z if self.placement else None,
            self._ignored,
        )
        self.landing = find_landing(self._arrangement, held)
        self._slid = 0.0
        if self.landing is not None and not (pushes or self._along_with or self.landing.inside):
            meant = self.landing.spot
            spot = slid_clear(self._arrangement, held, meant)
            self._slid = math.hypot(spot.x - meant.x, spot.z - meant.z)
            self.landing = Landing(spot)
        self._edit = self._edit_for(self.landing)
        workspace = self._workspace
        # The view from above follows to the ledge under the hand.
        workspace.selected.ledge_id = self.landing.spot.ledge if self.landing else self._ledge_before
        if self._edit is None:
            workspace.preview(None)
            return
        try:
            workspace.preview(self._edit.apply(workspace.plan).look(workspace.look_id))
        except JollyLedgeError:
            self._edit = None
            workspace.preview(None)

    def finish(self) -> bool:
        """Let go; return whether the plan changed."""
        workspace, edit = self._workspace, self._edit
        if edit is None:
            workspace.preview(None)
            return False
        before = {placement.id for placement in workspace.plan.look(workspace.look_id).placements}
        changed = workspace.commit(edit)
        if changed:
            fresh = [p.id for p in workspace.look.placements if p.id not in before]
            held = (self.placement, *self._along_with) if self.placement else ()
            present = [one.id for one in held if self._is_there(one.id)]
            workspace.choose(*(fresh or present))
        return changed

    def cancel(self) -> None:
        """Put it back where it was."""
        self._edit = None
        self._workspace.selected.ledge_id = self._ledge_before
        self._workspace.preview(None)

    def figures(self) -> str:
        """Return where it would stand, in tape figures."""
        if self.landing is None:
            return "back to the stash" if self.placement else ""
        workspace, spot = self._workspace, self.landing.spot
        if self.landing.inside:
            return f"inside the {self._name_of(self.landing.inside)}"
        half = self._half_width()
        words = [f"{workspace.length(max(spot.x - half, 0))} from the left end"]
        if spot.y is not None:
            words.append(f"{workspace.length(spot.y)} up the wall")
        else:
            words.append(f"{workspace.length(max(spot.z - self._half_depth(), 0))} from the front")
        if spot.on:
            words.append(f"on the {self._name_of(spot.on)}")
        if self._slid >= SLID_TOLD_MM:
            words.append("slid to where there is room")
        return " · ".join(words)

    def _is_there(self, identifier: str) -> bool:
        return any(placement.id == identifier for placement in self._workspace.look.placements)

    def _name_of(self, identifier: str) -> str:
        return self._arrangement.by_id[identifier].item.label

    def _half_width(self) -> float:
        return Held(self.item, self.pose, self._turn, 0, 0).size.width / 2

    def _half_depth(self) -> float:
        return Held(self.item, self.pose, self._turn, 0, 0).size.depth / 2

    def _edit_for(self, landing: Landing | None) -> Edit | None:
        look, name = self._workspace.look_id, self.item.label
        if landing is None:
            return ReturnToStash(look=look, placements=(self.placement.id,), name=name) if self.placement else None
        if landing.inside:
            host_name = self._name_of(landing.inside)
            return PutInside(look=look, item=self.item.id, host=landing.inside, name=name, host_name=host_name)
        if self.placement:
            first = MovePlacement(look=look, placement=self.placement.id, spot=landing.spot, name=name)
            if not self._along_with or landing.spot.on or landing.spot.y is not None:
                return first
            return self._all_of_them(first, self.placement)
        pose: Pose = "hung" if landing.spot.y is not None else self.pose
        return PlaceItem(look=look, item=self.item.id, spot=landing.spot, pose=pose, name=name)

    def _all_of_them(self, first: MovePlacement, held: Placement) -> Edit:
        """Return the move of what is held with all that goes along, as one step."""
        spot, edits = first.spot, [first]
        along, into = spot.x - (held.x or 0.0), spot.z - (held.z or 0.0)
        for other in self._along_with:
            beside = Spot(ledge=spot.ledge, x=(other.x or 0.0) + along, z=(other.z or 0.0) + into)
            edits.append(MovePlacement(look=first.look, placement=other.id, spot=beside))
        return Together(edits=tuple(edits), label=f"Move {len(edits)} things")
