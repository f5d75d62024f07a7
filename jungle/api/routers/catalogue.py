"""The Catalogue: parts found, written and changed; packs and price lists taken in and written out."""

import json
from datetime import date
from functools import cache
from typing import Annotated, Any

from django.http import HttpResponse
from django.utils import timezone
from ninja import File, Form, Query, Router, Status
from ninja.files import UploadedFile
from pydantic import TypeAdapter

from core.checks.verdict import State
from core.formats.machine_report import known_machines, read_machine_report
from core.formats.parts_pack import write_parts_pack
from core.formats.report_json.sheets import (
    SheetKindJson,
    facts_json,
    kind_json,
    list_row_json,
    pack_row_json,
    rows_json,
)
from core.model.parts import KINDS
from core.model.parts.price import price_text
from core.model.typed import FieldErrors
from core.report.alternatives import weighed
from core.report.shortlist import judged_first, prices_of
from jungle.api.replies import send
from jungle.api.requests import SignedIn
from jungle.api.schemas import (
    AskedFact,
    CatalogueHistory,
    Cited,
    FoundPart,
    FoundParts,
    ListPreview,
    ListTaken,
    MachineRead,
    NamedParts,
    NewPart,
    PackPreview,
    PackTaken,
    PartDetail,
    PartFacts,
    Problems,
    WantedParts,
)
from jungle.catalogue import history, packs, sheets
from jungle.catalogue.finding import found_parts
from jungle.catalogue.models import Part
from jungle.plans.services.builds import builds_with
from jungle.plans.services.editing import find_build
from jungle.plans.services.people import units_of

router = Router(tags=["catalogue"])
REFUSED: dict[int, Any] = {404: Problems, 422: Problems}
SHOWN_PARTS = 300
KIND_ORDER = {kind: number for number, kind in enumerate(KINDS)}


@router.get("/kinds", response=list[SheetKindJson])
def list_kinds(request: SignedIn) -> Any:
    """Every kind of part and its sheet: what each fact means, how it is typed, and which checks read it."""
    return HttpResponse(_kinds(), content_type="application/json")


@router.get("/named", response=NamedParts)
def list_named(request: SignedIn) -> Any:
    """Monitors and titles by id and name: what facts that refer to another part may name."""
    owned = Part.objects.visible_to(request.user.pk)
    return send(
        NamedParts(
            **{
                place: [(part.id, f"{part.maker} {part.name}") for part in owned.filter(slot=place).listed()]
                for place in NamedParts.model_fields
            }
        )
    )


@router.get("/parts", response={200: FoundParts, **REFUSED})
def find_parts(request: SignedIn, wanted: Annotated[WantedParts, Query()]) -> Any:
    """Parts by kind, words, price and origin; with a build also by what fits its room and works with what is hung."""
    owned = Part.objects.visible_to(request.user.pk)
    plan = find_build(wanted.build, request.user).plan if wanted.build else None
    asked = owned.touched() if wanted.own else owned
    listed = (asked.filter(kind=wanted.kind) if wanted.kind else asked).listed()
    chosen = found_parts(listed, wanted, plan.brief.currency if plan else "EUR")
    unjudged = 0
    if plan and (wanted.fits or wanted.works):
        hung = owned.named(*plan.parts_named).sheets()
        judged = owned.named(*judged_first(chosen, prices_of(plan, hung))).sheets()
        allowed = {
            found.part.id
            for found in weighed(plan, {**hung, **judged}, judged.values(), timezone.localdate())
            if (found.state is not State.BLOCKED or not wanted.works) and (found.fits_room or not wanted.fits)
        }
        unjudged = sum(part.slot is not None and part.id not in judged for part in chosen)
        chosen = tuple(part for part in chosen if part.slot is None or part.id in allowed)
    in_order = sorted(chosen, key=lambda part: (KIND_ORDER[part.kind], part.maker, part.name))[:SHOWN_PARTS]
    rows = {row.name_id: row for row in owned.named(*(part.id for part in in_order))}
    parts_found = [_found(rows[part.id]) for part in in_order]
    return send(FoundParts.model_construct(parts=parts_found, found=len(chosen), all=asked.count(), unjudged=unjudged))


@router.post("/parts", response={201: PartDetail, **REFUSED})
def add_part(request: SignedIn, body: NewPart) -> Any:
    """A part of one's own."""
    units = units_of(request.user)
    part = sheets.add_part(request.user.pk, body.kind, {**body.facts, **body.rows}, units, body.currency)
    return send(_detail(part, request, timezone.localdate()), 201)


@router.get("/history", response=CatalogueHistory)
def read_history(request: SignedIn) -> Any:
    """What undo would take back, and what redo would make again."""
    return send(_history(request))


@router.post("/undo", response={200: CatalogueHistory, **REFUSED})
def undo(request: SignedIn) -> Any:
    """Take the newest edit of the catalogue back, whatever it touched."""
    history.undo_edit(request.user.pk, lambda part: builds_with(request.user, part))
    return send(_history(request))


@router.post("/redo", response={200: CatalogueHistory, **REFUSED})
def redo(request: SignedIn) -> Any:
    """Make the edit again that was undone last."""
    history.redo_edit(request.user.pk, lambda part: builds_with(request.user, part))
    return send(_history(request))


@router.get("/parts/{part_id}", response={200: PartDetail, **REFUSED})
def read_part(request: SignedIn, part_id: str) -> Any:
    """One part with all its facts and their sources."""
    return send(_detail(sheets.find_part(request.user.pk, part_id), request, timezone.localdate()))


@router.patch("/parts/{part_id}", response={200: PartDetail, **REFUSED})
def change_part(request: SignedIn, part_id: str, body: PartFacts) -> Any:
    """Other facts for a part, for oneself; the sheet as it came is kept."""
    typed = {**body.facts, **body.rows}
    part = sheets.change_part(request.user.pk, part_id, typed, units_of(request.user), body.currency)
    return send(_detail(part, request, timezone.localdate()))


@router.put("/parts/{part_id}/sources/{field}", response={200: PartDetail, **REFUSED})
def cite(request: SignedIn, part_id: str, field: str, body: Cited) -> Any:
    """Where a fact was read, when, and what somebody else states instead."""
    part = sheets.cite(request.user.pk, part_id, field, body.model_dump(exclude_unset=True), units_of(request.user))
    return send(_detail(part, request, timezone.localdate()))


@router.post("/parts/{part_id}/restore", response={200: PartDetail, **REFUSED})
def restore_part(request: SignedIn, part_id: str) -> Any:
    """The sheet as it came."""
    return send(_detail(sheets.restore_part(request.user.pk, part_id), request, timezone.localdate()))


@router.delete("/parts/{part_id}", response={204: None, **REFUSED})
def remove_part(request: SignedIn, part_id: str) -> Any:
    """Take a part out of the catalogue, unless a build or its history names it."""
    sheets.remove_part(request.user.pk, part_id, builds_with(request.user, part_id))
    return Status(204, None)


@router.post("/pack/preview", response={200: PackPreview, 422: Problems})
def preview_pack(request: SignedIn, file: File[UploadedFile]) -> Any:
    """What a parts pack would do; nothing is stored."""
    pack, rows = packs.preview_pack(request.user.pk, file.read())
    units = units_of(request.user)
    return send(PackPreview.model_construct(name=pack.name, rows=[pack_row_json(row, units) for row in rows]))


@router.post("/pack", response={200: PackTaken, 422: Problems})
def take_pack(request: SignedIn, file: File[UploadedFile], choices: Form[str] = "{}") -> Any:
    """Take a parts pack in; `choices` says by part id whether to take, keep, or have both."""
    done = packs.take_pack(request.user.pk, file.read(), _object(choices, "choices"))
    return send(PackTaken(**{choice.value: count for choice, count in done.items()}))


@router.get("/pack", response={200: Any})
def write_pack(request: SignedIn) -> Any:
    """One's own parts and changed facts, as a parts pack."""
    pack = packs.written_pack(request.user.pk, f"Parts of {request.user.get_username()}")
    reply = HttpResponse(write_parts_pack(pack), content_type="application/json")
    reply["Content-Disposition"] = 'attachment; filename="parts.json"'
    return reply


@router.post("/list/preview", response={200: ListPreview, 422: Problems})
def preview_list(
    request: SignedIn, file: File[UploadedFile], mapping: Form[str] = "{}", currency: Form[str] = "EUR"
) -> Any:
    """What a price list would do, row by row; nothing is stored."""
    columns = _object(mapping, "mapping")
    heading, used, rows = packs.preview_list(request.user.pk, file.read(), columns, currency)
    return send(
        ListPreview.model_construct(
            heading=list(heading),
            mapping={column.value: number for column, number in used.items()},
            rows=[list_row_json(row) for row in rows],
        )
    )


@router.post("/list", response={200: ListTaken, 422: Problems})
def take_list(
    request: SignedIn, file: File[UploadedFile], mapping: Form[str] = "{}", currency: Form[str] = "EUR"
) -> Any:
    """Take in the rows of a price list that nothing is wrong with."""
    prices, added = packs.take_list(request.user.pk, file.read(), _object(mapping, "mapping"), currency)
    return send(ListTaken(prices=prices, added=added))


@router.post("/machine-report", response={200: MachineRead, 422: Problems})
def read_report(request: SignedIn, file: File[UploadedFile]) -> Any:
    """What a computer's own report says, and what has to be asked; nothing is stored."""
    known = known_machines(Part.objects.visible_to(request.user.pk).sheets().values())
    reading = read_machine_report(file.read(), known)
    facts = {field: str(value) for field, value in reading.facts.items()}
    asked = [AskedFact(field=field, how=how) for field, how in reading.asked]
    return send(MachineRead.model_construct(told_by=reading.told_by, facts=facts, asked=asked))


@cache
def _kinds() -> bytes:
    return TypeAdapter(list[SheetKindJson]).dump_json([kind_json(kind) for kind in KINDS])


def _history(request: SignedIn) -> CatalogueHistory:
    undo, redo = history.edit_labels(request.user.pk)
    return CatalogueHistory(undo=undo, redo=redo)


def _object(text: str, field: str) -> dict[str, Any]:
    try:
        value = json.loads(text)
    except ValueError:
        value = None
    if not isinstance(value, dict):
        raise FieldErrors([(field, text, "a JSON object")])
    return value


def _found(part: Part) -> FoundPart:
    sheet = part.sheet
    return FoundPart.model_construct(
        part=part.name_id,
        kind=part.kind,
        slot=part.slot,
        maker=sheet.maker,
        name=sheet.name,
        note=sheet.note,
        price=sheet.price.told if sheet.price else "price not known",
        origin=part.origin,
        changed=bool(part.original),
        disputed=sum(source.other is not None for source in sheet.sources.values()),
    )


def _detail(part: Part, request: SignedIn, today: date) -> PartDetail:
    sheet = part.sheet
    return PartDetail.model_construct(
        part=_found(part),
        price_typed=price_text(sheet.price) if sheet.price else "",
        facts=facts_json(sheet, units_of(request.user), today),
        rows=rows_json(sheet, units_of(request.user)),
        builds=builds_with(request.user, part.name_id),
    )
