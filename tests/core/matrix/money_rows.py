"""Money and time."""

from datetime import date
from typing import Any

from core.model.build import Slot
from core.model.parts import Part
from tests.core.matrix.case import Case, blocked, clear, extra, tight, unknown
from tests.core.worlds import price


def _turf(euros_a_metre: float) -> Part:
    """Of 4.6 × 7.0 m, off a roll of 2 m: four strips of 4.6 m, so 19 m."""
    return extra("turf", "Lawn", price=price(euros_a_metre).model_dump(), thickness_m=0.02, roll_width_m=2.0)


def _priced(kind: str, euros: float, **facts: Any) -> Part:
    return extra(kind, price=price(euros).model_dump(), **facts)


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
        clear("0 % | 50 % | 50 %", "tiles, a kit and devices go along"),
        clear("0 % | 50 % | 50 %", "nothing is bought", without=tuple(Slot)),
        clear("19.6 % | 50 % | 30.4 %", "19 m at 50 of 3,900 and them", swap=[_turf(50)]),
        tight("32.8 % | 50 % | 17.2 %", "19 m at 100 of 3,900 and them", swap=[_turf(100)]),
        blocked("54.9 % | 50 % | −4.9 %", "19 m at 250 of 3,900 and them", swap=[_turf(250)]),
        clear(
            "0 % | 50 % | 50 %", "a frame is unscrewed", beside=[_priced("frame_material", 1000, stock_length_m=3.0)]
        ),
        clear("1 % | 50 % | 49 %", "glue that was laid, 50 of 5,000", beside=[_priced("supply", 50, length_m=10.0)]),
        clear("0 % | 50 % | 50 %", "gloves go along", beside=[_priced("supply", 50)]),
        clear("1 % | 50 % | 49 %", "a cable for 50 of 5,000", beside=[_priced("video_cable", 50)]),
        unknown("The price of Box", enclosure__price=None),
    ],
    "time.playable": [
        clear("26.9 weeks | 5.4 weeks | 21.4 weeks", "188 days; 3 + 14.7 / 6"),
        tight("5.7 weeks | 5.4 weeks | 0.3 weeks", "40 days", brief__playable_by=date(2027, 1, 4)),
        unknown("How many hours a week you will build", brief__build_hours_a_week=None),
        blocked("2.9 weeks | 5.4 weeks | −2.6 weeks", "20 days", brief__playable_by=date(2026, 12, 15)),
    ],
}
