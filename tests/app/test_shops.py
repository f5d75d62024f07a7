"""Shops and offers over HTTP: entered, changed, undone, taken in; and taken onto the lines of a build."""

import json
from datetime import timedelta
from decimal import Decimal
from typing import Any
from uuid import uuid4

from django.core.files.uploadedfile import SimpleUploadedFile
from django.utils import timezone

from core.model.observation import Look
from core.quantities.money import DECIMALS_BY_CURRENCY
from jungle.builds.services import editing
from jungle.market.adoption import forget_market
from jungle.market.models import KnownMarket, Observation, Term
from jungle.market.observing import record
from jungle.market.rates import sample_rates
from jungle.market.said import TAKEN_BACK
from jungle.market.terms import revision_of
from tests.app.worlds import ApiTestCase, on, person

LARKMOOR = {"name": "Larkmoor", "country": "Home"}
DELIVERY = {"delivery": [{"fee_minor": "4.90"}, {"fee_minor": "0", "from_minor": "900"}]}


class ShopsTestCase(ApiTestCase):
    def setUp(self) -> None:
        super().setUp()
        forget_market(self.owner)

    def sign_in(self, name: str) -> None:
        """Somebody else, who knows no shop."""
        other = person(name)
        self.client.force_login(other)
        forget_market(other)

    def post(self, path: str, status: int = 200, method: str = "post", **body: Any) -> Any:
        told = {"revision": revision_of(self.owner.pk), **body}
        reply = getattr(self.client, method)(f"/api/shops{path}", told, content_type="application/json")
        self.assertEqual(reply.status_code, status, reply.content)
        return reply.json() if reply.content else None

    def shop(self, rows: Any = None, **facts: str) -> str:
        made = self.post("", 201, facts={**LARKMOOR, **facts}, rows=rows or {})
        return str(made["detail"]["shop"]["id"])

    def offer(self, shop: str, price: str, part: str = "projector") -> str:
        made = self.post(f"/{shop}/offers", 201, facts={"part": part, "price_minor": price})
        return next(str(o["id"]) for o in made["detail"]["offers"] if o["typed"]["price_minor"].endswith(price + ".00"))

    def listed(self) -> Any:
        return self.client.get("/api/shops").json()


class SaidTests(ShopsTestCase):
    """What is typed, in a file or on a receipt goes on into the history of prices."""

    def seen(self) -> list[tuple[Any, ...]]:
        found = Observation.objects.filter(series__owner=self.owner).order_by("pk")
        return list(found.values_list("series__part", "minor", "source", "struck"))

    def test_an_offer_that_is_typed_is_a_price_that_was_seen_and_undone_it_was_not(self) -> None:
        shop = self.shop()
        id = self.offer(shop, "800")
        self.assertEqual(self.seen(), [("projector", 800_00, "typed", "")])
        self.post(f"/{shop}/offers/{id}", method="patch", facts={"price_minor": "790"})
        self.assertEqual(self.seen()[1:], [("projector", 790_00, "typed", "")])
        self.post("/undo")
        self.assertEqual([struck for *_, struck in self.seen()], ["", TAKEN_BACK])
        self.post("/redo")
        self.assertEqual([struck for *_, struck in self.seen()], ["", ""])
        self.post(f"/{shop}", method="patch", facts={"bulky_minor": "39"}, rows={})
        self.client.delete(f"/api/shops/{shop}/offers/{id}?revision={revision_of(self.owner.pk)}")
        self.assertEqual(len(self.seen()), 2, "terms are no price, and what is offered no more was seen all the same")

    def test_undone_after_somebody_else_saw_the_same_it_stays(self) -> None:
        shop = self.shop()
        self.offer(shop, "800")
        tomorrow = timezone.localdate() + timedelta(days=1)
        look = {"part": "projector", "shop": shop, "price": {"minor": 800_00}, "day": tomorrow, "source": "reading"}
        record(self.owner.pk, [Look.model_validate(look)])
        self.post("/undo")
        self.assertEqual([struck for *_, struck in self.seen()], [""])

    def test_offers_of_a_file_are_remembered_but_not_what_costs_nothing_or_nobody_can_have_seen(self) -> None:
        id = self.shop()
        told = ("a,mat,5,2026-01-01", "b,net,0,2026-01-01", "c,lamp,7,2999-01-01", "d,pad,7,0202-01-01")
        rows = "id,part,price,seen,shop\n" + "".join(f"{row},{id}\n" for row in told)
        file = SimpleUploadedFile("rows.csv", rows.encode())
        self.assertEqual(self.client.post("/api/shops/file", {"file": file}).json(), {"taken": 4})
        self.assertEqual(self.seen(), [("mat", 5_00, "file", "")])

    def test_a_receipt_is_a_price_that_was_asked_and_goes_with_the_edit(self) -> None:
        self.shop()
        line = "/money/lines/display/projector"
        self.send("patch", line, paid_minor="800", paid_on="2026-03-14", paid_to="Larkmoor")
        self.assertEqual(self.seen(), [], "nobody saw the receipt")
        self.send("patch", line, receipt_seen=True)
        self.assertEqual(self.seen(), [("projector", 800_00, "receipt", "")])
        self.send("patch", line, paid_minor="780")
        self.assertEqual(
            self.seen(), [("projector", 800_00, "receipt", TAKEN_BACK), ("projector", 780_00, "receipt", "")]
        )
        self.build.refresh_from_db()
        editing.undo(on(self.build))
        self.assertEqual([struck for *_, struck in self.seen()], ["", TAKEN_BACK])
        self.build.refresh_from_db()
        editing.redo(on(self.build))
        self.assertEqual([struck for *_, struck in self.seen()], [TAKEN_BACK, ""])


class ShopTests(ShopsTestCase):
    def test_entered_changed_and_taken_out_with_one_undo_each(self) -> None:
        id = self.shop(DELIVERY)
        self.assertEqual(self.listed()["shops"][0]["terms"][:2], ["Prices with tax", "Delivery €4.90"])
        self.offer(id, "800")
        changed = self.post(f"/{id}", method="patch", facts={"bulky_minor": "39"}, rows={})
        self.assertIn("€39.00 more for something bulky", changed["detail"]["shop"]["terms"])
        self.client.delete(f"/api/shops/{id}?revision={revision_of(self.owner.pk)}")
        self.assertEqual((self.listed()["shops"], self.listed()["offers"]), ([], 0))
        self.assertEqual(self.listed()["undo"], "Took Larkmoor out")
        back = self.post("/undo")
        self.assertEqual((len(back["shops"]), back["offers"]), (1, 1))
        self.post("/undo")
        self.assertNotIn("€39.00 more", f"{self.listed()['shops'][0]['terms']}")
        self.assertIn("€39.00 more", f"{self.post('/redo')['shops'][0]['terms']}")
        for _ in range(3):
            self.post("/undo")
        self.post("/undo", 404)

    def test_what_is_refused_names_field_and_value_and_stores_nothing(self) -> None:
        refused = self.post("", 422, facts={**LARKMOOR, "currency": "beads"}, rows={})
        self.assertEqual(refused["errors"][0]["field"], "currency")
        id = self.shop()
        for facts, field in (
            ({"part": "projector"}, "price_minor"),
            ({"part": "projector", "price_minor": "cheap"}, "price_minor"),
            ({"part": "projector", "price_minor": "USD 5"}, "price_minor"),
            ({"part": "projector", "price_minor": "5", "good_until": "someday"}, "good_until"),
            ({"part": "projector", "price_minor": "5", "regular_minor": "4"}, ""),
        ):
            with self.subTest(facts):
                found = self.post(f"/{id}/offers", 422, facts=facts)
                self.assertEqual(found["errors"][0]["field"], field)
        self.assertEqual(self.listed()["offers"], 0)
        self.post("/nowhere/offers", 404, facts={"part": "projector", "price_minor": "5"})

    def test_a_stale_window_is_told(self) -> None:
        self.shop()
        self.post("", 409, facts=LARKMOOR, rows={}, revision=0)
        self.assertEqual(len(self.listed()["shops"]), 1)

    def test_each_owner_knows_their_own(self) -> None:
        id = self.shop()
        self.offer(id, "800")
        self.sign_in("eve")
        self.assertEqual(self.client.get(f"/api/shops/{id}").status_code, 404)
        self.assertNotIn(id, [shop["id"] for shop in self.listed()["shops"]])

    def test_one_that_cannot_be_read_is_left_out(self) -> None:
        self.shop()
        Term.objects.update(document="{")
        KnownMarket.objects.update(stamp=uuid4())
        with self.assertLogs("jungle.market.terms"):
            self.assertEqual(self.listed()["shops"], [])


class FileTests(ShopsTestCase):
    def upload(self, path: str, content: bytes, **fields: str) -> Any:
        file = SimpleUploadedFile("shops.json", content)
        return self.client.post(f"/api/shops{path}", {"file": file, **fields})

    def test_all_of_it_is_written_out_and_taken_in_elsewhere(self) -> None:
        id = self.shop(DELIVERY)
        self.offer(id, "800")
        written, table = self.client.get("/api/shops/file").content, self.client.get("/api/shops/offers.csv").content
        self.sign_in("eve")
        preview = self.upload("/file/preview", written).json()
        self.assertEqual([row["does"] for row in preview["rows"]], ["new", "new"])
        self.assertEqual(self.upload("/file", written, revision=str(preview["revision"])).json(), {"taken": 2})
        self.assertEqual([row["does"] for row in self.upload("/file/preview", written).json()["rows"]], ["same"] * 2)
        dearer = table.replace(b"800.00", b"850.00")
        (row,) = self.upload("/file/preview", dearer).json()["rows"]
        self.assertEqual((row["line"], row["does"], row["price"]), (2, "changed", "€850.00"))
        self.assertEqual(self.upload("/file", dearer).json(), {"taken": 1})

    def test_shops_travel_as_a_table_too(self) -> None:
        self.shop(DELIVERY)
        table = self.client.get("/api/shops/shops.csv").content
        self.assertEqual([row["does"] for row in self.upload("/file/preview", table).json()["rows"]], ["same"])
        self.sign_in("eve")
        self.assertEqual(self.upload("/file", table).json(), {"taken": 1})
        self.assertEqual(self.client.get("/api/shops/shops.csv").content, table)

    def test_what_is_wrong_is_told_and_the_rest_taken(self) -> None:
        id = self.shop()
        rows = f"id,shop,part,price,seen\na,{id},mat,5,2026-01-01\nb,gone,mat,5,2026-01-01\n".encode()
        preview = self.upload("/file/preview", rows).json()["rows"]
        self.assertEqual([row["does"] for row in preview], ["new", ""])
        self.assertIn("shop 'gone'", preview[1]["problem"])
        self.assertEqual(self.upload("/file", rows).json(), {"taken": 1})
        lost = json.dumps({"format": "jungle-shops", "offers": [{
            "id": "c", "shop": "gone", "part": "mat", "price": {"minor": 5}, "seen": "2026-01-01"}]})  # fmt: skip
        self.assertIn("neither in the file", self.upload("/file/preview", lost.encode()).json()["rows"][0]["problem"])
        self.assertEqual(self.upload("/file/preview", b'{"format": "nonsense"}').status_code, 422)
        self.assertEqual(self.upload("/file/preview", b"\x00\x01").status_code, 422)


class TakingTests(ShopsTestCase):
    LINE = "display/projector"

    def take(self, offer: str | None, status: int = 200) -> Any:
        reply = self.send("post", "/money/offers", choices={self.LINE: offer})
        self.assertEqual(reply.status_code, status, reply.content)
        return reply.json()

    def line(self) -> Any:
        money = self.client.get(self.url("/money")).json()
        return next(line for line in money["lines"] if line["key"] == self.LINE)

    def test_a_line_is_told_what_it_comes_to_delivered_and_takes_an_offer(self) -> None:
        id = self.shop(DELIVERY)
        offer = self.offer(id, "800")
        (told,) = self.client.get(self.url(f"/money/lines/{self.LINE}/offers")).json()["offers"]
        self.assertEqual((told["order"]["total"]["text"], told["taken"]), ("€804.90", False))
        self.assertEqual(told["order"]["short_of_free"]["text"], "€100.00")
        self.assertEqual([step["words"] for step in told["order"]["lines"][0]["steps"]], ["list price"])
        self.take(offer)
        self.assertEqual((self.line()["payment"], self.line()["up_front"]["text"]), ("quote", "€800.00"))
        taken = self.client.get(self.url("/money/taken")).json()
        self.assertEqual([order["total"]["text"] for order in taken["orders"]], ["€804.90"])
        editing.undo(on(self.build))
        self.assertEqual(self.line()["payment"], "list price")
        editing.redo(on(self.build))
        self.take(None)
        self.assertEqual(self.line()["payment"], "list price")
        self.assertEqual(self.client.get(self.url("/money/taken")).json()["orders"], [])

    def test_an_offer_that_is_gone_is_told_and_its_quote_stays(self) -> None:
        id = self.shop()
        offer = self.offer(id, "800")
        self.take(offer)
        self.client.delete(f"/api/shops/{id}/offers/{offer}?revision={revision_of(self.owner.pk)}")
        (changed,) = self.client.get(self.url("/money/taken")).json()["changed"]
        self.assertEqual((changed["was"]["text"], changed["now"]), ("€800.00", None))
        self.assertEqual(self.line()["up_front"]["text"], "€800.00")
        self.take(offer, 404)
        self.take("never", 404)

    def test_a_quote_that_is_typed_is_of_no_offer_any_more(self) -> None:
        self.take(self.offer(self.shop(), "800"))
        self.send("patch", f"/money/lines/{self.LINE}", quote_minor="700")
        self.assertEqual(self.client.get(self.url("/money/taken")).json()["orders"], [])

    def test_a_missing_rate_names_both_currencies(self) -> None:
        id = self.shop(currency="USD")
        offer = self.offer(id, "800")
        (told,) = self.client.get(self.url(f"/money/lines/{self.LINE}/offers")).json()["offers"]
        self.assertEqual(
            told["missing"], "The rate from USD to EUR is not known. Enter in the brief what 1 USD costs in EUR."
        )
        refused = self.take(offer, 422)
        self.assertIn("from USD to EUR", refused["errors"][0]["accepted"])


class SampleRateTests(ShopsTestCase):
    def test_every_currency_has_a_dated_rate_into_the_brief_s(self) -> None:
        """A dollar is 0.92 euros; from dollars a euro is 1 / 0.92 = 1.086957, a pound 1.17 / 0.92 = 1.271739."""
        told = self.client.get(self.url("/money/sample-rates")).json()["rates"]
        self.assertEqual({rate["currency"] for rate in told} | {"EUR"}, set(DECIMALS_BY_CURRENCY))
        self.assertEqual(next(rate["rate"] for rate in told if rate["currency"] == "USD"), "0.920000")
        dollars = {rate.currency: rate.rate for rate in sample_rates("USD")}
        self.assertEqual((dollars["EUR"], dollars["GBP"]), (Decimal("1.086957"), Decimal("1.271739")))
        taken = self.send("patch", "/brief", exchange_rates=told)
        self.assertEqual(taken.status_code, 200, taken.content)
