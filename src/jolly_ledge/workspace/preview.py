"""What a gesture would make of the look in hand, before anything is committed."""

from jolly_ledge.model.look import Look


class Preview:
    """A look that is tried, by itself or faintly beside what is."""

    def __init__(self) -> None:
        self.look: Look | None = None
        self._beside_what_is = True

    def show(self, look: Look | None, *, beside_what_is: bool = True) -> None:
        """Try a look; None ends it."""
        self.look, self._beside_what_is = look, beside_what_is

    def end(self) -> None:
        """Try nothing more."""
        self.look = None

    @property
    def is_beside(self) -> bool:
        """Whether what is stays in sight beside what is tried."""
        return self.look is not None and self._beside_what_is
