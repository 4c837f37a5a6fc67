"""What all runners share: one request at a time, numbered, and answers that are fetched and never waited for."""

from typing import Protocol

from jolly_ledge.jobs.requests import Answer, Request


class Runner(Protocol):
    """Works a request out somewhere; what comes of an earlier one is never told."""

    @property
    def is_running(self) -> bool:
        """Whether the last request is still worked at."""
        ...

    def start(self, request: Request, revision: int = 0) -> int:
        """Begin with a request and let an earlier one go; return its number.

        ``revision`` is that of the plan it is asked about: whoever takes the answer sees whether it comes too late.
        """
        ...

    def poll(self) -> list[Answer]:
        """Return what came since the last time."""
        ...

    def cancel(self) -> None:
        """Ask it to end; what was found so far comes as its last answer."""
        ...

    def close(self) -> None:
        """Let go of whatever it works with."""
        ...
