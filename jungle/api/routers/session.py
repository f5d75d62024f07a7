"""Who is signed in, and how they read quantities."""

from typing import Any

from django.conf import settings
from ninja import Router

from core.quantities.money import DECIMALS_BY_CURRENCY
from core.report.steers import steers
from jungle.api.requests import SignedIn
from jungle.api.schemas import Preferences, Session
from jungle.builds.services.people import set_units, units_of
from jungle.watching.watches import alert_counts

router = Router(tags=["session"])


@router.get("", response=Session)
def read_session(request: SignedIn) -> Any:
    """Who is signed in."""
    return _session(request)


@router.patch("", response=Session)
def change_session(request: SignedIn, body: Preferences) -> Any:
    """Change how quantities are read and typed."""
    set_units(request.user, body.units)
    return _session(request)


def _session(request: SignedIn) -> Session:
    return Session(
        user=request.user.get_username(),
        local=settings.LOCAL,
        units=units_of(request.user),
        currencies=list(DECIMALS_BY_CURRENCY),
        steers=steers(),
        alerts=alert_counts(request.user.pk),
    )
