"""From nothing to the first painted demo window, against a bare window with NumPy imported."""

from side_by_side import compare

UNTIL_PAINTED = """
from PySide6.QtCore import QEvent, QObject
class Watch(QObject):
    painted = False
    def eventFilter(self, watched, event):
        if event.type() == QEvent.Type.Paint:
            self.painted = True
        return False
watch = Watch()
target.installEventFilter(watch)
window.show()
while not watch.painted:
    application.processEvents()
import os
os._exit(0)
"""

BARE = """
import numpy
from PySide6.QtWidgets import QApplication, QMainWindow
application = QApplication([])
window = target = QMainWindow()
window.resize(1280, 800)
"""

OURS = """
import os, sys, tempfile
os.environ["JOLLY_LEDGE_STATE"] = tempfile.mkdtemp()
from jolly_ledge import __main__ as program
from PySide6.QtCore import QEvent, QObject
from PySide6.QtWidgets import QApplication
class Watch(QObject):
    seen = False
    def note(self):
        self.seen = True
    def eventFilter(self, watched, event):
        # Out at the first event after the whole window was painted.
        if self.seen and event.type() not in (QEvent.Type.Paint, QEvent.Type.UpdateRequest, QEvent.Type.UpdateLater):
            os._exit(0)
        return False
def stay(*_):
    application = QApplication.instance()
    window = next(w for w in application.topLevelWidgets() if type(w).__name__ == "MainWindow")
    window.step("Arrange").view.first_painted.connect(watch.note)
    application.installEventFilter(watch)
    while True:
        application.processEvents()
watch = Watch()
QApplication.exec = stay
sys.argv = ["jolly-ledge", "demo"]
program.main()
"""

if __name__ == "__main__":
    compare("start to the first painted demo window", OURS, BARE + UNTIL_PAINTED, 2.0)
