"""docs/worked-examples.md: its sums are done here, by nothing of the core, and compared with what the core says."""

import math
import re
from pathlib import Path
from typing import NamedTuple
from unittest import TestCase

from core.checks.limits import Limit
from core.report import Report, evaluate
from tests.core.matrix.case import TODAY
from tests.core.recording import recorded_builds

PAGE = Path(__file__).resolve().parents[2] / "docs" / "worked-examples.md"
BUILDS = ("boat-shed", "box-room")
NAMES = ("sqrt", "sin", "cos", "tan", "atan", "degrees", "radians", "pi", "ceil", "floor")
KNOWN = {name: getattr(math, name) for name in NAMES} | {"min": min, "max": max, "abs": abs}


class Row(NamedTuple):
    """One line of a table."""

    check: str
    who: str
    worked: str
    comes_to: str


def sections() -> dict[str, str]:
    """What the page says of each build, by its name."""
    parts = re.split(r"^## ", PAGE.read_text(), flags=re.MULTILINE)[1:]
    return {part.split("\n", 1)[0].strip(): part for part in parts}


def rows(section: str) -> list[Row]:
    found = re.findall(r"^\| ([a-z._]+) \| (\w*) ?\| `([^`]+)` \| ([\d.−]+) \|$", section, flags=re.MULTILINE)
    return [Row(*row) for row in found]


def worked(text: str, names: dict[str, float]) -> float:
    """What the last of the sums in `text` comes to, those before it named."""
    known = {**KNOWN, **names}
    *assigned, last = (part.strip() for part in text.split(";"))
    for part in assigned:
        name, sum_ = part.split("=", 1)
        known[name.strip()] = eval(sum_, {"__builtins__": {}}, known)
    return float(eval(last, {"__builtins__": {}}, known))


def given(section: str, who: str) -> dict[str, float]:
    """What the page gives for all rows, and for those of one player."""
    known: dict[str, float] = {}
    for owner, sums in re.findall(r"^    Given ?(\w*): (.+)$", section, flags=re.MULTILINE):
        if owner in ("", who):
            for part in sums.split(";"):
                name, sum_ = part.split("=", 1)
                known[name.strip()] = worked(sum_, known)
    return known


def told(report: Report) -> dict[tuple[str, str], float]:
    """Every number that a check tells, by check and player; and what the build comes to."""
    names = {"": ""} | {player.id: player.name for player in report.evaluation.players}
    numbers = {
        (verdict.id, names[verdict.subject_id]): float(verdict.deciding.measured)
        for verdict in report.verdicts
        if isinstance(verdict.deciding, Limit)
    }
    totals = {"up_front": report.costs.up_front, "yearly": report.costs.yearly}
    return numbers | {(f"total.{name}", ""): float(money.minor) for name, money in totals.items()}


class WorkedExampleTests(TestCase):
    def reports(self) -> dict[str, Report]:
        return {name: evaluate(build, parts, today=TODAY) for name, build, parts in recorded_builds() if name in BUILDS}

    def test_every_sum_comes_to_what_is_said(self) -> None:
        for build, report in self.reports().items():
            section, said = sections()[build], told(report)
            for row in rows(section):
                with self.subTest(build=build, check=row.check, who=row.who):
                    comes_to = float(row.comes_to)
                    decimals = len(row.comes_to.partition(".")[2])
                    half = 0.5 * 10**-decimals + 1e-9
                    self.assertAlmostEqual(worked(row.worked, given(section, row.who)), comes_to, delta=half)
                    self.assertAlmostEqual(said[row.check, row.who], comes_to, delta=2 * half)

    def test_every_number_has_its_row(self) -> None:
        for build, report in self.reports().items():
            found = [(row.check, row.who) for row in rows(sections()[build])]
            self.assertEqual(sorted(set(told(report)) - set(found)), [])
            self.assertEqual(len(found), len(set(found)))
