"""Even vignettes: groups of like rank should weigh alike to the eye."""

from jolly_ledge.geometry.arrangement import Arrangement, Vignette
from jolly_ledge.measures.score import deviation, mean, ramp
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.roles import role_of
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.marks import weights

ID = "even-vignettes"
BAND = (0.0, 0.35)
UNEVEN = 1.1
BELOW = frozenset({"below", "floor", "hearth"})
CENTRED = 0.1
"""A heaviest group so near the middle (in widths) is the focal point of the whole, of a rank of its own."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the spread of visual weight between vignettes (standard deviation over mean).

    Groups on an open top and what lies below it are not of like rank; beside a bed the lamp outweighs the rest. Left
    out with fewer than two vignettes of like rank.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(2), stand(200, 100, 200), stand(600, 100, 200, "s2"))
    >>> round(read(look, look.manner).value, 3)
    0.0
    """
    piece = arrangement.piece
    vignettes = tuple(one for one in arrangement.vignettes if role_of(piece, one.ledge) not in BELOW)
    if len(vignettes) < 2 or kind_of(piece).is_by_a_bed:
        return None
    by_id = weights(arrangement)
    vignettes = _of_like_rank(vignettes, by_id, piece.width)
    masses = [_mass(vignette, by_id) for vignette in vignettes]
    middle = mean(masses)
    if middle <= 0:
        return None
    value = deviation(masses) / middle
    heavy = max(range(len(masses)), key=lambda index: masses[index])
    light = min(range(len(masses)), key=lambda index: masses[index])
    findings: tuple[Finding, ...] = ()
    if value > BAND[1] * 1.3:
        findings = (
            Finding(
                ID,
                (*vignettes[heavy].ids, *vignettes[light].ids),
                f"The group of {vignettes[heavy].units[0].label} on {vignettes[heavy].ledge.label} weighs "
                f"{masses[heavy] / max(masses[light], 1.0):.1f} times that of {vignettes[light].units[0].label} on "
                f"{vignettes[light].ledge.label}; carry something over.",
                min(value / UNEVEN, 1.0) * 0.7,
            ),
        )
    whole = sum(masses)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.5),
        score=1 - ramp(value, BAND[1], UNEVEN),
        shown="even" if value <= BAND[1] else f"± {round(value * 100)} %",
        sentence=f"The weights of {len(vignettes)} groups differ by {round(value * 100)} % of their mean; up to "
        "35 % is even.",
        contributions=tuple(
            (identifier, by_id[identifier] / whole) for vignette in vignettes for identifier in vignette.ids
        ),
        findings=findings,
    )


def _mass(vignette: Vignette, by_id: dict[str, float]) -> float:
    return sum(by_id[identifier] for identifier in vignette.ids)


def _of_like_rank(vignettes: tuple[Vignette, ...], by_id: dict[str, float], width: float) -> tuple[Vignette, ...]:
    """Leave out a focal group at the middle where others stand on both sides of it."""
    first = max(vignettes, key=lambda vignette: _mass(vignette, by_id))
    middle = _middle(first)
    others = tuple(vignette for vignette in vignettes if vignette is not first)
    sides = {_middle(vignette) > middle for vignette in others}
    return others if len(sides) == 2 and abs(middle - width / 2) <= CENTRED * width else vignettes


def _middle(vignette: Vignette) -> float:
    return (min(stack.left for stack in vignette.stacks) + max(stack.right for stack in vignette.stacks)) / 2
