"""All that can be done on the drawing, once: its words, its keys, when it applies. Keys, menus and help read this."""

from functools import partial
from typing import TYPE_CHECKING

from jolly_ledge.app.widgets.act_menu import Act
from jolly_ledge.geometry.rows import row_of

if TYPE_CHECKING:
    from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep


def acts_of(step: "ArrangeStep") -> tuple[Act, ...]:
    """Return all that can be done on the drawing of a step, in the order of its menus."""
    do, several, workspace = step.actions_on_look, step.several, step.workspace
    places = step.kept_places

    def why_no_book() -> str:
        return "" if all(one.item.is_book for one in workspace.chosen_placed) else "Only a book shows its pages."

    def why_no_row() -> str:
        chosen = workspace.chosen_placed
        in_a_row = bool(chosen) and bool(row_of(workspace.arrangement, chosen[0].id))
        return "" if in_a_row else "It stands in no row of books."

    def why_nothing_there() -> str:
        return "" if workspace.arrangement.by_ledge.get(workspace.ledge_id) else "Nothing stands on it yet."

    def why_no_ledge() -> str:
        return "" if workspace.ledge is not None else "Choose a ledge first."

    def why_nothing_in_hand() -> str:
        item = workspace.item
        on_the_board = item is not None and item in step.strip.things
        return "" if on_the_board else "Choose a thing on the board below first."

    return (
        Act("Stand upright", "U", "thing", partial(do.pose, "upright")),
        Act("Lay flat", "F", "thing", partial(do.pose, "flat")),
        Act("Lean", "L", "thing", partial(do.pose, "leaning")),
        Act("Turn the pages out", "P", "thing", partial(do.pose, "spine-in"), why_no_book),
        Act("Turn by a quarter", "T", "thing", do.turn),
        Act("Lock or unlock", "K", "thing", do.lock),
        Act("Put inside what is near", "I", "thing", do.put_inside),
        Act("Others in its spot", "E", "thing", step.begin_exchange, parts_from_above=True),
        Act("Keep a place on the tray", "Ctrl+Shift+K", "thing", places.pop_up_for_tray, places.why_no_tray),
        Act("Wish something for it", "X", "thing", step.chosen.wish_chip.pop_up),
        Act("Change how it counts", "J", "thing", do.count_apart),
        Act("Take its whole row or group", "R", "thing", do.take_row, parts_from_above=True),
        Act("Sort its row", "O", "thing", do.sort_row, why_no_row),
        Act("Make a group, or part it", "G", "several", several.group_at_once, several.why_no_group),
        Act("Name the group", "Shift+G", "thing", step.chosen.group_field.setFocus),
        Act("Make the gaps alike", "Ctrl+E", "several", several.even_gaps, several.why_no_even_gaps),
        Act("Set the fronts in line", "Ctrl+L", "several", several.fronts_in_line, several.why_no_line),
        Act("Set the backs in line", "Ctrl+Shift+L", "several", several.backs_in_line, several.why_no_line),
        Act("Centre it on an axis", "Shift+A", "thing", step.axes.pop_up, several.why_no_axis),
        Act("Tell what is done with it", "Shift+D", "thing", step.tasks.pop_up),
        Act("Copy for another look", "Ctrl+C", "thing", several.copy, several.why_nothing_to_copy),
        Act("Carry to the ledge above", "PgUp", "thing", partial(several.to_ledge, -1), parts_from_above=True),
        Act("Carry to the ledge below", "PgDown", "thing", partial(several.to_ledge, 1)),
        Act("Put back in the stash", "Delete", "thing", do.put_back, parts_from_above=True),
        Act("", "Backspace", "thing", do.put_back),
        Act("Place the chosen thing here", "", "ledge", step.foot.place_chosen, why_nothing_in_hand),
        Act("Say what it is meant for", "Shift+M", "ledge", step.chosen.meaning.pop_up, why_no_ledge),
        Act("Keep a place free", "Shift+K", "ledge", places.pop_up, why_no_ledge),
        Act("Choose all on it", "Ctrl+A", "ledge", several.choose_all, why_nothing_there),
        Act("Fill the view with it", "Z", "ledge", step.look_at_ledge),
        Act("Take the next thing in hand", "N", "look", partial(do.choose_next, 1), parts_from_above=True),
        Act("", "B", "look", partial(do.choose_next, -1)),
        Act("Set down what was copied", "Ctrl+V", "look", several.set_down, several.why_nothing_copied),
        Act("Propose looks", "W", "look", step.show_proposals),
        Act("What is wanted", "H", "look", step.show_wanted),
        Act("Lay versions side by side", "C", "look", lambda: workspace.signals.compare_asked.emit(())),
        Act("Show the whole piece", "Home", "look", step.view.zoom.fit, parts_from_above=True),
        Act("Go to the board of the stash", "S", "look", step.go_to_the_board),
        Act("Search the board", "Ctrl+F", "look", step.foot.search.setFocus),
    )
