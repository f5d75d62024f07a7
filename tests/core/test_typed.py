"""Typed values: read by the unit of their field, refused with the field named, told back as stored."""

from unittest import TestCase

from core.model.brief import Brief
from core.model.room import Room
from core.model.typed import FieldErrors, field_texts, unit_of, with_changes
from core.quantities import Unit, UnitSystem
from tests.core import worlds

METRIC, IMPERIAL = UnitSystem.METRIC, UnitSystem.IMPERIAL


class ChangedTests(TestCase):
    def test_a_text_is_read_by_the_unit_of_its_field(self) -> None:
        player = with_changes(
            worlds.player(), {"height_m": "6'2\"", "measured_ball_speed_m_s": "140 mph"}, METRIC, "EUR"
        )
        self.assertAlmostEqual(player.height_m, 74 * 0.0254, places=4)
        self.assertAlmostEqual(player.measured_ball_speed_m_s or 0, 140 * 0.44704)

    def test_bare_numbers_follow_the_reader(self) -> None:
        self.assertAlmostEqual(with_changes(Room(), {"width_m": "15"}, IMPERIAL, "EUR").width_m, 4.572)
        self.assertAlmostEqual(
            with_changes(Room(), {"measured_lux": "3"}, IMPERIAL, "EUR").measured_lux or 0, 3 * 10.764
        )
        faster = with_changes(worlds.player(), {"measured_ball_speed_m_s": "150"}, IMPERIAL, "EUR")
        self.assertAlmostEqual(faster.measured_ball_speed_m_s or 0, 150 * 0.44704)

    def test_money_and_shares(self) -> None:
        brief = with_changes(Brief(), {"up_front_cap_minor": "8 500", "contingency_share": "12.5 %"}, METRIC, "EUR")
        self.assertEqual(brief.up_front_cap_minor, 850_000)
        self.assertEqual(brief.contingency_share, 0.125)

    def test_an_empty_text_clears_what_may_be_empty(self) -> None:
        brief = Brief(up_front_cap_minor=5)
        self.assertIsNone(with_changes(brief, {"up_front_cap_minor": ""}, METRIC, "EUR").up_front_cap_minor)

    def test_every_text_that_cannot_be_read_is_named(self) -> None:
        with self.assertRaises(FieldErrors) as caught:
            with_changes(Room(), {"width_m": "wide", "length_m": "long"}, METRIC, "EUR")
        self.assertEqual(
            [(field, value) for field, value, _ in caught.exception.errors], [("width_m", "wide"), ("length_m", "long")]
        )

    def test_a_bound_is_told_in_the_readers_units(self) -> None:
        for system, accepted in ((METRIC, "at most 60.00 m"), (IMPERIAL, "at most 196 ft 10 3/16 in")):
            with self.assertRaises(FieldErrors) as caught:
                with_changes(Room(), {"width_m": "900 m"}, system, "EUR")
            self.assertEqual(caught.exception.errors, [("width_m", "900 m", accepted)])

    def test_speeds_shares_and_light_say_what_they_accept(self) -> None:
        for record, field in (
            (worlds.player(), "measured_ball_speed_m_s"),
            (Brief(), "tax_share"),
            (Room(), "measured_lux"),
        ):
            with self.subTest(field), self.assertRaises(FieldErrors) as caught:
                with_changes(record, {field: "a lot"}, METRIC, "EUR")
            self.assertIn("such as", caught.exception.errors[0][2])

    def test_lengths_are_kept_to_a_tenth_of_a_millimetre(self) -> None:
        self.assertEqual(with_changes(Room(), {"width_m": "4.123456"}, METRIC, "EUR").width_m, 4.1235)


class FieldTextTests(TestCase):
    def test_every_quantity_of_a_build_has_its_text_by_path(self) -> None:
        texts = dict(field_texts(worlds.full_build(), METRIC, "EUR"))
        self.assertEqual(texts["room.width_m"], "4.60 m")
        self.assertEqual(texts["brief.players.1.height_m"], "1.64 m")
        self.assertEqual(texts["brief.up_front_cap_minor"], "€10,000.00")
        self.assertEqual(texts["brief.contingency_share"], "10 %")
        self.assertNotIn("room.measured_lux", texts)

    def test_units_are_found_behind_optional_and_annotated(self) -> None:
        self.assertIs(unit_of(Room, "measured_lux"), Unit.LUX)
        self.assertIs(unit_of(Room, "wall_foam_m"), Unit.METRE)
        self.assertIsNone(unit_of(Room, "light"))
