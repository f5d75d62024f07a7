"""What differs between two reports on builds that differ little: what a drag sends, many times a second."""

from collections.abc import Callable, Mapping, Sequence
from typing import Any, Generic, TypeVar

from pydantic import BaseModel

from core.drawing import Scene
from core.formats.report_json.costs import CostsJson
from core.formats.report_json.drawing import (
    DimensionJson,
    HandleJson,
    ShapeJson,
    dimension_json,
    handle_json,
    shape_json,
)
from core.formats.report_json.report import (
    AttentionJson,
    BagJson,
    HittingJson,
    LengthJson,
    LinkJson,
    QuestionJson,
    ReportJson,
    SlotJson,
    StageJson,
    StepJson,
    WorkJson,
    doubts_by_check,
    summary_json,
)
from core.formats.report_json.small_items import SmallItemJson, small_item_json
from core.formats.report_json.verdicts import VerdictJson, verdict_json
from core.model.things import BayPart
from core.quantities import UnitSystem
from core.report import Report

T = TypeVar("T")
S = TypeVar("S")


class ListChange(BaseModel, Generic[T]):
    """A list beside one that was sent before: how long it is, and what is different, by its place."""

    length: int
    at: dict[int, T]


class SceneChange(BaseModel):
    """A drawing beside one that was sent before."""

    length_m: float
    width_m: float
    height_m: float
    shapes: ListChange[ShapeJson]
    dimensions: ListChange[DimensionJson]
    handles: ListChange[HandleJson]


class SummaryChange(BaseModel):
    """The short part of a report; what is not there is as it was."""

    blocked: bool | None = None
    attention: list[AttentionJson] | None = None
    steps: list[StepJson] | None = None
    slots: list[SlotJson] | None = None
    links: list[LinkJson] | None = None
    costs: CostsJson | None = None
    questions: list[QuestionJson] | None = None
    hitting: list[HittingJson] | None = None
    length: LengthJson | None = None
    assumed: list[str] | None = None
    up_for_good: list[BayPart] | None = None
    bags: list[BagJson] | None = None
    stages: list[StageJson] | None = None
    works: list[WorkJson] | None = None


class ReportChange(BaseModel):
    """A report beside one that was sent before."""

    verdicts: ListChange[VerdictJson]
    small_items: ListChange[SmallItemJson]
    scene: SceneChange
    stowed: SceneChange | None
    summary: SummaryChange


def report_change(report: Report, before: Report, sent: ReportJson, system: UnitSystem) -> ReportChange:
    """What is different in `report`, which was made with `before`, for a reader of `system` to whom that was `sent`."""
    return ReportChange.model_construct(
        verdicts=_verdicts(report, before, sent, system),
        small_items=ListChange[SmallItemJson].model_construct(
            length=len(report.small),
            at=_different(report.small, before.small, lambda status: small_item_json(status, system)),
        ),
        scene=_scene(report.scene, before.scene, system),
        stowed=_scene(report.stowed, before.stowed, system) if report.stowed else None,
        summary=_summary(report, sent, system),
    )


def _summary(report: Report, sent: ReportJson, system: UnitSystem) -> SummaryChange:
    told: Mapping[str, Any] = {**summary_json(report, system)}
    return SummaryChange.model_construct(**{key: value for key, value in told.items() if value != getattr(sent, key)})


def _verdicts(report: Report, before: Report, sent: ReportJson, system: UnitSystem) -> ListChange[VerdictJson]:
    """A verdict may be the same and told otherwise; what a check reads decides whether anybody has to look."""
    doubts = doubts_by_check(report, system)
    otherwise = {verdict.id for verdict in report.verdicts if report.evaluation.may_be_told_otherwise(verdict.id)}
    at: dict[int, VerdictJson] = {}
    for number, verdict in enumerate(report.verdicts):
        there = number < len(before.verdicts) and before.verdicts[number].key == verdict.key
        of_this = doubts.get(verdict.id, [])
        if there and verdict.id not in otherwise and of_this == sent.verdicts[number].doubts:
            continue
        told = verdict_json(report.told(verdict), system, of_this)
        if not there or told != sent.verdicts[number]:
            at[number] = told
    return ListChange[VerdictJson].model_construct(length=len(report.verdicts), at=at)


def _scene(scene: Scene, before: Scene | None, system: UnitSystem) -> SceneChange:
    shapes, dimensions, handles = (before.shapes, before.dimensions, before.handles) if before else ((), (), ())
    return SceneChange.model_construct(
        length_m=scene.length_m,
        width_m=scene.width_m,
        height_m=scene.height_m,
        shapes=ListChange[ShapeJson].model_construct(
            length=len(scene.shapes), at=_different(scene.shapes, shapes, shape_json)
        ),
        dimensions=ListChange[DimensionJson].model_construct(
            length=len(scene.dimensions),
            at=_different(scene.dimensions, dimensions, lambda dimension: dimension_json(dimension, system)),
        ),
        handles=ListChange[HandleJson].model_construct(
            length=len(scene.handles), at=_different(scene.handles, handles, lambda handle: handle_json(handle, system))
        ),
    )


def _different(items: Sequence[S], before: Sequence[S], to_json: Callable[[S], T]) -> dict[int, T]:
    return {
        number: to_json(item) for number, item in enumerate(items) if number >= len(before) or before[number] != item
    }
