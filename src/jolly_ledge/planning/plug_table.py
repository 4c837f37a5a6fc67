"""Where everything is plugged in, as a table; what draws how much on a socket and on a circuit."""

from collections.abc import Collection

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.plugs import CordInSight, Plug, cord_in_sight, drawing_through, plugs_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.lengths import LengthUnit, format_length
from jolly_ledge.model.phrases import counted, listed
from jolly_ledge.model.piece import Fixture
from jolly_ledge.scene.cords_seen import CordFrom, cords_seen


class PlugRow(Struct, frozen=True):
    """One plug in words: the thing, where it goes, what it draws, its cord, what is seen of it, the text of its label.

    ``seen`` is what straight from the front is seen, ``elsewhere`` what people see from where they are.
    """

    thing: str
    socket: str
    draws: str
    cord: str
    seen: str
    elsewhere: str
    label: str
    placement: str


def plug_rows(arrangement: Arrangement, unit: LengthUnit) -> tuple[PlugRow, ...]:
    """Return a row for every corded thing of a look, in the order of the look."""
    by_id = {plug.placed.id: plug for plug in plugs_of(arrangement)}
    looked = cords_seen(arrangement)
    rows = []
    for placed in arrangement.placed_items:
        if not placed.item.has_cord:
            continue
        item, plug = placed.item, by_id.get(placed.id)
        draws = _draws(item)
        socket = "no socket is told" if plug is None else _where(plug)
        cord, seen = ("", "") if plug is None else (_cord(plug, unit), _seen(cord_in_sight(arrangement, plug), unit))
        elsewhere = _elsewhere([one for one in looked if one.plug.placed.id == placed.id], unit)
        label = f"{item.label} · {socket} · {draws}"
        rows.append(PlugRow(item.label, socket, draws, cord, seen, elsewhere, label, placed.id))
    return tuple(rows)


def _draws(item: Item) -> str:
    if item.is_strip:
        return "what is in it" if item.watts is None else f"what is in it, {item.watts:g} W at the most"
    return "not told" if item.watts is None else f"{item.watts:g} W"


def loads(arrangement: Arrangement, resting: Collection[str] = ()) -> tuple[str, ...]:
    """Return what is drawn on each socket, and on each circuit that feeds more than one of them, in sentences.

    Parameters
    ----------
    arrangement : Arrangement
        The look.
    resting : collection of str
        Placements that do not run together with the others; their plugs stay where they are. What goes into a strip
        that rests does not run, either.
    """
    by_socket: dict[Fixture, list[Plug]] = {}
    running = [
        plug for plug in plugs_of(arrangement)
        if plug.placed.id not in resting and (plug.strip is None or plug.strip.id not in resting)
    ]  # fmt: skip
    for plug in running:
        drawing = drawing_through(plug, running)
        if drawing:
            by_socket.setdefault(plug.socket, []).extend(drawing)
    said = [_load(_name(socket), plugs, socket.watts) for socket, plugs in by_socket.items()]
    circuits: dict[str, list[Fixture]] = {}
    for socket in by_socket:
        if socket.circuit:
            circuits.setdefault(socket.circuit, []).append(socket)
    for circuit, sockets in circuits.items():
        together = [plug for socket in sockets for plug in by_socket[socket]]
        if len(together) > 1:
            said.append(f"{_load(f'circuit {circuit}', together, None)} What its fuse bears is not known here.")
    return tuple(said)


def _load(name: str, plugs: list[Plug], rated: float | None) -> str:
    known = [plug.placed.item.watts for plug in plugs if plug.placed.item.watts is not None]
    unknown = len(plugs) - len(known)
    names = listed([plug.placed.item.label for plug in plugs])
    draws = (
        f"{sum(known):g} W" if not unknown else f"{sum(known):g} W and what {counted(unknown, 'thing')} more would draw"
    )
    of = "" if rated is None else f" of {rated:g} W"
    over = "" if rated is None or sum(known) <= rated else f" That is {sum(known) - rated:g} W too much."
    return f"The {name}: {draws}{of}, if these run at once: {names}.{over}"


def _name(socket: Fixture) -> str:
    return socket.name or "socket"


def _tape(length: float, unit: LengthUnit) -> str:
    """Return a length to the centimetre: a cord lies no truer."""
    return format_length(round(length, -1), unit)


def _where(plug: Plug) -> str:
    name, most = _name(plug.socket), plug.socket.outlets
    if plug.outlet == 0:
        return f"{name}: no outlet left"
    return name if most is None else f"{name}, outlet {plug.outlet} of {most}"


def _cord(plug: Plug, unit: LengthUnit) -> str:
    run, spare = _tape(plug.run, unit), plug.spare
    if spare is None:
        return f"runs {run}; its length is not told"
    return f"runs {run}, {_tape(abs(spare), unit)} {'to spare' if spare >= 0 else 'too short'}"


def _seen(sight: CordInSight, unit: LengthUnit) -> str:
    behind = listed([f"the {placed.item.label}" for placed in sight.hidden_by])
    if sight.length < 1.0:
        return f"hidden behind {behind or 'the piece'}"
    return f"{_tape(sight.length, unit)} seen"


def _elsewhere(looked: list[CordFrom], unit: LengthUnit) -> str:
    """Say from where how much of a cord is seen, the most first; where nothing is, what hides it."""
    if not looked:
        return ""
    told = sorted((one for one in looked if one.length >= 1.0), key=lambda one: -one.length)
    said = [f"{_tape(one.length, unit)} {one.eye.name[:1].lower()}{one.eye.name[1:]}" for one in told]
    return ", ".join(said) or f"hidden from everywhere{_by(looked)}"


def _by(looked: list[CordFrom]) -> str:
    """Say what hides a cord from those who look, or nothing where it only runs behind a case."""
    things = dict.fromkeys(
        "itself" if placed.id == one.plug.placed.id else f"the {placed.item.label}"
        for one in looked for placed in one.hidden_by
    )  # fmt: skip
    boards = ["a board"] if any(one.under_boards for one in looked) else []
    return f" by {listed([*things, *boards])}" if things or boards else ""


def cord_seen_said(one: CordFrom, unit: LengthUnit) -> str:
    """Return how much of one cord is seen from a place, and what hides the rest, in a sentence."""
    name, hiding = one.plug.placed.item.label, _by([one])
    if one.length < 1.0:
        return f"The cord of the {name} is hidden{hiding or ' behind the piece'}."
    rest = f", the rest hidden{hiding}" if hiding else ""
    return f"{_tape(one.length, unit)} of the cord of the {name} seen{rest}."
