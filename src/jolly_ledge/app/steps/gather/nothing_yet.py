"""What stands beside an empty line-up: how the first things come in."""

from jolly_ledge.app.widgets.side_panel import SidePanel
from jolly_ledge.app.widgets.texts import BoardLine, heading, question, words

WAYS = (
    ("A line for a thing", "vase stoneware 18x32 sand rough\nFigures are width and height; a third is the depth."),
    ("Several at once", "8 books linen 15-24 tall muted\ntwo candlesticks 18 and 24 high, a basket"),
    ("What you do not know", "Leave it out: it is guessed, marked ≈, and measured later."),
    ("From photographs", "Bring in: one thing each, or many laid out beside a sheet of paper."),
    ("From a list or a table", "Bring in: pasted text, CSV or the stash of another plan."),
)


class NothingYet(SidePanel):
    """Tells the ways in until the first thing is there."""

    def __init__(self, width: int) -> None:
        super().__init__(width)
        self.column.addWidget(heading("Nothing gathered yet", 21))
        self.column.addWidget(BoardLine())
        for way, told in WAYS:
            self.column.addWidget(question(way, 14))
            self.column.addWidget(words(told, "soft"))
        self.column.addStretch(1)
