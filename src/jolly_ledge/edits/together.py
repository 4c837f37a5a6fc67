"""Several edits as one step."""

from jolly_ledge.edits.edit import BaseEdit
from jolly_ledge.model.history import Edit
from jolly_ledge.model.plan import Plan


class Together(BaseEdit, frozen=True):
    """Apply edits one after another; all of them, or none where one is refused.

    Steps in a row with the same ``merges_as`` are one.
    """

    edits: tuple[Edit, ...]
    label: str
    merges_as: str | None = None

    @property
    def merge_key(self) -> str | None:
        """Edits in a row with one key are one step."""
        return self.merges_as

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with all of them applied."""
        for edit in self.edits:
            plan = edit.apply(plan)
        return plan
