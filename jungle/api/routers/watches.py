"""Watches on a build, the alerts that they give, and the mailbox that stands in for a real one."""

from typing import Any

from django.conf import settings
from django.utils import timezone
from ninja import Router, Status

from core.model.shops import Market
from core.model.typed import FieldErrors
from core.model.watch import Watch
from core.quantities import Money
from core.quantities.money import ACCEPTED_MONEY, MoneyError, parse_minor
from jungle.api.job_schemas import job_now
from jungle.api.replies import send
from jungle.api.requests import SignedIn
from jungle.api.schemas import Problems
from jungle.api.watch_schemas import AlertNow, MailboxNow, MailNow, WatchesNow, WatchNow, WatchSet
from jungle.builds.services.editing import find_build
from jungle.market.terms import market_of
from jungle.standins.mailbox import Mailbox, mails_to
from jungle.watching import watches
from jungle.watching.mail import address_of
from jungle.watching.models import Alert, StoredWatch
from jungle.worker import jobs
from jungle.worker.models import JobKind

router = Router(tags=["watches"])
told = Router(tags=["watches"])
"""Of watches and alerts, whichever build they are of."""
NOT_THERE: dict[int, Any] = {404: Problems, 422: Problems}
STAND_IN = f"{Mailbox.__module__}.{Mailbox.__name__}"


@router.get("/{int:build_id}/watches", response={200: WatchesNow, 404: Problems})
def list_watches(request: SignedIn, build_id: int) -> Any:
    """What is waited for, and what came to its target and nobody has put away."""
    return send(_watches(request, build_id))


@router.post("/{int:build_id}/watches", response={201: WatchesNow, **NOT_THERE})
def set_watch(request: SignedIn, build_id: int, body: WatchSet) -> Any:
    """Wait for something; it is looked at as soon as the worker comes to it."""
    currency = find_build(build_id, request.user).design.brief.currency
    facts = body.model_dump(exclude={"target"})
    watch = Watch(**facts, target_minor=_target(body.target, currency), currency=currency)
    watches.set_watch(request.user, build_id, watch)
    jobs.ask(request.user, None, JobKind.WATCHES, {})
    return send(_watches(request, build_id), 201)


@router.post("/{int:build_id}/watches/look", response={202: WatchesNow, 404: Problems})
def look(request: SignedIn, build_id: int) -> Any:
    """Have everything looked at that is waited for, at the prices that are known."""
    find_build(build_id, request.user)
    jobs.ask(request.user, None, JobKind.WATCHES, {})
    return send(_watches(request, build_id), 202)


@told.delete("/watches/{int:watch_id}", response={204: None, **NOT_THERE})
def drop_watch(request: SignedIn, watch_id: int) -> Any:
    """Wait no more."""
    watches.drop_watch(request.user, watch_id)
    return Status(204, None)


@told.post("/alerts/{int:alert_id}/seen", response={204: None, **NOT_THERE})
def put_away(request: SignedIn, alert_id: int) -> Any:
    """An alert was read."""
    watches.put_away(request.user, alert_id)
    return Status(204, None)


@told.get("/mailbox", response=MailboxNow)
def read_mailbox(request: SignedIn) -> Any:
    """What came by mail, where mails go into a folder of this machine."""
    is_stand_in, address = settings.EMAIL_BACKEND == STAND_IN, address_of(request.user)
    mails = mails_to(address) if is_stand_in else []
    return send(
        MailboxNow.model_construct(
            is_stand_in=is_stand_in,
            address=address,
            mails=[
                MailNow.model_construct(
                    subject=mail.subject,
                    sent_at=mail.sent_at.isoformat(timespec="minutes") if mail.sent_at else "",
                    text=mail.text,
                )
                for mail in mails
            ],
        )
    )


def _target(typed: str, currency: str) -> int:
    try:
        minor = parse_minor(typed, currency)
    except MoneyError as error:
        raise FieldErrors([("target", typed, ACCEPTED_MONEY)]) from error
    if minor <= 0:
        raise FieldErrors([("target", typed, "more than nothing")])
    return minor


def _watches(request: SignedIn, build_id: int) -> WatchesNow:
    market = market_of(request.user.pk)
    job = jobs.latest_job(request.user, None, JobKind.WATCHES)
    return WatchesNow.model_construct(
        job=job_now(job) if job else None,
        watches=[_watch(one, market) for one in watches.watches_of(request.user, build_id)],
        alerts=[_alert(one) for one in watches.alerts_of(request.user, build_id)],
    )


def _watch(stored: StoredWatch, market: Market) -> WatchNow:
    watch = stored.watch
    shops = [market.shop_by_id[shop].name if shop in market.shop_by_id else shop for shop in watch.shops]
    return WatchNow.model_construct(
        id=stored.pk,
        kind=watch.kind,
        subject=watch.subject,
        label=stored.label,
        target=Money(watch.target_minor, watch.currency).text(),
        target_minor=watch.target_minor,
        needed_by=watch.needed_by.isoformat() if watch.needed_by else "",
        allows="; ".join(filter(None, (", ".join(watch.sold_as), ", ".join(shops)))),
        sold_as=list(watch.sold_as),
        shops=list(watch.shops),
        figure=_money(stored.figure_minor, watch.currency),
        words=stored.words,
        under=stored.under,
        looked_at=stored.looked_at.isoformat(timespec="minutes") if stored.looked_at else "",
    )


def _alert(alert: Alert) -> AlertNow:
    return AlertNow.model_construct(
        id=alert.pk,
        label=alert.watch.label,
        at=timezone.localtime(alert.at).isoformat(timespec="minutes"),
        figure=_money(alert.minor, alert.currency),
        before=_money(alert.before_minor, alert.currency),
        target=_money(alert.target_minor, alert.currency),
        words=alert.words,
        effect=alert.effect,
        mailed=alert.mailed,
    )


def _money(minor: int | None, currency: str) -> str:
    return "" if minor is None else Money(minor, currency).text()
