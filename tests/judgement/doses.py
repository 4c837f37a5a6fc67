"""Faults in steps, on any kind of furniture: each grows from hardly noticed to plainly bad."""

from collections.abc import Callable
from typing import Any

from msgspec.structs import replace

from builders import case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.piece import Fixture, Ledge, Piece
from jolly_ledge.model.starts.gallery import STARTS

KINDS = ("bookcase", "wall-shelves", "hutch", "console", "sideboard", "mantel", "coffee-table", "coffee-table-round",
         "nightstand", "counter", "island", "dining-table")  # fmt: skip
CREAM, CLAY, SLATE, RUST = "#efe8d8", "#b8865f", "#5b6670", "#a9583a"

Dose = Callable[[Piece, Ledge, int], Arrangement]


def start(name: str) -> Piece:
    return next(one for one in STARTS if one.id == name).make()


def main_ledge(piece: Piece) -> Ledge:
    """Return the ledge that shows most: the widest that things stand on, the lowest of its like."""
    placed = [ledge for ledge in piece.ledges if not ledge.is_wall and ledge.floor > 250]
    return max(placed or piece.ledges, key=lambda ledge: (round(ledge.width * ledge.depth), -ledge.floor))


def shown(piece: Piece, items: tuple[Item, ...], places: tuple[Placement, ...], **manner: object) -> Arrangement:
    look = Look(id="look", piece=piece.id, manner=Manner(**manner), placements=places)  # type: ignore[arg-type]
    return Arrangement(piece, {item.id: item for item in items}, look)


def at(ledge: Ledge, name: str, along: float, into: float = 0.5, **more: object) -> Placement:
    return put(name, ledge.id, x=along * ledge.width, z=into * ledge.depth, **more)


def jar(name: str, width: float, height: float, colour: str = CREAM, **more: Any) -> Item:
    return thing(name, width=width, height=height, depth=min(width, 120.0), colours=((colour, 1.0),), **more)


def unit(ledge: Ledge) -> float:
    """Return a length that things on a ledge are measured in: about a tenth of it, no more than 120 mm."""
    return min(ledge.width / 9, 120.0)


def one_of_a_height(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    u = unit(ledge)
    heights = (1.0, 1.9 - 0.16 * step, 1.4 - 0.07 * step)
    items = tuple(jar(f"t{n}", u * (1 + 0.1 * n), u * high) for n, high in enumerate(heights))
    return shown(piece, items, tuple(at(ledge, f"t{n}", 0.3 + 0.2 * n) for n in range(3)))


def crowded(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    items, places = [], []
    for one in piece.ledges:
        for n in range(0 if one.is_wall else 4):
            name = f"{one.id}-{n}"
            items.append(jar(name, (0.21 + 0.006 * step) * one.width, frame_height(one) * (0.78 + 0.04 * step)))
            places.append(at(one, name, 0.125 + 0.25 * n))
    return shown(piece, tuple(items), tuple(places))


def all_at_one_end(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    u = unit(ledge)
    items = (jar("t0", u, 2 * u), jar("t1", 0.8 * u, 1.2 * u))
    off = 0.055 * step
    return shown(piece, items, (at(ledge, "t0", 0.42 - off), at(ledge, "t1", 0.58 - off)))


def a_rival_grows(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    u = unit(ledge)
    share = 0.5 + 0.1 * step
    items = (jar("t0", 1.4 * u, 2.4 * u, CLAY), jar("t1", 1.4 * u * share, 2.3 * u * share, SLATE, silhouette="urn"))
    return shown(piece, items, (at(ledge, "t0", 0.28), at(ledge, "t1", 0.72)))


def a_guest_outgrows_its_host(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    u = unit(ledge)
    host = thing("pile", "book-stack", width=1.6 * u, depth=1.2 * u, height=0.7 * u)
    side = u * (0.7 + 0.18 * step)
    guest = thing("guest", "box", width=1.3 * side, depth=side, height=0.6 * u)
    return shown(piece, (host, guest), (at(ledge, "pile", 0.5), at(ledge, "guest", 0.5, on="pile")))


def a_lone_hue_grows(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    u = unit(ledge)
    items = (
        jar("t0", u, 1.8 * u),
        jar("t1", 1.1 * u, u),
        jar("blue", u * (0.3 + 0.12 * step), u * (0.5 + 0.2 * step), "#3b6ea5"),
    )
    return shown(piece, items, (at(ledge, "t0", 0.25), at(ledge, "t1", 0.5), at(ledge, "blue", 0.75)))


def twins_draw_near(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    u = 0.8 * unit(ledge)
    items = (jar("t0", u, 1.8 * u, RUST), jar("t1", u, 1.85 * u, RUST))
    return shown(piece, items, (at(ledge, "t0", 0.2), at(ledge, "t1", 0.85 - 0.1 * step)))


def a_gap_opens(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    u = 0.9 * unit(ledge)
    items = (jar("t0", u, 2 * u), jar("t1", 0.9 * u, 1.2 * u), jar("t2", u, 0.6 * u))
    gap = 0.1 + 0.045 * step
    return shown(piece, items, tuple(at(ledge, f"t{n}", 0.5 + (n - 1) * gap) for n in range(3)))


def a_row_loses_its_hold(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    books = tuple(thing(f"b{n}", "book", width=24.0, height=190.0, depth=140.0) for n in range(4))
    urn = jar("hold", 90.0, 160.0)
    middle = ledge.width / 2
    places = tuple(put(f"b{n}", ledge.id, x=middle - 80 + 24.0 * n, z=ledge.depth / 2) for n in range(4))
    hold = put("hold", ledge.id, x=middle + 4 * 24.0 - 92 + 46 + 12.0 * step, z=ledge.depth / 2)
    return shown(piece, (*books, urn), (*places, hold))


def it_sinks_into_its_back(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    back = (0xEF, 0xE8, 0xD8)
    dark = (0x8C, 0x84, 0x7A)
    mix = [round(dark[n] + (back[n] - dark[n]) * step / 7) for n in range(3)]
    plain = replace(
        piece, backdrop=CREAM, ledges=tuple(replace(one, backdrop=CREAM, colour=CREAM) for one in piece.ledges)
    )
    item = jar("t0", unit(ledge), 2 * unit(ledge), "#{:02x}{:02x}{:02x}".format(*mix))
    return shown(plain, (item,), (at(ledge, "t0", 0.5),))


def more_of_one_kind(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    u = 0.8 * unit(ledge)
    kinds = ("vessel", "object", "box", "bowl", "sculpture", "candle")
    finishes = ("matt", "metal", "woven", "gloss", "rough", "satin")
    items = tuple(
        thing(f"t{n}", kinds[n] if n >= step + 2 else "vessel", width=u, height=u * (1 + 0.2 * n), depth=min(u, 110.0),
              finish=finishes[n] if n >= step + 2 else "matt", colours=((CREAM, 1.0),))
        for n in range(6)
    )  # fmt: skip
    return shown(piece, items, tuple(at(ledge, f"t{n}", 0.1 + 0.16 * n) for n in range(6)))


def higher_before_faces(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    item = jar("t0", 200.0, 60.0 + 80.0 * step)
    return shown(piece, (item,), (at(ledge, "t0", 0.5),))


def more_backs(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    items = tuple(
        thing(f"t{n}", "sculpture", width=70.0, height=160.0, depth=70.0, traits=("one-faced",) if n < step else ())
        for n in range(5)
    )
    return shown(piece, items, tuple(at(ledge, f"t{n}", 0.34 + 0.08 * n) for n in range(5)))


def mass_goes_up(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    shelves = case_of(7)
    urn = jar("urn", 260.0, 320.0, "#222426")
    dish = jar("dish", 160.0, 90.0)
    return shown(shelves, (urn, dish), (put("urn", f"a{1 + step}"), put("dish", "a4", x=120.0)))


def one_group_swells(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    shelves = case_of(1)
    items = tuple(jar(f"s{n}", 60.0, 130.0 - 20.0 * n) for n in range(2))
    more = tuple(jar(f"l{n}", 60.0, 140.0 + 8 * n) for n in range(2 + step))
    left = tuple(put(f"s{n}", x=60.0 + 65.0 * n) for n in range(2))
    right = tuple(put(f"l{n}", x=300.0 + 65.0 * n) for n in range(2 + step))
    return shown(shelves, (*items, *more), (*left, *right))


def behind_a_bar(piece: Piece, ledge: Ledge, step: int) -> Arrangement:
    bar = Fixture(kind="bar", left=400.0, floor=100.0, width=80.0, height=400.0)
    shelves = case_of(1, doors="glazed", fixtures=(bar,))
    item = jar("t0", 150.0, 250.0)
    return shown(shelves, (item,), (put("t0", x=310.0 + 16.0 * step),))


DOSES: dict[str, tuple[str, Dose, int, tuple[str, ...]]] = {
    "heights become one": ("height-rhythm", one_of_a_height, 6, KINDS),
    "all is crowded": (
        "negative-space",
        crowded,
        6,
        ("bookcase", "wall-shelves", "hutch", "console", "sideboard", "mantel", "counter"),
    ),
    "all goes to one end": ("side-balance", all_at_one_end, 6, KINDS),
    "the air is at one end": (
        "even-rest",
        all_at_one_end,
        6,
        ("bookcase", "wall-shelves", "hutch", "console", "sideboard", "mantel"),
    ),
    "a rival grows": ("focal-point", a_rival_grows, 5, KINDS),
    "a guest outgrows its host": ("stack-order", a_guest_outgrows_its_host, 6, KINDS),
    "a lone hue grows": ("tie", a_lone_hue_grows, 6, KINDS),
    "twins draw near": ("alike-apart", twins_draw_near, 6, KINDS),
    "a gap opens": ("grouping", a_gap_opens, 6, KINDS),
    "a row loses its hold": ("books", a_row_loses_its_hold, 5, KINDS),
    "it sinks into its back": ("contrast", it_sinks_into_its_back, 7, ("bookcase", "wall-shelves", "hutch")),
    "more of one kind": ("mix", more_of_one_kind, 4, ("bookcase", "wall-shelves", "hutch", "console", "counter")),
    "higher before faces": (
        "sight-line",
        higher_before_faces,
        7,
        ("coffee-table", "coffee-table-round", "island", "dining-table"),
    ),
    "more backs": ("all-round", more_backs, 6, ("coffee-table", "coffee-table-round", "island", "dining-table")),
    "mass goes up": ("weight-low", mass_goes_up, 6, ("bookcase",)),
    "one group swells": ("even-vignettes", one_group_swells, 5, ("bookcase",)),
    "behind a bar": ("seen-shut", behind_a_bar, 6, ("hutch",)),
}
"""By fault: the reading that is to fall, the look of a step, how many steps, on which starts of furniture."""
