"""What is measured of a picture to follow: its hues, its skyline, its tones; the manner takes over what is chosen."""

import numpy as np
import pytest

from jolly_ledge.model.hue_family import hue_family
from jolly_ledge.model.look import Manner
from jolly_ledge.photos.followed import followed, manner_following, part_of, read_picture
from jolly_ledge.photos.image import PhotoError, Pixels

WALL, BLUE, RUST, CREAM = (232, 228, 220), (58, 96, 140), (176, 84, 52), (246, 242, 230)
Block = tuple[int, int, int, tuple[int, int, int]]
"""Middle, width and height of a thing in parts of a hundred, and its colour."""


def picture(*blocks: Block, ground: tuple[int, int, int] = WALL) -> Pixels:
    """Return things that stand at the foot of a picture of 600 by 400."""
    image = np.empty((400, 600, 3), np.uint8)
    image[:] = ground
    for middle, width, height, colour in blocks:
        left, right = int((middle - width / 2) * 6), int((middle + width / 2) * 6)
        image[400 - height * 4 :, left:right] = colour
    return image


MIRRORED = picture((15, 12, 70, BLUE), (85, 12, 70, BLUE), (50, 16, 40, RUST))
ASIDE = picture((15, 14, 80, BLUE), (35, 12, 30, RUST), (48, 10, 18, BLUE))


def test_the_hues_of_what_stands_there_are_told_with_their_shares() -> None:
    read = read_picture(ASIDE)
    shares = {hue_family(colour): share for colour, share in read.palette}
    assert set(shares) == {"blue", "rust"}
    assert shares["blue"] > shares["rust"] > 0.1


def test_pairs_about_the_middle_are_told_from_a_lean_to_one_side() -> None:
    mirrored, aside = read_picture(MIRRORED), read_picture(ASIDE)
    assert mirrored.symmetry > 0.9 > 0.3 > aside.symmetry
    assert (mirrored.figure, aside.figure) == ("mirrored", "peaks")


def test_a_skyline_that_rises_often_is_a_weave() -> None:
    heights = (60, 20, 50, 24, 70, 18, 55, 26, 64)
    woven = picture(*((7 + 9 * n, 8, high, BLUE) for n, high in enumerate(heights)))
    assert read_picture(woven).figure == "weave"


def test_how_far_things_stand_off_the_ground_is_told() -> None:
    assert read_picture(picture((30, 20, 60, (20, 20, 20)))).ground == "stand-out"
    beige = read_picture(picture((30, 20, 60, (214, 196, 170))))
    assert beige.ground == "blend"


def test_more_is_covered_where_more_stands() -> None:
    few, many = (
        picture((30, 8, 30, BLUE)),
        picture(*((10 + 12 * n, 11, 60 + 4 * n, (BLUE, RUST, CREAM)[n % 3]) for n in range(8))),
    )
    assert read_picture(few).covered < 0.2 < 0.35 < read_picture(many).covered
    assert read_picture(few).fullness == "airy"


def test_what_is_chosen_becomes_the_manner_and_fullness_is_a_guess() -> None:
    found = {one.field: one for one in followed(read_picture(MIRRORED))}
    assert [field for field, one in found.items() if not one.is_sure] == ["fullness"]
    assert not next(one for one in followed(read_picture(ASIDE)) if one.field == "figure").is_sure
    manner = manner_following(Manner(fullness="airy", greenery=2), (found["figure"], found["palette"]))
    assert (manner.figure, manner.fullness, manner.greenery) == ("mirrored", "airy", 2)
    assert {hue_family(colour) for colour in manner.palette} == {"blue", "rust"}


@pytest.mark.parametrize("blocks", [(), ((50, 100, 100, CREAM),)], ids=["bare", "filled"])
def test_where_nothing_stands_out_no_hue_is_told_and_nothing_fails(blocks: tuple[Block, ...]) -> None:
    read = read_picture(picture(*blocks))
    assert read.palette == ()
    assert all(one.field != "palette" for one in followed(read))


def test_a_part_of_a_picture_is_measured_alone() -> None:
    right = part_of(MIRRORED, (60.0, 0.0, 100.0, 100.0))
    assert right.shape == (400, 240, 3)
    assert {hue_family(colour) for colour, _ in read_picture(right).palette} == {"blue"}
    with pytest.raises(PhotoError, match="from 0 to 100"):
        part_of(MIRRORED, (60.0, 0.0, 40.0, 100.0))
