"""Facts that are not known, and the one way to ask a record for a fact: by its field.

The field is the fact's name everywhere: its words in sentences and forms, its doubts, and which checks read it.
"""

from collections.abc import Mapping
from typing import Any, NamedTuple

from core.model.brief import Brief, Player
from core.model.build import Slot
from core.model.parts import Part, Plan
from core.model.parts.words import fact_words
from core.model.record import Record
from core.model.room import Layout, Room
from core.model.things import Circuit, Looked, Opening, Thing


class FactAt(NamedTuple):
    """Where a fact is entered: a record, and its field there."""

    record: str
    """`brief`, `room`, `layout`, `parts/<id>`, or a thing in the room such as `openings/<id>`; empty where nowhere."""
    field: str

    @property
    def path(self) -> str:
        """As one text: `brief.may_drill`; empty for nowhere."""
        return f"{self.record}.{self.field}" if self.record else ""


NOWHERE = FactAt("", "")
PLAYERS = FactAt("brief", "players")
CHAIN = "chain"


def at_place(slot: Slot) -> FactAt:
    """Where a part of the chain is chosen, with its plan."""
    return FactAt(CHAIN, slot.value)


class Missing(NamedTuple):
    """A fact that is not known, how to get it, and where it is entered."""

    fact: str
    how: str
    at: FactAt = NOWHERE


class MissingFact(Exception):
    """A fact that a rule needs is not known. Says which, and how to get it."""

    def __init__(self, fact: str, how: str, at: FactAt = NOWHERE) -> None:
        super().__init__(f"{fact} is not known: {how}")
        self.missing = Missing(fact, how, at)

    @property
    def fact(self) -> str:
        """What is not known."""
        return self.missing.fact

    @property
    def how(self) -> str:
        """How to get it."""
        return self.missing.how


SAY_IN_BRIEF = "Say it in the brief."
QUESTIONS: Mapping[tuple[type[Record], str], tuple[str, str]] = {
    (Brief, "up_front_cap_minor"): ("The up-front cap", "Enter in the brief what may be spent up front."),
    (Brief, "yearly_cap_minor"): ("The yearly cap", "Enter in the brief what it may cost each year."),
    (Brief, "outlet_minor"): (
        "What an electrician asks for an outlet",
        "Ask a licensed one, and enter it in the brief.",
    ),
    (Brief, "hours_a_week"): ("How many hours a week you will play", SAY_IN_BRIEF),
    (Brief, "build_hours_a_week"): ("How many hours a week you will build", SAY_IN_BRIEF),
    (Brief, "setup_minutes"): ("The set-up time you accept", "Enter it in the brief."),
    (Brief, "subscriptions"): ("What you think of subscriptions", SAY_IN_BRIEF),
    (Brief, "may_drill"): (
        "Whether walls and ceiling may be drilled",
        "Ask the owner of the home, and say it in the brief.",
    ),
    (Room, "light"): (
        "How the room is lit while you play",
        "Choose it in the room; or say of each lamp and window whether it lights, and how the walls are.",
    ),
    (Room, "insulated"): ("Whether the room is insulated", "Say it in the room."),
    (Room, "coldest"): ("How cold it is outside when you play", "Say it in the room."),
    (Room, "wall_colour"): ("Whether the walls are dark or light", "Say it in the room."),
    (Room, "ridge_m"): ("The height of the ceiling's highest point", "Measure it and type it in the room."),
    (Room, "mains_v"): ("The voltage of the mains", "Enter it with the room: 230 V or 120 V are usual."),
    (Room, "breaker_a"): ("The rating of the breaker", "Read it off the breaker, or ask an electrician."),
    (Room, "floor_base"): ("What the floor is made of", "Say in the room whether it is concrete or timber."),
    (Layout, "mat_lies"): (
        "Whether the mat is let in or lies on top",
        "Say it under the mat: let into the floor covering, or on top of it.",
    ),
    (Room, "things"): (
        "What stands or hangs in the room",
        "Walk it once for beams, rails, lamps, openers and shelves: add them, or say that there are none.",
    ),
    (Room, "openings"): (
        "Which windows and doors the room has",
        "Add them to the room, or say that there are none.",
    ),
    (Room, "sockets"): ("Where the sockets are", "Add them to the room, or say that there are none."),
    (Room, "joists"): (
        "How the joists of the ceiling run",
        "Say it in the room, or that the ceiling has none: concrete takes anchors.",
    ),
}
"""What is asked of a household: in words, and how to answer."""
OF_CONTENT: Mapping[str, tuple[str, str]] = {
    "glazed": ("Whether {name} has glass in it", "Say it in the room."),
    "guard": ("What guards {name}", "Say in the room what is between it and a ball."),
    "cover": ("What is drawn before {name}", "Say in the room whether a curtain keeps its daylight out."),
    "lit": ("Whether {name} is on while you play", "Say it in the room."),
    "lumens": ("How bright {name} is", "Read the lumens off the lamp or its box, and enter them in the room."),
    "burns_fuel": ("Whether {name} burns fuel", "Say it in the room."),
    "breaker_a": ("The rating of the breaker of {name}", "Read it off the breaker, or ask an electrician."),
}
"""What is asked of one thing in the room, and how to answer."""
GROUPS: Mapping[type[Record], str] = {Opening: "openings", Thing: "things", Circuit: "circuits"}
RECORDS: Mapping[type[Record], str] = {Brief: "brief", Room: "room", Layout: "layout"}


def known(record: Record, field: str, of: Part | None = None) -> Any:
    """The value of `field`, or `MissingFact` where nobody has stated it. A plan says `of` which part it is one.

    The type checker knows the field's own type, without `None`.
    """
    value = getattr(record, field)
    if value is None:
        raise not_stated(record, field, of)
    return value


def known_some(record: Record, field: str, of: Part | None = None) -> Any:
    """As `known`, for a list that says nothing while it is empty."""
    value = getattr(record, field)
    if not value:
        raise not_stated(record, field, of)
    return value


def looked_for(room: Room, what: Looked) -> Any:
    """What was entered of `what`, or `MissingFact` where nothing was, and nobody said that there is none."""
    found = getattr(room, what)
    if not found and what not in room.none_of:
        raise not_stated(room, what)
    return found


def not_stated(record: Record, field: str, of: Part | None = None) -> MissingFact:
    """The fact `field` of `record`, which nobody has stated."""
    kind = type(record)
    if (kind, field) in QUESTIONS:
        return MissingFact(*QUESTIONS[kind, field], FactAt(RECORDS[kind], field))
    if isinstance(record, Opening | Thing | Circuit):
        what, how = OF_CONTENT[field]
        group = GROUPS[type(record)]
        return MissingFact(what.format(name=record.name), how, FactAt(f"{group}/{record.id}", field))
    part = of or record
    assert isinstance(part, Part)
    words = fact_words(kind, field)
    plan = f" in plan {record.name}" if isinstance(record, Plan) else ""
    return MissingFact(
        f"The {words}{plan} of {part.name}",
        f"Look in the spec sheet of {part.maker}, or ask them.",
        FactAt(f"parts/{part.id}", "plans" if plan else field),
    )


class NobodySwings(MissingFact):
    """No player is named, and the answer depends on who swings."""

    def __init__(self) -> None:
        super().__init__("Who will swing here", "Add the players to the brief.", PLAYERS)


def known_players(brief: Brief) -> tuple[Player, ...]:
    """The players of `brief`, or `NobodySwings`."""
    if not brief.players:
        raise NobodySwings
    return brief.players
