"""What a build costs, line by line."""

from decimal import Decimal
from unittest import TestCase

from core.model.brief import Brief, ExchangeRate
from core.model.build import Build, Slot
from core.model.chain import resolve_chain
from core.model.facts import MissingFact
from core.model.household import TaxTreatment, Valuation
from core.model.laying import Rectangle
from core.model.ledger import Entry, Ledger
from core.model.parts import Flooring, MonitorPlan, Part
from core.money.amounts import in_currency
from core.money.costs import Costs, costs_of
from core.money.floor_bought import floor_cover
from core.money.line import Payment
from core.money.price_book import price_book_of
from core.quantities import Money, UnitSystem
from core.report import evaluate
from tests.core import worlds
from tests.core.random_builds import furnished_build, sample_parts, seeds


def euros(amount: float) -> Money:
    return Money(round(amount * 100), "EUR")


class CostTests(TestCase):
    def costs(self, parts: dict[str, Part] | None = None, build: Build | None = None) -> Costs:
        build, parts = build or worlds.full_build(), parts or worlds.full_parts()
        return costs_of(
            build.brief,
            price_book_of(parts.values()),
            resolve_chain(build, parts),
            build.room,
            build.layout,
            ledger=build.ledger,
        )

    def decided(self, slot: str, **decision: object) -> Build:
        build = worlds.full_build()
        chain = {place: hung.model_dump() for place, hung in build.chain.items()}
        chain[Slot(slot)].update(decision)
        return Build.model_validate({**build.model_dump(), "chain": chain})

    def entered(self, place: str, part: str, **entry: object) -> Build:
        entries = {f"{place}/{part}": Entry.model_validate(entry)}
        return worlds.full_build().model_copy(update={"ledger": Ledger(entries=entries)})

    def test_totals(self) -> None:
        """Up front 4950; 12 · 15 = 180 a year; five years: 4950 + 900 = 5850."""
        costs = self.costs()
        self.assertEqual(costs.up_front, euros(4950))
        self.assertEqual(costs.contingency, euros(495))
        self.assertEqual(costs.yearly, euros(180))
        self.assertEqual(costs.horizon, euros(5850))
        self.assertIn("Left out", costs.scope)
        self.assertEqual(
            [sentence.text(UnitSystem.METRIC) for sentence in costs.workings],
            [
                "10 % of €4,950.00",
                "€4,950.00 up front + 5 × €180.00",
                "list prices of everything: €0.00 over what you pay up front",
            ],
        )

    def test_total_and_lines_agree(self) -> None:
        costs = self.costs()
        self.assertEqual(Money.total([line.up_front for line in costs.lines if line.up_front], "EUR"), costs.up_front)
        self.assertEqual(
            Money.total([amounts[0] for slot in Slot if (amounts := costs.of_slot(slot))], "EUR"),
            costs.up_front,
            "places hold all lines",
        )

    def test_the_floor_is_bought_in_packs(self) -> None:
        line = self.costs().lines[0]
        self.assertEqual((line.quantity, line.unit, line.up_front), (35, "packs", euros(1050)))

    def test_an_owned_part_costs_nothing_and_keeps_its_value(self) -> None:
        costs = self.costs(build=self.decided("machine", owned=True, replacement_value_minor=70_000))
        line = next(line for line in costs.lines if line.slot is Slot.MACHINE)
        self.assertEqual((line.payment, line.up_front, line.replacement_value), (Payment.OWNED, euros(0), euros(700)))
        self.assertEqual(costs.up_front, euros(3950))
        self.assertEqual(costs.newcomer, euros(4650))

    def test_an_owned_part_is_worth_its_list_price_unless_said(self) -> None:
        costs = self.costs(build=self.decided("machine", owned=True))
        self.assertEqual(costs.newcomer, euros(4950))

    def test_what_is_owned_counts_for_the_contingency_where_it_counts(self) -> None:
        build = self.decided("machine", owned=True)
        newcomers = build.model_copy(update={"brief": build.brief.model_copy(update={"valuation": Valuation.NEWCOMER})})
        self.assertEqual(self.costs(build=build).contingency, euros(395))
        self.assertEqual(self.costs(build=newcomers).contingency, euros(495))

    def test_tax_that_is_reclaimed_comes_off_a_quote(self) -> None:
        """1,190 with 19 % are 1,000: 4,950 − 900 + 1,000."""
        build = self.entered("display", "projector", quote_minor=119_000)
        brief = {"tax_share": 0.19, "tax_treatment": TaxTreatment.RECLAIMED}
        reclaimed = build.model_copy(update={"brief": build.brief.model_copy(update=brief)})
        line = next(line for line in self.costs(build=reclaimed).lines if line.slot is Slot.DISPLAY)
        self.assertEqual(line.up_front, euros(1000))

    def test_a_quote_stands_before_the_list_price(self) -> None:
        costs = self.costs(build=self.entered("display", "projector", quote_minor=75_050))
        self.assertEqual(costs.up_front, euros(4800.5))
        self.assertEqual(costs.newcomer, euros(4950), "a newcomer was quoted nothing")
        self.assertIn(Payment.QUOTE, [line.payment for line in costs.lines])

    def test_plans_are_paid_once_monthly_or_yearly(self) -> None:
        costs = self.costs(build=self.decided("monitor", plan="full"))
        self.assertEqual(costs.yearly, euros(380))
        once = worlds.title(plans=({"id": "monthly", "name": "Once", "billing": "once", "price": worlds.price(400)},))
        costs = self.costs({**worlds.full_parts(), "title": once})
        self.assertEqual((costs.up_front, costs.yearly), (euros(5350), euros(0)))

    def test_a_bundled_title_is_not_paid_twice(self) -> None:
        full = MonitorPlan(id="full", name="Full", billing="yearly", price=worlds.price(200), bundled_titles=("title",))
        parts = {**worlds.full_parts(), "radar": worlds.radar(plans=(full,))}
        costs = self.costs(parts, self.decided("monitor", plan="full"))
        self.assertEqual(costs.yearly, euros(200))
        self.assertIn(Payment.BUNDLED, [line.payment for line in costs.lines])

    def test_a_line_without_a_price_is_left_out_and_named(self) -> None:
        costs = self.costs({**worlds.full_parts(), "mat": worlds.mat(price=None)})
        self.assertEqual(costs.up_front, euros(4550))
        self.assertEqual([fact.fact for fact in costs.missing], ["The price of Strip"])
        self.assertIsNone(costs.of_slot(Slot.MAT), "not known is not nothing")

    def test_foreign_money_needs_a_rate(self) -> None:
        parts = {**worlds.full_parts(), "radar": worlds.radar(price=worlds.price(500, "USD"))}
        self.assertEqual(self.costs(parts).missing_rates, ("USD",))
        build = worlds.full_build()
        rate = ExchangeRate(currency="USD", rate=Decimal("0.90"))
        rated = build.model_copy(update={"brief": build.brief.model_copy(update={"exchange_rates": (rate,)})})
        costs = self.costs(parts, rated)
        self.assertEqual((costs.up_front, costs.missing_rates), (euros(4900), ()))

    def test_tax_is_added_where_a_price_comes_without(self) -> None:
        """1000 and 19 % are 1190; a price that includes tax stays."""
        brief = Brief(tax_share=0.19)
        self.assertEqual(in_currency(worlds.price(1000, tax_included=False), brief), euros(1190))
        self.assertEqual(in_currency(worlds.price(1000), brief), euros(1000))

    def test_a_floor_of_no_known_make_cannot_be_laid(self) -> None:
        with self.assertRaises(TypeError):
            floor_cover(Flooring(id="x", maker="M", name="X"), Rectangle(0.0, 0.0, 4.6, 7.0))
        with self.assertRaises(MissingFact):
            floor_cover(worlds.tiles(tile_side_m=None), Rectangle(0.0, 0.0, 4.6, 7.0))


class LineTests(TestCase):
    def test_every_line_has_an_id_of_its_own_that_stays(self) -> None:
        """A place, the licence of a place, an extra or a small item; another part in the place has the same."""
        build, parts = worlds.full_build(), worlds.full_parts()
        lines = costs_of(
            build.brief, price_book_of(parts.values()), resolve_chain(build, parts), build.room, build.layout
        ).lines
        ids = [line.id for line in lines]
        self.assertEqual(len(ids), len(set(ids)))
        self.assertLessEqual({"mat", "monitor", "monitor:plan", "title", "title:plan"}, set(ids))
        other = {**parts, "mat": worlds.mat(name="Other")}
        again = costs_of(
            build.brief, price_book_of(other.values()), resolve_chain(build, other), build.room, build.layout
        ).lines
        self.assertEqual([line.id for line in again], ids)


class StageTests(TestCase):
    def test_every_line_is_in_one_stage(self) -> None:
        several = 0
        for seed in seeds(80):
            build = furnished_build(seed)
            report = evaluate(build, sample_parts())
            several += len(report.stages) > 1
            with self.subTest(seed=seed):
                up_front = Money.total([stage.up_front for stage in report.stages], build.brief.currency)
                yearly = Money.total([stage.yearly for stage in report.stages], build.brief.currency)
                self.assertEqual((up_front, yearly), (report.costs.up_front, report.costs.yearly))
        self.assertGreater(several, 5)
