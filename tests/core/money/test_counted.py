"""Guessed, quoted and paid: which amount of a line counts, and that none overwrites another."""

from typing import Any
from unittest import TestCase

from pydantic import ValidationError

from core.model.brief import Brief
from core.model.build import Build, Slot
from core.model.facts import MissingFact
from core.model.household import TaxTreatment
from core.model.ledger import Entry, Ledger, OwnLine
from core.money.costs import Costs
from core.money.counted import Counted, counted
from core.money.line import Payment
from core.quantities import Money
from core.report import evaluate
from tests.core import worlds

LISTED = Money(100_00, "EUR")
UNLISTED = MissingFact("The price of Lamp", "Look.")


def found(listed: Money | MissingFact = LISTED, brief: Brief | None = None, **facts: Any) -> Counted:
    given = {name: facts.pop(name) for name in ("owned", "quantity", "worth") if name in facts}
    return counted(Entry.model_validate(facts), listed, brief or Brief(), **given)


def told(counts: Counted) -> tuple[str, int | None]:
    return counts.payment.value, counts.amount.minor if counts.amount else None


class CountedTests(TestCase):
    def test_the_most_certain_counts(self) -> None:
        entry: dict[str, Any] = {}
        self.assertEqual(told(found(**entry)), ("list price", 100_00))
        entry |= {"low_minor": 60_00, "likely_minor": 70_00, "high_minor": 95_00}
        guess = found(**entry)
        self.assertEqual(told(guess), ("estimate", 70_00))
        self.assertEqual([end.minor for end in (guess.low, guess.high) if end], [60_00, 95_00])
        entry |= {"quote_minor": 80_00}
        self.assertEqual(told(found(**entry)), ("quote", 80_00))
        entry |= {"paid_minor": 79_00}
        self.assertEqual(told(found(**entry)), ("paid", 79_00))

    def test_a_quote_for_each(self) -> None:
        self.assertEqual(told(found(quote_minor=12_50, quote_for_each=True, quantity=4)), ("quote", 50_00))
        self.assertEqual(told(found(quote_minor=12_50, quantity=4)), ("quote", 12_50))

    def test_what_costs_no_cash_keeps_its_worth(self) -> None:
        for came_as in ("gift", "barter", "lent sample"):
            given = found(came_as=came_as)
            self.assertEqual((told(given), given.worth), ((came_as, 0), LISTED))
        self.assertEqual(found(UNLISTED, came_as="gift", quote_minor=30_00).worth, Money(30_00, "EUR"))
        self.assertIsNotNone(found(UNLISTED, came_as="gift").worth_missing)
        self.assertEqual(found(owned=True, worth=Money(5, "EUR")).worth, Money(5, "EUR"))

    def test_what_was_paid_for_it_beats_that_it_is_owned(self) -> None:
        self.assertEqual(told(found(owned=True, paid_minor=10_00)), ("paid", 10_00))

    def test_without_any_price(self) -> None:
        nothing = found(UNLISTED)
        self.assertEqual((told(nothing), nothing.missing), (("list price", None), UNLISTED.missing))
        self.assertEqual(told(found(UNLISTED, likely_minor=5_00)), ("estimate", 5_00))

    def test_reclaimed_tax_comes_off_what_people_type(self) -> None:
        """119.00 with 19 % are 100.00; 3 with 20 % are 2.5, rounded up."""
        brief = Brief(tax_share=0.19, tax_treatment=TaxTreatment.RECLAIMED)
        for typed in (found(brief=brief, paid_minor=119_00), found(brief=brief, likely_minor=119_00)):
            self.assertEqual(told(typed)[1], 100_00)
        small = Brief(tax_share=0.2, tax_treatment=TaxTreatment.RECLAIMED)
        self.assertEqual(told(found(brief=small, paid_minor=3))[1], 3)


class EntryTests(TestCase):
    def test_an_estimate_is_in_order(self) -> None:
        for facts, words in (
            ({"low_minor": 5, "likely_minor": 4}, "low 5, likely 4, high None"),
            ({"likely_minor": 4, "high_minor": 3}, "no lower at its high end"),
            ({"low_minor": 5}, "needs likely_minor"),
        ):
            with self.subTest(words), self.assertRaisesRegex(ValidationError, words):
                Entry.model_validate(facts)
        self.assertTrue(Entry().says_nothing)
        self.assertFalse(Entry(nice=True).says_nothing)

    def test_a_line_is_named_by_place_and_part(self) -> None:
        Ledger(entries={"monitor/radar-2:base": Entry(), "extra-2/lamp": Entry()})
        for key in ("monitor", "monitor/", "Monitor/x", "a/b:", "a/b/c"):
            with self.subTest(key), self.assertRaises(ValidationError):
                Ledger(entries={key: Entry()})


class LedgerInBuildTests(TestCase):
    def costs(self, **ledger: Any) -> Costs:
        build = worlds.full_build().model_copy(update={"ledger": Ledger.model_validate(ledger)})
        return evaluate(build, worlds.full_parts()).costs

    def test_another_part_in_its_place_is_not_quoted(self) -> None:
        plain, quoted = self.costs(), self.costs(entries={"display/other": {"quote_minor": 1}})
        self.assertEqual(plain.up_front, quoted.up_front)
        there = self.costs(entries={"display/projector": {"quote_minor": 1}})
        self.assertEqual(there.up_front, plain.up_front - Money(900_00 - 1, "EUR"))

    def test_a_fee_can_be_quoted_too(self) -> None:
        """15.00 a month are 180.00 a year; quoted at 12.00 a month 144.00."""
        self.assertEqual(self.costs().yearly.minor, 180_00)
        self.assertEqual(self.costs(entries={"title/title:monthly": {"quote_minor": 12_00}}).yearly.minor, 144_00)

    def test_a_wish_for_later_is_in_no_total(self) -> None:
        now, later = self.costs(), self.costs(entries={"display/projector": {"later": True}})
        self.assertEqual(later.up_front, now.up_front - Money(900_00, "EUR"))
        self.assertEqual([line.slot for line in later.later], [Slot.DISPLAY])

    def test_lines_of_ones_own(self) -> None:
        """A cart counts with what it is guessed at; paint and a skip stand outside; a shelf is asked about."""
        own = [
            {"id": "cart", "name": "Cart", "category": "comfort", "likely_minor": 40_00},
            {"id": "paint", "name": "Paint", "category": "decoration", "paid_minor": 60_00},
            {"id": "skip", "name": "Skip", "category": "building works", "quote_minor": 300_00},
        ]
        plain, costs = self.costs(), self.costs(own=own)
        self.assertEqual(costs.up_front - plain.up_front, Money(40_00, "EUR"))
        self.assertEqual([line.label for line in costs.works if line.part == ""], ["Paint", "Skip"])
        shelf = self.costs(own=[{"id": "shelf", "name": "Shelf", "category": "comfort"}])
        self.assertEqual([missing.fact for missing in shelf.missing], ["What Shelf costs"])

    def test_what_is_gone_is_kept(self) -> None:
        """Renaming parts renames what is known of their money."""
        build = Build(name="B", ledger=Ledger(entries={"mat/a:p": Entry(paid_minor=1)}))
        self.assertEqual(set(build.with_parts_named({"a": "b"}).ledger.entries), {"mat/b:p"})

    def test_a_list_price_is_certain_and_an_estimate_is_not(self) -> None:
        lines = self.costs(entries={"display/projector": {"likely_minor": 5, "high_minor": 9}}).lines
        ranges = {line.slot: (line.low, line.high) for line in lines if line.payment is Payment.ESTIMATE}
        self.assertEqual(ranges, {Slot.DISPLAY: (Money(5, "EUR"), Money(9, "EUR"))})

    def test_own_lines_are_entries(self) -> None:
        self.assertEqual(OwnLine(id="a", name="A", category="tools", quantity=2).quantity, 2)
