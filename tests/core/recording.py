"""python -m tests.core.recording: writes what the core answers about some builds to tests/core/recorded/.

The test that reads them says which answers a change of the code has changed. Whoever means to change them records them
anew, and reads the difference: every line of it is something that a person sees.
"""

from collections.abc import Iterator
from pathlib import Path

from core.bay import Bay
from core.checks.space import Obstructions
from core.formats.build_file import read_build_file
from core.geometry.boxes import Box
from core.model.build import Build
from core.model.parts import Part
from core.quantities import UnitSystem, figure_text
from core.report import Report, evaluate
from tests.core.matrix.case import TODAY
from tests.core.random_builds import furnished_build, sample_parts

RECORDED = Path(__file__).resolve().parent / "recorded"
DEMO = RECORDED.parents[2] / "jungle" / "demo" / "builds"
SEEDS = range(14)
METRIC = UnitSystem.METRIC


def recorded_builds() -> Iterator[tuple[str, Build, dict[str, Part]]]:
    """Builds by the name that their answers are recorded under: those of the sample world, and some made by a seed."""
    for path in sorted(DEMO.glob("*.json")):
        file = read_build_file(path.read_text())
        yield path.stem, file.build, dict(file.parts_by_id)
    for seed in SEEDS:
        yield f"random-{seed}", furnished_build(seed), sample_parts()


def answers(build: Build, parts: dict[str, Part]) -> str:
    """Every answer about `build`, a line each."""
    report = evaluate(build, parts, today=TODAY)
    return "\n".join((*_verdicts(report), *_places(report), *_rest(report), ""))


def _verdicts(report: Report) -> Iterator[str]:
    for verdict in report.verdicts:
        told = report.told(verdict)
        figures = " | ".join(
            "" if figure is None else figure_text(figure, METRIC) for figure in (verdict.measured, verdict.required)
        )
        margin = verdict.margin.text(METRIC) if verdict.margin else ""
        yield f"{verdict.id} {verdict.subject_id}: {verdict.state} | {figures} | {margin}"
        yield f"    {told.headline.text(METRIC)}"
        yield from (f"    → {cure.words.text(METRIC)}" for cure in told.cures)
        inputs = (f"{given.name} {figure_text(given.value, METRIC)}" for given in told.inputs())
        yield f"    {'; '.join(inputs)}"


def _places(report: Report) -> Iterator[str]:
    bay, obstructions = report.evaluation.reading(Bay), report.evaluation.reading(Obstructions)
    for solid in (*(bay.solids if bay else ()), *(obstructions.solids if obstructions else ())):
        yield f"solid {solid.name}: {_box(solid.box)}, with what is behind it {_box(solid.reach)}"
    for shape in report.scene.shapes:
        corners = " ".join(f"{u:.3f},{v:.3f}" for u, v in shape.points[:6])
        yield f"{shape.view} {shape.meaning} {shape.label}: {corners}"
    for spot in report.hitting:
        yield f"spot {spot.best}: {spot.reason.text(METRIC)}"


def _box(box: Box) -> str:
    return " × ".join(f"{low:.3f}…{high:.3f}" for low, high in zip(box.low, box.high, strict=True))


def _rest(report: Report) -> Iterator[str]:
    for status in report.small:
        need = status.item.need
        told = f"{figure_text(need.amount, METRIC)}, {need.why.text(METRIC)}" if need else "not known"
        yield f"item {status.item.item.title}: {told}; {status.state}"
    for line in report.costs.lines:
        yield f"line {line.label}: {line.up_front and line.up_front.text()}, {line.yearly and line.yearly.text()}"
    for stage in report.stages:
        yield f"stage {stage.stage}: {stage.up_front.text()}, {stage.yearly.text()}"
    for work in report.works:
        yield f"work {work.what.text(METRIC)}: {work.who}, {work.own_hours:g} h"
    for question in report.questions:
        yield f"asked {question.question.text(METRIC)} {question.how.text(METRIC)}"


def main() -> None:
    """Record all of them."""
    RECORDED.mkdir(exist_ok=True)
    for path in RECORDED.glob("*.txt"):
        path.unlink()
    for name, build, parts in recorded_builds():
        (RECORDED / f"{name}.txt").write_text(answers(build, parts))


if __name__ == "__main__":
    main()
