"""Every export of the register keeps its word: its endings, its name, what it asks."""

from datetime import date
from io import BytesIO
from pathlib import Path

import pytest
from pypdf import PdfReader

import jolly_ledge.app
from jolly_ledge.cli.commands import BY_NAME
from jolly_ledge.demo import demo_photos
from jolly_ledge.exports.export import NO_LOOK, Export, Options, write_export
from jolly_ledge.exports.register import BY_ID, EXPORTS
from jolly_ledge.files.errors import FileError
from jolly_ledge.model.errors import EditError, ExportError
from jolly_ledge.model.plan import Plan

pytestmark = pytest.mark.usefixtures("qapp")
BEGINS = {
    ".pdf": b"%PDF", ".png": b"\x89PNG", ".svg": b"<?xml", ".dxf": b"  0", ".csv": b"", ".json": b"", ".ics": b"BEGIN:VCALENDAR",
    ".jpg": b"\xff\xd8", ".jpeg": b"\xff\xd8",
}  # fmt: skip
EVERY_ENDING = [(export, suffix) for export in EXPORTS for suffix in export.suffixes]


def asked(plan: Plan, export: Export) -> Options:
    looks = tuple(look for look in plan.looks if look.piece == plan.look("first-try").piece)
    shown = looks[:2] if export.id == "client" else looks[-1:]
    return Options(looks=shown, pixels=300, today=date(2026, 10, 3), photos=demo_photos())


@pytest.mark.parametrize(("export", "suffix"), EVERY_ENDING, ids=[f"{e.id}{s}" for e, s in EVERY_ENDING])
def test_every_ending_is_written(demo: Plan, tmp_path: Path, export: Export, suffix: str) -> None:
    written = write_export(export, demo, asked(demo, export), tmp_path / f"out{suffix}")
    content = written.read_bytes()
    assert len(content) > 100
    assert content.lstrip(b"\xef\xbb\xbf").startswith(BEGINS[suffix])


@pytest.mark.parametrize("export", EXPORTS, ids=lambda one: one.id)
def test_a_path_without_an_ending_gets_the_usual_one_and_a_strange_one_is_refused(export: Export) -> None:
    assert export.path_for(Path("out")).suffix == export.suffixes[0]
    assert export.path_for(Path(f"out{export.suffixes[-1].upper()}")).name.startswith("out.")
    with pytest.raises(ExportError, match=r"“out\.gif” .*; name the "):
        export.path_for(Path("out.gif"))


@pytest.mark.parametrize("export", [one for one in EXPORTS if one.of_a_look], ids=lambda one: one.id)
def test_without_a_look_one_sentence_says_so(demo: Plan, export: Export) -> None:
    if export.id == "client":
        with pytest.raises(EditError, match="2 to 5"):
            export.make(demo, Options(), ".pdf")
    else:
        with pytest.raises(ExportError, match=NO_LOOK):
            export.make(demo, Options(), export.suffixes[0])


def test_ids_and_names_are_their_own_and_only_options_are_heeded() -> None:
    assert len(BY_ID) == len({one.name for one in EXPORTS}) == len(EXPORTS)
    options = set(Options.__struct_fields__)
    assert all(set(one.heeds) <= options for one in EXPORTS)


def test_the_command_line_and_the_window_offer_every_export() -> None:
    assert set(BY_ID) <= set(BY_NAME)
    folder = Path(next(iter(jolly_ledge.app.__path__)))
    window = "".join(path.read_text() for path in folder.rglob("*.py"))
    assert [one.id for one in EXPORTS if f'_exporter.save("{one.id}"' not in window] == []


def test_a_place_that_cannot_be_written_is_named(demo: Plan, tmp_path: Path) -> None:
    with pytest.raises(FileError, match="does not exist"):
        write_export(BY_ID["stash"], demo, Options(), tmp_path / "nowhere" / "stash.csv")


def test_the_page_for_the_client_shows_the_room_where_it_was_photographed(demo: Plan) -> None:
    client, looks = BY_ID["client"], demo.looks_of(demo.look("first-try").piece)[:2]
    without = client.make(demo, Options(looks=looks), ".pdf")
    shown = client.make(demo, Options(looks=looks, photos=demo_photos()), ".pdf")
    assert [len(PdfReader(BytesIO(one)).pages) for one in (without, shown)] == [1, 2]
    text = PdfReader(BytesIO(shown)).pages[1].extract_text()
    assert "As it is" in text
    assert len(PdfReader(BytesIO(shown)).pages[1].images) == 3


def test_a_piece_that_was_not_photographed_is_named(demo: Plan) -> None:
    with pytest.raises(ExportError, match="There is no photograph of Hall console"):
        BY_ID["room"].make(demo, Options(looks=(demo.look("hall-welcome"),), photos=demo_photos()), ".png")
