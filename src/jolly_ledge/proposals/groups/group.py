"""A group on its way: members that stand, lie on each other or go into each other, in coordinates of the group."""

import math
from collections.abc import Iterator
from typing import Literal

from jolly_ledge.geometry.pose import TRAY_FLOOR_MM, extent
from jolly_ledge.model.look import Placement
from jolly_ledge.model.words import Pose
from jolly_ledge.proposals.thing import Thing

Depth = Literal["back", "middle", "front"]

ROUNDNESS = 0.2
FRONT_MM, BACK_MM, BETWEEN_MM, TOUCHES_MM = 25.0, 15.0, 6.0, 0.5
"""So far from the front edge and the wall things stand where there is room, and so far from each other in depth."""


class Member:
    """One thing of a group: ``x`` is its middle along, ``z`` in depth from the front edge, ``base`` its foot (mm)."""

    __slots__ = ("base", "depth", "height", "inside", "on", "pose", "thing", "turn", "width", "x", "z")

    def __init__(self, thing: Thing, pose: Pose, x: float, z: float, turn: float = 0.0) -> None:
        self.thing, self.pose, self.x, self.z, self.turn = thing, pose, x, z, turn
        size = extent(thing.item, pose, turn)
        self.width, self.height, self.depth = size.width, size.height, size.depth
        self.base = 0.0
        self.on: Member | None = None
        self.inside: Member | None = None

    @property
    def left(self) -> float:
        """Its left edge."""
        return self.x - self.width / 2

    @property
    def right(self) -> float:
        """Its right edge."""
        return self.x + self.width / 2

    @property
    def front(self) -> float:
        """Its front edge."""
        return self.z - self.depth / 2

    @property
    def back(self) -> float:
        """Its back edge."""
        return self.z + self.depth / 2

    @property
    def top(self) -> float:
        """Its upper edge over the ledge."""
        return self.base + self.height

    @property
    def stands(self) -> bool:
        """Whether it stands on the ledge itself."""
        return self.on is None and self.inside is None

    @property
    def foot(self) -> "Member":
        """What stands on the ledge under it, or itself."""
        host = self.on or self.inside
        return self if host is None else host.foot

    @property
    def is_circle(self) -> bool:
        """Whether its footprint is a circle, about."""
        return self.thing.is_round and abs(self.width - self.depth) < ROUNDNESS * self.width

    def placement(self, ledge: str) -> Placement:
        """Return it as a placement on a ledge."""
        swallowed = self._is_swallowed
        return Placement(
            id=self.thing.id, item=self.thing.id, ledge=ledge, pose=self.pose, turn=self.turn,
            on=self.on.thing.id if self.on is not None else None,
            inside=self.inside.thing.id if self.inside is not None else None,
            x=None if swallowed else round(self.x, 1), z=None if swallowed else round(self.z, 1),
        )  # fmt: skip

    @property
    def _is_swallowed(self) -> bool:
        return self.inside is not None and self.inside.thing.category != "tray"


class Group:
    """Things that are read together.

    ``wants_end`` tells an end of the ledge it wants to stand at, if any; it may fill so much ``depth`` from
    ``front_at`` on (mm from the front edge).
    """

    def __init__(self, form: str, depth: float) -> None:
        self.form, self.depth = form, depth
        self.members: list[Member] = []
        self.wants_end, self.front_at = 0, 0.0

    def __iter__(self) -> Iterator[Member]:
        return iter(self.members)

    @property
    def left(self) -> float:
        """Its left edge."""
        return min(member.left for member in self.members)

    @property
    def right(self) -> float:
        """Its right edge."""
        return max(member.right for member in self.members)

    @property
    def foot_left(self) -> float:
        """The left edge of what stands on the ledge."""
        return min(member.left for member in self.members if member.stands)

    @property
    def foot_right(self) -> float:
        """The right edge of what stands on the ledge."""
        return max(member.right for member in self.members if member.stands)

    @property
    def width(self) -> float:
        """How wide it is seen."""
        return self.right - self.left

    @property
    def height(self) -> float:
        """How high it reaches."""
        return max(member.top for member in self.members)

    @property
    def ids(self) -> frozenset[str]:
        """The things in it."""
        return frozenset(member.thing.id for member in self.members)

    @property
    def anchor(self) -> Member:
        """Its largest member."""
        return max(self.members, key=lambda member: member.width * member.height)

    def copy(self) -> "Group":
        """Return the same group with members of its own."""
        other = Group(self.form, self.depth)
        other.wants_end, other.front_at = self.wants_end, self.front_at
        twins: dict[int, Member] = {}
        for member in self.members:
            twin = Member(member.thing, member.pose, member.x, member.z, member.turn)
            twin.base = member.base
            twin.on = twins[id(member.on)] if member.on is not None else None
            twin.inside = twins[id(member.inside)] if member.inside is not None else None
            twins[id(member)] = twin
            other.members.append(twin)
        return other

    def shift(self, along: float, into: float = 0.0) -> "Group":
        """Move it along the ledge and into its depth.

        Parameters
        ----------
        along : float
            To the right, in mm.
        into : float
            To the back, in mm.
        """
        self.front_at += into
        for member in self.members:
            member.x += along
            member.z += into
        return self

    def mirror(self) -> "Group":
        """Exchange left and right."""
        for member in self.members:
            member.x = -member.x
        self.wants_end = -self.wants_end
        return self

    def set_down(
        self, thing: Thing, depth: Depth = "back", side: int = 1, overlap: float = 0.3, gap: float = 14.0,
        pose: Pose | None = None,
    ) -> Member:  # fmt: skip
        """Set a thing on the ledge beside what stands there: before or behind a part of it, or clear of it.

        Parameters
        ----------
        thing : Thing
        depth : str
            Where in the depth of the ledge it wants to stand.
        side : int
            To the right (1) or the left (-1) of the others.
        overlap : float
            Which part of the narrower one they overlap in front view, where their depths leave room.
        gap : float
            Between straight things that stand side by side, in mm.
        """
        member = Member(thing, pose or thing.pose, 0.0, 0.0)
        member.z = self._depth_for(member, depth)
        if self.members:
            ground = [other for other in self.members if other.stands]
            share = overlap * min(member.width, max(other.width for other in ground))
            edge = self.foot_right if side > 0 else self.foot_left
            member.x = edge + side * (member.width / 2 - share)
            self._push_clear(member, side, gap)
        self.members.append(member)
        return member

    def takes(
        self, thing: Thing, width: float, depth: Depth = "back", side: int = 1, overlap: float = 0.3, gap: float = 14.0
    ) -> bool:
        """Tell whether the group is no wider than so much with a thing set down so; see :meth:`set_down`.

        Parameters
        ----------
        thing : Thing
            What is set down.
        width : float
            In mm.
        depth : str
            Where in the depth of the ledge: back, middle or front.
        side : int
            To the right (1) or the left (-1) of the others.
        overlap : float
            Which part of the narrower one they overlap in front view, 0 to 1.
        gap : float
            Between straight things, in mm.
        """
        member = self.set_down(thing, depth, side, overlap, gap)
        narrow = self.width <= width
        self.members.remove(member)
        return narrow

    def at_depth(self, thing: Thing, depth: Depth) -> Member:
        """Return a thing as a member at a place in depth, not yet one of the group."""
        member = Member(thing, thing.pose, 0.0, 0.0)
        member.z = self._depth_for(member, depth)
        return member

    def is_clear(self, member: Member) -> bool:
        """Tell whether a thing would stand clear of all members."""
        return is_clear_at(self.crowded(member), member.x)

    def crowded(self, member: Member) -> list[tuple[float, float]]:
        """Return about which points along the ledge, and how near to each, a thing would not stand clear."""
        found = ((other.x, _crowds(member, other)) for other in self.members if other is not member)
        return [(x, near) for x, near in found if near is not None]

    def _push_clear(self, member: Member, side: int, gap: float) -> None:
        for _ in range(12):
            pushed = [x for other in self.members if (x := _clear_of(member, other, side, gap)) is not None]
            if not pushed:
                return
            member.x = max(pushed) if side > 0 else min(pushed)

    def _depth_for(self, member: Member, depth: Depth) -> float:
        if member.pose == "leaning":
            return self.front_at + self.depth - member.depth / 2
        free = max((self.depth - member.depth) / 4, 0.0)
        least, most = member.depth / 2 + min(FRONT_MM, free), self.depth - member.depth / 2 - min(BACK_MM, free)
        if most < least:
            return self.front_at + max(self.depth / 2, member.depth / 2)
        return self.front_at + {"back": most, "middle": (least + most) / 2, "front": least}[depth]

    def lay_on(self, thing: Thing, host: Member, aside: float = 0.0, pose: Pose | None = None) -> Member:
        """Lay a thing on another.

        Parameters
        ----------
        thing : Thing
            What is set down.
        host : Member
            What carries or holds it.
        aside : float
            From the middle of the host to the right, in mm.
        pose : str, optional
            How it is set down, if not as usual.
        """
        member = Member(thing, pose or thing.pose, host.x + aside, host.z)
        member.base, member.on = host.top, host
        self.members.append(member)
        return member

    def put_into(self, thing: Thing, host: Member, along: float = 0.0, into: float = 0.0) -> Member:
        """Put a thing into a vessel or onto a tray.

        Parameters
        ----------
        thing : Thing
            What is set down.
        host : Member
            What carries or holds it.
        along : float
            From the middle of the host to the right, in mm.
        into : float
            And to the back, in mm.
        """
        member = Member(thing, "upright" if thing.pose == "leaning" else thing.pose, host.x + along, host.z + into)
        member.base = host.base + min(host.height, TRAY_FLOOR_MM) if host.thing.category == "tray" else host.top
        member.inside = host
        self.members.append(member)
        return member

    def narrowed(self, width: float) -> bool:
        """Take out what makes it wider than so much (mm), but not its lead; tell whether it is narrow enough.

        Parameters
        ----------
        width : float
            In mm.
        """
        while self.width > width:
            edges = (self.left, self.right)
            outer = [
                member for member in self.members[1:]
                if member.stands and (member.left <= edges[0] + 1 or member.right >= edges[1] - 1)
                and member.thing.category != "book-row"
            ]  # fmt: skip
            if not outer or self.form in ("row", "tray", "pair", "whole-set"):
                return False
            self.take_out(outer[-1])
        return True

    def take_out(self, gone: Member) -> None:
        """Take a member out, with what it carries."""
        carried = [member for member in self.members if member.on is gone or member.inside is gone]
        for member in carried:
            self.take_out(member)
        self.members.remove(gone)


def is_clear_at(crowded: list[tuple[float, float]], x: float) -> bool:
    """Tell whether a point is clear of what :meth:`Group.crowded` found.

    Parameters
    ----------
    crowded : list of (float, float)
        Points along the ledge, with how near to each is too near, in mm.
    x : float
        In mm.
    """
    return all(abs(x - middle) >= near for middle, near in crowded)


def _crowds(member: Member, other: Member) -> float | None:
    """Return how near two things may not come along the ledge, None where they pass before, behind or over."""
    into, deep = abs(member.z - other.z), (member.depth + other.depth) / 2
    up, high = member.base - other.base, member.height if member.base < other.base else other.height
    if into >= deep + BETWEEN_MM or abs(up) >= high - TOUCHES_MM:
        return None
    near = (member.width + other.width) / 2 + TOUCHES_MM
    if member.is_circle and other.is_circle:
        reach = near + BETWEEN_MM - 2 * TOUCHES_MM
        return min(near, math.sqrt(max(reach**2 - into**2, 0.0)))
    return near


def _clear_of(member: Member, other: Member, side: int, gap: float) -> float | None:
    """Return where a member stands clear of another one, None where it does already; circles touch as circles."""
    near = _crowds(member, other)
    if near is None or abs(member.x - other.x) >= near:
        return None
    if member.is_circle and other.is_circle:
        reach = (member.width + other.width) / 2 + BETWEEN_MM
        return other.x + side * math.sqrt(max(reach**2 - (member.z - other.z) ** 2, 0.0))
    return other.right + gap + member.width / 2 if side > 0 else other.left - gap - member.width / 2
