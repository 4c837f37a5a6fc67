"""Starts with shelves: bookcase, wall shelves, hutch, cabinet, niche, a flanking pair."""

from msgspec.structs import replace

from jolly_ledge.model.piece import Board, Fixture, Ledge, Piece

BOARD = 20.0
WHITE_BACK = "#e9e4d8"


def shelves(
    prefix: str,
    left: float,
    width: float,
    depth: float,
    floor: float,
    openings: tuple[float, ...],
    *,
    name: str = "",
    body: str = "",
    board: float = BOARD,
) -> tuple[Ledge, ...]:
    """Return a bay of shelves, lowest first, boards of one thickness between them."""
    made = []
    for number, clearance in enumerate(openings, start=1):
        label = f"{name}, shelf {number}" if name else f"shelf {number}"
        made.append(
            Ledge(
                id=f"{prefix}{number}",
                name=label,
                left=left,
                floor=floor,
                width=width,
                depth=depth,
                clearance=clearance,
                body=body,
            )
        )
        floor += clearance + board
    return tuple(made)


def bookcase() -> Piece:
    """Return a bookcase of one bay and four adjustable shelves."""
    return Piece(
        id="bookcase",
        name="Bookcase",
        kind="bookcase",
        width=800.0,
        height=1520.0,
        depth=300.0,
        backdrop=WHITE_BACK,
        pin_spacing=32.0,
        ledges=shelves("shelf-", 20.0, 760.0, 280.0, 80.0, (340.0,) * 4),
    )


def wall_shelves() -> Piece:
    """Return three shelves on brackets, the lowest at the height of a desk's light."""
    floors = (1100.0, 1450.0, 1800.0)
    ledges = tuple(
        Ledge(
            id=f"shelf-{number}",
            name=f"shelf {number}",
            left=0.0,
            floor=floor,
            width=900.0,
            depth=220.0,
            clearance=325.0 if number < len(floors) else None,
            board=Board(thickness=25.0, span=600.0),
        )
        for number, floor in enumerate(floors, start=1)
    )
    return Piece(
        id="wall-shelves",
        name="Wall shelves",
        kind="wall-shelves",
        width=900.0,
        height=2150.0,
        depth=220.0,
        backdrop="#efebe4",
        ledges=ledges,
    )


def hutch() -> Piece:
    """Return a hutch: a closed base with a top to work on, and glazed shelves above it."""
    top = Ledge(id="top", name="top of the base", left=20.0, floor=900.0, width=1160.0, depth=440.0, clearance=380.0)
    upper = shelves("shelf-", 20.0, 1160.0, 280.0, 1300.0, (280.0, 280.0))
    return Piece(
        id="hutch",
        name="Hutch",
        kind="hutch",
        width=1200.0,
        height=1900.0,
        depth=460.0,
        backdrop="#dcd6c6",
        doors="glazed",
        ledges=(top, *upper),
        fixtures=(Fixture(kind="bar", left=590.0, floor=1300.0, width=20.0, height=580.0),),
    )


def cabinet() -> Piece:
    """Return a cabinet with two glazed doors, a bar in each and a brace across."""
    ledges = shelves("shelf-", 30.0, 940.0, 340.0, 100.0, (360.0, 360.0, 360.0, 360.0))
    bars = tuple(Fixture(kind="bar", left=x, floor=100.0, width=18.0, height=1500.0) for x in (256.0, 491.0, 726.0))
    brace = Fixture(kind="brace", left=30.0, floor=830.0, width=940.0, height=24.0)
    return Piece(
        id="cabinet",
        name="Glazed cabinet",
        kind="cabinet",
        width=1000.0,
        height=1630.0,
        depth=380.0,
        backdrop="#5b4636",
        doors="glazed",
        seen_shut=True,
        ledges=ledges,
        fixtures=(*bars, brace),
    )


def niche() -> Piece:
    """Return a niche: a recess in the wall from a sill up, with two shelves in it."""
    sill, height = 900.0, 1000.0
    first, *others = shelves("shelf-", 0.0, 620.0, 180.0, sill, (320.0, 320.0, 320.0))
    named = (replace(one, name=f"shelf {number}") for number, one in enumerate(others, start=1))
    return Piece(
        id="niche",
        name="Niche",
        kind="niche",
        width=620.0,
        height=sill + height,
        depth=180.0,
        backdrop="#e3ddd0",
        ledges=(replace(first, name="sill"), *named),
    )


def flanking_pair() -> Piece:
    """Return two cases of one kind on either side of a firebox with a television above."""
    openings = (320.0, 320.0, 320.0, 320.0, 320.0)
    left = shelves("left-", 20.0, 560.0, 280.0, 100.0, openings, name="left case", body="left")
    right = shelves("right-", 2020.0, 560.0, 280.0, 100.0, openings, name="right case", body="right")
    return Piece(
        id="flanking-pair",
        name="Pair of cases",
        kind="bookcase",
        build="flanking-pair",
        width=2600.0,
        height=1800.0,
        depth=300.0,
        backdrop="#dcd9d0",
        ledges=(*left, *right),
        fixtures=(
            Fixture(kind="firebox", left=900.0, floor=0.0, width=800.0, height=700.0),
            Fixture(kind="tv", left=750.0, floor=1000.0, width=1100.0, height=640.0),
        ),
    )
