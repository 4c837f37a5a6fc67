"""The page for the client, the shopping list and the labels on paper."""

from decimal import Decimal

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.drawing.client_sheet import client_page
from jolly_ledge.drawing.labels import (
    SHEETS,
    LabelSheet,
    StickOn,
    check_sheet,
    cord_labels,
    label_pages,
    place_of,
    storage_labels,
)  # fmt: skip
from jolly_ledge.drawing.paper import A4, LETTER, POINTS_PER_MM, Paper
from jolly_ledge.drawing.picture import Label, Picture, Shape
from jolly_ledge.drawing.shopping_sheet import shopping_pages
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Vote
from jolly_ledge.model.money import Discount
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.shopping import shopping_list


def said(*pages: Picture) -> str:
    return " | ".join(label.text for page in pages for label in page.primitives if isinstance(label, Label))


def versions(count: int) -> Plan:
    plan = plan_of((thing("urn"), thing("jug")), (put("urn", x=200.0), put("jug", x=500.0)))
    look = replace(plan.looks[0], votes=(Vote(who="Ada", likes=True, remark="calm"),))
    return replace(plan, looks=tuple(replace(look, id=f"v{n}", name=f"Version {n}") for n in range(count)))


@pytest.mark.parametrize("count", [2, 3, 5])
@pytest.mark.parametrize("paper", [A4, LETTER], ids=lambda paper: paper.name)
def test_all_versions_stand_on_one_page_at_one_scale(count: int, paper: Paper) -> None:
    plan = versions(count)
    page = client_page(plan, plan.looks, paper)
    assert (page.width, page.height) == (paper.height, paper.width)
    text = said(page)
    assert all(f"Version {n}" in text for n in range(count))
    assert text.count("Remarks") == count
    assert text.count("Ada: calm") == count
    assert "at one scale, 1:" in text
    for label in page.primitives:
        if isinstance(label, Label):
            assert 0 < label.x < page.width
            assert 0 < label.y < page.height


def test_too_few_too_many_and_mixed_versions_are_refused() -> None:
    plan = versions(6)
    for looks in (plan.looks[:1], plan.looks):
        with pytest.raises(EditError, match="2 to 5 versions"):
            client_page(plan, looks)
    other = replace(plan, pieces=(*plan.pieces, case_of(1, id="other")))
    with pytest.raises(EditError, match="of one piece"):
        client_page(other, (plan.looks[0], replace(plan.looks[1], piece="other", placements=())))


def test_the_shopping_list_tells_prices_sizes_and_what_is_left() -> None:
    stash = (
        thing("jug", status="to-buy", price=Decimal("19.90"), count=2, discount=Discount(take=2, pay=1),
              original_price=Decimal(80)),
        thing("lamp", status="wanted"),
    )  # fmt: skip
    plan = replace(plan_of(stash, (put("jug"),)), budget=Decimal(10), currency="€")
    text = said(*shopping_pages(plan, shopping_list(plan), "in"))
    for words in ("2 × jug", "19.90 €", "saves 19.90 €", "the original 160.00 €", "2 for the price of 1", "price not told",
                  "Over the budget", "9.90 €", "4 3/4 × 9 7/16 × 4 3/4 in", "in no sum: lamp"):  # fmt: skip
        assert words in text, words
    assert "Nothing is to be bought." in said(*shopping_pages(plan_of(), shopping_list(plan_of())))


def test_cords_have_two_labels_and_unknown_power_is_said() -> None:
    plan = plan_of((thing("lamp", "lamp", traits=("corded",), watts=40.0, room="hall"),
                    thing("router", "device", traits=("corded",)), thing("urn")))  # fmt: skip
    found = cord_labels(plan)
    assert [(label.title, label.lines) for label in found[::2]] == [
        ("lamp", ("plug", "40 W", "hall")), ("router", ("plug", "power not known: read its plate")),
    ]  # fmt: skip
    assert len(found) == 4


def test_boxes_tell_what_is_inside_for_which_season_and_year() -> None:
    plan = plan_of((thing("moss", box="3", season=("winter",), count=4), thing("bell", box="3"), thing("urn"),
                    thing("egg", box="1", season=("spring",))))  # fmt: skip
    found = storage_labels(plan, 2026)
    assert [label.title for label in found] == ["Box 1", "Box 3"]
    assert found[1].lines == ("Winter · packed 2026", "bell", "4 × moss")


@pytest.mark.parametrize("sheet", SHEETS, ids=lambda sheet: sheet.name)
def test_labels_lie_where_the_sheet_has_them(sheet: LabelSheet) -> None:
    check_sheet(sheet)
    each = sheet.rows * sheet.columns
    labels = [StickOn(f"n{n}", ("line", "x" * 400)) for n in range(each + 1)]
    pages = label_pages(labels, sheet)
    assert len(pages) == 2
    assert len(label_pages(labels[:each], sheet, skip=1)) == 2
    width, height = sheet.size
    right, bottom = place_of(sheet, each - 1)
    assert right + width == pytest.approx(sheet.paper.width / POINTS_PER_MM - sheet.left)
    assert bottom + height == pytest.approx(sheet.paper.height / POINTS_PER_MM - sheet.top)
    frames = [shape for shape in pages[0].primitives if isinstance(shape, Shape)]
    assert len(frames) == each
    for number, label in enumerate(one for one in pages[0].primitives if isinstance(one, Label) and one.weight == 600):
        x, y = place_of(sheet, number)
        assert x * POINTS_PER_MM < label.x < (x + width) * POINTS_PER_MM
        assert y * POINTS_PER_MM < label.y < (y + height) * POINTS_PER_MM
    assert all(shown.y < sheet.paper.height for shown in pages[0].primitives if isinstance(shown, Label))


@pytest.mark.parametrize(
    ("changes", "said_of_it"),
    [({"columns": 0}, "at least one row"), ({"left": -1.0}, "nought or more"), ({"columns": 40}, "too small"),
     ({"top": 148.0}, "too small"), ({"gap_across": 200.0}, "too small")],
)  # fmt: skip
def test_a_sheet_that_makes_no_sense_is_refused(changes: dict[str, float], said_of_it: str) -> None:
    with pytest.raises(EditError, match=said_of_it):
        label_pages([StickOn("a", ())], replace(SHEETS[0], **changes))
