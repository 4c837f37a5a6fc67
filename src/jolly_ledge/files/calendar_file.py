"""What is due as a calendar file (iCalendar), for any calendar program."""

from collections.abc import Iterable
from datetime import UTC, datetime, timedelta

from jolly_ledge.planning.due import Due

PRODUCT = "-//Jolly Ledge//due dates//EN"
YEARLY_TIMES = 10


def due_to_calendar(found: Iterable[Due], name: str, now: datetime | None = None) -> bytes:
    """Return a calendar of whole days; the same thing keeps its identity from one export to the next.

    Parameters
    ----------
    found : iterable of Due
    name : str
        The name the calendar is shown under.
    now : datetime, optional
        When it is written; the present moment without it.
    """
    from icalendar import Calendar, Event

    stamp = now or datetime.now(UTC)
    calendar = Calendar()
    calendar.add("prodid", PRODUCT)
    calendar.add("version", "2.0")
    if name:
        calendar.add("x-wr-calname", name)
    for due in found:
        event = Event()
        event.add("uid", f"{due.kind}-{due.key}@jolly-ledge")
        event.add("dtstamp", stamp)
        event.add("dtstart", due.day)
        event.add("dtend", due.day + timedelta(days=1))
        event.add("summary", due.what)
        event.add("transp", "TRANSPARENT")
        if due.detail:
            event.add("description", due.detail)
        if due.every_days is not None:
            rule: dict[str, object] = {"freq": "daily", "interval": due.every_days}
            if due.until is not None:
                rule["until"] = due.until
            event.add("rrule", rule)
        elif due.every_year:
            event.add("rrule", {"freq": "yearly", "count": YEARLY_TIMES})
        calendar.add_component(event)
    return bytes(calendar.to_ical())
