"""The least set of licences: by hand, and over random builds, where each set costs and unlocks what it says."""

from typing import Any
from unittest import TestCase

from core.checks.licence_sets import UNLOCKED_BY, Licences, LicenceSet, under_licences
from core.model.brief import Purpose
from core.model.build import Build, Extra, Slot
from core.model.chain import ADD_ONS
from core.model.parts import LaunchMonitor, MonitorPlan, Part, TitlePlan
from core.model.progress import Stopped
from core.quantities import UnitSystem
from core.report.alternatives import build_with
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.licences import licences_for, others_with_licences
from tests.core import worlds
from tests.core.matrix.case import extra
from tests.core.random_builds import furnished_build, sample_parts, seeds

FEATURES = ("range", "skills_games", "children", "putting", "coaching")
CLUB_DATA = ("club_path", "face_angle")


def title_plan(id: str, billing: str, euros: float, **facts: Any) -> TitlePlan:
    told = {"id": id, "name": id.title(), "billing": billing, "price": worlds.price(euros)}
    return TitlePlan.model_validate({**told, "courses": 40, "features": FEATURES, "later_versions": True, **facts})


def world(*, plans: tuple[TitlePlan, ...], beside: tuple[Part, ...] = ()) -> tuple[Build, dict[str, Part]]:
    """The full build for five years, its software under `plans`, with add-ons to be had."""
    parts = {**worlds.full_parts(), "title": worlds.title(plans=plans)}
    parts |= {part.id: part for part in beside}
    build = worlds.full_build(
        brief=worlds.full_brief(horizon_years=5, courses_wanted=(), purposes={Purpose.SWING_WORK: 4})
    )
    chain = {**build.chain, Slot.TITLE: build.chain[Slot.TITLE].model_copy(update={"plan": plans[0].id})}
    return build.model_copy(update={"chain": chain}), parts


def found(build: Build, parts: dict[str, Part]) -> Licences:
    licences = licences_for(build, parts)
    assert licences is not None
    return licences


MONTHLY, YEARLY = title_plan("monthly", "monthly", 15), title_plan("yearly", "yearly", 150)
ONCE = title_plan("once", "once", 400)
CLUB_PACK = extra(
    "monitor_package", "Club pack", price=worlds.price(450), monitors=("radar",), unlocks=CLUB_DATA, needs_tier=0
)
LINKS = extra("course_pack", "Links", price=worlds.price(40), titles=("title",), courses=9)


class LeastTests(TestCase):
    def test_all_of_it_is_decided_together(self) -> None:
        """Club data: 5 × 200 by the plan, or 450 once by a package. Software: 5 × 12 × 15 = 900, 5 × 150 = 750, or 400
        once. Least of all 450 + 400 = 850; with the plan, monthly, 1,900."""
        build, parts = world(plans=(MONTHLY, YEARLY, ONCE), beside=(CLUB_PACK,))
        full = build.chain[Slot.MONITOR].model_copy(update={"plan": "full"})
        build = build.model_copy(update={"chain": {**build.chain, Slot.MONITOR: full}})
        licences = found(build, parts)
        self.assertEqual(licences.least.names, ("Radar Base", "Rounds Once", "Club pack"))
        self.assertEqual(licences.least.horizon and licences.least.horizon.minor, 850_00)
        self.assertEqual(licences.held.horizon and licences.held.horizon.minor, 1900_00)
        self.assertEqual(len(licences.sets), 2 * 3 * 2)
        self.assertEqual(
            licences.headline.text(UnitSystem.METRIC),
            "Radar Base with Rounds Once with Club pack unlocks no less, for €1,050.00 less over 5 years",
        )

    def test_a_bundle_counts_while_its_plan_is_held(self) -> None:
        """The plan at 180 a year brings the software along: 5 × 180 = 900, against 1,000 and 400 apart."""
        brings = MonitorPlan(id="all", name="All", billing="yearly", price=worlds.price(180), tier=2,
                             unlocks=CLUB_DATA, bundled_titles=("title",))  # fmt: skip
        plans = (*worlds.radar().plans, brings)
        build, parts = world(plans=(MONTHLY, ONCE))
        licences = found(build, {**parts, "radar": worlds.radar(plans=plans)})
        self.assertEqual(licences.least.choice.monitor_plan, "all")
        self.assertEqual(licences.least.horizon and licences.least.horizon.minor, 900_00)

    def test_what_is_locked_is_told_and_what_nobody_asked_for(self) -> None:
        build, parts = world(plans=(ONCE,), beside=(LINKS,))
        licences = found(build, parts)
        base = next(each for each in licences.sets if each.choice.monitor_plan == "base")
        self.assertEqual([told.verdict.id for told in base.locked], ["monitor.data"])
        dearer = next(each for each in licences.sets if "links" in each.choice.add_ons)
        self.assertIn("Links", dearer.adds_to(licences.least))
        self.assertEqual(licences.least.adds_to(licences.least), ())

    def test_a_price_that_is_not_known_is_not_nothing(self) -> None:
        unpriced = ONCE.model_copy(update={"id": "gift", "name": "Gift", "price": None})
        licences = found(*world(plans=(ONCE, unpriced)))
        self.assertEqual(licences.least.choice.title_plan, "once")
        gift = next(each for each in licences.sets if each.choice.title_plan == "gift")
        self.assertIsNone(gift.horizon)

    def test_nothing_hangs_and_nobody_waits(self) -> None:
        self.assertIsNone(licences_for(Build(name="Bay"), {}))
        build, parts = world(plans=(ONCE,))
        with self.assertRaises(Stopped):
            licences_for(build, parts, progress=lambda share, words: False)

    def test_what_is_owned_stays(self) -> None:
        build, parts = world(plans=(ONCE,), beside=(CLUB_PACK,))
        owned = Extra(id="mine", part=CLUB_PACK.id, owned=True)
        build = build.model_copy(update={"extras": (*build.extras, owned)})
        for each in found(build, parts).sets:
            self.assertIn(owned, under_licences(build, parts, each.choice).extras)


class RandomTests(TestCase):
    def test_every_set_costs_and_unlocks_what_it_says(self) -> None:
        """Made anew in the build and judged by itself; and of all of them none is cheaper that locks no more."""
        parts, tried = sample_parts(), 0
        for seed in seeds(12):
            build = furnished_build(seed)
            licences = licences_for(build, parts)
            if licences is None:
                continue
            with self.subTest(seed=seed):
                least = licences.least
                ranks = {each.choice: self.ranks(build, parts, each) for each in licences.sets}
                best: dict[tuple[str, str], int] = {}
                for key, rank in (pair for of in ranks.values() for pair in of.items()):
                    best[key] = min(rank, best.get(key, rank))
                for each in licences.sets:
                    tried += 1
                    again = under_licences(build, parts, each.choice)
                    Build.model_validate(again.model_dump())
                    self.assertEqual(cost_of_licences(again, parts), each.horizon and each.horizon.minor)
                    locked = {key for key, rank in ranks[each.choice].items() if rank > best[key]}
                    self.assertEqual(locked, each.locks)
                    if each.horizon and least.horizon and len(each.locked) <= len(least.locked):
                        self.assertGreaterEqual(each.horizon.minor, least.horizon.minor)
                same, held = licences.for_the_same, licences.held
                self.assertLessEqual({t.verdict.key for t in same.locked}, {t.verdict.key for t in held.locked})
                if same.horizon and held.horizon:
                    self.assertLessEqual(same.horizon.minor, held.horizon.minor)
        self.assertGreater(tried, 30)

    def ranks(self, build: Build, parts: dict[str, Part], each: LicenceSet) -> dict[tuple[str, str], int]:
        found = evaluation_of(under_licences(build, parts, each.choice), parts)
        return {v.key: v.state.rank for v in found.verdicts if v.id in UNLOCKED_BY}

    def test_another_monitor_costs_what_it_says_with_its_licences(self) -> None:
        parts = sample_parts()
        monitors = [part for part in parts.values() if isinstance(part, LaunchMonitor)][:5]
        build = furnished_build(3)
        for price in others_with_licences(build, parts, Slot.MONITOR, monitors):
            with_it = build_with(build, parts, Slot.MONITOR, price.part)
            hung = under_licences(with_it, parts, price.least.choice)
            self.assertEqual(hung.chain[Slot.MONITOR].part, price.part.id)
            if price.total is not None:
                device = next(
                    line.up_front for line in known_costs(evaluation_of(hung, parts)).lines
                    if line.part == price.part.id and not line.licence
                )  # fmt: skip
                licences = cost_of_licences(hung, parts) or 0
                self.assertEqual(price.total.minor, (device.minor if device else 0) + licences)


def cost_of_licences(build: Build, parts: dict[str, Part]) -> int | None:
    """What plans and add-ons come to over the brief's years, read off the costs of the whole build."""
    costs = known_costs(evaluation_of(build, parts))
    lines = [line for line in costs.lines if line.licence or isinstance(parts.get(line.part), ADD_ONS)]
    if any(line.missing for line in lines):
        return None
    once = sum(line.up_front.minor for line in lines if line.up_front)
    fees = (line.fees_in(year) for line in lines if line.is_fee for year in range(build.brief.horizon_years))
    return once + sum(paid.minor for paid in fees if paid)
