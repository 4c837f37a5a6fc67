"""The log, the year, what is due, where things are, what differs, and old looks brought back."""

from datetime import date
from decimal import Decimal
from typing import Any

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.edits.log import AddLogEntry, BringBack, RemoveLogEntry
from jolly_ledge.edits.looks import DuplicateLook
from jolly_ledge.edits.placing import FindElsewhere, TickOff
from jolly_ledge.model.dates import date_of, known_date, season_of
from jolly_ledge.model.deviation import Deviation, parse_deviation
from jolly_ledge.model.errors import DateError, EditError, InvalidPlanError, LengthError
from jolly_ledge.model.item import Care
from jolly_ledge.model.log import chapters_of, cost_of_work, hours_of, last_one_of
from jolly_ledge.model.look import LogEntry, Look, LookPhoto
from jolly_ledge.model.plan import Plan, photo_names
from jolly_ledge.model.revival import revived
from jolly_ledge.planning.due import due_dates, senseless_dates
from jolly_ledge.planning.plan_differences import plan_differences
from jolly_ledge.planning.season_plan import year_of
from jolly_ledge.planning.whereabouts import over_all, whereabouts

TODAY = date(2026, 11, 25)


def look_of(identifier: str, *items: str, **changes: object) -> Look:
    placements = tuple(put(item, x=80.0 + 150 * number) for number, item in enumerate(items))
    return Look(id=identifier, piece="case", name=identifier, placements=placements, **changes)  # type: ignore[arg-type]


def plan_with(*looks: Look, **items: dict[str, Any]) -> Plan:
    names = dict.fromkeys(placement.item for look in looks for placement in look.placements)
    stash = tuple(thing(name, **items.get(name, {})) for name in names)
    more = tuple(thing(name, **known) for name, known in items.items() if name not in names)
    return replace(plan_of((*stash, *more)), looks=looks)


@pytest.mark.parametrize("text", ["soon", "2026-02-30", "26-01-01", "2026/01/02", "1200-01-01", "0000-00-00"])
def test_what_is_no_day_is_refused(text: str) -> None:
    with pytest.raises(DateError, match="“"):
        date_of(text)
    assert known_date(text) is None


def test_days_have_seasons() -> None:
    assert [season_of(date(2026, month, 1)) for month in (1, 3, 6, 9, 12)] == [
        "winter", "spring", "summer", "autumn", "winter",
    ]  # fmt: skip


def test_looks_stand_by_season_the_latest_first() -> None:
    looks = [look_of("a", date="2025-10-03"), look_of("b", date="2026-02-01"), look_of("c", date="2025-12-24"),
             look_of("d", date="no day"), look_of("e", date="2026-10-01")]  # fmt: skip
    found = [(chapter.title, [look.id for look in chapter.looks]) for chapter in chapters_of(looks)]
    assert found == [
        ("Without a date", ["d"]), ("Autumn 2026", ["e"]), ("Winter 2025/26", ["b", "c"]), ("Autumn 2025", ["a"]),
    ]  # fmt: skip


def test_the_log_is_written_summed_and_struck() -> None:
    plan = plan_with(look_of("a", "urn"))
    for entry in (LogEntry(date="2026-10-01", hours=1.5, cost=Decimal("0.10")), LogEntry(hours=1.0, cost=Decimal("0.20"),
                  status="placed")):  # fmt: skip
        plan = AddLogEntry(look="a", entry=entry).apply(plan)
    look = plan.look("a")
    assert (hours_of(look), cost_of_work(look), look.status) == (2.5, Decimal("0.30"), "placed")
    assert len(RemoveLogEntry(look="a", index=0).apply(plan).look("a").log) == 1
    with pytest.raises(EditError, match="no such line"):
        RemoveLogEntry(look="a", index=7).apply(plan)
    with pytest.raises(InvalidPlanError):
        AddLogEntry(look="a", entry=LogEntry(hours=-1.0)).apply(plan)


def test_last_autumn_is_the_latest_one_before_today() -> None:
    looks = [look_of("old", "urn", date="2024-10-01"), look_of("last", "urn", date="2025-11-01"),
             look_of("next", "urn", date="2027-10-01"), look_of("empty", date="2026-10-01"),
             look_of("told", "urn", date="2025-12-01", season="autumn")]  # fmt: skip
    found = last_one_of(looks, "autumn", TODAY)
    assert found is not None
    assert found.id == "told"
    assert last_one_of(looks, "spring", TODAY) is None


def test_an_old_look_comes_back_with_what_is_still_owned() -> None:
    old = replace(look_of("old", "urn", "jug", "box"), placements=(
        put("cup", on="box", x=380.0), put("urn", x=80.0), put("jug", x=230.0), put("box", x=380.0),
    ), date="2025-10-01", status="taken-down", log=(LogEntry(text="x"),))  # fmt: skip
    plan = plan_with(old, urn={"gone": True}, box={"gone": True, "category": "box"},
                     spare={"height": 250.0, "colours": (("#c4663c", 1.0),)}, far={"height": 30.0})  # fmt: skip
    back = revived(plan, old)
    assert [placement.item for placement in back.placements] == ["spare", "jug"]
    assert [said.split(" ", 2)[1] for said in back.told] == ["spare", "box", "cup"]
    fresh = BringBack(look="old", name="old", date="2026-10-01").apply(plan).looks[-1]
    assert (fresh.date, fresh.status, fresh.log) == ("2026-10-01", "idea", ())
    assert "stands for the urn" in fresh.note
    assert plan.look("old") == old


def test_nothing_stands_for_what_is_there_already() -> None:
    old = look_of("old", "urn", "twin")
    plan = plan_with(old, urn={"gone": True})
    assert [placement.item for placement in revived(plan, old).placements] == ["twin"]


def test_the_year_tells_what_comes_goes_and_stays() -> None:
    spring, autumn = look_of("s", "urn", "moss", date="2026-04-01"), look_of("a", "urn", "leaf", season="autumn")
    plan = plan_with(spring, autumn, look_of("none"), moss={"box": "3"}, leaf={"returns_to": "the wood"})
    year = year_of(plan, "case", 2026)
    assert [(change.season, change.day.isoformat()) for change in year.changes] == [
        ("spring", "2026-04-01"), ("autumn", "2026-09-01"),
    ]  # fmt: skip
    assert [item.id for item in year.all_year] == ["urn"]
    change = year.changes[1]
    assert [item.id for item in change.brings] == ["leaf"]
    assert [(item.id, where) for item, where in change.stores] == [("moss", "box “3”")]
    assert [where for _, where in year.changes[0].stores] == ["back to the wood"]
    assert year_of(plan_of(), "case", 2026).changes == ()


def test_what_is_due_when() -> None:
    look = look_of("a", "fern", "roses", date="2026-11-01", takes_down="2026-12-20")
    later = look_of("b", "fern", date="2026-10-01")
    plan = plan_with(
        look, later, fern={"care": Care(water_days=7, repot="spring")}, roses={"care": Care(lasts_days=9)},
        clock={"return_by": "2026-12-24", "borrowed_from": "the mill"}, chart={"obsolete_by": "2027-01-06"},
    )  # fmt: skip
    found = {(due.kind, due.key): due for due in due_dates(plan, TODAY)}
    assert found["take-down", "a"].day == date(2026, 12, 20)
    water = found["water", "fern"]
    # The fern of the earlier look is the same fern.
    assert [key for kind, key in found if kind == "water"] == ["fern"]
    assert (water.day, water.every_days, water.until) == (date(2026, 11, 8), 7, date(2026, 12, 20))
    assert water.next_from(TODAY) == date(2026, 11, 29)
    assert water.next_from(date(2027, 1, 1)) is None
    assert found["fade", "roses"].day == date(2026, 11, 10)
    assert found["repot", "fern"].day == date(2027, 3, 1)
    assert found["return", "clock"].what.endswith("to the mill")
    assert found["obsolete", "chart"].day == date(2027, 1, 6)
    taken = replace(plan, looks=tuple(replace(one, status="taken-down") for one in plan.looks))
    assert {due.kind for due in due_dates(taken, TODAY)} == {"repot", "return", "obsolete"}


def test_dates_that_make_no_sense_are_told() -> None:
    plan = plan_with(
        look_of("a", "urn", date="2026-12-01", takes_down="2026-11-01"), look_of("b", date="soon"),
        urn={"return_by": "when I can", "obsolete_by": "2026-99-01"},
    )  # fmt: skip
    said = senseless_dates(plan)
    assert len(said) == 4
    assert any("before it stands" in one for one in said)
    assert due_dates(plan, TODAY)


def test_where_everything_is() -> None:
    look = look_of("a", "urn", status="placed", date="2026-10-01")
    older = look_of("o", "jug", status="placed", date="2025-10-01")
    plan = plan_with(
        look, older, jug={"room": "hall"}, clock={"status": "borrowed", "borrowed_from": "Ada", "return_by": "2026-12-01"},
        moss={"status": "stored", "box": "3", "room": "attic"}, old={"gone": True}, dear={"status": "wanted"},
        due={"status": "to-buy"}, lost={},
    )  # fmt: skip
    said = {one.item.id: one.said for one in whereabouts(plan, "Mill")}
    assert said["urn"] == "stands a1 of the Case (a)"
    assert said["jug"] == "is kept in hall"
    assert said["moss"] == "is stored in box “3”, attic"
    assert (said["old"], said["dear"], said["due"]) == (
        "is no longer here", "is only wished for", "is still to be bought",
    )  # fmt: skip
    assert said["lost"] == "is kept in no place told"
    found = over_all((("Mill", plan), ("Row", plan)), "")
    assert [(one.client, one.item.id) for one in found[:2]] == [("Mill", "clock"), ("Row", "clock")]
    assert found[0].due == "from Ada, back to Ada by 2026-12-01"
    assert over_all((("Mill", plan),), "nothing such") == ()


def test_what_changed_between_two_versions() -> None:
    old = plan_with(look_of("a", "urn", "jug"))
    look = old.looks[0]
    moved = replace(look, placements=(replace(look.placements[0], x=600.0), look.placements[1]), note="new")
    new = replace(
        old, stash=(*(replace(item, room="hall") if item.id == "jug" else item for item in old.stash), thing("cup")),
        looks=(moved, look_of("b")), budget=Decimal(40), currency="€", pieces=(case_of(3),), name="Mill",
    )  # fmt: skip
    said = " ".join(plan_differences(old, new))
    for words in ("One thing is new: cup.", "The jug: room is changed.", "One look is new: b.", "a: note changed.",
                  "The urn stands 52 cm farther right.", "The budget is 40.00 € (before: not told).", "The Case:",
                  "It is called “Mill”"):  # fmt: skip
        assert words in said, words
    assert plan_differences(new, new) == ()
    assert "One thing is gone: cup." in plan_differences(new, old)


@pytest.mark.parametrize(
    ("text", "found"),
    [("40 mm further left", Deviation(along=-40)), ("2 cm back", Deviation(across=20)), ("3 forward", Deviation(across=-30)),
     ("1/2 in right", Deviation(along=12.7)), ("2 left, 1 back", Deviation(along=-20, across=10)),
     ("5 mm higher", Deviation(upward=5)), ("1,5 cm right and 2 mm lower", Deviation(along=15, upward=-2))],
)  # fmt: skip
def test_a_deviation_is_read_as_it_is_said(text: str, found: Deviation) -> None:
    assert parse_deviation(text, "cm") == found


@pytest.mark.parametrize("text", ["", "left", "4 cm", "a bit left", "4 cm sideways", "4 cm left and", "-4 cm left"])
def test_a_deviation_without_way_or_length_is_refused(text: str) -> None:
    with pytest.raises(LengthError, match="how far and which way"):
        parse_deviation(text)


def test_ticks_keep_to_the_look_and_found_things_move() -> None:
    plan = plan_with(look_of("a", "urn", "jug"))
    ticked = TickOff(look="a", placements=("jug",)).apply(plan)
    assert ticked.look("a").placed == ("jug",)
    assert TickOff(look="a", placements=("jug",), placed=False).apply(ticked).look("a").placed == ()
    with pytest.raises(EditError, match="choose a thing that stands there"):
        TickOff(look="a", placements=("ghost",)).apply(plan)
    found = FindElsewhere(look="a", placement="urn", found=Deviation(along=15), said="15 mm right", name="urn")
    assert found.apply(plan).look("a").placement("urn").x == 95.0
    assert found.apply(plan).look("a").log[0].text == "urn found 15 mm right"
    with pytest.raises(EditError, match="only what hangs"):
        FindElsewhere(look="a", placement="urn", found=Deviation(upward=15), said="up").apply(plan)


def test_another_version_begins_as_an_idea() -> None:
    plan = plan_with(look_of("a", "urn", status="placed", placed=("urn",), log=(LogEntry(text="x"),),
                             photos=(LookPhoto(name="p"),)))  # fmt: skip
    copy = DuplicateLook(look="a").apply(plan).looks[1]
    assert (copy.status, copy.placed, copy.log, copy.photos) == ("idea", (), (), ())
    assert copy.placements == plan.look("a").placements


def test_photographs_of_looks_belong_to_the_plan() -> None:
    photo = LookPhoto(name="photos/a.jpg", corners=((0, 0), (1, 0), (1, 1), (0, 1)))
    assert photo_names(plan_with(look_of("a", photos=(photo,)))) == {"photos/a.jpg"}
    with pytest.raises(ValueError, match="four corners"):
        LookPhoto(name="a", corners=((0, 0),))
