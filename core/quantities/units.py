"""The units in which the core keeps quantities, and the two systems in which people read them."""

from enum import StrEnum


class UnitSystem(StrEnum):
    """How a person reads and types quantities. The core itself always computes in SI."""

    METRIC = "metric"
    IMPERIAL = "imperial"


class Unit(StrEnum):
    """The unit a stored or computed number is in; the value is its symbol."""

    METRE = "m"
    SQUARE_METRE = "m²"
    METRE_PER_SECOND = "m/s"
    DEGREE = "°"
    LUMEN = "lm"
    LUX = "lux"
    CANDELA_PER_SQUARE_METRE = "cd/m²"
    PIXELS_PER_DEGREE = "px/°"
    LINES = "lines"
    GIGABYTE = "GB"
    SHARE = "%"
    RATIO = ": 1"
    FACTOR = "×"
    GRADE = "class"
    TIER = "tier"
    GRADES = "classes"
    TIERS = "tiers"
    PLAYERS = "players"
    YEAR = "years"
    WEEK = "weeks"
    MINUTE = "min"
    MILLISECOND = "ms"
    HOUR = "h"
    WATT = "W"
    CELSIUS = "°C"
    KILOGRAM = "kg"
    DECIBEL = "dB"
    LITRE_PER_SECOND = "L/s"
    AMPERE = "A"
    VOLT = "V"
    PIECES = "pieces"
    COURSES = "courses"
    PIXELS = "px"
    MINOR_MONEY = "minor units"
    FINE_MONEY = "minor units and parts of them"


KILOGRAMS_PER_POUND = 0.45359237
LITRES_PER_SECOND_PER_CUBIC_FOOT_PER_MINUTE = 0.4719474
METRES_PER_INCH = 0.0254
METRES_PER_FOOT = 0.3048
METRES_PER_SECOND_PER_MPH = 0.44704
SQUARE_METRES_PER_SQUARE_FOOT = METRES_PER_FOOT**2
LUX_PER_FOOTCANDLE = 10.764
CANDELA_PER_SQUARE_METRE_PER_FOOTLAMBERT = 3.426
