"""What the household asks of the build besides money: quiet, set-up time, hours of use, a date, value that can move."""

from dataclasses import dataclass
from datetime import date, timedelta
from typing import Annotated

from core.checks.figures import share, stated_input
from core.checks.limits import ENDLESS, State, Words, at_least, at_most
from core.checks.places import IN_BRIEF, IN_ROOM, on
from core.checks.readings import Filled, Tested, Today
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input, press
from core.checks.works import Works
from core.model import acts
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import Missing, MissingFact, known
from core.model.household import Noise
from core.model.kit import Beside
from core.model.parts import Baffle, Projector, Surface
from core.model.room import Layout, Room
from core.model.things import BayPart, StoredKind, WhilePlaying
from core.money.costs import Costs
from core.quantities import Money, Quantity, Unit, say

MINUTES_BY_PART = {
    BayPart.SCREEN: 10,
    BayPart.ENCLOSURE: 20,
    BayPart.PROJECTOR: 8,
    BayPart.MONITOR: 3,
    BayPart.MAT: 4,
}
SLOT_BY_PART = {
    BayPart.SCREEN: Slot.SCREEN,
    BayPart.ENCLOSURE: Slot.ENCLOSURE,
    BayPart.PROJECTOR: Slot.DISPLAY,
    BayPart.MONITOR: Slot.MONITOR,
    BayPart.MAT: Slot.MAT,
}
MINUTES_BY_STORED = 5
"""To put up a part, or to take a stored thing out of the way (trade)."""
COMFORT_MINUTES = 5
WEEKS_A_YEAR = 52
DELIVERY_WEEKS = 3
"""From order to door for the slowest part (trade)."""
COMFORT_WEEKS = 1
FIXED_SHARE_COMFORTABLE = 0.25
FIXED_SHARE_MOST = 0.50
"""Beyond this more stays behind than goes along (trade)."""
LOUDNESS = {"quiet": 0, "damped": 1, "loud": 2}
MOST_LOUDNESS = {Noise.ANY: 2, Noise.DAMPED: 1, Noise.QUIET: 0}


@dataclass(frozen=True)
class Unsettled:
    """What the household asked for before money is spent, and is not settled yet."""

    conditions: tuple[str, ...]
    """What has not been ticked."""
    homeless: tuple[StoredKind, ...]
    """What the space must also hold and nobody has said where."""


@dataclass(frozen=True)
class PackedAway:
    """The bay comes down after play: the minutes that setting it up takes, by what is put up or moved."""

    minutes: tuple[tuple[str, int], ...]


@dataclass(frozen=True)
class NoiseLimit:
    """What the house puts up with, where it is not anything."""

    noise: Noise


@dataclass(frozen=True)
class Moving:
    """The home is rented, or will be left: what can be taken along and what cannot."""

    movable: Money
    fixed: Money
    staying: tuple[str, ...]
    """The parts that cannot be taken along."""
    missing: Missing | None
    """The first price that is not known."""


@dataclass(frozen=True)
class Deadline:
    """The date by which it must be playable, and today."""

    by: date
    today: date


@derive
def unsettled(brief: Annotated[Brief, "conditions", "other_uses"], room: Annotated[Room, "stored"]) -> Unsettled:
    """Conditions that are not met, and other uses without a place."""
    held = {stored.kind for stored in room.stored}
    return Unsettled(
        tuple(condition.text for condition in brief.conditions if not condition.met),
        tuple(kind for kind in brief.other_uses if kind not in held),
    )


@derive
def deadline(brief: Annotated[Brief, "playable_by"], today: Today) -> Deadline | None:
    """`None` where no date was set."""
    return None if brief.playable_by is None else Deadline(brief.playable_by, today.date)


@derive
def packed_away(
    brief: Annotated[Brief, "packed_away"],
    room: Annotated[Room, "stored"],
    layout: Annotated[Layout, "stays_up"],
    filled: Filled,
) -> PackedAway | None:
    """What has to be put up before play; `None` for a bay that stays."""
    if not brief.packed_away:
        return None
    parts = [
        (part.value, MINUTES_BY_PART[part])
        for part in BayPart
        if part not in layout.stays_up and SLOT_BY_PART[part] in filled.slots
    ]
    moved = [(s.name, MINUTES_BY_STORED) for s in room.stored if s.while_playing is not WhilePlaying.STAYS]
    return PackedAway((*parts, *moved))


@derive
def noise_limit(brief: Annotated[Brief, "noise"]) -> NoiseLimit | None:
    """`None` where noise does not matter."""
    return None if brief.noise is Noise.ANY else NoiseLimit(brief.noise)


@derive
def moving(brief: Annotated[Brief, "currency", "may_move", "rented"], costs: Costs) -> Moving | None:
    """What the parts are worth that go along, and that stay; `None` for a home that is kept."""
    if not brief.rented and not brief.may_move:
        return None
    worth = [(line.stays_behind, line.replacement_value or line.up_front) for line in costs.lines]
    return Moving(
        movable=Money.total([value for fixed, value in worth if value and not fixed], brief.currency),
        fixed=Money.total([value for fixed, value in worth if value and fixed], brief.currency),
        staying=tuple(line.label for line in costs.lines if line.stays_behind),
        missing=next(iter(costs.worth_missing), None),
    )


@check("layout.setup_time", title="Set-up time", place=IN_ROOM)
def setup_time(brief: Annotated[Brief, "measured_setup_minutes", "setup_minutes"], work: PackedAway) -> Answer:
    """Setting up before play takes no longer than the household accepts. What it took when it was tried counts first.

    minutes = sum over what is put up (screen 10, enclosure 20, projector 8, monitor 3, mat 4) and 5 for each thing
    that is moved out of the way.
    """
    accepted = known(brief, "setup_minutes")
    tried = brief.measured_setup_minutes
    needed = sum(minutes for _, minutes in work.minutes) if tried is None else tried
    limit = at_most(needed, accepted, accepted - COMFORT_MINUTES, Unit.MINUTE)
    words = "Let the {slowest} stay where it is."
    slowest = max(work.minutes, key=lambda item: item[1], default=("nothing", 0))
    return Answer(
        limit,
        headline=lambda: say("{needed} to set up, {accepted} accepted", needed=limit.has, accepted=limit.wants),
        formula="sum of the minutes of what is put up and moved",
        inputs=lambda: (
            *(() if tried is None else (Input("As tried", Quantity(tried, Unit.MINUTE), Basis.MEASURED),)),
            *(Input(name, Quantity(minutes, Unit.MINUTE), Basis.TRADE) for name, minutes in work.minutes),
        ),
        cures=lambda: (
            press(acts.left_up(BayPart(slowest[0])), words, None, slowest=slowest[0])
            if slowest[0] in list(BayPart) and tried is None
            else say(words, slowest=slowest[0]),
        ),
        basis=Basis.TRADE if tried is None else Basis.MEASURED,
    )


@check("screen.noise", title="Noise of the strike", place=on(Slot.SCREEN))
def strike_noise(
    surface: Annotated[Surface, "height_m", "sound", "width_m"],
    limit: NoiseLimit,
    baffles: Annotated[Beside[Baffle], "height_m", "sound", "width_m"],
) -> Answer:
    """The screen or net is no louder than the house puts up with, or a baffle behind all of it takes the sound.

    Makers tell it in words: loud, damped or quiet. One step too loud is tight, two are ruled out. A mat on a hard
    floor and the strike itself are heard too.
    """
    own = known(surface, "sound")
    behind = [known(baffle, "sound") for baffle in baffles if _covers(baffle, surface)]
    sound = min((own, *behind), key=lambda heard: LOUDNESS[heard])
    over = LOUDNESS[sound] - MOST_LOUDNESS[limit.noise]
    return Answer(
        Words(
            State.CLEAR if over <= 0 else State.TIGHT if over == 1 else State.BLOCKED,
            sound,
            f"{limit.noise.value} or less",
        ),
        headline=lambda: say(
            "{screen} is {sound}, {wanted} is wanted", screen=surface.name, sound=sound, wanted=limit.noise.value
        ),
        formula="what the maker says against what the house puts up with",
        inputs=lambda: (
            stated_input("Noise", own),
            *(stated_input(f"With {baffle.name} behind it", baffle.sound or "not stated") for baffle in baffles),
        ),
        cures=lambda: (
            say("Choose a quieter surface, or a baffle that covers all of it."),
            say("A heavy curtain behind it and foam under the mat take most of it."),
        ),
    )


def _covers(baffle: Baffle, surface: Surface) -> bool:
    wide = known(baffle, "width_m") >= known(surface, "width_m")
    return wide and known(baffle, "height_m") >= known(surface, "height_m")


@check("display.light_source", title="Life of the light source", place=on(Slot.DISPLAY))
def light_source(
    brief: Annotated[Brief, "horizon_years", "hours_a_week"],
    projector: Annotated[Projector, "light", "light_hours"],
    tested: Tested,
) -> Answer:
    """The projector's light lasts the horizon at the hours of play, or its lamp has to be bought again.

    years = (rated hours − hours that it has run) / (hours a week × 52). A laser or LED is built in: its end is the
    projector's.
    """
    hours_a_week = known(brief, "hours_a_week")
    rated, horizon = known(projector, "light_hours"), brief.horizon_years
    left_hours = max(0.0, rated - tested.used_hours)
    hours_a_year = hours_a_week * WEEKS_A_YEAR
    years = left_hours / hours_a_year if hours_a_year else float(horizon)
    built_in = years < horizon and known(projector, "light") != "lamp"
    limit = at_least(years, horizon, unit=Unit.YEAR, tolerated=0.0 if built_in else ENDLESS)
    return Answer(
        limit,
        headline=lambda: say("Light for {years}, the horizon is {horizon}", years=limit.has, horizon=limit.wants),
        formula="(rated hours − hours that it has run) / (hours a week × 52) − horizon",
        inputs=lambda: (
            stated_input("Rated hours", f"{rated} h"),
            Input("Hours that it has run", f"{tested.used_hours:g} h", Basis.MEASURED),
            stated_input("Light source", projector.light or "not stated"),
            Input("Hours a week", f"{hours_a_week:g} h", Basis.MEASURED),
        ),
        cures=lambda: (
            say("Choose a projector whose light lasts longer, or count in another one.")
            if built_in
            else say("Count in another lamp, or choose a laser or LED projector."),
        ),
    )


@check("time.playable", title="Playable by the date", place=IN_BRIEF)
def playable(deadline: Deadline, brief: Annotated[Brief, "build_hours_a_week"], works: Works) -> Answer:
    """Delivery and the household's own hours of work are done by the date at which it must be playable.

    weeks needed = 3 for delivery + own hours / hours a week for building.
    """
    hours_a_week = known(brief, "build_hours_a_week")
    needed = DELIVERY_WEEKS + works.own_hours / hours_a_week
    left = (deadline.by - deadline.today) / timedelta(weeks=1)
    limit = at_least(left, needed, needed + COMFORT_WEEKS, Unit.WEEK)
    return Answer(
        limit,
        headline=lambda: say("{needed} of work and delivery, {left} left", needed=limit.wants, left=limit.has),
        formula="weeks to the date − (3 weeks of delivery + own hours / hours a week)",
        inputs=lambda: (
            Input("Must be playable by", deadline.by.isoformat(), Basis.MEASURED),
            Input("Today", deadline.today.isoformat(), Basis.MEASURED),
            Input("Own hours of work", f"{works.own_hours:g} h", Basis.TRADE),
            Input("Hours a week for building", f"{hours_a_week:g} h", Basis.MEASURED),
        ),
        cures=lambda: (
            say("Begin with an earlier stage: a net and a data screen are up in a day."),
            say("Give a trade what you would have done yourself."),
        ),
        basis=Basis.TRADE,
    )


@check("money.movable", title="Value that moves with you", place=IN_BRIEF)
def movable(value: Moving) -> Answer:
    """Of what is spent, what is cut, laid or used up for this room stays in it; the rest goes along to the next home.

    Covering off a roll, cables and channels, masking, glue and tape stay; loose tiles and frames that are unscrewed go
    along.

    Over a quarter of the whole fixed in a home that will be left is tight; over half is more than goes along.
    """
    if value.missing is not None:
        raise MissingFact(*value.missing)
    total = value.movable + value.fixed
    fixed_share = value.fixed.minor / total.minor if total.minor else 0.0
    return Answer(
        at_most(fixed_share, FIXED_SHARE_MOST, FIXED_SHARE_COMFORTABLE, Unit.SHARE),
        headline=lambda: say("{movable} moves with you, {fixed} stays", movable=value.movable, fixed=value.fixed),
        formula="cut, laid or used up / everything",
        inputs=lambda: (
            Input("Moves with you", value.movable, Basis.SPEC),
            Input("Stays", value.fixed, Basis.SPEC),
            *(stated_input(name, "stays") for name in value.staying),
            Input("Comfortable up to", share(FIXED_SHARE_COMFORTABLE), Basis.TRADE),
        ),
        cures=lambda: (say("Lay loose tiles in place of what is cut off a roll."),),
        basis=Basis.TRADE,
    )
