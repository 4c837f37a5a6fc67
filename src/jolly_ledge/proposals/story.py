"""How a proposal came about, told in working order with a reason for every thing."""

from collections.abc import Collection

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.counts import recommended, things_on
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.hue_family import QUIET, WARM, hue_family
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.words import GREENERY
from jolly_ledge.proposals.problem import Problem
from jolly_ledge.proposals.proposal import StoryStep
from jolly_ledge.scene.marks import NEVER_LEAD, weights

RANKS = ("must", "anchor", "vessel", "base", "second", "small", "green", "under")


def story_of(problem: Problem, arrangement: Arrangement) -> tuple[StoryStep, ...]:
    """Return the steps: what must be there, what leads, what bears others, second-size things, small ones, greenery."""
    heavy = weights(arrangement)
    must = {item.id for item in problem.required}
    kept = {placement.id for placement in problem.fixed}
    anchors = {
        ledge: max(things, key=lambda s: heavy.get(s.id, 0.0))
        for ledge, things in arrangement.by_ledge.items()
        if things
    }
    leads = sorted(
        anchors.values(),
        key=lambda one: (one.item.category in NEVER_LEAD, -heavy.get(one.id, 0.0), one.id),
    )
    order = {lead.id: index for index, lead in enumerate(leads)}
    steps: list[tuple[int, float, StoryStep]] = []
    for placed in arrangement.placed_items:
        if placed.id in kept:
            continue
        borne = _borne(placed, arrangement)
        rank = _rank(placed, must, order, borne)
        why = _why(rank, placed, leads, anchors.get(placed.ledge.id), borne) + _tied(rank, placed, arrangement)
        said = f"{capital(f'the {placed.item.label}')} {_where(placed, arrangement)}: {why}."
        steps.append((RANKS.index(rank), order.get(placed.id, -heavy.get(placed.id, 0.0)), StoryStep(placed.id, said)))
    return tuple(step for _, _, step in sorted(steps, key=lambda one: (one[0], one[1], one[2].placement)))


def _borne(placed: PlacedItem, arrangement: Arrangement) -> PlacedItem | None:
    """Return what a thing bears: the largest where it is several; None where it bears nothing."""
    on_it = [one for one in arrangement.placed_items if one.placement.host == placed.id]
    return max(on_it, key=lambda one: (one.width * one.height, one.id), default=None)


def leads_of(arrangement: Arrangement) -> frozenset[str]:
    """Return what leads a look: the thing that weighs most to the eye, and the largest that is no book."""
    heavy = weights(arrangement)
    shown = [one for one in arrangement.visible if one.item.category != "utensils"]
    if not shown:
        return frozenset()
    first = max(shown, key=lambda one: (heavy.get(one.id, 0.0) * (one.item.category != "stems"), one.id))
    large = max(shown, key=lambda one: (0.0 if one.item.is_book else one.width * one.height, one.id))
    return frozenset({first.item.id, large.item.id})


def how_many_said(problem: Problem, arrangement: Arrangement) -> str:
    """Return how many things were set on ledges that bear a number, and why so many; a floor bears none."""
    advised = {ledge.id: recommended(problem.piece, ledge, problem.manner.fullness) for ledge in problem.open_ledges}
    things = sum(things_on(arrangement.by_ledge.get(ledge, ())) for ledge, bears in advised.items() if bears)
    bears = sum(advised.values())
    return f"{capital(counted(things, 'thing'))}: {problem.manner.fullness} bears about {round(bears)} on these ledges."


def _rank(placed: PlacedItem, must: set[str], leads: Collection[str], borne: PlacedItem | None) -> str:
    if placed.item.id in must:
        return "must"
    if placed.id in leads:
        return "anchor"
    if borne is not None and borne.placement.inside:
        return "vessel"
    if borne is not None:
        return "under" if borne.item.is_book and placed.item.is_book else "base"
    if placed.item.category in GREENERY:
        return "green"
    return "second" if placed.height > 0.35 * frame_height(placed.ledge) else "small"


def _where(placed: PlacedItem, arrangement: Arrangement) -> str:
    host = arrangement.by_id.get(placed.placement.host or "")
    if host is not None:
        return f"{'in' if placed.placement.inside else 'on'} the {host.item.label}, {placed.ledge.label}"
    share = (placed.x - placed.ledge.left) / placed.ledge.width
    side = "at the left of" if share < 0.38 else "at the right of" if share > 0.62 else "in the middle of"
    return f"{side} {placed.ledge.label}"


def _why(
    rank: str, placed: PlacedItem, leads: list[PlacedItem], anchor: PlacedItem | None, borne: PlacedItem | None
) -> str:
    if rank == "anchor":
        return _why_it_leads(placed, leads)
    if borne is not None and rank != "must":
        name = f"the {borne.item.label}"
        return {"vessel": f"it holds {name}", "base": f"it lifts {name}", "under": f"it lies under {name}"}[rank]
    if rank == "second" and anchor is not None:
        return f"beside the {anchor.item.label}, lower than it"
    return {
        "must": "it must be there, so it found its place first",
        "second": "second in size",
        "small": "a small one to step the heights down",
        "green": "green for life, where it has air",
    }[rank]


def _why_it_leads(placed: PlacedItem, leads: list[PlacedItem]) -> str:
    """Tell the lead of the look, its counterpoise across the middle, and who leads a ledge only."""
    first = leads[0]
    if placed.id == first.id:
        return "it leads the look"
    middle = (min(lead.ledge.left for lead in leads) + max(lead.ledge.right for lead in leads)) / 2
    across = next((lead for lead in leads[1:] if (lead.x - middle) * (first.x - middle) < 0), None)
    if across is not None and placed.id == across.id:
        return f"the counterpoise to the {first.item.label} across the middle"
    return "it leads its ledge"


def _tied(rank: str, placed: PlacedItem, arrangement: Arrangement) -> str:
    """Tell where the colour of a thing that leads comes again; nothing for quiet colours."""
    hue = hue_family(placed.item.main_colour)
    if rank != "anchor" or hue in QUIET | WARM:
        return ""
    other = next(
        (
            one
            for one in arrangement.visible
            if one.ledge.id != placed.ledge.id and hue_family(one.item.main_colour) == hue
        ),
        None,
    )
    return f"; its {hue} comes again in the {other.item.label}" if other is not None else ""
