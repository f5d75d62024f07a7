"""What is often cheap where nobody advertises it: whom to ask before it is bought, and what."""

from collections.abc import Iterable, Mapping
from typing import NamedTuple

from core.model.parts import Part, kind_of
from core.money.order import Need
from core.quantities import Sentence, say


class Question(NamedTuple):
    """Somebody to ask, and what about."""

    id: str
    whom: Sentence
    what: Sentence


QUESTIONS: Mapping[str, tuple[str, str]] = {
    "mat": (
        "A driving range near you",
        "Do you sell mats that you take out of use? How worn is the strike area, and how thick is what is under it?",
    ),
    "turf": (
        "A landscaper or a sports-field fitter",
        "Have you off-cuts of short turf? How long is the pile, and how wide the roll?",
    ),
    "carpet": ("A carpet shop", "Have you off-cuts or roll ends of dense cord carpet? How wide are they?"),
    "screen": (
        "Makers of impact screens, and rooms that are refitted",
        "Have you ex-display or wrongly cut screens? Which size and weave, how many layers, and how much used?",
    ),
    "projector": (
        "Schools, offices and halls that are refitted",
        "Is a projector taken down? How many hours has its lamp, does every input work, and what is its throw?",
    ),
    "machine": (
        "Firms that renew their computers",
        "Do you sell the old ones? Which graphics card, how much memory, and what does its power supply give?",
    ),
    "enclosure": (
        "Scaffolders and plumbers' merchants",
        "Have you straight off-cuts of pipe? Which diameter and wall, and how long is the longest?",
    ),
    "tiles": ("A gym that moves", "Are the rubber tiles sold? How thick are they, how many, and do they still lock?"),
}
"""By what it is: whom to ask, and what (trade)."""
KINDS: Mapping[str, str] = {
    "mat": "mat",
    "hitting_strip": "mat",
    "turf": "turf",
    "putting_surface": "turf",
    "carpet": "carpet",
    "impact_screen": "screen",
    "projector": "projector",
    "computer": "machine",
    "enclosure": "enclosure",
    "frame_material": "enclosure",
    "floor_tiles": "tiles",
}
"""Which question a kind of part goes with."""


def questions_for(needs: Iterable[Need], sheets: Mapping[str, Part]) -> tuple[Question, ...]:
    """What to ask before the rest is bought; each question once, in the order of what is needed."""
    kinds = (kind_of(sheets[need.part]) for need in needs if need.part in sheets)
    wanted = dict.fromkeys(KINDS[kind] for kind in kinds if kind in KINDS)
    return tuple(Question(id, say(QUESTIONS[id][0]), say(QUESTIONS[id][1])) for id in wanted)
