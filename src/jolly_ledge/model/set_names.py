"""What things that belong together are called until somebody names them."""

from collections.abc import Sequence

from jolly_ledge.model.item import Item


def set_name(items: Sequence[Item], taken: frozenset[str] = frozenset()) -> str:
    """Return a fresh name for things that belong together.

    >>> urn = Item(id="urn", name="clay urn", category="vessel", width=90, height=200, depth=90)
    >>> set_name((urn, urn)), set_name((urn, urn, urn), frozenset({"set of urns"}))
    ('pair of urns', 'set of urns 2')
    """
    kinds = {item.label.rstrip("0123456789 ").split(" ")[-1] or item.label for item in items}
    kind = kinds.pop() if len(kinds) == 1 else "things"
    stem = f"{'pair' if len(items) == 2 else 'set'} of {kind if kind.endswith('s') else f'{kind}s'}"
    name, number = stem, 2
    while name in taken:
        name, number = f"{stem} {number}", number + 1
    return name
