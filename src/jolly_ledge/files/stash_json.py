"""The stash as JSON, for other programs: all that is known of every thing, and back without loss."""

from collections.abc import Iterable
from typing import Literal

import msgspec
from msgspec import Struct

from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.errors import FileError
from jolly_ledge.model.item import Item
from jolly_ledge.model.plan import FORMAT as PLAN_FORMAT

FORMAT = "jolly-ledge/stash"


class StashFile(Struct, frozen=True, kw_only=True, forbid_unknown_fields=True):
    """The envelope of an exported stash."""

    format: Literal["jolly-ledge/stash"] = "jolly-ledge/stash"
    version: Literal[1] = 1
    stash: tuple[Item, ...]


def stash_to_json(stash: Iterable[Item]) -> bytes:
    """Return the stash as indented UTF-8 JSON."""
    return (
        msgspec.json.format(
            msgspec.json.Encoder(decimal_format="number").encode(StashFile(stash=tuple(stash))), indent=1
        )
        + b"\n"
    )


def stash_from_json(text: str) -> tuple[Item, ...] | None:
    """Return the things of an exported stash or of a whole plan, None for JSON of another kind.

    Raises
    ------
    FileError
        It is a stash of this program, but not a sound one.
    """
    content = text.encode()
    try:
        head = msgspec.json.decode(content)
    except (msgspec.DecodeError, RecursionError) as error:
        raise FileError(f"The file is not whole JSON: {error}.") from error
    kind = head.get("format") if isinstance(head, dict) else None
    if kind == PLAN_FORMAT:
        return plan_from_json(content).stash
    if kind != FORMAT:
        return None
    try:
        return msgspec.json.decode(content, type=StashFile).stash
    except msgspec.ValidationError as error:
        problem, _, path = str(error).partition(" - at `$.")
        raise FileError(f"The stash is not sound at {path.rstrip('`') or 'its head'}: {problem.lower()}.") from error
