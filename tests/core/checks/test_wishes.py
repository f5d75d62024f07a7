"""What the household allows and would rather have."""

from core.checks.wishes import monitor_mount, monitor_subscription, projector_mount, title_subscription
from core.model.brief import Brief
from core.model.parts import MonitorPlan, OverheadCamera, TitlePlan
from tests.core.checks.base import METRIC, CheckTestCase
from tests.core.worlds import monitor_of, price, projector, radar, title

MONTHLY = TitlePlan(id="monthly", name="Monthly", billing="monthly", price=price(15))
ONCE = TitlePlan(id="once", name="Once", billing="once", price=price(450))
FREE = MonitorPlan(id="base", name="Base")
YEARLY = MonitorPlan(id="full", name="Full", billing="yearly", price=price(200))


class DrillingTests(CheckTestCase):
    def test_what_hangs_needs_drilling(self) -> None:
        camera = monitor_of(OverheadCamera)
        for verdict in (projector_mount(Brief(), projector()), monitor_mount(Brief(), camera)):
            self.assert_verdict(verdict, "clear", "drilling allowed", "fixings in the ceiling", "")
        rented = Brief(may_drill=False)
        for verdict in (projector_mount(rented, projector()), monitor_mount(rented, camera)):
            self.assert_verdict(verdict, "blocked", "no drilling", "fixings in the ceiling", "")


class SubscriptionTests(CheckTestCase):
    WISH = Brief(subscriptions="rather_not")

    def test_a_wish_never_rules_out_but_says_when_once_is_cheaper(self) -> None:
        """12 · 15 = 180 a year: 450 once pays after 2.5 years."""
        both = title(plans=(MONTHLY, ONCE))
        verdict = title_subscription(self.WISH, both, MONTHLY)
        self.assert_verdict(
            verdict, "tight", "monthly", "no subscription", "", "Once, €450.00 once, pays after 2.5 years."
        )
        self.assert_verdict(title_subscription(self.WISH, both, ONCE), "clear", "once", "no subscription", "")
        self.assert_verdict(title_subscription(Brief(), both, MONTHLY), "clear", "monthly", "any licence", "")

    def test_without_another_licence_another_title_is_advised(self) -> None:
        verdict = title_subscription(self.WISH, title(plans=(MONTHLY,)), MONTHLY)
        self.assertIn("no other licence", verdict.cures[0].words.text(METRIC))

    def test_the_monitors_plan(self) -> None:
        monitor = radar(plans=(FREE, YEARLY))
        self.assert_verdict(
            monitor_subscription(self.WISH, monitor, YEARLY),
            "tight",
            "yearly",
            "no subscription",
            "",
            "Plan Base is free.",
        )
        self.assert_verdict(monitor_subscription(self.WISH, monitor, FREE), "clear", "free", "no subscription", "")
