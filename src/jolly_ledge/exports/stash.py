"""The whole stash as a table, or as JSON."""

from jolly_ledge.exports.export import Export, Options
from jolly_ledge.model.plan import Plan


def _made(plan: Plan, options: Options, suffix: str) -> bytes:
    from jolly_ledge.files.stash_csv import stash_to_csv
    from jolly_ledge.files.stash_json import stash_to_json

    return stash_to_json(plan.stash) if suffix == ".json" else stash_to_csv(plan.stash).encode()


def _named(plan: Plan, options: Options) -> str:
    return plan.name or "stash"


EXPORT = Export("stash", "the stash", (".csv", ".json"), (), _made, _named)
