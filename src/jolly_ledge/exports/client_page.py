"""A page with two to five versions, for the client to choose from."""

from typing import TYPE_CHECKING

from jolly_ledge.exports.export import Export, Options, file_stem
from jolly_ledge.model.plan import Plan

if TYPE_CHECKING:
    from jolly_ledge.drawing.picture import Picture

PHOTO_SIDE = 1400


def _made(plan: Plan, options: Options, suffix: str) -> bytes:
    from jolly_ledge.drawing.client_sheet import client_page
    from jolly_ledge.drawing.paper import PAPERS
    from jolly_ledge.render.export import pdf_bytes, ready_to_render

    page = client_page(plan, list(options.looks), PAPERS[options.paper])
    ready_to_render()
    return pdf_bytes((page, *_in_the_room(plan, options)), plan.name or "Versions")


def _in_the_room(plan: Plan, options: Options) -> tuple["Picture", ...]:
    """Return a page with every version in the photograph of the piece; none where no photograph is kept."""
    piece = plan.piece(options.look.piece)
    if piece.photo is None or piece.photo.name not in options.photos:
        return ()
    from jolly_ledge.drawing.paper import PAPERS
    from jolly_ledge.drawing.room_page import RoomPhoto, room_page
    from jolly_ledge.exports.room import dressed
    from jolly_ledge.photos.image import jpeg_bytes, smaller

    pictures = [
        (f"{'ABCDE'[number]}  {look.label}", dressed(plan, look, options)) for number, look in enumerate(options.looks)
    ]
    shown = [("As it is", pictures[0][1][0]), *((name, after) for name, (_, after) in pictures)]
    photos = []
    for name, pixels in shown:
        small = smaller(pixels, PHOTO_SIDE)
        photos.append(RoomPhoto(name, jpeg_bytes(small, 88), small.shape[1], small.shape[0]))
    return (room_page(piece.label, f"{plan.name} · in the room", photos, PAPERS[options.paper]),)


def _named(plan: Plan, options: Options) -> str:
    return f"{file_stem(plan, options)} versions"


EXPORT = Export(
    "client", "the page for the client", (".pdf",), ("looks", "paper", "photos"), _made, _named, of_a_look=True
)
