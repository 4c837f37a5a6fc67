"""The README for a package page: links into the tree point at an address where the tree is shown, pictures as well.

Usage: python tools/package_readme.py ADDRESS < README.md > README-there.md
"""

import re
import sys

IN_THE_TREE = re.compile(r"\]\((?!https?://|#|mailto:)([^)\s]+)\)")


def with_links_at(text: str, address: str) -> str:
    """Return a text in which links to files of the tree begin with an address.

    >>> with_links_at("![A shelf](docs/a.png), [all](#all), [more](https://there/b)", "https://here/tree/")
    '![A shelf](https://here/tree/docs/a.png), [all](#all), [more](https://there/b)'
    """
    return IN_THE_TREE.sub(lambda found: f"]({address.rstrip('/')}/{found[1]})", text)


if __name__ == "__main__":
    if len(sys.argv) != 2 or not sys.argv[1].startswith(("http://", "https://")):
        sys.exit("Tell the address where the tree is shown, as in https://…/raw/main; the README comes from the input.")
    sys.stdout.write(with_links_at(sys.stdin.read(), sys.argv[1]))
