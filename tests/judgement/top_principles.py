"""Principles of tables, consoles, mantels and counters, each as a pair of looks."""

from typing import Any

from msgspec.structs import replace

from builders import case_of, thing
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Seat
from judgement.principle import Principle, like


def top(kind: Any, width: float, depth: float, floor: float, **changes: Any) -> Piece:
    """Return a piece with one open top."""
    shape = changes.pop("shape", "rectangle")
    ledge = Ledge(id="t", name="top", left=0.0, floor=floor, width=width, depth=depth, shape=shape)
    known = {"kind": kind, "width": width, "height": floor, "depth": depth, "ledges": (ledge,), **changes}
    return case_of(backdrop="#e9e3d6", **known)


def fixed(kind: Any, left: float, floor: float, width: float, height: float) -> Fixture:
    return Fixture(kind=kind, left=left, floor=floor, width=width, height=height)


LOW = top("coffee-table", 1200.0, 700.0, 400.0, viewed_from="around")
SMALL_ROUND = top("coffee-table", 700.0, 700.0, 420.0, viewed_from="around", shape="ellipse")
CONSOLE = top("console", 1400.0, 380.0, 800.0)
HALL = replace(CONSOLE, ledges=(*CONSOLE.ledges, Ledge(
    id="wall", name="wall", left=0.0, floor=800.0, width=1400.0, depth=40.0, surface="wall")))  # fmt: skip
MANTEL = top("mantel", 1500.0, 220.0, 1150.0)
MIRROR = top("mantel", 1500.0, 220.0, 1150.0, fixtures=(fixed("mirror", 400.0, 1300.0, 700.0, 800.0),))
SCREEN = top("console", 1600.0, 400.0, 600.0, fixtures=(fixed("tv", 400.0, 750.0, 800.0, 460.0),))
TABLE = top(
    "dining-table", 1800.0, 900.0, 750.0, viewed_from="around", use=("eating",),
    seats=(Seat(x=500.0, z=-300.0), Seat(x=1300.0, z=-300.0), Seat(x=500.0, z=1200.0), Seat(x=1300.0, z=1200.0)),
)  # fmt: skip
BED = top("nightstand", 480.0, 420.0, 600.0, fixtures=(fixed("headboard", -900.0, 0.0, 850.0, 1150.0),))
COUNTER = top("counter", 2000.0, 600.0, 900.0, use=("cooking",), fixtures=(fixed("socket", 300.0, 1100.0, 90.0, 90.0),))

WOOD, CREAM, INK, RUST, MOSS = "#8d623c", "#efe6d2", "#26282c", "#b4512d", "#55704d"
TRAY = thing("tray", "tray", width=420.0, height=30.0, depth=300.0, colours=((WOOD, 1.0),), finish="woven")
BOOKS = thing("books", "book-stack", width=280.0, height=80.0, depth=210.0, colours=((RUST, 0.6), (CREAM, 0.4)))
VASE = thing("vase", width=170.0, height=300.0, depth=170.0, colours=((INK, 1.0),), finish="gloss")
BOWL = thing("bowl", "bowl", width=260.0, height=90.0, depth=260.0, colours=((CREAM, 1.0),), finish="rough")
STONE = thing("stone", "object", width=110.0, height=70.0, depth=100.0, silhouette="stone", colours=(("#85817a", 1.0),))
CANDLE = thing("candle", "candle", width=80.0, height=130.0, depth=80.0, colours=((MOSS, 1.0),))
TWIGS = thing("twigs", "stems", width=360.0, height=420.0, depth=260.0, silhouette="branches", stems=9,
              colours=((MOSS, 1.0),), traits=("airy",))  # fmt: skip
LAMP = thing("lamp", "lamp", width=260.0, height=520.0, depth=260.0, colours=((CREAM, 0.7), (INK, 0.3)))
ART = thing("art", "art", width=500.0, height=650.0, depth=30.0, colours=((RUST, 0.5), (CREAM, 0.5)))
BUST = thing(
    "bust", "sculpture", width=170.0, height=300.0, depth=150.0, traits=("one-faced",), colours=((CREAM, 1.0),)
)

PRINCIPLES = (
    Principle(
        "Small things strewn over a low table, or gathered on a tray", "cohesion even-vignettes working-room", LOW,
        (TRAY, CANDLE, STONE, VASE, BOOKS),
        "tray t 250 350; candle t 620 120; stone t 1080 580; vase t 820 330; books t 1020 120",
        "tray t 450 350; candle t 340 290 on=tray; stone t 560 290 on=tray; vase t 450 400 on=tray; books t 820 350",
    ),
    Principle(
        "A low table of low things, or one that rises", "height-rhythm figure", LOW, (BOOKS, BOWL, STONE, VASE),
        "books t 420 350; bowl t 730 350; stone t 950 300", "books t 420 350; vase t 660 400; stone t 820 300",
    ),
    Principle(
        "Two loose things on a table, or three", "odd-groups", LOW, (BOOKS, VASE, STONE),
        "books t 500 350; vase t 760 350", "books t 500 350; vase t 760 400; stone t 700 230",
    ),
    Principle(
        "A lone trinket on a large table, or a worthy centre", "scale odd-groups", LOW, (STONE, TRAY, VASE, BOOKS),
        "stone t 600 350", "tray t 470 350; vase t 420 380 on=tray; books t 840 350",
    ),
    Principle(
        "A round table filled to its rim, or with room", "negative-space working-room scale", SMALL_ROUND,
        (BOWL, BOOKS, TRAY, VASE),
        "bowl t 170 420; books t 400 590; tray t 330 160; vase t 590 370", "books t 290 380; vase t 530 360",
        {"fullness": "airy"},
    ),
    Principle(
        "Decor in every corner where games are played, or in one place", "working-room",
        top("coffee-table", 1200.0, 700.0, 400.0, viewed_from="around", use=("games",)), (BOOKS, VASE, BOWL, CANDLE),
        "books t 170 130; vase t 1090 110; bowl t 150 560; candle t 1120 620",
        "books t 170 350; vase t 390 380; bowl t 180 580; candle t 370 230",
        kind="use",
    ),
    Principle(
        "A bust in the middle of four seats, or at the end", "all-round",
        top("coffee-table", 1400.0, 800.0, 420.0, viewed_from="around",
            seats=(Seat(x=700.0, z=-300.0), Seat(x=700.0, z=1100.0), Seat(x=-300.0, z=400.0))),
        (BUST, VASE, BOOKS), "bust t 560 400; books t 840 400", "vase t 560 400; books t 840 400",
    ),
    Principle(
        "Twigs dense as a hedge between diners, or a low bowl", "sight-line", TABLE,
        (thing("hedge", "plant", width=420.0, height=620.0, depth=400.0),
         thing("moss", "plant", width=420.0, height=200.0, depth=400.0)), "hedge t 900 450", "moss t 900 450",
        kind="use",
    ),
    Principle(
        "A wide centre that leaves no room for plates, or a narrow one", "working-room", TABLE,
        (*like("dish", 5, "bowl", width=380.0, depth=380.0), *like("low", 3, "bowl", width=200.0, depth=200.0)),
        "dish1 t 220 220; dish2 t 620 680; dish3 t 1000 230; dish4 t 1380 680; dish5 t 1580 230",
        "low1 t 650 450; low2 t 900 450; low3 t 1150 450",
        kind="use",
    ),
    Principle(
        "One stem lost in a wide mouth, or a bunch that fills it", "scale", CONSOLE,
        (thing("jar", height=260.0, width=200.0, mouth=120.0), thing("one", "stems", stems=2, height=300.0),
         thing("bunch", "stems", stems=60, height=300.0)),
        "jar t 500 190; one t - - inside=jar", "jar t 500 190; bunch t - - inside=jar",
    ),
    Principle(
        "A picture too wide for its console, or two thirds of it", "scale", HALL,
        (thing("wide", "art", width=1900.0, height=700.0, depth=30.0),
         thing("fair", "art", width=930.0, height=700.0, depth=30.0), LAMP, BOWL),
        "wide wall 700 - hung y=250; lamp t 250 190; bowl t 900 190",
        "fair wall 700 - hung y=250; lamp t 250 190; bowl t 900 190",
    ),
    Principle(
        "Console: all of one height, or a lamp, a stack and a bowl", "height-rhythm", CONSOLE,
        (*like("tub", 3, height=240.0, width=200.0, depth=200.0), LAMP, BOOKS, BOWL),
        "tub1 t 300 190; tub2 t 700 190; tub3 t 1100 190", "lamp t 260 190; books t 640 200; bowl t 1050 170",
    ),
    Principle(
        "Console: the weight on the left only, or answered on the right", "side-balance", CONSOLE,
        (LAMP, BOOKS, VASE, BOWL),
        "lamp t 200 200; books t 490 200; vase t 740 200", "lamp t 230 200; books t 1150 200; vase t 880 170",
    ),
    Principle(
        "A vase before the mirror's middle, or at its side", "kept-clear", MIRROR,
        (thing("tower", height=480.0, width=220.0, depth=180.0), thing("jug", height=380.0, width=200.0), STONE),
        "tower t 750 110; jug t 160 110; stone t 1300 110", "tower t 1330 110; jug t 160 110; stone t 750 110",
    ),
    Principle(
        "A lamp before the screen, or beside it", "kept-clear", SCREEN, (LAMP, BOOKS),
        "lamp t 600 200; books t 1350 200", "lamp t 180 200; books t 1350 200",
    ),
    Principle(
        "Mirrored mantel: unlike ends, or a pair of candlesticks", "figure", MANTEL,
        (*like("stick", 2, "candle", height=330.0, width=90.0, depth=90.0, silhouette="candlestick"), VASE, ART),
        "stick1 t 200 110; art t 750 190 leaning; vase t 1130 110",
        "stick1 t 200 110; art t 750 190 leaning; stick2 t 1300 110",
        {"figure": "mirrored"},
    ),
    Principle(
        "Mantel: a row of equals, or art leaning with low things before it", "layering height-rhythm",
        top("mantel", 1500.0, 260.0, 1150.0),
        (*like("pot", 3, height=190.0, width=150.0, depth=150.0), ART, BOWL, CANDLE),
        "pot1 t 350 130; pot2 t 750 130; pot3 t 1150 130",
        "art t 620 225 leaning; candle t 880 70; bowl t 1100 130",
    ),
    Principle(
        "A lamp that dwarfs the headboard, or as high", "scale", BED,
        (thing("tower", "lamp", width=240.0, height=900.0, depth=240.0),
         thing("fair", "lamp", width=240.0, height=500.0, depth=240.0), STONE),
        "tower t 200 240; stone t 400 150", "fair t 200 240; stone t 400 150",
    ),
    Principle(
        "Glasses under a lid by the bed, or on a dish", "must-haves", BED,
        (thing("specs", "object", width=140.0, height=40.0, depth=60.0, traits=("grab",)),
         thing("casket", "box", width=200.0, height=90.0, depth=140.0, traits=("lidded",)),
         thing("dish", "tray", width=180.0, height=20.0, depth=130.0), thing("fair", "lamp", height=500.0)),
        "casket t 330 120; specs t - - inside=casket; fair t 130 280",
        "dish t 330 120; specs t - - inside=dish; fair t 130 280",
        kind="use",
    ),
    Principle(
        "A nightstand with no room for a glass, or with some", "working-room negative-space",
        top("nightstand", 480.0, 420.0, 600.0, use=("sleeping",)),
        (BOOKS, CANDLE, STONE, thing("fair", "lamp", width=220.0, depth=220.0, height=480.0)),
        "books t 330 115; fair t 120 300; candle t 400 350; stone t 90 80", "fair t 120 300; books t 330 310",
        {"fullness": "airy"}, kind="use",
    ),
    Principle(
        "The kettle far from the socket, or near it", "must-haves", COUNTER,
        (thing("kettle", "appliance", width=220.0, height=240.0, depth=180.0, traits=("corded", "daily-use")),
         thing("jar", height=200.0), BOWL),
        "kettle t 1800 300; jar t 350 400; bowl t 900 300", "kettle t 420 300; jar t 1500 400; bowl t 1100 300",
        kind="use",
    ),
    Principle(
        "A counter strewn with tools, or room to work", "working-room", COUNTER,
        (*like("tool", 8, "object", width=180.0, height=150.0, depth=160.0),),
        "; ".join(f"tool{n + 1} t {150 + n * 240} 200" for n in range(8)),
        "; ".join(f"tool{n + 1} t {150 + n * 240} 510" for n in range(8)),
        kind="use",
    ),
    Principle(
        "Boards lying in a pile, or leaning behind a crock", "layering height-rhythm", COUNTER,
        (thing("board1", "board", width=260.0, height=420.0, depth=25.0),
         thing("board2", "board", width=220.0, height=330.0, depth=25.0), thing("crock", height=180.0, width=150.0)),
        "board1 t 300 300 flat; board2 t 640 300 flat; crock t 950 300",
        "board1 t 700 585 leaning; board2 t 800 550 leaning; crock t 880 430",
    ),
    Principle(
        "A dull row along the middle of a low table, or one that a tray and a rise hold", "layering height-rhythm", LOW,
        (TRAY, BOOKS, BOWL, STONE, VASE, CANDLE),
        "books t 300 350; bowl t 620 350; stone t 880 350",
        "tray t 330 350; candle t 250 350 on=tray; stone t 400 350 on=tray; vase t 720 350; books t 980 350",
    ),
    Principle(
        "Trinkets along a mantel, or one centred statement at eye level", "how-many odd-groups scale", MANTEL,
        (STONE, CANDLE, ART), "stone t 300 110; candle t 1200 110", "art t 750 190 leaning", {"fullness": "airy"},
    ),
    Principle(
        "Small versions of all on a small table, or of some", "scale", SMALL_ROUND,
        (*like("tiny", 3, height=90.0, width=60.0, depth=60.0, colours=(("#b5522c", 1.0),)),
         thing("bouquet", "plant", height=330.0, width=230.0, depth=230.0),),
        "tiny1 t 330 400; tiny2 t 400 340; tiny3 t 420 430",
        "tiny1 t 260 330; bouquet t 430 420; tiny3 t 300 430",
    ),
)  # fmt: skip
