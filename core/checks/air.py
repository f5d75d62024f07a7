"""Heat and air in a closed room, heaters that burn fuel, and how loud the devices are (trade)."""

from core.checks.figures import counted, listed, stated, worded
from core.checks.places import IN_ROOM, on
from core.checks.power import Load
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.checks.weights import wanted
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import MissingFact, known, known_players
from core.model.household import Noise
from core.model.kit import Beside
from core.model.parts import CarbonMonoxideAlarm, Display, Heater, Lamp, Machine, Speaker, Ventilation
from core.model.room import Room
from core.model.things import Opens
from core.quantities import Quantity, Unit, say

AIR_PER_PERSON_L_S = 10.0
PERSON_W = 150.0
"""What one gives off at play."""
AIR_COMFORT_SHARE = 0.1
HEAT_PER_CUBIC_METRE_W = 20.0
"""Beyond this a closed room grows warm within a session (trade)."""
MOST_DB = {Noise.ANY: 45.0, Noise.DAMPED: 38.0, Noise.QUIET: 32.0}
"""Hum of all devices that each kind of household puts up with (trade)."""
DB_COMFORT = 3.0
SPEAKER_LEAST_W = 15.0
"""A projector's own speaker is below this, and poor (trade)."""


@check("air.fresh", title="Fresh air", place=IN_ROOM)
def fresh_air(brief: Brief, room: Room, fans: Beside[Ventilation]) -> Verdict:
    """10 L/s of fresh air for everybody who plays: by a fan, or by a window or door that can be opened.

    What opens counts as enough, but has to be opened: without a fan it is tight. A closed room without either blocks.
    """
    people = len(known_players(brief))
    needs = AIR_PER_PERSON_L_S * people
    has = sum(known(fan.airflow_l_s, fan, "airflow") for fan in fans)
    opens = opened(room) if has < needs else []
    if has >= needs:
        state = judge(has - needs, AIR_COMFORT_SHARE * needs)
    else:
        state = State.TIGHT if opens else State.BLOCKED
    return counted(
        state,
        say("{has} of fresh air for {needs}", has=_flow(has), needs=_flow(needs))
        if fans or not opens
        else say("{needs} of fresh air only while {opens} is open", needs=_flow(needs), opens=opens[0]),
        Unit.LITRE_PER_SECOND,
        has=has,
        needs=needs,
        formula="airflow of fans − 10 L/s × players",
        inputs=lambda: (
            Input("Players", str(people), Basis.MEASURED),
            Input("Can be opened", listed(o.name for o in room.openings if o.opens is not Opens.NOT), Basis.MEASURED),
            *(stated(fan.name, _flow(fan.airflow_l_s or 0.0)) for fan in fans),
        ),
        cures=(
            say(
                "Choose a fan for {needs}, or air the room between rounds.",
                needs=_flow(needs * (1 + AIR_COMFORT_SHARE)),
            ),
        ),
        basis=Basis.TRADE,
    )


@check("air.heat", title="Heat in the room", place=IN_ROOM)
def heat(brief: Brief, room: Room, load: Load, fans: Beside[Ventilation]) -> Verdict:
    """People at 150 W each and all devices warm the room: over 20 W for each cubic metre it wants a fan or a window."""
    people = len(known_players(brief))
    volume_m3 = room.width_m * room.length_m * (room.ceiling_m - room.lining_m)
    watts = PERSON_W * people + load.total_w
    most = HEAT_PER_CUBIC_METRE_W * volume_m3
    aired = watts <= most or bool(fans) or bool(opened(room))
    state = State.CLEAR if watts <= most else State.TIGHT if aired else State.BLOCKED
    return counted(
        state,
        say("{watts} of heat in the room, {most} are borne", watts=_watts(watts), most=_watts(most)),
        Unit.WATT,
        has=watts,
        needs=most,
        formula="20 W/m³ × volume − (150 W × players + watts of all devices)",
        inputs=lambda: (
            Input("Players", str(people), Basis.MEASURED),
            Input("Volume", f"{volume_m3:.1f} m³", Basis.MEASURED),
            *(stated(name, _watts(value)) for name, value in load.watts),
        ),
        cures=(say("Air the room, or put the computer outside it."),),
        basis=Basis.TRADE,
        at_most=True,
    )


@check("heater.fuel", title="Heater that burns fuel", place=IN_ROOM)
def fuel(
    room: Room, all_heaters: Beside[Heater], alarms: Beside[CarbonMonoxideAlarm], fans: Beside[Ventilation]
) -> Verdict:
    """A heater that burns fuel is used indoors only if made for it, with ventilation and a carbon-monoxide alarm.

    Carbon monoxide is not smelt and kills. Local codes come first.
    """
    heaters = [heater for heater in all_heaters if known(heater.method, heater, "way of heating") == "fuel"]
    bad = [heater.name for heater in heaters if not known(heater.made_for_indoors, heater, "use indoors")]
    alarm = bool(alarms)
    aired = not heaters or bool(fans) or bool(opened(room))
    lacks = [*(() if alarm else ("a carbon-monoxide alarm",)), *(() if aired else ("ventilation",))]
    if not heaters:
        state, headline = State.CLEAR, say("Nothing burns fuel in here")
    elif bad:
        state, headline = State.BLOCKED, say("{names} is not made for indoors", names=listed(bad))
    elif lacks:
        state, headline = State.BLOCKED, say("{names} without {lacks}", names=heaters[0].name, lacks=listed(lacks))
    else:
        state, headline = State.TIGHT, say("{names} burns fuel: air the room while it is on", names=heaters[0].name)
    return worded(
        state,
        headline,
        has=listed(heater.name for heater in heaters),
        wants="none, or made for indoors, with alarm and ventilation",
        formula="fuel heaters, what their maker allows, alarm and ventilation",
        inputs=lambda: (
            Input("Alarm", "yes" if alarm else "no", Basis.MEASURED),
            Input("Can be aired", "yes" if aired else "no", Basis.MEASURED),
        ),
        cures=(
            say("Choose an electric heater without a fan."),
            say("Add {lacks}.", lacks=listed(lacks) if lacks else "air"),
        ),
    )


@check("noise.devices", title="Hum of the devices", place=IN_ROOM)
def hum(
    brief: Brief,
    machine: Machine | None,
    display: Display | None,
    displays: Beside[Display],
    heaters: Beside[Heater],
    fans: Beside[Ventilation],
) -> Verdict:
    """The loudest device is no louder than the house puts up with: 45 dB for any, 38 damped, 32 quiet, a metre away."""
    hung = [_level(device) for device in (machine, display) if device is not None]
    levels = [*hung, *map(_level, displays), *map(_level, heaters), *map(_level, fans)]
    if not levels:
        raise MissingFact("Which devices hum", "Choose a machine and a display.")
    loudest, name = max(levels)
    most = MOST_DB[brief.noise]
    state = (
        State.CLEAR
        if loudest <= most - DB_COMFORT
        else State.TIGHT
        if loudest <= most or brief.noise is Noise.ANY
        else State.BLOCKED
    )
    return counted(
        state,
        say("{name} hums at {level}, {most} are borne", name=name, level=_db(loudest), most=_db(most)),
        Unit.DECIBEL,
        has=loudest,
        needs=most,
        formula="what the house puts up with − the loudest device",
        inputs=lambda: (
            Input("Noise", brief.noise.value, Basis.MEASURED),
            *(stated(name, _db(level)) for level, name in levels),
        ),
        cures=(say("Run it in its quiet mode, put it outside the room, or choose a quieter one."),),
        basis=Basis.TRADE,
        at_most=True,
    )


@check("sound.speaker", title="Sound", place=on(Slot.DISPLAY))
def sound(brief: Brief, display: Display, speakers: Beside[Speaker]) -> Verdict:
    """Films and family games want 15 W of sound; a projector's own speaker is poor, and none at all is silence."""
    listened = wanted(brief, Purpose.FILMS) or wanted(brief, Purpose.FAMILY_GAMES)
    own = known(display.speaker_w, display, "speaker")
    best = max((own, *(known(speaker.output_w, speaker, "power") for speaker in speakers)))
    poor = State.TIGHT if best else State.BLOCKED
    state = State.CLEAR if not listened or best >= SPEAKER_LEAST_W else poor
    return counted(
        state,
        say("{best} of sound, {least} are wanted", best=_watts(best), least=_watts(SPEAKER_LEAST_W))
        if listened
        else say("{best} of sound", best=_watts(best)),
        Unit.WATT,
        has=best,
        needs=SPEAKER_LEAST_W if listened else 0.0,
        formula="the strongest speaker − 15 W, where films or family games weigh 3 or more",
        inputs=lambda: (
            stated("Its own speaker", _watts(own)),
            *(stated(s.name, _watts(s.output_w or 0.0)) for s in speakers),
        ),
        cures=(say("Choose a speaker; one with a cable has no delay."),),
        basis=Basis.TRADE,
    )


@check("light.screen", title="No lamp on the screen", place=IN_ROOM)
def lamp_on_screen(all_lamps: Beside[Lamp]) -> Verdict:
    """No lamp shines on the screen while people play: it greys the picture. Walls are dark and matt."""
    lamps = [(known(lamp.lights, lamp, "place it lights"), lamp.name) for lamp in all_lamps]
    shining = [name for lights, name in lamps if lights == "screen"]
    washing = [name for lights, name in lamps if lights == "room"]
    state = State.BLOCKED if shining else State.TIGHT if washing else State.CLEAR
    return worded(
        state,
        say("{names} shines on the screen", names=listed(shining))
        if shining
        else say("{names} lights the whole room: off while playing", names=listed(washing))
        if washing
        else say("No lamp shines on the screen"),
        has=listed([*shining, *washing]),
        wants="none",
        formula="lamps that light screen or room",
        inputs=lambda: tuple(stated(name, lights) for lights, name in lamps) or (stated("Lamps", "none"),),
        cures=(say("Turn it to the ball, or have it on a switch of its own."),),
        basis=Basis.TRADE,
    )


def _level(part: Machine | Display | Heater | Ventilation) -> tuple[float, str]:
    return known(part.noise_db, part, "noise"), part.name


def opened(room: Room) -> list[str]:
    """Names of the windows and doors that open. Raises `MissingFact` while no window or door was entered."""
    if not room.openings:
        raise MissingFact("Which windows and doors the room has", "Enter them with the room.")
    return [opening.name for opening in room.openings if opening.opens is not Opens.NOT]


def _flow(value: float) -> Quantity:
    return Quantity(value, Unit.LITRE_PER_SECOND)


def _watts(value: float) -> Quantity:
    return Quantity(value, Unit.WATT)


def _db(value: float) -> Quantity:
    return Quantity(value, Unit.DECIBEL)
