"""What everything costs, once it is known what there is."""

from collections.abc import Iterator

from core.checks.register import derive
from core.checks.small_items import SmallItem, SmallItems
from core.kept import kept
from core.model.brief import Brief
from core.model.build import Extra, SmallDecision
from core.model.chain import Chain
from core.model.facts import MissingFact
from core.model.kit import Kit
from core.model.parts import Billing, Connector, CoursePack, MonitorPackage, Part
from core.model.room import Room
from core.money.costs import Bought, Costs, Line, bought_line, costs_of


@derive
def costs(brief: Brief, chain: Chain, room: Room, kit: Kit, small: SmallItems) -> Costs:
    """All that the chain, the extras and the small items cost. An item whose reason is gone costs nothing."""
    extras = (_extra(extra, part, brief) for extra, part in kit.extras)
    return costs_of(brief, chain, room, (*extras, *_chosen(kit, small, brief)))


def _chosen(kit: Kit, small: SmallItems, brief: Brief) -> Iterator[Line]:
    for item in small.items:
        part, decision = kit.picked(item.item.id), kit.decided(item.item.id)
        if part is not None and decision is not None and decision.choice != "strike":
            yield _small(item, part, decision, brief)


@kept
def _extra(extra: Extra, part: Part, brief: Brief) -> Line:
    bought = Bought(extra.id, None, part, extra.quantity, extra.owned, extra.quote_minor, billing_of(part))
    return bought_line(bought, brief)


@kept
def _small(item: SmallItem, part: Part, decision: SmallDecision, brief: Brief) -> Line:
    id, near, owned = item.item.id, item.item.near, decision.choice == "own"
    bought = Bought(id, near, part, _units(item, part), owned, decision.quote_minor, billing_of(part))
    return bought_line(bought, brief)


def _units(item: SmallItem, part: Part) -> int | MissingFact:
    try:
        return item.units(part)
    except MissingFact as missing:
        return missing


def billing_of(part: Part) -> Billing:
    """How a part beside the chain is paid for: programs and packs may be rented."""
    return part.billing if isinstance(part, MonitorPackage | CoursePack | Connector) else Billing.ONCE
