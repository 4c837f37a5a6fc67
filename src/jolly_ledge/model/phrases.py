"""How sentences speak of things and figures."""

from collections.abc import Sequence

NUMBERS = (
    "no",
    "one",
    "two",
    "three",
    "four",
    "five",
    "six",
    "seven",
    "eight",
    "nine",
    "ten",
    "eleven",
    "twelve",
)


def counted(count: int, one: str, many: str = "") -> str:
    """Return a count in words.

    >>> counted(2, "unit"), counted(1, "shelf", "shelves"), counted(13, "thing")
    ('two units', 'one shelf', '13 things')
    """
    number = NUMBERS[count] if 0 <= count < len(NUMBERS) else str(count)
    return f"{number} {one if count == 1 else many or one + 's'}"


def listed(labels: Sequence[str], most: int = 3) -> str:
    """Return names in a row.

    >>> listed(["the urn", "the bowl"]), listed(["a", "b", "c", "d", "e"])
    ('the urn and the bowl', 'a, b, c and two more')
    """
    names = list(dict.fromkeys(labels))
    if len(names) > most + 1:
        return f"{', '.join(names[:most])} and {counted(len(names) - most, 'more', 'more')}"
    if len(names) < 2:
        return "".join(names)
    return f"{', '.join(names[:-1])} and {names[-1]}"


def capital(sentence: str) -> str:
    """Return the sentence with a capital first letter, the rest untouched."""
    return sentence[:1].upper() + sentence[1:]


def percent(share: float) -> str:
    """Return a share in whole per cent.

    >>> percent(0.457)
    '46 %'
    """
    return f"{round(share * 100)} %"


def share_of(share: float, whole: str) -> str:
    """Return a share of something: in per cent, or in a word where it is all or none of it.

    >>> share_of(0.457, "what is seen"), share_of(1.0, "the seats"), share_of(0.0, "it")
    ('46 % of what is seen', 'all of the seats', 'none of it')
    """
    word = {0: "none", 100: "all"}.get(round(share * 100), percent(share))
    return f"{word} of {whole}"


def with_article(name: str) -> str:
    """Return a name with the article it is spoken with; one that begins with an article or a count keeps it.

    >>> with_article("object"), with_article("vase"), with_article("the old dog"), with_article("two cats")
    ('an object', 'a vase', 'the old dog', 'two cats')
    """
    first = name.lower().split(maxsplit=1)[:1]
    if first and first[0] in ("a", "an", "the", "our", *NUMBERS):
        return name
    return f"{'an' if name[:1].lower() in 'aeiou' else 'a'} {name}"


def verb(names: Sequence[str], one: str, many: str) -> str:
    """Return the verb that goes with some names.

    >>> verb(["the urn"], "stands", "stand"), verb(["the urn", "the bowl"], "stands", "stand")
    ('stands', 'stand')
    """
    return one if len(set(names)) == 1 else many
