"""Edits of furniture: outer size, bays, shelves, clearances, light, purpose."""

from typing import Literal, TypeVar

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_piece, with_one
from jolly_ledge.edits.placements import without_placements
from jolly_ledge.geometry.bays import Bay, bay_of, bays_of
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.piece import Fixture, Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import changed, checked

SMALLEST_OPENING_MM = 40.0
BOARD_MM = 20.0


class ChangePiece(BaseEdit, frozen=True):
    """Change some fields of a piece."""

    piece: str
    changes: tuple[tuple[str, object], ...]
    label: str

    @property
    def merge_key(self) -> str | None:
        """Typing in one field is one step."""
        return f"piece {self.piece} {'+'.join(field for field, _ in self.changes)}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the piece changed."""
        return change_piece(plan, self.piece, lambda piece: changed(piece, **dict(self.changes)))


SIDE_SHARE = 0.08
"""A side or leg takes no more of a piece's width than this."""

Part = TypeVar("Part", Ledge, Fixture)


class SetOuterSize(BaseEdit, frozen=True):
    """Set the outer width, height or depth; tops that reach from end to end follow, and so do seats.

    What is in the middle of the width stays there, and a ledge between two sides or legs keeps its distance from both.
    """

    piece: str
    side: Literal["width", "height", "depth"]
    length: float

    @property
    def label(self) -> str:
        """What it does."""
        return f"Set the outer {self.side}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the piece's size set."""

        def change(piece: Piece) -> Piece:
            old = getattr(piece, self.side)
            ledges = tuple(self._followed(piece, ledge, old) for ledge in piece.ledges)
            shift = self.length - old
            seats = piece.seats
            if self.side in ("width", "depth"):
                axis = "x" if self.side == "width" else "z"
                seats = tuple(
                    changed(seat, **{axis: getattr(seat, axis) + shift}) if getattr(seat, axis) > old else seat
                    for seat in seats
                )
            fixtures = piece.fixtures
            if self.side == "width":
                fixtures = tuple(self._kept_middle(fixture, old) for fixture in fixtures)
            return changed(piece, ledges=ledges, seats=seats, fixtures=fixtures, **{self.side: self.length})

        return change_piece(plan, self.piece, change)

    def _followed(self, piece: Piece, ledge: Ledge, old: float) -> Ledge:
        if self.side == "height":
            on_top = ledge.floor >= old - 1
            return changed(ledge, floor=ledge.floor + self.length - old) if on_top else ledge
        if self.side == "width":
            has_neighbour = any(one.left >= ledge.right or one.right <= ledge.left for one in piece.ledges)
            if has_neighbour or not _is_central(ledge, old):
                return ledge
            between = ledge.left <= SIDE_SHARE * min(old, self.length)
            return changed(ledge, width=self.length - 2 * ledge.left) if between else self._kept_middle(ledge, old)
        return changed(ledge, depth=self.length) if abs(ledge.depth - old) < 1 else ledge

    def _kept_middle(self, part: Part, old: float) -> Part:
        """Return a part of a piece in the middle of its new width where it was in the middle of the old one."""
        return changed(part, left=part.left + (self.length - old) / 2) if _is_central(part, old) else part


def _is_central(part: Ledge | Fixture, width: float) -> bool:
    """Tell whether a part leaves as much of a width on its left as on its right."""
    return abs(part.left - (width - part.right)) < 1


class ChangeLedge(BaseEdit, frozen=True):
    """Change some fields of one ledge, such as its name, light or load limit."""

    piece: str
    ledge: str
    changes: tuple[tuple[str, object], ...]
    label: str

    @property
    def merge_key(self) -> str | None:
        """Typing in one field is one step."""
        return f"ledge {self.piece} {self.ledge} {'+'.join(field for field, _ in self.changes)}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the ledge changed."""

        def change(piece: Piece) -> Piece:
            return replace(
                piece,
                ledges=with_one(piece.ledges, self.ledge, lambda ledge: changed(ledge, **dict(self.changes))),
            )

        return change_piece(plan, self.piece, change)


class ChangeLedges(BaseEdit, frozen=True):
    """Change some fields of several ledges alike, such as the board they are made of."""

    piece: str
    ledges: tuple[str, ...]
    changes: tuple[tuple[str, object], ...]
    label: str

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the ledges changed."""

        def change(piece: Piece) -> Piece:
            ledges = tuple(
                changed(ledge, **dict(self.changes)) if ledge.id in self.ledges else ledge for ledge in piece.ledges
            )
            return replace(piece, ledges=ledges)

        return change_piece(plan, self.piece, change)


class AddLedge(BaseEdit, frozen=True):
    """Add a ledge, such as a shelf edge marked on a photograph.

    A shelf put between two others ends the clearance of the one below at its own board.
    """

    piece: str
    ledge: Ledge

    @property
    def label(self) -> str:
        """What it does."""
        return f"Add {self.ledge.label}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the ledge at the end of the piece's ledges."""
        fresh = checked(self.ledge)

        def change(piece: Piece) -> Piece:
            return replace(piece, ledges=(*(_ended(old, fresh) for old in piece.ledges), fresh))

        return change_piece(plan, self.piece, change)


def _ended(old: Ledge, fresh: Ledge) -> Ledge:
    """Return a ledge whose clearance ends under a fresh board that is put into it."""
    beside = min(old.right, fresh.right) - max(old.left, fresh.left) < 0.5 * min(old.width, fresh.width)
    over = old.clearance is not None and fresh.floor >= old.floor + old.clearance
    if beside or over or old.is_wall or fresh.is_wall or fresh.floor < old.floor + SMALLEST_OPENING_MM:
        return old
    return changed(old, clearance=max(fresh.floor - old.floor - BOARD_MM, SMALLEST_OPENING_MM))


class ClearLedges(BaseEdit, frozen=True):
    """Take all ledges out, to mark them anew."""

    piece: str

    @property
    def label(self) -> str:
        """What it does."""
        return "Clear the shelves"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with a piece of no ledges; what stood there goes back to the stash."""
        return with_ledges(plan, replace(plan.piece(self.piece), ledges=()))


class RemoveLedge(BaseEdit, frozen=True):
    """Take a ledge out; the one below gets its room."""

    piece: str
    ledge: str
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Remove {self.name or self.ledge}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the ledge; what stood there goes back to the stash."""
        piece = plan.piece(self.piece)
        if len(piece.ledges) < 2:
            raise EditError(f"“{piece.label}” has only this one ledge; add another before removing it.")
        gone = piece.ledge(self.ledge)
        ledges = [ledge for ledge in piece.ledges if ledge.id != self.ledge]
        if not gone.is_wall:
            below = [ledge for ledge in bay_of(piece, self.ledge).ledges if ledge.floor < gone.floor]
            if below and below[-1].clearance is not None:
                room = None if gone.clearance is None else gone.floor + gone.clearance - below[-1].floor
                ledges = [changed(ledge, clearance=room) if ledge.id == below[-1].id else ledge for ledge in ledges]
        return with_ledges(plan, replace(piece, ledges=tuple(ledges)))


class AddPiece(BaseEdit, frozen=True):
    """Add a piece of furniture with a first look; ``like`` names a look whose manner it takes over."""

    piece: Piece
    like: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Add {self.piece.label}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the piece and its first look at the end."""
        piece = checked(self.piece)
        identifier = fresh_id(f"{piece.id} first look", {look.id for look in plan.looks})
        manner = next((look.manner for look in plan.looks if look.id == self.like), Manner())
        look = Look(id=identifier, piece=piece.id, name="First look", manner=manner)
        return replace(plan, pieces=(*plan.pieces, piece), looks=(*plan.looks, look))


class RemovePiece(BaseEdit, frozen=True):
    """Take a piece of furniture and its looks out of the plan."""

    piece: str
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Remove {self.name or self.piece}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the piece; the last piece of a plan stays."""
        gone = plan.piece(self.piece)
        if len(plan.pieces) < 2:
            raise EditError(f"“{gone.label}” is the only piece of this plan; add another before removing it.")
        return replace(
            plan,
            pieces=tuple(piece for piece in plan.pieces if piece.id != self.piece),
            looks=tuple(look for look in plan.looks if look.piece != self.piece),
        )


class SetClearance(BaseEdit, frozen=True):
    """Set the free height of a shelf; the shelves above it in its bay move with it."""

    piece: str
    ledge: str
    clearance: float
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Set the clearance of {self.name or self.ledge}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the shelf's clearance set."""

        def change(piece: Piece) -> Piece:
            ledge = piece.ledge(self.ledge)
            if ledge.clearance is None:
                return replace(
                    piece,
                    ledges=with_one(piece.ledges, self.ledge, lambda old: changed(old, clearance=self.clearance)),
                )
            shift = self.clearance - ledge.clearance
            above = {other.id for other in bay_of(piece, self.ledge).ledges if other.floor > ledge.floor}

            def adjust(old: Ledge) -> Ledge:
                if old.id == self.ledge:
                    return changed(old, clearance=self.clearance)
                return changed(old, floor=old.floor + shift) if old.id in above else old

            return replace(piece, ledges=tuple(adjust(old) for old in piece.ledges))

        return change_piece(plan, self.piece, change)


class MoveShelf(BaseEdit, frozen=True):
    """Raise or lower one shelf between its neighbours; the whole stays as it is."""

    piece: str
    ledge: str
    floor: float
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Move {self.name or self.ledge}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the shelf moved, at most until a neighbour is reached."""

        def change(piece: Piece) -> Piece:
            bay = bay_of(piece, self.ledge)
            index = next(i for i, ledge in enumerate(bay.ledges) if ledge.id == self.ledge)
            moving = bay.ledges[index]
            below = bay.ledges[index - 1] if index else None
            shift = self.floor - moving.floor
            if below is not None and below.clearance is not None:
                shift = max(shift, SMALLEST_OPENING_MM - below.clearance)
            if moving.clearance is not None:
                shift = min(shift, moving.clearance - SMALLEST_OPENING_MM)
            ledges = piece.ledges
            ledges = with_one(
                ledges,
                moving.id,
                lambda old: changed(
                    old,
                    floor=old.floor + shift,
                    clearance=None if old.clearance is None else old.clearance - shift,
                ),
            )
            if below is not None and below.clearance is not None:
                taller = below.clearance + shift
                ledges = with_one(ledges, below.id, lambda old: changed(old, clearance=taller))
            return replace(piece, ledges=ledges)

        return change_piece(plan, self.piece, change)


class SetBayWidth(BaseEdit, frozen=True):
    """Set the width of the bay a shelf belongs to; the bays to its right move along."""

    piece: str
    ledge: str
    width: float

    @property
    def label(self) -> str:
        """What it does."""
        return "Set the width of a bay"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the bay's width set."""

        def change(piece: Piece) -> Piece:
            bay = bay_of(piece, self.ledge)
            inside = {ledge.id for ledge in bay.ledges}
            beyond = {ledge.id for other in bays_of(piece) if other.left > bay.left for ledge in other.ledges}
            shift = self.width - bay.width

            def adjust(old: Ledge) -> Ledge:
                if old.id in inside:
                    return changed(old, width=self.width)
                return changed(old, left=old.left + shift) if old.id in beyond else old

            return replace(piece, ledges=tuple(adjust(old) for old in piece.ledges))

        return change_piece(plan, self.piece, change)


class SetShelfCount(BaseEdit, frozen=True):
    """Divide a bay anew into a number of equal shelves."""

    piece: str
    ledge: str
    count: int

    @property
    def label(self) -> str:
        """What it does."""
        return f"Divide a bay into {self.count} shelves"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the bay divided; things on shelves that go are put back."""
        if not 1 <= self.count <= 40:
            raise EditError("A bay has 1 to 40 shelves; type a number in that range.")
        piece = plan.piece(self.piece)
        bay = bay_of(piece, self.ledge)
        low, top = bay.ledges[0], bay.ledges[-1]
        reach = top.floor + (top.clearance if top.clearance is not None else 300.0)
        opening = (reach - low.floor - BOARD_MM * (self.count - 1)) / self.count
        if opening < SMALLEST_OPENING_MM:
            raise EditError(f"{self.count} shelves leave less than 4 cm each in this bay; choose fewer.")
        taken = {ledge.id for ledge in piece.ledges}
        ledges: list[Ledge] = []
        for index in range(self.count):
            base = bay.ledges[index] if index < len(bay.ledges) else None
            if base is None:
                identifier = fresh_id(f"{low.id}-{index + 1}", taken)
                taken.add(identifier)
                base = replace(low, id=identifier, name=f"{low.name} {index + 1}".strip())
            ledges.append(
                changed(
                    base,
                    floor=round(low.floor + index * (opening + BOARD_MM), 1),
                    clearance=round(opening, 1),
                )
            )
        return with_bay(plan, piece, bay, tuple(ledges))


class SetBayCount(BaseEdit, frozen=True):
    """Divide the case anew into a number of equal bays, each like the first."""

    piece: str
    count: int

    @property
    def label(self) -> str:
        """What it does."""
        return f"Divide the case into {self.count} bays"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the case divided; things in bays that go are put back."""
        if not 1 <= self.count <= 12:
            raise EditError("A case has 1 to 12 bays; type a number in that range.")
        piece = plan.piece(self.piece)
        bays = bays_of(piece)
        if not bays:
            raise EditError("This piece has no shelves to divide; add a ledge first.")
        left, right = bays[0].left, max(bay.right for bay in bays)
        width = (right - left - BOARD_MM * (self.count - 1)) / self.count
        if width < SMALLEST_OPENING_MM:
            raise EditError(f"{self.count} bays leave less than 4 cm each; choose fewer.")
        taken = {ledge.id for ledge in piece.ledges}
        ledges: list[Ledge] = []
        for index in range(self.count):
            start = round(left + index * (width + BOARD_MM), 1)
            for shelf, model in enumerate((bays[index] if index < len(bays) else bays[0]).ledges):
                if index < len(bays):
                    ledges.append(changed(model, left=start, width=round(width, 1)))
                    continue
                identifier = fresh_id(f"bay {index + 1} {shelf + 1}", taken)
                taken.add(identifier)
                ledges.append(
                    changed(
                        model,
                        id=identifier,
                        name=f"bay {index + 1}, shelf {shelf + 1}",
                        left=start,
                        width=round(width, 1),
                    )
                )
        walls = tuple(ledge for ledge in piece.ledges if ledge.is_wall)
        return with_ledges(plan, replace(piece, ledges=tuple(ledges) + walls))


def with_bay(plan: Plan, piece: Piece, bay: Bay, ledges: tuple[Ledge, ...]) -> Plan:
    """Return the plan with the ledges of one bay replaced."""
    old = {ledge.id for ledge in bay.ledges}
    first = next(index for index, ledge in enumerate(piece.ledges) if ledge.id in old)
    kept = [ledge for ledge in piece.ledges if ledge.id not in old]
    return with_ledges(plan, replace(piece, ledges=(*kept[:first], *ledges, *kept[first:])))


def with_ledges(plan: Plan, piece: Piece) -> Plan:
    """Return the plan with the piece, and without what stood on ledges that are gone."""
    ids = {ledge.id for ledge in piece.ledges}
    looks = []
    for look in plan.looks:
        if look.piece == piece.id:
            lost = [placement.id for placement in look.placements if placement.ledge not in ids]
            looks.append(without_placements(look, lost) if lost else look)
        else:
            looks.append(look)
    return replace(change_piece(plan, piece.id, lambda _: piece), looks=tuple(looks))
