"""What is due, as a file that calendar programs read."""

from jolly_ledge.exports.export import Export, Options
from jolly_ledge.model.plan import Plan


def _made(plan: Plan, options: Options, suffix: str) -> bytes:
    from jolly_ledge.files.calendar_file import due_to_calendar
    from jolly_ledge.planning.due import due_dates

    return due_to_calendar(due_dates(plan, options.today), plan.name)


def _named(plan: Plan, options: Options) -> str:
    return plan.name or "Jolly Ledge"


EXPORT = Export("calendar", "the calendar", (".ics",), ("today",), _made, _named)
