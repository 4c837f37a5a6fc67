"""The free stretches of a ledge."""

from collections.abc import Iterable


def gaps_between(taken: Iterable[tuple[float, float]], width: float) -> list[tuple[float, float]]:
    """Return the stretches of a width that nothing takes, from the left.

    Parameters
    ----------
    taken : iterable of (float, float)
        Stretches that are taken, in mm.
    width : float
        In mm.

    >>> gaps_between([(300.0, 400.0), (0.0, 100.0), (350.0, 500.0)], 800.0)
    [(100.0, 300.0), (500.0, 800.0)]
    """
    gaps, reached = [], 0.0
    for start, end in (*sorted(taken), (width, width)):
        if start > reached:
            gaps.append((reached, start))
        reached = max(reached, end)
    return gaps
