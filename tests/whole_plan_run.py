"""All that the program does with a plan, done to one plan after another; every mistake is an error here."""

import json
import logging
from collections import Counter
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import date
from functools import partial
from random import Random

from jolly_ledge.drawing.client_sheet import client_page
from jolly_ledge.drawing.labels import LabelSheet, cord_labels, label_pages, storage_labels
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.paper import A4
from jolly_ledge.drawing.sheet import sheet_pages
from jolly_ledge.drawing.shopping_sheet import shopping_pages
from jolly_ledge.files.calendar_file import due_to_calendar
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.files.dxf import look_to_dxf
from jolly_ledge.files.sheet_csv import sheet_to_csv
from jolly_ledge.files.shopping_csv import shopping_to_csv
from jolly_ledge.files.stash_csv import stash_from_csv, stash_to_csv
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.look import Look
from jolly_ledge.model.mishaps import LOG
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.due import due_dates, senseless_dates
from jolly_ledge.planning.pull_list import pull_list
from jolly_ledge.planning.season_plan import year_of
from jolly_ledge.planning.shopping import shopping_list
from jolly_ledge.planning.working_order import working_order
from jolly_ledge.render.export import pdf_bytes, png_bytes, svg_bytes
from jolly_ledge.texts.looks import compare, compare_text, mend, mend_text, proposed, proposed_text, review, review_text
from jolly_ledge.texts.wanted import change_over, what_is_wanted

SELDOM = 0.12
"""The share of plans on which what takes long is tried."""


class MishapError(AssertionError):
    """The program noted a mistake of its own."""


class _Raising(logging.Handler):
    def emit(self, record: logging.LogRecord) -> None:
        raise MishapError(record.getMessage()) from (record.exc_info[1] if record.exc_info else None)


@contextmanager
def no_mishap() -> Iterator[None]:
    """Turn every mistake that is otherwise survived into an error."""
    handler = _Raising(logging.ERROR)
    LOG.addHandler(handler)
    try:
        yield
    finally:
        LOG.removeHandler(handler)


def drive(plan: Plan, seed: int, *, seldom: float = SELDOM) -> Counter[str]:
    """Do everything with a plan; return what was done and what was refused.

    Raises
    ------
    Exception
        Whatever is not a refusal in a sentence.
    """
    rng = Random(seed)
    done: Counter[str] = Counter()

    def attempt(name: str, action: Callable[[], object], *, share: float = 1.0) -> None:
        if rng.random() >= share:
            return
        try:
            action()
            done[name] += 1
        except JollyLedgeError as error:
            sentence = str(error)
            assert sentence.rstrip()[-1:] in ".?", f"{name}: no sentence: {sentence!r}"
            done[f"{name} refused"] += 1

    with no_mishap():
        assert plan_from_json(plan_to_json(plan)) == plan
        for look in plan.looks:
            _drive_look(plan, look, attempt, seldom)
        for piece in plan.pieces:
            looks = plan.looks_of(piece.id)
            if len(looks) > 1:
                attempt("compare", partial(_compare, plan, *looks[:2]))
                attempt("restyle", partial(change_over, plan, looks[0], looks[1], "winter"))
                attempt("client", partial(client_page, plan, looks[:5]))
            attempt("propose", partial(_propose, plan, piece.id, seed), share=seldom)
        attempt("stash", lambda: _stash_round_trip(plan))
        attempt(
            "shopping", lambda: (shopping_pages(plan, shopping_list(plan)), shopping_to_csv(shopping_list(plan), "€"))
        )
        sheet = LabelSheet("as told", A4, 2, 7, 4.7, 15.1, 2.5, 0.0)
        attempt("labels", lambda: label_pages((*cord_labels(plan), *storage_labels(plan, 2026)), sheet))
        attempt("calendar", lambda: due_to_calendar(due_dates(plan, date(2026, 11, 27)), plan.name))
        attempt(
            "dates", lambda: (senseless_dates(plan), year_of(plan, plan.pieces[0].id, 2026) if plan.pieces else None)
        )
    return done


def _drive_look(plan: Plan, look: Look, attempt: Callable[..., None], seldom: float) -> None:
    def read() -> None:
        found = review(plan, look)
        json.dumps(found, allow_nan=False)
        review_text(found, look.label)
        assert "unread" not in found
        assert 0 <= found["score"] <= 1
        assert all(0 <= reading["score"] <= 1 for reading in found["readings"])

    attempt("review", read)
    arrangement = arrange(plan, look)
    attempt("draw", lambda: look_picture(arrangement))
    attempt("order", lambda: (sheet_to_csv(working_order(arrangement)), pull_list(arrangement)))
    attempt("mend", lambda: mend_text(mend(plan, look)), share=seldom)
    attempt("wanted", lambda: what_is_wanted(plan, look).text, share=seldom / 3)
    attempt("sheet", lambda: pdf_bytes(sheet_pages(plan, look), plan.name), share=seldom)
    attempt("png", lambda: png_bytes(look_picture(arrangement), 300), share=seldom)
    attempt("svg", lambda: svg_bytes(look_picture(arrangement), 300), share=seldom)
    attempt("dxf", lambda: look_to_dxf(arrangement), share=seldom)


def _compare(plan: Plan, first: Look, second: Look) -> None:
    compare_text(compare(plan, first, second), plan)


def _propose(plan: Plan, piece: str, seed: int) -> None:
    found = proposed(plan, piece, count=1, seed=seed, steps=12)
    proposed_text(found, [one.look.id for one in found])


def _stash_round_trip(plan: Plan) -> None:
    assert stash_from_csv(stash_to_csv(plan.stash)) == plan.stash
