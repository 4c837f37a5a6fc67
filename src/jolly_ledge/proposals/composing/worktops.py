"""What stands on a worktop: machines at their sockets, what goes with them at hand, a quiet group, a free front."""

from collections.abc import Collection, Sequence
from functools import partial

from jolly_ledge.geometry.sockets import sockets_of
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.spread import spans_of, without
from jolly_ledge.proposals.composing.task_rows import task_rows, wish_of
from jolly_ledge.proposals.groups.group import Depth, Group
from jolly_ledge.proposals.groups.stock import Stock, alike, most_alike, step_of_tone
from jolly_ledge.proposals.groups.trays import tray_set
from jolly_ledge.proposals.groups.vessels import fill_vessel
from jolly_ledge.proposals.thing import Thing

AT_HAND = frozenset({"tableware", "vessel", "box", "bowl"})
SHOWN = frozenset({"bowl", "plant", "tableware"})
MACHINES_SHARE, TRAY_SHARE = 0.36, 0.34
SECOND_BOARD_OFTEN, BOARDS_OVERLAP, FREE_FRONT_MM = 0.8, 0.25, 60.0
CORD_MM = 150.0
"""A cord reaches a socket so far beside what it belongs to."""

MOST_MACHINES, NEAR_MM, APART_MM, APART_SHARE, END_MM = 2, 200.0, 55.0, 0.057, 25.0
MACHINES_WITH: tuple[tuple[float, Depth], ...] = ((50.0, "middle"), (90.0, "back"))
BEFORE_BOARDS: tuple[tuple[float, Depth], ...] = ((0.6, "middle"), (0.35, "front"))
"""What stands with machines is at least so high (mm); what stands before boards at most so high in parts of them."""

GREEN_BY_A_CROCK, GREEN_AT_AN_END, CROCK = 0.6, 0.6, (0.85, 1.7)
"""What holds tools is so high for its width, and not of glass."""

MOST_TAKEN, WIDE_MM = 0.88, 1900.0
"""No more than so much of the width is taken: the rest is for working."""


def on_a_worktop(stock: Stock, ledge: Ledge, used: Collection[str], order: int) -> list[Group]:
    """Return the groups of a counter or a station, in coordinates of the ledge."""
    groups: list[Group] = []
    taken = set(used)
    ends = [_crock, *(_at_the_end,) * (1 + (ledge.width > WIDE_MM))]
    for row in task_rows(stock, ledge, taken, order):
        if sum(one.width for one in groups) + row.width < MOST_TAKEN * ledge.width:
            groups.append(row)
            taken |= row.ids
    for make in (_machines, _boards, *stock.rng.sample(ends, len(ends))):
        group = make(stock, ledge, taken, order)
        if group is not None and sum(one.width for one in groups) + group.width < MOST_TAKEN * ledge.width:
            groups.append(group)
            taken |= group.ids
    if all(group.form != "tray" and not any(m.thing.category == "tray" for m in group) for group in groups):
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
    for low, depth in MACHINES_WITH:
        along = [
            thing
            for thing in stock.free(ledge, {*used, *group.ids}, AT_HAND, low=low, high=0.85 * group.height)
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
            group.set_down(found, depth, order, 0.1, gap=14)
    return group


def _boards(stock: Stock, ledge: Ledge, used: set[str], order: int) -> Group | None:
    """Return the show of a kitchen: one board or two at the back, what is used daily on a tray before them."""
    group = Group("show", ledge.depth)
    boards = [thing for thing in stock.free(ledge, used, {"board"}) if thing.width < 0.4 * ledge.width]
    first = stock.pick(boards, lambda thing: thing.worth + thing.height / 800)
    if first is None:
        return None
    behind = group.set_down(first, "back")
    second = stock.pick(
        [thing for thing in boards if thing is not first and 0.5 * first.height < thing.height < 1.02 * first.height],
        lambda thing: thing.worth - alike(thing, first) + step_of_tone(thing, first),
    )
    if second is not None and stock.rng.random() < SECOND_BOARD_OFTEN:
        other = group.at_depth(second, "back")
        other.z = max(behind.front - other.depth / 2 - 4, other.depth / 2)
        other.x = order * (behind.width / 2 + (0.5 - BOARDS_OVERLAP) * other.width)
        group.members.append(other)
    middle, wide = (group.left + group.right) / 2, group.width
    tray = tray_set(stock, ledge, {*used, *group.ids}, width=min(1.5 * wide, TRAY_SHARE * ledge.width), tall=0.55)
    if tray is not None:
        front = min(member.front for member in group)
        tray.shift(middle - (tray.left + tray.right) / 2, min(front - 10 - max(m.back for m in tray), 0.0))
        if min(member.front for member in tray) > FREE_FRONT_MM and tray.height < 0.85 * group.height:
            group.members += tray.members
            return group
    return _before_boards(stock, ledge, group, used, order)


def _before_boards(stock: Stock, ledge: Ledge, group: Group, used: set[str], order: int) -> Group | None:
    """Set a jar or a jug, and something lower, before boards."""
    for high, depth in BEFORE_BOARDS:
        near = [member.thing for member in group]
        before = [
            thing for thing in stock.free(ledge, {*used, *group.ids}, AT_HAND | SHOWN, high=high * group.height)
            if thing.width < 0.9 * near[0].width + 60 and not stock.is_hard(thing)
        ]  # fmt: skip
        found = stock.pick(before, partial(_beside, near))
        if found is not None:
            group.set_down(found, depth, order, 0.5, gap=8)
    return group if len(group.members) > 1 else None


def _beside(near: Sequence[Thing], thing: Thing) -> float:
    """Return how well a thing goes with what it stands before."""
    return thing.worth + step_of_tone(thing, near[0]) - most_alike(thing, near)


def _crock(stock: Stock, ledge: Ledge, used: set[str], order: int) -> Group | None:
    """Return a crock with its tools."""
    frame = stock.frame(ledge)
    crocks = [
        thing for thing in stock.free(ledge, used, {"vessel"}, high=0.6 * frame)
        if CROCK[0] * thing.width < thing.height < CROCK[1] * thing.width and "lidded" not in thing.item.traits
        and not thing.is_open_glass
    ]  # fmt: skip
    tools = stock.of_kind(ledge, used, "utensils")
    fitting = [
        (crock, tool) for crock in crocks for tool in tools
        if crock.height + tool.height < 0.96 * frame and 0.5 * tool.width < crock.width
    ]  # fmt: skip
    if not fitting:
        return None
    crock, tool = max(fitting, key=lambda pair: pair[0].worth + pair[1].worth + 0.3 * stock.rng.random())
    group = Group("crock", ledge.depth)
    group.put_into(tool, group.set_down(crock, "middle"))
    near = [crock]
    low = [
        thing for thing in stock.free(ledge, {*used, *group.ids}, SHOWN, high=1.3 * crock.height)
        if thing.width < 300 and not stock.is_hard(thing)
    ]  # fmt: skip
    bowl = stock.pick(low, lambda thing: thing.worth + GREEN_BY_A_CROCK * thing.green - most_alike(thing, near))
    if bowl is not None:
        group.set_down(bowl, "back" if bowl.green else "front", order, 0.2, gap=10)
    return group


def _at_the_end(stock: Stock, ledge: Ledge, used: set[str], order: int) -> Group | None:
    """Return something green or a bowl, with something low beside it."""
    frame = stock.frame(ledge)
    lead = stock.pick(
        [thing for thing in stock.free(ledge, used, {"plant", "bowl", "vessel"}, low=0.14 * frame, high=0.75 * frame)
         if thing.width < 340 and not stock.is_hard(thing)],
        lambda thing: thing.worth + GREEN_AT_AN_END * thing.green + 0.2 * (thing.category == "bowl"), leads=True,
    )  # fmt: skip
    if lead is None:
        return None
    group = Group("end", ledge.depth)
    member = group.set_down(lead, "middle")
    if lead.category == "vessel" and "lidded" not in lead.item.traits:
        fill_vessel(stock, group, ledge, used, member, 0.9)
    low = [
        thing for thing in stock.free(ledge, {*used, *group.ids}, AT_HAND | SHOWN, high=0.7 * lead.height)
        if thing.width < 240 and not stock.is_hard(thing)
    ]  # fmt: skip
    second = stock.pick(low, lambda thing: thing.worth + step_of_tone(thing, lead) - alike(thing, lead))
    if second is not None:
        group.set_down(second, "front", order, 0.2, gap=10)
    return group


def _in_free_stretches(stock: Stock, ledge: Ledge, groups: list[Group], order: int) -> list[Group]:
    """Set the machines by their socket and the rest into the widest stretch that is left, clear of a cooktop."""
    spans = spans_of(stock, ledge)
    if spans == [(0.0, ledge.width)] and groups and groups[0].form == "machines":
        return _from_both_ends(stock, ledge, groups, order)
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
        if group.form == "machines" and len(groups) > 1:
            middle = _aside(least, middle, most, group.width / 2 + CORD_MM)
        group.shift(middle - (group.left + group.right) / 2)
        found.append(group)
        spans = [span for one in spans for span in without(one, group.left - APART_MM, group.right + APART_MM)]
    return sorted(found, key=lambda group: group.left)


def _from_both_ends(stock: Stock, ledge: Ledge, groups: list[Group], order: int) -> list[Group]:
    """Set the machines at the end nearer to their socket and the rest at the other: one free stretch stays whole."""
    machines, *others = groups
    apart = max(APART_MM, APART_SHARE * ledge.width)
    while others and sum(one.width + apart for one in others) + machines.width + 2 * END_MM > ledge.width:
        others.pop()
    wish = _wish(stock, ledge, machines, order)
    least, most = END_MM + machines.width / 2, ledge.width - END_MM - machines.width / 2
    reach = machines.width / 2 + CORD_MM
    middle = _aside(least, min(max(wish, least), most), most, reach) if others else min(max(wish, least), most)
    machines.shift(middle - (machines.left + machines.right) / 2)
    at_left = middle < ledge.width / 2
    end = ledge.width - END_MM if at_left else END_MM
    stood = [machines]
    # The last of them stands at the very end, the show toward the middle.
    for group in reversed(others):
        group.shift(end - group.right if at_left else end - group.left)
        end = group.left - apart if at_left else group.right + apart
        stood.append(group)
    short = max(machines.right - end, 0.0) if at_left else max(end - machines.left, 0.0)
    machines.shift(-min(short, machines.left) if at_left else min(short, ledge.width - machines.right))
    return sorted(stood, key=lambda group: group.left)


def _aside(least: float, middle: float, most: float, reach: float) -> float:
    """Return how far machines may move from their socket to the nearer end, so that the other side stays whole."""
    return max(least, middle - reach) if middle - least < most - middle else min(most, middle + reach)


def _wish(stock: Stock, ledge: Ledge, group: Group, order: int) -> float:
    sockets = [
        socket for socket in sockets_of(stock.piece) if -NEAR_MM < socket.left - ledge.left < ledge.width + NEAR_MM
    ]
    if (wish := wish_of(stock, ledge, group)) is not None:
        return wish
    if group.form == "machines" and sockets:
        return sockets[0].left + sockets[0].width / 2 - ledge.left
    if group.form == "show":
        return 0.5 * ledge.width
    return 0.12 * ledge.width if (order > 0) == (group.form == "machines") else 0.88 * ledge.width
