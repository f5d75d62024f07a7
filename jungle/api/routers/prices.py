"""The Prices view: what was seen of prices, and whether to buy or to wait."""

from collections.abc import Mapping
from typing import Annotated, Any

from django.http import HttpResponse
from django.utils import timezone
from ninja import Path, Router

from core.formats.prices_ics import prices_ics
from core.formats.report_json.bought import bought_json
from core.formats.report_json.prices import LineDetailJson, PricesJson, line_detail_json, prices_json
from core.model.ledger import LineOf, LinePlace
from core.model.parts.price import Price
from core.model.shops import Shop
from core.model.watch import WatchKind
from core.quantities import Money, UnitSystem
from core.report.ask_first import Question
from core.report.prices import needed_by_of, week_costs_minor_of
from jungle.api.job_schemas import job_found, job_now
from jungle.api.price_schemas import (
    Answered,
    AroundBuying,
    BackTested,
    BackTestJob,
    PriceLog,
    QuestionNow,
    SeenChange,
    SeenPrice,
    Struck,
)
from jungle.api.replies import send
from jungle.api.requests import SignedIn
from jungle.api.schemas import Problems
from jungle.builds.services.editing import find_build
from jungle.builds.services.people import units_of
from jungle.builds.services.prices import (
    PriceQuestion,
    bought_for,
    old_prices_for,
    price_of_line,
    prices_for,
    to_ask_first,
)
from jungle.market import observing
from jungle.market.models import Observation
from jungle.market.terms import market_of
from jungle.watching import asking, watches
from jungle.watching.models import AskedFirst
from jungle.worker import jobs
from jungle.worker.models import JobKind

router = Router(tags=["prices"])
seen = Router(tags=["prices"])
"""Of observations, whichever build asks."""
NOT_THERE: dict[int, Any] = {404: Problems, 422: Problems}


@router.get("/{int:build_id}/prices", response={200: PricesJson, **NOT_THERE})
def read_prices(request: SignedIn, build_id: int, count_weeks: bool = False) -> Any:
    """What is still to be bought, each with what is usual of its price, where today stands, and what to do."""
    build, today = find_build(build_id, request.user), timezone.localdate()
    lines = prices_for(request.user, build, _question(request, build_id, count_weeks))
    week_minor = week_costs_minor_of(build.design)
    week_costs = None if week_minor is None else Money(round(week_minor), build.design.brief.currency)
    old, needed_by = old_prices_for(request.user, build), needed_by_of(build.design, today)
    return prices_json(lines, old, today, needed_by, week_costs, units_of(request.user))


@router.get("/{int:build_id}/prices/lines/{place}/{of}", response={200: LineDetailJson, **NOT_THERE})
def read_line(
    request: SignedIn,
    build_id: int,
    place: Annotated[LinePlace, Path()],
    of: Annotated[LineOf, Path()],
    count_weeks: bool = False,
) -> Any:
    """One line over time, and what is asked for it now, delivered."""
    build = find_build(build_id, request.user)
    question = _question(request, build_id, count_weeks)
    line, offers = price_of_line(request.user, build, f"{place}/{of}", question)
    return line_detail_json(line, offers, timezone.localdate(), units_of(request.user))


@router.get("/{int:build_id}/prices/{part}", response={200: PriceLog, **NOT_THERE})
def read_log(request: SignedIn, build_id: int, part: Annotated[str, Path(max_length=80)]) -> Any:
    """What was seen of one part, the newest first: also what is held back, and what was struck out."""
    find_build(build_id, request.user)
    return send(_log(request, part))


@router.get("/{int:build_id}/prices-calendar", response={200: Any, **NOT_THERE})
def write_calendar(request: SignedIn, build_id: int) -> Any:
    """When things are needed, when waiting ends, and when sales were a year ago, as a calendar."""
    build = find_build(build_id, request.user)
    lines = prices_for(request.user, build, _question(request, build_id, counts_weeks=False))
    text = prices_ics(build.name, lines, f"build-{build_id}", timezone.localdate(), timezone.now())
    reply = HttpResponse(text, content_type="text/calendar; charset=utf-8")
    reply["Content-Disposition"] = f'attachment; filename="prices-{build_id}.ics"'
    return reply


@router.get("/{int:build_id}/around-buying", response={200: AroundBuying, **NOT_THERE})
def read_around(request: SignedIn, build_id: int) -> Any:
    """What was bought and its price since, and whom to ask before the rest is."""
    return send(_around(request, build_id))


@router.post("/{int:build_id}/around-buying/answers", response={200: AroundBuying, **NOT_THERE})
def answer(request: SignedIn, build_id: int, body: Answered) -> Any:
    """Write down what somebody answered who was asked first."""
    asking.answer(request.user, build_id, body.question, body.answer, timezone.localdate())
    return send(_around(request, build_id))


@router.post("/{int:build_id}/prices-tested", response={202: BackTestJob, **NOT_THERE})
def ask_back_test(request: SignedIn, build_id: int) -> Any:
    """Have it worked out how good the advice would have been."""
    job = jobs.ask(request.user, build_id, JobKind.BACK_TEST, {})
    return send(BackTestJob.model_construct(job=job_now(job), tested=None), 202)


@router.get("/{int:build_id}/prices-tested", response={200: BackTestJob, **NOT_THERE})
def read_back_test(request: SignedIn, build_id: int) -> Any:
    """How good the advice would have been, or how far that is."""
    job = jobs.latest_job(request.user, build_id, JobKind.BACK_TEST)
    told = job_now(job) if job else None
    return send(BackTestJob.model_construct(job=told, tested=job_found(job, BackTested)))


@seen.post("/{int:observation_id}/strike", response={200: PriceLog, **NOT_THERE})
def strike(request: SignedIn, observation_id: int, body: Struck) -> Any:
    """Believe an observation no more, for a reason."""
    return send(_log(request, observing.strike(request.user.pk, observation_id, body.reason)))


@seen.post("/{int:observation_id}/{change}", response={200: PriceLog, **NOT_THERE})
def believe(request: SignedIn, observation_id: int, change: SeenChange) -> Any:
    """Bring one back that was struck out, or confirm one that was held back."""
    believed = observing.confirm if change is SeenChange.CONFIRM else observing.bring_back
    return send(_log(request, believed(request.user.pk, observation_id)))


def _around(request: SignedIn, build_id: int) -> AroundBuying:
    build, units = find_build(build_id, request.user), units_of(request.user)
    answers = asking.answers_of(request.user, build_id)
    return AroundBuying.model_construct(
        bought=bought_json(bought_for(request.user, build), units),
        questions=[_asked(one, answers.get(one.id), units) for one in to_ask_first(request.user, build)],
    )


def _asked(question: Question, answer: AskedFirst | None, units: UnitSystem) -> QuestionNow:
    return QuestionNow(
        id=question.id,
        whom=question.whom.text(units),
        what=question.what.text(units),
        answer=answer.answer if answer else "",
        answered_on=answer.answered_on.isoformat() if answer else "",
    )


def _question(request: SignedIn, build_id: int, counts_weeks: bool) -> PriceQuestion:
    """A line that is watched is needed when its watch says."""
    watched = [stored.watch for stored in watches.watches_of(request.user, build_id)]
    days = {one.subject: one.needed_by for one in watched if one.kind is WatchKind.LINE and one.needed_by is not None}
    return PriceQuestion(days, counts_weeks)


def _log(request: SignedIn, part: str) -> PriceLog:
    shops = market_of(request.user.pk).shop_by_id
    found = observing.log_of(request.user.pk, part)
    return PriceLog.model_construct(seen=[_seen(one, shops) for one in found], most=observing.MOST_TOLD)


def _seen(one: Observation, shops: Mapping[str, Shop]) -> SeenPrice:
    shop = shops.get(one.series.shop)
    price = Price(minor=one.minor, currency=one.currency, tax_included=one.tax_included)
    return SeenPrice(
        id=one.pk,
        shop=shop.name if shop else one.series.shop,
        sold_as=one.series.sold_as,
        price=price.told,
        in_stock=one.in_stock,
        first_seen=one.first_seen.isoformat(),
        last_seen=one.last_seen.isoformat(),
        source=one.source,
        held_back=one.held_back,
        struck=one.struck,
    )
