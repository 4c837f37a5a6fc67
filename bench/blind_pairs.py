"""Composed looks and proposals from the same stash side by side, with the sides hidden until the choices are told.

    python bench/blind_pairs.py draw FOLDER PLAN...   two pictures a pair in FOLDER, and a key not to be looked at
    python bench/blind_pairs.py tell FOLDER LRLR...   how often the proposal was preferred: L or R a pair, = for neither

A PLAN is a plan file, or a file with a plan under "plan"; its look "composed", else its last one, is the composed look.
The proposal sees the stash and the manner, and no look.
"""

import argparse
import json
import random
from pathlib import Path

from msgspec.structs import replace

from jolly_ledge.drawing.look import look_picture
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.render.export import png_bytes, ready_to_render

SIZE, SECONDS = 900, 4.0
KEY = "key.json"


def plan_in(path: Path) -> Plan:
    """Return the plan in a file."""
    raw = json.loads(path.read_bytes())
    return plan_from_json(json.dumps(raw.get("plan", raw)).encode())


def proposed(plan: Plan, composed: Look, seed: int) -> Look:
    """Return what is proposed for the piece of a look from the same stash."""
    problem = problem_of(replace(plan, looks=()), composed.piece, composed.manner)
    return proposals([problem], seed, seconds=SECONDS).found[0].look


def draw(folder: Path, plans: list[Path], seed: int) -> None:
    """Draw every pair, the sides by chance."""
    ready_to_render()
    folder.mkdir(parents=True, exist_ok=True)
    rng, key = random.Random(), {}
    for number, path in enumerate(plans, 1):
        plan = plan_in(path)
        composed = next((look for look in plan.looks if look.id == "composed"), plan.looks[-1])
        pair = [("composed", composed), ("proposed", proposed(plan, composed, seed))]
        rng.shuffle(pair)
        for side, (_, look) in zip("LR", pair, strict=True):
            shown = replace(plan, looks=(look,))
            (folder / f"{number:02}-{side}.png").write_bytes(png_bytes(look_picture(arrange(shown, look)), SIZE))
        key[f"{number:02}"] = {"plan": path.stem, "L": pair[0][0], "R": pair[1][0]}
    (folder / KEY).write_text(json.dumps(key, indent=1), encoding="utf-8")
    print(f"{len(plans)} pairs are in {folder}.")


def tell(folder: Path, choices: str) -> None:
    """Print how often the proposal was preferred."""
    key = json.loads((folder / KEY).read_text(encoding="utf-8"))
    wins = 0
    for (number, sides), choice in zip(key.items(), choices, strict=True):
        preferred = sides.get(choice, "neither")
        wins += preferred == "proposed"
        print(f"{number}  {sides['plan']:<24}{preferred}")
    print(f"the proposal was preferred in {wins} of {len(key)}")


def main() -> None:
    """Draw the pairs, or tell what was preferred."""
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("what", choices=("draw", "tell"))
    parser.add_argument("folder", type=Path)
    parser.add_argument("rest", nargs="+")
    parser.add_argument("--seed", type=int, default=1)
    asked = parser.parse_args()
    if asked.what == "draw":
        draw(asked.folder, [Path(one) for one in asked.rest], asked.seed)
    else:
        tell(asked.folder, asked.rest[0])


if __name__ == "__main__":
    main()
