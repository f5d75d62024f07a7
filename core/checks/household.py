"""What the household asks of the build besides money: quiet, set-up time, hours of use, a date, value that can move."""

from dataclasses import dataclass
from datetime import date, timedelta

from core.checks.figures import met, share, stated
from core.checks.places import IN_BUDGET, IN_ROOM, on
from core.checks.register import check, derive
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.checks.works import Works
from core.model.brief import Brief
from core.model.build import Slot
from core.model.chain import Chain
from core.model.facts import MissingFact, known
from core.model.household import Noise
from core.model.kit import Beside
from core.model.parts import Baffle, Projector, Surface
from core.model.room import Layout, Room
from core.model.things import BayPart, WhilePlaying
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
FIXED_SLOTS = (Slot.FLOOR, Slot.ENCLOSURE)
"""Cut or built for this room: their value stays in it (trade)."""
FIXED_SHARE_TIGHT = 0.25
FIXED_SHARE_MOST = 0.50
"""Beyond this more stays behind than goes along (trade)."""
LOUDNESS = {"quiet": 0, "damped": 1, "loud": 2}
MOST_LOUDNESS = {Noise.ANY: 2, Noise.DAMPED: 1, Noise.QUIET: 0}


@dataclass(frozen=True)
class Today:
    """The day on which the build is looked at."""

    date: date


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
    missing: MissingFact | None
    """The first price that is not known."""


@dataclass(frozen=True)
class Deadline:
    """The date by which it must be playable, and today."""

    by: date
    today: date


@derive
def deadline(brief: Brief, today: Today) -> Deadline | None:
    """`None` where no date was set."""
    return None if brief.playable_by is None else Deadline(brief.playable_by, today.date)


@derive
def packed_away(brief: Brief, room: Room, layout: Layout, chain: Chain) -> PackedAway | None:
    """What has to be put up before play; `None` for a bay that stays."""
    if not brief.packed_away:
        return None
    parts = [
        (part.value, MINUTES_BY_PART[part])
        for part in BayPart
        if part not in layout.stays_up and chain.at(SLOT_BY_PART[part]) is not None
    ]
    moved = [(s.name, MINUTES_BY_STORED) for s in room.stored if s.while_playing is not WhilePlaying.STAYS]
    return PackedAway((*parts, *moved))


@derive
def noise_limit(brief: Brief) -> NoiseLimit | None:
    """`None` where noise does not matter."""
    return None if brief.noise is Noise.ANY else NoiseLimit(brief.noise)


@derive
def moving(brief: Brief, costs: Costs) -> Moving | None:
    """What the parts are worth that go along, and that stay; `None` for a home that is kept."""
    if not brief.rented and not brief.may_move:
        return None
    worth = [(line.slot in FIXED_SLOTS, line.replacement_value or line.up_front) for line in costs.lines]
    return Moving(
        movable=Money.total([value for fixed, value in worth if value and not fixed], brief.currency),
        fixed=Money.total([value for fixed, value in worth if value and fixed], brief.currency),
        missing=next(iter(costs.missing), None),
    )


@check("layout.setup_time", title="Set-up time", place=IN_ROOM)
def setup_time(brief: Brief, work: PackedAway) -> Verdict:
    """Setting up before play takes no longer than the household accepts.

    minutes = sum over what is put up (screen 10, enclosure 20, projector 8, monitor 3, mat 4) and 5 for each thing
    that is moved out of the way.
    """
    if brief.setup_minutes is None:
        raise MissingFact("The set-up time you accept", "Enter it in the brief.")
    needed = sum(minutes for _, minutes in work.minutes)
    margin = brief.setup_minutes - needed
    state = judge(margin, COMFORT_MINUTES)
    slowest = max(work.minutes, key=lambda item: item[1], default=("nothing", 0))
    return Verdict(
        state,
        say("{needed} to set up, {accepted} accepted", needed=_minutes(needed), accepted=_minutes(brief.setup_minutes)),
        measured=_minutes(needed),
        required=_minutes(brief.setup_minutes),
        margin=_minutes(margin),
        formula="sum of the minutes of what is put up and moved",
        inputs=lambda: tuple(Input(name, _minutes(minutes), Basis.TRADE) for name, minutes in work.minutes),
        changes=() if state is State.CLEAR else (say("Let the {slowest} stay where it is.", slowest=slowest[0]),),
    )


@check("screen.noise", title="Noise of the strike", place=on(Slot.SCREEN))
def strike_noise(surface: Surface, limit: NoiseLimit, baffles: Beside[Baffle]) -> Verdict:
    """The screen or net is no louder than the house puts up with, or a baffle behind all of it takes the sound.

    Makers tell it in words: loud, damped or quiet. One step too loud is tight, two are ruled out. A mat on a hard
    floor and the strike itself are heard too.
    """
    own = known(surface.sound, surface, "noise")
    behind = [known(baffle.sound, baffle, "noise") for baffle in baffles if _covers(baffle, surface)]
    sound = min((own, *behind), key=lambda heard: LOUDNESS[heard])
    over = LOUDNESS[sound] - MOST_LOUDNESS[limit.noise]
    state = State.CLEAR if over <= 0 else State.TIGHT if over == 1 else State.BLOCKED
    return Verdict(
        state,
        say("{screen} is {sound}, {wanted} is wanted", screen=surface.name, sound=sound, wanted=limit.noise.value),
        measured=sound,
        required=limit.noise.value,
        margin=met(over <= 0),
        basis=Basis.SPEC,
        formula="what the maker says against what the house puts up with",
        inputs=lambda: (
            stated("Noise", own),
            *(stated(f"With {baffle.name} behind it", baffle.sound or "not stated") for baffle in baffles),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Choose a quieter surface, or a baffle that covers all of it."),
            say("A heavy curtain behind it and foam under the mat take most of it."),
        ),
    )


def _covers(baffle: Baffle, surface: Surface) -> bool:
    width_m, height_m = known(baffle.width_m, baffle, "width"), known(baffle.height_m, baffle, "height")
    return width_m >= known(surface.width_m, surface, "width") and height_m >= known(
        surface.height_m, surface, "height"
    )


@check("display.light_source", title="Life of the light source", place=on(Slot.DISPLAY))
def light_source(brief: Brief, projector: Projector) -> Verdict:
    """The projector's light lasts the horizon at the hours of play, or its lamp has to be bought again.

    years = rated hours / (hours a week × 52). A laser or LED is built in: its end is the projector's.
    """
    if brief.hours_a_week is None:
        raise MissingFact("How many hours a week you will play", "Say it in the brief.")
    hours_a_week = brief.hours_a_week
    rated = known(projector.light_hours, projector, "life of the light source")
    hours_a_year = hours_a_week * WEEKS_A_YEAR
    years = rated / hours_a_year if hours_a_year else float(brief.horizon_years)
    margin = years - brief.horizon_years
    lasts = margin >= 0
    built_in = not lasts and known(projector.light, projector, "kind of light source") != "lamp"
    state = State.CLEAR if lasts else State.BLOCKED if built_in else State.TIGHT
    return Verdict(
        state,
        say("Light for {years}, the horizon is {horizon}", years=_years(years), horizon=_years(brief.horizon_years)),
        measured=_years(years),
        required=_years(brief.horizon_years),
        margin=_years(margin),
        basis=Basis.SPEC,
        formula="rated hours / (hours a week × 52) − horizon",
        inputs=lambda: (
            stated("Rated hours", f"{rated} h"),
            stated("Light source", projector.light or "not stated"),
            Input("Hours a week", f"{hours_a_week:g} h", Basis.MEASURED),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Choose a projector whose light lasts longer, or count in another one.")
            if built_in
            else say("Count in another lamp, or choose a laser or LED projector."),
        ),
    )


@check("time.playable", title="Playable by the date", place=IN_BUDGET)
def playable(deadline: Deadline, brief: Brief, works: Works) -> Verdict:
    """Delivery and the household's own hours of work are done by the date at which it must be playable.

    weeks needed = 3 for delivery + own hours / hours a week for building.
    """
    hours_a_week = brief.build_hours_a_week
    if hours_a_week is None:
        raise MissingFact("How many hours a week you will build", "Say it in the brief.")
    needed = DELIVERY_WEEKS + works.own_hours / hours_a_week
    left = (deadline.by - deadline.today) / timedelta(weeks=1)
    margin = left - needed
    state = judge(margin, COMFORT_WEEKS)
    return Verdict(
        state,
        say("{needed} of work and delivery, {left} left", needed=_weeks(needed), left=_weeks(left)),
        measured=_weeks(left),
        required=_weeks(needed),
        margin=_weeks(margin),
        formula="weeks to the date − (3 weeks of delivery + own hours / hours a week)",
        inputs=lambda: (
            Input("Must be playable by", deadline.by.isoformat(), Basis.MEASURED),
            Input("Today", deadline.today.isoformat(), Basis.MEASURED),
            Input("Own hours of work", f"{works.own_hours:g} h", Basis.TRADE),
            Input("Hours a week for building", f"{hours_a_week:g} h", Basis.MEASURED),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Begin with an earlier stage: a net and a data screen are up in a day."),
            say("Give a trade what you would have done yourself."),
        ),
    )


@check("money.movable", title="Value that moves with you", place=IN_BUDGET)
def movable(value: Moving) -> Verdict:
    """Of what is spent, floor covering and enclosure stay in this room; the rest goes along to the next home.

    Over a quarter of the whole fixed in a home that will be left is tight; over half is more than goes along.
    """
    if value.missing is not None:
        raise value.missing
    total = value.movable + value.fixed
    fixed_share = value.fixed.minor / total.minor if total.minor else 0.0
    much = State.TIGHT if fixed_share <= FIXED_SHARE_MOST else State.BLOCKED
    state = State.CLEAR if fixed_share <= FIXED_SHARE_TIGHT else much
    return Verdict(
        state,
        say("{movable} moves with you, {fixed} stays", movable=value.movable, fixed=value.fixed),
        measured=share(fixed_share),
        required=share(FIXED_SHARE_TIGHT),
        margin=share(FIXED_SHARE_TIGHT - fixed_share),
        formula="floor covering and enclosure / everything",
        inputs=lambda: (
            Input("Moves with you", value.movable, Basis.SPEC),
            Input("Stays", value.fixed, Basis.SPEC),
        ),
        changes=() if state is State.CLEAR else (say("Lay tiles loose, and choose a frame that comes apart."),),
    )


def _minutes(value: float) -> Quantity:
    return Quantity(value, Unit.MINUTE)


def _years(value: float) -> Quantity:
    return Quantity(value, Unit.YEAR)


def _weeks(value: float) -> Quantity:
    return Quantity(value, Unit.WEEK)
