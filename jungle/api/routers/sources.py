"""Where prices are read: sources, a look at one before it is kept, and rounds."""

from datetime import date
from typing import Any

from django.db import transaction
from django.db.models import Max
from django.utils import timezone
from ninja import Router, Status

from core.formats.report_json.sources import UnderstoodJson
from core.model.shops import Shop
from core.model.typed import FieldErrors
from core.prices.history import holds_until
from jungle.api.job_schemas import job_found, job_now
from jungle.api.replies import send
from jungle.api.requests import SignedIn
from jungle.api.schemas import Problems
from jungle.api.source_schemas import (
    LookAsked,
    LookJob,
    Paused,
    ReadingNow,
    RoundNow,
    Schedule,
    SourceAdded,
    SourceNow,
    SourcesNow,
)
from jungle.builds.services.people import units_of
from jungle.market import rounds, sources
from jungle.market import services as market
from jungle.market.models import PriceSource, Round, Series
from jungle.market.terms import market_of
from jungle.worker import jobs
from jungle.worker.models import JobKind

router = Router(tags=["sources"])
ROUNDS_TOLD = 8
NOT_THERE: dict[int, Any] = {404: Problems, 422: Problems}


@router.get("", response=SourcesNow)
def list_sources(request: SignedIn) -> Any:
    """All sources, what came of the last rounds, and how far the one is that is going on."""
    return send(_sources(request))


@router.post("", response={201: SourcesNow, **NOT_THERE})
def add_source(request: SignedIn, body: SourceAdded) -> Any:
    """Read an address from now on that was looked at before; a new shop is entered with it."""
    found = job_found(jobs.latest_job(request.user, None, JobKind.SOURCE), UnderstoodJson)
    known = sources.chosen(found, body.address, body.parts)
    with transaction.atomic():
        shop = _shop_of(request, body)
        if body.new_shop is not None:
            shop = market.add_shop(_by(request), body.new_shop)
        sources.add_source(request.user.pk, shop.id, body.address, body.private, known)
    return send(_sources(request), 201)


@router.post("/look", response={202: LookJob, **NOT_THERE})
def ask_look(request: SignedIn, body: LookAsked) -> Any:
    """Have an address looked at; nothing is kept of what stands there."""
    _shop_of(request, body)
    job = jobs.ask(request.user, None, JobKind.SOURCE, body.model_dump())
    return send(LookJob.model_construct(job=job_now(job), understood=None), 202)


@router.get("/look", response=LookJob)
def read_look(request: SignedIn) -> Any:
    """What was understood of the address that was looked at last, or how far that is."""
    job = jobs.latest_job(request.user, None, JobKind.SOURCE)
    told = job_now(job) if job else None
    return send(LookJob.model_construct(job=told, understood=job_found(job, UnderstoodJson)))


@router.post("/rounds", response={202: SourcesNow})
def ask_round(request: SignedIn) -> Any:
    """Have all sources read that are not paused; the round that is going on already, where one is."""
    jobs.ask_round(request.user)
    return send(_sources(request), 202)


@router.post("/schedule", response={200: SourcesNow, 422: Problems})
def schedule(request: SignedIn, body: Schedule) -> Any:
    """How often all sources are read."""
    rounds.schedule(request.user.pk, body.read_every_hours)
    return send(_sources(request))


@router.patch("/{int:source_id}", response={200: SourcesNow, **NOT_THERE})
def pause(request: SignedIn, source_id: int, body: Paused) -> Any:
    """Leave a source out of rounds, or read it again."""
    sources.pause_source(request.user.pk, source_id, body.paused)
    return send(_sources(request))


@router.delete("/{int:source_id}", response={204: None, **NOT_THERE})
def drop(request: SignedIn, source_id: int) -> Any:
    """Read an address no more; what was seen there stays."""
    sources.drop_source(request.user.pk, source_id)
    return Status(204, None)


def _shop_of(request: SignedIn, body: LookAsked) -> Shop:
    """The shop that is known, or the new one as it would be entered. Raises `FieldErrors`, `NoSuchTerm`."""
    if body.new_shop is not None:
        return market.shop_as_typed(_by(request), body.new_shop)
    if not body.shop:
        raise FieldErrors([("shop", "", "a shop that is entered, or what is known of a new one")])
    return market.find_shop(market_of(request.user.pk), body.shop)


def _by(request: SignedIn) -> market.By:
    return market.By(request.user, units=units_of(request.user))


def _sources(request: SignedIn) -> SourcesNow:
    owner_id = request.user.pk
    shops = {"": "Exchange rates", **{shop.id: shop.name for shop in market_of(owner_id).shops}}
    newest = dict(Series.objects.filter(owner_id=owner_id).values_list("shop").annotate(Max("newest__last_seen")))
    today = timezone.localdate()
    job = jobs.latest_job(request.user, None, JobKind.ROUND)
    told = Round.objects.filter(owner_id=owner_id).prefetch_related("readings__source")[:ROUNDS_TOLD]
    return SourcesNow.model_construct(
        job=job_now(job) if job else None,
        sources=[
            SourceNow.model_construct(
                id=source.pk,
                shop=shops.get(source.shop, source.shop),
                address=source.address,
                paused=source.paused,
                parts=len({known.part for known in sources.known_of(source).values()}),
                read_at=source.read_at.isoformat(timespec="minutes") if source.read_at else "",
                failed=source.failed,
                silent_days=_days_since(newest.get(source.shop), today),
                is_silent=source.shop in newest and holds_until(newest[source.shop]) < today,
            )
            for source in PriceSource.objects.filter(owner_id=owner_id)
        ],
        rounds=[_round(one, shops) for one in told],
        read_every_hours=rounds.read_every_hours(owner_id),
    )


def _days_since(day: date | None, today: date) -> int | None:
    return None if day is None else (today - day).days


def _round(one: Round, shops: dict[str, str]) -> RoundNow:
    return RoundNow.model_construct(
        id=one.pk,
        begun_at=one.begun_at.isoformat(timespec="minutes"),
        ended_at=one.ended_at.isoformat(timespec="minutes") if one.ended_at else "",
        readings=[
            ReadingNow.model_construct(
                shop=shops.get(reading.source.shop, reading.source.shop),
                address=reading.source.address,
                state=reading.state,
                words=reading.words,
                new=reading.new,
                extended=reading.extended,
                held_back=reading.held_back,
            )
            for reading in one.readings.all()
        ],
    )
