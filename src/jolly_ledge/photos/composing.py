"""Things set into a photograph: each on its own plane behind the marked front, in the light that is there."""

import math
from collections.abc import Callable

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from jolly_ledge.photos.image import PhotoError, Pixels
from jolly_ledge.photos.light import encoded, linear_of
from jolly_ledge.photos.perspective import Matrix, View, project

LONG_LENS = 1.2
"""Where a picture is taken so squarely that it tells no focal length: so many times its longer side."""

FOCAL = (0.5, 6.0)
SHADOW_MM, SHADOW_ASIDE, SHADOW_DOWN, SHADOW = 14.0, 10.0, 8.0, 0.34
FOOT_HIGH, FOOT = 0.10, 0.5
"""The shadow under a foot is so high in widths of the thing, and so dark."""

EDGE_PX = 0.6

Rgba = NDArray[np.uint8]
PlaneAt = Callable[[float], Matrix]
Opening = tuple[float, float, float, float]


class Layer(Struct, frozen=True, eq=False):
    """One thing as it is drawn: its pixels, where they lie on the front (mm, y up), how far behind it, in which light.

    ``stands`` tells whether it has a foot that darkens the board, ``wall`` how far behind the front the wall is.
    ``opening`` is what it is seen through (left, floor, right, top; mm), None where it stands in the open.
    """

    image: Rgba
    left: float
    top: float
    scale: float
    behind: float
    wall: float
    light: NDArray[np.float64]
    stands: bool = True
    opening: Opening | None = None


def planes_of(view: View, width: int, height: int) -> PlaneAt:
    """Return what gives, for a distance behind the front (mm), the matrix from that plane to pixels.

    Parameters
    ----------
    view : View
        Where the front lies in the picture.
    width, height : int
        Of the picture, in pixels.

    Notes
    -----
    With square pixels and the axis in the middle of the picture, one homography tells the focal length, and with it the
    camera (Zhang 2000, section 2.4, for one plane). Taken squarely it tells none; then a usual one is assumed.
    """
    shift = np.array([[1, 0, -width / 2], [0, 1, -height / 2], [0, 0, 1.0]])
    plane = shift @ view.to_pixels
    first, second = plane[:, 0], plane[:, 1]
    longest = float(max(width, height))
    focal = _focal(first, second, longest)
    inner = np.diag([focal, focal, 1.0])
    rays = np.linalg.inv(inner) @ plane
    size = (np.linalg.norm(rays[:, 0]) + np.linalg.norm(rays[:, 1])) / 2
    rays /= size if rays[2, 2] > 0 else -size
    inward = np.cross(rays[:, 0], rays[:, 1])
    back = np.linalg.inv(shift) @ inner

    def at(behind: float) -> Matrix:
        moved = np.column_stack([rays[:, 0], rays[:, 1], rays[:, 2] - behind * inward])
        return np.asarray(back @ moved)

    return at


def _focal(first: NDArray[np.float64], second: NDArray[np.float64], longest: float) -> float:
    """Return the focal length (pixels) for which two columns of a homography are square to each other and as long."""
    found = []
    for above, below in (
        (first[0] * second[0] + first[1] * second[1], first[2] * second[2]),
        (first[0] ** 2 + first[1] ** 2 - second[0] ** 2 - second[1] ** 2, first[2] ** 2 - second[2] ** 2),
    ):
        if abs(below) > 1e-12 and -above / below > 0:
            found.append((abs(below), math.sqrt(-above / below)))
    focal = max(found)[1] if found else LONG_LENS * longest
    return focal if FOCAL[0] * longest < focal < FOCAL[1] * longest else LONG_LENS * longest


def set_in(photo: Pixels, view: View, layers: list[Layer]) -> Pixels:
    """Return a photograph with things set into it, in the order given.

    Parameters
    ----------
    photo : array of uint8, shape (rows, columns, 3)
        Of the empty piece.
    view : View
        Where its front lies.
    layers : list of Layer
        What is farthest first.

    Raises
    ------
    PhotoError
        The marks make no front that a camera could have seen.
    """
    from scipy.ndimage import gaussian_filter

    height, width = photo.shape[:2]
    at = planes_of(view, width, height)
    linear = linear_of(photo)
    openings: dict[Opening | None, NDArray[np.float64]] = {}
    for layer in layers:
        thing = _warped(layer, at(layer.behind), width, height)
        if thing is None:
            continue
        rgba, x, y = thing
        there = (slice(y, y + rgba.shape[0]), slice(x, x + rgba.shape[1]))
        if layer.opening not in openings:
            openings[layer.opening] = _opening_mask(layer.opening, at(0.0), width, height)
        through = openings[layer.opening]
        scale = _px_per_mm(at(layer.behind), layer)
        shade = _shadow(layer, at, rgba, x, y, width, height, scale)
        if shade is not None:
            dark, sx, sy = shade
            under = (slice(sy, sy + dark.shape[0]), slice(sx, sx + dark.shape[1]))
            linear[under] *= (1 - dark * through[under])[..., None]
        alpha = (gaussian_filter(rgba[..., 3].astype(np.float64) / 255, EDGE_PX) * through[there])[..., None]
        own = linear_of(rgba[..., :3]) * layer.light
        linear[there] = linear[there] * (1 - alpha) + own * alpha
    return encoded(linear)


def _opening_mask(opening: Opening | None, front: Matrix, width: int, height: int) -> NDArray[np.float64]:
    """Return what of the picture is seen through an opening, from 0 to 1."""
    from PIL import Image, ImageDraw

    if opening is None:
        return np.ones((height, width))
    left, floor, right, top = opening
    corners = project(front, np.array([(left, top), (right, top), (right, floor), (left, floor)]))
    mask = Image.new("L", (width, height), 0)
    ImageDraw.Draw(mask).polygon([(float(x), float(y)) for x, y in corners], fill=255)
    return np.asarray(mask, np.float64) / 255


def _warped(layer: Layer, matrix: Matrix, width: int, height: int, room: int = 2) -> tuple[Rgba, int, int] | None:
    """Return a layer as the camera sees it, and where its upper left corner is; None where it is out of sight."""
    from PIL import Image

    onto = matrix @ np.array([[1 / layer.scale, 0, layer.left], [0, -1 / layer.scale, layer.top], [0, 0, 1]])
    high, wide = layer.image.shape[:2]
    corners = np.array([(0, 0), (wide, 0), (wide, high), (0, high)], float)
    depth = np.column_stack([corners, np.ones(4)]) @ onto[2]
    if depth.min() <= 0 < depth.max() or not np.isfinite(depth).all():
        raise PhotoError("The marks put part of the piece behind the camera; mark the corners again.")
    seen = project(onto, corners)
    left, top = np.floor(seen.min(axis=0)).astype(int) - room
    right, bottom = np.ceil(seen.max(axis=0)).astype(int) + room
    left, top, right, bottom = max(left, 0), max(top, 0), min(right, width), min(bottom, height)
    if right - left < 1 or bottom - top < 1:
        return None
    back = np.linalg.inv(onto) @ np.array([[1, 0, left], [0, 1, top], [0, 0, 1.0]])
    back /= back[2, 2]
    made = Image.fromarray(layer.image, "RGBA").transform(
        (int(right - left), int(bottom - top)), Image.Transform.PERSPECTIVE, tuple(back.ravel()[:8]),
        Image.Resampling.BICUBIC,
    )  # fmt: skip
    return np.asarray(made).copy(), int(left), int(top)


def _px_per_mm(matrix: Matrix, layer: Layer) -> float:
    middle = layer.left + layer.image.shape[1] / layer.scale / 2
    ends = project(matrix, np.array([(middle - 50.0, layer.top), (middle + 50.0, layer.top)]))
    return float(np.hypot(*(ends[1] - ends[0]))) / 100.0


def _shadow(
    layer: Layer, at: PlaneAt, rgba: Rgba, x: int, y: int, width: int, height: int, scale: float
) -> tuple[NDArray[np.float64], int, int] | None:
    """Return how much darker it is behind and under a thing, and where that begins."""
    from scipy.ndimage import gaussian_filter

    away = max(layer.wall - layer.behind, 0.0)
    aside, down = SHADOW_ASIDE + 0.1 * away, SHADOW_DOWN
    moved = replace(layer, left=layer.left + aside, top=layer.top - down, behind=layer.wall)
    soft = (SHADOW_MM + 0.12 * away) * scale
    room = round(3 * soft) + 2
    seen = _warped(moved, at(layer.wall), width, height, room)
    if seen is None:
        return None
    shape, left, top = seen
    dark = SHADOW * gaussian_filter(shape[..., 3].astype(np.float64) / 255, soft)
    if layer.stands:
        rows, columns = np.nonzero(rgba[..., 3] > 128)
        if len(rows):
            foot = y + rows.max() - top
            near = columns[rows >= rows.max() - max(round(4 * scale), 1)]
            middle, half = x + near.mean() - left, max(float(np.ptp(near)) / 2, 2.0)
            rows_of, across = np.mgrid[: dark.shape[0], : dark.shape[1]]
            deep = max(2 * half * FOOT_HIGH, 1.5)
            blob = np.exp(-(((across - middle) / (half * 1.05)) ** 4) - ((rows_of - foot) / deep) ** 2)
            dark = 1 - (1 - dark) * (1 - FOOT * blob)
    return dark, left, top
