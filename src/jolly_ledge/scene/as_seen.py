"""An arrangement as the eye takes it in, however it was told."""

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.kept import kept
from jolly_ledge.scene.blocks import with_whole_blocks
from jolly_ledge.scene.fixed import with_what_is_fixed
from jolly_ledge.scene.furniture import with_its_use


@kept
def as_seen(arrangement: Arrangement) -> Arrangement:
    """Return a look with what is fixed among what hangs, blocks of books whole, on what it is used as; itself if so."""
    return with_whole_blocks(with_what_is_fixed(with_its_use(arrangement)))
