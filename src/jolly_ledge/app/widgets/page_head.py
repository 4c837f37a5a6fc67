"""The head of a page that stands in for another for a while."""

from collections.abc import Callable

from PySide6.QtWidgets import QHBoxLayout, QPushButton

from jolly_ledge.app.widgets.texts import heading, words


class PageHead(QHBoxLayout):
    """A heading with a sentence beside it, and the way back."""

    def __init__(self, title: str, about: str, back: str, on_back: Callable[[], object]) -> None:
        super().__init__()
        self.setSpacing(10)
        self.title = heading(title, 16)
        self.addWidget(self.title)
        self.about = words(about, "soft")
        self.addWidget(self.about, 1)
        self.back = QPushButton(back)
        self.back.setMinimumHeight(28)
        self.back.clicked.connect(lambda: on_back())
        self.addWidget(self.back)
