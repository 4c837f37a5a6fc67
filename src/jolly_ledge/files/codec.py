"""Plans to and from JSON, with refusals that tell the path to the fault."""

from typing import Any

import msgspec

from jolly_ledge.files.errors import PlanFileError
from jolly_ledge.files.versions.migrations import migrated
from jolly_ledge.model.errors import InvalidPlanError
from jolly_ledge.model.plan import FORMAT, VERSION, Plan, check_references
from jolly_ledge.model.value import readable_path

LARGEST_PLAN = 200 * 1024 * 1024

_decoder = msgspec.json.Decoder(Plan)
_encoder = msgspec.json.Encoder(decimal_format="number")


class _Head(msgspec.Struct):
    """What tells how to read the rest; unknown keys are passed over here."""

    format: Any = None
    version: Any = None
    case: msgspec.Raw = msgspec.Raw()
    plan: msgspec.Raw = msgspec.Raw()


_head_decoder = msgspec.json.Decoder(_Head)


def plan_from_json(content: bytes) -> Plan:
    """Read a plan.

    A calibration case (an object of ``case`` and ``plan``) gives its plan.

    Raises
    ------
    PlanFileError
        With the path to the fault, such as ``stash[3].width: expected number > 0``.
    """
    if len(content) > LARGEST_PLAN:
        raise PlanFileError(
            f"The plan is larger than {LARGEST_PLAN // 2**20} MB, which no real plan is; it is not opened."
        )
    content = content.removeprefix(b"\xef\xbb\xbf")
    try:
        head = _head_decoder.decode(content)
        if bytes(head.case) and bytes(head.plan):
            content = bytes(head.plan)
            head = _head_decoder.decode(content)
        version = _checked_version(head)
        plan = _decoder.decode(content) if version == VERSION else _from_older(content)
        check_references(plan)
    except (msgspec.DecodeError, UnicodeDecodeError, RecursionError) as error:
        raise _refusal(error) from error
    except InvalidPlanError as error:
        raise PlanFileError(f"The plan is not sound at {error}") from error
    return plan


def _checked_version(head: _Head) -> int:
    if head.format != FORMAT:
        raise PlanFileError(
            f"This is not a Jolly Ledge plan: format: expected “{FORMAT}”"
            + (f", found {str(head.format)[:60]!r}." if head.format is not None else ", found nothing.")
        )
    if not isinstance(head.version, int) or isinstance(head.version, bool) or head.version < 0:
        raise PlanFileError(
            "This plan does not tell its version: version: expected a whole number; write it, or open an earlier copy."
        )
    if head.version > VERSION:
        raise PlanFileError(
            f"This plan is of version {head.version}; this program reads up to version {VERSION}. Open "
            "it with a newer Jolly Ledge."
        )
    return head.version


def _from_older(content: bytes) -> Plan:
    return msgspec.convert(migrated(msgspec.json.decode(content)), Plan)


def _refusal(error: Exception) -> PlanFileError:
    if isinstance(error, msgspec.ValidationError):
        problem, _, path = str(error).partition(" - at `")
        where = readable_path(path.rstrip("`")) or "plan"
        return PlanFileError(f"The plan is not sound at {where}: {problem[:1].lower()}{problem[1:]}.")
    if isinstance(error, RecursionError):
        return PlanFileError("The plan is nested deeper than any plan is; it is damaged or made to harm.")
    if isinstance(error, UnicodeDecodeError):
        return PlanFileError("The plan is not UTF-8 text; save it as UTF-8.")
    return PlanFileError(f"The file is not whole JSON: {str(error).removeprefix('JSON is malformed: ')}.")


def plan_to_json(plan: Plan) -> bytes:
    """Write a plan as indented UTF-8 JSON; fields that hold their default are left out."""
    return msgspec.json.format(_encoder.encode(plan), indent=1) + b"\n"
