"""Whether the eye can tell: cases, composed looks against worse ones and against chance, single moves, saturation.

    python bench/eye.py [LOOKS_BY_CHANCE]

All in one run, for none of it proves anything by itself: agreement with the cases and for the right reason, by kind of
piece; composed looks beside looks of the same stash that were put below them; how many composed looks beat nine in ten
of the shuffles of their own things, of their own things exchanged over the same places, and of other choices from the
stash; how many single moves are noticed; which readings are constant on chance looks; where each reading applies.
"""

import sys
from collections import Counter, defaultdict
from collections.abc import Iterator
from pathlib import Path
from random import Random
from statistics import mean

sys.path.insert(0, str(Path(__file__).parent.parent / "tests"))

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.proposals.chance_looks import Chance, chance_looks, exchanged, other_choice, shuffled
from jolly_ledge.proposals.problem import Problem, problem_of, without
from jolly_ledge.readings.absence import ABSENT
from jolly_ledge.readings.register import REGISTER, assess, better_of
from judgement.cases import agrees, load_cases, prefers
from judgement.looks import Composed, composed_looks
from judgement.single_things import households_of_single_things, score_after, single_things

KINDS_OF_CHANCE: tuple[tuple[str, Chance], ...] = (
    ("shuffles", shuffled), ("exchanges", exchanged), ("other choices", other_choice),
)  # fmt: skip
BEATEN, MOVES_EACH, MOVED_MM = 0.9, 24, 100.0
SATURATED, MOST_SATURATED, SAME, THROWS = 0.97, 0.25, 0.005, 4
THINGS = (1, 2, 3, 6, 99)


def main(count: int) -> None:
    """Print all of it."""
    cases()
    looks = composed_looks()
    beside_worse(looks)
    saturated_weight(looks)
    by_chance(looks, count)
    single_moves(looks)
    scattered_groups(looks)
    groups_before_single_things()
    matrix(looks)


def cases() -> None:
    """Print how many cases agree, and for the right reason, by kind of piece."""
    told: dict[str, list[tuple[bool, bool]]] = defaultdict(list)
    for case in load_cases():
        told[case.plan.pieces[0].kind].append((prefers(case), agrees(case)))
        told["all"].append(told[case.plan.pieces[0].kind][-1])
    print(f"{'cases':16} {'number':>7} {'agree':>7} {'right reason':>13}")
    for kind, pairs in sorted(told.items(), key=lambda one: (one[0] == "all", one[0])):
        agree, right = (sum(pair[n] for pair in pairs) / len(pairs) for n in (0, 1))
        print(f"{kind:16} {len(pairs):>7} {agree:>7.0%} {right:>13.0%}")


def beside_worse(looks: list[Composed]) -> None:
    """Print how often a composed look reads better than looks of the same stash that were put below it."""
    pairs = [(look, worse) for look in looks for worse in look.worse]
    first = 0
    for look, worse in pairs:
        ours, other = assess(look.arrangement).score, assess(arrange(look.plan, worse)).score
        first += better_of(ours, other) == -1
    print(f"composed before what was put below it: {first} of {len(pairs)}")


def saturated_weight(looks: list[Composed]) -> None:
    """Print which share of their weight lies on readings that are saturated, in looks that should be near the best."""
    weights = {entry.id: entry.weight_for for entry in REGISTER}
    shares = []
    for look in looks:
        read = [(one, weights[one.id](look.look.manner)) for one in assess(look.arrangement).readings]
        shares.append(sum(weight for one, weight in read if one.score > SATURATED) / sum(weight for _, weight in read))
    over = sum(share > MOST_SATURATED for share in shares)
    told = f"{mean(shares):.0%} on average, over {MOST_SATURATED:.0%} in {over} of {len(shares)}"
    print(f"weight of saturated readings in composed looks: {told}")


def problem_for(look: Composed) -> Problem:
    """Return the problem that a composed look solved."""
    return problem_of(replace(look.plan, looks=()), look.look.piece, look.look.manner)


def by_chance(looks: list[Composed], count: int) -> None:
    """Print how composed looks stand to chance, and which readings chance does not move."""
    beaten: Counter[str] = Counter()
    asked: Counter[str] = Counter()
    scores: dict[str, list[float]] = defaultdict(list)
    applies: dict[str, Counter[str]] = defaultdict(Counter)
    for look in looks:
        problem, arrangement = problem_for(look), look.arrangement
        own = assess(arrangement).score
        said = []
        for name, make in KINDS_OF_CHANCE:
            found = chance_looks(problem, arrangement, make, count, 1)
            read = [assess(problem.resolve(placements)) for placements in found]
            if not read:
                continue
            share = sum(own > one.score for one in read) / len(read)
            asked[name] += 1
            beaten[name] += share >= BEATEN
            said.append(f"{name} {share:.0%}")
            for one in read:
                for reading in one.readings:
                    scores[reading.id].append(reading.score)
                    applies[reading.id][look.plan.pieces[0].kind] += 1
        print(f"{look.name:24} reads {own:.3f}, better than: {', '.join(said)}")
    for name, _ in KINDS_OF_CHANCE:
        print(f"composed looks that beat nine in ten {name}: {beaten[name]} of {asked[name]}")
    print(f"{'reading':16} {'saturated':>10} {'most common':>12}  applies to")
    for entry in REGISTER:
        values = scores[entry.id]
        if values:
            saturated = sum(value > SATURATED for value in values) / len(values)
            common = max(Counter(round(value / SAME) for value in values).values()) / len(values)
            print(f"{entry.id:16} {saturated:>10.0%} {common:>12.0%}  {', '.join(sorted(applies[entry.id]))}")
        else:
            print(f"{entry.id:16} {'-':>10} {'-':>12}  none of these")


def moves(look: Composed) -> Iterator[Arrangement]:
    """Yield a composed look after one move by chance: aside, up or down, or a thing exchanged."""
    problem, rng = problem_for(look), Random(7)
    base = look.arrangement
    loose = [p for p in base.look.placements if p.host is None and p.x is not None and p.pose not in ("hung", "draped")]
    ledges = problem.open_ledges
    for _ in range(MOVES_EACH * 6):
        if not loose:
            return
        old = rng.choice(loose)
        kind = rng.choice(("aside", "up", "other"))
        if kind == "aside":
            by = rng.choice((-MOVED_MM, MOVED_MM))
            gone = {old.id} | {p.id for p in base.look.placements if p.host == old.id}
            placements = tuple(
                replace(p, x=p.x + by) if p.id in gone and p.x is not None else p for p in base.look.placements
            )
        elif kind == "up" and len(ledges) > 1:
            ledge = rng.choice([one for one in ledges if one.id != old.ledge])
            gone = {old.id} | {p.id for p in base.look.placements if p.host == old.id}
            placements = tuple(replace(p, ledge=ledge.id) if p.id in gone else p for p in base.look.placements)
        else:
            made = other_choice(problem, replace_only(problem, base, old.id), rng)
            if made is None:
                continue
            new = next((p for p in made if p.id == old.id), old)
            guests = {p.id for p in base.look.placements if p.host == old.id}
            placements = tuple(new if p.id == old.id else p for p in without(base.look.placements, guests))
        moved = problem.resolve(placements)
        if placements != base.look.placements and problem.has_room(moved):
            yield moved


def replace_only(problem: Problem, look: Arrangement, only: str) -> Arrangement:
    """Return a look in which all but one placement is locked."""
    placements = tuple(replace(p, locked=p.id != only) for p in look.look.placements)
    return problem.resolve(placements)


def single_moves(looks: list[Composed]) -> None:
    """Print how many single moves lower the score."""
    noticed = tried = 0
    for look in looks:
        own = assess(look.arrangement).score
        for number, moved in enumerate(moves(look)):
            if number == MOVES_EACH:
                break
            tried += 1
            noticed += assess(moved).score < own
    print(f"single moves that lower the score: {noticed} of {tried} ({noticed / max(tried, 1):.0%})")


def scattered_groups(looks: list[Composed]) -> None:
    """Print in how many composed looks scattering one group lowers the score, on the average of a few throws."""
    lower = tried = 0
    for look in looks:
        problem, base = problem_for(look), look.arrangement
        own, scores = assess(base).score, []
        for vignette in base.vignettes:
            if len(vignette.stacks) < 2 or vignette.ledge.is_wall:
                continue
            kept = tuple(replace(p, locked=p.id not in vignette.ids) for p in base.look.placements)
            for placements in chance_looks(problem, problem.resolve(kept), shuffled, THROWS, 3):
                scores.append(assess(problem.resolve(placements)).score)
        if scores:
            tried += 1
            lower += sum(scores) / len(scores) < own
    print(f"composed looks that a scattered group lowers: {lower} of {tried}")


def groups_before_single_things() -> None:
    """Print for how many households the look of groups reads above looks of single things.

    The latter are climbed with readings that knew nothing of groups, and with the readings themselves.
    """
    before = above = 0
    households = households_of_single_things()
    for start, seed in households:
        own = score_after(start, seed)
        before += own > assess(single_things(start, seed)).score
        above += own > score_after(start, seed, "annealing")
    print(f"looks of groups above single things of a search without groups: {before} of {len(households)}")
    print(f"looks of groups above single things climbed with these readings: {above} of {len(households)}")


def matrix(looks: list[Composed]) -> None:
    """Print where each reading applies, by kind of piece with 1, 2, 3, 6 and all things, and why it does not."""
    applies: dict[tuple[str, str, int], bool] = defaultdict(bool)
    kinds = sorted({look.arrangement.piece.kind for look in looks})
    for look in looks:
        arrangement = look.arrangement
        roots = [placement.id for placement in arrangement.look.placements if placement.host is None]
        for count in THINGS:
            kept = set(roots[:count])
            shown = [one for one in arrangement.look.placements if arrangement.by_id[one.id].root in kept]
            for reading in assess(problem_for(look).resolve(shown)).readings:
                applies[reading.id, arrangement.piece.kind, count] = True
    print(f"{'applies with 1, 2, 3, 6 and all':16}  {'  '.join(kinds)}")
    for entry in REGISTER:
        marks = [
            "".join("#" if applies[entry.id, kind, count] else "." for count in THINGS).ljust(len(kind))
            for kind in kinds
        ]
        why = f"  {ABSENT[entry.id]}" if any("." in mark for mark in marks) else ""
        print(f"{entry.id:31}  {'  '.join(marks)}{why}")


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else 40)
