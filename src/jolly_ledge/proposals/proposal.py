"""A proposed look as it is told: apart from the search for it, which only what searches has to load."""

from typing import Literal

from msgspec import Struct

from jolly_ledge.model.look import Look
from jolly_ledge.readings.register import Assessment

Status = Literal["steps done", "time limit", "cancelled"]


class StoryStep(Struct, frozen=True):
    """One thing and why it stands where it stands."""

    placement: str
    sentence: str


class Proposal(Struct, frozen=True):
    """One proposed look: how it reads, its story, why so many."""

    look: Look
    assessment: Assessment
    story: tuple[StoryStep, ...]
    count_said: str
    is_valid: bool
    left_out: tuple[str, ...] = ()
    """What must be there and is not, in sentences that tell why."""


class Progress(Struct, frozen=True):
    """How far the search is: which proposal, what share of all is done, the best so far."""

    number: int
    share: float
    best: Proposal


class Proposals(Struct, frozen=True):
    """What was found, in the order of its numbers, and how it ended."""

    found: tuple[Proposal, ...]
    status: Status
