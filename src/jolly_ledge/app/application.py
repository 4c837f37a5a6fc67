"""Starts the window."""

import gc
import os
import sys
from collections.abc import Mapping
from pathlib import Path

from PySide6.QtCore import QSize, QStandardPaths, QTimer
from PySide6.QtGui import QPixmapCache
from PySide6.QtWidgets import QApplication

from jolly_ledge.app.bridge import WindowSignals
from jolly_ledge.app.dialogs import Dialogs, FileDialogs
from jolly_ledge.app.getting_ready import GettingReady
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.mishaps import watch_for_mishaps
from jolly_ledge.app.style import dress, style_of
from jolly_ledge.app.tones import tones
from jolly_ledge.demo import demo_bytes, demo_photos
from jolly_ledge.files.backups import Backups
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.recent import RecentFiles
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.files.settings import SIZES, SettingsFile
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.plan import Plan
from jolly_ledge.render.fonts import font, load_fonts
from jolly_ledge.workspace.new_plan import new_plan
from jolly_ledge.workspace.workspace import Workspace

DISPLAYS = ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM")
"""What tells Qt where to show itself; without any it would abort."""

DRAG_DISTANCE_PX = 4
PIXELS_KEPT_KB = 128 * 1024
"""Room for a large look on a fine screen; Qt's own 10 MB would draw things anew at every step."""

SETTLE_MS = 1500
DESKTOP_ID = "org.jollyledge.JollyLedge"
"""As the desktop knows it: by its entry in the menu, which names the icon."""


def state_folder() -> Path:
    """Return where unsaved work, earlier versions and the list of recent plans are kept."""
    own = os.environ.get("JOLLY_LEDGE_STATE")
    if own:
        return Path(own)
    data = QStandardPaths.writableLocation(QStandardPaths.StandardLocation.GenericDataLocation)
    return Path(data) / "jolly-ledge"


def ready_application(arguments: list[str]) -> QApplication:
    """Return the application with its fonts and style."""
    application = QApplication.instance() or QApplication(arguments)
    assert isinstance(application, QApplication)
    application.setApplicationName("jolly-ledge")
    application.setApplicationDisplayName("Jolly Ledge")
    application.setDesktopFileName(DESKTOP_ID)
    application.setStyle("Fusion")
    load_fonts()
    application.setFont(font(14))
    application.setStyleSheet(style_of(tones()))
    application.setStartDragDistance(DRAG_DISTANCE_PX)
    QPixmapCache.setCacheLimit(PIXELS_KEPT_KB)
    return application


def make_window(
    plan: Plan,
    dialogs: Dialogs | None = None,
    log: RecoveryLog | None = None,
    photos: Mapping[str, bytes] | None = None,
) -> MainWindow:
    """Return a window on a plan, with the photographs it speaks of."""
    settings = SettingsFile(state_folder() / "settings.json" if log is None else log.folder / "settings.json")
    dress(settings.read().hour)
    workspace = Workspace(
        plan, log or RecoveryLog(state_folder() / "recovery"), photos=photos, signals=WindowSignals(),
        unit=settings.read().length_unit,
    )  # fmt: skip
    if log is None:
        workspace.document.recent = RecentFiles(state_folder() / "recent.json")
        workspace.document.backups = Backups(state_folder() / "versions")
    asked = dialogs or FileDialogs()
    window = MainWindow(workspace, asked, settings)
    if isinstance(asked, FileDialogs):
        asked.parent = window
    return window


def fit_into(window: MainWindow, room: QSize) -> None:
    """Make a window no larger than there is room for, nor its least size."""
    window.setMinimumSize(window.minimumSize().boundedTo(room))
    window.resize(window.size().boundedTo(room))


def fills(window: MainWindow, room: QSize) -> bool:
    """Tell whether a window takes all of a side of what there is: its frame would hang over the edge."""
    return window.width() >= room.width() or window.height() >= room.height()


def collect_from_now() -> None:
    """Collect garbage from now on, but never look through what the start has made: it stays until the end."""
    gc.freeze()
    gc.enable()


def run(path: Path | None, *, demo: bool = False) -> int:
    """Open the window and stay until it is closed; return the exit status.

    Raises
    ------
    JollyLedgeError
        There is no display to open it on.
    """
    if not any(os.environ.get(name) for name in DISPLAYS):
        raise JollyLedgeError("There is no display to open a window on; start it from a desktop, or under xvfb-run.")
    size = SettingsFile(state_folder() / "settings.json").read().size
    if size != SIZES[0]:
        # The toolkit asks for it once, before the first window.
        os.environ.setdefault("QT_SCALE_FACTOR", f"{size / 100:g}")
    application = ready_application(sys.argv[:1])
    plan, photos = (plan_from_json(demo_bytes()), demo_photos()) if demo else (new_plan(), {})
    window = make_window(plan, photos=photos)
    watch_for_mishaps(window)
    if path is not None:
        window.files.open_first(path)
    elif not demo:
        window.show_opening()
    room = application.primaryScreen().availableSize()
    fit_into(window, room)
    (window.showMaximized if fills(window, room) else window.show)()
    GettingReady(window)
    QTimer.singleShot(SETTLE_MS, collect_from_now)
    QTimer.singleShot(0, window.files.offer_recovery)
    return application.exec()
