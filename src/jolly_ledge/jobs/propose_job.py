"""Proposals, and what is wanted, searched for in a process of their own, so that the window stays fluid.

A search in a thread would hold the interpreter while the window wants to paint; a spawned process does not. It
is kept warm from one search to the next, for it takes about a second to start.
"""

import multiprocessing
import time
from collections.abc import Callable
from multiprocessing.connection import Connection
from multiprocessing.process import BaseProcess

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import Season
from jolly_ledge.proposals.manners import Each, manners_of
from jolly_ledge.proposals.meaning import Meaning, Stands, meaning_of, standing_of
from jolly_ledge.proposals.moods import moods_of
from jolly_ledge.proposals.problem import problem_of, problems_of
from jolly_ledge.proposals.propose import Progress, Proposals, propose
from jolly_ledge.proposals.wanted import Want, wanted

PATIENCE_S, HEEDED_WITHIN_S = 2.0, 0.3


class ProposeRequest(Struct, frozen=True):
    """What is asked for: the plan as it is now, the piece, the manner, where to begin, how many, how long.

    ``each`` asks for one look in each fullness or figure; ``finish`` keeps all that stands in the base, ``stay`` a
    share of it.
    """

    plan: Plan
    piece: str
    manner: Manner
    base: Look | None = None
    ledge: str | None = None
    count: int = 3
    seed: int = 1
    seconds: float | None = 12.0
    steps: int | None = None
    each: Each = ""
    finish: bool = False
    stay: float = 0.0
    season: Season | None = None


class WantedRequest(Struct, frozen=True):
    """What is not owned and would help a look most is asked for."""

    plan: Plan
    look: str


class MeaningRequest(Struct, frozen=True):
    """What the score of a look means is asked for: a map of scores, and how the look stands among chance ones."""

    plan: Plan
    look: str


class MeaningFound(Struct, frozen=True):
    """What scores mean for a piece, its stash and a manner, and how a look stands; None where nothing can be placed."""

    look: str
    meaning: Meaning | None
    stands: Stands | None


class WantedFound(Struct, frozen=True):
    """What is wanted, the best first; empty when nothing is needed."""

    wants: tuple[Want, ...]


class Refused(Struct, frozen=True):
    """Nothing can be proposed; one sentence for people."""

    sentence: str


Event = Progress | Proposals | WantedFound | MeaningFound | Refused
Request = ProposeRequest | WantedRequest | MeaningRequest


class ProposeJob:
    """Runs one search at a time; events are fetched by ``poll`` and never wait."""

    def __init__(self) -> None:
        self._process: BaseProcess | None = None
        self._line: Connection | None = None
        self.is_running = False

    def start(self, request: Request) -> None:
        """Begin a search; one that runs is stopped first, at once where it does not heed."""
        self.cancel()
        latest = time.monotonic() + HEEDED_WITHIN_S
        while self.is_running and time.monotonic() < latest:
            self.poll()
            time.sleep(0.002)
        if self.is_running:
            self.close()
        if self._process is None or not self._process.is_alive():
            context = multiprocessing.get_context("spawn")
            self._line, other = context.Pipe()
            self._process = context.Process(target=work, args=(other,), daemon=True, name="jolly-ledge proposals")
            self._process.start()
            other.close()
        assert self._line is not None
        self._line.send(request)
        self.is_running = True

    def poll(self) -> list[Event]:
        """Return what came since the last time; a search that broke off is told as refused."""
        events: list[Event] = []
        if self._line is None or not self.is_running:
            return events
        try:
            while self._line.poll():
                events.append(self._line.recv())
        except (EOFError, OSError):
            events.append(Refused("The search broke off; try it again."))
            self._forget()
        if any(not isinstance(event, Progress) for event in events):
            self.is_running = False
        return events

    def cancel(self) -> None:
        """Ask the search to end; what was found so far comes as its last event."""
        if self._line is not None and self.is_running:
            self._line.send(None)

    def close(self) -> None:
        """End the process."""
        process, line = self._process, self._line
        self._forget()
        if line is not None:
            line.close()
        if process is not None:
            process.terminate()
            process.join(PATIENCE_S)
            if process.is_alive():
                # It does not heed: it is not asked again.
                process.kill()
                process.join(PATIENCE_S)

    def _forget(self) -> None:
        self._process = self._line = None
        self.is_running = False


def work(line: Connection) -> None:
    """Serve requests until the line is closed."""
    try:
        while True:
            request = line.recv()
            if isinstance(request, ProposeRequest | WantedRequest | MeaningRequest):
                _serve(line, request)
    except (EOFError, OSError, KeyboardInterrupt):
        return


def _serve(line: Connection, request: Request) -> None:
    def is_cancelled() -> bool:
        return line.poll() and line.recv() is None

    try:
        if isinstance(request, WantedRequest):
            line.send(WantedFound(wanted(request.plan, request.plan.look(request.look), is_cancelled=is_cancelled)))
            return
        if isinstance(request, MeaningRequest):
            line.send(_meant(request, is_cancelled))
            return
        moods = moods_of(request.plan, request.plan.piece(request.piece)) if request.each == "mood" else ()
        manners = manners_of(request.manner, request.count, request.each, moods)
        problems = problems_of(
            request.plan, request.piece, manners, request.base, request.ledge, finish=request.finish,
            stay=request.stay, season=request.season,
        )  # fmt: skip
        events = propose(
            problems, request.seed, steps=request.steps, seconds=request.seconds, is_cancelled=is_cancelled
        )
        for event in events:
            line.send(event)
    except JollyLedgeError as error:
        line.send(Refused(str(error)))


def _meant(request: MeaningRequest, is_cancelled: Callable[[], bool]) -> MeaningFound:
    look = request.plan.look(request.look)
    try:
        problem = problem_of(replace(request.plan, looks=()), look.piece, look.manner)
    except JollyLedgeError:
        return MeaningFound(request.look, None, None)
    meaning = meaning_of(problem)
    stands = (
        None if is_cancelled() else standing_of(problem, problem.resolve(look.placements), meaning, stop=is_cancelled)
    )
    return MeaningFound(request.look, meaning, stands)
