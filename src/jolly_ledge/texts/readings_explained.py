"""What each reading means and how it is computed, with a small look that is better and one that is worse."""

from collections.abc import Callable
from functools import partial
from typing import Any

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Seat
from jolly_ledge.readings.example import PlacedItem, look_of, shelves, stand, table

CLAY, CREAM, INK, SAGE, SLATE, OAK, ROSE = "#b5643c", "#efe6d2", "#2c2f33", "#8fa58a", "#5b6f86", "#9c6b3f", "#d94f8a"
Make = Callable[[], Arrangement]


class Explained(Struct, frozen=True):
    """One reading in words, and two looks that differ in what it reads."""

    means: str
    computed: str
    better: Make
    worse: Make


def _jar(x: float, width: float, height: float, colour: str = CLAY, ledge: str = "s1", **more: Any) -> PlacedItem:
    known = {
        "category": "vessel",
        "silhouette": "vase",
        "colours": ((colour, 1.0),),
        "depth": min(width, 140.0),
        **more,
    }
    return stand(x, width, height, ledge, **known)


def _thing(kind: str, x: float, width: float, height: float, colour: str = OAK, ledge: str = "s1",
           **more: Any) -> PlacedItem:  # fmt: skip
    return stand(x, width, height, ledge, category=kind, colours=((colour, 1.0),), **more)


def _shelf(*things: PlacedItem, count: int = 1, piece: Any = None, **manner: Any) -> Make:
    def make() -> Arrangement:
        return look_of(shelves(count, **(piece or {})), *things, **manner)

    return make


def _top(*things: PlacedItem, **changes: Any) -> Make:
    return partial(lambda: look_of(table(**changes), *things))


def _console(*things: PlacedItem, **changes: Any) -> Make:
    ledge = Ledge(id="s1", left=0.0, floor=800.0, width=1200.0, depth=360.0)
    known = {"kind": "console", "width": 1200.0, "height": 800.0, "depth": 360.0, "ledges": (ledge,), **changes}
    return lambda: look_of(Piece(id="case", backdrop="#f1ece0", **known), *things)


def _counter(*things: PlacedItem) -> Make:
    return _console(*things, kind="counter", use=("cooking",))


_ART = Fixture(kind="art", left=350.0, floor=950.0, width=500.0, height=420.0)
_BAR = Fixture(kind="bar", left=380.0, floor=100.0, width=40.0, height=400.0)
_SEATS = (Seat(x=800.0, z=-300.0), Seat(x=800.0, z=1200.0))
_THREE = (_jar(280, 150, 290), _jar(400, 120, 180, CREAM, z=110.0), _thing("bowl", 500, 130, 70, OAK, z=90.0))

EXPLAINED: dict[str, Explained] = {
    "odd-groups": Explained(
        "Three together please the eye more than two or four, which it halves; a small thing alone looks lost.",
        "The things of each group are counted as the eye takes them: a filled vase or a stack is one.",
        _shelf(*_THREE),
        _shelf(
            _jar(250, 130, 260), _jar(400, 120, 200, CREAM), _thing("bowl", 530, 120, 80), _thing("box", 660, 110, 90)
        ),
    ),
    "how-many": Explained(
        "A ledge bears so many things: fewer look forgotten, more look like storage.",
        "What stands there against what its width, height and the wished fullness bear.",
        _shelf(*_THREE, _jar(680, 130, 210, SAGE)),
        _shelf(*(_jar(60 + 85 * n, 70, 130 + 60 * (n % 3), CREAM if n % 2 else CLAY) for n in range(9))),
    ),
    "negative-space": Explained(
        "Free room about things lets them be seen.",
        "The share of each opening that things cover, against the band of the wished fullness.",
        _shelf(_jar(230, 210, 310), _jar(380, 140, 200, CREAM, z=110.0), _thing("box", 620, 190, 130)),
        _shelf(_jar(230, 60, 80), _jar(380, 50, 60, CREAM)),
    ),
    "even-rest": Explained(
        "The free room is spread over the piece, not one hole beside crowded shelves.",
        "How far the covered shares of the openings lie from each other.",
        _shelf(*(_jar(300, 220, 280, ledge=f"s{n}") for n in (1, 2, 3)), count=3),
        _shelf(*(_jar(100 + 200 * n, 190, 300, CREAM if n % 2 else CLAY) for n in range(4)), count=3),
    ),
    "grouping": Explained(
        "Things stand in groups with clear rest between them, not singly at even spacing.",
        "How near each thing's neighbours are against the rest between the groups.",
        _shelf(_jar(160, 120, 280), _jar(255, 90, 170, CREAM), _thing("bowl", 340, 90, 60), _jar(660, 130, 220, SAGE)),
        _shelf(*(_jar(100 + 200 * n, 100, 280 - 55 * n, CREAM if n % 2 else CLAY) for n in range(4))),
    ),
    "cohesion": Explained(
        "What lies on a table is one group that holds together.",
        "The gaps between the things against their own sizes.",
        _top(_jar(700, 180, 200, z=450.0), _thing("bowl", 890, 220, 90, z=450.0), _jar(1040, 110, 130, CREAM, z=450.0)),
        _top(_jar(250, 180, 200, z=450.0), _thing("bowl", 800, 220, 90, z=450.0), _jar(1400, 110, 130, CREAM, z=450.0)),
    ),
    "height-rhythm": Explained(
        "Neighbours differ in height, so that the upper line moves.",
        "The step from each thing to the next in parts of the taller one, and how many heights there are.",
        _shelf(
            _jar(200, 120, 310), _jar(340, 120, 160, CREAM), _jar(480, 120, 240, SAGE), _thing("bowl", 620, 130, 70)
        ),
        _shelf(*(_jar(200 + 140 * n, 120, 200, CREAM if n % 2 else CLAY) for n in range(4))),
    ),
    "scale": Explained(
        "Things suit the opening they stand in: the tallest fills two thirds of it or more, none fills it up.",
        "Heights and widths in parts of the opening and of the furniture, and how far sizes lie apart.",
        _shelf(_jar(300, 170, 290), _jar(450, 120, 170, CREAM)),
        _shelf(_jar(300, 60, 70), _jar(450, 50, 50, CREAM)),
    ),
    "layering": Explained(
        "The depth of a ledge is used: something stands before something, and both are seen.",
        "In how many bands of depth things stand, and how much those in front cover.",
        _shelf(
            _thing("frame", 300, 240, 300, CREAM, z=285.0, depth=20.0),
            _jar(420, 120, 190, z=180.0),
            _thing("bowl", 250, 130, 70, z=70.0),
        ),
        _shelf(
            _thing("frame", 150, 240, 300, CREAM, z=150.0, depth=20.0),
            _jar(420, 120, 190, z=150.0),
            _thing("bowl", 650, 130, 70, z=150.0),
        ),
    ),
    "covered": Explained(
        "Everything of a group is still seen.",
        "Which part of each thing stands behind others, as outlines, not boxes.",
        _shelf(_jar(350, 160, 300, z=220.0), _jar(460, 120, 170, CREAM, z=80.0)),
        _shelf(_jar(350, 160, 300, z=220.0), _jar(360, 170, 280, CREAM, z=80.0)),
    ),
    "figure": Explained(
        "The peaks make the figure that was chosen: set against each other, woven from side to side, or mirrored.",
        "The tops of the groups, from left to right and from shelf to shelf, against the figure.",
        _shelf(_jar(250, 110, 170), _jar(375, 130, 310, SAGE), _jar(500, 110, 220, CREAM)),
        _shelf(_jar(250, 110, 310), _jar(375, 130, 120, SAGE), _jar(500, 110, 300, CREAM)),
    ),
    "side-balance": Explained(
        "The piece does not seem to tip to one side.",
        "Each thing's weight to the eye (size, darkness, chroma, detail) times its distance from the middle.",
        _shelf(_jar(160, 180, 300, INK), _jar(640, 180, 280, CLAY)),
        _shelf(_jar(120, 180, 300, INK), _jar(310, 180, 280, CLAY)),
    ),
    "weight-low": Explained(
        "What is dark and heavy to the eye stands low; what is light and clear may stand high.",
        "How high the middle of all weight lies between the lowest and the highest shelf.",
        _shelf(_jar(400, 220, 300, INK), _jar(400, 150, 260, CLAY, "s2"), _jar(400, 120, 220, CREAM, "s3"), count=3),
        _shelf(_jar(400, 120, 220, CREAM), _jar(400, 150, 260, CLAY, "s2"), _jar(400, 220, 300, INK, "s3"), count=3),
    ),
    "even-vignettes": Explained(
        "Groups of one rank weigh alike to the eye.",
        "The weights of the groups against their mean.",
        _shelf(_jar(200, 180, 300), _jar(600, 180, 280, CREAM, "s2"), count=2),
        _shelf(_jar(200, 260, 340, INK), _jar(600, 60, 70, CREAM, "s2"), count=2),
    ),
    "focal-point": Explained(
        "One thing leads, and no other rivals it.",
        "How far the thing that weighs most lies ahead of the next.",
        _shelf(_jar(250, 210, 330, INK), _thing("sculpture", 520, 90, 150, CREAM), _thing("bowl", 640, 90, 60, CREAM)),
        _shelf(_jar(200, 170, 280, INK), _thing("sculpture", 480, 170, 290, SLATE), _thing("bowl", 680, 90, 60, CREAM)),
    ),
    "stack-order": Explained(
        "In a stack the larger lies below the smaller.",
        "What each thing carries against its own foot.",
        _shelf(_thing("box", 400, 300, 90, id="large"), _thing("box", 400, 160, 80, CREAM, id="small", on="large")),
        _shelf(_thing("box", 400, 120, 90, CREAM, id="small"), _thing("box", 400, 320, 80, id="large", on="small")),
    ),
    "palette": Explained(
        "What is seen keeps to a few hues; one loud colour alone disturbs all others.",
        "The shares of what is seen by colour family, against those that are meant and those that go along.",
        _shelf(_jar(200, 150, 280), _jar(350, 130, 190, CREAM), _thing("box", 600, 200, 110, OAK)),
        _shelf(_jar(200, 150, 280, ROSE), _jar(350, 130, 190, "#3bb54a"), _thing("box", 600, 200, 110, "#2f6db2")),
    ),
    "colour-echo": Explained(
        "An accent comes back elsewhere, on another level or side.",
        "For each accent: how much of it is seen, and how far apart it returns.",
        _shelf(
            _jar(180, 150, 280, SLATE),
            _jar(620, 130, 220, SLATE, "s2"),
            _jar(600, 140, 250, CREAM),
            _thing("box", 220, 180, 120, OAK, "s2"),
            count=2,
        ),
        _shelf(
            _jar(180, 150, 280, SLATE),
            _jar(620, 130, 220, CREAM, "s2"),
            _jar(600, 140, 250, CREAM),
            _thing("box", 220, 180, 120, OAK, "s2"),
            count=2,
        ),
    ),
    "tie": Explained(
        "What has a colour or a stuff of its own is answered somewhere else.",
        "How much of what is seen shares its hue or its stuff with something in another group.",
        _shelf(
            _jar(150, 150, 280, SLATE),
            _jar(310, 110, 170, CREAM),
            _thing("box", 500, 160, 100, OAK),
            _jar(680, 140, 200, SLATE),
        ),
        _shelf(
            _jar(150, 150, 280, ROSE),
            _jar(310, 110, 170, CREAM),
            _thing("box", 500, 160, 100, OAK),
            _jar(680, 140, 200, "#2f6db2", finish="metal"),
        ),
    ),
    "contrast": Explained(
        "Things stand out from their back, and none shouts.",
        "The difference in lightness and chroma between each thing and what is behind it.",
        _shelf(_jar(300, 160, 290, CLAY), _jar(480, 130, 190, SLATE)),
        _shelf(_jar(300, 160, 290, "#f1ece0"), _jar(480, 130, 190, "#efe9dc")),
    ),
    "alike-apart": Explained(
        "Look-alikes dull each other side by side; apart they tie a piece together.",
        "How alike two things are, and how near they stand.",
        _shelf(
            _jar(180, 140, 260),
            _thing("box", 600, 200, 110),
            _jar(620, 140, 260, CLAY, "s2"),
            _thing("bowl", 200, 180, 90, ledge="s2"),
            count=2,
        ),
        _shelf(
            _jar(180, 140, 260),
            _jar(330, 140, 260),
            _thing("box", 620, 200, 110, ledge="s2"),
            _thing("bowl", 200, 180, 90, ledge="s2"),
            count=2,
        ),
    ),
    "mix": Explained(
        "Outlines, finishes and directions differ: upright beside flat, matt beside bright.",
        "How many kinds of each there are, and how evenly.",
        _shelf(
            _jar(180, 140, 290, finish="matt"),
            _thing("book-stack", 400, 240, 80, OAK, finish="satin"),
            _thing("frame", 640, 180, 240, CREAM, depth=20.0, finish="gloss"),
        ),
        _shelf(*(_thing("box", 180 + 220 * n, 140, 180 + 40 * n, OAK, finish="matt") for n in range(3))),
    ),
    "kept-clear": Explained(
        "A picture, a mirror or a screen on the wall stays free of solid things before it.",
        "Which part of it stands behind things.",
        _console(_jar(180, 160, 300), _thing("box", 600, 260, 90), fixtures=(_ART,)),
        _console(_jar(520, 240, 420), _jar(720, 200, 380, CREAM), fixtures=(_ART,)),
    ),
    "seen-shut": Explained(
        "Behind glazed doors nothing stands in the shadow of a bar.",
        "Which part of each thing lies behind the bars and braces.",
        _shelf(_jar(180, 120, 260), _jar(620, 120, 240, CREAM), piece={"doors": "glazed", "fixtures": (_BAR,)}),
        _shelf(_jar(400, 60, 260), _jar(620, 120, 240, CREAM), piece={"doors": "glazed", "fixtures": (_BAR,)}),
    ),
    "sight-line": Explained(
        "Those who sit at a table see each other over what stands on it.",
        "The height of things over the top against the eyes and chins of who sits.",
        _top(_thing("bowl", 800, 300, 120, z=450.0)),
        _top(_jar(800, 340, 420, z=450.0)),
    ),
    "all-round": Explained(
        "Where people sit on several sides, what stands in the middle shows a good side to each.",
        "For each told seat: which anchors turn their face to it.",
        _top(_jar(800, 180, 200, z=450.0), seats=_SEATS),
        _top(_thing("sculpture", 800, 180, 200, z=450.0, traits=("one-faced",)), seats=_SEATS),
    ),
    "working-room": Explained(
        "Where one works there is a free edge with depth enough.",
        "The widest free stretch along the front for the use, and how much must be moved first.",
        _counter(_jar(140, 150, 280), _thing("box", 300, 160, 160)),
        _counter(*(_jar(110 + 195 * n, 170, 260, CREAM if n % 2 else CLAY) for n in range(6))),
    ),
    "books": Explained(
        "Upright books are held at the end, flat ones carry something.",
        "The ends of every row, and what lies on every stack.",
        _shelf(
            *(_thing("book", 120 + 34 * n, 32, 240 - 8 * n, (CLAY, SLATE, OAK)[n % 3]) for n in range(6)),
            _jar(370, 130, 230, mass=2.0),
        ),
        _shelf(
            *(_thing("book", 200 + 34 * n, 32, 240 - 8 * n, (CLAY, SLATE, OAK)[n % 3]) for n in range(4)),
            _thing("book", 560, 32, 230, SLATE),
        ),
    ),
    "must-haves": Explained(
        "What must be there is there; what should be hidden is not seen.",
        "Each told need of the piece, its things and its use, met or not.",
        _shelf(
            _thing("box", 300, 260, 150, id="box", depth=200.0),
            _jar(600, 140, 260),
            _thing("device", 300, 180, 60, INK, traits=("hide",), inside="box"),
        ),
        _shelf(
            _thing("box", 300, 260, 150, id="box", depth=200.0),
            _jar(700, 120, 260),
            _thing("device", 530, 180, 60, INK, traits=("hide",)),
        ),
    ),
}
"""By the id of the reading."""
