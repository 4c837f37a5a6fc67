"""Dangers, each as what is known to harm, what is known not to, and what nobody told: never silent where nothing is known."""

from collections.abc import Callable
from typing import Any, Literal

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Board, Fixture, Ledge, Piece
from jolly_ledge.model.plan import Household

Told = Literal["stop", "heed", "unknown"] | None

TOP = Ledge(id="a1", left=0.0, floor=800.0, width=1200.0, depth=400.0)
WALL = Ledge(id="wall", left=0.0, floor=800.0, width=1200.0, depth=400.0, surface="wall")
LOW = Ledge(id="a1", left=0.0, floor=420.0, width=1200.0, depth=600.0)
TODDLER, SIX, NINE = Household(toddler=True), Household(child_age=6), Household(child_age=9)
ROW = thing("row", "book-row", width=700.0, height=250.0, depth=200.0)
LIT = thing("lit", "candle", width=70.0, height=150.0, depth=70.0, traits=("flame",))
FIRE = Fixture(kind="firebox", left=400.0, floor=0.0, width=500.0, height=600.0)
HOB = Fixture(kind="cooktop", left=500.0, floor=800.0, width=500.0, height=10.0)
LAMP = thing("lamp", "lamp", width=200.0, height=380.0, depth=200.0, traits=("corded",))


def top(*fixtures: Fixture, ledges: tuple[Ledge, ...] = (TOP,), **changes: Any) -> Piece:
    known = {"kind": "console", "width": 1200.0, "height": 800.0, "depth": 400.0, **changes}
    return case_of(ledges=ledges, fixtures=fixtures, **known)


def shelf(kind: str = "bookcase", **changes: Any) -> Piece:
    board = Ledge(id="a1", left=20.0, floor=900.0, width=800.0, depth=250.0, clearance=400.0, **changes)
    return case_of(ledges=(board,), kind=kind)


def board(material: str, thickness: float | None = None, **more: Any) -> Board:
    return Board(material=material, thickness=thickness, **more)  # type: ignore[arg-type]


def glass(mass: float | None, thickness: float | None) -> Callable[[], Arrangement]:
    item = thing("urn", width=180.0, height=250.0, depth=180.0, mass=mass, material="stone")
    return lambda: arranged((item,), (put("urn", z=125),), shelf(board=board("glass", thickness)))


def look(
    *items: Item, at: tuple[Placement, ...] = (), piece: Piece | None = None, who: Household | None = None
) -> Callable[[], Arrangement]:
    """Return a look of things, one beside another on the first ledge unless it is told where."""
    placed = at or tuple(put(item.id, x=250.0 + 300 * n, z=160) for n, item in enumerate(items))
    return lambda: arranged(items, placed, piece or top(), who or Household())


def on_shelf(item: Item, piece: Piece) -> Callable[[], Arrangement]:
    return look(item, at=(put(item.id, z=125),), piece=piece)


def hung(item: Item, x: float = 600.0, y: float = 300.0) -> Placement:
    return put(item.id, "wall", x, None, y=y, pose="hung")


def weighed(item: Item, mass: float) -> Item:
    return thing(
        item.id, item.category, width=item.width, height=item.height, depth=item.depth, mass=mass, traits=item.traits,
        material=item.material, name=item.name,
    )  # fmt: skip


def called(name: str, category: str = "object", **more: Any) -> Item:
    return thing("it", category, **{"name": name, "width": 120.0, "height": 90.0, "depth": 90.0, **more})


def plant(name: str, *traits: str) -> Item:
    return thing("plant", "plant", name=name, traits=("real-plant", "tolerates-low-light", *traits))


VASE, POSY = (
    thing("vase", mass=1.8, material="stoneware"),
    thing("posy", "stems", name="anemones", silhouette="bouquet"),
)
WET = (put("vase", x=700, z=160), put("posy", x=None, z=None, inside="vase"))
PICTURE = thing("picture", "art", width=400.0, height=500.0, depth=20.0, mass=0.8)
MIRROR = thing("mirror", "mirror", width=400.0, height=500.0, depth=20.0, mass=6.0)
BED = Fixture(kind="headboard", left=0.0, floor=500.0, width=1200.0, height=600.0)
PAPER_BOX, TIN_BOX, SOME_BOX = (thing("box", "box", material=m, height=200.0) for m in ("card", "tin", ""))
BESIDE_FLAME = (put("lit", x=300, z=200), put("box", x=560, z=200))
DOG, CAT, BIRD = Household(pets=("dog",)), Household(pets=("cat",)), Household(pets=("canary",))

DANGERS: tuple[tuple[str, str, Callable[[], Arrangement], Told], ...] = (
    # Load: rating, masses, board and fixing are facts of their own.
    ("books on a shelf of which nothing is known", "load", on_shelf(ROW, shelf()), "unknown"),
    ("books on an empty board record", "load", on_shelf(ROW, shelf(board=Board())), "unknown"),
    ("few weighed books", "load", on_shelf(weighed(ROW, 4.0), shelf()), None),
    ("unweighed on a rated shelf", "load", on_shelf(ROW, shelf(load_limit=30.0)), "unknown"),
    ("weighed within the rating", "load", on_shelf(weighed(ROW, 18.0), shelf(load_limit=30.0)), None),
    ("over the rating", "load", on_shelf(weighed(ROW, 38.0), shelf(load_limit=30.0)), "stop"),
    ("in plaster though rated", "load",
     on_shelf(weighed(ROW, 8.0), shelf("wall-shelves", load_limit=30.0, board=Board(fixing="plaster-only"))), "stop"),
    ("on studs and rated", "load",
     on_shelf(weighed(ROW, 8.0), shelf("wall-shelves", load_limit=30.0, board=Board(fixing="studs"))), None),
    ("unweighed on brackets nobody knows", "load", on_shelf(ROW, shelf("wall-shelves")), "unknown"),
    ("glass that bends too much", "load", glass(12.0, 6.0), "stop"),
    ("thick glass", "load", glass(6.0, 10.0), None),
    ("glass of unknown thickness", "load", glass(6.0, None), "unknown"),
    ("an unweighed urn on glass", "load", glass(None, 6.0), "unknown"),
    ("a hung thing over the wall's rating", "load",
     look(MIRROR, at=(hung(MIRROR),), piece=top(ledges=(TOP, Ledge(id="wall", left=0, floor=800, width=1200, depth=400,
                                                                  surface="wall", load_limit=4.0)))), "stop"),
    ("a thin board under unweighed books", "load", on_shelf(ROW, shelf(board=board("particleboard", 10.0))), "unknown"),
    ("a stout board under them", "load", on_shelf(ROW, shelf(board=board("plywood", 25.0, fixing="in-case"))), None),
    # Stems.
    ("stems that stand by themselves", "tips", look(POSY), "heed"),
    ("stems that lean", "tips", look(POSY, at=(put("posy", x=600, z=300, pose="leaning"),)), None),
    ("stems in a vessel", "tips", look(VASE, POSY, at=WET), None),
    # Fire.
    ("a screen over the firebox", "heat", look(VASE, piece=top(FIRE, Fixture(kind="tv", left=400, floor=1300, width=500,
                                                                            height=400))), "heed"),
    ("art leaning over the firebox", "heat", look(PICTURE, at=(put("picture", x=600, z=390, pose="leaning"),),
                                                  piece=top(FIRE, ledges=(
                                                      Ledge(id="a1", left=0, floor=950, width=1200, depth=400),))), "heed"),
    ("no fire at all", "heat", look(PICTURE, at=(put("picture", x=600, z=390, pose="leaning"),)), None),
    ("a flame before a leaning picture", "flame",
     look(LIT, PICTURE, at=(put("lit", x=600, z=300), put("picture", x=600, z=390, pose="leaning"))), "stop"),
    ("a flame beside a hung picture", "flame",
     look(LIT, PICTURE, at=(put("lit", x=300, z=350), hung(PICTURE, 570, 20)), piece=top(ledges=(TOP, WALL))), "stop"),
    ("a flame beside a card box", "flame", look(LIT, PAPER_BOX, at=BESIDE_FLAME), "stop"),
    ("a flame beside a tin box", "flame", look(LIT, TIN_BOX, at=BESIDE_FLAME), None),
    ("a flame beside a box of unknown stuff", "flame", look(LIT, SOME_BOX, at=BESIDE_FLAME), "unknown"),
    ("a flame inside a basket", "flame",
     look(LIT, thing("basket", "basket"), at=(put("basket", z=200), put("lit", x=None, z=None, inside="basket"))), "stop"),
    ("a flame on a woven tray", "flame",
     look(LIT, thing("tray", "tray", finish="woven"), at=(put("tray", z=200), put("lit", z=200, on="tray"))), "stop"),
    ("a candle of which nothing is told", "flame", look(thing("c", "candle", height=150.0)), "unknown"),
    ("a candle with a battery", "flame", look(thing("c", "candle", height=150.0, name="LED candle")), None),
    ("a flame alone", "flame", look(LIT), None),
    ("anything on the cooktop", "heat", look(called("kettle", finish="metal"), at=(put("it", x=700, z=200),),
                                             piece=top(HOB)), "stop"),
    ("dry herbs hung over the cooktop", "heat",
     look(thing("herbs", "hanging", height=300.0), at=(put("herbs", "wall", 700, None, y=300, pose="hung"),),
          piece=top(HOB, ledges=(TOP, WALL))), "stop"),
    # Plants.
    ("poppies and a cat", "toxic-plant", look(thing("p", "stems", name="Poppies"), who=CAT), "unknown"),
    ("by its botanical name", "toxic-plant", look(plant("Epipremnum aureum"), who=CAT), "unknown"),
    ("a calla is toxic to a dog, a lily is not", "toxic-plant", look(plant("Calla lily"), piece=top(ledges=(LOW,)), who=DOG), "unknown"),
    ("a lily and a dog", "toxic-plant", look(plant("White lily"), piece=top(ledges=(LOW,)), who=DOG), None),
    ("a plant nobody named, and a kitten", "toxic-plant", look(plant("Greenery"), who=Household(pets=("kitten",))), "unknown"),
    ("a plant nobody named, and nobody to eat it", "toxic-plant", look(plant("Greenery")), None),
    ("a spider plant and a cat", "toxic-plant", look(plant("Spider plant"), who=CAT), None),
    ("a breed is an animal of its kind", "toxic-plant", look(plant("White lily"), piece=top(ledges=(LOW,)), who=Household(pets=("labrador",))), None),
    ("a caterpillar is no cat, and of it nothing is known", "toxic-plant",
     look(plant("White lily"), who=Household(pets=("caterpillar",))), "unknown"),
    ("an animal of unknown kind", "toxic-plant", look(plant("White lily"), who=Household(pets=("Bruno",))), "unknown"),
    # Child.
    ("glass and a toddler", "toddler", look(called("jar", "vessel", material="glass"), who=TODDLER), "heed"),
    ("glass and a child of nine", "toddler", look(called("jar", "vessel", material="glass"), who=NINE), None),
    ("glass and a child of six, though no toddler is told", "toddler",
     look(called("jar", "vessel", material="glass"), who=SIX), "heed"),
    ("wood and a toddler", "toddler", look(called("bowl", "bowl", material="oak", mass=0.4), who=TODDLER), None),
    ("a vessel of unknown stuff", "toddler", look(called("jar", "vessel"), who=TODDLER), "unknown"),
    ("an unweighed sculpture of wood", "toddler",
     look(called("torso", "sculpture", material="oak", width=250.0, height=400.0, depth=250.0), who=TODDLER), "unknown"),
    ("a mirror hung low", "toddler", look(MIRROR, at=(hung(MIRROR, y=50),), piece=top(ledges=(TOP, WALL)), who=TODDLER), "heed"),
    ("a leaning picture", "toddler", look(PICTURE, at=(put("picture", z=390, pose="leaning"),), who=TODDLER), "heed"),
    ("button cells and a child of nine", "small-parts", look(called("Box of button cells", "box"), who=NINE), "stop"),
    ("magnets and a toddler", "small-parts", look(called("magnets", count=6), who=TODDLER), "stop"),
    ("medicine in a basket", "small-parts", look(called("Medicines", "supplies"), who=SIX), "stop"),
    ("a bowl of marbles and a toddler", "small-parts", look(called("Bowl of marbles", "bowl"), who=TODDLER), "stop"),
    ("a bowl of marbles and a child of nine", "small-parts", look(called("Bowl of marbles", "bowl"), who=NINE), None),
    ("beads and a dog", "small-parts", look(called("wooden beads", "beads"), at=(put("it"),), piece=top(ledges=(LOW,)), who=DOG), "heed"),
    ("scented matter and a bird", "small-parts", look(called("potpourri", "bowl"), who=BIRD), "heed"),
    ("a stone and a dog", "small-parts", look(called("stone"), piece=top(ledges=(LOW,)), who=DOG), None),
    ("glass at the height of a tail", "tips",
     look(called("glass", "vessel", finish="clear"), at=(put("it", z=80),), piece=top(ledges=(LOW,)), who=DOG), "heed"),
    ("glass in the middle of the table", "tips",
     look(called("glass", "vessel", finish="clear"), at=(put("it", x=600, z=300),), piece=top(ledges=(LOW,)), who=DOG), None),
    # Over a bed or a seat.
    ("a mirror over the bed", "heavy-high", look(MIRROR, at=(hung(MIRROR, y=320),), piece=top(BED, ledges=(TOP, WALL))), "heed"),
    ("light art over the bed", "heavy-high",
     look(PICTURE, at=(hung(PICTURE, y=320),), piece=top(BED, ledges=(TOP, WALL))), None),
    ("unweighed art over a sofa", "heavy-high",
     look(thing("art", "art", width=600.0, height=500.0, depth=20.0), at=(put("art", "wall", 600, None, y=320, pose="hung"),),
          piece=top(ledges=(TOP, WALL), use=("over-sofa",))), "unknown"),
    # Water and cords.
    ("water over a socket", "spills", look(VASE, POSY, at=WET, piece=top(Fixture(kind="socket", left=660, floor=300, width=80,
                                                                              height=80))), "heed"),
    ("dry stems over a socket", "spills",
     look(VASE, thing("posy", "stems", name="dried grasses"), at=WET,
          piece=top(Fixture(kind="socket", left=660, floor=300, width=80, height=80))), None),
    ("fresh branches beside a lamp", "spills",
     look(VASE, thing("posy", "stems", name="beech branches"), LAMP, at=(*WET, put("lamp", x=500, z=160))), "heed"),
    ("a device on the shelf below", "spills",
     look(VASE, POSY, called("radio", "device", traits=("corded",)),
          at=(put("vase", "a2", x=400), put("posy", "a2", None, None, inside="vase"), put("it", "a1", x=400)),
          piece=case_of(2)), "heed"),
    ("a cord across the hearth", "cords",
     look(LAMP, at=(put("lamp", x=150, z=200),), piece=top(
         Fixture(kind="firebox", left=400, floor=0, width=400, height=700),
         Fixture(kind="socket", left=1000, floor=300, width=80, height=80))), "heed"),
    ("a socket on its own side", "cords",
     look(LAMP, at=(put("lamp", x=1000, z=200),), piece=top(
         Fixture(kind="firebox", left=400, floor=0, width=400, height=700),
         Fixture(kind="socket", left=1000, floor=300, width=80, height=80))), None),
    # What tips and slides.
    ("tall and slim at the edge", "tips", look(thing("slim", height=400.0), at=(put("slim", z=65),)), "heed"),
    ("tall and slim at the back", "tips", look(thing("slim", height=400.0), at=(put("slim", z=300),)), None),
    ("a tower of boxes", "tips",
     look(*(thing(f"b{n}", "box", width=150.0, height=140.0, depth=150.0, traits=("lidded",)) for n in range(3)),
          at=(put("b0", z=200), put("b1", z=200, on="b0"), put("b2", z=200, on="b1"))), "heed"),
    ("a row with no end hold", "tips", look(ROW, at=(put("row", x=600, z=200),)), "heed"),
    ("a row between the sides", "tips", on_shelf(weighed(thing("row", "book-row", width=780.0, height=250.0, depth=200.0), 9.0),
                                                shelf()), None),
    ("a stone slab leaning on the worktop", "unsecured",
     look(called("slab", "board", material="marble", width=400.0, height=300.0, depth=20.0), at=(put("it", z=390, pose="leaning"),)),
     "heed"),
    ("on the edge of a leaning board", "overhang",
     look(called("slab", "board", material="oak", width=400.0, height=300.0, depth=20.0), called_small := thing("cup", height=80.0),
          at=(put("it", z=390, pose="leaning"), put("cup", z=390, on="it"))), "stop"),
    # Space.
    ("over the back", "overhang", look(thing("deep", "box"), at=(put("deep", z=305),)), "stop"),
    ("carried over the edge", "overhang",
     look(thing("tray", "tray"), thing("cup", height=80.0), at=(put("tray", x=140, z=200), put("cup", x=20, z=200, on="tray"))),
     "stop"),
    ("a box's corner over a round rim", "overhang",
     look(thing("box", "box"), at=(put("box", x=400, z=110),),
          piece=top(ledges=(Ledge(id="a1", left=0, floor=420, width=800, depth=800, shape="ellipse"),))), "stop"),
    ("a knife block in a smaller crock", "fit",
     look(thing("crock", mouth=90.0), called("knife block", "utensils", width=110.0, depth=110.0, height=200.0),
          at=(put("crock", z=200), put("it", x=None, z=None, inside="crock"))), "stop"),
)  # fmt: skip


@pytest.mark.parametrize(("danger", "identifier", "made", "level"), DANGERS, ids=[row[0] for row in DANGERS])
def test_a_danger_is_told_as_far_as_it_is_known(
    danger: str, identifier: str, made: Callable[[], Arrangement], level: Told
) -> None:
    told = [caution for caution in cautions_of(made()) if caution.id == identifier]
    assert (told[0].level if told else None) == level, told
    for caution in told:
        assert caution.sentence[0].isupper()
        assert caution.sentence.endswith(".")
        assert "None" not in caution.sentence
