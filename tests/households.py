"""Invented households: a piece of furniture and a stash of which about half suits and half only lies about."""

import tomllib
from functools import lru_cache
from pathlib import Path
from random import Random
from typing import Any

from msgspec import convert
from msgspec.structs import replace

from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts.gallery import STARTS
from jolly_ledge.model.words import FULLNESSES

ROOMS: dict[str, str] = {
    "bookcase": "case", "wall-shelves": "case", "hutch": "dining", "cabinet": "dining", "niche": "case", "flanking-pair": "case",
    "console": "hall", "sideboard": "living", "mantel": "living", "coffee-table": "table",
    "coffee-table-rounded": "table", "coffee-table-round": "table", "coffee-table-oval": "table",
    "nightstand": "bed", "counter": "kitchen", "island": "kitchen", "dining-table": "dining", "other": "living",
}  # fmt: skip
"""For what room things are drawn, by the start of the furniture."""

USES: dict[str, tuple[str, ...]] = {
    "bookcase": ("display", "reading"), "wall-shelves": ("display",), "niche": ("display",), "hutch": ("china", "display"),
    "cabinet": ("display", "glasses"), "console": ("display", "keys"), "sideboard": ("display",),
    "nightstand": ("sleeping", "reading"), "dining-table": ("dining",),
}  # fmt: skip
STRETCHED, JITTER, SHARES = (0.85, 1.3), (0.85, 1.18), {1: (1.0,), 2: (0.7, 0.3), 3: (0.4, 0.35, 0.25)}
TWO_THEMES_FROM = 64


@lru_cache(maxsize=1)
def _data() -> dict[str, Any]:
    return tomllib.loads((Path(__file__).parent / "households.toml").read_text(encoding="utf-8"))


def household(start: str, seed: int) -> tuple[Plan, Manner]:
    """Return a plan with one piece of a start, a stash of 20 to 150 things, and how the look is meant to be."""
    rng = Random(seed * 7919 + sum(map(ord, start)))
    piece = _stretched(next(one for one in STARTS if one.id == start).make(), rng.uniform(*STRETCHED))
    piece = replace(piece, use=USES.get(start, piece.use))
    count = int(20 * (150 / 20) ** rng.random())
    themes = rng.sample(sorted(_data()["themes"]), 2 if count >= TWO_THEMES_FROM else 1)
    things = _suiting(themes, ROOMS[start], (count + 1) // 2, rng) + _clutter(count // 2, rng)
    rng.shuffle(things)
    stash = tuple(replace(thing, id=f"thing-{number}") for number, thing in enumerate(things, 1))
    return Plan(name=f"{start} {seed}", pieces=(piece,), stash=stash), Manner(fullness=rng.choice(FULLNESSES))


def _stretched(piece: Piece, factor: float) -> Piece:
    """Return a piece that is wider or narrower, with all that belongs to it."""
    seats = tuple(replace(seat, x=seat.x * factor) for seat in piece.seats)
    ledges = tuple(replace(one, left=one.left * factor, width=one.width * factor) for one in piece.ledges)
    fixtures = tuple(replace(one, left=one.left * factor, width=one.width * factor) for one in piece.fixtures)
    return replace(piece, width=piece.width * factor, ledges=ledges, fixtures=fixtures, seats=seats)


def _suiting(themes: list[str], room: str, count: int, rng: Random) -> list[Item]:
    templates = [thing for thing in _data()["things"][0]["list"] if room in thing.get("rooms", (room,))]
    ordered = sorted(templates, key=lambda thing: rng.random() * (0.6 if room in thing.get("rooms", ()) else 1.0))
    chosen = [ordered[number % len(ordered)] for number in range(count)]
    return [
        _thing(template, _data()["themes"][themes[number % len(themes)]]["colours"], rng)
        for number, template in enumerate(chosen)
    ]


def _clutter(count: int, rng: Random) -> list[Item]:
    templates = _data()["clutter"][0]["list"]
    chosen = rng.sample(templates, min(count, len(templates)))
    return [_thing(template, {}, rng) for template in chosen]


def _thing(template: dict[str, Any], theme: dict[str, str], rng: Random) -> Item:
    factor = rng.uniform(*JITTER)
    width, height, depth = (round(side * factor) for side in template["size"])
    shares = SHARES[len(template["colours"])]
    colours = tuple((theme.get(name, name), share) for name, share in zip(template["colours"], shares, strict=True))
    raw = {key: value for key, value in template.items() if key not in ("size", "colours", "rooms")}
    raw |= {"id": "thing", "width": width, "height": height, "depth": depth, "colours": colours}
    return convert(raw | {"mass": round(width * height * depth * 4e-7, 2)}, Item)
