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
from core.checks.weights import is_wanted, tolerance_of
from core.geometry.ceiling import Ceiling
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import MissingFact, known, known_players, looked_for
from core.model.household import Noise
from core.model.kit import Beside
from core.model.parts import CarbonMonoxideAlarm, Cooler, Display, Heater, Machine, Speaker, Ventilation
from core.model.room import Room
from core.model.things import Cover, Looked, Opening, OpeningKind, Opens, Remedy, Thing, ThingKind
from core.quantities import Quantity, Unit, say

AIR_PER_PERSON_L_S = 10.0
VISITORS = 2
"""How many come along where visitors play (trade)."""
PLAYING_C = 15.0
"""Cooler than that hands and balls grow hard (trade)."""
U_BARE, U_INSULATED = 2.0, 0.4
"""W/m²K of walls and roof without and with insulation (trade)."""
AIR_CHANGES = 0.5
"""An hour, of a shut room (trade)."""
SUN_W_PER_M2 = 270.0
"""Through a square metre of glass: 400 W on it, of which 0.68 passes (trade)."""
SUN_THROUGH = {Cover.CURTAIN: 0.5, Cover.BLACKOUT: 0.1}
"""What of it is left behind a curtain or a blind (trade)."""
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
    brief: Annotated[Brief, "players", "visitors"],
    room: Annotated[Room, "none_of", "openings"],
    fans: Annotated[Beside[Ventilation], "airflow_l_s"],
) -> Answer:
    """10 L/s of fresh air for everybody who plays, and for two visitors where there are some.

    By a fan, or by a window or door that can be opened.

    What opens counts as enough, but has to be opened: without a fan it is tight. A closed room without either blocks.
    """
    people = people_in(brief)
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
        formula="airflow of fans − 10 L/s × people",
        inputs=lambda: (
            Input("People", str(people), Basis.MEASURED),
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
    brief: Annotated[Brief, "players", "visitors"],
    room: Annotated[Room, "length_m", "none_of", "openings", "width_m"],
    ceiling: Ceiling,
    load: Load,
    fans: Annotated[Beside[Ventilation], THERE],
) -> Answer:
    """People at 150 W each and all devices warm the room: over 20 W for each cubic metre it wants a fan or a window."""
    people = people_in(brief)
    volume_m3 = ceiling.volume_m3(room.width_m, room.length_m)
    watts, most = given_off_w(brief, load), borne_w(ceiling, room)
    aired = watts <= most or bool(fans) or bool(opened(room))
    limit = at_most(watts, most, unit=Unit.WATT, tolerated=ENDLESS if aired else 0.0)
    return Answer(
        limit,
        headline=lambda: say("{watts} of heat in the room; it takes up to {most}", watts=limit.has, most=limit.wants),
        formula="20 W/m³ × volume under the ceiling − (150 W × people + watts of all devices)",
        inputs=lambda: (
            Input("People", str(people), Basis.MEASURED),
            Input("Volume", f"{volume_m3:.1f} m³", Basis.MEASURED),
            *(stated_input(name, _watts(value)) for name, value in load.watts),
        ),
        cures=lambda: (say("Air the room, or put the computer outside it."),),
        basis=Basis.TRADE,
    )


@check("air.cooling", title="Cooling", place=IN_ROOM)
def cooling(
    brief: Annotated[Brief, "players", "visitors"],
    room: Annotated[Room, "length_m", "none_of", "openings", "width_m"],
    ceiling: Ceiling,
    load: Load,
    coolers: Annotated[Beside[Cooler], "cools_w", "hose", "name"],
) -> Answer:
    """Where a room grows warmer than it bears, a cooler carries off people, devices and sun; a hose wants a window.

    Sun is 270 W through a square metre of glass, a tenth of that behind a blackout blind and half behind a curtain
    (trade). Without a cooler it is tight: people air the room, or play in the evening. A hose with nowhere to go is
    blocked.
    """
    heat_w, most_w = given_off_w(brief, load) + sun_w(room), borne_w(ceiling, room)
    has_w = sum(known(cooler, "cools_w") * count for cooler, count in coolers.counted())
    hoses = [cooler.name for cooler in coolers if known(cooler, "hose")]
    shut = bool(hoses) and not opened(room)
    limit = at_most(max(0.0, heat_w - has_w), most_w, unit=Unit.WATT, tolerated=ENDLESS)
    return Answer(
        (limit, Words(State.BLOCKED, "no window opens", "a way out for the hose")) if shut else limit,
        headline=lambda: (
            say("The hose of {cooler} has no window or door to leave by", cooler=hoses[0])
            if shut
            else say("{heat} stays in the room; it takes up to {most}", heat=limit.has, most=limit.wants)
        ),
        formula="20 W/m³ × volume − (150 W × people + devices + sun − what coolers carry off)",
        inputs=lambda: (
            Input("People", _watts(PERSON_W * people_in(brief)), Basis.TRADE),
            Input("Devices", _watts(load.total_w), Basis.SPEC),
            Input("Sun", _watts(sun_w(room)), Basis.TRADE),
            *(stated_input(cooler.name, _watts(cooler.cools_w or 0.0)) for cooler in coolers),
        ),
        cures=lambda: (
            say("Choose a cooler for {more}, or a blind before the windows.", more=_watts(max(0.0, heat_w - most_w))),
            say("Open a window before you start: a hose takes its place while the cooler runs."),
        ),
        basis=Basis.TRADE,
    )


def given_off_w(brief: Brief, load: Load) -> float:
    """What people and devices give off at play, in watts."""
    return PERSON_W * people_in(brief) + load.total_w


def borne_w(ceiling: Ceiling, room: Room) -> float:
    """What a room bears before it grows warm within a session, in watts."""
    return HEAT_PER_CUBIC_METRE_W * ceiling.volume_m3(room.width_m, room.length_m)


def sun_w(room: Room) -> float:
    """What the sun brings in through windows, in watts. Raises `MissingFact` while no window or door was entered.

    1.2 × 1.0 m without a blind: 324 W.
    """
    openings: tuple[Opening, ...] = looked_for(room, Looked.OPENINGS)
    windows = (opening for opening in openings if opening.kind is OpeningKind.WINDOW)
    return sum(
        window.width_m * window.height_m * SUN_W_PER_M2 * SUN_THROUGH.get(window.cover or Cover.NOTHING, 1.0)
        for window in windows
    )


def people_in(brief: Brief) -> int:
    """Everybody who plays, and visitors where there are some."""
    return len(known_players(brief)) + (VISITORS if brief.visitors else 0)


def heat_needed_w(area_m2: float, volume_m3: float, insulated: bool, degrees: float) -> float:
    """What keeps a room so many degrees warmer than outside, in watts: U·A·ΔT + 0.33·n·V·ΔT.

    4 × 6 × 2.5 m without insulation, 15 degrees: 2.0 · 98 · 15 + 0.33 · 0.5 · 60 · 15 = 3,088.5 W.

    >>> heat_needed_w(98, 60, False, 15)
    3088.5
    """
    return (U_INSULATED if insulated else U_BARE) * area_m2 * degrees + 0.33 * AIR_CHANGES * volume_m3 * degrees


@check("air.warmth", title="Warmth in the cold", place=IN_ROOM)
def warmth(
    room: Annotated[Room, "ceiling_m", "coldest", "insulated", "length_m", "none_of", "things", "width_m"],
    ceiling: Ceiling,
    heaters: Annotated[Beside[Heater], "heat_w", "name"],
) -> Answer:
    """On the coldest day that people play, heaters keep the room at 15 °C: U·A·ΔT + 0.33·n·V·ΔT (trade).

    U is 2.0 W/m²K without insulation and 0.4 with it, n half an air change an hour. A radiator of the house does. With
    less it is tight, and below freezing with nothing at all nobody plays: blocked. Before a radar a fan heater warms
    the room, and is off at play.
    """
    outside_c = known(room, "coldest").celsius
    degrees = PLAYING_C - outside_c
    radiators = [thing.name for thing in looked_for(room, Looked.THINGS) if thing.kind is ThingKind.RADIATOR]
    volume_m3 = ceiling.volume_m3(room.width_m, room.length_m)
    area_m2 = 2 * (room.width_m * room.length_m + (room.width_m + room.length_m) * room.ceiling_m)
    needed_w = heat_needed_w(area_m2, volume_m3, known(room, "insulated"), degrees) if degrees else 0.0
    has_w = sum(known(heater, "heat_w") * count for heater, count in heaters.counted())
    freezing = outside_c < 0 and has_w == 0
    limit = at_least(has_w, needed_w, unit=Unit.WATT, tolerated=0.0 if freezing else ENDLESS)
    minutes = 0.34 * volume_m3 * degrees * 4 / has_w * 60 if has_w else 0.0
    return Answer(
        Words(State.CLEAR, in_a_row(radiators), "heat") if radiators else limit,
        headline=lambda: (
            say("{radiator} of the house heats it", radiator=radiators[0])
            if radiators
            else say("{playing} outside is warm enough", playing=_celsius(outside_c))
            if not degrees
            else say("{has} of heat for {need} to keep {it}", has=limit.has, need=limit.wants, it=_celsius(PLAYING_C))
        ),
        formula="heat of all heaters − (U·A·ΔT + 0.33·n·V·ΔT)",
        inputs=lambda: (
            Input("Outside", _celsius(outside_c), Basis.TRADE),
            Input("Walls, floor and ceiling", f"{area_m2:.0f} m²", Basis.MEASURED),
            Input("Volume", f"{volume_m3:.1f} m³", Basis.MEASURED),
            Input("Insulated", yes_or_no(room.insulated), Basis.MEASURED),
            Input("Warm after", f"{minutes:.0f} min" if minutes else "never", Basis.TRADE),
        ),
        cures=lambda: (
            say("Choose heaters for {needed}: radiant or oil ones move no air.", needed=limit.wants),
            say("Insulate walls and roof: it takes a fifth of the heat."),
        ),
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
    brief: Annotated[Brief, "noise", "purposes"],
    machine: Annotated[Machine, "name", "noise_db"] | None,
    display: Annotated[Display, "name", "noise_db"] | None,
    displays: Annotated[Beside[Display], "name", "noise_db"],
    heaters: Annotated[Beside[Heater], "name", "noise_db"],
    fans: Annotated[Beside[Ventilation], "name", "noise_db"],
    coolers: Annotated[Beside[Cooler], "name", "noise_db"],
) -> Answer:
    """The loudest device is no louder than the house puts up with: 45 dB for any, 38 damped, 32 quiet, a metre away.

    What neighbours hear is the strike: a louder fan is a pity, and ruled out only where films are a must.
    """
    hung = [_level(device) for device in (machine, display) if device is not None]
    levels = [*hung, *map(_level, displays), *map(_level, heaters), *map(_level, fans), *map(_level, coolers)]
    if not levels:
        raise MissingFact("Which devices hum", "Choose a machine and a display.")
    loudest, name = max(levels)
    most = MOST_DB[brief.noise]
    limit = at_most(loudest, most, most - DB_COMFORT, Unit.DECIBEL, tolerated=tolerance_of(brief, Purpose.FILMS))
    return Answer(
        limit,
        headline=lambda: say(
            "{name} hums at {level}; up to {most} is accepted", name=name, level=limit.has, most=limit.wants
        ),
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


def _level(part: Machine | Display | Heater | Ventilation | Cooler) -> tuple[float, str]:
    return known(part, "noise_db"), part.name


def opened(room: Room) -> list[str]:
    """Names of the windows and doors that open. Raises `MissingFact` while no window or door was entered."""
    return [opening.name for opening in looked_for(room, Looked.OPENINGS) if opening.opens is not Opens.NOT]


def _celsius(value: float) -> Quantity:
    return Quantity(value, Unit.CELSIUS)


def _watts(value: float) -> Quantity:
    return Quantity(value, Unit.WATT)
