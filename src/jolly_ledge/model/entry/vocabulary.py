"""The words a line may use: kinds, stuffs, colours, finishes, rooms, and what each tells."""

from msgspec import Struct

from jolly_ledge.model.words import Category, Finish, Status, Trait


class Kind(Struct, frozen=True):
    """What a noun says: a category, a silhouette, and a usual size in its natural pose (mm)."""

    category: Category
    silhouette: str
    width: float
    height: float
    depth: float
    traits: tuple[Trait, ...] = ()
    finish: Finish = "matt"
    colour: str = "#b9b2a6"
    outlets: int | None = None


class Stuff(Struct, frozen=True):
    """What a material says of finish and colour, where nothing else is told."""

    finish: Finish
    colour: str
    traits: tuple[Trait, ...] = ()


KINDS: dict[str, Kind] = {
    "vase": Kind("vessel", "vase", 140, 260, 140, ("fragile",)),
    "bud vase": Kind("vessel", "bottle", 70, 150, 70, ("fragile",)),
    "urn": Kind("vessel", "urn", 180, 320, 180, ("fragile",)),
    "jug": Kind("vessel", "jug", 130, 220, 130, ("fragile",)),
    "pitcher": Kind("vessel", "jug", 140, 240, 140, ("fragile",)),
    "bottle": Kind("vessel", "bottle", 90, 280, 90, ("fragile",)),
    "jar": Kind("vessel", "cylinder", 130, 200, 130, ("fragile", "lidded")),
    "ginger jar": Kind("vessel", "urn", 200, 280, 200, ("fragile", "lidded"), "gloss", "#e9e6dd"),
    "pot": Kind("vessel", "pot", 150, 140, 150, ("fragile",)),
    "planter": Kind("vessel", "pot", 220, 200, 220),
    "carafe": Kind("vessel", "bottle", 110, 270, 110, ("fragile",), "clear", "#dfe7e8"),
    "vessel": Kind("vessel", "vase", 140, 240, 140),
    "bowl": Kind("bowl", "bowl", 240, 90, 240),
    "footed bowl": Kind("bowl", "footed-bowl", 240, 160, 240),
    "tray": Kind("tray", "tray", 360, 30, 240, ("base",)),
    "box": Kind("box", "box", 240, 120, 180, ("base", "lidded")),
    "case": Kind("box", "box", 300, 160, 220, ("base", "lidded")),
    "crate": Kind("box", "box", 300, 150, 220, ("base",), "matt", "#a5835c"),
    "trunk": Kind("box", "box", 420, 240, 260, ("base", "lidded")),
    "caddy": Kind("box", "box", 120, 160, 120, ("lidded",)),
    "chest": Kind("box", "box", 320, 180, 220, ("base", "lidded")),
    "basket": Kind("basket", "basket", 320, 220, 320, (), "woven", "#a5835c"),
    "frame": Kind("frame", "frame", 200, 280, 25, ("one-faced",)),
    "photo frame": Kind("frame", "frame", 150, 200, 20, ("one-faced",)),
    "photo": Kind("frame", "frame", 150, 200, 20, ("one-faced",)),
    "picture": Kind("art", "frame", 400, 500, 30, ("one-faced",)),
    "print": Kind("art", "frame", 400, 500, 30, ("one-faced",)),
    "painting": Kind("art", "frame", 500, 400, 40, ("one-faced",)),
    "chart": Kind("art", "frame", 400, 500, 25, ("one-faced",)),
    "drawing": Kind("art", "frame", 300, 400, 25, ("one-faced",)),
    "poster": Kind("art", "frame", 500, 700, 25, ("one-faced",)),
    "map": Kind("art", "frame", 500, 400, 25, ("one-faced",)),
    "etching": Kind("art", "frame", 250, 300, 25, ("one-faced",)),
    "watercolour": Kind("art", "frame", 400, 300, 25, ("one-faced",)),
    "art": Kind("art", "frame", 400, 500, 30, ("one-faced",)),
    "mirror": Kind("mirror", "mirror", 400, 500, 30, ("fragile", "one-faced")),
    "round mirror": Kind("mirror", "disc", 500, 500, 30, ("fragile", "one-faced")),
    "dish": Kind("bowl", "bowl", 160, 45, 160),
    "platter": Kind("tableware", "bowl", 340, 40, 340, ("fragile",)),
    "plate": Kind("tableware", "disc", 260, 260, 25, ("fragile", "one-faced")),
    "disc": Kind("sculpture", "disc", 250, 250, 40),
    "plant": Kind("plant", "plant", 240, 320, 240, ("real-plant",), "matt", "#66874f"),
    "orchid": Kind("plant", "plant", 260, 500, 220, ("real-plant",), "matt", "#66874f"),
    "aloe": Kind("plant", "plant", 220, 280, 220, ("real-plant", "needs-bright-light", "toxic"), "matt", "#7f9a6a"),
    "cactus": Kind("plant", "plant", 110, 180, 110, ("real-plant", "needs-bright-light", "sharp"), "matt", "#66874f"),
    "string of pearls": Kind(
        "plant", "trailing-plant", 180, 260, 180, ("real-plant", "needs-bright-light", "toxic"), "matt", "#7f9a6a"
    ),
    "herbs": Kind("plant", "plant", 160, 220, 160, ("real-plant", "needs-bright-light"), "matt", "#66874f"),
    "fern": Kind("plant", "plant", 320, 300, 320, ("real-plant",), "matt", "#66874f"),
    "succulent": Kind("plant", "plant", 120, 130, 120, ("real-plant", "needs-bright-light"), "matt", "#87a26c"),
    "ivy": Kind("plant", "trailing-plant", 260, 260, 220, ("real-plant", "toxic"), "matt", "#4f6b3f"),
    "trailing plant": Kind("plant", "trailing-plant", 260, 260, 220, ("real-plant",), "matt", "#66874f"),
    "branches": Kind("stems", "branches", 350, 600, 250, ("airy",), "matt", "#6f4a2f"),
    "twigs": Kind("stems", "branches", 260, 420, 200, ("airy",), "matt", "#6f4a2f"),
    "stems": Kind("stems", "branches", 240, 400, 180, ("airy",), "matt", "#66874f"),
    "eucalyptus": Kind("stems", "branches", 260, 500, 200, ("airy",), "matt", "#8c9c8a"),
    "pampas": Kind("stems", "branches", 300, 700, 260, ("airy",), "matt", "#d6c6a8"),
    "grasses": Kind("stems", "branches", 260, 550, 220, ("airy",), "matt", "#c9b28c"),
    "roses": Kind("stems", "bouquet", 220, 350, 220, (), "matt", "#d9a9a0"),
    "tulips": Kind("stems", "bouquet", 220, 350, 220, ("toxic",), "matt", "#d9a9a0"),
    "flowers": Kind("stems", "bouquet", 260, 260, 260, (), "matt", "#d9a9a0"),
    "bouquet": Kind("stems", "bouquet", 260, 260, 260, (), "matt", "#d9a9a0"),
    "candle": Kind("candle", "candle", 70, 120, 70, ("flame",), "satin", "#f1e9d6"),
    "candlestick": Kind("candle", "candlestick", 90, 280, 90, ("flame",), "metal", "#b9964f"),
    "pillar candle": Kind("candle", "candle", 75, 150, 75, ("flame",), "satin", "#f1e9d6"),
    "tea light": Kind("candle", "candle", 40, 20, 40, ("flame",), "satin", "#f1e9d6"),
    "tea light holder": Kind("candle", "cylinder", 70, 75, 70, ("flame", "fragile"), "clear", "#dfe7e8"),
    "votive": Kind("candle", "cylinder", 70, 75, 70, ("flame", "fragile"), "clear", "#dfe7e8"),
    "candle holder": Kind("candle", "candlestick", 90, 200, 90, ("flame",), "metal", "#b9964f"),
    "candleholder": Kind("candle", "candlestick", 90, 200, 90, ("flame",), "metal", "#b9964f"),
    "lantern": Kind("candle", "cylinder", 150, 300, 150, ("flame",), "metal", "#33302e"),
    "lamp": Kind("lamp", "lamp", 260, 450, 260, ("corded",)),
    "bust": Kind("sculpture", "figure", 200, 320, 180),
    "figure": Kind("sculpture", "figure", 120, 280, 100),
    "figurine": Kind("sculpture", "figure", 70, 150, 60, ("fragile",)),
    "sculpture": Kind("sculpture", "figure", 160, 280, 120),
    "bird": Kind("object", "bird", 130, 110, 70),
    "clock": Kind("object", "clock", 180, 220, 90),
    "magnifying glass": Kind("object", "hand-lens", 100, 230, 20, ("fragile",), "metal", "#b9964f"),
    "magnifier": Kind("object", "hand-lens", 100, 230, 20, ("fragile",), "metal", "#b9964f"),
    "hand lens": Kind("object", "hand-lens", 100, 230, 20, ("fragile",), "metal", "#b9964f"),
    "camera": Kind("object", "", 150, 110, 90, ("fragile",), "satin", "#33302e"),
    "binoculars": Kind("object", "", 150, 170, 70, ("fragile",), "satin", "#33302e"),
    "sextant": Kind("object", "orrery", 250, 260, 130, ("fragile",), "metal", "#b9964f"),
    "compass": Kind("object", "sphere", 80, 40, 80, (), "metal", "#b9964f"),
    "bookend": Kind("object", "box", 110, 160, 90, (), "satin", "#8b8f90"),
    "book end": Kind("object", "box", 110, 160, 90, (), "satin", "#8b8f90"),
    "rope": Kind("object", "coil", 220, 90, 220, (), "woven", "#b59b6f"),
    "coil": Kind("object", "coil", 220, 90, 220, (), "woven", "#b59b6f"),
    "driftwood": Kind("object", "coral", 400, 150, 120, ("airy",), "rough", "#a79a88"),
    "feather": Kind("object", "", 40, 300, 20, ("airy",), "matt", "#8f918f"),
    "mortar and pestle": Kind("object", "bowl", 150, 150, 150, ("daily-use",), "rough", "#7b7d7c"),
    "mortar": Kind("object", "bowl", 150, 120, 150, ("daily-use",), "rough", "#7b7d7c"),
    "game": Kind("object", "box", 300, 60, 300, ("small-parts",)),
    "trophy": Kind("object", "urn", 140, 260, 140, (), "metal", "#c9a24b"),
    "toy": Kind("object", "", 120, 140, 100, ("small-parts",)),
    "globe": Kind("object", "globe", 220, 300, 220),
    "sphere": Kind("object", "sphere", 120, 120, 120, ("rolls",)),
    "ball": Kind("object", "sphere", 90, 90, 90, ("rolls",)),
    "telescope": Kind("object", "", 120, 320, 120, ("fragile",), "metal", "#b9964f"),
    "orrery": Kind("object", "orrery", 220, 300, 220, ("fragile",), "metal", "#b9964f"),
    "hourglass": Kind("object", "hourglass", 90, 180, 90, ("fragile",), "clear", "#c9b28c"),
    "bell": Kind("object", "bell", 90, 140, 90, (), "metal", "#b9964f"),
    "stone": Kind("object", "stone", 140, 100, 110, (), "rough", "#8b8f90"),
    "boat": Kind("object", "boat", 320, 300, 110, ("fragile",), "satin", "#7d5536"),
    "ship": Kind("object", "boat", 420, 380, 140, ("fragile",), "satin", "#7d5536"),
    "coral": Kind("object", "coral", 220, 200, 160, ("fragile",), "rough", "#e8ded0"),
    "seashell": Kind("object", "shell", 130, 90, 110, ("fragile",), "satin", "#e6dcc6"),
    "pebble": Kind("object", "stone", 80, 50, 65, (), "rough", "#8b8f90"),
    "rock": Kind("object", "stone", 140, 100, 110, (), "rough", "#8b8f90"),
    "geode": Kind("object", "stone", 140, 110, 100, (), "rough", "#7b6f86"),
    "crystal cluster": Kind("object", "stone", 120, 110, 90, ("sharp",), "clear", "#e9efef"),
    "shell": Kind("object", "shell", 120, 80, 100, ("fragile",), "satin", "#e6dcc6"),
    "object": Kind("object", "", 120, 140, 120),
    "thing": Kind("object", "", 120, 140, 120),
    "cloth": Kind("textile", "textile", 270, 320, 20, (), "woven", "#c9b28c"),
    "throw": Kind("textile", "textile", 400, 300, 40, (), "woven", "#c9b28c"),
    "blanket": Kind("textile", "textile", 400, 300, 60, (), "woven", "#c9b28c"),
    "placemat": Kind("textile", "textile", 450, 300, 5, (), "woven", "#c9b28c"),
    "napkin": Kind("textile", "textile", 200, 150, 10, (), "woven", "#e6dcc6"),
    "cushion": Kind("textile", "textile", 400, 400, 120, (), "woven", "#c9b28c"),
    "runner": Kind("textile", "textile", 350, 300, 10, (), "woven", "#e6dcc6"),
    "book": Kind("book", "book", 30, 240, 170, ("base",), "matt", "#6f4a2f"),
    "paperback": Kind("book", "book", 25, 195, 130, ("base",), "matt", "#a79a88"),
    "hardback": Kind("book", "book", 32, 240, 165, ("base",), "matt", "#6f4a2f"),
    "novel": Kind("book", "book", 28, 210, 140, ("base",), "matt", "#6f4a2f"),
    "cookbook": Kind("book", "book", 28, 265, 200, ("base",), "satin", "#e6dcc6"),
    "atlas": Kind("book", "book", 35, 380, 280, ("base",), "matt", "#3f6488"),
    "album": Kind("book", "book", 45, 300, 290, ("base",), "matt", "#33302e"),
    "notebook": Kind("book", "book", 15, 210, 150, ("base",), "matt", "#33302e"),
    "magazine": Kind("book", "book", 8, 285, 215, (), "gloss", "#a79a88"),
    "stack of magazines": Kind("book-stack", "book-stack", 215, 60, 285, ("base",), "gloss", "#a79a88"),
    "pile of magazines": Kind("book-stack", "book-stack", 215, 60, 285, ("base",), "gloss", "#a79a88"),
    "pile of books": Kind("book-stack", "book-stack", 260, 110, 200, ("base",), "matt", "#6f4a2f"),
    "row of books": Kind("book-row", "book-row", 260, 230, 170, (), "matt", "#6f4a2f"),
    "stack of books": Kind("book-stack", "book-stack", 260, 110, 200, ("base",), "matt", "#6f4a2f"),
    "board": Kind("board", "board", 220, 380, 20, (), "satin", "#a5835c"),
    "cutting board": Kind("board", "board", 250, 400, 20, ("daily-use",), "satin", "#a5835c"),
    "chopping board": Kind("board", "board", 250, 400, 20, ("daily-use",), "satin", "#a5835c"),
    "beads": Kind("beads", "beads", 200, 40, 120, (), "satin", "#c9b28c"),
    "teapot": Kind("tableware", "jug", 220, 150, 140, ("fragile", "lidded")),
    "cup": Kind("tableware", "cylinder", 85, 95, 85, ("fragile",)),
    "mug": Kind("tableware", "cylinder", 85, 95, 85, ("fragile", "daily-use")),
    "glass": Kind("tableware", "cylinder", 75, 130, 75, ("fragile",), "clear", "#dfe7e8"),
    "crock": Kind("vessel", "cylinder", 140, 170, 140, ("fragile",)),
    "canister": Kind("vessel", "cylinder", 120, 180, 120, ("lidded",)),
    "decanter": Kind("vessel", "bottle", 110, 260, 110, ("fragile", "lidded"), "clear", "#dfe7e8"),
    "saucer": Kind("tableware", "bowl", 150, 20, 150, ("fragile",)),
    "cake stand": Kind("tableware", "footed-bowl", 280, 130, 280, ("fragile",)),
    "sugar bowl": Kind("tableware", "bowl", 110, 100, 110, ("fragile", "lidded")),
    "pepper mill": Kind("object", "candlestick", 60, 200, 60, ("daily-use",), "satin", "#6f4a2f"),
    "scales": Kind("appliance", "appliance", 230, 250, 200, (), "metal", "#b8bcbc"),
    "utensils": Kind("utensils", "utensils", 120, 320, 120, ("daily-use",), "satin", "#a5835c"),
    "power strip": Kind("device", "device", 320, 45, 60, ("corded", "hide"), "satin", "#eceae6", 4),
    "router": Kind("device", "device", 220, 60, 160, ("corded", "hide"), "matt", "#33302e"),
    "remote": Kind("device", "device", 45, 20, 170, ("hide", "daily-use"), "matt", "#33302e"),
    "remote control": Kind("device", "device", 45, 20, 170, ("hide", "daily-use"), "matt", "#33302e"),
    "charger": Kind("device", "device", 90, 20, 90, ("corded", "hide"), "matt", "#33302e"),
    "printer": Kind("device", "device", 420, 180, 350, ("corded", "hide"), "matt", "#33302e"),
    "telephone": Kind("device", "device", 180, 120, 200, ("corded", "daily-use"), "satin", "#33302e"),
    "record player": Kind("device", "device", 420, 130, 350, ("corded",), "satin", "#6f4a2f"),
    "speaker": Kind("device", "device", 160, 240, 180, ("corded",), "matt", "#33302e"),
    "radio": Kind("device", "device", 240, 150, 110, ("corded",), "satin", "#6f4a2f"),
    "espresso machine": Kind("appliance", "appliance", 300, 380, 350, ("corded", "daily-use"), "metal", "#b8bcbc"),
    "coffee machine": Kind("appliance", "appliance", 280, 360, 350, ("corded", "daily-use"), "metal", "#b8bcbc"),
    "coffee maker": Kind("appliance", "appliance", 220, 350, 250, ("corded", "daily-use"), "satin", "#33302e"),
    "coffee grinder": Kind("appliance", "appliance", 150, 300, 180, ("corded", "daily-use"), "satin", "#33302e"),
    "mixer": Kind("appliance", "appliance", 230, 350, 350, ("corded",), "gloss", "#e6e3d9"),
    "blender": Kind("appliance", "appliance", 180, 400, 180, ("corded",), "clear", "#b8bcbc"),
    "microwave": Kind("appliance", "appliance", 480, 280, 380, ("corded", "daily-use"), "metal", "#b8bcbc"),
    "kettle": Kind("appliance", "appliance", 180, 240, 180, ("corded", "daily-use"), "metal", "#b8bcbc"),
    "toaster": Kind("appliance", "appliance", 300, 190, 180, ("corded", "daily-use"), "metal", "#b8bcbc"),
    "coat": Kind("hanging", "coat", 450, 900, 120, (), "woven", "#3f4f5a"),
    "towel": Kind("hanging", "hanging", 300, 600, 20, (), "woven", "#e6dcc6"),
    "supplies": Kind("supplies", "box", 240, 160, 200, ("hide",)),
}
"""Nouns, longest first when read; the plural of each is understood."""

PLURALS = {"glasses": "glass", "boxes": "box", "branch": "branches", "twig": "twigs", "flower": "flowers",
           "stem": "stems", "cloths": "cloth", "discs": "disc", "kettles": "kettle", "candles": "candle",
           "leaves": "branches", "candlesticks": "candlestick", "dishes": "dish", "utensil": "utensils"}  # fmt: skip

STUFFS: dict[str, Stuff] = {
    "stoneware": Stuff("rough", "#c9b28c", ("fragile",)),
    "earthenware": Stuff("rough", "#b9744e", ("fragile",)),
    "terracotta": Stuff("rough", "#c4663c", ("fragile",)),
    "ceramic": Stuff("satin", "#e6dcc6", ("fragile",)),
    "porcelain": Stuff("gloss", "#f5f1e6", ("fragile",)),
    "glass": Stuff("clear", "#dfe7e8", ("fragile",)),
    "crystal": Stuff("clear", "#e9efef", ("fragile",)),
    "brass": Stuff("metal", "#b9964f"),
    "copper": Stuff("metal", "#b06a43"),
    "bronze": Stuff("metal", "#7d5a3c"),
    "silver": Stuff("metal", "#b8bcbc"),
    "steel": Stuff("metal", "#a4a9aa"),
    "iron": Stuff("matt", "#33302e"),
    "tin": Stuff("metal", "#9a9d9c"),
    "oak": Stuff("satin", "#a5835c"),
    "walnut": Stuff("satin", "#6f4a2f"),
    "pine": Stuff("satin", "#c9a877"),
    "teak": Stuff("satin", "#8f6439"),
    "wood": Stuff("satin", "#a5835c"),
    "wooden": Stuff("satin", "#a5835c"),
    "bamboo": Stuff("satin", "#c9b078"),
    "rattan": Stuff("woven", "#a5835c"),
    "wicker": Stuff("woven", "#a5835c"),
    "seagrass": Stuff("woven", "#b0a070"),
    "linen": Stuff("woven", "#d8cdb6"),
    "cotton": Stuff("woven", "#e6dcc6"),
    "wool": Stuff("woven", "#c9bfae"),
    "velvet": Stuff("matt", "#5b4250"),
    "leather": Stuff("satin", "#8a5a38"),
    "paper": Stuff("matt", "#efe6d4"),
    "marble": Stuff("satin", "#e4e2de"),
    "slate": Stuff("matt", "#4a5054"),
    "granite": Stuff("matt", "#7b7d7c"),
    "plaster": Stuff("matt", "#efeae0"),
    "concrete": Stuff("rough", "#a3a19b"),
    "clay": Stuff("rough", "#b0795a", ("fragile",)),
    "willow": Stuff("woven", "#a5835c"),
    "rush": Stuff("woven", "#b0a070"),
    "jute": Stuff("woven", "#b59b6f"),
    "felt": Stuff("matt", "#8f918f"),
    "beech": Stuff("satin", "#c7a576"),
    "ash": Stuff("satin", "#c9b08a"),
    "mahogany": Stuff("satin", "#6a3526"),
    "ebony": Stuff("satin", "#2b2624"),
    "pewter": Stuff("metal", "#7f8386"),
    "zinc": Stuff("metal", "#8f9496"),
    "enamel": Stuff("gloss", "#e6e3d9"),
    "beeswax": Stuff("satin", "#e3c27a"),
    "resin": Stuff("satin", "#d8d2c6"),
    "wax": Stuff("satin", "#f1e9d6"),
}

COLOURS: dict[str, str] = {
    "white": "#f4f2ec", "cream": "#f1e9d6", "ivory": "#f1ead8", "sand": "#c9b28c", "beige": "#d6c6a8",
    "oatmeal": "#d8cdb8", "tan": "#b98d5e", "brown": "#6f4a2f", "chocolate": "#4a3122", "rust": "#a34e2c",
    "terracotta": "#c4663c", "copper": "#b06a43", "orange": "#c8702f", "apricot": "#e0a679", "peach": "#e6b699",
    "ochre": "#b9812a", "mustard": "#c0922f", "yellow": "#d9b64a", "gold": "#c9a24b", "olive": "#77783f",
    "sage": "#9aa888", "green": "#5d7f4d", "moss": "#66743f", "emerald": "#2f6f56", "teal": "#1f6f72",
    "turquoise": "#4d9a9a", "blue": "#3f6488", "navy": "#25324a", "indigo": "#33406b", "sky": "#9dbccb",
    "slate": "#4f5d68", "lilac": "#a89bb8", "plum": "#7b3b57", "aubergine": "#45283a", "purple": "#5f4473",
    "burgundy": "#6a2a34", "red": "#a43a32", "pink": "#d9a9a0", "blush": "#e3c2b8", "rose": "#c98a8a",
    "coral": "#d67f6a", "grey": "#8f918f", "gray": "#8f918f", "charcoal": "#3b3d3e", "black": "#26282a",
    "stone": "#b9b2a6", "clay": "#b0795a", "honey": "#c99a4e", "mint": "#b5cdb9",
}  # fmt: skip

SHADES = {"dark": -0.4, "deep": -0.3, "light": 0.4, "pale": 0.5, "soft": 0.2}

RANGES: dict[str, tuple[str, ...]] = {
    "muted": ("#8b8f90", "#a79a88", "#7f8b83", "#9a8577", "#6f7a86", "#b0a48e", "#8a7f8c"),
    "bright": ("#c4663c", "#1f6f72", "#d9b64a", "#a43a32", "#3f6488", "#5d7f4d"),
    "neutral": ("#f1e9d6", "#d6c6a8", "#b9b2a6", "#8f918f", "#e6dcc6"),
    "neutrals": ("#f1e9d6", "#d6c6a8", "#b9b2a6", "#8f918f", "#e6dcc6"),
    "warm": ("#c4663c", "#b9812a", "#a34e2c", "#6f4a2f", "#d6c6a8"),
    "cool": ("#3f6488", "#1f6f72", "#4f5d68", "#9dbccb", "#8f918f"),
    "mixed": ("#6f4a2f", "#25405c", "#a34e2c", "#77783f", "#e6dcc6", "#7b3b57"),
    "pastel": ("#e3c2b8", "#b5cdb9", "#9dbccb", "#e6b699", "#d8cdb8"),
}
"""Words for many colours; one thing takes the first, several take turns."""

FINISH_WORDS: dict[str, Finish] = {
    "rough": "rough", "textured": "rough", "woven": "woven", "matt": "matt", "matte": "matt", "satin": "satin",
    "gloss": "gloss", "glossy": "gloss", "shiny": "gloss", "glazed": "gloss", "polished": "gloss",
    "metal": "metal", "metallic": "metal", "clear": "clear", "transparent": "clear",
}  # fmt: skip

TRAIT_WORDS: dict[str, Trait] = {
    "fragile": "fragile", "sharp": "sharp", "rolls": "rolls", "corded": "corded", "hide": "hide", "hidden": "hide",
    "masked": "mask",
    "daily": "daily-use", "daily-use": "daily-use", "grab": "grab", "lidded": "lidded", "keep": "must-keep",
    "must-keep": "must-keep", "sentimental": "sentimental", "heirloom": "sentimental", "one-faced": "one-faced",
    "airy": "airy", "base": "base", "toxic": "toxic", "small-parts": "small-parts", "lid": "lidded",
}  # fmt: skip

STATUS_WORDS: dict[str, Status] = {
    "owned": "owned", "borrowed": "borrowed", "wanted": "wanted", "stored": "stored",
    "to-buy": "to-buy", "buy": "to-buy", "to buy": "to-buy",
}  # fmt: skip

ROOMS = (
    "hall", "study", "kitchen", "bedroom", "attic", "cellar", "landing", "library", "nursery", "pantry", "bathroom",
    "dining room", "living room", "sitting room", "guest room", "garden room", "studio", "workshop", "garage", "loft",
    "workroom", "utility room", "office", "porch", "shed", "conservatory", "playroom", "stairs",
)  # fmt: skip

ONE_BUNCH = frozenset({"stems", "branches", "twigs", "flowers", "roses", "tulips", "grasses", "eucalyptus", "pampas"})
"""Counted, these are still one bunch."""

JOINTS = frozenset(
    {"of", "in", "from", "and", "with", "the", "at", "x", "for", "on", "by", "a", "an", "its", "my", "our"}
)
"""Words that join others; at the ends of a name they are left out."""

HOLDERS = frozenset({"stand", "rack", "holder", "bin", "cover", "set", "rest", "easel", "hook"})
"""After a noun these make it something else: a cookbook stand is no cookbook."""

LOOSE_WORDS = frozenset({
    "small", "large", "big", "little", "tall", "short", "low", "wide", "narrow", "thin", "thick", "long", "old", "new",
    "antique", "vintage", "modern", "round", "square", "oval", "flat", "folded", "framed", "dried", "fresh", "faux",
    "table", "floor", "wall", "hanging", "standing", "carved", "painted", "printed", "knitted", "potted", "scented",
    "striped", "plain", "patterned", "handmade", "handled", "stacked", "open", "closed", "full", "empty", "good",
    "second", "first", "other", "same", "heavy", "huge", "tiny", "mini", "model", "real",
})  # fmt: skip
"""Words that say something of a thing; they stay in its name and are not doubted."""

NUMBERS = {"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8,
           "nine": 9, "ten": 10, "eleven": 11, "twelve": 12}  # fmt: skip
