"""A thing as a composer sees it: its size as it is set down, its hues, how welcome it is, how it suits."""

from collections.abc import Sequence
from random import Random

from jolly_ledge.geometry.pose import extent
from jolly_ledge.model.colour import lightness_chroma_hue
from jolly_ledge.model.hue_family import QUIET, WARM, hue_family, loudness
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.proposals.poses import usual_pose

NEAR_HUES: dict[str, tuple[str, ...]] = {
    "sand": ("wood",), "wood": ("sand",), "rust": ("wood", "sand"), "grey": ("black",), "black": ("grey",), "white": (),
}  # fmt: skip
SOFT_SHARE, LOUD_COST, GREEN_FIT = 0.75, 1.3, 0.9
SLIGHT_BELOW = 16_000.0
"""What shows less than so much, in mm² (a grapefruit), is slight: many such things are clutter."""

SEEN_FROM_ABOVE = 0.8
MAY_BE_SLIGHT = frozenset({"object", "bowl", "box", "sculpture", "vessel", "plant", "frame"})
LOUD = 0.62
"""From so much on a thing is loud by itself: it bears no accent, and comes only when it must."""


class Thing:
    """One thing of the stash; sizes in mm as it is usually set down."""

    __slots__ = ("category", "depth", "family", "green", "height", "hues", "id", "is_round", "item", "lightness",
                 "loud", "pose", "shape", "suits", "welcome", "width", "worth")  # fmt: skip

    def __init__(self, item: Item) -> None:
        self.item, self.id, self.category = item, item.id, item.category
        self.pose, self.shape, self.is_round = usual_pose(item), item.shape, item.is_round
        size = extent(item, self.pose)
        self.width, self.height, self.depth = size.width, size.height, size.depth
        whole = sum(share for _, share in item.shown_colours) or 1.0
        self.hues: dict[str, float] = {}
        self.lightness = self.loud = 0.0
        for colour, share in item.shown_colours:
            self.hues[hue_family(colour)] = self.hues.get(hue_family(colour), 0.0) + share / whole
            self.lightness += lightness_chroma_hue(colour).lightness * share / whole
            self.loud += loudness(colour) * share / whole
        self.family = max(self.hues, key=lambda hue: self.hues[hue])
        self.green = self.category in ("plant", "stems")
        self.welcome: dict[str, float] = {}
        self.suits = self.worth = 0.0

    @property
    def area(self) -> float:
        """What it shows, about, in mm²."""
        return self.width * self.height

    @property
    def slight(self) -> float:
        """How slight it is: 0 for what holds its place, towards 1 for a trinket; books, candles and trays are not."""
        if self.category not in MAY_BE_SLIGHT:
            return 0.0
        # A bowl is low; what it takes is seen from above.
        shows = max(self.area, SEEN_FROM_ABOVE * self.width * self.depth) if self.category == "bowl" else self.area
        return max(1 - shows / SLIGHT_BELOW, 0.0)

    @property
    def goes_in_a_set(self) -> bool:
        """Whether it comes with its whole set or not at all."""
        return bool(self.item.set and self.item.sense)

    @property
    def is_open_glass(self) -> bool:
        """Whether it is a vessel that one sees through: it says nothing while it is empty."""
        is_glass = self.item.finish == "clear" or "glass" in self.item.material.lower()
        return self.category == "vessel" and is_glass and "lidded" not in self.item.traits

    @property
    def is_low(self) -> bool:
        """Whether it lies rather than stands."""
        return self.height < 150 or self.height < 0.55 * self.width

    @property
    def best_welcome(self) -> float:
        """How welcome it is where it is welcome most."""
        return max(self.welcome.values(), default=0.0)


class Palette:
    """Few hues: those that are meant, and those that go along with them; ``is_asked_for`` by the stylist, or found."""

    def __init__(self, meant: frozenset[str], soft: frozenset[str], *, is_asked_for: bool = False) -> None:
        self.meant, self.soft, self.is_asked_for = meant, soft, is_asked_for

    def with_quiet(self) -> "Palette":
        """Return the palette with black, grey and white going along."""
        return Palette(self.meant, self.soft | QUIET, is_asked_for=self.is_asked_for)

    def fit(self, thing: Thing) -> float:
        """Return how well a thing suits, up to 1; what is loud and none of the hues is far below."""
        inside = sum(share for hue, share in thing.hues.items() if hue in self.meant)
        along = sum(share for hue, share in thing.hues.items() if hue in self.soft - self.meant)
        # A hue that was asked for may be strong.
        allowed = inside * (1.0 if self.is_asked_for else 0.5)
        fit = inside + SOFT_SHARE * along - LOUD_COST * thing.loud * (1 - allowed)
        return max(fit, GREEN_FIT) if thing.green and thing.loud < 0.5 else fit


def palette_of(colours: Sequence[str]) -> Palette:
    """Return the hues that some colours mean, and those that go along."""
    meant = {hue_family(colour) for colour in colours}
    soft = {near for hue in meant for near in NEAR_HUES.get(hue, ())}
    return Palette(frozenset(meant), frozenset(soft | {"white", "green"}), is_asked_for=True)


def choose_palette(things: Sequence[Thing], manner: Manner, rng: Random) -> Palette:
    """Return the hues a look keeps to: those of the manner, or woods and sand with an accent that two things bear."""
    if manner.palette:
        return palette_of(manner.palette)
    score: dict[str, float] = {}
    bearers: dict[str, int] = {}
    for thing in things:
        for hue, share in thing.hues.items():
            if share >= 0.15:
                quiet = 1.35 if not thing.loud else 1 - 0.8 * thing.loud
                score[hue] = score.get(hue, 0.0) + thing.area**0.5 / 100 * share * thing.best_welcome * quiet
                bearers[hue] = bearers.get(hue, 0) + (share > 0.3 and thing.loud < LOUD)
    coloured = [hue for hue in score if hue not in QUIET and hue != "green"]
    coloured.sort(key=lambda hue: -score[hue] * (1.0 if bearers[hue] > 1 else 0.2) * rng.uniform(0.92, 1.08))
    warm = [hue for hue in coloured if hue in WARM][:2]
    accents = [hue for hue in coloured if hue not in WARM | {"acid"} and bearers[hue] >= 2]
    return Palette(frozenset({"white", "green", *warm, *accents[:1]}), frozenset({"black", "grey"}))
