"""Prices over time through the API, and the sample world's year and a half of them."""

from datetime import timedelta
from io import StringIO
from typing import Any

from django.contrib.auth.models import User
from django.core.management import call_command
from django.db import connection
from django.test import TestCase
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from core.formats.build_file import read_build_file
from core.model.observation import Look
from core.model.shops import SoldAs
from core.report.evaluation_of import evaluation_of, known_costs
from jungle.builds.models import StoredBuild
from jungle.builds.services.prices import PriceQuestion, price_of_line, prices_for
from jungle.builds.services.welcome import local_owner
from jungle.catalogue.adoption import sample_sheets
from jungle.market.adoption import DEMO, listed_market
from jungle.market.models import Observation, Series
from jungle.market.observing import record
from jungle.market.sample_prices import SILENT_DAYS, SILENT_SHOP, quotes_of, sample_looks
from jungle.market.terms import market_of
from tests.app.worlds import ApiTestCase, person, sheets_of


class PricesTests(ApiTestCase):
    def test_what_was_never_seen_says_so(self) -> None:
        told = self.client.get(self.url("/prices")).json()
        self.assertEqual({line["headline"] for line in told["lines"]}, {"No price of it was ever seen"})
        self.assertEqual({line["advice"]["say"] for line in told["lines"]}, {"nothing"})

    def test_what_was_seen_is_told_with_what_it_rests_on(self) -> None:
        today = timezone.localdate()
        part = self.client.get(self.url("/prices")).json()["lines"][0]["part"]
        looks = [
            Look.model_validate({"part": part, "shop": "larkmoor", "day": today - timedelta(days=n),
                                 "price": {"minor": 90_00 if 100 < n < 110 else 120_00}})
            for n in range(0, 300, 3)
        ]  # fmt: skip
        record(self.owner.pk, looks)
        (line,) = (line for line in self.client.get(self.url("/prices")).json()["lines"] if line["part"] == part)
        usual, lowest = (line["standing"][name]["value"] for name in ("usual", "lowest"))
        told = (line["advice"]["today"]["value"], usual, lowest)
        self.assertEqual(
            told, tuple(line["quantity"] * minor for minor in (120_00, 120_00, 90_00)), "brought for nothing"
        )
        self.assertEqual((line["standing"]["sales"], line["offers"]), (1, 1))
        self.assertGreaterEqual(line["advice"]["weeks_known"], 42)
        self.assertEqual(len(line["weekly"]), 78)

    def test_histories_are_asked_for_together_and_those_of_a_kind_once(self) -> None:
        today = timezone.localdate()
        lines = self.client.get(self.url("/prices")).json()["lines"]
        parts = sorted({line["part"] for line in lines})
        self.assertGreater(len(parts), 3)
        looks = [
            Look.model_validate({"part": part, "shop": "larkmoor", "day": today - timedelta(days=n),
                                 "price": {"minor": 100_00}})
            for part in parts for n in range(0, 60, 3)
        ]  # fmt: skip
        record(self.owner.pk, looks)
        kinds = len({type(sheets_of(self.owner)[part]) for part in parts})
        with CaptureQueriesContext(connection) as asked:
            told = self.client.get(self.url("/prices")).json()["lines"]
        self.assertEqual({line["leans_on"] for line in told}, {0})
        histories = [query for query in asked.captured_queries if 'FROM "market_series"' in query["sql"]]
        self.assertLessEqual(len(histories), 1 + kinds)

    def test_nobody_elses(self) -> None:
        self.client.logout()
        self.assertEqual(self.client.get(self.url("/prices")).status_code, 401)


class LogTests(ApiTestCase):
    """What was seen of the mat: 100.00 for a month, and one look at 30.00."""

    def setUp(self) -> None:
        super().setUp()
        self.today = timezone.localdate()
        looks = [(30, 100_00), (20, 100_00), (10, 100_00), (0, 30_00)]
        record(self.owner.pk, [
            Look.model_validate({"part": "mat", "shop": "larkmoor", "price": {"minor": minor},
                                 "day": self.today - timedelta(days=days)})
            for days, minor in looks
        ])  # fmt: skip

    def log(self) -> list[dict[str, Any]]:
        return list(self.client.get(self.url("/prices/mat")).json()["seen"])

    def post(self, id: int, change: str, **body: str) -> Any:
        return self.client.post(f"/api/prices/seen/{id}/{change}", body, content_type="application/json")

    def test_one_that_is_doubted_is_confirmed(self) -> None:
        doubted, usual = self.log()
        self.assertEqual((doubted["price"], doubted["held_back"][:12]), ("€30.00", "It is 70% un"))
        self.assertEqual((usual["first_seen"], usual["last_seen"]), tuple(
            f"{self.today - timedelta(days=days)}" for days in (30, 10)))  # fmt: skip
        self.assertEqual(self.post(doubted["id"], "confirm").json()["seen"][0]["held_back"], "")

    def test_one_that_is_wrong_is_struck_out_and_brought_back(self) -> None:
        _, usual = self.log()
        self.assertEqual(self.post(usual["id"], "strike", reason=" ").status_code, 422)
        told = self.post(usual["id"], "strike", reason="another mat").json()["seen"][1]
        self.assertEqual((told["struck"], told["price"]), ("another mat", "€100.00"))
        self.assertEqual(self.post(usual["id"], "bring-back").json()["seen"][1]["struck"], "")

    def test_nobody_elses_and_nothing_that_is_not_there(self) -> None:
        doubted, _ = self.log()
        self.client.force_login(person("lin"))
        self.assertEqual(self.post(doubted["id"], "confirm").status_code, 404)
        self.assertEqual(self.post(0, "strike", reason="x").status_code, 404)


class SampleTests(TestCase):
    def test_it_is_loaded_once_and_ends_at_what_the_offers_ask(self) -> None:
        call_command("load_demo", stdout=StringIO())
        call_command("load_prices", stdout=StringIO())
        seen, owner = Observation.objects.count(), local_owner()
        self.assertGreater(seen, 5_000)
        call_command("load_prices", stdout=StringIO())
        self.assertEqual(Observation.objects.count(), seen)
        newest = {(one.part, one.shop, one.sold_as): one.newest for one in Series.objects.select_related("newest")}
        offers = market_of(owner.pk).offers
        for offer in offers:
            last = newest[offer.part, offer.shop, offer.sold_as.value]
            assert last is not None
            self.assertTrue(last.held_back or offer.in_stock == last.in_stock, offer.id)
            if last.in_stock and offer.shop != SILENT_SHOP and not last.held_back:
                self.assertEqual(last.minor, offer.price.minor, offer.id)
                self.assertEqual(last.last_seen, timezone.localdate())
        self.assert_lines_agree_with_offers(owner)
        silent = [one.last_seen for key, one in newest.items() if one and key[1] == SILENT_SHOP]
        self.assertEqual(max(silent), timezone.localdate() - timedelta(days=SILENT_DAYS))
        self.assertTrue(Observation.objects.exclude(held_back="").exists())

    def assert_lines_agree_with_offers(self, owner: User) -> None:
        """What a line comes to today is what the cheapest new offer does, where that takes no code off."""
        believed = Series.objects.filter(sold_as="new", newest__held_back="", newest__last_seen=timezone.localdate())
        seen_today, compared = set(believed.values_list("part", "shop")), 0
        for build in StoredBuild.objects.visible_to(owner.pk):
            for line in prices_for(owner, build, PriceQuestion()):
                _, offers = price_of_line(owner, build, line.line, PriceQuestion())
                fresh = [one for one in offers if (one.offer.part, one.shop.id) in seen_today]
                new = [one for one in fresh if one.offer.sold_as is SoldAs.NEW]
                plain = [one.order.total.minor for one in new if one.order and not one.order.codes]
                with_codes = [one.order.total.minor for one in new if one.order and one.order.codes]
                now = line.advice.today_minor
                if now is None or not plain:
                    continue
                self.assertLessEqual(now, min(plain) + 1, line.line)
                self.assertGreaterEqual(now, min(plain + with_codes) - 1, line.line)
                compared += 1
        self.assertGreater(compared, 8)

    def test_the_third_build_paid_what_was_asked_on_its_days(self) -> None:
        """What it bought of a shop that sells it cost what its history says of that day, for each of them."""
        file = read_build_file((DEMO / "builds" / "hay-loft.json").read_text())
        sheets = {sheet.id: sheet for sheet in sample_sheets()} | file.parts_by_id
        quantities = {line.key: line.quantity for line in known_costs(evaluation_of(file.build, sheets)).lines}
        market = listed_market(timezone.localdate())
        told = 0
        for key, entry in file.build.ledger.entries.items():
            part = key.split("/")[1]
            sold = [
                offer for offer in market.offers_by_part.get(part, ())
                if market.shop_by_id[offer.shop].name == entry.paid_to and offer.sold_as is SoldAs.NEW
            ]  # fmt: skip
            if entry.paid_on is not None and sold:
                (offer,) = sold
                asked = quotes_of(offer, entry.paid_on)[-1]
                self.assertTrue(asked.in_stock, key)
                self.assertEqual(entry.paid_minor, asked.minor * quantities[key], key)
                told += 1
        self.assertGreater(told, 18)

    def test_a_week_later_there_is_a_week_more_of_the_same(self) -> None:
        today = timezone.localdate()
        offer = listed_market(today).offers[3]
        self.assertEqual(quotes_of(offer, today + timedelta(days=7))[:-7], quotes_of(offer, today))
        looks = list(sample_looks([offer], today))
        self.assertLessEqual(max(look.day for look in looks), today)
        self.assertEqual(looks, list(sample_looks([offer], today)))
