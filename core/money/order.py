"""What an order at one shop comes to for who buys it: sale, codes, bundles, delivery, tax, currency, in that order."""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from functools import cached_property
from itertools import chain, combinations
from typing import NamedTuple

from core.model.facts import FactAt, MissingFact
from core.model.shops import Bundle, Code, DeliveryFee, Offer, Rebate, Shop, SoldAs, is_over
from core.money.amounts import ONE, Buyer
from core.quantities import Money, Quantity, Sentence, Unit, say

DELIVERY = "delivery"
OFF_THE_ORDER = "code:"


class Item(NamedTuple):
    """So many of what an offer offers, for one line of a build."""

    line: str
    """Id of the line."""
    offer: Offer
    quantity: int = 1
    weight_kg: float | None = None
    """Of all of them; `None` where nobody says."""
    bulky: bool = False

    @property
    def part(self) -> str:
        """What it is."""
        return self.offer.part

    @property
    def goods_minor(self) -> int:
        """What they come to as they stand in the shop."""
        return self.offer.price.minor * self.quantity


class Need(NamedTuple):
    """A part that a build needs, and how many."""

    line: str
    part: str
    quantity: int = 1
    weight_kg: float | None = None
    """Of all of them; `None` where nobody says."""
    bulky: bool = False

    def met_by(self, offer: Offer) -> Item:
        """So many of what `offer` offers."""
        return Item(self.line, offer, self.quantity, self.weight_kg, self.bulky)


class Step(NamedTuple):
    """One step on the way from list to delivered: what it adds, or takes off, in whole minor units."""

    words: Sentence
    amount: Money


class OrderLine(NamedTuple):
    """A line of an order: its steps in the shop's currency, and what it comes to in the buyer's."""

    key: str
    """The line of a build, else `DELIVERY`, or `OFF_THE_ORDER` with a code."""
    steps: tuple[Step, ...]
    at_till: Money
    """What is paid, with tax, in the buyer's currency: what a quote says."""
    total: Money
    """What of it counts: without the tax that is reclaimed."""


class Pending(NamedTuple):
    """Money that comes back when the rebate is claimed: in no total before it is received."""

    rebate: Rebate
    amount: Money


@dataclass(frozen=True)
class Order:
    """An order at one shop."""

    shop: Shop
    lines: tuple[OrderLine, ...]
    codes: tuple[Code, ...]
    """Those that are used, in the shop's order."""
    refused: tuple[tuple[Code, Sentence], ...]
    """Codes that were tried and are not good for it, and why."""
    pending: tuple[Pending, ...]
    goods_minor: Fraction
    """What counts toward cheaper delivery: goods after codes and bundles, in the shop's currency."""
    weight_kg: float | None
    """Of all of it; `None` where nobody says."""
    buyer: Buyer

    @property
    def currency(self) -> str:
        """The buyer's."""
        return self.buyer.currency

    @property
    def reclaims_tax(self) -> bool:
        """The total leaves out tax that is reclaimed."""
        return self.buyer.reclaims_tax

    @property
    def exchanged(self) -> Sentence | None:
        """At which rate, and of when, it comes from the shop's currency; `None` where it is the buyer's."""
        if self.shop.currency == self.currency:
            return None
        rate = float(dict(self.buyer.rates)[self.shop.currency])
        dated = dict(self.buyer.rates_dated).get(self.shop.currency, "")
        words = "1 {theirs} at {rate} {ours}" + (", as of {dated}," if dated else "")
        words += " and {fee} for the exchange" if self.buyer.exchange_fee else ""
        fee = Quantity(float(self.buyer.exchange_fee), Unit.SHARE)
        words, ours = words.removesuffix(","), self.currency
        return say(words, theirs=self.shop.currency, rate=f"{rate:g}", ours=ours, dated=dated, fee=fee)

    @property
    def quotes(self) -> Mapping[str, Money]:
        """What is paid for each line of the build: amounts off the order are shared out over them by what they cost."""
        paid = {line.key: line.at_till.minor for line in self.lines if not _is_fee(line)}
        off = -sum(line.at_till.minor for line in self.lines if line.key.startswith(OFF_THE_ORDER))
        less = shared_out(off, {key: Fraction(minor) for key, minor in paid.items()}) if off else {}
        return {key: Money(minor - less.get(key, 0), self.currency) for key, minor in paid.items()}

    @property
    def delivery(self) -> Money:
        """What is paid for bringing it."""
        return Money.total([line.at_till for line in self.lines if line.key == DELIVERY], self.currency)

    @cached_property
    def total(self) -> Money:
        """The sum of its lines: each is rounded once, so that they add up in any order."""
        return Money.total([line.total for line in self.lines], self.currency)

    @property
    def short_of_free(self) -> Money | None:
        """How much more would make delivery cheaper; `None` where nothing would."""
        fees = _fees_for(self.shop, self.weight_kg)
        now = min((fee.fee_minor for fee in fees if fee.from_minor <= self.goods_minor), default=None)
        if now is None or not self.lines or self.shop.may_collect:
            return None
        cheaper = [fee.from_minor for fee in fees if fee.fee_minor < now]
        return Money.rounded(min(cheaper) - self.goods_minor, self.shop.currency) if cheaper else None


def order_of(shop: Shop, items: Sequence[Item], buyer: Buyer, codes: Iterable[Code] = ()) -> Order:
    """What `items` come to at `shop` with those of `codes` that are good for them.

    Every line is rounded once, half up, to the buyer's minor unit. Raises `MissingFact` for a rate, or a weight that
    decides about delivery.
    """
    used, refused = _sorted_out(shop, items, tuple(codes), buyer.day)
    saved = _saved_in_bundles(shop, items, used, buyer.day)
    lines = [_line(shop, item, used, saved[item.line], buyer) for item in items]
    goods = sum((_after_codes(shop, item, used) - saved[item.line] for item in items), Fraction(0))
    for code in (code for code in used if code.off_minor is not None):
        off = Fraction(code.off_minor or 0)
        if off > goods:
            refused.append((code, say("is more than the order comes to")))
            continue
        goods -= off
        words = say("code {code} off the order", code=code.code)
        lines.append(_fee_line(f"{OFF_THE_ORDER}{code.code}", words, -off, shop, buyer))
    used = tuple(code for code in used if code not in [refusal for refusal, _ in refused])
    fee = delivery_minor(shop, items, goods)
    if fee:
        lines.append(_fee_line(DELIVERY, say("delivery"), Fraction(fee), shop, buyer))
    pending = tuple(_pending(shop, items, used, saved, buyer))
    return Order(shop, tuple(lines), used, tuple(refused), pending, goods, _weight_kg(items), buyer)


def cheapest_order(shop: Shop, items: Sequence[Item], buyer: Buyer) -> Order:
    """The order with those of the shop's codes that make it cheapest. Raises `MissingFact`."""
    orders = (order_of(shop, items, buyer, codes) for codes in sets_of_codes(shop, buyer.day))
    return min(orders, key=lambda order: order.total.minor)


def sets_of_codes(shop: Shop, day: date | None) -> Iterator[tuple[Code, ...]]:
    """Every set of codes that one order may use, in the shop's order; none of them first."""
    codes = [code for code in shop.codes if not is_over(code.until, day)]
    most = len(codes) if shop.codes_at_once is None else min(shop.codes_at_once, len(codes))
    return chain.from_iterable(combinations(codes, count) for count in range(most + 1))


def is_good_for(code: Code, item: Item) -> bool:
    """The shop takes `code` for it."""
    is_new = item.offer.sold_as is SoldAs.NEW
    return item.offer.part not in code.excludes and (is_new or not code.new_only)


def share_kept(shop: Shop, item: Item, used: Iterable[Code]) -> Fraction:
    """The share of its price that is left by `used` codes: 20 % and 10 % leave 72 %, or 70 % where they add up."""
    shares = [Fraction(str(code.share)) for code in used if code.share is not None and is_good_for(code, item)]
    if shop.codes_add_up:
        return 1 - sum(shares, Fraction(0))
    kept = ONE
    for share in shares:
        kept *= 1 - share
    return kept


def bundled(shop: Shop, items: Sequence[Item], day: date | None) -> Iterator[tuple[Bundle, list[Item]]]:
    """The bundles that are whole among `items`, with the items they are made of. Each saves once."""
    by_part = {item.offer.part: item for item in items if item.offer.sold_as is SoldAs.NEW}
    for bundle in shop.bundles:
        members = [by_part[part] for part in bundle.members if part in by_part]
        if len(members) == len(bundle.members) and not is_over(bundle.until, day):
            yield bundle, members


def shared_out(saving_minor: int, prices: Mapping[str, Fraction]) -> dict[str, int]:
    """A saving shared over lines by their prices, S·pᵢ/Σp, in whole minor units; the rest goes to the largest.

    It is never more than they come to.

    >>> shared_out(1000, {"a": Fraction(2000), "b": Fraction(1000)})
    {'a': 667, 'b': 333}
    """
    whole = sum(prices.values(), Fraction(0))
    saving = min(saving_minor, int(whole))
    if not saving:
        return dict.fromkeys(prices, 0)
    shares = {key: int(saving * price / whole) for key, price in prices.items()}
    largest = max(prices, key=lambda key: (prices[key], key))
    shares[largest] += saving - sum(shares.values())
    return shares


def _sorted_out(
    shop: Shop, items: Sequence[Item], tried: tuple[Code, ...], day: date | None
) -> tuple[tuple[Code, ...], list[tuple[Code, Sentence]]]:
    """Which of the codes count, in the shop's order, and why the others do not."""
    used: list[Code] = []
    refused: list[tuple[Code, Sentence]] = []
    for code in (code for code in shop.codes if code in tried):
        spent = sum(item.goods_minor for item in items if is_good_for(code, item))
        if is_over(code.until, day):
            refused.append((code, say("was good until {day}", day=f"{code.until}")))
        elif not spent:
            refused.append((code, say("is good for nothing in this order")))
        elif spent < code.least_spend_minor:
            short = Money(code.least_spend_minor - spent, shop.currency)
            refused.append((code, say("asks for {short} more", short=short)))
        elif shop.codes_at_once is not None and len(used) >= shop.codes_at_once:
            refused.append((code, say("{shop} takes {most} at once", shop=shop.name, most=str(shop.codes_at_once))))
        else:
            used.append(code)
    return tuple(used), refused


def _after_codes(shop: Shop, item: Item, used: Iterable[Code]) -> Fraction:
    return item.goods_minor * share_kept(shop, item, used)


def _saved_in_bundles(shop: Shop, items: Sequence[Item], used: Iterable[Code], day: date | None) -> dict[str, int]:
    """What each line saves in bundles, by its id, in whole minor units: one of each member counts."""
    saved = dict.fromkeys((item.line for item in items), 0)
    for bundle, members in bundled(shop, items, day):
        prices = {item.line: item.offer.price.minor * share_kept(shop, item, used) for item in members}
        for line, share in shared_out(bundle.saving_minor, prices).items():
            saved[line] += share
    return saved


def _line(shop: Shop, item: Item, used: Sequence[Code], saved: int, buyer: Buyer) -> OrderLine:
    offer = item.offer
    listed = (offer.price.minor if offer.regular_minor is None else offer.regular_minor) * item.quantity
    running = [(say("list price"), Fraction(listed)), (say("sale"), Fraction(item.goods_minor))]
    for count, code in enumerate(used, start=1):
        if code.share is not None and is_good_for(code, item):
            kept = item.goods_minor * share_kept(shop, item, used[:count])
            running.append((say("code {code}", code=code.code), kept))
    after = running[-1][1] - saved
    running.append((say("bundle"), after))
    running.append((say("tax"), after * buyer.tax_factor(included=offer.price.tax_included)))
    steps = tuple(_steps(running, shop.currency))
    at_till = buyer.at_till(after, shop.currency, tax_included=offer.price.tax_included)
    return OrderLine(item.line, steps, at_till, buyer.counts(at_till))


def _fee_line(key: str, words: Sentence, minor: Fraction, shop: Shop, buyer: Buyer) -> OrderLine:
    running = [(words, minor), (say("tax"), minor * buyer.tax_factor(included=shop.tax_included))]
    at_till = buyer.at_till(minor, shop.currency, tax_included=shop.tax_included)
    return OrderLine(key, tuple(_steps(running, shop.currency)), at_till, buyer.counts(at_till))


def _is_fee(line: OrderLine) -> bool:
    return line.key == DELIVERY or line.key.startswith(OFF_THE_ORDER)


def _steps(running: Iterable[tuple[Sentence, Fraction]], currency: str) -> Iterator[Step]:
    """What each step adds: differences of what is rounded, so that they come to the last; those of nothing are left."""
    before = 0
    for count, (words, amount) in enumerate(running):
        now = Money.rounded(amount, currency).minor
        if now != before or not count:
            yield Step(words, Money(now - before, currency))
        before = now


def delivery_minor(shop: Shop, items: Sequence[Item | Need], goods: Fraction | int) -> int:
    """What `shop` takes for bringing `items` that come to `goods` after codes and bundles. Raises `MissingFact`."""
    if not items or shop.may_collect:
        return 0
    bulky = shop.bulky_minor if any(item.bulky for item in items) else 0
    if not shop.delivery:
        return bulky
    weight_kg = _weight_kg(items)
    fees = [fee.fee_minor for fee in _fees_for(shop, weight_kg) if fee.from_minor <= goods]
    fee = min(fees, default=None)
    if weight_kg is None and any(_is_less(other, fee) for other in shop.delivery if other.from_minor <= goods):
        part = next(item.part for item in items if item.weight_kg is None)
        raise MissingFact(
            f"What {part} weighs",
            f"{shop.name} brings by weight: look in its sheet.",
            FactAt(f"parts/{part}", "weight_kg"),
        )
    if fee is None:
        raise MissingFact(f"What {shop.name} takes for {weight_kg or 0:g} kg", "Ask it: its list says nothing of that.")
    return bulky + fee


def _is_less(other: DeliveryFee, fee_minor: int | None) -> bool:
    return fee_minor is None or other.fee_minor < fee_minor


def _fees_for(shop: Shop, weight_kg: float | None) -> list[DeliveryFee]:
    """The fees for an order of that weight; those for every weight, where nobody says how heavy it is."""
    return [fee for fee in shop.delivery if fee.most_kg is None or (weight_kg is not None and weight_kg <= fee.most_kg)]


def _weight_kg(items: Sequence[Item | Need]) -> float | None:
    known = [item.weight_kg for item in items if item.weight_kg is not None]
    return sum(known) if len(known) == len(items) else None


def _pending(
    shop: Shop, items: Sequence[Item], used: Sequence[Code], saved: Mapping[str, int], buyer: Buyer
) -> Iterator[Pending]:
    for rebate in shop.rebates:
        named = [item for item in items if not rebate.parts or item.offer.part in rebate.parts]
        basis = sum((_after_codes(shop, item, used) - saved[item.line] for item in named), Fraction(0))
        if not named or basis < rebate.least_spend_minor or is_over(rebate.until, buyer.day):
            continue
        share = basis * Fraction(str(rebate.share or 0))
        amount = share if rebate.amount_minor is None else Fraction(rebate.amount_minor)
        back = buyer.at_till(min(amount, basis), shop.currency, tax_included=shop.tax_included)
        yield Pending(rebate, buyer.counts(back))
