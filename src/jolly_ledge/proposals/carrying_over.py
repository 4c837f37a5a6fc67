"""A look carried over to another piece: groups keep together and in order, ledges are found by rank and proportion.

What is too large or too small there gives way to another of its kind; what finds no place is left out and told.
"""

import math
from collections.abc import Iterator, Sequence

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.edits.placements import carried_by
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, arrange, stash_index
from jolly_ledge.geometry.pose import extent
from jolly_ledge.measures.counts import counted as counted_things
from jolly_ledge.measures.counts import recommended
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.belonging import welcome
from jolly_ledge.model.colour import difference
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.phrases import counted, listed
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.roles import Role, role_of
from jolly_ledge.model.words import WALL_CATEGORIES
from jolly_ledge.proposals.compose import place
from jolly_ledge.proposals.places import at
from jolly_ledge.proposals.poses import ways_to_stand
from jolly_ledge.proposals.problem import Problem, problem_of

SHARE_BAND = (0.6, 1.65)
"""A thing keeps its height over the opening within this ratio, or another of its kind takes its place."""

BETTER_BY = 0.2
"""Another has to be nearer to the wished height by this much (natural logarithm) to be worth the exchange."""

COLOUR_FAR, STEP_MM = 40.0, 20.0
"""So far apart (CIEDE2000) colours count as much as a height that is off by a factor of e; places lie so far apart."""

PLAINLY = 0.75
"""Within this share of half of both widths and depths two things are in one place, whatever their outlines are."""

DEPTHS = (0.35, 0.5, 0.65, 0.8)
"""Where along the depth of a ledge a place is looked for, beside where the thing stood."""

ROUND, ROUND_DRAWN, LEAD_BACK, LEAD_FRONT = "ellipse", 0.6, 0.58, 0.4
DRAWN = (1.0, 0.75, 0.5, 0.25)
CLUSTER_TURN = math.radians(40)
"""On a round top what stood along a front is drawn to the middle: the first lead behind it, the others before."""

MAIN_ROLES = frozenset({"shelf", "top", "table", "island", "counter"})


class CarriedOver(Struct, frozen=True):
    """What stands where on the other piece, what gave way to what, and what was left out (labels)."""

    placements: tuple[Placement, ...]
    exchanged: tuple[tuple[str, str], ...]
    left_out: tuple[str, ...]

    @property
    def summary(self) -> str:
        """What came of it, in one or two sentences."""
        whole = counted(len(self.placements) + len(self.left_out), "thing")
        said = [f"All {whole} came along."]
        if self.left_out:
            few = counted(len(self.left_out), "stays", "stay")
            said = [f"Of {whole} {few} behind, for want of room or place: {listed(list(self.left_out))}."]
        if self.exchanged:
            said.append(f"For its size {listed([f'the {old} gave way to the {new}' for old, new in self.exchanged])}.")
        return " ".join(said)


class _Block(Struct, frozen=True):
    """Something that stands, with all that is carried by it or in it, hosts first."""

    root: PlacedItem
    guests: tuple[PlacedItem, ...]

    @property
    def x(self) -> float:
        """Its middle from the left end of its ledge, in mm."""
        return self.root.placement.x or 0.0

    @property
    def z(self) -> float:
        """Its middle from the front edge of its ledge, in mm."""
        return self.root.placement.z or 0.0


class _Group(Struct, frozen=True):
    """Blocks that stand together, the largest first, and where their middle is along its ledge, 0 to 1."""

    blocks: tuple[_Block, ...]
    along: float
    ledge: Ledge
    role: Role


def carried_over(plan: Plan, look: Look, piece_id: str) -> CarriedOver:
    """Return the things of a look as they would stand on another piece.

    Parameters
    ----------
    plan : Plan
    look : Look
        The look that is carried over; it stays as it is.
    piece_id : str
        The other piece.

    Raises
    ------
    EditError
        It is the same piece, the look is empty, or nothing of it finds a place there.
    """
    piece = plan.piece(piece_id)
    if look.piece == piece_id:
        raise EditError(f"{look.label} is a look of {piece.label} already; choose another piece.")
    if not look.placements:
        raise EditError(f"Nothing stands in {look.label} yet; arrange it first, then carry it over.")
    source = arrange(plan, look)
    problem = problem_of(replace(plan, looks=()), piece_id, look.manner)
    carrying = _Carrying(plan, source, problem)
    groups = groups_of(source)
    for ledge, group in _assigned(problem, groups):
        carrying.bring(ledge, group)
    if any(group.ledge.shape != ROUND for group in groups):
        carrying.draw_to_the_middle()
    carrying.hang([placed for placed in source.placed_items if placed.placement.pose == "hung"])
    if not carrying.placements:
        raise EditError(f"Nothing of {look.label} finds a place on {piece.label}; propose a look for it instead.")
    came = {placement.id for placement in carrying.placements}
    left_out = tuple(placed.item.label for placed in source.placed_items if placed.id not in came)
    return CarriedOver(tuple(carrying.placements), tuple(carrying.exchanged), left_out)


def groups_of(look: Arrangement) -> tuple[_Group, ...]:
    """Return what stands together in a look, ledge by ledge from the top and from the left."""
    found: list[_Group] = []
    rank = {ledge.id: number for number, ledge in enumerate(_by_rank(look.standing_ledges))}
    groups = [group for group in look.vignettes if group.ledge.id in rank]
    for group in sorted(groups, key=lambda group: (rank[group.ledge.id], group.stacks[0].left)):
        placed = [look.by_id[one] for one in group.ids]
        roots = [one for one in placed if one.placement.host is None and one.placement.pose not in ("hung", "draped")]
        if roots:
            middle = (min(one.left for one in roots) + max(one.right for one in roots)) / 2 - group.ledge.left
            blocks = [_Block(root, _guests(look, root)) for root in sorted(roots, key=_size, reverse=True)]
            role = role_of(look.piece, group.ledge)
            found.append(_Group(tuple(blocks), middle / group.ledge.width, group.ledge, role))
    return tuple(found)


def _guests(look: Arrangement, host: PlacedItem) -> tuple[PlacedItem, ...]:
    return tuple(look.by_id[one.id] for one in carried_by(look.look, host.id))


def _size(placed: PlacedItem) -> float:
    return (placed.right - placed.left) * (placed.top - placed.bottom)


def _by_rank(ledges: Sequence[Ledge]) -> list[Ledge]:
    return sorted(ledges, key=lambda ledge: (-ledge.floor, ledge.left))


def _assigned(problem: Problem, groups: Sequence[_Group]) -> list[tuple[Ledge, _Group]]:
    """Return on which ledge of the other piece each group goes: by rank, shared out where there are more ledges."""
    found: list[tuple[Ledge, _Group]] = []
    for is_main in (True, False):
        # What stands low under a piece, or on a hearth, goes to such a place again or stays.
        ledges = [one for one in problem.open_ledges if (role_of(problem.piece, one) in MAIN_ROLES) is is_main]
        here = [group for group in groups if (group.role in MAIN_ROLES) is is_main]
        found += _shared_out(_by_rank(ledges), here)
    # What leads its ledge finds its place first.
    return sorted(found, key=lambda pair: -max(_size(block.root) for block in pair[1].blocks))


def _shared_out(ledges: Sequence[Ledge], groups: Sequence[_Group]) -> list[tuple[Ledge, _Group]]:
    sources = _by_rank(list({group.ledge.id: group.ledge for group in groups}.values()))
    found: list[tuple[Ledge, _Group]] = []
    for number, source in enumerate(sources if ledges else ()):
        first, last = number * len(ledges) // len(sources), (number + 1) * len(ledges) // len(sources)
        own = ledges[first : max(last, first + 1)]
        here = [group for group in groups if group.ledge is source]
        found += [(own[index * len(own) // len(here)], group) for index, group in enumerate(here)]
    return found


class _Carrying:
    """The other piece while it fills."""

    def __init__(self, plan: Plan, source: Arrangement, problem: Problem) -> None:
        self._plan, self._source, self._problem = plan, source, problem
        self.placements: list[Placement] = list(problem.fixed)
        self.exchanged: list[tuple[str, str]] = []
        self._loose: list[_Block] = []
        self._used = {placed.item.id for placed in source.placed_items}

    def bring(self, ledge: Ledge, group: _Group) -> None:
        """Set a group down on a ledge, else on any other that has room: its lead where it was, the rest about it."""
        lead, waiting = group.blocks[0], list(group.blocks)
        aside = lead.x - group.along * group.ledge.width
        first: Placement | None = None
        while waiting:
            block = waiting.pop(0)
            if first is None:
                came = self._bring_block(ledge, block, *self._middle(ledge, group, aside, block.z))
                for other in self._others_like(ledge, group) if came is None else ():
                    came = self._bring_block(other, block, group.along * other.width, block.z)
                    if came is not None:
                        ledge = other
                        break
                lead, first = block, came
            else:
                x, z = block.x - lead.x, block.z - lead.z
                if ledge.shape == ROUND and group.ledge.shape != ROUND:
                    x, z = _drawn_together(x, z, len(self.placements))
                came = self._bring_block(ledge, block, (first.x or 0.0) + x, (first.z or 0.0) + z)
            loose, self._loose = self._loose, []
            waiting[:0] = loose if came is not None else _set_free(self._source, block)

    def _middle(self, ledge: Ledge, group: _Group, aside: float, z: float) -> tuple[float, float]:
        """Return where the lead of a group goes; on a round top groups stand in a triangle about its middle."""
        if ledge.shape != ROUND or group.ledge.shape == ROUND:
            return group.along * ledge.width + aside, z
        first = not any(one.ledge == ledge.id for one in self.placements)
        along = 0.5 + ROUND_DRAWN * (group.along - 0.5)
        return along * ledge.width, ledge.depth * (LEAD_BACK if first else LEAD_FRONT)

    def _others_like(self, ledge: Ledge, group: _Group) -> list[Ledge]:
        """Return the other ledges of the piece that are dressed, or low down, as that of a group is."""
        is_main, piece = group.role in MAIN_ROLES, self._problem.piece
        others = [one for one in self._problem.open_ledges if (role_of(piece, one) in MAIN_ROLES) is is_main]
        return _by_rank([one for one in others if one is not ledge])

    def _bears_more(self, ledge: Ledge) -> bool:
        """Tell whether a ledge bears one more thing in the fullness of the look."""
        piece, fullness = self._problem.piece, self._problem.manner.fullness
        items = stash_index(self._plan.stash)
        here = counted_things(items[one.item] for one in self.placements if one.ledge == ledge.id)
        return here < math.ceil(recommended(piece, ledge, fullness)) or role_of(piece, ledge) not in MAIN_ROLES

    def _bring_block(self, ledge: Ledge, block: _Block, x: float, z: float) -> Placement | None:
        item = self._suiting(block, ledge) if self._bears_more(ledge) else None
        if item is None:
            return None
        root = block.root
        ways = tuple(ways_to_stand(item, ledge))
        as_before = (root.placement.pose, root.placement.turn)
        pose, turn = as_before if as_before in ways else ways[0]
        for along, into in _places(ledge, x, z):
            spot = at(item, ledge, along, into, pose=pose, turn=turn)
            if self._is_plainly_taken(item, spot):
                continue
            new = replace(
                root.placement, item=item.id, ledge=ledge.id, x=spot.x, z=spot.z, pose=pose, turn=turn, locked=False,
                on=None, inside=None,
            )  # fmt: skip
            if place(self._problem, self.placements, new, needed=False):
                if item is not root.item:
                    self.exchanged.append((root.item.label, item.label))
                    self._used.add(item.id)
                self._bring_guests(block, new)
                return new
        return None

    def _is_plainly_taken(self, item: Item, spot: Placement) -> bool:
        """Tell whether a place is deep within that of something else: it need not be looked at exactly."""
        items = stash_index(self._plan.stash)
        own = extent(item, spot.pose, spot.turn)
        for one in self.placements:
            if one.ledge == spot.ledge and one.host is None and one.pose != "hung":
                other = extent(items[one.item], one.pose, one.turn)
                across = abs((spot.x or 0.0) - (one.x or 0.0)) < PLAINLY * (own.width + other.width) / 2
                if across and abs((spot.z or 0.0) - (one.z or 0.0)) < PLAINLY * (own.depth + other.depth) / 2:
                    return True
        return False

    def _bring_guests(self, block: _Block, root: Placement) -> None:
        came = {root.id}
        for guest in block.guests:
            known = guest.placement
            if known.host not in came or not self._may_come(guest.item):
                continue
            x = None if known.x is None or root.x is None else root.x + known.x - block.x
            z = None if known.z is None or root.z is None else root.z + known.z - block.z
            if known.inside is None and known.pose != "draped" and (x is None or z is None):
                continue
            if place(self._problem, self.placements, replace(known, ledge=root.ledge, x=x, z=z, locked=False)):
                came.add(known.id)
            elif known.on is not None and known.pose != "draped":
                self._loose.append(_Block(guest, _guests(self._source, guest)))

    def _may_come(self, item: Item) -> bool:
        return not item.meant_for or self._problem.piece.id in item.meant_for

    def _suiting(self, block: _Block, ledge: Ledge) -> Item | None:
        """Return the thing itself, or another of its kind where it has not the height for the ledge, or does not go."""
        item = block.root.item
        wished = item.height * frame_height(ledge) / frame_height(block.root.ledge)
        fits = self._goes(item, ledge)
        ratio = item.height / wished
        in_band = 1 / SHARE_BAND[1] <= ratio <= 1 / SHARE_BAND[0]
        if fits and (in_band or block.guests or item.is_book):
            return item
        # What carries another, or holds stems, is known to do so: only a thing by itself is exchanged.
        others = [] if block.guests else [
            one for one in self._plan.stash
            if _is_of_its_kind(one, item) and one.id not in self._used and one.is_at_hand and self._goes(one, ledge)
        ]  # fmt: skip

        def far(one: Item) -> float:
            return abs(math.log(one.height / wished))

        def cost(one: Item) -> float:
            return far(one) + difference(one.main_colour, item.main_colour) / COLOUR_FAR

        best = min(others, key=lambda one: (cost(one), one.id), default=None)
        if best is not None and (not fits or far(best) < far(item) - BETTER_BY):
            return best
        return item if fits else None

    def _goes(self, item: Item, ledge: Ledge) -> bool:
        if not self._may_come(item) or welcome(item, self._problem.piece, ledge) <= 0:
            return False
        return any(ways_to_stand(item, ledge))

    def draw_to_the_middle(self) -> None:
        """Move all that came to a round top as one, so that its middle is that of the top, or as far as it goes."""
        kept = {one.id for one in self._problem.fixed}
        items = stash_index(self._plan.stash)
        for ledge in self._problem.open_ledges:
            here = [one for one in self.placements if one.ledge == ledge.id and one.id not in kept]
            roots = [one for one in here if one.host is None and one.pose != "hung"]
            if ledge.shape != ROUND or not roots:
                continue
            sides = [(one, extent(items[one.item], one.pose, one.turn)) for one in roots]
            xs = [(one.x or 0.0) + sign * size.width / 2 for one, size in sides for sign in (-1, 1)]
            zs = [(one.z or 0.0) + sign * size.depth / 2 for one, size in sides for sign in (-1, 1)]
            off = (ledge.width / 2 - (min(xs) + max(xs)) / 2, ledge.depth / 2 - (min(zs) + max(zs)) / 2)
            for share in DRAWN:
                moved = [
                    _shifted(one, share * off[0], share * off[1]) if one in here else one for one in self.placements
                ]
                if self._problem.can_stand(self._problem.resolve(moved)):
                    self.placements = moved
                    break

    def hang(self, hung: Sequence[PlacedItem]) -> None:
        """Hang what hung before, in the same share of the width, where the other piece has a wall for it."""
        for placed in hung:
            for wall in self._problem.walls:
                share = placed.placement.x / placed.ledge.width if placed.placement.x is not None else 0.5
                new = replace(placed.placement, ledge=wall.id, x=share * wall.width, locked=False)
                is_hung = placed.item.category in WALL_CATEGORIES and self._may_come(placed.item)
                if is_hung and place(self._problem, self.placements, new, needed=False):
                    break


def _is_of_its_kind(one: Item, item: Item) -> bool:
    """Tell whether a thing can stand for another: of one category, as clear or solid; of one shape where it matters."""
    says_little = item.category in ("object", "sculpture", "tableware", "appliance")
    same_stuff = (one.finish == "clear") is (item.finish == "clear")
    return one.category == item.category and same_stuff and (not says_little or one.shape == item.shape)


def _shifted(placement: Placement, along: float, deep: float) -> Placement:
    x = None if placement.x is None else placement.x + along
    z = None if placement.z is None else placement.z + deep
    return replace(placement, x=x, z=z)


def _drawn_together(x: float, z: float, number: int) -> tuple[float, float]:
    """Return a step beside a lead, drawn nearer along and turned to the front or the back by turns: a row clusters."""
    far = math.hypot(x, z)
    turned = CLUSTER_TURN * (1 if number % 2 else -1)
    return math.copysign(far * math.cos(turned), x), far * math.sin(turned)


def _set_free(look: Arrangement, block: _Block) -> list[_Block]:
    """Return what a thing carries that finds no place, and what lies on a tray, each by itself."""
    on_a_tray = block.root.item.category == "tray"
    free = [
        guest for guest in block.guests
        if guest.placement.host == block.root.id and guest.placement.x is not None and guest.placement.pose != "draped"
        and (on_a_tray or guest.placement.on is not None)
    ]  # fmt: skip
    return [_Block(guest, _guests(look, guest)) for guest in free]


def _places(ledge: Ledge, x: float, z: float) -> Iterator[tuple[float, float]]:
    """Yield places on a ledge, nearest to a point first (mm); a row so becomes a cluster where a top is round."""
    depths = {z, *(share * ledge.depth for share in DEPTHS)}
    steps = range(round(ledge.width / STEP_MM) + 1)
    spots = [(x, z), *((step * STEP_MM, into) for step in steps for into in depths)]
    yield from sorted(spots, key=lambda spot: (math.hypot(spot[0] - x, spot[1] - z), spot))
