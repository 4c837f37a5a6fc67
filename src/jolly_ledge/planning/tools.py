"""Tools and hardware for building a look: what its things ask for, with counts."""

import math

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.paint import COATS, paint_ml
from jolly_ledge.model.colour import family_name
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.phrases import counted, listed
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.words import WALL_CATEGORIES

LADDER_FROM_MM = 1900.0
"""What is set down or hung higher than this is not reached from the floor."""

HOOK_BEARS_KG = 5.0
"""A usual small picture hook; heavier things hang on two or more, and their rating decides."""

HARD = frozenset({"metal", "stone", "ceramic", "glass", "stoneware", "marble", "iron", "brass", "terracotta"})
PADS_EACH = 4
DRYING = "done two days before: a night between coats, a day to harden; the tin decides"
FINISHES = {"metal": "brass", "gloss": "white", "matt": "black", "rough": "black", "satin": "nickel"}
"""Of which finish a hook or a screw is that is seen beside a thing of such a surface."""

COATINGS = {"matt": "matt varnish", "gloss": "gloss varnish", "metal": "leaf metal with its size and a clear coat"}
VARNISH = "satin varnish"
UNKNOWN_MASS = "mass unknown: weigh it before a hook is chosen"


class Tool(Struct, frozen=True):
    """One line of the list: how many (0: as many as it takes), what, of which finish, for what."""

    count: int
    name: str
    finish: str = ""
    reason: str = ""

    @property
    def said(self) -> str:
        """The line in words."""
        count = f"{self.count} × " if self.count else ""
        finish = f", {self.finish}" if self.finish else ""
        reason = f" ({self.reason})" if self.reason else ""
        return f"{count}{self.name}{finish}{reason}"


def tools_for(arrangement: Arrangement) -> tuple[Tool, ...]:
    """Return the tools and the hardware of a look; what cannot be known is said so."""
    placed_items = arrangement.placed_items
    tools = [Tool(1, "tape measure"), Tool(1, "pencil"), Tool(1, "soft cloth")] if placed_items else []
    tools += _ladder(placed_items)
    tools += _hanging(placed_items)
    tools += _leaning(placed_items)
    tools += _pads(placed_items)
    tools += _cords(placed_items)
    tools += _paint(placed_items)
    tools += _finishes(placed_items)
    tools += _brackets(arrangement.piece)
    if any("real-plant" in placed.item.traits or placed.item.category == "stems" for placed in placed_items):
        tools.append(Tool(1, "watering can with a thin spout", reason="plants and stems"))
    return tuple(tools)


def _ladder(placed_items: tuple[PlacedItem, ...]) -> list[Tool]:
    high = [placed for placed in placed_items if placed.bottom > LADDER_FROM_MM]
    if not high:
        return []
    top = max(high, key=lambda placed: placed.bottom)
    reason = f"the {top.item.label} is set {top.bottom / 1000:.2f} m up; somebody holds it"
    return [Tool(1, "step ladder", reason=reason)]


def _hanging(placed_items: tuple[PlacedItem, ...]) -> list[Tool]:
    hung = [placed for placed in placed_items if placed.placement.pose == "hung"]
    hooks: dict[tuple[str, str], int] = {}
    for placed in hung:
        item = placed.item
        finish = FINISHES.get(item.finish, "steel")
        if item.mass is None:
            hooks[f"hook for the {item.label}", f"{finish}; {UNKNOWN_MASS}"] = 1
            continue
        each = f"hook rated for {HOOK_BEARS_KG:g} kg"
        hooks[each, finish] = hooks.get((each, finish), 0) + max(math.ceil(item.mass / HOOK_BEARS_KG), 1)
    tools = [Tool(count, name, finish) for (name, finish), count in hooks.items()]
    screws: dict[str, int] = {}
    for (_, finish), count in hooks.items():
        told = finish.split(";", 1)[0]
        screws[told] = screws.get(told, 0) + count
    tools += [Tool(count, "screw that belongs to its hook", finish, "with the plug the wall asks for")
              for finish, count in screws.items()]  # fmt: skip
    if hung:
        tools += [Tool(1, "spirit level"), Tool(1, "drill or hammer")]
    return tools


def _leaning(placed_items: tuple[PlacedItem, ...]) -> list[Tool]:
    leaning = [s for s in placed_items if s.placement.pose == "leaning" and s.item.category in WALL_CATEGORIES]
    return [Tool(2 * len(leaning), "clear bumper or dot of putty", reason="so that what leans does not slide")] if (
        leaning
    ) else []  # fmt: skip


def _pads(placed_items: tuple[PlacedItem, ...]) -> list[Tool]:
    hard = [
        placed for placed in placed_items
        if placed.placement.host is None and placed.placement.pose == "upright"
        and any(word in placed.item.material.lower().split() for word in HARD)
    ]  # fmt: skip
    if not hard:
        return []
    return [Tool(PADS_EACH * len(hard), "felt pad", reason=f"under {len(hard)} hard feet, so that no board is marked")]


def _cords(placed_items: tuple[PlacedItem, ...]) -> list[Tool]:
    corded = [placed for placed in placed_items if placed.item.has_cord]
    return [Tool(2 * len(corded), "cord clip"), Tool(len(corded), "cord label")] if corded else []


def _paint(placed_items: tuple[PlacedItem, ...]) -> list[Tool]:
    """Name the paint of what is to be painted, by colour, and how long before the placing it has to be done."""
    by_colour: dict[str, list[PlacedItem]] = {}
    for placed in placed_items:
        if placed.item.repaint is not None:
            by_colour.setdefault(placed.item.repaint, []).append(placed)
    return [
        Tool(
            0,
            f"{family_name(colour)} paint ({colour}), about "
            f"{max(round(sum(paint_ml(one.item) for one in group), -1), 10):g} ml",
            reason=f"{counted(COATS, 'coat')} for {listed([f'the {one.item.label}' for one in group])}; {DRYING}",
        )
        for colour, group in by_colour.items()
    ]


def _finishes(placed_items: tuple[PlacedItem, ...]) -> list[Tool]:
    """Name the varnish or leaf of what is to get another finish, and the tape of what is painted on a part only."""
    by_finish: dict[str, list[str]] = {}
    for placed in placed_items:
        if placed.item.refinish is not None:
            by_finish.setdefault(COATINGS.get(placed.item.refinish, VARNISH), []).append(f"the {placed.item.label}")
    tools = [Tool(0, coating, reason=f"for {listed(names)}; {DRYING}") for coating, names in by_finish.items()]
    masked = [f"the {one.item.label}" for one in placed_items if one.item.repaint is not None and one.item.part_painted]
    if masked:
        tools.append(Tool(1, "roll of masking tape", reason=f"for what is painted on a part only: {listed(masked)}"))
    return tools


def _brackets(piece: Piece) -> list[Tool]:
    """Name the brackets of boards that hang on a wall; how they are fixed is not for a list to decide."""
    boards = [ledge for ledge in piece.ledges if not ledge.is_wall] if kind_of(piece).is_on_the_wall else []
    if not boards:
        return []
    fixed = {ledge.board.fixing for ledge in boards if ledge.board is not None} or {"unknown"}
    how = "fixing unknown: ask who put them up" if "unknown" in fixed else f"fixed to {', '.join(sorted(fixed))}"
    return [Tool(2 * len(boards), "bracket to check, with its screws", reason=f"{how}; the maker's rating decides")]
