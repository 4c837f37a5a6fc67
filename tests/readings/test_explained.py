"""Every reading is explained in words, and finds its better look better and its worse one worse."""

import pytest

from jolly_ledge.drawing.look import look_picture
from jolly_ledge.readings.reading import Reading
from jolly_ledge.readings.register import REGISTER, ReadingEntry
from jolly_ledge.texts.readings_explained import EXPLAINED


def lost(reading: Reading | None) -> float:
    assert reading is not None
    return 1 - reading.score if reading.loss is None else reading.loss


def test_every_reading_is_explained_and_nothing_else() -> None:
    assert list(EXPLAINED) == [entry.id for entry in REGISTER]


@pytest.mark.parametrize("entry", REGISTER, ids=lambda entry: entry.id)
def test_the_better_look_reads_better_by_what_one_sees(entry: ReadingEntry) -> None:
    told = EXPLAINED[entry.id]
    better, worse = told.better(), told.worse()
    assert lost(entry.read(better, better.manner)) < lost(entry.read(worse, worse.manner)) - 0.05
    assert look_picture(better) != look_picture(worse)


@pytest.mark.parametrize("entry", REGISTER, ids=lambda entry: entry.id)
def test_what_is_told_is_whole_sentences_in_plain_words(entry: ReadingEntry) -> None:
    told = EXPLAINED[entry.id]
    for sentence in (told.means, told.computed):
        assert sentence[0].isupper()
        assert sentence.endswith(".")
        assert 20 < len(sentence) < 160
