"""What stands on a worktop: machines at their sockets, what goes with them at hand, a quiet group, a free front."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.sockets import sockets_of
from jolly_ledge.proposals.composing.spread import spans_of
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock, most_alike
from jolly_ledge.proposals.groups.trays import tray_set
from jolly_ledge.proposals.groups.vessels import fill_vessel

AT_HAND = frozenset({"tableware", "vessel", "box", "bowl"})
SHOWN = frozenset({"bowl", "plant", "tableware"})
MACHINES_SHARE, TRAY_SHARE = 0.46, 0.34
MOST_MACHINES, NEAR_MM, APART_MM, END_MM = 2, 200.0, 70.0, 25.0
MOST_TAKEN = 0.84
"""No more than so much of the width is taken: the rest is for working."""


def on_a_worktop(stock: Stock, ledge: Ledge, used: Collection[str], order: int) -> list[Group]:
    """Return the groups of a counter or a station, in coordinates of the ledge."""
    groups: list[Group] = []
    taken = set(used)
    machines = _machines(stock, ledge, taken, order)
    if machines is not None:
        groups.append(machines)
        taken |= machines.ids
    show = _quiet_group(stock, ledge, taken, order)
    if show is not None and sum(group.width for group in groups) + show.width < MOST_TAKEN * ledge.width:
        groups.append(show)
        taken |= show.ids
    room = MOST_TAKEN * ledge.width - sum(group.width for group in groups)
    tray = tray_set(stock, ledge, taken, width=min(room, TRAY_SHARE * ledge.width))
    if tray is not None:
        groups.append(tray)
    return _in_free_stretches(stock, ledge, groups, order)


def _machines(stock: Stock, ledge: Ledge, used: set[str], order: int) -> Group | None:
    """Return what is used daily, side by side at the back, with what is used with it."""
    wanted = [
        thing for thing in stock.free(ledge, used, {"appliance"})
        if "daily-use" in thing.item.traits or thing.id in stock.must
    ]  # fmt: skip
    wanted.sort(key=lambda thing: -thing.worth)
    chosen = sorted(wanted[:MOST_MACHINES], key=lambda thing: -thing.height)
    if not chosen:
        return None
    group = Group("machines", ledge.depth)
    for thing in chosen:
        group.set_down(thing, "back", order, 0.0, gap=18)
    for _ in range(2):
        along = [
            thing
            for thing in stock.free(ledge, {*used, *group.ids}, AT_HAND, low=50, high=0.7 * group.height)
            if thing.width < 260 and group.width + thing.width < MACHINES_SHARE * ledge.width
        ]
        found = stock.pick(
            along,
            lambda thing: thing.worth
            + 0.25 * ("lidded" in thing.item.traits)
            + 0.3 * ("daily-use" in thing.item.traits)
            + 0.2 * (thing.category == "tableware"),
        )  # fmt: skip
        if found is not None:
            group.set_down(found, "middle", order, 0.15, gap=12)
    return group


def _quiet_group(stock: Stock, ledge: Ledge, used: set[str], order: int) -> Group | None:
    """Return the show of a kitchen: a board behind, a crock with its tools or green before it, a bowl."""
    frame = stock.frame(ledge)
    group = Group("show", ledge.depth)
    boards = [thing for thing in stock.free(ledge, used, {"board"}) if thing.width < 0.4 * ledge.width]
    board = stock.pick(boards, lambda thing: thing.worth + thing.height / 800)
    if board is not None:
        group.set_down(board, "back")
    crocks = [thing for thing in stock.free(ledge, {*used, *group.ids}, {"vessel"}) if thing.height < 0.75 * frame]
    crock = stock.pick(crocks, lambda thing: thing.worth - abs(thing.height / frame - 0.45), leads=True)
    if crock is not None:
        member = group.set_down(crock, "middle" if board is not None else "back", order, 0.35, gap=10)
        tools = [
            thing for thing in stock.of_kind(ledge, {*used, *group.ids}, "utensils")
            if crock.height + thing.height < 0.96 * frame and thing.width < 2.2 * crock.width
        ]  # fmt: skip
        tool = stock.pick(tools, lambda thing: thing.worth)
        if tool is not None and crock.height > 0.9 * crock.width and "lidded" not in crock.item.traits:
            group.put_into(tool, member)
        elif not fill_vessel(stock, group, ledge, used, member, 0.9) and board is not None:
            group.take_out(member)
    low = [
        thing for thing in stock.free(ledge, {*used, *group.ids}, SHOWN, high=0.4 * frame)
        if thing.width < 360 and not stock.is_hard(thing)
    ]  # fmt: skip
    near = [member.thing for member in group]
    bowl = stock.pick(low, lambda thing: thing.worth + 0.2 * (thing.category == "bowl") - most_alike(thing, near))
    if bowl is not None:
        group.set_down(bowl, "front" if ledge.depth > 450 and group.members else "middle", order, 0.25, gap=10)
    return group if len(group.members) > 1 else None


def _in_free_stretches(stock: Stock, ledge: Ledge, groups: list[Group], order: int) -> list[Group]:
    """Set the machines by their socket and the rest into the widest stretch that is left, clear of a cooktop."""
    spans = spans_of(stock, ledge)
    found: list[Group] = []
    for group in groups:
        free = [(left, right) for left, right in spans if right - left >= group.width + 2 * END_MM]
        if not free:
            continue
        wish = _wish(stock, ledge, group, order)
        left, right = min(
            free, key=lambda span: abs(min(max(wish, span[0]), span[1]) - wish) - 0.001 * (span[1] - span[0])
        )
        least, most = left + END_MM + group.width / 2, right - END_MM - group.width / 2
        middle = min(max(wish, least), most)
        group.shift(middle - (group.left + group.right) / 2)
        found.append(group)
        spans = [span for one in spans for span in _without(one, group.left - APART_MM, group.right + APART_MM)]
    return sorted(found, key=lambda group: group.left)


def _wish(stock: Stock, ledge: Ledge, group: Group, order: int) -> float:
    sockets = [
        socket for socket in sockets_of(stock.piece) if -NEAR_MM < socket.left - ledge.left < ledge.width + NEAR_MM
    ]
    if group.form == "machines" and sockets:
        return sockets[0].left + sockets[0].width / 2 - ledge.left
    return 0.12 * ledge.width if (order > 0) == (group.form == "machines") else 0.88 * ledge.width


def _without(span: tuple[float, float], left: float, right: float) -> list[tuple[float, float]]:
    parts = [(span[0], min(span[1], left)), (max(span[0], right), span[1])]
    return [part for part in parts if part[1] - part[0] > 0]
