"""The base of all model values, with the number ranges they share."""

import re
from collections.abc import Sequence
from typing import Annotated, Protocol, TypeVar

import msgspec
from msgspec import Meta, Struct

from jolly_ledge.model.errors import EditError, InvalidPlanError

Size = Annotated[float, Meta(gt=0, le=50_000)]
"""A length that must be there: over 0, at most 50 m, in mm."""

Position = Annotated[float, Meta(ge=-50_000, le=50_000)]
"""A coordinate in mm."""

Distance = Annotated[float, Meta(ge=0, le=50_000)]
"""A length that may be nought, in mm."""

Mass = Annotated[float, Meta(ge=0, le=5_000)]
"""A mass in kg."""

Watts = Annotated[float, Meta(ge=0, le=100_000)]
"""Electrical power in watts."""

Angle = Annotated[float, Meta(ge=-360, le=360)]
"""An angle in degrees."""

Colour = Annotated[str, Meta(pattern=r"^#[0-9a-fA-F]{6}$")]
"""An sRGB colour such as ``#c87d4f``."""

Identifier = Annotated[str, Meta(min_length=1, max_length=200)]

Words = Annotated[str, Meta(max_length=20_000)]
"""Free text."""


class Value(Struct, frozen=True, kw_only=True, forbid_unknown_fields=True, omit_defaults=True, cache_hash=True):
    """An immutable, hashable record that is checked when read and when changed."""


ValueType = TypeVar("ValueType", bound=Struct)


class Named(Protocol):
    """Whatever has an id."""

    @property
    def id(self) -> str:
        """Its id."""
        ...


NamedType = TypeVar("NamedType", bound=Named)


def record_by_id(records: Sequence[NamedType], identifier: str, word: str, where: str) -> NamedType:
    """Return the record of an id.

    Raises
    ------
    EditError
        There is none; the sentence tells the ``word`` for such a record, ``where`` it was looked for, what is there.
    """
    for record in records:
        if record.id == identifier:
            return record
    known = ", ".join(record.id for record in records[:6]) or "none"
    raise EditError(f"There is no {word} “{identifier}” {where}; it holds {known}.")


def readable_path(path: str) -> str:
    """Turn a decoder's ``$.looks[0].name`` into ``looks[0].name``."""
    return re.sub(r"^\$\.?", "", path).replace("[...]", "[]")


def checked(value: ValueType) -> ValueType:
    """Return the value after checking every field against its type and range.

    Raises
    ------
    InvalidPlanError
        A field has a wrong type, is not finite or is out of range.
    """
    try:
        return msgspec.convert(msgspec.to_builtins(value), type(value), strict=True)
    except msgspec.ValidationError as error:
        problem, _, path = str(error).partition(" - at `")
        raise InvalidPlanError(readable_path(path.rstrip("`")), problem) from error


def changed(value: ValueType, **changes: object) -> ValueType:
    """Return a checked copy of the value with some fields changed; raise InvalidPlanError."""
    try:
        fresh = msgspec.structs.replace(value, **changes)
    except ValueError as error:
        raise InvalidPlanError(type(value).__name__.lower(), str(error)) from error
    return checked(fresh)
