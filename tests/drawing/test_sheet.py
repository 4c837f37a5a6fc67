"""The placing sheet: figures as in the model, nothing split, everything told that a helper needs."""

from decimal import Decimal

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.cautions.answers import state_of
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.drawing.paper import A4, LETTER, MARGIN, Block, Paper, pages_of, paragraph, scale_for, tick_line
from jolly_ledge.drawing.picture import Label, Picture, Shape
from jolly_ledge.drawing.sheet import sheet_pages
from jolly_ledge.edits.answers import AnswerCaution
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.lengths import LengthUnit, format_length, parse_length
from jolly_ledge.model.look import Answer, LogEntry
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.pull_list import pull_list
from jolly_ledge.planning.time_estimate import time_estimate
from jolly_ledge.planning.tools import tools_for
from jolly_ledge.planning.working_order import working_order


def texts_of(pages: tuple[Picture, ...]) -> str:
    return " ".join(label.text for page in pages for label in page.primitives if isinstance(label, Label))


@pytest.mark.parametrize("paper", [A4, LETTER], ids=lambda paper: paper.name)
@pytest.mark.parametrize("look", ["first-try", "low-tea", "mantel-talk", "hall-welcome"])
def test_nothing_leaves_the_page(demo: Plan, paper: Paper, look: str) -> None:
    for page in sheet_pages(demo, demo.look(look), "in", paper):
        assert (page.width, page.height) == (paper.width, paper.height)
        for label in page.primitives:
            if isinstance(label, Label):
                assert 0 <= label.x <= paper.width - MARGIN + 1
                assert 0 < label.y < paper.height


@pytest.mark.parametrize("unit", ["mm", "cm", "in"])
def test_every_figure_equals_the_model(demo: Plan, unit: LengthUnit) -> None:
    look = demo.look("first-try")
    said = texts_of(sheet_pages(demo, look, unit))
    arrangement = arrange(demo, look)
    measured = 0
    for step in working_order(arrangement):
        placed = arrangement.by_id[step.placement]
        if step.along is not None and step.along.start == "left end":
            exact = placed.left - placed.ledge.left
            figure = format_length(step.along.length, unit, with_unit=False)
            assert f"{figure} from left end" in said
            # To the mm, or to the sixteenth of an inch that is nearest.
            assert abs(parse_length(f"{figure} {unit}") - exact) <= (0.5 if unit != "in" else 1.3)
            measured += 1
    assert measured > 15


def test_a_table_is_drawn_from_above_with_the_numbers_there(demo: Plan) -> None:
    said = texts_of(sheet_pages(demo, demo.look("low-tea")))
    assert "From above, scale 1:" in said
    assert "From above" not in texts_of(sheet_pages(demo, demo.look("first-try")))


def test_the_scale_that_is_stated_is_the_scale_of_the_drawing() -> None:
    plan = plan_of((thing("vase"),), (put("vase"),), case_of(2))
    (page,) = sheet_pages(plan, plan.looks[0])
    said = next(label.text for label in page.primitives if isinstance(label, Label) and "scale 1:" in label.text)
    scale = int(said.split("1:")[1].split()[0])
    case = plan.pieces[0]
    xs = [
        value for shape in page.primitives if isinstance(shape, Shape)
        for _, values in shape.path for value in values[::2]
        if len(shape.path) >= 4 and MARGIN < value < A4.width - MARGIN
    ]  # fmt: skip
    board = case.ledges[0].width / scale * 72 / 25.4
    assert any(abs((b - a) - board) < 0.5 for a in xs for b in xs)


def test_a_crowded_ledge_is_drawn_again_larger() -> None:
    items = tuple(thing(f"cup{n}", width=70.0, height=90.0, depth=70.0) for n in range(6))
    crowded = plan_of(items, tuple(put(item.id, x=80.0 + 110 * n) for n, item in enumerate(items)))
    calm = plan_of(items, (put("cup0", x=80.0),))

    def numbers(plan: Plan) -> list[str]:
        pages = sheet_pages(plan, plan.looks[0])
        return [t.text for page in pages for t in page.primitives if isinstance(t, Label) and t.text == "1"]

    # On the elevation, on the larger drawing and at the step.
    assert len(numbers(crowded)) == 3
    assert len(numbers(calm)) == 2


def test_no_block_is_split_and_what_belongs_together_stays() -> None:
    width = A4.content_width
    lines = [paragraph(f"line {n}", width) for n in range(55)]
    chained = [Block(20.0, (Label(0, 10, "head", 9),), stays_with_next=True), Block(200.0, (Label(0, 190, "tail", 9),))]
    pages = pages_of(A4, "T", "u", [*lines, *chained, Block(2000.0, ())])
    words = [[label.text for label in page.primitives if isinstance(label, Label)] for page in pages]
    assert any("head" in page and "tail" in page for page in words)
    assert sum(page.count("head") for page in words) == 1
    assert words[0][-1].endswith(f"of {len(pages)}")
    assert len(pages_of(A4, "T", "u", [])) == 1


def test_a_long_name_and_a_caution_stay_with_their_step(demo: Plan) -> None:
    items = (thing("vase", name="a very long name of a thing that was never meant for a narrow column", mass=12.0),)
    plan = plan_of(items, (put("vase", "a2"),))
    pages = sheet_pages(plan, plan.looks[0])
    said = texts_of(pages)
    assert "never" in said
    assert "12 kg: two hands" in said
    tables = [page for page in pages if any(isinstance(s, Label) and s.text == "Set down" for s in page.primitives)]
    on_the_page = texts_of((tables[0],))
    assert "12 kg" in on_the_page
    assert "Heed, heavy high up:" in on_the_page or "Not known, " in on_the_page


def test_an_answered_caution_is_printed_at_its_step_with_its_measure() -> None:
    items = (thing("pillar", "candle", width=70.0, height=120.0, depth=70.0, traits=("flame",)), thing("cup"))
    plan = plan_of(items, (put("pillar", x=200), put("cup", x=500)))
    asked = next(caution for caution in cautions_of(arrange(plan, plan.looks[0])) if caution.id == "flame")
    state = state_of(asked, arrange(plan, plan.looks[0]))
    answer = Answer(caution="flame", state=state, measure="left unlit", by="Tilda", date="2026-11-02")
    answered = AnswerCaution(look="look", answer=answer).apply(plan)
    said = texts_of(sheet_pages(answered, answered.looks[0]))
    assert "unless left unlit (Tilda, 2026-11-02)" in said
    assert "unless" not in texts_of(sheet_pages(plan, plan.looks[0]))


def test_things_are_fetched_room_by_room_and_the_shop_comes_first() -> None:
    items = (
        thing("urn", room="study", mass=22.0), thing("jug", room="study", traits=("fragile",)),
        thing("bowl", "bowl", status="to-buy", price=Decimal(9)), thing("cup", status="stored", room="attic", box="3"),
        thing("lamp", borrowed_from="the neighbour", return_by="2026-11-30", room="hall"),
        thing("pot", status="borrowed"), thing("tin"),
    )  # fmt: skip
    found = pull_list(arranged(items, tuple(put(item.id, x=50.0 + 100 * n) for n, item in enumerate(items))))
    assert found.rooms[0][0] == "the shop"
    assert found.rooms[-1][0] == "room not told"
    assert "attic, box “3”" in [room for room, _ in found.rooms]
    assert found.count == len(items)
    assert found.returns == ("lamp to the neighbour by 2026-11-30", "pot to its owner")
    assert found.heavy == ("urn, 22 kg: two people",)


def test_tools_are_counted_and_what_is_unknown_is_said() -> None:
    wall = replace(case_of(1).ledges[0], id="w", surface="wall", floor=1200.0)
    high = replace(case_of(1).ledges[0], id="h", floor=2000.0)
    case = case_of(1, ledges=(*case_of(1).ledges, wall, high))
    items = (
        thing("chart", "frame", mass=9.0, finish="metal"), thing("print", "frame"), thing("urn", material="stone"),
        thing("lamp", "lamp", traits=("corded",)), thing("leaf", "plant", traits=("real-plant",)),
    )  # fmt: skip
    placements = (
        put("chart", "w", x=200, z=None, y=100, pose="hung"), put("print", "w", x=600, z=None, y=100, pose="hung"),
        put("urn", x=100), put("lamp", x=400), put("leaf", "h", x=400),
    )  # fmt: skip
    said = [tool.said for tool in tools_for(arranged(items, placements, case))]
    assert "2 × hook rated for 5 kg, brass" in said
    assert any("hook for the print" in line and "mass unknown" in line for line in said)
    assert any(line.startswith("1 × step ladder") and "2.00 m" in line for line in said)
    assert any(line.startswith("2 × screw that belongs to its hook, brass") for line in said)
    assert any(line.startswith("1 × screw that belongs to its hook, black") for line in said)
    assert "1 × cord label" in said
    assert any(line.startswith("4 × felt pad") for line in said)
    assert any("watering can" in line for line in said)
    assert tools_for(arranged((), ())) == ()


def test_the_time_is_learned_from_logged_hours(demo: Plan) -> None:
    demo = replace(demo, looks=tuple(replace(look, log=()) for look in demo.looks))
    plain = time_estimate(demo, arrange(demo, demo.look("first-try")))
    assert plain.learned_from == 0
    assert sum(minutes for _, minutes in plain.parts) == pytest.approx(plain.minutes)

    def logged(hours: float) -> Plan:
        looks = [replace(look, log=(LogEntry(date="2025-10-01", hours=hours),)) if look.id == "hall-welcome" else look
                 for look in demo.looks]  # fmt: skip
        return replace(demo, looks=tuple(looks))

    own = time_estimate(demo, arrange(demo, demo.look("hall-welcome"))).minutes / 60
    slow = time_estimate(logged(2 * own), arrange(demo, demo.look("first-try")))
    assert slow.learned_from == 1
    # One look alone is believed by a third.
    assert slow.minutes == pytest.approx(plain.minutes * (1 + 1 / 3))
    assert "logged look of yours" in slow.said
    # Hours that cannot be for this are passed over.
    assert time_estimate(logged(900.0), arrange(demo, demo.look("first-try"))).factor == 1.0


def test_a_scale_is_one_a_ruler_knows() -> None:
    assert scale_for(Picture((), 0, 0, 1000, 2000), 500, 500) == 12
    assert scale_for(Picture((), 0, 0, 1e9, 1e9), 500, 500) == 200
    assert tick_line("a", 100, "b", ticked=True).height > tick_line("a", 100).height
