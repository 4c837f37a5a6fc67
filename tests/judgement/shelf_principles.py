"""Principles of shelves and bookcases, each as a pair of looks."""

from msgspec.structs import replace

from builders import case_of, thing
from jolly_ledge.model.piece import Fixture
from judgement.principle import Principle, like

ONE = case_of(1)
TWO = case_of(2)
THREE = case_of(3)
SIX = case_of(3, 2)
LONG = replace(ONE, width=1640.0, ledges=(replace(ONE.ledges[0], width=1600.0),))
OAK, CREAM, INK, TEAL, RUST, SAGE = "#9c6b3f", "#efe6d2", "#23262b", "#2d6f73", "#b5522c", "#8fa58a"

URN = thing("urn", width=220.0, height=300.0, depth=220.0, colours=((INK, 1.0),), finish="rough")
GLASS = thing("glass", width=160.0, height=240.0, depth=160.0, colours=(("#dfe9e8", 1.0),), finish="clear")
JUG = thing("jug", width=140.0, height=210.0, depth=140.0, colours=((CREAM, 1.0),), silhouette="jug")
BOWL = thing("bowl", "bowl", width=230.0, height=90.0, depth=230.0, colours=((OAK, 1.0),))
BOX = thing("box", "box", width=240.0, height=120.0, depth=180.0, colours=((TEAL, 1.0),), finish="satin")
STONE = thing("stone", "object", width=90.0, height=60.0, depth=80.0, silhouette="stone", colours=(("#8b8680", 1.0),))
FRAME = thing("frame", "frame", width=240.0, height=310.0, depth=25.0, colours=((CREAM, 0.7), (OAK, 0.3)))
BOOKS = thing("books", "book-stack", width=270.0, height=90.0, depth=200.0, colours=((RUST, 0.5), (CREAM, 0.5)))
ROW = thing("row", "book-row", width=300.0, height=250.0, depth=180.0, colours=((TEAL, 0.4), (OAK, 0.6)))
FERN = thing("fern", "plant", width=200.0, height=250.0, depth=200.0, colours=(("#4f7a4a", 0.8), (OAK, 0.2)))
IVY = thing("ivy", "plant", width=210.0, height=230.0, depth=200.0, colours=(("#55804f", 0.8), (CREAM, 0.2)))

PRINCIPLES = (
    Principle(
        "A large thing may stand alone where a small one is lost", "odd-groups scale", ONE, (STONE, URN),
        "stone a1 400 150", "urn a1 400 150",
    ),
    Principle(
        "Four in a line, or three with the fourth taken away", "odd-groups how-many", ONE, (URN, JUG, BOWL, BOX),
        "urn a1 120 180; bowl a1 350 130; jug a1 530 220; box a1 670 90",
        "urn a1 180 180; bowl a1 420 130; jug a1 620 200",
        {"odd": "strict"},
    ),
    Principle(
        "Look-alikes one above the other, or on other levels and sides", "alike-apart", SIX,
        (*like("pot", 2, colours=((RUST, 1.0),), finish="rough"), URN, ROW, JUG),
        "pot1 a3 400 150; pot2 a2 400 150; urn b1 300 150; row b2 350 150; jug b3 500 150",
        "pot1 a3 400 150; jug a2 400 150; urn b1 300 150; row b2 350 150; pot2 b3 600 150",
    ),
    Principle(
        "Greenery side by side on one shelf, or a shelf apart", "alike-apart", THREE, (FERN, IVY, ROW, URN),
        "fern a2 250 150; ivy a2 470 150; row a1 300 150; urn a3 500 150",
        "fern a1 250 150; ivy a3 600 150; row a2 300 150; urn a2 620 150",
    ),
    Principle(
        "The darkest and largest above, or below", "weight-low", THREE, (URN, GLASS, JUG, BOX),
        "urn a3 400 150; box a3 640 150; jug a2 400 150; glass a1 400 150",
        "urn a1 400 150; box a1 640 150; jug a2 400 150; glass a3 400 150",
    ),
    Principle(
        "Every heavy thing on one side of the case, or on both", "side-balance", SIX,
        (URN, ROW, BOX, JUG, STONE, GLASS),
        "urn a1 300 150; row a2 300 150; box a3 300 150; jug b2 400 150; stone b1 400 150; glass b3 400 150",
        "urn a1 300 150; row b2 300 150; box a3 300 150; jug a2 400 150; stone b1 400 150; glass b3 400 150",
    ),
    Principle(
        "Every ledge with the same skyline, or a moving one", "height-rhythm", THREE,
        (*like("jar", 3, colours=((SAGE, 1.0),), height=240.0), ROW, URN, STONE, BOWL, JUG),
        "jar1 a1 300 150; jar2 a2 420 150; jar3 a3 500 150; row a1 600 150",
        "urn a1 300 150; stone a1 500 110; row a2 500 150; bowl a2 180 150; jug a3 380 150",
    ),
    Principle(
        "One accent once, or carried on", "colour-echo", SIX,
        (thing("ochre1", colours=(("#d99a1c", 1.0),)), thing("ochre2", "bowl", colours=(("#d8981f", 1.0),)),
         thing("ochre3", "box", colours=(("#da9b22", 1.0),), width=160.0, height=100.0),
         URN, JUG, FRAME, thing("plain1", "bowl", colours=((CREAM, 1.0),)),
         thing("plain2", "box", colours=((CREAM, 1.0),), width=160.0, height=100.0)),
        "ochre1 a3 300 150; plain1 b2 400 150; plain2 a1 500 150; urn b1 400 150; jug a2 300 150; frame b3 500 200",
        "ochre1 a3 300 150; ochre2 b2 400 150; ochre3 a1 500 150; urn b1 400 150; jug a2 300 150; frame b3 500 200",
    ),
    Principle(
        "Too many colours, or three families", "palette", SIX,
        (*(thing(f"hue{n + 1}", colours=((colour, 1.0),)) for n, colour in enumerate(
            ("#c4452d", "#2f6db2", "#d9a520", "#7a3f8c", "#2f8f5b", "#d86a9a"))),
         *(thing(f"calm{n + 1}", colours=((colour, 1.0),)) for n, colour in enumerate(
             ("#c4452d", "#b8513a", "#2f6d72", "#3a7478", "#efe6d2", "#e6dcc6")))),
        "hue1 a1 300 150; hue2 b1 500 150; hue3 a2 500 150; hue4 b2 300 150; hue5 a3 300 150; hue6 b3 500 150",
        "calm1 a1 300 150; calm3 b1 500 150; calm5 a2 500 150; calm2 b2 300 150; calm4 a3 300 150; calm6 b3 500 150",
    ),
    Principle(
        "A pale jar on a pale back, or a dark one", "contrast", case_of(1, backdrop="#f1ece0"),
        (thing("pale", colours=(("#efe9dc", 1.0),)), thing("dark", colours=((OAK, 1.0),)), BOWL),
        "pale a1 300 150; bowl a1 520 130", "dark a1 300 150; bowl a1 520 130",
    ),
    Principle(
        "A small thing hidden behind a tall one, or before it", "layering", ONE, (URN, STONE, ROW),
        "urn a1 300 112; stone a1 330 258; row a1 645 180", "urn a1 300 188; stone a1 420 45; row a1 645 180",
    ),
    Principle(
        "All pushed to the back, or some brought forward", "layering", ONE, (URN, STONE, ROW, BOWL),
        "urn a1 130 188; stone a1 285 258; row a1 645 208; bowl a1 375 130",
        "urn a1 130 188; stone a1 240 45; row a1 645 208; bowl a1 375 118",
    ),
    Principle(
        "Airy is not packed", "negative-space how-many", TWO, (URN, ROW, JUG, BOX, BOOKS, FRAME, GLASS, BOWL),
        "urn a1 120 180; row a1 410 200; jug a1 690 210; books a2 150 150; frame a2 430 280;"
        "glass a2 690 200; box a2 430 100",
        "urn a1 250 170; jug a1 470 120; frame a2 560 280; box a2 520 100; books a2 230 150",
        {"fullness": "airy"},
    ),
    Principle(
        "Abundant is not bare", "negative-space how-many", TWO, (URN, ROW, JUG, BOX, BOOKS, FRAME, GLASS, BOWL),
        "jug a1 400 150; box a2 300 150",
        "row a1 170 180; urn a1 440 180; bowl a1 670 120; frame a2 180 280; jug a2 390 150; books a2 620 160;"
        "glass a2 620 160 on=books; box a2 170 110",
        {"fullness": "abundant"},
    ),
    Principle(
        "One hole in a full case, or rest on every level", "even-rest negative-space", THREE,
        (URN, ROW, JUG, BOX, BOOKS, FRAME, BOWL),
        "urn a1 120 180; row a1 400 160; jug a1 660 150; box a2 160 130; frame a2 420 280; books a2 640 150",
        "urn a1 160 180; box a1 410 100; jug a1 620 200; row a2 240 160; bowl a2 560 130; frame a3 560 280;"
        "books a3 280 150",
    ),
    Principle(
        "Look-alike vessels all turned and round, or mixed with flat and upright", "mix", ONE,
        (*like("vase", 3, colours=((OAK, 1.0),), finish="rough"), FRAME, BOOKS, GLASS),
        "vase1 a1 200 150; vase2 a1 400 120; vase3 a1 600 180", "frame a1 180 280; glass a1 370 130; books a1 620 150",
    ),
    Principle(
        "A small book carries a large one, or the reverse", "stack-order", ONE,
        (thing("folio", "book", width=40.0, height=320.0, depth=240.0, colours=((TEAL, 1.0),)),
         thing("pocket", "book", width=30.0, height=170.0, depth=110.0, colours=((TEAL, 1.0),)), URN, JUG),
        "pocket a1 200 150 flat; folio a1 200 150 flat on=pocket; urn a1 510 170; jug a1 710 110",
        "folio a1 200 150 flat; pocket a1 200 150 flat on=folio; urn a1 510 170; jug a1 710 110",
    ),
    Principle(
        "A thing that nearly touches the board above, or breathes", "scale", ONE,
        (thing("tall", height=392.0, width=140.0), thing("fair", height=310.0, width=140.0), BOWL),
        "tall a1 300 150; bowl a1 520 130", "fair a1 300 150; bowl a1 520 130",
    ),
    Principle(
        "Peaks: hollows in the middle, or a peak", "figure", ONE, (URN, JUG, STONE),
        "jug a1 240 150; stone a1 400 120; urn a1 570 150", "jug a1 240 150; urn a1 430 170; stone a1 600 120",
    ),
    Principle(
        "Weave: the weight keeps to the left, or changes sides", "figure", THREE, (URN, ROW, FRAME, JUG, BOX, BOWL),
        "urn a1 200 150; row a2 220 160; frame a3 200 210; jug a1 400 150; box a2 560 150; bowl a3 440 150",
        "urn a1 200 150; row a2 600 160; frame a3 200 210; jug a1 400 150; box a2 320 150; bowl a3 440 150",
        {"figure": "weave"},
    ),
    Principle(
        "Mirrored: an odd couple, or a pair about the middle", "figure", ONE,
        (*like("lamp", 2, "lamp", height=340.0, width=180.0, depth=180.0), URN, BOWL),
        "lamp1 a1 150 150; bowl a1 400 150; urn a1 640 150", "lamp1 a1 150 150; bowl a1 400 150; lamp2 a1 650 150",
        {"figure": "mirrored"},
    ),
    Principle(
        "A router in sight, or in a box", "must-haves", TWO,
        (thing("router", "device", width=160.0, height=40.0, depth=120.0, traits=("hide",), colours=((INK, 1.0),)),
         thing("chest", "box", width=280.0, height=150.0, depth=220.0), URN, ROW),
        "router a1 600 150; chest a1 300 150; urn a2 300 150; row a2 560 150",
        "router a1 - - inside=chest; chest a1 300 150; urn a2 300 150; row a2 560 150",
        kind="use",
    ),
    Principle(
        "The daily thing overhead, or in reach", "must-haves", case_of(5),
        (thing("tin", "box", width=120.0, height=140.0, depth=120.0, traits=("daily-use",)), URN, ROW),
        "tin a5 300 150; urn a1 300 150; row a3 500 150", "tin a3 180 150; urn a1 300 150; row a3 500 150",
        kind="use",
    ),
    Principle(
        "A brace before the anchor, or beside it", "seen-shut",
        case_of(2, doors="glazed", seen_shut=True,
                fixtures=(Fixture(kind="bar", left=380.0, floor=100.0, width=90.0, height=820.0),)),
        (URN, JUG), "urn a1 405 150; jug a2 405 150", "urn a1 180 150; jug a2 620 150",
    ),
    Principle(
        "One heavy group and a crumb, or two that answer", "even-vignettes", ONE, (URN, ROW, STONE, BOX, JUG),
        "urn a1 130 150; row a1 400 160; stone a1 740 150", "urn a1 150 180; stone a1 275 40; row a1 620 160",
    ),
    Principle(
        "A stray that belongs to the group across the ledge, or beside it", "cohesion odd-groups", LONG,
        (URN, BOWL, JUG, ROW),
        "urn a1 240 150 vignette=one; bowl a1 520 120 vignette=one; jug a1 1480 150 vignette=one; row a1 1150 180",
        "urn a1 240 150 vignette=one; bowl a1 520 120 vignette=one; jug a1 690 190 vignette=one; row a1 1150 180",
    ),
    Principle(
        "Peaks one above the other, or set against each other", "figure", THREE, (URN, FRAME, JUG, BOWL, BOX, STONE),
        "urn a1 200 150; stone a1 400 90; frame a2 200 280; box a2 440 100; jug a3 200 150; bowl a3 400 150",
        "urn a1 200 150; stone a1 400 90; frame a2 640 280; box a2 400 100; jug a3 200 150; bowl a3 400 150",
    ),
    Principle(
        "Books above books on every level, or set diagonally", "figure", THREE,
        (*like("row", 3, "book-row", height=230.0, width=220.0, depth=170.0), *like("vase", 3, height=300.0, width=150.0),
         *like("dish", 3, "bowl", height=80.0, width=140.0, depth=140.0)),
        "row1 a1 140 150; vase1 a1 360 150; dish1 a1 540 150; row2 a2 140 150; vase2 a2 360 150; dish2 a2 540 150;"
        "row3 a3 140 150; vase3 a3 360 150; dish3 a3 540 150",
        "row1 a1 140 150; vase1 a1 360 150; dish1 a1 540 150; row2 a2 660 150; vase2 a2 440 150; dish2 a2 260 150;"
        "row3 a3 140 150; vase3 a3 360 150; dish3 a3 540 150",
    ),
    Principle(
        "Two of one size side by side, or one two thirds of the other", "scale", ONE,
        (thing("first", "box", height=300.0, width=200.0, colours=((INK, 1.0),)),
         thing("rival", "box", height=295.0, width=205.0, colours=((OAK, 1.0),)),
         thing("second", "box", height=200.0, width=150.0, colours=((OAK, 1.0),)), STONE),
        "first a1 280 170; rival a1 500 170; stone a1 650 60", "first a1 280 170; second a1 470 120; stone a1 590 60",
    ),
)  # fmt: skip
