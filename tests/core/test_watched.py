"""What a watch looks at: figures worked out by hand, and what is offered carried out over random builds."""

from collections.abc import Sequence
from dataclasses import replace
from datetime import date
from random import Random
from unittest import TestCase

from core.checks.limits import State
from core.model.build import Build, Slot
from core.model.ledger import OwnLine
from core.model.parts import Part
from core.model.shops import Market, SoldAs
from core.model.watch import Watch, WatchKind, crosses
from core.money.amounts import buyer_of
from core.money.order import Need
from core.money.shopping import needs_of
from core.quantities import Money, UnitSystem
from core.report.alternatives import each_weighed
from core.report.evaluation_of import known_costs
from core.report.shopping import offers_for
from core.report.watched import (
    WatchedBuild,
    effect,
    fee_figure,
    line_figure,
    place_figure,
    total_figure,
)
from tests.core import worlds
from tests.core.money import market
from tests.core.random_builds import of_place, random_build, sample_parts, seeds

DAY = date(2026, 3, 14)


def watched(build: Build, parts: dict[str, Part], *shops_and_offers: object) -> WatchedBuild:
    shops = tuple(one for one in shops_and_offers if hasattr(one, "delivery"))
    offers = tuple(one for one in shops_and_offers if hasattr(one, "part"))
    return WatchedBuild(build, parts, Market(shops, offers), buyer_of(build.brief, DAY), DAY)  # type: ignore[arg-type]


def needs_in(there: WatchedBuild) -> Sequence[Need]:
    return needs_of(known_costs(there.evaluation).lines, there.sheets)


def watch(kind: WatchKind, subject: str = "", target_minor: int = 1, **facts: object) -> Watch:
    return Watch.model_validate(
        {"kind": kind, "subject": subject, "target_minor": target_minor, "currency": "EUR", **facts}
    )


class CrossingTests(TestCase):
    def test_once_a_crossing(self) -> None:
        under, told = False, 0
        for figure in (120, 100, 90, None, 95, 101, 100, 100):
            under, crossed = crosses(under, figure, 100)
            told += crossed
        self.assertEqual(told, 2, "at 100, and again after 101")


class FigureTests(TestCase):
    """The full test build; Near brings for 5.90, Far is dearer and brings for nothing."""

    def setUp(self) -> None:
        self.near = market.shop(id="near", name="Near", delivery=[{"fee_minor": 590}])
        self.far = market.shop(id="far", name="Far")
        mat = worlds.full_build().chain[Slot.MAT].part
        self.line = f"mat/{mat}"
        self.there = watched(
            worlds.full_build(), worlds.full_parts(), self.near, self.far,
            market.offer(mat, 100_00, "near"), market.offer(mat, 105_00, "far"),
            market.offer(mat, 60_00, "far-used", sold_as="used").model_copy(update={"shop": "far"}),
        )  # fmt: skip

    def test_a_line_is_its_cheapest_offer_delivered(self) -> None:
        needs = needs_in(self.there)
        cheapest = line_figure(watch(WatchKind.LINE, self.line), self.there, needs)
        self.assertEqual(cheapest.amount, Money(60_00, "EUR"))
        new = line_figure(watch(WatchKind.LINE, self.line, sold_as=["new"]), self.there, needs)
        self.assertEqual(new.amount, Money(105_00, "EUR"))
        near = line_figure(watch(WatchKind.LINE, self.line, shops=["near"]), self.there, needs)
        self.assertEqual(
            (near.amount, near.words.text(UnitSystem.METRIC)), (Money(105_90, "EUR"), "Near, new, delivered")
        )

    def test_it_says_what_the_build_comes_to_with_it(self) -> None:
        found = line_figure(watch(WatchKind.LINE, self.line), self.there, needs_in(self.there))
        before = known_costs(self.there.evaluation)
        assert found.then is not None
        line = next(line for line in before.lines if line.key == self.line)
        assert line.up_front is not None
        self.assertEqual(found.then.up_front - before.up_front, Money(60_00, "EUR") - line.up_front)
        told = effect(before, found.then).text(UnitSystem.METRIC)
        self.assertIn(f"The build then comes to {found.then.up_front.text()}", told)
        self.assertIn("less than now", told)
        self.assertNotIn("fees", told)

    def test_other_fees_are_told_with_what_they_leave_of_their_cap(self) -> None:
        before = known_costs(self.there.evaluation)
        after = replace(before, yearly=before.yearly + Money(50_00, "EUR"))
        roomy = after.yearly + Money(7_00, "EUR")
        for cap, words in (
            (None, "a year"),
            (roomy, f"a year; €7.00 of {roomy.text()} are left"),
            (before.yearly, f"a year; it is €50.00 over {before.yearly.text()}"),
        ):
            told = effect(before, replace(after, yearly_cap=cap)).text(UnitSystem.METRIC)
            self.assertTrue(told.endswith(f"; all fees then come to {after.yearly.text()} {words}"), told)

    def test_what_cannot_be_had_is_not_known(self) -> None:
        needs = needs_in(self.there)
        for asked in (watch(WatchKind.LINE, "mat/gone"), watch(WatchKind.LINE, self.line, shops=["nobody"])):
            self.assertIsNone(line_figure(asked, self.there, needs).amount)
        sold_out = self.there.market.offers[0].model_copy(update={"in_stock": False})
        there = self.there._replace(market=replace(self.there.market, offers=(sold_out,)))
        self.assertIsNone(line_figure(watch(WatchKind.LINE, self.line), there, needs).amount)

    def test_a_fee_is_a_year_of_it(self) -> None:
        costs = known_costs(self.there.evaluation)
        fees = [line for line in costs.lines if line.is_fee and line.yearly]
        self.assertTrue(fees)
        for line in fees:
            found = fee_figure(watch(WatchKind.FEE, line.key), costs)
            self.assertEqual(found.amount, line.yearly)
            self.assertIn(f"all fees come to {costs.yearly.text()} a year", found.words.text(UnitSystem.METRIC))
        self.assertIsNone(fee_figure(watch(WatchKind.FEE, self.line), costs).amount)

    def test_a_whole_build_is_its_basket_and_the_rest(self) -> None:
        costs, needs = known_costs(self.there.evaluation), needs_in(self.there)
        line = next(line for line in costs.lines if line.key == self.line)
        assert line.up_front is not None
        found = total_figure(self.there, costs, needs, lambda some: Money(60_00, "EUR"))
        self.assertEqual(found.amount, costs.up_front - line.up_front + Money(60_00, "EUR"))
        self.assertIsNone(total_figure(self.there, costs, needs, lambda some: None).amount)
        assert found.amount is not None
        for cap, words in (
            (found.amount + Money(5_00, "EUR"), "€5.00 of €"),
            (found.amount - Money(5_00, "EUR"), "it is €5.00 over €"),
        ):
            told = total_figure(self.there, replace(costs, up_front_cap=cap), needs, lambda some: Money(60_00, "EUR"))
            self.assertIn(words, told.words.text(UnitSystem.METRIC))

    def test_a_build_without_anything_has_no_total_that_could_be_reached(self) -> None:
        there = self.there._replace(build=Build(name="Nothing yet"))
        self.assertIsNone(total_figure(there, known_costs(there.evaluation), [], lambda some: None).amount)

    def test_delivery_is_in_the_basket_unless_it_was_paid(self) -> None:
        def total(**facts: object) -> int:
            own = OwnLine.model_validate(
                {"id": "delivery-near", "name": "Delivery, Near", "category": "delivery", **facts}
            )
            ledger = self.there.build.ledger.model_copy(update={"own": (own,)})
            there = self.there._replace(build=self.there.build.model_copy(update={"ledger": ledger}))
            costs = known_costs(there.evaluation)
            found = total_figure(there, costs, needs_of(costs.lines, there.sheets), lambda some: Money(0, "EUR"))
            assert found.amount is not None
            return found.amount.minor

        self.assertEqual(total(paid_minor=590, paid_on=DAY) - total(quote_minor=590), 590)


class ServesTests(TestCase):
    def test_what_serves_in_a_place_is_carried_out(self) -> None:
        """Over random builds and offers: the part that is found hangs without anything blocked or unknown and costs
        what was told; no other that does so is cheaper."""
        found_any = 0
        for seed in seeds(24):
            dice = Random(seed)
            build = random_build(seed)
            slot = dice.choice((Slot.MONITOR, Slot.MAT, Slot.SCREEN, Slot.DISPLAY))
            candidates = dice.sample(of_place(slot), min(6, len(of_place(slot))))
            currency = build.brief.currency
            offers = [
                market.offer(part.id, dice.randrange(50_00, 3_000_00), "far", currency=currency) for part in candidates
            ]
            there = watched(build, dict(sample_parts()), market.shop(id="far", currency=currency), *offers)
            asked = watch(WatchKind.PLACE, slot.value)
            found = place_figure(asked, there, candidates)
            totals = {}
            for part in candidates:
                (weighed,) = each_weighed(build, there.sheets, [part], DAY)
                needs = needs_of(known_costs(weighed.evaluation).lines, there.sheets)
                need = next((need for need in needs if need.part == part.id), None)
                if weighed.state in (State.CLEAR, State.TIGHT) and need is not None:
                    (offered,) = offers_for(need, there.market, there.buyer)
                    if offered.order is not None:
                        totals[part.id] = offered.order.total.minor
            self.assertEqual(found.amount.minor if found.amount else None, min(totals.values(), default=None), seed)
            found_any += bool(totals)
        self.assertGreater(found_any, 3)

    def test_conditions_hold_there_too(self) -> None:
        build = worlds.full_build()
        mat = build.chain[Slot.MAT].part
        used = market.offer(mat, 10_00, "far", sold_as=SoldAs.USED.value)
        there = watched(build, worlds.full_parts(), market.shop(id="far"), used)
        asked = watch(WatchKind.PLACE, Slot.MAT.value, sold_as=["new"])
        self.assertIsNone(place_figure(asked, there, [there.sheets[mat]]).amount)
