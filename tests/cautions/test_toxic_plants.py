"""The table of toxic house plants, and who is warned of which."""

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.cautions.plants import toxic_plant
from jolly_ledge.cautions.toxic_plants import may_harm, toxic_plant_named, toxic_plants
from jolly_ledge.model.plan import Household


def test_every_entry_can_be_looked_up() -> None:
    names = [name for plant in toxic_plants() for name in plant.names]
    assert len(names) == len(set(names)) >= 36
    for plant in toxic_plants():
        assert plant.botanical[0].isupper()
        assert plant.harms_by
        assert plant.harms
        assert plant.listed_by
        # What harms people is listed by those who answer for people.
        assert ("people" in plant.harms) == ("poison-centre" in plant.listed_by)
        assert all(toxic_plant_named(f"a small {name} in a pot") == (name, plant) for name in plant.names)


@pytest.mark.parametrize(
    ("words", "botanical"),
    [
        ("Peace lily", "Spathiphyllum"),
        ("lily of the valley", "Convallaria majalis"),
        ("White lily", "Lilium"),
        ("devil's ivy", "Epipremnum aureum"),
        ("two tulips", "Tulipa"),
        ("spider plant", None),
        ("lilypad dish", None),
    ],
)
def test_a_plant_is_known_by_its_longest_name(words: str, botanical: str | None) -> None:
    found = toxic_plant_named(words)
    assert (found[1].botanical if found else None) == botanical


def warned_of(name: str, category: str = "plant", *pets: str, toddler: bool = False) -> list[str]:
    traits = ("real-plant",) if category == "plant" else ()
    look = arranged(
        (thing("pot", category, name=name, traits=traits),), (put("pot"),), case_of(1),
        Household(pets=pets, toddler=toddler),
    )  # fmt: skip
    return [caution.sentence for caution in toxic_plant(look)]


def test_only_who_is_harmed_is_named() -> None:
    assert warned_of("Lily", "plant", "dog") == []
    [sentence] = warned_of("Lily", "plant", "dog", "cat")
    assert "a cat can reach it" in sentence
    assert "kidneys" in sentence
    [sentence] = warned_of("Snake plant", "plant", "cat", toddler=True)
    assert "a toddler" not in sentence
    [sentence] = warned_of("Monstera", "plant", toddler=True)
    assert "a toddler" in sentence
    assert "calcium oxalate" in sentence


def test_cut_flowers_are_told_by_their_name() -> None:
    assert warned_of("Tulips", "stems", "cat")
    assert warned_of("Dry grasses", "stems", "cat") == []


def test_of_an_animal_that_is_not_listed_nothing_is_known() -> None:
    found = toxic_plant_named("begonia")
    assert found is not None
    assert may_harm(found[1], "rabbit")
