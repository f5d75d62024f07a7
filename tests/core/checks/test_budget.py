"""The build against both caps."""

from core.checks.budget import StillOpen, up_front, yearly
from core.checks.verdict import Told
from core.model.brief import Brief
from core.model.build import Build
from core.model.chain import resolve_chain
from core.model.parts import Part
from core.money.costs import costs_of
from core.money.price_book import price_book_of
from tests.core import worlds
from tests.core.checks.base import CheckTestCase

NOTHING_OPEN = StillOpen(0, 0)


class BudgetTests(CheckTestCase):
    """35 packs of tiles 1050, mat 400, radar 500, tower 1000, lamp 900, square 300, box 800: 4950, and 180 a year."""

    def answers(
        self, parts: dict[str, Part] | None = None, still: StillOpen = NOTHING_OPEN, **brief: object
    ) -> tuple[Told, Told]:
        build: Build = worlds.full_build()
        parts = parts or worlds.full_parts()
        changed = Brief.model_validate({**build.brief.model_dump(), **brief})
        costs = costs_of(changed, price_book_of(parts.values()), resolve_chain(build, parts), build.room, build.layout)
        return up_front(changed, costs, still), yearly(changed, costs)

    def test_up_front(self) -> None:
        """Contingency 10 % is 495: 5445 is clear, 5000 only without it, 4900 not at all."""
        for cap, state, margin in ((5445, "clear", "€495.00"), (5000, "tight", "€50.00"), (4900, "blocked", "−€50.00")):
            verdict, _ = self.answers(up_front_cap_minor=cap * 100)
            self.assert_verdict(verdict, state, "€4,950.00", f"€{cap:,}.00", margin)

    def test_up_front_says_how_much_less(self) -> None:
        verdict, _ = self.answers(up_front_cap_minor=490_000)
        self.assert_verdict(verdict, "blocked", "€4,950.00", "€4,900.00", "−€50.00", "€545.00 less makes it clear.")

    def test_what_is_open_keeps_it_from_being_clear(self) -> None:
        verdict, _ = self.answers(up_front_cap_minor=1_000_000, still=StillOpen(1, 7))
        self.assert_verdict(
            verdict,
            "tight",
            "1 place and 7 small items",
            "nothing open",
            "",
            "Choose what is still open: 1 place and 7 small items.",
        )
        verdict, _ = self.answers(up_front_cap_minor=490_000, still=StillOpen(1, 7))
        self.assert_verdict(verdict, "blocked", "€4,950.00", "€4,900.00", "−€50.00")

    def test_yearly(self) -> None:
        """12 · 15 = 180 a year: under 200 clear, exactly 180 tight, 150 blocked."""
        for cap, state, margin in ((200, "clear", "€20.00"), (180, "tight", "€0.00"), (150, "blocked", "−€30.00")):
            _, verdict = self.answers(yearly_cap_minor=cap * 100)
            self.assert_verdict(verdict, state, "€180.00", f"€{cap}.00", margin)

    def test_unknown_without_a_cap(self) -> None:
        first, second = self.answers(up_front_cap_minor=None, yearly_cap_minor=None)
        self.assert_unknown(first, "The up-front cap")
        self.assert_unknown(second, "The yearly cap")

    def test_unknown_while_a_price_is(self) -> None:
        parts = {**worlds.full_parts(), "computer": worlds.computer(price=None)}
        verdict, _ = self.answers(parts)
        self.assert_unknown(verdict, "The price of Tower")

    def test_over_the_cap_even_without_the_line_that_is_not_known(self) -> None:
        parts = {**worlds.full_parts(), "computer": worlds.computer(price=None)}
        verdict, _ = self.answers(parts, up_front_cap_minor=100_000)
        self.assert_verdict(verdict, "blocked", "€3,950.00", "€1,000.00", "−€2,950.00")
