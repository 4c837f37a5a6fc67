"""Stack order: larger below smaller, covers of a stack related, nothing small carrying something large."""

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.perches import perches_of
from jolly_ledge.measures.score import mean, ramp, score_of, soft_excess
from jolly_ledge.model.colour import difference
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted, percent, share_of
from jolly_ledge.readings.reading import Finding, Reading

ID = "stack-order"
BAND = (0.75, 1.0)
LARGER, MUCH_LARGER = 1.04, 1.6
"""A footprint so many times that of what carries it: just seen, plainly wrong."""

RELATED, UNRELATED = 24.0, 60.0
"""CIEDE2000 between covers that lie on each other."""

SIZE_SHARE = 0.7
UNSOUND_COST, GROWS_COST, FALLS_COST, MANY, TOLD_FROM = 1.1, 0.15, 0.11, 4.0, 0.25


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read every thing that lies on another: the footprint should fall upward.

    What is perched on or held in what it should not be counts as well; so do clear vessels that hold nothing.
    Left out where nothing is stacked. The value is the share of sound steps.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> small, large = stand(400, 100, 50, id="small"), stand(400, 400, 50, id="large", on="small")
    >>> look = look_of(shelves(), small, large)
    >>> read(look, look.manner).findings[0].sentence
    'The large is larger than the small that carries it; let them change places.'
    """
    pairs = [
        (arrangement.by_id[guest.placement.on], guest)
        for guest in arrangement.visible
        if guest.placement.on and guest.placement.pose != "draped" and not arrangement.by_id[guest.placement.on].hidden
    ]
    perched = list(perches_of(arrangement))
    if not pairs and not perched:
        return None
    scores = {guest.id: _step(host, guest) for host, guest in pairs}
    value = mean(list(scores.values()), empty=1.0)
    cost = sum(cost for _, cost, _ in perched)
    loss = UNSOUND_COST * sum(1 - score for score in scores.values()) / (1 + 0.3 * len(scores)) + cost
    loss += GROWS_COST * mean([soft_excess(_ratio(host, guest), LARGER, LARGER) for host, guest in pairs], empty=0.0)
    # What lies well within what carries it falls upward more plainly than what only just does.
    loss += FALLS_COST * mean([min(_ratio(host, guest), 1.0) for host, guest in pairs], empty=0.0)
    told = [(one, cost, said) for one, cost, said in perched if cost > TOLD_FROM]
    loss = MANY * loss / (MANY + loss)
    findings = tuple(
        Finding(
            ID,
            (guest.id, host.id),
            f"The {guest.item.label} is larger than the {host.item.label} that carries it; let them change places.",
            min(_ratio(host, guest) - 1.0, 1.0),
        )
        for host, guest in pairs
        if _ratio(host, guest) > 1.15
    )
    findings += tuple(Finding(ID, (one.id,), said, min(cost, 1.0)) for one, cost, said in told)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        shown=f"{len(told)} perched" if told else percent(value),
        sentence=f"{capital(share_of(value, 'what lies on each other'))} falls upward in size and is related in colour"
        + (
            f"; {counted(len(told), 'thing')} {'is' if len(told) == 1 else 'are'} held or perched against sense."
            if told
            else "."
        ),
        contributions=(*scores.items(), *((one.id, -cost) for one, cost, _ in perched if one.id not in scores)),
        findings=findings,
        loss=loss,
    )


def _footprint(placed: PlacedItem) -> float:
    return placed.width * (placed.back - placed.front)


def _ratio(host: PlacedItem, guest: PlacedItem) -> float:
    return _footprint(guest) / max(_footprint(host), 1.0)


def _step(host: PlacedItem, guest: PlacedItem) -> float:
    size = 1 - ramp(_ratio(host, guest), LARGER, MUCH_LARGER)
    if not (host.item.is_book and guest.item.is_book):
        return size
    apart = difference(host.colours[0][0], guest.colours[0][0])
    return SIZE_SHARE * size + (1 - SIZE_SHARE) * (1 - ramp(apart, RELATED, UNRELATED))
