"""Money and time."""

from datetime import date

from core.model.build import Slot
from tests.core.matrix.case import Case, blocked, clear, tight, unknown

ROWS: dict[str, list[Case]] = {
    "money.up_front": [
        clear(
            "€4,950.00 | €10,000.00 | €5,050.00", "500 + 1000 + 900 + 300 + 800 + 400 + 35 packs of 30", settled=True
        ),
        tight("14 small items | nothing open | –", "they will cost something"),
        tight(
            "€4,950.00 | €5,000.00 | €50.00",
            "50 left, 495 are kept back",
            settled=True,
            brief__up_front_cap_minor=500_000,
        ),
        blocked("€4,950.00 | €4,000.00 | −€950.00", "950 over", brief__up_front_cap_minor=400_000),
        unknown("The up-front cap", brief__up_front_cap_minor=None),
    ],
    "money.yearly": [
        clear("€180.00 | €300.00 | €120.00", "12 × 15"),
        tight("€180.00 | €180.00 | €0.00", "all of it", brief__yearly_cap_minor=18_000),
        blocked("€180.00 | €100.00 | −€80.00", "80 over", brief__yearly_cap_minor=10_000),
        unknown("The yearly cap", brief__yearly_cap_minor=None),
    ],
    "money.movable": [
        clear("20.5 % | 50 % | 29.5 %", "800 of 3,900 without a floor", without=("floor",)),
        clear("0 % | 50 % | 50 %", "nothing is bought", without=tuple(Slot)),
        tight("37.4 % | 50 % | 12.6 %", "1,850 of 4,950"),
        blocked(
            "72.5 % | 50 % | −22.5 %",
            "1,850 of 2,550 without monitor, machine and projector",
            without=("monitor", "machine", "display"),
        ),
        unknown("The price of Box", enclosure__price=None),
    ],
    "time.playable": [
        clear("26.9 weeks | 5.1 weeks | 21.7 weeks", "188 days; 3 + 12.7 / 6"),
        tight("5.7 weeks | 5.1 weeks | 0.6 weeks", "40 days", brief__playable_by=date(2027, 1, 4)),
        unknown("How many hours a week you will build", brief__build_hours_a_week=None),
        blocked("2.9 weeks | 5.1 weeks | −2.3 weeks", "20 days", brief__playable_by=date(2026, 12, 15)),
    ],
}
