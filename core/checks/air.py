"""Heat and air in a closed room, heaters that burn fuel, and how loud the devices are (trade)."""

from typing import Annotated

from core.checks.asks import ask_at_least
from core.checks.declared import THERE
from core.checks.figures import in_a_row, stated_input, yes_or_no
from core.checks.limits import ENDLESS, State, Words, at_least, at_most
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import IN_ROOM, on
from core.checks.power import Load
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input
from core.checks.weights import is_wanted
from core.geometry.ceiling import Ceiling
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import MissingFact, known, known_players, looked_for
from core.model.household import Noise
from core.model.kit import Beside
from core.model.parts import CarbonMonoxideAlarm, Display, Heater, Machine, Speaker, Ventilation
from core.model.room import Room
from core.model.things import Looked, Opens, Remedy, Thing, ThingKind
from core.quantities import Quantity, Unit, say

AIR_PER_PERSON_L_S = 10.0
PERSON_W = 150.0
"""What one gives off at play."""
AIR_COMFORT = 1.1
HEAT_PER_CUBIC_METRE_W = 20.0
"""Beyond this a closed room grows warm within a session (trade)."""
MOST_DB = {Noise.ANY: 45.0, Noise.DAMPED: 38.0, Noise.QUIET: 32.0}
"""Hum of all devices that each kind of household puts up with (trade)."""
DB_COMFORT = 3.0
SPEAKER_LEAST_W = 15.0
"""A projector's own speaker is below this, and poor (trade)."""


class SpeakerNeed(Need):
    """What films and games are heard by."""

    item = ItemKind("speaker", "Speaker", near=Slot.DISPLAY, kind=Speaker, asks=("output_w",))


class CoAlarm(Need):
    """What smells what nobody smells."""

    item = ItemKind("co-alarm", "Carbon-monoxide alarm", near=Slot.FLOOR, kind=CarbonMonoxideAlarm)


@check("air.fresh", title="Fresh air", place=IN_ROOM)
def fresh_air(
    brief: Annotated[Brief, "players"],
    room: Annotated[Room, "none_of", "openings"],
    fans: Annotated[Beside[Ventilation], "airflow_l_s"],
) -> Answer:
    """10 L/s of fresh air for everybody who plays: by a fan, or by a window or door that can be opened.

    What opens counts as enough, but has to be opened: without a fan it is tight. A closed room without either blocks.
    """
    people = len(known_players(brief))
    needs = AIR_PER_PERSON_L_S * people
    has = sum(known(fan, "airflow_l_s") * count for fan, count in fans.counted())
    opens = opened(room) if has < needs else []
    limit = at_least(has, needs, needs * AIR_COMFORT, Unit.LITRE_PER_SECOND, tolerated=ENDLESS if opens else 0.0)
    return Answer(
        limit,
        headline=lambda: (
            say("{has} of fresh air for {needs}", has=limit.has, needs=limit.wants)
            if fans or not opens
            else say("{needs} of fresh air only while {opens} is open", needs=limit.wants, opens=opens[0])
        ),
        formula="airflow of fans − 10 L/s × players",
        inputs=lambda: (
            Input("Players", str(people), Basis.MEASURED),
            Input("Can be opened", in_a_row(o.name for o in room.openings if o.opens is not Opens.NOT), Basis.MEASURED),
            *(stated_input(fan.name, Quantity(fan.airflow_l_s or 0.0, Unit.LITRE_PER_SECOND)) for fan in fans),
        ),
        cures=lambda: (
            say(
                "Choose a fan for {needs}, or air the room between rounds.",
                needs=Quantity(needs * AIR_COMFORT, Unit.LITRE_PER_SECOND),
            ),
        ),
        basis=Basis.TRADE,
    )


@check("air.heat", title="Heat in the room", place=IN_ROOM)
def heat(
    brief: Annotated[Brief, "players"],
    room: Annotated[Room, "length_m", "none_of", "openings", "width_m"],
    ceiling: Ceiling,
    load: Load,
    fans: Annotated[Beside[Ventilation], THERE],
) -> Answer:
    """People at 150 W each and all devices warm the room: over 20 W for each cubic metre it wants a fan or a window."""
    people = len(known_players(brief))
    volume_m3 = ceiling.volume_m3(room.width_m, room.length_m)
    watts = PERSON_W * people + load.total_w
    most = HEAT_PER_CUBIC_METRE_W * volume_m3
    aired = watts <= most or bool(fans) or bool(opened(room))
    limit = at_most(watts, most, unit=Unit.WATT, tolerated=ENDLESS if aired else 0.0)
    return Answer(
        limit,
        headline=lambda: say("{watts} of heat in the room, {most} are borne", watts=limit.has, most=limit.wants),
        formula="20 W/m³ × volume under the ceiling − (150 W × players + watts of all devices)",
        inputs=lambda: (
            Input("Players", str(people), Basis.MEASURED),
            Input("Volume", f"{volume_m3:.1f} m³", Basis.MEASURED),
            *(stated_input(name, _watts(value)) for name, value in load.watts),
        ),
        cures=lambda: (say("Air the room, or put the computer outside it."),),
        basis=Basis.TRADE,
    )


@derive
def co_alarm(heaters: Annotated[Beside[Heater], "method", "name"], room: Annotated[Room, "things"]) -> CoAlarm | None:
    """Wherever something burns fuel indoors."""
    own = [thing.name for thing in room.things if thing.burns_fuel and thing.decision is not Remedy.REMOVE]
    burning = [heater.name for heater in _burning(heaters)] + own
    return CoAlarm(pieces(1), say("{heater} burns fuel", heater=burning[0])) if burning else None


def _burning(heaters: Beside[Heater]) -> list[Heater]:
    return [heater for heater in heaters if known(heater, "method") == "fuel"]


def _burning_in(room: Room) -> list[str]:
    """Names of what burns fuel in the room already. Raises `MissingFact` while nobody has looked."""
    things: tuple[Thing, ...] = looked_for(room, Looked.THINGS)
    heaters = (thing for thing in things if thing.kind is ThingKind.HEATER and thing.decision is not Remedy.REMOVE)
    return [heater.name for heater in heaters if known(heater, "burns_fuel")]


@check("heater.fuel", title="Heater that burns fuel", place=IN_ROOM)
def fuel(
    room: Annotated[Room, "none_of", "openings", "things"],
    all_heaters: Annotated[Beside[Heater], "made_for_indoors", "method", "name"],
    alarms: Annotated[Beside[CarbonMonoxideAlarm], THERE],
    fans: Annotated[Beside[Ventilation], THERE],
) -> Answer:
    """A heater that burns fuel is used indoors only if made for it, with ventilation and a carbon-monoxide alarm.

    Carbon monoxide is not smelt and kills. Local codes come first.
    """
    chosen, own = _burning(all_heaters), _burning_in(room)
    heaters = [heater.name for heater in chosen] + own
    bad = [heater.name for heater in chosen if not known(heater, "made_for_indoors")]
    alarm = bool(alarms)
    aired = not heaters or bool(fans) or bool(opened(room))
    lacks = [*(() if alarm else ("a carbon-monoxide alarm",)), *(() if aired else ("ventilation",))]
    state = State.CLEAR if not heaters else State.BLOCKED if bad or lacks else State.TIGHT
    return Answer(
        Words(
            state,
            in_a_row(heaters),
            "none, or made for indoors, with alarm and ventilation",
            in_a_row(lacks) if heaters and lacks else "",
        ),
        headline=lambda: (
            say("Nothing here burns fuel")
            if not heaters
            else say("{names} is not made for indoors", names=in_a_row(bad))
            if bad
            else say("{names} without {lacks}", names=heaters[0], lacks=in_a_row(lacks))
            if lacks
            else say("{names} burns fuel: air the room while it is on", names=heaters[0])
        ),
        formula="fuel heaters, what their maker allows, alarm and ventilation",
        inputs=lambda: (
            Input("Alarm", yes_or_no(alarm), Basis.MEASURED),
            Input("Can be aired", yes_or_no(aired), Basis.MEASURED),
        ),
        cures=lambda: (
            say("Choose an electric heater without a fan."),
            say("Add {lacks}.", lacks=in_a_row(lacks) if lacks else "air"),
        ),
    )


@check("noise.devices", title="Hum of the devices", place=IN_ROOM)
def hum(
    brief: Annotated[Brief, "noise"],
    machine: Annotated[Machine, "name", "noise_db"] | None,
    display: Annotated[Display, "name", "noise_db"] | None,
    displays: Annotated[Beside[Display], "name", "noise_db"],
    heaters: Annotated[Beside[Heater], "name", "noise_db"],
    fans: Annotated[Beside[Ventilation], "name", "noise_db"],
) -> Answer:
    """The loudest device is no louder than the house puts up with: 45 dB for any, 38 damped, 32 quiet, a metre away.

    Where any noise is fine a louder one is only a pity.
    """
    hung = [_level(device) for device in (machine, display) if device is not None]
    levels = [*hung, *map(_level, displays), *map(_level, heaters), *map(_level, fans)]
    if not levels:
        raise MissingFact("Which devices hum", "Choose a machine and a display.")
    loudest, name = max(levels)
    most = MOST_DB[brief.noise]
    leeway = ENDLESS if brief.noise is Noise.ANY else 0.0
    limit = at_most(loudest, most, most - DB_COMFORT, Unit.DECIBEL, tolerated=leeway)
    return Answer(
        limit,
        headline=lambda: say("{name} hums at {level}, {most} are borne", name=name, level=limit.has, most=limit.wants),
        formula="what the house puts up with − the loudest device",
        inputs=lambda: (
            Input("Noise", brief.noise.value, Basis.MEASURED),
            *(stated_input(name, Quantity(level, Unit.DECIBEL)) for level, name in levels),
        ),
        cures=lambda: (say("Run it in its quiet mode, put it outside the room, or choose a quieter one."),),
        basis=Basis.TRADE,
    )


def _listened(brief: Brief) -> bool:
    return is_wanted(brief, Purpose.FILMS) or is_wanted(brief, Purpose.FAMILY_GAMES)


@derive
def speaker(
    brief: Annotated[Brief, "purposes"], display: Annotated[Display, "name", "speaker_w"]
) -> SpeakerNeed | None:
    """Films and family games want 15 W of sound; where the display gives less, a speaker does."""
    if not _listened(brief) or known(display, "speaker_w") >= SPEAKER_LEAST_W:
        return None
    why = say("{display} gives {own} of sound", display=display.name, own=_watts(display.speaker_w or 0.0))
    return SpeakerNeed(pieces(1), why, (ask_at_least("output_w", SPEAKER_LEAST_W),))


@check("sound.speaker", title="Sound", place=on(Slot.DISPLAY))
def sound(
    brief: Annotated[Brief, "purposes"],
    display: Annotated[Display, "speaker_w"],
    need: SpeakerNeed | None,
    speakers: Annotated[Beside[Speaker], "output_w"],
) -> Answer:
    """Films and family games want 15 W of sound; a projector's own speaker is poor, and none at all is silence."""
    own = known(display, "speaker_w")
    best = max((own, *(known(speaker, "output_w") for speaker in speakers)))
    limit = at_least(best, SPEAKER_LEAST_W, unit=Unit.WATT, tolerated=ENDLESS if best else 0.0)
    listened = _listened(brief)
    return Answer(
        limit if listened else Words(State.CLEAR, limit.has, "any"),
        headline=lambda: (
            say("{best} of sound, {least} are wanted", best=limit.has, least=limit.wants)
            if listened
            else say("{best} of sound", best=limit.has)
        ),
        formula="the strongest speaker − 15 W, where films or family games weigh 3 or more",
        inputs=lambda: (
            stated_input("Its own speaker", _watts(own)),
            stated_input("A speaker is needed", yes_or_no(need)),
            *(stated_input(s.name, _watts(s.output_w or 0.0)) for s in speakers),
        ),
        cures=lambda: (say("Choose a speaker; one with a cable has no delay."),),
        basis=Basis.TRADE,
    )


def _level(part: Machine | Display | Heater | Ventilation) -> tuple[float, str]:
    return known(part, "noise_db"), part.name


def opened(room: Room) -> list[str]:
    """Names of the windows and doors that open. Raises `MissingFact` while no window or door was entered."""
    return [opening.name for opening in looked_for(room, Looked.OPENINGS) if opening.opens is not Opens.NOT]


def _watts(value: float) -> Quantity:
    return Quantity(value, Unit.WATT)
