"""What sources say: each form read alike, what is unclear told, and nonsense that raises no error but its own."""

import json
from random import Random
from unittest import TestCase

from core.formats.errors import BadFile
from core.formats.price_sources.reader import Form, form_of, read_source
from core.formats.price_sources.told import Told
from core.model.found import Listed
from core.model.shops import SoldAs
from core.prices.recognised import Recognition
from tests.core.random_builds import seeds

JSON_LD = """<html><body><script type="application/ld+json">{"@context": "https://schema.org", "@graph": [
 {"@type": "BreadcrumbList", "name": "Mats"},
 {"@type": ["Product"], "sku": "A1", "name": "Softfair", "brand": {"@type": "Brand", "name": "Greywold"}, "offers": [
  {"@type": "Offer", "price": "219.00", "priceCurrency": "EUR", "availability": "https://schema.org/InStock"},
  {"@type": "Offer", "price": 150, "priceCurrency": "EUR", "itemCondition": "https://schema.org/UsedCondition",
   "availability": "https://schema.org/OutOfStock"}]}]}</script></body></html>"""
MICRODATA = """<div itemscope itemtype="https://schema.org/Product"><b itemprop="name">Bay 28, ex-display</b>
 <span itemprop="sku">t28</span><div itemprop="offers" itemscope itemtype="https://schema.org/Offer">
 <meta itemprop="priceCurrency" content="USD"><span itemprop="price" content="1299.00">1.299,00</span></div></div>"""


def read(text: str, currency: str = "EUR", tax_included: bool = True) -> tuple[Told, ...]:
    return read_source(text.encode(), "", currency, tax_included)


def one(text: str, currency: str = "EUR", tax_included: bool = True) -> Told:
    (found,) = read(text, currency, tax_included)
    return found


class PageTests(TestCase):
    def test_each_offer_of_a_product_is_a_thing(self) -> None:
        new, used = read(JSON_LD)
        self.assertEqual(
            (new.key, new.called, new.sold_as, new.in_stock), ("A1", "Greywold Softfair", SoldAs.NEW, True)
        )
        self.assertEqual((used.sold_as, used.in_stock), (SoldAs.USED, False))
        self.assertEqual([found.price.told for found in (new, used) if found.price], ["€219.00", "€150.00"])

    def test_microdata_says_its_price_in_its_content(self) -> None:
        found = one(MICRODATA)
        self.assertEqual((found.key, found.sold_as), ("t28", SoldAs.EX_DISPLAY))
        assert found.price is not None
        self.assertEqual((found.price.minor, found.price.currency), (129_900, "USD"))

    def test_a_page_without_products_is_refused(self) -> None:
        with self.assertRaisesRegex(BadFile, "carries no product"):
            read("<html><body>Welcome</body></html>")


class FeedTests(TestCase):
    def test_a_table_says_it_under_its_own_headings(self) -> None:
        found = one("Article;Manufacturer;Item;Price\nS-1;Greywold;Softfair;1 299,50 €\n", currency="USD")
        self.assertEqual((found.key, found.called), ("S-1", "Greywold Softfair"))
        assert found.price is not None
        self.assertEqual((found.price.minor, found.price.currency), (129_950, "EUR"))

    def test_a_feed_is_the_first_list_of_objects(self) -> None:
        items = [{"mpn": 7, "name": "Lamp", "offers": [{"price": 12.5, "valueAddedTaxIncluded": False}]}]
        found = one(json.dumps({"shop": "x", "catalogue": {"items": items}}), currency="USD")
        assert found.price is not None
        self.assertEqual((found.key, found.price.minor, found.price.tax_included), ("7", 1250, False))

    def test_what_the_source_does_not_say_is_the_shops(self) -> None:
        found = one("id,name,price\n1,Lamp,12\n", currency="GBP", tax_included=False)
        assert found.price is not None
        self.assertEqual((found.price.told, found.in_stock, found.bulky), ("£12.00 + tax", True, None))

    def test_a_lower_price_beside_a_list_price_is_a_sale(self) -> None:
        self.assertEqual(one("id,name,price,list price\n1,Lamp,12,15\n").regular_minor, 1500)
        self.assertIsNone(one("id,name,price,list price\n1,Lamp,12,12\n").regular_minor)

    def test_stock_condition_and_delivery_in_their_words(self) -> None:
        heading = "id,name,price,availability,condition,shipping class\n"
        found = one(heading + "1,Bay,900,sold out,refurbished,freight\n")
        self.assertEqual((found.in_stock, found.sold_as, found.bulky), (False, SoldAs.REFURBISHED, True))
        self.assertFalse(one(heading + "1,Bay,900,in stock,new,parcel\n").bulky)

    def test_what_is_unclear_is_told_and_has_no_price(self) -> None:
        for cell, told in (("ask us", "no amount"), ("", "no price"), ("0", "no amount"), ("-5", "no amount")):
            with self.subTest(cell):
                found = one(f"id,name,price\n1,Lamp,{cell}\n")
                self.assertIn(told, found.problem)
        self.assertIn("'XAU'", one("id,name,price,currency\n1,Lamp,5,XAU\n").problem)
        self.assertEqual(one("id,name,price\n1,,5\n").problem, "It has no name.")

    def test_what_is_told_twice_counts_once(self) -> None:
        self.assertEqual(len(read("id,name,price\n1,Lamp,5\n1,Lamp,6\n2,Lamp,7\n")), 2)

    def test_no_prices_no_feed(self) -> None:
        for text in ("id,name\n1,Lamp\n", "{}", '{"a": [1, 2]}', "[[]]", "{", "", "  "):
            with self.subTest(text), self.assertRaises(BadFile):
                read(text)


class NonsenseTests(TestCase):
    def test_form_is_told_from_what_it_begins_with(self) -> None:
        forms = [form_of(text) for text in (b"\xef\xbb\xbf<html>", b" [1]", b"id,name")]
        self.assertEqual(forms, [Form.PAGE, Form.JSON, Form.TABLE])

    def test_broken_sources_raise_their_own_error_or_nothing(self) -> None:
        """Sources with bytes struck out, swapped, repeated and cut; deep nesting; no text at all."""
        whole = [JSON_LD.encode(), MICRODATA.encode(), b"id,name,price\n1,Lamp,5\n",
                 json.dumps({"items": [{"sku": 1, "name": "Lamp", "price": 5, "offers": [{"price": "7"}]}]}).encode(),
                 b"[" * 3000 + b"]" * 3000, b'{"a":' * 2000, bytes(range(256)) * 4]  # fmt: skip
        for seed in seeds(200):
            dice = Random(seed)
            broken = bytearray(dice.choice(whole))
            for _ in range(dice.randrange(1, 12)):
                at = dice.randrange(len(broken))
                how = dice.randrange(3)
                if how == 0:
                    broken[at] = dice.randrange(256)
                elif how == 1:
                    del broken[at : at + dice.randrange(1, 30)]
                else:
                    broken[at:at] = broken[at : at + dice.randrange(1, 30)]
                if not broken:
                    break
            try:
                found = read_source(bytes(broken), dice.choice(("", "text/html")), "EUR", True)
            except BadFile:
                continue
            for told in found:
                self.assertTrue(told.price is not None or told.problem, told)
                self.assertLessEqual(len(told.name), 120)


class RecognitionTests(TestCase):
    def test_by_number_or_by_all_words_of_maker_and_name(self) -> None:
        listed = [
            Listed("greywold-softfair", "mat", None, "Greywold", "Softfair", "", None),
            Listed("greywold-softfair-2", "mat", None, "Greywold", "Softfair 2", "", None),
            Listed("lamp-a", "lamp", None, "Lampwith", "Spot", "", None),
            Listed("lamp-b", "lamp", None, "Lampwith", "Spot", "", None),
        ]
        known = Recognition(listed)
        self.assertEqual(known.part_of("greywold-softfair", "anything"), "greywold-softfair")
        self.assertEqual(
            known.part_of("A1", "softfair, Greywold, ex-display"),
            "greywold-softfair",
        )
        self.assertEqual(known.part_of("A1", "Greywold Softfair 2"), "greywold-softfair-2")
        self.assertIsNone(known.part_of("A1", "Greywold Softfair 3"))
        self.assertIsNone(known.part_of("A1", "Lampwith Spot"), "two parts are called so")
