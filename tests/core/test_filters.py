"""Parts found by the facts that decide in their place."""

from unittest import TestCase

from core.model.build import Slot, slot_for
from core.model.filters import FILTERS, Sense, filter_by
from core.model.typed import FieldErrors
from core.quantities import UnitSystem
from tests.core.random_builds import sample_parts
from tests.core.worlds import projector, radar

METRIC = UnitSystem.METRIC


class FilterTests(TestCase):
    def test_every_filter_has_words_and_divides_the_sample(self) -> None:
        """Each finds some of the sample's parts and leaves others; a filter that does not is of no use."""
        for slot, filters in FILTERS.items():
            parts = [part for part in sample_parts().values() if slot_for(part) is slot]
            for one in filters:
                with self.subTest(slot=slot, field=one.field):
                    self.assertTrue(one.words(slot))
                    values = {
                        value
                        for part in parts
                        for stated in [getattr(part, one.field, None)]
                        for value in (stated if isinstance(stated, tuple) else (stated,))
                        if value is not None
                    }
                    found = {sum(one.lets_through(part, value) for part in parts) for value in values}
                    self.assertTrue(any(0 < count < len(parts) for count in found), found)
                    if one.sense is Sense.IS:
                        self.assertLessEqual({str(value) for value in values}, set(one.choices(slot)))

    def test_values_are_read_as_they_are_typed(self) -> None:
        lines = filter_by(Slot.DISPLAY, "height_px")
        self.assertTrue(lines.lets_through(projector(height_px=2160), lines.read(Slot.DISPLAY, "2,160", METRIC, "EUR")))
        width = filter_by(Slot.SCREEN, "width_m")
        self.assertAlmostEqual(float(str(width.read(Slot.SCREEN, "8 ft", UnitSystem.IMPERIAL, "USD"))), 2.4384)
        with self.assertRaises(FieldErrors):
            lines.read(Slot.DISPLAY, "many", METRIC, "EUR")
        with self.assertRaises(FieldErrors):
            filter_by(Slot.MONITOR, "both_hands").read(Slot.MONITOR, "three", METRIC, "EUR")
        with self.assertRaises(FieldErrors):
            filter_by(Slot.DISPLAY, "strip_width_m")

    def test_what_is_not_stated_is_not_found_by_it(self) -> None:
        self.assertFalse(filter_by(Slot.DISPLAY, "lumens").lets_through(projector(lumens=None), 1.0))
        self.assertTrue(filter_by(Slot.MONITOR, "measures").lets_through(radar(), "carry"))
