"""Shops and offers as files and as forms: read back as they were written, refused by field."""

import csv
import json
from datetime import date
from io import StringIO
from random import Random
from unittest import TestCase

from core.formats.errors import BadFile
from core.formats.offers_csv import offer_rows, offers_csv
from core.formats.price_list import read_table
from core.formats.report_json.shops import forms_json, shop_offer_json
from core.formats.shops_csv import are_shops, shop_rows, shops_csv
from core.formats.shops_file import ShopsFile, read_shops_file, write_shops_file
from core.model.forms import typed_form, typed_rows
from core.model.shop_forms import offer_from, shop_from
from core.model.shops import Shop
from core.model.typed import FieldErrors
from core.quantities import UnitSystem
from core.report.shop_words import terms_told
from tests.core.money.market import DAY, offer, random_shop, shop
from tests.core.money.test_shopping import sample_market

METRIC = UnitSystem.METRIC


def words(at: Shop) -> list[str]:
    return [told.text(METRIC) for told in terms_told(at)]


class ShopTableTests(TestCase):
    def test_read_back_as_written(self) -> None:
        shops = sample_market().shops
        table = read_table(shops_csv(shops).encode())
        self.assertTrue(are_shops(table))
        self.assertEqual([row.shop for row in shop_rows(table, {})], list(shops))
        self.assertFalse(are_shops(read_table(offers_csv(sample_market().offers).encode())))

    def test_over_random_shops(self) -> None:
        for seed in range(60):
            at = random_shop("one", Random(seed), "abc")
            (row,) = shop_rows(read_table(shops_csv([at]).encode()), {})
            with self.subTest(seed=seed):
                self.assertEqual(row.shop, at)

    def test_columns_that_are_not_there_stay_as_known(self) -> None:
        known = shop(id="one", bulky_minor=1500)
        (row,) = shop_rows(read_table(b"id,name,country\none,Other,Home"), {"one": known})
        self.assertEqual(row.shop, known.model_copy(update={"name": "Other"}))

    def test_each_row_says_what_is_wrong_with_it(self) -> None:
        lines = (
            b"id,name,country,currency,bulky_minor,delivery",
            b"one,One,Home,EUR,cheap,",
            b"two,Two,Home,XYZ,,",
            b"three,Three,Home,EUR,,fee 8.90",
            b"Four Five,Four,Home,EUR,,",
            b'six,Six,Home,EUR,1.50,"[{""fee_minor"": ""8.90""}]"',
            b"six,Six again,Home,EUR,,",
        )
        rows = shop_rows(read_table(b"\n".join(lines)), {})
        problems = [row.problem for row in rows]
        for part, problem in zip(("bulky_minor 'cheap'", "currency 'XYZ'", "delivery 'fee 8.90'", "id 'Four Five'"),
                                 problems, strict=False):  # fmt: skip
            self.assertIn(part, problem)
        self.assertEqual((problems[4], rows[4].shop and rows[4].shop.delivery[0].fee_minor), ("", 8_90))
        self.assertIn("an id of its own", problems[5])


class FileTests(TestCase):
    def test_what_is_written_is_read_back_with_what_is_not_known(self) -> None:
        known = sample_market()
        file = ShopsFile.model_validate(
            {"shops": [{**known.shops[0].model_dump(), "mood": "fine"}], "offers": known.offers[:20], "colour": "red"}
        )
        again = read_shops_file(write_shops_file(file))
        self.assertEqual(again, file)
        self.assertIn('"mood": "fine"', write_shops_file(again))

    def test_bad_files_name_the_place(self) -> None:
        good = json.loads(write_shops_file(ShopsFile(shops=(shop(),), offers=(offer("a", 900),))))
        for change, told in (
            ({"format": "other"}, "format"),
            ({"version": 2}, "version"),
            ({"shops": [{**good["shops"][0], "currency": "ZZZ"}]}, "currency"),
            ({"offers": [{**good["offers"][0], "price": {"minor": -1}}]}, "minor"),
            ({"offers": good["offers"] * 2}, "offers share an id: shop-a"),
            ({"shops": good["shops"] * 2}, "shops share an id: shop"),
            ({"offers": [{**good["offers"][0], "price": {"minor": 5, "currency": "USD"}}]}, "is in USD"),
        ):
            with self.subTest(told), self.assertRaisesRegex(BadFile, told):
                read_shops_file(json.dumps({**good, **change}))


class TableTests(TestCase):
    def test_a_table_of_offers_is_read_back_as_it_was(self) -> None:
        known = sample_market()
        rows = offer_rows(read_table(offers_csv(known.offers).encode()), known.shop_by_id)
        self.assertEqual([row.problem for row in rows if row.problem], [])
        self.assertEqual(tuple(row.offer for row in rows), known.offers)

    def test_a_cell_that_a_spreadsheet_would_run_is_text(self) -> None:
        told = offers_csv([offer("a", 900, address="=HYPERLINK(1)")])
        self.assertEqual(next(csv.DictReader(StringIO(told)))["address"], "'=HYPERLINK(1)")

    def test_what_is_wrong_with_a_row_is_told_by_its_line(self) -> None:
        heading = "id,shop,part,price,seen,lead_days\n"
        for row, told in (
            ("o,nowhere,a,9.00,2026-03-14,", "shop 'nowhere'; accepted: shop"),
            ("o,shop,a,cheap,2026-03-14,", "price_minor 'cheap'"),
            ("o,shop,a,USD 9,2026-03-14,", "an amount in EUR, as Shop asks it"),
            ("o,shop,a,9.00,soon,", "seen 'soon'"),
            ("o,shop,a,9.00,2026-03-14,-3", "lead_days '-3'"),
            ("o,shop,A PART,9.00,2026-03-14,", "part 'A PART'"),
            ("o,shop,a,,2026-03-14,", "price_minor ''"),
        ):
            with self.subTest(told):
                (found,) = offer_rows(read_table((heading + row).encode()), {"shop": shop()})
                self.assertIn(told, found.problem)
                self.assertEqual((found.line, found.offer), (2, None))
        twice = offer_rows(read_table((heading + "o,shop,a,9,2026-03-14,\n" * 2).encode()), {"shop": shop()})
        self.assertEqual([bool(row.problem) for row in twice], [False, True])
        with self.assertRaisesRegex(BadFile, "lacks the columns price, seen"):
            offer_rows(read_table(b"id,shop,part\n"), {})


class FormTests(TestCase):
    def test_a_shop_is_what_was_typed_and_can_be_typed_again(self) -> None:
        typed = {
            "name": "Larkmoor", "country": "Home", "tax_included": "yes", "bulky_minor": "39",
            "delivery": [{"fee_minor": "8.90"}, {"fee_minor": "0", "from_minor": "250"}],
            "codes": [{"code": "SPRING", "share": "20 %"}],
        }  # fmt: skip
        made = shop_from("larkmoor", typed, None, METRIC)
        self.assertEqual(made.delivery[1].from_minor, 250_00)
        self.assertEqual(made.codes[0].share, 0.2)
        rows = {name: typed_rows(getattr(made, name), METRIC) for name in ("delivery", "codes")}
        self.assertEqual(shop_from("larkmoor", {**typed_form(made, METRIC, "EUR"), **rows}, None, METRIC), made)

    def test_what_cannot_be_is_refused_by_its_field(self) -> None:
        for typed, field in (
            ({"country": "Home"}, "name"),
            ({"name": "Shop", "country": "Home", "currency": "beads"}, "currency"),
            ({"name": "Shop", "country": "Home", "delivery": [{"fee_minor": "much"}]}, "delivery.0.fee_minor"),
            ({"name": "Shop", "country": "Home", "codes": [{"code": "A", "share": "120 %"}]}, "codes.0.share"),
            ({"name": "Shop", "country": "Home", "colour": "red"}, "colour"),
        ):
            with self.subTest(field), self.assertRaises(FieldErrors) as refused:
                shop_from("shop", typed, None, METRIC)
            self.assertEqual(refused.exception.errors[0][0], field)

    def test_amounts_never_just_take_another_sign(self) -> None:
        with self.assertRaisesRegex(FieldErrors, "in which its terms and offers are told"):
            shop_from("shop", {"currency": "USD"}, shop(delivery=[{"fee_minor": 490}]), METRIC)
        self.assertEqual(shop_from("shop", {"currency": "usd"}, shop(), METRIC).currency, "USD")

    def test_an_offer_is_in_the_money_of_its_shop(self) -> None:
        at = shop(currency="USD", tax_included=False)
        made = offer_from("o", at, {"part": "a", "price_minor": "120 + tax", "lead_days": "3"}, None, DAY, METRIC)
        self.assertEqual((made.price.money.text(), made.price.tax_included, made.seen), ("$120.00", False, DAY))
        later = offer_from("o", at, {"price_minor": "USD 110"}, made, date(2027, 1, 1), METRIC)
        self.assertEqual((later.price.minor, later.lead_days, later.seen), (110_00, 3, DAY))
        with self.assertRaisesRegex(FieldErrors, "an amount in USD"):
            offer_from("o", at, {"part": "a", "price_minor": "EUR 9"}, None, DAY, METRIC)

    def test_every_field_of_a_form_says_what_it_means(self) -> None:
        """The list of terms explains itself: but for names, each field tells what it is, and every row has fields."""
        forms = forms_json()
        for field in (*forms.shop, *forms.offer):
            if field.typed_as == "records":
                self.assertTrue(field.fields, field.name)
        self.assertEqual([field.name for field in forms.offer][:2], ["part", "price_minor"])

    def test_a_new_form_says_what_holds_where_nothing_is_said(self) -> None:
        """Kept as it opens, with a name and a country, it is the shop that nobody said anything else of."""
        forms = forms_json()
        self.assertEqual((forms.new_shop["tax_included"], forms.new_offer["sold_as"]), ("yes", "new"))
        typed = {**forms.new_shop, "name": "Shop", "country": "Home"}
        self.assertEqual(shop_from("shop", typed, None, METRIC), shop())

    def test_an_empty_name_is_told_in_plain_words(self) -> None:
        with self.assertRaisesRegex(FieldErrors, "name: ''; accepted: must not be empty"):
            shop_from("shop", {"name": "", "country": "Home"}, None, METRIC)
        with self.assertRaisesRegex(FieldErrors, "accepted: at most 120 characters"):
            shop_from("shop", {"name": "x" * 121, "country": "Home"}, None, METRIC)


class WordsTests(TestCase):
    def test_terms_are_told_as_people_tell_them(self) -> None:
        told = words(
            shop(
                delivery=[{"fee_minor": 890}, {"fee_minor": 0, "from_minor": 250_00}, {"fee_minor": 490, "most_kg": 2}],
                bulky_minor=39_00,
                codes=[{"code": "A", "share": 0.1}, {"code": "B", "off_minor": 5_00, "least_spend_minor": 50_00}],
                codes_add_up=True,
                return_days=14,
            )
        )
        self.assertEqual(
            told,
            [
                "Prices with tax", "Delivery €8.90", "Free delivery from €250.00", "Delivery €4.90 up to 2.0 kg",
                "€39.00 more for something bulky", "Code A: 10 % less", "Code B: €5.00 less from €50.00",
                "Codes add up", "Back within 14 days, at whose cost it does not say",
            ],
        )  # fmt: skip
        self.assertIn("Does not say how long things may be sent back", words(shop()))
        self.assertIn("Brings for nothing", words(shop()))
        self.assertIn("Collected for nothing", words(shop(may_collect=True)))

    def test_an_offer_says_what_it_does_not_know(self) -> None:
        told = shop_offer_json(offer("a", 900), {}, DAY, METRIC)
        self.assertEqual((told.facts, told.known, told.name), (["new", "does not say when it comes"], False, "a"))
        over = shop_offer_json(offer("a", 900, good_until="2026-03-13", lead_days=1), {"a": "Lamp"}, DAY, METRIC)
        self.assertEqual((over.facts, over.is_over), (["new", "here in 1 day", "until 2026-03-13"], True))
