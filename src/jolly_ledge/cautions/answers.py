"""What is done about a caution: the usual measures, and whether an answer still holds."""

import hashlib

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.look import Answer

MEASURES: dict[str, tuple[str, ...]] = {
    "fit": ("measured anew, it fits",),
    "collision": ("measured anew, both have room",),
    "overhang": ("held by a ledge behind or a fixing",),
    "kept-place": ("it is taken away while the place is used",),
    "in-use": ("it is pulled forward to be used", "it is used elsewhere"),
    "heavy-high": ("lifted by two", "anchored by a fitter", "fixed with putty"),
    "rolls": ("given a ring or a stand", "held with putty"),
    "load": ("rated by its maker", "looked at by a fitter", "one at a time"),
    "tips": ("held with putty", "weighted with sand", "given a bookend", "anchored"),
    "unsecured": ("on a non-slip pad, its top fixed", "anchored"),
    "wall-fixing": ("anchored by a fitter", "hook and anchor rated for it"),
    "flame": ("left unlit", "light with a battery instead", "lit only while somebody is by"),
    "heat": ("moved before the fire is lit", "moved before cooking", "the fire is not used", "its maker allows it"),
    "cords": ("unplugged when not in use", "run behind and fastened", "the electrician has looked"),
    "spills": ("stands on a saucer with a rim", "dry inside", "unplugged while it stands there"),
    "low-light": ("turned with another every week", "under a plant lamp"),
    "toddler": ("out of the child's room", "only while an adult is by", "held with putty"),
    "small-parts": ("locked away", "only while an adult is by"),
    "toxic-plant": ("its kind is known and harmless", "out of the room of the animal"),
}
"""The usual measures for each caution, the likeliest first; any other can be written."""


def state_of(caution: Caution, arrangement: Arrangement) -> str:
    """Return a mark of how things stand that a caution speaks of: another figure or another place gives another one."""
    told = [caution.id, caution.sentence]
    for identifier in caution.placements:
        placement = arrangement.by_id[identifier].placement
        told.append(
            f"{placement.item} {placement.ledge} {placement.x} {placement.z} {placement.y} {placement.pose} "
            f"{placement.turn} {placement.host}"
        )
    return hashlib.sha256("\n".join(told).encode()).hexdigest()[:20]


def answer_to(caution: Caution, arrangement: Arrangement) -> Answer | None:
    """Return the answer that holds for a caution; one that was given before something changed holds no longer."""
    answers = arrangement.look.answers
    if not any(answer.caution == caution.id for answer in answers):
        return None
    state = state_of(caution, arrangement)
    return next((answer for answer in answers if answer.caution == caution.id and answer.state == state), None)
