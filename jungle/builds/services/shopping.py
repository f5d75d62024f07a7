"""What shops ask for the lines of a build, and taking their offers."""

from collections.abc import Mapping
from typing import NamedTuple

from django.contrib.auth.models import User
from django.utils import timezone

from core.model.build import Build
from core.model.facts import MissingFact
from core.model.ledger import Category
from core.model.parts import Part
from core.model.shops import Market
from core.model.typed import FieldErrors
from core.money.amounts import Buyer, buyer_of
from core.money.order import Need, Order
from core.money.shopping import needs_of
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.shopping import (
    OfferedLine,
    OfferGone,
    TakenPrice,
    changed_since,
    offers_for,
    orders_of,
    taken_offers,
    taking,
)
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import NothingThere, On, edit
from jungle.catalogue.models import Entry
from jungle.market.terms import market_of


class Shopping(NamedTuple):
    """What a build needs from shops, who buys it, and what there is."""

    needs: tuple[Need, ...]
    labels: Mapping[str, str]
    """What each line is called, by its key."""
    categories: Mapping[str, Category]
    """By line."""
    market: Market
    buyer: Buyer

    @property
    def names(self) -> Mapping[str, str]:
        """What the part of each line is called, by the part's id."""
        return {need.part: self.labels[need.line] for need in self.needs}

    def need(self, line: str) -> Need | None:
        """What is needed for `line`; `None` for one that is not still to be bought."""
        return next((need for need in self.needs if need.line == line), None)


class TakenNow(NamedTuple):
    """The orders that the offers taken make now, and the quotes that do not hold any more."""

    orders: tuple[Order, ...]
    changed: tuple[TakenPrice, ...]
    missing: str
    """Why it is not known what they come to; empty where it is."""


def shopping_for(actor: User, build: Build, sheets: Mapping[str, Part]) -> Shopping:
    """What `build` still needs from shops; `sheets` are those of the parts that it names."""
    costs = known_costs(evaluation_of(build, sheets, today=timezone.localdate()))
    labels = {line.key: line.label for line in costs.lines}
    buyer = buyer_of(build.brief, timezone.localdate())
    categories = {line.key: line.category for line in costs.lines}
    return Shopping(needs_of(costs.lines, sheets), labels, categories, market_of(actor.pk), buyer)


def offers_of(shopping: Shopping, line: str) -> tuple[OfferedLine, ...]:
    """Every offer for a line, delivered by itself; none for one that is not still to be bought."""
    need = shopping.need(line)
    return offers_for(need, shopping.market, shopping.buyer) if need else ()


def taken_now(shopping: Shopping, build: Build) -> TakenNow:
    """The orders of what was taken, and what has changed of them."""
    taken = taken_offers(build.ledger)
    try:
        orders = orders_of(shopping.needs, taken, shopping.market, shopping.buyer)
        changed = changed_since(build.ledger, shopping.needs, shopping.market, shopping.buyer)
    except MissingFact as missing:
        return TakenNow((), (), f"{missing.fact} is not known. {missing.how}")
    return TakenNow(orders, changed, "")


def take_offers(on: On, choices: Mapping[str, str | None]) -> StoredBuild:
    """Take an offer for each line of `choices`, or none; what was taken before is told as it is now.

    Raises `NothingThere` for an offer that is gone, and `FieldErrors` where a rate or a weight is not known.
    """

    def change(build: Build) -> Build:
        sheets = Entry.objects.visible_to(on.actor.pk).named(*build.parts_named).sheets()
        shopping = shopping_for(on.actor, build, sheets)
        try:
            return taking(build, shopping.needs, shopping.market, shopping.buyer, choices)
        except OfferGone as gone:
            raise NothingThere(str(gone)) from gone
        except MissingFact as missing:
            raise FieldErrors([(missing.missing.at.path, "", f"{missing.fact}: {missing.how}")]) from missing

    return edit(on, _label(choices), change)


def _label(choices: Mapping[str, str | None]) -> str:
    taken = sum(offer is not None for offer in choices.values())
    if not choices:
        return "Took offers as they are now"
    return f"Took {taken} offers" if taken > 1 else "Took an offer" if taken else "Took an offer back"
