"""The Prices view: what was seen of prices, and whether to buy or to wait."""

from collections.abc import Mapping
from typing import Annotated, Any

from django.utils import timezone
from ninja import Path, Router

from core.formats.report_json.prices import PricesJson, prices_json
from core.model.parts.price import Price
from core.model.shops import Shop
from core.report.prices import needed_by_of
from jungle.api.price_schemas import PriceLog, SeenChange, SeenPrice, Struck
from jungle.api.replies import send
from jungle.api.requests import SignedIn
from jungle.api.schemas import Problems
from jungle.builds.services.editing import find_build
from jungle.builds.services.people import units_of
from jungle.builds.services.prices import prices_for
from jungle.market import observing
from jungle.market.models import Observation
from jungle.market.terms import market_of

router = Router(tags=["prices"])
seen = Router(tags=["prices"])
"""Of observations, whichever build asks."""
NOT_THERE: dict[int, Any] = {404: Problems, 422: Problems}


@router.get("/{int:build_id}/prices", response={200: PricesJson, 404: Problems, 422: Problems})
def read_prices(request: SignedIn, build_id: int) -> Any:
    """What is still to be bought, each with what is usual of its price, where today stands, and what to do."""
    build, today = find_build(build_id, request.user), timezone.localdate()
    lines = prices_for(request.user, build)
    return prices_json(lines, today, needed_by_of(build.design, today), units_of(request.user))


@router.get("/{int:build_id}/prices/{part}", response={200: PriceLog, **NOT_THERE})
def read_log(request: SignedIn, build_id: int, part: Annotated[str, Path(max_length=80)]) -> Any:
    """What was seen of one part, the newest first: also what is held back, and what was struck out."""
    find_build(build_id, request.user)
    return send(_log(request, part))


@seen.post("/{int:observation_id}/strike", response={200: PriceLog, **NOT_THERE})
def strike(request: SignedIn, observation_id: int, body: Struck) -> Any:
    """Believe an observation no more, for a reason."""
    return send(_log(request, observing.strike(request.user.pk, observation_id, body.reason)))


@seen.post("/{int:observation_id}/{change}", response={200: PriceLog, **NOT_THERE})
def believe(request: SignedIn, observation_id: int, change: SeenChange) -> Any:
    """Bring one back that was struck out, or confirm one that was held back."""
    believed = observing.confirm if change is SeenChange.CONFIRM else observing.bring_back
    return send(_log(request, believed(request.user.pk, observation_id)))


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
