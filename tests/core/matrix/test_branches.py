"""Every branch of every check has a row of the matrix: what no row takes, nobody has worked out."""

import json
import os
import subprocess
import sys
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest import TestCase

from core.checks import GRAPH

ROOT = Path(__file__).parents[3]
ROWS = "tests.core.matrix.test_matrix.MatrixTests.test_every_row"


def run(*words: str, data: Path) -> str:
    """What a run of coverage prints, in a process of its own that remembers no answer."""
    told = subprocess.run(
        [sys.executable, "-m", "coverage", *words],
        cwd=ROOT,
        env={**os.environ, "COVERAGE_FILE": str(data)},
        capture_output=True,
        text=True,
        check=False,
    )
    if told.returncode:
        raise AssertionError(told.stdout + told.stderr)
    return told.stdout


class BranchTests(TestCase):
    def test_the_rows_take_every_branch(self) -> None:
        with TemporaryDirectory() as folder:
            data = Path(folder) / "coverage"
            run("run", "--branch", "--source=core/checks", "-m", "unittest", ROWS, data=data)
            files = json.loads(run("json", "--quiet", "-o", "-", data=data))["files"]
        for check in GRAPH.checks:
            code = check.run.__code__
            file = str(Path(code.co_filename).relative_to(ROOT))
            with self.subTest(check.id):
                found = files[file]["functions"][check.run.__name__]
                self.assertEqual((found["missing_lines"], found["missing_branches"]), ([], []), file)
