"""The wish list of courses: what is bought one by one is paid for, and the least set of licences weighs it."""

from typing import Any
from unittest import TestCase

from core.model.build import Build
from core.model.ledger import COURSE, Ledger, course_place, line_key
from core.model.parts import Part
from core.money.line import Payment
from core.quantities import Money
from core.report import evaluate
from core.report.licences import licences_for
from tests.core import worlds

PLANS = (
    {"id": "monthly", "name": "Monthly", "billing": "monthly", "price": {"minor": 10_00}, "courses": 1,
     "course_names": ["Old Quarry"], "courses_sold_singly": ["Low Ferry", "Heron Spit", "Gull Rocks"],
     "course_price": {"minor": 9_00}},
    {"id": "grand", "name": "Grand", "billing": "monthly", "price": {"minor": 12_00}, "courses": 3,
     "course_names": ["Old Quarry", "Low Ferry", "Heron Spit", "Gull Rocks"]},
)  # fmt: skip
FERRY = line_key(course_place("Low Ferry"), "title", COURSE)


def world(*wanted: str, plan: str = "monthly", years: int = 1, **ledger: Any) -> tuple[Build, dict[str, Part]]:
    build, parts = worlds.full_build(), dict(worlds.full_parts())
    parts["title"] = worlds.title(plans=PLANS)
    chain = {slot: hung.model_copy(update={"plan": plan}) if hung.part == "title" else hung
             for slot, hung in build.chain.items()}  # fmt: skip
    brief = type(build.brief).model_validate(
        {**build.brief.model_dump(), "courses_wanted": wanted, "horizon_years": years}
    )
    told = {"chain": chain, "brief": brief, "ledger": Ledger.model_validate(ledger)}
    return build.model_copy(update=told), parts


class CostTests(TestCase):
    def test_what_the_plan_has_not_is_bought_by_itself(self) -> None:
        """Old Quarry comes along; Low Ferry and Heron Spit are 9.00 each."""
        build, parts = world("Old Quarry", "Low Ferry", "Heron Spit")
        courses = [line for line in evaluate(build, parts).costs.lines if line.licence == COURSE]
        self.assertEqual([line.up_front for line in courses], [Money(9_00, "EUR")] * 2)
        self.assertIn(FERRY, {line.key for line in courses})
        self.assertLessEqual({line.key for line in courses}, build.line_keys)
        self.assertFalse(any(line.may_be_bought for line in courses))
        without, _ = world()
        costs, plain = evaluate(build, parts).costs, evaluate(without, parts).costs
        self.assertEqual(costs.up_front.minor - plain.up_front.minor, 18_00)

    def test_what_nobody_says_of_the_list_leaves_the_costs_known(self) -> None:
        build, parts = world("Low Ferry", "Old Quarry")
        untold = tuple({**plan, "course_names": None, "courses_sold_singly": None} for plan in PLANS)
        parts["title"] = worlds.title(plans=untold)
        report = evaluate(build, parts)
        plain = evaluate(*world()).costs
        self.assertEqual(report.costs.up_front, plain.up_front)
        told = {verdict.id: verdict.state.value for verdict in report.verdicts}
        self.assertEqual(told["title.wished_courses"], "unknown")

    def test_one_that_is_named_twice_is_bought_once(self) -> None:
        build, parts = world("Low Ferry", "low ferry")
        courses = [line.label for line in evaluate(build, parts).costs.lines if line.licence == COURSE]
        self.assertEqual(courses, ["Rounds: course Low Ferry"])

    def test_what_is_known_of_a_course_counts(self) -> None:
        build, parts = world("Low Ferry", entries={FERRY: {"paid_minor": 7_50}})
        (line,) = (line for line in evaluate(build, parts).costs.lines if line.licence == COURSE)
        self.assertEqual((line.payment, line.up_front), (Payment.PAID, Money(7_50, "EUR")))


class LeastSetTests(TestCase):
    def least(self, *wanted: str, years: int) -> str | None:
        found = licences_for(*world(*wanted, years=years))
        assert found is not None
        return found.least.choice.title_plan

    def test_single_courses_are_weighed_against_a_plan_that_has_them(self) -> None:
        """Over a year 120 and two courses at 9.00 are 138, against 144; with a third one at 9.00 they are 147."""
        self.assertEqual(self.least("Low Ferry", "Heron Spit", years=1), "monthly")
        self.assertEqual(self.least("Low Ferry", "Heron Spit", "Gull Rocks", years=1), "grand")
        self.assertEqual(self.least(years=1), "monthly")

    def test_what_is_not_sold_singly_asks_for_the_plan_that_has_it(self) -> None:
        singly = tuple({**plan, "courses_sold_singly": []} for plan in PLANS)
        build, parts = world("Low Ferry")
        parts["title"] = worlds.title(plans=singly)
        found = licences_for(build, parts)
        assert found is not None
        self.assertEqual(found.least.choice.title_plan, "grand")
        self.assertEqual([told.verdict.id for told in found.held.locked], ["title.wished_courses"])
