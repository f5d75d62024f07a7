"""Small things that were once told wrongly: speeds by club, fine money, struck parts, what is paid for already."""

from unittest import TestCase

from core.checks.stages import StageCosts
from core.model.build import Build, Extra, Slot, SmallDecision
from core.model.chain import UnknownPart
from core.model.clubs import Club
from core.model.kit import Beside
from core.model.parts import Billing, Price, VideoCable
from core.money.costs import Costs
from core.money.line import Line, Payment
from core.quantities import Quantity, Unit, UnitSystem
from core.quantities.money import MoneyError, parse_minor
from core.quantities.numbers import read_number
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
from tests.core.matrix.case import answered, extra


class SpeedTests(TestCase):
    def test_who_plays_irons_only_strikes_no_driver(self) -> None:
        """60 m/s off the driver are 44.4 off a 7-iron; what was measured was the driver's too."""
        self.assertAlmostEqual(worlds.player(longest_club=Club.SEVEN_IRON).ball_speed_m_s, 44.4)
        measured = worlds.player(longest_club=Club.WEDGE, measured_ball_speed_m_s=70.0)
        self.assertAlmostEqual(measured.ball_speed_m_s, 42.7)

    def test_shorter_is_slower(self) -> None:
        shares = [club.speed_share for club in Club]
        self.assertEqual(shares, sorted(shares, reverse=True))


class StageTests(TestCase):
    def test_a_stage_says_what_its_amounts_are_made_of(self) -> None:
        """The stages together are all lines, each once; without its price, and without a floor, one says so."""
        parts = {**worlds.full_parts(), "screen": worlds.screen(price=None)}
        build = worlds.full_build(brief=worlds.full_brief(earlier_stages=("net",)))
        build = build.model_copy(update={"chain": {s: hung for s, hung in build.chain.items() if s is not Slot.MAT}})
        found = evaluation_of(build, parts)
        costs, told = found.reading(Costs), found.reading(StageCosts)
        assert costs is not None
        assert told is not None
        net, projected = told.stages
        labels = sorted(line.label for line in costs.lines if line.missing is None)
        self.assertEqual(sorted((*net.of, *projected.of)), labels)
        self.assertEqual((net.unpriced, net.empty), (("Maker Square",), (Slot.MAT,)))
        self.assertEqual(net.up_front + projected.up_front, costs.up_front)


class MoneyTests(TestCase):
    def test_what_is_finer_than_a_cent_is_refused(self) -> None:
        for text in ("0.005", "0,005", "0.125", "00.500"):
            with self.assertRaises(MoneyError):
                parse_minor(text, "EUR")
        self.assertEqual(parse_minor("1.005", "EUR"), 100_500)

    def test_a_licence_that_is_owned_was_paid(self) -> None:
        """A title bought once with its licence costs nothing more; a newcomer pays it."""
        build, parts = worlds.full_build(), worlds.full_parts()
        title = worlds.title()
        once = title.plans[0].model_copy(update={"billing": Billing.ONCE})
        parts[title.id] = title.model_copy(update={"plans": (once,)})
        for owned in (False, True):
            hung = build.chain[Slot.TITLE].model_copy(update={"plan": once.id, "owned": owned})
            of = build.model_copy(update={"chain": {**build.chain, Slot.TITLE: hung}})
            costs = evaluation_of(of, parts).reading(Costs)
            assert costs is not None
            (line,) = (line for line in costs.lines if line.licence == once.id)
            assert line.up_front is not None
            assert line.newcomers is not None
            self.assertEqual(line.payment is Payment.OWNED, owned)
            self.assertEqual(line.up_front.minor == 0, owned)
            self.assertGreater(line.newcomers.minor, 0)

    def test_paid_plans_and_none_chosen_is_not_free(self) -> None:
        build, parts = worlds.full_build(), worlds.full_parts()
        paid = worlds.title().plans[0].model_copy(update={"billing": Billing.YEARLY})
        parts["title"] = worlds.title(plans=(paid,))
        hung = build.chain[Slot.TITLE].model_copy(update={"plan": None})
        of = build.model_copy(update={"chain": {**build.chain, Slot.TITLE: hung}})
        costs = evaluation_of(of, parts).reading(Costs)
        assert costs is not None
        self.assertIn("Which plan of", " ".join(missing.fact for missing in costs.missing))

    def test_break_even_is_told_to_everybody(self) -> None:
        """A licence of 300 beside 100 a year pays after three years, whatever somebody thinks of subscriptions."""
        plan = worlds.title().plans[0]
        yearly = plan.model_copy(update={"id": "y", "billing": Billing.YEARLY, "price": Price(minor=10_000)})
        once = plan.model_copy(
            update={"id": "o", "name": "Once", "billing": Billing.ONCE, "price": Price(minor=30_000)}
        )
        changes = {"title__plans": (yearly, once), "hung_title__plan": "y", "brief__subscriptions": "fine"}
        told = answered("title.subscription", changes)[0]
        self.assertIn(("Break-even with Once", "3.0 years"), [(given.name, given.value) for given in told.inputs()])


class StruckTests(TestCase):
    def test_what_was_struck_off_is_not_there(self) -> None:
        build, parts = worlds.full_build(), worlds.full_parts()
        cable = VideoCable(id="cable", maker="Maker", name="Cable", length_m=10, lines_max=1080, plugs=("hdmi", "hdmi"))
        for choice, there in (("buy", 1), ("own", 1), ("strike", 0)):
            small = {"video-cable": SmallDecision.model_validate({"choice": choice, "part": "cable"})}
            of: Build = build.model_copy(update={"small_items": small})
            cables = evaluation_of(of, {**parts, "cable": cable}).reading(Beside[VideoCable])
            self.assertEqual(len(cables or ()), there)


class RoomTests(TestCase):
    def test_fabric_beside_a_wall_is_tight(self) -> None:
        """4.40 m between walls of 5.00 leave 0.30 to each side; 4.60 do not."""
        for outer, state in ((4.40, "clear"), (4.60, "tight"), (5.10, "blocked")):
            told = answered("enclosure.room", {"room__width_m": 5.0, "enclosure__outer_width_m": outer})[0]
            self.assertEqual(told.state.value, state)

    def test_sharpness_goes_by_the_lines_that_arrive(self) -> None:
        """Half as many lines arrive as the panel has: half as many pixels a degree."""
        changes = {"projector__width_px": 3840, "projector__height_px": 2160}
        fine = answered("picture.sharpness", {**changes, "computer__output_lines": 2160, "title__lines_max": 2160})[0]
        coarse = answered("picture.sharpness", {**changes, "computer__output_lines": 1080, "title__lines_max": 2160})[0]
        assert isinstance(fine.measured, Quantity)
        assert isinstance(coarse.measured, Quantity)
        self.assertAlmostEqual(coarse.measured.value * 2, fine.measured.value)


class WordTests(TestCase):
    def test_units_are_read_in_words(self) -> None:
        read = (
            ("3200 lumens", Unit.LUMEN, 3200.0),
            ("1.6:1", Unit.FACTOR, 1.6),
            ("20 kilograms", Unit.KILOGRAM, 20.0),
            ("16 amps", Unit.AMPERE, 16.0),
            ("2 kilowatts", Unit.WATT, 2000.0),
            ("1 hour", Unit.MINUTE, 60.0),
            ("1080p", Unit.LINES, 1080),
        )
        for text, unit, value in read:
            self.assertEqual(read_number(text, unit, UnitSystem.METRIC), value, text)


class FurtherLicenceTests(TestCase):
    """A title or monitor beside the one on the chain is paid for as that one is."""

    def lines(self, plan: str | None, **extra: object) -> list[Line]:
        build, parts = worlds.full_build(), worlds.full_parts()
        yearly = worlds.title().plans[0].model_copy(update={"id": "yearly", "billing": Billing.YEARLY})
        second = worlds.title(id="second", name="Second", plans=(yearly,))
        beside = Extra.model_validate({"id": "extra-1", "part": "second", "plan": plan, **extra})
        found = evaluation_of(build.model_copy(update={"extras": (beside,)}), {**parts, "second": second})
        costs = found.reading(Costs)
        assert costs is not None
        self.assertEqual(len({line.id for line in costs.lines}), len(costs.lines))
        return [line for line in costs.lines if line.beside == "extra-1"]

    def test_its_fee_is_counted(self) -> None:
        part, licence = self.lines("yearly")
        assert licence.yearly is not None
        self.assertGreater(licence.yearly.minor, 0)
        self.assertEqual((part.licence, licence.id), ("", "extra-1:plan"))

    def test_without_a_plan_it_is_not_known(self) -> None:
        _, licence = self.lines(None)
        self.assertIsNone(licence.yearly)
        assert licence.missing is not None
        self.assertIn("Which plan of Second", licence.missing.fact)

    def test_a_plan_that_it_has_not_is_refused(self) -> None:
        with self.assertRaises(UnknownPart) as refused:
            self.lines("monthly")
        self.assertEqual(refused.exception.place, "extras.extra-1")


class WarmthTests(TestCase):
    def test_how_long_it_takes_to_heat(self) -> None:
        """96.6 m³ from −5 to 15 °C: 0.34 · 96.6 · 20 · 4 = 2,627.5 Wh, by 6 kW in 0.438 h, 26 min; by 2 kW in 79."""
        for heat_w, minutes in ((6000, "26 min"), (2000, "79 min")):
            heater = extra("heater", method="oil", heat_w=heat_w, power_w=0)
            (told,) = answered("air.warmth", {"room__coldest": "frost", "beside": [heater]})
            self.assertEqual({input.name: input.value for input in told.inputs()}["Warm after"], minutes)
