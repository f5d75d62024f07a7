"""Why a part does not work here, and what would admit it, each change tried by hand."""

from unittest import TestCase

from core.model.brief import Purpose
from core.model.build import Extra, Slot
from core.model.household import Noise, Subscriptions
from core.model.parts import Disturbance, Enclosure, MonitorLink, Part
from core.quantities import UnitSystem
from core.report import evaluate
from core.report.alternatives import build_with
from core.report.why_not import Trouble, WhyNot, why_not
from tests.core import worlds
from tests.core.matrix.case import extra, world

METRIC = UnitSystem.METRIC


class WhyNotTests(TestCase):
    def setUp(self) -> None:
        self.parts: dict[str, Part] = worlds.full_parts()
        self.build = worlds.full_build()

    def asked(self, part: Part) -> tuple[list[str], list[tuple[Trouble, str]]]:
        found = why_not(self.build, {**self.parts, part.id: part}, part)
        changes = [(admission.trouble, admission.change.text(METRIC)) for admission in found.admitted_by]
        return [told.verdict.id for told in found.ruled_out_by], changes

    def test_nothing_rules_a_good_part_out(self) -> None:
        self.assertEqual(self.asked(worlds.computer(id="other")), ([], []))

    def test_flight_is_made_by_moving_the_ball_back(self) -> None:
        """Needs 3.6 of flight, has 3.1: half a metre back, 3.0 behind the ball are enough for 2.104 and 2.45."""
        ruled_out, admitted = self.asked(worlds.radar(id="far", name="Far", flight_min_m=3.6, plans=()))
        self.assertIn("monitor.flight", ruled_out)
        linked = worlds.title(monitor_links=(MonitorLink(monitor="radar"), MonitorLink(monitor="far")))
        self.parts["title"] = linked
        ruled_out, admitted = self.asked(worlds.radar(id="far", name="Far", flight_min_m=3.6))
        self.assertEqual(ruled_out, ["monitor.flight"])
        self.assertIn((Trouble.MOVE, "Move the ball 500 mm back."), admitted)

    def test_a_plan_is_less_trouble_than_another_part(self) -> None:
        self.parts["title"] = worlds.title(monitor_links=(MonitorLink(monitor="radar", tier=2),))
        brief = self.build.brief.model_copy(update={"yearly_cap_minor": 50_000})
        self.build = self.build.model_copy(update={"brief": brief})
        ruled_out, admitted = self.asked(worlds.radar(id="radar"))
        self.assertEqual(ruled_out, ["title.monitor"])
        self.assertEqual(admitted[0], (Trouble.PLAN, "Take plan Full of Radar."))

    def test_a_must_may_be_let_go(self) -> None:
        """Rounds weigh 5, the software has no course, and no pack for it is there: 4 makes it a wish."""
        self.parts["title"] = worlds.title()
        brief = self.build.brief.model_copy(update={"purposes": {Purpose.FULL_ROUNDS: 5}})
        self.build = self.build.model_copy(update={"brief": brief})
        plan = worlds.title().plans[0].model_copy(update={"courses": 0})
        ruled_out, admitted = self.asked(worlds.title(id="range", name="Range", plans=(plan,)))
        self.assertEqual(ruled_out, ["title.courses"])
        self.assertIn("Let full rounds be a wish, not a must.", [change for _, change in admitted])

    def test_every_answer_that_the_rules_read_is_tried(self) -> None:
        """A loud surface where quiet is wanted, and a cap that the part goes over by 79."""
        loud = worlds.screen(id="loud", name="Loud", noise="loud")
        brief = self.build.brief.model_copy(update={"noise": Noise.QUIET})
        self.build = self.build.model_copy(update={"brief": brief})
        ruled_out, admitted = self.asked(loud)
        self.assertIn("screen.noise", ruled_out)
        self.assertIn((Trouble.BRIEF, "Let it be damped, not quiet."), admitted)
        spent = evaluate(self.build, self.parts).costs
        cap = brief.model_copy(update={"noise": Noise.ANY, "up_front_cap_minor": spent.up_front.minor})
        self.build = self.build.model_copy(update={"brief": cap})
        dear = worlds.computer(id="dear", name="Dear", price=worlds.price(5_000))
        ruled_out, admitted = self.asked(dear)
        self.assertEqual(ruled_out, ["money.up_front"])
        self.assertIn("Raise the cap to", dict(admitted)[Trouble.BRIEF])

    def test_what_was_tried_is_told(self) -> None:
        old = extra("video_cable", "Old", plug="vga", length_m=10.0, lines_max=2160)
        found = why_not(*world({})[:1], {**world({})[1], old.id: old}, old)
        self.assertEqual(found.admitted_by, ())
        self.assertIn(Trouble.MOVE, found.tried)
        self.assertNotIn(Trouble.SWAP, found.tried, "there is no other part to swap for")

    def test_fees_that_are_out_of_the_question(self) -> None:
        brief = self.build.brief.model_copy(update={"subscriptions": Subscriptions.NEVER})
        self.build = self.build.model_copy(update={"brief": brief})
        ruled_out, admitted = self.asked(worlds.title(id="other", name="Other"))
        self.assertEqual(ruled_out, ["title.subscription"])
        self.assertIn("Accept fees that come again.", [change for _, change in admitted])

    def test_a_locked_neighbour_is_not_swapped(self) -> None:
        sizes = {"outer_width_m": 3.5, "inner_width_m": 3.4}
        wide = Enclosure.model_validate({**worlds.enclosure().model_dump(), "id": "wide", **sizes})
        self.parts["large"] = worlds.screen(id="large", name="Large", width_m=3.05)
        _, admitted = self.asked(wide)
        self.assertIn((Trouble.SWAP, "Choose Large in place of Square."), admitted)
        locked = self.build.chain[Slot.SCREEN].model_copy(update={"locked": True})
        self.build = self.build.model_copy(update={"chain": {**self.build.chain, Slot.SCREEN: locked}})
        self.assertNotIn(Trouble.SWAP, [trouble for trouble, _ in self.asked(wide)[1]])

    def test_changes_that_only_help_together(self) -> None:
        """No link to the software, and half a metre of flight short."""
        self.parts["open"] = worlds.title(id="open", name="Open", monitor_links=(MonitorLink(monitor="far"),))
        far = worlds.radar(id="far", name="Far", flight_min_m=3.6)
        found = why_not(self.build, {**self.parts, "far": far}, far)
        self.assertEqual(found.admitted_by, ())
        told = [admission.change.text(METRIC) for admission in found.together]
        self.assertEqual(told, ["Move the ball 500 mm back.", "Choose Open in place of Rounds."])

    def test_what_admits_it_rules_nothing_else_out(self) -> None:
        weak = worlds.computer(id="weak", name="Weak", graphics_grade=2)
        self.parts["light"] = worlds.title(id="light", name="Light", machine_needs=())
        parts = {**self.parts, "weak": weak}
        found = why_not(self.build, parts, weak)
        today = {v.id for v in evaluate(self.build, parts).verdicts if v.state.value == "blocked"}
        swapped = build_with(build_with(self.build, parts, Slot.MACHINE, weak), parts, Slot.TITLE, parts["light"])
        after = {v.id for v in evaluate(swapped, parts).verdicts if v.state.value == "blocked"}
        self.assertLessEqual(after, today)
        self.assertEqual([a.change.text(METRIC) for a in found.admitted_by], ["Choose Light in place of Rounds."])


class BesideTests(TestCase):
    """Parts that hang nowhere are asked about as well: for a small item, or as an extra."""

    def setUp(self) -> None:
        self.build, self.parts = world({})

    def asked(self, part: Part) -> WhyNot:
        self.parts[part.id] = part
        return why_not(self.build, self.parts, part)

    def test_a_cable_that_is_short_by_less_than_the_machine_can_be_moved(self) -> None:
        """Needs 7.402, has 7.0: 0.402 / 1.10 = 0.366 of way too much, and steps are of 0.05: 0.4 along."""
        found = self.asked(extra("video_cable", "Seven", plug="hdmi", length_m=7.0, lines_max=2160))
        self.assertEqual((found.slot, found.item), (None, "Video cable"))
        self.assertEqual([o.text(METRIC) for o in found.objections], ["Length 7.00 m, at least 7.402 m asked"])
        moves = [a.change.text(METRIC) for a in found.admitted_by if a.trouble is Trouble.MOVE]
        self.assertEqual(moves, ["Move the machine 400 mm toward the screen."])

    def test_a_swap_that_only_opens_the_item_again_admits_nothing(self) -> None:
        """A plug that the projector has not stays one, whatever monitor hangs."""
        self.parts["other"] = self.parts["radar"].model_copy(update={"id": "other", "name": "Other"})
        self.parts["title"] = worlds.title(monitor_links=(MonitorLink(monitor="radar"), MonitorLink(monitor="other")))
        found = self.asked(extra("video_cable", "Old", plug="vga", length_m=10.0, lines_max=2160))
        self.assertEqual([o.text(METRIC) for o in found.objections], ["Plug VGA, HDMI asked"])
        self.assertEqual((found.admitted_by, found.together), ((), ()))

    def test_a_cable_that_serves(self) -> None:
        found = self.asked(extra("video_cable", "Eight", plug="hdmi", length_m=8.0, lines_max=2160))
        self.assertEqual((found.item, found.ruled_out_by, found.objections), ("Video cable", (), ()))

    def test_a_fan_heater_beside_a_radar_that_dislikes_it(self) -> None:
        """No small item asks for a heater; with it the radar's own check blocks, and no other monitor is there."""
        heater = extra("heater", "Gust", method="fan", power_w=1000, noise_db=30)
        radar = self.parts["radar"].model_copy(update={"dislikes": (Disturbance.FAN,)})
        self.parts["radar"] = radar
        found = self.asked(heater)
        self.assertEqual((found.slot, found.item), (None, ""))
        self.assertEqual([told.verdict.id for told in found.ruled_out_by], ["monitor.interference"])
        self.assertEqual((found.admitted_by, found.together), ((), ()))
        self.parts["deaf"] = radar.model_copy(update={"id": "deaf", "name": "Deaf", "dislikes": ()})
        self.parts["title"] = worlds.title(monitor_links=(MonitorLink(monitor="radar"), MonitorLink(monitor="deaf")))
        told = [admission.change.text(METRIC) for admission in self.asked(heater).admitted_by]
        self.assertEqual(told, ["Choose Deaf in place of Radar."])

    def test_a_part_that_is_there_is_judged_against_the_build_without_it(self) -> None:
        heater = extra("heater", "Gust", method="fan", power_w=1000, noise_db=30)
        self.parts["radar"] = self.parts["radar"].model_copy(update={"dislikes": (Disturbance.FAN,)})
        there = Extra(id="extra", part=heater.id)
        self.build = self.build.model_copy(update={"extras": (there,)})
        found = self.asked(heater)
        self.assertEqual([told.verdict.id for told in found.ruled_out_by], ["monitor.interference"])
        self.assertNotIn("Do without Gust.", [admission.change.text(METRIC) for admission in found.admitted_by])

    def test_a_part_that_nothing_asks_for(self) -> None:
        found = self.asked(extra("tool", "Spade", use="digging"))
        self.assertEqual((found.item, found.ruled_out_by, found.objections), ("", (), ()))
