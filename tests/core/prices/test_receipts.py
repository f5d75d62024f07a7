"""What receipts say of prices, worked out by hand."""

from datetime import date, timedelta
from typing import Any
from unittest import TestCase

from core.model.build import Build, HungPart, Slot
from core.model.ledger import Entry, Ledger
from core.model.observation import Look, Source
from core.model.shops import Market, Offer, SoldAs
from core.money.line import Line
from core.report.receipts import receipts
from tests.core import worlds
from tests.core.money import market
from tests.core.prices.test_line_prices import BUYER, TODAY

MAT = worlds.mat()
PAID_ON = date(2026, 3, 14)
TAX_SHARE = float(BUYER.tax_share)


def said(
    quantity: int = 1,
    offers: tuple[Offer, ...] = (),
    part: str = MAT.id,
    shop: Any = None,
    used: bool = False,
    **facts: Any,
) -> list[Look]:
    line = Line(Slot.MAT, "Softfair", part=part, quantity=quantity)
    entry = Entry(**{"paid_minor": 600_00, "paid_on": PAID_ON, "paid_to": "A", "receipt_seen": True, **facts})
    hung = {Slot.MAT: HungPart(part=part, used=used)}
    build = Build(name="Bay", chain=hung, ledger=Ledger(entries={line.key: entry}))
    there = Market((market.shop(id="a", name="A", **(shop or {})),), offers)
    return list(receipts(build, [line], {MAT.id: MAT}, there, BUYER))


class ReceiptTests(TestCase):
    def test_what_was_paid_for_one(self) -> None:
        (look,) = said(quantity=4)
        self.assertEqual((look.part, look.shop, look.day, look.sold_as), (MAT.id, "a", PAID_ON, SoldAs.NEW))
        self.assertEqual((look.price.minor, look.price.tax_included, look.source), (150_00, True, Source.RECEIPT))

    def test_it_is_in_the_condition_of_the_offer_that_was_taken(self) -> None:
        used = market.offer(MAT.id, 600_00, "a", sold_as="used")
        (look,) = said(offers=(used,), offer=used.id)
        self.assertIs(look.sold_as, SoldAs.USED)
        (look,) = said(used=True)
        self.assertIs(look.sold_as, SoldAs.USED, "as the build says, where there is no offer")

    def test_a_shop_that_tells_prices_before_tax_is_told_so(self) -> None:
        (look,) = said(shop={"tax_included": False})
        self.assertEqual((look.price.minor, look.price.tax_included), (round(600_00 / (1 + TAX_SHARE)), False))

    def test_without_a_receipt_a_day_a_shop_or_a_part_it_says_nothing(self) -> None:
        for facts in (
            {"receipt_seen": False},
            {"paid_on": None},
            {"paid_minor": None},
            {"paid_minor": 0},
            {"paid_on": TODAY + timedelta(days=1)},
            {"paid_on": date(1026, 3, 14)},
            {"paid_to": "a friend"},
            {"part": "gone"},
            {"quantity": 0},
            {"shop": {"currency": "USD"}},
        ):
            with self.subTest(facts=facts):
                self.assertEqual(said(**facts), [])
