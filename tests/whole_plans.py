"""Whole plans by chance: every kind of furniture, category, pose and way of carrying, with extremes and emptiness."""

from random import Random
from typing import Any, get_args

import msgspec
from hypothesis import strategies as st
from msgspec.structs import replace

from jolly_ledge.geometry.silhouette import PROFILES
from jolly_ledge.model.errors import InvalidPlanError
from jolly_ledge.model.item import Care, Covers, Item
from jolly_ledge.model.look import LogEntry, Look, Manner, Placement, WavedOff
from jolly_ledge.model.piece import Board, Fixture, Ledge, Piece, Seat, Wish
from jolly_ledge.model.plan import ColourFamily, Household, Plan, check_references
from jolly_ledge.model.starts.gallery import STARTS, begin
from jolly_ledge.model.value import checked
from jolly_ledge.model.words import (
    BOARD_MATERIALS,
    CATEGORIES,
    FIGURES,
    FINISHES,
    FIXINGS,
    FIXTURE_KINDS,
    FULLNESSES,
    LEDGE_SHAPES,
    PIECE_KINDS,
    SEASONS,
    STATUSES,
    TRAITS,
    BookFaces,
    BookPosture,
    Build,
    Counting,
    Doors,
    Ground,
    Light,
    OddRule,
    Pose,
    WishKind,
)

COLOURS = ("#000000", "#ffffff", "#808080", "#c87d4f", "#1f6f72", "#6e7f3c", "#e8e0d0", "#b2492b", "#d9b100", "#3b2b60")
SHAPES = ("", "no such shape", "frame", "mirror", "disc", "stone", "book-stack", "tray", *PROFILES)
MATERIALS = ("", "glass", "stone", "oak", "brass", "porcelain", "stoneware", "paper")
NAMES = (
    "",
    "x",
    "a lily",
    "ivy in a pot",
    "Æther “globe”; 100 % <b>",
    "=1+1",
    "peace lily",
    "very " * 12 + "long",
    "gläser",
)
ROOMS = ("", "hall", "the loft")


def whole_plan(chance: Random) -> Plan:
    """Return a sound plan made by a throw of the dice."""
    while True:
        try:
            plan = _plan(chance)
            check_references(plan)
            return checked(plan)
        except (InvalidPlanError, ValueError):
            # A throw that breaks a rule of the format is thrown again.
            continue


def whole_plans() -> st.SearchStrategy[Plan]:
    """Return such plans for Hypothesis."""
    return st.randoms(use_true_random=False).map(whole_plan)


def _plan(chance: Random) -> Plan:
    pieces: list[Piece] = []
    for _ in range(chance.choice((1, 1, 1, 2))):
        taken = {piece.id for piece in pieces}
        pieces.append(_started(chance, taken) if chance.random() < 0.6 else _strange_piece(chance, taken))
    stash = tuple(_item(chance, f"t{index}", pieces) for index in range(chance.choice((0, 1, 2, 4, 7, 12))))
    pieces = [_with_wishes(chance, piece, stash) for piece in pieces]
    looks: list[Look] = []
    for piece in pieces:
        for _ in range(chance.choice((0, 1, 1, 2))):
            looks.append(_look(chance, f"look-{len(looks)}", piece, stash))
    household = Household(
        toddler=chance.random() < 0.4,
        child_age=chance.choice((None, 0, 2, 17)),
        pets=tuple(chance.sample(("cat", "an old dog", "kitten", "parrot", "snail"), chance.choice((0, 0, 1, 2)))),
    )
    families = (ColourFamily(name="mine", colours=("#c87d4f", "#b2492b")),) if chance.random() < 0.3 else ()
    return Plan(
        name=chance.choice(NAMES), household=household, pieces=tuple(pieces), stash=stash, looks=tuple(looks),
        families=families, budget=chance.choice((None, msgspec.convert("40", type=_price()))),
    )  # fmt: skip


def _price() -> Any:
    from decimal import Decimal

    return Decimal


def _size(chance: Random, usual: float) -> float:
    """Return a size: mostly near the usual, now and then absurd."""
    if chance.random() < 0.08:
        return chance.choice((0.01, 1.0, 5_000.0, 50_000.0))
    return round(usual * chance.uniform(0.3, 2.2), chance.choice((0, 1)))


def _maybe(chance: Random, value: Any, share: float = 0.5) -> Any:
    return value if chance.random() < share else None


def _started(chance: Random, taken: set[str]) -> Piece:
    piece = begin(chance.choice(STARTS), taken)
    ledges = tuple(
        replace(
            ledge,
            light=_maybe(chance, chance.choice(get_args(Light))),
            load_limit=_maybe(chance, chance.choice((0.0, 3.0, 60.0)), 0.2),
            board=_maybe(chance, _board(chance), 0.3) or ledge.board,
            backdrop=_maybe(chance, chance.choice(COLOURS), 0.2),
        )
        for ledge in piece.ledges
    )
    more = tuple(_fixture(chance, piece) for _ in range(chance.choice((0, 0, 1, 3))))
    return replace(
        piece, ledges=ledges, fixtures=(*piece.fixtures, *more), doors=chance.choice((piece.doors, *get_args(Doors))),
        seen_shut=chance.random() < 0.2, use=chance.choice((piece.use, (), ("eating",), ("nonsense",))),
    )  # fmt: skip


def _board(chance: Random) -> Board:
    return Board(
        material=chance.choice(BOARD_MATERIALS), thickness=_maybe(chance, _size(chance, 20)),  # type: ignore[arg-type]
        span=_maybe(chance, _size(chance, 800)), fixing=chance.choice(FIXINGS),  # type: ignore[arg-type]
    )  # fmt: skip


def _fixture(chance: Random, piece: Piece) -> Fixture:
    return Fixture(
        kind=chance.choice(FIXTURE_KINDS), left=chance.uniform(-300, piece.width), floor=chance.uniform(0, 2200),
        width=_size(chance, 400), height=_size(chance, 300), shape=chance.choice(LEDGE_SHAPES),  # type: ignore[arg-type]
        colour=_maybe(chance, chance.choice(COLOURS)), watts=_maybe(chance, 2000.0),
    )  # fmt: skip


def _strange_piece(chance: Random, taken: set[str]) -> Piece:
    width, height, depth = _size(chance, 1200), _size(chance, 1500), _size(chance, 350)
    ledges = tuple(
        Ledge(
            id=f"l{index}", left=chance.uniform(-20, width / 2), floor=chance.uniform(0, height), width=_size(chance, 700),
            depth=_size(chance, 300), clearance=chance.choice((None, 0.0, 1.0, 350.0, _size(chance, 350))),
            shape=chance.choice(LEDGE_SHAPES), surface=chance.choice(("top", "top", "top", "wall")),  # type: ignore[arg-type]
            light=_maybe(chance, chance.choice(get_args(Light))), body=chance.choice(("", "", "left", "right")),
            board=_maybe(chance, _board(chance)), load_limit=_maybe(chance, chance.choice((0.0, 2.0))),
        )
        for index in range(chance.choice((0, 1, 2, 5)))
    )  # fmt: skip
    return Piece(
        id=f"strange-{len(taken)}", kind=chance.choice(PIECE_KINDS), width=width, height=height, depth=depth,  # type: ignore[arg-type]
        backdrop=chance.choice(COLOURS), finish=chance.choice(FINISHES), viewed_from=chance.choice(("front", "around")),  # type: ignore[arg-type]
        doors=chance.choice(get_args(Doors)), seen_shut=chance.random() < 0.4, ledges=ledges,
        build=chance.choice(get_args(Build)), use=chance.choice(((), ("display",), ("eating", "games"))),
        fixtures=tuple(_fixture(chance, Piece(id="x", kind="other", width=width, height=height, depth=depth))
                       for _ in range(chance.choice((0, 1, 4)))),
        seats=tuple(Seat(x=chance.uniform(-900, 900), z=chance.uniform(-900, 900)) for _ in range(chance.choice((0, 2)))),
    )  # fmt: skip


def _item(chance: Random, identifier: str, pieces: list[Piece]) -> Item:
    category = chance.choice(CATEGORIES)
    shares = chance.choice(((1.0,), (0.7, 0.3), (0.0,), (0.5, 0.3, 0.1, 0.1)))
    return Item(
        id=identifier, category=category, width=_size(chance, 140), height=_size(chance, 220), depth=_size(chance, 120),  # type: ignore[arg-type]
        name=chance.choice(NAMES), silhouette=chance.choice(SHAPES) if chance.random() < 0.5 else "",
        mass=chance.choice((None, None, 0.0, 0.4, 6.0, 5_000.0)),
        colours=tuple((chance.choice(COLOURS), share) for share in shares), finish=chance.choice(FINISHES),  # type: ignore[arg-type]
        material=chance.choice(MATERIALS), traits=tuple(chance.sample(TRAITS, chance.choice((0, 0, 1, 3, 8)))),  # type: ignore[arg-type]
        set=chance.choice(("", "", "pair")), room=chance.choice(ROOMS), status=chance.choice(STATUSES),  # type: ignore[arg-type]
        price=_maybe(chance, msgspec.convert("12.50", type=_price()), 0.3), mouth=_maybe(chance, _size(chance, 60), 0.3),
        stems=chance.choice((None, None, 0, 7, 10_000)), count=chance.choice((1, 1, 1, 6, 10_000)),
        meant_for=(chance.choice(pieces).id,) if chance.random() < 0.2 else (),
        guessed=("mass",) if chance.random() < 0.2 else (),
        outline=chance.choice(((), (), ((0.0, 0.0),), ((0.0, 0.0), (0.1, 1.0)), ((0, 0), (0, 0), (0, 0)),
                               ((-0.5, 0.0), (0.5, 0.0), (0.0, 1.0)))),
        repaint=_maybe(chance, "#ffffff", 0.1), covers=_maybe(chance, Covers(jacket="#c87d4f", jacket_off=True), 0.1),
        season=(chance.choice(SEASONS),) if chance.random() < 0.2 else (),  # type: ignore[arg-type]
        care=_maybe(chance, Care(water_days=7, lasts_days=5), 0.2), watts=_maybe(chance, 1800.0, 0.2),
        box=chance.choice(("", "", "box 3")), obsolete_by=chance.choice(("", "2026-12-01", "some day")),
        return_by=chance.choice(("", "2027-01-31")), gone=chance.random() < 0.05,
    )  # fmt: skip


def _with_wishes(chance: Random, piece: Piece, stash: tuple[Item, ...]) -> Piece:
    wishes = []
    for _ in range(chance.choice((0, 0, 1, 2)) if stash else 0):
        items = chance.sample(stash, min(len(stash), chance.choice((0, 1, 2))))
        ledges = chance.sample(piece.ledges, min(len(piece.ledges), chance.choice((0, 1))))
        wishes.append(
            Wish(
                kind=chance.choice(get_args(WishKind)),
                items=(*(item.id for item in items), *(("gone-thing",) if chance.random() < 0.05 else ())),
                ledges=tuple(ledge.id for ledge in ledges),
            )
        )
    return replace(piece, wishes=tuple(wishes))


def _look(chance: Random, identifier: str, piece: Piece, stash: tuple[Item, ...]) -> Look:
    placements: list[Placement] = []
    for item in chance.sample(stash, chance.randint(0, len(stash))) if piece.ledges else ():
        placements.append(_placement(chance, item, piece, placements))
    chance.shuffle(placements)
    waved: tuple[WavedOff, ...] = ()
    if placements and chance.random() < 0.2:
        waved = (WavedOff(reading=chance.choice(("scale", "mix", "nothing")), placements=(placements[0].id,)),)
    manner = Manner(
        fullness=chance.choice(FULLNESSES), figure=chance.choice(FIGURES), odd=chance.choice(get_args(OddRule)),
        palette=tuple(chance.sample(COLOURS, chance.choice((0, 0, 1, 4)))), books=chance.choice(get_args(BookPosture)),
        faces=chance.choice(get_args(BookFaces)), greenery=chance.choice((None, 0, 3)),
        ground=chance.choice(get_args(Ground)), gathered=chance.choice(get_args(Counting)),
        perched=chance.choice(get_args(Counting)), weights=chance.choice(((), (("mix", 0.0), ("no-such", 2.0)))),
    )  # fmt: skip
    return Look(
        id=identifier, piece=piece.id, name=chance.choice(NAMES), manner=manner, placements=tuple(placements),
        waved_off=waved, log=(LogEntry(date="2026-11-02", text="set up", hours=1.5),) if chance.random() < 0.3 else (),
    )  # fmt: skip


def _placement(chance: Random, item: Item, piece: Piece, before: list[Placement]) -> Placement:
    ledge = chance.choice(piece.ledges)
    host = chance.choice(before) if before and chance.random() < 0.4 else None
    way = chance.choice(("on", "inside", "draped")) if host is not None else ""
    pose = "hung" if ledge.is_wall and chance.random() < 0.8 else chance.choice(get_args(Pose))
    pose = "draped" if way == "draped" else "upright" if pose == "draped" or way == "inside" else pose
    bare = way in ("inside", "draped") and chance.random() < 0.5
    reach = 1.4 if chance.random() < 0.2 else 1.0
    return Placement(
        id=f"p-{item.id}",
        item=item.id,
        ledge=ledge.id,
        x=None if bare else chance.uniform(1 - reach, reach) * ledge.width,
        z=None if bare or pose == "hung" else chance.uniform(1 - reach, reach) * ledge.depth,
        y=chance.uniform(-50, 900) if pose == "hung" else None,
        pose=pose,  # type: ignore[arg-type]
        turn=chance.choice((0.0, 0.0, 90.0, 180.0, -360.0, 33.3)),
        on=host.id if host is not None and way in ("on", "draped") and pose != "hung" else None,
        inside=host.id if host is not None and way == "inside" else None,
        vignette=chance.choice((None, None, "one", "two")),
        locked=chance.random() < 0.15,
        unit=chance.choice((None, None, *get_args(Counting))),
    )
