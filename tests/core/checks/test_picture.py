"""Projector, picture and screen. A 2.60 m square of clear screen, 16:9 panel: raster 4.622 × 2.600 m unless said."""

from core.checks.light import ScreenLight
from core.checks.picture import (
    contrast,
    lens_height,
    luminance,
    panel_fill,
    screen_fill,
    sharpness,
    throw_distance,
)
from core.checks.readings import BayMiddle, HittingSurface, LensBand, Throw, lens, picture, raster
from core.checks.verdict import Basis, Told
from core.geometry.ceiling import ceiling_of
from core.geometry.picture import Picture, Raster, raster_around
from core.geometry.shadow import Lens
from core.model.brief import Brief
from core.model.facts import MissingFact
from core.model.room import Light
from tests.core.checks.base import METRIC, CheckTestCase, answer
from tests.core.worlds import layout, places, player, projector, room, screen, title

SQUARE = Picture(2.6, 2.6, 0.05, "1:1", 1.0)
RASTER = raster_around(2.6, 2.6, 16 / 9)


class ReadingTests(CheckTestCase):
    def test_the_shape_that_fills_most_is_taken(self) -> None:
        """On 2.60 m square 4:3 is 2.60 × 1.95 m, 75 %; 16:9 would be 56 %."""
        found = picture(title(), screen(), layout(screen_bottom_m=0.1))
        assert found is not None
        self.assertEqual(found.shape, "4:3")
        self.assertAlmostEqual(found.height_m, 1.95)
        self.assertAlmostEqual(found.bottom_m, 0.15)
        self.assertAlmostEqual(found.screen_fill, 0.75)

    def test_no_title_no_picture(self) -> None:
        self.assertIsNone(picture(None, screen(), layout()))

    def test_a_raster_needs_the_panel(self) -> None:
        with self.assertRaises(MissingFact):
            raster(projector(width_px=None), SQUARE)

    def test_the_lens_is_proposed_in_the_middle_of_the_throw_and_under_the_ceiling(self) -> None:
        """Throw 3.19–3.83 m: 3.51. Ceiling 3.00 − 0.15 is below the band's 3.20."""
        found = lens(layout(), room(), BayMiddle(2.3), ceiling_of(room()), Throw(3.19, 3.83), LensBand(2.7, 3.2))
        self.assertAlmostEqual(found.distance_m, 3.51)
        self.assertAlmostEqual(found.height_m, 2.85)
        self.assertTrue(found.proposed)

    def test_a_short_room_pulls_the_proposal_nearer(self) -> None:
        """5.00 − 0.40 − 0.20 leaves 4.40: the middle of 4.00–4.40."""
        short = room(length_m=5.0)
        found = lens(layout(), short, BayMiddle(2.3), ceiling_of(short), Throw(4.0, 6.0), LensBand(2.7, 2.8))
        self.assertAlmostEqual(found.distance_m, 4.2)

    def test_a_placed_lens_stays(self) -> None:
        placed = layout(lens_distance_m=3.3, lens_height_m=2.5)
        found = lens(placed, room(), BayMiddle(2.0), ceiling_of(room()), Throw(3.19, 3.83), LensBand(2.7, 3.2))
        self.assertEqual(found, Lens(2.0, 3.3, 2.5, False), "in the middle of the bay, wherever that is")


class FillTests(CheckTestCase):
    def answer(self, fill: float) -> Told:
        return screen_fill(title(), screen(), Picture(2.6, 2.0, 0.0, "4:3", fill))

    def test_screen(self) -> None:
        self.assert_verdict(self.answer(1.0), "clear", "100 %", "50 %", "50 %")
        self.assert_verdict(self.answer(0.75), "tight", "75 %", "50 %", "25 %")
        self.assert_verdict(self.answer(0.4), "blocked", "40 %", "50 %", "−10 %")

    def test_panel(self) -> None:
        """A square uses 9/16 of a 16:9 panel and 3/4 of a 4:3 one; 32:9 on 4:3 3/8."""
        self.assert_verdict(panel_fill(projector(), SQUARE, Raster(2.6, 2.6, 0.95)), "clear", "95 %", "50 %", "45 %")
        self.assert_verdict(panel_fill(projector(), SQUARE, RASTER), "tight", "56.3 %", "50 %", "6.3 %")
        self.assert_verdict(
            panel_fill(projector(), SQUARE, Raster(3.2, 2.4, 0.375)), "blocked", "37.5 %", "50 %", "−12.5 %"
        )


class ThrowTests(CheckTestCase):
    THROW = Throw(3.189, 3.836)

    def answer(self, distance_m: float, length_m: float = 7.0, throw: Throw = THROW) -> Told:
        spot = Lens(2.3, distance_m, 2.8, False)
        return throw_distance(projector(), RASTER, throw, spot, room(length_m=length_m), layout())

    def test_inside_the_zoom(self) -> None:
        self.assert_verdict(self.answer(3.5), "clear", "3.50 m", "3.189 m", "311 mm")
        self.assert_verdict(self.answer(3.82), "tight", "3.82 m", "3.836 m", "16 mm")
        self.assert_verdict(
            self.answer(3.0),
            "blocked",
            "3.00 m",
            "3.189 m",
            "−189 mm",
            "Hang it between 3.239 m and 3.786 m from the screen.",
        )

    def test_the_room_ends_first(self) -> None:
        """3.90 − 0.40 − 0.20 = 3.30 m; the lens at 3.50 would be 0.20 m into the wall."""
        self.assert_verdict(self.answer(3.5, length_m=3.9), "blocked", "3.30 m", "3.50 m", "−200 mm")

    def test_a_room_that_is_just_long_enough(self) -> None:
        """3.85 − 0.60 = 3.25 m: more than the 3.189 of the zoom, and less than 50 mm more on either side."""
        fits = "Hang it 3.189 m to 3.25 m from the screen: it just fits."
        self.assert_verdict(self.answer(3.5, length_m=3.85), "blocked", "3.25 m", "3.50 m", "−250 mm", fits)
        self.assertEqual(self.answer(3.22, length_m=3.85).state.value, "tight")

    def test_a_room_too_short_for_any_zoom_asks_for_another_ratio(self) -> None:
        """3.30 m / 4.622 m = 0.71."""
        verdict = self.answer(4.0, length_m=3.9, throw=Throw(4.0, 4.5))
        self.assertEqual(
            verdict.cures[0].words.text(METRIC), "Needs a throw ratio of 0.71 × or less for this room and picture."
        )

    def test_without_zoom_the_exact_spot_is_clear(self) -> None:
        self.assertEqual(self.answer(3.5, throw=Throw(3.5, 3.5)).state.value, "clear")
        self.assertEqual(self.answer(3.51, throw=Throw(3.5, 3.5)).state.value, "blocked")
        self.assertEqual(self.answer(3.500, throw=Throw(3.5004, 3.5004)).state.value, "clear", "as it can be measured")
        self.assertEqual(self.answer(3.499, throw=Throw(3.5004, 3.5004)).state.value, "blocked")


class LensHeightTests(CheckTestCase):
    BAND = LensBand(2.7, 2.9)

    def answer(self, height_m: float, keystone: float = 20, ceiling_m: float = 3.0) -> Told:
        spot = Lens(2.3, 3.0, height_m, False)
        low = ceiling_of(room(ceiling_m=ceiling_m))
        return lens_height(projector(keystone_max_deg=keystone), self.BAND, spot, layout(), low)

    def test_in_the_band(self) -> None:
        self.assert_verdict(self.answer(2.8), "clear", "2.80 m", "2.70 m", "100 mm")

    def test_below_the_band_takes_keystone(self) -> None:
        """0.20 m outside at 3.0 m: 3.8°."""
        verdict = self.answer(2.5)
        self.assert_verdict(verdict, "tight", "3.8°", "20.0°", "16.2°", "Hang the lens between 2.70 m and 2.85 m.")
        self.assertIn("3.8° of keystone", verdict.headline.text(METRIC))

    def test_more_than_it_can_square(self) -> None:
        self.assert_verdict(self.answer(2.5, keystone=3), "blocked", "3.8°", "3.0°", "−0.8°")

    def test_through_the_ceiling(self) -> None:
        self.assertEqual(self.answer(2.8, ceiling_m=2.6).state.value, "blocked")


class ShadowTests(CheckTestCase):
    """Head 1.85 m up, 3.10 m from the screen; picture from 0.05 to 2.65 m; lens above the golfer's own head line."""

    def answer(self, distance_m: float, height_m: float, surface_m: float = 0.0) -> Told:
        # A golfer whose hub is over the lens line, so that the beam's width never hides the shadow.
        spot = Lens(2.3 - 1.804 * 0.5446, distance_m, height_m, False)
        return answer("picture.shadow", player(), SQUARE, spot, HittingSurface(surface_m, surface_m))

    def test_lens_in_front_of_the_golfer(self) -> None:
        self.assert_verdict(self.answer(3.0, 2.8), "clear", "0 %", "20 %", "20 %")

    def test_a_low_shadow_is_tolerated(self) -> None:
        """Lens 6.0 m out, 2.70 m up: 2.70 − 0.85·6.0/2.9 = 0.941 m, (0.941 − 0.05)/2.6 = 34 %."""
        self.assert_verdict(self.answer(6.0, 2.70), "blocked", "34.3 %", "20 %", "−14.3 %")
        # The head is under the beam; arms and club are not sure to be.
        verdict = self.answer(4.6, 2.75)
        self.assert_verdict(verdict, "tight", "0 mm", "0 mm", "0 mm")

    def test_tight(self) -> None:
        """5.0 m out, 2.70 m up: 2.70 − 0.85·5.0/1.9 = 0.463 m, (0.463 − 0.05)/2.6 = 15.9 %."""
        self.assert_verdict(self.answer(5.0, 2.70), "tight", "15.9 %", "20 %", "4.1 %")


class BrightnessTests(CheckTestCase):
    def test_luminance(self) -> None:
        """Area 4.622 · 2.6 = 12.018 m²: 4000·0.75/(π·12.018) = 79.5; 2500 lm 49.7; 1000 lm 19.9 cd/m²."""
        self.assert_verdict(luminance(projector(), screen(), RASTER), "clear", "79.5 cd/m²", "27.5 cd/m²", "52.0 cd/m²")
        self.assert_verdict(
            luminance(projector(lumens=2500), screen(), RASTER),
            "tight",
            "49.7 cd/m²",
            "27.5 cd/m²",
            "22.2 cd/m²",
            "2,769 lm reach the aim.",
        )
        self.assert_verdict(
            luminance(projector(lumens=1000), screen(), RASTER), "blocked", "19.9 cd/m²", "27.5 cd/m²", "−7.6 cd/m²"
        )

    def test_contrast(self) -> None:
        """79.46 cd/m², C 2000. 8 lux: La 2.546, Lb 0.040: 31.7. 30 lux: La 9.549: 9.3. 120 lux: La 38.2: 3.1."""
        for light, state, ratio, margin in (
            (Light.LAMP_ON_BALL, "clear", "31.7 : 1", "24.7 : 1"),
            (Light.DIM, "tight", "9.3 : 1", "2.3 : 1"),
            (Light.WORKING, "blocked", "3.1 : 1", "−3.9 : 1"),
        ):
            verdict = contrast(projector(), screen(), RASTER, ScreenLight(light.screen_lux, Basis.TRADE))
            self.assert_verdict(verdict, state, ratio, "7.0 : 1", margin)

    def test_unknown(self) -> None:
        self.assert_unknown(luminance(projector(lumens=None), screen(), RASTER), "The brightness of Lamp")
        self.assert_unknown(luminance(projector(), screen(gain=None), RASTER), "The gain of Square")
        verdict = contrast(projector(native_contrast=None), screen(), RASTER, ScreenLight(30, Basis.TRADE))
        self.assert_unknown(verdict, "The native contrast of Lamp")


class SharpnessTests(CheckTestCase):
    def test_pixels_are_advice(self) -> None:
        """1080 px on 2.6 m at 3.1 m: 45.5°, 23.7 a degree; 2160 px: 47.5."""
        self.assert_verdict(
            sharpness(Brief(), projector(), SQUARE, RASTER, places(), None),
            "tight",
            "23.7 px/°",
            "30.0 px/°",
            "6.3 px/° short, tolerated",
        )
        sharp = projector(width_px=3840, height_px=2160)
        self.assert_verdict(
            sharpness(Brief(), sharp, SQUARE, RASTER, places(), None), "clear", "47.5 px/°", "30.0 px/°", "17.5 px/°"
        )

    def test_unknown(self) -> None:
        verdict = sharpness(Brief(), projector(width_px=None), SQUARE, RASTER, places(), None)
        self.assert_unknown(verdict, "The pixels across of Lamp")
