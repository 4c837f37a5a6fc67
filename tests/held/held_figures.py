"""What is read, told and planned for many looks, to be held as it is: whoever changes a figure does so knowingly.

    python tests/held/held_figures.py

writes the figures anew. What changed is then seen in the difference of the files, and belongs into the message of the
change: it is either meant, or a fault.
"""

import json
import math
import sys
from collections.abc import Callable, Iterator, Mapping
from datetime import date
from decimal import Decimal
from pathlib import Path
from typing import Any

from msgspec import Struct
from msgspec.structs import fields, replace

sys.path.insert(0, str(Path(__file__).parent.parent))

from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.geometry.bays import bay_name, bays_of, bodies_of, tape_check
from jolly_ledge.geometry.landing import Held, Spot, find_landing, free_spot
from jolly_ledge.model.plan import Household, Plan
from jolly_ledge.model.words import Pose
from jolly_ledge.planning.due import due_dates
from jolly_ledge.planning.plug_table import plug_rows
from jolly_ledge.planning.pull_list import pull_list
from jolly_ledge.planning.season_plan import year_of
from jolly_ledge.planning.shopping import shopping_list
from jolly_ledge.planning.stems import plan_stems
from jolly_ledge.planning.tape_figures import across, along, upward
from jolly_ledge.planning.time_estimate import time_estimate
from jolly_ledge.planning.tools import tools_for
from jolly_ledge.planning.whereabouts import whereabouts
from jolly_ledge.planning.working_order import working_order
from jolly_ledge.readings.reading import Reading
from jolly_ledge.readings.register import assess
from judgement.cases import load_cases
from judgement.looks import composed_looks

FOLDER = Path(__file__).parent / "figures"
FAR = 2e-5
"""Figures may differ by so much from machine to machine."""

DIGITS, YEAR, TODAY = 5, 2026, date(2026, 11, 1)
HEAVIER = (0.4, 1.0, 2.5, 6.0)
HOUSEHOLDS = (Household(), Household(child_age=3, toddler=True, pets=("cat", "dog")))
EVERY_NTH = 12
"""Of the things of the stash so many are let go at places of a look."""

Told = dict[str, Any]


def demo() -> Plan:
    """Return the plan of the demo."""
    return plan_from_json(demo_bytes())


def with_plans() -> Iterator[tuple[str, Plan, Arrangement]]:
    """Yield the looks of the demo and those composed by hand, by a name, with their plans."""
    plan = demo()
    yield from ((f"demo {look.id}", plan, arrange(plan, look)) for look in plan.looks)
    yield from ((f"composed {one.name}", one.plan, one.arrangement) for one in composed_looks())


def by_name() -> Iterator[tuple[str, Arrangement]]:
    """Yield the same looks without their plans."""
    yield from ((name, look) for name, _, look in with_plans())


def plain(value: object) -> Any:
    """Return a value as it is kept: values of the plan by their ids, figures rounded."""
    if isinstance(value, Struct):
        if isinstance(named := getattr(value, "id", None), str) and type(value).__module__.startswith(MODEL):
            return named
        return {one.name: plain(getattr(value, one.name)) for one in fields(value)}
    if isinstance(value, float):
        return round(value, DIGITS)
    if isinstance(value, Mapping):
        return {str(key): plain(one) for key, one in value.items()}
    if isinstance(value, frozenset | set):
        return sorted(plain(one) for one in value)
    if isinstance(value, tuple | list):
        return [plain(one) for one in value]
    return str(value) if isinstance(value, date | Decimal) else value


MODEL = "jolly_ledge.model"


def figures_of(reading: Reading) -> list[Any]:
    """Return the figures of a reading: its value, loss and band, what it is made of, how many findings, how grave."""
    made_of = sum(share for _, share in reading.contributions)
    gravity = sum(finding.gravity for finding in reading.findings)
    told = (reading.value, reading.loss, *reading.band, *reading.limits, made_of, len(reading.findings), gravity)
    return [plain(one) for one in told]


def readings_told() -> Told:
    """Return the figures of all readings for named looks and for both looks of every case."""
    looks = dict(by_name())
    for case in load_cases():
        looks |= {f"case {case.id} {look.id}": arrange(case.plan, look) for look in case.plan.looks}
    return {name: {one.id: figures_of(one) for one in assess(look).readings} for name, look in looks.items()}


def sentences_told() -> Told:
    """Return what the readings say of named looks, and what they find there."""
    return {
        name: {one.id: [one.shown, one.sentence, *(found.sentence for found in one.findings)] for one in read.readings}
        for name, look in by_name()
        if (read := assess(look))
    }


def cautions_told() -> Told:
    """Return the cautions of named looks: as they are, with lighter and heavier things, with others in the house."""
    told: Told = {}
    for name, plan, look in with_plans():
        for factor in HEAVIER:
            for number, household in enumerate(HOUSEHOLDS):
                stash = tuple(
                    replace(item, mass=item.mass * factor) if item.mass is not None else item for item in plan.stash
                )
                other = arrange(replace(plan, stash=stash, household=household), look.look)
                key = f"{name}, {factor:g} times as heavy, household {number}"
                told[key] = [[one.id, one.level, *one.placements, one.sentence] for one in cautions_of(other)]
    for case in load_cases():
        for one_look in case.plan.looks:
            found = cautions_of(arrange(case.plan, one_look))
            told[f"case {case.id} {one_look.id}"] = [[one.id, one.level, *one.placements] for one in found]
    return told


def places_told() -> Told:
    """Return where things are, how pieces are parted, and where what is let go over a look comes to stand."""
    told: Told = {}
    for name, plan, look in with_plans():
        piece = look.piece
        told[name] = {
            "placed": {
                one.id: plain([one.left, one.right, one.bottom, one.top, one.front, one.back, one.area, one.hidden])
                for one in look.placed_items
            },
            "groups": [plain(group.ids) for group in look.vignettes],
            "bays": [[bay_name(piece, bay), plain(bay)] for bay in bays_of(piece)],
            "bodies": plain(bodies_of(piece)),
            "tape check": plain(tape_check(piece)),
            "let go": plain(let_go(plan, look)),
        }
    return told


def briefly(spot: Spot) -> list[object]:
    """Return a spot as its ledge, its point and what carries it."""
    return [spot.ledge, round(spot.x, 1), round(spot.z, 1), spot.on, spot.y]


def let_go(plan: Plan, look: Arrangement) -> list[object]:
    """Return where some things of the stash land, let go over the ends, the thirds and the middle of every ledge."""
    landed: list[object] = []
    for item in plan.stash[::EVERY_NTH]:
        for ledge in look.piece.ledges:
            pose: Pose = "hung" if ledge.is_wall else "upright"
            landed.append(briefly(free_spot(look, item, pose, ledge)))
            for share in (0.02, 0.33, 0.5, 0.7, 0.98):
                for over in (-40.0, 15.0, 120.0):
                    held = Held(item, pose, 0.0, ledge.left + share * ledge.width, ledge.floor + over)
                    landing = find_landing(look, held)
                    landed.append(None if landing is None else [*briefly(landing.spot), landing.inside])
    return landed


def plans_told() -> Told:
    """Return how the looks of the demo are put up, fetched, bought and looked after."""
    plan = demo()
    told: Told = {
        "due": plain(due_dates(plan, TODAY)),
        "years": {piece.id: plain(year_of(plan, piece.id, YEAR)) for piece in plan.pieces},
        "to buy": plain(shopping_list(plan)),
        "where": plain(whereabouts(plan, "client")),
        "stems": {item.id: plain(plan_stems(item, None, 600.0)) for item in plan.stash if item.category == "vessel"},
    }
    for name, held, look in with_plans():
        steps = working_order(look)
        told[name] = {
            "order": plain(steps),
            "fetch": plain(pull_list(look)),
            "tools": plain(tools_for(look)),
            "time": plain(time_estimate(held, look)),
            "plugs": plain(plug_rows(look, "mm")),
            "tape": [
                [one.id, plain(along(one, look.placed_items[:number], look.by_id.get(one.placement.on or ""))),
                 plain(across(one, look.by_id.get(one.placement.on or ""))), plain(upward(one))]
                for number, one in enumerate(look.placed_items)
            ],
        }  # fmt: skip
    return told


PARTS: dict[str, Callable[[], Told]] = {
    "readings": readings_told, "sentences": sentences_told, "cautions": cautions_told, "places": places_told,
    "plans": plans_told,
}  # fmt: skip


def differences(kept: object, told: object, where: str) -> Iterator[str]:
    """Yield where two values differ, figures by more than machines do."""
    if isinstance(kept, dict) and isinstance(told, dict):
        for key in sorted({*kept, *told}):
            yield from differences(kept.get(key), told.get(key), f"{where}, {key}")
    elif isinstance(kept, list) and isinstance(told, list) and len(kept) == len(told):
        for number, (one, other) in enumerate(zip(kept, told, strict=True)):
            yield from differences(one, other, f"{where}, {number}")
    elif isinstance(kept, int | float) and isinstance(told, int | float):
        if not math.isclose(kept, told, rel_tol=FAR, abs_tol=FAR):
            yield f"{where}: {kept} before, {told} now"
    elif kept != told:
        yield f"{where}: {kept} before, {told} now"


def differing(part: str) -> Iterator[str]:
    """Yield where a part is told otherwise than it is held."""
    kept = json.loads((FOLDER / f"{part}.json").read_text(encoding="utf-8"))
    yield from differences(kept, json.loads(json.dumps(PARTS[part]())), part)


def is_as_held(part: str) -> bool:
    """Tell whether nothing of a part differs from what is held."""
    return next(differing(part), None) is None


def write() -> None:
    """Write all parts anew, one line for every look."""
    FOLDER.mkdir(exist_ok=True)
    for name, tell in PARTS.items():
        lines = [f"{json.dumps(key)}: {json.dumps(value, ensure_ascii=False)}" for key, value in tell().items()]
        (FOLDER / f"{name}.json").write_text("{\n" + ",\n".join(lines) + "\n}\n", encoding="utf-8")


if __name__ == "__main__":
    write()
