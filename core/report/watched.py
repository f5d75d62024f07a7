"""What a watch looks at: the figure of today, what it is of, and what the build comes to with it."""

from collections.abc import Callable, Iterable, Mapping, Sequence
from datetime import date
from typing import NamedTuple

from core.checks.evaluation import Evaluation
from core.checks.limits import State
from core.model.build import Build, Slot
from core.model.facts import MissingFact
from core.model.parts import Part
from core.model.shops import Market
from core.model.watch import Watch
from core.money.amounts import Buyer
from core.money.costs import Costs
from core.money.line import STILL_TO_BUY, Line
from core.money.order import Need
from core.money.shopping import needs_of
from core.quantities import Money, Sentence, say
from core.report.alternatives import build_with, each_weighed
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.shopping import DELIVERY_FROM, OfferedLine, offers_for, taking

MOST_TRIED = 40
"""Candidates of a place, the cheapest first, that are hung and judged."""


class WatchedFigure(NamedTuple):
    """What is watched, today."""

    amount: Money | None
    words: Sentence
    """What it is of; why it is not known, where it is not."""
    then: Costs | None = None
    """What the build comes to with it; `None` where it is what the build comes to."""


class WatchedBuild(NamedTuple):
    """A build on a day, and what can be bought for it."""

    build: Build
    sheets: Mapping[str, Part]
    """At least those of the parts that it names."""
    market: Market
    buyer: Buyer
    today: date

    @property
    def evaluation(self) -> Evaluation:
        """Of the build; it is remembered by its parts."""
        return evaluation_of(self.build, self.sheets, today=self.today)


class _Serving(NamedTuple):
    """A part that serves in a place, and what it comes to there."""

    total: Money
    offered: OfferedLine
    part: Part
    there: WatchedBuild
    """The build with it."""
    needs: Sequence[Need]
    need: Need


def line_figure(watch: Watch, there: WatchedBuild, needs: Sequence[Need]) -> WatchedFigure:
    """The cheapest that the watch allows for a line, delivered by itself."""
    need = next((need for need in needs if need.line == watch.subject), None)
    if need is None:
        return WatchedFigure(None, say("It is not to be bought any more"))
    found = _cheapest(watch, need, there)
    if found is None or found.order is None:
        return WatchedFigure(None, say("Nobody offers it as it is wanted"))
    return WatchedFigure(found.order.total, _of_offer(found), _costs_with(there, needs, need, found))


def place_figure(watch: Watch, there: WatchedBuild, candidates: Iterable[Part]) -> WatchedFigure:
    """The cheapest that serves in a place of the chain: hung there, judged with all its links, and delivered.

    What is blocked there does not serve, and neither does what nobody can judge.
    """
    best: _Serving | None = None
    for least_minor, part in sorted(_priced(watch, there, candidates), key=lambda priced: priced[0])[:MOST_TRIED]:
        # Many of it cost no less than one: nothing dearer by the piece can be cheaper in all.
        if best is not None and least_minor >= best.total.minor:
            break
        found = _serving(watch, there, part)
        if found is not None and (best is None or found.total.minor < best.total.minor):
            best = found
    if best is None:
        return WatchedFigure(None, say("Nothing that is offered serves there"))
    words = say(
        "{part}: {shop}, {condition}, delivered",
        part=f"{best.part.maker} {best.part.name}",
        shop=best.offered.shop.name,
        condition=best.offered.offer.sold_as.value,
    )
    return WatchedFigure(best.total, words, _costs_with(best.there, best.needs, best.need, best.offered))


def fee_figure(watch: Watch, costs: Costs) -> WatchedFigure:
    """A year of a fee of the build."""
    line = next((line for line in costs.lines if line.key == watch.subject), None)
    if line is None or not line.is_fee:
        return WatchedFigure(None, say("It is not paid for any more"))
    if line.yearly is None:
        return WatchedFigure(None, say("What it costs is not known"))
    words = "{label}, a year of it; all fees come to {fees} a year"
    left = _left_of(costs.yearly_cap, costs.yearly)
    return WatchedFigure(line.yearly, say(words + left.words, label=line.label, fees=costs.yearly, **left.facts))


def total_figure(
    there: WatchedBuild, costs: Costs, needs: Sequence[Need], best: Callable[[Sequence[Need]], Money | None]
) -> WatchedFigure:
    """The whole build: what is paid, owned and counted as it is, the rest at the `best` that shops offer, delivered.

    `best` works out what some lines come to in the best basket. Without what is kept back for surprises.
    """
    if not costs.lines:
        return WatchedFigure(None, say("Nothing is chosen yet"))
    missing = sum(line.missing is not None for line in costs.lines)
    if missing:
        return WatchedFigure(None, say("The price of {count} lines is not known", count=str(missing)))
    offered = [need for need in needs if offers_for(need, there.market, there.buyer)]
    lines = {need.line for need in offered}
    rest = [line for line in costs.lines if line.key not in lines and not _is_planned_delivery(line)]
    counted = [line.up_front for line in rest if line.up_front is not None]
    basket = best(offered) if offered else Money(0, there.buyer.currency)
    if basket is None:
        return WatchedFigure(None, say("No basket has all that is offered"))
    total = Money.total([basket, *counted], there.buyer.currency)
    words = "{count} things in the best basket, delivered"
    left = _left_of(costs.up_front_cap, total)
    return WatchedFigure(total, say(words + left.words, count=str(len(offered)), **left.facts))


def effect(before: Costs, after: Costs) -> Sentence:
    """What the build comes to with what was found, beside what it does now, and what that leaves of its caps; of the
    yearly one where the fees are others."""
    change = after.up_front - before.up_front
    words = "The build then comes to {total}"
    words += (
        ", as it does now"
        if not change.minor
        else ", {moved} less than now"
        if change.minor < 0
        else ", {moved} more than now"
    )
    up_front = _left_of(after.up_front_cap, after.counted)
    facts = {"total": after.up_front, "moved": Money(abs(change.minor), change.currency), **up_front.facts}
    if after.yearly == before.yearly:
        return say(words + up_front.words, **facts)
    yearly = _left_of(after.yearly_cap, after.yearly, "yearly_")
    words += up_front.words + "; all fees then come to {fees} a year" + yearly.words
    return say(words, fees=after.yearly, **facts, **yearly.facts)


class _Left(NamedTuple):
    """What is left of a cap: words that are added to a sentence, and the facts in them."""

    words: str
    facts: Mapping[str, Money]


def _left_of(cap: Money | None, counted: Money, name: str = "") -> _Left:
    """What `counted` leaves of a cap; no words where there is none. Facts are told by `name`, one for each cap."""
    if cap is None:
        return _Left("", {})
    left = cap - counted
    amount, whole = f"{{{name}left}}", f"{{{name}cap}}"
    words = f"; {amount} of {whole} are left" if left.minor >= 0 else f"; it is {amount} over {whole}"
    return _Left(words, {f"{name}left": Money(abs(left.minor), left.currency), f"{name}cap": cap})


def _cheapest(watch: Watch, need: Need, there: WatchedBuild) -> OfferedLine | None:
    """The first that is allowed: offers come in the order of what they come to."""
    found = offers_for(need, there.market, there.buyer)
    return next((one for one in found if one.order and watch.allows(one.shop.id, one.offer.sold_as)), None)


def _serving(watch: Watch, there: WatchedBuild, part: Part) -> _Serving | None:
    """`part` hung in its place, where it serves and somebody offers as many of it as that takes."""
    sheets, slot = {**there.sheets, part.id: part}, Slot(watch.subject)
    (weighed,) = each_weighed(there.build, sheets, [part], there.today)
    if weighed.state in (State.BLOCKED, State.UNKNOWN):
        return None
    needs = needs_of(known_costs(weighed.evaluation).lines, sheets)
    need = next((need for need in needs if need.part == part.id), None)
    offered = _cheapest(watch, need, there) if need is not None else None
    if need is None or offered is None or offered.order is None:
        return None
    with_it = there._replace(build=build_with(there.build, sheets, slot, part), sheets=sheets)
    return _Serving(offered.order.total, offered, part, with_it, needs, need)


def _priced(watch: Watch, there: WatchedBuild, parts: Iterable[Part]) -> Iterable[tuple[int, Part]]:
    """What one of each comes to at the till, at its cheapest."""
    for part in parts:
        found = _cheapest(watch, Need("", part.id, weight_kg=getattr(part, "weight_kg", None)), there)
        if found is not None and found.order is not None:
            yield found.order.total.minor - found.order.delivery.minor, part


def _costs_with(there: WatchedBuild, needs: Sequence[Need], need: Need, found: OfferedLine) -> Costs | None:
    try:
        taken = taking(there.build, needs, there.market, there.buyer, {need.line: found.offer.id})
    except MissingFact:
        return None
    return known_costs(evaluation_of(taken, there.sheets, today=there.today))


def _of_offer(found: OfferedLine) -> Sentence:
    return say("{shop}, {condition}, delivered", shop=found.shop.name, condition=found.offer.sold_as.value)


def _is_planned_delivery(line: Line) -> bool:
    """What bringing costs stands in the basket already; what was paid or ordered of it is no plan any more."""
    return line.place.startswith(DELIVERY_FROM) and line.payment in STILL_TO_BUY and not line.ordered
