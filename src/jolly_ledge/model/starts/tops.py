"""Starts with a top: console, sideboard, mantel, tables, nightstand, counters; and a hanging rail."""

import math

from jolly_ledge.model.piece import Fixture, Ledge, Piece, Seat
from jolly_ledge.model.words import LedgeShape

WALL = "#efebe4"


def console() -> Piece:
    """Return a console: a top, open space below, the wall above with a mirror."""
    return Piece(
        id="console",
        name="Console",
        kind="console",
        width=1200.0,
        height=800.0,
        depth=350.0,
        backdrop=WALL,
        ledges=(
            Ledge(id="below", name="below", left=60.0, floor=0.0, width=1080.0, depth=330.0, clearance=700.0),
            Ledge(id="top", name="top", left=0.0, floor=800.0, width=1200.0, depth=350.0),
            wall_above(1200.0, 900.0, 1100.0),
        ),
        fixtures=(Fixture(kind="mirror", left=225.0, floor=1000.0, width=750.0, height=750.0, shape="ellipse"),),
    )


def sideboard() -> Piece:
    """Return a sideboard: a closed body on short legs, a lamp's socket beside it, art above."""
    return Piece(
        id="sideboard",
        name="Sideboard",
        kind="console",
        build="sideboard",
        width=1600.0,
        height=780.0,
        depth=420.0,
        backdrop=WALL,
        doors="solid",
        ledges=(
            Ledge(id="top", name="top", left=0.0, floor=780.0, width=1600.0, depth=420.0),
            wall_above(1600.0, 880.0, 1000.0),
        ),
        fixtures=(
            Fixture(kind="art", left=350.0, floor=1050.0, width=900.0, height=620.0, colour="#b8ad98"),
            Fixture(kind="socket", left=1680.0, floor=250.0, width=86.0, height=86.0),
        ),
    )


def mantel() -> Piece:
    """Return a mantel: a narrow top, firebox and hearth below, art above."""
    return Piece(
        id="mantel",
        name="Mantel",
        kind="mantel",
        width=1500.0,
        height=1200.0,
        depth=400.0,
        backdrop=WALL,
        ledges=(
            Ledge(id="hearth", name="hearth", left=0.0, floor=40.0, width=1500.0, depth=400.0, clearance=900.0),
            Ledge(id="top", name="mantel top", left=0.0, floor=1200.0, width=1500.0, depth=180.0),
            wall_above(1500.0, 1280.0, 900.0),
        ),
        fixtures=(
            Fixture(kind="firebox", left=350.0, floor=40.0, width=800.0, height=650.0),
            Fixture(kind="art", left=350.0, floor=1350.0, width=800.0, height=600.0, colour="#b8ad98"),
        ),
    )


def coffee_table(shape: LedgeShape = "rectangle") -> Piece:
    """Return a coffee table of a shape, with seats round it."""
    width, depth = (900.0, 900.0) if shape == "ellipse" else (1200.0, 650.0)
    return Piece(
        id="coffee-table",
        name="Coffee table",
        kind="coffee-table",
        width=width,
        height=420.0,
        depth=depth,
        backdrop=WALL,
        viewed_from="around",
        ledges=(
            Ledge(id="top", name="top", left=0.0, floor=420.0, width=width, depth=depth, shape=shape, colour="#8a6242"),
        ),
        seats=seats_round(width, depth, along=2 if width > 1000 else 1, ends=1),
    )


def nightstand() -> Piece:
    """Return a nightstand: top and open bottom, the headboard beside it, a wall piece above."""
    return Piece(
        id="nightstand",
        name="Nightstand",
        kind="nightstand",
        width=480.0,
        height=600.0,
        depth=400.0,
        backdrop=WALL,
        use=("sleeping",),
        ledges=(
            Ledge(id="bottom", name="open bottom", left=25.0, floor=140.0, width=430.0, depth=380.0, clearance=380.0),
            Ledge(id="top", name="top", left=0.0, floor=600.0, width=480.0, depth=400.0),
            wall_above(480.0, 1000.0, 800.0),
        ),
        fixtures=(
            Fixture(kind="headboard", left=-900.0, floor=0.0, width=860.0, height=1150.0, colour="#a79a88"),
            Fixture(kind="socket", left=520.0, floor=300.0, width=86.0, height=86.0),
            Fixture(kind="art", left=90.0, floor=1300.0, width=300.0, height=400.0, colour="#b8ad98"),
        ),
    )


def counter() -> Piece:
    """Return a kitchen counter with backsplash, cooktop and a wall cabinet over it."""
    return Piece(
        id="counter",
        name="Counter",
        kind="counter",
        width=2000.0,
        height=910.0,
        depth=620.0,
        backdrop="#e3e6e2",
        finish="gloss",
        use=("cooking",),
        ledges=(
            Ledge(
                id="top",
                name="counter top",
                left=0.0,
                floor=910.0,
                width=2000.0,
                depth=620.0,
                clearance=520.0,
                colour="#57524b",
            ),
        ),
        fixtures=(
            Fixture(kind="cooktop", left=1300.0, floor=910.0, width=580.0, height=12.0),
            Fixture(kind="socket", left=700.0, floor=1080.0, width=86.0, height=86.0),
        ),
    )


def island() -> Piece:
    """Return a kitchen island seen from all round, under two lights."""
    lights = tuple(
        Fixture(kind="light", left=x, floor=1650.0, width=280.0, height=220.0, colour="#33302e")
        for x in (320.0, 1000.0)
    )
    return Piece(
        id="island",
        name="Island",
        kind="counter",
        build="island",
        width=1600.0,
        height=910.0,
        depth=900.0,
        backdrop=WALL,
        viewed_from="around",
        use=("cooking", "eating"),
        ledges=(
            Ledge(id="top", name="island top", left=0.0, floor=910.0, width=1600.0, depth=900.0, colour="#d8d2c6"),
        ),
        fixtures=lights,
        seats=tuple(Seat(x=x, z=1150.0) for x in (400.0, 800.0, 1200.0)),
    )


def dining_table() -> Piece:
    """Return a dining table for six, a place setting at every seat."""
    width, depth = 1800.0, 900.0
    return Piece(
        id="dining-table",
        name="Dining table",
        kind="dining-table",
        width=width,
        height=750.0,
        depth=depth,
        backdrop=WALL,
        viewed_from="around",
        use=("eating",),
        ledges=(Ledge(id="top", name="top", left=0.0, floor=750.0, width=width, depth=depth, colour="#8a6242"),),
        seats=seats_round(width, depth, along=2, ends=1),
    )


def hanging_rail() -> Piece:
    """Return a rail with hooks on a wall, things hung below it."""
    return Piece(
        id="hanging-rail",
        name="Hanging rail",
        kind="other",
        build="hanging-rail",
        width=1000.0,
        height=1750.0,
        depth=60.0,
        backdrop=WALL,
        ledges=(
            Ledge(
                id="rail",
                name="below the rail",
                left=0.0,
                floor=900.0,
                width=1000.0,
                depth=60.0,
                clearance=800.0,
                surface="wall",
            ),
        ),
    )


def other() -> Piece:
    """Return one plain top, for what has no kind of its own."""
    return Piece(
        id="other",
        name="Another piece",
        kind="other",
        width=800.0,
        height=700.0,
        depth=350.0,
        backdrop=WALL,
        ledges=(Ledge(id="top", name="top", left=0.0, floor=700.0, width=800.0, depth=350.0),),
    )


def wall_above(width: float, floor: float, height: float) -> Ledge:
    """Return the wall above a top, on which things can be hung."""
    return Ledge(
        id="wall", name="wall above", left=0.0, floor=floor, width=width, depth=60.0, clearance=height, surface="wall"
    )


def seats_round(width: float, depth: float, *, along: int, ends: int) -> tuple[Seat, ...]:
    """Return seats evenly along both long sides and at both ends of a table, 30 cm off its edge (mm).

    >>> len(seats_round(1800.0, 900.0, along=2, ends=1))
    6
    """
    away = 300.0
    xs = [width * (index + 0.5) / along for index in range(along)]
    zs = [depth * (index + 0.5) / ends for index in range(ends)]
    front, back = [Seat(x=x, z=-away) for x in xs], [Seat(x=x, z=depth + away) for x in xs]
    sides = [Seat(x=x, z=z) for x in (-away, width + away) for z in zs]
    return (*front, *back, *sides)


SETTING_INSET_MM = 220.0
"""From the edge of the table to the middle of a plate."""


def setting_of(seat: Seat, width: float, depth: float) -> tuple[float, float]:
    """Return the middle of the place setting before a seat, on the table top (mm)."""
    x = min(max(seat.x, min(SETTING_INSET_MM, width / 2)), max(width - SETTING_INSET_MM, width / 2))
    z = min(max(seat.z, min(SETTING_INSET_MM, depth / 2)), max(depth - SETTING_INSET_MM, depth / 2))
    return x, z


def faces_of(seat: Seat, width: float, depth: float, shape: LedgeShape = "rectangle") -> float:
    """Return the direction a seated person looks in, in degrees counter-clockwise from the right (from above).

    Straight across a table with sides, to the middle of a round one.
    """
    if shape == "ellipse":
        return math.degrees(math.atan2(depth / 2 - seat.z, width / 2 - seat.x))
    beyond = {90.0: -seat.z, -90.0: seat.z - depth, 0.0: -seat.x, 180.0: seat.x - width}
    return max(beyond, key=lambda angle: beyond[angle])
