"""Monitor, software and machine."""

from core.checks.software import picture_lines, platform, spec, title_listens
from core.checks.verdict import Told
from core.model.brief import Brief
from core.model.parts import MachineNeeds, MonitorLink, MonitorPlan, ResolutionNeeds
from tests.core.checks.base import METRIC, CheckTestCase
from tests.core.worlds import computer, projector, radar, title


class LinkTests(CheckTestCase):
    def answer(self, link: MonitorLink | None, tier: int = 0) -> Told:
        plan = MonitorPlan(id="held", name="Held", tier=tier)
        return title_listens(radar(), plan, title(monitor_links=(link,) if link else ()))

    def test_native_is_clear(self) -> None:
        self.assert_verdict(self.answer(MonitorLink(monitor="radar")), "clear", "tier 0", "tier 0", "0 tiers")

    def test_a_connector_is_at_ones_own_risk(self) -> None:
        link = MonitorLink(monitor="radar", via="connector")
        self.assert_verdict(self.answer(link), "tight", "connector", "native", "")

    def test_too_low_a_plan_names_those_that_unlock_it(self) -> None:
        link = MonitorLink(monitor="radar", tier=2)
        self.assert_verdict(
            self.answer(link), "blocked", "tier 0", "tier 2", "2 tiers too low", "Plans that unlock it: Full."
        )
        self.assert_verdict(self.answer(link, tier=2), "clear", "tier 2", "tier 2", "0 tiers")

    def test_no_link_names_what_the_title_does_hear(self) -> None:
        self.assert_verdict(
            self.answer(None), "blocked", "no link", "native or connector", "", "Rounds listens to: no monitor."
        )

    def test_without_a_plan_the_tier_is_zero(self) -> None:
        verdict = title_listens(radar(), None, title(monitor_links=(MonitorLink(monitor="radar", tier=1),)))
        self.assert_verdict(verdict, "blocked", "tier 0", "tier 1", "one tier too low")


class PlatformTests(CheckTestCase):
    def test_clear_and_blocked(self) -> None:
        self.assert_verdict(platform(title(), computer()), "clear", "Wicket OS", "Wicket OS", "")
        self.assert_verdict(
            platform(title(), computer(platform="Heron Linux")),
            "blocked",
            "Heron Linux",
            "Wicket OS",
            "",
            "Choose a machine with Wicket OS.",
        )

    def test_unknown(self) -> None:
        self.assert_unknown(platform(title(), computer(platform=None)), "The operating system of Tower")
        self.assert_unknown(platform(title(platforms=()), computer()), "The systems that it runs on of Rounds")


class SpecTests(CheckTestCase):
    def test_as_recommended_is_clear(self) -> None:
        """Graphics class 6 of 6 is the line with least over what is recommended."""
        self.assert_verdict(
            spec(Brief(), title(), computer(), picture_lines(projector())), "clear", "class 6", "class 4", "2 classes"
        )

    def test_between_minimum_and_recommended_is_tight(self) -> None:
        verdict = spec(Brief(), title(), computer(graphics_memory_gb=6), picture_lines(projector()))
        self.assert_verdict(verdict, "tight", "6 GB", "4 GB", "2 GB", "Upgrade the graphics memory to 8 GB.")

    def test_weak_graphics_are_not_rescued_by_memory(self) -> None:
        verdict = spec(Brief(), title(), computer(graphics_grade=2, memory_gb=128), picture_lines(projector()))
        self.assert_verdict(verdict, "blocked", "class 2", "class 4", "2 classes too low")
        self.assertIn("retire", verdict.cures[0].words.text(METRIC))

    def test_graphics_below_the_minimum_decide_whatever_else_is_short(self) -> None:
        """Graphics memory is at a quarter of what is asked and graphics at a third, yet graphics decide."""
        verdict = spec(Brief(), title(), computer(graphics_grade=2, graphics_memory_gb=2), picture_lines(projector()))
        self.assert_verdict(verdict, "blocked", "class 2", "class 4", "2 classes too low")

    def test_too_little_memory_is_blocked_and_can_be_upgraded(self) -> None:
        verdict = spec(Brief(), title(), computer(memory_gb=8), picture_lines(projector()))
        self.assert_verdict(verdict, "blocked", "8 GB", "16 GB", "−8 GB", "Upgrade the memory to 16 GB.")

    def test_trade_memory_where_the_maker_states_none(self) -> None:
        """16 GB least and 32 GB comfortable: a machine with 16 is tight."""
        bare = ResolutionNeeds(lines=2160, minimum=MachineNeeds(), recommended=MachineNeeds())
        verdict = spec(Brief(), title(machine_needs=(bare,)), computer(), picture_lines(projector()))
        self.assert_verdict(verdict, "tight", "16 GB", "16 GB", "0 GB", "Upgrade the memory to 32 GB.")

    def test_a_sharper_picture_asks_for_more(self) -> None:
        sharp = ResolutionNeeds(
            lines=2160, minimum=MachineNeeds(graphics_grade=8), recommended=MachineNeeds(graphics_grade=9)
        )
        both = title(machine_needs=(*title().machine_needs, sharp))
        self.assertEqual(spec(Brief(), both, computer(), picture_lines(projector())).state.value, "clear")
        verdict = spec(Brief(), both, computer(), picture_lines(projector(width_px=3840, height_px=2160)))
        self.assert_verdict(verdict, "blocked", "class 6", "class 8", "2 classes too low")

    def test_unknown_for_a_picture_nobody_stated_a_machine_for(self) -> None:
        verdict = spec(Brief(), title(), computer(), picture_lines(projector(width_px=3840, height_px=2160)))
        self.assert_unknown(verdict, "What Rounds asks of a machine for 2160 lines")

    def test_unknown_without_a_line_of_the_machine(self) -> None:
        self.assert_unknown(
            spec(Brief(), title(), computer(graphics_grade=None), picture_lines(None)),
            "The class of its graphics of Tower",
        )
