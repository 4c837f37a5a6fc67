"""What the log of looks comes to: in which order, how long, for how much."""

from collections.abc import Iterable
from datetime import date
from decimal import Decimal

from msgspec import Struct

from jolly_ledge.model.dates import known_date, season_of
from jolly_ledge.model.look import Look
from jolly_ledge.model.money import NOUGHT
from jolly_ledge.model.words import LookStatus, Season

STATUS_WORDS: dict[LookStatus, str] = {
    "idea": "an idea", "shown": "shown", "approved": "approved", "placed": "placed", "taken-down": "taken down",
}  # fmt: skip


class Chapter(Struct, frozen=True):
    """The looks of one season of one year, in the order of their dates; without a date they come last."""

    title: str
    looks: tuple[Look, ...]


def chapters_of(looks: Iterable[Look]) -> tuple[Chapter, ...]:
    """Return looks by season, the latest season first; those without a date that makes sense lead the list.

    >>> [chapter.title for chapter in chapters_of(
    ...     [Look(id="a", piece="p", date="2025-10-03"), Look(id="b", piece="p"), Look(id="c", piece="p",
    ...      date="2026-01-05"), Look(id="d", piece="p", season="summer")])]
    ['Without a date', 'Winter 2025/26', 'Autumn 2025']
    """
    dated: dict[tuple[int, int], list[tuple[date, Look]]] = {}
    undated: list[Look] = []
    for look in looks:
        day = known_date(look.date)
        if day is None:
            undated.append(look)
        else:
            dated.setdefault(_rank(day), []).append((day, look))
    chapters = [Chapter("Without a date", tuple(undated))] if undated else []
    for key in sorted(dated, reverse=True):
        pairs = sorted(dated[key], key=lambda pair: pair[0], reverse=True)
        chapters.append(Chapter(_title(pairs[0][0]), tuple(look for _, look in pairs)))
    return tuple(chapters)


def _rank(day: date) -> tuple[int, int]:
    """Return the year a season begins in, and which of its seasons it is."""
    season = season_of(day)
    order: tuple[Season, ...] = ("spring", "summer", "autumn", "winter")
    return (_year(day), order.index(season))


def _year(day: date) -> int:
    return day.year - 1 if day.month <= 2 else day.year


def _title(day: date) -> str:
    season, year = season_of(day), _year(day)
    return f"Winter {year}/{(year + 1) % 100:02d}" if season == "winter" else f"{season.capitalize()} {year}"


def hours_of(look: Look) -> float:
    """Return the hours that were logged for a look."""
    return sum(entry.hours or 0.0 for entry in look.log)


def cost_of_work(look: Look) -> Decimal:
    """Return what the log says that a look cost."""
    return sum((entry.cost or NOUGHT for entry in look.log), NOUGHT)


def last_one_of(looks: Iterable[Look], season: Season, before: date) -> Look | None:
    """Return the latest look for a season before a day: how it was last autumn."""
    found = [
        (day, look) for look in looks
        if look.placements and (day := known_date(look.date)) is not None and day < before
        and (look.season or season_of(day)) == season
    ]  # fmt: skip
    return max(found, key=lambda pair: pair[0])[1] if found else None
