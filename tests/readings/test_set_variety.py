"""Within a nest, a trio or a collection sizes and outlines vary; a pair, a service and a series are meant to be alike."""

from itertools import pairwise

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.set_variety import varieties_of
from jolly_ledge.readings.register import read_one


def beside_a_basket(sense: str, step: float, shapes: tuple[str, ...] = ("vase", "vase", "vase")) -> Arrangement:
    """Return three jars of a set in steps of so many mm, and a basket."""
    jars = tuple(
        thing(f"jar{n}", width=70.0, height=120.0 + step * n, depth=70.0, silhouette=shape, set="jars", sense=sense)
        for n, shape in enumerate(shapes)
    )
    basket = thing("basket", "basket", width=200.0, height=200.0, depth=200.0, finish="woven")
    places = (*(put(f"jar{n}", x=200.0 + 75 * n) for n in range(3)), put("basket", x=650.0))
    return arranged((*jars, basket), places, case_of(1))


@pytest.mark.parametrize("sense", ["nest", "trio", "collection"])
def test_the_less_the_sizes_differ_the_more_is_lost(sense: str) -> None:
    losses = []
    for step in (30.0, 20.0, 10.0, 5.0, 0.0):
        reading = read_one("mix", beside_a_basket(sense, step))
        assert reading is not None
        assert reading.loss is not None
        losses.append(reading.loss)
    assert all(later > earlier for earlier, later in pairwise(losses))


@pytest.mark.parametrize("sense", ["service", "series"])
def test_what_is_meant_to_be_alike_is_not_asked(sense: str) -> None:
    assert list(varieties_of(beside_a_basket(sense, 0.0))) == []


def test_a_collection_may_vary_by_outline_alone_and_a_nest_may_not() -> None:
    mixed = ("vase", "urn", "bottle")
    collection, nest = (next(varieties_of(beside_a_basket(sense, 0.0, mixed))) for sense in ("collection", "nest"))
    assert (collection.sameness, nest.sameness) == (0.0, 1.0)


def test_the_finding_names_the_set_and_what_to_do() -> None:
    reading = read_one("mix", beside_a_basket("nest", 0.0))
    assert reading is not None
    (said,) = (one.sentence for one in reading.findings if "nest" in one.sentence)
    assert said == "The nest jars is all of one height; take a larger and a smaller one into it, or raise one."
