"""Build files and parts packs: lossless, and every error by its place."""

import json
from pathlib import Path
from typing import Any
from unittest import TestCase

import jsonschema
from hypothesis import given, settings
from hypothesis import strategies as st

from core.formats.build_file import BuildFile, read_build_file, write_build_file
from core.formats.errors import BadFile
from core.formats.parts_pack import read_parts_pack, write_parts_pack
from core.formats.spec_sheet import spec_rows
from core.model.build import Slot, slot_for
from core.model.parts import Supply
from core.quantities import UnitSystem
from core.report import evaluate
from tests.core import worlds

ROOT = Path(__file__).resolve().parents[2]
PACKS = sorted((ROOT / "jungle" / "demo" / "parts").glob("*.json"))
BUILDS = sorted((ROOT / "jungle" / "demo" / "builds").glob("*.json"))
SOLD_BY_LENGTH = ("seam tape", "thread", "adhesive")

json_values = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats(allow_nan=False) | st.text(max_size=8),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner, max_size=3),
    max_leaves=8,
)


def document() -> dict[str, Any]:
    file = BuildFile.model_validate(
        {
            "build": worlds.full_build().model_dump(),
            "parts": [part.model_dump() for part in worlds.full_parts().values()],
        }
    )
    loaded: dict[str, Any] = json.loads(write_build_file(file))
    return loaded


class BuildFileTests(TestCase):
    def errors(self, changed: object) -> list[str]:
        with self.assertRaises(BadFile) as caught:
            read_build_file(json.dumps(changed))
        return [str(error) for error in caught.exception.errors]

    def test_what_is_written_is_read_back(self) -> None:
        text = json.dumps(document())
        self.assertEqual(json.loads(write_build_file(read_build_file(text))), json.loads(text))

    def test_unknown_fields_survive_at_every_depth(self) -> None:
        changed = document()
        changed["colour"] = {"wall": "black"}
        changed["build"]["room"]["cupboards"] = [{"x_m": 1.2}]
        changed["build"]["brief"]["players"][0]["nickname"] = "Ace"
        changed["parts"][0]["warranty_years"] = 3
        self.assertEqual(json.loads(write_build_file(read_build_file(json.dumps(changed)))), changed)

    def test_no_json_names_line_and_column(self) -> None:
        with self.assertRaises(BadFile) as caught:
            read_build_file('{"format": "jungle-build",\n oops}')
        self.assertIn("line 2, column 2", str(caught.exception))

    def test_all_errors_are_listed_by_place(self) -> None:
        changed = document()
        changed["build"]["room"]["width_m"] = -4
        changed["build"]["brief"]["players"][1]["height_m"] = "tall"
        changed["parts"][5]["lumens"] = 0
        found = self.errors(changed)
        self.assertEqual(
            [error.split(":")[0] for error in found],
            ["build.brief.players.1.height_m", "build.room.width_m", "parts.5.lumens"],
        )
        self.assertIn("(found -4)", found[1])

    def test_another_format_or_version(self) -> None:
        self.assertIn("format: must be 'jungle-build'", self.errors({**document(), "format": "other"})[0])
        self.assertIn(
            "version: version 6 is not known; versions 1 to 5 are read", self.errors({**document(), "version": 6})[0]
        )

    def test_a_chain_whose_parts_did_not_come_along(self) -> None:
        changed = document()
        del changed["parts"][0]
        self.assertIn("chain.floor: part 'tiles' is not among the parts given", self.errors(changed)[0])

    def test_two_parts_or_two_players_of_one_id(self) -> None:
        changed = document()
        changed["parts"].append(changed["parts"][0])
        self.assertIn("two parts share an id", self.errors(changed)[0])
        changed = document()
        changed["build"]["brief"]["players"][1]["id"] = "ada"
        self.assertIn("two players share an id", self.errors(changed)[0])

    def test_numbers_that_are_none(self) -> None:
        text = json.dumps(document()).replace('"ceiling_m": 3.0', '"ceiling_m": NaN')
        with self.assertRaises(BadFile):
            read_build_file(text)

    @settings(max_examples=80)
    @given(json_values)
    def test_any_json_is_read_or_refused(self, value: object) -> None:
        try:
            read_build_file(json.dumps(value))
        except BadFile as bad:
            self.assertTrue(bad.errors)

    @settings(max_examples=80)
    @given(st.data())
    def test_a_damaged_file_is_read_or_refused(self, data: st.DataObject) -> None:
        changed = document()
        here: Any = changed
        for _ in range(data.draw(st.integers(1, 4))):
            if not isinstance(here, dict) or not here:
                break
            key = data.draw(st.sampled_from(sorted(here)))
            if isinstance(here[key], dict) and data.draw(st.booleans()):
                here = here[key]
            else:
                here[key] = data.draw(json_values)
        try:
            file = read_build_file(json.dumps(changed))
        except BadFile as bad:
            self.assertTrue(all(error.place for error in bad.errors))
        else:
            evaluate(file.build, file.parts_by_id)


class SampleTests(TestCase):
    def parts(self) -> list[Any]:
        return [part for pack in PACKS for part in read_parts_pack(pack.read_text()).parts]

    def test_packs_are_read_back_without_loss(self) -> None:
        for pack in PACKS:
            with self.subTest(pack.name):
                read = read_parts_pack(pack.read_text())
                self.assertEqual(read_parts_pack(write_parts_pack(read)), read)

    def test_every_place_has_at_least_six_parts_thrifty_to_lavish(self) -> None:
        for slot in Slot:
            prices = [part.price.minor for part in self.parts() if slot_for(part) is slot]
            with self.subTest(slot):
                self.assertGreaterEqual(len(prices), 6)
                if slot is not Slot.TITLE:
                    self.assertGreater(max(prices), 2 * min(prices))

    def test_ids_are_distinct_over_all_packs_and_links_lead_somewhere(self) -> None:
        ids = [part.id for part in self.parts()]
        self.assertEqual(len(ids), len(set(ids)))
        for part in self.parts():
            for link in getattr(part, "monitor_links", ()):
                self.assertIn(link.monitor, ids)
            for plan in getattr(part, "plans", ()):
                self.assertTrue(set(getattr(plan, "bundled_titles", ())) <= set(ids))
                self.assertEqual(plan.price is None, plan.billing == "free")

    def test_ranges_are_the_right_way_round(self) -> None:
        pairs = (
            ("distance_min_m", "distance_max_m"),
            ("throw_min", "throw_max"),
            ("lens_above_min", "lens_above_max"),
            ("mount_height_min_m", "mount_height_max_m"),
            ("inner_width_m", "outer_width_m"),
            ("inner_height_m", "outer_height_m"),
            ("strip_width_m", "width_m"),
            ("strip_length_m", "length_m"),
        )
        for part in self.parts():
            for low, high in pairs:
                if getattr(part, low, None) is not None:
                    self.assertLessEqual(getattr(part, low), getattr(part, high), f"{part.id} {low}")

    def test_every_sheet_is_full(self) -> None:
        """Makers state everything here, but for what buyers know to be left out of real sheets."""
        left_out = {
            "sorrelby-heftcloth-30": {"rated_ball_speed_m_s"},
            "loomridge-cinema-sheet": {"rated_ball_speed_m_s", "stops"},
        }
        for part in self.parts():
            empty = {name for name in type(part).model_fields if getattr(part, name) is None}
            if isinstance(part, Supply) and part.use not in SOLD_BY_LENGTH:
                empty.discard("length_m")
            self.assertLessEqual(
                empty, {"rated_club_speed_m_s", "supported_until", *left_out.get(part.id, ())}, part.id
            )

    def test_every_row_of_a_sheet_has_a_name_of_its_own(self) -> None:
        for part in self.parts():
            rows = [row.name for row in spec_rows(part, UnitSystem.METRIC)]
            self.assertEqual(len(rows), len(set(rows)), part.id)

    def test_builds_are_evaluated(self) -> None:
        for path in BUILDS:
            file = read_build_file(path.read_text())
            self.assertTrue(evaluate(file.build, file.parts_by_id).verdicts)

    def test_files_keep_to_the_published_schemas(self) -> None:
        formats = ROOT / "docs" / "formats"
        for paths, schema in ((PACKS, "parts-pack.schema.json"), (BUILDS, "build-file.schema.json")):
            validator = jsonschema.Draft202012Validator(json.loads((formats / schema).read_text()))
            for path in paths:
                self.assertEqual(list(validator.iter_errors(json.loads(path.read_text()))), [], path.name)

    def test_a_pack_with_one_id_twice_is_refused(self) -> None:
        pack = json.loads(PACKS[0].read_text())
        pack["parts"].append(pack["parts"][0])
        with self.assertRaisesRegex(BadFile, "parts share an id"):
            read_parts_pack(json.dumps(pack))
