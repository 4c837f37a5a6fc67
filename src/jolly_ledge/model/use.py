"""How a thing is used where it stands: how often, how it opens, the room that takes, where its cord goes."""

from typing import Annotated, Literal, get_args

from msgspec import Meta

from jolly_ledge.model.value import Distance, Identifier, Size, Value

Often = Literal["", "daily", "weekly", "rarely", "not-since"]
Opens = Literal["", "lid", "door", "drawer"]
Hinge = Literal["back", "left", "right", "front"]
CordSide = Literal["", "left", "right"]
OFTEN: tuple[Often, ...] = get_args(Often)
OPENS: tuple[Opens, ...] = get_args(Opens)
HINGES: tuple[Hinge, ...] = get_args(Hinge)
CORD_SIDES: tuple[CordSide, ...] = get_args(CordSide)
UPRIGHT_LID = 90.0


class Use(Value, frozen=True):
    """How a thing is used (mm, degrees; sides as seen from its front).

    ``opens`` is what of it moves, ``hinge`` the side it turns on, ``angle`` how far from shut; a drawer comes out by
    ``run``, or by the depth of the thing where that is not told. ``above``, ``before``, ``left`` and ``right`` are the
    further room that hands, pouring or steam want. ``turns`` tells that it is turned on the spot, ``hands`` how many
    it takes to lift it, ``along`` what it is used with.
    """

    often: Often = ""
    opens: Opens = ""
    hinge: Hinge = "back"
    angle: Annotated[float, Meta(ge=0, le=270)] = UPRIGHT_LID
    run: Size | None = None
    above: Distance = 0.0
    before: Distance = 0.0
    left: Distance = 0.0
    right: Distance = 0.0
    turns: bool = False
    hands: Annotated[int, Meta(ge=1, le=4)] | None = None
    along: Annotated[tuple[Identifier, ...], Meta(max_length=40)] = ()


class Cord(Value, frozen=True):
    """The cord of a thing: how long it is (mm) and on which side it leaves, as seen from the front."""

    length: Size | None = None
    side: CordSide = ""


AS_IT_COMES, ANY_CORD = Use(), Cord()
