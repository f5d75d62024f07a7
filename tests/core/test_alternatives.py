"""What each candidate would do, against evaluating the swapped build by hand."""

from unittest import TestCase
from unittest.mock import patch

from core.checks import GRAPH
from core.checks.data import least_plan
from core.checks.limits import State
from core.model.build import HungPart, Slot, slot_for
from core.model.found import listing_of
from core.model.parts import DataField, MonitorLink, MonitorPlan, Part
from core.quantities import Money, UnitSystem
from core.report import evaluate, shortlist
from core.report.alternatives import alternatives, build_with, each_weighed
from core.report.shortlist import judged_first, nearest_in_price, prices_of, weighed_first
from tests.core import worlds
from tests.core.matrix.case import TODAY, extra


def with_candidates() -> dict[str, Part]:
    weak = worlds.computer(id="weak", name="Weak", graphics_grade=2, price=worlds.price(200))
    strong = worlds.computer(id="strong", name="Strong", graphics_grade=9, price=worlds.price(2000))
    unpriced = worlds.computer(id="unpriced", name="Unpriced", price=None)
    return {**worlds.full_parts(), "weak": weak, "strong": strong, "unpriced": unpriced}


class AlternativeTests(TestCase):
    def setUp(self) -> None:
        self.parts = with_candidates()
        self.build = worlds.full_build()
        self.found = {a.part.id: a for a in alternatives(self.build, self.parts, Slot.MACHINE)}

    def test_every_part_of_the_place_is_there_those_that_leave_least_open_first(self) -> None:
        order = [a.part.id for a in alternatives(self.build, self.parts, Slot.MACHINE)]
        self.assertEqual(order, ["computer", "strong", "unpriced", "weak"])

    def test_what_cannot_work_says_why(self) -> None:
        weak = self.found["weak"]
        self.assertIs(weak.state, State.BLOCKED)
        self.assertEqual(weak.reasons[0].id, "machine.spec")
        self.assertIn("machine.spec", [verdict.id for verdict in weak.worse])

    def test_changes_in_money(self) -> None:
        self.assertEqual(self.found["strong"].up_front_change, Money(100_000, "EUR"))
        self.assertEqual(self.found["computer"].up_front_change, Money(0, "EUR"))
        self.assertTrue(self.found["computer"].hangs_now)
        self.assertFalse(self.found["unpriced"].priced)

    def test_they_agree_with_hanging_the_part_and_evaluating(self) -> None:
        """One rule, three uses: what is foretold of a part is what the report says once it hangs."""
        for slot in Slot:
            for alternative in alternatives(self.build, self.parts, slot):
                with self.subTest(slot=slot, part=alternative.part.id):
                    report = evaluate(build_with(self.build, self.parts, slot, alternative.part), self.parts)
                    own = [verdict.state for verdict in report.verdicts if slot in GRAPH[verdict.id].place.slots]
                    self.assertGreaterEqual(alternative.state.rank, max(state.rank for state in own))
                    before = evaluate(self.build, self.parts).costs
                    self.assertEqual(alternative.up_front_change, report.costs.up_front - before.up_front)
                    self.assertEqual(alternative.yearly_change, report.costs.yearly - before.yearly)


class TodayTests(TestCase):
    def test_the_day_of_the_answers_before_goes_on(self) -> None:
        """An edition of 2019 is seven years old on a day of 2026; without a day its age is not asked."""
        old = worlds.radar(id="old", name="Old", edition_year=2019)
        parts: dict[str, Part] = {**worlds.full_parts(), "old": old}
        for today, asked in ((TODAY, True), (None, False)):
            found = {a.part.id: a for a in alternatives(worlds.full_build(), parts, Slot.MONITOR, today)}
            self.assertEqual("monitor.edition" in [v.id for v in found["old"].reasons], asked)
            self.assertNotIn("monitor.edition", [v.id for v in found["radar"].reasons])


class NearestTests(TestCase):
    def test_the_nearest_in_price_to_what_hangs_are_weighed(self) -> None:
        """1,000 hangs: 1,000, then 200 is 800 away and 2,000 is 1,000 away; a part without a price comes last."""
        parts, build = with_candidates(), worlds.full_build()
        for most, ids in ((2, ["computer", "weak"]), (9, ["computer", "weak", "strong", "unpriced"])):
            nearest = nearest_in_price(map(listing_of, parts.values()), Slot.MACHINE, prices_of(build, parts), most)
            self.assertEqual(list(nearest), ids)

    def test_a_search_judges_as_many_of_each_place(self) -> None:
        """Eight places with four machines, one of each other, eleven in all: of nine at most two machines."""
        parts, build = with_candidates(), worlds.full_build()
        for judged, machines in ((10, ["computer", "weak"]), (11, ["computer", "weak", "strong", "unpriced"])):
            with patch.multiple(shortlist, MOST_JUDGED=judged, JUDGED_OF_MANY=9):
                chosen = judged_first(map(listing_of, parts.values()), prices_of(build, parts))
            self.assertEqual([id for id in chosen if slot_for(parts[id]) is Slot.MACHINE], machines)
            self.assertEqual({slot_for(parts[id]) for id in chosen}, set(Slot))

    def test_fewer_are_weighed_where_each_has_the_swings_measured_again(self) -> None:
        """Thirty mats, twenty at most; of thirty screens all."""
        for part, most in ((worlds.mat(), 20), (worlds.screen(), 30)):
            line = listing_of(part)
            many = [line._replace(id=f"{line.id}-{number}") for number in range(30)]
            assert line.slot is not None
            self.assertEqual(len(weighed_first(many, line.slot, {})), most)

    def test_each_is_weighed_in_its_own_place_as_among_its_alternatives(self) -> None:
        parts, build = with_candidates(), worlds.full_build()
        beside = extra("tool", "Saw")
        found = list(each_weighed(build, {**parts, beside.id: beside}, (parts["weak"], beside, parts["mat"])))
        self.assertEqual([alternative.part.id for alternative in found], ["weak", "mat"], "a tool hangs nowhere")
        among = {a.part.id: a for a in alternatives(build, parts, Slot.MACHINE)}
        self.assertEqual(
            (found[0].state, found[0].up_front_change), (among["weak"].state, among["weak"].up_front_change)
        )


class DataTests(TestCase):
    def test_the_least_plan_or_package_is_named(self) -> None:
        build = worlds.full_build()
        cures = {}
        for name, radar in (
            ("plan", worlds.radar()),
            ("package", worlds.radar(plans=(), by_package=("club_path", "face_angle"))),
        ):
            bare = build.model_copy(update={"chain": {Slot.MONITOR: HungPart(part="radar")}})
            report = evaluate(bare, {"radar": radar})
            told = report.told(next(v for v in report.verdicts if v.id == "monitor.data"))
            cures[name] = told.cures[0].words.text(UnitSystem.METRIC)
        self.assertEqual(cures["plan"], "Plan Full unlocks club path, face angle.")
        self.assertEqual(cures["package"], "A package of Maker unlocks club path, face angle.")

    def test_of_plans_that_unlock_as_much_the_lowest(self) -> None:
        path, both = (DataField.CLUB_PATH,), (DataField.CLUB_PATH, DataField.FACE_ANGLE)
        plans = [
            MonitorPlan(id=id, name=id, tier=tier, unlocks=unlocks)
            for id, tier, unlocks in (("high", 4, both), ("some", 2, path), ("enough", 3, both), ("bare", 1, ()))
        ]
        monitor = worlds.radar(plans=plans)
        best, some = least_plan(monitor, list(both)), least_plan(monitor, list(path))
        self.assertEqual((best and best.id, some and some.id), ("enough", "some"))
        self.assertIsNone(least_plan(monitor, [DataField.SPIN_AXIS]))


class HangTests(TestCase):
    def test_a_monitor_hangs_under_the_least_plan_that_its_title_can_use(self) -> None:
        title = worlds.title(monitor_links=(MonitorLink(monitor="radar", tier=2),))
        parts: dict[str, Part] = {**worlds.full_parts(), "title": title}
        build = worlds.full_build()
        bare = build.model_copy(update={"chain": {Slot.TITLE: build.chain[Slot.TITLE]}})
        self.assertEqual(build_with(bare, parts, Slot.MONITOR, parts["radar"]).chain[Slot.MONITOR].plan, "full")
        free = {**parts, "title": worlds.title()}
        self.assertEqual(build_with(bare, free, Slot.MONITOR, parts["radar"]).chain[Slot.MONITOR].plan, "base")

    def test_decisions_on_another_part_do_not_carry_over(self) -> None:
        build = worlds.full_build()
        owned = build.model_copy(
            update={"chain": {**build.chain, Slot.MACHINE: HungPart(part="computer", owned=True, new_in=2020)}}
        )
        parts = with_candidates()
        swapped = build_with(owned, parts, Slot.MACHINE, parts["strong"])
        self.assertEqual(swapped.chain[Slot.MACHINE], HungPart(part="strong"))
        self.assertIs(build_with(owned, parts, Slot.MACHINE, parts["computer"]), owned)
