"""Reading looks: how one stands, which of two is better, what would mend it."""

import argparse

from jolly_ledge.cli.command import Command, add_json, add_look, add_plan, print_json, say
from jolly_ledge.model.errors import JollyLedgeError


def _ask_review(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    command.add_argument("--look", metavar="ID", help="the look to read; all looks without it")
    command.add_argument("--every", action="store_true", help="all looks; as JSON always a list")
    command.add_argument("--meaning", action="store_true", help="try chance looks, and tell how it stands among them")
    add_json(command)


def _review(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.texts.looks import review, review_text

    plan, _ = open_plan(chosen.plan)
    looks = [plan.look(chosen.look)] if chosen.look and not chosen.every else list(plan.looks)
    if not looks:
        raise JollyLedgeError(f"“{chosen.plan}” holds no look to review; begin one in the window first.")
    found = [review(plan, look, meaning=chosen.meaning) for look in looks]
    if chosen.json:
        one = not chosen.every and (chosen.look or len(found) == 1)
        print_json(found[0] if one else found)
    else:
        print("\n\n".join(review_text(one, look.label) for one, look in zip(found, looks, strict=True)))


def _ask_tell(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    add_look(command)
    add_json(command)


def _tell(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.geometry.arrangement import arrange
    from jolly_ledge.scene.seats import seat_views
    from jolly_ledge.texts.look_told import look_told

    plan, _ = open_plan(chosen.plan)
    look = plan.look(chosen.look)
    arrangement = arrange(plan, look)
    told = "\n".join((look_told(arrangement), *(view.sentence for view in seat_views(arrangement))))
    say({"look": look.id, "told": told.splitlines()}, told, chosen.json)


def _ask_compare(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    command.add_argument("first", metavar="LOOK_A")
    command.add_argument("second", metavar="LOOK_B")
    add_json(command)


def _compare(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.texts.looks import compare, compare_text

    plan, _ = open_plan(chosen.plan)
    found = compare(plan, plan.look(chosen.first), plan.look(chosen.second))
    say(found, compare_text(found, plan), chosen.json)


def _ask_mend(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    add_look(command)
    command.add_argument("--finding", metavar="ID", help="such as height-rhythm-1; all findings without it")
    add_json(command)


def _mend(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.texts.looks import mend, mend_text

    plan, _ = open_plan(chosen.plan)
    found = mend(plan, plan.look(chosen.look), chosen.finding)
    say(found, mend_text(found), chosen.json)


COMMANDS = (
    Command("review", "read a look: readings, findings, cautions", _ask_review, _review),
    Command("tell", "tell a look in words, ledge by ledge from the left", _ask_tell, _tell),
    Command("compare", "tell which of two looks reads better, and by what", _ask_compare, _compare),
    Command("mend", "tell the best few single moves for a finding of a look", _ask_mend, _mend),
)
