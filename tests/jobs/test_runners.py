"""Requests worked out in a process, in a thread and at once: progress, an end, a cancel, a refusal, a process that dies."""

import signal
import time
from collections.abc import Iterator
from multiprocessing.connection import Connection
from typing import get_args

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, thing
from jolly_ledge.jobs import process_runner, tasks
from jolly_ledge.jobs.inline_runner import InlineRunner
from jolly_ledge.jobs.process_runner import ProcessRunner
from jolly_ledge.jobs.requests import (
    Answer,
    Event,
    MeaningRequest,
    ProposeRequest,
    Refused,
    Request,
    WantedFound,
    WantedRequest,
)
from jolly_ledge.jobs.runner import Runner
from jolly_ledge.jobs.tasks import BROKE_OFF, TASKS, Cancelled, events_of
from jolly_ledge.jobs.thread_runner import ThreadRunner
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.proposals.problem import problems_of
from jolly_ledge.proposals.proposal import Progress, Proposals
from jolly_ledge.proposals.propose import proposals

PATIENCE_S = 60.0
STASH = tuple(thing(f"jar{n}", height=140.0 + 30 * n) for n in range(8))


@pytest.fixture
def job() -> Iterator[ProcessRunner]:
    made = ProcessRunner()
    yield made
    made.close()


def request(**changes: object) -> ProposeRequest:
    known = {"plan": plan_of(STASH, (), case_of(2)), "piece": "case", "manner": Manner(), "count": 2, **changes}
    return ProposeRequest(**known)  # type: ignore[arg-type]


def wait_for_the_end(job: Runner) -> list[Event]:
    events: list[Event] = []
    latest = time.monotonic() + PATIENCE_S
    while time.monotonic() < latest:
        events += [answer.event for answer in job.poll()]
        if events and not isinstance(events[-1], Progress):
            return events
        time.sleep(0.01)
    raise AssertionError("no end came")


def test_the_process_finds_what_the_search_finds_and_stays_warm(job: ProcessRunner) -> None:
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


def test_a_cancel_brings_what_was_found_so_far(job: ProcessRunner) -> None:
    job.start(request(seconds=None, steps=1_000_000))
    while not job.poll():
        time.sleep(0.01)
    begun = time.monotonic()
    job.cancel()
    last = wait_for_the_end(job)[-1]
    assert isinstance(last, Proposals)
    assert last.status == "cancelled"
    assert time.monotonic() - begun < 5.0


def test_what_cannot_be_is_told(job: ProcessRunner) -> None:
    job.start(request(plan=plan_of((), (), case_of(2))))
    last = wait_for_the_end(job)[-1]
    assert isinstance(last, Refused)
    assert "gather things" in last.sentence


def test_a_process_that_dies_is_told_and_another_is_made(job: ProcessRunner) -> None:
    job.start(request(seconds=None, steps=1_000_000))
    while not job.poll():
        time.sleep(0.01)
    assert job._process is not None
    job._process.kill()
    last = wait_for_the_end(job)[-1]
    assert last == Refused("The search broke off; try it again.")
    job.start(request(seconds=None, steps=5))
    assert isinstance(wait_for_the_end(job)[-1], Proposals)


def test_another_search_takes_the_place_of_one_that_runs_in_the_same_process(job: ProcessRunner) -> None:
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


def test_a_process_that_does_not_heed_is_ended(job: ProcessRunner, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(process_runner, "work", unheeding)
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


RUNNERS: tuple[type[Runner], ...] = (InlineRunner, ProcessRunner, ThreadRunner)


def stocked() -> ProposeRequest:
    asked = request(seconds=None, steps=5)
    return replace(asked, plan=replace(asked.plan, looks=(Look(id="look", piece="case"),)))


@pytest.mark.parametrize("kind", RUNNERS)
def test_every_runner_tells_the_same(kind: type[Runner]) -> None:
    runner = kind()
    number = runner.start(stocked(), 7)
    answers: list[Answer] = []
    latest = time.monotonic() + PATIENCE_S
    while runner.is_running and time.monotonic() < latest:
        answers += runner.poll()
        time.sleep(0.005)
    runner.close()
    assert {(answer.request, answer.revision) for answer in answers} == {(number, 7)}
    assert [answer.is_last for answer in answers] == [False] * (len(answers) - 1) + [True]
    assert answers[-1].event == list(events_of(stocked(), lambda: False))[-1]


@pytest.mark.parametrize("kind", RUNNERS)
def test_what_comes_of_an_earlier_request_is_not_told(kind: type[Runner]) -> None:
    runner = kind()
    asked = stocked()
    first = runner.start(replace(asked, steps=400), 1)
    second = runner.start(WantedRequest(asked.plan, "look"), 2)
    answers: list[Answer] = []
    latest = time.monotonic() + PATIENCE_S
    while runner.is_running and time.monotonic() < latest:
        answers += runner.poll()
        time.sleep(0.005)
    runner.close()
    assert first < second
    assert [(answer.request, answer.revision) for answer in answers] == [(second, 2)]
    assert isinstance(answers[0].event, WantedFound)


def test_a_fault_of_the_program_is_logged_once_and_told(
    monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture
) -> None:
    def broken(asked: MeaningRequest, is_cancelled: Cancelled) -> Iterator[Event]:
        raise ZeroDivisionError
        yield

    monkeypatch.setitem(tasks.TASKS, MeaningRequest, broken)
    runner = ThreadRunner()
    runner.start(MeaningRequest(plan_of(), "none"))
    assert wait_for_the_end(runner) == [Refused(BROKE_OFF)]
    assert [record.getMessage() for record in caplog.records] == ["A task broke off: MeaningRequest."]


def test_every_kind_of_request_has_its_task() -> None:
    assert set(TASKS) == set(get_args(Request))


def test_a_thread_that_was_let_go_ends_unheard() -> None:
    runner = ThreadRunner()
    runner.start(request(seconds=None, steps=1_000_000))
    runner.forget()
    assert not runner.is_running
    runner.close()
    assert runner.is_idle
    assert runner.poll() == []
