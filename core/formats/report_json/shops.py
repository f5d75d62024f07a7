"""Shops, offers and delivered prices as JSON."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date

from core.formats.report_json.figures import FigureJson, figure_json, maybe_figure_json
from core.formats.report_json.sheets import SheetFieldJson, form_json
from core.model.forms import FieldKind, form_fields, typed_form, typed_rows, usual_form
from core.model.shop_forms import OF_AN_OFFER
from core.model.shops import Market, Offer, Shop
from core.money.order import Order, OrderLine
from core.quantities import Money, UnitSystem
from core.report.shop_words import terms_told
from core.report.shopping import OfferedLine, TakenPrice

NOT_ASKED = frozenset({"id"})


@dataclass(frozen=True, slots=True)
class ShopJson:
    """A shop as a list tells of it."""

    id: str
    name: str
    country: str
    currency: str
    terms: list[str]
    offers: int


@dataclass(frozen=True, slots=True)
class ShopOfferJson:
    """What a shop asks for a part: as it is read, and as it is typed."""

    id: str
    shop: str
    part: str
    name: str
    """Of the part; its id, where it is not in the catalogue."""
    known: bool
    """The part is in the catalogue."""
    price: str
    regular: str
    facts: list[str]
    """Its condition, warranty, lead time, and until when it stands."""
    seen: str
    is_over: bool
    """It cannot be had: sold out, or good no more."""
    typed: dict[str, str]


@dataclass(frozen=True, slots=True)
class ShopDetailJson:
    """A shop with its terms as they are typed, and all that it offers."""

    shop: ShopJson
    typed: dict[str, str]
    rows: dict[str, list[dict[str, str]]]
    offers: list[ShopOfferJson]


@dataclass(frozen=True, slots=True)
class ShopFormsJson:
    """What the forms of a shop and of an offer ask."""

    shop: list[SheetFieldJson]
    offer: list[SheetFieldJson]
    new_shop: dict[str, str]
    """What stands in the form of a shop that nobody has entered yet: what is so where nothing else is said."""
    new_offer: dict[str, str]


@dataclass(frozen=True, slots=True)
class OrderStepJson:
    """A step on the way to what a line comes to, in the shop's currency."""

    words: str
    amount: FigureJson


@dataclass(frozen=True, slots=True)
class OrderLineJson:
    """A line of an order: its steps, and what it comes to."""

    key: str
    label: str
    steps: list[OrderStepJson]
    at_till: FigureJson
    total: FigureJson


@dataclass(frozen=True, slots=True)
class OrderJson:
    """An order at one shop."""

    shop: str
    name: str
    lines: list[OrderLineJson]
    bought: int
    """How many lines of the build are in it."""
    codes: list[str]
    refused: list[str]
    total: FigureJson
    reclaimed: bool
    """The total leaves out tax that is reclaimed."""
    exchanged: str
    """At which rate it comes from the shop's currency; empty where it is one's own."""
    pending: list[str]
    """Money that comes back later, in no total."""
    short_of_free: FigureJson | None
    """How much more would make delivery cheaper."""


@dataclass(frozen=True, slots=True)
class OfferedJson:
    """What a shop asks for a line, ordered by itself."""

    offer: ShopOfferJson
    shop: str
    order: OrderJson | None
    missing: str
    taken: bool


@dataclass(frozen=True, slots=True)
class TakenPriceJson:
    """A quote that was taken from an offer and does not hold any more."""

    line: str
    label: str
    was: FigureJson
    now: FigureJson | None


def forms_json() -> ShopFormsJson:
    """What the forms of a shop and of an offer ask."""
    return ShopFormsJson(
        form_json(form_fields(Shop, NOT_ASKED)),
        form_json(form_fields(Offer, OF_AN_OFFER)),
        new_shop=usual_form(Shop, "EUR"),
        new_offer=usual_form(Offer, "EUR"),
    )


def shop_json(shop: Shop, market: Market, system: UnitSystem) -> ShopJson:
    """`shop` for a list."""
    offers = sum(offer.shop == shop.id for offer in market.offers)
    terms = [words.text(system) for words in terms_told(shop)]
    return ShopJson(shop.id, shop.name, shop.country, shop.currency, terms, offers)


def shop_detail_json(
    shop: Shop, market: Market, names: Mapping[str, str], day: date, system: UnitSystem
) -> ShopDetailJson:
    """`shop` with its terms and offers; `names` are those of the parts."""
    lists = [field.name for field in form_fields(Shop, NOT_ASKED) if field.typed_as is FieldKind.RECORDS]
    offers = [offer for offer in market.offers if offer.shop == shop.id]
    told = [shop_offer_json(offer, names, day, system) for offer in offers]
    return ShopDetailJson(
        shop_json(shop, market, system),
        typed_form(shop, system, shop.currency),
        {name: typed_rows(getattr(shop, name), system, shop.currency) for name in lists},
        sorted(told, key=lambda offer: (not offer.known, offer.name.lower(), offer.id)),
    )


def shop_offer_json(offer: Offer, names: Mapping[str, str], day: date, system: UnitSystem) -> ShopOfferJson:
    """`offer` for a reader of `system` on `day`."""
    regular = None if offer.regular_minor is None else Money(offer.regular_minor, offer.price.currency)
    return ShopOfferJson(
        id=offer.id,
        shop=offer.shop,
        part=offer.part,
        name=names.get(offer.part, offer.part),
        known=offer.part in names,
        price=offer.price.told,
        regular=regular.text() if regular else "",
        facts=list(_facts(offer)),
        seen=offer.seen.isoformat(),
        is_over=not offer.is_to_be_had(day),
        typed=typed_form(offer, system, offer.price.currency),
    )


def _facts(offer: Offer) -> list[str]:
    told = [offer.sold_as.value]
    if offer.warranty_months is not None:
        told.append(f"{offer.warranty_months} months of warranty" if offer.warranty_months else "no warranty")
    if not offer.in_stock:
        told.append("sold out")
    elif offer.lead_days is None:
        told.append("does not say when it comes")
    else:
        days = "1 day" if offer.lead_days == 1 else f"{offer.lead_days} days"
        told.append(f"here in {days}" if offer.lead_days else "in stock")
    if offer.good_until is not None:
        told.append(f"until {offer.good_until.isoformat()}")
    return told


def offered_json(
    offered: OfferedLine, names: Mapping[str, str], taken: str | None, day: date, system: UnitSystem
) -> OfferedJson:
    """`offered` for a reader; `taken` is the offer that the line's quote is of."""
    return OfferedJson(
        offer=shop_offer_json(offered.offer, names, day, system),
        shop=offered.shop.name,
        order=order_json(offered.order, names, system) if offered.order else None,
        missing=f"{offered.missing.fact} is not known. {offered.missing.how}" if offered.missing else "",
        taken=offered.offer.id == taken,
    )


def order_json(order: Order, labels: Mapping[str, str], system: UnitSystem) -> OrderJson:
    """`order`; `labels` are those of its lines by key."""
    short = order.short_of_free
    return OrderJson(
        shop=order.shop.id,
        name=order.shop.name,
        lines=[_line_json(line, labels, system) for line in order.lines],
        bought=len(order.quotes),
        codes=[code.code for code in order.codes],
        refused=[f"{code.code} {why.text(system)}" for code, why in order.refused],
        total=figure_json(order.total, system),
        reclaimed=order.reclaims_tax,
        exchanged=order.exchanged.text(system) if order.exchanged else "",
        pending=[
            f"{pending.rebate.name}: {pending.amount.text()} comes back later, and is in no total"
            for pending in order.pending
        ],
        short_of_free=maybe_figure_json(short, system),
    )


def taken_price_json(price: TakenPrice, labels: Mapping[str, str], system: UnitSystem) -> TakenPriceJson:
    """`price` for a reader."""
    was, now = figure_json(price.was, system), maybe_figure_json(price.now, system)
    return TakenPriceJson(price.line, labels.get(price.line, price.line), was, now)


def _line_json(line: OrderLine, labels: Mapping[str, str], system: UnitSystem) -> OrderLineJson:
    steps = [OrderStepJson(step.words.text(system), figure_json(step.amount, system)) for step in line.steps]
    label = labels.get(line.key, line.steps[0].words.text(system) if line.steps else line.key)
    return OrderLineJson(line.key, label, steps, figure_json(line.at_till, system), figure_json(line.total, system))
