"""Each reading on small looks whose answer is plain."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner, Placement
from jolly_ledge.model.piece import Fixture, Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings import (
    alike_apart,
    colour_echo,
    contrast,
    height_rhythm,
    layering,
    negative_space,
    odd_groups,
    palette,
    scale,
    side_balance,
    tie,
    weight_low,
)
from jolly_ledge.readings.reading import Reading
from jolly_ledge.readings.register import REGISTER, assess, better_of
from jolly_ledge.scene.as_seen import as_seen
from jolly_ledge.scene.marks import tone, visual_weight, weights

SMALL = 60.0


def row(count: int, *heights: float, **changes: Any) -> tuple[tuple[Item, ...], tuple[Placement, ...]]:
    """Return ``count`` things in a row on a1, 40 mm apart, of the heights in turn."""
    tall = heights or (240.0, 120.0, 180.0)
    items = tuple(thing(f"t{i}", height=tall[i % len(tall)], **changes) for i in range(count))
    return items, tuple(put(item.id, x=70.0 + 100 * i) for i, item in enumerate(items))


def read(reading: object, arrangement: Arrangement) -> Reading:
    found = reading.read(as_seen(arrangement), arrangement.manner)  # type: ignore[attr-defined]
    assert isinstance(found, Reading)
    return found


@pytest.mark.parametrize(("count", "good"), [(2, False), (3, True), (4, False), (5, True), (7, True)])
def test_odd_groups_are_right_and_even_ones_found(count: int, good: bool) -> None:
    reading = read(odd_groups, arranged(*row(count, width=SMALL, depth=SMALL), odd="strict"))
    assert (not reading.findings) is good
    assert reading.is_good is good


def test_an_even_group_is_right_in_mirrored_pairs() -> None:
    looks = row(4, 240, 120, 120, 240, width=SMALL)
    assert read(odd_groups, arranged(*looks, figure="mirrored")).score > read(odd_groups, arranged(*looks)).score


def test_a_small_single_is_lonely_and_a_large_one_is_not() -> None:
    small = read(odd_groups, arranged((thing("dot", height=60.0, width=50.0),), (put("dot"),)))
    large = read(odd_groups, arranged((thing("urn", height=330.0, width=180.0),), (put("urn"),)))
    assert "stands alone" in small.findings[0].sentence
    assert large.findings == ()


def test_equal_neighbours_are_found_with_their_heights() -> None:
    reading = read(height_rhythm, arranged(*row(2, 250.0, 245.0)))
    assert "250 and 245 mm" in reading.findings[0].sentence
    assert "up to 145 mm between them" in reading.findings[0].sentence
    assert reading.placements == ("t0", "t1")


def test_a_small_thing_between_equals_mends_the_rhythm() -> None:
    assert read(height_rhythm, arranged(*row(3, 250.0, 90.0, 245.0))).findings == ()


def test_mirrored_pairs_may_be_of_one_height() -> None:
    items, _ = row(2, 250.0, 250.0)
    placements = (put("t0", x=330), put("t1", x=470))
    mirrored = arranged(items, placements, figure="mirrored")
    assert height_rhythm.read(mirrored, mirrored.manner) is None
    assert read(height_rhythm, arranged(items, placements)).findings


@pytest.mark.parametrize(("height", "word"), [(100.0, "lost"), (385.0, "nearly touches"), (280.0, "")])
def test_scale_measures_the_tallest_against_its_opening(height: float, word: str) -> None:
    reading = read(scale, arranged((thing("vase", height=height),), (put("vase"),)))
    assert reading.value == pytest.approx(height / 400)
    assert [word in finding.sentence for finding in reading.findings] == ([True] if word else [])


def test_the_missing_height_is_told() -> None:
    reading = read(scale, arranged((thing("dot", height=120.0, width=80.0),), (put("dot"),)))
    assert "raise it 100 mm" in reading.findings[0].sentence


@pytest.mark.parametrize(("width", "good"), [(500.0, False), (1200.0, True), (1790.0, False)])
def test_a_mirror_wants_two_thirds_of_the_console(width: float, good: bool) -> None:
    top = Ledge(id="a1", left=0, floor=780, width=1800, depth=380)
    mirror = Fixture(kind="mirror", left=900 - width / 2, floor=1000, width=width, height=600)
    piece = replace(case_of(), kind="console", width=1800.0, height=780.0, ledges=(top,), fixtures=(mirror,))
    reading = read(scale, arranged((thing("vase", height=560.0),), (put("vase"),), piece))
    assert (not reading.findings) is good


def test_too_few_stems_for_a_wide_mouth_are_found() -> None:
    items = (thing("vase", mouth=100.0), thing("stems", "stems", stems=3))
    looks = (put("vase"), put("stems", inside="vase", x=None, z=None))
    assert any("too few" in finding.sentence for finding in read(scale, arranged(items, looks)).findings)


@pytest.mark.parametrize(("height", "word"), [(220.0, "low"), (600.0, ""), (1_100.0, "tall")])
def test_a_lamp_is_about_as_high_as_the_headboard(height: float, word: str) -> None:
    top = Ledge(id="a1", left=0, floor=600, width=500, depth=400)
    board = Fixture(kind="headboard", left=500, floor=300, width=1600, height=1000)
    piece = replace(case_of(), kind="nightstand", width=500.0, height=600.0, ledges=(top,), fixtures=(board,))
    lamp = thing("lamp", "lamp", width=150.0, depth=150.0, height=height)
    reading = read(scale, arranged((lamp,), (put("lamp", x=250),), piece))
    assert [word in finding.sentence for finding in reading.findings] == ([True] if word else [])


def test_a_round_top_is_smaller_than_a_square_one() -> None:
    def share(shape: str) -> float:
        top = Ledge(id="a1", left=0, floor=420, width=800, depth=800, shape=shape)  # type: ignore[arg-type]
        piece = replace(case_of(), kind="coffee-table", width=800.0, height=420.0, depth=800.0, ledges=(top,))
        return read(scale, arranged((thing("tray", "tray"),), (put("tray", z=400),), piece)).value

    assert share("ellipse") == pytest.approx(share("rectangle") * 4 / 3.14159, rel=1e-3)


def test_balance_leans_where_the_weight_is() -> None:
    left = read(side_balance, arranged((thing("urn"),), (put("urn", x=100),)))
    middle = read(side_balance, arranged((thing("urn"),), (put("urn", x=400),)))
    assert left.value < -0.5
    assert "left" in left.shown
    assert middle.shown == "level"
    assert middle.score > 0.95


def test_mirroring_a_look_mirrors_its_balance() -> None:
    items = (thing("a"), thing("b", height=90.0))
    one = read(side_balance, arranged(items, (put("a", x=150), put("b", x=500))))
    other = read(side_balance, arranged(items, (put("a", x=650), put("b", x=300))))
    assert one.value == pytest.approx(-other.value)


def test_heavy_low_reads_better_than_heavy_high() -> None:
    items = (thing("urn", colours=(("#111111", 1.0),)), thing("cup", height=70.0))
    low = read(weight_low, arranged(items, (put("urn", "a1"), put("cup", "a2"))))
    high = read(weight_low, arranged(items, (put("urn", "a2"), put("cup", "a1"))))
    assert low.score > high.score
    assert "change places" in high.findings[0].sentence


def test_weight_low_needs_levels() -> None:
    arrangement = arranged((thing("urn"),), (put("urn"),), case_of(1))
    assert weight_low.read(arrangement, Manner()) is None


def test_negative_space_follows_the_fullness() -> None:
    looks = row(6, 300.0, width=90.0)
    scores = {
        fullness: read(negative_space, arranged(*looks, case_of(1), fullness=fullness)).score
        for fullness in ("airy", "layered", "abundant")
    }
    value = read(negative_space, arranged(*looks, case_of(1))).value
    assert 0.2 < value < 0.45
    assert scores["abundant"] < max(scores["airy"], scores["layered"])


def test_overlaps_count_once_in_the_cover() -> None:
    items = (thing("back", "frame"), thing("front", "frame", width=100.0, height=100.0))
    apart = read(negative_space, arranged(items, (put("back", x=200), put("front", x=600))))
    over = read(negative_space, arranged(items, (put("back", x=200, z=280), put("front", x=200, z=50))))
    assert over.value < apart.value


def test_strangers_to_the_palette_are_named() -> None:
    items = (thing("a"), thing("b", colours=(("#25405c", 1.0),)))
    reading = read(palette, arranged(items, (put("a", x=200), put("b", x=600)), palette=("#c4663c",)))
    assert reading.value == pytest.approx(0.5, abs=0.01)
    assert reading.findings[0].placements == ("b",)
    assert "blue (the b)" in reading.findings[0].sentence


def test_the_green_of_plants_is_always_welcome() -> None:
    items = (thing("fern", "plant", colours=(("#5a7a44", 1.0),)), thing("a"))
    reading = read(palette, arranged(items, (put("fern", x=200), put("a", x=600)), palette=("#c4663c",)))
    assert reading.value == pytest.approx(1.0)


def test_an_accent_seen_once_is_lonely_and_twice_answered() -> None:
    piece = case_of(2, 2)
    items = (thing("a"), thing("b"), thing("c", colours=(("#efe8d8", 1.0),)))
    once = read(colour_echo, arranged(items, (put("a", "a1"), put("c", "b2")), piece))
    twice = read(colour_echo, arranged(items, (put("a", "a1"), put("b", "b2"), put("c", "b1")), piece))
    assert "seen once only" in once.findings[0].sentence
    assert twice.score > once.score
    assert twice.findings == ()


def test_without_accents_there_is_no_echo() -> None:
    arrangement = arranged((thing("c", colours=(("#efe8d8", 1.0),)),), (put("c"),))
    assert colour_echo.read(arrangement, Manner()) is None


def test_what_vanishes_is_found() -> None:
    reading = read(contrast, arranged((thing("shade", colours=(("#3f4f5a", 1.0),)),), (put("shade"),)))
    assert "vanishes" in reading.findings[0].sentence
    assert reading.score == pytest.approx(1 / (2 - contrast.CALM_FLOOR + contrast.OFF_THE_MIDDLE))


def test_low_things_are_seen_against_the_top_they_lie_on() -> None:
    top = Ledge(id="a1", left=0, floor=700, width=1000, depth=450, colour="#3a2a20")
    piece = replace(case_of(), kind="nightstand", width=1000.0, height=700.0, ledges=(top,), backdrop="#efebe4")
    dark = arranged((thing("dark", "book-stack", height=70.0, colours=(("#2a2a2a", 1.0),)),), (put("dark"),), piece)
    light = arranged((thing("light", "book-stack", height=70.0, colours=(("#f5f5f2", 1.0),)),), (put("light"),), piece)
    assert read(contrast, light).score > read(contrast, dark).score


def test_look_alikes_side_by_side_are_found_and_far_apart_are_not() -> None:
    piece = case_of(2, 2)
    items = (thing("a"), thing("b", height=235.0))
    near = read(alike_apart, arranged(items, (put("a", x=200), put("b", x=340)), piece))
    far = read(alike_apart, arranged(items, (put("a", "a1", x=100), put("b", "b2", x=700)), piece))
    assert "look-alikes" in near.findings[0].sentence
    assert far.score > near.score


def test_twins_are_welcome_once_on_each_side_of_a_flanking_pair() -> None:
    piece = case_of(1, 2)
    flank = replace(piece, ledges=tuple(replace(ledge, body=ledge.id[0]) for ledge in piece.ledges))
    items = (thing("a"), thing("b"), thing("c", "box"))
    twins = read(alike_apart, arranged(items, (put("a", "a1"), put("b", "b1")), flank))
    strangers = read(alike_apart, arranged(items, (put("a", "a1"), put("c", "b1")), flank))
    assert twins.score > strangers.score


def test_greenery_wants_a_shelf_between() -> None:
    items = (thing("fern", "plant"), thing("ivy", "plant", height=120.0, silhouette="trailing-plant"))
    reading = read(alike_apart, arranged(items, (put("fern", x=200), put("ivy", x=420))))
    assert any("greenery" in finding.sentence for finding in reading.findings)


def test_one_row_is_flat_and_a_frame_behind_is_deep() -> None:
    items = (thing("art", "frame"), thing("cup", height=90.0), thing("dot", height=60.0))
    flat = read(layering, arranged(items, (put("art", x=200), put("cup", x=400), put("dot", x=600))))
    deep = read(
        layering, arranged(items, (put("art", x=200, z=285), put("cup", x=300, z=120), put("dot", x=440, z=70)))
    )
    assert flat.findings
    assert deep.score > flat.score


def test_what_is_hidden_behind_is_found() -> None:
    items = (thing("art", "frame", width=300.0), thing("cup", height=90.0, width=80.0))
    reading = read(layering, arranged(items, (put("cup", x=300, z=250), put("art", x=300, z=60))))
    assert any("hidden" in finding.sentence and "cup" in finding.sentence for finding in reading.findings)


def test_visual_weight_follows_tone_finish_and_detail() -> None:
    def weight(**changes: Any) -> float:
        arrangement = arranged((thing("x", silhouette="box", **changes),), (put("x"),))
        return visual_weight(arrangement.placed_items[0], arrangement.piece)

    plain = weight(colours=(("#efe8d8", 1.0),))
    assert weight(colours=(("#45545e", 1.0),)) < plain
    assert weight(colours=(("#efe8d8", 1.0),), finish="clear") == pytest.approx(plain * 0.45)
    assert weight(colours=(("#efe8d8", 1.0),), finish="gloss") == pytest.approx(plain * 1.1)
    assert tone("#000000", "#000000") == 0.5
    assert tone("#ffffff", "#000000") == 2.0


def test_hidden_things_weigh_nothing_to_the_eye() -> None:
    items = (thing("box", "box"), thing("router", "device"))
    assert "router" not in weights(arranged(items, (put("box"), put("router", inside="box"))))


def test_an_empty_look_has_no_readings() -> None:
    assessment = assess(arranged((), ()))
    assert assessment.readings == ()
    assert assessment.score == 0.0


def test_every_reading_speaks_in_one_sentence_and_names_what_is_there(demo: Plan) -> None:
    for look in demo.looks:
        arrangement = arrange(demo, look)
        for reading in assess(arrangement).readings:
            assert 0.0 <= reading.score <= 1.0
            assert reading.limits[0] <= reading.band[0] < reading.band[1] <= reading.limits[1]
            assert reading.sentence.endswith(".")
            assert reading.contributions or reading.findings or reading.score == 1.0
            assert {identifier for identifier, _ in reading.contributions} <= arrangement.by_id.keys()
            for finding in reading.findings:
                assert finding.sentence.endswith(".")
                assert set(finding.placements) <= arrangement.by_id.keys()


def test_the_first_try_reads_better_than_before(demo: Plan) -> None:
    before, first = (assess(arrange(demo, demo.look(name))).score for name in ("before", "first-try"))
    assert better_of(before, first) == 1
    assert better_of(first, first) == 0
    assert better_of(first, before) == -1


@pytest.mark.parametrize("entry", REGISTER, ids=lambda entry: entry.id)
def test_weights_depend_on_the_manner_alone(entry: object) -> None:
    weight = entry.weight_for  # type: ignore[attr-defined]
    assert weight(Manner()) > 0
    assert weight(Manner(figure="mirrored", fullness="airy")) > 0


@settings(max_examples=60, deadline=None)
@given(
    st.lists(
        st.tuples(st.sampled_from(["a1", "a2", "b1", "b2"]), st.floats(0, 800), st.floats(0, 300), st.floats(10, 700)),
        max_size=9,
    ),
    st.sampled_from(["peaks", "weave", "mirrored"]),
    st.sampled_from(["airy", "layered", "abundant"]),
)
def test_any_look_can_be_read(spots: list[tuple[str, float, float, float]], figure: str, fullness: str) -> None:
    items = tuple(thing(f"t{i}", height=height) for i, (_, _, _, height) in enumerate(spots))
    placements = tuple(put(f"t{i}", ledge, x, z) for i, (ledge, x, z, _) in enumerate(spots))
    assessment = assess(arranged(items, placements, case_of(2, 2), figure=figure, fullness=fullness))
    assert all(0.0 <= reading.score <= 1.0 for reading in assessment.readings)
    assert 0.0 <= assessment.score <= 1.0


def test_a_thing_of_two_tones_of_a_hue_is_told_once() -> None:
    loud = thing("throw", "box", name="plum throw", colours=(("#7a2f5a", 0.6), ("#8c3a68", 0.4)))
    calm = [thing(f"c{n}", "bowl", colours=(("#e8e2d4", 1.0),)) for n in range(3)]
    look = arranged((loud, *calm), (put("throw", x=100.0), *(put(one.id, x=300.0 + 150 * n) for n, one in enumerate(calm))),
                    case_of(1))  # fmt: skip
    told = [finding.sentence for finding in read(tie, look).findings]
    assert told
    assert all(sentence.startswith("The plum throw is the only") for sentence in told)
