"""Writing for others from the window: where to is asked, the register makes it, and what came of it is told."""

from pathlib import Path

from msgspec.structs import replace

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.exports.export import NO_LOOK, Options, write_export
from jolly_ledge.exports.register import BY_ID
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.workspace.workspace import Workspace


class Exporter:
    """Writes the plan in hand as any export of the register."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs) -> None:
        self._workspace = workspace
        self._dialogs = dialogs

    def save(
        self, export_id: str, options: Options, *, suffix: str = "", stem: str = "", said: str = ""
    ) -> Path | None:
        """Ask where to and write; return where it went, None where nothing was written.

        A ``suffix`` is taken instead of the usual one, a ``stem`` instead of the usual name; ``said`` is what is being
        written, where that is not the whole export.
        """
        export, plan = BY_ID[export_id], self._workspace.plan
        if "photos" in export.heeds:
            options = replace(options, photos=self._workspace.document.photos)
        if export.of_a_look and not options.looks:
            self._workspace.signals.refused.emit(NO_LOOK)
            return None
        suffix = suffix or export.suffixes[0]
        path = self._dialogs.ask_save(f"Save {said or export.name}", f"{stem or export.named(plan, options)}{suffix}")
        if path is None:
            return None
        try:
            written = write_export(export, plan, options, path if path.suffix else path.with_suffix(suffix))
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return None
        self._workspace.signals.told.emit(f"Saved “{written.name}”.")
        return written
