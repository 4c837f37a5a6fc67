"""Work in a thread: for what holds the interpreter little, and takes and gives too much to be sent to a process."""

import queue
import threading

from jolly_ledge.jobs.requests import Answer, Request
from jolly_ledge.jobs.tasks import events_of


class ThreadRunner:
    """Runs one request at a time in a thread; an earlier one goes on to its end unheard."""

    def __init__(self) -> None:
        self._answers: queue.SimpleQueue[Answer] = queue.SimpleQueue()
        self._threads: list[threading.Thread] = []
        self._cancelled = threading.Event()
        self._number = 0
        self.is_running = False

    def start(self, request: Request, revision: int = 0) -> int:
        """Begin with a request and let an earlier one go."""
        self._cancelled.set()
        self._cancelled = threading.Event()
        self._number += 1
        self.is_running = True
        arguments = (request, self._number, revision, self._cancelled)
        thread = threading.Thread(target=self._work, args=arguments, daemon=True)
        self._threads = [one for one in self._threads if one.is_alive()]
        self._threads.append(thread)
        thread.start()
        return self._number

    def _work(self, request: Request, number: int, revision: int, cancelled: threading.Event) -> None:
        for event in events_of(request, cancelled.is_set):
            self._answers.put(Answer(number, revision, event))

    def poll(self) -> list[Answer]:
        """Return what came since the last time."""
        answers = []
        while not self._answers.empty():
            answer = self._answers.get()
            if answer.request == self._number and self.is_running:
                answers.append(answer)
        if any(answer.is_last for answer in answers):
            self.is_running = False
        return answers

    def cancel(self) -> None:
        """Ask it to end."""
        self._cancelled.set()

    def forget(self) -> None:
        """Let the request go: what comes of it is not told."""
        self._cancelled.set()
        self.is_running = False

    def close(self) -> None:
        """Wait until every thread has ended."""
        self.forget()
        for thread in self._threads:
            thread.join()
        self._threads = []

    @property
    def is_idle(self) -> bool:
        """Whether no thread is at work any more, not even for a request that was let go."""
        return not any(thread.is_alive() for thread in self._threads)
