"""What was seen of prices as CSV: written and read back, bad cells told by line, column and value."""

import re
from datetime import date, timedelta
from random import Random
from unittest import TestCase

from core.formats.errors import BadFile
from core.formats.looks_csv import COLUMNS, Knowledge, SeenSpan, guessed_columns, look_rows, looks_csv
from core.formats.price_list import read_table
from core.model.observation import Look, Source
from core.model.shops import SoldAs
from tests.core.money import market

CURRENCIES = {"larkmoor": "EUR", "overfen": "USD"}
SHOPS = {
    word.casefold(): market.shop(id=id, name=f"{id} home", currency=currency)
    for id, currency in CURRENCIES.items()
    for word in (id, f"{id} home")
}
TODAY = date(2026, 11, 30)
KNOWN = Knowledge(SHOPS, {"greywold softfair": "mat"}.get, TODAY)


def rows(text: str) -> list[tuple[int, tuple[Look, ...], str]]:
    table = read_table(text.encode())
    return [tuple(row) for row in look_rows(table, guessed_columns(table.heading), KNOWN)]  # type: ignore[misc]


def problem(**cells: str) -> str:
    usual = {"part": "mat", "shop": "larkmoor", "price": "649", "first_seen": "2026-06-01", **cells}
    ((_, looks, told),) = rows(",".join(usual) + "\n" + ",".join(usual.values()) + "\n")
    assert not looks
    return told


def wrong(told: str) -> list[str]:
    """The columns that are told of."""
    return re.findall(r"(\w+) '[^']*'; accepted", told)


class LooksTests(TestCase):
    def test_what_is_written_is_read_back(self) -> None:
        dice = Random(5)
        spans = []
        for _ in range(2500):
            first = date(2025, 6, 1) + timedelta(days=dice.randrange(500))
            price = {"minor": dice.randrange(1, 900_000), "currency": dice.choice(("EUR", "USD", "GBP")),
                     "tax_included": dice.random() < 0.8}  # fmt: skip
            look = Look.model_validate({
                "part": dice.choice(("mat", "lamp-2")), "shop": dice.choice(tuple(CURRENCIES)), "price": price,
                "sold_as": dice.choice(tuple(SoldAs)), "in_stock": dice.random() < 0.9, "day": first,
                "source": dice.choice(tuple(Source)), "address": dice.choice(("", "http://127.0.0.1:8101/mat")),
            })  # fmt: skip
            spans.append(SeenSpan(look, first + timedelta(days=dice.choice((0, 3, 40)))))
        found = rows("".join(looks_csv(spans)))
        self.assertEqual([told for _, _, told in found if told], [])
        for span, (_, looks, _) in zip(spans, found, strict=True):
            self.assertEqual((looks[0], looks[-1].day), (span.look, span.last_seen))
            self.assertEqual(looks[-1].price, span.look.price)

    def test_nothing_is_a_heading_alone(self) -> None:
        self.assertEqual("".join(looks_csv([])), ",".join(COLUMNS) + "\r\n")

    def test_a_bare_amount_is_in_the_money_of_its_shop(self) -> None:
        ((_, (look,), _),) = rows("part,shop,price,first_seen\nmat,overfen,120,2026-06-01\n")
        self.assertEqual((look.price.currency, look.source), ("USD", Source.FILE))

    def test_other_headings_names_and_days(self) -> None:
        ((_, (look,), _),) = rows("Date;Item;Store;Amount\n30.11.2026;greywold softfair;Overfen Home;120,50\n")
        self.assertEqual((look.part, look.shop, look.day), ("mat", "overfen", date(2026, 11, 30)))
        self.assertEqual((look.price.minor, look.price.currency), (120_50, "USD"))

    def test_a_column_can_be_said_to_hold_anything(self) -> None:
        table = read_table(b"x,y,z,w\nmat,larkmoor,12,2026-06-01\n")
        columns = {"part": 0, "shop": 1, "price": 2, "first_seen": 3}
        ((_, (look,), _),) = look_rows(table, columns, KNOWN)
        self.assertEqual((look.part, look.price.minor), ("mat", 12_00))
        with self.assertRaisesRegex(BadFile, "say which they are"):
            look_rows(table, {"part": 0}, KNOWN)

    def test_what_was_struck_out_is_not_taken_in_again(self) -> None:
        self.assertIn("struck", problem(struck="a typo"))

    def test_what_is_wrong_is_told_with_what_is_accepted(self) -> None:
        self.assertEqual(problem(price="soon")[:12], "price 'soon'")
        self.assertIn("2026-11-30", problem(first_seen="1 June"))
        self.assertIn("larkmoor", problem(shop="nowhere"))
        self.assertIn("ex-display", problem(sold_as="broken"))
        self.assertIn("2026-06-01 or later", problem(last_seen="2026-05-01"))
        self.assertIn("part", problem(part="No id!"))
        with self.assertRaises(BadFile):
            rows("part,price\nmat,1\n")

    def test_all_that_is_wrong_with_a_row_is_told_each_once(self) -> None:
        told = problem(part="No id!", shop="nowhere", price="soon", sold_as="broken", first_seen="1 June", in_stock="?")
        self.assertEqual(wrong(told), ["sold_as", "in_stock", "first_seen", "shop", "price", "part"])
        self.assertEqual(wrong(problem(shop="nowhere", price="12")), ["shop"], "it can be read, whatever money it is")
        self.assertEqual(wrong(problem(last_seen="1 June", source="dream")), ["last_seen", "source"])
        self.assertEqual(wrong(problem(part="No id!", last_seen="2026-07-01")), ["part"], "of both of its days")

    def test_nothing_was_seen_after_today_or_before_such_things_were_sold(self) -> None:
        self.assertEqual(problem(first_seen="2026-12-01"), "first_seen '2026-12-01'; accepted: 2026-11-30 or earlier")
        self.assertEqual(problem(last_seen="9999-12-31"), "last_seen '9999-12-31'; accepted: 2026-11-30 or earlier")
        self.assertIn("2000-01-01", problem(first_seen="0202-06-01"))
        ((_, (first, last), _),) = rows("part,shop,price,first_seen,last_seen\nmat,larkmoor,1,2026-11-29,2026-11-30\n")
        self.assertEqual((first.day, last.day), (TODAY - timedelta(days=1), TODAY))

    def test_nonsense_never_raises_anything_else(self) -> None:
        dice = Random(7)
        for _ in range(300):
            cells = [
                "".join(chr(dice.choice((34, 39, 44, 61, 0x20, 0x41, 0x31, 0x20AC))) for _ in range(6)) for _ in COLUMNS
            ]
            text = ",".join(COLUMNS) + "\n" + ",".join(cells) + "\n"
            try:
                found = rows(text)
            except BadFile:
                continue
            self.assertTrue(all(told or looks for _, looks, told in found))
