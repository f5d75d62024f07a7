"""The years of a build, against sums done by hand; wear and resale by their rules of thumb."""

from fractions import Fraction
from typing import Any
from unittest import TestCase

from core.model.build import Slot
from core.model.ledger import Category, Ledger
from core.model.parts import Part
from core.money.line import Line
from core.money.wear import lives_of, resale_of, used_up_of
from core.quantities import Money
from core.report import evaluate
from core.report.years import OverYears, over_years
from tests.core import worlds
from tests.core.matrix.case import extra

HUNDRED = Money(100_00, "EUR")


def years(brief: dict[str, Any] | None = None, **ledger: Any) -> OverYears:
    build = worlds.full_build()
    build = build.model_copy(
        update={
            "ledger": Ledger.model_validate(ledger),
            "brief": build.brief.model_copy(update=brief or {}),
        }
    )
    return over_years(build, evaluate(build, worlds.full_parts()))


class WearTests(TestCase):
    def lives(self, part: Part, **said: Any) -> list[tuple[str, int, float]]:
        lives = lives_of(Ledger.model_validate({"shots_an_hour": 100, **said}))
        return [(item.name, item.cost.minor, float(item.life_hours)) for item in used_up_of(part, HUNDRED, lives)]

    def test_what_the_household_says_counts_before_the_trade(self) -> None:
        """A mat of 20,000 shots at 100 an hour: 200 hours; a lamp at a quarter of its projector."""
        self.assertEqual([life for *_, life in self.lives(worlds.mat(), shots_a_mat=20_000)], [200.0])
        lamp = worlds.projector(light="lamp", light_hours=4_000)
        self.assertEqual([cost for _, cost, _ in self.lives(lamp, lamp_share=0.25)], [25_00])
        line = Line(None, "M", newcomers=HUNDRED, category=Category.MONITOR)
        said = Ledger.model_validate({"resale": {"monitor": {"first_share": 0.5}}})
        self.assertEqual([resale_of(line, years, said) for years in (1, 2)], [Money(50_00, "EUR"), Money(42_50, "EUR")])

    def test_lives_by_the_shots_of_an_hour(self) -> None:
        """A dozen balls of 400 shots at 100 an hour: 48 hours; a mat 60,000 / 100; tees: one shot in three."""
        self.assertEqual(self.lives(extra("balls", "Balls", pack_size=12)), [("Balls", 100_00, 48.0)])
        self.assertEqual(self.lives(extra("tees", "Tees", pack_size=10)), [("Tees", 100_00, 18.0)])
        self.assertEqual([life for *_, life in self.lives(worlds.mat())], [600.0])

    def test_a_square_screen_is_turned(self) -> None:
        """40,000 shots at 100 an hour are 400 hours, four times over where it is square."""
        wide, square = worlds.screen(width_m=3.0, height_m=2.5), worlds.screen(width_m=2.6, height_m=2.6)
        self.assertEqual([life for *_, life in self.lives(wide)], [400.0])
        self.assertEqual([life for *_, life in self.lives(square)], [1_600.0])

    def test_a_lamp_is_bought_again_and_a_built_in_light_is_not(self) -> None:
        lamp = worlds.projector(light="lamp", light_hours=4_000)
        laser = worlds.projector(light="laser", light_hours=20_000)
        self.assertEqual([(cost, life) for _, cost, life in self.lives(lamp)], [(15_00, 4_000.0)])
        self.assertEqual([(cost, life) for _, cost, life in self.lives(laser)], [(100_00, 20_000.0)])
        self.assertEqual(self.lives(worlds.projector(light_hours=None)), [])

    def test_resale(self) -> None:
        """A monitor of 100.00: 75.00 after a year, 0.85² of that after three, 54.19; what stays is lost."""
        line = Line(None, "M", newcomers=HUNDRED, category=Category.MONITOR)
        self.assertEqual([found.minor for n in (1, 3) if (found := resale_of(line, n))], [75_00, 54_19])
        for gone in (line._replace(stays_behind=True), line._replace(licence="once")):
            self.assertEqual(resale_of(gone, 1), Money(0, "EUR"))
        self.assertIsNone(resale_of(line._replace(newcomers=None), 1))


class OverYearsTests(TestCase):
    def test_staying_with_what_is_there(self) -> None:
        """A mat worth 100.00: at 100 shots an hour, in 780 hours, one more of 600; 40 % · 0.8⁴ of it is left."""
        build = worlds.full_build()
        hung = build.chain[Slot.MAT].model_copy(update={"owned": True, "replacement_value_minor": 100_00})
        brief = build.brief.model_copy(update={"hours_a_week": 3.0, "horizon_years": 5})
        ledger = Ledger.model_validate({"shots_an_hour": 100})
        chain = {**build.chain, Slot.MAT: hung}
        build = build.model_copy(update={"chain": chain, "brief": brief, "ledger": ledger})
        staying = over_years(build, evaluate(build, worlds.full_parts())).staying
        assert staying is not None
        self.assertEqual(staying.parts, ("Maker Strip",))
        self.assertEqual([year.fees.minor + year.up_front.minor for year in staying.horizon.years], [0] * 5)
        self.assertEqual((staying.horizon.running.minor, staying.horizon.resale.minor), (100_00, 16_38))
        self.assertIsNone(years().staying, "nothing is there yet")

    def test_what_nobody_said_is_named_and_in_no_sum(self) -> None:
        found = years({"hours_a_week": None})
        self.assertEqual(found.asked[:2], ("how many hours a week you play", "what electricity costs"))
        self.assertEqual(found.horizon.years[0].electricity.minor, 0)
        self.assertIsNone(found.hours_to_beat_hiring)
        self.assertEqual(found.hired, ())

    def test_hired_hours_and_the_build_itself(self) -> None:
        """3 hours a week at 20.00: 3,120.00 a year. 5 years of fees at 180.00."""
        found = years(hire_hour_minor=20_00, kilowatt_hour_minor=30)
        self.assertEqual([money.minor for money in found.hired][:2], [3_120_00, 6_240_00])
        self.assertEqual(len(found.had), 5)
        self.assertEqual({year.fees.minor for year in found.horizon.years}, {180_00})
        self.assertEqual(found.horizon.years[0].up_front.minor, 4_950_00)
        watts = Fraction(str(found.watts))
        self.assertEqual(
            sum(year.electricity.minor for year in found.horizon.years),
            Money.rounded(30 * watts / 1000 * 3 * 52 * 5, "EUR").minor,
        )
        beats = found.hours_to_beat_hiring
        assert beats is not None
        running = Fraction(found.horizon.running.minor, 3 * 52 * 5)
        self.assertEqual(beats, Fraction(4_950_00) / (2_000 - running))

    def test_more_shots_wear_more(self) -> None:
        few, many = years(shots_an_hour=30), years(shots_an_hour=900)
        self.assertLess(few.horizon.running, many.horizon.running)
