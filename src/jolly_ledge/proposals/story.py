"""How a proposal came about, told in working order with a reason for every thing."""

from msgspec import Struct

from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.phrases import capital, counted, percent
from jolly_ledge.model.words import GREENERY, TABLE_KINDS
from jolly_ledge.proposals.problem import Problem
from jolly_ledge.readings.frame import frame_height
from jolly_ledge.readings.how_many import recommended
from jolly_ledge.readings.weight import weights


class StoryStep(Struct, frozen=True):
    """One thing and why it stands where it stands."""

    placement: str
    sentence: str


RANKS = ("must", "anchor", "base", "second", "small", "green")


def story_of(problem: Problem, arrangement: Arrangement) -> tuple[StoryStep, ...]:
    """Return the steps: what must be there, anchors, bases, second-size things, small ones, greenery."""
    heavy = weights(arrangement)
    must = {item.id for item in problem.required}
    kept = {placement.id for placement in problem.fixed}
    hosts = {placement.host for placement in arrangement.look.placements}
    anchors = {
        max(things, key=lambda s: heavy.get(s.id, 0.0)).id
        for things in arrangement.by_ledge.values()
    }  # fmt: skip
    steps: list[tuple[int, float, StoryStep]] = []
    for standing in arrangement.standings:
        if standing.id in kept:
            continue
        rank = _rank(standing, must, anchors, hosts)
        said = f"{capital(f'the {standing.item.label}')} {_where(standing, arrangement)}: {_why(rank, standing)}."
        steps.append((RANKS.index(rank), -heavy.get(standing.id, 0.0), StoryStep(standing.id, said)))
    return tuple(step for _, _, step in sorted(steps, key=lambda one: (one[0], one[1], one[2].placement)))


def how_many_said(problem: Problem, arrangement: Arrangement) -> str:
    """Return how many units were set, and why so many."""
    units = sum(len(column.units) for columns in arrangement.columns.values() for column in columns)
    table = problem.piece.kind in TABLE_KINDS
    bears = sum(recommended(ledge, problem.manner.fullness, table=table) for ledge in problem.open_ledges)
    return f"{capital(counted(units, 'unit'))}: {problem.manner.fullness} bears about {round(bears)} on these ledges."


def _rank(standing: Standing, must: set[str], anchors: set[str], hosts: set[str | None]) -> str:
    if standing.item.id in must:
        return "must"
    if standing.id in anchors:
        return "anchor"
    if standing.id in hosts:
        return "base"
    if standing.item.category in GREENERY:
        return "green"
    return "second" if standing.height > 0.35 * frame_height(standing.ledge) else "small"


def _where(standing: Standing, arrangement: Arrangement) -> str:
    host = arrangement.by_id.get(standing.placement.host or "")
    if host is not None:
        return f"{'in' if standing.placement.inside else 'on'} the {host.item.label}, {standing.ledge.label}"
    share = (standing.x - standing.ledge.left) / standing.ledge.width
    side = "at the left of" if share < 0.38 else "at the right of" if share > 0.62 else "in the middle of"
    return f"{side} {standing.ledge.label}"


def _why(rank: str, standing: Standing) -> str:
    fill = percent(standing.height / frame_height(standing.ledge))
    return {
        "must": "it must be there, so it found its place first",
        "anchor": f"the anchor of its ledge, {fill} of the height",
        "base": "a base that lifts what stands on it",
        "second": f"second in size, {fill} of the height",
        "small": "a small one to step the heights down",
        "green": "greenery last, where it has air",
    }[rank]
