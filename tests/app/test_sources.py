"""Sources, rounds and one's own files through the API."""

import json
from datetime import timedelta
from typing import Any, ClassVar
from unittest.mock import patch

from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import override_settings
from django.utils import timezone

from core.formats.looks_csv import COLUMNS
from core.model.observation import Look
from core.prices.back_test import RULES
from core.prices.simulated import Habit
from jungle.builds.services.welcome import welcome
from jungle.market.models import Observation, PriceSource, Round
from jungle.market.observing import record
from jungle.market.terms import market_of, revision_of
from tests.app.test_reading import StandingTestCase
from tests.app.worlds import ApiTestCase, person
from tests.working import do_queued

JSON = "application/json"


@override_settings(LOCAL=False)
class OwnerTestCase(StandingTestCase):
    """Somebody with the sample world is signed in, and may read the stand-ins."""

    owner: ClassVar[User]

    @classmethod
    def setUpTestData(cls) -> None:
        cls.owner = person()
        welcome(cls.owner)

    def setUp(self) -> None:
        super().setUp()
        self.client.force_login(self.owner)
        self.enterContext(
            override_settings(PRIVATE_HOSTS=[origin.removeprefix("http://") for origin in self.at.values()])
        )


class SourcesTests(OwnerTestCase):
    def post(self, path: str = "", **body: Any) -> Any:
        return self.client.post(f"/api/prices/sources{path}", body, content_type=JSON)

    def told(self) -> Any:
        return self.client.get("/api/prices/sources").json()

    def look(self, shop: str = "turnagain", **facts: Any) -> Any:
        asked = {"address": self.address(shop), "shop": shop, "private": True, **facts}
        self.assertEqual(self.post("/look", **asked).status_code, 202)
        do_queued()
        return self.client.get("/api/prices/sources/look").json()

    def test_a_new_shop_is_entered_with_its_address(self) -> None:
        new = {"name": "Quillwick", "country": "Denmark", "currency": "DKK", "tax_included": "yes"}
        before = len(market_of(self.owner.pk).shops)
        found = self.look(shop="turnagain", new_shop={**new, "currency": "EUR"})["understood"]
        self.assertTrue(found["things"])
        self.assertEqual(len(market_of(self.owner.pk).shops), before, "a look keeps nothing")
        asked: dict[str, Any] = {"address": self.address("turnagain"), "private": True}
        for wrong, field in (({"name": ""}, "name"), ({"currency": "zzz"}, "currency"), ({"height": "3"}, "height")):
            refused = self.post(**asked, new_shop={**new, **wrong})
            self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, field))
        self.assertEqual(self.post(**asked).json()["errors"][0]["field"], "shop")
        self.assertFalse(self.told()["sources"])
        made = self.post(**asked, new_shop=new)
        self.assertEqual((made.status_code, made.json()["sources"][0]["shop"]), (201, "Quillwick"))
        (shop,) = (shop for shop in market_of(self.owner.pk).shops if shop.name == "Quillwick")
        self.assertEqual(shop.currency, "DKK")
        again = self.post(**asked, new_shop={**new, "name": "Twice"})
        self.assertEqual(again.status_code, 422, "it is read already: no shop is entered either")
        self.assertEqual(len(market_of(self.owner.pk).shops), before + 1)
        undone = self.client.post("/api/shops/undo", {"revision": revision_of(self.owner.pk)}, content_type=JSON)
        self.assertEqual(undone.status_code, 200)
        self.post("/rounds")
        do_queued()
        self.assertIn("Its shop was taken out.", self.told()["rounds"][0]["readings"][0]["words"])

    def test_a_source_is_looked_at_corrected_kept_and_read(self) -> None:
        understood = self.look()["understood"]
        self.assertEqual(understood["form"], "page")
        first = understood["things"][0]
        asked: dict[str, Any] = {"address": self.address("turnagain"), "shop": "turnagain", "private": True}
        kept = self.post(**asked, parts={first["key"]: None})
        self.assertEqual(kept.status_code, 201)
        (source,) = kept.json()["sources"]
        self.assertEqual((source["shop"], source["read_at"]), ("Turnagain", ""))
        self.assertEqual(self.post("/rounds").status_code, 202)
        self.assertEqual(Round.objects.count(), 1)
        self.post("/rounds")
        self.assertEqual(Round.objects.count(), 1, "the one that is going on is taken")
        do_queued()
        told = self.told()
        self.assertEqual(told["job"]["state"], "done")
        ((reading,), (source,)) = told["rounds"][0]["readings"], told["sources"]
        self.assertEqual((reading["state"], source["failed"], source["silent_days"]), ("read", "", 0))
        self.assertGreater(reading["new"], 10)

    def test_what_cannot_be_read_is_told_as_the_look_that_failed(self) -> None:
        told = self.look(private=False)
        self.assertEqual((told["job"]["state"], told["understood"]), ("failed", None))
        self.assertIn("private address", told["job"]["words"])
        self.assertIn("carries no product", self.look(address=f"{self.at['turnagain']}/terms")["job"]["words"])
        self.assertFalse(PriceSource.objects.exists())

    def test_what_was_not_looked_at_is_not_kept(self) -> None:
        reply = self.post(address=self.address("turnagain"), shop="turnagain", private=True)
        self.assertEqual(reply.status_code, 422)
        self.assertIn("looked at", reply.json()["errors"][0]["accepted"])
        self.look()
        twice = [self.post(address=self.address("turnagain"), shop="turnagain", private=True) for _ in range(2)]
        self.assertEqual([reply.status_code for reply in twice], [201, 422])
        self.assertEqual(self.post("/look", address="http://x.example/", shop="nobody").status_code, 404)

    def test_where_several_people_are_its_keeper_says_which_private_hosts_are_read(self) -> None:
        with override_settings(PRIVATE_HOSTS=[]):
            self.assertIn("private address", self.look()["job"]["words"])

    def test_pausing_dropping_and_a_schedule(self) -> None:
        self.look()
        self.post(address=self.address("turnagain"), shop="turnagain", private=True)
        (source,) = self.told()["sources"]
        path = f"/api/prices/sources/{source['id']}"
        self.assertTrue(self.client.patch(path, {"paused": True}, content_type=JSON).json()["sources"][0]["paused"])
        self.assertEqual(self.post("/schedule", read_every_hours=6).json()["read_every_hours"], 6)
        self.assertEqual(self.post("/schedule", read_every_hours=0).status_code, 422)
        self.client.force_login(person("lin"))
        self.assertEqual(self.client.delete(path).status_code, 404)
        self.client.force_login(self.owner)
        self.assertEqual(self.client.delete(path).status_code, 204)
        self.assertEqual(self.told()["sources"], [])


class HistoryTests(OwnerTestCase):
    """One's own tables and saved pages."""

    def upload(self, path: str, text: str | bytes, name: str = "file.csv", **fields: str) -> Any:
        content = text.encode() if isinstance(text, str) else text
        return self.client.post(f"/api/prices/history{path}", {"file": SimpleUploadedFile(name, content), **fields})

    def test_a_table_is_mapped_looked_at_and_taken_in(self) -> None:
        text = "When,What,Where,Asked\n2026-06-01,Greywold Softfair,Larkmoor Home Golf,549\n2026-06-01,x y,nowhere,5\n"
        preview = self.upload("/preview", text).json()
        self.assertEqual((preview["rows"], preview["first"]), (2, []), "not every column is recognised")
        mapping = json.dumps({"first_seen": 0, "part": 1, "shop": 2, "price": 3})
        preview = self.upload("/preview", text, mapping=mapping).json()
        self.assertEqual((preview["wrong"], preview["asked"]), (1, list(COLUMNS)))
        self.assertIn("nowhere", preview["first"][0]["problem"])
        self.assertEqual(preview["first"][1]["says"], "greywold-softfair at larkmoor: €549.00, 2026-06-01")
        self.assertFalse(Observation.objects.exists())
        self.assertEqual(self.upload("", text, mapping=mapping).status_code, 202)
        do_queued()
        taken = self.client.get("/api/prices/history").json()["taken"]
        self.assertEqual((taken["rows"], taken["new"], taken["wrong"]), (2, 1, 1))
        self.assertEqual(Observation.objects.get().source, "file")

    def test_bad_mappings_and_files_store_nothing(self) -> None:
        self.assertEqual(self.upload("", "part,shop\n").status_code, 422)
        good = "part,shop,price,first_seen\nmat,larkmoor,5,2026-06-01\n"
        for mapping in ('{"part": 9}', '{"roof": 1}', "[]", "{", '{"part": true}'):
            self.assertEqual(self.upload("/preview", good, mapping=mapping).status_code, 422, mapping)

    def test_what_is_written_is_taken_in_again_without_a_change(self) -> None:
        today = timezone.localdate()
        looks = [
            Look.model_validate({"part": part, "shop": "larkmoor", "price": {"minor": 100_00 + days % 7 * 100},
                                 "day": today - timedelta(days=days)})
            for part in ("greywold-softfair", "cobbleden-rubber-40") for days in range(0, 300, 3)
        ]  # fmt: skip
        record(self.owner.pk, looks)
        before = list(Observation.objects.values_list("series__part", "minor", "first_seen", "last_seen"))
        table = b"".join(self.client.get("/api/prices/history/table").streaming_content)  # type: ignore[attr-defined]
        self.assertEqual(len(table.splitlines()), 1 + len(before))
        self.upload("", table)
        do_queued()
        taken = self.client.get("/api/prices/history").json()["taken"]
        self.assertEqual((taken["new"], taken["wrong"]), (0, 0))
        after = list(Observation.objects.values_list("series__part", "minor", "first_seen", "last_seen"))
        self.assertTrue(before == after)

    def test_a_page_that_was_saved_is_kept_as_seen_today(self) -> None:
        page = self.fetcher().fetch(self.address("turnagain")).content
        told = self.upload("/page", page, "page.html", shop="turnagain").json()
        self.assertTrue(all(one["part"] for one in told["things"]))
        self.assertFalse(Observation.objects.exists())
        taken = self.upload("/page/kept", page, "page.html", shop="turnagain").json()
        self.assertEqual((taken["new"], taken["wrong"]), (len(told["things"]), 0))
        self.assertEqual(set(Observation.objects.values_list("source", "first_seen")), {("file", timezone.localdate())})
        seen = {offer.part for offer in market_of(self.owner.pk).offers if offer.seen == timezone.localdate()}
        self.assertGreaterEqual(len(seen), 10)
        self.assertEqual(self.upload("/page", b"<p>", "page.html", shop="turnagain").status_code, 422)
        self.assertEqual(self.upload("/page", page, "page.html", shop="nobody").status_code, 404)


class AroundTests(ApiTestCase):
    def test_questions_are_answered_and_answers_forgotten(self) -> None:
        asked = self.client.get(self.url("/around-buying")).json()["questions"]
        (mat,) = (one for one in asked if one["id"] == "mat")
        self.assertIn("mats", mat["what"])
        said = {"question": "mat", "answer": "Two in March, 40 each"}
        told = self.client.post(self.url("/around-buying/answers"), said, content_type=JSON).json()["questions"]
        self.assertIn("Two in March, 40 each", [one["answer"] for one in told])
        gone = {"question": "mat", "answer": " "}
        told = self.client.post(self.url("/around-buying/answers"), gone, content_type=JSON).json()["questions"]
        self.assertEqual({one["answer"] for one in told}, {""})
        wrong = {"question": "roof", "answer": "x"}
        self.assertEqual(
            self.client.post(self.url("/around-buying/answers"), wrong, content_type=JSON).status_code, 422
        )

    def test_a_line_opened_says_its_chart_and_its_offers(self) -> None:
        line = self.client.get(self.url("/prices")).json()["lines"][0]["line"]
        detail = self.client.get(self.url(f"/prices/lines/{line}")).json()
        self.assertEqual((detail["line"]["line"], detail["chart"]["spans"]), (line, []))
        self.assertEqual(self.client.get(self.url("/prices/lines/mat/gone")).status_code, 404)

    def test_a_calendar_and_the_advice_tried(self) -> None:
        calendar = self.client.get(self.url("/prices-calendar"))
        self.assertEqual(calendar["Content-Type"], "text/calendar; charset=utf-8")
        self.assertIn(b"Needed", calendar.content)
        self.assertEqual(self.client.post(self.url("/prices-tested")).status_code, 202)
        with patch("jungle.worker.back_test.SIMULATED", 15):
            self.work()
        tested = self.client.get(self.url("/prices-tested")).json()["tested"]
        self.assertEqual((tested["own_trials"], tested["own"]), (0, []))
        self.assertEqual({row["rule"] for row in tested["simulated"]}, set(RULES))
        self.assertEqual({row["habit"] for row in tested["by_habit"]}, {habit.value for habit in Habit})
        self.assertRegex(tested["simulated"][0]["over_hindsight"], r"^\d+\.\d%$")

    def test_an_old_price_says_what_it_decides(self) -> None:
        line = self.client.get(self.url("/prices")).json()["lines"][0]["line"]
        told_on = timezone.localdate() - timedelta(days=40)
        self.assertEqual(self.client.get(self.url("/prices")).json()["old"], [])
        entry: dict[str, Any] = {"quote_minor": "120", "quote_from": "Larkmoor", "quoted_on": told_on.isoformat()}
        self.assertEqual(self.send("patch", f"/money/lines/{line}", **entry).status_code, 200)
        (old,) = self.client.get(self.url("/prices")).json()["old"]
        self.assertEqual((old["line"], old["days_ago"], old["told_by"]), (line, 40, "Larkmoor"))
        self.assertIn("cap", old["decides"])
