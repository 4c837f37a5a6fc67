"""Who lives there: what a child or an animal grasps, swallows, pulls down or sweeps off."""

from collections.abc import Iterable, Iterator

from jolly_ledge.cautions.caution import Caution, Level
from jolly_ledge.cautions.eaters import Eater, animals_of, child_of, reach_of
from jolly_ledge.cautions.stuff import breaks, likely_mass, speaks_of
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import capital, listed, verb
from jolly_ledge.model.words import WALL_CATEGORIES

HEAVY_FOR_A_CHILD_KG = 2.0
"""What falls on a child from a shelf hurts from about here on."""

FALLS_FROM_MM = 250.0
"""From a lower ledge a heavy thing is pushed about rather than pulled down."""

CAREFUL_FROM, MOUTHS_UNTIL, MINDS_FLAME_FROM, LEAVES_ALONE_FROM = 7, 5, 12, 13
"""Ages: from which a child handles what breaks and cuts, until which it puts things into its mouth, from which it
can be trusted beside a flame, and from which it knows what must not be swallowed."""

SWALLOWED_AT_ANY_AGE = (
    "button cell", "button batteries", "button battery", "coin cell", "magnet", "magnetic", "medicine", "pill",
    "tablet", "vitamin", "drug",
)  # fmt: skip
"""What burns, perforates or poisons a child that swallows it."""

CHOKED_ON = ("marble", "bead", "pebble", "coin", "button", "dice", "die", "acorn", "shell", "nut", "bell", "puzzle")
SWALLOWED_BY_ANIMALS = (
    "bead", "moss", "potpourri", "dried petal", "dried orange", "scented", "cone", "acorn", "chestnut", "feather",
    "raffia", "tinsel", "ribbon", "chocolate", "sweet", "sugar", "biscuit", "cookie", "fruit", "grape", "raisin", "nut",
    "candy", "garlic", "onion", "bread",
)  # fmt: skip
"""Loose fillings, dried scented matter and uncovered food: eaten or torn apart by dogs and birds."""

TAIL_MM = (250.0, 750.0)
"""Between these heights a dog's tail sweeps over an open top."""

NEAR_EDGE_MM = 200.0


def within_reach(arrangement: Arrangement, age: int) -> tuple[PlacedItem, ...]:
    """Return the things of a look that a standing child of an age can get at, those under a lid left out."""
    reach = reach_of(age)
    return tuple(placed for placed in _in_the_open(arrangement) if placed.bottom < reach)


def toddler(arrangement: Arrangement) -> Iterable[Caution]:
    """Report what a child grasps and what hurts it: breakable, sharp, heavy, burning, or what it may pull down."""
    child = child_of(arrangement.household)
    if child is None:
        return
    near = [placed for placed in _in_the_open(arrangement) if placed.bottom < child.reach]
    unknown: list[PlacedItem] = []
    for placed in near:
        danger = _danger(placed, child)
        if danger is not None:
            yield _told(placed, child, *danger)
        elif _is_untold(placed, child):
            unknown.append(placed)
    if unknown:
        names = [f"the {placed.item.label}" for placed in unknown]
        said = (
            f"{capital(listed(names))} {verb(names, 'stands', 'stand')} where {child.name} reaches, and what "
            f"{verb(names, 'it weighs, or whether it breaks, is', 'they weigh, or whether they break, is')} not told; "
            "find out, or set higher."
        )
        yield Caution("toddler", "unknown", tuple(placed.id for placed in unknown), said)


def _told(placed: PlacedItem, child: Eater, word: str, level: Level) -> Caution:
    hung = "hangs" if placed.placement.pose == "hung" else "stands"
    return Caution(
        "toddler",
        level,
        (placed.id,),
        f"The {placed.item.label} is {word} and {hung} {round(placed.bottom / 10)} cm up, where {child.name} "
        f"reaches; set it above {round(child.reach / 10)} cm, or out of the room.",
    )


def _in_the_open(arrangement: Arrangement) -> Iterator[PlacedItem]:
    """Yield what a hand can get at: what lies in an open basket is out of sight, not out of reach."""
    for placed in arrangement.placed_items:
        host = arrangement.by_id.get(placed.placement.inside or "")
        if host is None or "lidded" not in host.item.traits:
            yield placed


def _danger(placed: PlacedItem, child: Eater) -> tuple[str, Level] | None:
    item, mass, age = placed.item, placed.item.mass, child.age or 0
    if "flame" in item.traits and age < MINDS_FLAME_FROM:
        return "a flame", "stop"
    if age >= CAREFUL_FROM:
        return None
    if "sharp" in item.traits:
        return "sharp", "stop"
    on_the_wall = placed.placement.pose in ("hung", "leaning") and item.category in WALL_CATEGORIES
    if on_the_wall:
        leans = placed.placement.pose == "leaning"
        return ("leaning, so that it is pulled over" if leans else "pulled off its hook"), "heed"
    if breaks(item) == "yes":
        return "breakable", "heed"
    if mass is not None and mass >= HEAVY_FOR_A_CHILD_KG and not item.is_book:
        if placed.depth_order > 0:
            return "heavy on top of something", "heed"
        if placed.bottom >= FALLS_FROM_MM:
            return f"heavy ({mass:g} kg)", "heed"
    return None


def _is_untold(placed: PlacedItem, child: Eater) -> bool:
    """Tell whether nobody told what would make a thing a danger."""
    if (child.age or 0) >= CAREFUL_FROM:
        return False
    item = placed.item
    falls = placed.depth_order > 0 or placed.bottom >= FALLS_FROM_MM
    heavy = item.mass is None and not item.is_book and likely_mass(item) >= HEAVY_FOR_A_CHILD_KG
    return breaks(item) == "unknown" or (falls and heavy)


def small_parts(arrangement: Arrangement) -> Iterable[Caution]:
    """Report what a child or an animal can put into its mouth and must not."""
    child = child_of(arrangement.household)
    animals = [animal for animal in animals_of(arrangement.household) if animal.kind in ("dog", "bird")]
    for placed in _in_the_open(arrangement):
        harm = _swallowed_by_a_child(placed.item, child) if child is not None else ""
        if child is not None and harm and placed.bottom < child.reach:
            yield Caution(
                "small-parts",
                "stop",
                (placed.id,),
                f"The {placed.item.label} {harm} within reach of {child.name}; keep it shut away or high up.",
            )
        near = [animal.name for animal in animals if placed.bottom < animal.reach]
        if near and _is_eaten(placed.item):
            yield Caution(
                "small-parts",
                "heed",
                (placed.id,),
                f"The {placed.item.label} can be torn apart or eaten by {listed(near)}; cover it, or set it out "
                f"of reach.",
            )


def _swallowed_by_a_child(item: Item, child: Eater | None) -> str:
    text, age = f"{item.label} {item.material}", child.age or 0 if child is not None else 0
    if age < LEAVES_ALONE_FROM and speaks_of(text, SWALLOWED_AT_ANY_AGE):
        return "holds what gravely harms a child that swallows it,"
    if age < MOUTHS_UNTIL and ("small-parts" in item.traits or item.category == "beads" or _is_loose(item, text)):
        return "holds small parts that a child can choke on,"
    return ""


def _is_loose(item: Item, text: str) -> bool:
    """Tell whether small things are named, several or in a dish: a bell is none, a bowl of acorns is."""
    loose = (
        item.count > 1
        or item.category in ("bowl", "supplies", "vessel", "tray")
        or text.lower().split()[:1] == ["bowl"]
    )
    return loose and speaks_of(text, CHOKED_ON)


def _is_eaten(item: Item) -> bool:
    if "lidded" in item.traits or item.is_book or item.category in WALL_CATEGORIES:
        return False
    return (
        item.category == "beads"
        or "small-parts" in item.traits
        or speaks_of(f"{item.label} {item.material}", SWALLOWED_BY_ANIMALS)
    )


def tail(arrangement: Arrangement) -> Iterable[Caution]:
    """Report what a dog's tail would sweep off a low open top."""
    dogs = [animal for animal in animals_of(arrangement.household) if animal.kind == "dog"]
    if not dogs:
        return
    low, high = TAIL_MM
    swept = [
        placed
        for placed in arrangement.visible
        if placed.ledge.clearance is None
        and not placed.ledge.is_wall
        and low <= placed.ledge.floor <= high
        and (breaks(placed.item) == "yes" or "flame" in placed.item.traits)
        and _to_the_edge(placed) < NEAR_EDGE_MM
    ]
    if swept:
        names = [f"the {placed.item.label}" for placed in swept]
        yield Caution(
            "tips",
            "heed",
            tuple(placed.id for placed in swept),
            f"{capital(listed(names))} {verb(names, 'stands', 'stand')} at the height of a dog's tail, near the "
            f"edge of "
            f"{swept[0].ledge.label}; draw {verb(names, 'it', 'them')} to the middle, or leave "
            f"{verb(names, 'it', 'them')} out.",
        )


def _to_the_edge(placed: PlacedItem) -> float:
    ledge = placed.ledge
    return min(placed.front, placed.left - ledge.left, ledge.right - placed.right)
