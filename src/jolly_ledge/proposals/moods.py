"""Moods of colour: the few palettes a stash can carry, and what each of them lacks for a piece."""

from collections.abc import Sequence

from msgspec import Struct

from jolly_ledge.model.belonging import welcome
from jolly_ledge.model.hue_family import QUIET, WARM, hue_family
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.roles import room_of
from jolly_ledge.model.words import BOOK_CATEGORIES, GREENERY, WALL_CATEGORIES
from jolly_ledge.proposals.groups.stock import FITS_PALETTE
from jolly_ledge.proposals.thing import LOUD, Thing, palette_of

FEWEST_FITTING, BEARERS = 8, 2
"""A mood is offered where so many things suit it, and so many bear its colour."""

COOL = ("blue", "teal", "plum", "grey", "black")
WARM_HUES = ("white", "sand", "wood", "rust")
KIT: tuple[tuple[str, frozenset[str]], ...] = (
    ("books", BOOK_CATEGORIES), ("plants or stems", GREENERY), ("pictures", WALL_CATEGORIES),
    ("vessels", frozenset({"vessel"})),
    ("bowls or boxes", frozenset({"bowl", "box", "tray"})),
)  # fmt: skip
LIGHT = ("lights", frozenset({"lamp", "candle"}))


class Mood(Struct, frozen=True):
    """A palette with a name, in colours of the stash."""

    name: str
    palette: tuple[str, ...]


def moods_of(plan: Plan, piece: Piece) -> tuple[Mood, ...]:
    """Return up to four moods of colour that the stash can carry on a piece, each with enough that suits it."""
    things = _things(plan, piece)
    shown: dict[str, float] = {}
    bearers: dict[str, int] = {}
    colours: dict[str, tuple[float, str]] = {}
    for thing in things:
        for colour, share in thing.item.shown_colours:
            hue, area = hue_family(colour), share * thing.area
            shown[hue] = shown.get(hue, 0.0) + area
            colours[hue] = max(colours.get(hue, (0.0, "")), (area, colour))
        bearers[thing.family] = bearers.get(thing.family, 0) + 1
    accents = [
        hue for hue in sorted(shown, key=lambda hue: -shown[hue])
        if hue not in QUIET | WARM and bearers.get(hue, 0) >= BEARERS
    ]  # fmt: skip
    cool = [hue for hue in COOL if bearers.get(hue, 0) >= BEARERS]
    cool.sort(key=lambda hue: -shown[hue])
    woods = [hue for hue in ("wood", "sand") if hue in shown][:1]
    meant: list[tuple[str, Sequence[str]]] = [("warm", [hue for hue in WARM_HUES if hue in shown])]
    if accents:
        meant.append((f"near one colour, {accents[0]}", [accents[0], "white", *woods]))
    if len(cool) > 1:
        meant.append(("cool and dark", cool[:3]))
    lively = [hue for hue in accents if hue != "green"][:2]
    if lively:
        meant.append((f"one accent, {lively[-1]}", ["white", *woods, lively[-1]]))
    found, seen = [], set[frozenset[str]]()
    for name, hues in meant:
        known = [hue for hue in hues if hue in colours]
        mood = Mood(name, tuple(colours[hue][1] for hue in known))
        fitting = sum(palette_of(mood.palette).fit(thing) >= FITS_PALETTE for thing in things)
        if fitting >= FEWEST_FITTING and frozenset(known) not in seen:
            seen.add(frozenset(known))
            found.append(mood)
    return tuple(found)


def mood_said(plan: Plan, piece: Piece, manner: Manner) -> str:
    """Return which hues a manner keeps to and what the stash lacks in them; empty where it names no colours."""
    if not manner.palette:
        return ""
    palette = palette_of(manner.palette)
    suiting = [thing for thing in _things(plan, piece) if palette.fit(thing) >= FITS_PALETTE]
    kinds = {thing.category for thing in suiting}
    kit = (*KIT, LIGHT) if room_of(piece) in ("bed", "hall") else KIT
    lacking = [f"no {word}" for word, categories in kit if not kinds & categories]
    hues = listed(list(dict.fromkeys(hue_family(colour) for colour in manner.palette)))
    return f"Colours: {hues}{f'; at hand there are {listed(lacking)} in them' if lacking else ''}."


def _things(plan: Plan, piece: Piece) -> list[Thing]:
    """Return the quiet things at hand that belong somewhere on a piece."""
    ledges: tuple[Ledge, ...] = tuple(ledge for ledge in piece.ledges if not ledge.is_wall)
    things = [
        Thing(item) for item in plan.stash
        if item.is_at_hand and (not item.meant_for or piece.id in item.meant_for)
        and any(welcome(item, piece, ledge) > 0 for ledge in ledges)
    ]  # fmt: skip
    return [thing for thing in things if thing.loud < LOUD]
