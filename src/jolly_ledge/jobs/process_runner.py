"""Work in a process of its own, so that the window stays fluid.

A search in a thread would hold the interpreter while the window wants to paint; a spawned process does not. It
is kept warm from one search to the next, for it takes about a second to start.
"""

import multiprocessing
import time
from multiprocessing.connection import Connection
from multiprocessing.process import BaseProcess

from jolly_ledge.jobs.requests import Answer, Event, Refused, Request
from jolly_ledge.jobs.tasks import BROKE_OFF, events_of

PATIENCE_S, HEEDED_WITHIN_S = 2.0, 0.3


class ProcessRunner:
    """Runs one request at a time in a warm process."""

    def __init__(self) -> None:
        self._process: BaseProcess | None = None
        self._line: Connection | None = None
        self._number = self._revision = 0
        self.is_running = False

    def start(self, request: Request, revision: int = 0) -> int:
        """Begin with a request; one that runs is stopped first, at once where it does not heed."""
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
            self._process = context.Process(target=work, args=(other,), daemon=True, name="jolly-ledge tasks")
            self._process.start()
            other.close()
        assert self._line is not None
        self._number, self._revision = self._number + 1, revision
        self._line.send((self._number, request))
        self.is_running = True
        return self._number

    def poll(self) -> list[Answer]:
        """Return what came since the last time; work that broke off is told as refused."""
        answers: list[Answer] = []
        if self._line is None or not self.is_running:
            return answers
        try:
            while self._line.poll():
                number, event = self._line.recv()
                if number == self._number:
                    answers.append(self._answer(event))
        except (EOFError, OSError):
            answers.append(self._answer(Refused(BROKE_OFF)))
            self._forget()
        if any(answer.is_last for answer in answers):
            self.is_running = False
        return answers

    def _answer(self, event: Event) -> Answer:
        return Answer(self._number, self._revision, event)

    def cancel(self) -> None:
        """Ask it to end; what was found so far comes as its last answer."""
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

    def is_cancelled() -> bool:
        return line.poll() and line.recv() is None

    try:
        while True:
            asked = line.recv()
            if asked is not None:
                number, request = asked
                for event in events_of(request, is_cancelled):
                    line.send((number, event))
    except (EOFError, OSError, KeyboardInterrupt):
        return
