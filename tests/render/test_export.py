"""Pictures and sheets as files."""

import io
from pathlib import Path
from xml.etree import ElementTree

import pytest
from pypdf import PdfReader
from PySide6.QtGui import QColor, QGuiApplication, QImage, QPainter

from builders import arranged, put, thing
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Gradient, Label, Picture, Shape, rectangle
from jolly_ledge.drawing.sheet import sheet_pages
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.plan import Plan
from jolly_ledge.render.export import image_of, pdf_bytes, picture_bytes, ready_to_render
from jolly_ledge.render.fonts import SANS, SERIF_SEMIBOLD, font, load_fonts
from jolly_ledge.render.player import play

pytestmark = pytest.mark.usefixtures("qapp")
HALVES = Picture(
    (Shape(rectangle(0, 0, 50, 100), "#ff0000"), Shape(rectangle(50, 0, 50, 100), "#0000ff", 0.5), Label(5, 50, "Hello", 20)),
    0, 0, 100, 100,
)  # fmt: skip


def colour_at(image: QImage, x: int, y: int) -> tuple[int, int, int]:
    colour = QColor(image.pixel(x, y))
    return colour.red(), colour.green(), colour.blue()


def test_pixels_are_where_the_list_says() -> None:
    image = image_of(HALVES, 200, "#ffffff")
    assert colour_at(image, 20, 20) == (255, 0, 0)
    red, green, blue = colour_at(image, 150, 20)
    assert blue == 255
    assert red == pytest.approx(127, abs=2)
    assert green == pytest.approx(127, abs=2)


def test_gradients_run_from_start_to_end() -> None:
    shade = Gradient((0, 0), (100, 0), ((0.0, "#000000"), (1.0, "#ffffff")))
    image = image_of(Picture((Shape(rectangle(0, 0, 100, 100), shade),), 0, 0, 100, 100), 100)
    assert colour_at(image, 5, 50)[0] < 40 < 215 < colour_at(image, 95, 50)[0]


def test_the_bundled_fonts_are_used() -> None:
    families = load_fonts()
    assert SANS in families
    assert SERIF_SEMIBOLD in families
    assert font(20).family() == SANS


def test_a_look_is_drawn_as_png_and_svg(tmp_path: Path, demo: Plan) -> None:
    picture = look_picture(arrange(demo, demo.look("first-try")))
    for name in ("look.png", "look.svg"):
        (tmp_path / name).write_bytes(picture_bytes(picture, Path(name).suffix, 600))
    image = QImage(str(tmp_path / "look.png"))
    assert max(image.width(), image.height()) == 600
    root = ElementTree.parse(tmp_path / "look.svg").getroot()
    assert root.tag.endswith("svg")
    assert len(list(root.iter())) > 300


def test_png_shows_the_thing_where_it_stands() -> None:
    item = thing("post", "box", silhouette="cylinder", colours=(("#ff0000", 1.0),), width=100.0, height=300.0)
    picture = look_picture(arranged((item,), (put("post", x=200),)))
    image = image_of(picture, 1000)
    scale = 1000 / max(picture.width, picture.height)
    x, y = round((220 - picture.left) * scale), round((-250 - picture.top) * scale)
    red, green, blue = colour_at(image, x, y)
    assert red > 150 > green + blue
    assert colour_at(image, round((620 - picture.left) * scale), y)[0] < 120


def test_the_text_of_the_sheet_can_be_read_back(tmp_path: Path, demo: Plan) -> None:
    (tmp_path / "sheet.pdf").write_bytes(pdf_bytes(sheet_pages(demo, demo.look("first-try")), demo.name))
    reader = PdfReader(tmp_path / "sheet.pdf")
    text = " ".join(" ".join(page.extract_text() for page in reader.pages).split())
    for words in ("Vesper Row", "brass orrery", "Fetch from", "study", "two ochre folios", "licensed person"):
        assert words in text
    assert reader.metadata is not None
    assert reader.metadata.title == "Vesper Row"
    assert [round(float(side)) for side in reader.pages[0].mediabox[2:]] == [595, 842]


def test_pdf_has_a_page_for_every_picture() -> None:
    assert len(PdfReader(io.BytesIO(pdf_bytes((HALVES, HALVES), "Two"))).pages) == 2


def test_a_running_application_is_used() -> None:
    assert ready_to_render() is QGuiApplication.instance()


def test_a_clear_shape_keeps_the_dimming_of_what_is_painted_after_it() -> None:
    clear = Shape(rectangle(0, 0, 10, 10), Gradient((0, 0), (0, 10), ((0.0, "#000000"), (1.0, "#000000"))), 0.5)
    solid = Shape(rectangle(10, 0, 10, 10), "#000000")
    image = QImage(20, 10, QImage.Format.Format_RGB32)
    image.fill(QColor("white"))
    painter = QPainter(image)
    painter.setOpacity(0.4)
    play(painter, (clear, solid))
    assert painter.opacity() == pytest.approx(0.4)
    painter.end()
    assert colour_at(image, 5, 5)[0] == pytest.approx(255 * 0.8, abs=3)
    assert colour_at(image, 15, 5)[0] == pytest.approx(255 * 0.6, abs=3)
