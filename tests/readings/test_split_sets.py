"""A set that is split over the two bodies of a pair ties them; on one body it is one."""

from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.readings import tie

TEAL = (("#1f6f72", 1.0),)
MOONS = tuple(thing(f"moon{n}", "object", colours=TEAL, set="moons", sense="trio", width=90.0, height=120.0, depth=90.0)
              for n in range(3))  # fmt: skip
WHITE = tuple(thing(f"white{n}", colours=(("#efeeea", 1.0),)) for n in range(2))


def unanswered(*ledges: str) -> list[str]:
    piece = case_of(1, 2)
    left, right = piece.ledges
    piece = replace(piece, ledges=(replace(left, body="left"), replace(right, body="right")))
    placements = [put(f"moon{n}", ledge, x=90.0 + 120 * n) for n, ledge in enumerate(ledges)]
    placements += [put("white0", "a1", x=680.0), put("white1", "b1", x=680.0)]
    reading = tie.read(look := arranged((*MOONS, *WHITE), tuple(placements), piece), look.look.manner)
    assert reading is not None
    return [finding.sentence for finding in reading.findings if "teal" in finding.sentence]


def test_one_and_two_over_the_bodies_are_a_tie() -> None:
    assert unanswered("a1", "b1", "b1") == []
    assert len(unanswered("a1", "a1", "a1")) == 1
