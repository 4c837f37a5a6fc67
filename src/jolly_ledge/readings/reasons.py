"""Why a vignette is as it is: one line for the helper who builds it, from what the readings measure."""

from jolly_ledge.geometry.arrangement import Arrangement, Stack, Vignette
from jolly_ledge.measures.anchors import HOLDS, anchor_share
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.families import name_of
from jolly_ledge.model.phrases import capital, counted, listed, percent
from jolly_ledge.readings.colour_echo import accents_by_leader, spots_of
from jolly_ledge.readings.layering import depth_bands

MOST_CLAUSES = 3


def reason_for(vignette: Vignette, arrangement: Arrangement) -> str:
    """Return why a vignette stands so: what leads it, how its heights go, what it answers elsewhere.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(), stand(200, 100, 280), stand(310, 90, 120), stand(400, 80, 60))
    >>> reason_for(look.vignettes[0], look)
    'Three together: the s1-200 leads with 70 % of the height; the s1-310 and the s1-400 step down from it.'
    """
    stacks = sorted(vignette.stacks, key=lambda stack: -stack.height)
    leader = stacks[0]
    share = percent(leader.height / frame_height(vignette.ledge))
    if len(stacks) == 1:
        holds = anchor_share(leader) >= HOLDS[1]
        done = "holds its ledge alone" if holds else "stands alone"
        clauses = [f"{capital(leader.label)} {done} with {share} of the height"]
    else:
        many = capital(counted(len(vignette.units), "", " ").strip())
        clauses = [f"{many} together: {leader.label} leads with {share} of the height", *_steps_down(stacks)]
        if depth_bands(vignette.stacks, vignette.ledge) > 1:
            front = min(vignette.stacks, key=lambda stack: stack.front)
            if front is not leader:
                clauses.append(f"{front.label} comes forward for depth")
    clauses += _echo(vignette, arrangement)
    return f"{'; '.join(clauses[:MOST_CLAUSES])}."


def _steps_down(stacks: list[Stack]) -> list[str]:
    lower = [stack for stack in stacks[1:] if stack.height < 0.9 * stacks[0].height]
    if not lower:
        return []
    names = listed([stack.label for stack in lower], 2)
    return [f"{names} {'steps' if len(lower) == 1 else 'step'} down from it"]


def _echo(vignette: Vignette, arrangement: Arrangement) -> list[str]:
    """Tell which colour of the vignette is answered where."""
    own, best = set(vignette.ids), (0.0, "")
    for leader, seen in accents_by_leader(arrangement).items():
        shown = sum(area for placed, _, area in seen if placed.id in own)
        spots = [spot for spot in spots_of([s for s, _, _ in seen]) if spot.ledge.id != vignette.ledge.id]
        if shown > best[0] and spots:
            there = min(spots, key=lambda spot: abs(spot.ledge.floor - vignette.ledge.floor))
            colour = name_of(leader, arrangement.families)
            best = (shown, f"its {colour} answers the {there.item.label} on {there.ledge.label}")
    return [best[1]] if best[1] else []
