"""What everything costs, once it is known what there is."""

from collections.abc import Iterator

from core.checks.register import derive
from core.checks.small_items import SmallItem, SmallItems
from core.model.brief import Brief
from core.model.chain import Chain
from core.model.facts import MissingFact
from core.model.kit import Kit
from core.model.parts import Billing, Connector, CoursePack, MonitorPackage, Part
from core.model.room import Room
from core.money.costs import Bought, Costs, costs_of


@derive
def costs(brief: Brief, chain: Chain, room: Room, kit: Kit, small: SmallItems) -> Costs:
    """All that the chain, the extras and the small items cost. An item whose reason is gone costs nothing."""
    return costs_of(brief, chain, room, (*_extras(kit), *_small(kit, small)))


def _extras(kit: Kit) -> Iterator[Bought]:
    for extra, part in kit.extras:
        yield Bought(extra.id, None, part, extra.quantity, extra.owned, extra.quote_minor, billing_of(part))


def _small(kit: Kit, small: SmallItems) -> Iterator[Bought]:
    for item in small.items:
        part, decision = kit.picked(item.item.id), kit.decided(item.item.id)
        if part is not None and decision is not None and decision.choice != "strike":
            owned = decision.choice == "own"
            yield Bought(
                item.item.id, item.item.near, part, _units(item, part), owned, decision.quote_minor, billing_of(part)
            )


def _units(item: SmallItem, part: Part) -> int | MissingFact:
    try:
        return item.units(part)
    except MissingFact as missing:
        return missing


def billing_of(part: Part) -> Billing:
    """How a part beside the chain is paid for: programs and packs may be rented."""
    return part.billing if isinstance(part, MonitorPackage | CoursePack | Connector) else Billing.ONCE
