"""An arrangement as the eye takes it in, however it was told."""

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.kept import kept
from jolly_ledge.scene.blocks import with_whole_blocks
from jolly_ledge.scene.fixed import with_what_is_fixed
from jolly_ledge.scene.furniture import with_its_use
from jolly_ledge.scene.out_of_sight import with_the_masked_gone


@kept
def as_seen(arrangement: Arrangement) -> Arrangement:
    """Return a look as it is taken in; itself if it was told so.

    What is fixed is among what hangs, blocks of books are whole, the piece is what it is used as, and what is meant
    to be unseen, and is, counts as hidden.
    """
    return with_the_masked_gone(with_whole_blocks(with_what_is_fixed(with_its_use(arrangement))))
