"""Which of many candidates are weighed: nearest in price, and never by comparing amounts of different currencies."""

from unittest import TestCase

from core.model.build import Slot
from core.model.dearness import dearness
from core.model.found import listing_of
from core.quantities import Money
from core.report.shortlist import nearest_in_price, swapped_first
from tests.core import worlds


class NearestInPriceTests(TestCase):
    def parts(self) -> list[object]:
        prices = {"a": ("EUR", 400), "b": ("EUR", 290), "c": ("JPY", 300), "d": ("EUR", 310), "e": None}
        return [
            worlds.screen(id=id, price=told and {"minor": told[1] * 100, "currency": told[0]})
            for id, told in prices.items()
        ]

    def nearest(self, here: Money | None, most: int = 9) -> tuple[str, ...]:
        lines = [listing_of(part) for part in self.parts()]  # type: ignore[arg-type]
        return nearest_in_price(lines, Slot.SCREEN, {Slot.SCREEN: here} if here else {}, most)

    def test_near_then_in_another_currency_then_without_a_price(self) -> None:
        self.assertEqual(self.nearest(Money(30_500, "EUR")), ("d", "b", "a", "c", "e"))
        self.assertEqual(self.nearest(Money(30_000, "JPY")), ("c", "a", "b", "d", "e"))
        self.assertEqual(self.nearest(Money(30_500, "EUR"), 2), ("d", "b"))

    def test_swaps_are_so_many_of_each_place(self) -> None:
        many = [listing_of(worlds.screen(id=f"screen-{n}")) for n in range(40)]
        many += [listing_of(worlds.mat(id=f"mat-{n}")) for n in range(3)]
        chosen = swapped_first(many, {})
        self.assertEqual((len(chosen), sum(id.startswith("mat") for id in chosen)), (27, 3))


class SwapOrderTests(TestCase):
    def test_the_cheapest_first_and_other_currencies_after_them(self) -> None:
        """300 of a small unit are not cheaper than 290 of a large one."""
        prices = {"dear": ("EUR", 400), "cheap": ("EUR", 290), "elsewhere": ("JPY", 300)}
        parts = [
            worlds.screen(id=id, price={"minor": many * 100, "currency": code}) for id, (code, many) in prices.items()
        ]
        ordered = [part.id for part in sorted(parts, key=lambda part: dearness(part, "EUR"))]
        self.assertEqual(ordered, ["cheap", "dear", "elsewhere"])
