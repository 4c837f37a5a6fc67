"""The year of a piece: which look is seen in which season, what changes, what stays, what goes to which box."""

from datetime import date

from msgspec import Struct

from jolly_ledge.model.dates import begin_of, known_date, season_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import SEASONS, Season

ALL_SEASONS: tuple[Season, ...] = SEASONS  # type: ignore[assignment]


class Change(Struct, frozen=True):
    """One change of a piece: from the look before (None at first) to the look of a season, on a day."""

    piece: str
    season: Season
    day: date
    look: Look
    before: Look | None
    brings: tuple[Item, ...]
    stores: tuple[tuple[Item, str], ...]
    stays: tuple[Item, ...]


class PieceYear(Struct, frozen=True):
    """The changes of one piece in their order, and what stands there all year."""

    piece: str
    changes: tuple[Change, ...]
    all_year: tuple[Item, ...]


def season_of_look(look: Look) -> Season | None:
    """Return the season a look is for: as told, or by its date."""
    day = known_date(look.date)
    return look.season or (season_of(day) if day is not None else None)


def year_of(plan: Plan, piece_id: str, year: int) -> PieceYear:
    """Return the changes of a piece over a year that begins with spring.

    Of several looks for one season the one with the latest date counts, and of those without a date the last. A look
    with a date in that year is set up on it, else on the first day of its season.
    """
    chosen: dict[Season, Look] = {}
    for look in sorted(plan.looks_of(piece_id), key=lambda look: look.date):
        season = season_of_look(look)
        if season is not None and look.placements:
            chosen[season] = look
    looks = [(season, chosen[season]) for season in ALL_SEASONS if season in chosen]
    items = {item.id: item for item in plan.stash}
    changes = []
    for index, (season, look) in enumerate(looks):
        before = looks[index - 1][1] if len(looks) > 1 else None
        changes.append(_change(piece_id, season, look, before, items, year))
    placed = [frozenset(placement.item for placement in look.placements) for _, look in looks]
    always = frozenset.intersection(*placed) if placed else frozenset()
    return PieceYear(piece_id, tuple(changes), tuple(item for item in plan.stash if item.id in always))


def _change(piece: str, season: Season, look: Look, before: Look | None, items: dict[str, Item], year: int) -> Change:
    now = [placement.item for placement in look.placements]
    then = [placement.item for placement in before.placements] if before is not None else []
    told = known_date(look.date)
    day = told if told is not None and told.year == year else begin_of(season, year)
    return Change(
        piece, season, day, look, before,
        brings=tuple(items[identifier] for identifier in now if identifier not in then),
        stores=tuple((items[i], where_stored(items[i])) for i in then if i not in now),
        stays=tuple(items[identifier] for identifier in now if identifier in then),
    )  # fmt: skip


def where_stored(item: Item) -> str:
    """Return where a thing goes when it is not to be seen: back to its owner, to its box, or where it lives."""
    if item.status == "borrowed" or item.returns_to:
        return f"back to {item.returns_to or item.borrowed_from or 'its owner'}"
    if item.box:
        return f"box “{item.box}”"
    return item.room or "no place told"
