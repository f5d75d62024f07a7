"""Picture, raster, throw, lens band, brightness, shadow: worked apart from the code, and by properties."""

from math import atan, degrees, pi
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.geometry.light import (
    ambient_luminance,
    contrast_ratio,
    lumens_for_contrast,
    lux_for_contrast,
    picture_luminance,
)
from core.geometry.picture import (
    Picture,
    Raster,
    fit_shape,
    keystone_deg,
    lens_band_m,
    pixels_per_degree,
    raster_around,
    throw_range_m,
)
from core.geometry.shadow import Lens, beam_floor_m, shadow_share

sizes = st.floats(min_value=0.5, max_value=6)
aspects = st.sampled_from([16 / 9, 16 / 10, 4 / 3, 1.0])


class FillTests(TestCase):
    def test_what_a_square_holds(self) -> None:
        """16:9 on a square fills 9/16 of it, 4:3 fills 3/4, a square all."""
        for aspect, fill in ((16 / 9, 0.5625), (4 / 3, 0.75), (1.0, 1.0)):
            width, height = fit_shape(aspect, 2.6, 2.6)
            self.assertAlmostEqual(width * height / 2.6**2, fill)

    @given(aspects, sizes, sizes)
    def test_a_fitted_picture_touches_two_edges_and_passes_none(
        self, aspect: float, width: float, height: float
    ) -> None:
        fitted_width, fitted_height = fit_shape(aspect, width, height)
        self.assertAlmostEqual(fitted_width / fitted_height, aspect)
        self.assertLessEqual(fitted_width, width + 1e-9)
        self.assertLessEqual(fitted_height, height + 1e-9)
        self.assertAlmostEqual(min(width - fitted_width, height - fitted_height), 0.0)


class RasterTests(TestCase):
    def test_wide_panel_on_a_square(self) -> None:
        """2.60 · 16/9 = 4.622 m of raster for 2.60 m of picture."""
        raster = raster_around(2.6, 2.6, 16 / 9)
        self.assertAlmostEqual(raster.width_m, 4.6222, places=4)
        self.assertAlmostEqual(raster.height_m, 2.6)
        self.assertAlmostEqual(raster.panel_fill, 0.5625)
        near, far = throw_range_m(0.69, 0.83, raster.width_m)
        self.assertAlmostEqual(near, 3.189, places=3)
        self.assertAlmostEqual(far, 3.836, places=3)

    def test_square_panel_on_a_wide_picture(self) -> None:
        """A 4:3 panel on 3.2 × 1.8 m lights 3.2 × 2.4 m: three quarters of it are picture."""
        raster = raster_around(3.2, 1.8, 4 / 3)
        self.assertAlmostEqual(raster.height_m, 2.4)
        self.assertAlmostEqual(raster.panel_fill, 0.75)

    @given(sizes, sizes, aspects)
    def test_the_raster_holds_the_picture_and_scales_with_it(self, width: float, height: float, panel: float) -> None:
        raster, doubled = raster_around(width, height, panel), raster_around(2 * width, 2 * height, panel)
        self.assertGreaterEqual(raster.width_m, width - 1e-9)
        self.assertGreaterEqual(raster.height_m, height - 1e-9)
        self.assertLessEqual(raster.panel_fill, 1 + 1e-9)
        self.assertAlmostEqual(doubled.width_m, 2 * raster.width_m)
        self.assertAlmostEqual(doubled.panel_fill, raster.panel_fill)


class LensTests(TestCase):
    def test_band_over_a_picture_that_fills_the_raster_height(self) -> None:
        """Top of picture 2.70 m, raster 2.60 m high: offsets 0 to 10 % reach from 2.70 to 2.96 m."""
        picture = Picture(2.6, 2.6, 0.1, "1:1", 1.0)
        low, high = lens_band_m(picture, raster_around(2.6, 2.6, 16 / 9), 0.0, 0.1)
        self.assertAlmostEqual(low, 2.70)
        self.assertAlmostEqual(high, 2.96)

    def test_band_counts_from_the_raster_where_it_is_taller_than_the_picture(self) -> None:
        """Picture 1.8 m high in 2.4 m of raster: the raster's top is 0.3 m over the picture's."""
        picture = Picture(3.2, 1.8, 0.2, "16:9", 1.0)
        low, _ = lens_band_m(picture, raster_around(3.2, 1.8, 4 / 3), 0.0, 0.0)
        self.assertAlmostEqual(low, 2.3)

    def test_keystone_outside_the_band(self) -> None:
        """0.20 m below the band, 3.0 m out: atan(0.0667) = 3.81°."""
        self.assertAlmostEqual(keystone_deg(2.5, (2.7, 2.9), 3.0), 3.814, places=3)
        self.assertEqual(keystone_deg(2.8, (2.7, 2.9), 3.0), 0.0)

    def test_pixels_per_degree(self) -> None:
        """1920 pixels on 3.2 m at 3.0 m: 2·atan(1.6/3) = 56.14°, 34.2 a degree."""
        self.assertAlmostEqual(pixels_per_degree(1920, 3.2, 3.0), 1920 / degrees(2 * atan(1.6 / 3)), places=9)
        self.assertAlmostEqual(pixels_per_degree(1920, 3.2, 3.0), 34.2, places=1)


class LightTests(TestCase):
    RASTER = Raster(4.0, 2.25, 1.0)

    def test_luminance(self) -> None:
        """3000 lm, k 0.75, gain 1.1 on 9 m²: 2475 / 28.274 = 87.54 cd/m²."""
        self.assertAlmostEqual(picture_luminance(3000, 1.1, self.RASTER), 2475 / (pi * 9), places=9)
        self.assertAlmostEqual(picture_luminance(3000, 1.1, self.RASTER), 87.54, places=2)

    def test_contrast(self) -> None:
        """L 80, La 10, C 1000: (80 + 10 + 0.08) / 10.08 = 8.937."""
        self.assertAlmostEqual(contrast_ratio(80, 10, 1000), 8.937, places=3)
        self.assertAlmostEqual(ambient_luminance(31.416, 1.0), 10.0, places=3)

    @given(
        st.floats(min_value=2, max_value=100),
        st.floats(min_value=1, max_value=500),
        st.floats(min_value=300, max_value=5000),
    )
    def test_the_inverses_reach_the_ratio_they_were_asked_for(self, ratio: float, lux: float, native: float) -> None:
        lumens = lumens_for_contrast(ratio, lux, native, self.RASTER)
        reached = contrast_ratio(picture_luminance(lumens, 1.0, self.RASTER), ambient_luminance(lux, 1.0), native)
        self.assertAlmostEqual(reached, ratio, places=6)
        self.assertAlmostEqual(lux_for_contrast(ratio, lumens, native, self.RASTER), lux, places=6)

    def test_no_lamp_reaches_more_than_the_panel_can(self) -> None:
        self.assertEqual(lumens_for_contrast(600, 30, 500, self.RASTER), float("inf"))
        self.assertLess(lux_for_contrast(600, 3000, 500, self.RASTER), 0)

    @given(st.floats(min_value=1, max_value=500))
    def test_more_light_in_the_room_never_helps(self, lux: float) -> None:
        darker = contrast_ratio(80, ambient_luminance(lux, 1.0), 2000)
        self.assertGreater(darker, contrast_ratio(80, ambient_luminance(lux * 1.5, 1.0), 2000))


class ShadowTests(TestCase):
    PICTURE = Picture(3.0, 2.0, 0.2, "3:2", 1.0)

    def traced(self, lens: Lens, head_m: float, distance_m: float) -> float:
        """Where the ray from the lens over the top of the head meets the screen, by its slope."""
        slope = (lens.height_m - head_m) / (lens.distance_m - distance_m)
        return lens.height_m - slope * lens.distance_m

    @given(
        st.floats(min_value=3.5, max_value=6),
        st.floats(min_value=2.0, max_value=2.9),
        st.floats(min_value=1.2, max_value=1.95),
        st.floats(min_value=2.0, max_value=3.4),
    )
    def test_agrees_with_a_traced_ray(self, out_m: float, up_m: float, head_m: float, distance_m: float) -> None:
        lens = Lens(0.0, out_m, up_m, False)
        share = shadow_share(lens, self.PICTURE, 0.0, 0.0, head_m, distance_m)
        reached = (self.traced(lens, head_m, distance_m) - 0.2) / 2.0
        self.assertAlmostEqual(share, min(1.0, max(0.0, reached)), places=9)

    def test_none_behind_the_lens_or_beside_the_beam(self) -> None:
        lens = Lens(0.0, 3.0, 2.6, False)
        self.assertEqual(shadow_share(lens, self.PICTURE, 0.0, 0.0, 1.9, 3.0), 0.0)
        far = Lens(0.0, 6.0, 2.4, False)
        self.assertEqual(shadow_share(far, self.PICTURE, 0.0, 2.0, 1.9, 3.0), 0.0)
        self.assertGreater(shadow_share(far, self.PICTURE, 0.0, 0.0, 1.9, 3.0), 0.0)

    def test_the_beam_runs_from_the_picture_to_the_lens(self) -> None:
        lens = Lens(0.0, 4.0, 2.6, False)
        self.assertAlmostEqual(beam_floor_m(lens, self.PICTURE, 0.0), 0.2)
        self.assertAlmostEqual(beam_floor_m(lens, self.PICTURE, 4.0), 2.6)
        self.assertAlmostEqual(beam_floor_m(lens, self.PICTURE, 2.0), 1.4)

    @given(st.floats(min_value=1.2, max_value=1.9), st.floats(min_value=0.01, max_value=0.3))
    def test_a_taller_player_never_casts_less(self, head_m: float, more_m: float) -> None:
        lens = Lens(0.0, 5.0, 2.5, False)
        shorter = shadow_share(lens, self.PICTURE, 0.0, 0.0, head_m, 3.0)
        self.assertLessEqual(shorter, shadow_share(lens, self.PICTURE, 0.0, 0.0, head_m + more_m, 3.0))
