"""Undo as stepping back along kept plans."""

from typing import Protocol

from msgspec import Struct

from jolly_ledge.model.plan import Plan, check_references


class Edit(Protocol):
    """A change a person can name."""

    @property
    def label(self) -> str:
        """What it does, as a line of the undo list."""
        ...

    @property
    def merge_key(self) -> str | None:
        """Edits in a row with one key are one step; None never merges."""
        ...

    def apply(self, plan: Plan) -> Plan:
        """Return the changed plan."""
        ...


class Step(Struct, frozen=True):
    """A plan and the edit that led to it."""

    plan: Plan
    label: str = ""
    merge_key: str | None = None


class History:
    """A bounded list of plans that share their unchanged parts.

    Parameters
    ----------
    plan : Plan
        Where it begins.
    limit : int
        How many steps back are kept.
    """

    def __init__(self, plan: Plan, limit: int = 300) -> None:
        self._past: list[Step] = [Step(plan)]
        self._future: list[Step] = []
        self._limit = limit

    @property
    def plan(self) -> Plan:
        """The plan in hand."""
        return self._past[-1].plan

    @property
    def undo_label(self) -> str | None:
        """The name of the step that undo takes back."""
        return self._past[-1].label if len(self._past) > 1 else None

    @property
    def redo_label(self) -> str | None:
        """The name of the step that redo brings again."""
        return self._future[-1].label if self._future else None

    @property
    def steps(self) -> tuple[Step, ...]:
        """All kept steps, oldest first, those that were undone last; the first is how it began."""
        return (*self._past, *reversed(self._future))

    @property
    def at(self) -> int:
        """Which of the steps is the one in hand."""
        return len(self._past) - 1

    @property
    def labels(self) -> tuple[str, ...]:
        """The names of the kept steps, oldest first."""
        return tuple(step.label for step in self._past[1:])

    def commit(self, edit: Edit) -> bool:
        """Apply an edit; return whether the plan changed. A failed edit leaves all as it was."""
        plan = edit.apply(self.plan)
        if plan is self.plan or plan == self.plan:
            return False
        check_references(plan)
        step = Step(plan, edit.label, edit.merge_key)
        merges = edit.merge_key is not None and self._past[-1].merge_key == edit.merge_key and not self._future
        if merges and len(self._past) > 1:
            self._past[-1] = step
        else:
            self._past.append(step)
            del self._past[: -(self._limit + 1)]
        self._future.clear()
        return True

    def undo(self) -> bool:
        """Step back; return whether there was a step."""
        if len(self._past) < 2:
            return False
        self._future.append(self._past.pop())
        return True

    def redo(self) -> bool:
        """Step forward again; return whether there was a step."""
        if not self._future:
            return False
        self._past.append(self._future.pop())
        return True

    def go_to(self, number: int) -> bool:
        """Take one of the steps in hand, by its number; return whether it is another one now."""
        was = self.at
        while self.at > max(number, 0):
            self.undo()
        while self.at < number and self.redo():
            pass
        return self.at != was

    def settle(self) -> None:
        """End the step in hand, so that the next edit does not merge into it."""
        last = self._past[-1]
        self._past[-1] = Step(last.plan, last.label)
