"""Work at once, where it is asked for: for tests, and where there is nobody to keep waiting."""

from jolly_ledge.jobs.requests import Answer, Request
from jolly_ledge.jobs.tasks import events_of


class InlineRunner:
    """Runs a request to its end when it is started; the answers wait to be fetched."""

    def __init__(self) -> None:
        self._answers: list[Answer] = []
        self._number = 0

    @property
    def is_running(self) -> bool:
        """Whether answers wait to be fetched."""
        return bool(self._answers)

    def start(self, request: Request, revision: int = 0) -> int:
        """Work a request out; what waits of an earlier one is let go."""
        self._number += 1
        self._answers = [Answer(self._number, revision, event) for event in events_of(request, lambda: False)]
        return self._number

    def poll(self) -> list[Answer]:
        """Return what came of it."""
        answers, self._answers = self._answers, []
        return answers

    def cancel(self) -> None:
        """Do nothing: it has ended already."""

    def close(self) -> None:
        """Let the answers go."""
        self._answers = []
