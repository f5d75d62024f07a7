"""Nothing is offered that was not carried out: spots, parts that serve, changes that admit, over random builds."""

from collections import Counter
from collections.abc import Iterator
from unittest import TestCase

from core.checks import GRAPH
from core.checks.budget import CAPS
from core.checks.limits import State
from core.checks.needs import ITEMS, Need, SmallItems
from core.checks.places import Step
from core.checks.spots import HittingSpot, Spots
from core.checks.verdict import Verdict
from core.geometry.hitting_region import Area
from core.model import acts
from core.model.brief import Brief
from core.model.build import Build, Slot, SmallDecision
from core.model.facts import CHAIN, GROUPS, MissingFact
from core.model.kit import Beside
from core.model.record import Record
from core.model.room import Layout, Room
from core.model.things import Looked
from core.quantities.money import DECIMALS_BY_CURRENCY
from core.report.alternatives import build_with
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.goes_on import SMALL_ITEMS, goes_on_at
from core.report.offers import offers_about, spots_offered
from core.report.routes import Route, routes_to
from core.report.routes.ways import ITEMS_OF_WAY
from core.report.small_items import options_for, with_cheapest
from core.report.why_not import why_not
from tests.core.random_builds import furnished_build, of_place, sample_parts, seeds

MONITOR_RULES = ("monitor.behind", "monitor.beside", "monitor.flight", "monitor.overhead")
UNDER_THE_CEILING = ("swing.ceiling",)
"""What a spot that is told but for the ceiling does not answer."""
SPOT_RULES = (
    "room.behind_ball",
    "room.free_side",
    "swing.ceiling",
    "swing.side_walls",
    "swing.rear_wall",
    "swing.things",
    "enclosure.swing",
)


def checks_on(need: type[Need]) -> tuple[str, ...]:
    """The checks that judge what fills a need."""
    return tuple(check.id for check in GRAPH.checks if need in check.reads.types)


def chosen(build: Build, item: str, part: str) -> Build:
    """`build` with a part bought for one item, and nothing else beside the chain."""
    small = {item: SmallDecision(choice="buy", part=part)}
    return build.model_copy(update={"small_items": small, "extras": ()})


def at_spots(build: Build, spots: tuple[HittingSpot, ...]) -> Build:
    """`build` with every spot taken that is offered, one after the other."""
    for spot in spots:
        if spot.best is not None:
            build = acts.ball_put(*spot.best, spot.hands, one_for_all=len(spots) == 1)(build)
    return build


def _best_of_things(room: Room) -> State:
    """As clear as a swing past things can be, as far as somebody has looked for them."""
    if not room.things and Looked.THINGS not in room.none_of:
        return State.UNKNOWN
    return State.CLEAR if room.openings or Looked.OPENINGS in room.none_of else State.TIGHT


class SpotTests(TestCase):
    def test_spots_are_clear_for_those_whom_they_are_offered_to(self) -> None:
        """However the enclosure stands around them, whatever is in the room, and with the monitor that is chosen."""
        counted: Counter[tuple[str, int]] = Counter()
        for seed in seeds(45):
            build = furnished_build(seed)
            found = evaluation_of(build, sample_parts()).reading(Spots)
            spots = found.spots if found else ()
            there = evaluation_of(at_spots(build, spots), sample_parts())
            served = {hand for spot in spots if spot.best is not None for hand in spot.hands}
            hands = {player.id: player.handedness for player in build.brief.players}
            for rule in SPOT_RULES:
                for verdict in there.of_check(rule):
                    if served < set(hands.values()) and hands.get(verdict.subject_id) not in served:
                        continue
                    if any(spot.under_low_ceiling for spot in spots) and rule in UNDER_THE_CEILING:
                        continue
                    best = _best_of_things(build.room) if rule == "swing.things" else State.CLEAR
                    with self.subTest(seed=seed, rule=rule, who=verdict.subject_id):
                        self.assertIs(verdict.state, best)
                        counted[rule, len(spots)] += 1
            for verdict in there.of_check("room.ball_to_screen"):
                with self.subTest(seed=seed):
                    self.assertTrue(served < set(hands.values()) or verdict.state in (State.CLEAR, State.TIGHT))
            leaves_room = served == set(hands.values()) and not any("no place" in s.reason.template for s in spots)
            for rule in MONITOR_RULES if leaves_room else ():
                for verdict in there.of_check(rule):
                    with self.subTest(seed=seed, rule=rule):
                        self.assertTrue(self._has_its_place(verdict, at_spots(build, spots)), verdict)
                        counted[rule, len(spots)] += 1
        self.assertTrue({(rule, 1) for rule in (*SPOT_RULES, *MONITOR_RULES)} <= counted.keys())
        self.assertIn(("swing.side_walls", 2), counted)

    def _has_its_place(self, verdict: Verdict, build: Build) -> bool:
        """Clear, or wrong by what no spot of the ball can change: where it was put, how high the ceiling is."""
        if verdict.state in (State.CLEAR, State.UNKNOWN):
            return True
        put = build.layout.monitor_distance_m is not None and verdict.id in ("monitor.behind", "monitor.beside")
        return put or verdict.id == "monitor.overhead"

    def test_regions_lie_within_the_room(self) -> None:
        for seed in seeds(40):
            build = furnished_build(seed)
            found = evaluation_of(build, sample_parts()).reading(Spots)
            for area in _areas(found):
                for x, y in area.outline:
                    self.assertTrue(-1e-6 <= x <= build.room.width_m + 1e-6, seed)
                    self.assertTrue(-1e-6 <= y <= build.room.length_m + 1e-6, seed)


def _areas(found: Spots | None) -> Iterator[Area]:
    for spot in found.spots if found else ():
        yield from spot.areas


class ServingTests(TestCase):
    def test_a_part_without_objections_leaves_its_checks_clear_and_the_reverse(self) -> None:
        """Bought for its item alone, with nothing else beside the chain that might serve as well."""
        served: set[str] = set()
        for seed in seeds(26):
            build = furnished_build(seed).model_copy(update={"extras": ()})
            small = evaluation_of(build, sample_parts()).reading(SmallItems)
            assert small is not None
            for item in small.items:
                judges = checks_on(ITEMS[item.item.id])
                if item.need is None or not judges:
                    continue
                for option in options_for(build, sample_parts(), item.item.id):
                    there = evaluation_of(chosen(build, item.item.id, option.part.id), sample_parts())
                    states = [verdict.state for id in judges for verdict in there.of_check(id)]
                    if not states or State.UNKNOWN in states:
                        continue
                    worst = max(states, key=lambda state: state.rank)
                    meant = item.need.meant(Beside.of(type(option.part))([option.part]))
                    with self.subTest(seed=seed, item=item.item.id, part=option.part.id, states=states):
                        if option.serves:
                            served.add(item.item.id)
                            self.assertIs(worst, State.CLEAR)
                        elif meant and worst is State.CLEAR:
                            self.assertFalse([found for found in option.objections if found.blocked])
        self.assertGreater(len(served), 6)

    def test_the_cheapest_that_serve_rule_nothing_out(self) -> None:
        for seed in seeds(26):
            build = furnished_build(seed).model_copy(update={"extras": ()})
            before, after = (
                {v.key for v in evaluation_of(each, sample_parts()).verdicts if v.state is State.BLOCKED}
                for each in (build, with_cheapest(build, sample_parts()))
            )
            with self.subTest(seed=seed):
                self.assertEqual(after - before - {("money.up_front", ""), ("money.yearly", "")}, set())


class RouteTests(TestCase):
    def test_a_route_that_is_offered_comes_out_as_it_says(self) -> None:
        """It rules nothing out, leaves no small item of its places open, and costs what its lines add up to."""
        offered = 0
        for seed in seeds(10):
            build = furnished_build(seed)
            for slot in ITEMS_OF_WAY:
                for route in routes_of(slot, build):
                    if route.build is None or route.against:
                        continue
                    made = {} if route.made is None else {route.made.id: route.made}
                    there = evaluation_of(route.build, {**sample_parts(), **made})
                    was = {v.key for v in evaluation_of(emptied(build, slot), sample_parts()).verdicts if blocked(v)}
                    small = there.reading(SmallItems)
                    assert small is not None
                    open_items = [
                        item.item.title.lower()
                        for item in small.items
                        if item.item.near in ITEMS_OF_WAY[slot] and item.item.id not in route.build.small_items
                    ]
                    caps = {(cap, "") for cap in CAPS}
                    with self.subTest(seed=seed, slot=slot, kind=route.kind):
                        offered += 1
                        self.assertEqual({v.key for v in there.verdicts if blocked(v)} - was - caps, set())
                        self.assertEqual(open_items, list(route.lacks))
                        paid = [bought.line.up_front for bought in route.purchases if bought.line.up_front]
                        elsewhere = [line.more for line in route.elsewhere]
                        self.assertEqual(sum(money.minor for money in (*paid, *elsewhere)), route.money.minor)
        self.assertGreater(offered, 20)


def routes_of(slot: Slot, build: Build) -> tuple[Route, ...]:
    try:
        return routes_to(slot, build, sample_parts())
    except MissingFact:
        return ()


def emptied(build: Build, slot: Slot) -> Build:
    chain = {place: hanging for place, hanging in build.chain.items() if place is not slot}
    return build.model_copy(update={"chain": chain})


def blocked(verdict: Verdict) -> bool:
    return verdict.state is State.BLOCKED


class AdmissionTests(TestCase):
    def test_what_would_admit_a_part_admits_it(self) -> None:
        offered = 0
        for seed in seeds(5):
            build = furnished_build(seed)
            for slot in (Slot.SCREEN, Slot.DISPLAY, Slot.MONITOR):
                for part in of_place(slot)[::4]:
                    told = why_not(build, sample_parts(), part)
                    ruled = {each.verdict.key for each in told.ruled_out_by}
                    before = evaluation_of(build, sample_parts())
                    there = evaluation_of(build_with(build, sample_parts(), slot, part), sample_parts())
                    blocked = {v.key for v in there.verdicts if v.state is State.BLOCKED}
                    self.assertLessEqual(ruled, blocked)
                    today = {v.key for v in before.verdicts if v.state is State.BLOCKED}
                    for admission in told.admitted_by:
                        offered += 1
                        done = evaluation_of(admission.build, sample_parts())
                        still = {v.key for v in done.verdicts if v.state is State.BLOCKED}
                        with self.subTest(seed=seed, part=part.id, change=admission.change.template):
                            self.assertEqual(admission.build.chain[slot].part, part.id)
                            self.assertFalse(still & ruled)
                            self.assertLessEqual(still, blocked | today)
        self.assertGreater(offered, 3)


class OfferTests(TestCase):
    """What a verdict offers to press: over random builds it does what it says, and says what it does."""

    def test_an_offer_about_a_verdict_comes_out_as_it_says(self) -> None:
        tried: Counter[str] = Counter()
        for seed in seeds(13):
            build = furnished_build(seed)
            now = evaluation_of(build, sample_parts())
            was = {verdict.key for verdict in now.verdicts if blocked(verdict)}
            troubles = [verdict for verdict in now.verdicts if verdict.state is not State.CLEAR]
            for verdict in troubles[:: 1 if len(troubles) < 12 else 3]:
                for offer in offers_about(build, sample_parts(), verdict.key):
                    if offer.build is None or offer.does is None:
                        continue
                    Build.model_validate(offer.build.model_dump())
                    there = evaluation_of(offer.build, sample_parts())
                    after = there.by_key.get(verdict.key)
                    with self.subTest(seed=seed, check=verdict.key, offer=offer.words.template):
                        tried[offer.words.template] += 1
                        self.assertEqual(after.state if after else None, offer.state)
                        self.assertNotEqual(offer.build, build)
                        costs, costs_now = known_costs(there), known_costs(now)
                        self.assertEqual(costs_now.up_front + offer.does.up_front_change, costs.up_front)
                        self.assertEqual(costs_now.yearly + offer.does.yearly_change, costs.yearly)
                        new = {v.key for v in there.verdicts if blocked(v)} - was
                        self.assertLessEqual(new, {told.verdict.key for told in offer.does.worse})
                        if offer.words.template.startswith(("Take plan", "Choose {")):
                            self.assertEqual(new - {(cap, "") for cap in CAPS}, set())
                            self.assertTrue(after is None or after.state.rank < verdict.state.rank)
        self.assertGreater(tried["Choose {other} in place of {part}."], 20, tried)
        self.assertGreater(tried["Choose {part}: {item}."], 2, tried)
        self.assertGreater(sum(tried.values()), 70, tried)

    def is_there(self, record: str, field: str, small: SmallItems | None, contents: set[str]) -> bool:
        """Whether the build, which holds `contents`, has the place that is told."""
        records: dict[str, type[Record]] = {"brief": Brief, "room": Room, "layout": Layout}
        if "/" in record:
            return record in contents
        if record in records and field.startswith("rate_"):
            return field.removeprefix("rate_") in DECIMALS_BY_CURRENCY
        if record in records and field:
            return field in records[record].model_fields
        fields: dict[str, list[str]] = {
            CHAIN: [slot.value for slot in Slot],
            SMALL_ITEMS: list(small.by_id) if small else [],
            "money": ["licences", ""],
        }
        return field in fields.get(record, [""]) and record in (*fields, *Step)

    def test_what_a_person_has_to_do_says_where_it_is_gone_on_with(self) -> None:
        """In a field of a record that the build has, at a place of the chain, or at a small item that it asks for."""
        seen: Counter[str] = Counter()
        for seed in seeds(26):
            build = furnished_build(seed)
            now = evaluation_of(build, sample_parts())
            small = now.reading(SmallItems)
            contents = {f"players/{player.id}" for player in build.brief.players}
            contents |= {f"parts/{part}" for part in build.parts_named}
            contents |= {f"{group}/{thing.id}" for group in GROUPS.values() for thing in getattr(build.room, group)}
            for verdict in now.verdicts:
                for cure in now.told(verdict).cures:
                    if cure.act is None:
                        record, field = goes_on_at(cure, verdict, small)
                        seen[record.split("/")[0]] += 1
                        with self.subTest(seed=seed, check=verdict.id, record=record, field=field):
                            self.assertTrue(self.is_there(record, field, small, contents))
        self.assertLessEqual({CHAIN, SMALL_ITEMS, "players", "brief", "room", "parts"}, seen.keys())

    def test_a_spot_is_offered_with_what_it_does(self) -> None:
        offered = 0
        for seed in seeds(20):
            build = furnished_build(seed)
            for offer in spots_offered(build, sample_parts()):
                assert offer.build is not None
                self.assertTrue(offer.build.layout.ball_placed)
                offered += offer.does is not None
        self.assertGreater(offered, 5)

    def test_nothing_is_offered_about_what_is_clear_or_not_there(self) -> None:
        build = furnished_build(1)
        clear = next(v for v in evaluation_of(build, sample_parts()).verdicts if v.state is State.CLEAR)
        self.assertEqual(list(offers_about(build, sample_parts(), clear.key)), [])
        self.assertEqual(list(offers_about(build, sample_parts(), ("room.glass", "nobody"))), [])
