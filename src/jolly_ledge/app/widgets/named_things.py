"""Things of the stash told by their names, with commas between; a name may have commas of its own."""

from collections.abc import Iterable

from jolly_ledge.model.item import Item


def names_of(identifiers: Iterable[str], stash: Iterable[Item]) -> str:
    """Return things by their names, with commas between; what is gone goes by its id."""
    labels = {item.id: item.label for item in stash}
    return ", ".join(labels.get(identifier, identifier) for identifier in identifiers)


def things_named(text: str, stash: Iterable[Item]) -> tuple[tuple[str, ...], str]:
    """Return the ids of what is named in a text, and the first name that is not known, empty where all are.

    The longest name that fits is taken: of "taper holder, left" it is that one, not a taper holder. What is gone from
    the stash may be told by its id where it was told so before.

    >>> from jolly_ledge.model.entry.typical import typical_of
    >>> from msgspec.structs import replace
    >>> jug = replace(typical_of("vessel"), id="jug", name="jug, left")
    >>> things_named("Jug, left", [jug]), things_named("jug", [jug])
    ((('jug',), ''), ((), 'jug'))
    """
    by_name = {item.label.casefold(): item.id for item in stash}
    parts = [" ".join(part.split()) for part in text.split(",")]
    parts = [part for part in parts if part]
    found: list[str] = []
    while parts:
        longest = next((n for n in range(len(parts), 0, -1) if ", ".join(parts[:n]).casefold() in by_name), 0)
        if not longest:
            return (), parts[0]
        found.append(by_name[", ".join(parts[:longest]).casefold()])
        del parts[:longest]
    return tuple(found), ""


def not_known(name: str) -> str:
    """Return what is said of a name that nothing in the stash has."""
    return f"Nothing in the stash is called “{name}”; type names as they are told there."
