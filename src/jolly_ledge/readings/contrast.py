"""Contrast: what vanishes against its back, and what shouts."""

from functools import lru_cache

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.score import ramp, score_of, smooth_step, weighted_mean
from jolly_ledge.model.colour import difference, lightness_chroma_hue
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, listed
from jolly_ledge.model.words import Ground
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.background import lies_on_seen_surface
from jolly_ledge.scene.marks import Mark, marks_by_ledge

ID = "contrast"
BANDS: dict[Ground, tuple[float, float]] = {"any": (12.0, 70.0), "stand-out": (25.0, 90.0), "blend": (4.0, 30.0)}
"""Some want things to stand out from their back, some want them to blend with it."""

DARK_SHARE, DARK_LIGHTNESS = 0.1, 0.55
"""Of the difference of two blacks so much is seen; from this OKLab lightness on, all of it."""

SHOUT_REACH = 40.0
SHOUT_FLOOR = 0.7
"""So far over the band a thing shouts, and what is left of its score then."""

CALM_FLOOR, ROW_FLOOR = 0.3, 0.7
"""What blends with its back rests the eye more than it harms; a row of books is seen by the lines between them."""

SIZE_POWER = 0.35
"""How much more a large thing counts than a small one; each is to be seen."""

TONES_COST, TONES_APART, MANY_TONES = 0.25, 0.25, 4
FAINT, OFF_THE_MIDDLE = 0.6, 0.06
"""Below this share of the band's lower end a thing can hardly be seen."""


class _Seen(Struct, frozen=True):
    """How one thing stands out."""

    placed: PlacedItem
    size: float
    score: float
    weight: float
    faintness: float


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the CIEDE2000 difference of every thing to what stands behind (or under) it.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(), stand(400, 100, 200, colours=(("#f1ece0", 1.0),)))
    >>> read(look, look.manner).value  # the colour of the back itself
    0.0
    """
    band = BANDS[manner.ground]
    seen = [one for marks in marks_by_ledge(arrangement) for one in _ledge(marks, band)]
    if not seen:
        return None
    value = weighted_mean([(one.size, one.weight) for one in seen])
    score = weighted_mean([(one.score, one.weight) for one in seen])
    loss = 1 - score + TONES_COST * _alike_in_tone(seen) * (len(seen) >= MANY_TONES)
    middle, half = (band[0] + band[1]) / 2, (band[1] - band[0]) / 2
    # Within the band the middle is best: neither faint nor loud against its back.
    off = weighted_mean([(min(abs(one.size - middle) / half, 1.0), one.weight) for one in seen])
    loss += OFF_THE_MIDDLE * off
    faint = [one for one in seen if one.faintness > 1 - FAINT]
    findings = tuple(
        Finding(
            ID,
            (one.placed.id,),
            f"{capital(f'the {one.placed.item.label}')} vanishes against {_behind_words(one.placed, arrangement)}; "
            "swap it with something lighter or darker, or set something between.",
            one.faintness,
        )
        for one in faint
    )
    return Reading(
        id=ID,
        value=value,
        band=band,
        limits=(0.0, 100.0),
        score=score_of(loss),
        loss=loss,
        shown=f"{len(faint)} faint" if faint else f"{round(value)}",
        sentence=(
            f"Things differ from their back by {round(value)} on average; "
            f"{round(band[0])} to {round(band[1])} is wanted"
            + (f"; {listed([f'the {one.placed.item.label}' for one in faint])} can hardly be seen." if faint else ".")
        ),
        contributions=tuple((one.placed.id, one.size) for one in seen),
        findings=findings,
    )


def _alike_in_tone(seen: list[_Seen]) -> float:
    """Return how far all things are of one lightness: a strong step somewhere lets the others rest."""
    tones = [lightness_chroma_hue(one.placed.item.main_colour).lightness for one in seen]
    return 1 - smooth_step(max(tones) - min(tones), TONES_APART, TONES_APART)


@lru_cache(maxsize=512)
def _ledge(marks: tuple[Mark, ...], band: tuple[float, float]) -> tuple[_Seen, ...]:
    found = []
    placed_items = tuple(mark.placed for mark in marks)
    for mark in marks:
        placed = mark.placed
        # A mirror shows the room: it neither vanishes nor shouts.
        if placed.area <= 0 or placed.item.category == "mirror":
            continue
        other = _covered_by(placed, placed_items)
        against = mark.against if other is None else ((other.item.main_colour, 1.0),)
        is_row = placed.item.is_book and placed.placement.pose in ("upright", "spine-in", "leaning")
        floor = ROW_FLOOR if is_row and placed.shape != "book-stack" else CALM_FLOOR
        first = _differs(placed, against[0][0])
        found.append(
            _Seen(
                placed,
                sum(_differs(placed, back) * part for back, part in against),
                sum(_plain_to_see(_differs(placed, back), band, floor) * part for back, part in against),
                placed.area**SIZE_POWER,
                max(1 - first / band[0], 0.0),
            )
        )
    return tuple(found)


def _plain_to_see(size: float, band: tuple[float, float], floor: float) -> float:
    if size < band[0]:
        return floor + (1 - floor) * float((size / band[0]) ** 1.5)
    return 1 - (1 - SHOUT_FLOOR) * ramp(size, band[1], band[1] + SHOUT_REACH)


def _differs(placed: PlacedItem, behind: str) -> float:
    colours = placed.colours
    whole = sum(share for _, share in colours) or 1.0
    return sum(difference(colour, behind) * _told_apart(colour, behind) * share for colour, share in colours) / whole


def _told_apart(colour: str, behind: str) -> float:
    """Return how much of a difference is seen: between two darks the eye tells less than the figures do."""
    lighter = max(lightness_chroma_hue(colour).lightness, lightness_chroma_hue(behind).lightness)
    return DARK_SHARE + (1 - DARK_SHARE) * ramp(lighter, 0.0, DARK_LIGHTNESS)


def _covered_by(placed: PlacedItem, placed_items: tuple[PlacedItem, ...]) -> PlacedItem | None:
    """Return the thing a standing one is wholly seen against, if any."""
    for other in placed_items:
        if (
            other.root != placed.root
            and other.z > placed.z + 1
            and other.left <= placed.left
            and other.right >= placed.right
            and other.top >= placed.top
            and other.bottom <= placed.bottom
        ):
            return other
    return None


def _behind_words(placed: PlacedItem, arrangement: Arrangement) -> str:
    other = _covered_by(placed, arrangement.by_ledge[placed.ledge.id])
    if other is not None:
        return f"the {other.item.label} behind it"
    return f"the {'top' if lies_on_seen_surface(placed) else 'back'} of {placed.ledge.label}"
