"""What is worked out from a resolved look is kept with it, and goes when it goes."""

from collections.abc import Callable
from functools import wraps
from types import MappingProxyType
from typing import TypeVar, cast

from jolly_ledge.geometry.arrangement import Arrangement

Value = TypeVar("Value")


def kept(work: Callable[[Arrangement], Value]) -> Callable[[Arrangement], Value]:
    """Work something out once for each arrangement.

    What is returned is the same for all who ask; a mapping can only be read.

    >>> from jolly_ledge.readings.example import look_of, shelves
    >>> look, asked = look_of(shelves()), []
    >>> count = kept(lambda arrangement: asked.append(1) or len(arrangement.visible))
    >>> count(look), count(look), len(asked)
    (0, 0, 1)
    """

    @wraps(work)
    def told(arrangement: Arrangement) -> Value:
        if work not in arrangement.derived:
            value = work(arrangement)
            arrangement.derived[work] = MappingProxyType(value) if isinstance(value, dict) else value
        return cast("Value", arrangement.derived[work])

    return told
