"""Colours that mean something are told apart by eyes that lack one kind of cones, and are read on their grounds."""

from itertools import combinations

import pytest
from coloraide.everything import ColorAll as Color

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
