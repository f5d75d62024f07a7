"""What is used up by playing, and what things sell for afterwards: trade figures, told wherever they decide."""

from collections.abc import Iterator
from fractions import Fraction

from core.model.ledger import Category
from core.model.parts import Balls, Mat, Part, Projector, Surface, Tees
from core.money.horizon import UsedUp
from core.money.line import Line
from core.quantities import Money

SHOTS_AN_HOUR = 90
"""Of somebody who takes turns and looks at the numbers (trade)."""
SHOTS_A_BALL = 400
SHOTS_A_TEE = 60
"""Every third ball is struck off a tee (trade)."""
SHOTS_A_MAT = 60_000
SHOTS_A_SCREEN = 40_000
TURNS_OF_A_SQUARE = 4
"""A square screen is turned by a quarter when its middle is worn (trade)."""
LAMP_SHARE = Fraction(15, 100)
"""A new lamp costs so much of its projector (trade)."""

RESALE: dict[Category, tuple[Fraction, Fraction]] = {
    Category.MONITOR: (Fraction(75, 100), Fraction(85, 100)),
    Category.SOFTWARE: (Fraction(0), Fraction(0)),
    Category.COMPUTING: (Fraction(65, 100), Fraction(75, 100)),
    Category.PICTURE: (Fraction(60, 100), Fraction(75, 100)),
    Category.ENCLOSURE: (Fraction(50, 100), Fraction(80, 100)),
    Category.FLOOR: (Fraction(40, 100), Fraction(80, 100)),
    Category.COMFORT: (Fraction(40, 100), Fraction(80, 100)),
    Category.SMALL_ITEMS: (Fraction(20, 100), Fraction(70, 100)),
    Category.TOOLS: (Fraction(60, 100), Fraction(90, 100)),
    Category.DELIVERY: (Fraction(0), Fraction(0)),
    Category.WORKS: (Fraction(0), Fraction(0)),
    Category.DECORATION: (Fraction(0), Fraction(0)),
}
"""What something sells for after a year, as a share of its price when new, and how much of that is left a year later
(trade)."""


def resale_of(line: Line, years: int) -> Money | None:
    """What a line sells for after so many years; nothing for what stays in the house, `None` without a price."""
    if line.newcomers is None:
        return None
    first, later = RESALE[line.category]
    if line.stays_behind or line.licence:
        return Money(0, line.newcomers.currency)
    return line.newcomers.scaled(first * later ** (years - 1))


def used_up_of(part: Part, unit_price: Money, shots_an_hour: Fraction) -> Iterator[UsedUp]:
    """What of `part` is used up, at what it costs to buy again."""
    if isinstance(part, Balls) and part.pack_size:
        yield UsedUp(part.name, unit_price, part.pack_size * SHOTS_A_BALL / shots_an_hour)
    if isinstance(part, Tees) and part.pack_size:
        yield UsedUp(part.name, unit_price, part.pack_size * 3 * SHOTS_A_TEE / shots_an_hour)
    if isinstance(part, Mat):
        yield UsedUp(part.name, unit_price, SHOTS_A_MAT / shots_an_hour, comes_along=True)
    if isinstance(part, Surface):
        square = part.width_m is not None and part.width_m == part.height_m
        turns = TURNS_OF_A_SQUARE if square else 1
        yield UsedUp(part.name, unit_price, SHOTS_A_SCREEN * turns / shots_an_hour, comes_along=True)
    if isinstance(part, Projector) and part.light_hours:
        hours = Fraction(str(part.light_hours))
        if part.light == "lamp":
            yield UsedUp(f"Lamp of {part.name}", unit_price.scaled(LAMP_SHARE), hours, comes_along=True)
        else:
            yield UsedUp(f"{part.name}, whose light is built in", unit_price, hours, comes_along=True)
