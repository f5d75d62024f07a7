"""A number with its unit, and how a person reads it in either system."""

from typing import NamedTuple

from core.quantities.length import format_length
from core.quantities.money import Money
from core.quantities.tolerances import TOLD_DECIMALS_M
from core.quantities.units import (
    CANDELA_PER_SQUARE_METRE_PER_FOOTLAMBERT,
    KILOGRAMS_PER_POUND,
    LITRES_PER_SECOND_PER_CUBIC_FOOT_PER_MINUTE,
    LUX_PER_FOOTCANDLE,
    METRES_PER_SECOND_PER_MPH,
    SQUARE_METRES_PER_SQUARE_FOOT,
    Unit,
    UnitSystem,
)

_IMPERIAL_FACTORS = {
    Unit.METRE_PER_SECOND: (METRES_PER_SECOND_PER_MPH, "mph"),
    Unit.SQUARE_METRE: (SQUARE_METRES_PER_SQUARE_FOOT, "sq ft"),
    Unit.LUX: (LUX_PER_FOOTCANDLE, "fc"),
    Unit.CANDELA_PER_SQUARE_METRE: (CANDELA_PER_SQUARE_METRE_PER_FOOTLAMBERT, "fL"),
    Unit.KILOGRAM: (KILOGRAMS_PER_POUND, "lb"),
    Unit.LITRE_PER_SECOND: (LITRES_PER_SECOND_PER_CUBIC_FOOT_PER_MINUTE, "cfm"),
}
_DECIMALS = {
    Unit.SQUARE_METRE: 2,
    Unit.METRE_PER_SECOND: 1,
    Unit.DEGREE: 1,
    Unit.CANDELA_PER_SQUARE_METRE: 1,
    Unit.PIXELS_PER_DEGREE: 1,
    Unit.SHARE: 1,
    Unit.RATIO: 1,
    Unit.FACTOR: 2,
    Unit.GIGABYTE: 0,
    Unit.YEAR: 1,
    Unit.WEEK: 1,
    Unit.KILOGRAM: 1,
    Unit.AMPERE: 1,
}


class Quantity(NamedTuple):
    """`value` in `unit`. A share is kept as a fraction of one and told in percent.

    A named tuple, like all the small values of a report: one report makes hundreds of them.
    """

    value: float
    unit: Unit

    def text(self, system: UnitSystem) -> str:
        """As a person reads it in `system`, unit included.

        >>> Quantity(60.0, Unit.METRE_PER_SECOND).text(UnitSystem.IMPERIAL)
        '134.2 mph'
        >>> Quantity(0.75, Unit.SHARE).text(UnitSystem.METRIC)
        '75 %'
        >>> Quantity(15.0, Unit.CELSIUS).text(UnitSystem.IMPERIAL)
        '59 °F'
        """
        if self.unit is Unit.METRE:
            return format_length(round(self.value, TOLD_DECIMALS_M), system)
        value, symbol = self.value, str(self.unit)
        decimals = _DECIMALS.get(self.unit, 0)
        if self.unit is Unit.SHARE:
            value *= 100
        if self.unit is Unit.CELSIUS and system is UnitSystem.IMPERIAL:
            return f"{value * 9 / 5 + 32:.0f} °F".replace("-", "−")
        if system is UnitSystem.IMPERIAL and self.unit in _IMPERIAL_FACTORS:
            factor, symbol = _IMPERIAL_FACTORS[self.unit]
            value, decimals = value / factor, 1
        if self.unit is Unit.GIGABYTE and value % 1:
            # 5.9 of 6 GB are short, and 6 of 6 are not.
            decimals = 1
        if self.unit in (Unit.GRADE, Unit.TIER):
            return f"{symbol} {value:.0f}"
        if self.unit in (Unit.PIECES, Unit.COURSES) and value == 1:
            symbol = symbol.removesuffix("s")
        number = f"{value:,.{decimals}f}".replace("-", "−")
        if self.unit in (Unit.SHARE, Unit.GIGABYTE):
            number = number.removesuffix(".0")
        return number + symbol if symbol == "°" else f"{number} {symbol}".rstrip()


def told_whole(unit: Unit) -> bool:
    """Metric readers are told quantities in `unit` without decimals, with commas between thousands."""
    return unit is not Unit.METRE and _DECIMALS.get(unit, 0) == 0


Figure = Quantity | Money | str
"""What a verdict measures or requires: a quantity, an amount, or a fact that is a word ('both hands')."""


def figure_text(figure: Figure, system: UnitSystem) -> str:
    """`figure` as a person reads it."""
    if isinstance(figure, Quantity):
        return figure.text(system)
    return figure.text() if isinstance(figure, Money) else figure
