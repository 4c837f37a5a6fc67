"""Edits of what is fixed to a piece: mirrors, sockets, lights, the television above."""

from collections.abc import Callable

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_piece
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.phrases import with_article
from jolly_ledge.model.piece import Fixture, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import changed, checked
from jolly_ledge.model.words import plain


class AddFixture(BaseEdit, frozen=True):
    """Add something fixed."""

    piece: str
    fixture: Fixture

    @property
    def label(self) -> str:
        """What it does."""
        return f"Add {with_article(plain(self.fixture.kind))}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the fixture at the end of the piece's fixtures."""
        fresh = checked(self.fixture)
        return change_piece(plan, self.piece, lambda piece: replace(piece, fixtures=(*piece.fixtures, fresh)))


class ChangeFixture(BaseEdit, frozen=True):
    """Move or resize something fixed; ``index`` is its place in the piece's fixtures."""

    piece: str
    index: int
    changes: tuple[tuple[str, object], ...]
    kind: str = "fixture"

    @property
    def label(self) -> str:
        """What it does."""
        fields = {field for field, _ in self.changes}
        verb = "Move" if fields <= {"left", "floor"} else "Change"
        return f"{verb} the {plain(self.kind)}"

    @property
    def merge_key(self) -> str | None:
        """Nudges of one fixture are one step."""
        return f"fixture {self.piece} {self.index} {'+'.join(field for field, _ in self.changes)}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the fixture changed."""
        return _with_fixture(plan, self.piece, self.index, lambda old: (changed(old, **dict(self.changes)),))


class RemoveFixture(BaseEdit, frozen=True):
    """Take something fixed out."""

    piece: str
    index: int
    kind: str = "fixture"

    @property
    def label(self) -> str:
        """What it does."""
        return f"Remove the {plain(self.kind)}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the fixture."""
        return _with_fixture(plan, self.piece, self.index, lambda _: ())


def _with_fixture(plan: Plan, piece_id: str, index: int, change: Callable[[Fixture], tuple[Fixture, ...]]) -> Plan:
    def changed_piece(piece: Piece) -> Piece:
        if not 0 <= index < len(piece.fixtures):
            raise EditError(f"“{piece.label}” has no such fixture any more; choose one that is drawn.")
        before, old, after = piece.fixtures[:index], piece.fixtures[index], piece.fixtures[index + 1 :]
        return replace(piece, fixtures=(*before, *change(old), *after))

    return change_piece(plan, piece_id, changed_piece)
