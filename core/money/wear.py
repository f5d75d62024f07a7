"""What is used up by playing, and what things sell for afterwards: trade figures, told wherever they decide."""

from collections.abc import Iterator
from fractions import Fraction
from typing import NamedTuple

from core.model.ledger import Category, Ledger
from core.model.parts import Balls, Mat, Part, Projector, Surface, Tees
from core.money.horizon import UsedUp
from core.money.line import Line
from core.quantities import Money

NOTHING_SAID = Ledger()
TURNS_OF_A_SQUARE = 4
"""A square screen is turned by a quarter when its middle is worn (trade)."""


class Lives(NamedTuple):
    """How much is struck and how long things last, each as a field of the ledger and as the trade takes it."""

    shots_an_hour: Fraction = Fraction(90)
    """Of somebody who takes turns and looks at the numbers (trade)."""
    shots_a_ball: Fraction = Fraction(400)
    shots_a_tee: Fraction = Fraction(60)
    """Every third ball is struck off a tee (trade)."""
    shots_a_mat: Fraction = Fraction(60_000)
    shots_a_screen: Fraction = Fraction(40_000)
    lamp_share: Fraction = Fraction(15, 100)
    """A new lamp costs so much of its projector (trade)."""


TRADE = Lives()


def lives_of(ledger: Ledger) -> Lives:
    """As the household says, where it does; else as the trade has it."""
    said = {field: getattr(ledger, field) for field in Lives._fields}
    return TRADE._replace(**{field: Fraction(str(value)) for field, value in said.items() if value is not None})


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


def resale_shares(category: Category, ledger: Ledger) -> tuple[Fraction, Fraction]:
    """What is left of a price after a year, and of that each year later: as the household says, else as the trade."""
    said, (first, later) = ledger.resale.get(category), RESALE[category]
    if said is None:
        return first, later
    return (
        first if said.first_share is None else Fraction(str(said.first_share)),
        later if said.later_share is None else Fraction(str(said.later_share)),
    )


def resale_of(line: Line, years: int, ledger: Ledger = NOTHING_SAID) -> Money | None:
    """What a line sells for after so many years; nothing for what stays in the house, `None` without a price."""
    if line.newcomers is None:
        return None
    first, later = resale_shares(line.category, ledger)
    if line.stays_behind or line.licence:
        return Money(0, line.newcomers.currency)
    return line.newcomers.scaled(first * later ** (years - 1))


def used_up_of(part: Part, unit_price: Money, lives: Lives = TRADE) -> Iterator[UsedUp]:
    """What of `part` is used up, at what it costs to buy again."""
    an_hour = lives.shots_an_hour
    if isinstance(part, Balls) and part.pack_size:
        yield UsedUp(part.name, unit_price, part.pack_size * lives.shots_a_ball / an_hour)
    if isinstance(part, Tees) and part.pack_size:
        yield UsedUp(part.name, unit_price, part.pack_size * 3 * lives.shots_a_tee / an_hour)
    if isinstance(part, Mat):
        yield UsedUp(part.name, unit_price, lives.shots_a_mat / an_hour, comes_along=True)
    if isinstance(part, Surface):
        square = part.width_m is not None and part.width_m == part.height_m
        turns = TURNS_OF_A_SQUARE if square else 1
        yield UsedUp(part.name, unit_price, lives.shots_a_screen * turns / an_hour, comes_along=True)
    if isinstance(part, Projector) and part.light_hours:
        hours = Fraction(str(part.light_hours))
        if part.light == "lamp":
            yield UsedUp(f"Lamp of {part.name}", unit_price.scaled(lives.lamp_share), hours, comes_along=True)
        else:
            yield UsedUp(f"{part.name}, whose light is built in", unit_price, hours, comes_along=True)
