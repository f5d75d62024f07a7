"""Documents of every past version are read as what they are today, from the files that were kept of each."""

import json
from pathlib import Path
from unittest import TestCase

from core.formats.build_file import read_build_file, write_build_file
from core.formats.errors import BadFile
from core.formats.parts_pack import read_parts_pack
from core.formats.stored import read_stored_build, read_stored_sheet, write_stored
from core.formats.versions import CURRENT, UnknownVersion
from core.model.household import Subscriptions
from core.model.parts import LaunchMonitor
from core.model.room import Light, MatLies
from core.model.things import Looked
from core.report import evaluate

KEPT = Path(__file__).parent / "versions"
VERSIONS = range(1, CURRENT)


class KeptFileTests(TestCase):
    def test_there_is_one_of_each_past_version(self) -> None:
        for kind in ("build", "pack"):
            self.assertEqual(
                {path.name for path in KEPT.glob(f"{kind}-*.json")}, {f"{kind}-{n}.json" for n in VERSIONS}
            )

    def test_builds_are_read_judged_and_written_as_today(self) -> None:
        for version in VERSIONS:
            file = read_build_file((KEPT / f"build-{version}.json").read_bytes())
            self.assertTrue(evaluate(file.build, file.parts_by_id).verdicts)
            self.assertEqual(json.loads(write_build_file(file))["version"], CURRENT)
            self.assertEqual(read_build_file(write_build_file(file)), file)

    def test_what_the_first_version_said_otherwise(self) -> None:
        file = read_build_file((KEPT / "build-1.json").read_bytes())
        self.assertIs(file.build.brief.subscriptions, Subscriptions.RATHER_NOT)
        roll, mat = read_parts_pack((KEPT / "pack-1.json").read_bytes()).parts
        self.assertEqual([getattr(part, "kind", "") for part in (roll, mat)], ["turf", "mat"])

    def test_before_the_third_version_nothing_entered_was_nothing_there(self) -> None:
        file = read_build_file((KEPT / "build-2.json").read_bytes())
        self.assertEqual(set(file.build.room.none_of), set(Looked))

    def test_before_the_fourth_version_nobody_was_asked(self) -> None:
        """Mats counted as let in, the light as dim, and silence about what disturbs a monitor as nothing."""
        file = read_build_file((KEPT / "build-3.json").read_bytes())
        self.assertIs(file.build.layout.mat_lies, MatLies.LET_IN)
        self.assertIs(file.build.room.light, Light.DIM)
        radar, _ = read_parts_pack((KEPT / "pack-3.json").read_bytes()).parts
        assert isinstance(radar, LaunchMonitor)
        self.assertIsNone(radar.dislikes)

    def test_before_the_fifth_version_a_quote_stood_beside_the_part(self) -> None:
        """On the chain for the whole line, elsewhere for each of them; what nobody quoted leaves nothing."""
        ledger = read_build_file((KEPT / "build-4.json").read_bytes()).build.ledger
        told = {key: (entry.quote_minor, entry.quote_for_each) for key, entry in ledger.entries.items()}
        beside = {"extra/tiles": (1_250, True), "balls/plain-balls": (2_000, True)}
        self.assertEqual(told, {"display/projector": (75_050, False), **beside})

    def test_database_and_history_go_through_the_same_steps(self) -> None:
        kept = json.loads((KEPT / "build-1.json").read_text())
        file = read_build_file((KEPT / "build-1.json").read_bytes())
        stored = read_stored_build(json.dumps(kept["build"]), 1)
        self.assertEqual(stored, file.build)
        self.assertEqual(read_stored_build(write_stored(stored), CURRENT), stored)
        for raw, part in zip(kept["parts"], file.parts, strict=True):
            self.assertEqual(read_stored_sheet(json.dumps(raw), 1), part)

    def test_a_version_of_tomorrow_or_of_nobody_is_refused(self) -> None:
        kept = json.loads((KEPT / "build-1.json").read_text())
        for version in (0, CURRENT + 1, "1", True, None, 1.0):
            with self.subTest(version), self.assertRaises(BadFile) as caught:
                read_build_file(json.dumps({**kept, "version": version}))
            self.assertEqual(caught.exception.errors[0].place, "version")
        with self.assertRaises(UnknownVersion):
            read_stored_build("{}", CURRENT + 1)

    def test_a_pack_without_parts_is_none(self) -> None:
        for document in ({"format": "jungle-parts", "name": "P"}, {"format": "jungle-parts", "name": "P", "parts": {}}):
            with self.assertRaises(BadFile) as caught:
                read_parts_pack(json.dumps(document))
            self.assertEqual(caught.exception.errors[0].place, "parts")
        with self.assertRaises(BadFile):
            read_parts_pack(json.dumps({"version": 9, "parts": []}))
