"""Numbers with a unit as people type them, and as they are told back to be typed over."""

import re

from core.quantities.numerals import read_numeral
from core.quantities.quantity import Quantity, told_whole
from core.quantities.units import (
    KILOGRAMS_PER_POUND,
    LITRES_PER_SECOND_PER_CUBIC_FOOT_PER_MINUTE,
    LUX_PER_FOOTCANDLE,
    METRES_PER_SECOND_PER_MPH,
    Unit,
    UnitSystem,
)

_POUND, _CUBIC_FOOT = KILOGRAMS_PER_POUND, LITRES_PER_SECOND_PER_CUBIC_FOOT_PER_MINUTE
_SPEEDS = {"m/s": 1.0, "mph": METRES_PER_SECOND_PER_MPH, "km/h": 1 / 3.6}
_LIGHTS = {"lux": 1.0, "lx": 1.0, "fc": LUX_PER_FOOTCANDLE, "footcandles": LUX_PER_FOOTCANDLE}
_POWERS = {"w": 1.0, "watt": 1.0, "watts": 1.0, "kw": 1000.0, "kilowatts": 1000.0}
_HOURS = dict.fromkeys(("h", "hour", "hours", "hrs"), 1.0)
_MINUTES = dict.fromkeys(("min", "mins", "minute", "minutes"), 1.0)


def _same(symbol: str) -> dict[UnitSystem, str]:
    return dict.fromkeys(UnitSystem, symbol)


READ_IN: dict[Unit, tuple[dict[str, float], dict[UnitSystem, str], str]] = {
    Unit.METRE_PER_SECOND: (
        _SPEEDS,
        {UnitSystem.METRIC: "m/s", UnitSystem.IMPERIAL: "mph"},
        "a speed such as 60, 60 m/s, 134 mph or 216 km/h",
    ),
    Unit.SHARE: ({"%": 0.01}, _same("%"), "a percentage such as 10 or 7.5 %"),
    Unit.LUX: (_LIGHTS, {UnitSystem.METRIC: "lux", UnitSystem.IMPERIAL: "fc"}, "a light level such as 30 lux or 3 fc"),
    Unit.HOUR: (_HOURS, _same("h"), "hours such as 4, 3.5 or 4 h"),
    Unit.MINUTE: ({**_MINUTES, **dict.fromkeys(_HOURS, 60.0)}, _same("min"), "minutes such as 20 or 20 min"),
    Unit.VOLT: ({"v": 1.0, "volt": 1.0, "volts": 1.0}, _same("v"), "a voltage such as 230 or 120 V"),
    Unit.AMPERE: ({"a": 1.0, "amp": 1.0, "amps": 1.0, "amperes": 1.0}, _same("a"), "a current such as 16 or 16 A"),
    Unit.WATT: (
        _POWERS,
        _same("w"),
        "a power such as 300, 300 W or 1.5 kW",
    ),
    Unit.KILOGRAM: (
        {
            **dict.fromkeys(("kg", "kilo", "kilos", "kilograms"), 1.0),
            **dict.fromkeys(("g", "grams"), 0.001),
            **dict.fromkeys(("lb", "lbs", "pound", "pounds"), _POUND),
        },
        {UnitSystem.METRIC: "kg", UnitSystem.IMPERIAL: "lb"},
        "a weight such as 4.2, 4.2 kg or 9 lb",
    ),
    Unit.LITRE_PER_SECOND: (
        {"l/s": 1.0, "cfm": _CUBIC_FOOT},
        {UnitSystem.METRIC: "l/s", UnitSystem.IMPERIAL: "cfm"},
        "an airflow such as 35, 35 L/s or 74 cfm",
    ),
    Unit.DECIBEL: ({"db": 1.0, "decibel": 1.0, "decibels": 1.0}, _same("db"), "a level such as 34 or 34 dB"),
    Unit.LUMEN: ({"lm": 1.0, "lumen": 1.0, "lumens": 1.0}, _same("lm"), "a brightness such as 4000 or 4000 lm"),
    Unit.DEGREE: ({"°": 1.0, "deg": 1.0, "degrees": 1.0}, _same("°"), "an angle such as 20 or 20°"),
    Unit.GIGABYTE: ({"gb": 1.0, "gigabytes": 1.0, "tb": 1000.0}, _same("gb"), "a memory such as 16 or 16 GB"),
    Unit.LINES: ({"lines": 1.0, "p": 1.0}, _same("lines"), "a number of lines such as 1080"),
    Unit.PIXELS: ({"px": 1.0, "pixels": 1.0}, _same("px"), "a number of pixels such as 1920"),
    Unit.PIECES: ({"pieces": 1.0, "piece": 1.0}, _same("pieces"), "a number of pieces such as 4"),
    Unit.GRADE: ({"class": 1.0}, _same("class"), "a class from 1 to 10"),
    Unit.TIER: ({"tier": 1.0}, _same("tier"), "a tier from 0 to 9"),
    Unit.RATIO: ({":1": 1.0}, _same(":1"), "a ratio such as 1200 or 1200:1"),
    Unit.FACTOR: ({"×": 1.0, "x": 1.0, ":1": 1.0}, _same("×"), "a factor such as 1.1, or a ratio such as 1.6:1"),
}
"""By unit: what each symbol is worth in it, the symbol meant by a bare number, and what is accepted, in words."""
WHOLE = frozenset({Unit.LINES, Unit.PIXELS, Unit.PIECES, Unit.GRADE, Unit.TIER})
"""Kept as whole numbers."""
PLAIN_IN_BOTH = frozenset(
    {Unit.HOUR, Unit.MINUTE, Unit.LUMEN, Unit.WATT, Unit.DECIBEL, Unit.GIGABYTE, Unit.VOLT, Unit.RATIO}
)
"""Typed in the same unit in both systems, with no more decimals than they have."""
SHARE_DECIMALS = 6
_TYPED = re.compile(
    r"(?:(?P<before>[a-z]+)\s+)?(?P<minus>-?)(?P<digits>[\d.,'’\s]*\d)\s*(?P<after>[a-z/%°×:1]*)", re.IGNORECASE
)
PLAIN_FORMAT = ".10g"
"""As many digits as are kept, never with an exponent, which would not be read back."""


class NotRead(ValueError):
    """A text that is no number of the kind asked for; its message says what is accepted."""


def read_number(text: str, unit: Unit, system: UnitSystem) -> float:
    """The number in `text`, in `unit`; a bare one is in the reader's own. Raises `NotRead`.

    >>> read_number("1.5 kW", Unit.WATT, UnitSystem.METRIC)
    1500.0
    """
    symbols, bare, accepted = READ_IN[unit]
    match = _TYPED.fullmatch(text.strip().replace(": 1", ":1").replace("−", "-"))
    numeral = read_numeral(match["digits"]) if match else None
    typed = (match["before"] or match["after"]) if match else ""
    symbol = (typed or bare[system]).lower()
    if match is None or numeral is None or symbol not in symbols or (match["before"] and match["after"]):
        raise NotRead(accepted)
    if numeral.otherwise is not None and not _groups_thousands(unit, system, symbols[symbol]):
        meant = " or ".join(f"{number:g} {typed or symbol}" for number in (numeral.value, numeral.otherwise))
        raise NotRead(f"{meant}, whichever is meant")
    number = numeral.value * symbols[symbol] * (-1 if match["minus"] else 1)
    if unit in WHOLE and number != int(number):
        raise NotRead(accepted)
    return int(number) if unit in WHOLE else round(number, SHARE_DECIMALS) if unit is Unit.SHARE else number


def _groups_thousands(unit: Unit, system: UnitSystem, factor: float) -> bool:
    """A comma before three digits is between thousands: where quantities are told so, and for who writes no other."""
    return system is UnitSystem.IMPERIAL or (factor == 1.0 and told_whole(unit))


def number_text(value: float, unit: Unit, system: UnitSystem) -> str:
    """`value` as it is typed, without marks between thousands, which would be read as decimals."""
    if unit is Unit.SHARE:
        return f"{value * 100:{PLAIN_FORMAT}} %"
    if unit in (Unit.GRADE, Unit.TIER, Unit.PIECES):
        return f"{value:.0f}"
    if unit in WHOLE or unit in PLAIN_IN_BOTH:
        return f"{value:{PLAIN_FORMAT}} {unit}"
    return Quantity(value, unit).text(system).replace(",", "")
