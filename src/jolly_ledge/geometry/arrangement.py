"""A look resolved into space: where each thing is, on what, and what the eye counts as one."""

from collections.abc import Callable, Iterable, Mapping
from functools import cached_property, lru_cache
from typing import Any

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.geometry.pose import TRAY_FLOOR_MM, extent, seen_colours, seen_shape
from jolly_ledge.geometry.silhouette import outline_area
from jolly_ledge.geometry.standing_together import is_in_line, join_rows
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import ColourFamily, Household, Plan
from jolly_ledge.model.words import CONTAINERS, Counting

NOBODY = Household()
"""A household of which nothing is told."""

SHOWN_INSIDE = frozenset({"stems", "utensils", "plant"})


class PlacedItem(Struct, frozen=True, cache_hash=True):
    """One placed thing in space.

    ``left``, ``right``, ``bottom`` and ``top`` are its seen edges from the piece's left end and the
    room's floor; ``front`` and ``back`` its footprint from the ledge's front edge (mm). ``root`` is
    the placement that stands on the ledge beneath it, ``depth_order`` how many things carry it,
    ``shape`` the silhouette it shows, ``area`` the solid area it shows in mm² (nought when hidden).
    """

    id: str
    placement: Placement
    item: Item
    ledge: Ledge
    left: float
    right: float
    bottom: float
    top: float
    front: float
    back: float
    root: str
    depth_order: int
    hidden: bool
    shape: str
    area: float

    @property
    def width(self) -> float:
        """The seen width."""
        return self.right - self.left

    @property
    def height(self) -> float:
        """The seen height."""
        return self.top - self.bottom

    @property
    def x(self) -> float:
        """The middle, from the piece's left end."""
        return (self.left + self.right) / 2

    @property
    def z(self) -> float:
        """The middle of the footprint, from the front edge."""
        return (self.front + self.back) / 2

    @property
    def from_wall(self) -> float:
        """How far the middle of the footprint is from the wall: ledges of one piece may be of different depth."""
        return self.ledge.depth - self.z

    @property
    def colours(self) -> tuple[tuple[str, float], ...]:
        """The colours it shows, with shares."""
        return seen_colours(self.item, self.placement.pose)


class Unit(Struct, frozen=True, cache_hash=True):
    """What the eye counts as one thing: a stack of books, a filled tray, a vase with its stems.

    ``lead`` is the largest thing in it; the edges are those of the whole, ``area`` is what it shows, in mm².
    """

    placed_items: tuple[PlacedItem, ...]
    ids: tuple[str, ...]
    label: str
    lead: PlacedItem
    left: float
    right: float
    bottom: float
    top: float
    area: float


def _unit(placed_items: list[PlacedItem]) -> Unit:
    return Unit(
        placed_items=tuple(placed_items),
        ids=tuple(placed_item.id for placed_item in placed_items),
        label=_label(placed_items),
        lead=max(placed_items, key=lambda placed_item: placed_item.area),
        left=min(placed_item.left for placed_item in placed_items),
        right=max(placed_item.right for placed_item in placed_items),
        bottom=min(placed_item.bottom for placed_item in placed_items),
        top=max(placed_item.top for placed_item in placed_items),
        area=sum(placed_item.area for placed_item in placed_items),
    )


class Stack(Struct, frozen=True, cache_hash=True):
    """All that stands on one spot of a ledge: a base, what stands on it, a row of books."""

    ledge: Ledge
    ids: tuple[str, ...]
    units: tuple[Unit, ...]
    left: float
    right: float
    front: float
    back: float
    top: float

    @property
    def height(self) -> float:
        """The height over the ledge."""
        return self.top - self.ledge.floor

    @property
    def width(self) -> float:
        """The seen width."""
        return self.right - self.left

    @property
    def label(self) -> str:
        """The name of its crowning unit."""
        return self.units[-1].label

    @property
    def is_alone_on_purpose(self) -> bool:
        """Whether what leads it is meant to stand by itself."""
        return "alone-on-purpose" in max(self.units, key=lambda unit: unit.area).lead.item.traits

    @property
    def named_vignette(self) -> str | None:
        """The vignette it is told to belong to, if any."""
        for unit in self.units:
            for placed_item in unit.placed_items:
                if placed_item.placement.vignette:
                    return placed_item.placement.vignette
        return None


class Vignette(Struct, frozen=True, cache_hash=True):
    """A group of units that is read together."""

    ledge: Ledge
    stacks: tuple[Stack, ...]
    name: str = ""

    @property
    def units(self) -> tuple[Unit, ...]:
        """The units in it, left to right."""
        return tuple(unit for stack in self.stacks for unit in stack.units)

    @property
    def ids(self) -> tuple[str, ...]:
        """The placements in it."""
        return tuple(identifier for stack in self.stacks for identifier in stack.ids)


class Arrangement:
    """A look of a piece, resolved once and read by many.

    Parameters
    ----------
    piece : Piece
    stash : mapping of item id to Item
    look : Look
    families : tuple of ColourFamily
        Colours the stylist sees as one.
    household : Household
        Who lives with the piece.
    awaited : tuple of Item
        Things of the stash that must be kept on this piece and do not stand in the look.
    """

    def __init__(
        self,
        piece: Piece,
        stash: Mapping[str, Item],
        look: Look,
        families: tuple[ColourFamily, ...] = (),
        household: Household = NOBODY,
        awaited: tuple[Item, ...] = (),
    ) -> None:
        self.piece = piece
        self.look = look
        self.families = families
        self.household = household
        self.awaited = awaited
        self.placed_items: tuple[PlacedItem, ...] = tuple(_stand(piece, stash, look))
        self.by_id: dict[str, PlacedItem] = {placed_item.id: placed_item for placed_item in self.placed_items}
        self.derived: dict[Callable[..., Any], Any] = {}
        """What was worked out from it, by what worked it out: see ``geometry.kept``."""

    def with_unseen(self, ids: frozenset[str]) -> "Arrangement":
        """Return the same look with some more of its placements out of sight; itself without any."""
        if not ids:
            return self
        made = Arrangement(
            self.piece, {one.item.id: one.item for one in self.placed_items}, self.look, self.families,
            self.household, self.awaited,
        )  # fmt: skip
        made.placed_items = tuple(
            replace(one, hidden=True, area=0.0) if one.id in ids else one for one in self.placed_items
        )
        made.by_id = {one.id: one for one in made.placed_items}
        return made

    @property
    def manner(self) -> Manner:
        """The manner in force."""
        return self.look.manner

    @cached_property
    def visible(self) -> tuple[PlacedItem, ...]:
        """The things that can be seen."""
        return tuple(placed_item for placed_item in self.placed_items if not placed_item.hidden)

    @cached_property
    def by_ledge(self) -> dict[str, tuple[PlacedItem, ...]]:
        """The things that can be seen, by the ledge they belong to."""
        found: dict[str, list[PlacedItem]] = {}
        for placed_item in self.visible:
            found.setdefault(placed_item.ledge.id, []).append(placed_item)
        return {ledge: tuple(placed_items) for ledge, placed_items in found.items()}

    @cached_property
    def stacks(self) -> dict[str, tuple[Stack, ...]]:
        """The stacks of each ledge that holds any, left to right."""
        counting = (self.manner.gathered, self.manner.perched)
        return {ledge: stacks_of(placed_items, counting) for ledge, placed_items in self.by_ledge.items()}

    @cached_property
    def vignettes(self) -> tuple[Vignette, ...]:
        """The vignettes of all standing ledges, found by nearness or as told."""
        return tuple(
            vignette
            for stacks in self.stacks.values()
            if not stacks[0].ledge.is_wall
            for vignette in gather_vignettes(stacks)
        )

    @cached_property
    def units(self) -> tuple[Unit, ...]:
        """All units, ledge by ledge."""
        return tuple(unit for stacks in self.stacks.values() for stack in stacks for unit in stack.units)

    @cached_property
    def standing_ledges(self) -> tuple[Ledge, ...]:
        """The ledges that things stand on (not hang)."""
        return tuple(ledge for ledge in self.piece.ledges if not ledge.is_wall)


@lru_cache(maxsize=16)
def stash_index(stash: tuple[Item, ...]) -> Mapping[str, Item]:
    """Return the stash by id, made once for each stash."""
    return {item.id: item for item in stash}


def arrange(plan: Plan, look: Look) -> Arrangement:
    """Resolve a look of a plan."""
    awaited = awaited_by(plan.stash, look.piece, len(plan.pieces) == 1)
    if awaited:
        placed = {placement.item for placement in look.placements}
        awaited = tuple(item for item in awaited if item.id not in placed)
    return Arrangement(plan.piece(look.piece), stash_index(plan.stash), look, plan.families, plan.household, awaited)


@lru_cache(maxsize=32)
def awaited_by(stash: tuple[Item, ...], piece: str, is_only: bool) -> tuple[Item, ...]:
    """Return what must be kept on a piece: what is meant for it, or for no piece where it is the only one."""
    return tuple(
        item
        for item in stash
        if "must-keep" in item.traits and (piece in item.meant_for or (is_only and not item.meant_for))
    )


def _stand(piece: Piece, stash: Mapping[str, Item], look: Look) -> Iterable[PlacedItem]:
    ledges = {ledge.id: ledge for ledge in piece.ledges}
    waiting = list(look.placements)
    done: dict[str, PlacedItem] = {}
    while waiting:
        later: list[Placement] = []
        for placement in waiting:
            if placement.host is not None and placement.host not in done:
                later.append(placement)
                continue
            host = done.get(placement.host) if placement.host else None
            if placement.item not in stash or placement.ledge not in ledges:
                known = placement.item in stash
                missing = f"a ledge “{placement.ledge}”" if known else f"a thing “{placement.item}”"
                raise EditError(f"{look.label} speaks of {missing} that is not there; take it out of the plan.")
            done[placement.id] = stand(placement, stash[placement.item], ledges[placement.ledge], host)
        if len(later) == len(waiting):
            raise EditError(
                f"In {look.label} “{later[0].id}” stands on “{later[0].host}”, which is not there or "
                "stands on it; set it on the ledge."
            )
        waiting = later
    return (done[placement.id] for placement in look.placements)


@lru_cache(maxsize=16_384)
def stand(placement: Placement, item: Item, ledge: Ledge, host: PlacedItem | None = None) -> PlacedItem:
    """Place one thing in space, over its host if it has one.

    The same values give the same object, so that what did not move is known by identity.
    """
    size = extent(item, placement.pose, placement.turn)
    if host is not None:
        ledge = host.ledge
    x = placement.x if placement.x is not None else (host.x - ledge.left if host else ledge.width / 2)
    z = placement.z if placement.z is not None else (host.z if host else size.depth / 2)
    width, height, bottom, hidden = size.width, size.height, ledge.floor, False
    if placement.pose == "hung":
        bottom, z = ledge.floor + (placement.y or 0.0), ledge.depth - size.depth / 2
    elif host is not None and placement.pose == "draped":
        width, height = min(width, host.width * 0.6), min(height, host.height * 0.7)
        bottom, hidden = host.top - height, host.hidden
        x, z = host.x - ledge.left, host.z
    elif host is not None and placement.inside:
        bottom, hidden = _inside(item, host)
        hidden = hidden or host.hidden
        if host.item.category != "tray":
            x, z = host.x - ledge.left, host.z
    elif host is not None:
        bottom, hidden = host.top, host.hidden
    middle = ledge.left + x
    shape = seen_shape(item, placement.pose)
    return PlacedItem(
        id=placement.id,
        placement=placement,
        item=item,
        ledge=ledge,
        left=middle - width / 2,
        right=middle + width / 2,
        bottom=bottom,
        top=bottom + height,
        front=z - size.depth / 2,
        back=z + size.depth / 2,
        root=host.root if host else placement.id,
        depth_order=host.depth_order + 1 if host else 0,
        hidden=hidden,
        shape=shape,
        area=0.0 if hidden else outline_area(shape, round(width, 1), round(height, 1), item.outline),
    )


def _inside(item: Item, host: PlacedItem) -> tuple[float, bool]:
    """Return the foot of a thing inside a host, and whether the host hides it."""
    category = host.item.category
    if category == "tray":
        return host.bottom + min(host.height, TRAY_FLOOR_MM), False
    shows = item.category in SHOWN_INSIDE or "airy" in item.traits
    if shows and category in CONTAINERS and "lidded" not in host.item.traits:
        return host.top, False
    return host.bottom, True


USUAL_COUNTING: tuple[Counting, Counting] = ("together", "own")
"""What is gathered in a tray is one, what stands on a stack is another."""


@lru_cache(maxsize=512)
def stacks_of(
    placed_items: tuple[PlacedItem, ...], counting: tuple[Counting, Counting] = USUAL_COUNTING
) -> tuple[Stack, ...]:
    """Return the stacks that the visible things of one ledge form, left to right.

    ``counting`` tells how what is gathered, and what is perched, counts.
    """
    by_root: dict[str, list[PlacedItem]] = {}
    for placed_item in placed_items:
        by_root.setdefault(placed_item.root, []).append(placed_item)
    for group in by_root.values():
        group.sort(key=lambda placed_item: placed_item.bottom)
    groups = join_rows(sorted(by_root.values(), key=lambda group: group[0].left))
    # What juts out on top may reach further left than what carries it.
    return tuple(sorted((_column(group, counting) for group in groups), key=lambda stack: stack.left))


def _column(group: list[PlacedItem], counting: tuple[Counting, Counting]) -> Stack:
    units: list[list[PlacedItem]] = []
    for placed_item in group:
        host_unit = next(
            (unit for unit in units if any(member.id == placed_item.placement.host for member in unit)), None
        )
        if host_unit is None:
            row = next((unit for unit in units if unit[0].depth_order == 0 and is_in_line(placed_item, unit)), None)
            if row is not None and placed_item.depth_order == 0 and placed_item.placement.counts_as != "own":
                row.append(placed_item)
            else:
                units.append([placed_item])
        elif _same_unit(placed_item, host_unit, counting):
            host_unit.append(placed_item)
        else:
            units.append([placed_item])
    return Stack(
        ledge=group[0].ledge,
        ids=tuple(placed_item.id for unit in units for placed_item in unit),
        units=tuple(_unit(unit) for unit in units),
        left=min(placed_item.left for placed_item in group),
        right=max(placed_item.right for placed_item in group),
        front=min(placed_item.front for placed_item in group),
        back=max(placed_item.back for placed_item in group),
        top=max(placed_item.top for placed_item in group),
    )


def _same_unit(placed_item: PlacedItem, host_unit: list[PlacedItem], counting: tuple[Counting, Counting]) -> bool:
    told = placed_item.placement.counts_as
    if told is not None:
        return told == "together"
    gathered, perched = counting
    if placed_item.placement.pose == "draped" or (
        placed_item.placement.inside and host_unit[0].item.category != "tray"
    ):
        return True
    if host_unit[0].item.category == "tray":
        return gathered == "together"
    return perched == "together" or (placed_item.item.is_book and all(member.item.is_book for member in host_unit))


def _label(unit: list[PlacedItem]) -> str:
    first = unit[0]
    if len(unit) > 1 and all(member.item.is_book for member in unit):
        flat = first.placement.pose == "flat" or first.item.category == "book-stack"
        return f"the {'stack' if flat else 'row'} of {sum(member.item.count for member in unit)} books"
    if len(unit) > 1 and unit[1].placement.host is None and unit[1].item.goes_with(first.item):
        return f"the {first.item.set}"
    return f"the {first.item.label}"


CLOSE_MM = 60.0
"""Things nearer than this are always read together."""

CLOSE_SHARE = 0.75
"""So are things nearer than this share of the narrower one."""


@lru_cache(maxsize=512)
def gather_vignettes(stacks: tuple[Stack, ...]) -> tuple[Vignette, ...]:
    """Gather the stacks of one ledge into vignettes.

    Stacks that name a vignette belong to it; the others join a neighbour when the gap between
    them is within ``CLOSE_MM`` or ``CLOSE_SHARE`` of the narrower one.
    """
    named: dict[str, list[Stack]] = {}
    free: list[Stack] = []
    for stack in stacks:
        name = stack.named_vignette
        if name:
            named.setdefault(name, []).append(stack)
        else:
            free.append(stack)
    groups: list[list[Stack]] = []
    for stack in free:
        near = [group for group in groups if any(_are_close(stack, member) for member in group)]
        merged = [member for group in near for member in group] + [stack]
        groups = [group for group in groups if group not in near] + [merged]
    vignettes = [Vignette(stacks[0].ledge, tuple(group)) for group in groups]
    vignettes += [Vignette(stacks[0].ledge, tuple(group), name) for name, group in named.items()]
    return tuple(sorted(vignettes, key=lambda vignette: vignette.stacks[0].left))


def gap_between(first: Stack, second: Stack) -> float:
    """Return the free distance between two stacks of a ledge seen from above, in mm."""
    across = max(first.left - second.right, second.left - first.right, 0.0)
    deep = max(first.front - second.back, second.front - first.back, 0.0)
    return float((across * across + deep * deep) ** 0.5)


def _are_close(first: Stack, second: Stack) -> bool:
    return gap_between(first, second) <= max(CLOSE_MM, CLOSE_SHARE * min(first.width, second.width))
