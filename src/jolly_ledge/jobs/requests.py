"""What can be asked to be worked out beside the window, and what comes of it."""

from collections.abc import Sequence
from typing import TYPE_CHECKING

from msgspec import Struct

from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.piece import PiecePhoto
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import Season
from jolly_ledge.proposals.proposal import Progress, Proposals

if TYPE_CHECKING:
    # The search and the arrays of photographs are for the work itself: who only asks for it does not load them.
    from jolly_ledge.photos.check import PhotoCheck, PlannedThing
    from jolly_ledge.photos.composing import Layer
    from jolly_ledge.photos.followed import PictureRead
    from jolly_ledge.photos.image import Pixels
    from jolly_ledge.photos.perspective import View
    from jolly_ledge.photos.rectify import Straight
    from jolly_ledge.proposals.manners import Each
    from jolly_ledge.proposals.meaning import Meaning, Stands
    from jolly_ledge.proposals.wanted import Want


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
    each: "Each" = ""
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


class CheckRequest(Struct, frozen=True):
    """A straightened photograph is to be compared with the drawing of its plan, both of one size and scale."""

    planned: "Pixels"
    seen: "Pixels"
    scale: float
    things: "Sequence[PlannedThing]"


class FollowRequest(Struct, frozen=True):
    """A picture of an arrangement is to be read, so that it may be followed."""

    picture: "Pixels"


class RoomRequest(Struct, frozen=True):
    """Things are to be set into the photograph of the empty piece."""

    photo: "Pixels"
    view: "View"
    layers: "Sequence[Layer]"


class StraightRequest(Struct, frozen=True):
    """The photograph of a piece is to be pulled straight between four edges of its front (left, bottom, right, top)."""

    content: bytes
    photo: PiecePhoto
    region: tuple[float, float, float, float]
    longest: int
    """Of the longer side, in pixels."""


class WantedFound(Struct, frozen=True):
    """What is wanted, the best first; empty when nothing is needed."""

    wants: "tuple[Want, ...]"


class MeaningFound(Struct, frozen=True):
    """What scores mean for a piece, its stash and a manner, and how a look stands; None where nothing can be placed."""

    look: str
    meaning: "Meaning | None"
    stands: "Stands | None"


class CheckFound(Struct, frozen=True):
    """How a photograph differs from its plan."""

    check: "PhotoCheck"


class RoomFound(Struct, frozen=True):
    """The photograph with the things in it."""

    picture: "Pixels"


class StraightFound(Struct, frozen=True):
    """The photograph of that name, straight."""

    name: str
    straight: "Straight"


class PictureFound(Struct, frozen=True):
    """What an arrangement in a picture is like."""

    read: "PictureRead"


class Refused(Struct, frozen=True):
    """Nothing came of it; one sentence for people."""

    sentence: str


Request = ProposeRequest | WantedRequest | MeaningRequest | CheckRequest | RoomRequest | StraightRequest | FollowRequest
Event = (
    Progress | Proposals | WantedFound | MeaningFound | CheckFound | RoomFound | StraightFound | PictureFound | Refused
)


class Answer(Struct, frozen=True):
    """An event, the request it belongs to, and the revision of the plan that was asked about."""

    request: int
    revision: int
    event: Event

    @property
    def is_last(self) -> bool:
        """Whether nothing more comes of the request."""
        return not isinstance(self.event, Progress)
