"""A photograph of a thing taken in: read, kept small, its colours and outline found; several, one after another."""

from collections.abc import Callable
from concurrent.futures import Future, ThreadPoolExecutor

from msgspec import Struct

from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.photos.image import PhotoError, kept_photo, read_photo
from jolly_ledge.photos.things import Reference, ThingPhoto, balanced, read_thing

THING_SIDE = 1200
"""Photographs of things are kept with at most so many pixels on their longer side."""


class Intake(Struct, frozen=True):
    """What came of one photograph: kept bytes and what was found, or why not."""

    source: str
    name: str = ""
    content: bytes = b""
    found: ThingPhoto | None = None
    problem: str = ""


def take_in(source: str, read: Callable[[], bytes]) -> Intake:
    """Read a photograph and find its thing; what goes wrong is told in the result."""
    try:
        name, content = kept_photo(read_photo(read(), source), THING_SIDE)
    except OSError:
        return Intake(source, problem=f"“{source}” cannot be read; is it still there?")
    except JollyLedgeError as error:
        return Intake(source, problem=str(error))
    return _found(source, name, content)


def _found(source: str, name: str, content: bytes) -> Intake:
    try:
        return Intake(source, name, content, read_thing(read_photo(content, source)))
    except PhotoError as error:
        return Intake(source, name, content, problem=str(error))


def taken_in_light(intake: Intake, x: int, y: int, reference: Reference) -> Intake:
    """Return a photograph with a picked spot made colourless, and its thing found anew.

    Raises
    ------
    PhotoError
        The spot tells nothing of the light.
    """
    pixels = balanced(read_photo(intake.content, intake.source), x, y, reference)
    name, content = kept_photo(pixels, THING_SIDE)
    return _found(intake.source, name, content)


class Intakes:
    """Photographs taken in one after another beside the window's own thread.

    Notes
    -----
    The work is NumPy's and Pillow's, which let other threads run meanwhile; one at a time keeps memory low.
    """

    def __init__(self) -> None:
        self._worker: ThreadPoolExecutor | None = None
        self._running: list[Future[Intake]] = []
        self.asked = 0
        self.done = 0

    @property
    def is_busy(self) -> bool:
        """Whether anything is still to come."""
        return bool(self._running)

    def begin(self, sources: tuple[tuple[str, Callable[[], bytes]], ...]) -> None:
        """Take more photographs in: names, and what returns their bytes."""
        if self._worker is None:
            self._worker = ThreadPoolExecutor(1, thread_name_prefix="photographs")
            self.asked = self.done = 0
        self.asked += len(sources)
        self._running += [self._worker.submit(take_in, source, read) for source, read in sources]

    def ready(self) -> tuple[Intake, ...]:
        """Return what has come since last asked, in order; the worker ends with the last one."""
        found = []
        while self._running and self._running[0].done():
            future = self._running.pop(0)
            self.done += 1
            if not future.cancelled():
                found.append(future.result())
        if not self._running:
            # All is done, so that this takes no time.
            self._end(wait=True)
        return tuple(found)

    def cancel(self) -> None:
        """Take no more in; the one that is being read is let go when it is done."""
        for future in self._running:
            future.cancel()
        self._running = []
        self._end(wait=False)

    def _end(self, *, wait: bool) -> None:
        if self._worker is not None:
            self._worker.shutdown(wait=wait)
            self._worker = None
