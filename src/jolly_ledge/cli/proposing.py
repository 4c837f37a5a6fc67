"""Making looks: several of a piece, and the way from one to another."""

import argparse
from pathlib import Path

from jolly_ledge.cli.command import Command, add_json, add_look, add_plan, add_unit, say
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.words import SEASONS

LEFT_OUT = 3
MOST_PROPOSALS, LONGEST = 9, 100_000


def _ask_propose(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    command.add_argument("--piece", metavar="ID", required=True)
    command.add_argument("--fullness", choices=("airy", "layered", "abundant"), help="as in the last look without it")
    command.add_argument("--figure", choices=("peaks", "weave", "mirrored"), help="as in the last look without it")
    command.add_argument(
        "--from",
        dest="base",
        metavar="LOOK",
        help="begin with a look: what is locked in it stays; the last look without it",
    )
    command.add_argument("--afresh", action="store_true", help="begin with nothing: no lock holds")
    command.add_argument("--ledge", metavar="ID", help="arrange this ledge only; the rest of --from stays")
    command.add_argument("--finish", action="store_true", help="all that stands in --from stays, what lacks is added")
    command.add_argument("--stay", type=float, default=0.0, metavar="SHARE", help="share of --from that stays (0 to 1)")
    command.add_argument("--season", choices=SEASONS, help="leave out what is told to be of other seasons only")
    command.add_argument("--each", choices=("fullness", "figure", "mood"), default="", help="one look in each of these")
    command.add_argument("--count", type=int, default=3, metavar="N", help="how many looks (1 to 9)")
    command.add_argument("--seed", type=int, default=1, metavar="S", help="the same seed and steps give the same looks")
    command.add_argument("--seconds", type=float, metavar="T", help="time for all of them")
    command.add_argument("--steps", type=int, metavar="K", help="changes tried for each look")
    add_json(command)
    command.add_argument("-o", "--out", type=Path, required=True, metavar="OUT", help="the plan with the looks added")


def _propose(chosen: argparse.Namespace) -> int:
    from jolly_ledge.edits.proposed import AddProposals
    from jolly_ledge.files.plan_file import PlanFile, open_plan, save_plan
    from jolly_ledge.texts.looks import proposed, proposed_text

    if not 1 <= chosen.count <= MOST_PROPOSALS:
        raise JollyLedgeError(
            f"From 1 to {MOST_PROPOSALS} looks can be proposed at once; choose a count in that range."
        )
    for name, told in (("seconds", chosen.seconds), ("steps", chosen.steps)):
        if told is not None and not 0 < told <= LONGEST:
            raise JollyLedgeError(f"--{name} runs from above 0 to {LONGEST}; choose a figure in that range.")
    if not 0 <= chosen.stay <= 1:
        raise JollyLedgeError("--stay is a share from 0 to 1; choose a figure in that range.")
    plan, file = open_plan(chosen.plan)
    found = proposed(
        plan, chosen.piece, chosen.fullness, chosen.figure, chosen.base, chosen.ledge, count=chosen.count,
        seed=chosen.seed, seconds=chosen.seconds, steps=chosen.steps, each=chosen.each, finish=chosen.finish,
        stay=chosen.stay, season=chosen.season, afresh=chosen.afresh,
    )  # fmt: skip
    added = AddProposals(looks=tuple(one.look for one in found)).apply(plan)
    save_plan(added, PlanFile(chosen.out, photos=file.photos), overwrite_changes=True)
    names = [look.id for look in added.looks[len(plan.looks) :]]
    say(*proposed_text(found, names), chosen.json)
    return 0 if all(one.is_valid for one in found) else LEFT_OUT


def _ask_carry(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    add_look(command)
    command.add_argument("--to", metavar="PIECE", required=True, help="the piece it is set up on")
    add_json(command)
    command.add_argument("-o", "--out", type=Path, required=True, metavar="OUT", help="the plan with the look added")


def _carry(chosen: argparse.Namespace) -> int:
    from jolly_ledge.edits.looks import CarryLook
    from jolly_ledge.files.plan_file import PlanFile, open_plan, save_plan
    from jolly_ledge.geometry.arrangement import arrange
    from jolly_ledge.planning.differences import differences
    from jolly_ledge.proposals.carrying_over import carried_over

    plan, file = open_plan(chosen.plan)
    look, onto = plan.look(chosen.look), plan.piece(chosen.to)
    found = carried_over(plan, look, onto.id)
    edit = CarryLook(look=look.id, piece=onto.id, placements=found.placements, original=look.label, onto=onto.label)
    added = edit.apply(plan)
    save_plan(added, PlanFile(chosen.out, photos=file.photos), overwrite_changes=True)
    new = added.looks[-1]
    lines = [found.summary, *differences(arrange(added, look), arrange(added, new))]
    told = {"look": new.id, "exchanged": found.exchanged, "left_out": found.left_out, "told": lines}
    say(told, "\n".join((f"Wrote {new.id} to {chosen.out}", *lines)), chosen.json)
    return LEFT_OUT if found.left_out else 0


def _ask_restyle(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    command.add_argument("first", metavar="LOOK_NOW")
    command.add_argument("second", metavar="LOOK_THEN")
    command.add_argument("--season", choices=SEASONS, default="", help="what is of another season goes to store")
    add_unit(command)
    add_json(command)


def _restyle(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.texts.wanted import change_over

    plan, _ = open_plan(chosen.plan)
    told = change_over(plan, plan.look(chosen.first), plan.look(chosen.second), chosen.season, chosen.unit)
    say(told.value, told.text, chosen.json)


PROPOSE = Command("propose", "propose several different looks of a piece", _ask_propose, _propose)
RESTYLE = Command(
    "restyle", "tell the fewest carries from one look to another of the same piece", _ask_restyle, _restyle
)
CARRY = Command("carry", "set a look up on another piece, and tell what became of it there", _ask_carry, _carry)
COMMANDS = (PROPOSE, CARRY, RESTYLE)
