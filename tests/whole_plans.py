"""Whole plans by chance: every kind of furniture, category, pose and way of carrying, with extremes and emptiness."""

from random import Random
from typing import Any, get_args

import msgspec
from hypothesis import strategies as st
from msgspec.structs import replace

from jolly_ledge.geometry.silhouette import PROFILES
from jolly_ledge.model.errors import InvalidPlanError
from jolly_ledge.model.item import Care, Covers, Item
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.look import LogEntry, Look, Manner, Placement, WavedOff
from jolly_ledge.model.piece import Board, Fixture, Ledge, Piece, Seat, Wish
from jolly_ledge.model.plan import ColourFamily, Household, Plan, check_references
from jolly_ledge.model.starts.gallery import STARTS, begin
from jolly_ledge.model.use import CORD_SIDES, HINGES, OFTEN, OPENS, Cord, Use
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


def whole_plan(rng: Random) -> Plan:
    """Return a sound plan made by a throw of the dice."""
    while True:
        try:
            plan = _plan(rng)
            check_references(plan)
            return checked(plan)
        except (InvalidPlanError, ValueError):
            # A throw that breaks a rule of the format is thrown again.
            continue


def whole_plans() -> st.SearchStrategy[Plan]:
    """Return such plans for Hypothesis."""
    return st.randoms(use_true_random=False).map(whole_plan)


def _plan(rng: Random) -> Plan:
    pieces: list[Piece] = []
    for _ in range(rng.choice((1, 1, 1, 2))):
        taken = {piece.id for piece in pieces}
        pieces.append(_started(rng, taken) if rng.random() < 0.6 else _strange_piece(rng, taken))
    stash = tuple(_item(rng, f"t{index}", pieces) for index in range(rng.choice((0, 1, 2, 4, 7, 12))))
    pieces = [_with_wishes(rng, piece, stash) for piece in pieces]
    looks: list[Look] = []
    for piece in pieces:
        for _ in range(rng.choice((0, 1, 1, 2))):
            looks.append(_look(rng, f"look-{len(looks)}", piece, stash))
    household = Household(
        toddler=rng.random() < 0.4,
        child_age=rng.choice((None, 0, 2, 17)),
        pets=tuple(rng.sample(("cat", "an old dog", "kitten", "parrot", "snail"), rng.choice((0, 0, 1, 2)))),
    )
    families = (ColourFamily(name="mine", colours=("#c87d4f", "#b2492b")),) if rng.random() < 0.3 else ()
    return Plan(
        name=rng.choice(NAMES), household=household, pieces=tuple(pieces), stash=stash, looks=tuple(looks),
        families=families, budget=rng.choice((None, msgspec.convert("40", type=_price()))),
    )  # fmt: skip


def _price() -> Any:
    from decimal import Decimal

    return Decimal


def _size(rng: Random, usual: float) -> float:
    """Return a size: mostly near the usual, now and then absurd."""
    if rng.random() < 0.08:
        return rng.choice((0.01, 1.0, 5_000.0, 50_000.0))
    return round(usual * rng.uniform(0.3, 2.2), rng.choice((0, 1)))


def _maybe(rng: Random, value: Any, share: float = 0.5) -> Any:
    return value if rng.random() < share else None


def _started(rng: Random, taken: set[str]) -> Piece:
    piece = begin(rng.choice(STARTS), taken)
    ledges = tuple(
        replace(
            ledge,
            light=_maybe(rng, rng.choice(get_args(Light))),
            load_limit=_maybe(rng, rng.choice((0.0, 3.0, 60.0)), 0.2),
            board=_maybe(rng, _board(rng), 0.3) or ledge.board,
            backdrop=_maybe(rng, rng.choice(COLOURS), 0.2),
        )
        for ledge in piece.ledges
    )
    more = tuple(_fixture(rng, piece) for _ in range(rng.choice((0, 0, 1, 3))))
    return replace(
        piece, ledges=ledges, fixtures=(*piece.fixtures, *more), doors=rng.choice((piece.doors, *get_args(Doors))),
        seen_shut=rng.random() < 0.2, use=rng.choice((piece.use, (), ("eating",), ("nonsense",))),
    )  # fmt: skip


def _board(rng: Random) -> Board:
    return Board(
        material=rng.choice(BOARD_MATERIALS), thickness=_maybe(rng, _size(rng, 20)),  # type: ignore[arg-type]
        span=_maybe(rng, _size(rng, 800)), fixing=rng.choice(FIXINGS),  # type: ignore[arg-type]
    )  # fmt: skip


def _fixture(rng: Random, piece: Piece) -> Fixture:
    return Fixture(
        kind=rng.choice(FIXTURE_KINDS), left=rng.uniform(-300, piece.width), floor=rng.uniform(0, 2200),
        width=_size(rng, 400), height=_size(rng, 300), shape=rng.choice(LEDGE_SHAPES),  # type: ignore[arg-type]
        colour=_maybe(rng, rng.choice(COLOURS)), watts=_maybe(rng, 2000.0),
        outlets=rng.choice((None, 1, 2, 40)), circuit=rng.choice(("", "kitchen")),
    )  # fmt: skip


def _strange_piece(rng: Random, taken: set[str]) -> Piece:
    width, height, depth = _size(rng, 1200), _size(rng, 1500), _size(rng, 350)
    ledges = tuple(
        Ledge(
            id=f"l{index}", left=rng.uniform(-20, width / 2), floor=rng.uniform(0, height), width=_size(rng, 700),
            depth=_size(rng, 300), clearance=rng.choice((None, 0.0, 1.0, 350.0, _size(rng, 350))),
            shape=rng.choice(LEDGE_SHAPES), surface=rng.choice(("top", "top", "top", "wall")),  # type: ignore[arg-type]
            light=_maybe(rng, rng.choice(get_args(Light))), body=rng.choice(("", "", "left", "right")),
            board=_maybe(rng, _board(rng)), load_limit=_maybe(rng, rng.choice((0.0, 2.0))),
        )
        for index in range(rng.choice((0, 1, 2, 5)))
    )  # fmt: skip
    return Piece(
        id=f"strange-{len(taken)}", kind=rng.choice(PIECE_KINDS), width=width, height=height, depth=depth,  # type: ignore[arg-type]
        backdrop=rng.choice(COLOURS), finish=rng.choice(FINISHES), viewed_from=rng.choice(("front", "around")),  # type: ignore[arg-type]
        doors=rng.choice(get_args(Doors)), seen_shut=rng.random() < 0.4, ledges=ledges,
        build=rng.choice(get_args(Build)), use=rng.choice(((), ("display",), ("eating", "games"))),
        fixtures=tuple(_fixture(rng, Piece(id="x", kind="other", width=width, height=height, depth=depth))
                       for _ in range(rng.choice((0, 1, 4)))),
        seats=tuple(Seat(x=rng.uniform(-900, 900), z=rng.uniform(-900, 900)) for _ in range(rng.choice((0, 2)))),
    )  # fmt: skip


def _item(rng: Random, identifier: str, pieces: list[Piece]) -> Item:
    category = rng.choice(CATEGORIES)
    shares = rng.choice(((1.0,), (0.7, 0.3), (0.0,), (0.5, 0.3, 0.1, 0.1)))
    return Item(
        id=identifier, category=category, width=_size(rng, 140), height=_size(rng, 220), depth=_size(rng, 120),  # type: ignore[arg-type]
        name=rng.choice(NAMES), silhouette=rng.choice(SHAPES) if rng.random() < 0.5 else "",
        mass=rng.choice((None, None, 0.0, 0.4, 6.0, 5_000.0)),
        colours=tuple((rng.choice(COLOURS), share) for share in shares), finish=rng.choice(FINISHES),  # type: ignore[arg-type]
        material=rng.choice(MATERIALS), traits=tuple(rng.sample(TRAITS, rng.choice((0, 0, 1, 3, 8)))),  # type: ignore[arg-type]
        set=rng.choice(("", "", "pair")), room=rng.choice(ROOMS), status=rng.choice(STATUSES),  # type: ignore[arg-type]
        price=_maybe(rng, msgspec.convert("12.50", type=_price()), 0.3), mouth=_maybe(rng, _size(rng, 60), 0.3),
        stems=rng.choice((None, None, 0, 7, 10_000)), count=rng.choice((1, 1, 1, 6, 10_000)),
        meant_for=(rng.choice(pieces).id,) if rng.random() < 0.2 else (),
        guessed=("mass",) if rng.random() < 0.2 else (),
        outline=rng.choice(((), (), ((0.0, 0.0),), ((0.0, 0.0), (0.1, 1.0)), ((0, 0), (0, 0), (0, 0)),
                               ((-0.5, 0.0), (0.5, 0.0), (0.0, 1.0)))),
        repaint=_maybe(rng, "#ffffff", 0.1), covers=_maybe(rng, Covers(jacket="#c87d4f", jacket_off=True), 0.1),
        season=(rng.choice(SEASONS),) if rng.random() < 0.2 else (),  # type: ignore[arg-type]
        care=_maybe(rng, Care(water_days=7, lasts_days=5), 0.2), watts=_maybe(rng, 1800.0, 0.2),
        box=rng.choice(("", "", "box 3")), obsolete_by=rng.choice(("", "2026-12-01", "some day")),
        return_by=rng.choice(("", "2027-01-31")), gone=rng.random() < 0.05,
        may_be=rng.choice(((), ("painted",), ("toned", "part-painted"))), refinish=_maybe(rng, "metal", 0.1),
        part_painted=rng.random() < 0.1, outlets=_maybe(rng, 4, 0.1), kept=_maybe(rng, (KeptPlace(name="cup", left=5.0, front=5.0, width=60.0, depth=60.0, height=90.0),), 0.1) or (),
        use=_maybe(rng, _use(rng), 0.2), cord=_maybe(rng, Cord(length=_size(rng, 1500), side=rng.choice(CORD_SIDES)), 0.2),
    )  # fmt: skip


def _use(rng: Random) -> Use:
    return Use(
        often=rng.choice(OFTEN), opens=rng.choice(OPENS), hinge=rng.choice(HINGES), angle=rng.choice((0, 45, 110, 270)),
        run=_maybe(rng, _size(rng, 200)), above=rng.choice((0, 80)), before=rng.choice((0, 5_000)),
        turns=rng.random() < 0.3, hands=rng.choice((None, 2)), along=rng.choice(((), ("nobody",))),
    )  # fmt: skip


def _with_wishes(rng: Random, piece: Piece, stash: tuple[Item, ...]) -> Piece:
    wishes = []
    for _ in range(rng.choice((0, 0, 1, 2)) if stash else 0):
        items = rng.sample(stash, min(len(stash), rng.choice((0, 1, 2))))
        ledges = rng.sample(piece.ledges, min(len(piece.ledges), rng.choice((0, 1))))
        wishes.append(
            Wish(
                kind=rng.choice(get_args(WishKind)),
                items=(*(item.id for item in items), *(("gone-thing",) if rng.random() < 0.05 else ())),
                ledges=tuple(ledge.id for ledge in ledges),
            )
        )
    return replace(piece, wishes=tuple(wishes))


def _look(rng: Random, identifier: str, piece: Piece, stash: tuple[Item, ...]) -> Look:
    placements: list[Placement] = []
    for item in rng.sample(stash, rng.randint(0, len(stash))) if piece.ledges else ():
        placements.append(_placement(rng, item, piece, placements))
    rng.shuffle(placements)
    waved: tuple[WavedOff, ...] = ()
    if placements and rng.random() < 0.2:
        waved = (WavedOff(reading=rng.choice(("scale", "mix", "nothing")), placements=(placements[0].id,)),)
    manner = Manner(
        fullness=rng.choice(FULLNESSES), figure=rng.choice(FIGURES), odd=rng.choice(get_args(OddRule)),
        palette=tuple(rng.sample(COLOURS, rng.choice((0, 0, 1, 4)))), books=rng.choice(get_args(BookPosture)),
        faces=rng.choice(get_args(BookFaces)), greenery=rng.choice((None, 0, 3)),
        ground=rng.choice(get_args(Ground)), gathered=rng.choice(get_args(Counting)),
        perched=rng.choice(get_args(Counting)), weights=rng.choice(((), (("mix", 0.0), ("no-such", 2.0)))),
    )  # fmt: skip
    return Look(
        id=identifier, piece=piece.id, name=rng.choice(NAMES), manner=manner, placements=tuple(placements),
        waved_off=waved, log=(LogEntry(date="2026-11-02", text="set up", hours=1.5),) if rng.random() < 0.3 else (),
    )  # fmt: skip


def _placement(rng: Random, item: Item, piece: Piece, before: list[Placement]) -> Placement:
    ledge = rng.choice(piece.ledges)
    host = rng.choice(before) if before and rng.random() < 0.4 else None
    way = rng.choice(("on", "inside", "draped")) if host is not None else ""
    pose = "hung" if ledge.is_wall and rng.random() < 0.8 else rng.choice(get_args(Pose))
    pose = "draped" if way == "draped" else "upright" if pose == "draped" or way == "inside" else pose
    bare = way in ("inside", "draped") and rng.random() < 0.5
    reach = 1.4 if rng.random() < 0.2 else 1.0
    return Placement(
        id=f"p-{item.id}",
        item=item.id,
        ledge=ledge.id,
        x=None if bare else rng.uniform(1 - reach, reach) * ledge.width,
        z=None if bare or pose == "hung" else rng.uniform(1 - reach, reach) * ledge.depth,
        y=rng.uniform(-50, 900) if pose == "hung" else None,
        pose=pose,  # type: ignore[arg-type]
        turn=rng.choice((0.0, 0.0, 90.0, 180.0, -360.0, 33.3)),
        on=host.id if host is not None and way in ("on", "draped") and pose != "hung" else None,
        inside=host.id if host is not None and way == "inside" else None,
        vignette=rng.choice((None, None, "one", "two")),
        locked=rng.random() < 0.15,
        counts_as=rng.choice((None, None, *get_args(Counting))),
    )
