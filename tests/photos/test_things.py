"""Colours and outlines from photographs of single things."""

import numpy as np
import pytest
from msgspec.structs import replace
from PySide6.QtWidgets import QApplication

from builders import thing
from jolly_ledge.drawing.items import item_picture
from jolly_ledge.geometry.silhouette import loops_of, outline_area, polygon_area
from jolly_ledge.model.colour import difference
from jolly_ledge.model.item import Item
from jolly_ledge.photos.image import PhotoError, Pixels
from jolly_ledge.photos.light import encoded, linear_of
from jolly_ledge.photos.stand_in import Camera, Scene, photograph
from jolly_ledge.photos.things import balanced, read_thing
from jolly_ledge.render.export import image_of
from jolly_ledge.render.scene import pixels_of

GROUND = "#dcdad6"


def photo_of(item: Item, ground: str = GROUND, grain: float = 2.0) -> Pixels:
    """Return a photograph of a drawn thing before a plain ground."""
    drawn = pixels_of(image_of(item_picture(item), 700, ground))
    room = 160
    colour = [int(ground[i : i + 2], 16) for i in (1, 3, 5)]
    framed = np.full((drawn.shape[0] + 2 * room, drawn.shape[1] + 2 * room, 3), colour, np.uint8)
    framed[room:-room, room:-room] = drawn
    noise = np.random.default_rng(4).normal(0, grain, framed.shape)
    return np.asarray(np.clip(framed + noise, 0, 255), np.uint8)


@pytest.mark.parametrize("colour", ["#c4663c", "#1f6f72", "#25405c", "#c9a24b", "#33302e"])
def test_the_main_colour_is_what_the_eye_would_say(qapp: QApplication, colour: str) -> None:
    found = read_thing(photo_of(thing("vase", silhouette="vase", colours=((colour, 1.0),))))
    assert difference(found.colours[0][0], colour) < 12
    assert found.colours[0][1] > 0.7
    assert sum(share for _, share in found.colours) == pytest.approx(1, abs=0.02)


def test_two_colours_come_with_their_shares(qapp: QApplication) -> None:
    drawn = np.full((500, 400, 3), (225, 225, 222), np.uint8)
    drawn[100:400, 100:300] = (196, 102, 60)
    drawn[100:190, 100:300] = (37, 64, 92)
    found = read_thing(drawn)
    assert [round(share, 1) for _, share in found.colours] == [0.7, 0.3]
    assert difference(found.colours[0][0], "#c4663c") < 3
    assert difference(found.colours[1][0], "#25405c") < 3


def test_the_hole_of_a_handle_stays_open(qapp: QApplication) -> None:
    jug = thing("jug", silhouette="jug", width=120.0, height=225.0, depth=110.0, colours=(("#1f6f72", 1.0),))
    found = read_thing(photo_of(jug))
    edge, *holes = loops_of(found.outline)
    assert len(holes) == 1
    assert 0.01 < polygon_area(holes[0]) < 0.2
    assert polygon_area(edge) > 0.4
    # What is seen through the handle is no colour of the jug.
    assert all(difference(colour, GROUND) > 20 for colour, _ in found.colours)
    drawn = replace(jug, outline=found.outline)
    image = image_of(item_picture(drawn), 300, "#ff00ff")
    plain = image_of(item_picture(replace(jug, outline=edge)), 300, "#ff00ff")
    shown, filled = (int((pixels_of(one) == (255, 0, 255)).all(axis=2).sum()) for one in (image, plain))
    assert shown > filled + 100


@pytest.mark.parametrize("shape", ["vase", "urn", "bottle", "bowl", "box"])
def test_the_outline_covers_what_the_thing_covers(qapp: QApplication, shape: str) -> None:
    item = thing("x", "box" if shape == "box" else "vessel", silhouette=shape, width=180.0, height=300.0, depth=180.0)
    found = read_thing(photo_of(item))
    assert found.aspect == pytest.approx(180 / 300, rel=0.08)
    points = tuple((x * 180, y * 300) for x, y in found.outline)
    assert polygon_area(points) == pytest.approx(outline_area(shape, 180.0, 300.0), rel=0.1)
    assert len(found.outline) <= 140
    assert min(y for _, y in found.outline) == 0
    assert max(y for _, y in found.outline) == 1


def test_the_found_outline_is_drawn_and_measured(qapp: QApplication) -> None:
    item = thing("x", silhouette="urn", width=180.0, height=300.0, depth=180.0)
    traced = thing("y", outline=read_thing(photo_of(item)).outline, width=180.0, height=300.0, depth=180.0)
    assert outline_area("traced", 180.0, 300.0, traced.outline) == pytest.approx(
        outline_area("urn", 180.0, 300.0), rel=0.1
    )
    one, two = (pixels_of(image_of(item_picture(i), 300, "#ffffff")) for i in (item, traced))
    dark = [np.asarray(image[..., 0] < 250) for image in (one, two)]
    both, either = dark[0] & dark[1], dark[0] | dark[1]
    assert both.sum() > 0.85 * either.sum()


def test_no_outline_is_claimed_before_a_busy_ground(qapp: QApplication) -> None:
    noisy = np.random.default_rng(1).integers(0, 255, (300, 300, 3)).astype(np.uint8)
    found = read_thing(noisy)
    assert not found.is_outlined
    assert found.aspect is None
    assert found.colours


def test_a_plain_wall_shows_nothing() -> None:
    with pytest.raises(PhotoError, match="Nothing stands out"):
        read_thing(np.full((200, 200, 3), 210, np.uint8))


@pytest.mark.parametrize("cast", [(1.0, 0.82, 0.6), (0.75, 0.9, 1.0)])
def test_a_picked_white_takes_the_cast_of_the_light_away(qapp: QApplication, cast: tuple[float, ...]) -> None:
    item = thing("vase", silhouette="vase", colours=(("#1f6f72", 1.0),))
    true = photo_of(item, "#ecebe8")
    lit = encoded(linear_of(true) * np.array(cast))
    spoilt = read_thing(lit).colours[0][0]
    mended = read_thing(balanced(lit, 30, 30, "white")).colours[0][0]
    assert difference(mended, "#1f6f72") < 10
    assert difference(mended, "#1f6f72") < difference(spoilt, "#1f6f72")


def test_a_grey_card_sets_the_lightness_and_a_grey_spot_keeps_it() -> None:
    image = np.full((100, 100, 3), (150, 120, 90), np.uint8)
    card = linear_of(balanced(image, 50, 50, "card"))[50, 50]
    assert card == pytest.approx([0.18] * 3, abs=0.01)
    grey = balanced(image, 50, 50, "grey")[50, 50]
    assert len(set(grey.tolist())) == 1
    luminance = np.array([0.2126, 0.7152, 0.0722])
    assert linear_of(grey[None, None])[0, 0] @ luminance == pytest.approx(
        linear_of(image[:1, :1])[0, 0] @ luminance, abs=0.01
    )


@pytest.mark.parametrize(("value", "x"), [(255, 10), (0, 10), (128, 5000)])
def test_a_spot_that_tells_nothing_is_refused(value: int, x: int) -> None:
    with pytest.raises(PhotoError, match="spot"):
        balanced(np.full((50, 50, 3), value, np.uint8), x, 10)


def test_a_thing_photographed_a_little_from_the_side_keeps_its_colour(qapp: QApplication) -> None:
    item = thing("vase", silhouette="vase", colours=(("#c4663c", 1.0),), width=160.0, height=320.0)
    flat = photo_of(item)
    scene = Scene(flat, 0.0, float(flat.shape[0]), 1.0)
    camera = Camera(x=120.0, y=600.0, distance=1500.0, target_x=flat.shape[1] / 2, target_y=flat.shape[0] / 2,
                    focal=1000.0, width=500, height=640)  # fmt: skip
    found = read_thing(photograph(scene, camera))
    assert difference(found.colours[0][0], "#c4663c") < 12
