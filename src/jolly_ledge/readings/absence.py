"""Why a reading does not apply where it does not: every absence has a reason."""

ABSENT: dict[str, str] = {
    "odd-groups": "nothing stands on it, or the manner does not count groups",
    "how-many": "nothing stands on it",
    "negative-space": "nothing stands on it",
    "even-rest": "nothing stands on it, or it is a table or a worktop, whose air the balance tells",
    "grouping": "there are not two things that could be near each other",
    "cohesion": "nothing here is read as one: no small open top, no group that was named",
    "height-rhythm": "no two things stand beside each other",
    "scale": "nothing stands on it",
    "layering": "no ledge holds two things, or is deep enough for two",
    "covered": "there are not two things, one of which could hide the other",
    "figure": "there is too little to make a figure",
    "side-balance": "nothing stands on it",
    "weight-low": "all its ledges are on one level",
    "even-vignettes": "there are fewer than two groups of like rank",
    "focal-point": "there are not two things, one of which could lead",
    "stack-order": "nothing lies on anything or is held by it",
    "palette": "nothing shows a colour",
    "colour-echo": "no colour is an accent",
    "tie": "there are fewer than three things",
    "contrast": "nothing stands on it",
    "alike-apart": "there are not two things",
    "mix": "there are too few things to be varied",
    "kept-clear": "there is no art, mirror or screen to be kept clear",
    "seen-shut": "it has no glazed doors with bars",
    "sight-line": "nobody sits round it",
    "all-round": "it is seen from the front only",
    "working-room": "nobody works at it, or its use asks for no free room",
    "books": "no single books stand or lie on it",
    "must-haves": "nothing is demanded of it",
}
"""By reading, to be said after *because*."""


def absence_said(reading_id: str) -> str:
    """Return that a reading does not apply, and why.

    >>> absence_said("weight-low")
    'It does not apply here: all its ledges are on one level.'
    """
    return f"It does not apply here: {ABSENT[reading_id]}."
