"""What can be done with things of the line-up under the right button."""

from typing import TYPE_CHECKING

from jolly_ledge.app.widgets.act_menu import Act
from jolly_ledge.edits.items import ChangeItems

if TYPE_CHECKING:
    from jolly_ledge.app.steps.gather.gather_step import GatherStep


def acts_of(step: "GatherStep") -> tuple[Act, ...]:
    """Return what can be done with what is chosen, in the order of the menu."""
    workspace = step.workspace

    def why_not_one() -> str:
        return "" if len(workspace.item_ids) == 1 else "Choose one thing alone for this."

    def why_not_guessed() -> str:
        return "" if any(item.guessed for item in workspace.chosen_items) else "Nothing of it is guessed."

    def where() -> tuple[str, str]:
        """Return the look in which the thing in hand stands, and its placement; empty where it stands in none."""
        for look in workspace.plan.looks if workspace.item is not None else ():
            for placement in look.placements:
                if placement.item == workspace.item_id:
                    return look.id, placement.id
        return "", ""

    def show() -> None:
        look, placement = where()
        workspace.choose_look(look)
        workspace.choose(placement)
        workspace.signals.step_asked.emit("Arrange")

    # The panel of a thing is asked for when something is done: it is made after the page was painted.
    def name_it() -> None:
        step.panel.name_field.setFocus()
        step.panel.name_field.selectAll()

    def duplicate() -> None:
        step.panel.duplicate()

    def wish() -> None:
        step.panel.further.wish_chip.pop_up()

    def measured() -> None:
        workspace.commit(ChangeItems(items=workspace.item_ids, changes=(("guessed", ()),)))

    return (
        Act("Name it", "F2", "thing", name_it, why_not_one),
        Act("One more like it", "Ctrl+D", "thing", duplicate, why_not_one),
        Act("Its sizes are measured, no guesses", "", "thing", measured, why_not_guessed),
        Act("Wish something for it", "", "thing", wish, why_not_one, parts_from_above=True),
        Act("Show where it stands", "", "thing", show, lambda: "" if where()[0] else "It stands in no look yet."),
        Act("Take it out of the stash", "Delete", "thing", step.remove, parts_from_above=True),
    )
