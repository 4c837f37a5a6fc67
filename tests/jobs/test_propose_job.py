"""The search in its own process: progress, an end, a cancel, a refusal, a process that dies."""

import signal
import time
from collections.abc import Iterator
from multiprocessing.connection import Connection

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, thing
from jolly_ledge.jobs import propose_job
from jolly_ledge.jobs.propose_job import Event, ProposeJob, ProposeRequest, Refused, WantedFound, WantedRequest
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.proposals.problem import problems_of
from jolly_ledge.proposals.propose import Progress, Proposals, proposals

PATIENCE_S = 60.0
STASH = tuple(thing(f"jar{n}", height=140.0 + 30 * n) for n in range(8))


@pytest.fixture
def job() -> Iterator[ProposeJob]:
    made = ProposeJob()
    yield made
    made.close()


def request(**changes: object) -> ProposeRequest:
    known = {"plan": plan_of(STASH, (), case_of(2)), "piece": "case", "manner": Manner(), "count": 2, **changes}
    return ProposeRequest(**known)  # type: ignore[arg-type]


def wait_for_the_end(job: ProposeJob) -> list[Event]:
    events: list[Event] = []
    latest = time.monotonic() + PATIENCE_S
    while time.monotonic() < latest:
        events += job.poll()
        if events and not isinstance(events[-1], Progress):
            return events
        time.sleep(0.01)
    raise AssertionError("no end came")


def test_the_process_finds_what_the_search_finds_and_stays_warm(job: ProposeJob) -> None:
    asked = request(seconds=None, steps=20)
    job.start(asked)
    assert job.is_running
    events = wait_for_the_end(job)
    assert isinstance(events[0], Progress)
    here = proposals(problems_of(asked.plan, "case", [asked.manner] * 2), 1, steps=20)
    assert events[-1] == here
    assert not job.is_running
    first = job._process
    job.start(asked)
    assert wait_for_the_end(job)[-1] == here
    assert job._process is first


def test_a_cancel_brings_what_was_found_so_far(job: ProposeJob) -> None:
    job.start(request(seconds=None, steps=1_000_000))
    while not job.poll():
        time.sleep(0.01)
    begun = time.monotonic()
    job.cancel()
    last = wait_for_the_end(job)[-1]
    assert isinstance(last, Proposals)
    assert last.status == "cancelled"
    assert time.monotonic() - begun < 5.0


def test_what_cannot_be_is_told(job: ProposeJob) -> None:
    job.start(request(plan=plan_of((), (), case_of(2))))
    last = wait_for_the_end(job)[-1]
    assert isinstance(last, Refused)
    assert "gather things" in last.sentence


def test_a_process_that_dies_is_told_and_another_is_made(job: ProposeJob) -> None:
    job.start(request(seconds=None, steps=1_000_000))
    while not job.poll():
        time.sleep(0.01)
    assert job._process is not None
    job._process.kill()
    last = wait_for_the_end(job)[-1]
    assert last == Refused("The search broke off; try it again.")
    job.start(request(seconds=None, steps=5))
    assert isinstance(wait_for_the_end(job)[-1], Proposals)


def test_another_search_takes_the_place_of_one_that_runs_in_the_same_process(job: ProposeJob) -> None:
    job.start(request(seconds=None, steps=1_000_000))
    while not job.poll():
        time.sleep(0.01)
    process = job._process
    asked = request(seconds=None, steps=5)
    plan = replace(asked.plan, looks=(Look(id="look", piece="case"),))
    job.start(WantedRequest(plan, "look"))
    last = wait_for_the_end(job)[-1]
    assert isinstance(last, WantedFound)
    assert last.wants
    assert job._process is process


def unheeding(line: Connection) -> None:
    """Search without ever listening, and do not end when asked to."""
    signal.signal(signal.SIGTERM, signal.SIG_IGN)
    line.recv()
    while True:
        time.sleep(0.05)


def test_a_process_that_does_not_heed_is_ended(job: ProposeJob, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(propose_job, "work", unheeding)
    job.start(request(seconds=None, steps=20))
    deaf = job._process
    assert deaf is not None
    time.sleep(0.5)
    job.close()
    assert not deaf.is_alive()
    assert not job.is_running
    monkeypatch.undo()
    job.start(request(seconds=None, steps=10))
    assert isinstance(wait_for_the_end(job)[-1], Proposals)
