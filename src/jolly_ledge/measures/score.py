"""From a measure to a score between 0 and 1."""

import math
from collections.abc import Sequence


def ramp(value: float, nought: float, full: float) -> float:
    """Rise from 0 at ``nought`` to 1 at ``full`` (which may be the smaller one).

    Parameters
    ----------
    value : float
        What was measured.
    nought : float
        Where it is 0, in the unit of the value.
    full : float
        Where it is 1.

    >>> ramp(1.5, 1, 2), ramp(5, 3, 1), ramp(2, 3, 1)
    (0.5, 0.0, 0.5)

    Where both ends are one value it is a step:

    >>> ramp(0, 0, 0), ramp(-1, 0, 0)
    (1.0, 0.0)
    """
    if nought == full:
        return 1.0 if value >= full else 0.0
    return min(max((value - nought) / (full - nought), 0.0), 1.0)


def score_of(loss: float) -> float:
    """Return the score that is shown for a loss: 1 for none, one half where it is plainly noticed.

    Parameters
    ----------
    loss : float
        0 for nothing to better, 1 plainly noticed.

    >>> score_of(0.0), score_of(1.0)
    (1.0, 0.5)
    """
    return 1 / (1 + loss)


def smooth_step(value: float, middle: float, width: float) -> float:
    """Rise from 0 to 1 without ever standing still: one half at ``middle``, from an eighth to seven over ``width``.

    Parameters
    ----------
    value : float
        What was measured.
    middle : float
        Where it is one half, in the unit of the value.
    width : float
        Over which it rises from an eighth to seven.

    >>> smooth_step(0.5, 0.5, 0.2), round(smooth_step(0.6, 0.5, 0.2), 2), round(smooth_step(0.4, 0.5, 0.2), 2)
    (0.5, 0.88, 0.12)
    """
    return 1 / (1 + math.exp(min(max(-4 * (value - middle) / width, -60.0), 60.0)))


def soft_excess(value: float, free: float, spread: float) -> float:
    """Return by how many spreads a value passes what is free; below it falls to nought without standing still.

    Parameters
    ----------
    value : float
        What was measured.
    free : float
        What costs nothing yet, in the unit of the value.
    spread : float
        What counts as one.

    >>> round(soft_excess(1.0, 0.0, 0.5), 2), round(soft_excess(0.0, 0.0, 0.5), 2)
    (2.0, 0.17)
    """
    steep = 4.0
    x = (value - free) / spread
    return math.log1p(math.exp(min(steep * x, 60.0))) / steep if x < 15 else x


def in_band(value: float, band: tuple[float, float], below: float, above: float) -> float:
    """Score 1 within the band, falling to 0 over ``below`` under it and ``above`` over it.

    Parameters
    ----------
    value : float
        What was measured.
    band : (float, float)
        Where it should lie, in the unit of the value.
    below : float
        So far under the band nothing is left.
    above : float
        So far over it nothing is left.

    >>> in_band(0.25, (0.5, 1.0), 0.5, 0.5)
    0.5
    """
    low, high = band
    if value < low:
        return ramp(value, low - below, low)
    if value > high:
        return ramp(value, high + above, high)
    return 1.0


def weighted_mean(pairs: Sequence[tuple[float, float]], empty: float = 1.0) -> float:
    """Return the mean of (value, weight) pairs, or ``empty`` without any weight.

    Parameters
    ----------
    pairs : sequence of (float, float)
        Values, each with its weight.
    empty : float
        What is returned without any.

    >>> weighted_mean([(1.0, 3.0), (0.0, 1.0)])
    0.75
    """
    whole = sum(weight for _, weight in pairs)
    return sum(value * weight for value, weight in pairs) / whole if whole > 0 else empty


def mean(values: Sequence[float], empty: float = 1.0) -> float:
    """Return the plain mean, or ``empty`` without values.

    Parameters
    ----------
    values : sequence of float
        What is averaged.
    empty : float
        What is returned without any.
    """
    return sum(values) / len(values) if values else empty


def deviation(values: Sequence[float]) -> float:
    """Return the standard deviation of all values; exact fractions, as in ``statistics``, would cost too much here.

    Parameters
    ----------
    values : sequence of float
        What is averaged.

    >>> deviation([1.0, 3.0])
    1.0
    """
    middle = mean(values, empty=0.0)
    return math.sqrt(mean([(value - middle) ** 2 for value in values], empty=0.0))
