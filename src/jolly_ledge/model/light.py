"""Light at a ledge by its distance to the window."""

from jolly_ledge.model.words import Light

BRIGHT_WITHIN_MM, MEDIUM_WITHIN_MM = 1200.0, 2700.0
"""Daylight falls off quickly from a window: the usual rule for house plants calls the first stride or so
bright, a room's middle medium, the rest low. Which way the window faces is not known here."""


def light_at(distance: float) -> Light:
    """Return the class of light at a distance from the window (mm).

    >>> light_at(800), light_at(2000), light_at(4000)
    ('bright', 'medium', 'low')
    """
    if distance <= BRIGHT_WITHIN_MM:
        return "bright"
    return "medium" if distance <= MEDIUM_WITHIN_MM else "low"
