"""Modules are imported without their source being read.

Qt for Python reads the source of every module that is imported after it, to learn whether names could be wanted
in another spelling there (``from __feature__ import snake_case``). Nothing here wants that, and for three hundred
modules it is a twentieth of the start. Where a later version has no such look, nothing is changed.
"""

import sys
from types import ModuleType

import PySide6.QtCore  # noqa: F401 - it brings the look into being

LOOK, ASKED = "shibokensupport.feature", "_mod_uses_pyside"
"""The module of the toolkit that looks, and the question it asks of each module."""


def _asks_for_no_spelling(module: ModuleType) -> bool:
    """Answer for a module that its names stay as they are."""
    return False


def import_leanly() -> bool:
    """Leave the look out from now on; return whether there was one."""
    look = sys.modules.get(LOOK)
    if not hasattr(look, ASKED):
        return False
    setattr(look, ASKED, _asks_for_no_spelling)
    return True
