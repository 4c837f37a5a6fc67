"""Colour families: found by appearance, merged and split by hand."""

from collections.abc import Iterable, Sequence

from jolly_ledge.model.hue_family import families_of, hue_family, nearest_family
from jolly_ledge.model.item import Item
from jolly_ledge.model.plan import ColourFamily

Families = tuple[ColourFamily, ...]


def lead_of(colour: str, families: Families) -> str:
    """Return the colour that stands for a colour: the first of its family by hand, or itself."""
    for family in families:
        if colour in family.colours:
            return family.colours[0]
    return colour


def leads(families: Families) -> frozenset[str]:
    """Return the colours that lead families made by hand."""
    return frozenset(family.colours[0] for family in families)


def name_of(colour: str, families: Families) -> str:
    """Return what a family is called: as the stylist named it, or in plain words."""
    return next((family.name for family in families if colour in family.colours and family.name), hue_family(colour))


def stash_families(stash: Iterable[Item], families: Families = ()) -> list[tuple[str, float]]:
    """Return the leading colours of a stash's families with their seen areas, largest first."""
    weighted = [
        (lead_of(colour, families), share * item.width * item.height)
        for item in stash
        for colour, share in item.shown_colours
    ]
    return families_of(weighted, leads(families))


def family_of(item: Item, leaders: tuple[str, ...], families: Families = ()) -> str:
    """Return the leader of the family a thing's main colour belongs to."""
    colour = lead_of(item.main_colour, families)
    return nearest_family(colour, leaders) or colour


def members(leader: str, stash: Iterable[Item], leaders: tuple[str, ...], families: Families = ()) -> tuple[str, ...]:
    """Return the colours of a stash that answer as one family, its leader first."""
    found = {leader}
    for item in stash:
        for colour, _ in item.shown_colours:
            if nearest_family(lead_of(colour, families), leaders) == leader:
                found.add(colour)
    return (leader, *sorted(found - {leader}))


def merged(families: Families, first: tuple[str, ...], second: tuple[str, ...], name: str) -> Families:
    """Return the families by hand with two groups of colours made one."""
    together = tuple(dict.fromkeys((*first, *second)))
    return (*without(families, together), ColourFamily(name=name, colours=together))


def split(
    families: Families, wholes: Sequence[tuple[str, tuple[str, ...]]], off: tuple[str, ...], name: str
) -> Families:
    """Return the families by hand with some colours made a family of their own.

    Parameters
    ----------
    families : families made by hand so far
    wholes : sequence of (name, colours)
        The families the colours come from. What stays of each is kept together by hand, too: near colours
        would else follow those that were split off.
    off : tuple of colour
    name : str
        Of the new family.
    """
    for kept_name, colours in wholes:
        stays = tuple(colour for colour in colours if colour not in off)
        families = without(families, colours)
        if stays:
            families = (*families, ColourFamily(name=kept_name, colours=stays))
    return (*without(families, off), ColourFamily(name=name, colours=tuple(dict.fromkeys(off))))


def without(families: Families, colours: Iterable[str]) -> Families:
    """Return the families by hand without some colours; a family left empty goes."""
    gone = set(colours)
    kept = ((family.name, tuple(colour for colour in family.colours if colour not in gone)) for family in families)
    return tuple(ColourFamily(name=name, colours=colours) for name, colours in kept if colours)
