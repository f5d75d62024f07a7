"""What is known of the prices of what a build still needs."""

from django.contrib.auth.models import User
from django.utils import timezone

from core.prices.advice import READ_DAYS
from core.report.prices import LinePrices, line_prices
from jungle.builds.models import StoredBuild
from jungle.builds.services.shopping import shopping_for
from jungle.market.observing import asked_for


def prices_for(actor: User, build: StoredBuild) -> tuple[LinePrices, ...]:
    """Every line of a build that is still to be bought, with what was seen of its price."""
    judged, today = build.judged, timezone.localdate()
    shopping = shopping_for(actor, judged.document, judged.sheets)
    parts = sorted({need.part for need in shopping.needs})
    asked = asked_for(actor.pk, parts, today, READ_DAYS)
    return line_prices(judged.document, shopping.needs, shopping.labels, asked, shopping.buyer, today)
