"""Lengths as people type and read them: `2.4`, `2400mm`, `7'10½"`, `7 ft 10 1/2 in`."""

import re
from fractions import Fraction

from core.quantities.numerals import read_numeral
from core.quantities.tolerances import MILLIMETRES
from core.quantities.units import METRES_PER_FOOT, METRES_PER_INCH, UnitSystem

ACCEPTED_LENGTHS = "a length such as 2.4, 2400mm, 240 cm, 7'10½\" or 7 ft 10 1/2 in"
SMALLEST_INCH_FRACTION = 16
LONGEST_M = 100.0
"""No length of the job is longer."""

_VULGAR_FRACTIONS = {
    "½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8", "⅓": "1/3", "⅔": "2/3",
}  # fmt: skip
_PRINTED_FRACTIONS = {Fraction(text): sign for sign, text in _VULGAR_FRACTIONS.items()}
_METRES_PER_METRIC_UNIT = {"m": 1.0, "cm": 0.01, "mm": 0.001}

_NUMBER = r"\d+(?:\.\d+)?|\.\d+"
_MIXED = rf"(?:(?:{_NUMBER})(?:\s+\d+/[1-9]\d*)?|\d+/[1-9]\d*)"
_METRIC = re.compile(r"(?P<numeral>[\d., ]*\d)\s*(?P<unit>mm|cm|m)?")
_MAYBE_THOUSANDS = re.compile(r"(?<=\d),(?=\d{3}(?!\d))")
_IMPERIAL = re.compile(
    rf"(?:(?P<feet>{_MIXED})\s*(?:'|ft|feet|foot))?\s*-?\s*"
    rf"(?:(?P<inches>{_MIXED})\s*(?:\"|in|inch|inches)?)?"
)


class LengthError(ValueError):
    """Text that is not a length. Carries the text and what is accepted."""

    def __init__(self, text: str) -> None:
        super().__init__(f"'{text}' is not a length; accepted: {ACCEPTED_LENGTHS}")
        self.text = text


class AmbiguousLength(LengthError):
    """A length that may be one of several; its message asks which.

    A comma may be between thousands or before decimals, and no room is 193 m wide.
    """

    def __init__(self, text: str, *meant: str) -> None:
        super().__init__(text)
        self.args = (f"{' or '.join(meant)}, whichever is meant",)


def parse_length(text: str, system: UnitSystem = UnitSystem.METRIC) -> float:
    """Metres meant by `text`; a bare number is metres in the metric system and feet in the imperial one.

    A leading minus makes it negative. Raises `LengthError` for anything else.

    >>> parse_length("2.4"), parse_length("2400mm")
    (2.4, 2.4)
    >>> round(parse_length("7'10½\\""), 4)
    2.4003
    >>> round(parse_length("7 ft 10 1/2 in"), 4)
    2.4003
    """
    cleaned = _tidy(text)
    if cleaned.startswith("-") and not cleaned.startswith("--"):
        return -parse_length(cleaned[1:], system)
    if metric := _METRIC.fullmatch(cleaned):
        return _metric_length(text, metric["numeral"], metric["unit"], system)
    if _MAYBE_THOUSANDS.search(cleaned) and system is UnitSystem.METRIC:
        raise AmbiguousLength(text, _MAYBE_THOUSANDS.sub("", cleaned), cleaned.replace(",", "."))
    imperial = _IMPERIAL.fullmatch(_MAYBE_THOUSANDS.sub("", cleaned).replace(",", "."))
    if imperial is None or not (imperial["feet"] or imperial["inches"]):
        raise LengthError(text)
    if imperial["feet"] is None and not re.search(r"[\"a-z]$", cleaned):
        raise LengthError(text)  # a bare fraction such as 1/2 says no unit
    feet, inches = _mixed_number(imperial["feet"]), _mixed_number(imperial["inches"])
    return float(feet) * METRES_PER_FOOT + float(inches) * METRES_PER_INCH


def _metric_length(text: str, digits: str, unit: str | None, system: UnitSystem) -> float:
    numeral = read_numeral(digits)
    if numeral is None:
        raise LengthError(text)
    bare_m = METRES_PER_FOOT if system is UnitSystem.IMPERIAL else 1.0
    factor_m = bare_m if unit is None else _METRES_PER_METRIC_UNIT[unit]
    too_long = LONGEST_M < numeral.value <= LONGEST_M * MILLIMETRES and numeral.otherwise is None
    if unit is None and system is UnitSystem.METRIC and too_long:
        raise AmbiguousLength(text, f"{numeral.value:g} cm", f"{numeral.value:g} mm")
    meant = [number for number in numeral if number is not None and number * factor_m <= LONGEST_M]
    if len(meant) > 1 and system is UnitSystem.METRIC:
        raise AmbiguousLength(text, *(f"{number:g} {unit or 'm'}" for number in meant))
    return round((meant[0] if meant else numeral.value) * factor_m, 9)


def format_length(length_m: float, system: UnitSystem) -> str:
    """`length_m` as a person reads it: metres or millimetres, or feet, inches and sixteenths.

    >>> format_length(2.4, UnitSystem.METRIC), format_length(0.0855, UnitSystem.METRIC)
    ('2.40 m', '85.5 mm')
    >>> format_length(2.4003, UnitSystem.IMPERIAL)
    '7 ft 10½ in'
    """
    return _format_metric(length_m) if system is UnitSystem.METRIC else _format_imperial(length_m)


def _tidy(text: str) -> str:
    cleaned = text.strip().lower().replace("′", "'").replace("’", "'").replace("″", '"').replace("”", '"')
    cleaned = cleaned.replace("''", '"').replace("−", "-")
    for sign, plain in _VULGAR_FRACTIONS.items():
        cleaned = re.sub(rf"(?<=\d)\s*{sign}", f" {plain}", cleaned).replace(sign, plain)
    return re.sub(r"\s+", " ", cleaned)


def _mixed_number(text: str | None) -> Fraction:
    return sum((Fraction(word) for word in text.split()), Fraction(0)) if text else Fraction(0)


def _format_metric(length_m: float) -> str:
    millimetres = round(length_m * 1000, 1)
    if abs(millimetres) < 1000:
        return f"{millimetres + 0.0:.1f}".removesuffix(".0").replace("-", "−") + " mm"
    text = f"{length_m:.3f}"
    return (text[:-1] if text.endswith("0") else text).replace("-", "−") + " m"


def _format_imperial(length_m: float) -> str:
    sixteenths = round(abs(length_m) / METRES_PER_INCH * SMALLEST_INCH_FRACTION)
    sign = "−" if length_m < 0 and sixteenths else ""
    feet, rest = divmod(sixteenths, 12 * SMALLEST_INCH_FRACTION)
    inches, over = divmod(rest, SMALLEST_INCH_FRACTION)
    fraction = Fraction(over, SMALLEST_INCH_FRACTION)
    printed = _PRINTED_FRACTIONS.get(fraction, f" {fraction}" if inches else str(fraction)) if over else ""
    inch_text = f"{inches or '' if over else inches}{printed} in"
    return sign + (f"{feet} ft {inch_text}" if feet else inch_text)
