"""Colours that mean something are told apart by eyes that lack one kind of cones, and are read on their grounds."""

from itertools import combinations

import pytest
from coloraide.everything import ColorAll as Color

from jolly_ledge.app.tones import EVENING
from jolly_ledge.drawing.theme import (
    INK,
    OCHRE,
    OCHRE_INK,
    OCHRE_TINT,
    PAPER,
    PLUM,
    PLUM_TINT,
    RUST,
    RUST_TINT,
    SHEET,
    SOFT_INK,
    TEAL,
    TEAL_TINT,
)

KINDS = ("protan", "deutan", "tritan")
MEANINGS = {"good": TEAL, "to heed": OCHRE, "stop": RUST, "in hand": PLUM}
APART = 11.5
"""CIEDE2000: plainly another colour, side by side."""

READ_ON = [
    (INK, PAPER), (INK, SHEET), (SOFT_INK, PAPER), (SOFT_INK, SHEET), (PLUM, SHEET), (PLUM, PLUM_TINT), (TEAL, SHEET),
    (OCHRE_INK, SHEET), (INK, OCHRE_TINT), (INK, RUST_TINT), (INK, TEAL_TINT), (SOFT_INK, OCHRE_TINT),
]  # fmt: skip
DIM = [
    (ink, ground)
    for ink in ("ink", "soft_ink", "plum", "teal", "ochre_ink", "rust_ink")
    for ground in ("paper", "sheet", "path")
] + [("ink", ground) for ground in ("ochre_tint", "rust_tint", "teal_tint", "plum_tint", "stop_ground")]
DIM += [("soft_ink", "ochre_tint"), ("plum", "plum_tint"), ("plum", "ochre_tint"), ("on_plum", "plum")]
READABLE = 4.5
"""WCAG 2.2, success criterion 1.4.3, for text of usual size."""


def seen(colour: str, kind: str) -> Color:
    return Color(colour) if kind == "all" else Color(colour).filter(kind)


@pytest.mark.parametrize("kind", ["all", *KINDS])
@pytest.mark.parametrize(("one", "other"), list(combinations(MEANINGS, 2)))
def test_what_means_something_else_looks_otherwise(kind: str, one: str, other: str) -> None:
    first, second = seen(MEANINGS[one], kind), seen(MEANINGS[other], kind)
    assert first.delta_e(second, method="2000") >= APART, (one, other)


@pytest.mark.parametrize("kind", ["all", *KINDS])
@pytest.mark.parametrize(("ink", "ground"), READ_ON)
def test_text_is_read_on_its_ground(kind: str, ink: str, ground: str) -> None:
    assert seen(ink, kind).contrast(seen(ground, kind), method="wcag21") >= READABLE


@pytest.mark.parametrize("kind", ["all", *KINDS])
@pytest.mark.parametrize(("ink", "ground"), DIM)
def test_text_is_read_in_the_evening_too(kind: str, ink: str, ground: str) -> None:
    first, second = getattr(EVENING, ink), getattr(EVENING, ground)
    assert seen(first, kind).contrast(seen(second, kind), method="wcag21") >= READABLE


@pytest.mark.parametrize("kind", ["all", *KINDS])
@pytest.mark.parametrize(("one", "other"), list(combinations(("teal", "ochre", "rust", "plum"), 2)))
def test_what_means_something_else_looks_otherwise_in_the_evening(kind: str, one: str, other: str) -> None:
    first, second = seen(getattr(EVENING, one), kind), seen(getattr(EVENING, other), kind)
    assert first.delta_e(second, method="2000") >= APART, (one, other)
