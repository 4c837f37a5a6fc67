"""No text is cut, at the usual sizes and scales."""

import os
import subprocess
import sys
from pathlib import Path

import pytest

CLIPPING = Path(__file__).parent / "clipping.py"


@pytest.mark.parametrize(
    ("width", "height", "scale"), [(1280, 800, "1"), (1100, 700, "1"), (1280, 800, "1.5"), (1280, 800, "2")]
)
def test_no_text_is_cut(tmp_path: Path, width: int, height: int, scale: str) -> None:
    environment = {**os.environ, "QT_QPA_PLATFORM": "offscreen", "QT_SCALE_FACTOR": scale}
    done = subprocess.run(
        [sys.executable, str(CLIPPING), str(width), str(height), str(tmp_path)],
        env=environment,
        capture_output=True,
        text=True,
        check=True,
    )
    *cut, ratio = done.stdout.splitlines()
    assert ratio == f"ratio {float(scale)}"
    assert cut == []
