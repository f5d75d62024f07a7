"""Builds and parts as replies: the document, its texts in the reader's units, and the report."""

from collections.abc import Callable

from django.http import HttpResponse
from django.utils import timezone
from pydantic import BaseModel

from core.formats.report_json.difference import report_change
from core.formats.report_json.sheets import facts_json, rows_json
from core.model.build import Build
from core.model.chain import plans_of
from core.model.parts import Part as SpecSheet
from core.model.parts.price import price_text
from core.model.typed import field_texts
from core.quantities import UnitSystem
from jungle.api.changes import Change
from jungle.api.requests import SignedIn
from jungle.api.schemas import BuildReply, FoundPart, PartDetail, PartSheet, PlanChoice, Preview
from jungle.builds.judging import judge_moved
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import On
from jungle.builds.services.people import units_of
from jungle.builds.ties import names_of_builds_naming
from jungle.catalogue.models import Entry


def answer_for(request: SignedIn) -> Callable[[StoredBuild], str]:
    """How an edit is answered; asked for before it is stored."""
    units = units_of(request.user)
    return lambda build: build_reply(build, units).model_dump_json()


def edit_on(request: SignedIn, build_id: int, body: Change) -> On:
    """The edit that a request asks for."""
    return On(build_id, body.revision, request.user, answer_for(request), body.key)


def show(request: SignedIn, build: StoredBuild, status: int = 200) -> HttpResponse:
    """The build as it is now, for the person who asked."""
    text = build.answer or build_reply(build, units_of(request.user)).model_dump_json()
    return HttpResponse(text, content_type="application/json", status=status)


def send(reply: BaseModel, status: int = 200) -> HttpResponse:
    """`reply` as it is: it is of the endpoint's own type, and validating a report again would double its cost."""
    return HttpResponse(reply.model_dump_json(), content_type="application/json", status=status)


def build_reply(build: StoredBuild, units: UnitSystem) -> BuildReply:
    """`build` and its report for a reader of `units`. Raises `UnreadableBuild`."""
    judged = build.judged
    design, sheets = judged.document, judged.sheets
    shown = judged.shown(units)
    undo, redo = build.labels
    return BuildReply.model_construct(
        id=build.pk,
        revision=build.revision,
        undo=undo,
        redo=redo,
        units=units,
        build=design,
        texts=shown.texts,
        parts={slot: _part_sheet(sheets[hung.part]) for slot, hung in design.chain.items()},
        beside={extra.part: _part_sheet(sheets[extra.part]) for extra in design.extras},
        report=shown.report,
    )


def preview_reply(build: StoredBuild, design: Build, number: int, units: UnitSystem) -> Preview:
    """What differs if `design`, an edit of `build` that moves something, were made; `number` is the request's own."""
    judged, sent = build.judged, build.judged.shown(units)
    moved = judge_moved(design, judged)
    return Preview.model_construct(
        number=number,
        revision=build.revision,
        texts={
            field: text
            for field, text in field_texts(design, units, design.brief.currency, but=judged.document)
            if sent.texts.get(field) != text
        },
        report=report_change(moved.report, judged.report, sent.report, units),
    )


def found_part(entry: Entry, sheet: SpecSheet) -> FoundPart:
    """A part of the catalogue in short."""
    return FoundPart.model_construct(
        part=entry.part_id,
        kind=entry.sheet.kind,
        slot=entry.sheet.slot,
        maker=sheet.maker,
        name=sheet.name,
        note=sheet.note,
        price=sheet.price.told if sheet.price else "price not known",
        origin=entry.origin,
        changed=entry.came_as_id is not None,
        disputed=sum(source.other is not None for source in sheet.sources.values()),
    )


def part_detail(entry: Entry, request: SignedIn) -> PartDetail:
    """A part with all its facts and their sources."""
    sheet, units = entry.spec, units_of(request.user)
    return PartDetail.model_construct(
        part=found_part(entry, sheet),
        revision=entry.revision,
        price_typed=price_text(sheet.price) if sheet.price else "",
        facts=facts_json(sheet, units, timezone.localdate()),
        rows=rows_json(sheet, units),
        builds=names_of_builds_naming(entry.owner_id, entry.part_id),
    )


def _part_sheet(sheet: SpecSheet) -> PartSheet:
    return PartSheet(
        part=sheet.id,
        maker=sheet.maker,
        name=sheet.name,
        kind=getattr(sheet, "kind", ""),
        note=sheet.note,
        price=sheet.price.told if sheet.price else "price not known",
        plans=[
            PlanChoice(id=plan.id, name=plan.name, billing=plan.billing, price=plan.told) for plan in plans_of(sheet)
        ],
    )
