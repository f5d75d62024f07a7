"""The money of a build over HTTP: guessed, quoted and paid, lines of one's own, funding, scopes."""

from typing import Any

from django.utils import timezone

from jungle.builds.services import editing
from tests.app.worlds import ApiTestCase, on


class MoneyTestCase(ApiTestCase):
    PROJECTOR = "/money/lines/display/projector"

    def money(self, query: str = "") -> Any:
        return self.client.get(self.url(f"/money{query}")).json()

    def refused(self, method: str, path: str, **body: Any) -> list[dict[str, str]]:
        """What is wrong with a request, which changes nothing."""
        reply = self.send(method, path, **body)
        self.assertEqual(reply.status_code, 422, reply.content)
        errors: list[dict[str, str]] = reply.json()["errors"]
        return errors

    def line(self, label: str, where: str = "lines") -> Any:
        return next(line for line in self.money()[where] if label in line["label"])


class EntryTests(MoneyTestCase):
    def test_the_most_certain_counts_and_the_others_stay(self) -> None:
        self.send("patch", self.PROJECTOR, low_minor="600", likely_minor="700", high_minor="950")
        guessed = self.money()
        self.assertEqual(self.line("Lamp")["payment"], "estimate")
        self.assertEqual([swing["high"]["text"] for swing in guessed["swings"]], ["€950.00"])
        self.assertEqual(guessed["firm_up_first"], ["Maker Lamp"])
        self.send("patch", self.PROJECTOR, quote_minor="820", quote_from="Lakeside")
        self.send("patch", self.PROJECTOR, paid_minor="800", paid_on="2026-03-14", receipt_seen=True)
        self.assertEqual(self.line("Lamp")["payment"], "paid")
        self.assertEqual(self.money()["paid"]["text"], "€800.00")
        self.build.refresh_from_db()
        entry = self.build.design.ledger.entries["display/projector"]
        self.assertEqual((entry.likely_minor, entry.quote_minor, entry.paid_minor), (70_000, 82_000, 80_000))
        editing.undo(on(self.build))
        self.assertEqual(self.line("Lamp")["payment"], "quote")

    def test_what_says_nothing_is_forgotten(self) -> None:
        self.send("patch", self.PROJECTOR, quote_minor="820")
        self.send("patch", self.PROJECTOR, quote_minor="")
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.ledger.entries, {})

    def test_bad_amounts_name_field_value_and_what_is_accepted(self) -> None:
        for body, field, accepted in (
            ({"paid_minor": "cheap"}, "paid_minor", "an amount such as"),
            ({"paid_minor": "-5"}, "paid_minor", "an amount such as"),
            ({"low_minor": "900", "likely_minor": "700"}, "low_minor", "from low over likely to high"),
            ({"high_minor": "900"}, "high_minor", "from low over likely to high"),
            ({"paid_on": "soon"}, "paid_on", "date"),
            ({"came_as": "theft"}, "came_as", "gift"),
        ):
            with self.subTest(body=body):
                (error,) = self.refused("patch", self.PROJECTOR, **body)
                self.assertEqual(error["field"], field)
                self.assertIn(accepted, error["accepted"])
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.ledger.entries, {})

    def test_a_line_that_is_not_there(self) -> None:
        self.assertEqual(self.send("patch", "/money/lines/display/ghost", paid_minor="1").status_code, 404)
        self.assertEqual(self.send("patch", "/money/lines/Display/x", paid_minor="1").status_code, 422)

    def test_it_is_kept_for_the_part_it_was_said_of(self) -> None:
        self.send("patch", self.PROJECTOR, quote_minor="820")
        self.send("post", "/chain/display/take-down")
        self.send("put", "/chain/display", part="projector")
        self.assertEqual(self.line("Lamp")["payment"], "quote")


class OwnLineTests(MoneyTestCase):
    def test_added_priced_counted_and_taken_out(self) -> None:
        before = self.money()["totals"]["cash"]["value"]
        added = self.send("post", "/money/own", name="Cart", category="comfort").json()
        (cart,) = added["build"]["ledger"]["own"]
        self.assertIn("Cart", self.money()["unpriced"])
        self.assertIn("one line has no price yet", self.money()["headline"])
        self.send("patch", f"/money/own/{cart['id']}", likely_minor="40", high_minor="60")
        self.assertEqual(self.money()["totals"]["cash"]["value"], before + 40_00)
        self.assertEqual(self.refused("patch", f"/money/own/{cart['id']}", low_minor="50")[0]["field"], "low_minor")
        self.send("post", f"/money/own/{cart['id']}/drop")
        self.assertEqual(self.money()["totals"]["cash"]["value"], before)
        self.assertEqual(self.send("post", f"/money/own/{cart['id']}/drop").status_code, 404)

    def test_works_stand_outside_until_they_are_switched_in(self) -> None:
        added = self.send("post", "/money/own", name="Carpenter", category="building works").json()
        (own,) = added["build"]["ledger"]["own"]
        self.send("patch", f"/money/own/{own['id']}", quote_minor="500")
        usual, every = self.money(), self.money("?" + "&".join(f"categories={each}" for each in self.categories()))
        self.assertEqual(every["totals"]["cash"]["value"] - usual["totals"]["cash"]["value"], 500_00)
        self.assertIn("Left out: building works", usual["scope_words"])
        self.assertNotIn("Left out", every["scope_words"])

    def categories(self) -> list[str]:
        return [*self.money()["categories"], "building works", "decoration"]


class BuyListTests(MoneyTestCase):
    def test_ticked_at_what_counts_and_taken_back(self) -> None:
        self.send("patch", self.PROJECTOR, quote_minor="820")
        self.send("post", f"{self.PROJECTOR}/paid", paid=True)
        self.build.refresh_from_db()
        entry = self.build.design.ledger.entries["display/projector"]
        self.assertEqual((entry.paid_minor, entry.paid_on), (82_000, timezone.localdate()))
        self.assertTrue(next(each for each in self.money()["to_buy"] if "Lamp" in each["label"])["paid"])
        self.send("post", f"{self.PROJECTOR}/paid", paid=False)
        self.build.refresh_from_db()
        self.assertIsNone(self.build.design.ledger.entries["display/projector"].paid_minor)

    def test_a_fee_is_ticked_at_one_payment(self) -> None:
        """15.00 a month stay 180.00 a year when the first month is paid."""
        before = self.money()["yearly"]["text"]
        self.send("post", "/money/lines/title/title:monthly/paid", paid=True)
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.ledger.entries["title/title:monthly"].paid_minor, 15_00)
        self.assertEqual((before, self.money()["yearly"]["text"]), ("€180.00", "€180.00"))

    def test_a_line_without_a_price_is_not_ticked(self) -> None:
        self.send("post", "/money/own", name="Shelf", category="comfort")
        self.assertEqual(self.refused("post", "/money/lines/own/own/paid", paid=True)[0]["field"], "paid_minor")
        self.send("patch", "/money/own/own", likely_minor="40")
        self.send("post", "/money/lines/own/own/paid", paid=True)
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.ledger.own[0].paid_minor, 40_00)
        self.assertEqual(self.send("post", "/money/lines/display/ghost/paid", paid=True).status_code, 404)

    def test_as_a_table(self) -> None:
        reply = self.client.get(self.url("/money/buy-list.csv"))
        self.assertTrue(reply["Content-Type"].startswith("text/csv"))
        self.assertIn("to-buy.csv", reply["Content-Disposition"])
        self.assertIn("Maker Lamp,1,projected,900.00,EUR,once", reply.content.decode())


class ScopeTests(MoneyTestCase):
    def test_totals_of_heads_and_scopes_add_up(self) -> None:
        every = self.money()
        self.assertEqual(sum(head["up_front"]["value"] for head in every["heads"]), every["totals"]["cash"]["value"])
        parts = [self.money(f"?categories={category}")["totals"]["cash"]["value"] for category in every["categories"]]
        self.assertEqual(sum(parts), every["totals"]["cash"]["value"])
        self.assertEqual(self.client.get(self.url("/money?categories=yachts")).status_code, 422)

    def test_gifts_under_three_ways_of_valuing(self) -> None:
        before = self.money()["totals"]
        self.send("patch", self.PROJECTOR, came_as="gift")
        after = self.money()["totals"]
        self.assertEqual(before["cash"]["value"] - after["cash"]["value"], 900_00)
        self.assertEqual(after["gifts_at_list"], before["gifts_at_list"])
        self.assertEqual(after["newcomer"], before["newcomer"])

    def test_nobody_elses(self) -> None:
        self.client.logout()
        self.assertIn(self.client.get(self.url("/money")).status_code, (401, 404))


class FundingTests(MoneyTestCase):
    def test_it_is_never_a_discount(self) -> None:
        before = self.money()
        added = self.send("post", "/money/funding", name="Old bike", amount="300", sold=True).json()
        (bike,) = added["build"]["ledger"]["funding"]
        after = self.money()
        self.assertEqual((after["totals"], after["funded"]["text"]), (before["totals"], "€300.00"))
        self.send("patch", f"/money/funding/{bike['id']}", minor="250", received=True)
        self.assertEqual(self.money()["funded"]["text"], "€250.00")
        self.send("post", f"/money/funding/{bike['id']}/drop")
        self.assertEqual(self.money()["funded"]["text"], "€0.00")
        self.assertEqual(self.refused("post", "/money/funding", name="X", amount="")[0]["field"], "minor")
        self.assertEqual(self.send("patch", "/money/funding/ghost", received=True).status_code, 404)


class WrittenTests(MoneyTestCase):
    def test_a_workbook_and_a_calendar_are_files_of_the_build(self) -> None:
        self.send("patch", "/money/lines/title/title:monthly", paid_minor="15", paid_on="2026-01-31", notice_days="14")
        told = self.money()["renewals"]
        self.assertEqual([each["every"] for each in told], ["every month"])
        self.assertTrue(told[0]["next"] > told[0]["cancel_by"] > "")
        book = self.client.get(self.url("/money/money.xlsx?categories=picture"))
        self.assertEqual(book.content[:2], b"PK")
        self.assertIn("-money.xlsx", book["Content-Disposition"])
        calendar = self.client.get(self.url("/money/renewals.ics"))
        self.assertIn(b"RRULE:FREQ=MONTHLY", calendar.content)
        self.assertEqual(
            self.refused("patch", "/money/lines/title/title:monthly", notice_days="soon")[0]["field"], "notice_days"
        )


class TradeFigureTests(MoneyTestCase):
    def resale(self) -> float:
        value: float = self.money()["over_years"]["resale"]["value"]
        return value

    def test_lives_and_resale_are_as_the_trade_has_them_until_somebody_knows_better(self) -> None:
        before = self.resale()
        told = {life["field"]: life["text"] for life in self.money()["over_years"]["lives"]}
        self.assertEqual((told["shots_a_mat"], told["lamp_share"]), ("60,000", "15 %"))
        self.send("patch", "/money/running", shots_a_mat="20000", lamp_share="25 %")
        self.send("patch", "/money/resale/picture", first_share="10 %")
        after = self.money()["over_years"]
        told = {life["field"]: life["text"] for life in after["lives"]}
        self.assertEqual((told["shots_a_mat"], told["lamp_share"]), ("20,000", "25 %"))
        picture = next(rate for rate in after["resale_rates"] if rate["category"] == "picture")
        self.assertEqual((picture["first"], picture["later"]), ("10 %", "75 %"))
        self.assertLess(self.resale(), before)
        self.send("patch", "/money/resale/picture", first_share="")
        self.assertEqual(self.resale(), before)
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.ledger.resale, {})

    def test_a_kilowatt_hour_may_cost_parts_of_a_cent(self) -> None:
        self.send("patch", "/money/running", kilowatt_hour_minor="0.2943")
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.ledger.kilowatt_hour_minor, 29.43)
        texts = self.client.get(self.url()).json()["texts"]
        self.assertEqual(texts["ledger.kilowatt_hour_minor"], "€0.2943")
        refused = self.refused("patch", "/money/running", kilowatt_hour_minor="cheap")
        self.assertIn("0.2943", refused[0]["accepted"])

    def test_what_cannot_be_is_refused(self) -> None:
        for path, body, field in (
            ("/money/resale/picture", {"first_share": "140 %"}, "first_share"),
            ("/money/running", {"shots_a_mat": "0"}, "shots_a_mat"),
            ("/money/running", {"lamp_share": "much"}, "lamp_share"),
        ):
            with self.subTest(body=body):
                self.assertEqual(self.refused("patch", path, **body)[0]["field"], field)
