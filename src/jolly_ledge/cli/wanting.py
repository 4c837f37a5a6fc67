"""What a look lacks, and what stems need."""

import argparse
from pathlib import Path

import msgspec

from jolly_ledge.cli.command import Command, add_json, add_look, add_plan, add_unit, say
from jolly_ledge.model.look import Manner


def _ask_wanted(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    add_look(command)
    command.add_argument("--found", metavar="LINE", help="a thing found in a shop, in a line: tell whether it suits")
    command.add_argument("--instead-of", metavar="ITEM", help="tell what comes closest to a dear thing and costs less")
    add_unit(command, "of bare figures in the line")
    add_json(command)


def _wanted(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.texts.wanted import found_thing, instead_of, what_is_wanted

    plan, _ = open_plan(chosen.plan)
    look = plan.look(chosen.look)
    if chosen.found is not None:
        told = found_thing(plan, look, chosen.found, chosen.unit)
    elif chosen.instead_of is not None:
        told = instead_of(plan, look, chosen.instead_of)
    else:
        told = what_is_wanted(plan, look)
    say(told.value, told.text, chosen.json)


def _ask_stems(command: argparse.ArgumentParser) -> None:
    add_plan(command)
    command.add_argument("--vessel", metavar="ITEM", required=True)
    command.add_argument("--stems", metavar="ITEM", help="the bunch, from the stash")
    command.add_argument("--look", metavar="ID", help="the look the vessel stands in: its board keeps the tips down")
    add_json(command)


def _stems(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.plan_file import open_plan
    from jolly_ledge.texts.wanted import stems_for

    plan, _ = open_plan(chosen.plan)
    look = plan.look(chosen.look) if chosen.look is not None else None
    told = stems_for(plan, chosen.vessel, chosen.stems, look)
    say(told.value, told.text, chosen.json)


def _ask_follow(command: argparse.ArgumentParser) -> None:
    command.add_argument("picture", type=Path, metavar="PICTURE", help="a photograph that the arrangement fills")
    command.add_argument(
        "--part",
        nargs=4,
        type=float,
        metavar=("LEFT", "TOP", "RIGHT", "BOTTOM"),
        default=(0, 0, 100, 100),
        help="the part that is the arrangement, in percent of the picture",
    )
    add_json(command)


def _follow(chosen: argparse.Namespace) -> None:
    from jolly_ledge.files.photo_file import photo_bytes
    from jolly_ledge.photos.followed import followed, manner_following, part_of, read_picture
    from jolly_ledge.photos.image import read_photo

    read = read_picture(part_of(read_photo(photo_bytes(chosen.picture), chosen.picture.name), tuple(chosen.part)))
    found = followed(read)
    manner = manner_following(Manner(), tuple(one for one in found if one.is_sure))
    say(
        {"manner": msgspec.to_builtins(manner), "read": msgspec.to_builtins(read)},
        "\n".join(one.said for one in found),
        chosen.json,
    )


COMMANDS = (
    Command("wanted", "tell what is not owned and would help a look most", _ask_wanted, _wanted),
    Command("follow", "measure the manner of an arrangement in a picture", _ask_follow, _follow),
    Command("stems", "tell how stems stand in a vessel: how many, how high, where they are cut", _ask_stems, _stems),
)
