"""Physical and household facts, each as a pair of looks: the worse carries the caution at a graver level."""

from typing import Any

from msgspec.structs import replace

from builders import case_of, thing
from jolly_ledge.model.piece import Board, Fixture, Piece
from jolly_ledge.model.plan import Household
from judgement.principle import Principle
from judgement.top_principles import BED, CONSOLE, COUNTER, MANTEL

TODDLER, CAT = Household(toddler=True), Household(pets=("cat",))
FIVE = case_of(5)
TWO = case_of(2)
URN = thing("urn", width=180.0, height=260.0, depth=180.0)
LIT = thing("lit", "candle", width=80.0, height=160.0, depth=80.0, traits=("flame",))
GRASS = thing("grass", "stems", width=160.0, height=300.0, depth=160.0)


def fact(
    title: str, expects: str, piece: Piece, items: tuple[Any, ...], looks: tuple[str, str], **more: Any
) -> Principle:
    return Principle(title, expects, piece, items, *looks, kind="caution", **more)


def with_ledges(piece: Piece, **changes: Any) -> Piece:
    return replace(piece, ledges=tuple(replace(ledge, **changes) for ledge in piece.ledges))


HEARTH = replace(MANTEL, fixtures=(Fixture(kind="firebox", left=450.0, floor=0.0, width=600.0, height=700.0),),
                 ledges=(*MANTEL.ledges, replace(MANTEL.ledges[0], id="hearth", floor=0.0)))  # fmt: skip
COOKING = replace(COUNTER, fixtures=(Fixture(kind="cooktop", left=800.0, floor=900.0, width=600.0, height=10.0),))

PRINCIPLES = (
    fact("A vase too tall for its opening", "fit", TWO, (thing("tall", height=450.0), URN),
         ("tall a1 400 150", "urn a1 400 150")),
    fact("Two things in one place", "collision", TWO, (URN, LIT), ("urn a1 300 150; lit a1 350 150",
                                                                   "urn a1 300 150; lit a1 500 150")),
    fact("Over the end of the shelf", "overhang", TWO, (URN,), ("urn a1 30 150", "urn a1 130 150")),
    fact("More than the board is rated for", "load", with_ledges(TWO, load_limit=8.0),
         (thing("a", mass=6.0), thing("b", mass=5.0)), ("a a1 200 150; b a1 500 150", "a a1 200 150; b a2 500 150")),
    fact("A long thin board under books", "load",
         with_ledges(TWO, board=Board(material="plywood", thickness=18.0, span=1200.0, fixing="in-case")),
         (thing("row", "book-row", width=400.0, height=250.0, depth=200.0, mass=18.0),
          thing("few", "book-row", width=150.0, height=250.0, depth=200.0, mass=3.0)),
         ("row a1 400 150", "few a1 400 150")),
    fact("The iron pot overhead", "heavy-high", FIVE, (thing("pot", mass=7.0),), ("pot a5 400 150", "pot a2 400 150")),
    fact("A large unweighed urn overhead", "heavy-high", FIVE, (thing("jar", width=230.0, height=300.0, depth=230.0),),
         ("jar a5 400 150", "jar a1 400 150")),
    fact("Glass where a toddler reaches", "toddler", FIVE, (thing("glass", material="glass"),),
         ("glass a2 400 150", "glass a4 400 150"), household=TODDLER),
    fact("A heavy bowl a toddler can pull down", "toddler", FIVE, (thing("bowl", "bowl", mass=4.0),),
         ("bowl a2 400 150", "bowl a4 400 150"), household=TODDLER),
    fact("Marbles on a low shelf with a toddler", "small-parts", FIVE,
         (thing("marbles", "bowl", traits=("small-parts",)),),
         ("marbles a1 400 150", "marbles a4 400 150"), household=TODDLER),
    fact("A glass ball loose, or in a bowl", "rolls", TWO,
         (thing("ball", "object", silhouette="sphere", width=100.0, height=100.0, depth=100.0, traits=("rolls",)),
          thing("dish", "bowl", width=220.0)), ("ball a1 300 150; dish a1 600 150", "ball a1 - - inside=dish; dish a1 600 150")),
    fact("A lamp on loose books", "tips", CONSOLE,
         (thing("lamp", "lamp", width=250.0, height=480.0, depth=250.0),
          thing("books", "book-stack", width=280.0, height=100.0, depth=230.0)),
         ("books t 300 190; lamp t 300 190 on=books", "books t 700 190; lamp t 300 190")),
    fact("Long twigs in a light vase", "tips", CONSOLE,
         (thing("vase", height=200.0, mass=0.4), thing("crock", height=200.0, mass=3.0),
          thing("twigs", "stems", height=500.0)),
         ("vase t 300 190; twigs t - - inside=vase", "crock t 300 190; twigs t - - inside=crock")),
    fact("A candle on a shelf, or on the mantel", "flame",
         replace(TWO, ledges=(TWO.ledges[0], replace(TWO.ledges[1], clearance=None))), (LIT,),
         ("lit a1 400 150", "lit a2 400 150")),
    fact("A candle beside dry grass", "flame", MANTEL, (LIT, GRASS),
         ("lit t 400 110; grass t 560 110", "lit t 400 110; grass t 1100 110")),
    fact("Dry grass beside the fire", "heat", HEARTH, (GRASS,), ("grass hearth 360 110", "grass t 200 110")),
    fact("A basket beside the hob", "heat", COOKING, (thing("basket", "basket", finish="woven"),),
         ("basket t 700 300", "basket t 250 300")),
    fact("A router in a lidded box", "heat", TWO,
         (thing("router", "device", width=150.0, height=40.0, depth=100.0, traits=("corded",)),
          thing("chest", "box", traits=("lidded",)), thing("wicker", "basket", width=260.0, height=150.0, depth=200.0)),
         ("router a1 - - inside=chest; chest a1 300 150", "router a1 - - inside=wicker; wicker a1 300 150")),
    fact("The lamp out of reach of the socket", "cords",
         replace(CONSOLE, width=4000.0, ledges=(replace(CONSOLE.ledges[0], width=4000.0),),
                 fixtures=(Fixture(kind="socket", left=200.0, floor=300.0, width=80.0, height=80.0),)),
         (thing("lamp", "lamp", traits=("corded",)),), ("lamp t 3500 190", "lamp t 400 190")),
    fact("Flowers beside the radio", "spills", BED,
         (thing("vase"), thing("posy", "stems", silhouette="bouquet"),
          thing("radio", "device", width=160.0, height=100.0, depth=80.0, traits=("corded",))),
         ("vase t 100 200; posy t - - inside=vase; radio t 260 200", "vase t 90 200; posy t - - inside=vase; radio t 400 200")),
    fact("A lily within the cat's reach", "toxic-plant", TWO,
         (thing("lily", "plant", traits=("real-plant", "toxic")), thing("fern", "plant", traits=("real-plant",))),
         ("lily a1 400 150", "fern a1 400 150"), household=CAT),
    fact("A succulent in the dark", "low-light",
         replace(TWO, ledges=(replace(TWO.ledges[0], light="low"), replace(TWO.ledges[1], light="bright"))),
         (thing("plant", "plant", traits=("real-plant", "needs-bright-light")),),
         ("plant a1 400 150", "plant a2 400 150")),
    fact("A tall picture that leans loose, or a low one on its foot", "unsecured", MANTEL,
         (thing("tall", "art", width=500.0, height=700.0, depth=30.0),
          thing("low", "frame", width=150.0, height=200.0, depth=40.0)),
         ("tall t 700 190 leaning", "low t 700 150")),
    fact("A heavy mirror hung from nobody knows what", "wall-fixing",
         replace(CONSOLE, ledges=(*CONSOLE.ledges, replace(CONSOLE.ledges[0], id="wall", surface="wall", depth=40.0))),
         (thing("heavy", "mirror", width=600.0, height=800.0, depth=30.0, mass=14.0),
          thing("light", "frame", width=300.0, height=400.0, depth=20.0, mass=1.2)),
         ("heavy wall 700 - hung y=300", "light wall 700 - hung y=300")),
)  # fmt: skip
