"""Sheets as forms: every kind can be written from what a form asks, and what cannot be read is named."""

from pathlib import Path
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.formats.parts_pack import read_parts_pack
from core.formats.spec_sheet import read_by, spec_rows
from core.model.forms import FieldKind, FormField, typed_rows, typed_text
from core.model.parts import KINDS, SHEET, Price, TitlePlan
from core.model.parts.price import price_text, read_price
from core.model.parts.sheets import sheet_fields, sheet_from
from core.model.typed import FieldErrors, field_texts
from core.quantities import Quantity, UnitSystem
from core.quantities.money import DECIMALS_BY_CURRENCY, MoneyError
from core.quantities.numbers import READ_IN, WHOLE, NotRead, number_text, read_number
from core.quantities.units import Unit
from tests.core import worlds

METRIC, IMPERIAL = UnitSystem.METRIC, UnitSystem.IMPERIAL
PACKS = sorted((Path(__file__).resolve().parents[2] / "jungle" / "demo" / "parts").glob("*.json"))
SAMPLES = [part for pack in PACKS for part in read_parts_pack(pack.read_text()).parts]
NAMES = {"maker": "Maker", "name": "Thing"}


def typed(field: FormField) -> str:
    """Something that a person might type into it."""
    if field.refers_to:
        return "another-part"
    if field.typed_as in (FieldKind.CHOICE, FieldKind.CHOICES):
        return ", ".join(value for value, _ in field.options[: 2 if field.typed_as is FieldKind.CHOICES else 1])
    if field.unit is Unit.METRE:
        return "0.5"
    by_kind = {FieldKind.YES_NO: "yes", FieldKind.WORDS: "one, two", FieldKind.NUMBER: "2", FieldKind.QUANTITY: "2"}
    return "16:9, 4:3" if field.name == "shapes" else by_kind.get(field.typed_as, "words")


class SheetFormTests(TestCase):
    def test_every_kind_is_written_and_read_back(self) -> None:
        large = {"mains_v": "230", "native_contrast": "1200", "border_m": "0.05 m"}
        for kind in KINDS:
            asked = [field for field in sheet_fields(kind) if field.typed_as is not FieldKind.RECORDS]
            fields = {field.name: large.get(field.name, typed(field)) for field in asked}
            fields.update({name: "2025" for name in fields if name in ("edition_year", "supported_until")}, **NAMES)
            with self.subTest(kind):
                sheet = sheet_from(kind, "thing", {**fields, "price_minor": "12.50"}, None, METRIC, "EUR")
                self.assertEqual(SHEET.validate_json(sheet.model_dump_json()), sheet)
                self.assertEqual(sheet.price and sheet.price.minor, 1250)
                self.assertTrue(all(row.text for row in spec_rows(sheet, IMPERIAL)))

    def test_every_field_says_what_it_means_and_what_reads_it(self) -> None:
        for kind, part in KINDS.items():
            for field in sheet_fields(kind):
                self.assertTrue(field.meaning, f"{kind}.{field.name}")
                self.assertIsInstance(read_by(part, field.name), list)
        self.assertIn("Throw distance", read_by(KINDS["projector"], "throw_min"))
        self.assertIn("Courses for whole rounds", read_by(KINDS["title"], "plans"), "through its records")
        self.assertIn("Video cable", read_by(KINDS["video_cable"], "length_m"))

    def test_what_cannot_be_read_names_field_value_and_what_is_accepted(self) -> None:
        for kind, facts, field in (
            ("projector", {"weight_kg": "heavy"}, "weight_kg"),
            ("projector", {"throw_min": "far"}, "throw_min"),
            ("projector", {"colour": "red"}, "colour"),
            ("projector", {"price_minor": "much"}, "price_minor"),
            ("impact_screen", {"edge": "frayed"}, "edge"),
            ("impact_screen", {"turns": "9"}, "turns"),
            ("mat", {"takes_tee": "maybe"}, "takes_tee"),
        ):
            with self.subTest(facts), self.assertRaises(FieldErrors) as caught:
                sheet_from(kind, "thing", {**NAMES, **facts}, None, METRIC, "EUR")
            self.assertEqual(caught.exception.errors[0][0], field)
            self.assertTrue(caught.exception.errors[0][2])

    def test_lists_of_records_are_typed_row_by_row_and_back(self) -> None:
        title = worlds.title()
        rows = {name: typed_rows(getattr(title, name), METRIC) for name in ("plans", "monitor_links", "machine_needs")}
        self.assertEqual(rows["machine_needs"][0]["recommended.graphics_memory_gb"], "8 GB")
        self.assertEqual(sheet_from("title", title.id, rows, title, METRIC, "EUR"), title)
        plan = {"name": "Whole Year", "billing": "yearly", "price_minor": "79", "features": "range, putting"}
        written = sheet_from("title", "own", {**NAMES, "plans": [plan]}, None, METRIC, "EUR").plans[0]  # type: ignore[attr-defined]
        self.assertEqual((written.id, written.price.minor, written.features), ("plan", 7900, ("range", "putting")))

    def test_a_row_that_cannot_be_read_names_its_place(self) -> None:
        for field, row, place in (
            ("plans", {"name": "A", "billing": "weekly"}, "plans.0.billing"),
            ("plans", {"name": "A", "price_minor": "dear"}, "plans.0.price_minor"),
            ("plans", {"colour": "red"}, "plans.0.colour"),
            ("monitor_links", {"monitor": "Not An Id"}, "monitor_links.0.monitor"),
            ("machine_needs", {"lines": "some"}, "machine_needs.0.lines"),
            ("machine_needs", {"lines": "1080", "least.memory_gb": "4"}, "machine_needs.0.least"),
            ("machine_needs", {"lines": "1080", "minimum.memory_gb": "x"}, "machine_needs.0.minimum.memory_gb"),
        ):
            with self.subTest(row), self.assertRaises(FieldErrors) as caught:
                sheet_from("title", "own", {**NAMES, field: [row]}, None, METRIC, "EUR")
            self.assertEqual(caught.exception.errors[0][0], place)

    def test_a_part_needs_a_maker_and_a_name(self) -> None:
        with self.assertRaises(FieldErrors) as caught:
            sheet_from("tool", "thing", {"maker": " "}, None, METRIC, "EUR")
        self.assertEqual([field for field, _, _ in caught.exception.errors], ["maker", "name"])

    def test_an_override_changes_what_is_named_and_an_empty_text_clears(self) -> None:
        before = worlds.projector()
        after = sheet_from("projector", before.id, {"lumens": "3600 lm", "noise_db": ""}, before, METRIC, "EUR")
        self.assertEqual(after, before.model_copy(update={"lumens": 3600.0, "noise_db": None}))


class SampleSheetTests(TestCase):
    def test_every_sheet_typed_over_as_it_is_told_stays_as_it_is(self) -> None:
        for part in SAMPLES:
            told = dict(field_texts(part, METRIC, "EUR"))
            facts = {name: text for name, text in told.items() if "." not in name}
            facts.update(
                {
                    name: typed_text(getattr(part, name))
                    for name in ("maker", "name", "note")
                    if getattr(part, name, None) is not None
                }
            )
            with self.subTest(part.id):
                self.assertEqual(sheet_from(part.kind, part.id, facts, part, METRIC, "EUR"), part)

    def test_in_feet_and_inches_a_sheet_typed_over_moves_by_less_than_it_shows(self) -> None:
        """Half of a sixteenth of an inch, 25.4 / 32 = 0.794 mm, and half of the tenth of a millimetre that is kept."""
        for part in SAMPLES:
            told = dict(field_texts(part, IMPERIAL, "USD"))
            lengths = {name: text for name, text in told.items() if "." not in name and name.endswith("_m")}
            after = sheet_from(part.kind, part.id, lengths, part, IMPERIAL, "USD")
            for name in lengths:
                with self.subTest(part.id, fact=name):
                    self.assertAlmostEqual(getattr(after, name), getattr(part, name), delta=(25.4 / 32 + 0.05) / 1000)


class PriceTests(TestCase):
    @given(
        st.builds(
            Price,
            minor=st.integers(0, 10**8),
            currency=st.sampled_from(sorted(DECIMALS_BY_CURRENCY)),
            tax_included=st.booleans(),
        ),
        st.sampled_from(sorted(DECIMALS_BY_CURRENCY)),
    )
    def test_a_price_that_is_told_is_read_again_whatever_the_readers_currency(self, price: Price, own: str) -> None:
        self.assertEqual(read_price(price_text(price), own), price)

    def test_prices_as_people_type_them(self) -> None:
        for text, own, expected in (
            ("1,250.50", "EUR", Price(minor=125050)),
            ("USD 120", "EUR", Price(minor=12000, currency="USD")),
            ("120 usd + tax", "EUR", Price(minor=12000, currency="USD", tax_included=False)),
            ("$99", "EUR", Price(minor=9900, currency="USD")),
            ("$99", "AUD", Price(minor=9900, currency="AUD")),
            ("£1 250 plus tax", "EUR", Price(minor=125000, currency="GBP", tax_included=False)),
            ("¥9800", "EUR", Price(minor=9800, currency="JPY")),
        ):
            with self.subTest(text):
                self.assertEqual(read_price(text, own), expected)
        for text in ("dear", "XYZ 12", "12 each", "1.2.3"):
            with self.subTest(text), self.assertRaises(MoneyError):
                read_price(text, "EUR")

    def test_currency_and_tax_of_a_plan_survive_the_form(self) -> None:
        plan = TitlePlan(id="far", name="Far", price=Price(minor=9900, currency="USD", tax_included=False))
        title = worlds.title(plans=(plan,))
        rows = {"plans": typed_rows(title.plans, METRIC)}
        self.assertEqual(rows["plans"][0]["price_minor"], "USD 99.00 + tax")
        self.assertEqual(sheet_from("title", title.id, rows, title, METRIC, "EUR"), title)


class ReferenceTests(TestCase):
    def test_facts_that_name_another_part_say_which_place_it_hangs_in(self) -> None:
        """Found by hand in the sheets: links and bundles, and what packages, packs, connectors and cases are for."""
        found = {
            (kind, outer.name if inner is outer else f"{outer.name}.{inner.name}"): inner.refers_to
            for kind in KINDS
            for outer in sheet_fields(kind)
            for inner in (outer, *outer.fields)
            if inner.refers_to
        }
        monitors = ("rear_radar", "side_camera", "overhead_camera", "radar_camera_hybrid")
        self.assertEqual(
            found,
            {
                **{(kind, "plans.bundled_titles"): "title" for kind in monitors},
                ("title", "monitor_links.monitor"): "monitor",
                ("monitor_package", "monitors"): "monitor",
                ("case", "monitors"): "monitor",
                ("course_pack", "titles"): "title",
                ("connector", "titles"): "title",
                ("connector", "monitors"): "monitor",
            },
        )


class NumberTests(TestCase):
    def test_units_as_people_type_them(self) -> None:
        for text, unit, system, value in (
            ("4.2 kg", Unit.KILOGRAM, METRIC, 4.2),
            ("9", Unit.KILOGRAM, IMPERIAL, 9 * 0.45359237),
            ("74 cfm", Unit.LITRE_PER_SECOND, METRIC, 74 * 0.4719474),
            ("1.5 kW", Unit.WATT, METRIC, 1500),
            ("1200:1", Unit.RATIO, METRIC, 1200),
            ("1 TB", Unit.GIGABYTE, METRIC, 1000),
            ("1080 lines", Unit.LINES, METRIC, 1080),
            ("7.5 %", Unit.SHARE, METRIC, 0.075),
            ("4,000 lm", Unit.LUMEN, METRIC, 4000),
            ("1,500 W", Unit.WATT, METRIC, 1500),
            ("20,000 h", Unit.HOUR, METRIC, 20_000),
            ("1,234,567 px", Unit.PIXELS, METRIC, 1_234_567),
            ("2 500 lm", Unit.LUMEN, METRIC, 2500),
            ("2'500", Unit.LUMEN, METRIC, 2500),
            ("1.250,5 kg", Unit.KILOGRAM, METRIC, 1250.5),
            ("2,5 kg", Unit.KILOGRAM, METRIC, 2.5),
            ("1.250 kg", Unit.KILOGRAM, METRIC, 1.25),
            ("1,250 lb", Unit.KILOGRAM, IMPERIAL, 1250 * 0.45359237),
            ("class 3", Unit.GRADE, METRIC, 3),
        ):
            with self.subTest(text):
                self.assertAlmostEqual(read_number(text, unit, system), value)

    def test_a_comma_that_may_be_either_is_asked_about(self) -> None:
        for text, unit, asked in (
            ("1,250 kg", Unit.KILOGRAM, "1250 kg or 1.25 kg"),
            ("1,500 kW", Unit.WATT, "1500 kW or 1.5 kW"),
            ("1,125", Unit.FACTOR, "1125 × or 1.125 ×"),
        ):
            with self.subTest(text), self.assertRaisesRegex(NotRead, asked):
                read_number(text, unit, METRIC)

    @given(st.sampled_from(sorted(READ_IN)), st.sampled_from(list(UnitSystem)), st.floats(0.01, 9_999_999))
    def test_every_quantity_is_read_as_it_is_printed(self, unit: Unit, system: UnitSystem, value: float) -> None:
        value = float(round(value)) if unit in WHOLE else value
        again = read_number(Quantity(value, unit).text(system), unit, system)
        self.assertEqual(Quantity(again, unit).text(system), Quantity(value, unit).text(system))

    def test_what_is_told_is_read_again(self) -> None:
        for unit in READ_IN:
            for system in UnitSystem:
                with self.subTest(unit=unit, system=system):
                    again = read_number(number_text(3000.0, unit, system), unit, system)
                    self.assertAlmostEqual(again, 3000.0, delta=1.0)

    @given(st.sampled_from(sorted(READ_IN)), st.sampled_from(list(UnitSystem)), st.integers(1, 9_999_999))
    def test_no_number_is_told_in_a_way_that_cannot_be_typed(self, unit: Unit, system: UnitSystem, count: int) -> None:
        again = read_number(number_text(float(count), unit, system), unit, system)
        self.assertAlmostEqual(again, count, delta=1.0)

    def test_contrasts_have_no_decimals_and_no_exponent(self) -> None:
        self.assertEqual(number_text(1200.0, Unit.RATIO, METRIC), "1200 : 1")
        self.assertEqual(number_text(2_000_000.0, Unit.RATIO, METRIC), "2000000 : 1")

    def test_words_and_broken_counts_are_refused(self) -> None:
        for text, unit in (("many", Unit.PIECES), ("2.5", Unit.PIECES), ("10 lb", Unit.WATT), ("", Unit.VOLT)):
            with self.subTest(text), self.assertRaises(NotRead):
                read_number(text, unit, METRIC)
