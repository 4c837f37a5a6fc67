"""What is done for each kind of request: a register, without any process or thread.

Each task loads what it needs where it is done: beside the window, not in it.
"""

from collections.abc import Callable, Iterator
from typing import Any

from msgspec.structs import replace

from jolly_ledge.jobs.requests import (
    CheckFound,
    CheckRequest,
    Event,
    FollowRequest,
    MeaningFound,
    MeaningRequest,
    PictureFound,
    ProposeRequest,
    Refused,
    Request,
    RoomFound,
    RoomRequest,
    StraightFound,
    StraightRequest,
    WantedFound,
    WantedRequest,
)
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.mishaps import LOG

BROKE_OFF = "The search broke off; try it again."
Cancelled = Callable[[], bool]
Task = Callable[[Any, Cancelled], Iterator[Event]]


def events_of(request: Request, is_cancelled: Cancelled) -> Iterator[Event]:
    """Yield what comes of a request; the last event is no progress, whatever goes wrong."""
    try:
        yield from TASKS[type(request)](request, is_cancelled)
    except JollyLedgeError as error:
        yield Refused(str(error))
    except (EOFError, OSError):
        # The line to whoever asked is cut, or the disk fails: there is nobody to tell.
        raise
    except Exception:
        LOG.exception("A task broke off: %s.", type(request).__name__)
        yield Refused(BROKE_OFF)


def _propose(request: ProposeRequest, is_cancelled: Cancelled) -> Iterator[Event]:
    from jolly_ledge.proposals.manners import manners_of
    from jolly_ledge.proposals.moods import moods_of
    from jolly_ledge.proposals.problem import problems_of
    from jolly_ledge.proposals.propose import propose

    moods = moods_of(request.plan, request.plan.piece(request.piece)) if request.each == "mood" else ()
    manners = manners_of(request.manner, request.count, request.each, moods)
    problems = problems_of(
        request.plan, request.piece, manners, request.base, request.ledge, finish=request.finish, stay=request.stay,
        season=request.season,
    )  # fmt: skip
    yield from propose(problems, request.seed, steps=request.steps, seconds=request.seconds, is_cancelled=is_cancelled)


def _wanted(request: WantedRequest, is_cancelled: Cancelled) -> Iterator[Event]:
    from jolly_ledge.proposals.wanted import wanted

    yield WantedFound(wanted(request.plan, request.plan.look(request.look), is_cancelled=is_cancelled))


def _meant(request: MeaningRequest, is_cancelled: Cancelled) -> Iterator[Event]:
    from jolly_ledge.proposals.meaning import meaning_of, standing_of
    from jolly_ledge.proposals.problem import problem_of

    look = request.plan.look(request.look)
    try:
        problem = problem_of(replace(request.plan, looks=()), look.piece, look.manner)
    except JollyLedgeError:
        yield MeaningFound(request.look, None, None)
        return
    meaning = meaning_of(problem)
    stands = (
        None if is_cancelled() else standing_of(problem, problem.resolve(look.placements), meaning, stop=is_cancelled)
    )
    yield MeaningFound(request.look, meaning, stands)


def _checked(request: CheckRequest, is_cancelled: Cancelled) -> Iterator[Event]:
    from jolly_ledge.photos.check import check_photo

    yield CheckFound(check_photo(request.planned, request.seen, request.scale, request.things))


def _followed(request: FollowRequest, is_cancelled: Cancelled) -> Iterator[Event]:
    from jolly_ledge.photos.followed import read_picture

    yield PictureFound(read_picture(request.picture))


def _set_in_room(request: RoomRequest, is_cancelled: Cancelled) -> Iterator[Event]:
    from jolly_ledge.photos.composing import set_in

    yield RoomFound(set_in(request.photo, request.view, list(request.layers)))


def _pulled_straight(request: StraightRequest, is_cancelled: Cancelled) -> Iterator[Event]:
    from jolly_ledge.photos.image import read_photo
    from jolly_ledge.photos.rectify import straightened, view_of

    pixels = read_photo(request.content, "the photograph of the piece")
    straight = straightened(pixels, view_of(request.photo), *request.region, request.longest)
    yield StraightFound(request.photo.name, straight)


TASKS: dict[type[Request], Task] = {
    ProposeRequest: _propose,
    WantedRequest: _wanted,
    MeaningRequest: _meant,
    CheckRequest: _checked,
    RoomRequest: _set_in_room,
    StraightRequest: _pulled_straight,
    FollowRequest: _followed,
}
