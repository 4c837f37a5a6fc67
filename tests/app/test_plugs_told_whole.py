"""What is told of a cord is read whole: where a column is narrow the row is higher."""

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.place.plugs_page import PlugsPage


def test_rows_are_as_high_as_what_they_say(window: MainWindow) -> None:
    window.workspace.choose_look("first-try")
    page = PlugsPage(window.workspace)
    page.resize(1100, 500)
    page.show()
    page.refresh()
    table = page.table
    narrow = [table.rowHeight(row) for row in range(table.rowCount())]
    assert min(narrow) > table.verticalHeader().minimumSectionSize()
    page.resize(2400, 500)
    assert [table.rowHeight(row) for row in range(table.rowCount())] < narrow
    page.close()
