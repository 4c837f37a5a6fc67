"""Everything the program says keeps to docs/words.md."""

import re
from collections.abc import Iterator
from functools import cache
from pathlib import Path

import pytest

from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.lengths import LENGTH_UNITS, in_unit
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.mend import mends
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.readings.absence import absence_said
from jolly_ledge.readings.register import REGISTER, assess
from judgement.looks import composed_looks
from written_words import refusals, step_names

WORDS = Path(__file__).parents[1] / "docs" / "words.md"
COUNT = "(?:two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\\d{2,})"
NOUNS = "thing|ledge|shelf|opening|room|colour|group|unit|book|seat|finding|caution|look|stem|step|doubt|candle|finish"

RULES: dict[str, str] = {
    "two spaces": r"  ",
    "a space before a mark": r" [,.;:]",
    "two marks": r"[,;.]{2}",
    "a before a vowel": r"\b[Aa] (?:[aeio]|u(?!ni|se|su|rn? ))(?!ne\b|nce\b|uro)",
    "an before a consonant": r"\b[Aa]n (?!hour|honest|heir)[bcdfghjklmnpqrstvwxyz]",
    "one with many": rf"\b(?:[Oo]ne|1) (?:{NOUNS})s\b",
    "many with one": rf"\b{COUNT} (?:{NOUNS})\b(?!s|es)",
    "nought below nothing": r"[-−]0(?![.,]?\d*[1-9])\b",
    "no number": r"\b(?:nan|inf|None|True|False)\b(?! of)",
    "a hyphen for a minus": r"(?<![\w.–])-\d",
    "more than all": r"\b(?:1(?!00)\d\d|[2-9]\d\d|\d{4,}) % of",
    "an id": r"\w_\w",
    "no end": r"[^.!?”:)]$",
    "no beginning": r"^[a-zà-ÿ]",
    "marks of code": r"[\[\]{}<>]|\\",
}


def not_said() -> list[str]:
    """Return the words the page rules out."""
    table = WORDS.read_text(encoding="utf-8").split("## Not said", 1)[1]
    return [row.split("|")[1].strip() for row in table.splitlines() if row.startswith("|")][2:]


def said_of(plan: Plan) -> Iterator[str]:
    for look in plan.looks:
        if not look.placements:
            continue
        arrangement = arrange(plan, look)
        assessment = assess(arrangement)
        yield from (reading.sentence for reading in assessment.readings)
        yield from (finding.sentence[:1].upper() + finding.sentence[1:] for finding in assessment.findings)
        yield from (caution.sentence for caution in cautions_of(arrangement))


@cache
def corpus() -> tuple[str, ...]:
    """Return what is said of the demo, of the composed looks, of poor and empty ones, of mends and proposals."""
    demo = plan_from_json(demo_bytes())
    said = [sentence for plan in (demo, *(one.plan for one in composed_looks())) for sentence in said_of(plan)]
    said += [absence_said(entry.id) for entry in REGISTER]
    look = demo.look("first-try")
    for finding in assess(arrange(demo, look)).findings[:4]:
        said += [f"{mend.label}." for mend in mends(demo, look, finding, 3)]
    problem = problem_of(demo, look.piece, look.manner)
    for one in proposals([problem], 3, steps=4).found:
        said += [*(step.sentence for step in one.story), one.count_said, *one.left_out]
    return tuple(dict.fromkeys(said))


def test_the_corpus_is_wide() -> None:
    assert len(corpus()) > 500
    assert len(not_said()) > 15


@pytest.mark.parametrize("rule", RULES)
def test_sentences_are_built_alike(rule: str) -> None:
    assert [sentence for sentence in corpus() if re.search(RULES[rule], sentence)] == []


@pytest.mark.parametrize("word", not_said())
def test_words_that_are_not_said(word: str) -> None:
    assert [sentence for sentence in corpus() if re.search(rf"\b{word}s?\b", sentence, re.IGNORECASE)] == []


def test_lengths_are_told_in_the_unit_that_is_chosen() -> None:
    lengths = [sentence for sentence in corpus() if re.search(r"\d mm\b", sentence)]
    assert len(lengths) > 20
    for unit in LENGTH_UNITS:
        others = "|".join(other for other in ("mm", "cm") if other != unit)
        assert [said for one in lengths if re.search(rf"\d ({others})\b", said := in_unit(one, unit))] == []


LENGTHS = [
    ("They are 240 and 220 mm high.", "cm", "They are 24 and 22 cm high."),
    ("Raise it by 130 to 150 mm.", "in", "Raise it by 5 1/8 to 5 7/8 in."),
    ("It is 12.5 cm wide.", "mm", "It is 125 mm wide."),
    ("Shelf 2 takes 30 by 40 cm.", "cm", "Shelf 2 takes 30 by 40 cm."),
    ("It weighs 3 kg.", "in", "It weighs 3 kg."),
]


@pytest.mark.parametrize(("sentence", "unit", "said"), LENGTHS)
def test_a_sentence_is_told_in_another_unit(sentence: str, unit: str, said: str) -> None:
    assert in_unit(sentence, unit) == said  # type: ignore[arg-type]


SAYS_WHAT_TO_DO = re.compile(
    r"(?:; |\. |, so |\bor )\W*(?:\w+,? ){0,6}?(?:choose|type|write|measure|save|open|take|draw|mark|drag|unlock|put|add|"
    r"begin|click|pick|set|move|carry|pose|empty|check|look|set|split|propose|name|print|start|lay|let|keep|tell|mean|join)\b"
)
MADE_OF_TWO = ("“Bowl” Bowl", "The plan is not sound at Bowl", "“Bowl” cannot be opened. Bowl")
"""What goes before another sentence that is looked at by itself, or that a library writes."""

TELLS_WHAT_THERE_IS = re.compile(
    r"runs? from|is one of|at most|up to|(?:it holds|its ledges:|its findings:) Bowl|is not opened"
)


def test_refusals_and_step_names_are_many() -> None:
    assert len(refusals()) > 90
    assert len(step_names()) > 55


@pytest.mark.parametrize("rule", [rule for rule in RULES if rule not in ("marks of code", "no beginning", "an id")])
def test_refusals_are_built_as_all_else(rule: str) -> None:
    assert [one for one in refusals() if re.search(RULES[rule], one) and not one.startswith(MADE_OF_TWO)] == []


def test_a_refusal_says_what_to_do_or_what_there_is() -> None:
    spoken = [one for one in refusals() if not one.startswith(MADE_OF_TWO)]
    assert [one for one in spoken if not (SAYS_WHAT_TO_DO.search(one) or TELLS_WHAT_THERE_IS.search(one))] == []


def test_steps_are_called_briefly_and_alike() -> None:
    assert [name for name in step_names() if not re.match(r"[A-Z]", name) or re.search(r"[.!?]$", name)] == []
    assert [name for name in step_names() if len(name) > 48 or "  " in name] == []


@pytest.mark.parametrize("word", not_said())
def test_refusals_and_steps_keep_to_the_words_too(word: str) -> None:
    assert [one for one in (*refusals(), *step_names()) if re.search(rf"\b{word}s?\b", one, re.IGNORECASE)] == []
