"""Reading prices: the stand-ins as they should be and as they should not, hosts, rounds, and what a kill leaves."""

import json
from contextlib import AbstractContextManager, ExitStack
from datetime import date, timedelta
from decimal import Decimal
from io import StringIO
from typing import Any, ClassVar
from unittest.mock import patch

from django.contrib.auth.models import User
from django.core.management import call_command
from django.db import OperationalError
from django.test import TestCase
from django.utils import timezone

from core.formats.errors import BadFile
from core.formats.price_sources.reader import Form, form_of, read_source
from core.model.shops import SoldAs
from jungle.builds.services.welcome import local_owner, welcome
from jungle.market import reading
from jungle.market.fetching import ATTEMPTS, Fetcher, Kept, NoSuchPage
from jungle.market.hosts import Allowed, NotFetched, addresses_of, host_of
from jungle.market.models import Observation, PriceSource, ReadingState, Round, Series
from jungle.market.observing import confirm, record
from jungle.market.rates import rates_for
from jungle.market.reading import look_at, read_round
from jungle.market.rounds import begin_round, owners_due, schedule
from jungle.market.sample_prices import SILENT_SHOP, quotes_of
from jungle.market.sources import Known, add_source, known_of
from jungle.market.terms import market_of
from jungle.standins.adoption import adopt_sample_sources
from jungle.standins.goods import SampleGoods
from jungle.standins.rates_desk import RATES_AT, rates_on
from jungle.standins.servers import PLACES, standing
from jungle.standins.shop_front import CATALOGUE_AT, front_answer
from tests.app.worlds import person

GO_ON = staticmethod(lambda share, words: True)


class StandingTestCase(TestCase):
    """The stand-ins stand for the class; `day` is what they take today to be."""

    at: ClassVar[dict[str, str]]
    day: ClassVar[date]
    _stack: ClassVar[ExitStack]

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls._stack = ExitStack()
        cls.day = timezone.localdate()
        cls.at = cls._stack.enter_context(standing(today=lambda: cls.day))

    @classmethod
    def tearDownClass(cls) -> None:
        cls._stack.close()
        super().tearDownClass()

    def setUp(self) -> None:
        type(self).day = timezone.localdate()

    def address(self, shop: str, misbehaving: str = "") -> str:
        prefix = f"/misbehaving/{misbehaving}" if misbehaving else ""
        return f"{self.at[shop]}{prefix}{CATALOGUE_AT[shop]}"

    def fetcher(self, *shops: str) -> Fetcher:
        hosts = [host_of(self.at[shop])._replace(private=True) for shop in shops or PLACES]
        return Fetcher(hosts, sleep=lambda seconds: None)


class FetchTests(StandingTestCase):
    def refused(self, address: str) -> str:
        with self.assertRaises(NotFetched) as refusal:
            self.fetcher().fetch(address)
        return str(refusal.exception)

    def test_what_has_not_changed_is_not_sent_again(self) -> None:
        fetcher = self.fetcher("larkmoor")
        first = fetcher.fetch(self.address("larkmoor"))
        self.assertTrue(first.content and first.kept.etag and first.kept.last_modified)
        again = fetcher.fetch(self.address("larkmoor"), first.kept)
        self.assertEqual((again.unchanged, again.content, again.kept), (True, b"", first.kept))
        by_day = fetcher.fetch(self.address("larkmoor"), Kept(last_modified=first.kept.last_modified))
        self.assertTrue(by_day.unchanged)
        type(self).day += timedelta(days=1)
        self.assertFalse(
            fetcher.fetch(self.address("larkmoor"), Kept(last_modified=first.kept.last_modified)).unchanged
        )

    def test_only_hosts_that_are_allowed(self) -> None:
        with self.assertRaisesRegex(NotFetched, "not among the hosts"):
            self.fetcher("pairwell").fetch(self.address("larkmoor"))

    def test_no_private_address_unless_it_is_allowed_by_name(self) -> None:
        named = host_of(self.at["larkmoor"])
        with self.assertRaisesRegex(NotFetched, "private address"):
            Fetcher([named], sleep=lambda seconds: None).fetch(self.address("larkmoor"))
        for number in ("127.0.0.1", "10.1.2.3", "169.254.169.254", "::1", "::ffff:127.0.0.1", "0.0.0.0", "224.0.0.1"):
            with self.subTest(number), self.resolved(number), self.assertRaisesRegex(NotFetched, "private"):
                addresses_of(Allowed("shop.example", 80))
        with self.resolved("93.184.216.34"):
            self.assertEqual(addresses_of(Allowed("shop.example", 80)), ["93.184.216.34"])
        with self.resolved("93.184.216.34", "10.0.0.1"), self.assertRaisesRegex(NotFetched, "10.0.0.1"):
            addresses_of(Allowed("shop.example", 80))

    def resolved(self, *numbers: str) -> AbstractContextManager[Any]:
        found = [(0, 0, 0, "", (number, 80)) for number in numbers]
        return patch("socket.getaddrinfo", return_value=found)

    def test_what_is_no_web_address(self) -> None:
        for address in ("", "shop", "ftp://shop.example/", "file:///etc/passwd", "http://", "http://a@b.example/",
                        "http://[::1", "http://shop.example:99999/", "javascript:alert(1)",
                        "http://a b.example/"):  # fmt: skip
            with self.subTest(address), self.assertRaisesRegex(NotFetched, "no web address"):
                host_of(address)

    def test_robots_are_asked_first(self) -> None:
        self.assertIn("robots.txt", self.refused(f"{self.at['larkmoor']}/basket"))

    def test_whatever_a_server_does_is_a_refusal_in_words(self) -> None:
        self.assertIn("429", self.refused(self.address("larkmoor", "too-many")))
        self.assertIn("500", self.refused(self.address("larkmoor", "broken")))
        self.assertIn("cannot be read to its end", self.refused(self.address("larkmoor", "truncated")))
        self.assertIn("elsewhere.example", self.refused(self.address("larkmoor", "elsewhere")))
        self.assertIn("larger than 8 MB", self.refused(self.address("larkmoor", "endless")))
        self.assertIn("503", self.refused(self.address(SILENT_SHOP)))
        with self.assertRaises(NoSuchPage):
            self.fetcher().fetch(f"{self.at['larkmoor']}/nothing-here")
        with self.assertRaises(NotFetched):
            self.fetcher().fetch("http://127.0.0.1:9/nobody")

    def test_a_slow_server_is_given_up(self) -> None:
        with patch("jungle.market.fetching.MOST_SECONDS", 0.6):
            self.assertIn("took longer", self.refused(self.address("larkmoor", "slow")))

    def test_it_is_tried_again_as_long_after_as_the_server_asks(self) -> None:
        waited: list[float] = []
        fetcher = self.fetcher()
        fetcher.sleep = waited.append
        self.assertTrue(fetcher.fetch(self.address("larkmoor", "once-too-many")).content)
        self.assertEqual(waited, [1.0])
        with self.assertRaises(NotFetched):
            fetcher.fetch(self.address("larkmoor", "broken"))
        self.assertEqual(len(waited), 1 + ATTEMPTS - 1)


class StandInTests(StandingTestCase):
    def test_every_shop_says_what_its_market_asks(self) -> None:
        """In its own form; the ones that list what is in stock only leave out the rest."""
        goods = SampleGoods(self.day)
        forms = {}
        for shop in (shop for shop in CATALOGUE_AT if shop != SILENT_SHOP):
            sold = goods.of(shop)
            fetched = self.fetcher().fetch(self.address(shop))
            told = read_source(fetched.content, fetched.content_type, sold.shop.currency, sold.shop.tax_included)
            self.assertEqual([one for one in told if one.problem], [])
            by_key = {one.key: one for one in told}
            for article in sold.articles:
                one = by_key.get(article.number)
                if one is None:
                    self.assertFalse(article.in_stock, (shop, article.number))
                    continue
                assert one.price is not None
                said = (one.price.minor, one.price.currency, one.in_stock, one.sold_as)
                self.assertEqual(said, (article.minor, sold.shop.currency, article.in_stock, article.offer.sold_as))
            forms[shop] = form_of(fetched.content)
        self.assertEqual(set(forms.values()), set(Form))

    def test_the_one_that_is_closed_would_say_it_too(self) -> None:
        sold = SampleGoods(self.day).of(SILENT_SHOP)
        answer = front_answer(sold, CATALOGUE_AT[SILENT_SHOP], "http://127.0.0.1")
        told = read_source(answer.content, answer.content_type, sold.shop.currency, sold.shop.tax_included)
        self.assertEqual({one.price.tax_included for one in told if one.price}, {False})
        self.assertEqual([one.price.minor for one in told if one.price], [article.minor for article in sold.articles])

    def test_the_same_day_says_the_same_and_a_week_more_changes_none_of_it(self) -> None:
        article = SampleGoods(self.day).of("larkmoor").articles[0]
        now, later = quotes_of(article.offer, self.day), quotes_of(article.offer, self.day + timedelta(days=7))
        self.assertTrue(later[: len(now)] == now)
        self.assertEqual(len(later), len(now) + 7)

    def test_pages_terms_and_rates(self) -> None:
        fetcher = self.fetcher()
        article = SampleGoods(self.day).of("larkmoor").articles[0]
        page = fetcher.fetch(f"{self.at['larkmoor']}{article.path}")
        (told,) = read_source(page.content, page.content_type, "EUR", True)
        self.assertEqual(told.key, article.number)
        self.assertIn(b"<li>", fetcher.fetch(f"{self.at['codling-pike']}/terms").content)
        rates = json.loads(fetcher.fetch(f"{self.at['rates']}/rates.json").content)
        self.assertEqual((rates["dated"], rates["euros_for_one"]["EUR"]), (self.day.isoformat(), "1"))
        before = self.day - timedelta(days=40)
        old = json.loads(fetcher.fetch(f"{self.at['rates']}/rates/{before}.json").content)
        self.assertNotEqual(old["euros_for_one"]["USD"], rates["euros_for_one"]["USD"])
        with self.assertRaises(NoSuchPage):
            fetcher.fetch(f"{self.at['rates']}/rates/{self.day + timedelta(days=1)}.json")


class RoundTests(StandingTestCase):
    owner: ClassVar[User]

    @classmethod
    def setUpTestData(cls) -> None:
        cls.owner = person()
        welcome(cls.owner)

    def source(self, shop: str, misbehaving: str = "") -> PriceSource:
        return add_source(self.owner.pk, shop, self.address(shop, misbehaving), True, {})

    def read(self, report: object = GO_ON) -> Round:
        begun = begin_round(self.owner.pk)
        fetcher = self.fetcher()
        with patch("jungle.market.reading.timezone.localdate", return_value=self.day):
            read_round(begun, report, fetcher)  # type: ignore[arg-type]
        return begun

    def states(self, begun: Round) -> dict[str, str]:
        return dict(begun.readings.values_list("source__shop", "state"))

    def test_a_round_keeps_what_every_shop_says_and_one_that_fails_stops_no_other(self) -> None:
        for shop in CATALOGUE_AT:
            self.source(shop)
        begun = self.read()
        states = self.states(begun)
        self.assertEqual(states.pop(SILENT_SHOP), ReadingState.FAILED)
        self.assertEqual(set(states.values()), {ReadingState.READ})
        begun.refresh_from_db()
        self.assertIsNotNone(begun.ended_at)
        goods = SampleGoods(self.day)
        seen = {(one.series.shop, one.series.part, one.series.sold_as): one
                for one in Observation.objects.filter(series__owner=self.owner).select_related("series")}  # fmt: skip
        for shop in states:
            for article in goods.of(shop).articles:
                one = seen.get((shop, article.offer.part, article.offer.sold_as.value))
                if one is None:
                    self.assertFalse(article.in_stock)
                else:
                    self.assertEqual((one.minor, one.in_stock), (article.minor, article.in_stock))

    def test_offers_say_what_was_read(self) -> None:
        type(self).day += timedelta(days=120)
        self.source("larkmoor")
        self.read()
        offers = {offer.id: offer for offer in market_of(self.owner.pk).offers}
        for article in SampleGoods(self.day).of("larkmoor").articles:
            offer = offers[article.offer.id]
            self.assertEqual(
                (offer.price.minor, offer.seen, offer.in_stock), (article.minor, self.day, article.in_stock)
            )
            sale = article.regular_minor if article.regular_minor > article.minor else None
            self.assertEqual(offer.regular_minor, sale)

    def test_read_again_nothing_is_there_twice(self) -> None:
        self.source("larkmoor")
        self.read()
        count = Observation.objects.count()
        self.read()
        (reading,) = Round.objects.first().readings.all()  # type: ignore[union-attr]
        self.assertIn("Nothing has changed", reading.words)
        self.assertEqual((Observation.objects.count(), reading.new), (count, 0))

    def test_a_day_later_the_same_price_extends_what_was_seen(self) -> None:
        self.source("codling-pike")
        self.read()
        type(self).day += timedelta(days=1)
        self.read()
        extended = Observation.objects.filter(last_seen=self.day, first_seen=self.day - timedelta(days=1)).count()
        self.assertGreater(extended, 80)

    def test_what_is_not_listed_any_more_is_sold_out(self) -> None:
        self.source("turnagain")
        self.read()
        there = set(Series.objects.filter(shop="turnagain", newest__in_stock=True).values_list("part", flat=True))
        for _ in range(60):
            type(self).day += timedelta(days=5)
            listed = {a.offer.part for a in SampleGoods(self.day).of("turnagain").articles if a.in_stock}
            if there - listed and len(listed) > len(there) / 2:
                break
        self.read()
        gone = Series.objects.filter(shop="turnagain", newest__in_stock=False, part__in=there - listed)
        self.assertEqual({one.part for one in gone}, there - listed)
        held = {offer.part: offer.in_stock for offer in market_of(self.owner.pk).offers if offer.shop == "turnagain"}
        self.assertFalse(any(held[part] for part in there - listed))

    def test_a_source_that_is_cut_short_makes_nothing_gone(self) -> None:
        source = self.source("codling-pike")
        self.read()
        type(self).day += timedelta(days=1)
        PriceSource.objects.filter(pk=source.pk).update(etag="", last_modified="")
        with patch.object(reading, "read_source", side_effect=lambda *told: read_source(*told)[:10]):
            begun = self.read()
        (told,) = begun.readings.all()
        self.assertIn("less than half", told.words)
        self.assertFalse(Observation.objects.filter(last_seen=self.day, in_stock=False, first_seen=self.day).exclude(
            series__part__in=[a.offer.part for a in SampleGoods(self.day).of("codling-pike").articles if not a.in_stock]
        ).exists())  # fmt: skip
        source.refresh_from_db()
        self.assertGreater(len(json.loads(source.listed)), 90, "what it told of before is still known")

    def test_another_thing_under_the_same_number_is_held_back(self) -> None:
        source = self.source("larkmoor")
        self.read()
        PriceSource.objects.filter(pk=source.pk).update(
            address=self.address("larkmoor", "renamed"), etag="", last_modified=""
        )
        type(self).day += timedelta(days=30)
        self.read()
        held = Observation.objects.filter(first_seen=self.day).exclude(held_back="")
        self.assertGreater(held.count(), 90)
        self.assertIn("Something else", held[0].held_back)
        said = [offer.id for offer in market_of(self.owner.pk).offers if offer.seen == self.day]
        self.assertEqual(said, [])

    def test_another_currency_and_a_slipped_point_are_held_back(self) -> None:
        source = self.source("larkmoor")
        self.read()
        type(self).day += timedelta(days=12)
        self.read()
        for how, said in (("other-currency", "£"), ("far-too-cheap", "under what is usual")):
            type(self).day += timedelta(days=1)
            PriceSource.objects.filter(pk=source.pk).update(
                address=self.address("larkmoor", how), etag="", last_modified=""
            )
            self.read()
            held = Observation.objects.filter(first_seen=self.day).exclude(held_back="")
            self.assertGreater(held.count(), 60, how)
            self.assertIn(said, held[0].held_back)

    def test_another_condition_under_the_same_number_is_held_back_until_somebody_says_so(self) -> None:
        source = self.source("larkmoor")
        self.read()
        before = {offer.id: offer for offer in market_of(self.owner.pk).offers if offer.shop == "larkmoor"}
        PriceSource.objects.filter(pk=source.pk).update(
            address=self.address("larkmoor", "other-condition"), etag="", last_modified=""
        )
        for _ in range(2):
            type(self).day += timedelta(days=1)
            self.read()
        held = Observation.objects.exclude(held_back="")
        why = "It is told as used; until now it was new under that number."
        self.assertEqual({one.held_back for one in held}, {why})
        again = held.filter(last_seen=self.day).select_related("series")
        self.assertEqual({one.series.part for one in again}, set(held.values_list("series__part", flat=True)))
        self.assertGreater(again.filter(first_seen__lt=self.day).count(), 60, "a second look extends what is held back")
        after = {offer.id: offer for offer in market_of(self.owner.pk).offers if offer.shop == "larkmoor"}
        self.assertEqual(after.keys(), before.keys(), "nothing is offered as used")
        self.assertEqual(
            [id for id, offer in after.items() if before[id].in_stock and not offer.in_stock], [], "nothing is gone"
        )

        part = again[0].series.part
        confirm(self.owner.pk, again[0].pk)
        type(self).day += timedelta(days=1)
        self.read()
        now = {offer.sold_as: offer for offer in market_of(self.owner.pk).offers
               if (offer.shop, offer.part) == ("larkmoor", part)}  # fmt: skip
        self.assertEqual((now[SoldAs.USED].in_stock, now[SoldAs.USED].seen), (True, self.day))
        self.assertFalse(now[SoldAs.NEW].in_stock, "under that number it is used now")
        self.assertFalse(held.filter(series__part=part, first_seen=self.day).exists())

    def test_prices_in_words_are_told_and_kept_nowhere(self) -> None:
        self.source("larkmoor", "in-words")
        (told,) = self.read().readings.all()
        self.assertEqual((told.state, told.new), (ReadingState.READ, 0))
        self.assertIn("118 have no price", told.words)
        self.assertFalse(Observation.objects.exists())

    def test_a_round_that_is_stopped_keeps_what_it_read_and_is_over(self) -> None:
        for shop in ("codling-pike", "larkmoor"):
            self.source(shop)
        begun = self.read(lambda share, words: share < 0.5)
        self.assertEqual(sorted(self.states(begun).values()), [ReadingState.READ, ReadingState.WAITING])
        begun.refresh_from_db()
        self.assertIsNotNone(begun.ended_at)

    def test_it_is_told_part_by_part_and_one_that_is_stopped_amid_a_source_keeps_nothing_of_it(self) -> None:
        self.source("turnagain")
        told: list[tuple[float, str]] = []

        def report(share: float, words: str) -> bool:
            told.append((share, words))
            return share < 0.5

        begun = self.read(report)
        self.assertEqual(told[0], (0.0, "Turnagain"))
        self.assertTrue(all(words.startswith("Turnagain: ") for _, words in told[1:]))
        self.assertEqual([share for share, _ in told], sorted(share for share, _ in told))
        self.assertGreater(len({words for _, words in told}), 5)
        self.assertEqual(self.states(begun), {"turnagain": ReadingState.WAITING})
        self.assertFalse(Observation.objects.exists())

    def test_a_kill_between_reading_and_storing_loses_and_doubles_nothing(self) -> None:
        """At each of the writes of one source: killed there, the round is gone on with and comes to the same."""
        self.source("turnagain")
        places = ("jungle.market.reading.record", "jungle.market.reading.offer_as_seen", "jungle.market.reading._words")
        begun = begin_round(self.owner.pk)
        for place in places:
            with patch(place, side_effect=SystemExit), self.assertRaises(SystemExit):
                read_round(begun, lambda share, words: True, self.fetcher())
            self.assertEqual(self.states(begun), {"turnagain": ReadingState.WAITING})
            self.assertFalse(Observation.objects.exists())
        self.assertEqual(begin_round(self.owner.pk), begun, "the one that was begun is gone on with")
        read_round(begun, lambda share, words: True, self.fetcher())
        count = Observation.objects.count()
        read_round(begun, lambda share, words: True, self.fetcher())
        self.assertEqual((self.states(begun), Observation.objects.count()), ({"turnagain": ReadingState.READ}, count))

    def test_what_goes_wrong_in_one_is_told_and_logged(self) -> None:
        self.source("turnagain")
        with (
            patch("jungle.market.reading.record", side_effect=ZeroDivisionError),
            self.assertLogs("jungle.market.reading"),
        ):
            begun = self.read()
        self.assertEqual(self.states(begun), {"turnagain": ReadingState.FAILED})

    def test_a_database_that_is_held_for_a_moment_is_waited_for(self) -> None:
        self.source("turnagain")
        busy = [OperationalError("database is locked"), record]
        with patch("jungle.market.reading.record", side_effect=lambda *told: _next(busy, *told)):
            begun = self.read()
        self.assertEqual(self.states(begun), {"turnagain": ReadingState.READ})

    def test_nobody_elses_sources(self) -> None:
        self.source("turnagain")
        other = person("lin")
        self.assertFalse(begin_round(other.pk).readings.exists())

    def test_paused_ones_are_left_out_and_a_schedule_says_who_is_due(self) -> None:
        source = self.source("turnagain")
        self.assertEqual(owners_due(), [])
        schedule(self.owner.pk, 24)
        self.assertEqual(owners_due(), [self.owner.pk])
        self.read()
        self.assertEqual(owners_due(), [])
        Round.objects.update(begun_at=timezone.now() - timedelta(hours=25))
        self.assertEqual(owners_due(), [self.owner.pk])
        PriceSource.objects.filter(pk=source.pk).update(paused=True)
        self.assertEqual(owners_due(), [])
        self.assertFalse(begin_round(self.owner.pk).readings.exists())

    def test_a_number_that_was_chosen_for_a_part_stays_chosen(self) -> None:
        article = SampleGoods(self.day).of("turnagain").articles[0]
        known = {article.number: Known("oddleby-bolts", "whatever it says")}
        source = add_source(self.owner.pk, "turnagain", self.address("turnagain"), True, known)
        self.read()
        source.refresh_from_db()
        self.assertEqual(known_of(source)[article.number].part, "oddleby-bolts")

    def test_a_look_keeps_nothing(self) -> None:
        shop = market_of(self.owner.pk).shop_by_id["turnagain"]
        found = look_at(self.owner.pk, self.address("turnagain"), True, shop)
        self.assertEqual(len(found.parts), len(found.things))
        self.assertEqual(found.form, Form.PAGE)
        self.assertFalse(PriceSource.objects.exists() or Series.objects.exists())
        with self.assertRaises(BadFile):
            look_at(self.owner.pk, f"{self.at['turnagain']}/terms", True, shop)

    def test_the_sample_shops_are_read_once_a_day_and_followed_to_other_ports(self) -> None:
        adopt_sample_sources(self.owner, 9000)
        adopt_sample_sources(self.owner, 9500)
        addresses = list(self.owner.price_sources.values_list("address", flat=True))
        self.assertEqual(len(addresses), len(CATALOGUE_AT) + 1, "and the rates")
        self.assertTrue(all(":95" in address for address in addresses))
        self.assertEqual(owners_due(), [self.owner.pk])
        self.owner.price_sources.filter(shop="larkmoor").delete()
        adopt_sample_sources(self.owner, 9500)
        self.assertEqual(self.owner.price_sources.count(), len(CATALOGUE_AT), "taken out is taken out")

    def test_used_pieces_are_told_from_new_ones(self) -> None:
        self.source("turnagain")
        self.read()
        conditions = set(Series.objects.filter(shop="turnagain").values_list("sold_as", flat=True))
        self.assertTrue({SoldAs.USED.value, SoldAs.EX_DISPLAY.value} <= conditions, conditions)


def _next(answers: list[Any], *told: Any) -> Any:
    """What comes next: an error that is raised, or a function that is called."""
    answer = answers.pop(0)
    if isinstance(answer, Exception):
        raise answer
    return answer(*told)


class CommandTests(StandingTestCase):
    def test_a_round_from_the_shell_says_what_came_of_each_source(self) -> None:
        owner = local_owner()
        add_source(owner.pk, "turnagain", self.address("turnagain"), True, {})
        add_source(owner.pk, "pairwell", f"{self.at['pairwell']}/nothing", True, {})
        told = StringIO()
        call_command("read_prices", stdout=told)
        self.assertIn("turnagain: 2", told.getvalue())
        self.assertIn("pairwell: There is no such page any more.", told.getvalue())
        self.assertIn("50% Turnagain", told.getvalue())


class RatesTests(StandingTestCase):
    """The list of rates is one more source."""

    owner: ClassVar[User]

    @classmethod
    def setUpTestData(cls) -> None:
        cls.owner = person()

    def read(self, content: bytes | None = None) -> str:
        source, _ = PriceSource.objects.get_or_create(
            owner=self.owner, address=f"{self.at['rates']}{RATES_AT}", private=True
        )
        PriceSource.objects.filter(pk=source.pk).update(etag="", last_modified="")
        begun = begin_round(self.owner.pk)
        told = self.fetcher().fetch(source.address)
        fetched = told._replace(content=content) if content is not None else told
        with patch("jungle.market.fetching.Fetcher.fetch", return_value=fetched):
            read_round(begun, lambda share, words: True, self.fetcher())
        return begun.readings.get().words

    def test_rates_are_read_dated_and_offered(self) -> None:
        before = rates_for(self.owner.pk, "USD")
        self.assertIn("a sample", before[0].dated)
        self.assertIn(f"of {self.day}", self.read())
        found = {rate.currency: rate for rate in rates_for(self.owner.pk, "USD")}
        euros = rates_on(self.day)
        self.assertEqual(found["EUR"].dated, self.day.isoformat())
        self.assertEqual(found["EUR"].rate, (1 / Decimal(euros["USD"])).quantize(Decimal("0.000001")))

    def test_an_older_list_changes_nothing_and_a_bad_one_is_refused(self) -> None:
        self.read()
        known = rates_for(self.owner.pk, "EUR")
        old = json.dumps({"dated": "2020-01-01", "euros_for_one": {"EUR": "1", "USD": "5"}}).encode()
        self.read(old)
        self.assertEqual(rates_for(self.owner.pk, "EUR"), known)
        for bad in (b"", b"[]", b"{}", b'{"dated": "soon", "euros_for_one": {"EUR": 1}}',
                    b'{"dated": "2026-01-01", "euros_for_one": {"EUR": 2}}',
                    b'{"dated": "2026-01-01", "euros_for_one": {"EUR": 1, "USD": "-3"}}',
                    b'{"dated": "2026-01-01", "euros_for_one": {"EUR": 1, "USD": "Infinity"}}'):  # fmt: skip
            with self.subTest(bad):
                self.read(bad)
                self.assertEqual(Round.objects.first().readings.get().state, ReadingState.FAILED)  # type: ignore[union-attr]
                self.assertEqual(rates_for(self.owner.pk, "EUR"), known)
