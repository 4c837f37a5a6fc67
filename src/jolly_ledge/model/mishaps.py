"""Mistakes of the program itself: noted with their trace, so that the rest goes on and a person is told.

Whoever shows something to a person listens to ``LOG``; the message of a record is one sentence for people.
"""

import logging
from collections.abc import Callable
from functools import wraps
from typing import Concatenate, ParamSpec, TypeVar

LOG = logging.getLogger("jolly_ledge")
LOG.addHandler(logging.NullHandler())

Arguments = ParamSpec("Arguments")
Owner = TypeVar("Owner")
Result = TypeVar("Result")


def or_instead(attempt: Callable[[], Result], instead: Result, sentence: str) -> Result:
    """Return what an attempt gives, or something instead when it fails in a way nobody foresaw.

    Parameters
    ----------
    attempt : callable
        Without arguments.
    instead : object
        What to go on with.
    sentence : str
        What could not be done, for people.
    """
    try:
        return attempt()
    except Exception:
        LOG.exception(sentence)
        return instead


def survives(event: Callable[Concatenate[Owner, Arguments], None]) -> Callable[Concatenate[Owner, Arguments], None]:
    """Let a method that the toolkit calls end quietly where it fails: an error that leaves it ends the program."""

    @wraps(event)
    def kept(self: Owner, /, *arguments: Arguments.args, **named: Arguments.kwargs) -> None:
        try:
            event(self, *arguments, **named)
        except Exception:
            LOG.exception("A part of the window could not be drawn; the plan is kept as it is.")

    return kept
