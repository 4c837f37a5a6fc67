"""Ids that are not taken yet."""

from collections.abc import Iterable


class FreshIds:
    """Ids that are not taken, one after another; thousands from one stem cost no more than a few."""

    def __init__(self, taken: Iterable[str] = ()) -> None:
        self._taken = set(taken)
        self._numbers: dict[str, int] = {}

    def take(self, identifier: str) -> None:
        """Note that an id is taken."""
        self._taken.add(identifier)

    def fresh(self, stem: str) -> str:
        """Return an id that is not taken, and take it: the stem, or the stem with a number.

        >>> ids = FreshIds({"vase"})
        >>> ids.fresh("Vase"), ids.fresh("vase"), ids.fresh("")
        ('vase-2', 'vase-3', 'thing')
        """
        stem = "-".join("".join(c if c.isalnum() else " " for c in stem.lower()).split()) or "thing"
        found = stem
        if found in self._taken:
            number = self._numbers.get(stem, 2)
            while (found := f"{stem}-{number}") in self._taken:
                number += 1
            self._numbers[stem] = number + 1
        self._taken.add(found)
        return found


def fresh_id(stem: str, taken: Iterable[str]) -> str:
    """Return one id that is not taken.

    >>> fresh_id("vase", {"vase", "vase-2"})
    'vase-3'
    """
    return FreshIds(taken).fresh(stem)
