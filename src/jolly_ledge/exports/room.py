"""The look drawn into the photograph of the client's own, empty piece."""

from typing import TYPE_CHECKING

from jolly_ledge.exports.export import Export, Options, file_stem
from jolly_ledge.model.errors import ExportError
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan

if TYPE_CHECKING:
    from jolly_ledge.photos.image import Pixels


def dressed(plan: Plan, look: Look, options: Options) -> tuple["Pixels", "Pixels"]:
    """Return the photograph of the piece of a look, empty and dressed.

    Raises
    ------
    ExportError
        No photograph of the piece is kept in the plan.
    """
    from jolly_ledge.geometry.arrangement import arrange
    from jolly_ledge.photos.image import read_photo
    from jolly_ledge.render.export import ready_to_render
    from jolly_ledge.render.in_room import look_in_room

    piece = plan.piece(look.piece)
    if piece.photo is None or piece.photo.name not in options.photos:
        raise ExportError(
            f"There is no photograph of {piece.label}; take one of it empty and lay it under the drawing in Measure."
        )
    ready_to_render()
    empty = read_photo(options.photos[piece.photo.name], "the photograph of the piece")
    return empty, look_in_room(arrange(plan, look), piece.photo, empty)


def _made(plan: Plan, options: Options, suffix: str) -> bytes:
    from jolly_ledge.photos.image import jpeg_bytes, png_bytes

    _, picture = dressed(plan, options.look, options)
    return jpeg_bytes(picture, 92) if suffix in (".jpg", ".jpeg") else png_bytes(picture)


def _named(plan: Plan, options: Options) -> str:
    return f"{file_stem(plan, options)} in the room"


EXPORT = Export(
    "room", "the look in the room", (".png", ".jpg", ".jpeg"), ("looks", "photos"), _made, _named, of_a_look=True
)
