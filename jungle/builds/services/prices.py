"""What is known of the prices of what a build still needs."""

from collections.abc import Mapping, Sequence
from datetime import date
from functools import cache, cached_property
from typing import NamedTuple

from django.contrib.auth.models import User
from django.utils import timezone

from core.model.build import Build
from core.model.shops import Market
from core.money.amounts import buyer_of
from core.money.order import Need
from core.prices.advice import READ_DAYS
from core.prices.asked import Asked
from core.report.after_buying import Bought, after_buying
from core.report.ask_first import Question, questions_for
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.old_prices import OldPrice, old_prices
from core.report.prices import Asking, LinePrices, line_prices, needed_by_of, week_costs_minor_of
from core.report.shopping import OfferedLine, offers_for
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import NothingThere
from jungle.builds.services.shopping import Shopping, shopping_for
from jungle.catalogue.models import Entry
from jungle.market.series_days import asked_for
from jungle.market.terms import market_of

MOST_ALIKE = 10
"""Other parts of a kind that a short history leans on."""


class PriceQuestion(NamedTuple):
    """What is asked of the prices of a build."""

    needed_by_line: Mapping[str, date] = {}
    """Where a line has a day of its own."""
    counts_weeks: bool = False
    """Weeks without play cost what a hired bay does."""


def prices_for(actor: User, build: StoredBuild, question: PriceQuestion) -> tuple[LinePrices, ...]:
    """Every line of a build that is still to be bought, with what was seen of its price."""
    judged = build.judged
    shopping = shopping_for(actor, judged.document, judged.sheets)
    return _lines(actor, judged.document, shopping, shopping.needs, question)


def price_of_line(
    actor: User, build: StoredBuild, line: str, question: PriceQuestion
) -> tuple[LinePrices, tuple[OfferedLine, ...]]:
    """One line, and every offer for it, delivered. Raises `NothingThere` for one that is not to be bought."""
    judged = build.judged
    shopping = shopping_for(actor, judged.document, judged.sheets)
    need = shopping.need(line)
    if need is None:
        raise NothingThere(f"'{line}' is not still to be bought.")
    (found,) = _lines(actor, judged.document, shopping, [need], question)
    return found, offers_for(need, shopping.market, shopping.buyer)


def bought_for(actor: User, build: StoredBuild) -> tuple[Bought, ...]:
    """What was paid for, and its price since."""
    judged, market = build.judged, market_of(actor.pk)
    costs = known_costs(evaluation_of(judged.document, judged.sheets, today=timezone.localdate()))
    parts = sorted({line.part for line in costs.lines if line.part})
    asked = asked_for(actor.pk, parts, timezone.localdate(), READ_DAYS)
    asking = _asking(judged.document, market, PriceQuestion())
    return tuple(after_buying(judged.document, costs.lines, judged.sheets, market.offer_by_id, asked, asking))


def old_prices_for(actor: User, build: StoredBuild) -> tuple[OldPrice, ...]:
    """What the build counts on at a price that is old."""
    judged, today = build.judged, timezone.localdate()
    costs = known_costs(evaluation_of(judged.document, judged.sheets, today=today))
    return tuple(old_prices(judged.document, costs, judged.sheets, today))


def to_ask_first(actor: User, build: StoredBuild) -> tuple[Question, ...]:
    """Whom to ask before the rest is bought."""
    judged = build.judged
    return questions_for(shopping_for(actor, judged.document, judged.sheets).needs, judged.sheets)


def _asking(design: Build, market: Market, question: PriceQuestion) -> Asking:
    today = timezone.localdate()
    week_costs_minor = (week_costs_minor_of(design) or 0.0) if question.counts_weeks else 0.0
    return Asking(
        buyer_of(design.brief, today),
        market.shop_by_id,
        today,
        needed_by_of(design, today),
        question.needed_by_line,
        week_costs_minor,
    )


def _lines(
    actor: User, design: Build, shopping: Shopping, needs: Sequence[Need], question: PriceQuestion
) -> tuple[LinePrices, ...]:
    asking, today = _asking(design, shopping.market, question), timezone.localdate()
    asked = asked_for(actor.pk, sorted({need.part for need in needs}), today, READ_DAYS)
    return line_prices(needs, shopping.labels, asked, asking, _Alike(actor.pk, today))


class _Alike:
    """What was asked for other parts of the kind of one; each kind is looked up once."""

    def __init__(self, owner_id: int, today: date) -> None:
        self.owned = Entry.objects.visible_to(owner_id)
        self.owner_id, self.today = owner_id, today

    def __call__(self, part: str) -> Sequence[Asked]:
        return self._of_kind(self._kinds.get(part))

    @cached_property
    def _kinds(self) -> Mapping[str, str]:
        return dict(self.owned.values_list("part_id", "sheet__kind"))

    @cache  # noqa: B019 - it lives for one request
    def _of_kind(self, kind: str | None) -> Sequence[Asked]:
        others = self.owned.of_kinds(kind).order_by("part_id").values_list("part_id", flat=True) if kind else ()
        return asked_for(self.owner_id, list(others[:MOST_ALIKE]), self.today, READ_DAYS)
