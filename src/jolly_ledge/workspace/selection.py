"""What is in hand and what is chosen: a piece, a look, a ledge, placed things, things of the stash."""

from jolly_ledge.model.plan import Plan


class Selection:
    """Names what is in hand; what is gone from the plan is let go, and the nearest taken."""

    def __init__(self, plan: Plan) -> None:
        self.look_id = self.piece_id = self.ledge_id = ""
        self.placements: tuple[str, ...] = ()
        self.pointed_at: tuple[str, ...] = ()
        self.item_id = plan.stash[0].id if plan.stash else ""
        self.item_ids: tuple[str, ...] = (self.item_id,) if self.item_id else ()
        self.settle(plan)

    def forget(self) -> None:
        """Let everything go, before another plan comes to hand."""
        self.placements = self.item_ids = ()
        self.look_id = self.ledge_id = self.item_id = ""

    def settle(self, plan: Plan) -> None:
        """Keep what is in hand where it still exists, else take the nearest."""
        looks = {look.id: look for look in plan.looks}
        if self.look_id not in looks:
            self.look_id = plan.looks[-1].id if plan.looks else ""
        look = looks.get(self.look_id)
        self.piece_id = look.piece if look is not None else (plan.pieces[0].id if plan.pieces else "")
        ledges = [ledge.id for ledge in plan.piece(self.piece_id).ledges] if self.piece_id else []
        if self.ledge_id not in ledges:
            self.ledge_id = ledges[0] if ledges else ""
        present = {placement.id for placement in look.placements} if look is not None else set()
        self.placements = tuple(identifier for identifier in self.placements if identifier in present)
        self.pointed_at = ()
        known = {item.id for item in plan.stash}
        if self.item_id not in known:
            self.item_id = plan.stash[0].id if plan.stash else ""
        self.item_ids = tuple(identifier for identifier in self.item_ids if identifier in known) or (
            (self.item_id,) if self.item_id else ()
        )

    def choose_items(self, item_ids: tuple[str, ...]) -> bool:
        """Choose things of the stash, the last of them in hand; return whether they are others."""
        if item_ids == self.item_ids and (not item_ids or item_ids[-1] == self.item_id):
            return False
        self.item_ids = item_ids
        self.item_id = item_ids[-1] if item_ids else ""
        return True
