"""How alike two things look: size, tone and stuff before category."""

from functools import lru_cache

from jolly_ledge.measures.score import ramp
from jolly_ledge.model.colour import family_distance
from jolly_ledge.model.item import Item
from jolly_ledge.model.words import BOOK_CATEGORIES, GREENERY, WALL_CATEGORIES

CATEGORY_PART, COLOUR_PART, FINISH_PART, SHAPE_PART, SIZE_PART = 0.12, 0.36, 0.10, 0.14, 0.28
COLOUR_REACH = 0.22
_KIN = (
    BOOK_CATEGORIES,
    GREENERY,
    WALL_CATEGORIES,
    frozenset({"vessel", "bowl", "tableware"}),
    frozenset({"box", "basket"}),
)


@lru_cache(maxsize=65_536)
def likeness(first: Item, second: Item) -> float:
    """Return how alike two things look: 0 nothing in common, 1 twins.

    Size, tone and stuff before category: category, colour (OKLab), finish, silhouette and size are weighted 12, 36, 10,
    14 and 28 parts.
    """
    kin = any(first.category in group and second.category in group for group in _KIN)
    category = 1.0 if first.category == second.category else (0.6 if kin else 0.0)
    colour = 1 - ramp(family_distance(first.main_colour, second.main_colour), 0.0, COLOUR_REACH)
    finish = 1.0 if first.shown_finish == second.shown_finish else 0.0
    shape = 1.0 if first.shape == second.shape else (0.4 if first.is_round and second.is_round else 0.0)
    larger = max(first.width * first.height, second.width * second.height)
    size = min(first.width * first.height, second.width * second.height) / larger
    return (
        CATEGORY_PART * category + COLOUR_PART * colour + FINISH_PART * finish + SHAPE_PART * shape + SIZE_PART * size
    )
