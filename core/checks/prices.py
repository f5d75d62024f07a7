"""What everything costs, once it is known what there is."""

from collections.abc import Iterator, Mapping
from contextlib import suppress
from dataclasses import dataclass
from typing import Annotated

from core.checks.leads import OutletsMissing
from core.checks.mat_place import MatsBought
from core.checks.needs import ITEMS, SmallItem, SmallItems
from core.checks.readings import Today
from core.checks.register import derive
from core.checks.wished_courses import WishedCourses
from core.model.brief import Brief
from core.model.build import Extra, Slot, SmallDecision
from core.model.chain import ADD_ONS, Chain, plan_of
from core.model.facts import MissingFact, not_stated
from core.model.kit import Kit
from core.model.ledger import COURSE, Category, Ledger, course_place
from core.model.parts import Billing, Flooring, FloorTiles, Part
from core.model.room import Layout, Room
from core.money.amounts import in_currency
from core.money.costs import Bought, Costs, bought_line, costs_of
from core.money.counted import settled
from core.money.floor_bought import Laid, laid, unit_laid
from core.money.licences import Licensed, bringing_along, licence_lines
from core.money.line import Line, Payment
from core.money.price_book import PriceBook, price_book_of
from core.quantities import Money, Quantity


@derive
def price_book(
    chain: Annotated[Chain, "id", "plans", "price"], kit: Annotated[Kit, "id", "plans", "price"], today: Today | None
) -> PriceBook:
    """What the sheets of the parts say that they cost."""
    beside = (part for part in (*(part for _, part in kit.extras), *(part for _, _, part in kit.small)) if part)
    return price_book_of((*(hung.part for hung in chain), *beside), today.date if today else None)


@dataclass(frozen=True)
class LicenceCosts:
    """What plans, packages, packs, connectors and single courses cost, line by line."""

    lines: tuple[Line, ...]


@derive
def licence_costs(
    brief: Annotated[
        Brief,
        "currency",
        "exchange_fee_share",
        "exchange_rates",
        "fee_rise_share",
        "tax_share",
        "tax_treatment",
    ],
    book: PriceBook,
    chain: Annotated[Chain, "id", "maker", "name", "plans"],
    kit: Annotated[Kit, "billing", "id", "maker", "name", "plans"],
    wished: WishedCourses | None,
    ledger: Annotated[Ledger, "entries"],
) -> LicenceCosts:
    """The lines that `Costs` has of them, without what depends on the room: many sets are priced while one waits."""
    licensed = [Licensed(hung.part, hung.plan, hung.slot, hung.decided.owned) for hung in chain]
    licensed += [_licensed(extra, part) for extra, part in kit.extras]
    bringing = bringing_along(each.plan for each in licensed)
    plans = [line for each in licensed for line in licence_lines(each, brief, book, bringing, ledger)]
    extras = (_bought(extra, part) for extra, part in kit.extras if isinstance(part, ADD_ONS))
    add_ons = [bought_line(bought, brief, book, ledger) for bought in (*extras, *_small_add_ons(kit))]
    return LicenceCosts((*plans, *add_ons, *_courses(wished, brief, ledger)))


def _small_add_ons(kit: Kit) -> Iterator[Bought]:
    """Small items that are add-ons, such as the connector that a link asks for: one of each."""
    for id, decision, part in kit.small:
        if isinstance(part, ADD_ONS) and decision.choice != "strike":
            yield Bought(id, ITEMS[id].item.near, part, 1, decision.choice == "own", billing_of(part))


@derive
def costs(
    brief: Annotated[
        Brief,
        "contingency_share",
        "currency",
        "exchange_rates",
        "exchange_fee_share",
        "fee_rise_share",
        "horizon_years",
        "outlet_minor",
        "tax_share",
        "tax_treatment",
        "up_front_cap_minor",
        "valuation",
        "yearly_cap_minor",
    ],
    book: PriceBook,
    chain: Annotated[Chain, "id", "maker", "name", "plans", "roll_width_m", "tile_side_m", "tiles_per_pack"],
    room: Annotated[Room, "length_m", "width_m"],
    layout: Annotated[Layout, "floor_fixed", "floor_length_m", "floor_width_m", "floor_x_m", "floor_y_m"],
    kit: Annotated[
        Kit,
        "billing",
        "id",
        "length_m",
        "maker",
        "name",
        "pack_size",
        "plans",
        "roll_width_m",
        "stock_length_m",
        "tile_side_m",
        "tiles_per_pack",
    ],
    small: SmallItems,
    outlets: OutletsMissing | None,
    mats: MatsBought,
    wished: WishedCourses | None,
    ledger: Annotated[Ledger, "entries", "own"],
) -> Costs:
    """All that the chain, the extras and the small items cost. An item whose reason is gone costs nothing."""
    bringing = bringing_along((*(hung.plan for hung in chain), *(_licensed(*each).plan for each in kit.extras)))
    floors = dict(_laid(chain, kit, room, layout))
    extras = [line for extra, part in kit.extras for line in _extra(extra, part, floors, brief, book, bringing, ledger)]
    beside = (*extras, *_chosen(kit, small, brief, book, ledger), *_courses(wished, brief, ledger))
    works = _outlets(outlets, brief)
    return costs_of(
        brief, book, chain, room, layout, beside, works=works, mats=mats.count, ledger=ledger, bringing=bringing
    )


def _outlets(outlets: OutletsMissing | None, brief: Brief) -> Iterator[Line]:
    """What an electrician is paid for outlets that are not there yet; they stay in the house."""
    if outlets is None:
        return
    count = len(outlets.devices)
    fee = None if brief.outlet_minor is None else Money(brief.outlet_minor, brief.currency) * count
    yield Line(
        None,
        "Outlets by a licensed electrician",
        Payment.LIST_PRICE if fee is None else Payment.QUOTE,
        fee,
        Money(0, brief.currency),
        newcomers=fee,
        quantity=count,
        missing=not_stated(brief, "outlet_minor").missing if fee is None else None,
        beside="outlets",
        category=Category.WORKS,
        stays_behind=True,
    )


def _chosen(kit: Kit, small: SmallItems, brief: Brief, book: PriceBook, ledger: Ledger) -> Iterator[Line]:
    for item in small.items:
        part, decision = kit.picked(item.item.id), kit.decided(item.item.id)
        if part is not None and decision is not None and decision.choice != "strike":
            yield _small(item, part, decision, brief, book, ledger)


def _courses(wished: WishedCourses | None, brief: Brief, ledger: Ledger) -> Iterator[Line]:
    """Courses of the wish list that are bought one by one."""
    for course in wished.each if wished else ():
        if course.price is None:
            continue
        line = Line(
            Slot.TITLE,
            f"{course.title_name}: course {course.name}",
            part=course.title,
            licence=COURSE,
            beside=course_place(course.name),
            category=Category.SOFTWARE,
        )
        listed: Money | MissingFact
        try:
            listed = in_currency(course.price, brief)
        except MissingFact as missing:
            listed = missing
        yield settled(line, listed, ledger.of(line.key), brief)


def _laid(chain: Chain, kit: Kit, room: Room, layout: Layout) -> Iterator[tuple[str, Laid | MissingFact]]:
    """What is bought for each extra that is laid, tiles of the same kind shared with what was laid before it."""
    tiles: dict[str, int] = {}
    floor = chain.at(Slot.FLOOR)
    if floor is not None and isinstance(floor.part, FloorTiles):
        with suppress(MissingFact):
            tiles[floor.part.id] = laid(floor.part, layout.zone_in(room.width_m, room.length_m)).tiles
    for extra, part in kit.extras:
        if isinstance(part, Flooring) and extra.laid:
            try:
                found = laid(part, extra.zone_in(room.width_m, room.length_m), tiles.get(part.id, 0))
            except MissingFact as missing:
                yield extra.id, missing
            else:
                tiles[part.id] = tiles.get(part.id, 0) + found.tiles
                yield extra.id, found


def _extra(
    extra: Extra,
    part: Part,
    floors: Mapping[str, Laid | MissingFact],
    brief: Brief,
    book: PriceBook,
    bringing: frozenset[str],
    ledger: Ledger,
) -> tuple[Line, ...]:
    """The part, and the plan of a further title or monitor."""
    bought = _bought(extra, part)
    if isinstance(part, Flooring) and extra.id in floors:
        found = floors[extra.id]
        units, left_over = (found, None) if isinstance(found, MissingFact) else (found.units, found.left_over)
        bought = bought._replace(
            slot=Slot.FLOOR, units=units, unit=unit_laid(part), left_over=left_over, fixed=extra.floor_fixed
        )
    licences = licence_lines(_licensed(extra, part), brief, book, bringing, ledger)
    return bought_line(bought, brief, book, ledger), *licences


def _bought(extra: Extra, part: Part) -> Bought:
    return Bought(extra.id, None, part, extra.quantity, extra.owned, billing_of(part))


def _licensed(extra: Extra, part: Part) -> Licensed:
    plan = plan_of(part, extra.plan, extra.id)
    return Licensed(part, plan, None, extra.owned, beside=extra.id, quantity=extra.quantity)


def _small(item: SmallItem, part: Part, decision: SmallDecision, brief: Brief, book: PriceBook, ledger: Ledger) -> Line:
    id, near, owned = item.item.id, item.item.near, decision.choice == "own"
    bought = Bought(id, near, part, _units(item, part), owned, billing_of(part), left_over=_left_over(item, part))
    return bought_line(bought, brief, book, ledger)


def _units(item: SmallItem, part: Part) -> int | MissingFact:
    try:
        return item.units(part)
    except MissingFact as missing:
        return missing


def _left_over(item: SmallItem, part: Part) -> Quantity | None:
    try:
        return item.left_over(part)
    except MissingFact:
        return None


def billing_of(part: Part) -> Billing:
    """How a part beside the chain is paid for: programs and packs may be rented."""
    return part.billing if isinstance(part, ADD_ONS) else Billing.ONCE
