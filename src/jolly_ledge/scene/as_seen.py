"""An arrangement as the eye takes it in, however it was told."""

from functools import lru_cache

from jolly_ledge.model.arrangement import Arrangement
from jolly_ledge.scene.blocks import with_whole_blocks
from jolly_ledge.scene.fixed import with_what_is_fixed


@lru_cache(maxsize=8)
def as_seen(arrangement: Arrangement) -> Arrangement:
    """Return a look with fixed pictures and mirrors among what hangs, and blocks of books whole; itself where alike."""
    return with_whole_blocks(with_what_is_fixed(arrangement))
