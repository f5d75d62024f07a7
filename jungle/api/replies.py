"""Builds as replies: the document, its texts in the reader's units, and the report."""

from collections.abc import Mapping

from django.http import HttpResponse
from django.utils import timezone
from pydantic import BaseModel

from core.formats.report_json import report_json
from core.model.build import Build as BuildDocument
from core.model.chain import plans_of
from core.model.parts import Part as SpecSheet
from core.model.parts import Plan
from core.model.typed import field_texts
from core.quantities import UnitSystem
from core.report import evaluate
from jungle.api.requests import SignedIn
from jungle.api.schemas import BuildReply, PartSheet, PlanChoice, Preview
from jungle.catalogue.models import Part
from jungle.plans.models import Build
from jungle.plans.services.editing import history_labels
from jungle.plans.services.people import units_of


def show(request: SignedIn, build: Build, status: int = 200) -> HttpResponse:
    """The build as it is now, for the person who asked."""
    return send(build_reply(build, units_of(request.user)), status)


def send(reply: BaseModel, status: int = 200) -> HttpResponse:
    """`reply` as it is: it is of the endpoint's own type, and validating a report again would double its cost."""
    return HttpResponse(reply.model_dump_json(), content_type="application/json", status=status)


def hung_sheets(owner_id: int, plan: BuildDocument) -> Mapping[str, SpecSheet]:
    """The spec sheets that `plan` hangs."""
    return Part.objects.visible_to(owner_id).named(*plan.parts_named).sheets()


def build_reply(build: Build, units: UnitSystem) -> BuildReply:
    """`build` and its report for a reader of `units`."""
    plan = build.plan
    sheets = hung_sheets(build.owner_id, plan)
    undo, redo = history_labels(build)
    return BuildReply.model_construct(
        id=build.pk,
        revision=build.revision,
        undo=undo,
        redo=redo,
        units=units,
        build=plan,
        texts=dict(field_texts(plan, units, plan.brief.currency)),
        parts={slot: _part_sheet(sheets[hung.part]) for slot, hung in plan.chain.items()},
        beside={extra.part: _part_sheet(sheets[extra.part]) for extra in plan.extras},
        report=report_json(evaluate(plan, sheets, today=timezone.localdate()), units),
    )


def preview_reply(build: Build, plan: BuildDocument, number: int, units: UnitSystem) -> Preview:
    """What `plan`, an edit of `build` that is not made yet, would be; `number` is the request's own."""
    report = report_json(evaluate(plan, hung_sheets(build.owner_id, plan), today=timezone.localdate()), units)
    texts = dict(field_texts(plan, units, plan.brief.currency))
    return Preview.model_construct(number=number, texts=texts, report=report)


def _part_sheet(sheet: SpecSheet) -> PartSheet:
    return PartSheet(
        part=sheet.id,
        maker=sheet.maker,
        name=sheet.name,
        kind=getattr(sheet, "kind", ""),
        note=sheet.note,
        price=sheet.price.told if sheet.price else "price not known",
        plans=[
            PlanChoice(id=plan.id, name=plan.name, billing=plan.billing, price=_plan_price(plan))
            for plan in plans_of(sheet)
        ],
    )


def _plan_price(plan: Plan) -> str:
    period = {"monthly": " a month", "yearly": " a year", "once": " once"}.get(plan.billing, "")
    return f"{plan.price.told}{period}" if plan.price else "free"
