"""Reports of owned computers: read as they are, tolerant of what is cut off, never raising."""

import json
from contextlib import suppress
from typing import Any
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.formats.errors import BadFile
from core.formats.machine_report import known_machines, read_machine_report
from core.formats.machine_report.reading import ASKED
from core.model.parts.sheets import sheet_from
from core.quantities import UnitSystem
from tests.core import worlds

KNOWN = known_machines(
    [
        worlds.computer(graphics_name="Shardel Taper", graphics_grade=6, processor_name="Corvane 5", processor_grade=5),
        worlds.computer(graphics_name="Shardel Spill", graphics_grade=3, platform="Heron Linux"),
        worlds.title(platforms=("Wicket OS",)),
    ]
)
LSHW: dict[str, Any] = {
    "id": "shed",
    "class": "system",
    "product": "Home-made",
    "configuration": {"os": "Heron Linux 12"},
    "children": [
        {
            "id": "core",
            "class": "bus",
            "children": [
                {"id": "memory", "class": "memory", "description": "System Memory", "size": 17179869184},
                {"id": "cache", "class": "memory", "size": 262144},
                {"id": "cpu", "class": "processor", "product": "Corvane 5 3600"},
                {"id": "display:0", "class": "display", "product": "Built-in thing"},
                {"id": "display:1", "class": "display", "product": "Shardel Taper OC"},
                {"id": "network:0", "class": "network", "description": "Wireless interface"},
                {"id": "network:1", "class": "network", "description": "Ethernet interface"},
                {"id": "usbhost", "class": "bus", "product": "xHCI Host", "description": "USB controller"},
            ],
        }
    ],
}
DIAGNOSTIC = """------------------
System Information
------------------
      Time of this report: 11/25/2026, 10:00:00
             Machine name: SHED
         Operating System: Wicket OS 11 Home 64-bit
             System Model: Home-made
                Processor: Corvane 5 3600 6-Core Processor (12 CPUs), ~3.6GHz
                   Memory: 16384MB RAM
---------------
Display Devices
---------------
           Card name: Shardel Taper
      Display Memory: 14290 MB
    Dedicated Memory: 8192 MB
        Current Mode: 3840 x 2160 (32 bit) (60Hz)
------------------------
Disk & DVD/CD-ROM Drives
------------------------
      Drive: C:
 Free Space: 212.4 GB
Total Space: 476.3 GB
      Drive: D:
 Free Space: 20.0 GB
"""


class ReadingTests(TestCase):
    def facts(self, data: bytes) -> dict[str, object]:
        return dict(read_machine_report(data, KNOWN).facts)

    def test_lshw(self) -> None:
        """17,179,869,184 bytes are 16 GB; of two graphics devices the known one of the higher class."""
        found = self.facts(json.dumps(LSHW).encode())
        self.assertEqual(
            {
                k: found[k]
                for k in ("memory_gb", "graphics_name", "graphics_grade", "processor_grade", "platform", "links")
            },
            {
                "memory_gb": 16.0,
                "graphics_name": "Shardel Taper OC",
                "graphics_grade": 6,
                "processor_grade": 5,
                "platform": "Heron Linux",
                "links": "wifi, network, usb",
            },
        )

    def test_lshw_in_a_list_or_cut_off(self) -> None:
        self.assertEqual(self.facts(json.dumps([LSHW]).encode()), self.facts(json.dumps(LSHW).encode()))
        self.assertEqual(self.facts(json.dumps(LSHW).encode()[:-40]), {"platform": "Heron Linux"})

    def test_the_diagnostic_text(self) -> None:
        """16,384 MB are 16 GB, 8,192 MB of its own 8 GB; the freer drive has 212.4 GB."""
        for data in (DIAGNOSTIC.encode(), DIAGNOSTIC.encode("utf-16"), DIAGNOSTIC.encode("cp1252")):
            found = self.facts(data)
            self.assertEqual((found["memory_gb"], found["graphics_memory_gb"], found["storage_gb"]), (16.0, 8.0, 212.4))
            self.assertEqual(
                (found["graphics_grade"], found["processor_grade"], found["platform"]), (6, 5, "Wicket OS")
            )
            self.assertEqual(
                (found["output_lines"], found["processor_name"]), (2160, "Corvane 5 3600 6-Core Processor")
            )

    def test_a_mark_between_thousands(self) -> None:
        marked = DIAGNOSTIC.replace("16384MB", "16,384 MB").replace(" 8192 MB", " 8,192 MB")
        self.assertEqual(self.facts(marked.encode()), self.facts(DIAGNOSTIC.encode()))

    def test_what_is_not_stated_is_asked(self) -> None:
        reading = read_machine_report(DIAGNOSTIC.encode(), KNOWN)
        asked = [field for field, _ in reading.asked]
        self.assertIn("outputs", asked)
        self.assertEqual(set(asked) | set(reading.facts), set(ASKED))

    def test_a_file_that_says_nothing_of_a_computer_is_refused(self) -> None:
        for data in (b"holiday pictures", b"", b"\x89PNG\r\n\x1a\n", b'{"class": "music"}'):
            with self.assertRaisesRegex(BadFile, "file: says nothing of a computer; read are what 'lshw -json' prints"):
                read_machine_report(data, KNOWN)

    def test_graphics_that_nobody_knows_are_asked_for(self) -> None:
        found = self.facts(DIAGNOSTIC.replace("Shardel Taper", "Newcomer 9").encode())
        self.assertEqual(found["graphics_name"], "Newcomer 9")
        self.assertNotIn("graphics_grade", found)

    def test_facts_are_those_of_a_sheet(self) -> None:
        facts = {field: str(value) for field, value in self.facts(DIAGNOSTIC.encode()).items()}
        sheet = sheet_from("computer", "own", {"maker": "Owned", **facts}, None, UnitSystem.METRIC, "EUR")
        self.assertEqual((sheet.memory_gb, sheet.graphics_grade, sheet.output_lines), (16, 6, 2160))  # type: ignore[attr-defined]

    @settings(max_examples=200)
    @given(st.binary(max_size=300) | st.text(max_size=200).map(str.encode))
    def test_any_bytes(self, data: bytes) -> None:
        with suppress(BadFile):
            reading = read_machine_report(data, KNOWN)
            self.assertEqual({field for field, _ in reading.asked} | set(reading.facts), set(ASKED))

    @settings(max_examples=150)
    @given(st.data())
    def test_reports_with_anything_anywhere(self, data: st.DataObject) -> None:
        tree = json.loads(json.dumps(LSHW))
        here = data.draw(st.sampled_from([tree, *tree["children"], *tree["children"][0]["children"]]))
        here[data.draw(st.sampled_from(["class", "size", "product", "children", "id", "description"]))] = data.draw(
            st.none() | st.integers() | st.floats() | st.text(max_size=9) | st.lists(st.integers(), max_size=3)
        )
        text = json.dumps(tree)
        with suppress(BadFile):
            read_machine_report(text[: data.draw(st.integers(0, len(text)))].encode(), KNOWN)
        lines = DIAGNOSTIC.splitlines()
        lines[data.draw(st.integers(0, len(lines) - 1))] = data.draw(st.text(max_size=60))
        read_machine_report("\n".join(lines).encode(errors="replace"), KNOWN)
