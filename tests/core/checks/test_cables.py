"""The picture's cable: how far passive copper carries how many lines."""

from core.checks.cable_ways import ChainLines, DisplayRun
from core.geometry.cable_route import CableRoute
from core.model.kit import Beside
from core.model.parts import VideoCable
from tests.core.checks.base import METRIC, CheckTestCase, answer
from tests.core.matrix.case import extra
from tests.core.worlds import computer, projector


class PassiveCopperTests(CheckTestCase):
    """A way of 2 m needs 2 × 1.1 + 1.0 = 3.2 m, so only the cable itself decides."""

    def state(self, length_m: float, lines: int, technology: str = "passive") -> tuple[str, str]:
        cable: VideoCable = extra(  # type: ignore[assignment]
            "video_cable", length_m=length_m, lines_max=2160, technology=technology, plug="hdmi"
        )
        run = DisplayRun(CableRoute(((0.0, 0.0, 0.0), (0.0, 2.0, 0.0))))
        given = (run, ChainLines(lines, "Lamp"), computer(), projector())
        told = answer("display.cable", *given, Beside[VideoCable]((cable,)))
        return told.state.value, told.margin.text(METRIC) if told.margin else ""

    def test_five_metres_for_2160_lines(self) -> None:
        self.assertEqual(self.state(5.0, 2160)[0], "clear")
        self.assertEqual(self.state(5.1, 2160), ("tight", "100 mm over, tolerated"))
        self.assertEqual(self.state(5.1, 1081), ("tight", "100 mm over, tolerated"))

    def test_twelve_metres_for_1080_lines(self) -> None:
        self.assertEqual(self.state(12.0, 1080)[0], "clear")
        self.assertEqual(self.state(12.1, 1080), ("tight", "100 mm over, tolerated"))

    def test_active_or_optical_goes_further(self) -> None:
        self.assertEqual(self.state(20.0, 2160, "optical")[0], "clear")

    def test_a_way_that_is_as_long_as_passive_copper_carries(self) -> None:
        """3.2 m: a cable of that length serves, and one a hand shorter does not."""
        self.assertEqual(self.state(3.2, 2160)[0], "clear")
        self.assertEqual(self.state(3.1, 2160), ("blocked", "−100 mm"))
