"""Small items: why each is there, how much of it, what serves, what is left; and how decisions hold."""

from typing import Any
from unittest import TestCase

from core.checks import GRAPH
from core.checks.asks import objections
from core.checks.needs import ITEMS, SmallItem, SmallItems, items_reading
from core.model.build import Build, SmallDecision
from core.model.facts import MissingFact
from core.model.kit import Beside
from core.model.ledger import Entry, Ledger
from core.model.parts import KINDS, Part, SideProtection, Tablet
from core.money.costs import Costs
from core.quantities import UnitSystem
from core.report import evaluate
from core.report.evaluation_of import evaluation_of
from core.report.small_items import options_for, with_cheapest, without_lapsed
from tests.core import worlds
from tests.core.matrix.case import extra, world

METRIC = UnitSystem.METRIC
CABLES = (
    extra("video_cable", "Short", plug="hdmi", length_m=5, lines_max=2160, technology="passive", price={"minor": 900}),
    extra("video_cable", "Long", plug="hdmi", length_m=10, lines_max=1080, technology="passive", price={"minor": 2900}),
    extra(
        "video_cable", "Glass", plug="hdmi", length_m=20, lines_max=2160, technology="optical", price={"minor": 9900}
    ),
    extra("video_cable", "Mute", plug="hdmi", price={"minor": 100}),
)


def items(**changes: Any) -> dict[str, SmallItem]:
    build, parts = world(changes)
    small = evaluation_of(build, parts).reading(SmallItems)
    assert small is not None
    return {item.item.id: item for item in small.items}


def amount(item: SmallItem) -> str:
    assert item.need is not None
    return item.need.amount.text(METRIC)


class ReasonTests(TestCase):
    """What brings an item, and the amount worked out beside it."""

    def amounts(self, wanted: dict[str, str], **changes: Any) -> None:
        found = items(**changes)
        for id, text in wanted.items():
            with self.subTest(id):
                self.assertEqual(amount(found[id]) if id in found else "", text)

    def test_a_projector_brings_mount_fixings_cable_and_channel(self) -> None:
        """Way: 2.25 up the wall, 0.465 along, 2.3 across, 0.805 down: 5.82 m."""
        wanted = {"projector-mount": "1 piece", "ceiling-fixings": "4 pieces", "video-cable": "1 piece"}
        self.amounts({**wanted, "cable-channel": "5.82 m"})
        self.amounts(dict.fromkeys(wanted, ""), without=("display",))

    def test_a_remote_where_none_is_in_the_box(self) -> None:
        self.amounts({"remote": ""})
        self.amounts({"remote": "1 piece"}, projector__remote_included=False)
        asks = items(projector__remote_included=False)["remote"].need
        assert asks is not None
        served = [
            list(objections(asks.asks, extra("remote_control", controls=c))) for c in (["projector"], ["television"])
        ]
        self.assertEqual([[o.blocked for o in found] for found in served], [[], [True]])

    def test_adhesive_along_the_seams_of_turf_that_stays(self) -> None:
        """4.6 × 7.0 off a roll of 4 m: two strips of 4.6, one seam; tubes of 3 m: two, 1.4 m over."""
        turf = extra("turf", "Turf", thickness_m=0.03, roll_width_m=4.0, pile_m=0.01, soft=True, price={"minor": 1000})
        size = {"room__width_m": 4.6, "room__length_m": 7.0, "brief__packed_away": False}
        self.amounts({"adhesive": "4.60 m", "seam-tape": "27.80 m"}, swap=[turf], **size)
        self.amounts({"adhesive": ""}, swap=[turf], **{**size, "brief__packed_away": True})
        self.amounts({"adhesive": ""}, swap=[turf], **size, brief__may_drill=False)
        tube = extra("supply", use="adhesive", length_m=3.0, pack_size=1)
        item = items(swap=[turf], **size)["adhesive"]
        self.assertEqual((item.units(tube), round(item.left_over(tube).value, 6)), (2, 1.4))

    def test_cords_by_the_perimeter_unless_the_enclosure_brings_them(self) -> None:
        """4 × 2.7 at 0.3 from each other: 36."""
        self.amounts({"cords": "36 pieces"}, without=("enclosure",))
        self.amounts({"cords": ""})

    def test_what_a_kit_leaves_out(self) -> None:
        """Frame 4 × (2.9 + 2.85 + 1.0) = 27 m; padding 2 × 2.85 + 2.9 = 8.6 m."""
        out = ("frame", "fittings", "cloth", "edge_padding", "feet")
        wanted = {"frame": "27.00 m", "frame-fittings": "8 pieces", "frame-feet": "4 pieces", "edge-padding": "8.60 m"}
        self.amounts({**wanted, "bay-cloth": "3 pieces", "pipe-cutter": "1 piece"}, enclosure__leaves_out=out)
        self.amounts(dict.fromkeys(wanted, ""))

    def test_thin_fabric(self) -> None:
        thin = {"screen__layers": 1, "screen__needs_backing": True}
        self.amounts({"topper": "2.70 m", "backing-cloth": "2.70 m"}, **thin)
        self.amounts({"topper": "", "backing-cloth": ""})

    def test_a_raw_edge_that_is_sewn_at_home(self) -> None:
        """10.8 m of hem, four metres of thread for each."""
        self.amounts({"thread": "43.20 m", "eyelet-tool": "1 piece"}, screen__edge="raw", brief__skills=("sewing",))
        self.amounts({"thread": "", "eyelet-tool": ""}, screen__edge="raw")

    def test_plugs_and_radios(self) -> None:
        self.amounts({"adapter": "1 piece"}, projector__inputs=("vga",))
        self.amounts({"link-adapter": "1 piece", "data-cable": ""}, computer__links=("network",))
        self.amounts({"data-cable": "1 piece", "link-adapter": ""}, radar__links=("usb",))
        self.amounts({"adapter": "", "link-adapter": "", "data-cable": ""})

    def test_a_tablet_is_charged_while_it_shows(self) -> None:
        tablet = Tablet.model_validate({**worlds.computer().model_dump(exclude={"kind"}), "id": "tab"})
        found = items(swap=[tablet])
        self.assertIn("passes_power", [ask.fact for ask in found["adapter"].need.asks])  # type: ignore[union-attr]
        self.assertIn("tablet-stand", found)
        self.assertNotIn("control-pad", found)

    def test_what_is_used_at_play(self) -> None:
        self.amounts({"balls": "12 pieces", "tees": "4 pieces", "ball-tray": "1 piece", "gloves": "2 pieces"})
        self.amounts({"camera": "1 piece", "camera-stand": "1 piece"})
        self.amounts({"camera": "", "camera-stand": ""}, brief__purposes={"full_rounds": 5})
        self.amounts({"speaker": "1 piece"}, brief__purposes={"films": 4})
        self.amounts({"ball-lamp": "1 piece"}, radar__wants_lamp=True)
        stove = extra("heater", "Stove", method="fuel")
        self.amounts({"co-alarm": "1 piece"}, beside=[stove])

    def test_netting_on_the_shank_side_of_each_hand(self) -> None:
        self.amounts({"side-netting": "2 pieces"}, enclosure__sides=False)
        self.amounts({"side-netting": "2 pieces"})
        self.amounts({"side-netting": ""}, enclosure__depth_m=2.5)

    def test_tape_along_walls_and_seams(self) -> None:
        """Two strips of 4.6 m off a roll of 4 m: 2 × 11.6 along the walls and one seam of 4.6."""
        roll = KINDS["turf"].model_validate({"id": "roll", "maker": "M", "name": "Roll", "roll_width_m": 4.0})
        self.amounts({"seam-tape": "27.80 m"}, swap=[roll])

    def test_what_is_not_known_is_asked_for(self) -> None:
        found = items(screen__edge_spacing_m=None, without=("enclosure",))["cords"]
        self.assertIsNone(found.need)
        self.assertEqual(found.missing and found.missing.fact, "The spacing of its edge of Square")

    def test_every_item_follows_from_some_build_and_asks_for_facts_that_its_kind_has(self) -> None:
        for need in ITEMS.values():
            with self.subTest(need.item.id):
                self.assertTrue(GRAPH.derivations[need].reads.each)
                facts = [f for f in need.item.kind.model_fields if need.item.title in items_reading(need.item.kind, f)]
                self.assertEqual({*need.item.sold_by, *need.item.asks}, set(facts))


class PartTests(TestCase):
    def test_units_are_rounded_up_to_packs_and_leave_some_over(self) -> None:
        """36 cords in packs of 25: two, 14 left; 8.6 m in packs of 4 × 2 m: two, 7.4 m left."""
        cords = items(without=("enclosure",))["cords"]
        pack = extra("hanging", pack_size=25)
        self.assertEqual((cords.units(pack), cords.left_over(pack).value), (2, 14))
        padding = items(enclosure__leaves_out=("edge_padding",))["edge-padding"]
        foam = extra("padding", length_m=2.0, pack_size=4)
        self.assertEqual((padding.units(foam), round(padding.left_over(foam).value, 6)), (2, 7.4))
        with self.assertRaises(MissingFact):
            cords.units(extra("hanging"))

    def test_objections_name_the_fact_and_both_values(self) -> None:
        need = items()["video-cable"].need
        assert need is not None
        short, long, _, mute = (list(objections(need.asks, cable)) for cable in CABLES)
        self.assertEqual([o.reason.text(METRIC) for o in short], ["Length 5.00 m, at least 7.402 m asked"])
        self.assertEqual(long, [])
        self.assertEqual([o.blocked for o in mute], [False, False, False], "length, lines, technology")


class DecisionTests(TestCase):
    def setUp(self) -> None:
        self.build, self.parts = world({})
        self.parts = {**self.parts, **{part.id: part for part in CABLES}}

    def decided(self, **decisions: dict[str, Any]) -> Build:
        small = {id.replace("_", "-"): SmallDecision(**decision) for id, decision in decisions.items()}
        return self.build.model_copy(update={"small_items": small})

    def status(self, build: Build, parts: dict[str, Part] | None = None) -> dict[str, Any]:
        report = evaluate(build, parts or self.parts)
        return {status.item.item.id: status for status in report.small}

    def test_options_that_serve_come_first_the_cheapest_in_front(self) -> None:
        found = options_for(self.build, self.parts, "video-cable")
        self.assertEqual(
            [(o.part.name, o.serves) for o in found],
            [("Long", True), ("Glass", True), ("Mute", False), ("Short", False)],
        )
        with self.assertRaises(LookupError):
            options_for(self.build, self.parts, "thread")

    def test_the_cheapest_that_serve_are_taken_and_decisions_stay(self) -> None:
        self.assertEqual(with_cheapest(self.build, self.parts).small_items["video-cable"].part, "long")
        struck = self.decided(video_cable={"choice": "strike"})
        self.assertEqual(with_cheapest(struck, self.parts).small_items["video-cable"].choice, "strike")

    def test_bought_items_cost_and_owned_ones_do_not(self) -> None:
        before = evaluate(self.build, self.parts).costs.up_front
        bought = self.decided(video_cable={"choice": "buy", "part": "long"})
        self.assertEqual((evaluate(bought, self.parts).costs.up_front - before).minor, 2900)
        owned = self.decided(video_cable={"choice": "own", "part": "long"})
        self.assertEqual((evaluate(owned, self.parts).costs.up_front - before).minor, 0)
        entries = {"video-cable/long": Entry(quote_minor=2000, quote_for_each=True)}
        quoted = bought.model_copy(update={"ledger": Ledger(entries=entries)})
        self.assertEqual((evaluate(quoted, self.parts).costs.up_front - before).minor, 2000)

    def test_a_part_that_does_not_serve_is_told(self) -> None:
        status = self.status(self.decided(video_cable={"choice": "buy", "part": "short"}))["video-cable"]
        self.assertEqual(status.state.value, "blocked")

    def test_a_strike_holds_while_the_reason_does_and_the_item_returns_with_it(self) -> None:
        struck = self.decided(thread={"choice": "strike"}, video_cable={"choice": "strike"})
        kept = without_lapsed(struck, self.parts)
        self.assertEqual(set(kept.small_items), {"video-cable"}, "no thread follows from this build")
        self.assertIs(without_lapsed(kept, self.parts), kept)

    def test_an_item_whose_reason_is_gone_costs_nothing(self) -> None:
        bought = self.decided(video_cable={"choice": "buy", "part": "long"})
        bare = bought.model_copy(update={"chain": {s: h for s, h in bought.chain.items() if s != "display"}})
        lines = [line.beside for line in evaluate(bare, self.parts).costs.lines]
        self.assertNotIn("video-cable", lines)

    def test_nor_does_it_draw_power_or_stop_a_ball_until_its_reason_returns(self) -> None:
        """Netting beside a bay without sides is there; beside one with sides up to the ball it is not, nor paid for."""
        net = extra("side_protection", "Net", width_m=3.0, height_m=2.7, price={"minor": 5000})
        open_bay, parts = world({"enclosure__sides": False, "beside": []})
        parts["net"] = net
        bought = open_bay.model_copy(update={"small_items": {"side-netting": SmallDecision(choice="buy", part="net")}})
        closed = {**parts, "enclosure": parts["enclosure"].model_copy(update={"sides": True, "depth_m": 3.2})}
        for of, there in ((parts, True), (closed, False)):
            found = evaluation_of(bought, of)
            beside = found.reading(Beside.of(SideProtection))
            self.assertEqual(bool(beside), there)
            costs = found.reading(Costs)
            assert costs is not None
            self.assertEqual("side-netting" in [line.beside for line in costs.lines], there)
        self.assertEqual(evaluation_of(bought, closed, before=evaluation_of(bought, parts)).verdicts, found.verdicts)


class OpenQuestionTests(TestCase):
    def test_what_is_still_open_is_asked_in_one_or_in_many(self) -> None:
        build, parts = world({})
        every = [status.item.item for status in evaluate(build, parts).small]
        for left, words in (
            (3, "3 small items are still open"),
            (1, f"One small item is still open: {every[-1].title.lower()}"),
            (0, ""),
        ):
            decided = {item.id: SmallDecision(choice="own") for item in every[: len(every) - left]}
            questions = evaluate(build.model_copy(update={"small_items": decided}), parts).questions
            told = [question.question.text(METRIC) for question in questions]
            self.assertEqual([text for text in told if "small item" in text], [words] if words else [])
