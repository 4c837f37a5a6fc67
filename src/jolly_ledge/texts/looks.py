"""What the command line says about a look, for people and as JSON."""

from typing import Any

from msgspec.structs import replace

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import CLOSING, NAMES, cautions_of
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import Figure, Fullness, Season
from jolly_ledge.planning.differences import differences
from jolly_ledge.proposals.manners import Each, manners_of
from jolly_ledge.proposals.meaning import Stands, meaning_of, standing_of
from jolly_ledge.proposals.mend import finding_ids, mends
from jolly_ledge.proposals.moods import moods_of
from jolly_ledge.proposals.problem import problem_of, problems_of
from jolly_ledge.proposals.proposal import Proposal
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.readings.register import NAMES as READING_NAMES
from jolly_ledge.readings.register import Assessment, assess, better_of, by_a_hair


def review(plan: Plan, look: Look, *, meaning: bool = False) -> dict[str, Any]:
    """Return the readings, findings and cautions of a look as plain values.

    With ``meaning`` chance looks are tried, and what is shown for the score is told, with how the placing and the
    choice stand among them (None where there is nothing to stand among).
    """
    arrangement = arrange(plan, look)
    assessment = assess(arrangement)
    return {
        "look": look.id,
        "score": round(assessment.score, 4),
        **(_meaning(plan, look) if meaning else {}),
        "readings": [
            {
                "id": reading.id,
                "score": round(reading.score, 4),
                "value": round(reading.value, 4),
                "band": [round(edge, 4) for edge in reading.band],
                "sentence": reading.sentence,
                "items": _items(arrangement, reading.placements),
            }
            for reading in assessment.readings
        ],
        "findings": [
            {
                "id": identifier,
                "reading": finding.reading,
                "items": _items(arrangement, finding.placements),
                "sentence": capital(finding.sentence),
                "waved_off": look.reason_against(finding.reading, finding.placements),
            }
            for identifier, finding in finding_ids(assessment)
        ],
        "cautions": [_caution(arrangement, caution) for caution in cautions_of(arrangement)],
        **({"unread": list(assessment.unread)} if assessment.unread else {}),
    }


def _meaning(plan: Plan, look: Look) -> dict[str, float | None]:
    try:
        problem = problem_of(replace(plan, looks=()), look.piece, look.manner)
    except EditError:
        return {"shown": None, "placing": None, "choice": None}
    stands = standing_of(problem, problem.resolve(look.placements), meaning_of(problem))
    told = {"shown": round(stands.shown, 1), "placing": stands.placing, "choice": stands.choice}
    return {name: None if share is None else round(share, 3) for name, share in told.items()}


def _caution(arrangement: Arrangement, caution: Caution) -> dict[str, Any]:
    return {
        "id": caution.id,
        "level": caution.level,
        "items": _items(arrangement, caution.placements),
        "sentence": caution.sentence,
        **({"unless": caution.answer} if caution.answer else {}),
    }


def _items(arrangement: Arrangement, placements: tuple[str, ...]) -> list[str]:
    return [arrangement.by_id[identifier].item.id for identifier in placements]


def review_text(found: dict[str, Any], name: str) -> str:
    """Return a review as lines to read."""
    lines = [f"{name}: reads {round(found['score'] * 100)} of 100", ""]
    if found.get("shown") is not None:
        stands = Stands(found["shown"], found["placing"], found["choice"])
        lines[0] = f"{name}: reads {round(stands.shown)} (chance 30, the best found 95)"
        lines[1:1] = [f"  {sentence}" for sentence in stands.sentences]
    for reading in found["readings"]:
        lines.append(f"  {READING_NAMES[reading['id']]:<16}{round(reading['score'] * 100):>4}   {reading['sentence']}")
    for identifier in found.get("unread", ()):
        lines.append(f"  {READING_NAMES[identifier]:<16}   –   could not be read of this look; a fault of the program")
    heard = [finding for finding in found["findings"] if finding["waved_off"] is None]
    if heard:
        lines += ["", "Findings"]
        lines += [f"  - {finding['sentence']}" for finding in heard]
    waved = [finding for finding in found["findings"] if finding["waved_off"] is not None]
    if waved:
        lines += ["", "Waved off"]
        lines += [f"  - {finding['sentence']} ({finding['waved_off'] or 'no reason told'})" for finding in waved]
    if found["cautions"]:
        lines += ["", "Cautions"]
        lines += [
            f"  - {NAMES[caution['id']]} ({_level(caution)}): {caution['sentence']}" for caution in found["cautions"]
        ]
        lines.append(f"  {CLOSING}")
    return "\n".join(lines)


def _level(caution: dict[str, Any]) -> str:
    return f"{caution['level']}, unless {caution['unless']}" if "unless" in caution else caution["level"]


def mend(plan: Plan, look: Look, finding_id: str | None = None) -> list[dict[str, Any]]:
    """Return the best single moves for a finding of a look, or for all its findings, as plain values.

    Raises
    ------
    EditError
        The look has no such finding.
    """
    findings = finding_ids(assess(arrange(plan, look)))
    chosen = [(identifier, finding) for identifier, finding in findings if finding_id in (None, identifier)]
    if finding_id is not None and not chosen:
        known = ", ".join(identifier for identifier, _ in findings) or "it has none"
        raise EditError(f"The look “{look.id}” has no finding “{finding_id}”; its findings: {known}.")
    return [
        {
            "finding": identifier,
            "sentence": capital(finding.sentence),
            "moves": [
                {
                    "label": move.label,
                    "gain": round(move.gain, 4),
                    "readings": [
                        {"id": name, "before": round(before, 4), "after": round(after, 4)}
                        for name, before, after in move.changes
                    ],
                }
                for move in mends(plan, look, finding)
            ],
        }
        for identifier, finding in chosen
    ]


def mend_text(found: list[dict[str, Any]]) -> str:
    """Return moves as lines to read."""
    lines = []
    for one in found:
        lines.append(f"{one['finding']}: {one['sentence']}")
        for move in one["moves"]:
            lines.append(f"  +{move['gain'] * 100:.1f}  {move['label']}")
        if not one["moves"]:
            lines.append("  No single move helps.")
    return "\n".join(lines) if lines else "Nothing is found, so nothing needs mending."


def proposed(
    plan: Plan,
    piece_id: str,
    fullness: Fullness | None = None,
    figure: Figure | None = None,
    base_id: str | None = None,
    ledge_id: str | None = None,
    *,
    count: int = 3,
    seed: int = 1,
    seconds: float | None = None,
    steps: int | None = None,
    each: Each = "",
    finish: bool = False,
    stay: float = 0.0,
    season: Season | None = None,
    afresh: bool = False,
) -> tuple[Proposal, ...]:
    """Return proposed looks of a piece in the manner of its last look, or of the look to begin with.

    What is locked in that look stays where it is, unless the piece is to be arranged ``afresh``.

    Raises
    ------
    EditError
        There is no such piece, look or ledge, or nothing can be proposed.
    """
    piece = plan.piece(piece_id)
    if ledge_id is not None and ledge_id not in {ledge.id for ledge in piece.ledges}:
        known = ", ".join(ledge.id for ledge in piece.ledges) or "none"
        raise EditError(f"{piece.label} has no ledge “{ledge_id}”; its ledges: {known}.")
    looks = plan.looks_of(piece_id)
    base = plan.look(base_id) if base_id is not None else None
    if base is not None and base.piece != piece_id:
        raise EditError(f"The look “{base.id}” is of another piece than “{piece_id}”; choose one of its own.")
    if base is None and not afresh:
        # What is locked in the last look is locked, whether it is named or not.
        base = looks[-1] if looks else None
    begun = base or (looks[-1] if looks else None)
    manner = begun.manner if begun is not None else Manner()
    manner = replace(manner, fullness=fullness or manner.fullness, figure=figure or manner.figure)
    moods = moods_of(plan, piece) if each == "mood" else ()
    problems = problems_of(
        plan, piece_id, manners_of(manner, count, each, moods), base, ledge_id, finish=finish, stay=stay, season=season
    )
    found = proposals(problems, seed, seconds=seconds, steps=steps).found
    return tuple(replace(one, look=replace(one.look, note=_story_text(one))) for one in found)


def _story_text(proposal: Proposal) -> str:
    return "\n".join([*proposal.left_out, proposal.count_said, *(step.sentence for step in proposal.story)])


def proposed_text(found: tuple[Proposal, ...], ids: list[str]) -> tuple[list[dict[str, Any]], str]:
    """Return proposals as plain values, and as lines to read, under the ids they were given."""
    values: list[dict[str, Any]] = [
        {
            "look": identifier,
            "score": round(one.assessment.score, 4),
            "complete": one.is_valid,
            "left_out": list(one.left_out),
            "count": one.count_said,
            "story": [step.sentence for step in one.story],
        }
        for identifier, one in zip(ids, found, strict=True)
    ]
    lines = list(dict.fromkeys(sentence for one in found for sentence in one.left_out))
    for value in values:
        lines.append(f"{value['look']}: reads {round(value['score'] * 100)} of 100")
        lines += [f"  {value['count']}", *(f"  - {sentence}" for sentence in value["story"])]
    return values, "\n".join(lines)


def compare(plan: Plan, first: Look, second: Look) -> dict[str, Any]:
    """Return which of two looks reads better and what makes the difference, largest first."""
    one, two = assess(arrange(plan, first)), assess(arrange(plan, second))
    better = {-1: first.id, 0: "even", 1: second.id}[better_of(one.score, two.score)]
    said = differences(arrange(plan, first), arrange(plan, second)) if first.piece == second.piece else ()
    ids = list(dict.fromkeys(reading.id for reading in (*one.readings, *two.readings)))
    pairs = {identifier: (_score(one, identifier), _score(two, identifier)) for identifier in ids}
    return {
        "better": better,
        "by_a_hair": by_a_hair(one.score, two.score),
        "scores": {first.id: round(one.score, 4), second.id: round(two.score, 4)},
        "by": [
            {"reading": identifier, "scores": {first.id: pairs[identifier][0], second.id: pairs[identifier][1]}}
            for identifier in sorted(ids, key=lambda identifier: -_difference(*pairs[identifier]))
        ],
        "differences": list(said),
    }


def _score(assessment: Assessment, identifier: str) -> float | None:
    reading = assessment.reading(identifier)
    return None if reading is None else round(reading.score, 4)


def _difference(first: float | None, second: float | None) -> float:
    return 0.0 if first is None or second is None else abs(first - second)


def compare_text(found: dict[str, Any], plan: Plan) -> str:
    """Return a comparison as lines to read."""
    scores = found["scores"]
    names = {identifier: plan.look(identifier).label for identifier in scores}
    lines = [", ".join(f"{names[identifier]} reads {round(score * 100)}" for identifier, score in scores.items()) + "."]
    hair = " by a hair" if found["by_a_hair"] else ""
    lines.append("They read even." if found["better"] == "even" else f"{names[found['better']]} reads better{hair}.")
    for row in found["by"]:
        figures = "  ".join(f"{'–' if score is None else round(score * 100):>4}" for score in row["scores"].values())
        lines.append(f"  {READING_NAMES[row['reading']]:<16}{figures}")
    if found["differences"]:
        lines += ["", f"What {list(names.values())[1]} does otherwise"]
        lines += [f"  - {sentence}" for sentence in found["differences"]]
    return "\n".join(lines)
