"""What is due when: taking down, watering, flowers past their best, repotting, returns, and what goes out of date."""

from datetime import date, timedelta

from msgspec import Struct

from jolly_ledge.model.dates import begin_of, known_date, next_begin, season_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan


class Due(Struct, frozen=True):
    """One thing to do on a day; ``every_days`` where it comes again and again, until a last day where one is told."""

    kind: str
    key: str
    day: date
    what: str
    detail: str = ""
    every_days: int | None = None
    until: date | None = None
    every_year: bool = False

    def next_from(self, today: date) -> date | None:
        """Return the first day from today on that it is due, None when that is over."""
        day = self.day
        if self.every_days is not None and day < today:
            day += timedelta(days=-(-(today - day).days // self.every_days) * self.every_days)
        if day < today or (self.until is not None and day > self.until):
            return None
        return day


def due_dates(plan: Plan, today: date) -> tuple[Due, ...]:
    """Return all that is due, the earliest first; dates that make no sense are told by :func:`senseless_dates`."""
    found: list[Due] = []
    cared_for: set[str] = set()
    placed = {look.id for look in now_standing(plan)}
    for look in plan.looks:
        found += _of_look(plan, look)
        if look.id in placed:
            found += _care(plan, look, cared_for)
    for item in plan.stash:
        found += _of_item(item, today)
    return tuple(sorted(found, key=lambda due: (due.day, due.kind, due.key)))


def _of_look(plan: Plan, look: Look) -> list[Due]:
    piece = plan.piece(look.piece).label
    begins, ends = known_date(look.date), known_date(look.takes_down)
    found = []
    if ends is not None and look.status != "taken-down":
        found.append(Due("take-down", look.id, ends, f"Take down {look.label}", piece))
    if begins is not None and look.status != "taken-down":
        found.append(Due("set-up", look.id, begins, f"{look.label} is to stand", piece))
    return found


def now_standing(plan: Plan) -> tuple[Look, ...]:
    """Return for every piece the look whose plants are cared for: the latest that is placed, else by date."""
    chosen: dict[str, Look] = {}
    for look in sorted(plan.looks, key=lambda look: (look.status == "placed", look.date)):
        if look.status != "taken-down" and known_date(look.date) is not None:
            chosen[look.piece] = look
    return tuple(chosen.values())


def _care(plan: Plan, look: Look, cared_for: set[str]) -> list[Due]:
    """Return what the plants and stems of a look want; what stands in two looks is cared for once."""
    piece, found = plan.piece(look.piece).label, []
    begins, ends = known_date(look.date), known_date(look.takes_down)
    if begins is None:
        return []
    items = {item.id: item for item in plan.stash}
    for placement in look.placements:
        item = items[placement.item]
        care = item.care
        if care is None or item.id in cared_for:
            continue
        cared_for.add(item.id)
        key = item.id
        if care.water_days:
            first = begins + timedelta(days=care.water_days)
            found.append(Due("water", key, first, f"Water the {item.label}", f"{piece}: {look.label}",
                             every_days=care.water_days, until=ends))  # fmt: skip
        if care.lasts_days:
            last = begins + timedelta(days=care.lasts_days)
            if ends is None or last < ends:
                found.append(Due("fade", key, last, f"The {item.label} is past its best: renew it or take it away",
                                 f"{piece}: {look.label}, {care.lasts_days} days old"))  # fmt: skip
    return found


def _of_item(item: Item, today: date) -> list[Due]:
    found = []
    if item.care is not None and item.care.repot is not None:
        season = item.care.repot
        day = begin_of(season, today.year) if season_of(today) == season else next_begin(season, today)
        found.append(Due("repot", item.id, day, f"Repot the {item.label}", item.care.note, every_year=True))
    back = known_date(item.return_by)
    if back is not None:
        to = item.returns_to or item.borrowed_from or "its owner"
        found.append(Due("return", item.id, back, f"Bring the {item.label} back to {to}"))
    over = known_date(item.obsolete_by)
    if over is not None:
        found.append(Due("obsolete", item.id, over, f"The {item.label} is out of date: put it away", item.room))
    return found


def senseless_dates(plan: Plan) -> tuple[str, ...]:
    """Return in a sentence each which dates of a plan cannot be on a calendar, or run backwards."""
    said = []
    for look in plan.looks:
        told = [("date", look.date), ("day of taking down", look.takes_down)]
        told += [("day in its log", entry.date) for entry in look.log]
        said += [
            f"The {what} of {look.label}, “{text}”, is no day such as 2026-10-03; mend it in Keep."
            for what, text in told if text and known_date(text) is None
        ]  # fmt: skip
        begins, ends = known_date(look.date), known_date(look.takes_down)
        if begins is not None and ends is not None and ends < begins:
            said.append(f"{look.label} is to be taken down on {ends}, before it stands on {begins}; mend one of them.")
    for item in plan.stash:
        said += [
            f"The {what} of the {item.label}, “{text}”, is no day such as 2026-10-03; mend it in Gather."
            for what, text in (("return day", item.return_by), ("last day", item.obsolete_by))
            if text and known_date(text) is None
        ]
    return tuple(said)
