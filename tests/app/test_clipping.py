"""No text is cut, at the usual sizes and scales."""

import os
import subprocess
import sys
from pathlib import Path

import pytest

CLIPPING = Path(__file__).parent / "clipping.py"
TOOLS = Path(__file__).parents[2] / "tools"


@pytest.mark.parametrize(("scale", "sizes"), [("1", ("1280x800", "1100x700", "1920x1080")), ("1.5", ("1280x800",))])
def test_no_text_is_cut(tmp_path: Path, scale: str, sizes: tuple[str, ...]) -> None:
    environment = {**os.environ, "QT_QPA_PLATFORM": "offscreen", "QT_SCALE_FACTOR": scale, "PYTHONPATH": str(TOOLS)}
    done = subprocess.run(
        [sys.executable, str(CLIPPING), str(tmp_path), *sizes],
        env=environment,
        capture_output=True,
        text=True,
        check=True,
    )
    *cut, ratio = done.stdout.splitlines()
    assert ratio == f"ratio {float(scale)}"
    assert cut == []
