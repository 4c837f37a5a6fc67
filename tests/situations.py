"""Situations as a stylist tells them, each with what is to be said of it, decided before it was tried.

``cautions`` are pairs of an id and a level that must be told of the look, ``found`` readings that must find something,
``quiet`` ids of cautions and readings that must say nothing.
"""

from collections.abc import Iterator
from typing import Any

from msgspec import Struct
from msgspec.structs import replace

from builders import case_of, put, thing
from jolly_ledge.model.item import Item
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.look import Placement
from jolly_ledge.model.meant import Meant
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Seat, Wish
from jolly_ledge.model.task import Task
from jolly_ledge.model.use import Cord, Use


class Situation(Struct, frozen=True):
    """What is told, what stands where, and what is to be said."""

    told: str
    piece: Piece
    items: tuple[Item, ...]
    placements: tuple[Placement, ...]
    cautions: tuple[tuple[str, str], ...] = ()
    found: tuple[str, ...] = ()
    quiet: tuple[str, ...] = ()


TOP = Ledge(id="a1", left=0.0, floor=750.0, width=1200.0, depth=400.0)
CONSOLE = Piece(id="case", kind="console", width=1200.0, height=750.0, depth=400.0, ledges=(TOP,))
SOCKET = Fixture(kind="socket", left=560.0, floor=260.0, width=80.0, height=80.0)
LAMP_OVER = Fixture(kind="light", left=500.0, floor=1250.0, width=280.0, height=220.0)
CUPS = tuple(thing(f"cup{n}", width=70.0, height=90.0, depth=70.0) for n in range(6))
IN_A_ROW = tuple(put(f"cup{n}", x=90.0 + 130 * n) for n in range(6))


def one(
    item: Item, x: float = 400.0, z: float = 150.0, **changes: Any
) -> tuple[tuple[Item, ...], tuple[Placement, ...]]:
    return (item,), (put(item.id, x=x, z=z, **changes),)


def used(**use: Any) -> Item:
    """Return a record player, 400 by 150 by 280."""
    return thing("player", "device", width=400.0, height=150.0, depth=280.0, mass=6.0, use=Use(**use))


def situations() -> Iterator[Situation]:
    """Yield all of them."""
    yield from _in_use()
    yield from _plugged_in()
    yield from _kept()
    yield from _meant()
    yield from _together()
    yield from _under_and_near()
    yield from _at_work()
    yield from _within_and_on()


def _in_use() -> Iterator[Situation]:
    shelf, stop, heed = case_of(1), (("in-use", "stop"),), (("in-use", "heed"),)
    for told, use, x, z, said in (
        ("its lid stands up into the board over it", Use(opens="lid"), 400.0, 150.0, stop),
        ("the lid is only opened half, which it has room for", Use(opens="lid", angle=45.0), 400.0, 150.0, ()),
        (
            "hinged at its side the lid is longer than the opening is high",
            Use(opens="lid", hinge="left"),
            400.0,
            150.0,
            stop,
        ),
        (
            "it is used once a year: that its lid is short is only heeded",
            Use(opens="lid", often="rarely"),
            400.0,
            150.0,
            heed,
        ),
        (
            "nobody has used it since; its lid still does not open",
            Use(opens="lid", often="not-since"),
            400.0,
            150.0,
            heed,
        ),
        ("hands want room over it that there is", Use(above=200.0), 400.0, 150.0, ()),
        ("hands want more room over it than there is", Use(above=300.0), 400.0, 150.0, stop),
        ("a plug at its left needs room that the side takes", Use(left=250.0), 400.0, 150.0, stop),
        ("farther in the plug has room", Use(left=150.0), 400.0, 150.0, ()),
        ("a drawer comes out into the room, where nothing is", Use(opens="drawer", run=300.0), 400.0, 150.0, ()),
        ("at the end of the board it does not turn on the spot", Use(turns=True), 240.0, 150.0, stop),
        ("nothing is told of its use", Use(), 240.0, 150.0, ()),
    ):
        item = replace(used(), use=use)
        items, places = one(item, x, z)
        yield Situation(told, shelf, items, places, said, quiet=() if said else ("in-use",))
    globe = thing("globe", mass=1.2)
    for told, use, said in (
        ("what stands before a drawer is moved each day", Use(opens="drawer", often="daily"), stop),
        ("what stands before a drawer is moved now and then", Use(opens="drawer", often="weekly"), heed),
        ("what stands before a drawer nobody opens is no matter", Use(opens="drawer", often="not-since"), ()),
        ("what stands before a lid is not in its way", Use(opens="lid", often="daily"), ()),
    ):
        items = (replace(used(), use=use), globe)
        places = (put("player", x=400.0, z=240.0), put("globe", x=400.0, z=35.0))
        yield Situation(told, CONSOLE, items, places, said, quiet=() if said else ("in-use",))
    past_upright = replace(used(), use=Use(opens="lid", angle=120.0))
    for told, z, said in (
        ("a lid that falls back meets the wall behind it", 250.0, stop),
        ("drawn forward it does not", 115.0, ()),
    ):
        yield Situation(told, CONSOLE, *one(past_upright, z=z), said, quiet=() if said else ("in-use",))
    open_end = case_of(1, kind="wall-shelves")
    yield Situation(
        "a wall shelf has no side in the way", open_end, *one(replace(used(), use=Use(left=250.0))), quiet=("in-use",)
    )
    kettle, caddy = thing("kettle", use=Use(along=("caddy",))), thing("caddy")
    for told, x, said in (
        ("the tea stands by the kettle", 400.0, ()), ("the tea stands at the other end", 1100.0, heed),
    ):  # fmt: skip
        places = (put("kettle", x=200.0), put("caddy", x=x))
        yield Situation(told, CONSOLE, (kettle, caddy), places, said, quiet=() if said else ("in-use",))


def _plugged_in() -> Iterator[Situation]:
    def lamp(name: str = "lamp", **changes: Any) -> Item:
        return thing(name, "lamp", width=200.0, depth=200.0, traits=("corded",), **changes)

    unknown, heed, stop = ("cords", "unknown"), ("cords", "heed"), ("cords", "stop")
    with_one = replace(CONSOLE, fixtures=(replace(SOCKET, outlets=1, watts=2300.0),))
    known = replace(CONSOLE, fixtures=(SOCKET,))
    yield Situation("no socket is told", CONSOLE, *one(lamp()), cautions=(unknown,))
    yield Situation("the socket is behind the lamp", known, *one(lamp(), 600.0), quiet=("cords",))
    yield Situation(
        "its cord is told and long enough", known, *one(lamp(cord=Cord(length=1500.0)), 200.0), quiet=("cords",)
    )
    yield Situation(
        "its cord is told and too short", known, *one(lamp(cord=Cord(length=600.0)), 200.0), cautions=(heed,)
    )
    yield Situation(
        "it leaves on the side of the socket and just reaches", known,
        *one(lamp(cord=Cord(length=830.0, side="right")), 300.0), quiet=("cords",),
    )  # fmt: skip
    yield Situation(
        "it leaves on the other side and does not", known, *one(lamp(cord=Cord(length=830.0, side="left")), 300.0),
        cautions=(heed,),
    )  # fmt: skip
    two = (lamp("a", watts=40.0), lamp("b", watts=40.0)), (put("a", x=300.0), put("b", x=800.0))
    yield Situation("two lamps and one outlet", with_one, *two, cautions=(heed,))
    yield Situation(
        "two lamps and two outlets", replace(CONSOLE, fixtures=(replace(SOCKET, outlets=2, watts=2300.0),)), *two,
        quiet=("cords",),
    )  # fmt: skip
    heaters = (
        tuple(thing(n, "appliance", width=150.0, depth=150.0, traits=("corded",), watts=1800.0) for n in "ab"),
        (put("a", x=400.0), put("b", x=800.0)),
    )
    yield Situation("two kettles at once on one socket", with_one, *heaters, cautions=(stop,))


def _kept() -> Iterator[Situation]:
    keys = KeptPlace(name="keys", left=20.0, front=20.0, width=160.0, depth=120.0, height=90.0)
    kept = replace(CONSOLE, ledges=(replace(TOP, kept=(keys,)),))
    yield Situation(
        "a vase stands where the keys go", kept, *one(thing("vase"), 100.0, 90.0), cautions=(("kept-place", "stop"),)
    )
    yield Situation("a vase stands beside where the keys go", kept, *one(thing("vase"), 400.0), quiet=("kept-place",))
    yield Situation(
        "a vase stands behind where the keys go", kept, *one(thing("vase"), 100.0, 300.0), quiet=("kept-place",)
    )
    yield Situation(
        "the dish for the keys is there itself",
        kept,
        *one(thing("d", "bowl", name="keys"), 110.0, 80.0),
        quiet=("kept-place",),
    )
    large = replace(CONSOLE, ledges=(replace(TOP, kept=(replace(keys, width=2_000.0),)),))
    yield Situation(
        "the place is larger than the top", large, *one(thing("vase"), 400.0), cautions=(("kept-place", "heed"),)
    )
    hung = replace(TOP, clearance=60.0)
    low = replace(CONSOLE, ledges=(replace(hung, kept=(keys,)),))
    yield Situation("the place is higher than the opening", low, (), (), cautions=(("kept-place", "heed"),))


def _meant() -> Iterator[Situation]:
    def shelf(**told: Any) -> Piece:
        case = case_of(2)
        return replace(case, ledges=tuple(replace(x, meant=Meant(**told)) if x.id == "a1" else x for x in case.ledges))

    rows = CUPS, IN_A_ROW
    yield Situation("six cups in a row, of which nothing is said", shelf(), *rows, found=("alike-apart",))
    for told, purpose in (
        ("six cups are a collection", "collection"), ("six cups are stored", "store"), ("six cups are left", "leave"),
    ):  # fmt: skip
        yield Situation(told, shelf(purpose=purpose), *rows, quiet=("alike-apart", "odd-groups", "negative-space"))
    yield Situation(
        "six cups stand on a rest", shelf(purpose="rest"), *rows, found=("how-many",), quiet=("alike-apart",)
    )
    yield Situation(
        "one urn is the statement",
        shelf(purpose="statement"),
        *one(thing("urn", height=320.0, width=180.0)),
        quiet=("odd-groups", "negative-space", "grouping"),
    )
    pair = CUPS[:2], (put("cup0", x=120.0), put("cup1", x=720.0))
    yield Situation("two cups at the ends, of which nothing is said", shelf(), *pair, found=("alike-apart",))
    yield Situation(
        "two cups at the ends of a ledge that is mirrored",
        shelf(figure="mirrored"),
        *pair,
        quiet=("alike-apart", "odd-groups"),
    )
    four = (
        tuple(thing(f"jar{n}", width=60.0, height=80.0 + 30 * n, depth=60.0) for n in range(4)),
        tuple(put(f"jar{n}", x=300.0 + 75 * n) for n in range(4)),
    )
    yield Situation("four jars, of which nothing is said", shelf(), *four, found=("odd-groups",))
    yield Situation("four jars where nobody counts", shelf(odd="off"), *four, quiet=("odd-groups",))


def _together() -> Iterator[Situation]:
    close = tuple(put(f"cup{n}", x=200.0 + 75 * n) for n in range(3))
    for told, sense, quiet in (
        ("three cups of one name only", "", ()),
        ("three cups are a trio", "trio", ("alike-apart", "height-rhythm")),
        ("three cups are a service", "service", ("alike-apart", "height-rhythm")),
    ):
        cups = tuple(replace(cup, set="cups", sense=sense) for cup in CUPS[:3])
        yield Situation(told, case_of(2), cups, close, found=() if quiet else ("alike-apart",), quiet=quiet)
    alone = thing("urn", height=320.0, width=180.0, traits=("alone-on-purpose",))
    yield Situation("a single urn stands alone on purpose", case_of(1), *one(alone), quiet=("odd-groups",))


def _under_and_near() -> Iterator[Situation]:
    under = replace(CONSOLE, kind="counter", fixtures=(LAMP_OVER,))
    heed = (("heat", "heed"),)
    yield Situation("branches reach up to a hanging lamp", under, *one(thing("twigs", height=600.0), 640.0), heed)
    yield Situation("a box is near under a hanging lamp", under, *one(thing("box", "box", height=300.0), 640.0), heed)
    yield Situation(
        "a stone is near under a hanging lamp",
        under,
        *one(thing("s", "object", height=300.0, material="stone"), 640.0),
        quiet=("heat",),
    )
    yield Situation(
        "branches stand beside a hanging lamp", under, *one(thing("twigs", height=600.0), 200.0), quiet=("heat",)
    )
    in_the_case = Fixture(kind="socket", left=560.0, floor=200.0, width=80.0, height=80.0)
    for told, x, within, found, quiet in (
        ("a jar is wished by the socket and stands there", 600.0, 300.0, (), ("must-haves",)),
        ("a jar is wished by the socket and stands off", 150.0, 200.0, ("must-haves",), ()),
    ):
        wish = Wish(kind="near", items=("jar",), near="socket", within=within)
        piece = case_of(1, fixtures=(in_the_case,), wishes=(wish,))
        yield Situation(told, piece, *one(thing("jar"), x), found=found, quiet=quiet)
    table = Piece(
        id="case", kind="dining-table", width=1600.0, height=750.0, depth=900.0, viewed_from="around",
        ledges=(Ledge(id="a1", left=0.0, floor=750.0, width=1600.0, depth=900.0),),
        seats=(Seat(x=800.0, z=-250.0), Seat(x=800.0, z=1150.0)),
    )  # fmt: skip
    yield Situation(
        "a high vase between those who sit across",
        table,
        *one(thing("vase", height=600.0, width=300.0), 800.0, 450.0),
        found=("sight-line",),
    )
    yield Situation(
        "a low bowl between those who sit across", table, *one(thing("b", "bowl"), 800.0, 450.0), quiet=("sight-line",)
    )
    frame = thing("frame", "frame", traits=("one-faced",))
    yield Situation("a frame shows its face to one of two", table, *one(frame, 800.0, 450.0), found=("all-round",))
    yield Situation("a vase has no back", table, *one(thing("vase"), 800.0, 450.0), quiet=("all-round",))
    router = thing("router", "device", width=200.0, height=60.0, depth=110.0, traits=("mask", "corded"))
    fern = thing("fern", "plant", width=240.0, height=260.0)
    with_socket = case_of(1, fixtures=(in_the_case,))
    yield Situation(
        "a router that is to be masked stands bare", with_socket, *one(router, 500.0, 220.0), found=("must-haves",)
    )
    both = (router, fern), (put("router", x=500.0, z=235.0), put("fern", x=500.0, z=92.0))
    yield Situation("a fern masks the router", with_socket, *both, quiet=("must-haves", "heat"))
    books = tuple(thing(f"book{n}", "book") for n in range(2))
    tight = (put("router", x=500.0, z=200.0), put("book0", x=380.0, z=200.0), put("book1", x=620.0, z=200.0))
    yield Situation(
        "books stand close on both sides of it", with_socket, (router, *books), tight, cautions=(("heat", "heed"),)
    )
    leaning = thing("mirror", "mirror", width=500.0, height=700.0, depth=30.0)
    yield Situation(
        "a mirror leans without a hold",
        CONSOLE,
        *one(leaning, 400.0, 385.0, pose="leaning"),
        cautions=(("unsecured", "heed"),),
    )


def _at_work() -> Iterator[Situation]:
    """Tasks, limits and axes, on a desk of one board; a socket is at its left end."""
    desk = Piece(id="case", kind="other", width=1200.0, height=750.0, depth=400.0, ledges=(TOP,),
                 fixtures=(Fixture(kind="socket", left=0.0, floor=900.0, width=80.0, height=80.0),))  # fmt: skip
    tea = Task(name="tea", items=("cup0", "cup1", "cup2", "cup3"), near="socket", within=400.0)
    found, quiet = ("must-haves",), ("must-haves",)
    for told, piece, places, said in (
        ("what tea takes stands in a row from the socket", replace(desk, tasks=(tea,)), (100, 220, 340, 460), ()),
        ("tea begins a metre from its socket", replace(desk, tasks=(tea,)), (1100, 1000, 900, 800), found),
        ("the second thing for tea is at the other end", replace(desk, tasks=(tea,)), (100, 1100, 1000, 900), found),
        ("for tea the hand goes to and fro", replace(desk, tasks=(tea,)), (300, 100, 400, 200), found),
        ("for tea the hand goes there and back once", replace(desk, tasks=(tea,)), (100, 300, 420, 200), ()),
        ("a hand that reaches farther finds the same in reach", replace(desk, tasks=(replace(tea, within=1200.0),)),
         (100, 500, 800, 1100), ()),
        ("of what tea takes nothing is there", replace(desk, tasks=(replace(tea, items=("pot",)),)),
         (300, 100, 400, 200), ()),
        ("four things of a kind stand where three are let", replace(desk, limits=(("vessel", 3),)),
         (100, 400, 700, 1000), found),
        ("as many stand as are let", replace(desk, limits=(("vessel", 4),)), (100, 400, 700, 1000), ()),
        ("another kind is limited", replace(desk, limits=(("board", 0),)), (100, 400, 700, 1000), ()),
        ("a thing is wished on the line from the door and stands beside it",
         replace(desk, door=600.0, wishes=(Wish(kind="centred", items=("cup0",), near="door"),)),
         (300, 700, 900, 1000), found),
        ("it stands on the line from the door",
         replace(desk, door=600.0, wishes=(Wish(kind="centred", items=("cup0",), near="door"),)),
         (600, 800, 900, 1000), ()),
    ):  # fmt: skip
        placements = tuple(put(f"cup{n}", x=float(x), z=150.0) for n, x in enumerate(places))
        yield Situation(told, piece, CUPS[:4], placements, found=said, quiet=() if said else quiet)


def _within_and_on() -> Iterator[Situation]:
    """Yield what varies within a set, what a tray keeps free, what goes into a strip, how far a worktop is covered."""
    basket = thing("basket", "basket", width=200.0, height=200.0, depth=200.0, finish="woven")
    close = (*(put(f"cup{n}", x=200.0 + 75 * n) for n in range(3)), put("basket", x=650.0))
    sizes = tuple(replace(cup, height=60.0 + 30 * n) for n, cup in enumerate(CUPS[:3]))
    senses: tuple[tuple[str, tuple[Item, ...], str, bool], ...] = (
        ("three cups of one size are a nest", CUPS[:3], "nest", True),
        ("three cups of three sizes are a nest", sizes, "nest", False),
        ("three cups of one size and form are a collection", CUPS[:3], "collection", True),
        ("three cups of one size are a series", CUPS[:3], "series", False),
    )
    for told, cups, sense, found in senses:
        members = tuple(replace(cup, set="cups", sense=sense) for cup in cups)
        said, silent = (("mix",), ()) if found else ((), ("mix",))
        yield Situation(told, case_of(1), (*members, basket), close, found=said, quiet=silent)
    glass = KeptPlace(name="a glass", left=10.0, front=20.0, width=90.0, depth=90.0, height=160.0)
    tray = thing("tray", "tray", width=360.0, height=30.0, depth=240.0, kept=(glass,))
    jug = thing("jug", width=70.0, height=90.0, depth=70.0)
    for told, x, cautions in (
        ("a jug stands where a glass is put down on a tray", 285.0, (("kept-place", "stop"),)),
        ("a jug stands at the other end of the tray", 500.0, ()),
    ):
        places = (put("tray", x=400.0, z=150.0), put("jug", x=x, z=100.0, inside="tray"))
        silent = () if cautions else ("kept-place",)
        yield Situation(told, case_of(1), (tray, jug), places, cautions=cautions, quiet=silent)
    wired = replace(CONSOLE, fixtures=(SOCKET,))
    strip = thing("strip", "device", width=300.0, height=40.0, depth=60.0, outlets=4, watts=2000.0)
    for told, what, cautions in (
        ("two lamps go into a strip", ("lamp", 60.0), ()),
        ("a kettle would go into a strip", ("appliance", 1800.0), (("cords", "heed"),)),
        ("what goes into a strip draws more than it is rated for", ("lamp", 1500.0), (("cords", "stop"),)),
    ):
        users = tuple(
            thing(f"user{n}", what[0], width=120.0, height=240.0, depth=120.0, traits=("corded",), watts=what[1])
            for n in range(2)
        )
        beside = (put("strip", x=600.0, z=200.0), put("user0", x=380.0), put("user1", x=820.0))
        silent = () if cautions else ("cords",)
        yield Situation(told, wired, (strip, *users), beside, cautions=cautions, quiet=silent)
    worktop = replace(TOP, width=2000.0, depth=600.0, floor=900.0)
    counter = Piece(id="case", kind="counter", width=2000.0, height=900.0, depth=600.0, ledges=(worktop,))
    jars = tuple(thing(f"jar{n}", width=200.0, height=160.0 + 20 * n, depth=250.0) for n in range(8))
    along = tuple(put(f"jar{n}", x=160.0 + 230 * n, z=465.0) for n in range(8))
    for told, use, much in (
        ("a third of a worktop is covered where one cooks", "cooking", True),
        ("a third of a worktop is covered where coffee is made", "coffee", False),
    ):
        said, silent = (("working-room",), ()) if much else ((), ("working-room",))
        yield Situation(told, replace(counter, use=(use,)), jars, along, found=said, quiet=silent)
