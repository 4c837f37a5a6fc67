"""Edits of what is done at a piece, and of how many things of a kind stand on it at the most."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_piece
from jolly_ledge.edits.wishes import targets_of
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.task import Task
from jolly_ledge.model.value import checked
from jolly_ledge.model.words import Category, plain


class TellTask(BaseEdit, frozen=True):
    """Tell what is done at a piece; a task that is called so already is told anew, in its place.

    ``instead_of`` is what it was called before, where it is called otherwise now.
    """

    piece: str
    task: Task
    instead_of: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Tell the task {self.task.name}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the task.

        Raises
        ------
        EditError
            A thing of it is not in the stash or named twice, its point is not at the piece, another is called so.
        """
        task, piece = checked(self.task), plan.piece(self.piece)
        old = self.instead_of or task.name
        # What was in the task before may be gone from the stash meanwhile: that is told where it runs.
        known = {item for one in piece.tasks if one.name == old for item in one.items}
        for item in task.items:
            if item not in known:
                plan.item(item)
        if len(set(task.items)) < len(task.items):
            raise EditError(f"A thing is named twice in {task.name}; name each once, in the order of use.")
        if task.near and task.near not in targets_of(plan, piece):
            raise EditError(
                f"There is no {plain(task.near)} at {piece.label}; add it in Measure, or leave the point out."
            )
        names = [known.name for known in piece.tasks]
        if task.name != old and task.name in names:
            raise EditError(f"Another task at {piece.label} is called {task.name}; choose another name.")

        def with_task(piece: Piece) -> Piece:
            if old in names:
                return replace(piece, tasks=tuple(task if one.name == old else one for one in piece.tasks))
            return replace(piece, tasks=(*piece.tasks, task))

        return change_piece(plan, self.piece, with_task)


class DropTask(BaseEdit, frozen=True):
    """Tell a task no longer."""

    piece: str
    name: str

    @property
    def label(self) -> str:
        """What it does."""
        return f"Let the task {self.name} go"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the task; raise EditError where none is called so."""
        piece = plan.piece(self.piece)
        if all(task.name != self.name for task in piece.tasks):
            raise EditError(f"No task at {piece.label} is called {self.name}; choose one that is told.")
        left = tuple(task for task in piece.tasks if task.name != self.name)
        return change_piece(plan, self.piece, lambda piece: replace(piece, tasks=left))


class LimitKind(BaseEdit, frozen=True):
    """Say how many things of a kind stand on a piece at the most; None lets them come as they do."""

    piece: str
    category: Category
    most: int | None

    @property
    def label(self) -> str:
        """What it does."""
        kind = plain(self.category)
        return f"No limit for {kind}" if self.most is None else f"At most {self.most} of {kind}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the limit."""

        def limited(piece: Piece) -> Piece:
            others = tuple(one for one in piece.limits if one[0] != self.category)
            own = () if self.most is None else ((self.category, self.most),)
            return checked(replace(piece, limits=(*others, *own)))

        return change_piece(plan, self.piece, limited)
