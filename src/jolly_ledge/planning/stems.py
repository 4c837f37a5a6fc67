"""Stems in a vessel: how many a mouth takes, with what they are held, how high they stand and where they are cut.

The mouth is filled like a circle with smaller circles: ``n = share × (mouth / stem)²``. Of a full mouth about three
quarters can be covered (circles packed at random); a bunch looks at ease at a third to two thirds of it.
"""

import math
from decimal import Decimal

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.item import Item
from jolly_ledge.model.money import money, rounded
from jolly_ledge.model.phrases import counted

STEM_MM = 8.0
"""Thickness of a usual stem near its foot; twigs are a little thicker, tulips and grasses thinner."""

EASY, FULL, PACKED = 0.33, 0.66, 0.75
"""Shares of the mouth that stems cover: at ease from the first to the second, no more go in than the third."""

GRID_ABOVE, JAR_ABOVE = 2.5, 4.0
"""A mouth so many times as wide as the bunch lets it fall to the sides: a grid, then an inner jar holds it."""

NECK_SHARE = 0.45
"""Where the mouth is not told it is guessed as this share of the vessel's width."""

ABOVE_THE_RIM = (1.0, 1.5)
"""Heights over the rim, in heights of the vessel, that look right."""

LEVELS = (1.0, 0.8, 0.62)
"""Heights of the tallest, the middle and the low stems over the rim, in parts of the tallest."""

INTO_THE_WATER = 0.85
"""How deep a stem stands in its vessel, in heights of the vessel."""

FREE_SHARE = 0.92
"""So much of the clearance the tips may reach."""

LEAKY_MATERIALS = ("wood", "wicker", "rush", "paper", "card", "basket", "unglazed")
HELD = {"": "stands by itself", "grid": "wants a grid of tape or wire over the mouth", "jar": "wants an inner jar"}


class StemPlan(Struct, frozen=True):
    """What is told of stems in a vessel; lengths in mm.

    ``fewest`` to ``most`` stems look at ease, ``limit`` go in. ``over_rim`` is the height of the tallest over the rim,
    ``cuts`` the lengths the stems are cut to with how many of each. ``held`` is empty, ``grid`` or ``jar``.
    """

    mouth: float
    mouth_is_guessed: bool
    fewest: int
    most: int
    limit: int
    over_rim: float
    cuts: tuple[tuple[int, float], ...]
    held: str
    bunches: int
    cost: Decimal | None
    sentences: tuple[str, ...]


def plan_stems(
    vessel: Item,
    bunch: Item | None = None,
    clearance: float | None = None,
    *,
    lift: float = 0.0,
    stem: float = STEM_MM,
    sight: float | None = None,
) -> StemPlan:
    """Return how stems stand in a vessel.

    Parameters
    ----------
    vessel : Item
        Its mouth is guessed where it is not told.
    bunch : Item, optional
        Stems from the stash or the shop, with their count and price where told.
    clearance : float, optional
        Free height over the ledge the vessel stands on, mm; None is open.
    lift : float
        What the vessel stands on over the ledge, mm.
    stem : float
        Thickness of one stem, mm.
    sight : float, optional
        Height over the ledge that the tips must stay under, such as the eyes of those who sit across.

    Examples
    --------
    >>> jar = Item(id="jar", category="vessel", width=160, height=200, depth=160, mouth=60)
    >>> told = plan_stems(jar)
    >>> told.fewest, told.most, told.limit, told.over_rim
    (17, 37, 42, 300.0)
    """  # fmt: skip
    guessed = vessel.mouth is None
    mouth = NECK_SHARE * vessel.width if vessel.mouth is None else float(vessel.mouth)
    whole = (mouth / stem) ** 2
    fewest, most, limit = _odd(EASY * whole), _odd(FULL * whole), max(int(PACKED * whole), 1)
    over_rim, low = _over_rim(vessel, clearance, lift, sight)
    count = bunch.stems if bunch is not None and bunch.stems else most
    bundle = stem * math.sqrt(count / PACKED)
    leaky = any(word in vessel.material.lower() for word in LEAKY_MATERIALS) or vessel.category == "basket"
    held = "jar" if leaky or mouth > JAR_ABOVE * bundle else "grid" if mouth > GRID_ABOVE * bundle else ""
    bunches = max(math.ceil(fewest / count), 1) if bunch is not None else 0
    price = bunch.price if bunch is not None else None
    told = StemPlan(
        mouth, guessed, fewest, most, limit, over_rim, _cuts(min(count, limit), over_rim, vessel), held, bunches,
        None if price is None else rounded(bunches * price), (),
    )  # fmt: skip
    return _said(told, vessel, bunch, count, low)


def _odd(count: float) -> int:
    whole = max(int(count), 1)
    return whole if whole % 2 else whole - 1


def _over_rim(vessel: Item, clearance: float | None, lift: float, sight: float | None) -> tuple[float, bool]:
    """Return the height of the tallest stem over the rim, and whether the room leaves less than looks right."""
    wanted = ABOVE_THE_RIM[1] * vessel.height
    tops = [FREE_SHARE * clearance] if clearance is not None else []
    tops += [sight] if sight is not None else []
    room = min((top - lift - vessel.height for top in tops), default=wanted)
    return max(min(wanted, room), 0.0), room < ABOVE_THE_RIM[0] * vessel.height * 0.6


def _cuts(count: int, over_rim: float, vessel: Item) -> tuple[tuple[int, float], ...]:
    """Return how many stems are cut to which length: some tall, more in the middle, the rest low."""
    tall = max(round(count * 0.25), 1)
    middle = max(round(count * 0.4), 1) if count > 1 else 0
    numbers = (tall, middle, max(count - tall - middle, 0))
    inside = INTO_THE_WATER * vessel.height
    return tuple(
        (number, round((inside + level * over_rim) / 5) * 5.0)
        for number, level in zip(numbers, LEVELS, strict=True)
        if number
    )


def _said(told: StemPlan, vessel: Item, bunch: Item | None, count: int, low: bool) -> StemPlan:
    about = " (its mouth is guessed: measure it)" if told.mouth_is_guessed else ""
    said = [f"The {vessel.label} takes {told.fewest} to {told.most} stems{about}; no more than {told.limit} go in."]
    if bunch is not None:
        having = f"With the {bunch.label} ({counted(count, 'stem')})"
        if count > told.limit:
            said.append(f"{having} the neck is crowded: no more than {told.limit} go in; leave {count - told.most} out "
                        "or take a wider vessel.")  # fmt: skip
        elif count > told.most:
            said.append(f"{having} it is tight; {count - told.most} fewer would be at ease.")
        elif count < told.fewest:
            said.append(f"{having} it looks empty; {counted(told.bunches, 'bunch', 'bunches')} would fill it.")
    if told.over_rim <= 0:
        said.append("There is no room over its rim where it stands.")
    else:
        lengths = ", ".join(f"{number} to {round(length / 10)} cm" for number, length in told.cuts)
        said.append(f"The tallest stands {round(told.over_rim / 10)} cm over the rim; cut {lengths}.")
        if low:
            said.append("The opening leaves less height than looks right; a lower vessel would let them rise.")
    if told.held:
        said.append(f"It {HELD[told.held]}.")
    if told.cost is not None:
        said.append(f"{counted(told.bunches, 'bunch', 'bunches').capitalize()}: {money(told.cost)}.")
    return replace(told, sentences=tuple(said))
