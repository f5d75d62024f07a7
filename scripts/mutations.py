"""python -m scripts.mutations: changes one comparison, constant or alternative of a rule at a time, and runs the tests.

A mutation that no test notices is a rule that may be wrong without anybody knowing. What only tells (headlines, inputs,
cures) is left alone, and so is what only tidies: a program that mutates everything would mostly change words. Each is
tried on a copy of the project: on the recorded answers first, which take seconds, then the matrix, then all tests of
the core; rules of money and of prices on tests of their own before that. With `--without-recorded` it says what the
tests catch that know why, and with `--among core/prices` it changes no other rules.
"""

import argparse
import ast
import os
import re
import shutil
import subprocess
import sys
import tempfile
from collections.abc import Iterator, Mapping
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from queue import Queue
from random import Random
from typing import NamedTuple

ROOT = Path(__file__).resolve().parent.parent
RULES = ("core/checks/*.py", "core/geometry/*.py", "core/money/*.py", "core/bay/*.py", "core/prices/*.py")
MACHINERY = frozenset(
    {
        "asks",
        "declared",
        "evaluation",
        "figures",
        "graph",
        "limits",
        "memo",
        "needs",
        "places",
        "register",
        "table",
        "verdict",
    }
)
"""Of the checks what is no rule: it has tests of its own, and every rule runs through it."""
MADE_UP = frozenset({"simulated"})
"""Of the prices what is no rule: how markets are that nobody has seen."""
TOLD = frozenset({"headline", "formula", "inputs", "cures", "title", "basis", "words", "item", "maxsize", "strict"})
"""Arguments that only tell."""
TELLING = frozenset({"say", "stated_input", "Input", "ItemKind", "Quantity", "field"})
"""Calls that only tell."""
SWAPPED: dict[type[ast.cmpop], type[ast.cmpop]] = {
    ast.Lt: ast.LtE, ast.LtE: ast.Lt, ast.Gt: ast.GtE, ast.GtE: ast.Gt,
    ast.Eq: ast.NotEq, ast.NotEq: ast.Eq, ast.In: ast.NotIn, ast.NotIn: ast.In, ast.Is: ast.IsNot, ast.IsNot: ast.Is,
}  # fmt: skip
TURNED: dict[type[ast.cmpop], type[ast.cmpop]] = {ast.Lt: ast.Gt, ast.LtE: ast.GtE, ast.Gt: ast.Lt, ast.GtE: ast.LtE}
"""Where a tolerance is allowed for, the edge itself is nobody's: with and without it are the same rule."""
TOLERANCES = frozenset(re.findall(r"^([A-Z_]+) = ", (ROOT / "core/quantities/tolerances.py").read_text(), re.MULTILINE))
TINY = 1e-6
RECORDED = ("tests.core.test_recorded",)
QUICK = ("tests.core.matrix", "tests.core.checks")
SLOW = tuple(
    f"tests.core.test_{name}" for name in ("cures", "offers", "tables", "differences", "swing_clearance", "incremental")
)
REST = tuple(
    name
    for path in sorted(ROOT.glob("tests/core/test_*.py"))
    if (name := f"tests.core.{path.stem}") not in (*SLOW, *RECORDED)
)
OWN: Mapping[str, Mapping[str, tuple[str, ...]]] = {
    "core/money": {"own": ("tests.core.money",)},
    "core/prices": {
        "own": ("tests.core.prices",),
        "watches": ("tests.core.test_old_prices", "tests.core.test_watched"),
    },
}
"""What looks at the rules of a folder first."""
ALONE = frozenset({"core/prices"})
"""Nothing else in the core leans on these."""
STAGES = {"recorded": RECORDED, "rows": QUICK, "others": REST, "searches": SLOW}
LONGEST_S = 900
COPIED = (
    "core",
    "jungle",
    "tests",
    "scripts",
    "docs",
    "bench",
    "manage.py",
    "pyproject.toml",
    "Makefile",
    "README.md",
    "CHANGELOG.md",
    "requirements",
)


class Mutation(NamedTuple):
    """One change of one expression, by the place of its text."""

    path: str
    start: int
    end: int
    was: str
    now: str
    line: int

    @property
    def words(self) -> str:
        """As a person reads it."""
        return f"{self.path}:{self.line}: {self.was}  →  {self.now}"


class _Finder(ast.NodeVisitor):
    def __init__(self, path: str, text: str) -> None:
        self.path, self.text, self.found = path, text, list[Mutation]()
        self._starts = [0]
        for line in text.splitlines(keepends=True):
            self._starts.append(self._starts[-1] + len(line.encode()))

    def _add(self, node: ast.expr, now: str) -> None:
        assert node.end_lineno is not None
        assert node.end_col_offset is not None
        start = self._starts[node.lineno - 1] + node.col_offset
        end = self._starts[node.end_lineno - 1] + node.end_col_offset
        was = self.text.encode()[start:end].decode()
        self.found.append(Mutation(self.path, start, end, was, now, node.lineno))

    def visit_Compare(self, node: ast.Compare) -> None:
        if len(node.ops) == 1 and type(node.ops[0]) in SWAPPED:
            swapped = {**SWAPPED, **TURNED} if _allows_for_a_tolerance(node) else SWAPPED
            other = ast.Compare(node.left, [swapped[type(node.ops[0])]()], node.comparators)
            self._add(node, f"({ast.unparse(other)})")
        self.generic_visit(node)

    def visit_IfExp(self, node: ast.IfExp) -> None:
        self._add(node, f"({ast.unparse(ast.IfExp(node.test, node.orelse, node.body))})")
        self.generic_visit(node)

    def visit_BoolOp(self, node: ast.BoolOp) -> None:
        other = ast.Or() if isinstance(node.op, ast.And) else ast.And()
        self._add(node, f"({ast.unparse(ast.BoolOp(other, node.values))})")
        self.generic_visit(node)

    def visit_Constant(self, node: ast.Constant) -> None:
        if isinstance(node.value, bool):
            self._add(node, repr(not node.value))
        elif isinstance(node.value, int | float):
            self._add(node, repr(node.value + 1 if isinstance(node.value, int) else round(node.value * 1.2 + 0.01, 6)))

    def visit_Call(self, node: ast.Call) -> None:
        name = node.func.id if isinstance(node.func, ast.Name) else ""
        if name in ("min", "max", "any", "all"):
            swapped = {"min": "max", "max": "min", "any": "all", "all": "any"}[name]
            self._add(node.func, swapped)
        if name not in TELLING:
            self.generic_visit(node)

    def visit_keyword(self, node: ast.keyword) -> None:
        if node.arg not in TOLD:
            self.generic_visit(node)

    def visit_ClassDef(self, node: ast.ClassDef) -> None:
        for statement in node.body:
            self.visit(statement)

    def visit_FunctionDef(self, node: ast.FunctionDef) -> None:
        if not node.name.startswith("__"):
            for statement in node.body:
                self.visit(statement)

    def visit_AnnAssign(self, node: ast.AnnAssign) -> None:
        if node.value is not None:
            self.visit(node.value)

    def visit_JoinedStr(self, node: ast.JoinedStr) -> None:
        """Words."""

    def visit_Subscript(self, node: ast.Subscript) -> None:
        self.visit(node.value)


def _allows_for_a_tolerance(node: ast.Compare) -> bool:
    return any(
        (isinstance(each, ast.Name) and each.id in TOLERANCES)
        or (isinstance(each, ast.Constant) and isinstance(each.value, float) and 0 < each.value < TINY)
        for each in ast.walk(node)
    )


def mutations() -> Iterator[Mutation]:
    """Every mutation of every rule."""
    for pattern in RULES:
        for path in sorted(ROOT.glob(pattern)):
            no_rules = {"checks": MACHINERY, "prices": MADE_UP}.get(path.parent.name, frozenset())
            if path.stem.startswith("__") or path.stem in no_rules:
                continue
            finder = _Finder(str(path.relative_to(ROOT)), path.read_text())
            finder.visit(ast.parse(finder.text))
            yield from finder.found


def stages_for(mutation: Mutation, stages: Mapping[str, tuple[str, ...]]) -> Mapping[str, tuple[str, ...]]:
    """By which tests it may be noticed, the quickest first."""
    folder = str(Path(mutation.path).parent)
    return {**OWN.get(folder, {}), **({} if folder in ALONE else stages)}


def caught(mutation: Mutation, copy: Path, stages: Mapping[str, tuple[str, ...]]) -> str:
    """Which stage of the tests notices `mutation`, made in `copy`, which is then as it was; empty where none does."""
    path = copy / mutation.path
    text = path.read_bytes()
    path.write_bytes(text[: mutation.start] + mutation.now.encode() + text[mutation.end :])
    try:
        return next((name for name, tests in stages.items() if not _passes(tests, copy)), "")
    finally:
        path.write_bytes(text)


def _passes(tests: tuple[str, ...], copy: Path) -> bool:
    environment = {**os.environ, "JUNGLE_DATA_DIR": str(copy / "data"), "PYTHONDONTWRITEBYTECODE": "1"}
    command = [sys.executable, "manage.py", "test", *tests, "--noinput", "--failfast"]
    try:
        done = subprocess.run(command, cwd=copy, env=environment, capture_output=True, timeout=LONGEST_S, check=False)
    except subprocess.TimeoutExpired:
        return False
    return done.returncode == 0


def _copied(to: Path) -> Path:
    for name in COPIED:
        source = ROOT / name
        if source.is_dir():
            shutil.copytree(source, to / name, ignore=shutil.ignore_patterns("__pycache__"))
        else:
            shutil.copy(source, to / name)
    return to


def main() -> None:
    """Try so many mutations, chosen by a seed, and list those that nobody noticed; fails where one in ten was not."""
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument("--count", type=int, default=120)
    asked.add_argument("--seed", type=int, default=12)
    asked.add_argument("--workers", type=int, default=2)
    asked.add_argument("--without-recorded", action="store_true")
    asked.add_argument("--among", default="core")
    options = asked.parse_args()
    stages = {name: tests for name, tests in STAGES.items() if name != "recorded" or not options.without_recorded}
    every = [mutation for mutation in mutations() if mutation.path.startswith(options.among)]
    chosen = Random(options.seed).sample(every, min(options.count, len(every)))
    needed = {tests: None for mutation in chosen for tests in stages_for(mutation, stages).values()}
    with tempfile.TemporaryDirectory() as folder, ThreadPoolExecutor(options.workers) as pool:
        copies: Queue[Path] = Queue()
        for number in range(options.workers):
            copies.put(_copied(Path(folder) / str(number)))

        if not all(_passes(tests, copies.queue[0]) for tests in needed):
            sys.exit("The tests fail on what has not been changed, so nothing can be learnt from them.")

        def tried(mutation: Mutation) -> bool:
            copy = copies.get()
            try:
                by = caught(mutation, copy, stages_for(mutation, stages))
            finally:
                copies.put(copy)
            print(f"{by or 'SURVIVED':<9}", mutation.words, flush=True)
            return bool(by)

        noticed = sum(pool.map(tried, chosen))
    print(f"{noticed} of {len(chosen)} caught, out of {len(every):,} there are")
    sys.exit(0 if noticed * 10 >= len(chosen) * 9 else 1)


if __name__ == "__main__":
    main()
