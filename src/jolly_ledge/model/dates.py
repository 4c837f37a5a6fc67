"""Dates as people type them and as the plan keeps them: the year, the month, the day."""

import re
from datetime import date

from jolly_ledge.model.errors import DateError
from jolly_ledge.model.words import Season

_DATE = re.compile(r"^(\d{4})-(\d{1,2})-(\d{1,2})$")
FIRST_YEAR, LAST_YEAR = 1900, 2199
SEASON_MONTHS: dict[Season, tuple[int, int, int]] = {
    "spring": (3, 4, 5), "summer": (6, 7, 8), "autumn": (9, 10, 11), "winter": (12, 1, 2),
}  # fmt: skip
"""Northern seasons by months, as gardeners and shops count them."""


def date_of(text: str) -> date | None:
    """Read a date; nothing typed is None.

    >>> date_of("2026-10-3"), date_of("")
    (datetime.date(2026, 10, 3), None)

    Raises
    ------
    DateError
        The text is no date, or one that is not on the calendar.
    """
    words = text.strip()
    if not words:
        return None
    found = _DATE.match(words)
    if not found:
        raise DateError(f"“{text}” is no date; type the year, the month and the day, such as 2026-10-03.")
    try:
        day = date(*(int(part) for part in found.groups()))
    except ValueError as error:
        raise DateError(f"“{text}” is not on the calendar; type a day such as 2026-10-03.") from error
    if not FIRST_YEAR <= day.year <= LAST_YEAR:
        raise DateError(f"“{text}” is too far away; years run from {FIRST_YEAR} to {LAST_YEAR}.")
    return day


def known_date(text: str) -> date | None:
    """Return the date that a text of a plan tells, None where it tells none that makes sense."""
    try:
        return date_of(text)
    except DateError:
        return None


def season_of(day: date) -> Season:
    """Return the season of a day.

    >>> season_of(date(2026, 10, 3)), season_of(date(2027, 1, 31))
    ('autumn', 'winter')
    """
    return next(season for season, months in SEASON_MONTHS.items() if day.month in months)


def begin_of(season: Season, year: int) -> date:
    """Return the first day of a season that begins in a year."""
    return date(year, SEASON_MONTHS[season][0], 1)


def next_begin(season: Season, today: date) -> date:
    """Return the first day, from today on, on which a season begins.

    >>> next_begin("spring", date(2026, 11, 25)), next_begin("winter", date(2026, 11, 25))
    (datetime.date(2027, 3, 1), datetime.date(2026, 12, 1))
    """
    day = begin_of(season, today.year)
    return day if day >= today else begin_of(season, today.year + 1)
