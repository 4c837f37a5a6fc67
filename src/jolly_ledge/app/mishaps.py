"""What happens when the program itself makes a mistake: the work is kept, and a person is told."""

import sys
from types import TracebackType

from jolly_ledge.app.main_window import MainWindow

SENTENCE = (
    "The program made a mistake and did not finish what you asked for. Your work is kept; save it under another name, "
    "and start the program again if something looks wrong."
)


def watch_for_mishaps(window: MainWindow) -> None:
    """Keep the work and tell in the window when an error was not expected; the trace goes to stderr."""

    def told(kind: type[BaseException], error: BaseException, trace: TracebackType | None) -> None:
        sys.__excepthook__(kind, error, trace)
        if issubclass(kind, Exception):
            window.session.keep_now()
            window.notice.say(SENTENCE, (("Save under another name", window.save_as),))

    sys.excepthook = told
