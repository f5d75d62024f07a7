"""The Catalogue: parts found, written and changed; packs and price lists taken in and written out."""

from functools import cache
from typing import Annotated, Any

from django.http import HttpResponse
from ninja import File, Form, Query, Router, Status
from ninja.files import UploadedFile
from pydantic import Field, TypeAdapter

from core.formats.machine_report import known_machines, read_machine_report
from core.formats.parts_pack import write_parts_pack
from core.formats.report_json.sheets import (
    SheetKindJson,
    kind_json,
    list_row_json,
    pack_row_json,
)
from core.model.build import Slot
from core.model.parts import KINDS
from jungle.api.files import object_in
from jungle.api.replies import found_part, part_detail, send
from jungle.api.requests import SignedIn
from jungle.api.schemas import (
    AskedFact,
    CatalogueHistory,
    CatalogueStep,
    Cited,
    ForBuilds,
    FoundParts,
    InUse,
    ListPreview,
    ListTaken,
    MachineRead,
    NamedParts,
    NewPart,
    PackPreview,
    PackTaken,
    PartChange,
    PartDetail,
    Problems,
    StalePart,
    WantedParts,
)
from jungle.builds.services import finding, parts
from jungle.builds.services.parts import Builds, By
from jungle.builds.services.people import units_of
from jungle.catalogue import history, packs
from jungle.catalogue.entries import revision_of
from jungle.catalogue.models import Entry
from jungle.catalogue.sheets import find_entry

router = Router(tags=["catalogue"])
REFUSED: dict[int, Any] = {404: Problems, 409: StalePart | InUse | Problems, 422: Problems}
SHOWN_PARTS = 300
FormRevision = Annotated[int, Field(ge=0, le=2**31)]
"""As a form sends it: a text."""


@router.get("/kinds", response=list[SheetKindJson])
def list_kinds(request: SignedIn) -> Any:
    """Every kind of part and its sheet: what each fact means, how it is typed, and which checks read it."""
    return HttpResponse(_kinds(), content_type="application/json")


@router.get("/named", response=NamedParts)
def list_named(request: SignedIn) -> Any:
    """Monitors and titles by id and name: what facts that refer to another part may name."""
    owned = Entry.objects.visible_to(request.user.pk)
    return send(
        NamedParts(
            **{
                place: [(part.id, f"{part.maker} {part.name}") for part in owned.of_slots(place).listed()]
                for place in NamedParts.model_fields
            }
        )
    )


@router.get("/parts", response={200: FoundParts, **REFUSED})
def find_parts(request: SignedIn, wanted: Annotated[WantedParts, Query()]) -> Any:
    """Parts by kind, words, price and origin; with a build also by what fits its room and works with what is hung."""
    found = finding.find_parts(request.user, wanted)
    shown = Entry.objects.visible_to(request.user.pk).named(*(part.id for part in found.parts[:SHOWN_PARTS]))
    entries, read = {entry.part_id: entry for entry in shown.select_related("sheet")}, shown.sheets()
    listed = [found_part(entries[part.id], read[part.id]) for part in found.parts[:SHOWN_PARTS] if part.id in read]
    reply = FoundParts.model_construct(parts=listed, found=len(found.parts), all=found.all, unjudged=found.unjudged)
    return send(reply)


@router.post("/parts", response={201: PartDetail, **REFUSED})
def add_part(request: SignedIn, body: NewPart) -> Any:
    """A part of one's own."""
    currency = finding.currency_of(request.user, body.build)
    entry = parts.add_part(By(request.user), body.kind, {**body.facts, **body.rows}, currency)
    return send(part_detail(entry, request), 201)


@router.get("/history", response=CatalogueHistory)
def read_history(request: SignedIn) -> Any:
    """What undo would take back, and what redo would make again."""
    return send(_history(request))


@router.post("/undo", response={200: CatalogueHistory, **REFUSED})
def undo(request: SignedIn, body: CatalogueStep) -> Any:
    """Take the newest edit of the catalogue back, whatever it touched."""
    parts.undo_edit(_by(request, body))
    return send(_history(request))


@router.post("/redo", response={200: CatalogueHistory, **REFUSED})
def redo(request: SignedIn, body: CatalogueStep) -> Any:
    """Make the edit again that was undone last."""
    parts.redo_edit(_by(request, body))
    return send(_history(request))


@router.get("/parts/{part_id}", response={200: PartDetail, **REFUSED})
def read_part(request: SignedIn, part_id: str) -> Any:
    """One part with all its facts and their sources."""
    return send(part_detail(find_entry(request.user.pk, part_id), request))


@router.patch("/parts/{part_id}", response={200: PartDetail, **REFUSED})
def change_part(request: SignedIn, part_id: str, body: PartChange) -> Any:
    """Other facts for a part, for oneself; the sheet as it came is kept."""
    by, typed = _for(request, body), {**body.facts, **body.rows}
    currency = finding.currency_of(request.user, body.build)
    return send(part_detail(parts.change_part(by, part_id, body.revision, typed, currency), request))


@router.put("/parts/{part_id}/sources/{field}", response={200: PartDetail, **REFUSED})
def cite(request: SignedIn, part_id: str, field: str, body: Cited) -> Any:
    """Where a fact was read, when, and what somebody else states instead."""
    typed = body.model_dump(exclude_unset=True, exclude={"revision"})
    return send(part_detail(parts.cite(By(request.user), part_id, body.revision, field, typed), request))


@router.post("/parts/{part_id}/restore", response={200: PartDetail, **REFUSED})
def restore_part(request: SignedIn, part_id: str, body: CatalogueStep) -> Any:
    """The sheet as it came."""
    return send(part_detail(parts.restore_part(_for(request, body), part_id, body.revision), request))


@router.delete("/parts/{part_id}", response={204: None, **REFUSED})
def remove_part(request: SignedIn, part_id: str, bring_along: bool = False) -> Any:
    """Take a part out of the catalogue; builds that name it refuse, or go on without it."""
    parts.remove_part(_for(request, ForBuilds(bring_along=bring_along)), part_id)
    return Status(204, None)


@router.post("/pack/preview", response={200: PackPreview, 422: Problems})
def preview_pack(request: SignedIn, file: File[UploadedFile]) -> Any:
    """What a parts pack would do; nothing is stored."""
    revision = revision_of(request.user.pk)
    read = packs.read_pack(request.user.pk, packs.parse_pack(file.read()))
    rows = [pack_row_json(row, units_of(request.user)) for row in read.rows]
    return send(PackPreview.model_construct(name=read.pack.name, revision=revision, rows=rows))


@router.post("/pack", response={200: PackTaken, **REFUSED})
def take_pack(
    request: SignedIn,
    file: File[UploadedFile],
    choices: Form[str] = "{}",
    revision: Form[FormRevision | None] = None,
    bring_along: Form[bool] = False,
) -> Any:
    """Take a parts pack in; `choices` says by part id whether to take, keep, or have both."""
    by = By(request.user, revision, _builds(bring_along))
    done = parts.take_pack(by, packs.parse_pack(file.read()), object_in(choices, "choices"))
    return send(PackTaken(**{choice.value: count for choice, count in done.items()}))


@router.get("/pack", response={200: Any})
def write_pack(request: SignedIn) -> Any:
    """One's own parts and changed facts, as a parts pack."""
    pack = packs.written_pack(request.user.pk, f"Parts of {request.user.get_username()}")
    reply = HttpResponse(write_parts_pack(pack), content_type="application/json")
    reply["Content-Disposition"] = 'attachment; filename="parts.json"'
    return reply


@router.post("/list/preview", response={200: ListPreview, 422: Problems})
def preview_list(request: SignedIn, file: File[UploadedFile], mapping: Form[str] = "{}", build: Form[int] = 0) -> Any:
    """What a price list would do, row by row; nothing is stored."""
    revision, columns = revision_of(request.user.pk), object_in(mapping, "mapping")
    currency = finding.currency_of(request.user, build)
    read = packs.read_list(request.user.pk, packs.parse_list(file.read()), columns, currency)
    return send(
        ListPreview.model_construct(
            heading=list(read.table.heading),
            revision=revision,
            mapping={column.value: number for column, number in read.columns.items()},
            rows=[list_row_json(row) for row in read.rows],
        )
    )


@router.post("/list", response={200: ListTaken, **REFUSED})
def take_list(
    request: SignedIn,
    file: File[UploadedFile],
    mapping: Form[str] = "{}",
    build: Form[int] = 0,
    revision: Form[FormRevision | None] = None,
) -> Any:
    """Take in the rows of a price list that nothing is wrong with."""
    table, currency = packs.parse_list(file.read()), finding.currency_of(request.user, build)
    done = parts.take_list(By(request.user, revision), table, object_in(mapping, "mapping"), currency)
    return send(ListTaken(**done))


@router.post("/machine-report", response={200: MachineRead, 422: Problems})
def read_report(request: SignedIn, file: File[UploadedFile]) -> Any:
    """What a computer's own report says, and what has to be asked; nothing is stored."""
    known = known_machines(
        Entry.objects.visible_to(request.user.pk).of_slots(Slot.MACHINE, Slot.TITLE).sheets().values()
    )
    reading = read_machine_report(file.read(), known)
    facts = {field: str(value) for field, value in reading.facts.items()}
    asked = [AskedFact(field=field, how=how) for field, how in reading.asked]
    return send(MachineRead.model_construct(told_by=reading.told_by, facts=facts, asked=asked))


@cache
def _kinds() -> bytes:
    return TypeAdapter(list[SheetKindJson]).dump_json([kind_json(kind) for kind in KINDS])


def _history(request: SignedIn) -> CatalogueHistory:
    undo, redo = history.edit_labels(request.user.pk)
    return CatalogueHistory(undo=undo, redo=redo, revision=revision_of(request.user.pk))


def _builds(bring_along: bool) -> Builds:
    return Builds.BRING_ALONG if bring_along else Builds.REFUSE


def _for(request: SignedIn, body: ForBuilds) -> By:
    return By(request.user, builds=_builds(body.bring_along))


def _by(request: SignedIn, body: CatalogueStep) -> By:
    return By(request.user, body.revision, _builds(body.bring_along))
