"""One's own history of prices: written out, and taken in from a table or a page that was saved."""

from typing import Any

from django.http import StreamingHttpResponse
from django.utils import timezone
from ninja import File, Form, Router
from ninja.files import UploadedFile

from core.formats.looks_csv import COLUMNS, NEEDED, LookRow, looks_csv
from core.formats.report_json.sources import UnderstoodJson, understood_json
from jungle.api.files import object_in
from jungle.api.job_schemas import job_found, job_now
from jungle.api.price_schemas import HistoryJob, HistoryPreview, HistoryRow, HistoryTaken
from jungle.api.replies import send
from jungle.api.requests import SignedIn
from jungle.api.schemas import Problems
from jungle.market import price_history, sources
from jungle.market.observing import spans_of
from jungle.market.services import find_shop
from jungle.market.terms import market_of
from jungle.worker import jobs
from jungle.worker.models import JobKind

router = Router(tags=["prices"])
SHOWN = 40
"""Rows that a preview tells of, those with something wrong first."""
REFUSED: dict[int, Any] = {404: Problems, 422: Problems}


@router.get("/table", response={200: Any})
def write_history(request: SignedIn) -> Any:
    """All that was ever seen, as a table."""
    reply = StreamingHttpResponse(looks_csv(spans_of(request.user.pk)), content_type="text/csv; charset=utf-8")
    reply["Content-Disposition"] = 'attachment; filename="prices.csv"'
    return reply


@router.post("/preview", response={200: HistoryPreview, **REFUSED})
def preview_history(request: SignedIn, file: File[UploadedFile], mapping: Form[str] = "{}") -> Any:
    """What a table of prices would do, row by row; nothing is stored."""
    table = price_history.read_history(file.read())
    mapped = price_history.columns_of(table, object_in(mapping, "mapping"))
    found = list(price_history.rows_of(request.user.pk, table, mapped)) if _can_be_read(mapped) else []
    wrong = [row for row in found if row.problem]
    return send(
        HistoryPreview.model_construct(
            heading=list(table.heading),
            columns=mapped,
            asked=list(COLUMNS),
            rows=len(table.rows),
            wrong=len(wrong),
            first=[_row(row) for row in [*wrong, *(row for row in found if not row.problem)][:SHOWN]],
        )
    )


@router.post("", response={202: HistoryJob, **REFUSED})
def take_history(request: SignedIn, file: File[UploadedFile], mapping: Form[str] = "{}") -> Any:
    """Have a table of prices taken in; rows with something wrong are left out and told."""
    content = file.read()
    table = price_history.read_history(content)
    mapped = price_history.columns_of(table, object_in(mapping, "mapping"))
    next(price_history.rows_of(request.user.pk, table, mapped), None)
    wishes = {"file": price_history.keep_for_later(content), "columns": mapped}
    job = jobs.ask(request.user, None, JobKind.HISTORY, wishes)
    return send(HistoryJob.model_construct(job=job_now(job), taken=None), 202)


@router.get("", response=HistoryJob)
def read_history(request: SignedIn) -> Any:
    """What became of the table that was taken in last, or how far it is."""
    job = jobs.latest_job(request.user, None, JobKind.HISTORY)
    told = job_now(job) if job else None
    return send(HistoryJob.model_construct(job=told, taken=job_found(job, HistoryTaken)))


@router.post("/page", response={200: UnderstoodJson, **REFUSED})
def preview_page(request: SignedIn, file: File[UploadedFile], shop: Form[str]) -> Any:
    """How a page or a feed of a shop that was saved as a file is understood; nothing is stored."""
    known = find_shop(market_of(request.user.pk), shop)
    found = sources.understood(request.user.pk, file.read(), file.content_type or "", known)
    return understood_json(file.name or "", found.form, found.things, found.parts)


@router.post("/page/kept", response={200: HistoryTaken, **REFUSED})
def take_page(request: SignedIn, file: File[UploadedFile], shop: Form[str]) -> Any:
    """Keep what a saved page or feed says of parts that are recognised, as seen today."""
    known = find_shop(market_of(request.user.pk), shop)
    found = sources.understood(request.user.pk, file.read(), file.content_type or "", known)
    taken = price_history.take_page(request.user.pk, known, found, timezone.localdate())
    return send(HistoryTaken(**taken.told))


def _can_be_read(columns: dict[str, int]) -> bool:
    return all(column in columns for column in NEEDED)


def _row(row: LookRow) -> HistoryRow:
    if not row.looks:
        return HistoryRow(line=row.line, says="", problem=row.problem)
    first, last = row.looks[0], row.looks[-1]
    until = f" to {last.day}" if last.day != first.day else ""
    return HistoryRow(
        line=row.line, says=f"{first.part} at {first.shop}: {first.price.told}, {first.day}{until}", problem=""
    )
