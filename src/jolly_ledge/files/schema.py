"""The plan format as a JSON Schema, made of the very types that plans are read with."""

from typing import Any

import msgspec

from jolly_ledge.model.plan import Plan

AMOUNT = r"^-?\d+(\.\d+)?$"
DIALECT = "https://json-schema.org/draft/2020-12/schema"


def plan_schema() -> dict[str, Any]:
    """Return the JSON Schema (2020-12) of a plan of the newest version.

    It tells keys, types, ranges and words; that ids are unique and references met is checked when a plan is read.
    """
    made = _with_amounts(msgspec.json.schema(Plan))
    plan = made["$defs"]["Plan"]
    # What tells the format and its version is never left out.
    plan["required"] = ["format", "version", *plan.get("required", ())]
    return {"$schema": DIALECT, "title": "Jolly Ledge plan", **made}


def _with_amounts(schema: Any) -> Any:
    """Return a schema in which amounts of money are numbers, as they are written, or text of one."""
    if isinstance(schema, list):
        return [_with_amounts(part) for part in schema]
    if not isinstance(schema, dict):
        return schema
    if schema.get("format") == "decimal":
        return {"anyOf": [{"type": "number"}, {"type": "string", "pattern": AMOUNT}]}
    return {key: _with_amounts(part) for key, part in schema.items()}
