"""One line of plain words becomes things."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from builders import thing
from jolly_ledge.model.entry.parser import EntryError, completions, parse_entry, parse_list
from jolly_ledge.model.entry.vocabulary import COLOURS, KINDS, STUFFS
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.item import Item
from jolly_ledge.model.value import checked
from lines_as_typed import LINES


def one(line: str, unit: str = "cm", stash: tuple[Item, ...] = ()) -> Item:
    (item,) = parse_entry(line, unit, stash).items  # type: ignore[arg-type]
    return item


def test_a_line_tells_all_of_a_thing() -> None:
    vase = one("vase stoneware 18x32 sand rough hall 2.1kg")
    assert (vase.category, vase.shape) == ("vessel", "vase")
    assert (vase.width, vase.height, vase.depth) == (180, 320, 180)
    assert (vase.material, vase.finish, vase.room, vase.mass) == ("stoneware", "rough", "hall", 2.1)
    assert vase.colours == ((COLOURS["sand"], 1.0),)
    assert vase.guessed == ()
    assert vase.name == "sand stoneware vase"
    assert "fragile" in vase.traits


def test_several_things_have_varied_sizes_and_colours() -> None:
    books = parse_entry("8 books linen 15-24 tall muted", "cm").items
    heights = sorted(book.height for book in books)
    assert len(books) == 8
    assert 150 <= heights[0] < 160
    assert 230 < heights[-1] <= 240
    assert len(set(heights)) == 8
    assert len({book.id for book in books}) == 8
    assert len({book.main_colour for book in books}) >= 5
    assert all(book.material == "linen" and book.guessed == ("width", "depth") for book in books)
    assert len({book.width for book in books}) > 3


SIZES = [
    ("vase 18x32", "cm", (180, 320, 180)),
    ("vase 180 x 320", "mm", (180, 320, 180)),
    ("vase 18 × 32 cm", "mm", (180, 320, 180)),
    ("box 30x12x20", "cm", (300, 120, 200)),
    ("box 30 x 12,5 x 20", "cm", (300, 125, 200)),
    ("urn 7 1/2 x 12 in", "cm", (190.5, 304.8, 190.5)),
    ("urn 7½ x 12", "in", (190.5, 304.8, 190.5)),
    ('mirror 18" x 24"', "cm", (457.2, 609.6, 30)),
    ("bowl ⌀24 9 high", "cm", (240, 90, 240)),
    ("bowl 24 dia 9 tall", "cm", (240, 90, 240)),
    ("frame 20 wide 28 tall 3 deep", "cm", (200, 280, 30)),
    ("a 2 m tall mirror", "cm", (1600, 2000, 30)),
]


@pytest.mark.parametrize(("line", "unit", "sizes"), SIZES)
def test_sizes_are_understood_in_many_ways(line: str, unit: str, sizes: tuple[float, float, float]) -> None:
    item = one(line, unit)
    assert (item.width, item.height, item.depth) == pytest.approx(sizes)


MEANINGS = [
    ("glass vase 30 tall", {"category": "vessel", "material": "glass", "finish": "clear"}),
    ("wine glass 8x20", {"category": "tableware", "name": "wine glass"}),
    ("oak frame 20x28", {"category": "frame", "material": "oak"}),
    ("copper bowl", {"category": "bowl", "material": "copper", "finish": "metal"}),
    ("bowl matte copper", {"finish": "matt"}),
    ("router", {"category": "device", "traits": ("corded", "hide")}),
    ("lamp sentimental corded", {"traits": ("corded", "sentimental")}),
    ("jug to buy €45", {"status": "to-buy", "price": 45.0}),
    ("jug 12,50 eur", {"price": 12.5}),
    ("frame borrowed from the observatory, study", {"status": "borrowed", "borrowed_from": "the observatory"}),
    (
        "borrowed from the harbour school brass telescope 30 tall",
        {"borrowed_from": "the harbour school", "material": "brass", "height": 300.0},
    ),
    ("round mirror 40 hall", {"width": 400.0, "height": 400.0, "room": "hall", "guessed": ("depth",)}),
    ("vase 32cm", {"height": 320.0, "guessed": ("width", "depth")}),
    ("bowl 900 g", {"mass": 0.9}),
    ("bowl 3 lb", {"mass": 1.361}),
    ("vase #1f6f72 #ffffff", {"colours": (("#1f6f72", 0.75), ("#ffffff", 0.25))}),
    ("“the moon lamp” lamp 26x45", {"name": "the moon lamp"}),
    ("tall dark jug teal", {"name": "tall dark teal jug"}),
    ("bowl dining room", {"room": "dining room"}),
    ("trailing plant in the study", {"category": "plant", "silhouette": "trailing-plant", "room": "study"}),
]


@pytest.mark.parametrize(("line", "known"), MEANINGS)
def test_words_are_understood_in_any_order(line: str, known: dict[str, object]) -> None:
    item = one(line)
    assert {field: getattr(item, field) for field in known} == known


def test_a_misspelt_word_is_read_as_its_neighbour_and_that_is_told() -> None:
    entry = parse_entry("vase stonware 18x32", "cm")
    assert entry.items[0].material == "stoneware"
    assert entry.notes == ("“stonware” was read as stoneware",)


def test_rooms_of_the_stash_are_known_words() -> None:
    stash = (thing("urn", room="Round tower"),)
    assert one("vase 18x32 round tower", stash=stash).room == "Round tower"


def test_sizes_are_guessed_from_like_things_that_were_measured() -> None:
    stash = tuple(
        thing(f"v{n}", silhouette="vase", width=100.0, height=200.0, depth=100.0, guessed=guessed)
        for n, guessed in enumerate([(), (), ("width", "height", "depth")])
    )
    guess = one("vase", stash=stash)
    assert (guess.width, guess.height) == (100, 200)
    assert guess.guessed == ("width", "height", "depth")
    taller = one("vase 40 tall", stash=stash)
    assert (taller.width, taller.guessed) == (200, ("width", "depth"))
    assert one("vase").height == KINDS["vase"].height


def test_ids_do_not_clash_with_the_stash() -> None:
    stash = (thing("brass-bell"),)
    assert one("bell brass", stash=stash).id == "brass-bell-2"


@pytest.mark.parametrize(("line", "words"), [("", "Say first what it is"), ("18x32 sand", "Say first"),
                                             ("200 books", "up to 60"), ("vase 90 m tall", "longer than 50 m")])  # fmt: skip
def test_a_line_that_says_too_little_or_too_much_is_refused(line: str, words: str) -> None:
    with pytest.raises(JollyLedgeError, match=words):
        parse_entry(line, "cm")


@given(st.lists(st.sampled_from([*KINDS, *STUFFS, *COLOURS, "18x32", "2 kg", "15-24 tall", "8", "€3", "½", '"', "#", "x",
                                 "²", "٣", "pair"]), max_size=7))  # fmt: skip
def test_any_words_make_sound_things_or_a_sentence(words: list[str]) -> None:
    (line,) = parse_list(" ".join(words), "cm") or (None,)
    if line is None:
        assert not "".join(words).strip()
    elif line.entry is None:
        assert line.problem.endswith(".")
    else:
        assert all(checked(item) == item for item in line.entry.items)


@given(st.text(max_size=60))
def test_no_text_breaks_the_parser(text: str) -> None:
    for line in parse_list(text, "cm"):
        assert (line.entry is None) == bool(line.problem)


def test_words_are_completed_from_what_the_stash_uses_first() -> None:
    stash = (thing("urn", room="stair landing", material="stoneware"),)
    assert completions("vase st", stash)[:2] == ("stair landing", "stoneware")
    assert "teal" in completions("jug te", ())
    assert completions("vase 18", ()) == ()
    assert completions("vase ", ()) == ()


def test_a_pasted_list_is_read_line_by_line() -> None:
    lines = parse_list("- vase 18x32 sand\n\n2. three brass bells\n• 18x32\nvase 18x32 sand", "cm")
    assert [(line.number, line.entry is not None) for line in lines] == [(1, True), (3, True), (4, False), (5, True)]
    ids = [item.id for line in lines if line.entry for item in line.entry.items]
    assert len(ids) == len(set(ids)) == 5
    assert lines[2].problem.startswith("Say first")


def test_an_entry_error_is_told_in_one_sentence() -> None:
    with pytest.raises(EntryError) as caught:
        parse_entry("rough", "cm")
    assert str(caught.value).count(".") == 1


def is_read_right(line: str, count: int, known: dict[str, object]) -> bool:
    items = [item for part in parse_list(line, "cm") if part.entry for item in part.entry.items]
    if len(items) != count:
        return False
    told = {field: getattr(items[0], field) for field in known if field != "says"}
    same = all(value == pytest.approx(known[field]) for field, value in told.items())
    return same and str(known.get("says", "")) in items[0].name


def test_lines_as_people_type_them_are_read_right() -> None:
    wrong = [line for line, count, known in LINES if not is_read_right(line, count, known)]
    assert len(LINES) == 60
    assert len(wrong) <= 5, wrong
    doubts = [part.entry is None or part.entry.is_doubtful for line in wrong for part in parse_list(line, "cm")]
    assert all(doubts), wrong


def test_words_nobody_knows_make_an_object_under_their_own_name() -> None:
    entry = parse_entry("Grandpa's barometer brass 20 round", "cm")
    assert entry.lacks_kind
    assert entry.own == ("Grandpa's", "barometer")
    assert (entry.items[0].name, entry.items[0].category) == ("Grandpa's barometer brass", "object")
    bowl = parse_entry("trencher oak 30 round", "cm", kind="bowl")
    assert (bowl.items[0].name, bowl.items[0].category, bowl.items[0].width) == ("trencher oak", "bowl", 300)


def test_a_word_can_be_meant_as_it_is_typed() -> None:
    assert parse_entry("clok brass", "cm").corrected == (("clok", "clock"),)
    meant = parse_entry("clok brass", "cm", literal=("clok",))
    assert (meant.corrected, meant.items[0].name, meant.lacks_kind) == ((), "clok brass", True)


COMMAS = [
    ("brass clock 20 high, two blue vases, wicker basket", ["clock", "vase", "vase", "basket"]),
    ("vase, white, 12 diameter, 25 tall", ["vase"]),
    ("bowl 12,5x9", ["bowl"]),
    ("frame borrowed from the observatory, study", ["frame"]),
    ("bowl, stone, 24 wide", ["bowl"]),
    ("letter rack 24x16, candle in glass 9x10", ["object", "candle"]),
    ("thingum 10x20, whatsit 5 cm x 4 cm", ["object", "object"]),
    ("box 24x16x10, 3 kg", ["box"]),
    ("“a clock, a vase” frame", ["frame"]),
    ("umbrella stand, router, fern in a pot", ["object", "device", "plant"]),
    ("vase, slightly chipped, hall", ["vase"]),
    ("old, blue vase", ["vase"]),
    ("basket, vase, umbrella stand, bowl", ["basket", "vase", "object", "bowl"]),
]


@pytest.mark.parametrize(("line", "shapes"), COMMAS)
def test_commas_part_things_and_not_what_is_told_of_one(line: str, shapes: list[str]) -> None:
    assert [item.shape for item in parse_entry(line, "cm").items] == shapes


LONE = [("bowl 24", "width"), ("tray 40", "width"), ("brass dish 14", "width"), ("box 22", "width"),
        ("vase 30", "height"), ("book 24", "height"), ("basket 40", "height"), ("footed bowl 18", "height")]  # fmt: skip


@pytest.mark.parametrize(("line", "side"), LONE)
def test_a_lone_figure_is_the_side_by_which_such_a_thing_is_known(line: str, side: str) -> None:
    entry = parse_entry(line, "cm")
    figure = line.split()[-1]
    assert getattr(entry.items[0], side) == 10 * float(figure)
    assert entry.notes == (f"{figure} was read as its {side}",)
    assert max(entry.items[0].width, entry.items[0].height) < 600


def test_a_room_of_the_house_is_no_thing_of_a_list_and_whose_it_is_neither() -> None:
    listed = parse_entry("basket, vase, bowl, star deck", "cm", rooms=("star deck",))
    assert [(item.shape, item.room) for item in listed.items][-1] == ("bowl", "star deck")
    assert len(listed.items) == 3
    assert [item.shape for item in parse_entry("my aunt’s, blue vase", "cm").items] == ["vase"]


HEADS = [("photo frame", "frame"), ("glass bowl", "bowl"), ("shell box", "box"), ("pot plant", "plant"),
         ("box of candles", "box"), ("orchid in a pot", "plant"), ("cookbook stand", "object"), ("bowl stone", "bowl"),
         ("candle jar", "cylinder")]  # fmt: skip


@pytest.mark.parametrize(("line", "shape"), HEADS)
def test_of_two_nouns_the_last_in_a_row_is_meant(line: str, shape: str) -> None:
    assert one(line).shape == shape


def test_stems_that_are_counted_are_one_bunch() -> None:
    entry = parse_entry("7 stems eucalyptus 60 tall", "cm")
    assert [item.name for item in entry.items] == ["7 stems eucalyptus"]
    assert entry.notes == ("seven stems are one bunch",)
    assert len(parse_entry("2 bouquets", "cm").items) == 2


def test_what_is_called_a_pair_or_a_set_belongs_together() -> None:
    pair = parse_entry("a pair of brass candlesticks 9x25", "cm").items
    assert [item.set for item in pair] == ["pair of candlesticks"] * 2
    again = parse_entry("candlestick pair 8x20", "cm", pair).items
    assert {item.set for item in again} == {"pair of candlesticks 2"}
    assert {item.set for item in parse_entry("set of 4 prints 21x30", "cm").items} == {"set of prints"}
    assert {item.set for item in parse_entry("4 prints 21x30", "cm").items} == {""}


def test_what_is_told_of_a_part_stays_with_it() -> None:
    assert one("table lamp 25 dia 48 high linen shade").name == "table lamp with linen shade"
    assert one("mantel clock walnut").name == "walnut mantel clock"


@pytest.mark.parametrize(
    ("line", "heights"),
    [
        ("two candlesticks 18 and 24 high, pewter", [180, 240]),
        ("2 vases 26 & 20 tall blue", [260, 200]),
        ("two jars 1.5 and 2 in high", [38.1, 50.8]),
    ],
)
def test_sizes_told_one_by_one_go_to_things_one_by_one(line: str, heights: list[float]) -> None:
    made = parse_entry(line, "cm")
    assert [item.height for item in made.items] == pytest.approx(heights)
    assert all("height" not in item.guessed for item in made.items)


def test_sizes_told_for_fewer_things_than_there_are_lie_between() -> None:
    made = parse_entry("three jars 12 and 15 high", "cm")
    assert len(made.items) == 3
    assert all(120 <= item.height <= 150 for item in made.items)
