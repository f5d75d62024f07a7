"""What an order at one shop comes to for who buys it: sale, codes, bundles, delivery, tax, currency, in that order."""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from functools import cached_property
from typing import NamedTuple

from core.model.facts import FactAt, MissingFact
from core.model.shops import Bundle, Code, Offer, Rebate, Shop, SoldAs
from core.money.amounts import MissingRate
from core.quantities import Money, Sentence, say

ONE = Fraction(1)


@dataclass(frozen=True)
class Buyer:
    """What of a household an order depends on."""

    currency: str
    day: date
    tax_share: Fraction = Fraction(0)
    """What is added to a price without tax."""
    reclaims_tax: bool = False
    rates: tuple[tuple[str, Fraction], ...] = ()
    """What one unit of another currency costs in the buyer's."""
    exchange_fee: Fraction = Fraction(0)
    """What a card takes on top for another currency, as a share."""

    def tax_factor(self, *, included: bool) -> Fraction:
        """What an amount is multiplied by: tax is added where it is paid, and taken off where it is reclaimed."""
        if included is not self.reclaims_tax:
            return ONE
        with_tax = 1 + self.tax_share
        return ONE / with_tax if included else with_tax

    def factor_from(self, currency: str) -> Fraction:
        """What an amount of `currency` is multiplied by. Raises `MissingRate`."""
        if currency == self.currency:
            return ONE
        rate = dict(self.rates).get(currency)
        if rate is None:
            raise MissingRate(currency, self.currency)
        return rate * (1 + self.exchange_fee)


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
    def goods_minor(self) -> int:
        """What they come to as they stand in the shop."""
        return self.offer.price.minor * self.quantity


class Step(NamedTuple):
    """One step on the way from list to delivered: what it adds, or takes off, in whole minor units."""

    words: Sentence
    amount: Money


class OrderLine(NamedTuple):
    """A line of an order: its steps in the shop's currency, and what it comes to in the buyer's."""

    key: str
    """The line of a build, else 'delivery', or 'code/' with its id."""
    steps: tuple[Step, ...]
    total: Money


class Pending(NamedTuple):
    """Money that comes back when the rebate is claimed: in no total before it is received."""

    rebate: Rebate
    amount: Money


@dataclass(frozen=True)
class Order:
    """An order at one shop."""

    shop: Shop
    lines: tuple[OrderLine, ...]
    refused: tuple[tuple[Code, Sentence], ...]
    """Codes that were tried and are not good for it, and why."""
    pending: tuple[Pending, ...]
    goods_minor: Fraction
    """What counts toward free delivery: goods after codes and bundles, in the shop's currency."""
    currency: str

    @cached_property
    def total(self) -> Money:
        """The sum of its lines: each is rounded once, so that they add up in any order."""
        return Money.total([line.total for line in self.lines], self.currency)

    @property
    def short_of_free(self) -> Money | None:
        """How much more would be brought for nothing; `None` where it is already, or never is."""
        free_from = self.shop.delivery.free_from_minor
        if free_from is None or self.goods_minor >= free_from or not self.lines:
            return None
        return Money.rounded(free_from - self.goods_minor, self.shop.currency)


def order_of(shop: Shop, items: Sequence[Item], buyer: Buyer, codes: Iterable[Code] = ()) -> Order:
    """What `items` come to at `shop` with those of `codes` that are good for them.

    Every line is rounded once, half up, to the buyer's minor unit. Raises `MissingFact` for a rate, or a weight that
    decides about delivery.
    """
    used, refused = _sorted_out(shop, items, tuple(codes), buyer.day)
    saved = _saved_in_bundles(shop, items, used, buyer.day)
    currency = buyer.factor_from(shop.currency)
    lines = [_line(shop, item, used, saved[item.line], buyer, currency) for item in items]
    goods = sum((_after_codes(shop, item, used) - saved[item.line] for item in items), Fraction(0))
    fees = buyer.tax_factor(included=shop.tax_included) * currency
    for code in (code for code in used if code.off_minor is not None):
        off = Fraction(code.off_minor or 0)
        if off > goods:
            refused.append((code, say("is more than the order comes to")))
            continue
        goods -= off
        words = say("code {code} off the order", code=code.id)
        lines.append(_fee_line(f"code/{code.id}", words, -off, shop, fees, buyer))
    fee = _delivery_minor(shop, items, goods)
    if fee:
        lines.append(_fee_line("delivery", say("delivery"), Fraction(fee), shop, fees, buyer))
    pending = tuple(_pending(shop, items, used, saved, fees, buyer))
    return Order(shop, tuple(lines), tuple(refused), pending, goods, buyer.currency)


def is_good_for(code: Code, item: Item) -> bool:
    """The shop takes `code` for it."""
    is_new = item.offer.sold_as is SoldAs.NEW
    return item.offer.part not in code.excludes and (is_new or not code.new_only)


def share_kept(shop: Shop, item: Item, used: Iterable[Code]) -> Fraction:
    """The share of its price that is left by `used` codes: 20 % and 10 % leave 72 %, or 70 % where they add up."""
    shares = [Fraction(code.share) for code in used if code.share is not None and is_good_for(code, item)]
    if shop.codes_add_up:
        return 1 - sum(shares, Fraction(0))
    kept = ONE
    for share in shares:
        kept *= 1 - share
    return kept


def bundled(shop: Shop, items: Sequence[Item], day: date) -> Iterator[tuple[Bundle, list[Item]]]:
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


def is_over(until: date | None, day: date) -> bool:
    """What was good until then is good no more."""
    return until is not None and until < day


def _sorted_out(
    shop: Shop, items: Sequence[Item], tried: tuple[Code, ...], day: date
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


def _saved_in_bundles(shop: Shop, items: Sequence[Item], used: Iterable[Code], day: date) -> dict[str, int]:
    """What each line saves in bundles, by its id, in whole minor units: one of each member counts."""
    saved = dict.fromkeys((item.line for item in items), 0)
    for bundle, members in bundled(shop, items, day):
        prices = {item.line: item.offer.price.minor * share_kept(shop, item, used) for item in members}
        for line, share in shared_out(bundle.saving_minor, prices).items():
            saved[line] += share
    return saved


def _line(shop: Shop, item: Item, used: Sequence[Code], saved: int, buyer: Buyer, currency: Fraction) -> OrderLine:
    offer = item.offer
    listed = (offer.price.minor if offer.regular_minor is None else offer.regular_minor) * item.quantity
    running = [(say("list price"), Fraction(listed)), (say("sale"), Fraction(item.goods_minor))]
    for count, code in enumerate(used, start=1):
        if code.share is not None and is_good_for(code, item):
            kept = item.goods_minor * share_kept(shop, item, used[:count])
            running.append((say("code {code}", code=code.id), kept))
    after = running[-1][1] - saved
    running.append((say("bundle"), after))
    taxed = after * buyer.tax_factor(included=offer.price.tax_included)
    running.append((say("tax"), taxed))
    steps = tuple(_steps(running, shop.currency))
    return OrderLine(item.line, steps, Money.rounded(taxed * currency, buyer.currency, shop.currency))


def _fee_line(key: str, words: Sentence, minor: Fraction, shop: Shop, factor: Fraction, buyer: Buyer) -> OrderLine:
    step = Step(words, Money.rounded(minor, shop.currency))
    return OrderLine(key, (step,), Money.rounded(minor * factor, buyer.currency, shop.currency))


def _steps(running: Iterable[tuple[Sentence, Fraction]], currency: str) -> Iterator[Step]:
    """What each step adds: differences of what is rounded, so that they come to the last; those of nothing are left."""
    before = 0
    for count, (words, amount) in enumerate(running):
        now = Money.rounded(amount, currency).minor
        if now != before or not count:
            yield Step(words, Money(now - before, currency))
        before = now


def _delivery_minor(shop: Shop, items: Sequence[Item], goods: Fraction) -> int:
    terms = shop.delivery
    if not items or terms.collection:
        return 0
    bulky = terms.bulky_minor if any(item.bulky for item in items) else 0
    if terms.free_from_minor is not None and goods >= terms.free_from_minor:
        return bulky
    return bulky + _by_weight(shop, items)


def _by_weight(shop: Shop, items: Sequence[Item]) -> int:
    bands = shop.delivery.bands
    if len(bands) == 1 and bands[0].most_kg is None:
        return bands[0].fee_minor
    if not bands:
        return 0
    unweighed = next((item for item in items if item.weight_kg is None), None)
    if unweighed is not None:
        raise MissingFact(
            f"What {unweighed.offer.part} weighs",
            f"{shop.name} brings by weight: look in its sheet.",
            FactAt(f"parts/{unweighed.offer.part}", "weight_kg"),
        )
    weight_kg = sum(item.weight_kg or 0.0 for item in items)
    for band in bands:
        if band.most_kg is None or weight_kg <= band.most_kg:
            return band.fee_minor
    raise MissingFact(f"What {shop.name} takes for {weight_kg:g} kg", "Ask it: its list ends before.")


def _pending(
    shop: Shop, items: Sequence[Item], used: Sequence[Code], saved: Mapping[str, int], fees: Fraction, buyer: Buyer
) -> Iterator[Pending]:
    for rebate in shop.rebates:
        named = [item for item in items if not rebate.parts or item.offer.part in rebate.parts]
        basis = sum((_after_codes(shop, item, used) - saved[item.line] for item in named), Fraction(0))
        if not named or basis < rebate.least_spend_minor or is_over(rebate.until, buyer.day):
            continue
        amount = (
            Fraction(rebate.amount_minor) if rebate.amount_minor is not None else basis * Fraction(rebate.share or 0)
        )
        yield Pending(rebate, Money.rounded(min(amount, basis) * fees, buyer.currency, shop.currency))
