"""What several readings share: cover, colours, scores and words."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.hues import accent_leaders, colour_areas, is_accent, is_leaf
from jolly_ledge.measures.score import in_band, mean, ramp, weighted_mean
from jolly_ledge.model.phrases import capital, counted, listed, percent
from jolly_ledge.model.piece import Ledge
from jolly_ledge.scene.background import lies_on_seen_surface, seen_against
from jolly_ledge.scene.cover import covered_area, hidden_shares
from jolly_ledge.scene.marks import weights


def shelf(*spots: tuple[str, float, float], **changes: object) -> Arrangement:
    items = tuple(thing(name, "frame", **changes) for name, _, _ in spots)
    return arranged(items, tuple(put(name, x=x, z=z) for name, x, z in spots))


def test_cover_is_the_union_of_what_is_seen() -> None:
    one = covered_area(shelf(("a", 200, 100)).by_ledge["a1"])
    assert one == pytest.approx(200 * 280)
    assert covered_area(shelf(("a", 200, 100), ("b", 600, 100)).by_ledge["a1"]) == pytest.approx(2 * one)
    assert covered_area(shelf(("a", 200, 100), ("b", 300, 200)).by_ledge["a1"]) == pytest.approx(1.5 * one)
    assert covered_area(shelf(("a", 200, 100), ("b", 200, 200)).by_ledge["a1"]) == pytest.approx(one)


def test_airy_things_cover_by_their_density() -> None:
    twigs = arranged((thing("twigs", "stems", silhouette="branches"),), (put("twigs"),)).by_ledge["a1"]
    solid = arranged((thing("cone", "object", silhouette="vase", width=200.0, height=220.0),), (put("cone"),)).by_ledge[
        "a1"
    ]
    assert 0 < covered_area(twigs) < 0.6 * covered_area(solid)


@pytest.mark.parametrize(("dx", "share"), [(0, 1.0), (100, 0.5), (200, 0.0)])
def test_what_is_hidden_follows_the_overlap(dx: float, share: float) -> None:
    front, back = hidden_shares(shelf(("front", 200, 50), ("back", 200 + dx, 250)).by_ledge["a1"])
    assert front == 0.0
    assert back == pytest.approx(share)


def test_clear_glass_hides_little() -> None:
    items = (thing("glass", "box", silhouette="box", finish="clear", width=200.0, height=280.0), thing("art", "frame"))
    arrangement = arranged(items, (put("glass", z=60), put("art", z=280)))
    assert hidden_shares(arrangement.by_ledge["a1"])[1] == pytest.approx(0.45)


def test_colours_are_shared_out_by_area() -> None:
    item = thing("x", "box", colours=(("#c4663c", 0.75), ("#25405c", 0.25)))
    areas = {colour: area for _, colour, area in colour_areas(arranged((item,), (put("x"),)))}
    assert areas["#c4663c"] == pytest.approx(3 * areas["#25405c"])
    assert sum(areas.values()) == pytest.approx(300 * 160)


def test_leaves_and_neutrals_lead_no_accent() -> None:
    items = (
        thing("fern", "plant", colours=(("#5a7a44", 1.0),)),
        thing("cream", colours=(("#efe8d8", 1.0),)),
        thing("rust", colours=(("#c4663c", 1.0),)),
        thing("oak", colours=(("#b98b5a", 1.0),), height=100.0),
    )
    arrangement = arranged(items, tuple(put(item.id, x=100 + 180 * i) for i, item in enumerate(items)))
    assert accent_leaders(arrangement) == ("#c4663c",)
    assert is_leaf(arrangement.by_id["fern"], "#5a7a44")
    assert not is_leaf(arrangement.by_id["rust"], "#c4663c")


@pytest.mark.parametrize(
    ("colour", "finish", "backdrop", "expected"),
    [
        ("#c4663c", "matt", "#3f4f5a", True),
        ("#efe8d8", "matt", "#3f4f5a", False),
        ("#c0c2c4", "metal", "#3f4f5a", True),
        ("#c0c2c4", "matt", "#3f4f5a", False),
        ("#1e1e1e", "matt", "#efebe4", True),
        ("#1e1e1e", "matt", "#3f4f5a", False),
    ],
)
def test_what_the_eye_looks_for_again(colour: str, finish: str, backdrop: str, expected: bool) -> None:
    piece = case_of(backdrop=backdrop)
    item = thing("x", colours=((colour, 1.0),), finish=finish)
    placed = arranged((item,), (put("x"),), piece).placed_items[0]
    assert is_accent(placed, colour, piece) is expected


def test_a_unit_shows_what_its_parts_show() -> None:
    items = (thing("vase"), thing("stems", "stems"))
    arrangement = arranged(items, (put("vase"), put("stems", inside="vase", x=None, z=None)))
    (unit,) = arrangement.units
    by_id = weights(arrangement)
    assert set(by_id) == set(unit.ids)
    assert unit.area == pytest.approx(sum(placed.area for placed in unit.placed_items))
    assert unit.lead.id == "vase"


@pytest.mark.parametrize(
    ("height", "floor", "colour", "seen"),
    [(70, 700, "#3a2a20", True), (300, 700, "#3a2a20", False), (70, 1500, "#3a2a20", False), (70, 700, None, False)],
)
def test_low_things_below_the_eye_lie_on_a_seen_surface(
    height: float, floor: float, colour: str | None, seen: bool
) -> None:
    top = Ledge(id="a1", left=0, floor=floor, width=1000, depth=450, colour=colour)
    piece = replace(case_of(), ledges=(top,))
    placed = arranged((thing("x", "box", height=height),), (put("x"),), piece).placed_items[0]
    assert lies_on_seen_surface(placed) is seen
    shares = seen_against(placed, piece)
    assert sum(share for _, share in shares) == pytest.approx(1.0)
    assert len(shares) == (2 if seen else 1)


@given(st.floats(-5, 5), st.floats(-2, 2), st.floats(-2, 2))
def test_a_ramp_stays_between_nought_and_one(value: float, nought: float, full: float) -> None:
    if abs(full - nought) > 1e-6:
        assert 0.0 <= ramp(value, nought, full) <= 1.0
        assert ramp(full, nought, full) == 1.0
        assert ramp(nought, nought, full) == 0.0


@given(st.floats(-3, 3), st.floats(0, 1), st.floats(0, 1))
def test_a_band_scores_full_within_and_less_outside(value: float, low: float, width: float) -> None:
    band = (low, low + width)
    score = in_band(value, band, 0.5, 0.5)
    assert (score == 1.0) == (band[0] <= value <= band[1]) or math.isclose(score, 1.0, abs_tol=1e-9)
    assert 0.0 <= score <= 1.0


def test_means() -> None:
    assert weighted_mean([]) == 1.0
    assert weighted_mean([(0.5, 0.0)], empty=0.2) == 0.2
    assert mean([]) == 1.0
    assert mean([0.0, 1.0]) == 0.5


def test_words_read_well() -> None:
    assert counted(0, "pair") == "no pairs"
    assert counted(1, "pair") == "one pair"
    assert counted(40, "pair") == "40 pairs"
    assert listed([]) == ""
    assert listed(["a"]) == "a"
    assert listed(["a", "a", "b"]) == "a and b"
    assert listed(["a", "b", "c", "d"]) == "a, b, c and d"
    assert capital("the sextant of Vesper Row") == "The sextant of Vesper Row"
    assert percent(0.999) == "100 %"
