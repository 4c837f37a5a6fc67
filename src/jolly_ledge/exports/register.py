"""All exports in one list; the command line and the window offer what stands here."""

from jolly_ledge.exports import calendar, client_page, labels, look_drawing, placing_sheet, room, shopping, stash
from jolly_ledge.exports.export import Export

EXPORTS: tuple[Export, ...] = (
    placing_sheet.EXPORT,
    look_drawing.EXPORT,
    client_page.EXPORT,
    room.EXPORT,
    shopping.EXPORT,
    labels.EXPORT,
    calendar.EXPORT,
    stash.EXPORT,
)
BY_ID: dict[str, Export] = {export.id: export for export in EXPORTS}
