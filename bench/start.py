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
from PySide6.QtCore import QCoreApplication, QEvent, QObject, Qt
from PySide6.QtWidgets import QApplication
class Watch(QObject):
    def note(self):
        # The drawing is painted first; this is heard once the rest of the window is painted, before all else.
        QCoreApplication.postEvent(self, QEvent(QEvent.Type.User), Qt.EventPriority.HighEventPriority.value)
    def customEvent(self, event):
        os._exit(0)
def stay(*_):
    application = QApplication.instance()
    window = next(w for w in application.topLevelWidgets() if type(w).__name__ == "MainWindow")
    window.step("Arrange").view.first_painted.connect(watch.note)
    while True:
        application.processEvents()
watch = Watch()
QApplication.exec = stay
sys.argv = ["jolly-ledge", "demo"]
program.main()
"""

if __name__ == "__main__":
    compare("start to the first painted demo window", OURS, BARE + UNTIL_PAINTED, 1.9)
