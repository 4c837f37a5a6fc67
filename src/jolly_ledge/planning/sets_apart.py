"""What is told of the members of a set that are not where the others are."""

from collections.abc import Mapping

from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.whereabouts import stands_elsewhere


def rest_of_its_set(plan: Plan, look: Look, item: Item) -> str:
    """Return in a sentence which members of a thing's set a look lacks, and where those are.

    It is empty where none is lacking, and for things that bear the name of a set together without a sense.
    """
    others = [one for one in plan.stash if one.id != item.id and one.goes_with(item)]
    here = {placement.item for placement in look.placements}
    missing = [one for one in others if one.id not in here]
    if not missing:
        return ""
    elsewhere = stands_elsewhere(plan, look.piece)
    return f"Of “{item.set}” {listed([f'the {one.label} {_where(one, elsewhere)}' for one in missing])}."


def _where(item: Item, elsewhere: Mapping[str, tuple[str, str]]) -> str:
    if item.gone:
        return "is no longer here"
    if item.id in elsewhere:
        piece, look = elsewhere[item.id]
        return f"stands in {piece}, {look}"
    if item.status == "to-buy":
        return "is still to be bought"
    if item.status == "wanted":
        return "is only wished for"
    if item.status == "stored":
        return "is in store"
    return "is still in the stash"
