"""The pictures of all main views are taken from the real window."""

from pathlib import Path

from PIL import Image
from PySide6.QtWidgets import QApplication

from pictures import SIZE, take

SCREENSHOTS = Path(__file__).parents[2] / "docs" / "screenshots"


def test_every_kept_picture_is_taken_anew(qapp: QApplication, tmp_path: Path) -> None:
    taken = take(tmp_path, proposal_steps=5)
    assert {path.name for path in taken} == {path.name for path in SCREENSHOTS.glob("*.png")}
    for path in taken:
        with Image.open(path) as picture:
            assert picture.size == (SIZE.width(), SIZE.height())
            colours = picture.convert("RGB").resize((160, 100)).getcolors(16_000)
            assert colours is not None
            assert len(colours) > 100
