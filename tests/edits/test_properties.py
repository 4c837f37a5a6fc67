"""What holds for any look: nothing is counted twice, nothing lands outside, carriers come first."""

from hypothesis import given, settings
from hypothesis import strategies as st

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.edits.placements import MovePlacement
from jolly_ledge.geometry.arrangement import Arrangement, gap_between
from jolly_ledge.geometry.landing import Held, Spot, find_landing, free_spot
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.planning.working_order import working_order

CATEGORIES = ("vessel", "book", "book-stack", "tray", "box", "frame", "stems", "plant")
PIECE = case_of(2, 2)


@st.composite
def looks(draw: st.DrawFn) -> tuple[tuple[Item, ...], tuple[Placement, ...]]:
    count = draw(st.integers(0, 9))
    items, placements = [], []
    for index in range(count):
        identifier = f"t{index}"
        items.append(thing(identifier, draw(st.sampled_from(CATEGORIES)), height=draw(st.floats(20, 390))))
        host = draw(st.none() | st.integers(0, index - 1)) if index else None
        inside = host is not None and draw(st.booleans())
        placements.append(
            put(
                identifier,
                draw(st.sampled_from(["a1", "a2", "b1", "b2"])),
                draw(st.floats(0, 800)),
                draw(st.floats(0, 300)),
                pose=draw(st.sampled_from(["upright", "flat", "leaning", "spine-in"])),
                turn=draw(st.sampled_from([0.0, 90.0, 30.0])),
                on=f"t{host}" if host is not None and not inside else None,
                inside=f"t{host}" if inside else None,
                vignette=draw(st.none() | st.sampled_from(["one", "two"])),
            )
        )
    order = draw(st.permutations(range(count)))
    return tuple(items), tuple(placements[i] for i in order)


def resolve(look: tuple[tuple[Item, ...], tuple[Placement, ...]]) -> Arrangement:
    return arranged(*look, PIECE)


@settings(max_examples=120, deadline=None)
@given(looks())
def test_every_visible_thing_is_in_one_unit_one_column_one_vignette(
    look: tuple[tuple[Item, ...], tuple[Placement, ...]],
) -> None:
    arrangement = resolve(look)
    visible = sorted(placed.id for placed in arrangement.visible)
    assert sorted(i for unit in arrangement.units for i in unit.ids) == visible
    stacks = [stack for stacks in arrangement.stacks.values() for stack in stacks]
    assert sorted(i for stack in stacks for i in stack.ids) == visible
    assert sorted(i for vignette in arrangement.vignettes for i in vignette.ids) == visible


@settings(max_examples=120, deadline=None)
@given(looks())
def test_nothing_stands_lower_than_its_ledge_or_its_host(look: tuple[tuple[Item, ...], tuple[Placement, ...]]) -> None:
    arrangement = resolve(look)
    for placed in arrangement.placed_items:
        assert placed.bottom >= placed.ledge.floor
        assert placed.top > placed.bottom
        assert placed.right > placed.left
        host = arrangement.by_id.get(placed.placement.host or "")
        if host is not None:
            assert placed.ledge is host.ledge
            assert placed.root == host.root
            assert placed.bottom >= host.bottom
            assert placed.depth_order == host.depth_order + 1
        assert placed.area >= 0
        assert (placed.area == 0) == placed.hidden


@settings(max_examples=120, deadline=None)
@given(looks())
def test_a_column_and_its_units_agree_on_their_edges(look: tuple[tuple[Item, ...], tuple[Placement, ...]]) -> None:
    for stacks in resolve(look).stacks.values():
        lefts = [stack.left for stack in stacks]
        assert lefts == sorted(lefts)
        for stack in stacks:
            assert stack.left == min(unit.left for unit in stack.units)
            assert stack.right == max(unit.right for unit in stack.units)
            assert stack.top == max(unit.top for unit in stack.units)
            assert stack.height > 0
            assert stack.label in {unit.label for unit in stack.units}


@settings(max_examples=120, deadline=None)
@given(looks())
def test_carriers_are_placed_before_what_they_carry(look: tuple[tuple[Item, ...], tuple[Placement, ...]]) -> None:
    arrangement = resolve(look)
    steps = working_order(arrangement)
    assert [step.number for step in steps] == list(range(1, len(steps) + 1))
    assert sorted(step.placement for step in steps) == sorted(arrangement.by_id)
    place = {step.placement: step.number for step in steps}
    for placed in arrangement.placed_items:
        if placed.placement.host:
            assert place[placed.placement.host] < place[placed.id]
    for step in steps:
        for figure in (step.along, step.across, step.upward):
            assert figure is None or figure.length == round(figure.length)
        placed = arrangement.by_id[step.placement]
        if step.along is not None and step.along.start == "left end":
            assert abs(step.along.length - (placed.left - placed.ledge.left)) <= 0.5
        if step.across is not None and step.across.start == "front edge":
            assert abs(step.across.length - placed.front) <= 0.5


@settings(max_examples=150, deadline=None)
@given(
    looks(),
    st.sampled_from(CATEGORIES),
    st.floats(-400, 2_100),
    st.floats(-200, 1_200),
    st.none() | st.floats(0, 300),
)
def test_what_is_let_go_lands_within_a_ledge_or_nowhere(
    look: tuple[tuple[Item, ...], tuple[Placement, ...]], category: str, x: float, base: float, z: float | None
) -> None:
    arrangement = resolve(look)
    item = thing("held", category)
    landing = find_landing(arrangement, Held(item, "upright", 0.0, x, base, z))
    if landing is None:
        return
    ledge = arrangement.piece.ledge(landing.spot.ledge)
    assert ledge.left - 40 <= x <= ledge.right + 40
    if landing.inside:
        assert arrangement.by_id[landing.inside].item.category in ("vessel", "bowl", "basket")
    elif landing.spot.on:
        carrier = arrangement.by_id[landing.spot.on]
        assert carrier.left - 5 <= ledge.left + landing.spot.x <= carrier.right + 5
        assert carrier.top <= base + 40
    else:
        assert item.width / 2 - 3 <= landing.spot.x <= ledge.width - item.width / 2 + 3
        assert landing.spot.z >= item.depth / 2 - 1e-9


@settings(max_examples=80, deadline=None)
@given(looks(), st.sampled_from(["a1", "b2"]))
def test_a_free_spot_lies_on_its_ledge(look: tuple[tuple[Item, ...], tuple[Placement, ...]], ledge: str) -> None:
    arrangement = resolve(look)
    spot = free_spot(arrangement, thing("new", "box"), "upright", arrangement.piece.ledge(ledge))
    assert spot.ledge == ledge
    assert 147 <= spot.x <= 653


@settings(max_examples=80, deadline=None)
@given(looks())
def test_the_gap_between_columns_is_the_same_both_ways(look: tuple[tuple[Item, ...], tuple[Placement, ...]]) -> None:
    for stacks in resolve(look).stacks.values():
        for first in stacks:
            for second in stacks:
                assert gap_between(first, second) == gap_between(second, first)
                assert gap_between(first, second) >= 0


@settings(max_examples=80, deadline=None)
@given(looks(), st.floats(0, 800), st.floats(0, 300))
def test_moving_a_root_moves_all_it_carries_by_the_same(
    look: tuple[tuple[Item, ...], tuple[Placement, ...]], x: float, z: float
) -> None:
    items, placements = look
    roots = [placement for placement in placements if placement.host is None]
    if not roots:
        return
    plan = plan_of(items, placements, PIECE)
    moved = MovePlacement(look="look", placement=roots[0].id, spot=Spot(ledge="b1", x=x, z=z)).apply(plan)
    before = arranged(items, placements, PIECE)
    after = Arrangement(PIECE, {item.id: item for item in items}, moved.look("look"))
    for placed in before.placed_items:
        now = after.by_id[placed.id]
        if placed.root == roots[0].id:
            assert now.ledge.id == "b1"
            assert now.root == placed.root
            assert abs(now.height - placed.height) < 1e-6
        else:
            assert now is placed
