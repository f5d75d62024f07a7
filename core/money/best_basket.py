"""Which offer of which shop for each line makes the least delivered total: solved exactly, as an integer programme."""

from collections.abc import Callable, Iterator, Mapping, Sequence
from datetime import date, timedelta
from fractions import Fraction
from itertools import product
from typing import Any, NamedTuple

import highspy

from core.model.progress import Stopped
from core.model.shops import Bundle, Code, DeliveryFee, Offer, Shop, SoldAs, is_over
from core.money.amounts import Buyer
from core.money.basket import NO_LIMITS, Basket, Limits, NoBasket
from core.money.order import Item, Need, is_good_for, order_of, sets_of_codes, share_kept, shared_out

Watch = Callable[[float], bool]
"""Told now and then how much the best basket found may still be too dear, as a share; answers whether to go on."""


def best_basket(
    needs: Sequence[Need],
    offers: Sequence[Offer],
    shops: Sequence[Shop],
    buyer: Buyer,
    limits: Limits = NO_LIMITS,
    watch: Watch | None = None,
) -> Basket:
    """The offers that come to least, delivered, of all that keep to `limits`.

    A binary variable stands for each offer under each set of codes of its shop, with what the line then comes to,
    rounded as `order_of` rounds it, so that the least sum is the least basket to the cent. Raises `NoBasket`,
    `Stopped`, `MissingFact` for a rate.
    """
    usable = [offer for offer in offers if _keeps_to(offer, limits, buyer.day)]
    items = {need.line: [need.met_by(offer) for offer in usable if offer.part == need.part] for need in needs}
    programme = _Programme(buyer, limits)
    for shop in shops:
        at_shop = [item for found in items.values() for item in found if item.offer.shop == shop.id]
        deliverable = [item for item in at_shop if item.weight_kg is not None or not shop.must_weigh]
        if deliverable and shop.id not in limits.not_shops:
            programme.add_shop(shop, deliverable)
    without = tuple(need.line for need in needs if not programme.serves(need.line))
    if without:
        raise NoBasket(without)
    return programme.solved(watch)


def _keeps_to(offer: Offer, limits: Limits, day: date | None) -> bool:
    if not offer.is_to_be_had(day) or (limits.new_only and offer.sold_as is not SoldAs.NEW):
        return False
    if limits.here_by is None:
        return True
    return offer.lead_days is not None and day is not None and day + timedelta(days=offer.lead_days) <= limits.here_by


class _Pick(NamedTuple):
    """An item under a set of codes, as a variable of the programme."""

    item: Item
    variable: Any
    kept: Fraction


class _Way(NamedTuple):
    """A set of codes of a shop: whether it is the one, what is picked under it, and what bundles save."""

    codes: tuple[Code, ...]
    variable: Any
    picks: tuple[_Pick, ...]
    saved: tuple[tuple[Any, int], ...]
    """Bundles: whether each is whole, and what it saves in the shop's currency."""

    @property
    def off_minor(self) -> int:
        """Amounts off the order."""
        return sum(code.off_minor or 0 for code in self.codes)

    @property
    def goods(self) -> Any:
        """What the goods come to after codes and bundles, in the shop's minor units."""
        picked = sum((float(p.item.goods_minor * p.kept) * p.variable for p in self.picks), start=0.0 * self.variable)
        return picked - sum(saving * whole for whole, saving in self.saved) - self.off_minor * self.variable


class _Programme:
    """The integer programme, shop by shop."""

    def __init__(self, buyer: Buyer, limits: Limits) -> None:
        self.buyer = buyer
        self.limits = limits
        self.solver: Any = highspy.Highs()
        self.solver.silent()
        self.solver.setOptionValue("threads", 1)
        self.solver.setOptionValue("mip_rel_gap", 0.0)
        # Sums are whole minor units: what is less than one away is as good.
        self.solver.setOptionValue("mip_abs_gap", 0.5)
        self.by_line: dict[str, list[Any]] = {}
        self.ways: list[tuple[Shop, _Way]] = []
        self.opened: list[Any] = []

    def serves(self, line: str) -> bool:
        """There is an offer for it."""
        return line in self.by_line

    def add_shop(self, shop: Shop, items: Sequence[Item]) -> None:
        """What may be bought of `items` at `shop`, under each set of its codes."""
        ways = [self._way(shop, codes, items) for codes in sets_of_codes(shop, self.buyer.day)]
        opened = sum(way.variable for way in ways)
        self.solver.addConstr(opened <= 1)
        self.opened.append(opened)
        self.ways += [(shop, way) for way in ways]
        self._deliver(shop, ways, opened)

    def _binary(self, cost_minor: int = 0) -> Any:
        return self.solver.addBinary(obj=float(cost_minor))

    def _way(self, shop: Shop, codes: tuple[Code, ...], items: Sequence[Item]) -> _Way:
        off = sum(self._told(-Fraction(code.off_minor or 0), shop, shop.tax_included) for code in codes)
        variable = self._binary(off)
        picks = []
        for item in items:
            kept = share_kept(shop, item, codes)
            pick = _Pick(item, self._binary(self._cost(shop, item, kept, 0)), kept)
            picks.append(pick)
            self.by_line.setdefault(item.line, []).append(pick.variable)
            self.solver.addConstr(pick.variable <= variable)
        self.solver.addConstr(sum(pick.variable for pick in picks) >= variable)
        for code in codes:
            good = [pick for pick in picks if is_good_for(code, pick.item)]
            spent = sum((float(pick.item.goods_minor) * pick.variable for pick in good), start=0.0 * variable)
            self.solver.addConstr(spent >= max(code.least_spend_minor, 1) * variable)
        way = _Way(codes, variable, tuple(picks), tuple(self._bundles(shop, picks)))
        if way.off_minor:
            self.solver.addConstr(way.goods >= 0)
        return way

    def _cost(self, shop: Shop, item: Item, kept: Fraction, saved: int) -> int:
        return self._told(item.goods_minor * kept - saved, shop, item.offer.price.tax_included)

    def _told(self, minor: Fraction, shop: Shop, tax_included: bool) -> int:
        return self.buyer.counts(self.buyer.at_till(minor, shop.currency, tax_included=tax_included)).minor

    def _bundles(self, shop: Shop, picks: Sequence[_Pick]) -> Iterator[tuple[Any, int]]:
        """A variable for each way in which a bundle can be whole, worth what its lines then come to less."""
        for bundle in shop.bundles:
            if is_over(bundle.until, self.buyer.day):
                continue
            for members in _whole(bundle, picks):
                prices = {pick.item.line: pick.item.offer.price.minor * pick.kept for pick in members}
                shares = shared_out(bundle.saving_minor, prices)
                less = sum(
                    self._cost(shop, pick.item, pick.kept, shares[pick.item.line])
                    - self._cost(shop, pick.item, pick.kept, 0)
                    for pick in members
                )
                whole = self._binary(less)
                for pick in members:
                    self.solver.addConstr(whole <= pick.variable)
                # A bundle that is there saves, wanted or not: without it the goods would come to more than they do.
                self.solver.addConstr(whole >= sum(pick.variable for pick in members) - (len(members) - 1))
                yield whole, sum(shares.values())

    def _deliver(self, shop: Shop, ways: Sequence[_Way], opened: Any) -> None:
        """One of the ways of delivery is taken where something is bought; each is open to what its terms allow."""
        if shop.may_collect:
            return
        heaviest = sum(pick.item.weight_kg or 0.0 for way in ways[:1] for pick in way.picks)
        taken = []
        for bulky, fee in product((False, True), shop.delivery or (DeliveryFee(fee_minor=0),)):
            minor = fee.fee_minor + (shop.bulky_minor if bulky else 0)
            option = self._binary(self._told(Fraction(minor), shop, shop.tax_included))
            taken.append(option)
            if fee.from_minor:
                self.solver.addConstr(sum(way.goods for way in ways) >= fee.from_minor * option)
            if fee.most_kg is not None:
                weight = sum((p.item.weight_kg or 0.0) * p.variable for way in ways for p in way.picks)
                self.solver.addConstr(weight <= fee.most_kg + heaviest * (1 - option))
            if not bulky:
                for pick in (pick for way in ways for pick in way.picks if pick.item.bulky):
                    self.solver.addConstr(pick.variable <= 1 - option)
        self.solver.addConstr(sum(taken) >= opened)

    def solved(self, watch: Watch | None) -> Basket:
        """The least basket."""
        for variables in self.by_line.values():
            self.solver.addConstr(sum(variables) == 1)
        if self.limits.most_shops is not None:
            self.solver.addConstr(sum(self.opened) <= self.limits.most_shops)
        cancelled = self._watched_by(watch)
        self.solver.minimize()
        if cancelled:
            raise Stopped
        if self.solver.getModelStatus() != highspy.HighsModelStatus.kOptimal:
            raise NoBasket(())
        taken = [(shop, way) for shop, way in self.ways if self.solver.val(way.variable) > 0.5]
        orders, choices = [], []
        for shop, way in taken:
            items = [pick.item for pick in way.picks if self.solver.val(pick.variable) > 0.5]
            orders.append(order_of(shop, items, self.buyer, way.codes))
            choices += [(item.line, item.offer.id) for item in items]
        return Basket(tuple(orders), tuple(choices), self.buyer.currency)

    def _watched_by(self, watch: Watch | None) -> list[bool]:
        """Fills when `watch` wants no more."""
        cancelled: list[bool] = []
        if watch is not None:

            def asked(event: Any) -> None:
                if not watch(event.data_out.mip_gap):
                    cancelled.append(True)
                    event.interrupt()

            self.solver.HandleUserInterrupt = True
            self.solver.cbMipInterrupt.subscribe(asked)
        return cancelled


def _whole(bundle: Bundle, picks: Sequence[_Pick]) -> Iterator[tuple[_Pick, ...]]:
    """Every way in which each member of the bundle is picked, as new."""
    by_part: Mapping[str, list[_Pick]] = {
        part: [p for p in picks if p.item.offer.part == part and p.item.offer.sold_as is SoldAs.NEW]
        for part in bundle.members
    }
    return product(*by_part.values())
