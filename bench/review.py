"""``jolly-ledge review`` of a small plan, against a process that imports NumPy."""

import sys
import tempfile
from pathlib import Path

from jolly_ledge.files.codec import plan_to_json
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.plan import Plan
from side_by_side import compare

CODE = "import sys; from jolly_ledge.__main__ import main; sys.argv[0] = 'jolly-ledge'; sys.exit(main())"


def small_plan() -> Plan:
    """Return one piece with three shelves and six things."""
    from large_plans import copies, large_look, wide_piece

    piece, items = wide_piece(1, 3), copies(6)
    plan = Plan(name="small", pieces=(piece,), stash=items, looks=(large_look(6, piece, items),))
    assert len(Arrangement(piece, {item.id: item for item in items}, plan.looks[0]).placed_items) == 6
    return plan


if __name__ == "__main__":
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "small.json"
        path.write_bytes(plan_to_json(small_plan()))
        compare("review of a small plan", CODE, "import numpy", 4.0, "review", str(path), "--look", "look")
    sys.exit(0)
