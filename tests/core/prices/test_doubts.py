"""What is not believed at once, on either side of each edge."""

from unittest import TestCase

from core.model.parts.price import Price
from core.prices.doubts import doubt_of

USUAL = Price(minor=100_00)


class DoubtTests(TestCase):
    def test_under_half_and_over_two_and_a_half_times_what_is_usual(self) -> None:
        for minor, believed in ((49_99, False), (50_00, True), (250_00, True), (250_01, False)):
            self.assertEqual(doubt_of(Price(minor=minor), USUAL) == "", believed, minor)
        self.assertEqual(doubt_of(Price(minor=30_00), USUAL), "It is 70% under what is usual there.")
        self.assertEqual(doubt_of(Price(minor=300_00), USUAL), "It is 3.0 times what is usual there.")

    def test_other_money_and_another_tax(self) -> None:
        for other in (Price(minor=100_00, currency="USD"), Price(minor=100_00, tax_included=False)):
            self.assertIn("until now it was as €100.00", doubt_of(other, USUAL))

    def test_nothing_is_far_from_what_nobody_knows(self) -> None:
        self.assertEqual(doubt_of(Price(minor=1), None), "")

    def test_a_page_of_another_thing(self) -> None:
        self.assertEqual(doubt_of(USUAL, USUAL, "Lumenhay LANTERN Z, white", "Lumenhay Lantern Z"), "")
        self.assertEqual(
            doubt_of(USUAL, None, "Lumenhay Lantern X", "Lumenhay Lantern Z"),
            "The page speaks of 'Lumenhay Lantern X'.",
        )
        self.assertEqual(doubt_of(USUAL, USUAL, "", "Lumenhay Lantern Z"), "")

    def test_another_condition_than_until_now(self) -> None:
        for usual in (None, USUAL):
            self.assertEqual(
                doubt_of(USUAL, usual, sold_as="used", until_now="new"),
                "It is told as used; until now it was new under that number.",
            )
        self.assertEqual(doubt_of(USUAL, USUAL, sold_as="used"), "")
