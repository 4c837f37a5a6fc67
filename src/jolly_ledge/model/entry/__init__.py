"""One line of plain words becomes things of the stash."""
