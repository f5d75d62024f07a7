"""What the documentation says is there is there, and its examples are read."""

import json
import re
from pathlib import Path
from unittest import TestCase

from core.checks import GRAPH
from core.formats.build_file import read_build_file
from core.report import evaluate

ROOT = Path(__file__).resolve().parents[2]
PAGES = [ROOT / "README.md", *(ROOT / "docs").rglob("*.md")]


class DocsTests(TestCase):
    def test_links_lead_somewhere(self) -> None:
        for page in PAGES:
            for target in re.findall(r"\]\(([^)#]+)\)", page.read_text()):
                with self.subTest(page=page.name, target=target):
                    self.assertTrue((page.parent / target).exists())

    def test_the_example_build_file_is_evaluated(self) -> None:
        text = (ROOT / "docs" / "formats" / "README.md").read_text()
        (example,) = re.findall(r"```json\n(.*?)```", text, re.DOTALL)
        file = read_build_file(json.dumps(json.loads(example)))
        self.assertTrue(evaluate(file.build, file.parts_by_id).verdicts)

    def test_every_check_has_its_section(self) -> None:
        manual = (ROOT / "docs" / "checks.md").read_text()
        for check in GRAPH.checks:
            self.assertIn(f"## {check.id}: {check.title}", manual)

    def test_every_target_of_make_that_is_named_exists(self) -> None:
        makefile = (ROOT / "Makefile").read_text()
        for page in PAGES:
            for target in re.findall(r"`make ([a-z-]+)`", page.read_text()):
                self.assertRegex(makefile, rf"(?m)^{target}:")
