"""What shops ask for the lines of a build, offers taken onto them, and baskets that come to what they say."""

from dataclasses import replace
from datetime import timedelta
from fractions import Fraction
from pathlib import Path
from random import Random
from unittest import TestCase

from core.formats.offers_csv import offer_rows
from core.formats.price_list import read_table
from core.formats.shops_file import read_shops_file
from core.model.build import Build
from core.model.ledger import Entry, Ledger
from core.model.parts import Carpet, Projector
from core.model.progress import Stopped
from core.model.shops import Market, Offer
from core.money.amounts import Buyer, buyer_of
from core.money.basket import NO_LIMITS, Limits
from core.money.costs import Costs
from core.money.line import Line, Payment
from core.money.order import Need
from core.money.shopping import needs_of
from core.quantities import Money, UnitSystem
from core.report.baskets import baskets_for
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.shopping import OfferGone, changed_since, offers_for, taken_offers, taking
from tests.core.money.market import DAY, buyer, offer, shop
from tests.core.random_builds import furnished_build, sample_parts, seeds

DEMO = Path(__file__).resolve().parents[3] / "jungle" / "demo"
FREE_OVER_100 = ({"fee_minor": 490}, {"fee_minor": 0, "from_minor": 100_00})


def sample_market() -> Market:
    """The sample shops, and their offers as if they had been seen on the day of the tests."""
    shops = read_shops_file((DEMO / "shops.json").read_bytes()).shops
    rows = offer_rows(read_table((DEMO / "offers.csv").read_bytes()), {shop.id: shop for shop in shops})
    return Market(shops, tuple(row.offer.model_copy(update={"good_until": None}) for row in rows if row.offer))


def market(*offers: Offer, **terms: object) -> Market:
    """One shop, and what it offers."""
    return Market((shop(**terms),), offers)


def built(**ledger: Entry) -> Build:
    """A build that knows so much of its lines, by their place."""
    return Build(name="Bay", ledger=Ledger(entries={f"{place}/part": entry for place, entry in ledger.items()}))


def need(place: str, part: str, quantity: int = 1) -> Need:
    return Need(f"{place}/part", part, quantity)


class NeedTests(TestCase):
    def test_what_is_bought_already_or_owned_or_a_fee_is_not_needed(self) -> None:
        lamp = Projector(id="lamp", maker="Maker", name="Lamp", weight_kg=3.0)
        line = Line(None, "Lamp", part="lamp", quantity=2, newcomers=Money(100, "EUR"))
        (wanted,) = needs_of([line], {"lamp": lamp})
        self.assertEqual((wanted.quantity, wanted.weight_kg, wanted.bulky), (2, 6.0, False))
        for payment in (Payment.PAID, Payment.OWNED, Payment.GIFT, Payment.SAMPLE, Payment.BUNDLED, Payment.FREE):
            self.assertEqual(needs_of([line._replace(payment=payment)], {"lamp": lamp}), ())
        self.assertEqual(needs_of([line._replace(licence="plan"), line._replace(fees_a_year=12)], {"lamp": lamp}), ())

    def test_how_many_must_be_known_and_a_roll_is_bulky(self) -> None:
        """A part with a price whose line has none does not know its amount; one without a price may be shopped for."""
        priced = Carpet.model_validate({"id": "roll", "maker": "M", "name": "Roll", "price": {"minor": 900}})
        unpriced = priced.model_copy(update={"price": None})
        line = Line(None, "Roll", part="roll")
        self.assertEqual(needs_of([line], {"roll": priced}), ())
        (wanted,) = needs_of([line], {"roll": unpriced})
        self.assertTrue(wanted.bulky)
        self.assertIsNone(wanted.weight_kg)


class OffersTests(TestCase):
    def test_the_cheapest_delivered_is_first_and_what_is_not_known_last(self) -> None:
        """90.00 and 4.90 of delivery are dearer than 94.00 brought for nothing; dollars without a rate come last."""
        near, free = shop(delivery=FREE_OVER_100), shop(id="free", name="Free")
        abroad = shop(id="abroad", name="Abroad", currency="USD")
        offers = (
            offer("a", 90_00), offer("a", 94_00, "free"), offer("a", 10_00, "abroad", currency="USD"),
            offer("a", 1_00, "free", id="over", good_until=DAY - timedelta(days=1)), offer("b", 1_00),
        )  # fmt: skip
        found = offers_for(need("display", "a"), Market((near, free, abroad), offers), buyer())
        self.assertEqual([each.order and each.order.total.minor for each in found], [94_00, 94_90, None])
        self.assertEqual(found[2].missing and found[2].missing.fact, "The rate from USD to EUR")

    def test_the_best_of_the_codes_is_tried(self) -> None:
        """100.00 with 20 % off, or with 10 %, one of them at once: 80.00."""
        codes = [{"code": "ten", "share": 0.1}, {"code": "twenty", "share": 0.2}]
        (found,) = offers_for(need("display", "a"), market(offer("a", 100_00), codes=codes, codes_at_once=1), buyer())
        assert found.order is not None
        self.assertEqual((found.order.total.minor, [code.code for code in found.order.codes]), (80_00, ["twenty"]))


class TakingTests(TestCase):
    NEEDS = (need("display", "a"), need("screen", "b"))
    MARKET = market(offer("a", 60_00), offer("b", 39_00), delivery=FREE_OVER_100)

    def taken(self, build: Build, choices: dict[str, str | None], at: Market = MARKET) -> Build:
        return taking(build, self.NEEDS, at, buyer(), choices)

    def test_a_quote_and_a_line_for_delivery(self) -> None:
        """60.00 and 4.90 alone; with 39.00 more 99.00 and still 4.90; with 41.00 it is brought for nothing."""
        once = self.taken(built(display=Entry(likely_minor=70_00)), {"display/part": "shop-a"})
        entry = once.ledger.entries["display/part"]
        self.assertEqual((entry.quote_minor, entry.quote_from, entry.quoted_on), (60_00, "Shop", DAY))
        self.assertEqual((entry.likely_minor, entry.offer), (70_00, "shop-a"), "a guess is not overwritten")
        self.assertEqual([(line.id, line.quote_minor) for line in once.ledger.own], [("delivery-shop", 4_90)])
        twice = self.taken(once, {"screen/part": "shop-b"})
        self.assertEqual([line.quote_minor for line in twice.ledger.own], [4_90], "once for both")
        dearer = market(offer("a", 60_00), offer("b", 41_00), delivery=FREE_OVER_100)
        self.assertEqual(self.taken(once, {"screen/part": "shop-b"}, dearer).ledger.own, ())

    def test_taken_back_nothing_is_left_of_it(self) -> None:
        build = built(display=Entry(likely_minor=70_00))
        back = self.taken(self.taken(build, {"display/part": "shop-a"}), {"display/part": None})
        self.assertEqual(back, build)

    def test_an_amount_off_the_order_is_shared_to_the_cent(self) -> None:
        """10.00 off 60.00 and 39.00: 6.06 and 3.93 in whole cents, the cent that is left to the dearer: 6.07."""
        codes = [{"code": "off", "off_minor": 10_00}]
        at = market(offer("a", 60_00), offer("b", 39_00), codes=codes)
        both = self.taken(built(), {"display/part": "shop-a", "screen/part": "shop-b"}, at)
        quotes = {key: entry.quote_minor for key, entry in both.ledger.entries.items()}
        self.assertEqual(quotes, {"display/part": 53_93, "screen/part": 35_07})

    def test_what_is_gone_or_of_something_else_is_refused(self) -> None:
        for line, id in (("display/part", "gone"), ("display/part", "shop-b"), ("mat/part", "shop-a")):
            with self.subTest(line, id=id), self.assertRaises(OfferGone):
                self.taken(built(), {line: id})

    def test_a_member_that_leaves_makes_the_others_dearer(self) -> None:
        """A saving of 9.00 over 60.00 and 30.00 is 6.00 and 3.00, and lost with the second."""
        bundle = {"name": "Pair", "members": ["a", "b"], "saving_minor": 9_00}
        at = market(offer("a", 60_00), offer("b", 30_00), bundles=[bundle])
        both = self.taken(built(), {"display/part": "shop-a", "screen/part": "shop-b"}, at)
        self.assertEqual(both.ledger.entries["display/part"].quote_minor, 54_00)
        alone = self.taken(both, {"screen/part": None}, at)
        self.assertEqual(alone.ledger.entries["display/part"].quote_minor, 60_00)
        swapped = changed_since(both.ledger, self.NEEDS[:1], at, buyer())
        self.assertEqual([(price.was.minor, price.now and price.now.minor) for price in swapped], [(54_00, 60_00)])

    def test_what_was_paid_of_an_order_stays(self) -> None:
        """Its delivery too, whether that was ticked itself or something that it brought; taken back, it goes."""
        once = self.taken(built(), {"display/part": "shop-a"})
        for paid in (
            {"entries": {"display/part": once.ledger.entries["display/part"].model_copy(update={"paid_minor": 60_00})}},
            {"own": (once.ledger.own[0].model_copy(update={"paid_minor": 5_00}),)},
        ):
            build = once.model_copy(update={"ledger": once.ledger.model_copy(update=paid)})
            # What is paid is no need any more: the order is of nothing.
            after = taking(build, (), self.MARKET, buyer(), {})
            self.assertEqual(after.ledger.own, build.ledger.own)
        self.assertEqual(taking(once, self.NEEDS, self.MARKET, buyer(), {"display/part": None}).ledger.own, ())

    def test_prices_that_moved_are_told_and_taken_as_they_are(self) -> None:
        taken = self.taken(built(), {"display/part": "shop-a", "screen/part": "shop-b"})
        self.assertEqual(changed_since(taken.ledger, self.NEEDS, self.MARKET, buyer()), ())
        moved = market(offer("a", 64_00), delivery=FREE_OVER_100)
        told = changed_since(taken.ledger, self.NEEDS, moved, buyer())
        self.assertEqual([(price.line, price.now and price.now.minor) for price in told],
                         [("display/part", 64_00), ("screen/part", None)])  # fmt: skip
        again = self.taken(taken, {}, moved)
        self.assertEqual(again.ledger.entries["display/part"].quote_minor, 64_00)
        self.assertEqual(again.ledger.entries["screen/part"].quote_minor, 39_00, "what is gone stays as it was told")

    def test_over_random_builds_it_costs_what_the_orders_come_to(self) -> None:
        """Whatever is taken, from whom: cash up front is what else there is, and the orders, to the cent."""
        known, tried = sample_market(), 0
        for seed in seeds(40):
            build, dice = priced(furnished_build(seed)), Random(seed)
            by, needs = buyer_of(build.brief, DAY), needs_in(build)
            choices = {}
            for each in needs:
                told = [one for one in offers_for(each, known, by) if one.order is not None]
                if told and dice.random() < 0.7:
                    choices[each.line] = dice.choice(told).offer.id
            if not choices:
                continue
            after = taking(build, needs, known, by, choices)
            with self.subTest(seed=seed):
                self.assertEqual(taken_offers(after.ledger), choices)
                self.assertEqual(costs_in(after).up_front, rest_of(build, choices) + bought(after, choices))
                self.assertEqual(changed_since(after.ledger, needs, known, by), ())
                tried += len(choices)
        self.assertGreater(tried, 100)


def priced(build: Build) -> Build:
    """`build` with tax, a rate for dollars and what it costs to change them."""
    rate = {"currency": "USD", "rate": "0.92"}
    told = {**build.brief.model_dump(), "currency": "EUR", "tax_share": 0.19, "exchange_rates": [rate]}
    brief = type(build.brief).model_validate({**told, "exchange_fee_share": 0.015})
    return build.model_copy(update={"brief": brief})


def costs_in(build: Build) -> Costs:
    return known_costs(evaluation_of(build, sample_parts(), today=DAY))


def needs_in(build: Build) -> tuple[Need, ...]:
    return needs_of(costs_in(build).lines, sample_parts())


def rest_of(build: Build, choices: dict[str, str]) -> Money:
    """What all lines come to that nothing is taken for."""
    lines = [line.up_front for line in costs_in(build).lines if line.key not in choices and line.up_front]
    return Money.total(lines, build.brief.currency)


def bought(build: Build, choices: dict[str, str]) -> Money:
    """What the quotes and deliveries of `choices` count for."""
    by = buyer_of(build.brief, DAY)
    quotes = [build.ledger.entries[line].quote_minor or 0 for line in choices]
    brought = [line.quote_minor or 0 for line in build.ledger.own if line.id.startswith("delivery-")]
    return Money.total([by.counts(Money(minor, "EUR")) for minor in (*quotes, *brought)], "EUR")


class BasketsTests(TestCase):
    def test_what_stands_beside_the_best(self) -> None:
        """Cheapest each: 10 + 20 + 30 in three shops; two of them give 10 + 20 + 36; one has it all for 80."""
        shops = tuple(shop(id=id, name=id.title()) for id in ("one", "two", "three"))
        prices = {"one": (10_00, 40_00, 36_00), "two": (20_00, 20_00, 40_00), "three": (90_00, 90_00, 30_00)}
        offers = tuple(
            offer(part, minor, id) for id, told in prices.items() for part, minor in zip("abc", told, strict=True)
        )
        needs = [need("display", "a"), need("screen", "b"), need("mat", "c"), need("floor", "d")]
        found = baskets_for(needs, Market(shops, offers), buyer(), NO_LIMITS)
        totals = [basket and basket.total.minor for basket in (found.best, found.one_fewer, found.one_shop)]
        self.assertEqual(totals, [60_00, 66_00, 80_00])
        self.assertEqual(found.without, ("floor/part",))
        self.assertEqual(found.notes, ())

    def test_it_says_what_could_not_be_looked_at(self) -> None:
        shops = (shop(), shop(id="abroad", name="Abroad", currency="USD"))
        offers = (offer("a", 10_00), offer("b", 10_00, "abroad", currency="USD"))
        found = baskets_for([need("display", "a"), need("mat", "b")], Market(shops, offers), buyer(), NO_LIMITS)
        self.assertEqual(found.without, ("mat/part",))
        self.assertIn("The rate from USD to EUR", f"{found.notes[0]}")
        nothing = baskets_for([need("display", "a")], Market((), ()), buyer(), NO_LIMITS)
        self.assertEqual((nothing.best, nothing.without), (None, ("display/part",)))
        bought = baskets_for([], Market(shops, offers), buyer(), NO_LIMITS)
        self.assertEqual([note.template for note in bought.notes], ["Nothing is still to be bought."])
        scales = shop(id="scales", name="Scales", delivery=[{"most_kg": 5, "fee_minor": 390}, {"fee_minor": 900}])
        heavy = (offer("a", 10_00), offer("a", 1_00, "scales"))
        weighed = baskets_for([need("display", "a")], Market((shop(), scales), heavy), buyer(), NO_LIMITS)
        self.assertEqual(weighed.best and weighed.best.total.minor, 10_00)
        told = weighed.notes[0].text(UnitSystem.METRIC)
        self.assertIn("Scales brings by weight, and is not asked for one thing", told)
        late = baskets_for([need("display", "a")], Market(shops, offers), buyer(), Limits(here_by=DAY))
        self.assertEqual(late.without, ("display/part",))

    def test_limits_are_kept_to_and_progress_can_stop_it(self) -> None:
        shops = (shop(), shop(id="far", name="Far"))
        offers = (offer("a", 10_00, sold_as="used"), offer("a", 15_00, "far"), offer("b", 10_00))
        needs = [need("display", "a"), need("mat", "b")]
        found = baskets_for(needs, Market(shops, offers), buyer(), Limits(new_only=True))
        self.assertEqual(found.best and found.best.total.minor, 25_00)
        self.assertEqual([note.template for note in found.notes], ["No shop has all of it."])
        with self.assertRaises(Stopped):
            baskets_for(needs, Market(shops, offers), buyer(), NO_LIMITS, lambda share, words: False)

    def test_a_basket_that_is_taken_comes_to_what_it_says(self) -> None:
        """Over random builds and the whole sample market, with tax that is paid and tax that is reclaimed."""
        known = sample_market()
        for seed in seeds(6):
            build = priced(furnished_build(seed))
            needs, by = needs_in(build), buyer_of(build.brief, DAY)
            found = baskets_for(needs, known, by, NO_LIMITS)
            for basket in filter(None, (found.best, found.one_fewer, found.one_shop)):
                assert found.best is not None
                with self.subTest(seed=seed):
                    self.assertGreaterEqual(basket.total.minor, found.best.total.minor)
                    after = taking(build, needs, known, by, dict(basket.choices))
                    rest = rest_of(build, dict(basket.choices))
                    self.assertEqual(costs_in(after).up_front, rest + basket.total)

    def test_no_offers_of_one_s_own_choosing_are_cheaper(self) -> None:
        known, dice = sample_market(), Random(7)
        build = priced(furnished_build(3))
        needs, by = needs_in(build), buyer_of(build.brief, DAY)
        best = baskets_for(needs, known, by, NO_LIMITS).best
        assert best is not None
        lines = dict(best.choices)
        for _ in range(60):
            mine = {
                each.line: dice.choice([one for one in offers_for(each, known, by) if one.order]).offer.id
                for each in needs
                if each.line in lines
            }
            after = taking(build, needs, known, by, mine)
            self.assertGreaterEqual(bought(after, mine).minor, best.total.minor)

    def test_a_buyer_who_reclaims_tax_pays_the_same_at_the_till(self) -> None:
        """119.00 at the till are 100.00 that count; the quote keeps the 119.00."""
        by: Buyer = replace(buyer(), tax_share=Fraction(19, 100), reclaims_tax=True)
        at = market(offer("a", 119_00))
        after = taking(built(), [need("display", "a")], at, by, {"display/part": "shop-a"})
        self.assertEqual(after.ledger.entries["display/part"].quote_minor, 119_00)
        found = baskets_for([need("display", "a")], at, by, NO_LIMITS)
        self.assertEqual(found.best and found.best.total.minor, 100_00)
