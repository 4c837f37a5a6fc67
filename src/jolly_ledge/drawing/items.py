"""A thing as it is drawn: its silhouette, shaded, standing on the origin."""

from collections.abc import Callable
from functools import lru_cache

from msgspec.structs import replace

from jolly_ledge.drawing.kept_place import kept_place_shapes
from jolly_ledge.drawing.picture import Picture, Primitive, Shape, ellipse
from jolly_ledge.drawing.silhouettes import books, curios, finds, greenery, hung, planes, traced, turned
from jolly_ledge.drawing.silhouettes.subject import Subject, is_turned
from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.geometry.facing import faces_away
from jolly_ledge.geometry.pose import TRAY_FLOOR_MM, extent, seen_shape
from jolly_ledge.geometry.tray_places import places_on
from jolly_ledge.model.colour import darker
from jolly_ledge.model.item import Item
from jolly_ledge.model.mishaps import or_instead
from jolly_ledge.model.words import WALL_CATEGORIES, Pose

BACK_BOARD = "#8f7a5e"

Draw = Callable[[Subject], list[Shape]]

SILHOUETTES: dict[str, Draw] = {
    "book": books.draw_upright_book,
    "book-row": books.draw_row,
    "book-stack": books.draw_stack,
    "jug": turned.draw_jug,
    "bottle": turned.draw_bottle,
    "globe": turned.draw_globe,
    "sphere": turned.draw_sphere,
    "orrery": turned.draw_orrery,
    "candlestick": turned.draw_candlestick,
    "candle": turned.draw_candle,
    "lamp": turned.draw_lamp,
    "hourglass": turned.draw_hourglass,
    "bell": turned.draw_bell,
    "figure": turned.draw_figure,
    "frame": planes.draw_frame,
    "mirror": planes.draw_mirror,
    "disc": planes.draw_disc,
    "box": planes.draw_box,
    "basket": planes.draw_basket,
    "tray": planes.draw_tray,
    "slab": planes.draw_slab,
    "stone": planes.draw_stone,
    "textile": planes.draw_textile,
    "hanging": planes.draw_hanging,
    "device": planes.draw_device,
    "appliance": planes.draw_appliance,
    "board": planes.draw_board,
    "beads": planes.draw_beads,
    "utensils": planes.draw_utensils,
    "plant": greenery.draw_plant,
    "trailing-plant": greenery.draw_trailing,
    "branches": greenery.draw_branches,
    "bouquet": greenery.draw_bouquet,
    "laid-stems": greenery.draw_laid_stems,
    "boat": finds.draw_boat,
    "coral": finds.draw_coral,
    "shell": finds.draw_shell,
    "clock": curios.draw_clock,
    "bird": curios.draw_bird,
    "hand-lens": curios.draw_hand_lens,
    "coil": curios.draw_coil,
    "coat": hung.draw_coat,
    "hat": hung.draw_hat,
    "bag": hung.draw_bag,
    "umbrella": hung.draw_umbrella,
    "pan": hung.draw_pan,
}
"""How each silhouette family is drawn; other turned shapes by their profile, the rest as an object."""


@lru_cache(maxsize=4096)
def item_shapes(item: Item, pose: Pose = "upright", width: float = 0.0, height: float = 0.0) -> tuple[Shape, ...]:
    """Return the shapes of a thing in a pose, at its seen size in mm.

    Parameters
    ----------
    item : Item
    pose : str
    width, height : float
        The seen size; 0 takes it from the pose.
    """
    size = extent(item, pose)
    shape = seen_shape(item, pose)
    subject = Subject(
        shape,
        width or size.width,
        height or size.height,
        tuple(colour for colour, _ in item.shown_colours),
        item.shown_finish,
        item.category,
        item.id,
        pages_out=pose == "spine-in",
        lidded="lidded" in item.traits,
        count=item.count,
        material=item.material,
        page_colour=item.page_colour,
        outline=item.outline,
    )
    if shape == "traced":
        return tuple(traced.draw_traced(subject, is_round=item.is_round))
    if shape == "book" and pose == "flat":
        return tuple(books.draw_flat_book(subject))
    draw = SILHOUETTES.get(shape) or (turned.draw_turned if is_turned(shape) else planes.draw_object)
    return or_instead(
        lambda: tuple(draw(subject)),
        tuple(planes.draw_object(subject)),
        f"The {item.label} could not be drawn as what it is; it is shown as a plain block.",
    )


def standing_shapes(placed: PlacedItem) -> tuple[Primitive, ...]:
    """Return the shapes of a placed thing, its foot on the origin; one that is turned away shows its back.

    Places that are kept free on a tray are drawn with it.
    """
    item = back_of(placed.item) if faces_away(placed) else placed.item
    shapes = item_shapes(item, placed.placement.pose, round(placed.width, 1), round(placed.height, 1))
    if not item.kept:
        return shapes
    ground, left = -min(placed.height, TRAY_FLOOR_MM), -placed.width / 2
    return (
        *shapes,
        *(one for place in places_on(placed) for one in kept_place_shapes(place, left + place.left, ground)),
    )


@lru_cache(maxsize=512)
def back_of(item: Item) -> Item:
    """Return a one-faced thing as it is seen from behind: a picture is bare board, the rest is plain and darker."""
    if item.category in WALL_CATEGORIES:
        return replace(item, silhouette="board", category="board", colours=((BACK_BOARD, 1.0),), finish="matt")
    return replace(item, colours=((darker(item.main_colour, 0.25), 1.0),))


@lru_cache(maxsize=1024)
def contact_shadow(width: float) -> tuple[Shape, ...]:
    """Return the soft shadow a thing casts where it stands, a little to the right."""
    high = max(min(width * 0.045, 9.0), 3.0)
    return tuple(
        Shape(ellipse(width * 0.03, 0.5, width * 0.56 * share, high * share), "#120e0a", 0.18) for share in (1.0, 0.84)
    )


def item_picture(item: Item, pose: Pose = "upright") -> Picture:
    """Return a thing by itself, with room about it."""
    size = extent(item, pose)
    room = max(size.width, size.height) * 0.06
    return Picture(
        (*contact_shadow(round(size.width, 1)), *item_shapes(item, pose)),
        -size.width / 2 - room,
        -size.height - room,
        size.width / 2 + room,
        room,
    )
