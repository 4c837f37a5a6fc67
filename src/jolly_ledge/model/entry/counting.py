"""How many things a line speaks of: ``8 books``, ``a pair of urns``, ``jars x3``, ``a stack of 5 books``."""

import re

from jolly_ledge.model.entry.vocabulary import NUMBERS

_NO_UNIT = r"(?!(?:in|inch|inches|cm|mm|m|kg|g|lbs?|tall|high|wide|deep|dia|diameter|long|w|h|d)\b)"
_FIRST = re.compile(rf"^\s*(\d{{1,3}})\s*[x×]?\s+(?=[^\W\d]){_NO_UNIT}", re.IGNORECASE)
_TIMES = re.compile(
    r"(?<=[^\W\d_])(?<!cm)(?<!mm)(?<! in)\s+[x×](\d{1,2})(?![\w.,×]|\s*[x×])|(?<![\w.,])(\d{1,2})[x×](?=\s+[^\W\d])",
    re.IGNORECASE,
)
_OF = re.compile(
    rf"^\s*(?:(?:an?|the|one)\s+)?(?:set|stack|pile|row|bunch|group|lot|box\s+full)\s+of\s+(\d{{1,3}}|{'|'.join(NUMBERS)})\s+"
    r"(?=[^\W\d])",
    re.IGNORECASE,
)
_PAIR = re.compile(r"^\s*(?:(?:an?|the|one)\s+)?pair\s+of\s+|\bpair\b", re.IGNORECASE)


def is_one_set(line: str) -> bool:
    """Tell whether a line says that its things belong together: a pair, a set.

    >>> is_one_set("a pair of urns"), is_one_set("set of 4 prints"), is_one_set("4 prints")
    (True, True, False)
    """
    return bool(re.search(r"\bpair\b|^\s*(?:(?:an?|the|one)\s+)?set\s+of\b", line, re.IGNORECASE))


def counted_line(line: str) -> tuple[int, str]:
    """Return how many things a line speaks of, and the line without saying so.

    >>> [counted_line(line) for line in ("3 jars", "a stack of 5 books", "jars x3", "urn pair 8x20")]
    [(3, 'jars'), (5, 'books'), (3, 'jars'), (2, 'urn   8x20')]
    """
    for pattern in (_OF, _FIRST):
        if found := pattern.match(line):
            figure = found[1].lower()
            return max(NUMBERS.get(figure) or int(figure), 1), line[found.end() :]
    if found := _TIMES.search(line):
        return max(int(found[1] or found[2]), 1), f"{line[: found.start()]} {line[found.end() :]}".strip()
    if found := _PAIR.search(line):
        return 2, f"{line[: found.start()]} {line[found.end() :]}".strip()
    first, _, rest = line.strip().partition(" ")
    if first.lower() in NUMBERS and rest:
        return NUMBERS[first.lower()], rest.removeprefix("of ")
    return 1, line
